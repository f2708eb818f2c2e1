"""Define in the window: read off, bind, type a value, be refused, add what is missing, hold whole, let go."""

from __future__ import annotations

import pytest
from drawings import plate
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QPushButton

from syntaxa.define.part import Defined
from syntaxa.define.views import DEFINITION
from syntaxa.measure.steps import ChooseUnit


@pytest.fixture
def flange(window, settled, tmp_path):
    """The window with a plate whose width is written otherwise than drawn, in Define."""
    path = tmp_path / "flange.dxf"
    path.write_bytes(plate(148.97, noise=0.005, text="150"))
    window.open_path(path)
    settled()
    window.session.do(ChooseUnit("mm"))
    settled()
    window.show_stage(window.stage("define"))
    settled()
    return window


def panel_of(window):
    return window.stage("define").own_panel


def chosen(window, name):
    panel = panel_of(window)
    row = next(k for k, m in enumerate(panel.dimensions.table.model_.rows) if m.name == name)
    panel.dimensions.table.selectRow(row)
    return panel.dimensions


def test_a_whole_job(flange, settled, qtbot):
    panel = panel_of(flange)
    assert "degrees of freedom" in panel.says.text()
    QTest.keyClick(flange.window, Qt.Key.Key_H, Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier)
    settled()
    assert panel.sketches.model_.index(0, 1).data() == "24"
    panel.read_dimensions()
    settled()
    assert flange.stage("define").open_matters() == 1
    chosen(flange, "d1").written.click()
    settled()
    assert flange.stage("define").open_matters() == 0
    panel.missing.click()
    settled()
    assert panel.says.text() == "✓ Fully defined."
    assert panel.sketches.model_.index(0, 2).data() == "✓ defined"
    assert flange.stage("define").picture.freedom.points == ()
    field = chosen(flange, "d1").value
    field.setText("d4 * 4 + 0.5in")
    QTest.keyClick(field, Qt.Key.Key_Return)
    settled()
    assert flange.session.view(DEFINITION).measured["d1"] == pytest.approx(132.7, abs=1e-9)
    flange.undo()
    settled()
    assert flange.session.view(DEFINITION).measured["d1"] == pytest.approx(150.0, abs=1e-9)


def test_what_cannot_be_is_told_in_the_panel_and_leaves_no_step(flange, settled):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    panel.read_dimensions()
    settled()
    steps, curves = flange.session.job.steps, flange.session.state.sketches
    for text in ("5", "-3", "nonsense", "d1 + 3deg", "1e99"):
        field = chosen(flange, "d2").value
        field.setText(text)
        panel.dimensions.set_value()
        settled()
        assert flange.session.job.steps == steps, text
        assert flange.session.state.sketches == curves
        assert panel.says.text().endswith("."), text
        assert "freedom" not in panel.says.text()
    chosen(flange, "d2").value.setText("90")
    panel.dimensions.set_value()
    settled()
    assert "degrees of freedom" in panel.says.text()


def test_a_sketch_is_held_whole_and_let_move_again(flange, settled):
    panel = panel_of(flange)
    panel.hold.click()
    settled()
    assert panel.sketches.model_.index(0, 2).data() == "held whole"
    assert panel.hold.text() == "Let it move"
    panel.hold.click()
    settled()
    assert panel.sketches.model_.index(0, 2).data() not in ("held whole", "✓ defined")


def test_a_constraint_is_seen_on_the_canvas_and_let_go(flange, settled):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    rows = panel.constraints.table.model_.rows
    ring = next(k for k, c in enumerate(rows) if c.kind == "ring")
    panel.constraints.table.selectRow(ring)
    about = flange.stage("define").picture.about
    assert len(about._shapes) == 7
    before = flange.canvas.grab().toImage()
    panel.constraints.let_go.click()
    settled()
    assert all(c.kind != "ring" for c in flange.session.state.part(Defined).constraints)
    assert flange.canvas.grab().toImage() != before


