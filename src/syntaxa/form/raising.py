"""The steps that make solids of regions: raising them, each by its layer or role, and turning them about a line."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from typing import Literal

import msgspec
import numpy as np

from syntaxa.drawing.descent import CurveRef, Descent, RegionRef
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import FormError
from syntaxa.form.asking import asked
from syntaxa.form.base import FormStep
from syntaxa.form.choosing import Axis, axis_in, meant, profiles_in
from syntaxa.form.model import Frame, Lift, Made, Name, Profile, Spin, as_tuples
from syntaxa.form.numbers import Numbers
from syntaxa.form.part import Body, Formed
from syntaxa.form.sketches import sketch_of, sketches_of
from syntaxa.form.telling import told
from syntaxa.geometry.shapes import TURN

#: What is done with a solid: it is a body of its own, or joined to one, taken from it, or what both have is kept.
Use = Literal["new", "add", "cut", "common"]

#: Which diameter of a ring is given.
Measured = Literal["inner", "middle", "outer"]

#: mm; less is no thickness, and more than that leaves any workshop.
_THINNEST, _LARGEST = 1e-6, 1e6

_WORDS = {"new": "", "add": ", joined", "cut": ", taken away", "common": ", what both have"}


class Reach(msgspec.Struct, frozen=True, omit_defaults=True):
    """How far something is raised where no number says so: to a flat face of a body, or level with a place."""

    body: str = ""
    face: Name = ()
    sketch: str = ""
    place: CurveRef | None = None

    def __str__(self) -> str:
        return f"a face of {self.body}" if self.body else f"{self.place} of {self.sketch}"


class RaiseRegions(FormStep, frozen=True, tag="raise-regions"):
    """Raises regions of a sketch between two heights over its plane; without regions all of them but the holes.

    feature  what it is called: names of faces and edges begin with it
    low, high   lengths or formulas; to  where it reaches instead of `high`
    draft    an angle by which the sides lean inwards; filled  holes are not left open
    bodies   what it acts on where it is no body of its own; the one made last where none is named
    """

    feature: str
    sketch: str
    regions: tuple[RegionRef, ...] = ()
    low: str = "0"
    high: str = "10"
    to: Reach | None = None
    use: Use = "new"
    bodies: tuple[str, ...] = ()
    draft: str = "0"
    filled: bool = False
    name: str = ""

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.to is not None:
            said = f"{self.feature}: raise {self.sketch} up to {self.to}"
        elif self.low != "0":
            said = f"{self.feature}: raise {self.sketch} from {self.low} to {self.high}"
        else:
            said = f"{self.feature}: raise {self.sketch} to {self.high}"
        count = f", {len(self.regions)} region{'s' if len(self.regions) != 1 else ''}" if self.regions else ""
        return said + count + _WORDS[self.use]

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Each region becomes a body of its own, or all together change bodies that are there."""
        part, numbers = state.part(Formed), Numbers(state)
        sketch = sketch_of(state, self.sketch)
        frame = part.frame_of(sketch)
        profiles, gone = meant(sketch, self.regions)
        low = numbers.length(self.low)
        high = numbers.length(self.high) if self.to is None else _height_of(self.to, state, part, frame, context)
        low, high, frame = _ordered(low, high, frame)
        draft = numbers.angle(self.draft)
        if abs(draft) >= math.pi / 2:
            raise FormError("Sides lean by less than 90°.", suggestion="Give an angle such as 3deg.")
        lifts = tuple(Lift(p.filled if self.filled else p, frame, low, high, draft) for p in profiles)
        made = _made("raised", lifts, self.use, part.chosen(self.bodies) if self.use != "new" else (), self, context)
        part = with_made(part, made, self.use, self.bodies, self.name or sketch.name).reaching(sketch.name, high)
        return told(state, part, self.feature, "raise", made, gone)


