"""Define in the window: read off, bind, type a value, be refused, add what is missing, hold whole, let go."""

from __future__ import annotations

import pytest
from drawings import plate
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

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
    panel.bind()
    settled()
    assert flange.stage("define").open_matters() == 1
    chosen(flange, "d1").written.click()
    settled()
    assert flange.stage("define").open_matters() == 0
    panel.missing.click()
    settled()
    assert panel.says.text() == "✓ Fully defined."
    assert panel.sketches.model_.index(0, 2).data() == "✓ defined"
    assert flange.stage("define").freedom.points == ()
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
    panel.bind()
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
    about = flange.stage("define").about
    assert len(about._shapes) == 7
    before = flange.canvas.grab().toImage()
    panel.constraints.let_go.click()
    settled()
    assert all(c.kind != "ring" for c in flange.session.state.part(Defined).constraints)
    assert flange.canvas.grab().toImage() != before


def test_a_click_on_a_tag_chooses_its_dimension(flange, settled):
    panel = panel_of(flange)
    panel.bind()
    settled()
    flange.canvas.grab()
    layer = flange.stage("define").dimensions
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
    panel.bind()
    settled()
    own.formula.setText("w = 5in")
    own.give()
    settled()
    assert own.table.model_.index(0, 2).data() == "127.000"
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
