"""What an operation comes to before it is known where each thing is begun: blanks, with the runs that they would
become.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field

from syntaxa.cut.paths.model import Run
from syntaxa.geometry.types import Floats


@dataclass(frozen=True, slots=True, eq=False)
class Blank:
    """Something to be cut: the places where it can be begun and where it then ends (n, 2), mm.

    make    its runs, when it is begun at a place of a number
    number  of the contour that it is along; its parent is what holds that contour
    length  mm of the way once round: of several of a contour the longest sets its part free
    later   key of a blank of the same operation that must come after it; empty for none
    """

    key: str
    contour: str
    number: int
    begin: Floats
    end: Floats
    make: Callable[[int], list[Run]]
    length: float = 0.0
    later: str = ""


@dataclass(slots=True)
class Blanks:
    """The blanks of an operation; what is told of it; the corners that were relieved, (2,) each; and its tabs.

    tabs  the number of the contour, a place (x, y) of the path's middle there, how far round it something stands
          (mm), and how high (z)
    """

    found: list[Blank] = field(default_factory=list)
    told: list[str] = field(default_factory=list)
    reliefs: list[Floats] = field(default_factory=list)
    tabs: list[tuple[int, float, float, float, float]] = field(default_factory=list)
