"""What the view in space shows, as arrays: triangles, see-through regions, lines; each knows what it is of."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
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
    """Triangles: points and normals (n, 3), index (m, 3), colour (n, 3) of 0 to 1, and target of each point (n,)."""

    points: Floats
    normals: Floats
    index: Ints
    colour: Floats
    target: Ints

    @classmethod
    def joined(cls, parts: Sequence[Facets]) -> Facets:
        """All together."""
        if not parts:
            return cls(np.zeros((0, 3)), np.zeros((0, 3)), np.zeros((0, 3), int), np.zeros((0, 3)), np.zeros(0, int))
        base = np.cumsum([0, *(len(p.points) for p in parts)])
        return cls(
            np.concatenate([p.points for p in parts]),
            np.concatenate([p.normals for p in parts]),
            np.concatenate([p.index + b for p, b in zip(parts, base[:-1], strict=True)]),
            np.concatenate([p.colour for p in parts]),
            np.concatenate([p.target for p in parts]),
        )


@dataclass(frozen=True)
class Strokes:
    """Lines: ends (k, 2, 3), colour (k, 3) of 0 to 1, and the target of each (k,)."""

    ends: Floats
    colour: Floats
    target: Ints

    @classmethod
    def joined(cls, parts: Sequence[Strokes]) -> Strokes:
        """All together."""
        if not parts:
            return cls(np.zeros((0, 2, 3)), np.zeros((0, 3)), np.zeros(0, int))
        return cls(*(np.concatenate([getattr(p, name) for p in parts]) for name in ("ends", "colour", "target")))


@dataclass(frozen=True)
class Scene:
    """Solid triangles, see-through ones of regions, and lines; what they are of, by numbers from 1."""

    facets: Facets
    films: Facets
    strokes: Strokes
    targets: tuple[Target, ...]
    low: Floats
    high: Floats

    @property
    def middle(self) -> Floats:
        """The middle of everything (mm)."""
        return (self.low + self.high) / 2

    @property
    def reach(self) -> float:
        """Half the size of everything, corner to corner (mm)."""
        return max(float(np.linalg.norm(self.high - self.low)) / 2, 1e-6)

    @cached_property
    def numbers(self) -> dict[Target, list[int]]:
        """The numbers of each target, several where a curve is in pieces: asked for at every paint with a choice."""
        found: dict[Target, list[int]] = {}
        for k, target in enumerate(self.targets, 1):
            found.setdefault(target, []).append(k)
        return found

    def target(self, number: int) -> Target | None:
        """What a number stands for."""
        return self.targets[number - 1] if 0 < number <= len(self.targets) else None

    def ends_of(self, chosen: frozenset[Target]) -> Floats:
        """The lines of what is chosen, (k, 2, 3)."""
        numbers = [k for target in chosen for k in self.numbers.get(target, ())]
        return self.strokes.ends[np.isin(self.strokes.target, numbers)]


def scene_of(
    bodies: Sequence[tuple[Body, Mesh]],
    flats: Sequence[Flat],
    tokens: Tokens,
    chosen: frozenset[Target],
    used: frozenset[str] = frozenset(),
) -> Scene:
    """Everything in the colours of a look; what is chosen in that of the accent, films of used sketches faint."""
    make = _Making(tokens, chosen)
    for body, mesh in bodies:
        make.body(body, mesh)
    for flat in flats:
        make.flat(flat, faint=flat.name in used)
    return make.scene()


class _Making:
    """Gathers the parts of a scene."""

    def __init__(self, tokens: Tokens, chosen: frozenset[Target]) -> None:
        self.tokens, self.chosen = tokens, chosen
        self.targets: list[Target] = []
        self.facets: list[Facets] = []
        self.films: list[Facets] = []
        self.strokes: list[Strokes] = []
        self.accent, self.ink = _rgb(tokens.accent), _rgb(tokens.text)

    def body(self, body: Body, mesh: Mesh) -> None:
        """A body: its faces and edges."""
        first = len(self.targets) + 1
        count = int(mesh.face.max(initial=-1)) + 1
        self.targets += [Target("face", body.name, k) for k in range(count)]
        of = np.zeros(len(mesh.points), dtype=np.int64)
        of[mesh.triangles.ravel()] = np.repeat(mesh.face, 3)
        colours = np.tile(_rgb(body.colour), (count, 1))
        colours[self._chosen_in(first, count)] = self.accent
        points, normals = mesh.points.astype(np.float64), mesh.normals.astype(np.float64)
        self.facets.append(Facets(points, normals, mesh.triangles, colours[of], of + first))
        first = len(self.targets) + 1
        count = int(mesh.edge.max(initial=-1)) + 1
        self.targets += [Target("edge", body.name, k) for k in range(count)]
        colours = np.tile(self.ink, (count, 1))
        colours[self._chosen_in(first, count)] = self.accent
        self.strokes.append(Strokes(mesh.lines.astype(np.float64), colours[mesh.edge], mesh.edge + first))

    def flat(self, flat: Flat, faint: bool) -> None:
        """A sketch: its regions and lines."""
        normal = np.array(flat.frame.normal)
        plain = _rgb(readable_on(flat.colour, self.tokens.canvas))
        film = plain + _FAINT * (_rgb(self.tokens.canvas) - plain) if faint else plain
        first = len(self.targets) + 1
        self.targets += [Target("region", flat.name, region=region.ref) for region in flat.regions]
        colours = np.tile(film, (len(flat.regions), 1))
        colours[self._chosen_in(first, len(flat.regions))] = self.accent
        normals = np.tile(normal, (len(flat.points), 1))
        self.films.append(Facets(flat.points, normals, flat.triangles, colours[flat.region], flat.region + first))
        first = len(self.targets) + 1
        self.targets += [Target("line", flat.name, root=root) for root in flat.roots]
        colours = np.tile(plain, (len(flat.roots), 1))
        colours[self._chosen_in(first, len(flat.roots))] = self.accent
        self.strokes.append(Strokes(flat.lines, colours[flat.curve], flat.curve + first))

    def _chosen_in(self, first: int, count: int) -> list[int]:
        return [k for k in range(count) if self.targets[first - 1 + k] in self.chosen] if self.chosen else []

    def scene(self) -> Scene:
        """All of it."""
        facets, films, strokes = Facets.joined(self.facets), Facets.joined(self.films), Strokes.joined(self.strokes)
        every = np.concatenate([facets.points, films.points, strokes.ends.reshape(-1, 3)])
        low, high = (every.min(axis=0), every.max(axis=0)) if len(every) else (np.zeros(3), np.ones(3))
        return Scene(facets, films, strokes, tuple(self.targets), low, high)


def _rgb(colour: str | int) -> Floats:
    """A colour as three numbers of 0 to 1."""
    value = int(colour.lstrip("#"), 16) if isinstance(colour, str) else colour
    return np.array([(value >> shift & 255) / 255 for shift in (16, 8, 0)])
