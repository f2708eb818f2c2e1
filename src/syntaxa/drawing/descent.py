"""What became of a curve, of an end of it, of a region: the one place that answers.

A step that names something is done again after earlier steps were changed, or on a new revision of the drawing. So it
does not name what it sees but where that comes from: a curve by its root, the curve of the received drawing or of the
step that drew it; a place by a root and a feature of it; a region by the roots that bound it and a point inside. What
cannot be followed is told in a sentence, never guessed.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Literal, Protocol, TypeVar

from syntaxa.drawing.model import Curve
from syntaxa.errors import GoneError
from syntaxa.geometry.points import Point, polar
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline

#: A place on a curve, or the whole of it.
Feature = Literal["whole", "start", "end", "centre", "middle", "vertex"]

#: mm; centres of pieces of one circle agree as far as they were computed.
_SAME_PLACE = 1e-6

#: Share of the bounds that a region must have in common with the one that was named, to be what became of it.
_ENOUGH = 0.5


@dataclass(frozen=True, slots=True)
class CurveRef:
    """A curve, or a place on it: the id of its root, a feature, and for "vertex" its number from 0."""

    root: str
    feature: Feature = "whole"
    vertex: int = 0

    def __str__(self) -> str:
        if self.feature == "whole":
            return f"#{self.root}"
        what = f"vertex {self.vertex + 1}" if self.feature == "vertex" else self.feature
        return f"the {what} of #{self.root}"


@dataclass(frozen=True, slots=True)
class RegionRef:
    """A region: its sketch, the roots that bound it (holes included, in order), and a point inside (mm)."""

    sketch: str
    bounds: tuple[str, ...]
    inside: Point


class Face(Protocol):
    """A region as the present survey has it."""

    @property
    def sketch(self) -> str:
        """The sketch that it lies in."""

    @property
    def curves(self) -> tuple[str, ...]:
        """Ids of the curves that bound it."""

    @property
    def inside(self) -> tuple[float, float]:
        """A point in it."""

    def contains(self, x: float, y: float) -> bool:
        """Whether a point lies in it."""


AnyFace = TypeVar("AnyFace", bound=Face)


class Descent:
    """Follows what was named through what became of some curves."""

    def __init__(self, curves: Iterable[Curve]) -> None:
        self._pieces: dict[str, list[Curve]] = {}
        self._by_id: dict[str, Curve] = {}
        for curve in curves:
            self._by_id[curve.id] = curve
            for name in curve.names:
                self._pieces.setdefault(name, []).append(curve)

    def pieces(self, name: str) -> tuple[Curve, ...]:
        """What there is of a curve that once had this id: itself, or what it was cut into; empty where it is gone."""
        return tuple(self._pieces.get(name, ()))

    def resolved(self, names: Iterable[str]) -> tuple[set[str], tuple[str, ...]]:
        """The ids of what there is of some curves, and which of them are gone."""
        found: set[str] = set()
        missing = []
        for name in names:
            pieces = self._pieces.get(name)
            if name in self._by_id:
                found.add(name)
            elif pieces:
                found.update(c.id for c in pieces)
            else:
                missing.append(name)
        return found, tuple(missing)

    # ------------------------------------------------------------------ places

    def named(self, curve_id: str, feature: Feature = "whole", vertex: int = 0) -> CurveRef:
        """The lasting name of a place on a curve that is there; raises GoneError where the place is no root's.

        A place that came by a cut belongs to no root: it lies where another curve crosses, and is gone with that.
        """
        curve = self._by_id.get(curve_id)
        if curve is None:
            raise GoneError(f"There is no curve #{curve_id}.", curve=curve_id)
        made = CurveRef(curve.root, feature, vertex)
        if feature in ("start", "end") and not curve.holds[feature == "end"]:
            raise GoneError(
                f"#{curve_id} was cut there, so the place has no name of its own.",
                curve=curve_id,
                suggestion="Name it by the curve that crosses there.",
            )
        self.point(made)
        return made

    def point(self, ref: CurveRef) -> Point:
        """Where a place is by now (mm); raises GoneError where it cannot be said."""
        pieces = self._pieces.get(ref.root)
        if not pieces:
            raise _gone(ref, "the curve is no longer there")
        if ref.feature in ("start", "end"):
            return self._end(ref, pieces)
        if ref.feature == "centre":
            return _centre(ref, pieces)
        if len(pieces) > 1:
            raise _gone(ref, f"the curve was cut into {len(pieces)}")
        return _on_whole(ref, pieces[0])

    def _end(self, ref: CurveRef, pieces: Sequence[Curve]) -> Point:
        at_end = ref.feature == "end"
        having = [c for c in pieces if c.holds[at_end]]
        if len(having) != 1:
            raise _gone(ref, "that end was taken away" if not having else "several pieces claim it")
        shape = having[0].shape
        return shape.end if at_end else shape.start

    # ------------------------------------------------------------------ regions

    def region_named(self, face: Face) -> RegionRef:
        """The lasting name of a region that is there."""
        return RegionRef(face.sketch, self._bounds(face), Point(*face.inside))

    def region(self, ref: RegionRef, faces: Iterable[AnyFace]) -> AnyFace:
        """The region that a named one has become; raises GoneError where there is none or it is in doubt.

        The one that lies round the point and has the same bounds; else the one round the point that has most of them;
        else, where everything was moved, the only one with the very same bounds.
        """
        there = [f for f in faces if f.sketch == ref.sketch] or list(faces)
        wanted = set(ref.bounds)
        likeness = [(f, _likeness(wanted, set(self._bounds(f)))) for f in there]
        around = [(f, share) for f, share in likeness if share >= _ENOUGH and f.contains(ref.inside.x, ref.inside.y)]
        if around:
            return max(around, key=lambda pair: pair[1])[0]
        same = [f for f, share in likeness if share == 1.0]
        if len(same) == 1:
            return same[0]
        why = f"{len(same)} regions have its outline" if same else "nothing closed lies there with that outline"
        raise GoneError(f"A region of {ref.sketch} is no longer there: {why}.", suggestion="Choose it again.")

    def _bounds(self, face: Face) -> tuple[str, ...]:
        return tuple(sorted({self._by_id[c].root if c in self._by_id else c for c in face.curves}))


def _likeness(one: set[str], other: set[str]) -> float:
    """Share of what two sets have in common, 0 to 1 (Jaccard 1901)."""
    return len(one & other) / len(one | other) if one or other else 1.0


def _centre(ref: CurveRef, pieces: Sequence[Curve]) -> Point:
    centres = [c.shape.centre for c in pieces if isinstance(c.shape, Arc | Circle | EllipseArc)]
    if len(centres) < len(pieces) or any(p.distance_to(centres[0]) > _SAME_PLACE for p in centres):
        raise _gone(ref, "its pieces have no centre in common" if len(pieces) > 1 else "the curve has no centre")
    return centres[0]


def _on_whole(ref: CurveRef, curve: Curve) -> Point:
    shape = curve.shape
    if ref.feature == "vertex":
        if curve.id != curve.root or not isinstance(shape, Polyline) or not 0 <= ref.vertex < len(shape.vertices):
            raise _gone(ref, "the curve has no such vertex any more")
        return shape.vertices[ref.vertex]
    if not all(curve.holds):
        raise _gone(ref, "a part of the curve was taken away")
    if isinstance(shape, Line):
        return shape.start.toward(shape.end, 0.5)
    if isinstance(shape, Arc):
        return polar(shape.centre, shape.radius, shape.start_angle + shape.sweep / 2)
    raise _gone(ref, "only lines and arcs have a middle")


def _gone(ref: CurveRef, why: str) -> GoneError:
    return GoneError(f"{str(ref)[0].upper()}{str(ref)[1:]} cannot be found: {why}.", curve=ref.root)
