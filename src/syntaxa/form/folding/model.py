"""What folding works with.

Space has x to the right, y to the back and z up, the low corner of the part at 0. A *role* says from where a view
looks; its u and v are axes of space. A *level* is a coordinate at which something begins or ends. Third angle: what
stands above the front view was seen from above; first angle: from below, and so on.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal

import numpy as np

from syntaxa.drawing.model import Curve
from syntaxa.form.model import Profile
from syntaxa.geometry.shapes import Line, Polyline, Shape
from syntaxa.geometry.types import Box, Floats

Role = Literal["front", "top", "bottom", "right", "left"]
Method = Literal["first", "third"]
Side = Literal["", "above", "below", "right", "left"]

#: Axis of u, axis of v, axis of depth, and whether the eye is at the high end of that.
ROLES: dict[Role, tuple[int, int, int, bool]] = {
    "front": (0, 2, 1, False), "top": (0, 1, 2, True), "bottom": (0, 1, 2, False), "right": (1, 2, 0, True),
    "left": (1, 2, 0, False),
}  # fmt: skip

#: What a view beside the front view shows (ISO 128-3 for both methods, from memory).
SEEN: dict[tuple[Method, Side], Role] = {
    ("third", "above"): "top", ("third", "below"): "bottom", ("third", "right"): "right", ("third", "left"): "left",
    ("first", "above"): "bottom", ("first", "below"): "top", ("first", "right"): "left", ("first", "left"): "right",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Cluster:
    """Curves that are one picture on the sheet, by their numbers, and their box."""

    curves: tuple[int, ...]
    box: Box

    @property
    def width(self) -> float:
        """mm."""
        return self.box[2] - self.box[0]

    @property
    def height(self) -> float:
        """mm."""
        return self.box[3] - self.box[1]


@dataclass(frozen=True, slots=True)
class Pairing:
    """A front view, what stands over or under it, and what stands beside it; higher scores for what agrees better."""

    front: Cluster
    upright: Cluster | None
    upright_side: Side
    beside: Cluster | None
    beside_side: Side
    score: float


@dataclass
class View:
    """A view in the coordinates of space: shapes of (u, v), which are hidden, and which curves they are."""

    role: Role
    shapes: list[Shape]
    hidden: list[bool]
    numbers: list[int]

    @cached_property
    def straight(self) -> Floats:
        """Ends of all that is straight, (n, 2, 2)."""
        lines = [s for s in self.shapes if isinstance(s, Line)]
        lines += [p for s in self.shapes if isinstance(s, Polyline) for p in s.segments() if isinstance(p, Line)]
        return np.array([(*s.start, *s.end) for s in lines], dtype=float).reshape(-1, 2, 2)

    def redraw(self, shapes: list[Shape]) -> None:
        """Takes other shapes for the same curves."""
        self.shapes = shapes
        self.__dict__.pop("straight", None)

    def curves(self, with_hidden: bool) -> list[Curve]:
        """As curves that are called by their numbers."""
        return [
            Curve(str(k), s, "")
            for k, s, h in zip(self.numbers, self.shapes, self.hidden, strict=True)
            if with_hidden or not h
        ]


@dataclass(frozen=True, slots=True)
class Misfit:
    """Something that two views show at different coordinates of one axis of space (mm), most likely one thing."""

    axis: int
    one: Role
    at_one: float
    other: Role
    at_other: float


@dataclass
class Folded:
    """Views on their planes; size of the part and levels of each axis (mm), and how well levels agree, 0 to 1."""

    method: Method
    views: list[View]
    size: list[float] = field(default_factory=lambda: [0.0, 0.0, 0.0])
    levels: dict[int, Floats] = field(default_factory=dict)
    mirrored: bool = False
    agree: float = 1.0
    misfits: list[Misfit] = field(default_factory=list)


@dataclass(frozen=True, slots=True)
class Slope:
    """A depth that is no level but a line of another view: from (a0, w0) to (a1, w1), a along an axis of space."""

    axis: int
    a0: float
    w0: float
    a1: float
    w1: float


#: How deep something lies: at a level, along a slope, or not known (None).
Depth = float | Slope | None


@dataclass(frozen=True, slots=True)
class Seen:
    """A region of a view, how deep what is seen there lies, how sure that is (0 to 1) and why; depths to be tried."""

    role: Role
    profile: Profile
    depth: Depth
    sure: float
    why: str
    others: tuple[Depth, ...] = ()


@dataclass(frozen=True, slots=True)
class Proposal:
    """A region of a view between two depths: kept (the hull), taken away, or turned; its key names it for good."""

    role: Role
    profile: Profile
    low: float
    high: float
    use: Literal["keep", "cut", "turn"]
    sure: float
    why: str
    slope: Slope | None = None
    key: str = ""
