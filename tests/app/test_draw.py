"""The Draw menu, by clicks and by typing: every tool comes to its step, and says what is missing."""

from __future__ import annotations

import math

import pytest
from PyQt6.QtCore import QPoint, Qt

from syntaxa.app.features.draw_tools import TOOLS, typed_point
from syntaxa.app.session.surveyed import findings, surveyed
from syntaxa.geometry.extents import extents
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line
from syntaxa.mend.by_hand import DrawCurves
from syntaxa.mend.views import SWEEP, Tuning


def steps(window):
    return [s.step for s in window.session.job.steps]


def take(window, key):
    window.show_stage(3)
    window.menus.actions[f"take_tool:{key}"].trigger()


def type_point(qtbot, window, text):
    window.draw_strip.point.setText(text)
    qtbot.keyClick(window.draw_strip.point, Qt.Key.Key_Return)


def type_value(qtbot, window, text):
    window.draw_strip.value.setText(text)
    qtbot.keyClick(window.draw_strip.value, Qt.Key.Key_Return)


def drawn(window):
    return [c.shape for c in window.session.state.curves() if c.id.startswith("drawn-")]


def draw_line(qtbot, demo, settled, *points):
    take(demo, "line")
    for text in points:
        type_point(qtbot, demo, text)
    qtbot.mouseClick(
        next(b for b in demo.draw_strip.findChildren(type(demo.draw_strip.do)) if b.text() == "End"),
        Qt.MouseButton.LeftButton,
    )
    settled()


def test_lines_are_typed_and_go_on_from_their_end(qtbot, demo, settled):
    draw_line(qtbot, demo, settled, "0, 0", "100, 0", "@0, 50", "20 < 180")
    assert drawn(demo) == [
        Line(Point(0, 0), Point(100, 0)),
        Line(Point(100, 0), Point(100, 50)),
        Line(Point(100, 50), Point(80, pytest.approx(50))),
    ]
    assert not demo.draw_strip.isVisible()
    demo.undo()
    settled()
    assert len(drawn(demo)) == 2


def test_a_click_on_the_canvas_is_a_point_with_its_snap(qtbot, demo, settled):
    draw_line(qtbot, demo, settled, "0, 0", "100, 0")
    demo.canvas.fit_box((-20, -20, 120, 20))
    demo.canvas.paint_now()
    take(demo, "line")
    x, y = demo.canvas.view.to_pixels(100, 0)
    qtbot.mouseClick(demo.canvas, Qt.MouseButton.LeftButton, pos=QPoint(int(x) + 2, int(y) + 2))
    type_point(qtbot, demo, "@0, 7")
    settled()
    assert drawn(demo)[-1] == Line(Point(100, 0), Point(100, 7))


def test_arcs_and_circles(qtbot, demo, settled):
    take(demo, "arc")
    for text in ("10, 0", "0, 10", "-10, 0"):
        type_point(qtbot, demo, text)
    settled()
    take(demo, "circle")
    type_point(qtbot, demo, "5, 5")
    type_value(qtbot, demo, "1/2in")
    settled()
    take(demo, "diameter")
    for text in ("0, 0", "6, 8"):
        type_point(qtbot, demo, text)
    settled()
    arc, circle, other = drawn(demo)
    assert isinstance(arc, Arc)
    assert arc.sweep == pytest.approx(math.pi)
    assert circle == Circle(Point(5, 5), 12.7)
    assert other == Circle(Point(3, 4), 5)


SELECTED = {
    "fillet": ("2", 3), "chamfer": ("3", 3), "offset": ("1", 3), "offset_both": ("1", 4), "join": ("", 1),
    "midline": ("", 3), "lock": ("", 2),
}  # fmt: skip

MAPPED = {
    "move": (("0, 0", "@3, 4"), "", Point(13, 6)), "mirror": (("0, 0", "1, 0"), "", Point(10, -2)),
    "turn": (("0, 0",), "90", Point(-2, 10)), "scale": (("0, 0",), "1/2", Point(5, 1)),
    "array": (("0, 0", "10, 0"), "4", Point(10, 2)),
}  # fmt: skip


def test_tools_for_selected_curves(qtbot, demo, settled):
    draw_line(qtbot, demo, settled, "0, 0", "100, 0", "100, 50")
    before = len(list(demo.session.state.curves()))
    for key, (value, count) in SELECTED.items():
        demo.canvas.selection.choose({"drawn-1", "drawn-2"})
        take(demo, key)
        if value:
            type_value(qtbot, demo, value)
        settled()
        assert not demo.banner.isVisible(), key
        after = list(demo.session.state.curves())
        assert len(after) - before == count - 2, key
        assert sum(c.locked for c in after) == (2 if key == "lock" else 0)
        demo.undo()
        settled()


