"""Tabs: short stretches along a contour that are left standing, so that a part does not come loose."""

from __future__ import annotations

import math

import numpy as np

from syntaxa.cut.paths.along import Along
from syntaxa.geometry.types import Floats

#: Radii of an arc that is too small for a tab, in widths of it; phases that are tried; room at corners, in widths.
_BENT, _PHASES, _ROOM = 4.0, 64, 0.5


def tab_places(along: Along, count: int, width: float, tool: float) -> list[float]:
    """Where tabs go (mm along, their middles): evenly, on straight or gently bent stretches, away from corners.

    Each goes to the nearest allowed place, for the phase whose places move least; fewer come back where there is no
    room.
    width   mm that is left standing; tool  mm that the tool takes, by which the path is raised longer
    """
    low, high = _allowed(along, width + tool, width)
    if not len(low) or count < 1:
        return []
    total = along.total
    best: tuple[float, list[float]] | None = None
    for phase in np.arange(_PHASES) / _PHASES:
        wanted = (np.arange(count) + phase) * total / count
        near = np.clip(wanted[:, None], low, high)
        off = np.abs((near - wanted[:, None] + total / 2) % total - total / 2)
        pick = off.argmin(axis=1)
        put = np.sort(near[np.arange(count), pick])
        gaps = np.diff(np.append(put, put[0] + total)) if count > 1 else np.array([np.inf])
        cost = float((off.min(axis=1) ** 2).sum())
        if gaps.min() > 2 * (width + tool) and (best is None or cost < best[0]):
            best = cost, put.tolist()
    return best[1] if best is not None else tab_places(along, count - 1, width, tool)


def tab_count(length: float, count: int, every: float) -> int:
    """How many tabs: the number, or one every so many mm, whichever is more."""
    return max(count, math.ceil(length / every - 1e-9) if every > 0 else 0)


def _allowed(along: Along, span: float, width: float) -> tuple[Floats, Floats]:
    """Stretches (mm along) in which the middle of a tab may lie."""
    flat = ~along.pieces.is_arc | (along.pieces.radius >= _BENT * width)
    margin = span / 2 + _ROOM * width
    fits = flat & (along.lengths > 2 * margin)
    begin = along.begins[:-1]
    return begin[fits] + margin, (begin + along.lengths)[fits] - margin


def pieces_between(
    low: float, high: float, tabs: list[float], half: float, total: float
) -> list[tuple[float, float, bool]]:
    """A stretch of a closed run (mm along) as (from, to, whether a tab is there), for tabs of a half length."""
    cuts = []
    for tab in tabs:
        # Every round that the stretch goes.
        first = math.floor((low - tab - half) / total)
        for n in range(first, math.ceil((high - tab + half) / total) + 1):
            a, b = max(tab - half + n * total, low), min(tab + half + n * total, high)
            if b > a:
                cuts.append((a, b))
    out, here = [], low
    for a, b in sorted(cuts):
        if a > here:
            out.append((here, a, False))
        if b > max(a, here):
            out.append((max(a, here), b, True))
        here = max(here, b)
    if high > here:
        out.append((here, high, False))
    return out
