"""Dashes that were drawn as separate strokes, joined to the lines that they stand for.

A row of dashes is at least four straight strokes on one carrier, of one layer and style, whose lengths and gaps repeat
(one length, or a long and a short one in turn, as in centre lines). Cost: n log n.
"""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from typing import TypeVar

from syntaxa.drawing.model import Curve, Style
from syntaxa.geometry.shapes import Line

#: Strokes that make a row at least.
_FEWEST = 4

#: How far lengths and gaps of a row may differ, as a share of the longest stroke.
_UNEVEN = 0.12

#: Strokes on one carrier agree in angle (radians) and in offset (share of the longest stroke).
_ANGLE, _OFFSET = 3e-4, 0.02

_Stroke = tuple[float, float, int]
_Row = TypeVar("_Row")


#: A stroke that is so many times as long as another one of its row makes it a chain line, as centre lines are.
_LONG = 2.0


def line_type_of(pattern: Sequence[float]) -> str:
    """What a pattern of strokes and gaps is called: DASHED, DASHDOT where strokes are long and short, or nothing."""
    strokes = [length for length in pattern[::2] if length >= 0]
    if not any(length > 0 for length in pattern):
        return ""
    return "DASHDOT" if len(strokes) > 1 and max(strokes) >= _LONG * min(strokes) else "DASHED"


def join_dashes(curves: Sequence[Curve]) -> tuple[list[Curve], int]:
    """The curves with rows of dashes joined, in order, and how many strokes were joined."""
    alike: dict[tuple[str, Style], list[tuple[Line, int]]] = defaultdict(list)
    for k, curve in enumerate(curves):
        if isinstance(curve.shape, Line) and not curve.style.line_type:
            alike[curve.layer, curve.style].append((curve.shape, k))
    joined: dict[int, Curve] = {}
    gone: set[int] = set()
    for members in alike.values():
        for carrier in _carriers(members):
            for row in _rows(sorted(carrier)):
                first = row[0][2]
                joined[first] = _whole(curves[first], curves[row[-1][2]], _line_type(row))
                gone |= {k for _, _, k in row}
    kept = [joined.get(k, curve) for k, curve in enumerate(curves) if k in joined or k not in gone]
    return kept, len(gone)


def _line_type(row: list[_Stroke]) -> str:
    """What a row is called, by its inner strokes: the outer ones may have been cut short."""
    lengths = [high - low for low, high, _ in row[1:-1]]
    return line_type_of([x for length in lengths for x in (length, 1.0)])


def _whole(first: Curve, last: Curve, line_type: str) -> Curve:
    """The line from the outer end of the first stroke to the outer end of the last."""
    ends = [p for shape in (first.shape, last.shape) for p in (shape.start, shape.end)]
    way = first.shape.end - first.shape.start
    ends.sort(key=lambda p: way.x * p.x + way.y * p.y)
    return replace(first, shape=Line(ends[0], ends[-1]), style=replace(first.style, line_type=line_type))


def _carriers(lines: Sequence[tuple[Line, int]]) -> Iterator[list[_Stroke]]:
    """The strokes of each endless line, with from where to where they go along it."""
    angled = sorted(((_angle(line), line, k) for line, k in lines), key=lambda row: row[0])
    slack = _OFFSET * max(line.length for line, _ in lines)
    for parallel in _runs(angled, lambda row: row[0], _ANGLE):
        cosine, sine = math.cos(parallel[0][0]), math.sin(parallel[0][0])
        aside = sorted(
            ((cosine * line.start.y - sine * line.start.x, line, k) for _, line, k in parallel), key=lambda row: row[0]
        )
        for carrier in _runs(aside, lambda row: row[0], slack):
            strokes = []
            for _, line, k in carrier:
                low, high = sorted(cosine * p.x + sine * p.y for p in (line.start, line.end))
                strokes.append((low, high, k))
            yield strokes


def _angle(line: Line) -> float:
    """The direction of a line whichever way it was drawn: 0 up to half a turn."""
    angle = (line.end - line.start).angle % math.pi
    return 0.0 if math.pi - angle < _ANGLE else angle


def _runs(rows: Sequence[_Row], value: Callable[[_Row], float], step: float) -> Iterator[list[_Row]]:
    """Sorted rows in groups, each value no more than a step beyond the one before."""
    run: list[_Row] = []
    for row in rows:
        if run and value(row) - value(run[-1]) > step:
            yield run
            run = []
        run.append(row)
    if run:
        yield run


def _rows(strokes: list[_Stroke]) -> list[list[_Stroke]]:
    rows: list[list[_Stroke]] = []
    row: list[_Stroke] = []
    for stroke in strokes:
        if row and not _goes_on(row, stroke):
            rows.append(row)
            row = []
        row.append(stroke)
    rows.append(row)
    return [r for r in rows if len(r) >= _FEWEST and _repeats(r)]


def _goes_on(row: list[_Stroke], stroke: _Stroke) -> bool:
    gap = stroke[0] - row[-1][1]
    longest = max(high - low for low, high, _ in [*row[-2:], stroke])
    if not 0 < gap <= 1.5 * longest:
        return False
    if len(row) < 2:
        return True
    return abs(gap - (row[-1][0] - row[-2][1])) <= _UNEVEN * longest


def _repeats(row: list[_Stroke]) -> bool:
    """Whether the inner strokes are alike, or alike in turn; the first and last may have been cut short."""
    inner = [high - low for low, high, _ in row[1:-1]]
    slack = _UNEVEN * max(inner)
    return all(max(part) - min(part) <= slack for part in (inner[::2], inner[1::2]) if part)
