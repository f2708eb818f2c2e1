"""Path data of SVG as commands for a pen, up to the first error, as the standard asks (SVG 2, 9.5.4).

Source: the grammar of SVG 2, section 9.3.9. Numbers may follow each other without anything between, and the flags of an
arc are single digits.
"""

from __future__ import annotations

import re
from collections.abc import Iterator

from syntaxa.intake.svg.pen import PathPen

_SPACE = re.compile(r"[\s,]*")
_NUMBER = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?")
_FLAG = re.compile(r"[01]")
_LETTER = re.compile(r"([MmZzLlHhVvCcSsQqTtAa])")

#: What counts as a number elsewhere and not here, and commas where none may stand.
_WORDS = re.compile(r"[nNiI_]|,\s*[,A-DF-Za-df-z]|[A-DF-Za-df-z]\s*,|,\s*$")

#: How many numbers each command takes; the flags of an arc are told apart below.
_TAKES = {"m": 2, "l": 2, "h": 1, "v": 1, "c": 6, "s": 4, "q": 4, "t": 2, "a": 7, "z": 0}

XY = tuple[float, float]


class BrokenPath(Exception):  # noqa: N818  it is an answer: what came before it was drawn
    """The data break off."""


def draw(data: str, pen: PathPen) -> None:
    """Tells the pen all commands; raises BrokenPath where the data make no sense, when what came before is drawn."""
    teller = _Teller(pen)
    for command, values in _commands(data):
        try:
            teller.take(command, values)
        except ArithmeticError:
            # Numbers that no drawing can hold.
            raise BrokenPath from None


def decimals(data: str) -> int:
    """Digits after the point of the number that is written with most of them (exponents counted in)."""
    most = 0
    for text in _NUMBER.findall(data):
        body, _, power = text.lower().partition("e")
        digits = len(body.partition(".")[2]) - (int(power) if power else 0)
        most = max(most, digits)
    return most


def _commands(data: str) -> Iterator[tuple[str, list[float]]]:
    """Commands with their numbers. Data as most writers have them are split at their letters, others bit by bit."""
    parts = _LETTER.split(data)
    plain: list[tuple[str, list[float]]] = []
    if not parts[0].strip() and parts[1:2] in (["M"], ["m"]):
        for letter, text in zip(parts[1::2], parts[2::2], strict=True):
            takes = _TAKES[letter.lower()]
            values = text.replace(",", " ").split()
            if (takes == 0) != (not values) or (takes and len(values) % takes) or letter in "aA":
                break
            try:
                numbers = [float(v) for v in values]
            except ValueError:
                break
            if not takes:
                plain.append((letter, []))
            for k in range(0, len(numbers), takes or 1):
                plain.append((letter, numbers[k : k + takes]))
                letter = {"m": "l", "M": "L"}.get(letter, letter)
        else:
            if ",," not in data and not _WORDS.search(data):
                yield from plain
                return
    yield from _bit_by_bit(data)


def _bit_by_bit(data: str) -> Iterator[tuple[str, list[float]]]:
    at, end = 0, len(data.rstrip())
    command = ""
    space = re.compile(r"\s*")
    while True:
        at = _SPACE.match(data, at).end() if command else space.match(data, at).end()  # type: ignore[union-attr]
        if at >= end:
            return
        letter = data[at]
        if letter.lower() in _TAKES:
            if not command and letter.lower() != "m":
                raise BrokenPath
            command, at = letter, at + 1
            if letter.lower() == "z":
                yield letter, []
                continue
        elif not command or command in "zZ":
            raise BrokenPath
        values, at = _values(data, at, command.lower())
        yield command, values
        # What follows a move without a letter is drawn.
        command = {"m": "l", "M": "L"}.get(command, command)


def _values(data: str, at: int, command: str) -> tuple[list[float], int]:
    values: list[float] = []
    for k in range(_TAKES[command]):
        at = _SPACE.match(data, at).end()  # type: ignore[union-attr]
        found = (_FLAG if command == "a" and k in (3, 4) else _NUMBER).match(data, at)
        if found is None:
            raise BrokenPath
        values.append(float(found[0]))
        at = found.end()
    return values, at


class _Teller:
    """Makes absolute commands of relative ones, and whole curves of shorthand."""

    def __init__(self, pen: PathPen) -> None:
        self._pen = pen
        self._at: XY = (0.0, 0.0)
        self._begin: XY = (0.0, 0.0)
        self._handle: XY | None = None
        self._last = ""
        self._closed = False

    def take(self, command: str, v: list[float]) -> None:
        """One command."""
        kind = command.lower()
        if command.islower() and kind not in "zhva":
            v = [n + self._at[k % 2] for k, n in enumerate(v)]
        if kind != "m" and kind != "z" and self._closed:
            # What is drawn on after closing begins where the closed part began.
            self._pen.moveTo(self._at)
        self._closed = False
        handle: XY | None = None
        if kind == "m":
            self._at = self._begin = (v[0], v[1])
            self._pen.moveTo(self._at)
        elif kind == "z":
            self._pen.closePath()
            self._at, self._closed = self._begin, True
        elif kind in "lhv":
            self._line(command, v)
        elif kind in "cs":
            handle = self._cubic(kind, v)
        elif kind in "qt":
            handle = self._quadratic(kind, v)
        else:
            x, y = (v[5] + self._at[0], v[6] + self._at[1]) if command == "a" else (v[5], v[6])
            self._pen.arcTo(v[0], v[1], v[2], bool(v[3]), bool(v[4]), (x, y))
            self._at = (x, y)
        self._handle, self._last = handle, kind

    def _line(self, command: str, v: list[float]) -> None:
        x, y = self._at
        if command in "hH":
            x = v[0] + (x if command == "h" else 0.0)
        elif command in "vV":
            y = v[0] + (y if command == "v" else 0.0)
        else:
            x, y = v
        self._at = (x, y)
        self._pen.lineTo(self._at)

    def _mirrored(self, kinds: str) -> XY:
        """The handle that goes on smoothly from the last curve of a kind."""
        if self._handle is None or self._last not in kinds:
            return self._at
        return 2 * self._at[0] - self._handle[0], 2 * self._at[1] - self._handle[1]

    def _cubic(self, kind: str, v: list[float]) -> XY:
        first = (v[0], v[1]) if kind == "c" else self._mirrored("cs")
        second, end = (v[-4], v[-3]), (v[-2], v[-1])
        self._pen.curveTo(first, second, end)
        self._at = end
        return second

    def _quadratic(self, kind: str, v: list[float]) -> XY:
        handle = (v[0], v[1]) if kind == "q" else self._mirrored("qt")
        end = (v[-2], v[-1])
        self._pen.qCurveTo(handle, end)
        self._at = end
        return handle
