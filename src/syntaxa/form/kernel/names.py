"""Solids whose faces and edges have names that hold when the numbers of what they were made of change.

A face is named by what it was raised from, an edge by that too and always by the faces beside it. Names go through
joining, cutting, fillets and chamfers by what the operation says became of each part. `find` looks an edge up in
another evaluation and says how it was found.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from functools import cached_property
from typing import Any, Literal

import numpy as np
from OCP.BRep import BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.TopExp import TopExp

from syntaxa.form.kernel.library import EDGE, FACE, VERTEX, Index, Shape, beside, drained
from syntaxa.form.kernel.measuring import box_of
from syntaxa.form.model import EdgeKey, Name, Space

#: How an edge was found: by what it was raised from (and whether what is round it is the same), by the faces beside it,
#: by what is at its ends, by where it is, by the curves that its own was cut into; or not at all.
Found = Literal["origin", "origin, changed", "faces", "ends", "place", "pieces", "lost"]

#: Ways of finding that are not to be told.
CERTAIN: tuple[Found, ...] = ("origin", "faces", "ends")

_CUT = re.compile(r"\[.*\]$")


class Named:
    """A shape with names, by the numbers of its faces and edges."""

    def __init__(self, shape: Shape) -> None:
        self.shape = shape
        self.faces = Index(shape, FACE)
        self.edges = Index(shape, EDGE)
        self.face_names: dict[int, Name] = {}
        self.edge_names: dict[int, Name] = {}

    def name_face(self, face: Shape, name: Name) -> None:
        """Names a face, if it is there and has no name yet."""
        k = self.faces.find(face)
        if k >= 0:
            self.face_names.setdefault(k, name)

    def name_edge(self, edge: Shape, name: Name) -> None:
        """Names an edge, if it is there and has no name yet."""
        k = self.edges.find(edge)
        if k >= 0:
            self.edge_names.setdefault(k, name)

    def face_name(self, k: int) -> Name:
        """The name of a face; one that nothing is known of goes by its number."""
        return self.face_names.get(k, ("?", k))

    @cached_property
    def sides(self) -> list[list[int]]:
        """The faces beside each edge; one for a seam."""
        return beside(self.shape, EDGE, FACE, self.edges, self.faces)

    @cached_property
    def vertices(self) -> Index:
        """The vertices."""
        return Index(self.shape, VERTEX)

    @cached_property
    def _round_vertices(self) -> list[list[int]]:
        return beside(self.shape, VERTEX, FACE, self.vertices, self.faces)

    @cached_property
    def _box(self) -> tuple[Space, Space]:
        return box_of(self.shape)

    @cached_property
    def true_edges(self) -> list[int]:
        """The edges that have a length and two faces: neither seams nor the tips of cones."""
        return [
            k for k in range(len(self.edges)) if not BRep_Tool.Degenerated_s(self.edges[k]) and len(self.sides[k]) == 2
        ]

    def pair(self, k: int) -> tuple[Name, ...]:
        """Names of the faces beside an edge."""
        return tuple(sorted((self.face_name(f) for f in self.sides[k]), key=repr))

    def ends(self, k: int) -> tuple[tuple[Name, ...], ...]:
        """Names of the faces that touch the ends of an edge and do not lie beside it, for each end."""
        own, out = set(self.sides[k]), []
        for vertex in (TopExp.FirstVertex_s(self.edges[k]), TopExp.LastVertex_s(self.edges[k])):
            there = [] if vertex.IsNull() else self._round_vertices[self.vertices.find(vertex)]
            out.append(tuple(sorted((self.face_name(f) for f in there if f not in own), key=repr)))
        return tuple(sorted(out, key=repr))

    def middle(self, k: int) -> Space:
        """The middle of an edge (mm)."""
        curve = BRepAdaptor_Curve(self.edges[k])
        at = curve.Value((curve.FirstParameter() + curve.LastParameter()) / 2)
        return at.X(), at.Y(), at.Z()

    def key(self, k: int) -> EdgeKey:
        """The lasting name of an edge."""
        return EdgeKey(self.edge_names.get(k, ()), self.pair(k), self.ends(k), self._place(k))

    def _place(self, k: int) -> Space:
        low, high = np.array(self._box[0]), np.array(self._box[1])
        x, y, z = ((np.array(self.middle(k)) - low) / np.maximum(high - low, 1e-9)).tolist()
        return x, y, z

    def find(self, key: EdgeKey) -> tuple[list[int], Found]:
        """The edges that a name means by now."""
        live = self.true_edges
        if key.origin:
            hits = [k for k in live if self.edge_names.get(k) == key.origin]
            best = [k for k in hits if self.pair(k) == key.faces and self.ends(k) == key.ends]
            if len(hits) == 1:
                # Where what is round it has changed it may be a piece of what was one edge: taken, and told.
                return hits, "origin" if best else "origin, changed"
            if hits:
                return best or hits, "origin"
        hits = [k for k in live if self.pair(k) == key.faces]
        best = [k for k in hits if self.ends(k) == key.ends]
        if len(hits) == 1:
            return hits, "faces"
        if len(best) == 1:
            return best, "ends"
        if hits:
            return [min(best or hits, key=lambda k: _apart(self._place(k), key.place))], "place"
        return self._by_pieces(key)

    def _by_pieces(self, key: EdgeKey) -> tuple[list[int], Found]:
        """What there is of an edge whose curve was cut since: all pieces answer for the whole."""
        if key.origin:
            wanted = _whole(key.origin)
            hits = [k for k in self.true_edges if k in self.edge_names and _whole(self.edge_names[k]) == wanted]
            if hits:
                return hits, "pieces"
        pair = _sorted_wholes(key.faces)
        hits = [k for k in self.true_edges if _sorted_wholes(self.pair(k)) == pair]
        if len(hits) > 1 and pair[0] != pair[-1]:
            ends = sorted((_sorted_wholes(e) for e in key.ends), key=repr)
            hits = [
                k for k in hits if sorted((_sorted_wholes(e) for e in self.ends(k)), key=repr) == ends
            ] or hits  # fmt: skip
        return (hits, "pieces") if hits else ([], "lost")


def carried(operation: Any, sources: Iterable[Named], shape: Shape) -> Named:
    """The result of an operation with the names of what went in, by what the operation says became of it."""
    out = Named(shape)
    for source in sources:
        for k, name in source.face_names.items():
            for image in _images(operation, source.faces[k]):
                out.name_face(image, name)
        for k, name in source.edge_names.items():
            for image in _images(operation, source.edges[k]):
                out.name_edge(image, name)
    return out


def renamed(named: Named, by: Callable[[Name], Name]) -> Named:
    """The same shape under other names."""
    out = Named(named.shape)
    out.face_names = {k: by(name) for k, name in named.face_names.items()}
    out.edge_names = {k: by(name) for k, name in named.edge_names.items()}
    return out


def _images(operation: Any, part: Shape) -> list[Shape]:
    if operation.IsDeleted(part):
        return []
    return drained(operation.Modified(part)) or [part]


def _whole(name: Any) -> Any:
    """A name in which stretches of cut curves go by the whole."""
    if isinstance(name, tuple):
        return tuple(_whole(part) for part in name)
    return _CUT.sub("", name).split("~", 1)[0] if isinstance(name, str) else name


def _sorted_wholes(names: Iterable[Name]) -> list[Any]:
    return sorted((_whole(n) for n in names), key=repr)


def _apart(one: Space, other: Space) -> float:
    return sum((a - b) ** 2 for a, b in zip(one, other, strict=True))
