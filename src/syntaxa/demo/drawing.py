"""The demo drawing as it was received: in inches, though its header claims millimetres, far away, and damaged.

Everything is seeded: the same bytes each time.
"""

from __future__ import annotations

import io
import math
import random
from pathlib import Path

import ezdxf
from ezdxf.layouts import Modelspace

from syntaxa.demo.parts import Hole, Part, Run, parts
from syntaxa.files import write_atomically
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Line

#: Inches; where the drawing lies.
FAR_AWAY = (1840.0, 1260.0)

NAME = "orchard-pump-panels.dxf"

_LAYERS = {
    "MOTOR-BRACKET": 4,
    "BASE-PLATE": 3,
    "FLANGE-GASKET": 30,
    "CONTROL-BOX": 5,
    "COUPLING-GUARD": 200,
    "TITLE-BLOCK": 8,
    "CENTRE-LINES": 9,
    "NOTES": 8,
    "CONSTRUCTION": 251,
}


def write_demo(folder: Path) -> Path:
    """Writes the demo drawing into a folder and returns its path."""
    path = folder / NAME
    write_atomically(path, demo_bytes())
    return path


def demo_bytes() -> bytes:
    """The demo drawing as DXF."""
    return _finished(_drawn())


def revised_bytes() -> bytes:
    """The next revision: lamps moved on the control box, a cable hole more in the base plate, guard screws gone."""
    document = _drawn()
    space = document.modelspace()
    for entity in list(space.query("CIRCLE")):
        if entity.dxf.layer == "CONTROL-BOX" and entity.dxf.radius == 0.4375:
            entity.translate(0.25, -0.125, 0.0)
        elif entity.dxf.layer == "COUPLING-GUARD" and entity.dxf.radius == 0.1:
            space.delete_entity(entity)
    space.add_circle((14.5, 5.25), 0.5, {"layer": "BASE-PLATE"})
    return _finished(document)


def _finished(document: ezdxf.document.Drawing) -> bytes:
    for entity in document.modelspace():
        entity.translate(*FAR_AWAY, 0.0)
    return stable_bytes(document)


def _drawn() -> ezdxf.document.Drawing:
    document = ezdxf.new("R2010", setup=["linetypes"])
    document.header["$INSUNITS"] = 4
    document.header["$MEASUREMENT"] = 0
    for name, colour in _LAYERS.items():
        document.layers.add(name, color=colour)
    document.layers.get("CONSTRUCTION").off()
    space = document.modelspace()
    dice = random.Random(20)
    for part in parts():
        _Damaged(space, dice, part).draw()
    _centre_lines(space)
    _title_block(space)
    _construction(space)
    return document


def stable_bytes(document: ezdxf.document.Drawing) -> bytes:
    """A document as DXF, the same bytes on every day."""
    text = io.StringIO()
    document.write(text)
    lines = text.getvalue().splitlines()
    # The writer stamps the hour and fresh identifiers.
    for k, line in enumerate(lines[:-2]):
        if line.strip() in ("$TDCREATE", "$TDUCREATE", "$TDUPDATE", "$TDUUPDATE"):
            lines[k + 2] = "2460000.5"
        elif line.strip() in ("$FINGERPRINTGUID", "$VERSIONGUID"):
            lines[k + 2] = "{00000000-0000-0000-0000-000000000000}"
        elif " @ 20" in line:
            lines[k] = line.split(" @ ")[0]
    return ("\n".join(lines) + "\n").encode()


