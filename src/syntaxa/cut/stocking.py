"""The stock on the drawing: its box, and where the program's zero lies."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.cut.contours import Contours
from syntaxa.cut.model import Stock
from syntaxa.cut.part import Planned
from syntaxa.drawing.state import State
from syntaxa.errors import CutError
from syntaxa.geometry.types import Box

#: mm; a stock that is smaller than this is none.
_SMALLEST = 1e-3


@dataclass(frozen=True, slots=True)
class LaidStock:
    """Where the stock lies as drawn (mm), how thick it is, and what is 0 in the program: a place, and a height over
    its top.
    """

    box: Box
    thickness: float
    zero: tuple[float, float]
    zero_z: float

    @property
    def size(self) -> tuple[float, float, float]:
        """Width, height and thickness (mm)."""
        return self.box[2] - self.box[0], self.box[3] - self.box[1], self.thickness


def laid(stock: Stock, thickness: float, contours: Contours, state: State) -> LaidStock:
    """The stock round what is there to be cut; raises CutError."""
    box = _box(stock, contours, state)
    if min(box[2] - box[0], box[3] - box[1]) < _SMALLEST:
        raise CutError("The stock has no size.", suggestion="Give it a size, or a margin round the parts.")
    middle = ((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)
    zeros = {
        "lower-left": (box[0], box[1]),
        "lower-right": (box[2], box[1]),
        "upper-left": (box[0], box[3]),
        "upper-right": (box[2], box[3]),
        "centre": middle,
        "as-drawn": (0.0, 0.0),
        "picked": stock.picked,
    }
    return LaidStock(box, thickness, zeros[stock.origin], 0.0 if stock.zero_z == "top" else -thickness)


def _box(stock: Stock, contours: Contours, state: State) -> Box:
    plan = state.part(Planned)
    if plan.sheet:
        return dict(plan.sheets)[plan.sheet]
    if stock.sketch:
        sketch = state.sketch(stock.sketch)
        found = sketch.extents() if sketch is not None else None
        if found is None:
            raise CutError(f"There is no sketch called “{stock.sketch}” for the stock.", suggestion="Choose another.")
        return found
    box = contours.box
    if box is None:
        raise CutError("There is nothing to be cut.", suggestion="Take a layer in Route, or mend the drawing first.")
    if stock.size is not None:
        x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
        return x - stock.size[0] / 2, y - stock.size[1] / 2, x + stock.size[0] / 2, y + stock.size[1] / 2
    m = max(stock.margin, 0.0)
    return box[0] - m, box[1] - m, box[2] + m, box[3] + m
