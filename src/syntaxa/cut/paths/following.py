"""Along the line itself: engraving, scoring, marking; and chamfers along an edge."""

from __future__ import annotations

import math
from collections.abc import Sequence

from syntaxa.cut.contours import Contours
from syntaxa.cut.doing import Doing
from syntaxa.cut.offsets.chains import Chains
from syntaxa.cut.offsets.offsetting import offset
from syntaxa.cut.paths.blanks import Blanks
from syntaxa.cut.paths.depths import passes
from syntaxa.cut.paths.lines import closed_blank, open_blank
from syntaxa.cut.paths.outlines import side_loops
from syntaxa.errors import CutError

#: mm by which the tip of a chamfer mill goes deeper than the chamfer, so that its edge is not cut by the very tip.
_DEEPER = 0.2


def followed_blanks(doing: Doing, contours: Contours, wanted: Sequence[int]) -> Blanks:
    """A blank for each line or contour, as it lies."""
    out = Blanks()
    levels = passes(doing.top, doing.bottom, doing.step_down, doing.finish_down)
    for n, k in enumerate(wanted):
        contour = contours.contours[k]
        key = f"{doing.operation.name}/{contour.key}/{n}"
        if contour.closed:
            out.found.append(closed_blank(doing, key, contour.key, k, contour.rows, levels))
        else:
            out.found.append(open_blank(doing, key, contour.key, k, contour.rows, levels))
    return out


def chamfer_blanks(doing: Doing, contours: Contours, wanted: Sequence[int]) -> Blanks:
    """A blank for each edge: a cone beside it, its flank at the chamfer's angle and its tip a little below.

    The cone's flank meets the stock's top `width` inside the edge: at a depth of (width + clear) / tan(half angle), the
    middle lies `clear` outside of it.
    """
    out = Blanks()
    half = math.radians(doing.tool.angle) / 2
    depth = doing.width / math.tan(half) + _DEEPER
    clear = _DEEPER * math.tan(half)
    if doing.width <= 0 or doing.width + clear > doing.tool.radius:
        raise CutError(
            f"{doing.operation.name}: {doing.tool} cannot make a chamfer of {doing.width:g} mm.",
            suggestion="Take a larger cone, or a smaller chamfer.",
        )
    closed = [k for k in wanted if contours.contours[k].closed]
    loops, groups, numbers = side_loops(contours, closed, [contours.contours[k].bounds == "hole" for k in closed])
    found = offset(Chains.of(loops, groups), clear)
    z = doing.top - depth
    for n, (rows, source) in enumerate(zip(found.loops, found.sources, strict=True)):
        k = numbers[source]
        if k >= 0:
            contour = contours.contours[k]
            key = f"{doing.operation.name}/{contour.key}/{n}"
            out.found.append(closed_blank(doing, key, contour.key, k, rows, [z]))
    return out
