"""Dimensions bound to what they measure; kinds and groups as in the DXF reference, DIMENSION."""

from __future__ import annotations

import io
import math

import ezdxf
import pytest

from syntaxa.define.binding import bind
from syntaxa.define.part import Defined
from syntaxa.define.steps import BindDimensions, SetDimension
from syntaxa.define.views import defined
from syntaxa.drawing.annotations import Dimension
from syntaxa.errors import DefineError
from syntaxa.geometry.transform import Transform
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ChooseUnit

PLAIN = {"dimlfac": 1.0}


def state_of(draw):
    document = ezdxf.new("R2010", setup=True)
    document.units = 4
    draw(document.modelspace())
    out = io.StringIO()
    document.write(out)
    job = Job.of(Source.of("a.dxf", out.getvalue().encode())).with_step(ChooseUnit("mm"))
    return Evaluator().evaluate(job).state


def kept(state) -> list[Dimension]:
    return [a for a in state.received().annotations if isinstance(a, Dimension)]


def test_the_reader_keeps_which_way_a_rotated_one_measures():
    def draw(space):
        space.add_line((0, 0), (30, 40))
        space.add_linear_dim((0, -10), (0, 0), (30, 40), angle=30, override=PLAIN, dimstyle="EZDXF").render()

    state = state_of(draw)
    (one,) = kept(state)
    assert one.along == pytest.approx(math.radians(30))
    (measure,) = bind(state).measures
    assert (measure.kind, measure.angle) == ("along", pytest.approx(math.radians(30)))
    assert one.transformed(Transform.rotating(0.5)).along == pytest.approx(math.radians(30) + 0.5)


def test_ordinates_know_their_axis():
    def draw(space):
        space.add_line((0, 0), (30, 40))
        space.add_ordinate_x_dim((30, 40), (5, 5), origin=(0, 0), override=PLAIN).render()
        space.add_ordinate_y_dim((30, 40), (5, 5), origin=(0, 0), override=PLAIN).render()

    state = state_of(draw)
    assert [d.along for d in kept(state)] == pytest.approx([0.0, math.pi / 2])
    assert [m.kind for m in bind(state).measures] == ["distance x", "distance y"]


def test_an_arc_length_is_measured_and_cannot_drive():
    def draw(space):
        space.add_arc((0, 0), 20, 10, 100)
        space.add_arc_dim_cra((0, 0), radius=20, start_angle=10, end_angle=100, distance=5, override=PLAIN).render()

    state = state_of(draw)
    after, _ = BindDimensions().apply(state)
    (measure,) = after.part(Defined).measures
    assert (measure.kind, measure.use) == ("arc length", "measured")
    assert defined(after).measured == {"d1": pytest.approx(20 * math.pi / 2)}
    with pytest.raises(DefineError, match="only measured"):
        SetDimension("d1", "40").apply(after)


@pytest.mark.parametrize(
    ("base", "degrees"), [((60, 8), 15.0), ((-60, 8), 165.0), ((-60, -8), 15.0), ((60, -8), 165.0)]
)
def test_an_angle_is_that_of_the_sector_that_its_arc_is_in(base, degrees):
    c, s = math.cos(math.radians(15)), math.sin(math.radians(15))

    def draw(space):
        space.add_line((-100, 0), (100, 0))
        space.add_line((-100 * c, -100 * s), (100 * c, 100 * s))
        space.add_angular_dim_2l(base, ((-100, 0), (100, 0)), ((-100 * c, -100 * s), (100 * c, 100 * s))).render()

    (measure,) = bind(state_of(draw)).measures
    flipped = bool(measure.angle)
    assert measure.kind == "angle"
    assert (165.0 if flipped else 15.0) == degrees


def test_tolerances_are_kept():
    def draw(space):
        space.add_line((0, 0), (30, 0))
        style = {**PLAIN, "dimtol": 1, "dimtp": 0.1, "dimtm": 0.2}
        space.add_linear_dim((0, -10), (0, 0), (30, 0), override=style, dimstyle="EZDXF").render()

    state = state_of(draw)
    assert [(d.plus, d.minus) for d in kept(state)] == [(0.1, 0.2)]
    assert [(m.plus, m.minus) for m in bind(state).measures] == [(0.1, 0.2)]


def test_what_measures_nothing_is_told_and_keeps_its_number():
    def draw(space):
        space.add_line((0, 0), (30, 0))
        space.add_linear_dim((0, -10), (500, 0), (530, 0), override=PLAIN, dimstyle="EZDXF").render()
        space.add_linear_dim((0, -10), (0, 0), (30, 0), override=PLAIN, dimstyle="EZDXF").render()

    found = bind(state_of(draw))
    assert [m.name for m in found.measures] == ["d2"]
    assert found.loose == ("d1 (linear) measures nothing that is in a sketch.",)


def test_of_many_dimensions_hardly_any_is_bound_wrongly():
    # A grid of circles and lines, each measured: what is bound must measure what is written.
    def draw(space):
        for i in range(10):
            for k in range(10):
                x, y, r = 40 * i, 40 * k, 3 + 0.1 * (i + 10 * k)
                space.add_circle((x, y), r)
                space.add_line((x + 15, y), (x + 15 + r, y + r))
                space.add_diameter_dim((x, y), radius=r, angle=20, override=PLAIN, dimstyle="EZ_RADIUS").render()
                space.add_aligned_dim((x + 15, y), (x + 15 + r, y + r), 3, override=PLAIN, dimstyle="EZDXF").render()
                space.add_linear_dim((x, y - 9), (x, y), (x + 15, y), override=PLAIN, dimstyle="EZDXF").render()

    found = bind(state_of(draw))
    kinds = [m.kind for m in found.measures]
    assert len(kinds) == 300
    assert {k: kinds.count(k) for k in set(kinds)} == {"diameter": 100, "length": 100, "distance x": 100}
    roots = {m.things[0].root for m in found.measures if m.kind == "diameter"}
    assert len(roots) == 100
