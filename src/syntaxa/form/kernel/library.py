"""The habits of the bindings of the kernel (Open CASCADE 8.0), in one place.

- Collections stand in `OCP.collections`. To iterate over one takes 0.7 ms each time, for every iterator registers its
  type anew; `drained` takes microseconds.
- Whatever comes back is a plain shape: it is cast before it is used.
- Two shapes are equal as Python objects only where they are one object: `Index` is the one way to look shapes up.
- Null shapes crash; every result is asked.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from typing import Any

import OCP.collections as kept
from OCP.Message import Message
from OCP.TopAbs import TopAbs_EDGE, TopAbs_FACE, TopAbs_SOLID, TopAbs_VERTEX
from OCP.TopExp import TopExp
from OCP.TopoDS import TopoDS

#: The bindings say nothing of their types, so whatever is theirs goes by these names.
Shape = Any
Kind = Any

VERTEX, EDGE, FACE, SOLID = TopAbs_VERTEX, TopAbs_EDGE, TopAbs_FACE, TopAbs_SOLID

# What it tells of its work is for its makers; what goes wrong comes back as a result.
Message.DefaultMessenger_s().ChangePrinters().Clear()

_CAST = {VERTEX: TopoDS.Vertex, EDGE: TopoDS.Edge, FACE: TopoDS.Face, SOLID: TopoDS.Solid}


class Index:
    """The parts of one kind of a shape, each once whatever its orientation, numbered from 0."""

    def __init__(self, shape: Shape | None, kind: Kind) -> None:
        self._map = kept.IndexedMap_TopoDS_Shape_TopTools_ShapeMapHasher()
        self._cast = _CAST[kind]
        if shape is not None and not shape.IsNull():
            TopExp.MapShapes_s(shape, kind, self._map)

    def __len__(self) -> int:
        return int(self._map.Size())

    def __getitem__(self, k: int) -> Shape:
        return self._cast(self._map.FindKey(k + 1))

    def __iter__(self) -> Iterator[Shape]:
        return (self[k] for k in range(len(self)))

    def find(self, shape: Shape) -> int:
        """The number of a part, or -1."""
        return int(self._map.FindIndex(shape)) - 1

    def add(self, shape: Shape) -> int:
        """Puts a part behind the others; its number."""
        return int(self._map.Add(shape)) - 1


def beside(shape: Shape, inner: Kind, outer: Kind, inners: Index, outers: Index) -> list[list[int]]:
    """For each inner part the numbers of the outer ones that it belongs to: the faces of each edge, and so on."""
    data = kept.IndexedDataMap_TopoDS_Shape_List_TopoDS_Shape_TopTools_ShapeMapHasher()
    TopExp.MapShapesAndAncestors_s(shape, inner, outer, data)
    found: list[list[int]] = [[] for _ in range(len(inners))]
    for k in range(1, data.Size() + 1):
        key = data.FindKey(k)
        found[inners.find(key)] = sorted({outers.find(one) for one in drained(data.FindFromKey(key))})
    return found


def drained(listed: Any) -> list[Shape]:
    """What a list of the kernel holds."""
    count = listed.Size()
    if count == 0:
        return []
    if count == 1:
        return [listed.First()]
    copy = kept.List_TopoDS_Shape(listed)
    out = []
    while not copy.IsEmpty():
        out.append(copy.First())
        copy.RemoveFirst()
    return out


def listed(shapes: Iterable[Shape]) -> Any:
    """Shapes as a list of the kernel."""
    out = kept.List_TopoDS_Shape()
    for shape in shapes:
        out.Append(shape)
    return out


def by_kernel(error: Exception) -> bool:
    """Whether the kernel itself raised it: the classes of the bindings have no common base."""
    return type(error).__module__.startswith("OCP")
