"""What a program must reach and does not: along outlines, in areas, on lines and in holes."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from syntaxa.cut.bench.reach import Stretches, stretches_of
from syntaxa.cut.bench.target import Target, Wanted
from syntaxa.cut.bench.track import Track
from syntaxa.cut.bench.verdict import Found, FoundKind
from syntaxa.cut.offsets.chains import Chains, area_of
from syntaxa.cut.offsets.differences import area_beyond
from syntaxa.cut.offsets.offsetting import Parallel, offset, swept
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex
from syntaxa.geometry.intersect import candidates_between
from syntaxa.geometry.nearest import points_beside
from syntaxa.geometry.rows import pieces_of_rows, reversed_rows
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.watching import still_wanted

#: mm by which heights are taken for one; mm2 that is no area.
_LEVEL, _NO_AREA = 1e-4, 1e-6

#: mm; what an outline lies beyond what is swept by no more than rounding.
_HAIR = 2e-7

#: Lines and arcs at a corner; what else is not reached has a bottom or a wall of its own.
_SIDES = 2

#: mm beyond what is swept at which an outline is only said not to be reached.
_MARGIN = 0.5


class Reaching:
    """Compares the cuts of a program with what is wanted; deviation, place and area are there once `found` was gone
    through.
    """

    def __init__(
        self, target: Target, track: Track, cutting: Bools, radius: Floats, flat: bool, tolerance: float
    ) -> None:
        self.target, self.track, self.flat, self.tolerance = target, track, flat, tolerance
        self._cutting, self._radius = cutting, radius
        # A square corner is left by less than half a radius.
        self._margin = max(_MARGIN, float(radius.max(initial=0.0)))
        self.deviation, self.left = 0.0, 0.0
        self.where: tuple[float, float] | None = None
        self._done: dict[int, tuple[int, int]] = {}

    def found(self) -> Iterator[Found]:
        """Everything that is not as it is wanted."""
        sides: dict[float, list[int]] = {}
        for n, wanted in enumerate(self.target.wanted):
            if wanted.kind == "side":
                sides.setdefault(wanted.floor, []).append(n)
        for floor, numbers in sides.items():
            still_wanted()
            yield from self._sides(floor, numbers)
        for n, wanted in enumerate(self.target.wanted):
            still_wanted()
            if wanted.kind == "area":
                yield from self._area(wanted)
            elif wanted.kind in ("line", "hole"):
                yield from self._line(n, wanted)
        yield from self._loose()

    # ------------------------------------------------------------------ outlines

    def _at_floor(self, floor: float, slack: float = 0.0) -> Ints:
        """The cuts that go down to a floor (mm)."""
        if self.flat:
            return np.flatnonzero(self._cutting)
        return np.flatnonzero(self._cutting & (self.track.high <= floor + _LEVEL + slack))

    def _sides(self, floor: float, numbers: list[int]) -> Iterator[Found]:
        """Outlines that are wanted at one floor, all together."""
        parts = [pieces_of_rows(self.target.wanted[n].rows, True) for n in numbers]
        outline = CurveArray.joined(parts)
        of = np.repeat(np.array(numbers), [len(p) for p in parts])
        own = self._at_floor(floor)
        more = np.array([self.target.wanted[n].allowance for n in numbers])
        stretches = stretches_of(
            outline, self.track.pieces.take(own), self._radius[own], self._margin + float(more.max(initial=0.0))
        )
        allowance = np.array([self.target.wanted[int(n)].allowance for n in of])[stretches.piece]
        excess = stretches.excess - allowance
        # What the best path of the same tool leaves as well is no fault of the program.
        net = excess.copy()
        short = np.flatnonzero(excess > _HAIR)
        if len(short):
            best = self._left_by_the_best(stretches.take(short), of[stretches.piece[short]], own)
            reached = np.isfinite(best)
            net[short] = np.where(reached, excess[short] - np.where(reached, best, 0.0), 0.0)
        beyond = np.flatnonzero(excess > self.tolerance)
        held = np.zeros(len(excess), dtype=bool)
        if len(beyond):
            held[beyond] = self._is_tab(stretches.take(beyond), of[stretches.piece[beyond]])
        corner = ~held & (excess > self.tolerance) & (net <= self.tolerance)
        self._note(stretches, np.where(held, -np.inf, net))
        self._remember(outline, of, own)
        yield from self._told(stretches, excess, of, beyond, corner, held, 2 * _smallest(self._radius[own]))
        for n in numbers:
            yield from self._tabs(self.target.wanted[n])

    def _note(self, stretches: Stretches, excess: Floats) -> None:
        """Keeps the greatest deviation and its place."""
        if not len(excess):
            return
        worst = int(excess.argmax())
        size = min(float(excess[worst]), self._margin)
        if size > self.deviation or self.where is None:
            self.deviation = max(size, 0.0)
            x, y = stretches.places()[worst].tolist()
            self.where = (x, y)

    def _told(
        self, stretches: Stretches, excess: Floats, of: Ints, beyond: Ints, corner: Bools, held: Bools, across: float
    ) -> Iterator[Found]:
        """One finding for each run of stretches that follow each other; `across` is the smallest tool's diameter."""
        lengths, middles, ends = stretches.lengths, stretches.places(), stretches.places(1.0)
        for run in _runs(beyond, corner, of[stretches.piece]):
            length = float(lengths[run].sum())
            if held[run].all():
                continue
            worst = int(run[excess[run].argmax()])
            if not corner[worst] and length <= _LEVEL:
                continue
            wanted = self.target.wanted[int(of[stretches.piece[run[0]]])]
            kind, says = self._says(stretches, run, length, float(excess[worst]), across, corner=bool(corner[worst]))
            # A corner lies between what is left on its two sides.
            if kind == "corner" and len(run) > 1:
                x, y = ends[run[len(run) // 2 - 1]].tolist()
            else:
                x, y = middles[worst].tolist()
            yield Found(kind, 0, (x, y, wanted.floor), length, f"{wanted.name}: {says}")

    def _says(
        self, stretches: Stretches, run: Ints, length: float, excess: float, across: float, *, corner: bool
    ) -> tuple[FoundKind, str]:
        """What is to be said of a run of stretches that is not reached: by the program, or (corner) by no program."""
        if not corner:
            far = f"by {excess:.3g} mm" if np.isfinite(excess) else "at all"
            return "not reached", f"{length:.4g} mm of the outline are not reached {far}."
        if excess <= _deep(across / 2):
            return "corner", self._corner_says(stretches, run)
        if len(np.unique(stretches.piece[run])) > _SIDES:
            return "narrow", f"a place is too narrow for Ø {across:.4g} mm; {length:.4g} mm of its outline stay."
        return "corner", f"a corner is too sharp for Ø {across:.4g} mm; {length:.4g} mm of its outline stay."

    def _corner_says(self, stretches: Stretches, run: Ints) -> str:
        worst = run[[int(stretches.excess[run].argmax())]]
        piece = stretches.outline.take(stretches.piece[worst])
        across = 2 * float(piece.radius[0])
        if piece.is_arc[0] and across <= 2 * float(self._radius.max(initial=0.0)):
            return (
                f"a corner of radius {across / 2:.4g} mm is too small for the tool; one of Ø {across:.4g} mm would do."
            )
        return "a sharp corner is left round; no round tool reaches it, a relief there would do."

    def _left_by_the_best(self, stretches: Stretches, of: Ints, own: Ints) -> Floats:
        """How far each stretch lies beyond what the best path of these tools sweeps, at least 0 (mm); infinite: not
        at all.

        The best path is the exact offset of the outlines themselves.
        """
        radii = np.unique(self._radius[own]) if len(own) else np.zeros(0)
        best = np.full(len(stretches.piece), np.inf)
        loops = [self.target.wanted[int(n)].rows for n in np.unique(of)]
        left = []
        for r in radii[radii > 0].tolist():
            found = offset(Chains.of([reversed_rows(rows) for rows in loops], list(range(len(loops)))), r)
            left.append(_left_round(loops, found, r))
            if not found.loops:
                continue
            path = Chains.of(found.loops).pieces
            most = np.full(len(stretches.piece), -np.inf)
            for share in (0.0, 0.5, 1.0):
                most = np.maximum(most, _least(path, stretches.places(share), r + self._margin) - r)
            best = np.minimum(best, most)
        self.left += min(left, default=0.0)
        return np.asarray(np.maximum(best, 0.0))

    def _is_tab(self, stretches: Stretches, of: Ints) -> Bools:
        """Which stretches stand where a tab is wanted, from end to end."""
        held = np.zeros(len(of), dtype=bool)
        for n in np.unique(of).tolist():
            tabs = np.array(self.target.wanted[n].tabs).reshape(-1, 4)
            own = np.flatnonzero(of == n)
            if not len(tabs):
                continue
            near = np.ones((len(own), len(tabs)), dtype=bool)
            for share in (0.0, 1.0):
                way = stretches.places(share)[own][:, None, :] - tabs[None, :, :2]
                near &= np.hypot(way[:, :, 0], way[:, :, 1]) <= tabs[:, 2] + self.tolerance
            held[own] = near.any(axis=1)
        return held

    def _tabs(self, wanted: Wanted) -> Iterator[Found]:
        """Tabs that do not stand: something is cut there lower than their top."""
        outline = pieces_of_rows(wanted.rows, True)
        for x, y, _, top in wanted.tabs:
            many = np.tile([x, y], (len(outline), 1))
            share = np.clip(outline.parameters_of(many), 0.0, 1.0)
            feet = outline.points_at(share)
            place = feet[int(np.hypot(*(feet - many).T).argmin())][None, :]
            lower = self._cutting if self.flat else self._cutting & (self.track.low < top - self.tolerance)
            own = np.flatnonzero(lower)
            radius = self._radius[own]
            reach = float(radius.max(initial=0.0)) + self.tolerance
            _, piece, away = points_beside(self.track.pieces.take(own), place, reach)
            near = piece[away <= radius[piece] + self.tolerance]
            if len(near):
                line = int(self.track.line[own[near]].max())
                says = f"Line {line}: {wanted.name}: a tab is cut away."
                yield Found("tab", line, (x, y, wanted.floor), 0.0, says)

    def _remember(self, outline: CurveArray, of: Ints, own: Ints) -> None:
        """First and last move that cut along each outline."""
        pieces, radius, moves = self.track.pieces.take(own), self._radius[own], self.track.move[own]
        if not len(own):
            return
        row, piece = candidates_between(outline, pieces, float(radius.max()) + 10 * self.tolerance)
        near = outline.take(row).distances_to(pieces.take(piece).points_at(np.full(len(piece), 0.5)))
        hit = np.flatnonzero(near <= radius[piece] + 10 * self.tolerance)
        for n in np.unique(of[row[hit]]).tolist():
            mine = moves[piece[hit[of[row[hit]] == n]]]
            self._done[n] = int(mine.min()), int(mine.max())

    # ------------------------------------------------------------------ areas, lines, holes

    def _area(self, wanted: Wanted) -> Iterator[Found]:
        """What a pocket's floor leaves: all that its tools could reach and did not, and what they cannot."""
        own = self._at_floor(wanted.floor)
        pieces, radius = self.track.pieces.take(own), self._radius[own]
        inside = self._within(wanted, pieces)
        cleared: list[Floats] = []
        reachable: list[Floats] = []
        loops = list(wanted.loops)
        whole = sum(area_of(rows) for rows in loops)
        best = 0.0
        for r in np.unique(radius[inside]).tolist():
            if r <= 0:
                continue
            mine = np.flatnonzero(inside & (radius == r))
            runs = [np.array([[*pieces.start[k], pieces.bulge[k]], [*pieces.end[k], 0.0]]) for k in mine.tolist()]
            # Everything must lie within the tolerance of what is swept: numbers of a program are rounded.
            cleared += swept(runs, r + self.tolerance)
            room = offset(Chains.of(loops), r + wanted.allowance)
            back = [reversed_rows(x) for x in offset(Chains.of([reversed_rows(x) for x in room.loops]), r).loops]
            area = sum(area_of(rows) for rows in back)
            if area > best:
                best, reachable = area, back
        if not reachable:
            x, y = loops[0][0, :2].tolist()
            says = f"{wanted.name}: nothing of {whole:.4g} mm² is cleared down to {wanted.floor:g} mm."
            self.left += whole
            self.deviation = max(self.deviation, _MARGIN)
            yield Found("not reached", 0, (x, y, wanted.floor), whole, says)
            return
        missed = area_beyond(reachable, cleared)
        self.left += max(whole - best, 0.0) + max(missed, 0.0)
        if missed > _NO_AREA:
            x, y = loops[0][0, :2].tolist()
            says = f"{wanted.name}: {missed:.4g} mm² of the floor are left that the tool could reach."
            self.deviation = max(self.deviation, float(np.sqrt(missed)))
            yield Found("not reached", 0, (x, y, wanted.floor), missed, says)
        narrow = self._narrow(loops, wanted.allowance, _smallest(radius[inside]))
        if narrow is not None and whole - best > _NO_AREA:
            x, y = narrow
            across = 2 * _smallest(radius[inside])
            says = f"{wanted.name}: {whole - best:.4g} mm² are left where it is too narrow for Ø {across:.4g} mm."
            yield Found("narrow", 0, (x, y, wanted.floor), whole - best, says)
        elif whole - best > _NO_AREA:
            x, y = loops[0][0, :2].tolist()
            says = f"{wanted.name}: {whole - best:.4g} mm² are left in corners that the tool is too large for."
            yield Found("corner", 0, (x, y, wanted.floor), whole - best, says)

    def _narrow(self, loops: list[Floats], allowance: float, radius: float) -> tuple[float, float] | None:
        """A place on the wall of an area that is farther from all that a tool can reach than in any corner."""
        room = offset(Chains.of(loops), radius + allowance)
        outline = CurveArray.joined([pieces_of_rows(rows, True) for rows in loops])
        path = CurveArray.joined([pieces_of_rows(rows, True) for rows in room.loops])
        stretches = stretches_of(outline, path, np.full(len(path), radius), _deep(radius) + allowance)
        lost = np.flatnonzero(np.isinf(stretches.excess) & (stretches.lengths > _LEVEL))
        if not len(lost):
            return None
        x, y = stretches.places()[lost[0]].tolist()
        return x, y

    def _within(self, wanted: Wanted, pieces: CurveArray) -> Bools:
        box = np.vstack([pieces_of_rows(rows, True).bounds() for rows in wanted.loops])
        low, high = box[:, :2].min(axis=0) - 1, box[:, 2:].max(axis=0) + 1
        middle = pieces.points_at(np.full(len(pieces), 0.5))
        return np.asarray(((middle >= low) & (middle <= high)).all(axis=1))

    def _line(self, number: int, wanted: Wanted) -> Iterator[Found]:
        """A line that the tool's middle must follow, or the middle of a hole that it must come to."""
        own = self._at_floor(wanted.floor) if wanted.kind == "line" else self._down_to(wanted.floor)
        pieces = self.track.pieces.take(own)
        if wanted.kind == "hole":
            place = wanted.rows[:1, :2]
            _, piece, _ = points_beside(pieces, place, self.tolerance + wanted.allowance)
            if not len(piece):
                x, y = place[0].tolist()
                yield Found(
                    "not reached", 0, (x, y, wanted.floor), 1.0, f"{wanted.name}: a hole is not made to its depth."
                )
                self.deviation = max(self.deviation, _MARGIN)
            else:
                mine = self.track.move[own[piece]]
                self._done[number] = int(mine.min()), int(mine.max())
            return
        outline = pieces_of_rows(wanted.rows, wanted.closed)
        stretches = stretches_of(outline, pieces, np.zeros(len(pieces)), _MARGIN)
        self._note(stretches, stretches.excess)
        beyond = np.flatnonzero(stretches.excess > self.tolerance)
        if len(beyond):
            length = float(stretches.lengths[beyond].sum())
            x, y = stretches.places()[beyond[0]].tolist()
            if length > _LEVEL:
                yield Found(
                    "not reached",
                    0,
                    (x, y, wanted.floor),
                    length,
                    f"{wanted.name}: {length:.4g} mm of a line are not cut.",
                )

    def _down_to(self, floor: float) -> Ints:
        """Cuts whose lower end comes down to a floor (mm)."""
        return np.flatnonzero(self._cutting & (self.track.low <= floor + _LEVEL))

    # ------------------------------------------------------------------ loose parts

    def _loose(self) -> Iterator[Found]:
        """Parts that are cut free before all that lies in them is done; on a mill, parts that nothing holds at all."""
        held = self._held()
        for n, wanted in enumerate(self.target.wanted):
            if wanted.kind != "side" or area_of(wanted.rows) <= 0 or n not in self._done:
                continue
            if wanted.tabs or (not self.flat and wanted.floor > self.target.bottom + _LEVEL):
                continue
            free = self._done[n][1]
            later = [m for m in held.get(n, ()) if self._done[m][0] > free]
            x, y = wanted.rows[0, :2].tolist()
            if later:
                line = int(self.track.line[self.track.move == self._done[later[0]][0]][0])
                says = f"Line {line}: {self.target.wanted[later[0]].name} is cut in a part that is loose already."
                yield Found("order", line, (x, y, wanted.floor), 0.0, says)
            elif not self.flat:
                yield Found(
                    "loose",
                    0,
                    (x, y, wanted.floor),
                    0.0,
                    f"{wanted.name}: nothing holds the part once it is cut; it has no tabs.",
                )

    def _held(self) -> dict[int, list[int]]:
        """What is done of it, by what its box lies in."""
        done = np.array(list(self._done), dtype=np.int64)
        if not len(done):
            return {}
        rows = [self.target.wanted[n].rows[:, :2] for n in done.tolist()]
        boxes = np.array([[*r.min(axis=0), *r.max(axis=0)] for r in rows])
        outer, inner = BoxIndex(boxes).around(boxes)
        a, b = boxes[outer], boxes[inner]
        within = (b[:, :2] > a[:, :2]).all(axis=1) & (b[:, 2:] < a[:, 2:]).all(axis=1)
        held: dict[int, list[int]] = {}
        for holder, one in zip(done[outer[within]].tolist(), done[inner[within]].tolist(), strict=True):
            held.setdefault(holder, []).append(one)
        return held


def _smallest(radius: Floats) -> float:
    """The radius of the smallest tool that has one (mm); 0 where none has."""
    return float(radius[radius > 0].min(initial=np.inf)) if (radius > 0).any() else 0.0


def _deep(radius: float) -> float:
    """How far beyond what a tool sweeps a place is no corner any more that it leaves round: a square one is left by
    less than half of its radius, one of 60 degrees by all of it (mm).
    """
    return max(_MARGIN, radius) + _HAIR


def _runs(beyond: Ints, corner: Bools, of: Ints) -> list[Ints]:
    """Stretches (by number, rising) in runs that follow each other on one outline, all of a kind, round its start as
    well.
    """
    if not len(beyond):
        return []
    follows = (np.diff(beyond) == 1) & (corner[beyond][1:] == corner[beyond][:-1])
    follows &= of[beyond][1:] == of[beyond][:-1]
    runs = np.split(beyond, np.flatnonzero(~follows) + 1)
    first = {int(of[run[0]]): k for k, run in reversed(list(enumerate(runs)))}
    out, gone = [], set()
    for k, run in enumerate(runs):
        own = int(of[run[0]])
        head = runs[first[own]]
        last = run[-1] + 1 == len(of) or of[run[-1] + 1] != own
        begins = head[0] == 0 or of[head[0] - 1] != own
        if last and begins and first[own] != k and corner[run[0]] == corner[head[0]]:
            out.append(np.concatenate([run, head]))
            gone.add(first[own])
        else:
            out.append(run)
    return [run for k, run in enumerate(out) if k not in gone]


def _least(path: CurveArray, points: Floats, reach: float) -> Floats:
    """Distance of each point to a path, infinite beyond a reach (mm)."""
    row, _, apart = points_beside(path, points, reach)
    found = np.full(len(points), np.inf)
    np.minimum.at(found, row, apart)
    return found


def _left_round(loops: list[Floats], path: Parallel, radius: float) -> float:
    """Area (mm2) that a tool leaves round outlines on its best path: what they are once grown and shrunk by its
    radius.
    """
    back = offset(Chains.of([reversed_rows(rows) for rows in path.loops], path.groups), radius)
    return max(sum(area_of(rows) for rows in back.loops) - sum(area_of(rows) for rows in loops), 0.0)
