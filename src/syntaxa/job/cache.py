"""Results that are kept, within so many bytes: what was used least lately goes first."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Hashable, Iterable
from threading import Lock
from typing import Generic, TypeVar

from syntaxa.drawing.annotations import Annotation, Dimension, Hatch, Leader, Picture
from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.state import State
from syntaxa.geometry.shapes import Polyline, Shape, Spline

Value = TypeVar("Value")

#: Bytes of a curve with its id and a shape of a few numbers, and of each point more (measured with tracemalloc).
_OF_CURVE, _OF_POINT = 420, 130

#: Bytes of a note, roughly.
_OF_NOTE = 600


class Cache(Generic[Value]):
    """Values by key, each with its size in bytes; together no more than `most`. Safe to use from several threads."""

    def __init__(self, most: int) -> None:
        self._most = most
        self._kept: OrderedDict[Hashable, tuple[Value, int]] = OrderedDict()
        self._lock = Lock()
        self.size = 0

    def get(self, key: Hashable) -> Value | None:
        """The value, which counts as used; None where it is not there."""
        with self._lock:
            found = self._kept.get(key)
            if found is None:
                return None
            self._kept.move_to_end(key)
            return found[0]

    def put(self, key: Hashable, value: Value, size: int) -> None:
        """Keeps a value; the newest stays even where it alone is larger than all that may be kept."""
        with self._lock:
            if key in self._kept:
                self.size -= self._kept.pop(key)[1]
            self._kept[key] = value, size
            self.size += size
            while self.size > self._most and len(self._kept) > 1:
                _, (_, gone) = self._kept.popitem(last=False)
                self.size -= gone

    def __len__(self) -> int:
        return len(self._kept)


def drawing_bytes(drawing: Drawing) -> int:
    """About how much memory a drawing takes."""
    solids = sum(mesh.triangles.nbytes for mesh in drawing.meshes)
    return curve_bytes(drawing.curves) + sum(map(_note_bytes, drawing.annotations)) + solids


def state_bytes(state: State, before: State) -> int:
    """About how much memory a state takes beside the one that it was made of: what both have costs nothing."""
    shared = {id(c) for c in before.curves()}
    shared.update(id(x.curve) for x in before.excluded)
    own = curve_bytes(c for c in state.curves() if id(c) not in shared)
    # Each sketch is a row of references of its own.
    parts = sum(p.bytes_beside(before.part(type(p))) for p in state.parts)
    return 1000 + own + parts + 8 * sum(len(s.curves) for s in state.sketches)


def curve_bytes(curves: Iterable[Curve]) -> int:
    """About how much memory curves take."""
    return sum(_OF_CURVE + _OF_POINT * _points(c.shape) for c in curves)


def _points(shape: Shape) -> int:
    if isinstance(shape, Polyline):
        return len(shape.vertices)
    return len(shape.control_points) if isinstance(shape, Spline) else 0


def _note_bytes(note: Annotation) -> int:
    if isinstance(note, Picture):
        return _OF_NOTE + len(note.data)
    if isinstance(note, Hatch):
        return _OF_NOTE + sum(_OF_CURVE + _OF_POINT * _points(s) for loop in note.loops for s in loop)
    return _OF_NOTE + (_OF_CURVE * len(note.strokes) if isinstance(note, Dimension | Leader) else 0)
