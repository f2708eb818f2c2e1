"""What of a drawing is not geometry that is to be made, with the reason for each: shown first, left out when agreed."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

from syntaxa.drawing.model import Curve, extents_of
from syntaxa.drawing.state import State
from syntaxa.geometry.shapes import Line, Polyline
from syntaxa.measure.clues.sheets import sheet_at_scale
from syntaxa.route.model import Appearance, Appearances, Rule
from syntaxa.route.picking import chains

#: Words in names of layers, and what such layers hold (common practice, no published source).
_LAYER_WORDS: tuple[tuple[str, str], ...] = (
    (r"title|t[-_ ]?block|stamp|logo", "title block"),
    (r"border|frame|sheet|rahmen", "border"),
    (r"text|note|label|annot|legend|table", "text"),
    (r"dim|bemass|cota|quota", "dimensions"),
    (r"cent(?:er|re)|ax[ei]s|achse", "centre lines"),
    (r"hidden|verdeckt|phantom", "hidden lines"),
    (r"hatch|fill|schraff|section[-_ ]?line", "hatches"),
    (r"defpoints|construct|hilfs|aux|guide|viewport|vport", "helping lines"),
)

#: Line types that stand for something else than an edge. Source: ISO 128 (dashed for hidden edges, long-dashed dotted
#: for centre lines, long-dashed double-dotted for neighbouring parts).
_LINE_TYPES: tuple[tuple[str, str], ...] = (
    (r"cent(?:er|re)|acad_iso(?:04|08|10)|dashdot", "centre lines"),
    (r"hidden|dash(?!dot)|acad_iso(?:02|03)", "hidden lines"),
    (r"phantom|divide|acad_iso(?:05|09|12)", "lines of neighbouring parts"),
)

#: mm; ends that hang together for this purpose, and chains that are compared.
_REACH, _MOST_CHAINS = 0.5, 300


@dataclass(frozen=True, slots=True)
class LeaveOut:
    """A part that is no geometry: a rule that means it, or the ids of its curves; why, and how many curves."""

    why: str
    count: int
    rule: Rule | None = None
    ids: tuple[str, ...] = ()


def not_geometry(state: State) -> list[LeaveOut]:
    """What could be left out of the sketches as they are now; nothing is changed."""
    looks = Appearances(state)
    curves = [c for s in state.profiles() for c in s.curves]
    seen = [(c, looks.of(c)) for c in curves]
    found = [*_by_layer(seen), *_by_line_type(seen)]
    meant = {c.id for c, look in seen if any(x.rule is not None and x.rule.fits(look) for x in found)}
    frame = list(_frame([c for c in curves if c.id not in meant]))
    if frame:
        found.append(
            LeaveOut("A rectangle round everything else, the border of a sheet.", len(frame), ids=tuple(frame))
        )
    return found


def _by_layer(seen: list[tuple[Curve, Appearance]]) -> Iterator[LeaveOut]:
    for layer in dict.fromkeys(look.layer for _, look in seen):
        what = _what(layer, _LAYER_WORDS)
        if what:
            count = sum(look.layer == layer for _, look in seen)
            escaped = layer.translate({ord(c): f"[{c}]" for c in "*?["})
            yield LeaveOut(f"Layer {layer} sounds like {what}.", count, Rule(goes="out", layer=escaped))


def _by_line_type(seen: list[tuple[Curve, Appearance]]) -> Iterator[LeaveOut]:
    for line_type in dict.fromkeys(look.line_type for _, look in seen):
        what = _what(line_type, _LINE_TYPES)
        if what:
            mine = [look for _, look in seen if look.line_type == line_type and not _what(look.layer, _LAYER_WORDS)]
            if mine:
                why = f"The line type {line_type} is used for {what}."
                yield LeaveOut(why, len(mine), Rule(goes="out", line_type=line_type))


def _what(name: str, words: tuple[tuple[str, str], ...]) -> str:
    return next((what for pattern, what in words if re.search(pattern, name, re.IGNORECASE)), "")


def _frame(curves: list[Curve]) -> Iterator[str]:
    """Ids of a closed rectangle, or of four lines, along all sides of the extents, with everything else inside."""
    box = extents_of(curves)
    if box is None or len(curves) < 8:
        return
    slack = 1e-6 * max(box[2] - box[0], box[3] - box[1])
    on_box = {c.id: c for c in curves if _along(c, box, slack)}
    others = [c for c in curves if c.id not in on_box]
    rest = extents_of(others)
    sides = sum(len(c.shape.vertices) if isinstance(c.shape, Polyline) else 1 for c in on_box.values())
    inside = rest is not None and all(
        inner > outer + 2 * slack for inner, outer in zip((rest[0], rest[1], -rest[2], -rest[3]),
                                                          (box[0], box[1], -box[2], -box[3]), strict=True)
    )  # fmt: skip
    # A plate with holes has just such an outline; a border has the sides of a sheet, and several parts inside.
    sheet = sheet_at_scale(box[2] - box[0], box[3] - box[1])
    if inside and sides == 4 and sheet and _parts_inside(others) >= 2:
        yield from on_box


def _along(curve: Curve, box: tuple[float, float, float, float], slack: float) -> bool:
    shape = curve.shape
    if isinstance(shape, Polyline):
        return shape.closed and len(shape.vertices) == 4 and not any(shape.bulges) and all(
            _along(Curve("", s, ""), box, slack) for s in shape.segments()
        )  # fmt: skip
    if not isinstance(shape, Line):
        return False
    xs, ys = (shape.start.x, shape.end.x), (shape.start.y, shape.end.y)
    upright = any(all(abs(x - side) <= slack for x in xs) for side in (box[0], box[2]))
    level = any(all(abs(y - side) <= slack for y in ys) for side in (box[1], box[3]))
    long = shape.length >= 0.999 * (box[3] - box[1] if upright else box[2] - box[0])
    return (upright or level) and long


def _parts_inside(curves: list[Curve]) -> int:
    """How many things lie beside each other: chains that no other holds."""
    boxes = [extents_of(chain) for chain in chains(curves, _REACH)[:_MOST_CHAINS]]
    known = [b for b in boxes if b is not None]
    return sum(not any(_holds(o, b) for o in known if o is not b) for b in known)


def _holds(outer: tuple[float, float, float, float], inner: tuple[float, float, float, float]) -> bool:
    return outer[0] < inner[0] and outer[1] < inner[1] and outer[2] > inner[2] and outer[3] > inner[3]
