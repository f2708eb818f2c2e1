"""Boxes that touch, against comparing each with each; ragged arrays; and what is carried along as pieces change."""

from __future__ import annotations

import itertools

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from hypothesis.extra import numpy as arrays_of
from specimens import contact_rows

from syntaxa import heart
from syntaxa.geometry.arrays import CurveArray
from syntaxa.geometry.boxes import BoxIndex
from syntaxa.geometry.clusters import cluster_labels
from syntaxa.geometry.ragged import distinct, grouped, picked, spread
from syntaxa.mend.neighbourhood import Neighbourhood

sizes = st.sampled_from([1e-6, 0.1, 1.0, 30.0, 1e5])


@st.composite
def boxes(draw, least=0, most=40):
    count = draw(st.integers(least, most))
    places = draw(arrays_of.arrays(np.float64, (count, 2), elements=st.integers(-60, 60).map(float)))
    size = np.array([[draw(sizes), draw(sizes)] for _ in range(count)]).reshape(-1, 2)
    return np.hstack([places, places + size])


def touching(one, two):
    """Pairs of rows whose boxes touch, each compared with each."""
    apart = (one[:, None, :2] > two[None, :, 2:]).any(axis=2) | (two[None, :, :2] > one[:, None, 2:]).any(axis=2)
    return set(zip(*(part.tolist() for part in np.nonzero(~apart)), strict=True))


def pairs_of(found):
    pairs = list(zip(*(part.tolist() for part in found), strict=True))
    assert len(pairs) == len(set(pairs)), "each pair once"
    return set(pairs)


@given(boxes())
@settings(max_examples=150, deadline=None)
def test_pairs_are_those_of_comparing_each_with_each(some):
    assert pairs_of(heart.Tree(some).pairs()) == {(i, j) for i, j in touching(some, some) if i < j}


@given(boxes(), boxes())
@settings(max_examples=150, deadline=None)
def test_what_lies_around_is_found_once(some, wanted):
    assert pairs_of(BoxIndex(some).around(wanted)) == touching(wanted, some)


def test_thousands_of_one_size_and_one_giant_are_found_alike():
    random = np.random.default_rng(5)
    low = random.uniform(0, 300, (4000, 2))
    alike = np.hstack([low, low + 1.0])
    giant = np.vstack([alike, [[0.0, 0.0, 300.0, 300.0]]])
    for some in (alike, giant):
        assert pairs_of(heart.Tree(some).pairs()) == {(i, j) for i, j in touching(some, some) if i < j}


@given(st.lists(st.lists(st.integers(0, 9), max_size=5), min_size=1, max_size=8), st.data())
def test_rows_of_a_ragged_array_are_those_of_lists(rows, data):
    flat = np.array([v for row in rows for v in row], dtype=np.int64)
    first = np.concatenate([[0], np.cumsum([len(row) for row in rows])]).astype(np.int64)
    index = np.array(data.draw(st.lists(st.integers(0, len(rows) - 1), max_size=8)), dtype=np.int64)
    begins, at = picked(first, index)
    assert [flat[at[a:b]].tolist() for a, b in itertools.pairwise(begins)] == [rows[k] for k in index]


@given(st.lists(st.integers(0, 6), max_size=40))
def test_labels_are_grouped_in_order(labels):
    assert distinct(np.array(labels, dtype=np.int64)).tolist() == sorted(set(labels))
    first, entries = grouped(np.array(labels, dtype=np.int64), 7)
    for k in range(7):
        assert entries[first[k] : first[k + 1]].tolist() == [i for i, label in enumerate(labels) if label == k]


def test_spread_counts_on_from_each_beginning():
    assert spread(np.array([3, 10, 0]), np.array([2, 0, 3])).tolist() == [3, 4, 0, 1, 2]


@st.composite
def lines(draw, most):
    count = draw(st.integers(0, most))
    ends = draw(arrays_of.arrays(np.float64, (count, 4), elements=st.integers(0, 6).map(float)))
    ends[:, 2:] += np.where((ends[:, :2] == ends[:, 2:]).all(axis=1)[:, None], 1.0, 0.0)
    return CurveArray.from_bulges(ends[:, :2], ends[:, 2:], np.zeros(count), np.arange(count))


@given(lines(30), lines(6), st.data())
@settings(max_examples=120, deadline=None)
def test_what_is_carried_along_is_what_beginning_anew_would_find(curves, new, data):
    near = Neighbourhood(curves, 1e-6)
    near.contacts, near.end_labels  # noqa: B018  what is known is carried along
    stay = data.draw(st.lists(st.booleans(), min_size=len(curves), max_size=len(curves)))
    keep = np.flatnonzero(np.array(stay, dtype=bool))
    carried = near.changed(keep, new)
    fresh = Neighbourhood(carried.curves, 1e-6)
    assert same_partition(carried.end_labels, cluster_labels(fresh.ends, 2e-6)[1])
    one, two = (contact_rows(n.contacts) for n in (carried, fresh))
    assert one == two


def same_partition(one, two):
    pairs = set(zip(one.tolist(), two.tolist(), strict=True))
    return len(pairs) == len(set(one.tolist())) == len(set(two.tolist()))


@pytest.mark.parametrize("count", [0, 1])
def test_no_box_or_one_has_no_pairs(count):
    some = np.zeros((count, 4))
    assert pairs_of(heart.Tree(some).pairs()) == set()
    assert pairs_of(BoxIndex(some).around(np.array([[-1.0, -1, 1, 1]]))) == ({(0, 0)} if count else set())
