"""Curves to the lines and arcs that the healing works on."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.fitting import Rows
from syntaxa.geometry.runs import rows_of
from syntaxa.mend.model import Pieces
from syntaxa.watching import still_wanted


def pieces_of(curves: Sequence[Curve], fit: float) -> Pieces:
    """Lines and arcs of at most half a turn, ellipses and splines as arc runs within `fit` mm."""
    rows: Rows = []
    owners: list[int] = []
    order: list[float] = []
    for index, curve in enumerate(curves):
        if index % 1000 == 0:
            still_wanted()
        part = rows_of(curve.shape, fit)
        rows += part
        owners += [index] * len(part)
        order += range(len(part))
    return Pieces(CurveArray.from_rows(rows, owners), np.array(order, dtype=np.float64), tuple(c.id for c in curves))