def test_tools_that_map_what_is_selected(qtbot, demo, settled):
    draw_line(qtbot, demo, settled, "10, 2", "20, 2")
    for key, (typed, value, wanted) in MAPPED.items():
        demo.canvas.selection.choose({"drawn-1"})
        take(demo, key)
        for text in typed:
            type_point(qtbot, demo, text)
        if value:
            type_value(qtbot, demo, value)
        settled()
        assert drawn(demo)[0].start.distance_to(wanted) < 1e-9, key
        assert len(drawn(demo)) == (5 if key == "array" else 1)
        demo.undo()
        settled()


def test_the_gap_of_two_curves_is_closed_by_a_line(qtbot, demo, settled):
    draw_line(qtbot, demo, settled, "0, 0", "100, 0")
    draw_line(qtbot, demo, settled, "103, 4", "103, 50")
    demo.canvas.selection.choose({"drawn-1", "drawn-2"})
    take(demo, "bridge")
    settled()
    assert drawn(demo)[-1].length == pytest.approx(5)


def test_curves_are_cut_where_they_are_clicked(qtbot, demo, settled):
    for points in (("0, 0", "100, 0"), ("30, -5", "30, 5"), ("120, -5", "120, 5")):
        draw_line(qtbot, demo, settled, *points)
    demo.canvas.fit_box((-20, -40, 140, 40))
    for key, wanted in {"trim": [30.0], "extend": [120.0], "split": [80.0, 100.0]}.items():
        take(demo, key)
        type_point(qtbot, demo, "80, 0")
        settled()
        ends = sorted(round(s.end.x, 6) for s in drawn(demo) if abs(s.start.y) < 1e-9)
        assert ends == wanted, key
        demo.end_tool()
        demo.undo()
        settled()


def test_what_is_missing_is_said(qtbot, demo, settled):
    demo.clear_selection()
    take(demo, "fillet")
    assert "select 2 curves first" in demo.status.message
    assert not demo.draw_strip.isVisible()
    take(demo, "arc")
    type_point(qtbot, demo, "nonsense")
    assert len(demo.draw._points) == 0
    for text in ("0, 0", "1, 1", "2, 2"):
        type_point(qtbot, demo, text)
    assert demo.banner.isVisible()
    assert not any(isinstance(s, DrawCurves) for s in steps(demo))


def test_points_are_typed_in_any_unit_and_three_ways():
    assert typed_point("1in, 2", "mm", ()) == Point(25.4, 2)
    assert typed_point("@1, 1", "mm", (Point(5, 5),)) == Point(6, 6)
    polar = typed_point("10 < 90", "mm", (Point(1, 1),))
    assert (polar.x, polar.y) == (pytest.approx(1), pytest.approx(11))
    for wrong in ("", "1", "a, b", "1, 2, 3"):
        assert typed_point(wrong, "mm", ()) is None


def test_every_tool_has_its_place_in_the_menu(window):
    titles = {tool.title for tool in TOOLS}
    menu = next(a.menu() for a in window.menuBar().actions() if a.text().replace("&", "") == "Draw")
    assert titles == {a.text().replace("&", "") for a in menu.actions() if a.text()}


def test_a_finding_is_left_with_a_note_or_fixed_in_another_way(qtbot, demo, settled):
    demo.show_mend()
    settled()
    mend = demo.mend
    gap = next(f for f in findings(demo.session) if f.kind == "gap" and f.choices)
    mend.choose_key(gap.key)
    mend.findings.note.setText("a vent")
    qtbot.mouseClick(mend.findings.leave, Qt.MouseButton.LeftButton)
    settled()
    assert gap.key not in {f.key for f in findings(demo.session)}
    mend.findings.left_too.setChecked(True)
    mend.choose_key(gap.key)
    assert "a vent" in mend.findings._detail.text()
    qtbot.mouseClick(mend.findings.leave, Qt.MouseButton.LeftButton)
    settled()
    mend.findings.left_too.setChecked(False)
    mend.choose_key(gap.key)
    mend.findings.way.setCurrentIndex(mend.findings.way.findData("line"))
    qtbot.mouseClick(mend.findings.fix_one, Qt.MouseButton.LeftButton)
    settled()
    assert steps(demo)[-1].choices == ((gap.key, "line"),)
    assert demo.session.evaluation.ledger[-1].entry.max_mm == 0


def test_only_what_is_listed_is_fixed(qtbot, demo, settled):
    demo.show_mend()
    settled()
    mend = demo.mend
    mend.findings.most.setText("0.05")
    listed = mend.findings._listed()
    assert 0 < len(listed) < len(findings(demo.session))
    assert mend.findings.fix_every.text() == f"Fix these {len(listed)}"
    qtbot.mouseClick(mend.findings.fix_every, Qt.MouseButton.LeftButton)
    settled()
    assert demo.session.evaluation.ledger[-1].entry.max_mm <= 0.05


