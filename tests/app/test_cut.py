"""Cut in the window: operations added and changed together, contours by hand, the player, files, and refusals."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLineEdit, QPushButton, QSlider

from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.model import Pick, Stock
from syntaxa.cut.part import Planned
from syntaxa.cut.steps import SetPick, SetStock
from syntaxa.cut.views import STOCKS
from syntaxa.demo.seat import seat_dxf
from syntaxa.measure.steps import ChooseUnit


@pytest.fixture
def seat(window, settled, tmp_path):
    """The window with the motor's seat, in Cut."""
    path = tmp_path / "motor-seat.dxf"
    path.write_bytes(seat_dxf())
    window.open_path(path)
    settled()
    window.session.do(ChooseUnit("mm"))
    settled()
    window.show_stage("cut")
    settled()
    return window


def panel(window):
    return window.stage("cut").own_panel


def plan(window):
    return window.session.state.part(Planned)


def choose(combo, data):
    combo.setCurrentIndex(combo.findData(data))
    combo.activated.emit(combo.currentIndex())


def add(window, settled, kind="profile"):
    operations = panel(window).operations
    operations.kind.setCurrentIndex(operations.kind.findData(kind))
    operations.add()
    settled()


def with_machine(window, settled, name):
    machine = panel(window).setup.machine
    machine.setCurrentIndex(machine.findText(name))
    machine.activated.emit(machine.currentIndex())
    settled()


def typed(widget, text):
    widget.setFocus()
    widget.selectAll()
    QTest.keyClicks(widget, text)
    QTest.keyClick(widget, Qt.Key.Key_Return)


def field(window, name):
    """The field of a setting, by what it is called."""
    return next(w for w in panel(window).operations.form.findChildren(QLineEdit) if w.accessibleName() == name)


def test_nothing_is_there_before_an_operation_is_and_then_a_program_is(seat, settled):
    assert "add it" in panel(seat).says.text()
    assert not panel(seat).write.isEnabled()
    add(seat, settled)
    done = panel(seat).proven
    assert panel(seat).write.isEnabled()
    assert "M30" in done.text
    # Two pockets with a boss in one, a bore, four holes, the outline; the engraved line bounds nothing.
    assert len(done.work.cuttings) == 9
    assert seat.stage("cut").open_matters() == len(done.verdict.wrong)


def test_several_operations_are_changed_together_and_a_blank_leaves_each_as_it_is(seat, settled):
    with_machine(seat, settled, "mill")
    add(seat, settled, "pocket")
    add(seat, settled, "outside")
    table = panel(seat).operations.table
    first, second = (o.name for o in plan(seat).operations)
    # A click has no keys held; `selectRow` takes those that a test before pressed last.
    row = table.visualRect(table.model().index(0, 0)).center()
    QTest.mouseClick(table.viewport(), Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier, row)
    assert panel(seat).operations.names == [first]
    typed(field(seat, "Depth"), "6")
    settled()
    assert [o.settings.depth for o in plan(seat).operations] == ["6", None]
    table.selectAll()
    assert panel(seat).operations.names == [first, second]
    assert (field(seat, "Depth").text(), field(seat, "Depth").placeholderText()) == ("", "differ")
    steps = len(seat.session.job.steps)
    typed(field(seat, "Step down"), "1.5")
    settled()
    assert [(o.settings.depth, o.settings.step_down) for o in plan(seat).operations] == [("6", 1.5), (None, 1.5)]
    assert len(seat.session.job.steps) == steps + 1
    seat.session.undo()
    settled()
    assert [o.settings.step_down for o in plan(seat).operations] == [None, None]


def test_settings_are_copied_from_the_operation_whose_path_is_clicked(seat, settled):
    with_machine(seat, settled, "mill")
    for kind in ("pocket", "follow", "outside"):
        add(seat, settled, kind)
    operations = panel(seat).operations
    pocket, line, outside = (o.name for o in plan(seat).operations)
    operations.table.selectRow(0)
    typed(field(seat, "Feed"), "432")
    settled()
    operations.table.selectRow(2)
    # The engraved line is of one operation only.
    cuttings = panel(seat).proven.work.cuttings
    contours = panel(seat).proven.work.contours.contours
    open_one = next(c.run.number for c in cuttings if not contours[c.run.number].closed)
    assert operations.source.currentText() == pocket
    seat.stage("cut").choose_contour(open_one)
    assert operations.source.currentText() == line
    operations.source.setCurrentText(pocket)
    operations._copy()
    settled()
    assert [o.settings.feed for o in plan(seat).operations] == [432.0, None, 432.0]
    assert plan(seat).operation(outside).kind == "outside"


