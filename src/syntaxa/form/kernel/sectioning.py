"""Bodies cut through and looked at: what is left behind the plane as lines, and where material was cut as areas."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from syntaxa.form.folding.outlines import polygon
from syntaxa.form.kernel.combining import combined
from syntaxa.form.kernel.hidden import Drawn, ViewOf, eye_and_right, lines_of_view, together
from syntaxa.form.kernel.measuring import box_of
from syntaxa.form.kernel.meshing import mesh_of
from syntaxa.form.kernel.names import Named
from syntaxa.form.kernel.raising import prism
from syntaxa.form.model import Frame
from syntaxa.form.refusal import KernelError
from syntaxa.geometry.types import Floats

#: mm by which what is taken away reaches beyond the bodies; how near a corner must be to the plane to lie on it.
_BEYOND, _ON = 10.0, 1e-6

#: mm and radians by which triangles may be off, for areas that are hatched.
_FINE, _BEND = 0.01, 0.1


def section_of(bodies: Sequence[Named], view: ViewOf, at: float, exact: bool = True) -> tuple[list[Drawn], Floats]:
    """(lines of what lies behind the plane, triangles where material was cut (n, 3, 2), x to the right and y up).

    at  mm along the direction to the eye, where the plane lies
    Raises KernelError where it lies beside all bodies.
    """
    eye, right = (np.array(v, dtype=float) for v in eye_and_right(view))
    up = np.cross(eye, right)
    boxes = [np.array(box_of(b.shape)) for b in bodies]
    low, high = np.min([b[0] for b in boxes], axis=0), np.max([b[1] for b in boxes], axis=0)
    corners = np.array([[x, y, z] for x in (low[0], high[0]) for y in (low[1], high[1]) for z in (low[2], high[2])])
    depth, across, along = corners @ eye, corners @ right, corners @ up
    if not depth.min() < at < depth.max():
        raise KernelError(
            f"The plane of the section lies beside all bodies: they reach from {depth.min():g} to {depth.max():g} mm."
        )
    x0, x1, y0, y1 = across.min() - _BEYOND, across.max() + _BEYOND, along.min() - _BEYOND, along.max() + _BEYOND
    outline = polygon([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], "section")
    frame = Frame((0.0, 0.0, 0.0), (right[0], right[1], right[2]), (up[0], up[1], up[2]))
    tool = prism(outline, frame, at, float(depth.max()) + _BEYOND, "section")
    left = [combined("cut", [body], [tool]) for body in bodies if _reaches_behind(body, eye, at)]
    lines = lines_of_view(together([b.shape for b in left]), view, exact)
    cut = [_cut_faces(body, eye, right, up, at) for body in left]
    return lines, np.concatenate(cut) if cut else np.zeros((0, 3, 2))


def _reaches_behind(body: Named, eye: Floats, at: float) -> bool:
    low, high = (np.array(p) for p in box_of(body.shape))
    return bool(min(eye @ low, eye @ high) < at - _ON)


def _cut_faces(body: Named, eye: Floats, right: Floats, up: Floats, at: float) -> Floats:
    mesh = mesh_of(body, _FINE, _BEND)
    corners = mesh.points[mesh.triangles]
    on = (np.abs(corners @ eye - at) < _ON).all(axis=1)
    return np.stack([corners[on] @ right, corners[on] @ up], axis=2)
