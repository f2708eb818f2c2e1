"""The steps that are about whole bodies: placing, copying, scaling, combining, naming, weighing, taking away."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import Literal

import numpy as np

from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import FormError
from syntaxa.form.asking import asked
from syntaxa.form.base import FormStep
from syntaxa.form.materials import density_of
from syntaxa.form.model import Made
from syntaxa.form.numbers import Numbers
from syntaxa.form.part import Formed
from syntaxa.form.telling import told
from syntaxa.geometry.types import Floats

AxisName = Literal["x", "y", "z"]

_AXES: dict[AxisName, tuple[float, float, float]] = {"x": (1.0, 0.0, 0.0), "y": (0.0, 1.0, 0.0), "z": (0.0, 0.0, 1.0)}

#: Copies that one step makes at most, and factors within which something is scaled.
_MOST_COPIES = 1000
_LEAST_FACTOR, _MOST_FACTOR = 1e-4, 1e4


class PlaceBody(FormStep, frozen=True, tag="place-body"):
    """Moves a body along x, y and z and turns it about its middle; as many copies are left on the way as are wanted.

    copies  0 for the body itself, else each copy goes one move and one turn further than the one before it
    """

    feature: str
    body: str
    move: tuple[str, str, str] = ("0", "0", "0")
    about: AxisName = "z"
    turn: str = "0"
    copies: int = 0

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        turned = f", turned {self.turn} about {self.about}" if self.turn != "0" else ""
        by = ", ".join(self.move)
        what = f"{self.copies} copies of {self.body} by {by}" if self.copies else f"place {self.body} by {by}"
        return f"{self.feature}: {what}" + turned

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing of its form changes."""
        part, numbers = state.part(Formed), Numbers(state)
        body = part.body(self.body)
        if not 0 <= self.copies <= _MOST_COPIES:
            raise FormError(
                f"{self.copies} copies cannot be made at once.", suggestion=f"Give a number from 0 to {_MOST_COPIES}."
            )
        step = np.array([numbers.length(text) for text in self.move])
        angle = numbers.angle(self.turn)
        middle = np.array(body.figures.box).reshape(2, 3).mean(axis=0)
        if not self.copies:
            made = _moved(part, self.body, _rows(middle, self.about, angle, step), "", self, context)
            part = part.with_changed(self.body, solid=made.solids[0][0], figures=made.solids[0][1])
            return told(state, part, self.feature, "place")
        for k in range(1, self.copies + 1):
            name = f"{self.feature} {k}"
            made = _moved(part, self.body, _rows(middle, self.about, k * angle, k * step), name, self, context)
            part = part.with_new(body.name, *made.solids[0], like=body)
        return told(state, part, self.feature, "copy")


class ScaleBody(FormStep, frozen=True, tag="scale-body"):
    """Scales a body about its middle until it is so large along x, y or z."""

    feature: str
    body: str
    along: AxisName
    size: str

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{self.feature}: {self.body} scaled to {self.size} along {self.along}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """All three directions grow alike."""
        part = state.part(Formed)
        body = part.body(self.body)
        box = np.array(body.figures.box).reshape(2, 3)
        k = "xyz".index(self.along)
        now = float(box[1, k] - box[0, k])
        factor = Numbers(state).length(self.size) / now
        if not _LEAST_FACTOR <= factor <= _MOST_FACTOR:
            raise FormError(
                f"{self.body} is {now:g} mm along {self.along}, and would be {factor:g} times as large.",
                suggestion="Give a size between a ten-thousandth and ten thousand times of that.",
            )
        middle = box.mean(axis=0)
        rows = np.column_stack([factor * np.eye(3), (1 - factor) * middle])
        made = _moved(part, self.body, rows, "", self, context)
        part = part.with_changed(self.body, solid=made.solids[0][0], figures=made.solids[0][1])
        return told(state, part, self.feature, "scale", says=[f"Scaled by {factor:.9g}."])