def test_nonsense_is_refused_in_words_and_changes_nothing(seat, settled):
    with_machine(seat, settled, "mill")
    add(seat, settled, "pocket")
    before = plan(seat)
    for name, text in (("Step down", "two"), ("Step down", "-1"), ("Feed", "1e308"), ("Feed", "nan")):
        typed(field(seat, name), text)
        settled()
        assert plan(seat) == before, (name, text)
        assert name in panel(seat).says.text(), (name, text)
    typed(field(seat, "Depth"), "d99")
    settled()
    assert "d99" in panel(seat).says.text()
    assert not panel(seat).write.isEnabled()
    seat.session.undo()
    settled()
    assert panel(seat).write.isEnabled()
    for line, text in ((panel(seat).setup.margin, "x"), (panel(seat).setup.stock_width, "-3")):
        panel(seat).tabs.setCurrentIndex(1)
        typed(line, text)
        settled()
        assert plan(seat).stock == before.stock


def test_what_was_refused_is_forgotten_with_the_next_change(seat, settled):
    add(seat, settled)
    panel(seat).do((SetPick("no such", Pick()), SetStock(Stock("5"))))
    settled()
    assert "no such" in panel(seat).says.text()
    assert plan(seat).stock == Stock()
    panel(seat).refuse("Nothing like that.")
    seat.session.undo()
    settled()
    assert plan(seat).operations == ()
    assert "add it" in panel(seat).says.text()


def test_a_contour_is_turned_begun_elsewhere_given_a_tab_and_left_out(seat, settled):
    with_machine(seat, settled, "mill")
    add(seat, settled, "outside")
    stage, place = seat.stage("cut"), panel(seat).place
    contours = panel(seat).proven.work.contours.contours
    outline = next(k for k, c in enumerate(contours) if c.bounds == "outer" and c.depth == 0 and "OUTLINE" in c.layers)
    stage.choose_contour(outline)
    assert place.isVisible()
    assert "Outline" in place.says.text()
    place.set_start(70.0, 0.0)
    settled()
    place.set_tabs([(70.0, 90.0)])
    settled()
    assert "start, 1 tab" in place.says.text()
    assert len(panel(seat).proven.work.tabs) == 1
    cutting = next(c for c in panel(seat).proven.work.cuttings if c.run.number == outline)
    # The way down ends where the outline begins: half of the tool off the line.
    assert cutting.run.stretches[0].rows[-1, :2] == pytest.approx((70.0, -cutting.doing.tool.radius), abs=1e-6)
    buttons = {b.text(): b for b in place.findChildren(QPushButton)}
    buttons["Other side"].click()
    settled()
    assert plan(seat).places[0].turned
    buttons["As the others"].click()
    settled()
    assert plan(seat).places == ()
    count = len(panel(seat).proven.work.cuttings)
    buttons["Leave out"].click()
    settled()
    assert len(panel(seat).proven.work.cuttings) == count - 1


def pixel(window, place):
    return QPointF(*window.canvas.view.to_pixels(*place)).toPoint()


def drag(window, place, by):
    """From a place (mm) by some pixels, with the mouse."""
    begin = pixel(window, place)
    QTest.mousePress(window.canvas, Qt.MouseButton.LeftButton, pos=begin)
    for share in (0.5, 1.0):
        QTest.mouseMove(window.canvas, begin + QPoint(round(by[0] * share), round(by[1] * share)))
    QTest.mouseRelease(window.canvas, Qt.MouseButton.LeftButton, pos=begin + QPoint(*by))


def handles(window, kind):
    return [h.place for h in window.stage("cut")._handles.held.handles if h.kind == kind]


