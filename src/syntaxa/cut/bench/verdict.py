"""What the bench machine says of a program."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from syntaxa.cut.bench.moves import Place

FoundKind = Literal[
    "syntax", "arc", "feed", "units", "cycle", "call", "limit", "value", "word", "beside",
    "gouge", "not reached", "narrow", "corner", "rapid", "outside", "clamp", "table", "spindle", "beam", "loose",
    "plunge", "order", "tab", "deep", "tool", "end",
]  # fmt: skip

#: What each kind means, in words.
FOUND_KINDS: dict[FoundKind, str] = {
    "syntax": "a line that cannot be read",
    "arc": "an arc that does not agree with itself",
    "feed": "a cut without a feed",
    "units": "units that are not said, or differ",
    "cycle": "a drilling cycle that is not complete",
    "call": "a subprogram that cannot be called",
    "limit": "more than is played",
    "value": "a number that means nothing",
    "word": "a word that is not understood",
    "beside": "a tool too large for its way",
    "gouge": "a cut into the part",
    "not reached": "material that should be gone",
    "narrow": "a place that is too narrow for the tool",
    "corner": "a corner that the tool is too large for",
    "rapid": "a rapid through material",
    "outside": "a move outside the machine",
    "clamp": "a move into a clamp",
    "table": "a cut into the table",
    "spindle": "a cut with the spindle at rest",
    "beam": "a beam that is on or off at the wrong time",
    "loose": "a part that comes loose",
    "tab": "a tab that is cut away",
    "order": "a cut in a part that is loose already",
    "plunge": "a plunge of a tool that cannot",
    "deep": "a cut deeper than the tool's flutes",
    "tool": "a tool that is not known",
    "end": "a program that does not end",
}

#: What is worth knowing, and is not wrong.
NOTICES: frozenset[FoundKind] = frozenset({"corner", "loose", "deep", "word"})


#: From which on a figure is told without fractions, and below which with six places behind the point.
_MUCH, _LITTLE = 100.0, 1e-3


@dataclass(frozen=True, slots=True)
class Found:
    """Something that the bench machine saw: its line (0 for none), its place, its size (mm), and a sentence."""

    kind: FoundKind
    line: int
    place: Place
    size: float
    says: str

    @property
    def wrong(self) -> bool:
        """Whether the program should not be run."""
        return self.kind not in NOTICES


@dataclass(frozen=True, slots=True)
class Verdict:
    """What the part will be.

    deviation  mm, the most that what is left differs from what was wanted, where the tool can reach; and where (mm)
    gouge      mm into the part at worst; left  mm2 that stand where nothing should, corners included
    seconds, cut, travel (mm), lifts  of the whole program
    judged     whether there was something to compare it with
    untold     how many more there are of a kind than are among those found
    """

    found: tuple[Found, ...] = ()
    deviation: float = 0.0
    where: tuple[float, float] | None = None
    gouge: float = 0.0
    left: float = 0.0
    seconds: float = 0.0
    cut: float = 0.0
    travel: float = 0.0
    lifts: int = 0
    judged: bool = False
    untold: tuple[tuple[FoundKind, int], ...] = ()

    @property
    def wrong(self) -> tuple[Found, ...]:
        """What must not be."""
        return tuple(f for f in self.found if f.wrong)

    @property
    def wrong_count(self) -> int:
        """How much must not be, those included that are not told one by one."""
        return len(self.wrong) + sum(count for kind, count in self.untold if kind not in NOTICES)

    @property
    def untold_count(self) -> int:
        """How much is not told one by one."""
        return sum(count for _, count in self.untold)


def plain_figure(value: float) -> str:
    """A length or an area (mm, mm2) as people write it: three digits, without an exponent; nothing for rounding."""
    if value >= _MUCH:
        return f"{value:,.0f}"
    return f"{value:.3g}" if value >= _LITTLE else f"{value:.6f}".rstrip("0").rstrip(".")
