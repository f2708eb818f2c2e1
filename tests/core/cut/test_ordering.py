"""The order of cutting against brute force, an independent lower bound, and its own rules."""

from __future__ import annotations

import itertools

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.sparse.csgraph import minimum_spanning_tree
from scipy.spatial.distance import cdist

from syntaxa.cut.paths.ordering import Item, arranged, best_places, is_legal

HOME = (0.0, 0.0)


def at(*points):
    places = np.array(points, float)
    return Item(places, places)


def travelled(items, order, places):
    here, total = np.array(HOME), 0.0
    for k in order:
        total += float(np.hypot(*(items[k].begin[places[k]] - here)))
        here = items[k].end[places[k]]
    return total


@given(st.lists(st.tuples(st.integers(0, 50), st.integers(0, 50)), min_size=1, max_size=7, unique=True))
def test_few_points_are_as_good_as_brute_force(points):
    items = [at(p) for p in points]
    order, places, travel = arranged(items, HOME)
    best = min(travelled(items, o, [0] * len(items)) for o in itertools.permutations(range(len(items))))
    assert sorted(order) == list(range(len(items)))
    assert travel == pytest.approx(travelled(items, order, places))
    assert travel <= 1.12 * best + 1e-9


@pytest.mark.parametrize("seed", range(4))
def test_never_below_the_shortest_tree_and_near_it(seed):
    """A way through all points is a tree, so it is at least as long as the shortest (any textbook of graphs)."""
    rng = np.random.default_rng(seed)
    points = rng.uniform(0, 500, (150, 2))
    _, _, travel = arranged([at(p) for p in points], HOME)
    every = np.vstack([HOME, points])
    tree = float(minimum_spanning_tree(cdist(every, every)).sum())
    assert tree <= travel <= 1.35 * tree


@given(st.integers(0, 400))
def test_what_lies_inside_comes_first_and_stages_follow(seed):
    rng = np.random.default_rng(seed)
    count = int(rng.integers(2, 40))
    items = []
    for k in range(count):
        parent = int(rng.integers(-1, k)) if k and rng.random() < 0.5 else -1
        stage = int(rng.integers(3)) if rng.random() < 0.5 else 0
        places = rng.uniform(0, 100, (int(rng.integers(1, 5)), 2))
        items.append(Item(places, places[::-1] if rng.random() < 0.3 else places, parent, stage))
    # A parent in an earlier stage would contradict.
    items = [
        Item(i.begin, i.end, i.parent if i.parent >= 0 and items[i.parent].stage >= i.stage else -1, i.stage)
        for i in items
    ]
    order, places, travel = arranged(items, HOME)
    assert sorted(order) == list(range(count))
    assert is_legal(items, order)
    assert travel == pytest.approx(travelled(items, order, places))


@given(st.integers(0, 200))
def test_best_places_are_the_best(seed):
    rng = np.random.default_rng(seed)
    items = [Item(p, p[::-1]) for p in (rng.uniform(0, 50, (int(rng.integers(1, 4)), 2)) for _ in range(5))]
    order = rng.permutation(5).tolist()
    places, travel = best_places(items, order, HOME)
    choices = itertools.product(*(range(len(i.begin)) for i in items))
    assert travel == pytest.approx(min(travelled(items, order, c) for c in choices))
    assert travel == pytest.approx(travelled(items, order, places))


def test_the_same_items_give_the_same_order():
    points = np.random.default_rng(7).uniform(0, 100, (60, 2))
    assert arranged([at(p) for p in points], HOME) == arranged([at(p) for p in points], HOME)


def test_nothing_is_no_way():
    assert arranged([], HOME) == ([], [], 0.0)
