"""What the view in space shows, as arrays: triangles, see-through regions, lines; each knows what it is of.

A *part* is what one body or sketch brings, made in the background; the scene puts parts together. Colours are no matter
of the scene: each target has one, which a look and what is chosen say.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Literal

import numpy as np

from syntaxa.app.theme.tokens import Tokens, readable_on
from syntaxa.drawing.descent import RegionRef
from syntaxa.form.flats import Flat
from syntaxa.form.model import Mesh
from syntaxa.form.part import Body
from syntaxa.geometry.types import Floats, Ints

#: Share of the ground in the film of a region of which something was made.
_FAINT = 0.8

#: Bytes of a target and of a corner, roughly.
_OF_TARGET, _OF_CORNER = 400, 60

TargetKind = Literal["face", "edge", "region", "line"]


@dataclass(frozen=True, slots=True)
class Target:
    """Something to be picked: a face or edge of a body by its number, a region, or a line of a sketch by its root."""

    kind: TargetKind
    owner: str
    number: int = 0
    region: RegionRef | None = None
    root: str = ""

    @property
    def is_linear(self) -> bool:
        """Whether it is a line, which is picked from a little way off."""
        return self.kind in ("edge", "line")


@dataclass(frozen=True)
class Facets:
    """Triangles: points and normals (n, 3), index (m, 3), and the number of the target of each point (n,)."""

    points: Floats
    normals: Floats
    index: Ints
    target: Ints

    @classmethod
    def joined(cls, lots: Sequence[Facets], firsts: Sequence[int]) -> Facets:
        """All together; the targets of each lot count from its own first number."""
        if len(lots) == 1 and not firsts[0]:
            return lots[0]
        if not lots:
            return NO_FACETS
        base = np.cumsum([0, *(len(p.points) for p in lots)])
        return cls(
            np.concatenate([p.points for p in lots]),
            np.concatenate([p.normals for p in lots]),
            np.concatenate([p.index + b for p, b in zip(lots, base[:-1], strict=True)]),
            np.concatenate([p.target + first for p, first in zip(lots, firsts, strict=True)]),
        )


#: None at all.
NO_FACETS = Facets(np.zeros((0, 3)), np.zeros((0, 3)), np.zeros((0, 3), int), np.zeros(0, int))


@dataclass(frozen=True)
class Strokes:
    """Lines: ends (k, 2, 3), and the number of the target of each (k,)."""

    ends: Floats
    target: Ints

    @classmethod
    def joined(cls, lots: Sequence[Strokes], firsts: Sequence[int]) -> Strokes:
        """All together; the targets of each lot count from its own first number."""
        if len(lots) == 1 and not firsts[0]:
            return lots[0]
        if not lots:
            return cls(np.zeros((0, 2, 3)), np.zeros(0, int))
        return cls(
            np.concatenate([p.ends for p in lots]),
            np.concatenate([p.target + first for p, first in zip(lots, firsts, strict=True)]),
        )


@dataclass(frozen=True)
class Part:
    """What one body or sketch brings; its targets are numbered from 1, first those with an area, then those without.

    facets, films  solid triangles of a body, see-through ones of a sketch
    areas          how many targets have an area
    colour         of the body or sketch, of which something was made where it is faint
    """

    owner: str
    is_solid: bool
    facets: Facets
    films: Facets
    strokes: Strokes
    targets: tuple[Target, ...]
    areas: int
    colour: int
    faint: bool = False

    @cached_property
    def numbers(self) -> dict[Target, list[int]]:
        """The numbers of each target, several where a curve is in pieces."""
        found: dict[Target, list[int]] = {}
        for k, target in enumerate(self.targets, 1):
            found.setdefault(target, []).append(k)
        return found

    @cached_property
    def box(self) -> Floats:
        """Low and high corner of everything in it, (2, 3); of nothing where it is empty, (0, 3)."""
        every = [self.facets.points, self.films.points, self.strokes.ends.reshape(-1, 3)]
        return np.array([f(p, axis=0) for p in every if len(p) for f in (np.min, np.max)]).reshape(-1, 3)

    @property
    def size(self) -> int:
        """Bytes, roughly."""
        corners = len(self.facets.points) + len(self.films.points) + 2 * len(self.strokes.ends)
        return _OF_TARGET * len(self.targets) + _OF_CORNER * corners

    def prepared(self) -> Part:
        """Itself, with all worked out that is wanted of it later."""
        _ = self.numbers, self.box
        return self

    def colours(self, tokens: Tokens) -> Floats:
        """Of each target in a look, (targets, 3) of 0 to 1."""
        if self.is_solid:
            area, line = _rgb(self.colour), _rgb(tokens.text)
        else:
            line = _rgb(readable_on(self.colour, tokens.canvas))
            area = line + _FAINT * (_rgb(tokens.canvas) - line) if self.faint else line
        return np.repeat([area, line], [self.areas, len(self.targets) - self.areas], axis=0)


def part_of_body(body: Body, mesh: Mesh) -> Part:
    """A body: its faces and edges."""
    faces, edges = (int(numbers.max(initial=-1)) + 1 for numbers in (mesh.face, mesh.edge))
    of = np.zeros(len(mesh.points), dtype=np.int64)
    of[mesh.triangles.ravel()] = np.repeat(mesh.face, 3)
    facets = Facets(mesh.points.astype(np.float64), mesh.normals.astype(np.float64), mesh.triangles, of + 1)
    strokes = Strokes(mesh.lines.astype(np.float64), mesh.edge + faces + 1)
    targets = [Target("face", body.name, k) for k in range(faces)] + [
        Target("edge", body.name, k) for k in range(edges)
    ]
    return Part(body.name, True, facets, NO_FACETS, strokes, tuple(targets), faces, body.colour)


def part_of_flat(flat: Flat, faint: bool) -> Part:
    """A sketch: its regions and lines."""
    count = len(flat.regions)
    normals = np.tile(np.array(flat.frame.normal), (len(flat.points), 1))
    films = Facets(flat.points, normals, flat.triangles, flat.region + 1)
    strokes = Strokes(flat.lines, flat.curve + count + 1)
    targets = [Target("region", flat.name, region=region.ref) for region in flat.regions] + [
        Target("line", flat.name, root=root) for root in flat.roots
    ]
    return Part(flat.name, False, NO_FACETS, films, strokes, tuple(targets), count, flat.colour, faint)


@dataclass(frozen=True)
class Scene:
    """All parts together: solid triangles, see-through ones of regions, and lines; targets have numbers from 1."""

    parts: tuple[Part, ...]
    facets: Facets
    films: Facets
    strokes: Strokes
    targets: tuple[Target, ...]
    firsts: tuple[int, ...]
    low: Floats
    high: Floats

    @classmethod
    def of(cls, parts: Sequence[Part]) -> Scene:
        """Parts put together."""
        firsts = tuple(np.cumsum([0, *(len(p.targets) for p in parts)]).tolist()[:-1])
        boxes = np.concatenate([np.zeros((0, 3)), *(p.box for p in parts)])
        low, high = (boxes.min(axis=0), boxes.max(axis=0)) if len(boxes) else (np.zeros(3), np.ones(3))
        solid = [(p, first) for p, first in zip(parts, firsts, strict=True) if p.is_solid]
        flat = [(p, first) for p, first in zip(parts, firsts, strict=True) if not p.is_solid]
        return cls(
            tuple(parts),
            Facets.joined([p.facets for p, _ in solid], [first for _, first in solid]),
            Facets.joined([p.films for p, _ in flat], [first for _, first in flat]),
            Strokes.joined([p.strokes for p in parts], firsts),
            tuple(t for p in parts for t in p.targets),
            firsts,
            low,
            high,
        )

    @property
    def middle(self) -> Floats:
        """The middle of everything (mm)."""
        return (self.low + self.high) / 2

    @property
    def reach(self) -> float:
        """Half the size of everything, corner to corner (mm)."""
        return max(float(np.linalg.norm(self.high - self.low)) / 2, 1e-6)

    @property
    def pieces(self) -> int:
        """How many triangles and lines there are."""
        return len(self.facets.index) + len(self.films.index) + len(self.strokes.ends)

    def numbers(self, target: Target) -> list[int]:
        """The numbers of a target, several where a curve is in pieces, none where it is not there."""
        own = zip(self.parts, self.firsts, strict=True)
        return [first + k for part, first in own if part.owner == target.owner for k in part.numbers.get(target, ())]

    def bare(self) -> Scene:
        """What can be drawn of it, without what it is of."""
        return replace(self, parts=(), targets=(), firsts=())

    def target(self, number: int) -> Target | None:
        """What a number stands for."""
        return self.targets[number - 1] if 0 < number <= len(self.targets) else None

    def ends_of(self, chosen: frozenset[Target]) -> Floats:
        """The lines of what is chosen, (k, 2, 3)."""
        numbers = [k for target in chosen for k in self.numbers(target)]
        return self.strokes.ends[np.isin(self.strokes.target, numbers)]

    def colours(self, tokens: Tokens, chosen: frozenset[Target]) -> Floats:
        """Of each number in a look, (targets + 1, 3) of 0 to 1; what is chosen has that of the accent, 0 has none."""
        found = np.concatenate([np.zeros((1, 3)), *(p.colours(tokens) for p in self.parts)])
        found[[k for target in chosen for k in self.numbers(target)]] = _rgb(tokens.accent)
        return found


def _rgb(colour: str | int) -> Floats:
    """A colour as three numbers of 0 to 1."""
    value = int(colour.lstrip("#"), 16) if isinstance(colour, str) else colour
    return np.array([(value >> shift & 255) / 255 for shift in (16, 8, 0)])
