"""What a DXF holds beside plain curves: layouts, texts, dimensions, hatches, heights; and the fast way."""

from __future__ import annotations

import io
import math

import ezdxf
import pytest
from ezdxf.enums import TextEntityAlignment
from specimens import dxf_of

from syntaxa.errors import IntakeError, no_progress
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Polyline
from syntaxa.intake.dxf import plain
from syntaxa.intake.dxf.reader import read as read_dxf
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read


def received(build, release="R2010", options=None, **header):
    return read("test.dxf", dxf_of(build, release, **header), options=options or ReadOptions())


def noted(build, **more):
    return received(build, **more).drawing.annotations


def test_texts_of_every_kind_and_anchor():
    def build(space, document):
        space.add_text("LEFT", height=3).set_placement((1, 2))
        space.add_text("MID", height=2, rotation=30).set_placement((5, 6), align=TextEntityAlignment.MIDDLE_CENTER)
        space.add_text("TOP", height=2).set_placement((7, 8), align=TextEntityAlignment.TOP_RIGHT)
        space.add_mtext("TWO\\PLINES", {"char_height": 4, "insert": (9, 9), "attachment_point": 5, "rotation": 90})
        document.blocks.new("TAG").add_attdef("NO", (0, 0))
        space.add_blockref("TAG", (3, 3)).add_attrib("NO", "17", (3, 4))

    left, mid, top, lines, attribute = noted(build)
    assert (left.place.x, left.height, left.across, left.up) == (1, 3, "left", "baseline")
    assert (mid.place.x, mid.across, mid.up, mid.angle) == (5, "centre", "middle", pytest.approx(math.radians(30)))
    assert (top.across, top.up) == ("right", "top")
    assert (lines.text, lines.height, lines.across, lines.up) == ("TWO\nLINES", 4, "centre", "middle")
    assert lines.angle == pytest.approx(math.pi / 2)
    assert attribute.text == "17"


def test_dimensions_of_every_kind_with_what_they_measure():
    def build(space, _document):
        space.add_linear_dim((0, 5), (0, 0), (30, 40)).render()
        space.add_aligned_dim((0, 0), (30, 40), 5).render()
        space.add_radius_dim((0, 0), radius=7, angle=30).render()
        space.add_diameter_dim((0, 0), radius=7, angle=30).render()
        space.add_angular_dim_3p((0, 5), (0, 0), (5, 0), (0, 5)).render()
        space.add_ordinate_x_dim((12, 5), (0, 9)).render()

    dimensions = noted(build)
    assert [(d.measures, round(d.measured, 9)) for d in dimensions] == [
        ("linear", 30), ("linear", 50), ("radius", 7), ("diameter", 14),
        ("angular", round(math.pi / 2, 9)), ("ordinate", 12),
    ]  # fmt: skip
    assert all(d.strokes and d.points for d in dimensions)
    assert dimensions[1].labels[0].text == "50"


def test_dimensions_that_disagree_with_their_geometry_are_told():
    def build(space, _document):
        space.add_linear_dim((0, 5), (0, 0), (36, 0), text="63").render()
        space.add_linear_dim((0, 9), (0, 0), (36, 0), text="36.0 ±0.1").render()
        space.add_linear_dim((0, 13), (0, 0), (36, 0), override={"dimlfac": 2}, text="72").render()
        space.add_angular_dim_3p((0, 5), (0, 0), (5, 0), (0, 5), text="192%%d").render()

    from syntaxa.intake.report import disagreements

    result = received(build)
    assert [(d.says, d.drawn) for d in disagreements(result)] == [(63, 36), (192, 90)]


def test_hatches_keep_boundaries_of_every_edge():
    def build(space, _document):
        hatch = space.add_hatch(color=2)
        hatch.paths.add_polyline_path([(0, 0), (10, 0), (10, 10, 1.0)], is_closed=True)
        edges = hatch.paths.add_edge_path()
        edges.add_line((1, 1), (3, 1))
        edges.add_arc((3, 2), 1, 270, 90)
        edges.add_ellipse((2, 3), (1, 0), 0.5, 0, 180)
        edges.add_spline(control_points=[(1, 3), (0, 2), (1, 1)], degree=2)
        space.add_hatch().set_pattern_fill("ANSI31")

    result = received(build)
    (hatch,) = result.drawing.annotations
    assert [[s.kind for s in loop] for loop in hatch.loops] == [["polyline"], ["line", "arc", "ellipse", "polyline"]]
    assert (hatch.solid, hatch.colour) == (True, 0xFFFF00)
    assert hatch.loops[0][0].bulges == (0, 0, 1)
    assert dict(result.report.degenerate) == {"HATCH": 1}


