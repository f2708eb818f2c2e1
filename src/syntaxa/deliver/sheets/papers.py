"""Sizes of paper, and scales that drawings have."""

from __future__ import annotations

import re
from dataclasses import dataclass

from syntaxa.errors import DeliverError

#: mm, upright (ISO 216: A0 has a square metre and sides as 1 to the root of 2; each next one is half, rounded down).
_ISO = {"A4": (210, 297), "A3": (297, 420), "A2": (420, 594), "A1": (594, 841), "A0": (841, 1189)}

#: Inches, upright (ANSI/ASME Y14.1; Arch sizes by common practice, no published source; both from memory).
_INCHES = {
    "ansi-a": (8.5, 11), "ansi-b": (11, 17), "ansi-c": (17, 22), "ansi-d": (22, 34), "ansi-e": (34, 44),
    "arch-a": (9, 12), "arch-b": (12, 18), "arch-c": (18, 24), "arch-d": (24, 36), "arch-e": (36, 48),
}  # fmt: skip

#: Names of all papers that have one.
PAPERS = (*_ISO, *_INCHES)

#: mm that a sheet has at the least and at the most.
_SMALLEST, _LARGEST = 50.0, 5000.0

#: Scales (times as large as the thing): 1, 2 and 5 times any power of ten, as ISO 5455 recommends them.
SCALES = tuple(sorted((m * 10.0**n for n in range(-5, 3) for m in (1, 2, 5)), reverse=True))

#: Share by which a scale may be missed by rounding.
_HAIR = 1e-9


@dataclass(frozen=True, slots=True)
class Paper:
    """A sheet of paper (mm), as it lies."""

    name: str
    width: float
    height: float


def paper_of(text: str, upright: bool | None = None) -> Paper:
    """A paper by its name, or by width x height in mm as it lies; raises DeliverError.

    upright  None for as is usual: A4 and the smallest of the other rows upright, the rest across (ISO 5457)
    """
    name = next((n for n in PAPERS if n.lower() == text.strip().lower()), "")
    if not name:
        return _own(text)
    if name in _ISO:
        short, long = _ISO[name]
    else:
        short, long = (25.4 * inches for inches in _INCHES[name])  # type: ignore[assignment]
    stands = name in ("A4", "ansi-a", "arch-a") if upright is None else upright
    return Paper(name, *((short, long) if stands else (long, short)))


def _own(text: str) -> Paper:
    found = re.fullmatch(r"\s*([\d.]+)\s*[xX×]\s*([\d.]+)\s*", text.replace(",", "."))
    try:
        sides = [float(s) for s in found.groups()] if found else []
    except ValueError:
        sides = []
    if len(sides) != 2 or not all(_SMALLEST <= s <= _LARGEST for s in sides):
        raise DeliverError(
            f"“{text}” is no paper.",
            suggestion=f"Use {', '.join(PAPERS)}, or width x height of {_SMALLEST:g} to {_LARGEST:g} mm.",
        )
    return Paper(f"{sides[0]:g} x {sides[1]:g}", sides[0], sides[1])


def scale_of(text: str) -> float | None:
    """A scale as a number, times as large as the thing; None where it is to be fitted. Raises DeliverError."""
    if text.strip().lower() in ("", "fit"):
        return None
    left, colon, right = text.partition(":")
    try:
        scale = float(left) / float(right) if colon else float(text)
    except (ValueError, ZeroDivisionError):
        scale = -1.0
    if not 1e-6 <= scale <= 1e4:
        raise DeliverError(f"“{text}” is no scale.", suggestion="Write it as 1:2 or 5:1, or “fit”.")
    return scale


def scale_text(scale: float) -> str:
    """A scale as it is written (ISO 5455)."""
    return f"{scale:g}:1" if scale >= 1 else f"1:{1 / scale:.6g}"


def fitting_scale(widest: float) -> float:
    """The largest scale of ISO 5455 that is no more than a factor; below all of them the factor itself."""
    return next((s for s in SCALES if s <= widest * (1 + _HAIR)), widest)
