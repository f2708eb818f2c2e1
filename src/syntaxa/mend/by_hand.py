"""Steps that draw and change geometry by hand, each with typed values: what cannot be done says why in a sentence.

New curves get ids that say what made them; a curve that is cut becomes id.1, id.2. Offset copies and fillets lie in
the sketch of the curves that they come from. A locked sketch or curve is not changed.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import ClassVar

import numpy as np

from syntaxa.drawing.codec import PlainShape, decoded
from syntaxa.drawing.descent import Descent
from syntaxa.drawing.editing import Editing, names_of, refuse_locked
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Entry, Purpose, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import MendError
from syntaxa.geometry.construct import chamfered, extended, filleted, offset_run, parameter_of, part_of, trimmed
from syntaxa.geometry.images import farthest_move
from syntaxa.geometry.points import Point
from syntaxa.geometry.rows import pieces_of_rows, shape_of_rows
from syntaxa.geometry.runs import rows_of
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import HAIR, ROUNDING
from syntaxa.geometry.transform import Transform
from syntaxa.mend.base import MendStep
from syntaxa.mend.chains import chains_of
from syntaxa.mend.deviation import deviation

#: mm; how near the arcs of a spline or an ellipse stay to it when it becomes part of a run.
JOIN_FIT = 1e-3

#: Name of the sketch that construction lines go to.
CONSTRUCTION = "Construction"


class DrawCurves(MendStep, frozen=True, tag="draw-curves", omit_defaults=True):
    """Adds shapes (mm) to a sketch; as construction they help drawing and are never made.

    what   what the ledger calls them
    """

    shapes: tuple[PlainShape, ...]
    sketch: str
    what: str = "a curve"
    construction: bool = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Draw {self.what}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing that was there changes."""
        try:
            shapes = [decoded(s) for s in self.shapes]
        except ValueError:
            raise MendError("What was to be drawn cannot be read.", suggestion="Draw it again.") from None
        if any(s.length <= ROUNDING for s in shapes):
            raise MendError("What was to be drawn has no length.", suggestion="Take points that lie apart.")
        name = CONSTRUCTION if self.construction else self.sketch
        names, editing = names_of(state), Editing(state)
        new = [Curve(names.numbered("drawn"), s, name) for s in shapes]
        purpose: Purpose = "construction" if self.construction else "profile"
        editing.put(name, new, Sketch(name, 0x7A7A7A if self.construction else 0, (), purpose))
        return editing.done(), Entry(len(new), says="Nothing that was there changes.")


