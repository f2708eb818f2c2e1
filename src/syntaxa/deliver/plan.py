"""What goes out, sorted: profiles by layer, blocks of groups with their places, and marks for roles.

Sketches that are there to be made go out, in their order; construction only when asked for, reference never. A group
becomes a block: its copies are insertions of it as long as they are still alike, else blocks of their own.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from syntaxa.deliver.profiles import Mark, Profiles, profiles_of
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Pen, Sketch, State
from syntaxa.geometry.measuring import point_distance
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.tolerances import ROUNDING, Tolerances
from syntaxa.geometry.transform import Transform
from syntaxa.route.part import Group, Routed

#: Versions of DXF that are written.
Release = Literal["R12", "R2000", "R2010", "R2018"]

#: How roles go out: their curves on layers of their own, as extended data (DXF) or attributes (SVG), or not at all.
RolesAs = Literal["layers", "data", "none"]

#: mm; copies of a group that differ by more are no longer alike; a piece within this of a curve lies on it.
_ALIKE, _ON = 1e-6, 1e-6


@dataclass(frozen=True, slots=True)
class Block:
    """What a group consists of, relative to its base point, and the places (mm) of its base."""

    name: str
    contents: tuple[Profiles, ...]
    places: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class Plan:
    """Everything that is written, in mm."""

    profiles: tuple[Profiles, ...]
    blocks: tuple[Block, ...] = ()

    def placed(self) -> Iterator[Profiles]:
        """Everything where it will be seen: those of blocks at each of their places."""
        yield from self.profiles
        for block in self.blocks:
            for place in block.places:
                move = Transform.moving(Vector(place.x, place.y))
                for part in block.contents:
                    yield replace(part, shapes=tuple(s.transformed(move) for s in part.shapes))

    def count(self) -> int:
        """How many shapes there are, those of blocks at each of their places."""
        inserted = sum(len(b.places) * sum(len(p.shapes) for p in b.contents) for b in self.blocks)
        return sum(len(p.shapes) for p in self.profiles) + inserted


def plan_of(state: State, roles: RolesAs = "layers", construction: bool = False) -> Plan:
    """Sorts the curves of a state; nothing is moved."""
    routed = state.part(Routed)
    pens = dict(routed.pens)
    wanted = ("profile", "construction") if construction else ("profile",)
    sketches = [s for s in state.sketches if s.purpose in wanted]
    keys = {g.key for g in routed.groups}
    loose = [replace(s, curves=tuple(c for c in s.curves if c.group not in keys)) for s in sketches]
    profiles = [p for s in loose for p in _sorted(s, roles, pens)]
    return Plan(tuple(p for p in profiles if p.shapes), tuple(_blocks(routed.groups, sketches, roles, pens)))


def _sorted(sketch: Sketch, roles: RolesAs, pens: dict[str, Pen]) -> Iterable[Profiles]:
    """The profiles of a sketch, and those of its roles where they go on layers of their own."""
    tolerances = Tolerances()
    if roles != "layers":
        plain = _penned(profiles_of(sketch, tolerances), sketch.pen)
        yield plain if roles == "none" else replace(plain, marks=_marks(plain.shapes, sketch.curves))
        return
    by_role: dict[str, list[Curve]] = {}
    for curve in sketch.curves:
        by_role.setdefault(" + ".join(curve.roles), []).append(curve)
    for role, curves in sorted(by_role.items()):
        part = replace(sketch, curves=tuple(curves))
        found = profiles_of(part, tolerances)
        if not role:
            yield _penned(found, sketch.pen)
            continue
        pen = pens.get(role) or pens.get(role.split(" + ")[0]) or Pen()
        named = replace(pen, layer=pen.layer or f"{sketch.pen.layer or sketch.name}-{role}")
        yield replace(_penned(found, named), name=f"{sketch.name} {role}")


def _penned(profiles: Profiles, pen: Pen) -> Profiles:
    colour = profiles.colour if pen.colour is None else pen.colour
    return replace(
        profiles, colour=colour, layer=pen.layer or profiles.name, weight=pen.weight, line_type=pen.line_type
    )


def _marks(shapes: Sequence[Shape], curves: Sequence[Curve]) -> tuple[tuple[Mark, ...], ...]:
    """For each shape the roles of its pieces: a piece has the role of the curve that its middle lies on."""
    meant = [c for c in curves if c.roles]
    if not meant:
        return ()
    found = []
    for shape in shapes:
        pieces: dict[str, list[int]] = {}
        for k, middle in enumerate(_middles(shape)):
            for curve in meant:
                if point_distance(middle, curve.shape)[0] <= _ON:
                    for role in curve.roles:
                        pieces.setdefault(role, []).append(k)
                    break
        found.append(tuple(Mark(role, tuple(index)) for role, index in sorted(pieces.items())))
    return tuple(found)


def _middles(shape: Shape) -> Iterable[Point]:
    """The middle of each piece of a shape, in order."""
    parts = list(shape.segments()) if shape.kind == "polyline" else [shape]  # type: ignore[union-attr]
    for part in parts:
        points = part.flattened(max(part.length * 1e-3, ROUNDING))
        if len(points) == 2:
            yield Point(*((points[0] + points[1]) / 2).tolist())
        else:
            # A vertex of the flattening lies on the curve itself.
            yield Point(*points[len(points) // 2].tolist())


def _blocks(
    groups: Sequence[Group], sketches: Sequence[Sketch], roles: RolesAs, pens: dict[str, Pen]
) -> Iterable[Block]:
    by_name: dict[str, list[Group]] = {}
    for group in groups:
        by_name.setdefault(group.name, []).append(group)
    for name, copies in by_name.items():
        kinds: list[tuple[list[tuple[str, Shape]], Block]] = []
        for group in copies:
            parts = _parts(group, sketches)
            shapes = [(s.name, c.shape) for s in parts for c in s.curves]
            if not shapes:
                continue
            same = next((k for k, (other, _) in enumerate(kinds) if _alike(shapes, other)), None)
            if same is not None:
                kinds[same] = kinds[same][0], replace(kinds[same][1], places=(*kinds[same][1].places, group.base))
                continue
            title = name if not kinds else f"{name}-{len(kinds) + 1}"
            contents = tuple(p for s in parts for p in _sorted(s, roles, pens) if p.shapes)
            kinds.append((shapes, Block(title, contents, (group.base,))))
        yield from (block for _, block in kinds)


def _parts(group: Group, sketches: Sequence[Sketch]) -> list[Sketch]:
    """The curves of a group relative to its base, still in their sketches."""
    home = Transform.moving(Vector(-group.base.x, -group.base.y))
    parts = []
    for sketch in sketches:
        curves = tuple(replace(c, shape=c.shape.transformed(home)) for c in sketch.curves if c.group == group.key)
        if curves:
            parts.append(replace(sketch, curves=curves))
    return parts


def _alike(one: list[tuple[str, Shape]], other: list[tuple[str, Shape]]) -> bool:
    return len(one) == len(other) and all(
        name == name_too and shape.kind == shape_too.kind and _near(shape, shape_too)
        for (name, shape), (name_too, shape_too) in zip(one, other, strict=True)
    )


def _near(one: Shape, other: Shape) -> bool:
    """Whether two shapes of a kind are the same to a hair: all their pieces are."""
    a, b = rows_of(one, 1e-4), rows_of(other, 1e-4)
    return len(a) == len(b) and all(
        abs(x - y) <= _ALIKE for row, row_too in zip(a, b, strict=True) for x, y in zip(row, row_too, strict=True)
    )
