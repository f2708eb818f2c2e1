"""Rows of different lengths laid end to end: row k of a flat array is flat[first[k]:first[k + 1]]."""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.types import Ints


def distinct(values: Ints) -> Ints:
    """Each value once, rising; by sorting, which is several times as quick as NumPy's own for whole numbers."""
    ordered = np.sort(values)
    return ordered[np.concatenate([[True], ordered[1:] != ordered[:-1]])] if len(ordered) else ordered


def others(count: int, index: Ints) -> Ints:
    """The numbers below a count that are not in an index, rising."""
    mask = np.ones(count, dtype=bool)
    mask[index] = False
    return mask.nonzero()[0]


def spread(begin: Ints, sizes: Ints) -> Ints:
    """The numbers from each beginning (n,) on, as many as its size (n,), one row after the other."""
    total = np.cumsum(sizes)
    return np.repeat(begin - (total - sizes), sizes) + np.arange(total[-1] if len(total) else 0)


def picked(first: Ints, index: Ints) -> tuple[Ints, Ints]:
    """(first of the rows at an index, where their entries stand in the flat array)."""
    sizes = np.diff(first)[index]
    begins = np.concatenate([[0], np.cumsum(sizes)]).astype(np.int64)
    return begins, spread(first[:-1][index], sizes)


def grouped(label: Ints, count: int) -> tuple[Ints, Ints]:
    """(first, entries): where each of `count` labels (n,) is found, rising: those of label k are row k.

    By counting, not by sorting.
    """
    # A quarter of a second to load, and not wanted while the window comes up.
    from scipy.sparse import csr_matrix

    ones, first = np.ones(len(label), dtype=np.int8), np.arange(len(label) + 1)
    by_label = csr_matrix((ones, label, first), shape=(len(label), count)).tocsc()
    return by_label.indptr.astype(np.int64), by_label.indices.astype(np.int64)
