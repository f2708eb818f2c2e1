"""A fast way through the plain entities of an ASCII DXF: LINE, ARC and CIRCLE, which are most of most drawings.

They are taken straight from the tags, and the file without them is left for the DXF library, which reads everything
else. An entity that is in any way out of the ordinary is left to the library too. Cost: linear in the bytes.
"""

from __future__ import annotations

import contextlib
import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import compress

import numpy as np
from numpy.typing import NDArray

from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import TURN, Arc, Circle, Line
from syntaxa.geometry.types import Bools, Floats, Ints
from syntaxa.intake.gather import LARGEST

#: Fewer plain entities than this are not worth a way of their own.
FEWEST = 500

#: Radians by which the digits of a file may miss a whole turn; an angle below the other is no arc at all.
_ROUNDED, _NOTHING = 1e-8, 1e-12

_NAMES = {b"LINE": "LINE", b"ARC": "ARC", b"CIRCLE": "CIRCLE"}
_PLAIN = tuple(_NAMES)

#: Codes that a plain entity may have, and those that it must have.
_KNOWN = frozenset((0, 5, 6, 8, 10, 20, 30, 11, 21, 31, 40, 50, 51, 48, 62, 100, 102, 210, 220, 230, 330, 347, 348,
                    360, 370, 390, 420, 440))  # fmt: skip
_NEEDED = {b"LINE": (8, 10, 20, 11, 21), b"ARC": (8, 10, 20, 40, 50, 51), b"CIRCLE": (8, 10, 20, 40)}

#: Parts of an entity, not entities of their own.
_PARTS = (b"VERTEX", b"ATTRIB", b"SEQEND")


class NotPlain(Exception):  # noqa: N818  it is an answer
    """The file is not one for the fast way."""


#: What decides the style of an entity: colour index, true colour (-1 for none), weight (-1 for none), line type.
StyleKey = tuple[int, int, int, str]


@dataclass(frozen=True, slots=True)
class Columns:
    """n plain entities in the order of the file, in its own numbers.

    position  (n,) int, places in the order of the file
    z         (n,) float, largest height of the points of each
    good      (n,) bool, whether its numbers are ones that a drawing can hold and it has a size
    """

    position: Ints
    kinds: list[str]
    handles: list[str]
    layers: list[str]
    shapes: list[Line | Arc | Circle]
    styles: list[StyleKey]
    z: Floats
    good: Bools


@dataclass(frozen=True, slots=True)
class Split:
    """The plain entities, the places of all others by handle, and the file without the plain."""

    plain: Columns
    order: dict[str, int]
    rest: bytes


class _Codes(dict[bytes, int]):
    """Group codes by their bytes; there are few different ones."""

    def __missing__(self, text: bytes) -> int:
        try:
            value = int(text)
        except ValueError:
            raise NotPlain from None
        self[text] = value
        return value


@dataclass(frozen=True, slots=True)
class Tagged:
    """A whole file as tags: codes (n,), the bytes of the code lines, and the values."""

    codes: Ints
    heads: list[bytes]
    values: list[bytes]

    @classmethod
    def of(cls, data: bytes) -> Tagged:
        """The tags of a file; raises NotPlain where it does not consist of tags."""
        lines = data.removeprefix(b"\xef\xbb\xbf").splitlines()
        if len(lines) % 2:
            lines.pop()
        heads = lines[0::2]
        return cls(np.fromiter(map(_Codes().__getitem__, heads), np.int64, len(heads)), heads, lines[1::2])

    def data(self) -> bytes:
        """The file again."""
        return _joined(self.heads, self.values, np.ones(len(self.codes), dtype=bool))

    def with_tags(self, at: Ints, codes: Sequence[int], values: Sequence[bytes]) -> Tagged:
        """More tags, each before the tag at its place (rising); all at once, for a file may want tens of thousands."""
        heads, old = np.array(self.heads, dtype=object), np.array(self.values, dtype=object)
        names = np.array([b"%d" % c for c in codes], dtype=object)
        heads, old = np.insert(heads, at, names), np.insert(old, at, np.array(values, dtype=object))
        return Tagged(np.insert(self.codes, at, codes), heads.tolist(), old.tolist())

    def section(self, name: bytes) -> tuple[int, int] | None:
        """Where the tags of a section begin and end (its ENDSEC left out)."""
        codes, values = self.codes, self.values
        for k in np.flatnonzero(codes == 2).tolist():
            if values[k].strip() == name and k and codes[k - 1] == 0 and values[k - 1].strip() == b"SECTION":
                for j in np.flatnonzero(codes[k:] == 0).tolist():
                    if values[k + j].strip() == b"ENDSEC":
                        return k + 1, k + j
                raise NotPlain
        return None


