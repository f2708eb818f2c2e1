"""What a click means, what is hidden, and what the hand draws: decided on scenes made here."""

from __future__ import annotations

import math

import numpy as np
import pytest
from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QColor, QImage, QPainter, QPen
from PyQt6.QtWidgets import QApplication

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layers.hand import draw_band, draw_crop, draw_ghost, draw_lasso, draw_way
from syntaxa.app.canvas.layers.marks import TagsLayer
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.selection import Selection
from syntaxa.app.canvas.snapping import draw_snap, snapped
from syntaxa.app.features.measure_strip import MeasureStrip
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.theme.tokens import LOOKS
from syntaxa.app.widgets.length_field import AngleField, LengthField
from syntaxa.app.widgets.page_pdf import pdf_of
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Arc, Circle, Line
from syntaxa.geometry.transform import Transform
from syntaxa.measure.readings import Reading

CURVES = (
    Curve("floor", Line(Point(0, 0), Point(100, 0)), "0"),
    Curve("wall", Line(Point(40, -20), Point(40, 30)), "0", roles=("bend",)),
    Curve("bore", Circle(Point(70, 40), 10), "0"),
    Curve("round", Arc(Point(0, 60), 10, 0, math.pi / 2), "0"),
)


def tags_of(scene):
    """The layer of tags over a scene."""
    selection = Selection(QApplication.instance())
    selection.take(scene)
    return TagsLayer(selection)


@pytest.fixture
def scene():
    made = Scene.of([(0, CURVES)])
    made.prepare()
    return made


@pytest.mark.parametrize(
    ("near", "kind", "place"),
    [
        ((0.5, 0.4), "end", (0, 0)),
        ((50.4, 0.3), "middle", (50, 0)),
        ((40.3, 0.4), "crossing", (40, 0)),
        ((69.6, 40.2), "centre", (70, 40)),
        ((80.2, 40.4), "quadrant", (80, 40)),
        ((7.3, 67.0), "middle", (10 * math.cos(math.pi / 4), 60 + 10 * math.sin(math.pi / 4))),
        ((20.0, 20.0), "", (20.0, 20.0)),
    ],
)
def test_a_click_means_the_nearest_place_of_the_best_kind(scene, near, kind, place):
    snap = snapped(scene, *near, reach=1.0)
    assert (snap.kind, snap.x, snap.y) == (kind, pytest.approx(place[0]), pytest.approx(place[1]))


def test_what_is_hidden_is_neither_snapped_to_nor_hit(scene):
    shown = np.array([True, True, False, True])
    assert snapped(scene, 69.6, 40.2, 1.0, shown).kind == ""
    assert scene.nearest(80.2, 40.0, 1.0) == 2
    assert scene.nearest(80.2, 40.0, 1.0, shown) == -1


def test_a_lasso_takes_what_lies_wholly_inside(scene):
    box = [(55, 25), (85, 25), (85, 55), (55, 55)]
    assert scene.inside_lasso(box) == [2]
    assert scene.inside_lasso(box[:2]) == []
    # One that crosses itself still means what it goes round.
    assert scene.inside_lasso([(-50, -50), (200, 200), (200, -50), (-50, 200)]) == [3]


def test_the_box_under_a_map_is_that_of_the_mapped_curves(scene):
    turned = scene.extents_under(Transform.rotating(math.pi / 2), Vector(0, 0))
    low_x, low_y, high_x, high_y = scene.extents()
    assert turned == pytest.approx((-high_y, low_x, -low_y, high_x), abs=1e-6)
    assert Scene.of([]).extents_under(Transform(), Vector(0, 0)) is None


def painted(draw):
    image = QImage(200, 200, QImage.Format.Format_RGB32)
    image.fill(QColor("white"))
    painter = QPainter(image)
    painter.setPen(QPen(QColor("black"), 1))
    draw(painter)
    painter.end()
    bits = image.constBits()
    bits.setsize(image.sizeInBytes())
    return np.frombuffer(bits, np.uint8).reshape(200, 200, 4)[:, :, :3].copy()


def test_every_kind_of_place_has_a_sign_of_its_own():
    kinds = ("end", "middle", "centre", "quadrant", "crossing", "")
    signs = [painted(lambda p, k=kind: draw_snap(p, QPointF(100, 100), k)) for kind in kinds]
    for k, one in enumerate(signs):
        assert (one < 255).any()
        assert all((one != other).any() for other in signs[:k])


@pytest.mark.parametrize("look", sorted(LOOKS))
def test_what_the_hand_draws_is_seen_in_both_looks(qapp, scene, look):
    tokens, view = LOOKS[look], Camera(50, 20, 1.0, 200, 200)
    corners = [QPointF(20, 20), QPointF(150, 30), QPointF(90, 160)]
    draws = (
        lambda p: draw_lasso(p, corners, tokens),
        lambda p: draw_way(p, [Point(0, 0), Point(40, 0), Point(40, 30)], view, tokens),
        lambda p: draw_ghost(p, (0, 0, 60, 40), view, tokens),
        lambda p: tags_of(scene).draw(p, view, tokens),
        lambda p: draw_crop(p, QRectF(0, 0, 200, 200), (0, 0, 60, 40), view, tokens),
        lambda p: draw_band(p, QPointF(20, 20), QPointF(90, 90), tokens),
    )
    for draw in draws:
        assert (painted(draw) < 250).any()
    inside, touching = (
        painted(lambda p, e=end: draw_band(p, QPointF(100, 100), e, tokens))
        for end in (QPointF(160, 160), QPointF(40, 160))
    )
    # Which of the two it is can be told without colour: one outline is dashed.
    assert (inside < 250).sum() != (touching < 250).sum()


def test_a_length_field_keeps_its_length_in_another_unit(qtbot):
    field = LengthField("Length", least=0.0)
    qtbot.addWidget(field)
    told = []
    field.entered.connect(told.append)
    field.show_length(25.4)
    field.show_in("in")
    assert field.text() == "1"
    field.setFocus()
    field.selectAll()
    qtbot.keyClicks(field, "2' 8 1/2\"")
    field.editingFinished.emit()
    assert told == [pytest.approx(825.5)]
    field.show_nothing()
    assert field.number() is None
    angle = AngleField("Angle")
    qtbot.addWidget(angle)
    angle.setText("180/4°")
    assert angle.number() == 45


def test_the_strip_adds_up_like_with_like(qtbot):
    strip = MeasureStrip()
    qtbot.addWidget(strip)
    strip.show_readings((Reading("Distance", 25.4, "length"),))
    strip.add_to_total()
    strip.add_to_total()
    assert strip.total == "Total of 2: 50.800 mm"
    strip.show_in(LengthFormat("in"))
    assert strip.total == "Total of 2: 2.0000 in"
    strip.show_readings((Reading("Area", 645.16, "area"),))
    strip.add_to_total()
    assert strip.total == "Total of 1: 1.00 in²"
    strip.clear_total()
    assert strip.total == ""


def test_a_page_without_pictures_is_a_pdf_all_the_same(qapp):
    assert pdf_of("<html><body><h1>Nothing</h1></body></html>").startswith(b"%PDF")
