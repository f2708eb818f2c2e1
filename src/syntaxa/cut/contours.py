"""The contours of a drawing: what bounds its regions, and what is open, each with its place in the nesting.

Glossary: a *part* is a region that is kept: the outermost ones, and every second further in; what lies between is
waste. A contour is an *outer* one or a *hole* of its part; a *line* bounds nothing. Rows of a contour have the part
on their
left.

Cost: n log n in the pieces.
"""

from __future__ import annotations

import hashlib
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Literal

import numpy as np

from syntaxa.drawing.descent import RegionRef
from syntaxa.drawing.model import Curve
from syntaxa.drawing.recent import Recent
from syntaxa.drawing.state import Sketch, State
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.chaining import walks
from syntaxa.geometry.inside import crossed_edges, point_inside
from syntaxa.geometry.points import Point
from syntaxa.geometry.rows import merged_rows, pieces_of_rows, reversed_rows, shape_of_rows
from syntaxa.geometry.shapes import Circle, Shape
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.geometry.types import Box, Floats, Ints
from syntaxa.geometry.vectors import vectors
from syntaxa.mend.arrangement import Edges, bridges, rows_along, split_at_contacts
from syntaxa.mend.neighbourhood import Neighbourhood
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.regions import faces_of

Bounding = Literal["outer", "hole", "line"]

#: Within which pieces meet and are one.
_LIMITS = Tolerances()

#: mm to the side of a contour at which it is asked what lies round it.
_ASIDE = 1e-5

#: Share by which one area must be more than another to be more.
_SAME_AREA = 1e-9


@dataclass(frozen=True, slots=True, eq=False)
class Contour:
    """A closed or open run of rows (x, y, bulge), mm.

    key      its sketch and the roots of its curves: the same when the job is worked out again
    along    its edges as they were found, a row for each of n: where it begins and how it bulges, (n, 3), and which
             curve of its sketch it is of, (n,); of a line one row more, where it ends
    part     number of the part that it bounds, -1 for a line
    parent   number of the contour that holds it, -1 for none; depth  how many hold it
    circle   its centre and radius (mm), where it is one
    """

    key: str
    sketch: str
    rows: Floats
    bounds: Bounding
    part: int
    roots: tuple[str, ...]
    layers: frozenset[str]
    colours: frozenset[int]
    roles: frozenset[str]
    along: tuple[Floats, Ints]
    parent: int = -1
    depth: int = 0
    circle: tuple[float, float, float] | None = None

    @property
    def closed(self) -> bool:
        """Whether it comes back to where it begins."""
        return self.bounds != "line"

    @property
    def pieces(self) -> CurveArray:
        """Its lines and arcs."""
        return pieces_of_rows(self.rows, self.closed)

    @property
    def box(self) -> Box:
        """Its extents (mm)."""
        found = self.pieces.bounds()
        return (*found[:, :2].min(axis=0).tolist(), *found[:, 2:].max(axis=0).tolist())


@dataclass(frozen=True, slots=True, eq=False)
class Part:
    """A region that is kept: its name, its loops (outer one first) and the numbers of its contours in the same
    order.
    """

    ref: RegionRef
    loops: tuple[Floats, ...]
    contours: tuple[int, ...]
    area: float


@dataclass(frozen=True, slots=True, eq=False)
class Contours:
    """All contours of what is there to be made, and the parts that they bound."""

    contours: tuple[Contour, ...] = ()
    parts: tuple[Part, ...] = ()

    @property
    def box(self) -> Box | None:
        """The extents of everything (mm)."""
        boxes = np.array([c.box for c in self.contours])
        if not len(boxes):
            return None
        return (*boxes[:, :2].min(axis=0).tolist(), *boxes[:, 2:].max(axis=0).tolist())

    def by_key(self) -> dict[str, int]:
        """Number of each contour by its key."""
        return {c.key: k for k, c in enumerate(self.contours)}


def stretches_of(contour: Contour) -> list[tuple[int, Shape]]:
    """What a contour takes of the curves of its sketch: the number of the curve and a run along it, one by one."""
    rows, owners = contour.along
    if contour.closed:
        changes = np.flatnonzero(owners != np.roll(owners, 1))
        if not len(changes):
            return [(int(owners[0]), shape_of_rows(contour.rows, True))]
        rows, owners = np.roll(rows, -changes[0], axis=0), np.roll(owners, -changes[0])
        rows = np.vstack([rows, rows[:1]])
    firsts = [0, *(np.flatnonzero(np.diff(owners)) + 1).tolist(), len(owners)]
    return [
        (int(owners[k]), shape_of_rows(_merged(rows[k : last + 1], closed=False), False))
        for k, last in pairwise(firsts)
    ]


