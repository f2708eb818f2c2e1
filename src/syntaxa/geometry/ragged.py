"""Rows of different lengths laid end to end: row k of a flat array is flat[first[k]:first[k + 1]]."""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.arrays import Ints


def picked(first: Ints, index: Ints) -> tuple[Ints, Ints]:
    """(first of the rows at an index, where their entries stand in the flat array)."""
    sizes = np.diff(first)[index]
    begins = np.concatenate([[0], np.cumsum(sizes)]).astype(np.int64)
    return begins, np.repeat(first[:-1][index] - begins[:-1], sizes) + np.arange(begins[-1])
