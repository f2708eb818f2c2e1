"""Plane vectors by the thousand, (n, 2): lengths, products, and rows of them.

Written out by columns: NumPy's reductions over an axis of two, its hypot and its row indexing take several times as
long. Lengths are right to a rounding or two as long as their squares do not overflow.
"""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.types import Bools, Floats


def norm(a: Floats) -> Floats:
    """Length of each, (n,)."""
    x, y = a[:, 0], a[:, 1]
    return np.asarray(np.sqrt(x * x + y * y))


def dot(a: Floats, b: Floats) -> Floats:
    """Scalar products, (n,)."""
    return np.asarray(a[:, 0] * b[:, 0] + a[:, 1] * b[:, 1])


def cross(a: Floats, b: Floats) -> Floats:
    """Signed areas of the parallelograms, (n,): positive where b is to the left of a."""
    return np.asarray(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0])


def vectors(x: Floats, y: Floats) -> Floats:
    """Rows (n, 2) from columns (n,)."""
    out = np.empty((len(x), 2))
    out[:, 0] = x
    out[:, 1] = y
    return out


def along(base: Floats, direction: Floats, by: Floats) -> Floats:
    """base + by * direction, each with its own factor (n,)."""
    return vectors(base[:, 0] + by * direction[:, 0], base[:, 1] + by * direction[:, 1])


def chosen(mask: Bools, a: Floats, b: Floats) -> Floats:
    """The rows of a where the mask (n,) is set, else those of b."""
    return vectors(np.where(mask, a[:, 0], b[:, 0]), np.where(mask, a[:, 1], b[:, 1]))
