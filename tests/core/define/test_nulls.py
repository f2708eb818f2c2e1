"""Sums of rows that come to nought, against dense singular values; the sparse way and the one by pivots."""

from __future__ import annotations

import numpy as np
import pytest
import scipy.sparse as sp

from syntaxa.define.nulls import entangled, left_null


def rows_with(count: int, again: int, seed: int) -> sp.csr_matrix:
    """A chain of rows that share columns, and so many that are sums of others."""
    dice = np.random.default_rng(seed)
    rows = np.zeros((count, count + 40))
    for k in range(count):
        columns = (k + np.arange(6) * 7) % (count + 40)
        rows[k, columns] = dice.uniform(0.3, 1.0, 6) * dice.choice([-1.0, 1.0], 6)
    for _ in range(again):
        a, b = dice.choice(count, 2, replace=False)
        rows = np.vstack([rows, rows[a] * dice.uniform(0.5, 1.0) - rows[b] * dice.uniform(0.5, 1.0)])
    return sp.csr_matrix(rows)


@pytest.mark.parametrize(("count", "again"), [(20, 0), (20, 3), (50, 7), (300, 0), (300, 11), (500, 60)])
@pytest.mark.parametrize("seed", [1, 2])
def test_as_many_are_found_as_singular_values_say_and_each_comes_to_nought(count, again, seed):
    rows = rows_with(count, again, seed)
    lever = np.ones(rows.shape[1])
    sums, size = left_null(rows, lever)
    wanted = rows.shape[0] - np.linalg.matrix_rank(rows.toarray())
    assert len(sums) == wanted >= again
    if len(sums):
        unit = rows.toarray() / size[:, None]
        assert np.abs(sums @ unit).max() <= 1e-9
        assert np.linalg.matrix_rank(sums) == len(sums)


def test_dense_and_sparse_give_the_same_space():
    rows = rows_with(40, 5, 3)
    lever = np.linspace(0.5, 2.0, rows.shape[1])
    dense, _ = left_null(rows.toarray(), lever)
    sparse, _ = left_null(rows, lever)
    assert np.linalg.matrix_rank(np.vstack([dense, sparse]), tol=1e-8) == len(dense) == len(sparse) == 5


def test_a_row_of_rounding_alone_is_a_sum_by_itself():
    rows = np.array([[1.0, 0.0, 2.0], [6e-17, 0.0, -1e-17], [0.0, 3.0, 1.0]])
    sums, _ = left_null(rows, np.ones(3))
    assert np.abs(sums[0]) == pytest.approx([0.0, 1.0, 0.0], abs=1e-9)


def test_rows_that_alone_have_a_column_are_taken_off():
    rows = sp.csr_matrix(np.array([[1.0, 1.0, 0, 0], [0, 1.0, 1.0, 0], [0, 0, 1.0, 1.0]]))
    assert len(entangled(rows)) == 0
    assert len(entangled(sp.csr_matrix(np.array([[1.0, 1.0], [1.0, -1.0], [1.0, 0.5]])))) == 3
