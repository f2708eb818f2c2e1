"""Route in the window: groups, rules, sketches, picking, roles, groups of curves, and recipes."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QPushButton

from syntaxa.cli.main import run as command
from syntaxa.deliver.write import Output
from syntaxa.demo.drawing import revised_bytes
from syntaxa.job.recipe import load_recipe
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin
from syntaxa.route.edits import SetSketch
from syntaxa.route.part import Routed

PARTS = {"MOTOR-BRACKET", "BASE-PLATE", "FLANGE-GASKET", "CONTROL-BOX", "COUPLING-GUARD"}


@pytest.fixture
def route(demo):
    demo.show_route()
    demo.canvas.paint_now()
    return demo.route


def press(panel, name):
    button = next(b for b in panel.findChildren(QPushButton) if b.accessibleName() == name)
    button.click()


def names(window):
    return {s.name for s in window.session.state.sketches}


def choose_group(table, name):
    row = next(k for k in range(table.rowCount()) if table.item(k, 0).text() == name)
    table.setCurrentCell(row, 0)


def test_what_is_no_geometry_is_shown_with_reasons_before_it_goes(demo, route, settled):
    route.came_in.offer_leave_out()
    offers = [route.came_in.offers.item(k).text() for k in range(route.came_in.offers.count())]
    assert offers == [
        "3 curves: Layer TITLE-BLOCK sounds like title block.",
        "6 curves: Layer CENTRE-LINES sounds like centre lines.",
    ]
    assert demo.session.job.steps == ()
    assert len(demo.canvas.selection.curves()) == 9
    route.came_in.offers.item(0).setCheckState(Qt.CheckState.Unchecked)
    assert len(demo.canvas.selection.curves()) == 6
    route.came_in.offers.item(0).setCheckState(Qt.CheckState.Checked)
    route.came_in.accept_leave_out()
    settled()
    assert names(demo) == PARTS
    demo.undo()
    settled()
    assert names(demo) > PARTS


def test_one_click_routes_by_layer_by_colour_or_into_one(demo, route, settled):
    for name, count in (("Make a sketch of each colour", 7), ("Put everything into one sketch", 1),
                        ("Make a sketch of each layer", 7)):  # fmt: skip
        press(route.came_in, name)
        settled()
        assert len(names(demo)) == count


def test_groups_are_searched_hidden_and_seen_alone(demo, route, settled):
    table = route.came_in.table
    route.came_in._search.setText("box")
    assert [table.item(k, 0).text() for k in range(table.rowCount())] == ["CONTROL-BOX"]
    choose_group(table, "CONTROL-BOX")
    press(route.came_in, "Show only the curves of this group")
    assert demo.canvas.selection.shown.sum() == 49
    demo.select_all()
    assert {c.layer for c in demo.canvas.selection.curves()} == {"CONTROL-BOX"}
    press(route.came_in, "Show everything again")
    assert demo.canvas.selection.shown is None
    press(route.came_in, "Select the curves of this group")
    assert len(demo.canvas.selection.curves()) == 49
    route.came_in._search.clear()
    route.came_in._grouping.setCurrentIndex(5)
    route.came_in._grouping.activated.emit(5)
    settled()
    assert {table.item(k, 0).text() for k in range(table.rowCount())} >= {"line", "circle"}
    assert demo.session.job.steps == ()


def test_a_rule_with_a_wildcard_sends_layers_to_a_sketch(demo, route, settled):
    rules = route.rules
    rules.name.setCurrentText("*-BO*")
    rules.to.setCurrentText("boxes")
    press(rules, "Add this rule")
    settled()
    assert "boxes" in names(demo)
    assert rules.list.item(0).text() == "layer *-BO*  →  boxes"
    rules.name.setCurrentText("TITLE*")
    rules.goes.setCurrentIndex(3)
    press(rules, "Add this rule")
    settled()
    assert "TITLE-BLOCK" not in names(demo)
    rules.list.setCurrentRow(0)
    press(rules, "Remove the chosen rule")
    settled()
    assert names(demo) >= {"TITLE-BLOCK", "boxes"}


def test_sketches_are_renamed_reordered_locked_and_deleted_to_the_last(demo, route, settled):
    sketches = route.sketches
    sketches.list.setCurrentRow(0)
    first = sketches.chosen().name
    sketches.list.item(0).setText("Bracket")
    settled()
    assert "Bracket" in names(demo)
    sketches.list.setCurrentRow(0)
    sketches.move_by(1)
    settled()
    assert demo.session.state.sketches[1].name == "Bracket"
    sketches.list.setCurrentRow(1)
    sketches._lock.click()
    settled()
    assert demo.session.state.sketch("Bracket").locked
    assert "(locked)" in sketches.list.item(1).text()
    sketches.list.setCurrentRow(1)
    sketches.duplicate()
    settled()
    assert "Bracket copy 1" in names(demo)
    demo.undo()
    settled()
    sketches._lock.click()
    settled()
    while demo.session.state.sketches:
        sketches.list.setCurrentRow(0)
        sketches.list.selectAll()
        sketches.delete()
        settled()
    assert len(demo.session.state.excluded) == 168
    route.picked.bring_all_back()
    settled()
    assert first not in names(demo)
    assert "Bracket" in names(demo)


def test_a_sketch_goes_to_another_plane_and_gets_a_line_style(demo, route, settled):
    sketches = route.sketches
    sketches.list.setCurrentRow(0)
    sketches._view.setCurrentIndex(sketches._view.findData("front"))
    sketches._view.activated.emit(sketches._view.currentIndex())
    settled()
    sketches._weight.setCurrentIndex(1)
    sketches._weight.activated.emit(1)
    settled()
    sketch = demo.session.state.sketches[0]
    assert sketch.plane.view == "front"
    # The hairline that some cutters want: a thousandth of an inch.
    assert sketch.pen.weight == pytest.approx(0.001 * 25.4)


def test_chains_words_and_lassos_pick(qtbot, demo, route, settled):
    demo.pick_by_words("circles under 1 in")
    picked = {c.id for c in demo.canvas.selection.curves()}
    assert picked
    assert all(2 * c.shape.radius < 25.4 for c in demo.canvas.selection.curves())
    demo.pick_inverted()
    assert {c.id for c in demo.canvas.selection.curves()}.isdisjoint(picked)
    demo.pick_by_words("nonsense all over")
    assert "is no filter" in demo.status.message
    box = demo.canvas.selection.scene.extents()
    demo.start_lasso()
    corners = [(box[0] - 5, box[1] - 5), (box[2] + 5, box[1] - 5), (box[2] + 5, box[3] + 5), (box[0] - 5, box[3] + 5)]
    places = [QPointF(*demo.canvas.view.to_pixels(x, y)).toPoint() for x, y in corners]
    QTest.mousePress(demo.canvas, Qt.MouseButton.LeftButton, pos=places[0])
    for place in places[1:]:
        QTest.mouseMove(demo.canvas, place)
        QTest.qWait(10)
    QTest.mouseRelease(demo.canvas, Qt.MouseButton.LeftButton, pos=places[-1] + QPoint(1, 0))
    assert len(demo.canvas.selection.curves()) == 168
    line = next(c for c in demo.session.state.curves() if c.layer == "BASE-PLATE" and c.shape.kind == "line")
    demo.canvas.selection.choose({line.id})
    demo.pick_chain()
    assert len(demo.canvas.selection.curves()) > 1
    assert {c.layer for c in demo.canvas.selection.curves()} == {"BASE-PLATE"}


def test_picked_curves_are_put_aside_seen_faded_and_brought_back_by_a_click(qtbot, demo, route, settled):
    circle = max((c for c in demo.session.state.curves() if c.shape.kind == "circle"), key=lambda c: c.shape.radius)
    demo.canvas.selection.choose({circle.id})
    demo.put_aside()
    settled()
    assert circle.id not in {c.id for c in demo.session.state.curves()}
    route.picked._aside.click()
    settled()
    demo.canvas.paint_now()
    assert [c.id for c in demo.stage("route")._aside._scene.curves] == [circle.id]
    x, y = circle.shape.centre.x + circle.shape.radius * 0.6, circle.shape.centre.y + circle.shape.radius * 0.8
    qtbot.mouseClick(demo.canvas, Qt.MouseButton.LeftButton, pos=QPointF(*demo.canvas.view.to_pixels(x, y)).toPoint())
    settled()
    assert circle.id in {c.id for c in demo.session.state.curves()}


def test_roles_are_given_shown_and_remembered(demo, route, settled, tmp_path):
    demo.canvas.selection.choose({"61"})
    route.picked._role.setCurrentText("tapped M6")
    route.picked.give(True)
    settled()
    assert next(c.roles for c in demo.session.state.curves() if c.id == "61") == ("tapped M6",)
    assert len(demo.canvas.selection.scene.with_roles) == 1
    assert "tapped M6" in demo.settings.values.roles
    demo.canvas.selection.choose({"61"})
    assert "Roles: tapped M6" in route.picked._says.text()
    route.picked.give(False)
    settled()
    assert not demo.canvas.selection.scene.with_roles
    route.picked.forget_role()
    assert "tapped M6" not in demo.settings.values.roles


def test_a_group_is_made_and_copied_by_its_base_point(qtbot, demo, route, settled):
    picked = [c.id for c in demo.session.state.curves() if c.layer == "FLANGE-GASKET"]
    demo.canvas.selection.choose(set(picked))
    route.picked._group_name.setText("gasket")
    press(route.picked, "Make a group of what is picked, with a base point")
    box = demo.canvas.selection.scene.extents()
    middle = QPointF(*demo.canvas.view.to_pixels((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)).toPoint()
    qtbot.mouseClick(demo.canvas, Qt.MouseButton.LeftButton, pos=middle)
    settled()
    assert [g.key for g in demo.session.state.part(Routed).groups] == ["gasket#1"]
    route.picked.groups.setCurrentRow(0)
    assert len(demo.canvas.selection.curves()) == len(picked)
    press(route.picked, "Put a copy of the group down")
    qtbot.mouseClick(demo.canvas, Qt.MouseButton.LeftButton, pos=middle + QPoint(60, 40))
    settled()
    assert [g.key for g in demo.session.state.part(Routed).groups] == ["gasket#1", "gasket#2"]
    assert sum(bool(c.group) for c in demo.session.state.curves()) == 2 * len(picked)


# ---------------------------------------------------------------------- recipes


def treat(window, settled):
    for step in (ChooseUnit("in"), PlaceOrigin("lower-left")):
        window.session.do(step)
        settled()
    window.route.came_in.offer_leave_out()
    window.route.came_in.accept_leave_out()
    settled()
    window.session.do(SetSketch("BASE-PLATE", pen_layer="CUT"))
    settled()
    window.fix_all()
    settled()


def test_a_recipe_gives_the_same_through_the_window_and_the_command_line(qtbot, demo, settled, chosen, tmp_path):
    treat(demo, settled)
    chosen.path = tmp_path / "orchard"
    demo.ask_save_recipe()
    recipe = tmp_path / "orchard.sxr"
    assert len(load_recipe(recipe).steps) == 5
    other = tmp_path / "panels-b.dxf"
    other.write_bytes(revised_bytes())
    # The window, on the drawing that is open.
    demo.open_path(other)
    settled()
    chosen.path = recipe
    files = demo.stage("deliver").own_panel.files
    files.choose(".svg", Output(by_colour=True))
    demo.ask_use_recipe()
    settled()
    assert demo.session.job.steps
    assert (files.format.key, files.output) == ("dxf", Output())  # the choices that it was saved with
    chosen.path = tmp_path / "by-hand.dxf"
    demo.ask_deliver()
    qtbot.waitUntil(lambda: not demo.shell.work.busy and chosen.path.exists(), timeout=20_000)
    # The window, on many.
    demo.ask_run_recipe()
    dialog = demo.feature("Recipes")._dialog
    chosen.path, chosen.paths = recipe, [other, tmp_path / "gone.dxf"]
    dialog.ask_recipe()
    dialog.ask_files()
    chosen.path = tmp_path / "many"
    dialog.ask_folder()
    dialog.run()
    qtbot.waitUntil(lambda: dialog.summary is not None, timeout=60_000)
    assert [dialog.table.item(k, 1).text() for k in range(2)] == ["✓ done", "✕ failed"]
    dialog.close()
    # The command line.
    assert command(["run", str(recipe), str(other), "-o", str(tmp_path / "line")], None, None) == 0
    written = [tmp_path / "by-hand.dxf", tmp_path / "many" / "panels-b.dxf", tmp_path / "line" / "panels-b.dxf"]
    # The writer stamps the hour and fresh identifiers into each file; the entities are what counts.
    entities = [path.read_text().split("ENTITIES", 1)[1].split("ENDSEC", 1)[0] for path in written]
    assert entities[0] == entities[1] == entities[2]


def test_steps_that_only_fit_one_drawing_are_told(demo, settled, chosen, tmp_path):
    demo.canvas.selection.choose({"61"})
    demo.put_aside()
    settled()
    chosen.path = tmp_path / "r.sxr"
    demo.ask_save_recipe()
    assert "What only fits this drawing was left out: Put 1 curve aside" in demo.banner.sentence
    chosen.path = tmp_path / "none.sxr"
    demo.ask_use_recipe()
    assert "cannot be opened" in demo.banner.sentence