class _Damaged:
    """Draws one part piece by piece, the way it should not be drawn."""

    def __init__(self, space: Modelspace, dice: random.Random, part: Part) -> None:
        self._space, self._dice, self._part = space, dice, part
        self._attributes = {"layer": part.layer}

    def draw(self) -> None:
        """All runs and holes, and what does not belong."""
        for run in self._part.runs:
            self._run(run)
        for hole in self._part.holes:
            self._hole(hole)
        self._strays()

    def _run(self, run: Run) -> None:
        for k, (x, y, bulge) in enumerate(run):
            u, v, _ = run[(k + 1) % len(run)]
            self._piece(Point(self._part.x + x, self._part.y + y), Point(self._part.x + u, self._part.y + v), bulge)

    def _piece(self, a: Point, b: Point, bulge: float) -> None:
        chance = self._dice.random()
        if bulge:
            arc = Arc.from_bulge(a, b, bulge)
            # Some arcs stop a little short of the line that they should meet.
            short = self._dice.uniform(0.002, 0.006) / arc.radius if chance < 0.3 else 0.0
            self._arc(Arc(arc.centre, arc.radius, arc.start_angle, arc.sweep - short))
            if chance > 0.85:
                self._arc(arc)
            return
        line = Line(a, b)
        if chance < 0.25:
            self._line(a, a.toward(b, 1 - self._dice.uniform(0.002, 0.007) / line.length))
        elif chance < 0.35:
            self._line(a, a.toward(b, 1 + self._dice.uniform(0.002, 0.004) / line.length))
        elif chance < 0.5:
            middle = self._dice.uniform(0.3, 0.6)
            self._line(a, a.toward(b, middle + 0.15))
            self._line(b, a.toward(b, middle))
        elif chance < 0.62:
            self._line(a, b)
            self._line(b, a)
        else:
            self._line(a, b)

    def _hole(self, hole: Hole) -> None:
        centre = Point(self._part.x + hole.x, self._part.y + hole.y)
        chance = self._dice.random()
        if chance < 0.15:
            self._arc(Arc(centre, hole.radius, 0.0, math.pi))
            self._arc(Arc(centre, hole.radius, math.pi, math.pi - 0.004 / hole.radius))
        else:
            self._space.add_circle((*centre,), hole.radius, self._attributes)
            if chance > 0.88:
                self._space.add_circle((*centre,), hole.radius, self._attributes)

    def _strays(self) -> None:
        dice, part = self._dice, self._part
        for _ in range(2):
            x, y, turn = part.x + dice.uniform(0.5, 3.5), part.y + dice.uniform(0.3, 3.5), dice.uniform(0, 2 * math.pi)
            start = Point(x, y)
            self._line(start, Point(x + 0.0012 * math.cos(turn), y + 0.0012 * math.sin(turn)))
        if part.layer in ("BASE-PLATE", "CONTROL-BOX"):
            self._line(Point(part.x + 5.75, part.y + 0.45), Point(part.x + 6.25, part.y + 0.62))

    def _line(self, a: Point, b: Point) -> None:
        self._space.add_line((*a,), (*b,), self._attributes)

    def _arc(self, arc: Arc) -> None:
        first, last = math.degrees(arc.start_angle), math.degrees(arc.start_angle + arc.sweep)
        if arc.sweep < 0:
            first, last = last, first
        self._space.add_arc((*arc.centre,), arc.radius, first, last, dxfattribs=self._attributes)


def _centre_lines(space: Modelspace) -> None:
    attributes = {"layer": "CENTRE-LINES", "linetype": "CENTER"}
    for x, y, reach in ((3.5, 4.0, 2.4), (2.5, 10.0, 2.4), (18.0, 11.1, 0.9)):
        space.add_line((x - reach, y), (x + reach, y), attributes)
        space.add_line((x, y - reach), (x, y + reach), attributes)


def _title_block(space: Modelspace) -> None:
    attributes = {"layer": "TITLE-BLOCK"}
    for x, y, width, height in ((-1.0, -3.5, 23.0, 17.5), (14.0, -3.5, 8.0, 2.5), (14.0, -2.25, 8.0, 1.25)):
        corners = [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]
        space.add_lwpolyline(corners, close=True, dxfattribs=attributes)
    for text, place in (("SOLAR WATER PUMP, HILLSIDE ORCHARD", (14.2, -1.8)), ("SHEET 1: PANELS", (14.2, -3.1))):
        space.add_text(text, height=0.22, dxfattribs={**attributes, "insert": place})
    for part in parts():
        note = {"layer": "NOTES", "insert": (part.x, part.y - 0.45)}
        space.add_text(part.title.upper(), height=0.2, dxfattribs=note)


def _construction(space: Modelspace) -> None:
    for y in (-0.5, 6.5, 13.5):
        space.add_line((-2.0, y), (23.0, y), {"layer": "CONSTRUCTION"})
