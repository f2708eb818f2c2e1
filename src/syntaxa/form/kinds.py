"""The steps of Form, in the order in which they are done: planes first, so that what is built on them follows."""

from __future__ import annotations

from syntaxa.drawing.step import StepRows
from syntaxa.form.bodies import CombineBodies, DescribeBody, DropBodies, PlaceBody, ScaleBody
from syntaxa.form.edges import TreatEdges
from syntaxa.form.folded import FoldViews
from syntaxa.form.planes import LayOnFace, LaySketch
from syntaxa.form.raising import RaiseBy, RaiseRegions, TurnRegions

STEPS: StepRows = (
    (FoldViews,),
    (LaySketch,),
    (
        RaiseRegions,
        RaiseBy,
        TurnRegions,
        TreatEdges,
        LayOnFace,
        PlaceBody,
        ScaleBody,
        CombineBodies,
        DescribeBody,
        DropBodies,
    ),
)
