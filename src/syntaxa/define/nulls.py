"""Sums of rows that come to nought: the left null space of a sparse matrix of unit rows.

A row that alone has a slope over some unknown is in no such sum; it is taken off, and then perhaps the next. What is
left falls apart. Of a few rows that hang together a factorisation with pivots tells; of many, inverse iteration on the
sparse normal matrix finds a space that holds all that comes to nought, and a small dense one tells what in it does.
"""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from syntaxa.define.solving import symmetric_factors
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats, Ints, Sparse
from syntaxa.later import Later

la = Later("scipy.linalg")
sp = Later("scipy.sparse")

#: A singular value of unit rows that is none.
_NONE = 1e-7

#: Rows up to which nothing is gained by taking any off first, and beyond which the sparse way is the quicker.
_FEW, _MANY = 60, 240

#: What is added to the squares of singular values, so that those that are none weigh far more in the inverse.
_SHIFT = 1e-12

#: Sums that are looked for at first, and rounds of the iteration.
_AT_FIRST, _ROUNDS = 48, 3

#: Share of a unit row below which a slope is too slight to be told by.
_TELLS = 1e-3


def left_null(slopes: Sparse | Floats, lever: Floats) -> tuple[Floats, Floats]:
    """Of slopes (m, k), sums (d, m) of unit rows that come to nought, and how long the rows were.

    lever  (k,) what a unit of each unknown is worth
    """
    if isinstance(slopes, np.ndarray) and len(slopes) <= _FEW:
        plain = slopes / lever
        size = row_sizes(np.linalg.norm(plain, axis=1))
        return _by_pivots(plain / size[:, None]), size
    unit, size = unit_rows(sp.csr_matrix(slopes), lever)
    return _of_many(unit), size


def unit_rows(slopes: Sparse, lever: Floats) -> tuple[Sparse, Floats]:
    """Sparse slopes (m, k) in mm as rows of length one, and how long they were."""
    plain = slopes.multiply(1 / lever).tocsr()
    size = row_sizes(np.sqrt(np.asarray(plain.multiply(plain).sum(1)).ravel()))
    unit = sp.diags(1 / size) @ plain
    unit.eliminate_zeros()
    return unit, size


def row_sizes(lengths: Floats) -> Floats:
    """What rows are divided by to be of length one; one of which rounding alone is left stays nought."""
    return np.where(lengths > ROUNDING, lengths, 1.0)


def _of_many(rows: Sparse) -> Floats:
    left = entangled(rows)
    found = [np.zeros((0, rows.shape[0]))]
    for mine, columns in _clusters(rows[left]):
        part = rows[left[mine]][:, columns]
        sums = _by_pivots(part.toarray()) if part.shape[0] <= _MANY else _by_iteration(part.tocsr())
        whole = np.zeros((len(sums), rows.shape[0]))
        whole[:, left[mine]] = sums
        found.append(whole)
    return np.vstack(found)


def _by_pivots(rows: Floats) -> Floats:
    """By a QR factorisation with pivots: cubic."""
    q, r, _ = la.qr(rows, pivoting=True, check_finite=False)
    size = np.abs(np.diag(r))
    rank = int((size > _NONE).sum())
    return np.asarray(q[:, rank:].T)


def _by_iteration(rows: Sparse) -> Floats:
    """By inverse iteration on a block that is made larger until it holds something that is not nought as well."""
    m = rows.shape[0]
    lu = symmetric_factors(rows @ rows.T + sp.diags(np.full(m, _SHIFT)))
    dice, wide = np.random.default_rng(m), _AT_FIRST
    while wide < m / 3:
        space = dice.standard_normal((m, wide))
        for _ in range(_ROUNDS):
            space = la.qr(lu.solve(space), mode="economic", check_finite=False)[0]
        u, size, _ = la.svd(np.asarray(rows.T @ space).T, full_matrices=False, check_finite=False)
        if size[0] > _NONE * 1e3:
            return np.asarray((space @ u[:, size <= _NONE]).T)
        wide *= 2
    return _by_pivots(rows.toarray())


def entangled(rows: Sparse) -> Ints:
    """Which of some unit rows (m, k) may be sums of each other. Cost: a pass over all slopes."""
    m, _ = rows.shape
    columns = rows.tocsc()
    count = np.diff(columns.indptr)
    there = np.ones(m, dtype=bool)
    waiting = np.flatnonzero(count == 1).tolist()
    while waiting:
        column = waiting.pop()
        if count[column] != 1:
            continue
        mine = slice(columns.indptr[column], columns.indptr[column + 1])
        row, slope = next((r, v) for r, v in zip(columns.indices[mine], columns.data[mine], strict=True) if there[r])
        if abs(slope) < _TELLS:
            continue
        there[row] = False
        touched = rows.indices[rows.indptr[row] : rows.indptr[row + 1]]
        count[touched] -= 1
        waiting += touched[count[touched] == 1].tolist()
    return np.flatnonzero(there)


def _clusters(rows: Sparse) -> Iterator[tuple[Ints, Ints]]:
    """(rows, columns) of what hangs together in a matrix; columns that no row has are in none."""
    m = rows.shape[0]
    if not m:
        return
    graph = sp.block_array([[None, rows], [rows.T, None]], format="csr")
    number, label = sp.csgraph.connected_components(graph, directed=False)
    order = np.argsort(label, kind="stable")
    for part in np.split(order, np.cumsum(np.bincount(label, minlength=number))[:-1]):
        mine = part[part < m]
        if len(mine):
            yield mine, part[part >= m] - m
