"""SVG as others write it, on small cases whose answers can be worked out by hand from the standard."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.geometry.extents import extents
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Spline
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read
from syntaxa.intake.svg.placing import calculated, css_transform_of


def received(body, size='width="100mm" height="100mm" viewBox="0 0 100 100"', **options):
    text = f'<svg xmlns="http://www.w3.org/2000/svg" {size}>{body}</svg>'
    return read("x.svg", text.encode(), options=ReadOptions(**options))


def lengths(body, **more):
    return [round(c.shape.length, 6) for c in received(body, **more).drawing.curves]


def box(body, **more):
    """Extents with y counted down, as the file has them."""
    x, y, u, v = extents(c.shape for c in received(body, **more).drawing.curves)
    return pytest.approx((x, 100 - v, u, 100 - y), abs=1e-9)


# ---------------------------------------------------------------------- path data


@pytest.mark.parametrize(
    ("data", "expected"),
    [
        ("M0 0 L10 0 X 5 5 L20 20", [10]),
        ("M0 0 L10 0 L10", [10]),
        ("L10 0", []),
        ("M0 0 10 0 10 10", [20]),
        ("m5 5 10 0z l 3 0", [20, 3]),
        ("M0,0h10v-5.5.5", [16.0]),
        ("M0 0L1e1-0", [10]),
        ("M0 0 a5 5 0 1110 0", [round(5 * math.pi, 6)]),
        ("M0 0,L10 0", [10]),
        ("M0 0 L 10 0 ,, 20 0", [20]),
        ("", []),
    ],
)
def test_path_data_are_drawn_up_to_the_first_error(data, expected):
    assert lengths(f'<path d="{data}" fill="none" stroke="red"/>') == expected


def test_smooth_curves_go_on_as_the_standard_says():
    """The mirrored handle makes this the same as the curve written out."""
    short = received('<path fill="none" stroke="red" d="M0 0 C5 9 9 14 20 9 S 40 30 50 0 Q60 -9 70 0 T90 0"/>').drawing
    long = received(
        '<path fill="none" stroke="red" d="M0 0 C5 9 9 14 20 9 C31 4 40 30 50 0 Q60 -9 70 0 Q80 9 90 0"/>'
    ).drawing
    assert [c.shape for c in short.curves] == [c.shape for c in long.curves]


def test_an_error_is_told():
    left = received('<path d="M0 0L9 9 Q" stroke="red"/>').report.not_read
    assert [(n.type, n.why) for n in left] == [("path", "Its data break off; it was read as far as they go.")]


# ---------------------------------------------------------------------- what is drawn


def test_a_switch_draws_its_first_branch_that_holds():
    body = """<switch><path systemLanguage="fr" d="M0 0H1"/><path requiredExtensions="x" d="M0 0H2"/>
              <path systemLanguage="de, en-GB" d="M0 0H3" stroke="red"/><path d="M0 0H4"/></switch>"""
    assert lengths(body) == [3]


def test_rules_for_print_only_do_not_count():
    sheet = """<style>@media print {.a {display: none}} @media screen and (min-width: 1px) {.b {display: none}}
               @media not print {.c {display: none}} @media not all {.d {display: none}}</style>"""
    body = "".join(f'<path class="{k}" d="M0 0H{n}" stroke="red"/>' for n, k in enumerate("abcd", start=1))
    drawing = received(sheet + body).drawing
    hidden = {x.name for x in drawing.layers if not x.visible}
    assert [round(c.shape.length) for c in drawing.curves if c.layer not in hidden] == [1, 4]


def test_markers_and_filters_are_counted():
    body = """<marker id="m"><path d="M0 0H9"/></marker>
              <path d="M0 0H5" stroke="red" marker-end="url(#m)"/>
              <g filter="url(#f)"><path d="M0 1H5" stroke="red"/></g>"""
    report = received(body).report
    assert {n.type: n.count for n in report.not_read} == {"marker": 1, "filter": 1}


def test_what_is_only_filled_is_closed():
    body = '<path d="M0 0H10V10" fill="red"/><path d="M0 0H10V10" fill="none" stroke="red"/>'
    assert [c.shape.is_closed for c in received(body).drawing.curves] == [True, False]


# ---------------------------------------------------------------------- transforms


@pytest.mark.parametrize(
    ("style", "expected"),
    [
        ("transform: translate(10px, 5px)", (10, 5, 30, 15)),
        ("transform: translate(10%)", (10, 0, 30, 10)),
        ("transform: translateY(0.5in)", (0, 48, 20, 58)),
        ("transform: rotate(90deg)", (-10, 0, 0, 20)),
        ("transform: rotate(0.25turn)", (-10, 0, 0, 20)),
        ("transform: rotate(90deg); transform-origin: 10px 5px", (5, -5, 15, 15)),
        ("transform: scale(2); transform-origin: 100% 0", (-100, 0, -60, 20)),
        ("transform: scaleX(50%) translateX(4px)", (2, 0, 12, 10)),
        ("transform: none", (0, 0, 20, 10)),
    ],
)
def test_css_transforms_move_what_they_stand_on(style, expected):
    assert box(f'<rect width="20" height="10" style="{style}"/>') == expected


def test_the_property_goes_before_the_attribute_and_an_origin_counts_for_both():
    both = '<rect width="20" height="10" transform="translate(50 50)" style="transform: translate(1px, 1px)"/>'
    assert box(both) == (1, 1, 21, 11)
    turned = '<rect width="20" height="10" transform="rotate(90)" style="transform-origin: 10px 5px"/>'
    assert box(turned) == (5, -5, 15, 15)


@given(st.floats(-360, 360), st.floats(-50, 50), st.floats(-50, 50))
def test_turning_about_an_origin_leaves_it_where_it_is(angle, x, y):
    from syntaxa.geometry.points import Point

    by = css_transform_of(f"rotate({angle}deg)", f"{x}px {y}px", (100, 100), 16)
    there = by.point(Point(x, y))
    assert (there.x, there.y) == pytest.approx((x, y), abs=1e-9)


# ---------------------------------------------------------------------- lengths


@pytest.mark.parametrize(
    ("body", "expected"),
    [
        ('<g font-size="10"><rect width="2em" height="1ex"/></g>', (0, 0, 20, 5)),
        ('<g font-size="10"><g style="font-size: 2em"><rect width="1em" height="1ch"/></g></g>', (0, 0, 20, 10)),
        ('<g font-size="10"><rect width="1rem" height="50%"/></g>', (0, 0, 16, 50)),
        ('<rect style="width: 20px; height: calc(1px + 50% / 2)"/>', (0, 0, 20, 26)),
        ('<rect width="calc(2 * (3px + 1px))" height="calc(10% - 2px)"/>', (0, 0, 8, 8)),
        ('<rect width="5" height="5" style="x: 10px; y: 20px; width: 30px"/>', (10, 20, 40, 25)),
        ('<circle r="5" style="cx: 50px; cy: 50px; r: 10px"/>', (40, 40, 60, 60)),
        ("<path style=\"d: path('M0 0H30V20')\" fill=\"none\" stroke=\"red\"/>", (0, 0, 30, 20)),
        ('<rect width="12,5" height="2,25"/>', (0, 0, 12.5, 2.25)),
        ('<ellipse rx="10" cx="50" cy="50"/>', (40, 40, 60, 60)),
    ],
)  # fmt: skip
def test_lengths_as_css_has_them(body, expected):
    assert box(body) == expected


def test_a_decimal_comma_is_told():
    assert "1 lengths are written with a decimal comma" in received('<rect width="12,5" height="2"/>').report.notes[-1]


@pytest.mark.parametrize(
    ("text", "value"),
    [("calc(1px + 2px * 3)", 7), ("calc((1px + 2px) * 3)", 9), ("calc(50% - -1px)", 101), ("calc(1em/4)", 4)],
)
def test_sums_are_worked_out_in_order(text, value):
    assert calculated(text, 200, 16) == pytest.approx(value)


@pytest.mark.parametrize("text", ["calc(", "calc(1px +)", "calc(1px / 0)", "calc(url(x))", "min(1px)", "calc(1 2)"])
def test_sums_that_make_no_sense_are_none(text):
    assert calculated(text, 200, 16) is None


# ---------------------------------------------------------------------- clip paths


def test_a_clip_path_may_use_what_stands_elsewhere():
    body = """<defs><rect id="w" width="10" height="100"/><clipPath id="c"><use href="#w" x="5"/></clipPath></defs>
              <path d="M0 50H100" stroke="red" clip-path="url(#c)"/>"""
    assert lengths(body, clip=True) == [10]


def test_a_clip_path_in_shares_of_a_box():
    body = """<clipPath id="c" clipPathUnits="objectBoundingBox"><rect width="0.5" height="1"/></clipPath>
              <rect x="10" y="10" width="40" height="20" fill="none" stroke="red" clip-path="url(#c)"/>
              <g clip-path="url(#c)"><path d="M0 90H100" stroke="red"/></g>"""
    found = received(body, clip=True)
    # Of the box 20 + 20 + 20 are left; of a group nothing is cut, and that is told.
    assert [round(c.shape.length, 6) for c in found.drawing.curves] == [60, 100]
    assert [n.type for n in found.report.not_read] == ["clip path"]


@pytest.mark.parametrize(("rule", "expected"), [("evenodd", [5, 5]), ("nonzero", [20])])
def test_holes_of_a_clip_path_by_its_rule(rule, expected):
    body = f"""<clipPath id="c"><path clip-rule="{rule}" d="M10 10h20v20h-20z M15 15h10v10h-10z"/></clipPath>
               <path d="M0 20H100" stroke="red" clip-path="url(#c)"/>"""
    assert lengths(body, clip=True) == expected


# ---------------------------------------------------------------------- curves, by size and digits


def test_a_small_view_box_does_not_bend_what_is_free():
    """200 mm in 0.2 user units: an S stays an S, a shallow curve a curve, a circle a circle."""
    size = 'width="200mm" height="200mm" viewBox="0 0 0.2 0.2"'
    s_curve = '<path fill="none" stroke="red" d="M0.01 0.1 C0.05 0.09 0.11 0.11 0.15 0.1"/>'
    shallow = '<path fill="none" stroke="red" d="M0.05 0.1 C0.06 0.101 0.07 0.101 0.08 0.1"/>'
    for body in (s_curve, shallow):
        (curve,) = received(body, size).drawing.curves
        assert isinstance(curve.shape, Spline | Arc)
        assert not isinstance(curve.shape, Line)
        assert curve.shape.length > curve.shape.start.distance_to(curve.shape.end) + 0.01
    assert isinstance(received(s_curve, size).drawing.curves[0].shape, Spline)


CIRCLE = "M10 0 C10 5.522847 5.522847 10 0 10 S-10 5.522847 -10 0 S-5.522847 -10 0 -10 S10 -5.522847 10 0Z"


@pytest.mark.parametrize(
    ("transform", "kind", "radii"),
    [
        ("translate(50 50)", Circle, (10, 10)),
        ("translate(50 50) scale(3 1)", EllipseArc, (30, 10)),
        ("translate(50 50) rotate(30) scale(1 2)", EllipseArc, (20, 10)),
    ],
)
def test_a_circle_of_four_curves_is_a_circle_or_an_ellipse(transform, kind, radii):
    (curve,) = received(f'<path d="{CIRCLE}" transform="{transform}"/>').drawing.curves
    assert isinstance(curve.shape, kind)
    found = (curve.shape.radius,) * 2 if kind is Circle else (curve.shape.major.length, curve.shape.minor.length)
    assert found == pytest.approx(radii, rel=1e-4)


def test_an_ellipse_that_was_stretched_before_it_was_written():
    data = "M30 0 C30 5.522847 16.568542 10 0 10 S-30 5.522847 -30 0 S-16.568542 -10 0 -10 S30 -5.522847 30 0Z"
    (curve,) = received(f'<path d="{data}" transform="translate(50 50)"/>').drawing.curves
    assert isinstance(curve.shape, EllipseArc)
    assert (curve.shape.major.length, curve.shape.minor.length) == pytest.approx((30, 10), rel=1e-6)


def test_rounded_corners_under_two_scales_stay_exact():
    body = '<rect x="0" y="0" width="20" height="10" rx="2" transform="scale(2 1)"/>'
    kinds = [type(c.shape) for c in received(body).drawing.curves]
    assert kinds.count(EllipseArc) == 4


# ---------------------------------------------------------------------- many of a thing


def test_names_do_not_grow_with_how_many_there_are():
    body = '<path id="p" stroke="red" d="' + "M0 0h5 " * 3000 + '"/>'
    curves = received(body).drawing.curves
    assert len({c.id for c in curves}) == 3000
    assert max(len(c.id) for c in curves) < 8


def test_simple_rules_mean_what_a_search_would_find():
    """Looked up by type, class and id, or searched for: the same elements either way."""
    rules = "path.a {stroke: #111111} .a.b {stroke: #222222} #q {stroke: #333333} g > path.c {stroke: #444444}"
    sheet = f"<style>{rules}</style>"
    body = """<path class="a" d="M0 0H1"/><path class="b a" d="M0 0H2"/><path id="q" class="a b" d="M0 0H3"/>
              <g><path class="c" d="M0 0H4"/></g><path class="c" d="M0 0H5"/>"""
    colours = [c.style.colour for c in received(sheet + body, grouping="one").drawing.curves]
    assert colours == [0x111111, 0x222222, 0x333333, 0x444444, 0]