def test_a_click_on_a_tag_chooses_its_dimension(flange, settled):
    panel = panel_of(flange)
    panel.read_dimensions()
    settled()
    flange.canvas.grab()
    layer = flange.stage("define").picture.dimensions
    frame = next(f for f, mark in layer._frames if mark.name == "d2")
    QTest.mouseClick(flange.canvas, Qt.MouseButton.LeftButton, pos=frame.boundingRect().center().toPoint())
    assert panel.dimensions.one().name == "d2"
    assert panel.dimensions.value.hasFocus()


def offered(panel):
    return [panel.constraints.possible.itemText(k) for k in range(panel.constraints.possible.count())]


def test_only_what_picked_curves_can_have_is_offered_and_it_is_done(flange, settled):
    panel = panel_of(flange)
    curves = flange.session.state.sketches[0].curves
    lines = [c.id for c in curves if c.shape.kind == "line"]
    circles = [c.id for c in curves if c.shape.kind == "circle"]
    assert not panel.constraints.add.isEnabled()
    flange.canvas.selection.choose(lines[:1])
    assert offered(panel) == ["hold level", "hold upright", "measure length"]
    flange.canvas.selection.choose([lines[0], circles[0]])
    assert offered(panel) == ["hold tangent", "measure offset"]
    flange.canvas.selection.choose(circles[:2])
    assert offered(panel)[:3] == ["hold concentric", "hold equal radius", "hold tangent"]
    panel.constraints.possible.setCurrentIndex(offered(panel).index("hold equal radius"))
    panel.constraints.add.click()
    settled()
    radii = {c.id: c.shape.radius for c in flange.session.state.sketches[0].curves if c.id in circles}
    assert radii[circles[0]] == radii[circles[1]]
    flange.canvas.selection.choose(circles[:1])
    panel.constraints.possible.setCurrentIndex(offered(panel).index("measure diameter"))
    panel.constraints.add.click()
    settled()
    assert [m.name for m in flange.session.state.part(Defined).measures] == ["d1"]
    flange.canvas.selection.choose([c.id for c in curves])
    assert not panel.constraints.add.isEnabled()


def test_a_parameter_drives_what_uses_it(flange, settled):
    panel = panel_of(flange)
    own = panel.parameters
    panel.read_off()
    settled()
    panel.read_dimensions()
    settled()
    own.formula.setText("w = 5in")
    own.note.setText("stock width")
    own.give()
    settled()
    assert own.table.model_.index(0, 3).data() == "stock width"
    assert own.table.model_.index(0, 2).data() == "127.000 mm"
    chosen(flange, "d1").value.setText("w + 3")
    panel.dimensions.set_value()
    settled()
    assert flange.session.view(DEFINITION).measured["d1"] == pytest.approx(130.0, abs=1e-9)
    own.table.selectRow(0)
    own.drop()
    settled()
    assert panel.says.text() == "d1 uses w. Change that first."
    own.formula.setText("w 5")
    own.give()
    assert "such as" in panel.says.text()


def test_a_point_is_dragged_by_the_mouse_and_the_rest_follows(flange, settled):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    flange.drag_points()
    canvas = flange.canvas
    corner = max((c.shape.start for c in flange.session.state.sketches[0].curves), key=lambda p: p.x - abs(p.y - 10))
    x, y = canvas.view.to_pixels(corner.x, corner.y)
    there = QPoint(round(x) - 30, round(y))
    QTest.mousePress(canvas, Qt.MouseButton.LeftButton, pos=QPoint(round(x), round(y)))
    QTest.mouseMove(canvas, there)
    assert canvas.tool._shapes
    QTest.mouseRelease(canvas, Qt.MouseButton.LeftButton, pos=there)
    settled()
    wide = max(p.x for c in flange.session.state.sketches[0].curves for p in (c.shape.start, c.shape.end))
    assert wide == pytest.approx(canvas.view.to_mm(there.x(), there.y())[0], abs=0.5)
    lines = [c.shape for c in flange.session.state.sketches[0].curves if c.shape.kind == "line"]
    assert all(s.start.x == s.end.x or s.start.y == s.end.y for s in lines)
    flange.undo()
    settled()
    back = max(p.x for c in flange.session.state.sketches[0].curves for p in (c.shape.start, c.shape.end))
    assert back == pytest.approx(corner.x, abs=1e-9)
    QTest.keyClick(canvas, Qt.Key.Key_Escape)
    assert not canvas.tool.waits