class CombineBodies(FormStep, frozen=True, tag="combine-bodies"):
    """Joins bodies to one, takes them from it, or keeps what they have in common; the first keeps its name."""

    feature: str
    body: str
    tools: tuple[str, ...]
    use: Literal["add", "cut", "common"] = "add"

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        words = {"add": "joined with", "cut": "without", "common": "where it shares room with"}
        return f"{self.feature}: {self.body} {words[self.use]} {', '.join(self.tools)}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The others are used up."""
        part = state.part(Formed)
        body, tools = part.body(self.body), tuple(part.body(name).solid for name in self.tools)
        if not tools or self.body in self.tools:
            raise FormError("Two different bodies are needed.", suggestion="Choose another one as well.")
        made: Made = asked(context, "joined", (body.solid,), self.use, tools, about=f"“{self.feature}”")
        part = part.with_changed(self.body, solid=made.solids[0][0], figures=made.solids[0][1]).without(self.tools)
        return told(state, part, self.feature, "combine", made)


class DescribeBody(FormStep, frozen=True, tag="describe-body"):
    """Gives a body another name, colour or density, or hides it; what is None stays as it is.

    material  the name of a material that is known, or a density in kg/m3; empty for none
    """

    body: str
    name: str | None = None
    colour: int | None = None
    hidden: bool | None = None
    material: str | None = None

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        said = []
        if self.name is not None:
            said.append(f"is called {self.name}")
        if self.colour is not None:
            said.append(f"has the colour #{self.colour:06x}")
        if self.hidden is not None:
            said.append("is hidden" if self.hidden else "is shown")
        if self.material is not None:
            said.append(f"is of {self.material}" if self.material else "has no density")
        return f"{self.body} " + ", ".join(said) if said else f"{self.body} as it is"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Its form stays."""
        del context
        part = state.part(Formed)
        body = part.body(self.body)
        if self.name is not None and self.name != body.name:
            if not self.name.strip() or any(b.name == self.name for b in part.bodies):
                raise FormError(
                    f"“{self.name}” cannot be its name: it is empty, or another body has it.",
                    suggestion="Choose another name.",
                )
            body = replace(body, name=self.name)
        if self.colour is not None:
            body = replace(body, colour=self.colour & 0xFFFFFF)
        if self.hidden is not None:
            body = replace(body, hidden=self.hidden)
        if self.material is not None:
            body = replace(body, density=density_of(self.material) if self.material else None)
        bodies = tuple(body if b.name == self.body else b for b in part.bodies)
        mass = f"{body.mass:.6g} kg." if self.material and body.mass is not None else ""
        return state.with_part(replace(part, bodies=bodies)), Entry(1, says=mass)


class DropBodies(FormStep, frozen=True, tag="drop-bodies"):
    """Takes bodies away."""

    bodies: tuple[str, ...]

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Take away {', '.join(self.bodies)}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """The sketches that they were made of stay."""
        del context
        part = state.part(Formed)
        for name in self.bodies:
            part.body(name)
        return told(state, part.without(self.bodies), "Take away", "drop")


def _moved(part: Formed, name: str, rows: Floats, feature: str, step: PlaceBody | ScaleBody, context: Context) -> Made:
    plain = tuple((a, b, c, d) for a, b, c, d in rows.tolist())
    found: Made = asked(context, "moved", part.body(name).solid, plain, feature, about=f"“{step.feature}”")
    return found


def _rows(middle: Floats, about: AxisName, angle: float, move: Floats) -> Floats:
    """Turned about an axis through a middle, and moved: three rows of a map, (3, 4)."""
    x, y, z = _AXES[about]
    cross = np.array([[0.0, -z, y], [z, 0.0, -x], [-y, x, 0.0]])
    # Rodrigues' formula.
    spin = np.eye(3) + math.sin(angle) * cross + (1 - math.cos(angle)) * cross @ cross
    return np.column_stack([spin, middle - spin @ middle + move])
