"""Numbers of a line: plain ones, parameters, and expressions in square brackets (RS274/NGC, angles in degrees)."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping

#: How deep brackets may lie in each other.
_DEEPEST = 40

#: Beyond this no number of a program means anything.
LARGEST = 1e9

_LEVELS = (("AND", "XOR", "OR"), ("+", "-"), ("*", "/", "MOD"), ("**",))

_FUNCTIONS: dict[str, Callable[[float], float]] = {
    "ABS": abs,
    "ACOS": lambda a: math.degrees(math.acos(a)),
    "ASIN": lambda a: math.degrees(math.asin(a)),
    "COS": lambda a: math.cos(math.radians(a)),
    "EXP": math.exp,
    "FIX": lambda a: float(math.floor(a)),
    "FUP": lambda a: float(math.ceil(a)),
    "LN": math.log,
    "ROUND": lambda a: float(math.floor(a + 0.5)),
    "SIN": lambda a: math.sin(math.radians(a)),
    "SQRT": math.sqrt,
    "TAN": lambda a: math.tan(math.radians(a)),
}

_OPERATIONS: dict[str, Callable[[float, float], float]] = {
    "AND": lambda a, b: float(bool(a) and bool(b)),
    "OR": lambda a, b: float(bool(a) or bool(b)),
    "XOR": lambda a, b: float(bool(a) != bool(b)),
    "+": lambda a, b: a + b,
    "-": lambda a, b: a - b,
    "*": lambda a, b: a * b,
    "/": lambda a, b: a / b,
    "MOD": lambda a, b: a - b * math.floor(a / b),
    "**": lambda a, b: a**b,
}


class WrongLine(Exception):  # noqa: N818  it is told as a problem, never raised to users
    """A line that cannot be read, and why."""


class Scanner:
    """Reads one line without blanks, in capitals, from left to right."""

    def __init__(self, text: str, parameters: Mapping[int, float]) -> None:
        self.text, self.at = text, 0
        self._parameters = parameters
        self._depth = 0

    @property
    def done(self) -> bool:
        """Whether nothing is left."""
        return self.at >= len(self.text)

    def peek(self) -> str:
        """The next letter, empty at the end."""
        return self.text[self.at] if self.at < len(self.text) else ""

    def take(self) -> str:
        """The next letter, gone past."""
        self.at += 1
        return self.text[self.at - 1]

    def number(self) -> float:
        """The number that stands here; raises WrongLine."""
        found = self._value()
        if not abs(found) <= LARGEST or isinstance(found, complex):
            raise WrongLine(
                f"{found:g} is too large a number" if not isinstance(found, complex) else "a root of less than 0"
            )
        return found

    def index(self) -> int:
        """The number of a parameter."""
        found = self._value()
        if found != int(found) or not 0 < found <= 100_000:
            raise WrongLine("the number of a parameter is not a whole one")
        return int(found)

    def _value(self) -> float:
        c = self.peek()
        if c == "[":
            return self._bracket()
        if c == "#":
            self.at += 1
            return self._parameters.get(self.index(), 0.0)
        if c in "+-" and c and self.text[self.at + 1 : self.at + 2] in ("#", "["):
            self.at += 1
            return -self._value() if c == "-" else self._value()
        for name in _FUNCTIONS:
            if self.text.startswith(name, self.at):
                self.at += len(name)
                return self._called(name, _FUNCTIONS[name])
        if self.text.startswith("ATAN", self.at):
            return self._arctangent()
        return self._digits()

    def _digits(self) -> float:
        begin = self.at
        if self.peek() in ("+", "-"):
            self.at += 1
        while self.peek().isdigit() or self.peek() == ".":
            self.at += 1
        text = self.text[begin : self.at]
        if not text.strip("+-.") or text.count(".") > 1 or not text.isascii():
            raise WrongLine(f"a number is missing at “{self.text[begin : begin + 8]}”")
        return float(text)

    def _called(self, name: str, function: Callable[[float], float]) -> float:
        given = self._bracket()
        try:
            return function(given)
        except (ValueError, OverflowError):
            raise WrongLine(f"{name} of {given:g}") from None

    def _arctangent(self) -> float:
        self.at += len("ATAN")
        one = self._bracket()
        if self.peek() != "/":
            raise WrongLine("ATAN needs two numbers")
        self.at += 1
        return math.degrees(math.atan2(one, self._bracket()))

    def _bracket(self) -> float:
        if self.peek() != "[":
            raise WrongLine("a square bracket is missing")
        self._depth += 1
        if self._depth > _DEEPEST:
            raise WrongLine(f"more than {_DEEPEST} brackets lie in each other")
        self.at += 1
        found = self._level(0)
        if self.peek() != "]":
            raise WrongLine("a square bracket is not closed")
        self.at += 1
        self._depth -= 1
        return found

    def _level(self, level: int) -> float:
        if level == len(_LEVELS):
            return self._value()
        found = self._level(level + 1)
        while name := self._operation(level):
            self.at += len(name)
            other = self._level(level + 1)
            try:
                found = _OPERATIONS[name](found, other)
            except (ZeroDivisionError, OverflowError, ValueError):
                raise WrongLine(f"{found:g} {name} {other:g}") from None
            if isinstance(found, complex) or not abs(found) <= LARGEST:
                raise WrongLine(f"the result of {name} is no number that means anything")
        return found

    def _operation(self, level: int) -> str:
        for name in _LEVELS[level]:
            if self.text.startswith(name, self.at) and not (name == "*" and self.text.startswith("**", self.at)):
                return name
        return ""
