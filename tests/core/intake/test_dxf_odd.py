"""DXF as others write it: angles that miss a turn by a digit, blocks in blocks, entities without markers, leaders."""

from __future__ import annotations

import math

import pytest
from ezdxf.math import Matrix44
from hypothesis import given
from hypothesis import strategies as st
from specimens import dxf_of

from syntaxa.drawing.annotations import Leader
from syntaxa.geometry.shapes import Circle, EllipseArc, Line, Polyline
from syntaxa.intake.dxf.plain import swept
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read


def drawing_of(build, **header):
    return read("x.dxf", dxf_of(build, **header)).drawing


# ---------------------------------------------------------------------- whole turns


@pytest.mark.parametrize(
    ("first", "last"), [(0, 6.28318530717959), (3.3, 3.3 + 2 * math.pi), (0, 2 * math.pi), (1.0, 7.2831853071796)]
)
def test_a_full_ellipse_is_full_whatever_its_digits(first, last):
    (curve,) = drawing_of(lambda s, _: s.add_ellipse((0, 0), (10, 0), 0.5, first, last)).curves
    assert isinstance(curve.shape, EllipseArc)
    assert curve.shape.is_closed


@pytest.mark.parametrize(("first", "last"), [(0, 360), (0, 360.0000001), (30, 390.00000001), (0, 359.9999999)])
@pytest.mark.parametrize("count", [1, 600])
def test_an_arc_of_a_turn_is_a_circle(first, last, count):
    """Both ways through the reader: the library's, and the fast one for many."""
    curves = drawing_of(lambda s, _: [s.add_arc((k, 0), 10, first, last) for k in range(count)]).curves
    assert len(curves) == count
    assert all(isinstance(c.shape, Circle) for c in curves)


@given(st.floats(-20, 20), st.floats(1e-6, 2 * math.pi - 1e-6))
def test_what_is_less_than_a_turn_stays_so(first, sweep):
    assert swept(first, first + sweep) == pytest.approx(sweep, abs=1e-9)


# ---------------------------------------------------------------------- blocks in blocks


def nested(turn, scale_x, scale_y, build):
    def both(space, document):
        build(document.blocks.new("INNER"))
        outer = document.blocks.new("OUTER")
        outer.add_blockref("INNER", (0, 0), {"rotation": turn})
        space.add_blockref("OUTER", (10, 0), {"xscale": scale_x, "yscale": scale_y})

    return both


def test_the_whole_product_of_the_maps_counts():
    """A unit line turned by 45 degrees, then twice as wide: it ends at 10 + 2 cos 45, sin 45 (by hand)."""
    (curve,) = drawing_of(nested(45, 2, 1, lambda b: b.add_line((0, 0), (1, 0)))).curves
    end = curve.shape.end
    assert (end.x, end.y) == pytest.approx((10 + math.sqrt(2), math.sqrt(0.5)), abs=1e-12)


@given(st.floats(-180, 180), st.floats(0.2, 5), st.floats(0.2, 5), st.booleans(), st.tuples(*[st.floats(-9, 9)] * 4))
def test_a_line_in_nested_blocks_lies_where_matrices_put_it(turn, x, y, mirrored, ends):
    """Against the product of the library's own matrices, taken here by hand."""
    x = -x if mirrored else x
    data = dxf_of(nested(turn, x, y, lambda b: b.add_line(ends[:2], ends[2:])))
    curves = read("x.dxf", data).drawing.curves
    if ends[:2] == ends[2:]:
        assert not curves
        return
    matrix = Matrix44.chain(
        Matrix44.z_rotate(math.radians(turn)), Matrix44.scale(x, y, 1), Matrix44.translate(10, 0, 0)
    )
    (curve,) = curves
    for found, given_ in ((curve.shape.start, ends[:2]), (curve.shape.end, ends[2:])):
        truth = matrix.transform((*given_, 0))
        assert (found.x, found.y) == pytest.approx((truth.x, truth.y), abs=1e-9)


