"""Drawings to be cut, and jobs that cut them."""

from __future__ import annotations

import dataclasses
import itertools
import math

import msgspec
import numpy as np
from specimens import damage

from syntaxa.cut.library import machine_named, plain_tool, shipped_tools
from syntaxa.cut.model import Operation, Pick, Settings, Stock
from syntaxa.cut.part import Planned
from syntaxa.cut.proving import proven
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline

TOOLS = {t.name: t for t in shipped_tools()}


def closed(name, points, bulges=None):
    shape = Polyline(tuple(Point(float(x), float(y)) for x, y in points), tuple(bulges or [0.0] * len(points)), True)
    return Curve(name, shape, name.rstrip("0123456789"))


def box(name, x, y, w, h):
    return closed(name, [(x, y), (x + w, y), (x + w, y + h), (x, y + h)])


def rounded(name, x, y, w, h, r):
    q, right, top = math.tan(math.pi / 8), x + w, y + h
    points = [
        (x + r, y), (right - r, y), (right, y + r), (right, top - r), (right - r, top), (x + r, top), (x, top - r),
        (x, y + r), ]  # fmt: skip
    return closed(name, points, [0, q, 0, q, 0, q, 0, q])


def circle(name, x, y, r):
    return Curve(name, Circle(Point(float(x), float(y)), float(r)), name.rstrip("0123456789"))


def line(name, *points):
    return [
        Curve(f"{name}{k}", Line(Point(*map(float, a)), Point(*map(float, b))), name)
        for k, (a, b) in enumerate(itertools.pairwise(points))
    ]


def drawing(*curves):
    return State(sketches=(Sketch("S", 0, tuple(curves)),))


def machine(name, decimals=None, **more):
    found = msgspec.structs.replace(machine_named(name), **more)
    if decimals is None:
        return found
    return msgspec.structs.replace(found, numbers=msgspec.structs.replace(found.numbers, decimals=decimals))


def beamed(state, kerf=0.2, decimals=7, stock=None, on="laser", **settings):
    """The drawing with one operation that cuts all of it by a beam."""
    own = machine(on, decimals)
    tool = plain_tool(own, kerf)
    operation = Operation("Cut", "profile", Pick(), Settings(tool=tool.name, **settings))
    plan = state.part(Planned)
    return state.with_part(
        dataclasses.replace(plan, machine=own, stock=stock or Stock(), tools=(tool,), operations=(operation,))
    )


def milled(state, *operations, thickness="8", stock=None, places=(), on=None, tools=None, **plan):
    """The drawing with some operations on a mill."""
    held = tools or tuple(TOOLS.values())
    return state.with_part(
        Planned(on or machine("mill"), stock or Stock(thickness), held, tuple(operations), tuple(places), **plan)
    )


def bracket():
    """A plate with a pocket that has an island, a bore, four holes and a line to be engraved."""
    return drawing(
        rounded("OUT", 0, 0, 100, 60, 8), rounded("POCKET", 15, 12, 40, 36, 4), circle("ISLAND", 35, 30, 6),
        circle("BORE", 78, 30, 10),
        *(circle(f"HOLE{k}", x, y, 2.5) for k, (x, y) in enumerate([(7, 7), (93, 7), (93, 53), (7, 53)])),
        *line("LINE", (60, 50), (88, 50)),
    )  # fmt: skip


def operations(**changes):
    """What makes the bracket; settings of an operation may be changed by its name."""
    made = (
        Operation("Pocket", "pocket", Pick(layers=("POCKET",)), Settings(tool="end mill 6", depth="5")),
        Operation("Engrave", "follow", Pick(layers=("LINE",)), Settings(tool="engraver 60", depth="0.4")),
        Operation("Drill", "drill", Pick(layers=("HOLE",)), Settings(tool="drill 5", peck=3.0)),
        Operation("Bore", "bore", Pick(layers=("BORE",)), Settings(tool="end mill 6")),
        Operation("Edge", "chamfer", Pick(layers=("OUT",)), Settings(tool="chamfer mill 90", width=1.0)),
        Operation("Outline", "profile", Pick(layers=("OUT",)), Settings(tool="end mill 6", tabs=4)),
    )
    return tuple(
        msgspec.structs.replace(o, settings=Settings(**changes[o.name]).over(o.settings)) if o.name in changes else o
        for o in made
    )


def faces_of_truth(seed, count):
    """The true faces of the damage corpus as drawings of their own."""
    for face in damage.make_truth(seed, count).faces:
        curves = []
        for n, loop in enumerate([face.outer, *face.holes]):
            for k, s in enumerate(loop):
                a, b = Point(s[0], s[1]), Point(s[2], s[3])
                curves.append(Curve(f"l{n}_{k}", Line(a, b) if s[4] == 0 else Arc.from_bulge(a, b, s[4]), "0"))
        yield drawing(*curves)


def made_up_part(seed):
    """A plate of some outline with holes and slots."""
    rng = np.random.default_rng([seed, 11])
    w, h = rng.uniform(30, 120, 2)
    kind = int(rng.integers(3))
    if kind == 0:
        outline = box("OUT", 0, 0, w, h)
    elif kind == 1:
        outline = rounded("OUT", 0, 0, w, h, rng.uniform(1, 12))
    else:
        n = int(rng.integers(5, 14))
        angle = 2 * np.pi * np.arange(n) / n
        away = min(w, h) / 2 * (1 + 0.25 * rng.uniform(-1, 1, n))
        points = np.column_stack([w / 2 + away * np.cos(angle), h / 2 + away * np.sin(angle)])
        outline = closed("OUT", points.tolist(), rng.choice([0.0, 0.15, -0.1], n).tolist())
    holes = []
    for k in range(int(rng.integers(0, 5))):
        x, y = np.array([w, h]) / 2 + rng.uniform(-0.17, 0.17, 2) * min(w, h)
        if any(math.hypot(x - a, y - b) < 0.16 * min(w, h) for a, b in ((c[0], c[1]) for c in holes)):
            continue
        holes.append((x, y, k))
    size = 0.06 * min(w, h)
    shapes = [
        circle(f"HOLE{k}", x, y, size)
        if k % 2
        else rounded(f"HOLE{k}", x - size, y - size / 2, 2 * size, size, size / 3)
        for x, y, k in holes
    ]
    return drawing(outline, *shapes)


def wrong_kinds(done):
    return {f.kind for f in done.verdict.wrong}


def prove(state):
    return proven(state, "test")