def with_handles(tagged: Tagged) -> Tagged:
    """The file with a handle for each entity that has none: ids must not depend on the way a file is read."""
    codes = tagged.codes
    missing: list[int] = []
    for section in (tagged.section(b"BLOCKS"), tagged.section(b"ENTITIES")):
        if section is None:
            continue
        begin, end = section
        starts = begin + np.flatnonzero(codes[begin:end] == 0)
        owner = np.searchsorted(starts, begin + np.flatnonzero(codes[begin:end] == 5), side="right") - 1
        has = np.zeros(len(starts), dtype=bool)
        has[owner[owner >= 0]] = True
        missing += starts[~has].tolist()
    if not missing:
        return tagged
    first = max(_greatest_handle(tagged), 0xFF) + 1
    at = np.array(missing) + 1
    given = [b"%X" % number for number in range(first, first + len(missing))]
    return tagged.with_tags(at, [5] * len(given), given)


def _greatest_handle(tagged: Tagged) -> int:
    greatest = 0
    for k in np.flatnonzero((tagged.codes == 5) | (tagged.codes == 105)).tolist():
        with contextlib.suppress(ValueError):
            greatest = max(greatest, int(tagged.values[k], 16))
    return greatest


def split(tagged: Tagged, encoding: str) -> Split:
    """Parts a file; raises NotPlain where the library had better read all of it."""
    section = tagged.section(b"ENTITIES")
    if section is None:
        raise NotPlain
    begin, end = section
    codes, values = tagged.codes[begin:end], tagged.values[begin:end]
    if not len(codes) or codes[0] != 0:
        raise NotPlain
    starts = np.flatnonzero(codes == 0)
    types = np.array([values[k].strip() for k in starts.tolist()])
    if np.isin(types, _PLAIN).sum() < FEWEST:
        raise NotPlain
    owner = np.cumsum(codes == 0) - 1
    tags = _Tags(codes, values, owner, len(starts))
    good = _good(tags, types)
    handles = tags.texts(5, encoding)
    plain = _entities(tags, types, np.flatnonzero(good), handles, encoding)
    tops = np.flatnonzero(~np.isin(types, _PARTS) & ~good)
    order = {handles[k].strip().upper(): k for k in tops.tolist() if k in handles}
    keep = np.ones(len(tagged.codes), dtype=bool)
    keep[begin:end] = ~good[owner]
    return Split(plain, order, _joined(tagged.heads, tagged.values, keep))


def _joined(heads: Sequence[bytes], values: Sequence[bytes], keep: Bools) -> bytes:
    pairs = [b"\n".join(p) for p in zip(compress(heads, keep), compress(values, keep), strict=True)]
    return b"\n".join([*pairs, b""])


class _Tags:
    """The tags of one section, looked up by code."""

    def __init__(self, codes: Ints, values: Sequence[bytes], owner: Ints, count: int) -> None:
        self.codes, self.values, self.owner, self.count = codes, values, owner, count

    def places(self, code: int) -> Ints:
        """Indices of the tags with a code."""
        return np.flatnonzero(self.codes == code)

    def numbers(self, code: int, otherwise: float) -> Floats:
        """The number of each entity at a code, (count,); raises NotPlain for what is none."""
        found = np.full(self.count, otherwise)
        places = self.places(code)
        try:
            picked = map(self.values.__getitem__, places.tolist())
            found[self.owner[places]] = np.fromiter(map(float, picked), np.float64, len(places))
        except ValueError:
            raise NotPlain from None
        return found

    def texts(self, code: int, encoding: str) -> dict[int, str]:
        """The text of each entity that has one at a code."""
        known: dict[bytes, str] = {}
        found = {}
        for k in self.places(code).tolist():
            raw = self.values[k]
            text = known.get(raw)
            if text is None:
                text = known[raw] = raw.decode(encoding, "surrogateescape")
            found[int(self.owner[k])] = text
        return found


