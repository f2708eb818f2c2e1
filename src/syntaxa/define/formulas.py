"""Values and formulas with units: read by a small grammar, never run as code.

    sum = product (("+" | "-") product)*      product = power (("*" | "/") power)*
    power = "-" power | atom ["^" whole]      atom = number [unit] | name | name "(" sum ("," sum)* ")" | "(" sum ")"

A plain number counts as mm where a length is wanted, and as degrees where an angle is. What is not alike is not added.
"""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from graphlib import CycleError, TopologicalSorter
from typing import Literal, NoReturn

from syntaxa.drawing.quantities import UNIT_WORDS
from syntaxa.drawing.units import mm_per
from syntaxa.errors import DefineError

_ANGLES = {"deg": math.pi / 180, "°": math.pi / 180, "rad": 1.0}

#: "3/8in" and "1 3/8in" are fractions of an inch; "width/2" is a division.
_NUMBER = r"(?:\d+\s+)?\d+/\d+(?=\s*(?:in|ft|mm|cm|m)\b|\s*[\"'])|\d+(?:\.\d*)?(?:[eE][+-]?\d+)?|\.\d+"
_TOKEN = re.compile(rf"\s*(?:(?P<number>{_NUMBER})|(?P<name>[^\W\d]\w*)|(?P<sign>[-+*/^(),°'\"]))")
_NAME = re.compile(r"[^\W\d]\w*\Z")

#: Signs, and levels of brackets and signs, beyond which a formula is a mistake.
_LONGEST = 500
_DEEPEST = 40
_HIGHEST_POWER = 9


@dataclass(frozen=True, slots=True)
class Quantity:
    """A number in mm to a power and radians to a power."""

    size: float
    length: int = 0
    angle: int = 0

    @property
    def is_plain(self) -> bool:
        """Whether it is a bare number, which takes whatever kind is wanted."""
        return not self.length and not self.angle


_CALLS: dict[str, Callable[..., float]] = {
    "sqrt": math.sqrt, "abs": abs, "min": min, "max": max, "sin": math.sin, "cos": math.cos, "tan": math.tan,
    "asin": math.asin, "acos": math.acos, "atan": math.atan, "atan2": math.atan2, "floor": math.floor,
    "ceil": math.ceil, "round": round,
}  # fmt: skip
_OF_ANGLES = frozenset(("sin", "cos", "tan"))
_TO_ANGLES = frozenset(("asin", "acos", "atan", "atan2"))

#: Names that mean something already.
RESERVED = frozenset((*_CALLS, *UNIT_WORDS, *_ANGLES, "pi"))


def check_name(name: str) -> None:
    """Raises DefineError where a name cannot be that of a dimension or parameter."""
    if not _NAME.match(name):
        raise DefineError(f"“{name}” is no name.", suggestion="Begin with a letter; letters, digits and _ may follow.")
    if name in RESERVED:
        raise DefineError(f"“{name}” means something in formulas already.", suggestion="Choose another name.")


def names_in(text: str) -> set[str]:
    """The dimensions and parameters that a formula uses; raises DefineError where it cannot be read."""
    return {word for kind, word in _tokens(text) if kind == "name" and word not in RESERVED}


def renamed(text: str, old: str, new: str) -> str:
    """A formula with a name changed wherever it stands."""
    return re.sub(rf"(?<!\w){re.escape(old)}(?!\w)", new, text)


def length_of(quantity: Quantity, text: str) -> float:
    """mm; raises DefineError where it is something else."""
    if quantity.is_plain or (quantity.length, quantity.angle) == (1, 0):
        return quantity.size
    raise DefineError(f"“{text}” is {_kind(quantity)}, but a length is wanted.")


def angle_of(quantity: Quantity, text: str) -> float:
    """Radians; raises DefineError where it is something else."""
    if quantity.is_plain:
        return math.radians(quantity.size)
    if (quantity.length, quantity.angle) == (0, 1):
        return quantity.size
    raise DefineError(f"“{text}” is {_kind(quantity)}, but an angle is wanted.")