class RaiseBy(FormStep, frozen=True, tag="raise-by"):
    """Raises the regions of all sketches that are to be made, each by the layer or a role of its outline.

    thicknesses  (layer or role, length or formula); regions of others are left, and told
    """

    feature: str
    by: Literal["layer", "role"]
    thicknesses: tuple[tuple[str, str], ...]

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        listed = ", ".join(f"{name} {value}" for name, value in self.thicknesses)
        return f"{self.feature}: raise each region by its {self.by}: {listed}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Each region becomes a body of its own."""
        part, numbers = state.part(Formed), Numbers(state)
        high = {name: numbers.length(text) for name, text in self.thicknesses}
        lifts: list[Lift] = []
        left = 0
        for sketch in (s for s in sketches_of(state) if s.purpose == "profile"):
            frame = part.frame_of(sketch)
            for profile in (p for p in profiles_in(sketch) if p.region.depth % 2 == 0):
                name = self._named(profile, high)
                if name is None:
                    left += 1
                    continue
                low, top, plane = _ordered(0.0, high[name], frame)
                lifts.append(Lift(profile, plane, low, top))
        if not lifts:
            raise FormError(f"No closed region has such a {self.by}.", suggestion="Look what the layers are called.")
        made = _made("raised", tuple(lifts), "new", (), self, context)
        for (solid, figures), k in zip(made.solids, made.of, strict=True):
            part = part.with_new(lifts[k].profile.sketch, solid, figures)
            part = part.reaching(lifts[k].profile.sketch, lifts[k].high)
        says = [f"{left} region{'s have' if left != 1 else ' has'} no thickness and stayed flat."] if left else []
        return told(state, part, self.feature, "raise", made, says)

    def _named(self, profile: Profile, high: dict[str, float]) -> str | None:
        mine = [profile.layer] if self.by == "layer" else sorted(profile.roles)
        return next((name for name in mine if name in high), None)


