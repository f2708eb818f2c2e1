"""Reading DXF: entities written by an independent writer come back in the right place, and nothing is lost unsaid."""

from __future__ import annotations

import math
import threading

import ezdxf
import pytest
from specimens import dxf_of

from syntaxa.errors import Cancelled, IntakeError
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.shapes import Arc, Circle, EllipseArc, Polyline, Spline
from syntaxa.intake.registry import read


def received(build, **header):
    return read("test.dxf", dxf_of(build, **header))


def test_every_kind_of_curve_arrives_as_itself():
    def build(space, _document):
        space.add_line((0, 0), (3, 4))
        space.add_arc((1, 2), 5, 30, 120)
        space.add_circle((1, 2), 5)
        space.add_ellipse((0, 0), (10, 0), 0.5, 0, math.tau)
        space.add_spline([(0, 0), (5, 5), (10, 0)])
        space.add_lwpolyline([(0, 0, 0), (10, 0, 1), (10, 10, 0)], format="xyb", close=True)
        space.add_polyline2d([(0, 0), (1, 1)])

    curves = received(build).drawing.curves
    assert [c.shape.kind for c in curves] == ["line", "arc", "circle", "ellipse", "spline", "polyline", "polyline"]
    line, arc, circle, ellipse, spline, polyline, _ = (c.shape for c in curves)
    assert line.length == 5
    assert (arc.centre.x, arc.radius, arc.sweep) == (1, 5, pytest.approx(math.pi / 2))
    assert circle.length == pytest.approx(10 * math.pi)
    assert (ellipse.major.length, ellipse.ratio) == (10, 0.5)
    assert isinstance(spline, Spline)
    assert (spline.start.x, spline.end.x) == (pytest.approx(0), pytest.approx(10))
    assert polyline.closed
    assert polyline.bulges[1] == 1
    assert all(c.id == c.handle for c in curves)


def test_object_coordinates_seen_from_below_are_turned_round():
    """With the normal pointing down, x counts the other way: DXF reference, object coordinate systems."""

    def build(space, _document):
        down = {"extrusion": (0, 0, -1)}
        space.add_arc((10, 5), 2, 0, 90, dxfattribs=down)
        space.add_circle((10, 5), 2, dxfattribs=down)
        space.add_lwpolyline([(0, 0, 1), (10, 0, 0)], format="xyb", dxfattribs=down)

    arc, circle, polyline = (c.shape for c in received(build).drawing.curves)
    assert (circle.centre.x, circle.centre.y) == (-10, 5)
    assert (arc.start.x, arc.start.y) == (pytest.approx(-12), pytest.approx(5))
    assert (arc.end.x, arc.end.y) == (pytest.approx(-10), pytest.approx(7))
    assert bounds(polyline) == pytest.approx((-10, -5, 0, 0))


def test_nested_scaled_and_mirrored_blocks_land_where_they_should():
    def build(space, document):
        inner = document.blocks.new("INNER")
        inner.add_circle((1, 0), 1, dxfattribs={"layer": "0"})
        outer = document.blocks.new("OUTER")
        outer.add_blockref("INNER", (10, 0), dxfattribs={"xscale": -2, "yscale": 2})
        space.add_blockref("OUTER", (100, 50), dxfattribs={"rotation": 90, "layer": "HOLES"})
        space.add_blockref("INNER", (0, 0), dxfattribs={"xscale": 3, "yscale": 1})

    drawing = received(build).drawing
    circle, ellipse = (c.shape for c in drawing.curves)
    # Inner (1, 0) mirrored and doubled: (-2, 0); at (10, 0): (8, 0); turned by 90 degrees: (0, 8); moved: (100, 58).
    assert isinstance(circle, Circle)
    assert (circle.centre.x, circle.centre.y, circle.radius) == pytest.approx((100, 58, 2))
    assert isinstance(ellipse, EllipseArc)
    assert (ellipse.centre.x, ellipse.major.length, ellipse.ratio) == pytest.approx((3, 3, 1 / 3))
    assert [c.layer for c in drawing.curves] == ["HOLES", "0"]
    assert drawing.blocks == 3
    assert len({c.id for c in drawing.curves}) == 2


def test_arrays_of_blocks_are_laid_out():
    def build(space, document):
        document.blocks.new("DOT").add_circle((0, 0), 1)
        grid = {"row_count": 2, "column_count": 3, "row_spacing": 10, "column_spacing": 20}
        space.add_blockref("DOT", (0, 0), dxfattribs=grid)

    centres = {(c.shape.centre.x, c.shape.centre.y) for c in received(build).drawing.curves}
    assert centres == {(x, y) for x in (0, 20, 40) for y in (0, 10)}


def test_layers_keep_their_state_and_colour():
    def build(space, document):
        document.layers.add("OFF", color=1).off()
        document.layers.add("ICE", color=5).freeze()
        document.layers.add("SAFE", color=3).lock()
        for layer in ("OFF", "ICE", "SAFE"):
            space.add_line((0, 0), (1, 0), {"layer": layer})

    layers = {layer.name: layer for layer in received(build).drawing.layers}
    assert not layers["OFF"].visible
    assert layers["ICE"].frozen
    assert layers["SAFE"].locked
    # Index colours 1, 3 and 5 are red, green and blue (DXF reference).
    assert [layers[n].colour for n in ("OFF", "SAFE", "ICE")] == [0xFF0000, 0x00FF00, 0x0000FF]


