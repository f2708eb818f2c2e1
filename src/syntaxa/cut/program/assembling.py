"""A program of some work: its header, tools, ways between runs, and the runs."""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby

import numpy as np

from syntaxa import __version__
from syntaxa.cut.doing import ABOVE, Doing
from syntaxa.cut.library import Machine
from syntaxa.cut.model import KeepOut, Tool
from syntaxa.cut.paths.model import Drilled
from syntaxa.cut.paths.planning import Cutting, Work
from syntaxa.cut.program.writer import Writer
from syntaxa.errors import CutError
from syntaxa.geometry.types import Floats

#: Turns of a tool in a minute where nothing says how many.
_SPEED = 10_000.0


def tools_of(work: Work) -> list[Tool]:
    """The tools in the order in which they are first used."""
    return list({c.doing.tool.name: c.doing.tool for c in work.cuttings}.values())


def numbers_of(tools: Sequence[Tool]) -> dict[str, int]:
    """The number of each tool in the program, by its name: its own, or a free one where two have the same."""
    found: dict[str, int] = {}
    for tool in tools:
        number = tool.number
        while number in found.values():
            number += 1
        found[tool.name] = number
    return found


@dataclass(frozen=True, slots=True)
class Program:
    """The text of a program, and the line at which each operation begins (it may do so several times)."""

    text: str
    starts: tuple[tuple[int, str], ...]

    def operation_at(self, line: int) -> str:
        """The operation that a line belongs to; what comes before the first counts for it."""
        at = bisect_right(self.starts, line, key=lambda s: s[0]) - 1
        return self.starts[max(at, 0)][1] if self.starts else ""


def written(
    work: Work, machine: Machine, keep_out: Sequence[KeepOut] = (), title: str = "", seconds: float | None = None,
    system: str = "G54", only: str | None = None,
) -> Program:  # fmt: skip
    """The program of some work; of one tool only where that is named. Raises CutError."""
    cuttings = [c for c in work.cuttings if only is None or c.doing.tool.name == only]
    if not cuttings:
        raise CutError("There is nothing to be cut.", suggestion="Add an operation.")
    return _Assembling(work, machine, keep_out, system).program(cuttings, title, seconds)


