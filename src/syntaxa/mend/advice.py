"""What is worth a look though nothing is open: facets that stand for arcs, missed tangents, curves that were tilted.

Each is a finding with a fix that is done only where it is chosen. The fixes here change the form of curves, not what
meets what; they are done before the healing.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from functools import cached_property

from syntaxa.drawing.model import Curve
from syntaxa.geometry.refit import RefitLimits
from syntaxa.mend.facets import FacetRun, facet_runs, without_facets
from syntaxa.mend.kinks import Kink, kinks
from syntaxa.mend.model import Finding, Pieces
from syntaxa.mend.telling import Telling
from syntaxa.mend.vertices import Vertices

#: mm; how far a vertex may lie off its arc, and a facet leave it, to be told as a facet run.
FACETS = RefitLimits(0.001, 0.05)

#: Facets that a run has at the least: fewer may be a corner broken by hand.
_FEWEST = 6


class Advice:
    """The advice about the curves of one sketch."""

    def __init__(self, curves: Sequence[Curve], pieces: Pieces, merge: float) -> None:
        self._curves = list(curves)
        self._pieces = pieces
        self._merge = merge

    @cached_property
    def _runs(self) -> list[tuple[Finding, FacetRun]]:
        found = facet_runs(self._curves, FACETS, self._merge)
        return [(_run_finding(run), run) for run in found if run.facets >= _FEWEST]

    @cached_property
    def _vertices(self) -> Vertices:
        return Vertices(self._curves, self._pieces, self._merge)

    @cached_property
    def _kinks(self) -> list[tuple[Finding, Kink]]:
        return [(_kink_finding(self._vertices, kink), kink) for kink in kinks(self._vertices)]

    @cached_property
    def _tilted(self) -> list[tuple[Finding, Curve]]:
        return [(_tilted_finding(c), c) for c in self._curves if c.tilt]

    def findings(self) -> list[Finding]:
        """All of it, in words."""
        return [finding for part in (self._runs, self._kinks, self._tilted) for finding, _ in part]

    def followed(self, telling: Telling) -> list[Curve]:
        """The curves with what is accepted done; all of it is told."""
        runs = [run for finding, run in self._runs if telling.decide(finding)]
        straightened = [kink for finding, kink in self._kinks if telling.decide(finding)]
        dropped = {c.id for finding, c in self._tilted if telling.decide(finding)}
        if not (runs or straightened or dropped):
            return self._curves
        places = {k: v for kink in straightened for k, v in kink.places.items()}
        bulges = {k: v for kink in straightened for k, v in kink.bulges.items()}
        anew = self._vertices.moved(places, bulges) if straightened else {}
        curves = [anew.get(c.id, c) for c in self._curves if c.id not in dropped]
        gone = {c.id for c in curves}
        # A run whose curves were bent or dropped is not what it was.
        runs = [run for run in runs if gone.issuperset(run.gone) and not anew.keys() & set(run.gone)]
        return without_facets(curves, runs)


def _run_finding(run: FacetRun) -> Finding:
    shape = run.curve.shape
    what = "a circle" if shape.is_closed else "an arc"
    return Finding(
        "facet run",
        f"facet run:{'+'.join(run.gone)}",
        shape.start,
        run.deviation,
        run.gone,
        f"Make {what} of {run.facets} facets",
        run.deviation,
        by_choice=True,
        confidence=0.9,
    )


def _kink_finding(vertices: Vertices, kink: Kink) -> Finding:
    pieces = vertices.pieces
    ids = tuple(dict.fromkeys(pieces.id_of(k) for k in kink.pieces))
    key = "+".join(sorted(f"{pieces.id_of(k)}@{pieces.order[k]:g}" for k in kink.pieces))
    remedy = "Round the corner anew, tangent to both lines" if kink.rounding else "Bend the arc so that it is tangent"
    return Finding("kink", f"kink:{key}", kink.place, kink.cost, ids, remedy, kink.cost, by_choice=True, confidence=0.7)


def _tilted_finding(curve: Curve) -> Finding:
    rise = curve.shape.length * math.tan(min(curve.tilt, 1.57))
    return Finding(
        "off-plane",
        f"off-plane:{curve.id}",
        curve.shape.start,
        rise,
        (curve.id,),
        "Drop it",
        dropped=curve.shape.length,
        by_choice=True,
        confidence=0.3,
    )