def test_without_a_job_nothing_can_be_pressed(window):
    window.show_stage(window.stage("define"))
    assert not panel_of(window).isEnabled()


def pixel_of(window, x, y):
    return QPoint(*(round(v) for v in window.canvas.view.to_pixels(x, y)))


def middle_of(frame):
    return frame.boundingRect().center().toPoint()


def test_a_dimension_is_drawn_by_picking_placed_dragged_and_typed(flange, settled):
    panel, canvas = panel_of(flange), flange.canvas
    circles = sorted((c for c in flange.session.state.sketches[0].curves if c.shape.kind == "circle"),
                     key=lambda c: -c.shape.radius)  # fmt: skip
    hub = circles[0].shape
    flange.draw_dimension()
    assert canvas.tool.label() == "Click what is to be measured"
    rim = pixel_of(flange, hub.centre.x, hub.centre.y + hub.radius)
    QTest.mouseMove(canvas, rim)
    assert canvas.tool.label().startswith("measure #")
    QTest.mouseClick(canvas, Qt.MouseButton.LeftButton, pos=rim)
    QTest.mouseMove(canvas, pixel_of(flange, 110, 66))
    canvas.grab()
    assert canvas.tool.label() == "Click where it goes, or a second thing"
    QTest.mouseClick(canvas, Qt.MouseButton.LeftButton, pos=pixel_of(flange, 110, 66))
    settled()
    (one,) = flange.session.state.part(Defined).measures
    assert (one.kind, one.use) == ("diameter", "live")
    assert one.place == pytest.approx((110, 66), abs=1.0)
    assert panel.dimensions.one() == one
    assert panel.dimensions.value.hasFocus()
    QTest.keyClicks(panel.dimensions.value, "36")
    QTest.keyClick(panel.dimensions.value, Qt.Key.Key_Return)
    settled()
    assert flange.session.view(DEFINITION).measured["d1"] == pytest.approx(36.0, abs=1e-9)
    # Its text is dragged by the hand.
    flange.drag_points()
    canvas.grab()
    layer = flange.stage("define").picture.dimensions
    start = middle_of(next(f for f, mark in layer._frames if mark.name == "d1"))
    QTest.mousePress(canvas, Qt.MouseButton.LeftButton, pos=start)
    QTest.mouseMove(canvas, start + QPoint(-120, 40))
    canvas.grab()
    QTest.mouseRelease(canvas, Qt.MouseButton.LeftButton, pos=start + QPoint(-120, 40))
    settled()
    assert flange.session.state.part(Defined).measures[0].place[0] < one.place[0] - 5


def test_the_part_follows_while_a_value_is_typed_and_escape_leaves_it(flange, settled, qtbot):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    panel.read_dimensions()
    settled()
    steps = flange.session.job.steps
    view = chosen(flange, "d1")
    view.value.setFocus()
    view.value.selectAll()
    QTest.keyClicks(view.value, "120")
    following = flange.stage("define").picture.following
    qtbot.waitUntil(lambda: "30 mm" in panel.says.text() or "29" in panel.says.text(), timeout=20_000)
    assert following._shapes
    view.other_side.click()
    qtbot.waitUntil(lambda: bool(following._shapes), timeout=20_000)
    settled()
    left = min(s.flattened(0.5)[:, 0].min() for s in following._shapes)
    assert left == pytest.approx(28.97, abs=0.05)
    assert flange.session.job.steps == steps
    view.value.setFocus()
    QTest.keyClick(view.value, Qt.Key.Key_Escape)
    assert following._shapes == ()
    assert not view.value.isModified()
    assert "freedom" in panel.says.text()