def test_circles_and_bulges_in_stretched_blocks_become_exact_ellipses():
    def build(block):
        block.add_circle((0, 0), 3)
        block.add_lwpolyline([(0, 0, 0), (10, 0, 1), (10, 4, 0), (0, 4, 1)], format="xyb", close=True)

    curves = drawing_of(nested(30, 2, 1, build)).curves
    kinds = [type(c.shape) for c in curves]
    assert kinds == [EllipseArc, Line, EllipseArc, Line, EllipseArc]
    # Radii by the singular values of the map that turns by 30 degrees and then doubles x: 2 and 1.
    assert (curves[0].shape.major.length, curves[0].shape.minor.length) == pytest.approx((6, 3), rel=1e-12)
    assert len({c.id for c in curves}) == 5


def test_an_even_scale_keeps_circles_and_bulges():
    def build(block):
        block.add_circle((0, 0), 3)
        block.add_lwpolyline([(0, 0, 0), (10, 0, 1), (10, 4, 0), (0, 4, 1)], format="xyb", close=True)

    curves = drawing_of(nested(30, -2, 2, build)).curves
    assert [type(c.shape) for c in curves] == [Circle, Polyline]
    assert curves[1].shape.length == pytest.approx(2 * (20 + 4 * math.pi))


def test_a_tipped_insertion_is_off_plane_until_it_is_laid_flat():
    def build(space, document):
        document.blocks.new("B").add_circle((0, 0), 3)
        space.add_blockref("B", (0, 0), {"extrusion": (0, 1, 1)})

    data = dxf_of(build)
    received = read("x.dxf", data)
    assert not received.drawing.curves
    assert "off-plane" in received.report.not_read[0].why
    assert len(read("x.dxf", data, options=ReadOptions(flatten=True)).drawing.curves) == 1


# ---------------------------------------------------------------------- what contents take from their insertions


def test_colour_weight_and_line_type_come_down_through_all_blocks():
    def build(space, document):
        document.layers.add("P", color=3)
        inner = document.blocks.new("INNER")
        inner.add_line((0, 0), (1, 0), {"color": 0, "lineweight": -2, "linetype": "BYBLOCK"})
        inner.add_line((0, 1), (1, 1), {"color": 5})
        outer = document.blocks.new("OUTER")
        outer.add_blockref("INNER", (0, 0), {"color": 0, "lineweight": -2, "linetype": "BYBLOCK"})
        document.linetypes.add("DASH", [1.0, 0.5, -0.5])
        space.add_blockref("OUTER", (0, 0), {"color": 1, "lineweight": 50, "linetype": "DASH"})
        space.add_blockref("OUTER", (9, 0), {"layer": "P"})

    red, own, by_layer, _ = drawing_of(build).curves
    assert (red.style.colour, red.style.weight, red.style.line_type) == (0xFF0000, 0.5, "DASH")
    assert own.style.colour == 0x0000FF
    # The second insertion has the colour of its layer, and so has what it holds.
    assert (by_layer.layer, by_layer.style.colour) == ("P", None)


def test_by_block_on_a_layer_of_its_own_takes_the_colour_of_the_insertion_s_layer():
    def build(space, document):
        document.layers.add("P", color=3)
        document.layers.add("OWN", color=6)
        document.blocks.new("B").add_line((0, 0), (1, 0), {"color": 0, "layer": "OWN"})
        space.add_blockref("B", (0, 0), {"layer": "P"})

    (curve,) = drawing_of(build).curves
    assert (curve.layer, curve.style.colour) == ("OWN", 0x00FF00)


@pytest.mark.parametrize(("frozen", "off", "shown"), [(True, False, False), (False, True, True), (False, False, True)])
def test_an_insertion_on_a_frozen_layer_hides_what_it_holds(frozen, off, shown):
    """Freezing a layer hides an insertion whole; switching it off only what lies on it (common practice)."""

    def build(space, document):
        layer = document.layers.add("P")
        if frozen:
            layer.freeze()
        if off:
            layer.off()
        inner = document.blocks.new("INNER")
        inner.add_line((0, 0), (1, 0), {"layer": "OTHER"})
        document.blocks.new("OUTER").add_blockref("INNER", (0, 0))
        space.add_blockref("OUTER", (0, 0), {"layer": "P"})

    drawing = drawing_of(build)
    (curve,) = drawing.curves
    layer = next(x for x in drawing.layers if x.name == curve.layer)
    assert layer.shown is shown