def test_endless_lines_are_construction_leaders_are_notes_and_mlines_are_curves():
    def build(space, _document):
        space.add_xline((1, 2), (3, 4))
        space.add_ray((0, 0), (0, 1))
        space.add_mline([(0, 0), (10, 0)])
        space.add_leader([(0, 0), (5, 5), (9, 5)])
        space.add_solid([(0, 0), (4, 0), (0, 2), (4, 2)])
        space.add_trace([(0, 0), (4, 0), (0, 2), (4, 2)])

    drawing = received(build).drawing
    assert [a.kind for a in drawing.annotations] == ["construction", "construction", "leader"]
    assert [a.both_ways for a in drawing.annotations[:2]] == [True, False]
    solids = [c.shape for c in drawing.curves if isinstance(c.shape, Polyline) and c.shape.closed]
    assert [s.length for s in solids if len(s.vertices) == 4] == [12, 12]
    assert sum(c.shape.kind == "line" for c in drawing.curves) >= 2


def test_every_layout_can_be_read():
    def build(space, document):
        space.add_circle((0, 0), 5)
        document.layout("Layout1").add_line((0, 0), (7, 0))
        document.layouts.new("Second").add_line((0, 0), (8, 0))

    data = dxf_of(build)
    assert [s.name for s in read("l.dxf", data).report.sheets] == ["", "Layout1", "Second"]
    second = read("l.dxf", data, options=ReadOptions(layout="Second"))
    assert [c.shape.length for c in second.drawing.curves] == [8]
    with pytest.raises(IntakeError, match=r"has no layout “Third”\. There are: Layout1, Second"):
        read("l.dxf", data, options=ReadOptions(layout="Third"))


def test_heights_are_laid_flat_and_told():
    def build(space, _document):
        space.add_line((0, 0, 3), (10, 0, -5))
        space.add_lwpolyline([(0, 0), (1, 1)], dxfattribs={"elevation": 2})
        space.add_circle((0, 0, 1e-9), 5)
        space.add_circle((1, 0), 5, dxfattribs={"extrusion": (1e-4, 0, 1)})

    result = received(build)
    assert len(result.drawing.curves) == 4
    assert result.report.notes == ("3 entities lie up to 5 above or below the plane; they were laid on it.",)


def test_tilted_curves_are_off_plane_or_seen_from_above():
    def build(space, _document):
        tilt = {"extrusion": (0, math.sin(math.radians(60)), math.cos(math.radians(60)))}
        space.add_circle((0, 0), 10, dxfattribs=tilt)

    assert "off-plane" in received(build).report.not_read[0].why
    flat = received(build, options=ReadOptions(flatten=True)).drawing.curves
    box = bounds(flat[0].shape)
    # A circle tilted by 60 degrees looks half as high as wide (to the error of its four Beziers).
    assert (box[2] - box[0], box[3] - box[1]) == pytest.approx((20, 10), rel=1e-3)


def test_colours_weights_and_line_types_by_layer_block_and_entity():
    def build(space, document):
        document.layers.add("L", color=3, lineweight=50, linetype="CONTINUOUS")
        block = document.blocks.new("B")
        block.add_line((0, 0), (1, 0), {"color": 0, "lineweight": -2})
        block.add_line((0, 0), (2, 0), {"color": 5})
        space.add_blockref("B", (0, 0), {"color": 1, "lineweight": 35, "layer": "L"})
        space.add_line((0, 0), (3, 0), {"true_color": 0x123456, "layer": "L", "linetype": "DASHED"})

    drawing = received(build).drawing
    styles = [(c.style.colour, c.style.weight, c.style.line_type) for c in drawing.curves]
    assert styles == [(0xFF0000, 0.35, ""), (0x0000FF, None, ""), (0x123456, None, "DASHED")]
    layer = next(x for x in drawing.layers if x.name == "L")
    assert (layer.colour, layer.weight, layer.plotted) == (0x00FF00, 0.5, True)
    assert len({c.block for c in drawing.curves[:2]}) == 1


def test_what_is_invisible_lies_on_a_hidden_layer():
    drawing = received(lambda s, _d: [s.add_line((0, 0), (1, 0), {"invisible": 1}), s.add_line((0, 0), (2, 0))]).drawing
    assert [(c.layer, c.shape.length) for c in drawing.curves] == [("0 (hidden)", 1), ("0", 2)]
    assert not next(x for x in drawing.layers if x.name == "0 (hidden)").shown


