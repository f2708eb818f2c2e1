"""Dashes that were drawn as separate strokes, joined to the lines that they stand for.

A row of dashes is at least four straight strokes on one carrier, of one layer and style, whose lengths and gaps repeat
(one length, or a long and a short one in turn, as in centre lines). Cost: n log n.
"""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import replace

from syntaxa.drawing.model import Curve
from syntaxa.geometry.shapes import Line

#: Strokes that make a row at least.
_FEWEST = 4

#: How far lengths and gaps of a row may differ, as a share of the longest stroke; and angles, in radians.
_UNEVEN, _ANGLE = 0.12, 2e-4

_Stroke = tuple[float, float, int]


def join_dashes(curves: Sequence[Curve]) -> tuple[list[Curve], int]:
    """The curves with rows of dashes joined, in order, and how many strokes were joined."""
    carriers: dict[tuple[object, ...], list[_Stroke]] = defaultdict(list)
    for k, curve in enumerate(curves):
        if isinstance(curve.shape, Line) and not curve.style.line_type:
            key, low, high = _carrier(curve.shape)
            carriers[curve.layer, curve.style, *key].append((low, high, k))
    joined: dict[int, Curve] = {}
    gone: set[int] = set()
    for strokes in carriers.values():
        for row in _rows(sorted(strokes)):
            first = curves[row[0][2]]
            ends = [p for k in (row[0][2], row[-1][2]) for p in (curves[k].shape.start, curves[k].shape.end)]
            way = first.shape.end - first.shape.start
            ends.sort(key=lambda p: way.x * p.x + way.y * p.y)
            style = replace(first.style, line_type="DASHED")
            joined[row[0][2]] = replace(first, shape=Line(ends[0], ends[-1]), style=style)
            gone |= {k for _, _, k in row}
    kept = [joined.get(k, curve) for k, curve in enumerate(curves) if k in joined or k not in gone]
    return kept, len(gone)


def _carrier(line: Line) -> tuple[tuple[int, int], float, float]:
    """Which endless line a stroke lies on (angle and offset, rounded), and from where to where along it."""
    step = line.end - line.start
    angle = step.angle % math.pi
    if math.pi - angle < _ANGLE / 2:
        angle = 0.0
    cosine, sine = math.cos(angle), math.sin(angle)
    offset = -sine * line.start.x + cosine * line.start.y
    low, high = sorted(cosine * p.x + sine * p.y for p in (line.start, line.end))
    return (round(angle / _ANGLE), round(offset / max(step.length * 0.02, 1e-9) / 4)), low, high


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
