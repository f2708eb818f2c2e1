"""Scene, view and rulers: what is drawn is where it should be."""

from __future__ import annotations

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from PyQt6.QtGui import QColor, QImage, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.canvas import Canvas
from syntaxa.app.canvas.layers.changes import ChangeMarks, ChangesLayer
from syntaxa.app.canvas.layers.rulers import mark_text, spacing
from syntaxa.app.canvas.render import pen_of, slices
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.tints import Tints
from syntaxa.app.theme.tokens import LOOKS
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.shapes import Circle, Line, Polyline
from syntaxa.mend.model import Region


def scene_of(*shapes):
    return Scene.of([(0, [Curve(f"c{k}", s, "0") for k, s in enumerate(shapes)])])


def painted(scene, view):
    image = QImage(view.width, view.height, QImage.Format.Format_RGB32)
    image.fill(QColor("white"))
    for _ in slices(scene, view, image, [pen_of(0)], False):
        pass
    bits = image.bits()
    bits.setsize(image.sizeInBytes())
    return np.frombuffer(bits, np.uint32).reshape(view.height, view.width) & 0xFF < 128


@given(st.floats(-1e5, 1e5), st.floats(-1e5, 1e5), st.floats(1e-3, 1e3), st.floats(0, 800), st.floats(0, 600))
def test_zooming_keeps_the_place_under_the_cursor(x, y, scale, px, py):
    view = Camera(x, y, scale, 800, 600)
    here = view.to_mm(px, py)
    zoomed = view.zoomed(1.7, px, py)
    assert zoomed.to_pixels(*here) == pytest.approx((px, py), abs=1e-5 * max(1, abs(x), abs(y)) * scale)


def test_a_fitted_box_is_in_view():
    view = Camera(width=800, height=600).fitted((100, 200, 300, 250))
    assert view.box[0] < 100 < 300 < view.box[2]
    assert view.box[1] < 200 < 250 < view.box[3]


def test_curves_are_painted_where_they_are():
    pixels = painted(scene_of(Circle(Point(1e5, 1e5), 10)), Camera(1e5, 1e5, 10.0, 400, 400))
    rows, columns = np.nonzero(pixels)
    assert (columns.min(), columns.max()) == pytest.approx((100, 300), abs=1.5)
    assert np.hypot(rows - 200, columns - 200) == pytest.approx(np.full(len(rows), 100.0), abs=1.6)


def test_zoomed_far_in_a_circle_is_still_round():
    """At ten million pixels to the circle's radius its edge passes through the middle of the window."""
    pixels = painted(scene_of(Circle(Point(0, 0), 10)), Camera(10.0, 0.0, 1e5, 200, 200))
    columns = np.nonzero(pixels)[1]
    assert len(columns) >= 200
    assert abs(columns - 100).max() <= 2


def test_what_is_smaller_than_a_pixel_is_a_pixel():
    assert painted(scene_of(Circle(Point(0, 0), 0.01)), Camera(0, 0, 1.0, 50, 50)).sum() == 1


def test_nearest_and_boxes_find_curves():
    scene = scene_of(
        Line(Point(0, 0), Point(10, 0)), Circle(Point(50, 50), 5), Polyline((Point(0, 5), Point(9, 9)), (0, 0), False)
    )
    assert scene.nearest(5, 0.4, 0.5) == 0
    assert scene.nearest(55.2, 50, 0.5) == 1
    assert scene.nearest(30, 30, 0.5) == -1
    assert scene.within((-1, -1, 20, 20), touching=False) == [0, 2]
    assert scene.within((49, 40, 51, 46), touching=True) == [1]
    assert scene.within((48, 48, 52, 52), touching=True) == []


def test_an_empty_scene_paints_and_finds_nothing():
    scene = scene_of()
    assert not painted(scene, Camera(width=20, height=20)).any()
    assert scene.nearest(0, 0, 1) == -1
    assert scene.extents() is None


@given(st.floats(1e-5, 1e6), st.sampled_from([1.0, 25.4, 304.8]))
def test_ruler_marks_are_readable_apart(scale, mm_per_unit):
    step = spacing(scale, mm_per_unit)
    apart = step * scale * mm_per_unit
    assert 63.9 <= apart <= 64 * 2.6
    assert float(mark_text(3 * step, step)) == pytest.approx(3 * step)