@pytest.mark.parametrize("release", ["R12", "R2000", "R2007", "R2018"])
@pytest.mark.parametrize("handles", [True, False])
def test_the_fast_way_gives_the_same_drawing_as_the_library(release, handles):
    def build(space, document):
        document.layers.add("LÖCHER", color=4)
        for k in range(plain.FEWEST):
            space.add_line((k, 0.1 * k), (k + 1, 5), {"layer": "LÖCHER" if k % 3 else "0", "color": k % 257})
            space.add_arc((k, 1), 2 + k, 30 - k, 70 + 3 * k)
            space.add_circle((k, -k, 0.5 if k % 50 == 0 else 0), 0 if k == 7 else 1.5)
            if k % 40 == 0:
                space.add_text(f"N{k}", height=2)
                space.add_line((1, 1), (1, 1))
                space.add_circle((5, 5), 3, dxfattribs={"extrusion": (0, 0, -1)})
                space.add_polyline2d([(0, 0), (1, 1), (2, 0)])
        block = document.blocks.new("B")
        block.add_line((0, 0), (1, 1))
        space.add_blockref("B", (3, 3))

    data = dxf_of(build, release)
    if not handles:
        lines = data.split(b"\n")
        begin = lines.index(b"ENTITIES")
        drop = {k for k in range(begin + 1, len(lines) - 1, 2) if lines[k].strip() == b"5"}
        data = b"\n".join(line for k, line in enumerate(lines) if k not in drop and k - 1 not in drop)
    fast = read_dxf("x.dxf", data, no_progress)
    slow = read_dxf("x.dxf", data, no_progress, fast=False)
    assert fast.drawing.curves == slow.drawing.curves
    assert fast.drawing == slow.drawing
    assert (fast.report.degenerate, fast.report.notes) == (slow.report.degenerate, slow.report.notes)
    assert len(fast.drawing.curves) > 3 * plain.FEWEST - 2
    assert len({c.id for c in fast.drawing.curves}) == len(fast.drawing.curves)


def test_the_fast_way_leaves_what_is_out_of_the_ordinary_to_the_library():
    def build(space, _document):
        for k in range(plain.FEWEST):
            space.add_line((k, 0), (k, 1))
        space.add_line((0, 0), (1, 0), {"invisible": 1})
        space.add_line((0, 0), (2, 0), {"thickness": 5})
        space.add_line((0, 0), (3, 0)).set_xdata("ACAD", [(1040, 1.0)])

    drawing = received(build).drawing
    assert [c.layer for c in drawing.curves[-3:]] == ["0 (hidden)", "0", "0"]
    assert [c.shape.length for c in drawing.curves[-3:]] == [1, 2, 3]


def test_old_code_pages_and_escapes_name_layers():
    data = dxf_of(lambda s, d: [d.layers.add("BÖDEN"), s.add_line((0, 0), (1, 0), {"layer": "BÖDEN"})], "R2000")
    for text in (data.decode().encode("cp1252"), data.replace("Ö".encode(), b"\\U+00D6")):
        assert read("x.dxf", text).drawing.curves[0].layer == "BÖDEN"


def test_closed_and_rational_splines_and_fit_points():
    def build(space, _document):
        space.add_spline([(0, 0), (5, 5), (10, 0), (5, -5)])
        space.add_spline().set_closed([(0, 0, 0), (5, 5, 0), (10, 0, 0), (5, -5, 0)])
        space.add_rational_spline([(1, 0, 0), (1, 1, 0), (0, 1, 0)], weights=[1, math.sqrt(0.5), 1], degree=2)

    fit, closed, rational = (c.shape for c in received(build).drawing.curves)
    assert (fit.start.x, fit.end.y) == (pytest.approx(0), pytest.approx(-5))
    assert closed.start.distance_to(closed.end) < 1e-9
    # The quarter circle as a rational quadratic is exact (any text on NURBS).
    assert rational.length == pytest.approx(math.pi / 2, rel=1e-9)


def test_mirrored_and_squashed_blocks_keep_their_shapes():
    def build(space, document):
        block = document.blocks.new("B")
        block.add_arc((0, 0), 2, 0, 90)
        block.add_lwpolyline([(0, 0, 1), (2, 0, 0)], format="xyb")
        space.add_blockref("B", (10, 0), {"xscale": -1, "yscale": 1})
        space.add_blockref("B", (0, 0), {"xscale": 3, "yscale": 1})

    shapes = [c.shape for c in received(build).drawing.curves]
    assert isinstance(shapes[0], Arc)
    assert (shapes[0].start.x, shapes[0].end.y) == (pytest.approx(8), pytest.approx(2))
    assert any(isinstance(s, EllipseArc) for s in shapes)
    assert not any(isinstance(s, Circle) for s in shapes)


def test_a_binary_r12_and_a_new_one_are_the_same():
    def build(space, _document):
        space.add_circle((1, 2), 3)
        space.add_line((0, 0), (4, 5))

    for release in ("R12", "R2018"):
        document = ezdxf.new(release)
        build(document.modelspace(), document)
        stream = io.BytesIO()
        document.write(stream, fmt="bin")
        shapes = [c.shape for c in read("b.dxf", stream.getvalue()).drawing.curves]
        assert [s.kind for s in shapes] == ["circle", "line"]
        assert shapes[0].radius == 3