class _Assembling:
    def __init__(self, work: Work, machine: Machine, keep_out: Sequence[KeepOut], system: str) -> None:
        self.work, self.machine, self.keep_out, self.system = work, machine, keep_out, system
        self.out = Writer(machine)
        self.numbers = numbers_of(tools_of(work))
        self.dx, self.dy, self.dz = -work.stock.zero[0], -work.stock.zero[1], -work.stock.zero_z
        self.safe = self.dz + machine.safe
        self.at: tuple[float, float] | None = None
        self.starts: list[tuple[int, str]] = []

    def program(self, cuttings: Sequence[Cutting], title: str, seconds: float | None) -> Program:
        self._header(cuttings, title, seconds)
        self.out.words(self.machine.words.start, system=self.system)
        for name, group in groupby(cuttings, key=lambda c: c.doing.tool.name):
            lot = list(group)
            self._tool(lot[0].doing, self.numbers[name])
            for operation, runs in groupby(lot, key=lambda c: c.doing.operation.name):
                self.starts.append((len(self.out.lines) + 1, operation))
                self.out.comment(operation)
                self._runs(list(runs))
        self.out.words(self.machine.words.end, safe=self.out.length(self.safe))
        return Program(self.out.text, tuple(self.starts))

    def _header(self, cuttings: Sequence[Cutting], title: str, seconds: float | None) -> None:
        out, (w, h, t) = self.out, self.work.stock.size
        out.comment(title or "program")
        out.comment(f"machine {self.machine.says}")
        out.comment(f"stock {w:.6g} x {h:.6g} x {t:.6g} mm")
        for name in dict.fromkeys(c.doing.tool.name for c in cuttings):
            tool = next(c.doing.tool for c in cuttings if c.doing.tool.name == name)
            out.comment(f"T{self.numbers[name]} {tool}")
        if seconds is not None:
            out.comment(f"time {_clock(seconds)}")
        out.comment(f"unit {self.machine.unit}, written by syntaxa {__version__}")

    def _tool(self, doing: Doing, number: int) -> None:
        tool, words = doing.tool, self.machine.words
        self.out.comment(f"T{number} {tool}")
        self.out.words(words.tool, tool=number)
        if words.spindle:
            most = self.machine.speed_most
            speed = doing.speed or tool.speed or _SPEED
            self.out.words(words.spindle, speed=self.out.number(min(speed, most) if most else speed, 0))
        if not self.machine.is_flat:
            self.out.rapid(z=self.safe)

    def _runs(self, cuttings: list[Cutting]) -> None:
        for drilled, group in groupby(cuttings, key=lambda c: c.run.drilled is not None and self.machine.cycles):
            lot = list(group)
            if drilled:
                self._cycles(lot)
            else:
                for cutting in lot:
                    self._run(cutting)

    # ------------------------------------------------------------------ runs

    def _run(self, cutting: Cutting) -> None:
        run = cutting.run
        if self.machine.is_flat:
            self._beam(cutting)
            return
        x, y, z = run.start
        self._over(x, y, cutting.doing.tool.radius)
        if run.drilled is not None:
            self._pecked(run.drilled, run.feed)
        else:
            self.out.rapid(z=z + self.dz)
            for stretch in run.stretches:
                self.out.cut(self._moved(stretch.rows), stretch.feed)
        self.out.rapid(z=self.safe)
        ex, ey, _ = run.end
        self.at = (ex, ey)

    def _over(self, x: float, y: float, radius: float) -> None:
        """To a place at the safe height, or higher where a clamp is in the way."""
        if self.at is not None:
            heights = [k.height for k in self.keep_out if _crosses(self.at, (x, y), k, radius)]
            high = self.dz + max(heights, default=-np.inf) + self.machine.safe
            if high > self.safe:
                self.out.rapid(z=high)
                self.out.rapid(x + self.dx, y + self.dy)
                self.out.rapid(z=self.safe)
                return
        self.out.rapid(x + self.dx, y + self.dy)

    def _beam(self, cutting: Cutting) -> None:
        """On, along, off; a tab is a way at rapid with the beam off."""
        x, y, _ = cutting.run.start
        self.out.rapid(x + self.dx, y + self.dy)
        on = False
        for stretch in cutting.run.stretches:
            if stretch.what == "tab":
                self._switch(cutting.doing, False)
                end = stretch.rows[-1]
                self.out.rapid(float(end[0]) + self.dx, float(end[1]) + self.dy)
                on = False
                continue
            if not on:
                self._switch(cutting.doing, True)
                on = True
            self.out.cut(self._moved(stretch.rows), stretch.feed)
        if on:
            self._switch(cutting.doing, False)

    def _switch(self, doing: Doing, on: bool) -> None:
        words = self.machine.words
        self.out.words(words.on if on else words.off, pierce=self.out.number(doing.pierce, 3))

    # ------------------------------------------------------------------ holes

    def _cycles(self, cuttings: list[Cutting]) -> None:
        before: tuple[object, ...] = ()
        for cutting in cuttings:
            hole = cutting.run.drilled
            if hole is None:
                continue
            if self._in_the_way(hole, cutting.doing.tool.radius):
                if before:
                    self.out.words(("G80",))
                    before = ()
                self.out.rapid(z=self.safe)
                self._over(hole.x, hole.y, cutting.doing.tool.radius)
            kind = (hole.top, hole.bottom, hole.peck, hole.dwell, cutting.run.feed)
            x, y = hole.x + self.dx, hole.y + self.dy
            if kind == before:
                self.out.cycle_again(x, y)
            else:
                if before:
                    self.out.put("G80")
                word = "G83" if hole.peck else "G82" if hole.dwell else "G81"
                extra = f"Z{self.out.length(hole.bottom + self.dz)} R{self.out.length(hole.top + self.dz + 2 * ABOVE)}"
                extra += f" Q{self.out.length(hole.peck)}" if hole.peck else ""
                extra += f" P{self.out.number(hole.dwell, 3)}" if hole.dwell and not hole.peck else ""
                self.out.cycle(f"G98 {word}", x, y, extra, cutting.run.feed)
            before = kind
            self.at = (hole.x, hole.y)
        self.out.words(("G80",))
        self.out.rapid(z=self.safe)

    def _in_the_way(self, hole: Drilled, radius: float) -> bool:
        """Whether a clamp stands between the last hole and this one that is higher than the cycle goes back to."""
        if self.at is None:
            return False
        return any(k.height > 0 and _crosses(self.at, (hole.x, hole.y), k, radius) for k in self.keep_out)

    def _pecked(self, hole: Drilled, feed: float) -> None:
        """The same as a cycle, in plain moves."""
        top, bottom = hole.top + self.dz + 2 * ABOVE, hole.bottom + self.dz
        z = hole.top + self.dz
        self.out.rapid(z=top)
        while z > bottom:
            z = max(z - hole.peck, bottom) if hole.peck else bottom
            x, y = hole.x + self.dx, hole.y + self.dy
            self.out.cut(np.array([[x, y, top, 0.0], [x, y, z, 0.0]]), feed)
            if z <= bottom and hole.dwell:
                self.out.put(f"G4 P{self.out.number(hole.dwell, 3)}")
            self.out.rapid(z=top)

    def _moved(self, rows: Floats) -> Floats:
        return np.asarray(rows + np.array([self.dx, self.dy, self.dz, 0.0]))


def _crosses(a: tuple[float, float], b: tuple[float, float], keep: KeepOut, radius: float) -> bool:
    """Whether a way passes over a place to keep out of, as wide as the tool (Liang and Barsky's clipping)."""
    low, high = 0.0, 1.0
    box = keep.box
    for axis in (0, 1):
        begin, end = box[axis] - radius, box[axis + 2] + radius
        way = b[axis] - a[axis]
        if way == 0:
            if not begin <= a[axis] <= end:
                return False
            continue
        one, two = sorted(((begin - a[axis]) / way, (end - a[axis]) / way))
        low, high = max(low, one), min(high, two)
    return low <= high


def _clock(seconds: float) -> str:
    minutes, rest = divmod(round(seconds), 60)
    return f"{minutes} min {rest:02d} s" if minutes else f"{seconds:.1f} s"
