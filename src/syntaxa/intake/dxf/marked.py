"""Subclass markers for entities that were written without: one of them would have the library refuse the whole file.

The DXF reference (R13 and later) has each entity's tags in parts, each behind a marker (group 100): first what all
entities share, then what is the kind's own.
"""

from __future__ import annotations

import numpy as np

from syntaxa.intake.dxf.plain import Tagged

#: The marker of each kind that the library cannot read without.
_MARKERS = {
    b"LWPOLYLINE": b"AcDbPolyline", b"SPLINE": b"AcDbSpline", b"HATCH": b"AcDbHatch", b"MTEXT": b"AcDbMText",
    b"ELLIPSE": b"AcDbEllipse", b"LEADER": b"AcDbLeader", b"MLINE": b"AcDbMline", b"RAY": b"AcDbRay",
    b"XLINE": b"AcDbXline",
}  # fmt: skip

#: Codes that stand before the first part, and those that all entities share.
_BASE = frozenset((5, 102, 330, 360))
_SHARED = frozenset((6, 8, 48, 60, 62, 67, 284, 347, 348, 370, 380, 390, 410, 420, 430, 440))


def with_markers(tagged: Tagged) -> Tagged:
    """The file with the markers of entities that have none; the very same where each has its own."""
    for section in (b"BLOCKS", b"ENTITIES"):
        found = tagged.section(section)
        if found is not None:
            tagged = _section_marked(tagged, *found)
    return tagged


def _section_marked(tagged: Tagged, begin: int, end: int) -> Tagged:
    codes = tagged.codes[begin:end]
    starts = begin + np.flatnonzero(codes == 0)
    if not len(starts):
        return tagged
    owner = np.searchsorted(starts, begin + np.flatnonzero(codes == 100), side="right") - 1
    marked = np.zeros(len(starts), dtype=bool)
    marked[owner[owner >= 0]] = True
    ends = np.append(starts[1:], end)
    bare = [
        (int(starts[k]), int(ends[k]), _MARKERS[kind])
        for k in np.flatnonzero(~marked).tolist()
        if (kind := tagged.values[starts[k]].strip()) in _MARKERS
    ]
    if not bare:
        return tagged
    index = np.arange(len(tagged.codes))
    at: list[int] = []
    values: list[bytes] = []
    for first, last, marker in bare:
        # What comes behind the first tag of its own is not touched: a hatch has codes there that mean other things.
        own = np.flatnonzero(~np.isin(tagged.codes[first + 1 : last], [*_BASE, *_SHARED]))
        head = np.arange(first + 1, first + 1 + int(own[0]) if len(own) else last)
        base = np.isin(tagged.codes[head], list(_BASE))
        index[head] = np.concatenate([head[base], head[~base]])
        at += [first + 1 + int(base.sum()), first + 1 + len(head)]
        values += [b"AcDbEntity", marker]
    heads, old = (np.array(column, dtype=object)[index].tolist() for column in (tagged.heads, tagged.values))
    return Tagged(tagged.codes[index], heads, old).with_tags(np.array(at), [100] * len(at), values)