def test_starts_and_tabs_are_dragged_along_their_contour_and_escape_gives_up(seat, settled):
    with_machine(seat, settled, "mill")
    add(seat, settled, "outside")
    typed(field(seat, "Tabs"), "3")
    settled()
    contours = panel(seat).proven.work.contours.contours
    outline = next(k for k, c in enumerate(contours) if c.bounds == "outer" and c.depth == 0 and "OUTLINE" in c.layers)
    seat.stage("cut").choose_contour(outline)
    tabs = handles(seat, "tab")
    low = next(p for p in tabs if p[1] < 0)  # one below, on a level edge
    assert len(tabs) == 3
    drag(seat, low, (20, 4))
    settled()
    step = 20 / seat.canvas.view.scale
    assert sorted(handles(seat, "tab"))[0] == pytest.approx(sorted(tabs)[0], abs=1e-6)
    moved = next(p for p in handles(seat, "tab") if p[1] < 0)
    assert moved == pytest.approx((low[0] + step, low[1]), abs=1.0 / seat.canvas.view.scale)
    begun = handles(seat, "start")[0]
    drag(seat, begun, (2, -15))
    settled()
    wanted = (begun[0], begun[1] + 15 / seat.canvas.view.scale)  # up along the right edge
    assert handles(seat, "start")[0] == pytest.approx(wanted, abs=1.0 / seat.canvas.view.scale)
    assert not panel(seat).proven.verdict.wrong
    # Far from the line a tab is taken away, and an undo brings it back.
    drag(seat, moved, (0, 90))
    settled()
    assert len(handles(seat, "tab")) == 2
    seat.session.undo()
    settled()
    assert len(handles(seat, "tab")) == 3
    steps = len(seat.session.job.steps)
    place = pixel(seat, handles(seat, "tab")[0])
    QTest.mousePress(seat.canvas, Qt.MouseButton.LeftButton, pos=place)
    QTest.mouseMove(seat.canvas, place + QPoint(9, 9))
    QTest.keyClick(seat.canvas, Qt.Key.Key_Escape)
    QTest.mouseRelease(seat.canvas, Qt.MouseButton.LeftButton, pos=place + QPoint(9, 9))
    settled()
    assert len(seat.session.job.steps) == steps


def test_one_more_tab_leaves_those_that_are_there(seat, settled):
    with_machine(seat, settled, "mill")
    add(seat, settled, "outside")
    typed(field(seat, "Tabs"), "2")
    settled()
    contours = panel(seat).proven.work.contours.contours
    outline = next(k for k, c in enumerate(contours) if c.bounds == "outer" and c.depth == 0 and "OUTLINE" in c.layers)
    seat.stage("cut").choose_contour(outline)
    before = handles(seat, "tab")
    panel(seat).place.tab_wanted.emit()
    QTest.mouseClick(seat.canvas, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.AltModifier, pixel(seat, (95.0, 91.0)))
    settled()
    after = handles(seat, "tab")
    assert len(after) == 3
    assert all(min(abs(a[0] - b[0]) + abs(a[1] - b[1]) for a in after) < 1e-6 for b in before)


def test_settings_are_given_to_paths_that_are_clicked_and_to_those_in_a_box(seat, settled):
    with_machine(seat, settled, "mill")
    for kind in ("pocket", "follow", "outside"):
        add(seat, settled, kind)
    operations, work = panel(seat).operations, panel(seat).proven.work
    _pocket, line, outside = (o.name for o in plan(seat).operations)
    operations.table.selectRow(0)
    typed(field(seat, "Feed"), "432")
    settled()
    operations.table.selectRow(0)
    open_run = next(c.run for c in work.cuttings if not work.contours.contours[c.run.number].closed)
    operations.give_by_picks_wanted.emit()
    middle = open_run.stretches[-1].rows[:, :2].mean(axis=0)
    QTest.mouseClick(seat.canvas, Qt.MouseButton.LeftButton, pos=pixel(seat, middle))
    settled()
    assert [o.settings.feed for o in plan(seat).operations] == [432.0, 432.0, None]
    assert seat.canvas.tool.waits  # the next click gives on
    QTest.keyClick(seat.canvas, Qt.Key.Key_Escape)
    assert not seat.canvas.tool.waits
    operations.give_by_box_wanted.emit()
    corners = pixel(seat, (-25.0, 115.0)), pixel(seat, (165.0, -25.0))
    QTest.mousePress(seat.canvas, Qt.MouseButton.LeftButton, pos=corners[0])
    QTest.mouseMove(seat.canvas, corners[1])
    QTest.mouseRelease(seat.canvas, Qt.MouseButton.LeftButton, pos=corners[1])
    settled()
    assert [o.settings.feed for o in plan(seat).operations] == [432.0, 432.0, 432.0]
    assert plan(seat).operation(outside).settings.tool is not None
    assert plan(seat).operation(line).kind == "follow"
    operations.table.clearSelection()
    operations.give(["nothing"])
    assert "No path" in panel(seat).says.text()


