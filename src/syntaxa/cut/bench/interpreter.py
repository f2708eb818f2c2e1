"""Plays a program line by line (ISO 6983 and RS274/NGC words) and tells every line that cannot be played as it stands.

Bounded in time and memory: so many lines, moves and problems, and calls no deeper than a few. A line that is wrong is
told and left out; what follows it goes on from where the tool was.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field

from syntaxa.cut.bench.beside import beside
from syntaxa.cut.bench.expressions import WrongLine
from syntaxa.cut.bench.moves import Move, MoveKind, Place, Played, Problem, ProblemKind
from syntaxa.cut.bench.words import Block, block_of

#: Lines that are played, moves that are kept, problems that are told, and calls within calls.
MOST_LINES, MOST_MOVES, MOST_PROBLEMS, DEEPEST = 2_000_000, 1_000_000, 200, 10

#: mm; what is farther off is no place on a machine. RS274/NGC lets the ends of an arc be unlike far by 0.002 mm, or
#: 0.0002 in.
_FARTHEST, _UNLIKE_MM, _UNLIKE_IN = 1e6, 0.002, 0.0002 * 25.4

#: mm by which chords leave an arc that is not seen from above, and mm that a peck goes back.
_CHORD, _BACK = 0.001, 0.254

#: Groups of G words of which a line may have one, in tenths (ISO 6983, RS274/NGC table 5, from memory).
_GROUPS: dict[str, tuple[int, ...]] = {
    "motion": (0, 10, 20, 30, 800, 810, 820, 830),
    "plane": (170, 180, 190),
    "distance": (900, 910),
    "centre": (901, 911),
    "unit": (200, 210),
    "rate": (930, 940, 950),
    "compensation": (400, 410, 420),
    "length": (430, 490),
    "system": (540, 550, 560, 570, 580, 590),
    "return": (980, 990),
    "path": (610, 611, 640),
    "other": (40, 280, 300, 530, 920, 921),
}
_GROUP_OF = {code: group for group, codes in _GROUPS.items() for code in codes}
_KNOWN_M = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 30, 48, 49, 98, 99}

#: Axes of each plane: the two that an arc lies in, and the third.
_PLANES = {17: (0, 1, 2), 18: (2, 0, 1), 19: (1, 2, 0)}


class _Stop(Exception):  # noqa: N818  it ends the playing
    """The program ends, or may not go on."""


@dataclass(slots=True)
class _Modal:
    """What stays from line to line; lengths in mm."""

    at: list[float] = field(default_factory=lambda: [0.0, 0.0, 0.0])
    motion: int | None = None
    unit: float = 1.0
    absolute: bool = True
    relative_centres: bool = True
    plane: int = 17
    feed: float = 0.0
    rate: int = 940
    tool: int = 0
    chosen: int = 0
    on: bool = False
    speed: float = 0.0
    shift: list[float] = field(default_factory=lambda: [0.0, 0.0, 0.0])
    to_start: bool = True
    cycle: dict[str, float] = field(default_factory=dict)
    beside: float = 0.0


def played(text: str, skip: bool = False, radii: Mapping[int, float] | None = None) -> Played:
    """All moves of a program, from its zero on.

    skip   whether lines with a slash are left out
    radii  mm, of the tools by number; where there is one, all have it. Without it, G41 and G42 are not understood
    """
    return _Interpreter(text, skip, radii or {}).played()


class _Interpreter:
    def __init__(self, text: str, skip: bool, radii: Mapping[int, float]) -> None:
        ending = "\n" if "\n" in text else "\r"
        self.lines = text.split(ending, MOST_LINES)[:MOST_LINES]
        self.too_long = text.count(ending) > MOST_LINES
        self.skip, self.radii = skip, radii
        self.m = _Modal()
        self.parameters: dict[int, float] = {}
        self.moves: list[Move] = []
        self.problems: list[Problem] = []
        self.unknown: list[tuple[int, str]] = []
        self.line = 0
        self.count = self.blocks = 0
        self.unit = self.distance = ""
        self.mismatch = 0.0
        self.ended = False
        self.labels: dict[int, int] = {}
        #: How many moves there were when a place on each axis was first named.
        self.named: dict[int, int] = {}

    def played(self) -> Played:
        try:
            self._play(0, 0)
            if self.too_long:
                self._problem("limit", f"only the first {MOST_LINES:,} lines are played")
        except _Stop:
            pass
        if any(m.beside for m in self.moves):
            self.moves, more = beside(self.moves)
            self.problems += more[: MOST_PROBLEMS - len(self.problems)]
        return Played(
            tuple(self.moves), tuple(self.problems), tuple(self.unknown), len(self.lines), self.blocks,
            self.unit, self.distance, self.mismatch, self._placed(), self.ended, tuple(self.lines),
        )  # fmt: skip

    def _placed(self) -> int:
        """After how many moves it is known where the tool is: once places were named on all axes that are used."""
        return max(self.named.values(), default=0)

    # ------------------------------------------------------------------ lines

    def _play(self, first: int, depth: int) -> None:
        """Lines from one on, until the program or a subprogram ends."""
        percent = False
        for number in range(first, len(self.lines)):
            raw = self.lines[number]
            if raw.strip() == "%":
                if percent:
                    return
                percent = True
                continue
            self.line = number + 1
            self.count += 1
            if self.count > MOST_LINES:
                self._problem("limit", f"more than {MOST_LINES:,} lines would be played; the rest was left out")
                raise _Stop
            if self._done(raw, depth):
                return

    def _done(self, raw: str, depth: int) -> bool:
        """Plays a line; whether a subprogram ends with it."""
        try:
            block = block_of(raw, self.parameters)
            if block.skipped and self.skip:
                return False
            if block.words or block.sets:
                self.blocks += 1
                return self._block(block, depth)
        except WrongLine as error:
            self._problem("syntax", str(error))
        return False

    def _problem(self, kind: ProblemKind, why: str) -> None:
        if len(self.problems) < MOST_PROBLEMS:
            x, y, z = self.m.at
            self.problems.append(Problem(self.line, kind, f"Line {self.line}: {why}.", (x, y, z)))

    def _block(self, block: Block, depth: int) -> bool:
        g, ms, words = self._sorted(block)
        for number, value in block.sets:
            self.parameters[number] = value
        self._settings(g, ms, words)
        self._motion(g, words)
        if 98 in ms:
            self._call(words, depth)
        if 99 in ms:
            return depth > 0 or self._ends()
        if ms & {0, 1}:
            self._add("stop", self._here())
        if ms & {2, 30}:
            self._add("stop", self._here())
            self.ended = True
            raise _Stop
        return False

    def _ends(self) -> bool:
        self.ended = True
        raise _Stop

    def _sorted(self, block: Block) -> tuple[dict[str, int], set[int], dict[str, float]]:
        """G words by their group, M words, and the rest by their letter; raises WrongLine."""
        g: dict[str, int] = {}
        ms: set[int] = set()
        words: dict[str, float] = {}
        for letter, value in block.words:
            if letter == "G":
                code = round(value * 10)
                group = _GROUP_OF.get(code)
                if group is None or abs(value * 10 - code) > 1e-6:
                    self._unknown(f"G{value:g}")
                elif g.get(group, code) != code:
                    raise WrongLine(f"G{g[group] / 10:g} and G{value:g} exclude each other")
                else:
                    g[group] = code
            elif letter == "M":
                if value in _KNOWN_M:
                    ms.add(int(value))
                else:
                    self._unknown(f"M{value:g}")
            elif letter in "ABCUVWE":
                self._unknown(f"{letter}{value:g}")
            elif letter in words:
                raise WrongLine(f"{letter} stands twice")
            else:
                words[letter] = value
        if len(ms & {3, 4, 5}) > 1:
            raise WrongLine("the spindle is told two things")
        return g, ms, words

    def _unknown(self, word: str) -> None:
        if len(self.unknown) < MOST_PROBLEMS:
            self.unknown.append((self.line, word))

    # ------------------------------------------------------------------ what stays

    def _settings(self, g: dict[str, int], ms: set[int], words: dict[str, float]) -> None:
        m = self.m
        if "unit" in g:
            m.unit, self.unit = (1.0, "mm") if g["unit"] == 210 else (25.4, "in")
        m.rate = g.get("rate", m.rate)
        if "F" in words and m.rate != 930:
            if words["F"] < 0:
                raise WrongLine("a feed is less than 0")
            m.feed = words["F"] * m.unit
        if "S" in words:
            if words["S"] < 0:
                raise WrongLine("a speed is less than 0")
            m.speed = words["S"]
        if "T" in words:
            if words["T"] != int(words["T"]) or words["T"] < 0:
                raise WrongLine("the number of a tool is not whole")
            m.chosen = int(words["T"])
        if 6 in ms:
            m.tool, m.on = m.chosen, False
            self._add("change", self._here())
        if ms & {3, 4, 5}:
            m.on = 5 not in ms
        m.plane = g.get("plane", m.plane * 10) // 10
        if "distance" in g:
            m.absolute = g["distance"] == 900
            self.distance = "absolute" if m.absolute else "relative"
        if "centre" in g:
            m.relative_centres = g["centre"] == 911
        if "return" in g:
            m.to_start = g["return"] == 980
        if "compensation" in g:
            self._keep_beside(g["compensation"], words)

    def _keep_beside(self, code: int, words: dict[str, float]) -> None:
        """G40 to G42: beside the way by the radius of a tool, that of the D word or the one in hand."""
        self.m.beside = 0.0
        if code == 400:
            return
        number = words.get("D", float(self.m.tool))
        only = next(iter(self.radii.values())) if len(self.radii) == 1 else None
        radius = self.radii.get(int(number), only) if number == int(number) else None
        if radius is None:
            self._unknown(f"G{code // 10}")
        elif self.m.plane != 17:
            raise WrongLine(f"G{code // 10} is played in the plane of G17 alone")
        else:
            self.m.beside = radius if code == 410 else -radius

    # ------------------------------------------------------------------ motion

    def _motion(self, g: dict[str, int], words: dict[str, float]) -> None:
        m, other = self.m, g.get("other")
        axis = {k: words[a] * m.unit for k, a in enumerate("XYZ") if a in words}
        if other == 40:
            if words.get("P", -1.0) < 0:
                raise WrongLine("a dwell does not say how long")
            self._add("dwell", self._here(), seconds=words["P"])
            return
        if other == 920:
            for k, value in axis.items():
                m.shift[k] += value - m.at[k]
                m.at[k] = value
            return
        if other == 921:
            for k in range(3):
                m.at[k] -= m.shift[k]
                m.shift[k] = 0.0
        if other in (280, 300):
            # Where a machine's reference lies nobody here knows: it goes by the place that is named.
            if axis:
                self._add("rapid", self._goal(axis))
            return
        for k in axis:
            self.named.setdefault(k, len(self.moves) + 1)
        if "motion" in g:
            m.motion = g["motion"]
            if m.motion not in (810, 820, 830):
                m.cycle = {}
        centre_words = {"I", "J", "K", "R"} & words.keys()
        if not axis and not (m.motion in (20, 30) and centre_words):
            if g.get("motion") in (20, 30):
                self._problem("arc", "an arc goes nowhere")
            return
        if m.motion is None or m.motion == 800:
            raise WrongLine("a place stands there and no word how to go")
        self._go(axis, words)

    def _go(self, axis: dict[int, float], words: dict[str, float]) -> None:
        m = self.m
        goal = self._goal(axis)
        if any(abs(v) > _FARTHEST for v in goal):
            self._problem("value", f"the place {goal[0]:g}, {goal[1]:g}, {goal[2]:g} mm lies more than a kilometre off")
            return
        if m.motion == 0:
            self._add("rapid", goal)
            return
        feed = self._feed(words)
        if m.motion in (810, 820, 830):
            self._drill(axis, words, feed(1.0))
        elif m.motion == 10:
            self._add("feed", goal, feed=feed(math.dist(m.at, goal)))
        else:
            self._arc(goal, words, feed)

    def _feed(self, words: dict[str, float]) -> Callable[[float], float]:
        """Feed (mm/min) of a move of a length; what has none is told, and played as it is."""
        m = self.m
        if m.rate == 930:
            if words.get("F", 0.0) <= 0:
                self._problem("feed", "a move by inverse time does not say how long it takes")
            return lambda length: length * max(words.get("F", 0.0), 0.0)
        if m.feed <= 0:
            self._problem("feed", "a cut has no feed")
        per = m.speed if m.rate == 950 else 1.0
        return lambda _length: m.feed * per

    def _goal(self, axis: dict[int, float]) -> Place:
        m = self.m
        goal = [m.at[k] if k not in axis else axis[k] if m.absolute else m.at[k] + axis[k] for k in range(3)]
        return goal[0], goal[1], goal[2]

    def _here(self) -> Place:
        x, y, z = self.m.at
        return x, y, z

    def _add(
        self, kind: MoveKind, goal: Place, centre: tuple[float, float] | None = None, sweep: float = 0.0,
        feed: float = 0.0, seconds: float = 0.0,
    ) -> None:  # fmt: skip
        m = self.m
        if len(self.moves) >= MOST_MOVES:
            self._problem("limit", f"the program has more than {MOST_MOVES:,} moves; the rest was left out")
            raise _Stop
        here = self._here()
        self.moves.append(
            Move(self.line, kind, here, goal, centre, sweep, feed, m.tool, m.on, m.speed, seconds, m.beside)
        )  # fmt: skip
        m.at = list(goal)

    # ------------------------------------------------------------------ arcs

    def _arc(self, goal: Place, words: dict[str, float], feed: Callable[[float], float]) -> None:
        m = self.m
        if m.plane not in _PLANES:
            raise WrongLine("an arc lies in no plane")
        u, v, w = _PLANES[m.plane]
        ccw = m.motion == 30
        start, end = (m.at[u], m.at[v]), (goal[u], goal[v])
        try:
            centre = self._centre(start, end, words, ccw)
        except WrongLine as error:
            # The way is played as a line, so that what follows is judged where it is.
            self._problem("arc", str(error))
            self._add("feed", goal, feed=feed(math.dist(m.at, goal)))
            return
        first = math.atan2(start[1] - centre[1], start[0] - centre[0])
        last = math.atan2(end[1] - centre[1], end[0] - centre[0])
        sweep = (last - first) % math.tau if ccw else -((first - last) % math.tau)
        if start == end:
            sweep = math.tau if ccw else -math.tau
        radius = math.dist(start, centre)
        length = math.hypot(abs(sweep) * radius, goal[w] - m.at[w])
        if m.plane == 17:
            self._add("feed", goal, centre, sweep, feed(length))
            return
        for place in _chords(centre, radius, first, sweep, (m.at[w], goal[w])):
            on_way = [0.0, 0.0, 0.0]
            on_way[u], on_way[v], on_way[w] = place
            self._add("feed", (on_way[0], on_way[1], on_way[2]), feed=feed(length))
        self.m.at = list(goal)

    def _centre(
        self, start: tuple[float, float], end: tuple[float, float], words: dict[str, float], ccw: bool
    ) -> tuple[float, float]:
        """The centre in the arc's plane; raises WrongLine where there is none that does."""
        m = self.m
        names = {17: "IJ", 18: "KI", 19: "JK"}[m.plane]
        if "R" in words:
            if words.keys() & {"I", "J", "K"}:
                raise WrongLine("an arc has both a radius and a centre")
            return _by_radius(start, end, words["R"] * m.unit, ccw)
        if not words.keys() & set(names):
            raise WrongLine("an arc has neither a radius nor a centre in its plane")
        given = [words.get(n) for n in names]
        base = start if m.relative_centres else (0.0, 0.0)
        centre = tuple(
            (start[k] if given[k] is None else base[k] + (given[k] or 0.0) * m.unit) for k in range(2)
        )  # fmt: skip
        one, two = math.dist(start, centre), math.dist(end, centre)
        self.mismatch = max(self.mismatch, abs(one - two))
        if abs(one - two) > (_UNLIKE_MM if m.unit == 1.0 else _UNLIKE_IN):
            raise WrongLine(f"the ends of an arc are {one:.5f} and {two:.5f} mm from its centre")
        if one == 0:
            raise WrongLine("an arc has no radius")
        return centre[0], centre[1]

    # ------------------------------------------------------------------ cycles and calls

    def _drill(self, axis: dict[int, float], words: dict[str, float], feed: float) -> None:
        m, c = self.m, self.m.cycle
        for name in "RZQP":
            if name in words:
                c[name] = words[name] * (1.0 if name == "P" else m.unit)
        if "Z" not in c or "R" not in c:
            self._problem("cycle", "a drilling cycle does not say how deep, or from where")
            return
        peck = c.get("Q", 0.0)
        if m.motion == 830 and peck <= 0:
            self._problem("cycle", "G83 does not say how deep a peck is")
            return
        times = words.get("L", 1.0)
        if not 1 <= times <= 1000:
            raise WrongLine(f"{times:g} repeats of a cycle")
        old = m.at[2]
        clear = c["R"] if m.absolute else old + c["R"]
        bottom = c["Z"] if m.absolute else clear + c["Z"]
        if clear < bottom:
            self._problem("cycle", "a drilling cycle begins below where it ends")
            return
        flat = {k: v for k, v in axis.items() if k != 2}
        for _ in range(int(times)):
            x, y, _z = self._goal(flat)
            if m.at[2] < clear:
                self._add("rapid", (m.at[0], m.at[1], clear))
            self._add("rapid", (x, y, m.at[2]))
            self._add("rapid", (x, y, clear))
            self._hole(x, y, clear, bottom, peck if m.motion == 830 else 0.0, feed)
            self._add("rapid", (x, y, max(old, clear) if m.to_start else clear))

    def _hole(self, x: float, y: float, clear: float, bottom: float, peck: float, feed: float) -> None:
        if not peck:
            self._add("feed", (x, y, bottom), feed=feed)
            if self.m.motion == 820:
                self._add("dwell", (x, y, bottom), seconds=self.m.cycle.get("P", 0.0))
            return
        if (clear - bottom) / peck > 10_000:
            self._problem("cycle", "a hole has more than 10,000 pecks")
            return
        z = clear
        while z > bottom:
            if z < clear:
                self._add("rapid", (x, y, min(z + _BACK, clear)))
            z = max(z - peck, bottom)
            self._add("feed", (x, y, z), feed=feed)
            self._add("rapid", (x, y, clear))

    def _call(self, words: dict[str, float], depth: int) -> None:
        """A subprogram, which begins at the line with its O word."""
        if not self.labels:
            self.labels = dict(_labels(self.lines))
        wanted = words.get("P", -1.0)
        begin = self.labels.get(int(wanted)) if wanted == int(wanted) else None
        if begin is None:
            self._problem("call", f"there is no subprogram O{wanted:g}")
            return
        if depth >= DEEPEST:
            self._problem("call", f"subprograms call each other more than {DEEPEST} deep")
            raise _Stop
        times = int(words.get("L", 1.0))
        line = self.line
        for _ in range(min(max(times, 0), 10_000)):
            self._play(begin, depth + 1)
        self.line = line