class MapCurves(MendStep, frozen=True, tag="map-curves", omit_defaults=True):
    """Moves, turns, scales or mirrors curves by (x, y) to (a x + c y + e, b x + d y + f), or a row of copies of them.

    copies   how many times a copy is put down, each mapped from the one before; 0 maps the curves themselves
    """

    ids: tuple[str, ...]
    by: tuple[float, float, float, float, float, float]
    what: str
    copies: int = 0

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return self.what

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Curves that are locked stay where they are."""
        move = Transform(*self.by)
        if not move.scale > ROUNDING:
            raise MendError("That would leave nothing of the curves.", suggestion="Use a factor above 0.")
        if not 0 <= self.copies <= 10_000:
            raise MendError("That many copies cannot be made.", suggestion="Ask for at most 10,000.")
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        if self.copies:
            return self._copied(state, wanted, missing, move)
        editing = Editing(state)
        differ = editing.change(wanted, lambda c: replace(c, shape=c.shape.transformed(move)))
        moved = [farthest_move(before.shape, move) for before, _ in differ]
        mean = sum(moved) / max(len(moved), 1)
        says = editing.held_told.strip()
        return editing.done(), Entry(len(differ), max(moved, default=0.0), mean, says=says, missing=missing)

    def _copied(self, state: State, wanted: set[str], missing: tuple[str, ...], move: Transform) -> tuple[State, Entry]:
        names, editing, count = names_of(state), Editing(state), 0
        for sketch in state.sketches:
            last = [c for c in sketch.curves if c.id in wanted]
            origin = [c.id for c in last]
            new: list[Curve] = []
            for _ in range(self.copies):
                last = [
                    c.copied(names.numbered(f"{name}-copy"), c.shape.transformed(move))
                    for c, name in zip(last, origin, strict=True)
                ]
                new += last
            count += len(new)
            editing.put(sketch.name, new)
        return editing.done(), Entry(count, missing=missing)


class CutCurve(MendStep, frozen=True, tag="cut-curve"):
    """Trims a curve at a point (mm), draws it on from its nearer end, or splits it there.

    way   "trim" takes out the part between what meets it in its sketch, "extend" goes on to the next curve, "split"
    """

    id: str
    x: float
    y: float
    way: str

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{self.way.capitalize()} #{self.id}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Works on lines, arcs and circles; on the piece of a polyline that is nearest, the rest stays."""
        found = _curve(state, self.id)
        if found is None:
            return state, Entry(0, missing=(self.id,))
        sketch, curve = found
        refuse_locked(sketch, curve)
        at = Point(self.x, self.y)
        others = [c.shape for c in sketch.curves if c is not curve]
        parts = _cut(curve.shape, others, at, self.way)
        if parts is None:
            raise MendError(_WHY_NOT[self.way].format(self.id), suggestion="Draw or choose what it is to meet.")
        names = names_of(state).pieces(curve.id, len(parts))
        new = curve.pieces(names, parts) if self.way != "extend" else [curve.piece(names[0], parts[0])]
        before, after = curve.shape.length, sum(s.length for s in parts)
        gone = max(before - after, 0.0)
        return _exchanged(state, sketch, [curve], new), Entry(1, dropped_mm=gone if self.way == "trim" else 0.0)


class RoundCorner(MendStep, frozen=True, tag="round-corner"):
    """Rounds the corner of two lines or arcs with a radius (mm), or cuts it off at a setback (mm)."""

    ids: tuple[str, str]
    size: float
    way: str

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"{'Fillet' if self.way == 'fillet' else 'Chamfer'} {self.size:g} mm"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """The new piece lies in the sketch of the first."""
        pair = [_curve(state, name) for name in self.ids]
        missing = tuple(name for name, found in zip(self.ids, pair, strict=True) if found is None)
        if missing or pair[0] is None or pair[1] is None:
            return state, Entry(0, missing=missing)
        (sketch, one), (other, two) = pair[0], pair[1]
        if sketch.name != other.name:
            raise MendError(f"#{one.id} and #{two.id} lie in two sketches.", suggestion="Move them into one.")
        refuse_locked(sketch, one, two)
        a, b = one.shape, two.shape
        if not isinstance(a, Line | Arc) or not isinstance(b, Line | Arc) or not self.size > 0:
            raise MendError("Only the corner of two lines or arcs can be rounded.", suggestion="Choose two of them.")
        made = filleted(a, b, self.size) if self.way == "fillet" else chamfered(a, b, self.size)
        if made is None:
            raise MendError(
                f"{self.size:g} mm do not fit between #{one.id} and #{two.id}.", suggestion="Use a smaller one."
            )
        between = replace(one.copied(names_of(state).numbered(self.way), made[1]), group=one.group)
        new = [replace(one, shape=made[0]), between, replace(two, shape=made[2])]
        gone = a.length + b.length - made[0].length - made[2].length
        return _exchanged(state, sketch, [one, two], new), Entry(1, dropped_mm=max(gone, 0.0))


