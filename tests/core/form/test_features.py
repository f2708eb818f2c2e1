"""Features: regions that are meant, reaches, edges that cannot be done, planes, bodies, and what is told."""

from __future__ import annotations

import math

import pytest
from making import P, bodies, box, circle, done, four_lines, only, sketch, state

from syntaxa.define.model import Parameter
from syntaxa.define.part import Defined
from syntaxa.drawing.descent import CurveRef, Descent
from syntaxa.drawing.state import Plane
from syntaxa.errors import DefineError, FormError
from syntaxa.form.bodies import CombineBodies, DescribeBody, DropBodies, PlaceBody, ScaleBody
from syntaxa.form.choosing import Axis
from syntaxa.form.edges import TreatEdges
from syntaxa.form.kernel.shop import details
from syntaxa.form.part import Formed
from syntaxa.form.planes import LayOnFace, LaySketch
from syntaxa.form.profiles import profiles_of
from syntaxa.form.raising import RaiseBy, RaiseRegions, Reach, TurnRegions
from syntaxa.geometry.shapes import Line

PLATE = sketch("S", box(0, 0, 100, 60), circle(30, 30, 10), circle(70, 30, 10))
PAIR = sketch("S", box(0, 0, 40, 20), box(60, 0, 40, 20))


def named(one, *places):
    """The regions of a sketch that lie round some places, by their lasting names."""
    profiles, descent = profiles_of(one.curves, one.name), Descent(one.curves)
    return tuple(descent.region_named(next(p for p in profiles if p.contains(*at))) for at in places)


def test_without_regions_all_are_raised_but_the_holes():
    after, entry = done(state(PAIR), RaiseRegions("R", "S", high="5"))
    assert [b.figures.volume for b in after.part(Formed).bodies] == pytest.approx([4000.0, 4000.0])
    assert [b.name for b in after.part(Formed).bodies] == ["S", "S 2"]
    assert entry.says == "Volume 0 → 8.000 cm³."


def test_a_region_is_raised_and_a_hole_is_one_too():
    after, _ = done(state(PLATE), RaiseRegions("R", "S", named(PLATE, (30, 30)), high="5"))
    assert only(after).figures.volume == pytest.approx(math.pi * 500)
    after, _ = done(state(PLATE), RaiseRegions("R", "S", named(PLATE, (1, 1)), high="5"))
    assert only(after).figures.volume == pytest.approx((6000 - 200 * math.pi) * 5)


def test_holes_are_filled_where_that_is_wanted():
    after, _ = done(state(PLATE), RaiseRegions("R", "S", high="5", filled=True))
    assert only(after).figures.volume == pytest.approx(30000)


@pytest.mark.parametrize(("low", "high", "z"), [("0", "5", (0, 5)), ("-2", "3", (-2, 3)), ("4", "-1", (-1, 4))])
def test_to_one_side_the_other_and_both(low, high, z):
    after, _ = done(state(PAIR), RaiseRegions("R", "S", low=low, high=high))
    assert bodies(after)["S"].figures.box[2::3] == pytest.approx(z)


def test_taken_away_joined_and_in_common():
    tool = sketch("T", box(20, -10, 20, 100))
    base = (RaiseRegions("R", "S", high="10"),)
    plain = state(sketch("S", box(0, 0, 100, 60)), tool)
    volumes = {}
    for use in ("cut", "add", "common"):
        after, _ = done(plain, *base, RaiseRegions("Q", "T", low="4", high="14", use=use))
        volumes[use] = only(after).figures.volume
    assert volumes == pytest.approx(
        {"cut": 60000 - 20 * 60 * 6, "add": 60000 + 20 * 100 * 10 - 20 * 60 * 6, "common": 20 * 60 * 6}
    )


def test_up_to_a_face_and_to_a_place_of_another_view():
    front = sketch("F", Line(P(0, 0), P(0, 17)), plane=Plane("front"))
    base = state(sketch("S", *four_lines(40.0, 30.0)), sketch("T", box(60, 0, 10, 10)), front)
    to = Reach(sketch="F", place=CurveRef("F0", "end"))
    after, _ = done(base, RaiseRegions("R", "S", to=to))
    assert only(after).figures.box[5] == pytest.approx(17.0)
    top = next(f.name for f in details(only(after).solid).faces if f.name[:2] == ("R", "high"))
    after, _ = done(after, RaiseRegions("Q", "T", to=Reach(body="S", face=top)))
    assert bodies(after)["T"].figures.box[5] == pytest.approx(17.0)
    side = next(f.name for f in details(bodies(after)["S"].solid).faces if f.name == ("R", "side", "a"))
    with pytest.raises(FormError, match="does not lie level"):
        done(after, RaiseRegions("Z", "T", to=Reach(body="S", face=side)))