# ---------------------------------------------------------------------- entities without markers

BARE = {
    "LWPOLYLINE": "90\n3\n70\n1\n10\n0\n20\n0\n10\n5\n20\n5\n10\n9\n20\n0",
    "SPLINE": "70\n8\n71\n3\n72\n8\n73\n4\n74\n0\n" + "".join(f"40\n{k}\n" for k in (0, 0, 0, 0, 1, 1, 1, 1))
    + "".join(f"10\n{k}\n20\n{k % 2}\n30\n0\n" for k in range(4)).rstrip(),
    "ELLIPSE": "10\n0\n20\n0\n30\n0\n11\n5\n21\n0\n31\n0\n40\n0.5\n41\n0\n42\n6.28318530717959",
    "MTEXT": "10\n0\n20\n0\n30\n0\n40\n2.5\n1\nvalve seat",
    "HATCH": "10\n0\n20\n0\n30\n0\n2\nSOLID\n70\n1\n71\n0\n91\n1\n92\n1\n93\n3\n72\n1\n10\n0\n20\n0\n11\n5\n21\n0"
    "\n72\n1"
    "\n10\n5\n20\n0\n11\n5\n21\n5\n72\n1\n10\n5\n20\n5\n11\n0\n21\n0\n97\n0\n75\n0\n76\n1\n98\n0",
}  # fmt: skip


@pytest.mark.parametrize("kind", BARE)
@pytest.mark.parametrize("head", ["5\nAF0\n8\nBARE\n62\n1\n", "8\nBARE\n62\n1\n", "8\nBARE\n5\nAF0\n62\n1\n"])
def test_one_bare_entity_among_good_lines_is_read_with_them(kind, head):
    whole = dxf_of(lambda s, _: [s.add_line((k, 0), (k, 5)) for k in range(600)]).decode()
    at = whole.index("ENTITIES\n") + len("ENTITIES\n")
    received = read("x.dxf", (whole[:at] + f"  0\n{kind}\n{head}{BARE[kind]}\n" + whole[at:]).encode())
    drawing = received.drawing
    assert len([c for c in drawing.curves if isinstance(c.shape, Line)]) == 600
    (found,) = [x for x in (*drawing.curves, *drawing.annotations) if x.layer == "BARE"]
    assert (found.style.colour if hasattr(found, "style") else found.colour) == 0xFF0000
    assert received.report.not_read == ()


# ---------------------------------------------------------------------- leaders


def test_leaders_are_told_and_shown_and_nothing_of_them_is_cut():
    def build(space, document):
        space.add_line((0, 0), (9, 0))
        document.dimstyles.new("D", dxfattribs={"dimasz": 2.0})
        space.add_leader([(0, 0), (5, 5), (9, 5)], dimstyle="D")

    drawing = drawing_of(build)
    assert [c.shape.length for c in drawing.curves] == [9.0]
    (leader,) = drawing.annotations
    assert isinstance(leader, Leader)
    assert leader.kind == "leader"
    assert max(s.length for s in leader.strokes) > 5


def test_thousands_of_lines_without_handles_get_each_its_own():
    lines = "".join(f"0\nLINE\n8\n0\n10\n{k}\n20\n0\n11\n{k}\n21\n5\n" for k in range(2000))
    data = f"0\nSECTION\n2\nENTITIES\n{lines}0\nENDSEC\n0\nEOF\n".encode()
    curves = read("x.dxf", data).drawing.curves
    assert len({c.id for c in curves}) == 2000
    assert [c.shape.start.x for c in curves] == [float(k) for k in range(2000)]