def _merged(rows: Floats, *, closed: bool) -> Floats:
    return merged_rows(rows, closed, _LIMITS.merge, _LIMITS.angle)


def key_of(sketch: str, roots: Iterable[str]) -> str:
    """The key of a contour by its sketch and the roots of its curves; one of several gets a number."""
    name = hashlib.blake2s("/".join(sorted(roots)).encode(), digest_size=5).hexdigest()
    return f"{sketch}/{name}"


def numbered_keys(keys: Sequence[str], ranks: Sequence[tuple[bool, Box]]) -> list[str]:
    """Keys told apart: of those that are the same all but the first get a number, by whether they are outer ones
    (False first) and their boxes, from left to right and upwards.
    """
    made, by_key = list(keys), dict[str, list[int]]()
    for k, key in enumerate(keys):
        by_key.setdefault(key, []).append(k)
    for numbers in by_key.values():
        # Boxes that rounding alone tells apart are one.
        ordered = sorted(numbers, key=lambda k: (ranks[k][0], *(round(v, 6) for v in ranks[k][1])))
        for n, k in enumerate(ordered[1:], 1):
            made[k] = f"{keys[k]}~{n}"
    return made


def contours_of(state: State) -> Contours:
    """The contours of all sketches that are there to be made: what lies in what is asked across all of them."""
    found = [_RECENT.of(sketch) for sketch in state.profiles()]
    groups = [g for in_sketch, _ in found for g in in_sketch]
    lines = [line for _, in_sketch in found for line in in_sketch]
    return _put_together(groups, lines)


@dataclass(frozen=True, slots=True, eq=False)
class _Group:
    """What hangs together: its outline, counter-clockwise, as a contour, and its faces likewise."""

    outline: Contour
    faces: tuple[Contour, ...]


def _in_sketch(sketch: Sketch) -> tuple[list[_Group], list[Contour]]:
    """What hangs together and bounds something, and what bounds nothing."""
    pieces = pieces_of(sketch.curves, _LIMITS.fit)
    if not len(pieces):
        return [], []
    edges, _ = split_at_contacts(Neighbourhood(pieces.curves, _LIMITS.merge))
    return _groups(sketch, edges), _lines(sketch, edges)


#: Sketches whose contours are remembered, up to so many curves.
_RECENT = Recent(_in_sketch, 100_000)