class OffsetCurves(MendStep, frozen=True, tag="offset-curves", omit_defaults=True):
    """Copies of chains of curves at a distance (mm): outwards from closed ones, to the left of open ones.

    both   copies on both sides
    """

    ids: tuple[str, ...]
    distance: float
    both: bool = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Offset {self.distance:g} mm{', both sides' if self.both else ''}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Connected curves go as one chain, with sharp corners; the copy lies in the sketch of the chain."""
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        names, editing, count, failed = names_of(state), Editing(state), 0, 0
        for sketch in state.sketches:
            new: list[Curve] = []
            chosen = [c for c in sketch.curves if c.id in wanted]
            for chain in chains_of(chosen):
                for distance in (self.distance, -self.distance) if self.both else (self.distance,):
                    shape = _offset(chain.rows, chain.closed, distance)
                    if shape is None:
                        failed += 1
                        continue
                    new.append(chain.lead.copied(names.numbered(f"{chain.lead.id}-offset"), shape))
            count += len(new)
            editing.put(sketch.name, new)
        if failed and not count:
            raise MendError(f"Nothing is left at {self.distance:g} mm.", suggestion="Use a smaller distance.")
        says = f"{failed} chains leave nothing at that distance." if failed else ""
        return editing.done(), Entry(count, says=says, missing=missing)


class JoinCurves(MendStep, frozen=True, tag="join-curves"):
    """Makes one curve of each chain of curves that meet end to end."""

    ids: tuple[str, ...]
    title: ClassVar[str] = "Join curves"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No end moves; each has the id, layer and roles of its first. Splines and ellipses go in as tangent arcs."""
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        editing = Editing(state)
        joined, bent = 0, 0
        off: list[float] = []
        for sketch in state.sketches:
            chosen = [c for c in sketch.curves if c.id in wanted and editing.is_free(sketch, c)]
            for chain in chains_of(chosen, JOIN_FIT):
                if len(chain.curves) < 2:
                    continue
                joined += len(chain.curves)
                roles = tuple(sorted({role for c in chain.curves for role in c.roles}))
                whole = replace(chain.lead, shape=_run_shape(chain.rows, chain.closed), roles=roles)
                editing.exchange(sketch.name, chain.curves, [whole])
                smooth = sum(isinstance(c.shape, Spline | EllipseArc) for c in chain.curves)
                bent += smooth
                if smooth:
                    off.append(deviation(chain.curves, [whole], JOIN_FIT / 10).largest)
        if not joined:
            raise MendError("No two of these curves meet end to end.", suggestion="Close the gap between them first.")
        says = f"{joined} curves joined.{editing.held_told}"
        if bent:
            became = "1 spline or ellipse" if bent == 1 else f"{bent} splines and ellipses"
            says += f" {became} became tangent arcs, within {max(off):.2g} mm."
        mean = sum(off) / len(off) if off else 0.0
        return editing.done(), Entry(joined, max(off, default=0.0), mean, says=says, missing=missing)


class LockCurves(MendStep, frozen=True, tag="lock-curves", omit_defaults=True):
    """Locks curves, so that nothing moves or drops them, or unlocks them."""

    ids: tuple[str, ...]
    locked: bool = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        things = "1 curve" if len(self.ids) == 1 else f"{len(self.ids)} curves"
        return f"{'Lock' if self.locked else 'Unlock'} {things}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No curve moves."""
        wanted, missing = Descent(state.curves()).resolved(self.ids)
        editing = Editing(state)
        count = editing.mark(wanted, lambda c: replace(c, locked=self.locked))
        return editing.done(), Entry(count, says="No curve moves.", missing=missing)


_WHY_NOT = {
    "trim": "Nothing in its sketch meets #{}, so there is no part to take out.",
    "extend": "#{} meets no curve of its sketch if it goes on there.",
    "split": "#{} cannot be split there.",
}


def _cut(shape: Shape, others: Sequence[Shape], at: Point, way: str) -> list[Shape] | None:
    if isinstance(shape, Polyline):
        return _cut_polyline(shape, others, at, way)
    if not isinstance(shape, Line | Arc | Circle):
        raise MendError("Ellipses and splines cannot be cut by hand.", suggestion="Make arcs of them first.")
    if way == "trim":
        parts = trimmed(shape, others, at)
        return None if parts is None else list(parts)
    if way == "extend":
        longer = None if isinstance(shape, Circle) else extended(shape, others, at)
        return None if longer is None else [longer]
    return _split(shape, at)


def _split(shape: Line | Arc | Circle, at: Point) -> list[Shape] | None:
    share = parameter_of(shape, at)
    if isinstance(shape, Circle):
        return [part_of(shape, share, share + 0.5), part_of(shape, share + 0.5, share + 1.0)]
    return [part_of(shape, 0.0, share), part_of(shape, share, 1.0)] if ROUNDING < share < 1 - ROUNDING else None