def length(value: float) -> Quantity:
    """A length (mm)."""
    return Quantity(value, 1)


def angle(value: float) -> Quantity:
    """An angle (radians)."""
    return Quantity(value, 0, 1)


def evaluated(
    formulas: Mapping[str, str],
    known: Mapping[str, Quantity] | None = None,
    kinds: Mapping[str, Literal["length", "angle"]] | None = None,
) -> dict[str, Quantity]:
    """The value of every formula, by its name; known values may be used in them, and some names have a kind.

    Raises DefineError that names the formula, or the ring of formulas that need each other.
    """
    uses = {name: names_in(text) & formulas.keys() for name, text in formulas.items()}
    try:
        order = list(TopologicalSorter(uses).static_order())
    except CycleError as error:
        ring = list(reversed(error.args[1]))
        raise DefineError(
            f"{' needs '.join(ring)}, which never comes to an end.", suggestion="Give one of them a number."
        ) from None
    found: dict[str, Quantity] = dict(known or {})
    for name in order:
        found[name] = value_of(formulas[name], found)
        kind = (kinds or {}).get(name)
        if kind is not None:
            found[name] = (
                length(length_of(found[name], formulas[name]))
                if kind == "length"
                else angle(angle_of(found[name], formulas[name]))
            )
    return found


def value_of(text: str, known: Mapping[str, Quantity] | None = None) -> Quantity:
    """What a formula comes to; raises DefineError where it cannot be read or has no value."""
    reader = _Reader(text, known or {})
    try:
        value = reader.whole()
    except (ZeroDivisionError, OverflowError, ValueError, TypeError):
        value = Quantity(math.nan)
    if not math.isfinite(value.size):
        raise DefineError(f"“{text.strip()}” has no value.")
    return value


def _kind(quantity: Quantity) -> str:
    names = {(0, 0): "a plain number", (1, 0): "a length", (0, 1): "an angle", (2, 0): "an area", (3, 0): "a volume"}
    return names.get((quantity.length, quantity.angle), "neither a length nor an angle")


def _tokens(text: str) -> list[tuple[str, str]]:
    if len(text) > _LONGEST:
        raise DefineError("The formula is too long.", suggestion=f"Use {_LONGEST} signs at most.")
    text, at, found = text.rstrip(), 0, []
    while at < len(text):
        match = _TOKEN.match(text, at)
        if match is None:
            raise DefineError(f"“{text}” cannot be read at “{text[at : at + 8].strip()}”.")
        kind = str(match.lastgroup)
        found.append((kind, match[kind].strip()))
        at = match.end()
    return found


def _number(text: str) -> float:
    whole, _, part = text.rpartition(" ")
    if "/" not in text:
        return float(text)
    above, _, below = part.partition("/")
    return float(whole or 0) + float(above) / float(below)