def _good(tags: _Tags, types: NDArray[np.bytes_]) -> Bools:
    """Which entities are plain, with every code that they need once and none that is out of the ordinary."""
    good = np.isin(types, _PLAIN)
    strange = ~np.isin(tags.codes, list(_KNOWN))
    np.logical_and.at(good, tags.owner[strange], False)
    for code in (5, 6, 8, 10, 20, 30, 11, 21, 31, 40, 50, 51, 62, 210, 220, 230, 370, 420):
        times = np.bincount(tags.owner[tags.places(code)], minlength=tags.count)
        good &= times <= 1
        for kind, needed in _NEEDED.items():
            if code in needed or code == 5:
                good &= (types != kind) | (times == 1)
    upright = (tags.numbers(210, 0.0) == 0) & (tags.numbers(220, 0.0) == 0) & (tags.numbers(230, 1.0) == 1)
    # A line that rises is told as tilted, which takes the longer way.
    level = (types != b"LINE") | (tags.numbers(30, 0.0) == tags.numbers(31, 0.0))
    return np.asarray(good & upright & level)


def _entities(tags: _Tags, types: NDArray[np.bytes_], chosen: Ints, handles: dict[int, str], encoding: str) -> Columns:
    numbers = {code: tags.numbers(code, 0.0)[chosen] for code in (10, 20, 30, 11, 21, 31, 40, 50, 51)}
    indices, true_colours, weights = (
        tags.numbers(code, otherwise)[chosen].astype(np.int64).tolist()
        for code, otherwise in ((62, 256.0), (420, -1.0), (370, -1.0))
    )
    layers, line_types = tags.texts(8, encoding), tags.texts(6, encoding)
    places = chosen.tolist()
    kinds = [_NAMES[bytes(kind)] for kind in types[chosen].tolist()]
    types_used = [line_types.get(j, "") for j in places] if line_types else [""] * len(places)
    return Columns(
        chosen,
        kinds,
        [handles[j].strip().upper() for j in places],
        [layers[j] for j in places],
        _shapes(kinds, numbers),
        list(zip(indices, true_colours, weights, types_used, strict=True)),
        np.maximum(np.abs(numbers[30]), np.abs(numbers[31])),
        _sensible(np.array(kinds), numbers),
    )


def _sensible(kinds: NDArray[np.str_], numbers: dict[int, Floats]) -> Bools:
    """What `gather.has_size` asks, of all at once."""

    def held(*codes: int) -> Bools:
        # Comparisons with nan are false.
        return np.asarray(np.all([np.abs(numbers[c]) <= LARGEST for c in codes], axis=0))

    moved = (numbers[10] != numbers[11]) | (numbers[20] != numbers[21])
    radius = np.abs(numbers[40])
    turns = np.isfinite(numbers[50]) & np.isfinite(numbers[51])
    is_line, is_arc = kinds == "LINE", kinds == "ARC"
    lines = held(10, 20, 11, 21) & moved
    rounds = held(10, 20) & (radius > 0) & (radius <= LARGEST) & (turns | ~is_arc)
    return np.asarray(np.where(is_line, lines, rounds))


def _shapes(kinds: Sequence[str], numbers: dict[int, Floats]) -> list[Line | Arc | Circle]:
    shapes: list[Line | Arc | Circle] = []
    columns = [numbers[code].tolist() for code in (10, 20, 11, 21, 40, 50, 51)]
    for kind, x, y, u, v, radius, first, last in zip(kinds, *columns, strict=True):
        if kind == "LINE":
            shapes.append(Line(Point(x, y), Point(u, v)))
        elif kind == "ARC":
            shapes.append(arc_between(Point(x, y), abs(radius), first, last, 1.0))
        else:
            shapes.append(Circle(Point(x, y), abs(radius)))
    return shapes


def swept(first: float, last: float) -> float:
    """How far it is round from one angle to another (radians), more than 0 and at most a turn.

    What is written as a whole turn is one, whatever its digits come to: 6.28318530717959, 360.0000001 degrees.
    """
    sweep = (last - first) % TURN
    whole = min(sweep, TURN - sweep) < _ROUNDED and (abs(last - first) > math.pi or sweep < _NOTHING)
    return TURN if whole else sweep


def arc_between(centre: Point, radius: float, first_deg: float, last_deg: float, sense: float) -> Arc | Circle:
    """An ARC of the DXF reference: counter-clockwise between two angles (degrees) as its plane is seen.

    With `sense` -1 the plane is seen from below: angles run from the negative X axis the other way.
    """
    if not (math.isfinite(first_deg) and math.isfinite(last_deg)):
        return Arc(centre, math.nan, 0.0, 0.0)
    first = math.radians(first_deg)
    sweep = swept(first, math.radians(last_deg))
    if sweep == TURN:
        return Circle(centre, radius)
    return Arc(centre, radius, first if sense > 0 else math.pi - first, sense * sweep)