def _groups(sketch: Sketch, edges: Edges) -> list[_Group]:
    faces = faces_of(edges)
    if faces is None:
        return []
    cycles = faces.cycles

    def contour(walk: Ints) -> Contour:
        return _contour(sketch, rows_along(cycles, walk), "outer", cycles.edges.curves.owner[walk // 2])

    of: dict[int, list[Contour]] = {}
    for c in faces.outer.tolist():
        of.setdefault(int(faces.component[c]), []).append(contour(cycles.walk(c)))
    # Round the outside runs clockwise: the outline is the same way back.
    return [
        _Group(contour(cycles.walk(c)[::-1] ^ 1), tuple(of[int(faces.component[c])])) for c in faces.outsides.tolist()
    ]


def _lines(sketch: Sketch, edges: Edges) -> list[Contour]:
    """What bounds nothing, as runs through vertices where two ends meet."""
    loose = edges.take(np.flatnonzero(bridges(edges)))
    if not len(loose):
        return []
    places = np.stack([loose.tail, loose.head], axis=1).reshape(-1).tolist()
    found = []
    for walk, _closed in walks(places):
        owners = loose.curves.owner[np.array(walk) // 2]
        found.append(_contour(sketch, _rows_of(loose, walk), "line", owners))
    return found


def _rows_of(edges: Edges, walk: Sequence[int]) -> Floats:
    """The rows along a walk of edges that is open."""
    rows = []
    for end in walk:
        edge, back = end // 2, end % 2
        place = (edges.head if back else edges.tail)[edge]
        rows.append([*edges.vertices[place], -edges.curves.bulge[edge] if back else edges.curves.bulge[edge]])
    edge, back = walk[-1] // 2, walk[-1] % 2
    return np.array([*rows, [*edges.vertices[(edges.tail if back else edges.head)[edge]], 0.0]])


def _contour(sketch: Sketch, edges: Floats, bounds: Bounding, owners: Ints) -> Contour:
    curves = [sketch.curves[k] for k in np.unique(owners).tolist()]
    roots = tuple(sorted({c.root for c in curves}))
    rows = _merged(edges, closed=bounds != "line")
    shape = shape_of_rows(rows, True) if bounds != "line" else None
    return Contour(
        key_of(sketch.name, roots), sketch.name, rows, bounds, -1, roots,
        frozenset(c.layer for c in curves), frozenset(_colours(curves, sketch)),
        frozenset(r for c in curves for r in c.roles),
        (edges, owners),
        circle=(*shape.centre, shape.radius) if isinstance(shape, Circle) else None,
    )  # fmt: skip


def _colours(curves: Iterable[Curve], sketch: Sketch) -> Iterable[int]:
    return (sketch.colour if c.style.colour is None else c.style.colour for c in curves)


# ---------------------------------------------------------------------- what lies in what


def _put_together(groups: list[_Group], lines: list[Contour]) -> Contours:
    """Parts and their holes: what lies in an even number of outlines is kept, what lies in an odd number is a hole."""
    outlines = [g.outline for g in groups]
    holders = _holders(outlines, outlines)
    contours: list[Contour] = []
    faces: list[Contour] = []
    for group, held in zip(groups, holders, strict=True):
        if len(held) % 2 == 0:
            faces += [replace(f, part=len(faces) + k, depth=len(held)) for k, f in enumerate(group.faces)]
    kept = [o for o, held in zip(outlines, holders, strict=True) if len(held) % 2]
    holes = []
    for hole, held in zip(kept, _holders(kept, faces), strict=True):
        if held:
            rows = reversed_rows(hole.rows)
            depth = 2 * len(held) - 1
            holes.append(replace(hole, rows=rows, bounds="hole", part=held[0], parent=held[0], depth=depth))
    contours = [*faces, *holes]
    # A part in a hole belongs to that hole; a line to the smallest contour round it.
    loose = [k for k, f in enumerate(faces) if f.depth]
    for k, held in zip(loose, _holders([faces[k] for k in loose], holes), strict=True):
        contours[k] = replace(contours[k], parent=len(faces) + held[0] if held else -1)
    for line, held in zip(lines, _holders(lines, contours), strict=True):
        contours.append(replace(line, parent=held[0] if held else -1, depth=len(held)))
    contours = _told_apart(contours)
    own: dict[int, list[int]] = {k: [k] for k in range(len(faces))}
    for k in range(len(faces), len(faces) + len(holes)):
        own[contours[k].part].append(k)
    return Contours(tuple(contours), tuple(_part(tuple(numbers), contours) for numbers in own.values()))


def _part(own: tuple[int, ...], contours: list[Contour]) -> Part:
    loops = tuple(contours[k].rows for k in own)
    pieces = CurveArray.joined([pieces_of_rows(rows, True) for rows in loops])
    inside = point_inside(pieces)
    place = Point(*(inside if inside is not None else loops[0][0, :2]).tolist())
    roots = tuple(sorted({r for k in own for r in contours[k].roots}))
    return Part(RegionRef(contours[own[0]].sketch, roots, place), loops, own, float(pieces.signed_areas().sum()))


def _holders(asked: list[Contour], outlines: list[Contour]) -> list[list[int]]:
    """The outlines that each contour lies in, the smallest first; what is as large as itself holds nothing."""
    if not asked or not outlines:
        return [[] for _ in asked]
    pieces = [o.pieces for o in outlines]
    every = CurveArray.joined(pieces)
    of = np.repeat(np.arange(len(outlines)), [len(p) for p in pieces])
    area = np.abs(np.bincount(of, weights=every.signed_areas(), minlength=len(outlines)))
    row, edge = crossed_edges(every, _asides(asked))
    pair, times = np.unique(row * len(outlines) + of[edge], return_counts=True)
    inside, holder = np.divmod(pair[times % 2 == 1], len(outlines))
    own = np.array([abs(float(c.pieces.signed_areas().sum())) if c.closed else 0.0 for c in asked])
    found: list[list[int]] = [[] for _ in asked]
    for k, h in sorted(zip(inside.tolist(), holder.tolist(), strict=True), key=lambda both: area[both[1]]):
        if area[h] > own[k] * (1 + _SAME_AREA):
            found[k].append(h)
    return found


def _asides(contours: list[Contour]) -> Floats:
    """A place just inside each closed contour, and on each line: (n, 2)."""
    places = []
    for contour in contours:
        pieces = contour.pieces
        longest = pieces.take(np.array([int(pieces.lengths().argmax())]))
        at, way = longest.points_at(np.array([0.5])), longest.tangents_at(np.array([0.5]))
        side = {"outer": 1.0, "hole": -1.0, "line": 0.0}[contour.bounds]
        places.append((at + side * _ASIDE * vectors(-way[:, 1], way[:, 0]))[0])
    return np.array(places)


def _told_apart(contours: list[Contour]) -> list[Contour]:
    """Contours that the same curves bound get numbers, from left to right and upwards, outer ones first."""
    keys = numbered_keys([c.key for c in contours], [(c.bounds != "outer", c.box) for c in contours])
    return [c if c.key == key else replace(c, key=key) for c, key in zip(contours, keys, strict=True)]
