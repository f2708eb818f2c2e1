"""What Form keeps in the state: bodies, what was made in which order, and the planes that sketches were laid on."""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from syntaxa.drawing.state import Part, Sketch
from syntaxa.errors import FormError
from syntaxa.form.materials import Density
from syntaxa.form.model import Figures, Frame, Solid
from syntaxa.geometry.types import Box

#: Colours of bodies, one after the other (0xRRGGBB).
_COLOURS = (0x8FA8A3, 0xC2A878, 0x8C9BB5, 0xB08D8D, 0x9BAA7C, 0xA795B0)


@dataclass(frozen=True, slots=True)
class Body:
    """A solid with a name; mass by its density, where it has one."""

    name: str
    solid: Solid
    figures: Figures
    colour: int
    hidden: bool = False
    density: Density | None = None

    @property
    def mass(self) -> float | None:
        """kg; None where the density is not known."""
        return None if self.density is None else self.figures.volume * self.density.kg_per_mm3


@dataclass(frozen=True, slots=True)
class Feature:
    """Something that was made: volume of all bodies before and after it (mm3), and what could not be done and why."""

    name: str
    kind: str
    says: str
    before: float
    after: float
    failed: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True, slots=True)
class FoldedView:
    """A view of the sheet: the roots of its curves, and whether they are its hidden lines."""

    name: str
    roots: frozenset[str]
    colour: int
    hidden: bool = False


@dataclass(frozen=True, slots=True)
class Folding:
    """How the views of the sheet were read: method and score, what is said of it, and each view's role and box (mm)."""

    method: str
    score: float
    says: str
    views: tuple[tuple[str, Box], ...]


@dataclass(frozen=True)
class Formed(Part):
    """Bodies in the order in which they were made; features likewise; planes of sketches that have one of their own.

    heights  how high over its plane something of each sketch reaches (mm)
    views    of the sheet that were folded; sheet  the names of the sketches that are on it; folding  how it was read
    """

    bodies: tuple[Body, ...] = ()
    features: tuple[Feature, ...] = ()
    frames: tuple[tuple[str, Frame], ...] = field(default=())
    heights: tuple[tuple[str, float], ...] = ()
    views: tuple[FoldedView, ...] = ()
    sheet: frozenset[str] = frozenset()
    folding: Folding | None = None

    def bytes_beside(self, before: Part) -> int:
        """That of the solids that were not there before."""
        known = {b.solid.digest for b in before.bodies} if isinstance(before, Formed) else set()
        return sum(len(b.solid.data) for b in self.bodies if b.solid.digest not in known)

    @property
    def volume(self) -> float:
        """mm3 of all bodies."""
        return sum(b.figures.volume for b in self.bodies)

    def frame_of(self, sketch: Sketch) -> Frame:
        """The plane that a sketch lies on."""
        return dict(self.frames).get(sketch.name) or Frame.of(sketch.plane)

    def body(self, name: str) -> Body:
        """The body of a name; raises FormError."""
        found = next((b for b in self.bodies if b.name == name), None)
        if found is None:
            names = ", ".join(b.name for b in self.bodies)
            raise FormError(
                f"There is no body called “{name}”.", suggestion=f"There are: {names}." if names else "Make one first."
            )
        return found

    def chosen(self, names: tuple[str, ...]) -> tuple[Body, ...]:
        """The bodies of some names; the one that was made last where none is named. Raises FormError."""
        if names:
            return tuple(self.body(n) for n in dict.fromkeys(names))
        if not self.bodies:
            raise FormError("There is no body yet.", suggestion="Raise a region first.")
        return self.bodies[-1:]

    def free_name(self, wanted: str) -> str:
        """A name that no body has: the one that is wanted, or that with a number behind it."""
        taken = {b.name for b in self.bodies}
        if wanted not in taken:
            return wanted
        return next(n for k in range(2, len(taken) + 3) if (n := f"{wanted} {k}") not in taken)

    def with_new(self, wanted: str, solid: Solid, figures: Figures, like: Body | None = None) -> Formed:
        """With one more body, coloured and weighed like another one where that is given."""
        colour = like.colour if like is not None else _COLOURS[len(self.bodies) % len(_COLOURS)]
        new = Body(self.free_name(wanted), solid, figures, colour, density=like.density if like is not None else None)
        return replace(self, bodies=(*self.bodies, new))

    def with_changed(self, name: str, **changes: object) -> Formed:
        """With something of a body changed."""
        return replace(self, bodies=tuple(replace(b, **changes) if b.name == name else b for b in self.bodies))  # type: ignore[arg-type]

    def without(self, names: tuple[str, ...]) -> Formed:
        """Without some bodies."""
        return replace(self, bodies=tuple(b for b in self.bodies if b.name not in names))

    def reaching(self, sketch: str, height: float) -> Formed:
        """With something of a sketch that reaches so high over its plane."""
        known = dict(self.heights)
        known[sketch] = max(known.get(sketch, 0.0), height)
        return replace(self, heights=tuple(known.items()))

    def with_frame(self, sketch: str, frame: Frame) -> Formed:
        """With a sketch on a plane of its own."""
        return replace(self, frames=(*((n, f) for n, f in self.frames if n != sketch), (sketch, frame)))
