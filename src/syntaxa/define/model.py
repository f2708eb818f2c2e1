"""What Define speaks of: named pieces of curves, constraints, dimensions and parameters."""

from __future__ import annotations

import re
from typing import Literal

import msgspec

Place = Literal["", "start", "end", "centre"]

#: Whether a dimension drives, is only measured, or is words.
Use = Literal["live", "measured", "text"]

#: Kinds of dimension whose value is an angle.
ANGULAR = frozenset(("angle", "sweep"))

#: Kinds of dimension that cannot drive: what they measure is a product of two things that can.
MEASURED_ONLY = frozenset(("arc length",))


class Named(msgspec.Struct, frozen=True, omit_defaults=True, order=True):
    """A piece of a curve, or a place on it, by what it came from.

    root   the curve's root; piece which of its lines and arcs, counted from 0 in the order of the sketch
    of     how many pieces it had when it was named: where it has more or fewer now, it is not the same any more
    place  an end or the centre; empty for the whole piece
    """

    root: str
    piece: int = 0
    of: int = 1
    place: Place = ""

    def at(self, place: Place) -> Named:
        """A place on the same piece."""
        return msgspec.structs.replace(self, place=place)

    def __str__(self) -> str:
        piece = f" piece {self.piece + 1}" if self.of > 1 else ""
        return f"#{self.root}{piece}" if not self.place else f"{self.place} of #{self.root}{piece}"


class Constraint(msgspec.Struct, frozen=True):
    """Something that holds in a sketch: its kind (a row of `relations.HOLDS`) and what it is about.

    off  it is kept in the list and does not hold just now
    """

    sketch: str
    kind: str
    things: tuple[Named, ...]
    off: bool = False

    @property
    def key(self) -> str:
        """Its lasting name."""
        return f"{self.kind}: {', '.join(map(str, self.things))}"


class Measure(msgspec.Struct, frozen=True):
    """A dimension of a sketch.

    kind        a row of `relations.MEASURES`, "along" or "angle"
    angle       radians; the direction of "along", the flip of "angle"
    expression  what its value is: a number or a formula; empty where it shows what is drawn
    written     mm or radians; what the drawing says, where it says something; text as it was written
    shows       its text shows whatever is measured, so it cannot disagree
    plus, minus mm or radians; how far above and below its value is allowed; None for no tolerance
    place       mm; where its text stands, None where nobody has placed it
    """

    name: str
    sketch: str
    kind: str
    things: tuple[Named, ...]
    angle: float = 0.0
    expression: str = ""
    use: Use = "measured"
    written: float | None = None
    shows: bool = False
    text: str = ""
    plus: float | None = None
    minus: float | None = None
    place: tuple[float, float] | None = None

    @property
    def is_angle(self) -> bool:
        """Whether its value is an angle."""
        return self.kind in ANGULAR

    @property
    def sides(self) -> tuple[Named, ...]:
        """Its two sides: the first stays where it changes, unless the other is chosen; none for what is round."""
        if self.kind in ("length", "sweep", "arc length"):
            return self.things[0].at("start"), self.things[0].at("end")
        return () if self.kind in ("radius", "diameter") else (self.things[0], self.things[-1])


class Parameter(msgspec.Struct, frozen=True):
    """A value with a name of the user's own: an expression, and a note."""

    name: str
    expression: str
    note: str = ""


class Variant(msgspec.Struct, frozen=True):
    """One size of many: its name, and what is set: (name of a dimension or parameter, expression)."""

    name: str
    settings: tuple[tuple[str, str], ...]

    @property
    def file_name(self) -> str:
        """Its name as part of a file's."""
        return re.sub(r"[^\w.-]+", "-", self.name).strip("-.") or "variant"