class _Reader:
    """Reads one formula."""

    def __init__(self, text: str, known: Mapping[str, Quantity]) -> None:
        self._text, self._known, self._at = text.strip(), known, 0
        self._tokens = _tokens(text)

    def whole(self) -> Quantity:
        """The value of all of it."""
        if not self._tokens:
            raise DefineError("A value is wanted here.")
        value = self._sum(0)
        if self._at < len(self._tokens):
            self._wrong()
        return value

    def _wrong(self, why: str = "cannot be read") -> NoReturn:
        raise DefineError(f"“{self._text}” {why}.")

    def _peek(self) -> str:
        return self._tokens[self._at][1] if self._at < len(self._tokens) else ""

    def _take(self) -> tuple[str, str]:
        if self._at >= len(self._tokens):
            self._wrong("ends too early")
        self._at += 1
        return self._tokens[self._at - 1]

    def _sum(self, depth: int) -> Quantity:
        if depth > _DEEPEST:
            self._wrong("is nested too deeply")
        value = self._product(depth)
        while self._peek() in ("+", "-"):
            sign = 1.0 if self._take()[1] == "+" else -1.0
            value = self._added(value, self._product(depth), sign)
        return value

    def _added(self, a: Quantity, b: Quantity, sign: float) -> Quantity:
        if a.is_plain != b.is_plain:
            like = b if a.is_plain else a
            if (like.length, like.angle) in ((1, 0), (0, 1)):
                per = 1.0 if like.length else math.pi / 180
                a, b = (Quantity(q.size * per, like.length, like.angle) if q.is_plain else q for q in (a, b))
        if (a.length, a.angle) != (b.length, b.angle):
            self._wrong(f"adds {_kind(a)} and {_kind(b)}")
        return Quantity(a.size + sign * b.size, a.length, a.angle)

    def _product(self, depth: int) -> Quantity:
        value = self._power(depth)
        while self._peek() in ("*", "/"):
            times = self._take()[1] == "*"
            by = self._power(depth)
            k = 1 if times else -1
            size = value.size * by.size if times else value.size / by.size
            value = Quantity(size, value.length + k * by.length, value.angle + k * by.angle)
        return value

    def _power(self, depth: int) -> Quantity:
        if depth > _DEEPEST:
            self._wrong("is nested too deeply")
        if self._peek() == "-":
            self._take()
            inner = self._power(depth + 1)
            return Quantity(-inner.size, inner.length, inner.angle)
        value = self._atom(depth)
        if self._peek() == "^":
            self._take()
            kind, text = self._take()
            if kind != "number" or not text.isdigit() or int(text) > _HIGHEST_POWER:
                self._wrong(f"has a power that is no whole number up to {_HIGHEST_POWER}")
            n = int(text)
            value = Quantity(value.size**n, value.length * n, value.angle * n)
        return value

    def _atom(self, depth: int) -> Quantity:
        kind, text = self._take()
        if kind == "number":
            return self._with_unit(_number(text))
        if text == "(":
            value = self._sum(depth + 1)
            self._close()
            return value
        if kind != "name":
            self._wrong()
        if text in _CALLS and self._peek() == "(":
            return self._call(text, depth)
        if text == "pi":
            return Quantity(math.pi)
        if text not in self._known:
            self._wrong(f"uses “{text}”, which nothing is called")
        return self._known[text]

    def _with_unit(self, number: float) -> Quantity:
        unit = self._peek()
        if unit in UNIT_WORDS:
            self._take()
            return Quantity(number * mm_per(UNIT_WORDS[unit]), 1)
        if unit in _ANGLES:
            self._take()
            return Quantity(number * _ANGLES[unit], 0, 1)
        return Quantity(number)

    def _close(self) -> None:
        if self._take()[1] != ")":
            self._wrong("has a bracket that is not closed")

    def _call(self, name: str, depth: int) -> Quantity:
        self._take()
        given = [self._sum(depth + 1)]
        while self._peek() == ",":
            self._take()
            given.append(self._sum(depth + 1))
        self._close()
        kinds = {(q.length, q.angle) for q in given}
        if name in _OF_ANGLES:
            if kinds - {(0, 0), (0, 1)} or len(given) != 1:
                self._wrong(f"needs one angle in {name}")
            return Quantity(_CALLS[name](angle_of(given[0], self._text)))
        if len(kinds) > 1:
            self._wrong(f"has different kinds in {name}")
        ((length, angle),) = kinds
        if name in _TO_ANGLES and name != "atan2" and (length or angle):
            self._wrong(f"needs a plain number in {name}")
        size = float(_CALLS[name](*self._sizes(name, given)))
        if name in _TO_ANGLES:
            return Quantity(size, 0, 1)
        if name == "sqrt":
            if length % 2 or angle % 2:
                self._wrong("takes the root of an odd power")
            return Quantity(size, length // 2, angle // 2)
        return Quantity(size, length, angle)

    @staticmethod
    def _sizes(name: str, given: Iterable[Quantity]) -> list[float]:
        """Sizes; min and max take two or more, and one alone is given back."""
        sizes = [q.size for q in given]
        return [*sizes, *sizes] if name in ("min", "max") and len(sizes) == 1 else sizes
