"""Findings, regions and the working set of the healing."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass

import msgspec
import numpy as np

from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.inside import contains, point_inside
from syntaxa.geometry.points import Point
from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.types import Floats, Ints

#: Every kind of finding, with the sentence that explains it.
FINDING_KINDS: dict[str, str] = {
    "duplicate": "The same curve lies here twice.",
    "overlap": "Two curves run over each other for a part of their length.",
    "speck": "A crumb of a line that links nothing.",
    "gap": "Ends that should meet do not.",
    "overrun": "A curve runs past the corner where it should stop.",
    "dead end": "A piece hangs on a profile and leads nowhere.",
    "crossing": "Two curves cross without an end there.",
    "self-crossing": "A curve crosses itself.",
    "near-closed": "A profile that is closed but for a small mouth, wider than the tolerance.",
    "missing piece": "A chain that lacks one side or one arc.",
    "stray": "A free-standing piece that belongs to no closed profile.",
    "open end": "An end with no partner within the tolerance.",
    "facet run": "Short straight pieces stand for an arc or a circle.",
    "kink": "A curve that was meant to run on tangent turns a little here.",
    "off-plane": "It stood tilted out of the drawing plane and was laid flat: seen from above it is shorter.",
}

#: Fixes other than the proposed one, with what they do.
CHOICES: dict[str, str] = {
    "line": "Bridge with a line",
    "arc": "Bridge with an arc, tangent at the first end",
    "arc-back": "Bridge with an arc, tangent at the second end",
    "first": "Move only the second end",
    "second": "Move only the first end",
    "other": "Keep the other one",
    "drop": "Drop it",
}

#: Kinds that are told but are no fault: nothing is left to do about them.
HARMLESS_KINDS = frozenset({"crossing"})

#: Kinds that are worth a look though nothing is open: they are listed, but do not count as faults.
ADVISORY_KINDS = frozenset({"facet run", "kink", "off-plane"})


def is_fault(kind: str) -> bool:
    """Whether a finding of a kind must be settled before the work is done."""
    return kind not in HARMLESS_KINDS and kind not in ADVISORY_KINDS


class Finding(msgspec.Struct, frozen=True):
    """A located, measured suspicion.

    key      stays the same when the job is evaluated again
    size     mm: width of the gap, length of the piece or of the part that overlaps
    curves   ids of the curves concerned
    remedy   what the fix does, in words; empty where there is none within the tolerance
    cost     mm that the fix moves any point that stays sideways, off the line or circle that it was on
    along    mm by which the fix lengthens or shortens anything on its own line or circle
    dropped  mm of curve that the fix takes away and nothing else covers
    fixed    whether it was done
    by_choice  a fix that is done only when this very finding is chosen, never with all of them
    confidence  how sure the fix is, 0 to 1, by rule of thumb: a gap far below the tolerance is surer than one near it
    choices    other fixes that there are, by their names in `CHOICES`
    note       why it is left as it is, where somebody has decided so
    """

    kind: str
    key: str
    place: Point
    size: float
    curves: tuple[str, ...]
    remedy: str = ""
    cost: float = 0.0
    dropped: float = 0.0
    fixed: bool = False
    by_choice: bool = False
    confidence: float = 1.0
    choices: tuple[str, ...] = ()
    note: str | None = None
    along: float = 0.0


@dataclass(frozen=True, slots=True)
class Region:
    """A bounded face of the arrangement of one sketch.

    loops   closed runs of (x, y, bulge) rows, (n, 3) float each; the first is the outer contour,
            counter-clockwise, the rest are holes
    area    mm2, holes taken out; perimeter mm, holes included; both exact for lines and arcs
    curves  ids of the curves that bound it, holes included
    twin    tells regions apart that the same curves bound, from left to right
    """

    sketch: str
    area: float
    perimeter: float
    centroid: tuple[float, float]
    box: tuple[float, float, float, float]
    depth: int
    curves: tuple[str, ...]
    loops: tuple[Floats, ...]
    twin: int = 0

    @property
    def id(self) -> str:
        """What it is called: by its sketch and the curves that bound it, so that nothing else in the drawing counts."""
        bounds = "/".join(sorted(self.curves)).encode()
        more = f".{self.twin}" if self.twin else ""
        return f"{self.sketch}/{hashlib.blake2s(bounds, digest_size=4).hexdigest()}{more}"

    @property
    def inside(self) -> tuple[float, float]:
        """A point well inside (mm)."""
        found = point_inside(self._outline())
        return self.centroid if found is None else (float(found[0]), float(found[1]))

    def contains(self, x: float, y: float) -> bool:
        """Whether a point (mm) lies in it, and in none of its holes."""
        return contains(self._outline(), np.array([x, y]))

    def _outline(self) -> CurveArray:
        return CurveArray.joined([pieces_of_rows(loop, True) for loop in self.loops])

    @property
    def holes(self) -> int:
        """Number of holes in it."""
        return len(self.loops) - 1


@dataclass(frozen=True, slots=True)
class Pieces:
    """Lines and arcs being healed: `curves.owner` indexes the ids; `order` (n,) sorts the pieces of one owner."""

    curves: CurveArray
    order: Floats
    ids: tuple[str, ...]

    def __len__(self) -> int:
        return len(self.curves)

    def take(self, index: Ints) -> Pieces:
        """The pieces at an index, in that order."""
        return Pieces(self.curves.take(index), self.order[index], self.ids)

    def id_of(self, piece: int) -> str:
        """The id of the curve that a piece belongs to."""
        return self.ids[int(self.curves.owner[piece])]


def end_points(curves: CurveArray) -> Floats:
    """The ends of all pieces, (2n, 2): start of piece k at 2k, its end at 2k + 1."""
    return np.stack([curves.start, curves.end], axis=1).reshape(-1, 2)
