"""Moves to lines of a program (ISO 6983 words): modal, absolute, numbers on a grid, arcs that are read as they are
meant.

Whatever is written is rounded first and then remembered, so that nothing adds up.
"""

from __future__ import annotations

import math
from itertools import pairwise

from syntaxa.cut.library import Machine
from syntaxa.cut.program.arcs import centre_on_grid, chords_of, parts_of
from syntaxa.errors import CutError
from syntaxa.geometry.types import Floats

_PER_UNIT = {"mm": 1.0, "in": 25.4}

#: x, y and z; None stays as it is.
Goal = tuple[float | None, float | None, float | None]


class Writer:
    """Gathers lines; places are given in mm in the program's own axes."""

    def __init__(self, machine: Machine) -> None:
        self.machine = machine
        self.lines: list[str] = []
        self._per = _PER_UNIT[machine.unit]
        self._step = 10.0**-machine.numbers.decimals
        self._at: list[float | None] = [None, None, None]
        self._motion = ""
        self._feed = ""
        self._number = 0

    @property
    def text(self) -> str:
        """The program."""
        return self.machine.ending.join(self.lines) + self.machine.ending

    # ------------------------------------------------------------------ lines

    def put(self, text: str) -> None:
        """A line as it is, with its number where the machine wants one."""
        if self.machine.numbers.line_numbers:
            self._number += self.machine.numbers.line_numbers
            text = f"N{self._number} {text}"
        self.lines.append(text)

    def comment(self, text: str) -> None:
        """Words for people, in plain letters."""
        plain = "".join(c if c.isprintable() and c not in "()" else " " for c in text)
        plain = plain.replace("Ø", "D").replace("²", "2").encode("ascii", "replace").decode()
        if self.machine.comments == "round":
            self.put(f"({plain})")
        elif self.machine.comments == "semicolon":
            self.put(f"; {plain}")

    def words(self, lines: tuple[str, ...], **values: object) -> None:
        """Lines that the machine's data has, with values in their places."""
        for line in lines:
            try:
                self.put(line.format(**values))
            except (KeyError, IndexError, ValueError) as error:
                raise CutError(
                    f"The machine “{self.machine.name}” has a line that cannot be filled in: {line}",
                    suggestion="Its names in braces are: tool, speed, pierce, safe, system.",
                ) from error
        # What these lines did to the motion is not known here.
        self._motion = ""

    # ------------------------------------------------------------------ numbers

    def number(self, value: float, decimals: int | None = None) -> str:
        """A number as short as it can be."""
        text = f"{value:.{self.machine.numbers.decimals if decimals is None else decimals}f}"
        if "." in text:
            text = text.rstrip("0").rstrip(".")
        return "0" if text in ("-0", "") else text

    def length(self, mm: float) -> str:
        """A length in the program's unit."""
        return self.number(mm / self._per)

    def _grid(self, mm: float) -> float:
        return round(mm / self._per / self._step) * self._step

    # ------------------------------------------------------------------ moves

    def rapid(self, x: float | None = None, y: float | None = None, z: float | None = None) -> None:
        """As fast as it goes; axes that are not given stay."""
        self._move("G0", (x, y, z))

    def cut(self, rows: Floats, feed: float) -> None:
        """Along rows (x, y, z, bulge), (n, 4) mm, the first of which is where the tool is, at a feed (mm/min)."""
        flat = self.machine.is_flat
        table = rows.tolist()
        for a, b in pairwise(table):
            z = None if flat else b[2]
            if a[3]:
                self._arc(a, b, feed)
            else:
                self._move("G1", (b[0], b[1], z), feed=feed)

    def cycle(self, word: str, x: float, y: float, extra: str, feed: float) -> None:
        """A canned cycle at a place."""
        words = [word, f"X{self.number(self._grid(x))}", f"Y{self.number(self._grid(y))}", extra]
        self._feed = f"F{self.number(feed / self._per, self.machine.numbers.feed_decimals)}"
        self.put(" ".join([*words, self._feed]))
        self._at = [self._grid(x), self._grid(y), None]
        self._motion = word

    def cycle_again(self, x: float, y: float) -> None:
        """The same cycle at another place."""
        self.put(f"X{self.number(self._grid(x))} Y{self.number(self._grid(y))}")
        self._at = [self._grid(x), self._grid(y), None]

    def _move(self, word: str, goal: Goal, extra: tuple[str, ...] = (), feed: float | None = None) -> None:
        on_grid = [None if v is None else self._grid(v) for v in goal]
        self._put_move(word, on_grid, extra, feed)

    def _put_move(self, word: str, goal: list[float | None], extra: tuple[str, ...], feed: float | None) -> None:
        words = []
        for name, value, old in zip("XYZ", goal, self._at, strict=True):
            moves = value is not None and (old is None or abs(value - old) > self._step / 2)
            if value is not None and (moves or not self.machine.modal):
                words.append(name + self.number(value))
        if not words and not extra:
            return
        head = [] if self.machine.modal and self._motion == word else [word]
        self._motion = word
        tail = list(extra)
        if feed is not None:
            text = f"F{self.number(feed / self._per, self.machine.numbers.feed_decimals)}"
            if text != self._feed:
                tail.append(text)
                self._feed = text
        self.put(" ".join([*head, *words, *tail]))
        self._at = [old if value is None else value for value, old in zip(goal, self._at, strict=True)]

    # ------------------------------------------------------------------ arcs

    def _arc(self, a: list[float], b: list[float], feed: float) -> None:
        """An arc or a turn of a helix between two rows, in as many lines as the machine wants."""
        sweep = 4 * math.atan(a[3])
        lift = (1 - a[3] * a[3]) / (4 * a[3])
        dx, dy = b[0] - a[0], b[1] - a[1]
        cx, cy = (a[0] + b[0]) / 2 - dy * lift, (a[1] + b[1]) / 2 + dx * lift
        radius, first = math.hypot(a[0] - cx, a[1] - cy), math.atan2(a[1] - cy, a[0] - cx)
        by_lines = self.machine.arcs.by == "none"
        parts = chords_of(radius, sweep, self.machine.arcs.chord) if by_lines else parts_of(sweep, self.machine)
        for n in range(1, parts + 1):
            angle, share = first + sweep * n / parts, n / parts
            x, y = (b[0], b[1]) if n == parts else (cx + radius * math.cos(angle), cy + radius * math.sin(angle))
            z = None if self.machine.is_flat else a[2] + (b[2] - a[2]) * share
            if by_lines:
                self._move("G1", (x, y, z), feed=feed)
            else:
                self._one_arc((cx, cy), radius, sweep / parts, (x, y, z), feed)

    def _one_arc(self, centre: tuple[float, float], radius: float, sweep: float, end: Goal, feed: float) -> None:
        goal = [None if v is None else self._grid(v) for v in end]
        sx, sy, ex, ey = self._at[0], self._at[1], goal[0], goal[1]
        if sx is None or sy is None or ex is None or ey is None:
            raise CutError("An arc begins nowhere.")
        same = abs(ex - sx) < self._step / 2 and abs(ey - sy) < self._step / 2
        sagitta = radius / self._per * (1 - math.cos(sweep / 2))
        # With ends that are one place it would be read as a full turn; flatter than the grid it is a line.
        if same or sagitta < self._step / 2:
            self._put_move("G1", goal, (), feed)
            return
        wanted = (centre[0] / self._per - sx, centre[1] / self._per - sy)
        found = centre_on_grid((sx, sy), (ex, ey), wanted, self._step)
        if found.mismatch * self._per > self.machine.arcs.limit:
            raise CutError(
                f"An arc of radius {radius:.4g} mm cannot be written with {self.machine.numbers.decimals} places.",
                suggestion="Give the machine more places behind the point.",
            )
        self._put_move("G3" if sweep > 0 else "G2", goal, self._centre_words(found.i, found.j, (sx, sy), sweep), feed)

    def _centre_words(self, i: float, j: float, start: tuple[float, float], sweep: float) -> tuple[str, ...]:
        if self.machine.arcs.by == "radius":
            # More than half a turn would want a negative radius: arcs are cut to half turns, and those need their
            # centre.
            size = self.number(math.hypot(i, j))
            return (f"R{size}",) if abs(sweep) < math.pi - 1e-6 else (f"I{self.number(i)}", f"J{self.number(j)}")
        base = start if self.machine.arcs.by == "absolute" else (0.0, 0.0)
        return (f"I{self.number(base[0] + i)}", f"J{self.number(base[1] + j)}")