@pytest.mark.parametrize(("code", "unit"), [(1, "in"), (2, "ft"), (4, "mm"), (5, "cm"), (6, "m"), (0, None)])
def test_the_header_declares_the_unit(code, unit):
    assert received(lambda space, _d: space.add_line((0, 0), (1, 0)), INSUNITS=code).report.declared == unit


def test_a_header_without_a_unit_declares_none():
    data = dxf_of(lambda space, _d: space.add_line((0, 0), (1, 0)), "R12")
    assert read("old.dxf", data).report.declared is None


def test_what_is_not_read_is_counted_with_its_reason():
    def build(space, document):
        space.add_line((0, 0), (0, 0))
        space.add_circle((0, 0), 1, dxfattribs={"extrusion": (0, 1, 1)})
        space.add_line((0, 0), (1e300, 0))
        space.add_blockref("NOWHERE", (0, 0))
        space.add_ray((0, 0), (1, 0))
        space.add_text("A NOTE")
        space.add_circle((0, 0), 5)

    result = received(build)
    told = {(n.type, n.why): n.count for n in result.report.not_read}
    assert told == {
        ("CIRCLE", "It is tilted out of the drawing plane (off-plane); it can be laid flat."): 1,
        ("LINE", "Its coordinates are not numbers that a drawing can hold."): 1,
        ("INSERT", "Its block “NOWHERE” is missing."): 1,
    }
    assert result.report.degenerate == (("LINE", 1),)
    assert result.drawing.annotation_counts() == {"text": 1, "construction": 1}
    assert len(result.drawing.curves) == 1


def test_nan_coordinates_are_left_out_and_told():
    data = dxf_of(lambda space, _d: (space.add_line((7.25, 0), (1, 0)), space.add_circle((0, 0), 1)))
    result = read("nan.dxf", data.replace(b"7.25\n", b"nan\n"))
    assert [c.shape.kind for c in result.drawing.curves] == ["circle"]
    assert [(n.type, n.count) for n in result.report.not_read] == [("LINE", 1)]


def test_a_block_that_contains_itself_ends():
    def build(space, document):
        block = document.blocks.new("SNAKE")
        block.add_circle((0, 0), 1)
        block.add_blockref("SNAKE", (1, 0))
        space.add_blockref("SNAKE", (0, 0))

    result = received(build)
    assert len(result.drawing.curves) == 1
    assert [n.why for n in result.report.not_read] == ["Block “SNAKE” contains itself."]


@pytest.mark.parametrize(
    ("data", "sentence"),
    [
        (b"", "bad.dxf is empty."),
        (b"  \n\n ", "bad.dxf is empty."),
        (b"Dear Sir,\nplease find enclosed\n", "bad.dxf is called a DXF file but does not hold one."),
        (b"  0\nSECTION\n  2\nENTITIES\n  0\nLI", "bad.dxf is damaged and nothing in it could be read."),
    ],
)
def test_what_is_no_drawing_is_refused_in_one_sentence(data, sentence):
    with pytest.raises(IntakeError) as caught:
        read("bad.dxf", data)
    assert caught.value.sentence == sentence


def test_a_drawing_under_another_formats_ending_is_read_and_told():
    result = read("part.dxf", b"<svg xmlns='http://www.w3.org/2000/svg'><circle r='2'/></svg>")
    assert result.report.format == "svg"
    assert result.report.notes[0] == "The file is called a DXF file but holds SVG."


def test_a_file_cut_off_in_the_middle_gives_what_is_there_and_says_so():
    def build(space, _document):
        for k in range(200):
            space.add_line((k, 0), (k, 10))

    data = dxf_of(build, "R12")
    result = read("cut.dxf", data[: data.rindex(b"LINE") - 2000])
    assert 100 < len(result.drawing.curves) < 200
    assert result.report.notes


def test_binary_files_are_read(tmp_path):
    document = ezdxf.new("R2000")
    document.modelspace().add_circle((1, 2), 3)
    path = tmp_path / "binary.dxf"
    document.saveas(path, fmt="bin")
    (curve,) = read("binary.dxf", path.read_bytes()).drawing.curves
    assert isinstance(curve.shape, Circle)
    assert curve.shape.radius == 3


def test_control_points_of_fitted_polylines_are_no_vertices():
    def build(space, _document):
        polyline = space.add_polyline2d([(0, 0), (5, 5), (10, 0)])
        polyline.vertices[1].dxf.flags = 16

    shape = received(build).drawing.curves[0].shape
    assert isinstance(shape, Polyline)
    assert len(shape.vertices) == 2


def test_loading_tells_its_progress_and_can_be_stopped():
    data = dxf_of(lambda space, _d: [space.add_line((k, 0), (k, 1)) for k in range(4000)])
    told: list[float] = []
    read("many.dxf", data, told.append)
    assert told == sorted(told)
    assert told[-1] == 1.0
    assert len(told) > 3
    stop = threading.Event()

    def watch(share):
        if stop.is_set():
            raise Cancelled
        if share > 0.2:
            stop.set()

    with pytest.raises(Cancelled):
        read("many.dxf", data, watch)


def test_an_arc_that_goes_all_round_is_a_circle():
    shape = received(lambda space, _d: space.add_arc((0, 0), 2, 0, 360)).drawing.curves[0].shape
    assert isinstance(shape, Circle)
    quarter = received(lambda space, _d: space.add_arc((0, 0), 2, 350, 10)).drawing.curves[0].shape
    assert isinstance(quarter, Arc)
    assert quarter.sweep == pytest.approx(math.radians(20))
