"""Steps that give curves another form within a stated tolerance, on request: nothing here is done with the mending.

What a step would do can be looked at before it is done: `apply` gives its ledger entry, and changes nothing by itself.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import ClassVar

import numpy as np

from syntaxa.drawing.editing import Editing
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import MendError
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import EllipseArc, Spline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.base import MendStep
from syntaxa.mend.deviation import deviation
from syntaxa.mend.kinks import kinks
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.simplify import every_second, simplified, within
from syntaxa.mend.squaring import concentric, levelled, made_equal
from syntaxa.mend.vertices import Vertices


@dataclass(frozen=True, slots=True)
class _Change:
    """What comes anew by id, what goes, and how far each change reaches (mm)."""

    anew: Mapping[str, Curve]
    gone: frozenset[str] = frozenset()
    off: Sequence[float] = ()


class ArcsForCurves(MendStep, frozen=True, tag="arcs-for-curves", omit_defaults=True):
    """Makes tangent arcs of splines and ellipses.

    within  mm, how far they may lie off
    """

    within: float = 0.01
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Splines to arcs, within {self.within:g} mm"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Ends stay where they are; what has another form already is left."""
        _positive(self.within)
        arcs = 0

        def change(sketch: Sketch) -> _Change:
            nonlocal arcs
            old = [c for c in sketch.curves if isinstance(c.shape, Spline | EllipseArc) and not c.locked]
            anew = {}
            for curve in old:
                rows = rows_of(curve.shape, self.within)
                arcs += len(rows)
                table = [(*row[:2], row[4]) for row in rows]
                if not curve.shape.is_closed:
                    table.append((*rows[-1][2:4], 0.0))
                anew[curve.id] = replace(curve, shape=shape_of_rows(np.array(table), curve.shape.is_closed))
            far = deviation(old, list(anew.values()), self.within / 10) if old else None
            return _Change(anew, off=[max(self.within, far.largest)] if far is not None else [])

        after, entry = _each(state, change)
        says = f"{entry.changed} curves became {arcs} arcs." if entry.changed else "There are no splines or ellipses."
        return after, replace(entry, says=says)


class RunOnTangent(MendStep, frozen=True, tag="run-on-tangent", omit_defaults=True):
    """Makes missed tangents true: roundings between two lines anew, other arcs bent.

    within  mm, how far anything may move
    """

    within: float = 0.05
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Tangents made true, within {self.within:g} mm"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """A kink that would need more is left."""
        _positive(self.within)

        def change(sketch: Sketch) -> _Change:
            vertices = _vertices(sketch)
            found = [k for k in kinks(vertices) if k.cost <= self.within]
            places = {at: place for kink in found for at, place in kink.places.items()}
            bulges = {piece: bulge for kink in found for piece, bulge in kink.bulges.items()}
            return _Change(vertices.moved(places, bulges) if found else {}, off=[k.cost for k in found])

        after, entry = _each(state, change)
        return after, replace(entry, says=_told(entry, "No missed tangent was found within this."))


class SquareUp(MendStep, frozen=True, tag="square-up", omit_defaults=True):
    """Makes exact what is nearly so.

    within  mm, how far anything may move
    level   lines nearly horizontal or vertical; alike  circles of nearly one radius; concentric  nearly one centre
    """

    within: float = 0.01
    level: bool = True
    alike: bool = True
    concentric: bool = True
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Square up, within {self.within:g} mm"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Locked curves stay, and what meets them with them."""
        _positive(self.within)
        kinds: list[tuple[bool, Callable[[Sketch], tuple[dict[str, Curve], list[float]]]]] = [
            (self.level, lambda s: levelled(_vertices(s), self.within)),
            (self.concentric, lambda s: concentric(s.curves, self.within)),
            (self.alike, lambda s: made_equal(s.curves, self.within)),
        ]

        def change(sketch: Sketch) -> _Change:
            total: dict[str, Curve] = {}
            off: list[float] = []
            for _, work in (kind for kind in kinds if kind[0]):
                anew, far = work(sketch)
                sketch = replace(sketch, curves=tuple(anew.get(c.id, c) for c in sketch.curves))
                total |= anew
                off += far
            return _Change(total, off=off)

        after, entry = _each(state, change)
        return after, replace(entry, says=_told(entry, "Nothing is off by that little."))


class Simplify(MendStep, frozen=True, tag="simplify", omit_defaults=True):
    """Fewer segments in straight runs.

    within   mm, how far the result may lie off; None leaves out every second vertex, whatever that comes to
    """

    within: float | None = 0.01
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return "Every second vertex out" if self.within is None else f"Simplify, within {self.within:g} mm"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Arcs of one circle that meet end to end are joined; vertices where something else meets stay."""
        if self.within is not None:
            _positive(self.within)
        before = after = 0

        def change(sketch: Sketch) -> _Change:
            nonlocal before, after
            choose = every_second if self.within is None else within(self.within)
            fewer = simplified(sketch.curves, choose, Tolerances().merge)
            before, after = before + fewer.before, after + fewer.after
            return _Change(fewer.anew, fewer.gone, [fewer.deviation] if fewer.anew else [])

        state, entry = _each(state, change)
        says = f"{before} vertices and arcs became {after}." if before > after else "No vertex can go."
        return state, replace(entry, says=says)


def _each(state: State, change: Callable[[Sketch], _Change]) -> tuple[State, Entry]:
    """The change made in all sketches that are to be made and not locked, with its figures."""
    editing = Editing(state)
    count = 0
    off: list[float] = []
    for sketch in state.sketches:
        if sketch.purpose != "profile" or sketch.locked:
            continue
        done = change(sketch)
        count += len(done.anew)
        off += done.off
        if done.anew:
            editing.rewrite(sketch.name, [done.anew.get(c.id, c) for c in sketch.curves if c.id not in done.gone])
    mean = sum(off) / len(off) if off else 0.0
    return editing.done(), Entry(count, max(off, default=0.0), mean)


def _vertices(sketch: Sketch) -> Vertices:
    plain = Tolerances()
    return Vertices(sketch.curves, pieces_of(sketch.curves, plain.fit), plain.merge)


def _told(entry: Entry, nothing: str) -> str:
    if not entry.changed:
        return nothing
    return f"{entry.changed} curve{'s' if entry.changed > 1 else ''} became exact."


def _positive(length: float) -> None:
    if not 0 < length < 1e6:
        raise MendError("This needs a tolerance above 0.", suggestion="Type a length in mm.")
