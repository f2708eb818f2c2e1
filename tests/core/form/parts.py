"""Made-up parts with known solids, and drawings of them in several views: the truth for folding.

The drawings are made with the kernel's hidden lines, which also judge readings; `test_hidden.py` holds these against
projections that are known by hand.
"""

from __future__ import annotations

import random
from dataclasses import dataclass, field

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.form.folding.outlines import polygon, ring
from syntaxa.form.kernel.combining import combined
from syntaxa.form.kernel.hidden import lines_of_view
from syntaxa.form.kernel.names import Named
from syntaxa.form.kernel.raising import prism, turned
from syntaxa.form.model import Frame
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline
from syntaxa.geometry.transform import Transform

TOP = Frame()
FRONT = Frame((0, 0, 0), (1, 0, 0), (0, 0, 1))
SIDE = Frame((0, 0, 0), (0, 1, 0), (0, 0, 1))


def block(x0, y0, z0, x1, y1, z1):
    return prism(polygon([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], "b"), TOP, z0, z1, "b")


def rod(axis, u, v, r, low, high):
    """A cylinder along an axis; u and v are its other coordinates in the order x, y, z."""
    disc = ring(Circle(Point(u, v), r), "c")
    if axis == "z":
        return prism(disc, TOP, low, high, "c")
    if axis == "y":
        return prism(disc, FRONT, -high, -low, "c")
    return prism(disc, SIDE, low, high, "c")


def cut(body, *tools):
    return combined("cut", [body], list(tools))


def added(body, *tools):
    return combined("add", [body], list(tools))


def milled(rng: random.Random) -> Named:
    """A block or a profile with steps, slots, pockets, holes and bosses along the axes."""

    def among(a, b):
        return round(rng.uniform(a, b) * 2) / 2

    x, y, z = among(40, 120), among(25, 80), among(20, 60)
    body = block(0, 0, 0, x, y, z)
    if rng.random() < 0.35:
        a, b = among(x * 0.25, x * 0.45), among(z * 0.3, z * 0.6)
        points = rng.choice(
            [
                [(0, 0), (x, 0), (x, b), (a, b), (a, z), (0, z)],
                [(0, 0), (x, 0), (x, b), (x - a, b), (x - a, z), (a, z), (a, b), (0, b)],
                [(0, 0), (x, 0), (x, b), (x - a, z), (0, z)],
            ]
        )
        body = prism(polygon(points, "b"), FRONT, -y, 0, "b")
    for _ in range(rng.randint(1, 3)):
        body = _featured(body, rng, among, (x, y, z))
    return body


def _featured(body, rng, among, size):
    x, y, z = size
    what = rng.choice(["step", "slot", "pocket", "hole z", "hole y", "hole x", "blind", "boss", "round boss"])
    if what == "step":
        d, h = among(6, x * 0.3), among(4, z * 0.5)
        return cut(body, block(-1, -1, z - h, d, y + 1, z + 1))
    if what == "slot":
        w, h, c = among(5, 12), among(4, z * 0.6), among(x * 0.3, x * 0.7)
        return cut(body, block(c, -1, z - h, c + w, y + 1, z + 1))
    if what in ("pocket", "boss"):
        w, d, h = among(8, x * 0.3), among(6, y * 0.4), among(3, z * 0.6)
        u, v = among(3, x - w - 3), among(3, y - d - 3)
        if what == "pocket":
            return cut(body, block(u, v, z - h, u + w, v + d, z + 1))
        return added(body, block(u, v, z * 0.5, u + w, v + d, z + among(4, 15)))
    if what in ("hole z", "blind"):
        r = among(2, min(x, y) * 0.15)
        u, v = among(r + 3, x - r - 3), among(r + 3, y - r - 3)
        return cut(body, rod("z", u, v, r, -1 if what == "hole z" else among(z * 0.2, z * 0.6), z + 1))
    if what == "round boss":
        r = among(4, min(x, y) * 0.2)
        u, v = among(r + 3, x - r - 3), among(r + 3, y - r - 3)
        return added(body, rod("z", u, v, r, z * 0.5, z + among(4, 15)))
    axis = what[-1]
    a = {"y": (x, z, y), "x": (y, z, x)}[axis]
    r = among(2, min(a[0], a[1]) * 0.15)
    return cut(body, rod(axis, among(r + 3, a[0] - r - 3), among(r + 3, a[1] - r - 3), r, -1, a[2] + 1))


def lathed(rng: random.Random) -> Named:
    """A turned part of several steps, bored through, part of the way, or not."""

    def among(a, b):
        return round(rng.uniform(a, b) * 2) / 2

    count = rng.randint(2, 4)
    ends = np.concatenate([[0.0], np.cumsum([among(8, 30) for _ in range(count)])]).tolist()
    radii = [among(10, 35)]
    while len(radii) < count:
        r = among(10, 35)
        if abs(r - radii[-1]) >= 2:
            radii.append(r)
    points = [(0.0, 0.0)]
    for k, r in enumerate(radii):
        points += [(ends[k], r), (ends[k + 1], r)]
    points.append((ends[-1], 0.0))
    body = turned(polygon(points[::-1], "t"), FRONT, ((0.0, 0.0), (1.0, 0.0)), (0.0, TURN), "t")
    kind = rng.choice(["", "through", "blind"])
    if kind:
        r = among(min(radii) * 0.3, min(radii) * 0.6)
        body = cut(body, rod("x", 0, 0, r, -1 if kind == "through" else ends[-1] * 0.4, ends[-1] + 1))
    return body


