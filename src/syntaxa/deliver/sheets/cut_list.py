"""The list of parts to be cut: equal outlines once, with how many there are of them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from syntaxa.cut.part import Planned
from syntaxa.deliver.figures import containers
from syntaxa.deliver.plan import plan_of
from syntaxa.deliver.sheets.tables import Table
from syntaxa.deliver.sheets.values import plain
from syntaxa.drawing.state import State
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.measuring import enclosed_area
from syntaxa.geometry.shapes import Shape

#: Digits behind the point (mm, mm2) to which two parts are equal.
_EQUAL = 3


@dataclass(frozen=True, slots=True)
class CutPart:
    """An outline with its holes: width and height as drawn, length of all contours (mm), area without holes (mm2)."""

    sketch: str
    width: float
    height: float
    holes: int
    area: float
    length: float

    @property
    def key(self) -> tuple[object, ...]:
        """The same for parts that are equal, however they lie."""
        return self.sketch, self.holes, round(self.area, _EQUAL), round(self.length, _EQUAL)


def parts_to_cut(state: State) -> Iterator[CutPart]:
    """Every outline that goes out, with the holes in it."""
    by_sketch: dict[str, list[Shape]] = {}
    for part in plan_of(state, "layers").placed():
        by_sketch.setdefault(part.sketch, []).extend(s for s in part.shapes if s.is_closed)
    for sketch, contours in by_sketch.items():
        yield from _in_sketch(sketch, contours)


def _in_sketch(sketch: str, contours: Sequence[Shape]) -> Iterator[CutPart]:
    around = containers(contours)
    holes: dict[int, list[int]] = {}
    for k, inside in enumerate(around):
        if len(inside) % 2:
            # Of all that are around a hole the innermost lies in the others.
            holes.setdefault(max(inside, key=lambda n: len(around[n])), []).append(k)
    for k, contour in enumerate(contours):
        if len(around[k]) % 2:
            continue
        own = [contours[h] for h in holes.get(k, ())]
        box = bounds(contour)
        area = (enclosed_area([contour]) or 0.0) - sum(enclosed_area([h]) or 0.0 for h in own)
        yield CutPart(
            sketch, box[2] - box[0], box[3] - box[1], len(own), area, contour.length + sum(h.length for h in own)
        )


def part_list(state: State) -> Table:
    """Equal parts once, the most area first, with the material that the stock of Cut is said to be."""
    counts: dict[tuple[object, ...], tuple[CutPart, int]] = {}
    for part in parts_to_cut(state):
        first, count = counts.get(part.key, (part, 0))
        counts[part.key] = first, count + 1
    plan = state.part(Planned)
    stock = (plan.stock.material, plan.stock.thickness) if plan.machine is not None else ("", "")
    rows = tuple(
        (str(n), p.sketch, str(count), plain(p.width, 3), plain(p.height, 3), str(p.holes), plain(p.area, 2),
         plain(p.length, 2), *stock)
        for n, (p, count) in enumerate(sorted(counts.values(), key=lambda row: -row[0].area), 1)
    )  # fmt: skip
    heads = (
        "No.", "Sketch", "Count", "Width, mm", "Height, mm", "Holes", "Area, mm2", "Cut length, mm", "Material",
        "Thickness",
    )  # fmt: skip
    return Table("Parts to be cut", heads, rows)