def test_a_tool_is_changed_copied_and_refused(seat, settled):
    with_machine(seat, settled, "mill")
    add(seat, settled, "pocket")
    form = panel(seat).setup.tools
    used = plan(seat).operations[0].settings.tool
    names = [t.name for t in form.list.model_.rows]
    assert names[0] == used
    panel(seat).tabs.setCurrentIndex(1)
    form.list.selectRow(0)
    before = panel(seat).proven.verdict.seconds
    typed(form.fields["feed"][1], "300")
    settled()
    assert plan(seat).tool(used).feed == 300.0
    assert panel(seat).proven.verdict.seconds > before
    typed(form.fields["diameter"][1], "-4")
    settled()
    assert "diameter" in panel(seat).says.text()
    assert form.fields["diameter"][1].text() == f"{plan(seat).tool(used).diameter:g}"
    form.name.setText(used)
    form._copy()
    assert "already" in panel(seat).says.text()
    form.name.setText("long one")
    form._copy()
    settled()
    assert plan(seat).tool("long one").feed == 300.0
    assert form.tool.name == "long one"
    choose_text(form.kind, "drill")
    settled()
    assert plan(seat).tool("long one").angle == 118.0


def choose_text(combo, text):
    combo.setCurrentText(text)
    combo.activated.emit(combo.currentIndex())


def test_an_order_that_is_kept_stays(seat, settled):
    add(seat, settled)
    order = panel(seat).order
    keys = [(c.doing.operation.name, c.run.contour) for c in panel(seat).proven.work.cuttings]
    order.lock.click()
    settled()
    assert list(plan(seat).locked) == list(dict.fromkeys(keys))
    choose(order.rule, "as listed")
    settled()
    assert [(c.doing.operation.name, c.run.contour) for c in panel(seat).proven.work.cuttings] == keys
    order.free.click()
    settled()
    assert plan(seat).locked == ()


def test_the_player_goes_through_the_program_with_line_tool_and_stock(seat, settled, qtbot):
    with_machine(seat, settled, "mill")
    add(seat, settled, "pocket")
    run = panel(seat).run
    panel(seat).tabs.setCurrentIndex(3)
    run.go_to(0.0)
    settled()
    moves = len(panel(seat).proven.played.moves)
    run.step(1)
    first = run.standing.move
    run.step(1)
    assert run.standing.move == first + 1 < moves
    run.slider.setValue(run.slider.maximum())
    assert run.standing.move == moves - 1
    line = panel(seat).proven.played.moves[run.standing.move].line
    assert "▸" in run.lines.text()
    assert panel(seat).proven.text.splitlines()[line - 1].strip() in run.lines.text()
    qtbot.waitUntil(lambda: seat.session.view(STOCKS) is not None, timeout=30_000)
    whole, after = seat.session.view(STOCKS).marks[0][1], seat.session.view(STOCKS).marks[-1][1]
    assert whole.removed == 0 < after.removed
    run.speed.setCurrentIndex(run.speed.count() - 1)
    run.go_to(0.0)
    run.toggle()
    qtbot.waitUntil(lambda: run.standing.move > 2, timeout=10_000)
    run.toggle()
    stood = run.standing
    QTest.qWait(150)
    assert run.standing == stood


def test_the_stock_is_seen_in_space_and_turned(seat, settled, qtbot):
    with_machine(seat, settled, "mill")
    add(seat, settled, "pocket")
    stage, run = seat.stage("cut"), panel(seat).run
    assert stage.front() is None
    panel(seat).tabs.setCurrentIndex(3)
    qtbot.waitUntil(lambda: seat.session.view(STOCKS) is not None, timeout=30_000)
    run.space.setChecked(True)
    settled()
    view = stage.showing.relief.view
    assert stage.front().isVisible()
    assert not seat.shell.canvas.isVisible()
    before, turn = view.grab().toImage(), view.turn
    view.setFocus()
    QTest.keyClick(view, Qt.Key.Key_Left)
    assert view.turn != turn
    assert view.grab().toImage() != before
    run.part.setChecked(True)
    settled()
    kept = view.grab().toImage()
    run.part.setChecked(False)
    settled()
    assert view.grab().toImage() != kept
    ground = view.grab().toImage().pixelColor(2, 2)
    seat.shell.commands["switch_look"].run()
    settled()
    qtbot.waitUntil(lambda: view.grab().toImage().pixelColor(2, 2) != ground, timeout=10_000)
    panel(seat).tabs.setCurrentIndex(0)
    settled()
    assert seat.shell.canvas.isVisible()


