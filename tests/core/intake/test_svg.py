"""SVG: what the standard says of units, view boxes, transforms, style, use, clips and text."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from svgelements import Matrix
from svgelements import Path as OtherPath

from syntaxa.errors import IntakeError
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Line, Polyline
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read
from syntaxa.intake.svg.placing import transform_of
from syntaxa.intake.svg.style import colour_of

HEAD = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"'


def received(body, attributes='width="100mm" height="100mm" viewBox="0 0 100 100"', **options):
    return read("d.svg", f"<svg {HEAD} {attributes}>{body}</svg>".encode(), options=ReadOptions(**options))


def shapes(body, *more, **options):
    return [c.shape for c in received(body, *more, **options).drawing.curves]


@pytest.mark.parametrize(
    ("size", "unit", "length"),
    [
        # CSS Values and Units 3, 6.2: absolute lengths.
        ('width="200mm" height="100mm" viewBox="0 0 200 100"', "mm", 50.0),
        ('width="20cm" height="10cm" viewBox="0 0 200 100"', "cm", 5.0),
        ('width="2in" height="1in" viewBox="0 0 200 100"', "in", 0.5),
        ('width="144pt" height="72pt" viewBox="0 0 200 100"', "pt", 36.0),
        ('width="400px" height="200px" viewBox="0 0 200 100"', "px", 100.0),
        ('width="400" height="200"', "px", 50.0),
        ('viewBox="0 0 200 100"', "px", 50.0),
        ('width="100%" viewBox="0 0 200 100"', "px", 50.0),
        ('height="100mm" viewBox="0 0 200 100"', "mm", 50.0),
        ('width="25.4mm" height="25.4mm"', "mm", 50.0 * 25.4 / 96),
    ],
)
def test_the_size_of_the_picture_settles_the_unit(size, unit, length):
    result = received('<line x1="10" y1="10" x2="60" y2="10" stroke="red"/>', size)
    assert result.report.declared == unit
    assert result.drawing.curves[0].shape.length == pytest.approx(length, rel=1e-14)


def test_200_mm_are_200_mm_to_the_last_digit():
    (line,) = shapes('<line x1="0" x2="200" stroke="red"/>', 'width="200mm" height="9mm" viewBox="0 0 200 9"')
    assert line.length == 200.0


@pytest.mark.parametrize(("density", "mm"), [(96, 25.4), (90, 25.4 * 96 / 90), (72, 25.4 * 96 / 72)])
def test_pixels_can_be_taken_at_other_densities(density, mm):
    result = received('<line x2="96" stroke="red"/>', 'width="96" height="96"', density=density)
    assert result.drawing.curves[0].shape.length * 25.4 / 96 == pytest.approx(mm)


def test_y_counts_up_from_the_lower_edge():
    (circle,) = shapes('<circle cx="10" cy="20" r="5" stroke="red"/>')
    assert circle == Circle(circle.centre, 5.0)
    assert (circle.centre.x, circle.centre.y) == (10, 80)


@pytest.mark.parametrize(
    ("aspect", "box"),
    [
        # A square of 10 in a window of 40 x 20 (SVG 1.1, 7.8).
        ("", (10, 0, 30, 20)),
        ("xMinYMin", (0, 0, 20, 20)),
        ("xMaxYMid meet", (20, 0, 40, 20)),
        ("none", (0, 0, 40, 20)),
        ("xMidYMin slice", (0, -20, 40, 20)),
        ("xMidYMax slice", (0, 0, 40, 40)),
    ],
)
def test_preserve_aspect_ratio(aspect, box):
    (square,) = shapes(
        '<path d="M0 0H10V10H0Z" stroke="red"/>',
        f'width="40mm" height="20mm" viewBox="0 0 10 10" preserveAspectRatio="{aspect}"',
    )
    assert bounds(square) == pytest.approx(box)


def test_transforms_keep_circles_where_they_keep_circles():
    body = (
        '<circle r="2" transform="translate(10,20) rotate(30) scale(2)"/>'
        '<circle r="2" transform="scale(2,1)"/>'
        '<circle r="2" transform="matrix(0,1,1,0,5,5)"/>'
    )
    round_, flat, mirrored = shapes(body)
    assert isinstance(round_, Circle)
    assert round_.radius == pytest.approx(4)
    assert isinstance(flat, EllipseArc)
    assert (flat.major.length, flat.ratio) == pytest.approx((4, 0.5))
    assert isinstance(mirrored, Circle)


ANGLES = st.floats(-360, 360)
NUMBERS = st.floats(-50, 50).map(lambda v: round(v, 3))
FUNCTIONS = st.one_of(
    st.builds("translate({},{})".format, NUMBERS, NUMBERS),
    st.builds("rotate({})".format, ANGLES.map(lambda v: round(v, 3))),
    st.builds("rotate({} {} {})".format, ANGLES.map(lambda v: round(v, 3)), NUMBERS, NUMBERS),
    st.builds("scale({})".format, st.floats(0.1, 5).map(lambda v: round(v, 3))),
    st.builds("skewX({})".format, st.integers(-60, 60)),
    st.builds("matrix({} {} {} {} {} {})".format, *[NUMBERS] * 6),
)


@given(st.lists(FUNCTIONS, min_size=1, max_size=4).map(" ".join))
def test_transform_lists_agree_with_another_library(text):
    ours, theirs = transform_of(text), Matrix(text)
    size = max(1.0, *(abs(v) for v in (theirs.a, theirs.b, theirs.c, theirs.d, theirs.e, theirs.f)))
    assert (ours.a, ours.b, ours.c, ours.d, ours.e, ours.f) == pytest.approx(
        (theirs.a, theirs.b, theirs.c, theirs.d, theirs.e, theirs.f), abs=1e-9 * size
    )


@given(st.floats(1, 40), st.floats(1, 40), st.floats(0, 180), st.booleans(), st.booleans(), NUMBERS, NUMBERS)
def test_elliptical_arcs_agree_with_another_library(rx, ry, turn, large, sweep, x, y):
    data = f"M 3 4 A {rx} {ry} {turn} {int(large)} {int(sweep)} {x} {y}"
    if math.hypot(x - 3, y - 4) < 1e-3:
        return
    found = shapes(f'<path d="{data}" stroke="red"/>')
    (_, theirs) = OtherPath(data)
    (ours,) = found
    middle = theirs.point(0.5)
    near = ours.flattened(1e-4)
    distance = min(math.hypot(px - middle.x, py - (100 - middle.y)) for px, py in near.tolist())
    # The polyline of ours stays within its chord length of any point of the arc.
    assert distance <= max(0.6, ours.length / len(near))
    assert ours.length == pytest.approx(theirs.length(error=1e-6), rel=1e-3)


def test_a_row_of_lines_and_arcs_is_one_polyline():
    (slot,) = shapes('<path d="M10 10 h20 a5 5 0 0 1 0 10 h-20 a5 5 0 0 1 0 -10 z" stroke="red"/>')
    assert isinstance(slot, Polyline)
    assert slot.closed
    assert slot.length == pytest.approx(40 + 10 * math.pi)


@pytest.mark.parametrize("kappa", [0.5522847498, 0.551915, 0.5523])
def test_circles_drawn_as_four_beziers_are_circles(kappa):
    r, k = 10, 10 * kappa
    data = (
        f"M60 50 C 60 {50 + k} {50 + k} 60 50 60 C {50 - k} 60 40 {50 + k} 40 50"
        f" C 40 {50 - k} {50 - k} 40 50 40 C {50 + k} 40 60 {50 - k} 60 50 Z"
    )
    (circle,) = shapes(f'<path d="{data}" stroke="red"/>')
    assert isinstance(circle, Circle)
    assert circle.radius == pytest.approx(r)
    assert (circle.centre.x, circle.centre.y) == pytest.approx((50, 50))


def test_a_free_curve_that_is_nearly_round_is_no_arc():
    # Handles of unequal length: off its circle by several times what the best cubic would be.
    (curve,) = shapes('<path d="M0 0 C 0 5.2 4.1 10 10 10" stroke="red"/>')
    assert curve.kind == "spline"
    # A shallow curve whose tangents fit no arc.
    (wave,) = shapes('<path d="M0 0 C 30 2 70 -2 100 0" stroke="red"/>')
    assert wave.kind == "spline"


def test_rounded_rectangles_have_arcs_for_corners():
    (rect,) = shapes('<rect x="10" y="10" width="40" height="20" rx="5" stroke="red"/>')
    assert isinstance(rect, Polyline)
    assert rect.length == pytest.approx(2 * (30 + 10) + 10 * math.pi)
    assert bounds(rect) == pytest.approx((10, 70, 50, 90))


def test_styles_come_from_sheets_attributes_and_groups_in_the_order_of_the_cascade():
    body = """
      <style>
        .cut { stroke: #ff0000; } g#deep path { stroke: rgb(0,0,255) } path { stroke: lime }
        .loud { stroke: #123456 !important } @media screen { #m { stroke: teal } }
      </style>
      <path class="cut" d="M0 0H1"/>
      <g id="deep"><path class="cut" d="M0 0H2"/><path style="stroke: #abc" d="M0 0H3"/></g>
      <path d="M0 0H4" stroke="gold"/>
      <path class="loud" style="stroke:red" d="M0 0H5"/>
      <path id="m" d="M0 0H6"/>
      <g stroke="navy"><line x2="7"/></g>
    """
    colours = [c.style.colour for c in received(body).drawing.curves]
    assert colours == [0xFF0000, 0x0000FF, 0xAABBCC, 0x00FF00, 0x123456, 0x008080, 0x000080]


@pytest.mark.parametrize(
    ("text", "colour"),
    [("none", None), ("transparent", None), ("#f00", 0xFF0000), ("rgb(0, 128, 0)", 0x8000), ("hsl(240 100% 50%)", 255),
     ("CadetBlue", 0x5F9EA0), ("rgba(1,2,3,0)", None), ("currentColor", 0), ("url(#g) red", 0xFF0000)],
)  # fmt: skip
def test_colours(text, colour):
    assert colour_of(text) == colour


def test_named_groups_become_layers_and_hidden_ones_stay_hidden():
    body = """
      <g xmlns:tool="urn:some:tool" tool:label="Cut"><path d="M0 0H1" stroke="red"/>
        <g style="display:none" aria-label="Old"><path d="M0 0H2" stroke="red"/></g></g>
      <g><title>Engrave</title><path d="M0 0H3" stroke="red"/><path d="M0 0H4" stroke="red" visibility="hidden"/></g>
    """
    drawing = received(body).drawing
    assert [c.layer for c in drawing.curves] == ["Cut", "Old", "Engrave", "Engrave (hidden)"]
    assert {x.name: x.shown for x in drawing.layers} == {
        "Cut": True, "Old": False, "Engrave": True, "Engrave (hidden)": False,
    }  # fmt: skip


def test_without_named_groups_layers_are_colours_and_it_is_said():
    result = received('<path d="M0 0H1" stroke="red"/><path d="M0 0H2" stroke="blue"/>')
    assert [c.layer for c in result.drawing.curves] == ["#ff0000", "#0000ff"]
    assert "its layers are its colours" in result.report.notes[0]
    one = received('<path d="M0 0H1" stroke="red"/><path d="M0 0H2" stroke="blue"/>', grouping="one")
    assert [c.layer for c in one.drawing.curves] == ["0", "0"]


def test_symbols_take_the_size_of_their_use():
    body = """
      <defs><symbol id="s" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5" stroke="red"/></symbol>
        <circle id="c" r="1" stroke="red"/></defs>
      <use href="#s" x="20" y="30" width="40" height="40"/>
      <use xlink:href="#c" x="5" y="6"/>
      <use href="#nowhere"/>
    """
    result = received(body)
    big, small = (c.shape for c in result.drawing.curves)
    assert (big.centre.x, big.centre.y, big.radius) == pytest.approx((40, 50, 20))
    assert (small.centre.x, small.centre.y, small.radius) == pytest.approx((5, 94, 1))
    assert result.drawing.blocks == 2
    assert len({c.block for c in result.drawing.curves}) == 2
    assert [(n.type, n.count) for n in result.report.not_read] == [("use", 1)]


def test_nested_pictures_have_windows_of_their_own():
    (line,) = shapes('<svg x="10" y="10" width="50" height="50" viewBox="0 0 5 5"><line x2="5" stroke="red"/></svg>')
    assert bounds(line) == pytest.approx((10, 90, 60, 90))


def test_clip_paths_are_reported_and_applied_on_request():
    body = """
      <clipPath id="half"><rect width="50" height="100"/></clipPath>
      <g clip-path="url(#half)"><line x1="10" y1="50" x2="90" y2="50" stroke="red"/>
      <circle cx="50" cy="20" r="10" stroke="red"/><circle cx="80" cy="80" r="5" stroke="red"/></g>
    """
    whole = received(body)
    assert whole.report.clipped == 3
    assert [c.shape.kind for c in whole.drawing.curves] == ["line", "circle", "circle"]
    line, arc = shapes(body, clip=True)
    assert isinstance(line, Line)
    assert line.length == pytest.approx(40)
    # The half of the circle that is left of the middle.
    assert isinstance(arc, Arc)
    assert arc.length == pytest.approx(10 * math.pi)


def test_texts_and_pictures_keep_their_place_and_size():
    pixel = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="
    body = f"""
      <text x="10" y="20" font-size="10" text-anchor="middle" transform="rotate(-90 10 20)">Ø 12
      <tspan>H7</tspan></text>
      <image x="5" y="5" width="20" height="10" href="data:image/png;base64,{pixel}"/>
      <image width="9" height="9" href="file:///etc/passwd"/>
    """
    result = received(body)
    text, inside, outside = result.drawing.annotations
    assert text.text == "Ø 12 H7"
    assert (text.place.x, text.place.y, text.across) == (pytest.approx(10), pytest.approx(80), "centre")
    assert text.angle == pytest.approx(math.pi / 2)
    assert text.height == pytest.approx(7)
    assert inside.data.startswith(b"\x89PNG")
    assert [(p.x, p.y) for p in inside.corners()] == [(5, 85), (25, 85), (25, 95), (5, 95)]
    assert outside.data == b""
    assert [(n.type, n.why) for n in result.report.not_read] == [
        ("image", "It lies outside the file; nothing outside is opened.")
    ]


def test_dashes_and_widths_are_kept():
    curves = received(
        '<line x2="5" stroke="red" stroke-width="0.5" stroke-dasharray="3 1"/>'
        '<line x2="6" stroke="red" stroke-width="2" transform="scale(0.5)"/>'
    ).drawing.curves
    assert [(c.style.line_type, c.style.weight) for c in curves] == [("DASHED", 0.5), ("", 1.0)]


def test_broken_path_data_are_read_as_far_as_they_go():
    result = received('<path d="M0 0 L10 0 L10 10 Q 5" stroke="red"/><path d="nonsense" stroke="red"/>')
    assert [c.shape.kind for c in result.drawing.curves] == ["polyline"]
    assert [(n.type, n.count) for n in result.report.not_read] == [("path", 2)]


def test_what_has_no_size_is_told():
    result = received('<rect width="0" height="5"/><circle r="-1"/><path d="M1 1"/><line x1="2" x2="2"/>')
    assert not result.drawing.curves
    assert dict(result.report.degenerate) == {"rect": 1, "circle": 1, "path": 1, "line": 1}


@pytest.mark.parametrize(
    "data",
    [
        # A file that names a million copies of itself, and one that names a file of the machine.
        (
            b'<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">'
            b'<!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;"><!ENTITY d "&c;&c;&c;&c;&c;&c;&c;&c;&c;&c;">]>'
            b'<svg xmlns="http://www.w3.org/2000/svg"><text>&d;</text><circle r="3"/></svg>'
        ),
        (
            b'<!DOCTYPE svg [<!ENTITY secret SYSTEM "file:///etc/passwd">]>'
            b'<svg xmlns="http://www.w3.org/2000/svg"><text>&secret;</text><circle r="3"/></svg>'
        ),
    ],
)
def test_entities_are_not_unfolded_and_files_are_not_opened(data):
    result = read("bad.svg", data)
    assert [c.shape.kind for c in result.drawing.curves] == ["circle"]
    assert all("root" not in a.text and len(a.text) < 100 for a in result.drawing.annotations)


def test_copies_of_copies_end(monkeypatch):
    monkeypatch.setattr("syntaxa.intake.gather.MOST_THINGS", 30_000)
    lines = ['<g id="a0"><circle r="1"/></g>']
    lines += [f'<g id="a{k}">' + f'<use href="#a{k - 1}"/>' * 10 + "</g>" for k in range(1, 12)]
    data = f"<svg {HEAD}><defs>{''.join(lines)}</defs><use href='#a11'/></svg>"
    result = read("bomb.svg", data.encode())
    assert any("more than can be held" in n for n in result.report.notes)
    snake = read("snake.svg", f'<svg {HEAD}><g id="s"><circle r="2"/><use href="#s"/></g></svg>'.encode())
    assert snake.drawing.curves
    assert any(n.type == "use" for n in snake.report.not_read)


def test_what_is_no_xml_is_refused():
    with pytest.raises(IntakeError, match="is damaged and nothing in it could be read"):
        read("bad.svg", b"<svg <<<< \x00\x01")


def test_elements_of_other_name_spaces_draw_nothing_and_are_no_fault():
    body = '<t:view xmlns:t="urn:a:tool"><t:path d="M0 0H9"/></t:view><path d="M0 0H5" stroke="red"/>'
    result = received(body)
    assert [c.shape.length for c in result.drawing.curves] == [5]
    assert not result.report.not_read