def _cut_polyline(shape: Polyline, others: Sequence[Shape], at: Point, way: str) -> list[Shape] | None:
    """The piece nearest to the point is cut; what lies before it and behind it stays together."""
    pieces = list(shape.segments())

    def away(piece: Line | Arc) -> float:
        share = min(max(parameter_of(piece, at), 0.0), 1.0)
        return part_of(piece, 0.0, share).end.distance_to(at) if share > HAIR else piece.start.distance_to(at)

    k = min(range(len(pieces)), key=lambda i: away(pieces[i]))
    rest: list[Shape] = [p for i, p in enumerate(pieces) if i != k]
    cut = _cut(pieces[k], [*others, *(p for p in rest if not _touch(p, pieces[k]))], at, way)
    if cut is None:
        return None
    if shape.closed:
        run = [*pieces[k + 1 :], *pieces[:k]]
        if way == "extend":
            return None
        chains = [[*run]] if not cut else _around(cut, run)
    else:
        chains = _through(pieces[:k], cut, pieces[k + 1 :])
    return [_joined(c) for c in chains if c]


def _touch(one: Shape, two: Shape) -> bool:
    return any(a.distance_to(b) <= ROUNDING for a in (one.start, one.end) for b in (two.start, two.end))


def _around(cut: Sequence[Shape], run: list[Line | Arc]) -> list[list[Shape]]:
    """A closed run opened at a piece: what is left of it goes to the ends of the rest."""
    first, last = cut[0], cut[-1]
    before = [first] if run and first.start.distance_to(run[-1].end) <= ROUNDING else []
    after = (
        [last] if run and last.end.distance_to(run[0].start) <= ROUNDING and (last is not first or not before) else []
    )
    middle = [[c] for c in cut if c not in before and c not in after]
    return [[*after, *run, *before], *middle]


def _through(before: list[Line | Arc], cut: Sequence[Shape], after: list[Line | Arc]) -> list[list[Shape]]:
    head: list[Shape] = list(before)
    tail: list[Shape] = list(after)
    loose = list(cut)
    if loose and head and loose[0].start.distance_to(head[-1].end) <= ROUNDING:
        head.append(loose.pop(0))
    if loose and tail and loose[-1].end.distance_to(tail[0].start) <= ROUNDING:
        tail.insert(0, loose.pop())
    return [head, *([c] for c in loose), tail]


def _joined(chain: Sequence[Shape]) -> Shape:
    if len(chain) == 1:
        return chain[0]
    rows = [row for s in chain for row in rows_of(s, 1e-4)]
    return _run_shape(rows, False)


def _run_shape(rows: Sequence[tuple[float, float, float, float, float]], closed: bool) -> Shape:
    vertices = tuple(Point(r[0], r[1]) for r in rows)
    bulges = tuple(float(r[4]) for r in rows)
    if closed:
        return Polyline(vertices, bulges, True)
    return Polyline((*vertices, Point(rows[-1][2], rows[-1][3])), (*bulges, 0.0), False)


def _offset(rows: Sequence[tuple[float, float, float, float, float]], closed: bool, distance: float) -> Shape | None:
    table = np.array([(r[0], r[1], r[4]) for r in rows])
    if closed:
        # Outwards is to the right of a loop that runs counter-clockwise.
        distance = -distance if float(pieces_of_rows(table, True).signed_areas().sum()) > 0 else distance
    moved = offset_run(rows, closed, distance)
    if moved is None:
        return None
    whole = np.array([(r[0], r[1], r[4]) for r in moved])
    if not closed:
        whole = np.vstack([whole, [moved[-1][2], moved[-1][3], 0.0]])
    return shape_of_rows(whole, closed)


def _curve(state: State, name: str) -> tuple[Sketch, Curve] | None:
    found = ((s, c) for s in state.sketches for c in s.curves if c.id == name)
    return next(found, None)


def _exchanged(state: State, sketch: Sketch, old: Sequence[Curve], new: Sequence[Curve]) -> State:
    """The new curves where the first of the old ones was."""
    editing = Editing(state)
    editing.exchange(sketch.name, old, new)
    return editing.done()
