"""The steps that lay sketches on planes: moved, turned, through a line of another sketch, or on a face of a body."""

from __future__ import annotations

import math

import numpy as np

from syntaxa.drawing.state import Entry, Plane, PlaneView, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import FormError
from syntaxa.form.asking import asked
from syntaxa.form.base import FormStep
from syntaxa.form.choosing import Axis, axis_in
from syntaxa.form.model import Frame, Name, Space, as_tuples
from syntaxa.form.numbers import Numbers
from syntaxa.form.part import Formed
from syntaxa.form.sketches import sketch_of
from syntaxa.geometry.types import Floats


class LaySketch(FormStep, frozen=True, tag="lay-sketch"):
    """Lays a sketch on a plane; whatever is built on it follows, for this comes before all features.

    view      top, front or side; where a hinge is given, the plane of the sketch that the hinge is of
    offset    how far along the normal; turn by how much in itself
    hinge_of, hinge   a sketch and a line of it: the plane goes through that line
    tilt      by how much it is turned about the hinge
    """

    sketch: str
    view: PlaneView = "top"
    offset: str = "0"
    turn: str = "0"
    hinge_of: str = ""
    hinge: Axis | None = None
    tilt: str = "0"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.hinge is not None:
            return f"{self.sketch} lies through {self.hinge} of {self.hinge_of}, tilted {self.tilt}"
        more = "".join(f", {w} {v}" for w, v in (("moved", self.offset), ("turned", self.turn)) if v != "0")
        return f"{self.sketch} lies on the {self.view} plane" + more

    def takes_place_of(self, other: object) -> bool:
        """A sketch lies on one plane."""
        return isinstance(other, LaySketch) and other.sketch == self.sketch

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The curves stay where they are on it."""
        del context
        part, numbers = state.part(Formed), Numbers(state)
        sketch_of(state, self.sketch)
        if self.hinge is None:
            frame = Frame.of(Plane(self.view, 0.0, numbers.angle(self.turn)))
        else:
            other = sketch_of(state, self.hinge_of)
            frame = hinged(part.frame_of(other), axis_in(other, self.hinge), numbers.angle(self.tilt))
            if self.turn != "0":
                frame = _turned(frame, numbers.angle(self.turn))
        frame = frame.moved(numbers.length(self.offset))
        return state.with_part(part.with_frame(self.sketch, frame)), Entry(1)


class LayOnFace(FormStep, frozen=True, tag="lay-on-face"):
    """Lays a sketch on a flat face of a body that is there by then; what is made of it afterwards stands there.

    at  where the origin of the sketch comes to lie, from the foot of the origin of space on the face
    """

    sketch: str
    body: str
    face: Name
    at: tuple[str, str] = ("0", "0")
    turn: str = "0"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{self.sketch} lies on a face of {self.body}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The curves stay where they are on it."""
        part, numbers = state.part(Formed), Numbers(state)
        sketch_of(state, self.sketch)
        details = asked(context, "details", part.body(self.body).solid, about=f"Looking at {self.body}")
        wanted = as_tuples(self.face)
        face = next((f for f in details.faces if f.name == wanted), None)
        if face is None or face.frame is None:
            raise FormError(f"That flat face of {self.body} is no longer there.", suggestion="Choose another one.")
        frame = _turned(level(face.frame), numbers.angle(self.turn))
        x, y = (numbers.length(text) for text in self.at)
        return state.with_part(part.with_frame(self.sketch, _shifted(frame, x, y))), Entry(1)


def hinged(frame: Frame, axis: tuple[tuple[float, float], tuple[float, float]], tilt: float) -> Frame:
    """A plane turned about a line of it, with its x along the line and its origin where that begins."""
    (ax, ay), (bx, by) = axis
    length = math.hypot(bx - ax, by - ay)
    u, v = (bx - ax) / length, (by - ay) / length
    x = u * np.array(frame.x) + v * np.array(frame.y)
    up = -v * np.array(frame.x) + u * np.array(frame.y)
    y = math.cos(tilt) * up + math.sin(tilt) * np.array(frame.normal)
    return Frame(frame.point(ax, ay), _tuple(x), _tuple(y))


def level(frame: Frame) -> Frame:
    """A plane with x as level as it can be, and y as far up; its origin at the foot of the origin of space."""
    n = np.array(frame.normal)
    x = np.cross([0.0, 0.0, 1.0], n)
    x = np.array([1.0, 0.0, 0.0]) if np.linalg.norm(x) < 1e-9 else x / np.linalg.norm(x)
    foot = float(np.array(frame.origin) @ n) * n
    return Frame(_tuple(foot), _tuple(x), _tuple(np.cross(n, x)))


def _turned(frame: Frame, angle: float) -> Frame:
    x, y = np.array(frame.x), np.array(frame.y)
    c, s = math.cos(angle), math.sin(angle)
    return Frame(frame.origin, _tuple(c * x + s * y), _tuple(c * y - s * x))


def _shifted(frame: Frame, x: float, y: float) -> Frame:
    return Frame(frame.point(x, y), frame.x, frame.y)


def _tuple(at: Floats) -> Space:
    x, y, z = (at + 0.0).tolist()
    return x, y, z