class TurnRegions(FormStep, frozen=True, tag="turn-regions"):
    """Turns regions of a sketch about a line of it, or through two of its places, by an angle.

    size      makes it a ring of that diameter instead: the line is moved until it fits; measured at
    measured  inner, middle or outer diameter
    """

    feature: str
    sketch: str
    axis: Axis
    regions: tuple[RegionRef, ...] = ()
    start: str = "0"
    end: str = "360"
    size: str = ""
    measured: Measured = "inner"
    use: Use = "new"
    bodies: tuple[str, ...] = ()
    name: str = ""

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        ring = f", {self.measured} diameter {self.size}" if self.size else ""
        angle = "" if (self.start, self.end) == ("0", "360") else f", from {self.start} to {self.end}"
        return f"{self.feature}: turn {self.sketch} about {self.axis}" + angle + ring + _WORDS[self.use]

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Each region becomes a body of its own, or all together change bodies that are there."""
        part, numbers = state.part(Formed), Numbers(state)
        sketch = sketch_of(state, self.sketch)
        profiles, gone = meant(sketch, self.regions)
        axis = axis_in(sketch, self.axis)
        if self.size:
            axis = _ring(axis, profiles, numbers.length(self.size), self.measured)
        sweep = numbers.angle(self.start), numbers.angle(self.end)
        if not 0 < abs(sweep[1] - sweep[0]) <= TURN * (1 + 1e-12):
            raise FormError("A region is turned by more than 0° and at most 360°.", suggestion="Give other angles.")
        low, high = sorted(sweep)
        frame = part.frame_of(sketch)
        spins = tuple(Spin(p, frame, axis, (low, high)) for p in profiles)
        made = _made("spun", spins, self.use, part.chosen(self.bodies) if self.use != "new" else (), self, context)
        part = with_made(part, made, self.use, self.bodies, self.name or sketch.name).reaching(sketch.name, 0.0)
        return told(state, part, self.feature, "turn", made, gone)


def with_made(part: Formed, made: Made, use: Use, names: tuple[str, ...], wanted: str) -> Formed:
    """What was made as new bodies, or in the place of those that it changed."""
    if use == "new":
        for solid, figures in made.solids:
            part = part.with_new(wanted, solid, figures)
        return part
    targets = part.chosen(names)
    for target, (solid, figures) in zip(targets, made.solids, strict=False):
        part = part.with_changed(target.name, solid=solid, figures=figures)
    # What was joined together goes by the name of the first.
    return part.without(tuple(t.name for t in targets[len(made.solids) :]))


def _made(
    name: str,
    parts: Sequence[Lift] | Sequence[Spin],
    use: Use,
    targets: Iterable[Body],
    step: RaiseRegions | RaiseBy | TurnRegions,
    context: Context,
) -> Made:
    solids = tuple(t.solid for t in targets)
    found: Made = asked(
        context, name, parts, None if use == "new" else use, solids, step.feature, about=f"“{step.feature}”"
    )
    return found


def _ordered(low: float, high: float, frame: Frame) -> tuple[float, float, Frame]:
    """Heights with the lower one first; raises FormError where there is no thickness between them."""
    low, high = sorted((low, high))
    if not _THINNEST <= high - low <= _LARGEST:
        raise FormError(
            f"A thickness of {high - low:g} mm is none.", suggestion="Give a depth between 0.000001 mm and 1 km."
        )
    return low, high, frame


def _height_of(to: Reach, state: State, part: Formed, frame: Frame, context: Context) -> float:
    """How high above a plane something lies that is to be reached."""
    if to.body:
        details = asked(context, "details", part.body(to.body).solid, about=f"Looking at {to.body}")
        wanted = as_tuples(to.face)
        face = next((f for f in details.faces if f.name == wanted), None)
        if face is None or face.frame is None:
            raise FormError(f"That flat face of {to.body} is no longer there.", suggestion="Choose another one.")
        if np.linalg.norm(np.cross(face.frame.normal, frame.normal)) > 1e-9:
            raise FormError("That face does not lie level with the sketch.", suggestion="Choose one that does.")
        return frame.height(face.frame.origin)
    if to.place is None:
        raise FormError("Nothing says how far it is raised.", suggestion="Give a depth.")
    other = sketch_of(state, to.sketch)
    at = Descent(other.curves).point(to.place)
    return frame.height(part.frame_of(other).point(at.x, at.y))


def _ring(
    axis: tuple[tuple[float, float], tuple[float, float]], profiles: list[Profile], size: float, measured: str
) -> tuple[tuple[float, float], tuple[float, float]]:
    """The axis moved aside until the regions make a ring of that diameter."""
    (ax, ay), (bx, by) = axis
    length = math.hypot(bx - ax, by - ay)
    nx, ny = -(by - ay) / length, (bx - ax) / length
    off = [nx * (x - ax) + ny * (y - ay) for p in profiles for x, y in _rim(p, nx, ny)]
    near, far = min(off), max(off)
    if abs(near) > abs(far):
        # The regions lie on the other side of the line.
        nx, ny, near, far = -nx, -ny, -far, -near
    at = {"inner": near, "middle": (near + far) / 2, "outer": far}[measured]
    move = at - size / 2
    if size <= 0 or near - move < -1e-9:
        raise FormError(
            f"A ring of {size:g} mm {measured} diameter would run through its own middle.",
            suggestion=f"It needs more than {max(0.0, 2 * (at - near)):g} mm.",
        )
    return (ax + nx * move, ay + ny * move), (bx + nx * move, by + ny * move)


def _rim(profile: Profile, nx: float, ny: float) -> list[tuple[float, float]]:
    """Places of the outline that may lie farthest along a direction: corners, and the rounds' own farthest points."""
    places = []
    for span in profile.loops[0]:
        places.append(span.start)
        if span.kind in ("arc", "circle"):
            cx, cy, radius, start, sweep = span.data
            for way in (math.atan2(ny, nx), math.atan2(-ny, -nx)):
                past = (way - start) % TURN if sweep > 0 else (start - way) % TURN
                if past <= abs(sweep):
                    places.append((cx + radius * math.cos(way), cy + radius * math.sin(way)))
    return places
