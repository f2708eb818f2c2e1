"""Judges a program that was played: against the machine, the stock and, where there is one, a target; by exact
distances.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterable, Iterator, Mapping
from itertools import pairwise

import numpy as np

from syntaxa.cut.bench.clock import times_of
from syntaxa.cut.bench.moves import Played
from syntaxa.cut.bench.reaching import Reaching
from syntaxa.cut.bench.rooms import open_rooms
from syntaxa.cut.bench.target import Target
from syntaxa.cut.bench.track import Track
from syntaxa.cut.bench.verdict import Found, FoundKind, Verdict
from syntaxa.cut.library import Machine
from syntaxa.cut.model import Tool
from syntaxa.errors import Progress, no_progress
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.nearest import nearest_within, points_beside
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.watching import still_wanted

#: mm that a cut may go into the part, or leave standing, before it is told.
TOLERANCE = 0.005

#: mm by which heights are taken for one, and by which a cut may go below the stock.
_LEVEL, _BELOW = 1e-4, 1.0

#: Findings of a kind that are told one by one.
_MOST = 100


def judge(
    played: Played, tools: Mapping[int, Tool], machine: Machine, target: Target | None = None,
    tolerance: float = TOLERANCE, progress: Progress = no_progress,
) -> Verdict:  # fmt: skip
    """What a program will make, and everything that is wrong with it.

    tools  by their number in the program; 0 is what is there where no tool is called
    """
    judging = _Judging(played, tools, machine, target, tolerance)
    return judging.verdict(progress)


class _Judging:
    def __init__(
        self, played: Played, tools: Mapping[int, Tool], machine: Machine, target: Target | None, tolerance: float
    ) -> None:
        self.played, self.tools, self.machine, self.target, self.tolerance = played, tools, machine, target, tolerance
        # Before that nobody knows where the tool comes from.
        self.track = Track.of(played.moves, played.placed)
        used = sorted({int(t) for t in np.unique(self.track.tool)}) if len(self.track) else []
        self.unknown = [t for t in used if t not in tools]
        one = next(iter(tools.values())) if len(tools) == 1 else None
        # A program that names no tool has the only one that there is.
        self.tool_of = {t: tools.get(t) or one for t in used}
        radius = {t: (tool.radius if tool is not None else 0.0) for t, tool in self.tool_of.items()}
        self.radius = np.array([radius[int(t)] for t in self.track.tool])
        self.flat = machine.is_flat
        self.top = target.top if target is not None else 0.0
        self.cutting = self.track.cuts & (self.track.on | np.array(not self.flat))

    def verdict(self, progress: Progress) -> Verdict:
        found = _Kept()
        for n, check in enumerate((self._lines, self._machine, self._state, self._clamps, self._rapids, self._plunges)):
            still_wanted()
            progress(0.05 * n)
            found.take(check())
        gouge, left, deviation, where = 0.0, 0.0, 0.0, None
        if self.target is not None and self.target.rooms:
            gouges = list(self._gouges())
            found.take(gouges)
            gouge = max((f.size for f in gouges), default=0.0)
            found.take(self._table())
        if self.target is not None and self.target.wanted:
            progress(0.5)
            reaching = Reaching(self.target, self.track, self.cutting, self.radius, self.flat, self.tolerance)
            found.take(reaching.found())
            deviation, where, left = max(reaching.deviation, gouge), reaching.where, reaching.left
        progress(1.0)
        seconds = float(times_of(self.played.moves, self.machine.motion).sum())
        moves = self.played.moves
        return Verdict(
            tuple(found.told), deviation, where, gouge, left, seconds,
            sum(m.length for m in moves if m.kind == "feed"),
            sum(m.length for m in moves if m.kind == "rapid"),
            self._lifts(), self.target is not None and bool(self.target.rooms or self.target.wanted),
            found.untold,
        )  # fmt: skip

    def _lifts(self) -> int:
        """How often it goes from cutting to a rapid."""
        cuts = [m.cuts for m in self.played.moves if m.kind in ("rapid", "feed")]
        return sum(a and not b for a, b in pairwise(cuts))

    # ------------------------------------------------------------------ as it is written

    def _lines(self) -> Iterator[Found]:
        for problem in self.played.problems:
            yield Found(problem.kind, problem.line, problem.place, 0.0, problem.says)
        for line, word in self.played.not_understood:
            compensation = word in ("G41", "G42")
            radius = f"the radius for {word} is not known, so it is played without (name the tool with its number)"
            why = radius if compensation else f"{word} is not understood"
            kind: FoundKind = "value" if compensation else "word"
            yield Found(kind, line, (0.0, 0.0, 0.0), 0.0, f"Line {line}: {why}.")
        moves = self.played.moves
        if not self.played.unit:
            yield Found("units", 0, (0.0, 0.0, 0.0), 0.0, "The program does not say in which unit it is (G20 or G21).")
        elif self.played.unit != self.machine.unit:
            yield Found(
                "units", 0, (0.0, 0.0, 0.0), 0.0,
                f"The program is in {self.played.unit}, the machine {self.machine.name} in {self.machine.unit}.",
            )  # fmt: skip
        if not self.played.distance and moves:
            says = "The program does not say whether its places are absolute (G90) or relative (G91)."
            yield Found("units", 0, (0.0, 0.0, 0.0), 0.0, says)
        if not self.played.ended:
            says = "The program does not end with M2 or M30: what is missing behind its last line nobody knows."
            yield Found("end", len(self.played.text), moves[-1].end if moves else (0.0, 0.0, 0.0), 0.0, says)
        early = next((m for m in moves[: self.played.placed] if m.cuts), None)
        if early is not None:
            says = f"Line {early.line}: it cuts before the program has said where the tool is."
            yield Found("value", early.line, early.end, 0.0, says)
        for number in self.unknown:
            if len(self.tools) != 1:
                line = int(self.track.line[np.flatnonzero(self.track.tool == number)[0]])
                says = f"Line {line}: tool T{number} is not known, so what it takes away is not."
                yield Found("tool", line, (0.0, 0.0, 0.0), 0.0, says)

    # ------------------------------------------------------------------ on the machine

    def _machine(self) -> Iterator[Found]:
        """Moves beyond the travel: of the whole program where nobody knows where the stock lies on the table."""
        if not len(self.track):
            return
        box = self.track.pieces.bounds()
        spans = [
            (0, box[:, 0], box[:, 2], "x"), (1, box[:, 1], box[:, 3], "y"), (2, self.track.low, self.track.high, "z"),
        ]  # fmt: skip
        for axis, low, high, name in spans:
            begin, end = self.machine.travel[axis]
            if axis == 2 and self.flat:
                continue
            span = float(high.max() - low.min())
            if span > end - begin + _LEVEL:
                k = int(high.argmax())
                yield self._at(
                    "outside", k, span - (end - begin),
                    f"it goes {span:.4g} mm along {name}, and the machine {end - begin:.4g}",
                )  # fmt: skip

    def _state(self) -> Iterator[Found]:
        """Cuts with the spindle at rest or the beam off, rapids with the beam on."""
        t = self.track
        if self.flat:
            for k in np.flatnonzero(t.cuts & ~t.on & (t.pieces.lengths() > _LEVEL)).tolist():
                yield self._at("beam", k, 0.0, "it cuts with the beam off")
            for k in np.flatnonzero(~t.cuts & t.on & (t.pieces.lengths() > _LEVEL)).tolist():
                yield self._at("beam", k, 0.0, "the beam is on in a rapid")
            return
        for k in np.flatnonzero(t.cuts & ~t.on & (t.low < self.top - _LEVEL)).tolist():
            yield self._at("spindle", k, 0.0, "it cuts with the spindle at rest")

    def _clamps(self) -> Iterator[Found]:
        if self.target is None:
            return
        box = self.track.pieces.bounds()
        for keep in self.target.keep_out:
            low = self.track.low < self.top + keep.height - _LEVEL
            over = (box[:, 2] > keep.box[0] - self.radius) & (box[:, 0] < keep.box[2] + self.radius)
            over &= (box[:, 3] > keep.box[1] - self.radius) & (box[:, 1] < keep.box[3] + self.radius)
            for k in np.flatnonzero(low & over).tolist():
                if self._in_box(k, keep.box):
                    yield self._at("clamp", k, 0.0, f"it goes into a {keep.name}")

    def _in_box(self, k: int, box: tuple[float, float, float, float]) -> bool:
        """Whether the tool touches a box on a piece of the way."""
        x0, y0, x1, y1 = box
        sides = [(x0, y0, x1, y0, 0.0), (x1, y0, x1, y1, 0.0), (x1, y1, x0, y1, 0.0), (x0, y1, x0, y0, 0.0)]
        piece = self.track.pieces.take(np.array([k]))
        x, y = piece.start[0].tolist()
        if x0 <= x <= x1 and y0 <= y <= y1:
            return True
        apart = nearest_within(piece, CurveArray.from_rows(sides, range(4)), float(self.radius[k]) + _LEVEL)
        return bool(apart[0] < self.radius[k])

    # ------------------------------------------------------------------ in the stock

    def _rapids(self) -> Iterator[Found]:
        """Rapids below the top of the stock where nothing was cut before."""
        if self.flat:
            return
        t = self.track
        low = np.flatnonzero(~t.cuts & (t.low < self.top - _LEVEL) & self._over_stock())
        for k in low.tolist():
            if not self._is_cleared(k):
                yield self._at("rapid", k, float(self.top - t.low[k]), "a rapid goes through material")

    def _plunges(self) -> Iterator[Found]:
        """Straight ways down of tools that cannot, and cuts deeper than the flutes."""
        if self.flat:
            return
        t = self.track
        straight = t.cuts & (t.pieces.lengths() < _LEVEL) & (t.high - t.low > _LEVEL) & (t.low < self.top - _LEVEL)
        cannot = np.array([self._cannot_plunge(int(n)) for n in t.tool], dtype=bool)
        for k in np.flatnonzero(straight & cannot).tolist():
            if self._goes_down(k) and not self._is_cleared(k):
                yield self._at("plunge", k, float(t.high[k] - t.low[k]), "the tool cannot go straight down, and does")
        for number, tool in self.tool_of.items():
            if tool is None or not tool.length:
                continue
            own = np.flatnonzero((t.tool == number) & t.cuts)
            if len(own) and self.top - float(t.low[own].min()) > tool.length + _LEVEL:
                k = int(own[t.low[own].argmin()])
                deep = self.top - float(t.low[k])
                yield self._at(
                    "deep",
                    k,
                    deep - tool.length,
                    f"it is {deep:.4g} mm deep, and {tool.name} has flutes of {tool.length:g}",
                )

    def _cannot_plunge(self, number: int) -> bool:
        tool = self.tool_of.get(number)
        return tool is not None and tool.kind != "drill" and not tool.centre

    def _goes_down(self, k: int) -> bool:
        move = self.played.moves[int(self.track.move[k])]
        return move.end[2] < move.start[2]

    def _over_stock(self) -> Bools:
        """Which pieces come over the stock, as wide as the tool."""
        if self.target is None or self.target.box is None:
            return np.ones(len(self.track), dtype=bool)
        b, s = self.track.pieces.bounds(), self.target.box
        r = self.radius
        return np.asarray((b[:, 2] > s[0] - r) & (b[:, 0] < s[2] + r) & (b[:, 3] > s[1] - r) & (b[:, 1] < s[3] + r))

    def _is_cleared(self, k: int) -> bool:
        """Whether all that a piece goes through was cut before it, down to where it goes."""
        t = self.track
        piece = t.pieces.take(np.array([k]))
        radius, z = float(self.radius[k]), float(t.low[k])
        count = min(max(2, math.ceil(float(piece.lengths()[0]) / max(radius / 2, 0.05))), 2000)
        middle = t.pieces.take(np.full(count, k)).points_at(np.linspace(0, 1, count))
        angle = np.arange(12) * (np.pi / 6)
        rim = max(radius - self.tolerance, 0.0) * np.column_stack([np.cos(angle), np.sin(angle)])
        points = np.vstack([middle, *(middle + step for step in rim)])
        if self.target is not None and self.target.box is not None:
            b = self.target.box
            points = points[
                (points[:, 0] > b[0]) & (points[:, 0] < b[2]) & (points[:, 1] > b[1]) & (points[:, 1] < b[3])
            ]
        # A straight way down clears to its lower end, all others to their higher one.
        reached = np.where(t.pieces.lengths() < _LEVEL, t.low, t.high)
        before = np.flatnonzero((t.move < t.move[k]) & self.cutting & (reached <= z + _LEVEL))
        return bool(self._covered(points, before).all())

    def _covered(self, points: Floats, by: Ints) -> Bools:
        """Which points lie under what the tool swept on some pieces."""
        covered = np.zeros(len(points), dtype=bool)
        if not len(by) or not len(points):
            return covered
        radius = self.radius[by]
        row, own, away = points_beside(self.track.pieces.take(by), points, float(radius.max()) + _LEVEL)
        covered[row[away <= radius[own] + _LEVEL]] = True
        return covered

    # ------------------------------------------------------------------ against the target

    def _gouges(self) -> Iterator[Found]:
        """Cuts that leave the rooms that are open at their height, or come nearer to their outline than the tool is
        wide.
        """
        target, t = self.target, self.track
        if target is None:
            return
        below = self.cutting if self.flat else self.cutting & (t.low < self.top - _LEVEL)
        cone = np.array([self._is_cone(int(n)) for n in t.tool], dtype=bool)
        floors = np.array([room.floor for room in target.rooms])
        for conical in (False, True):
            own = np.flatnonzero(below & (cone == conical))
            if not len(own):
                continue
            usable = np.array([room.cone == conical or not room.cone for room in target.rooms])
            level = (floors[None, :] <= t.low[own][:, None] + _LEVEL) & usable[None, :] if not self.flat else None
            if level is None:
                yield from self._beyond(own, np.flatnonzero(usable))
                continue
            patterns, which = np.unique(level, axis=0, return_inverse=True)
            for n, pattern in enumerate(patterns):
                still_wanted()
                yield from self._beyond(own[which.reshape(-1) == n], np.flatnonzero(pattern))

    def _is_cone(self, number: int) -> bool:
        tool = self.tool_of.get(number)
        return tool is not None and tool.kind == "cone"

    def _beyond(self, own: Ints, rooms: Ints) -> Iterator[Found]:
        target, t = self.target, self.track
        if target is None:
            return
        free = open_rooms([target.rooms[k] for k in rooms.tolist()])
        pieces = t.pieces.take(own)
        radius = self._reach(own)
        inside = free.holds(pieces.points_at(np.full(len(own), 0.5)))
        apart = np.full(len(own), np.inf)
        if len(free.outline):
            for r in np.unique(radius):
                some = np.flatnonzero(radius == r)
                # Of what lies on the wrong side the way out is asked for, however far.
                apart[some] = nearest_within(pieces.take(some), free.outline, float(r) + self.tolerance)
        size = np.where(inside, radius - apart, radius + np.where(np.isfinite(apart), apart, 0.0))
        for k in np.flatnonzero(size > self.tolerance).tolist():
            yield self._at("gouge", int(own[k]), float(size[k]), f"it cuts {size[k]:.3g} mm into the part")

    def _reach(self, own: Ints) -> Floats:
        """How wide the tool cuts at the top of the stock on each piece: a cone by its depth."""
        radius = self.radius[own].copy()
        for number, tool in self.tool_of.items():
            if tool is not None and tool.kind == "cone":
                mine = self.track.tool[own] == number
                deep = self.top - self.track.low[own][mine]
                radius[mine] = np.minimum(deep * math.tan(math.radians(tool.angle) / 2), tool.radius)
        return radius

    def _table(self) -> Iterator[Found]:
        if self.target is None or self.flat:
            return
        t = self.track
        for number, tool in self.tool_of.items():
            if tool is None:
                continue
            tip = tool.radius / math.tan(math.radians(tool.angle) / 2) if tool.kind == "drill" and tool.angle else 0.0
            deep = np.flatnonzero(self.cutting & (t.tool == number) & (t.low < self.target.bottom - tip - _BELOW))
            if len(deep):
                k = int(deep[t.low[deep].argmin()])
                below = self.target.bottom - float(t.low[k])
                yield self._at("table", k, below, f"it goes {below:.4g} mm below the stock")

    def _at(self, kind: FoundKind, k: int, size: float, says: str) -> Found:
        t = self.track
        x, y = t.pieces.take(np.array([k])).points_at(np.array([0.5]))[0].tolist()
        line = int(t.line[k])
        return Found(kind, line, (x, y, float(t.low[k])), size, f"Line {line}: {says}.")


class _Kept:
    """The first of each kind, and how many more there are."""

    def __init__(self) -> None:
        self.told: list[Found] = []
        self._counts: Counter[FoundKind] = Counter()

    def take(self, found: Iterable[Found]) -> None:
        """Takes more of what was found."""
        for one in found:
            self._counts[one.kind] += 1
            if self._counts[one.kind] <= _MOST:
                self.told.append(one)

    @property
    def untold(self) -> tuple[tuple[FoundKind, int], ...]:
        """How many more there are of a kind."""
        return tuple((kind, count - _MOST) for kind, count in self._counts.items() if count > _MOST)
