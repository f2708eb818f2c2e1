"""How an insertion puts what its block holds: the whole product of maps, and what its contents take from it."""

from __future__ import annotations

from dataclasses import dataclass

from ezdxf.math import Matrix44, Vec3

from syntaxa.geometry.transform import Transform

#: Share of the scale by which a map may tip the drawing plane.
_LEVEL = 1e-9


@dataclass(frozen=True, slots=True)
class Placed:
    """An insertion within all those that it lies in.

    matrix     from the block's coordinates to those of the layout: the product of all insertions, never one at a time
    layer      that it lies on; colour as 0xRRGGBB or None for that of this layer; line_type and weight as in the file
    hidden     whether it, or one that it lies in, lies on a frozen layer or is invisible
    """

    matrix: Matrix44
    layer: str
    colour: int | None
    line_type: str
    weight: int
    hidden: bool

    @property
    def plane(self) -> Transform | None:
        """The map of the drawing plane onto itself; None where the insertion tips it."""
        u, v = (self.matrix.transform_direction(axis) for axis in (Vec3(1, 0, 0), Vec3(0, 1, 0)))
        slack = _LEVEL * max(u.magnitude, v.magnitude)
        if abs(u.z) > slack or abs(v.z) > slack:
            return None
        origin = self.matrix.transform(Vec3(0, 0, 0))
        return Transform(u.x, u.y, v.x, v.y, origin.x, origin.y)

    @property
    def height(self) -> float:
        """How far its plane lies above or below the drawing plane."""
        return abs(float(self.matrix.transform(Vec3(0, 0, 0)).z))