def test_the_sweep_is_drawn_and_a_click_takes_a_tolerance(qtbot, demo, settled):
    demo.show_mend()
    settled()
    mend = demo.mend
    mend._tabs.setCurrentIndex(2)
    qtbot.mouseClick(mend.sweep.try_all, Qt.MouseButton.LeftButton)
    settled()
    found = demo.session.peek(SWEEP, surveyed(demo.session).proposal.gap)
    assert found.regions[-5] > found.regions[0]
    mend.sweep.plot.setFocus()
    qtbot.keyClick(mend.sweep.plot, Qt.Key.Key_Right)
    settled()
    assert demo.session.chosen(Tuning).gap in found.tolerance
    qtbot.mouseClick(mend.sweep.plot, Qt.MouseButton.LeftButton, pos=mend.sweep.plot.rect().center())
    settled()
    assert demo.session.chosen(Tuning).gap in found.tolerance


def test_the_result_is_compared_with_what_was_received(qtbot, demo, settled):
    demo.show_mend()
    settled()
    demo.fix_all()
    settled()
    mend = demo.mend
    mend._tabs.setCurrentWidget(mend.compare)
    qtbot.mouseClick(mend.compare.compare, Qt.MouseButton.LeftButton)
    settled()
    found = mend.compare._found.deviation
    rows = mend.compare.far.model_.rows
    assert len(rows) == 10
    distances = [row[0].distance for row in rows]
    assert distances == sorted(distances, reverse=True)
    assert found.made[0].distance <= surveyed(demo.session).gap
    mend.compare.far.selectRow(0)
    left, bottom, right, top = demo.canvas.view.box
    place = rows[0][0].place
    assert left < place.x < right
    assert bottom < place.y < top


def test_a_rectangle_and_polylines(qtbot, demo, settled):
    take(demo, "rectangle")
    for text in ("10, 10", "40, 30"):
        type_point(qtbot, demo, text)
    settled()
    take(demo, "polyline")
    for text in ("0, 0", "@10, 0", "@0, 5", ""):
        type_point(qtbot, demo, text)
    settled()
    # A fourth point on the first closes it; Return over the drawing ends it, too.
    for text in ("50, 0", "60, 0", "60, 8", "50, 0"):
        type_point(qtbot, demo, text)
    settled()
    for text in ("70, 0", "80, 0"):
        type_point(qtbot, demo, text)
    demo.canvas.setFocus()
    qtbot.keyClick(demo.canvas, Qt.Key.Key_Return)
    settled()
    assert [(s.closed, len(s.vertices), s.length) for s in drawn(demo)] == [
        (True, 4, pytest.approx(100)), (False, 3, pytest.approx(15)),
        (True, 3, pytest.approx(18 + math.hypot(10, 8))), (False, 2, pytest.approx(10)),
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("key", "typed", "box"), [("width", "100", (0, 0, 100, 50)), ("height", "1in", (0, 0, 50.8, 25.4))]
)
def test_what_is_selected_is_scaled_to_a_size(qtbot, demo, settled, key, typed, box):
    take(demo, "rectangle")
    for text in ("0, 0", "20, 10"):
        type_point(qtbot, demo, text)
    settled()
    demo.end_tool()
    demo.canvas.selection.choose({"drawn-1"})
    take(demo, key)
    type_point(qtbot, demo, "0, 0")
    type_value(qtbot, demo, typed)
    settled()
    assert extents(drawn(demo)) == pytest.approx(box)
    assert demo.session.evaluation.ledger[-1].entry.max_mm > 0


@pytest.mark.parametrize("radius", ["0", "-5", "nonsense", "1/0"])
def test_a_circle_without_radius_leaves_nothing_and_the_tool_goes_on(qtbot, demo, settled, radius):
    take(demo, "circle")
    type_point(qtbot, demo, "5, 5")
    type_value(qtbot, demo, radius)
    assert demo.banner.isVisible()
    assert steps(demo) == []
    assert demo.draw_strip.isVisible()
    type_value(qtbot, demo, "200/116.5")
    settled()
    assert drawn(demo) == [Circle(Point(5, 5), pytest.approx(200 / 116.5))]
    # What was wrong before is over.
    assert not demo.banner.isVisible()


def test_a_radius_is_typed_right_after_the_centre(qtbot, demo, settled):
    take(demo, "circle")
    type_point(qtbot, demo, "5, 5")
    type_point(qtbot, demo, "-5")
    assert "radius above 0" in demo.banner.sentence
    assert steps(demo) == []
    type_point(qtbot, demo, "1/2in")
    settled()
    assert drawn(demo) == [Circle(Point(5, 5), 12.7)]


def test_a_refused_value_does_not_end_a_tool_for_selected_curves(qtbot, demo, settled):
    draw_line(qtbot, demo, settled, "0, 0", "100, 0", "100, 50")
    demo.canvas.selection.choose({"drawn-1", "drawn-2"})
    take(demo, "fillet")
    type_value(qtbot, demo, "two")
    assert demo.draw_strip.isVisible()
    type_value(qtbot, demo, "2")
    settled()
    assert len(drawn(demo)) == 2
    assert any(isinstance(c.shape, Arc) and c.shape.radius == pytest.approx(2) for c in demo.session.state.curves())
