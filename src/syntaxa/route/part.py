"""What Route keeps in the state: named groups of curves, and how roles go out."""

from __future__ import annotations

from dataclasses import dataclass, replace

from syntaxa.drawing.state import Part, Pen
from syntaxa.geometry.points import Point
from syntaxa.geometry.transform import Transform


@dataclass(frozen=True, slots=True)
class Group:
    """A named group of curves: base is the point (mm) that its copies are placed by; number tells its copies apart."""

    name: str
    number: int
    base: Point

    @property
    def key(self) -> str:
        """What its curves carry."""
        return f"{self.name}#{self.number}"


@dataclass(frozen=True)
class Routed(Part):
    """The groups, and the pens of roles by their names."""

    groups: tuple[Group, ...] = ()
    pens: tuple[tuple[str, Pen], ...] = ()

    def carried(self, by: Transform) -> Routed:
        """Base points go along."""
        return replace(self, groups=tuple(replace(g, base=by.point(g.base)) for g in self.groups))