def _labels(lines: list[str]) -> Iterator[tuple[int, int]]:
    """Where subprograms begin, by the numbers of their O words."""
    for number, raw in enumerate(lines):
        text = raw.strip().upper()
        if text[:1] in ("O", ":"):
            digits = text[1:].split("(")[0].strip()
            if digits.isdigit():
                yield int(digits), number + 1


def _by_radius(start: tuple[float, float], end: tuple[float, float], radius: float, ccw: bool) -> tuple[float, float]:
    """The centre of an arc by its radius, less than 0 for more than half a turn; raises WrongLine."""
    dx, dy = end[0] - start[0], end[1] - start[1]
    chord = math.hypot(dx, dy)
    if chord == 0:
        raise WrongLine("an arc by its radius ends where it begins")
    if chord > 2 * abs(radius) + _UNLIKE_MM:
        raise WrongLine(f"a radius of {abs(radius):.5f} mm is too small for ends {chord:.5f} mm apart")
    lift = math.sqrt(max(radius * radius - chord * chord / 4, 0.0))
    # Counter-clockwise and at most half a turn: the centre lies to the left of the chord.
    side = (1.0 if ccw else -1.0) * (1.0 if radius > 0 else -1.0)
    return start[0] + dx / 2 - side * lift * dy / chord, start[1] + dy / 2 + side * lift * dx / chord


def _chords(
    centre: tuple[float, float], radius: float, first: float, sweep: float, rise: tuple[float, float]
) -> Iterator[tuple[float, float, float]]:
    """Places along an arc, so near to each other that chords leave it by next to nothing, with the third axis."""
    most = 2 * math.acos(max(1 - _CHORD / radius, -1.0)) if radius > _CHORD else math.pi
    count = min(max(1, math.ceil(abs(sweep) / most)), 20_000)
    for n in range(1, count + 1):
        angle, share = first + sweep * n / count, n / count
        yield (
            centre[0] + radius * math.cos(angle),
            centre[1] + radius * math.sin(angle),
            rise[0] + (rise[1] - rise[0]) * share,
        )