def test_the_program_the_page_and_the_drawing_are_written(seat, settled, chosen, tmp_path):
    add(seat, settled)
    for name, command, needle in (
        ("seat.nc", "write_program", b"M30"),
        ("seat.html", "write_setup", b"<svg"),
        ("seat.pdf", "write_setup", b"%PDF"),
        ("seat.svg", "write_cut_drawing", b"<svg"),
        ("seat.dxf", "write_cut_drawing", b"SECTION"),
    ):
        chosen.path = tmp_path / name
        seat.shell.commands[command].run()
        settled()
        assert needle in (tmp_path / name).read_bytes(), name
    again = played((tmp_path / "seat.nc").read_text())
    assert len(again.moves) == len(panel(seat).proven.played.moves)


def test_sets_are_kept_and_used(seat, settled, chosen, tmp_path):
    with_machine(seat, settled, "mill")
    add(seat, settled, "pocket")
    typed(field(seat, "Depth"), "6")
    settled()
    kept = plan(seat).operations
    chosen.path = tmp_path / "aluminium 12.toml"
    panel(seat).operations.keep_wanted.emit()
    settled()
    assert 'depth = "6"' in chosen.path.read_text()
    with_machine(seat, settled, "laser")
    panel(seat).operations.table.selectAll()
    panel(seat).operations._drop()
    settled()
    add(seat, settled)
    panel(seat).operations.set_wanted.emit()
    settled()
    assert plan(seat).operations == kept
    assert plan(seat).machine.name == "mill"
    seat.session.undo()
    settled()
    assert [o.kind for o in plan(seat).operations] == ["profile"]
    assert plan(seat).machine.name == "laser"
    chosen.path.write_text("[[operation]]\nname = 'x'\nwhat = 3\n")
    panel(seat).operations.set_wanted.emit()
    settled()
    assert "what" in panel(seat).says.text()


def test_parts_are_nested_and_a_sheet_is_cut(seat, settled, chosen, tmp_path):
    add(seat, settled)
    form = panel(seat).setup.nesting
    form.copies.setText("0")
    form._nest()
    assert "at least one" in panel(seat).says.text()
    form.copies.setText("3")
    form.across.setText("320")
    form.along.setText("110")
    form._nest()
    settled()
    assert [name for name, _ in plan(seat).sheets] == ["Sheet 1", "Sheet 2"]
    assert "2 sheets" in form.says.text()
    cut = panel(seat).proven.work
    assert {cut.contours.contours[c.run.number].sketch for c in cut.cuttings} == {"Sheet 1"}
    combo = panel(seat).setup.sketch
    assert combo.currentText() == "Sheet 1"
    combo.setCurrentIndex(combo.findText("Sheet 2"))
    combo.activated.emit(combo.currentIndex())
    settled()
    done = panel(seat).proven
    assert done.work.stock.size[:2] == pytest.approx((320.0, 110.0))
    sketches = {done.work.contours.contours[c.run.number].sketch for c in done.work.cuttings}
    assert sketches == {"Sheet 2"}
    chosen.path = tmp_path / "seats.nc"
    seat.shell.commands["write_sheet_programs"].run()
    settled()
    assert sorted(p.name for p in tmp_path.glob("seats*")) == ["seats-1.nc", "seats-2.nc"]
    assert (tmp_path / "seats-2.nc").read_text().count("M3") == done.text.count("M3")


def test_every_control_has_a_name(seat, settled):
    add(seat, settled)
    for kind in (QLineEdit, QComboBox, QSlider, QAbstractButton):
        for widget in panel(seat).findChildren(kind):
            if widget.objectName().startswith("qt_") or widget.parent().objectName().startswith("qt_"):
                continue
            named = widget.accessibleName() or (widget.text() if hasattr(widget, "text") else "")
            assert named, (kind, widget)