def test_arrows_and_wheel_step_a_value_and_what_cannot_be_is_said_while_it_is_typed(flange, settled, qtbot):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    panel.read_dimensions()
    settled()
    field = chosen(flange, "d4").value
    field.setFocus()
    for key, held, text in (
        (Qt.Key.Key_Up, Qt.KeyboardModifier.NoModifier, "31"),
        (Qt.Key.Key_Up, Qt.KeyboardModifier.ControlModifier, "40"),
        (Qt.Key.Key_Down, Qt.KeyboardModifier.ShiftModifier, "39.9"),
    ):
        QTest.keyClick(field, key, held)
        assert field.text() == text
    QTest.keyClick(field, Qt.Key.Key_Return)
    settled()
    assert flange.session.view(DEFINITION).measured["d4"] == pytest.approx(39.9, abs=1e-9)
    field = chosen(flange, "d2").value
    field.setFocus()
    field.selectAll()
    QTest.keyClicks(field, "5")
    qtbot.waitUntil(lambda: "cannot" in panel.says.text(), timeout=20_000)


def test_glyphs_show_what_holds_light_up_what_they_are_about_and_can_be_clicked(flange, settled):
    panel, canvas, stage = panel_of(flange), flange.canvas, flange.stage("define")
    bare = canvas.grab().toImage()
    panel.read_off()
    settled()
    assert canvas.grab().toImage() != bare
    laid = stage.picture.holds._laid[1]
    assert {h.kind for _, h in laid} >= {"level", "upright", "tangent", "ring", "equal radius"}
    # None lies over another, or over the drawing.
    frames = [f for f, _ in laid]
    assert not any(a.intersects(b) for k, a in enumerate(frames) for b in frames[:k])
    lines = [c.shape for c in flange.session.state.sketches[0].curves]
    for frame in frames:
        for shape in lines:
            points = [QPointF(*canvas.view.to_pixels(*p)) for p in shape.flattened(0.01).tolist()]
            assert not any(frame.contains(p) for p in points)
    frame, held = next((f, h) for f, h in laid if h.kind == "ring")
    QTest.mouseClick(canvas, Qt.MouseButton.LeftButton, pos=frame.center().toPoint())
    assert panel.constraints._one().key == held.key
    assert len(stage.picture.about._shapes) == 7
    level = next(c for c in flange.session.state.sketches[0].curves if c.shape.kind == "line")
    assert "tangent x 2" in stage.picture.remark(level)
    panel.constraints.switch.click()
    settled()
    assert all(h.kind != "ring" for h in stage.picture.holds._held)
    assert panel.constraints.switch.text() == "Switch on"
    flange.show_what_holds()
    canvas.grab()
    assert not stage.picture.holds.shown


def test_what_is_missing_is_drawn_faded_and_a_click_adds_one(flange, settled):
    panel, canvas, stage = panel_of(flange), flange.canvas, flange.stage("define")
    panel.read_off()
    settled()
    free = flange.session.view(DEFINITION).freedom
    panel.propose.click()
    canvas.grab()
    frame = next(f for f, m in stage.picture.dimensions._frames if m.is_proposed)
    QTest.mouseClick(canvas, Qt.MouseButton.LeftButton, pos=middle_of(frame))
    settled()
    assert len(flange.session.state.part(Defined).measures) == 1
    assert flange.session.view(DEFINITION).freedom == free - 1
    panel.missing.click()
    settled()
    assert panel.says.text() == "✓ Fully defined."
    canvas.grab()
    assert not any(m.is_proposed for _, m in stage.picture.dimensions._frames)