def test_what_lies_in_a_region_is_tinted_and_nothing_else():
    """A plate with a round end, a round hole and a corner that is hollowed out, from afar, near and very near: against
    points in a polygon of many corners (shapely)."""
    half = np.array(
        [[100.0, -20.0, 1.0], [100.0, 20.0, 0.0], [0.0, 20.0, 0.0], [0.0, -10.0, -0.41421356], [-10.0, -20.0, 0.0]]
    )
    hole = np.array([[80.0, 0.0, -1.0], [100.0, 0.0, -1.0]])
    plate = Region("s", 1.0, 1.0, (0.0, 0.0), (-10.0, -20.0, 120.0, 20.0), 0, ("a",), (half, hole))
    outline, inner = (shape_of_rows(loop, True).flattened(1e-6) for loop in (half, hole))
    solid = shapely.Polygon(outline, [inner])
    tints = Tints([plate])
    for scale, x, y in ((3.0, 50.0, 0.0), (40.0, 118.0, 4.0), (2000.0, 99.99, 0.01), (3e5, 119.999, 0.0)):
        view = Camera(x, y, scale, 300, 200)
        image = QImage(300, 200, QImage.Format.Format_RGB32)
        image.fill(QColor("white"))
        painter = QPainter(image)
        tints.paint(painter, view, LOOKS["paper"], "")
        painter.end()
        for px, py in np.random.default_rng(1).integers(0, (300, 200), (300, 2)).tolist():
            place = shapely.Point(*view.to_mm(px + 0.5, py + 0.5))
            if solid.boundary.distance(place) * scale > 2:
                assert (image.pixelColor(px, py) != QColor("white")) == solid.contains(place), (scale, px, py)


def test_old_pictures_give_way_to_new_ones(qtbot):
    canvas = Canvas()
    qtbot.addWidget(canvas)
    canvas.resize(300, 200)
    canvas.show()
    canvas.show_drawing(scene_of(Circle(Point(0, 0), 5)), fit=True)
    canvas.show_drawing(scene_of(Line(Point(0, 0), Point(1, 1))), fit=True)
    canvas.paint_now()
    assert len(canvas.selection.scene) == 1
    assert not canvas.painting


@pytest.mark.parametrize("scale", [1.0, 5.0, 25.0, 150.0])
def test_a_square_keeps_its_corners_at_every_size(scale):
    square = Polyline(tuple(Point(x, y) for x, y in [(-5, -5), (5, -5), (5, 5), (-5, 5)]), (0.0,) * 4, True)
    pixels = painted(scene_of(square), Camera(0, 0, scale, 1600, 1600))
    rows, columns = np.nonzero(pixels)
    for found in (rows, columns):
        assert (found.min(), found.max()) == pytest.approx((800 - 5 * scale, 800 + 5 * scale), abs=1.5)
    assert len(rows) == pytest.approx(40 * scale, rel=0.12)


@pytest.mark.parametrize("scale", [0.4, 2.0, 20.0, 300.0])
def test_a_circle_stays_round_at_every_size(scale):
    pixels = painted(scene_of(Circle(Point(0, 0), 5)), Camera(0, 0, scale, 3200, 3200))
    rows, columns = np.nonzero(pixels)
    away = np.hypot(rows + 0.5 - 1600, columns + 0.5 - 1600)
    assert abs(away - 5 * scale).max() <= 1.7


def canvas_with(qtbot, count):
    """A canvas with so many small circles in rows of forty, 10 mm apart and far from the mark of the origin."""
    canvas = Canvas()
    qtbot.addWidget(canvas)
    canvas.resize(900, 500)
    canvas.show()
    canvas.show_drawing(
        scene_of(*(Circle(Point(900 + 10 * (k % 40), 900 + 10 * (k // 40)), 4) for k in range(count))), fit=True
    )
    return canvas


def inked(canvas, colour):
    """How many of the circles have a pixel of a colour at their right end, as they are seen."""
    canvas.paint_now()
    picture, found = canvas.grab().toImage(), 0
    for curve in canvas.selection.scene.curves:
        px, py = canvas.view.to_pixels(curve.shape.centre.x + 4, curve.shape.centre.y)
        about = [picture.pixelColor(round(px) + dx, round(py) + dy) for dx in (-2, -1, 0, 1) for dy in (-1, 0, 1)]
        found += any(abs(c.red() - colour.red()) + abs(c.green() - colour.green()) < 60 for c in about)
    return found


@pytest.mark.parametrize("count", [40, 280, 320, 1000])
def test_all_that_is_selected_is_seen_to_be(qtbot, count):
    canvas = canvas_with(qtbot, count)
    accent = QColor(LOOKS["paper"].accent)
    assert inked(canvas, accent) == 0
    canvas.selection.choose_rows(list(range(0, count, 2)))
    assert inked(canvas, accent) == count // 2
    canvas.selection.clear()
    assert inked(canvas, accent) == 0


@pytest.mark.parametrize("count", [40, 400, 1000])
def test_every_change_is_marked(qtbot, count):
    canvas = canvas_with(qtbot, count)
    layer = ChangesLayer()
    canvas.add(layer)
    accent = QColor(LOOKS["paper"].accent)
    layer.show(ChangeMarks(added=[c.shape for c in canvas.selection.scene.curves[::2]]))
    assert inked(canvas, accent) >= count // 2
    layer.show(None)
    assert inked(canvas, accent) == 0
