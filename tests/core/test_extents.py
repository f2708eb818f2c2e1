"""Extents of every kind of curve against closed forms, an independent library and dense sampling."""

from __future__ import annotations

import math

import ezdxf.math
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from specimens import arcs, coordinates, dxf_of, points

from syntaxa.geometry.extents import bounds, boxes_of, extents
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Circle, EllipseArc, Line, Polyline, Spline
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ScaleBy

ellipses = st.builds(
    EllipseArc,
    points,
    st.builds(Vector, st.floats(1, 500), st.floats(-500, 500)),
    st.floats(0.01, 1.0),
    st.floats(-7, 7),
    st.floats(0.01, TURN).flatmap(lambda s: st.sampled_from([s, -s])),
)


@st.composite
def splines(draw):
    """Clamped and rational ones, of several degrees."""
    degree = draw(st.integers(1, 4))
    count = draw(st.integers(degree + 1, degree + 6))
    inner = sorted(draw(st.lists(st.integers(1, 99), unique=True, min_size=count - degree - 1,
                                 max_size=count - degree - 1)))  # fmt: skip
    knots = (*(0.0,) * (degree + 1), *(k / 100 for k in inner), *(1.0,) * (degree + 1))
    weights = draw(st.one_of(st.just(()), st.tuples(*[st.floats(0.2, 5.0)] * count)))
    return Spline(degree, tuple(draw(points) for _ in range(count)), knots, weights)


bulged = st.builds(
    lambda p, b, closed: Polyline(tuple(p), tuple(b[: len(p)]), closed),
    st.lists(points, min_size=2, max_size=8, unique=True),
    st.lists(st.sampled_from([0.0, 0.0, 0.4, -1.0, 2.5]), min_size=8, max_size=8),
    st.booleans(),
)


def test_an_ellipse_by_its_closed_form():
    """Half its width is the root of a^2 cos^2 t + b^2 sin^2 t (analytic geometry, any textbook)."""
    turn = math.radians(30)
    shape = EllipseArc(Point(3, 4), Vector(100 * math.cos(turn), 100 * math.sin(turn)), 0.4, 0.0, TURN)
    half = math.hypot(100 * math.cos(turn), 40 * math.sin(turn))
    up = math.hypot(100 * math.sin(turn), 40 * math.cos(turn))
    assert bounds(shape) == pytest.approx((3 - half, 4 - up, 3 + half, 4 + up), rel=1e-14)


@given(st.one_of(ellipses, splines(), arcs, bulged))
def test_no_point_lies_outside_and_every_side_is_touched(shape):
    box = np.array(bounds(shape))
    dense = shape.flattened(1e-7 * max(1.0, shape.length))
    slack = 1e-6 * max(1.0, shape.length)
    assert (dense >= box[:2] - 1e-9 * max(1.0, shape.length)).all()
    assert (dense <= box[2:] + 1e-9 * max(1.0, shape.length)).all()
    found = np.concatenate([dense.min(axis=0), dense.max(axis=0)])
    assert np.abs(found - box).max() <= slack


@given(splines())
def test_a_spline_as_another_library_samples_it(shape):
    other = ezdxf.math.BSpline(
        [(p.x, p.y) for p in shape.control_points], shape.degree + 1, shape.knots, shape.weights or None
    )
    box = bounds(shape)
    for p in other.points(np.linspace(0, 1, 300)):
        assert box[0] - 1e-6 <= p.x <= box[2] + 1e-6
        assert box[1] - 1e-6 <= p.y <= box[3] + 1e-6


@given(st.lists(st.one_of(ellipses, arcs, bulged, st.builds(Circle, points, st.floats(0.1, 9)),
                          st.builds(Line, points, points)), min_size=1, max_size=6))  # fmt: skip
def test_many_at_once_are_as_one_by_one(shapes):
    each = np.array([bounds(s) for s in shapes])
    assert np.allclose(boxes_of(shapes), each, rtol=0, atol=1e-9)
    assert extents(shapes) == pytest.approx((*each[:, :2].min(axis=0), *each[:, 2:].max(axis=0)), abs=1e-9)


def test_thousands_keep_their_order():
    """They are gathered a block at a time."""
    kinds = (
        lambda k: Line(Point(k, 0), Point(k + 1, 2)),
        lambda k: Circle(Point(k, 3), 0.5),
        lambda k: Polyline((Point(k, 0), Point(k, 1), Point(k + 2, 1)), (0.0, 0.0, 0.0), False),
    )
    shapes = [kinds[k % 3](k) for k in range(4_500)]
    assert boxes_of(shapes).tolist() == [list(bounds(s)) for s in shapes]


def test_nothing_has_no_extents():
    assert extents([]) is None


@given(coordinates)
def test_a_turned_ellipse_scaled_to_a_width_has_that_width(x):
    """The complaint that brought this: it came out 1001.76 mm wide."""
    turn = math.radians(30)
    major = (50 * math.cos(turn), 50 * math.sin(turn))
    data = dxf_of(lambda s, _: s.add_ellipse((x, 0), major, 0.3, 0, TURN), INSUNITS=4)
    job = Job.of(Source.of("ellipse.dxf", data)).with_step(ScaleBy(width=1000.0))
    (curve,) = Evaluator().evaluate(job).state.curves()
    half = math.hypot(curve.shape.major.x, curve.shape.minor.x)
    assert 2 * half == pytest.approx(1000.0, rel=1e-12)