def test_what_would_be_read_off_is_looked_at_first(flange, settled, qtbot):
    panel, stage = panel_of(flange), flange.stage("define")
    buttons = {b.text(): b for b in panel.findChildren(QPushButton)}
    buttons["Look first"].click()
    qtbot.waitUntil(lambda: "were read off" in panel.says.text(), timeout=20_000)
    assert "would move more than" in panel.says.text()
    assert stage.picture.holds._held
    assert flange.session.state.part(Defined).constraints == ()
    flange.show_stage("mend")
    flange.show_stage("define")
    assert stage.picture.following._shapes == ()


def test_variants_come_from_a_table_one_is_used_and_all_are_written(flange, settled, chosen, tmp_path):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    panel.read_dimensions()
    settled()
    assert not panel.variants.write.isEnabled()
    chosen.path = tmp_path / "sizes.csv"
    chosen.path.write_text("variant,d1,d2\nshort,120,\ntall,,95\n")
    buttons = {b.text(): b for b in panel.variants.findChildren(QPushButton)}
    buttons["Open a table…"].click()
    settled()
    assert [v.name for v in panel.variants.table.model_.rows] == ["short", "tall"]
    panel.variants.table.selectRow(0)
    panel.variants.use.click()
    settled()
    assert flange.session.view(DEFINITION).measured["d1"] == pytest.approx(120.0, abs=1e-9)
    flange.undo()
    settled()
    chosen.path = tmp_path / "saved.csv"
    panel.variants.save.click()
    assert chosen.path.read_text() == "variant,d1,d2\nshort,120,\ntall,,95\n"
    chosen.path = tmp_path / "out"
    chosen.path.mkdir()
    panel.variants.write.click()
    settled()
    assert sorted(p.name for p in chosen.path.iterdir()) == ["flange-short.dxf", "flange-tall.dxf"]
    chosen.path = tmp_path / "broken.csv"
    chosen.path.write_text("variant\n")
    buttons["Open a table…"].click()
    assert "holds no variant" in flange.shell.banner.sentence


def test_a_dimension_gets_a_name_that_formulas_use(flange, settled):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    panel.read_dimensions()
    settled()
    view = chosen(flange, "d4")
    view.called.setText("hub")
    QTest.keyClick(view.called, Qt.Key.Key_Return)
    settled()
    assert view.one().name == "hub"
    view = chosen(flange, "d3")
    view.value.setText("hub / 4")
    view.set_value()
    settled()
    assert flange.session.view(DEFINITION).measured["d3"] == pytest.approx(7.5, abs=1e-9)
    view = chosen(flange, "hub")
    view.called.setText("d3")
    QTest.keyClick(view.called, Qt.Key.Key_Return)
    settled()
    assert "is called d3 already" in panel.says.text()
    assert [m.name for m in flange.session.state.part(Defined).measures].count("hub") == 1


def test_a_line_is_dragged_by_the_mouse(flange, settled):
    panel = panel_of(flange)
    panel.read_off()
    settled()
    flange.drag_points()
    canvas = flange.canvas
    right = max((c.shape for c in flange.session.state.sketches[0].curves if c.shape.kind == "line"),
                key=lambda s: s.start.x + s.end.x)  # fmt: skip
    grip = pixel_of(flange, right.start.x, right.start.y + 0.3 * (right.end.y - right.start.y))
    QTest.mousePress(canvas, Qt.MouseButton.LeftButton, pos=grip)
    QTest.mouseMove(canvas, grip + QPoint(-40, 0))
    assert canvas.tool._shapes
    QTest.mouseRelease(canvas, Qt.MouseButton.LeftButton, pos=grip + QPoint(-40, 0))
    settled()
    moved = max(s.end.x for s in (c.shape for c in flange.session.state.sketches[0].curves) if s.kind == "line")
    assert moved == pytest.approx(right.end.x - 40 / canvas.view.scale, abs=0.3)