#: Where a view stands beside the front view, in each method.
PLACES = {
    "third": {"top": (0, 1), "right": (1, 0)},
    "first": {"top": (0, -1), "left": (1, 0)},
}


@dataclass
class Sheet:
    """Shapes, whether they are hidden lines, and which view stands where."""

    shapes: list = field(default_factory=list)
    hidden: list = field(default_factory=list)
    boxes: dict = field(default_factory=dict)

    def curves(self):
        return [
            Curve(str(k), s, "HIDDEN" if h else "VISIBLE")
            for k, (s, h) in enumerate(zip(self.shapes, self.hidden, strict=True))
        ]


def drawn(body, rng, method, roles=None, noise=0.0, shift=0.0, with_hidden=True, frame=False) -> Sheet:
    """Views laid out by a method. noise, shift  mm that each level of a view, and each view, is off its place."""
    roles = roles or (("top", "right") if method == "third" else ("top", "left"))
    views = {role: _view(body, role, rng, noise, with_hidden) for role in ("front", *roles)}
    sheet, gap = Sheet(), rng.uniform(15, 40)
    _, low, high = views["front"]
    for role, (lines, own_low, own_high) in views.items():
        off = low - own_low
        if role != "front":
            side = PLACES[method][role]
            off = np.array(
                [
                    {0: low[0] - own_low[0], 1: high[0] + gap - own_low[0]}[side[0]],
                    {0: low[1] - own_low[1], 1: high[1] + gap - own_low[1], -1: low[1] - gap - own_high[1]}[side[1]],
                ]
            )
            off = off + np.array([rng.gauss(0, shift), rng.gauss(0, shift)])
        for shape, hidden in lines:
            sheet.shapes.append(shape.transformed(Transform(e=float(off[0]), f=float(off[1]))))
            sheet.hidden.append(hidden)
        sheet.boxes[role] = (own_low + off, own_high + off)
    if frame:
        _add_frame(sheet)
    return sheet


def _view(body, role, rng, noise, with_hidden):
    lines = [
        (d.shape, not d.visible)
        for d in lines_of_view(body.shape, role)
        if (d.visible or with_hidden) and _long(d.shape)
    ]
    levels = {}

    def off(x, axis):
        key = axis, round(x, 3)
        if key not in levels:
            levels[key] = x + max(-3 * noise, min(3 * noise, rng.gauss(0, noise)))
        return levels[key]

    moved = [(_moved(s, lambda p: Point(off(p.x, 0), off(p.y, 1))), h) for s, h in lines]
    points = np.concatenate([s.flattened(0.05) for s, _ in moved])
    return moved, points.min(axis=0), points.max(axis=0)


def _long(shape):
    return shape.length > 1e-6


def _moved(shape, to):
    if isinstance(shape, Line):
        return Line(to(shape.start), to(shape.end))
    if isinstance(shape, Circle):
        return Circle(to(shape.centre), shape.radius)
    if isinstance(shape, Arc):
        return Arc.from_bulge(to(shape.start), to(shape.end), shape.bulge)
    if isinstance(shape, EllipseArc):
        return EllipseArc(to(shape.centre), shape.major, shape.ratio, shape.start_parameter, shape.sweep)
    assert isinstance(shape, Polyline)
    return Polyline(tuple(map(to, shape.vertices)), shape.bulges, shape.closed)


def _add_frame(sheet):
    corners = np.array([p for box in sheet.boxes.values() for p in box])
    x0, y0 = (corners.min(axis=0) - 30).tolist()
    x1, y1 = (corners.max(axis=0) + 30).tolist()
    y0 -= 30
    p = [Point(x0, y0), Point(x1, y0), Point(x1, y1), Point(x0, y1)]
    title = [Point(x1 - 60, y0), Point(x1 - 60, y0 + 20), Point(x1, y0 + 20)]
    lines = [Line(p[k], p[(k + 1) % 4]) for k in range(4)] + [Line(title[0], title[1]), Line(title[1], title[2])]
    sheet.shapes += lines
    sheet.hidden += [False] * len(lines)


def to_zero(body):
    """The part with the low corner of its box at 0, as readings have it."""
    from syntaxa.form.kernel.measuring import box_of
    from syntaxa.form.kernel.placing import placed

    (x, y, z), _ = box_of(body.shape)
    return placed(body, ((1, 0, 0, -x), (0, 1, 0, -y), (0, 0, 1, -z)))


def overlap(one, other) -> float:
    """Intersection over union of two solids (Jaccard)."""
    from syntaxa.form.kernel.measuring import volume_of

    both = volume_of(combined("common", [one], [other]).shape)
    return both / (volume_of(one.shape) + volume_of(other.shape) - both)