def test_depths_are_formulas_with_what_define_knows():
    part = Defined(parameters=(Parameter("sheet", "2mm * 3"),))
    after, _ = done(state(PAIR).with_part(part), RaiseRegions("R", "S", high="sheet + 1in"))
    assert bodies(after)["S"].figures.volume == pytest.approx(800 * 31.4)
    with pytest.raises(DefineError, match="nothing is called"):
        done(state(PAIR), RaiseRegions("R", "S", high="shet"))


@pytest.mark.parametrize("high", ["0", "0mm", "2km * 1000"])
def test_no_thickness_is_refused(high):
    with pytest.raises((FormError, DefineError)):
        done(state(PAIR), RaiseRegions("R", "S", high=high))


def test_by_layer_and_what_has_no_thickness_is_told():
    from syntaxa.drawing.model import Curve

    one = sketch("S", Curve("x", box(0, 0, 10, 10), "thin"), Curve("y", box(20, 0, 10, 10), "thick"), box(40, 0, 9, 9))
    after, entry = done(state(one), RaiseBy("R", "layer", (("thin", "1"), ("thick", "0.5in"))))
    assert sorted(b.figures.volume for b in after.part(Formed).bodies) == pytest.approx([100.0, 1270.0])
    assert "1 region has no thickness and stayed flat." in entry.says


def test_a_region_that_touches_itself_is_named_and_the_others_are_made():
    waist = sketch("S", *_two_triangles(), box(100, 0, 10, 10))
    after, entry = done(state(waist), RaiseRegions("R", "S", high="5"))
    assert [b.figures.volume for b in after.part(Formed).bodies] == pytest.approx([1000.0, 1000.0, 500.0])
    ring = sketch("S", box(0, 0, 40, 40), circle(10, 20, 10))
    with pytest.raises(FormError, match=r"touches itself at 0\.000, 20\.000"):
        done(state(ring), RaiseRegions("R", "S", named(ring, (35, 35)), high="5"))
    assert "Not done" not in entry.says


def _two_triangles():
    from making import outline

    return outline((0, 0), (20, 20), (0, 20)), outline((20, 20), (40, 20), (40, 40))


def test_a_line_through_a_region_is_no_axis():
    with pytest.raises(FormError, match="The line crosses the region"):
        done(state(PLATE), TurnRegions("T", "S", Axis(start=(50.0, 0.0), end=(50.0, 1.0))))


def test_what_the_kernel_itself_refuses_is_a_sentence():
    """An angle of 1e-12 degrees is above nought, and the kernel makes no solid of it."""
    step = TurnRegions("T", "S", Axis(start=(-9.0, 0.0), end=(-9.0, 1.0)), end="1e-12")
    with pytest.raises(FormError, match="makes nothing of these numbers"):
        done(state(PLATE), step)


def test_about_a_line_of_the_sketch_and_through_two_places():
    one = sketch("S", *four_lines(10.0, 30.0))
    for axis in (Axis("d"), Axis(first=CurveRef("d", "start"), second=CurveRef("d", "end"))):
        after, _ = done(state(one), TurnRegions("T", "S", axis))
        assert only(after).figures.volume == pytest.approx(math.pi * 100 * 30, rel=1e-12)


def test_edges_that_cannot_be_done_are_named_with_what_could_be_and_the_others_are_done():
    from making import rounded

    after, _ = done(state(sketch("S", rounded(60, 40, 3))), RaiseRegions("R", "S", high="20"))
    rims = TreatEdges("F", "fillet", "5", rule="rims")
    with pytest.raises(FormError, match="corner of radius 3 mm"):
        done(after, rims)
    plate, _ = done(state(PLATE), RaiseRegions("R", "S", high="20"))
    treated, entry = done(plate, TreatEdges("F", "fillet", "15", rule="risen"))
    assert "4 of 4 edges." in entry.says
    assert only(treated).figures.valid


def test_a_fillet_of_all_that_is_upright_takes_off_what_it_should():
    after, _ = done(state(sketch("S", box(0, 0, 50, 30))), RaiseRegions("R", "S", high="10"))
    after, _ = done(after, TreatEdges("F", "fillet", "4", rule="upright"))
    assert only(after).figures.volume == pytest.approx(15000 - (4 - math.pi) * 16 * 10, rel=1e-12)
    after, _ = done(after, TreatEdges("C", "chamfer", "1", rule="convex"))
    assert only(after).figures.valid


def test_concave_edges_are_told_from_convex_ones():
    from making import outline

    angle = sketch("S", outline((0, 0), (40, 0), (40, 10), (10, 10), (10, 40), (0, 40)))
    after, _ = done(state(angle), RaiseRegions("R", "S", high="5"))
    after, entry = done(after, TreatEdges("F", "fillet", "3", rule="concave"))
    assert "1 of 1 edges." in entry.says
    assert only(after).figures.volume == pytest.approx((400 + 300) * 5 + (1 - math.pi / 4) * 9 * 5)


def test_a_sketch_that_changes_its_plane_takes_along_what_is_built_on_it():
    base = state(PAIR)
    after, _ = done(base, LaySketch("S", "front", offset="7"), RaiseRegions("R", "S", high="5"))
    assert bodies(after)["S"].figures.box == pytest.approx((0, -12, 0, 40, -7, 20))
    after, _ = done(base, LaySketch("S", "side"), RaiseRegions("R", "S", high="5"))
    assert bodies(after)["S"].figures.box == pytest.approx((0, 0, 0, 5, 40, 20))


def test_through_a_line_and_on_a_face():
    base = state(sketch("S", *four_lines(40.0, 30.0)), sketch("T", box(5, 5, 10, 10)))
    after, _ = done(
        base, LaySketch("T", hinge_of="S", hinge=Axis("a"), tilt="90"), RaiseRegions("R", "T", low="-3", high="0")
    )
    assert only(after).figures.box == pytest.approx((5, 0, 5, 15, 3, 15), abs=1e-9)
    after, _ = done(base, RaiseRegions("R", "S", high="20"))
    face = next(f.name for f in details(only(after).solid).faces if f.name == ("R", "side", "b"))
    after, _ = done(after, LayOnFace("T", "S", face), RaiseRegions("Q", "T", high="2", use="cut", low="-4"))
    assert only(after).figures.volume == pytest.approx(40 * 30 * 20 - 10 * 10 * 4)


def test_bodies_are_placed_copied_scaled_combined_described_and_dropped():
    base, _ = done(state(sketch("S", box(0, 0, 20, 10))), RaiseRegions("R", "S", high="5"))
    moved, _ = done(base, PlaceBody("P", "S", ("1", "2", "3"), "z", "90"))
    assert only(moved).figures.box == pytest.approx((6, -3, 3, 16, 17, 8))
    copies, _ = done(base, PlaceBody("P", "S", ("30", "0", "0"), copies=3))
    assert [b.figures.box[0] for b in copies.part(Formed).bodies] == pytest.approx([0, 30, 60, 90])
    large, entry = done(base, ScaleBody("Z", "S", "x", "50"))
    assert only(large).figures.volume == pytest.approx(1000 * 2.5**3)
    assert "Scaled by 2.5." in entry.says
    joined, entry = done(copies, CombineBodies("J", "S", ("S 2",)))
    assert "S is in 2 pieces now." in entry.says
    assert len(joined.part(Formed).bodies) == 3
    heavy, entry = done(base, DescribeBody("S", name="Foot", material="steel", hidden=True))
    assert only(heavy).mass == pytest.approx(1000 * 7.85e-6)
    assert done(heavy, DropBodies(("Foot",)))[0].part(Formed).bodies == ()


@pytest.mark.parametrize(
    ("step", "says"),
    [
        (DescribeBody("S", material="cheese"), "no material"),
        (DescribeBody("S", name=" "), "cannot be its name"),
        (DescribeBody("X"), "no body called “X”. There are: S."),
        (ScaleBody("Z", "S", "x", "0"), "times as large"),
        (PlaceBody("P", "S", copies=5000), "cannot be made at once"),
        (PlaceBody("P", "S", ("1e13", "0", "0")), "more than 10 km"),
        (LaySketch("S", offset="-20km"), "more than 10 km"),
        (CombineBodies("J", "S", ("S",)), "Two different bodies"),
        (TreatEdges("F", "fillet", "-1", rule="all"), "is none"),
        (TreatEdges("F", "fillet", "1"), "No edge is chosen"),
        (RaiseRegions("R", "X"), "no sketch called “X”"),
        (TurnRegions("T", "S", Axis()), "An axis is a line"),
        (TurnRegions("T", "S", Axis(start=(0.0, 0.0), end=(0.0, 0.0))), "are one"),
        (TurnRegions("T", "S", Axis(start=(-9.0, 0.0), end=(-9.0, 1.0)), end="400"), "at most 360"),
    ],
)
def test_what_makes_no_sense_is_refused_in_a_sentence(step, says):
    base, _ = done(state(sketch("S", box(0, 0, 20, 10))), RaiseRegions("R", "S", high="5"))
    with pytest.raises((FormError, DefineError), match=says):
        step.apply(base)
