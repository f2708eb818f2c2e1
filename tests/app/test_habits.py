"""The wheel, the keys, Escape, stopping, recovery and saving, as somebody who does not know the program uses them."""

from __future__ import annotations

import io

import ezdxf
import pikepdf
import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractSpinBox, QApplication, QComboBox, QLineEdit, QPushButton, QScrollArea, QSlider

from driver import Driver
from syntaxa.app.features.draw_tools import BY_KEY
from syntaxa.app.session.recovery import Lock, job_lock, orphans
from syntaxa.app.settings import Settings
from syntaxa.app.shell.window import MainWindow
from syntaxa.job.passwords import Passwords
from syntaxa.job.store import load_job, save_job
from syntaxa.mend.steps import MendFindings


def turn_wheel(widget, steps=-1):
    """As the desktop tells it: to the window that the widget lies in, at the middle of what is seen of it."""
    QApplication.processEvents()
    middle = widget.visibleRegion().boundingRect().center()
    event = QWheelEvent(
        QPointF(widget.mapTo(widget.window(), middle)), QPointF(widget.mapToGlobal(middle)), QPoint(),
        QPoint(0, 120 * steps), Qt.MouseButton.NoButton, Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase,
        False,
    )  # fmt: skip
    QApplication.sendEvent(widget.window().windowHandle(), event)


def hover(widget):
    """The mouse comes over a widget, which is scrolled into view."""
    above = widget.parentWidget()
    while above is not None:
        if isinstance(above, QScrollArea):
            above.ensureWidgetVisible(widget)
        above = above.parentWidget()
    middle = widget.visibleRegion().boundingRect().center()
    QTest.mouseMove(widget.window().windowHandle(), widget.mapTo(widget.window(), middle))


def value_of(field):
    if isinstance(field, QComboBox):
        return field.currentIndex()
    return field.value() if hasattr(field, "value") else field.text()


def press(qtbot, key, modifiers=Qt.KeyboardModifier.NoModifier):
    """As the keyboard does it: to whatever has the focus, commands first."""
    focus = QApplication.focusWidget()
    assert focus is not None
    qtbot.keyClick(focus, key, modifiers)


# ---------------------------------------------------------------------- the wheel


def test_no_field_takes_the_wheel_unless_it_has_the_focus(qtbot, demo):
    """Page scale 1:1 to 1:5, DXF unit mm to cm, R2018 to R12, a sketch made to construction: all by scrolling."""
    tried = 0
    for panel in range(len(demo.panels_in_order)):
        demo.show_stage(panel)
        QApplication.processEvents()
        fields = [
            f for kind in (QComboBox, QAbstractSpinBox, QSlider) for f in demo.panels_in_order[panel].findChildren(kind)
        ]
        for field in fields:
            if field.visibleRegion().isEmpty() or not field.isEnabled() or field.hasFocus():
                continue
            before = value_of(field)
            for steps in (-1, 1, 3):
                turn_wheel(field, steps)
                assert value_of(field) == before, field.accessibleName()
                assert not field.hasFocus(), field.accessibleName()
            tried += 1
    assert tried >= 8


def test_a_field_that_has_the_focus_takes_the_wheel(qtbot, demo):
    demo.show_deliver()
    QApplication.processEvents()
    field = next(f for f in demo.deliver.findChildren(QComboBox) if f.isVisible())
    field.setFocus()
    turn_wheel(field)
    assert field.currentIndex() == 1


def test_the_page_scrolls_under_a_field(qtbot, demo):
    demo.resize(960, 680)
    demo.show_measure()
    QApplication.processEvents()
    area = demo.measure.findChild(QScrollArea)
    bar = area.verticalScrollBar()
    field = next(f for f in demo.measure.findChildren(QComboBox) if f.isVisible())
    assert bar.maximum() > 0
    turn_wheel(field, -2)
    assert bar.value() > 0


# ---------------------------------------------------------------------- keys


def test_what_is_computed_takes_the_focus_from_no_field(qtbot, demo, settled):
    """A view that comes late shows itself anew; whoever types by then types on, and an open ledger stays open."""
    demo.show_deliver()
    QApplication.processEvents()
    field = next(f for f in demo.deliver.findChildren(QLineEdit) if f.isVisible() and f.isEnabled())
    field.setFocus()
    demo.shell.refresh()
    settled()
    assert QApplication.focusWidget() is field
    demo.toggle_ledger()
    demo.shell.refresh()
    settled()
    assert demo.ledger.isVisible()


@pytest.mark.parametrize("stage", range(5))
def test_after_a_change_of_stage_keys_are_for_the_drawing(qtbot, demo, stage):
    demo.show_stage(stage)
    assert demo.focusWidget() is demo.canvas


def test_command_keys_work_in_a_field_and_its_own_editing_stays(qtbot, demo, settled):
    demo.fix_all()
    settled()
    demo.show_measure()
    field = next(f for f in demo.measure.findChildren(QLineEdit) if f.isVisible() and f.isEnabled())
    field.setFocus()
    field.setText("5")
    press(qtbot, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    settled()
    assert demo.session.job.steps == ()
    # What was typed is taken back before the job is.
    demo.fix_all()
    settled()
    field.setFocus()
    field.selectAll()
    qtbot.keyClicks(field, "77")
    press(qtbot, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert len(demo.session.job.steps) == 1
    assert "77" not in field.text()


def test_digits_go_to_a_tool_that_waits_for_numbers(qtbot, demo, settled):
    demo.show_mend()
    demo.take_tool("line")
    demo.canvas.setFocus()
    for text in "10,20":
        press(qtbot, text)
    assert demo.shell.stage.panel is demo.mend
    assert demo.draw_strip.point.text() == "10,20"
    press(qtbot, Qt.Key.Key_Return)
    for text in "30":
        qtbot.keyClick(demo.canvas, text)
    assert demo.draw_strip.point.text() == "30"
    assert len(demo.draw._points) == 1


@pytest.mark.parametrize("key", ["n", "x", "m", "f", "b", "t", "4"])
def test_single_keys_are_no_commands_while_a_tool_waits(qtbot, demo, key):
    demo.show_route()
    demo.take_tool("line")
    demo.canvas.setFocus()
    before = demo.at, demo.canvas._view, demo.menus.actions["toggle_beneath"].isChecked()
    press(qtbot, key)
    after = demo.at, demo.canvas._view, demo.menus.actions["toggle_beneath"].isChecked()
    assert after == before


def test_escape_ends_tool_then_value_then_picking_then_selection(qtbot, demo):
    demo.show_mend()
    demo.select_all()
    demo.start_lasso()
    field = next(f for f in demo.mend.findChildren(QLineEdit) if f.isVisible() and f.isEnabled())
    shown = field.text()
    demo.draw_strip.take_up(BY_KEY["line"])
    field.setFocus()
    field.selectAll()
    qtbot.keyClicks(field, "999")
    press(qtbot, Qt.Key.Key_Escape)
    assert not demo.draw_strip.isVisible()
    field.setFocus()
    press(qtbot, Qt.Key.Key_Escape)
    assert field.text() == shown
    assert demo.canvas.tool.waits
    press(qtbot, Qt.Key.Key_Escape)
    assert not demo.canvas.tool.waits
    assert demo.canvas.selection.curves()
    press(qtbot, Qt.Key.Key_Escape)
    assert not demo.canvas.selection.curves()


# ---------------------------------------------------------------------- stopping


def test_stopping_takes_the_step_back_at_once(qtbot, demo, settled):
    """Five stops and one run gave six steps."""
    for _ in range(5):
        demo.fix_all()
        demo.cancel_work()
        assert demo.session.job.steps == ()
        qtbot.waitUntil(lambda: not demo.session.busy)
    assert not demo.session.files.unsaved_work or demo.session.files.path is None
    demo.fix_all()
    settled()
    assert [type(s.step) for s in demo.session.job.steps] == [MendFindings]
    demo.undo()
    demo.cancel_work()
    assert [type(s.step) for s in demo.session.job.steps] == [MendFindings]


def test_a_change_that_cannot_be_worked_out_is_none(qtbot, demo, settled, monkeypatch):
    def broken(*_):
        raise RuntimeError("no")

    monkeypatch.setattr(demo.session.computing, "evaluate", broken)
    demo.fix_all()
    qtbot.waitUntil(lambda: demo.banner.isVisible())
    assert demo.session.job.steps == ()


# ---------------------------------------------------------------------- recovery, two windows


def crashed(window, folder):
    """What a crash leaves: the copy of a window, held by nobody."""
    window.write_recovery()
    copy = window.session.files._copy
    copy._lock.release()
    return folder


def test_a_recovered_job_keeps_its_file_and_its_mark(qtbot, demo, settled, tmp_path, chosen):
    path = tmp_path / "pump.sxj"
    chosen.path = path
    assert demo.save_as()
    demo.fix_all()
    settled()
    folder = crashed(demo, tmp_path / "state" / "recovery")
    (orphan,) = orphans(folder)
    assert orphan.path == path.resolve()
    demo.offer_recovery()
    opening = next(b for b in demo.banner.findChildren(QPushButton) if b.text() == "Open the copy")
    qtbot.mouseClick(opening, Qt.MouseButton.LeftButton)
    settled()
    assert (demo.session.files.path, demo.session.files.unsaved_work) == (path.resolve(), True)
    assert len(load_job(path).steps) == 0
    assert demo.save()
    assert len(load_job(path).steps) == 1
    assert list(folder.glob("*.sxj")) == []


def test_discarding_drops_that_copy_only(qtbot, demo, tmp_path):
    folder = tmp_path / "elsewhere"
    folder.mkdir()
    demo.shell.recovery = folder
    for k, token in enumerate(("aaaaaaaaaaaa", "bbbbbbbbbbbb")):
        save_job(demo.session.job, folder / f"job{k}-{token}.sxj")
    assert len(orphans(folder)) == 2
    demo.offer_recovery()
    drop = next(b for b in demo.banner.findChildren(QPushButton) if b.text() == "Discard it")
    qtbot.mouseClick(drop, Qt.MouseButton.LeftButton)
    assert len(orphans(folder)) == 1
    assert demo.banner.isVisible()


def test_a_question_stays_until_it_is_answered(demo, settled, tmp_path):
    folder = tmp_path / "elsewhere"
    folder.mkdir()
    demo.shell.recovery = folder
    save_job(demo.session.job, folder / "job-aaaaaaaaaaaa.sxj")
    demo.offer_recovery()
    demo.fix_all()
    settled()
    assert demo.banner.isVisible()
    assert "was not saved when the program ended" in demo.banner.sentence


def test_a_copy_that_is_held_is_nobody_s_orphan(demo, settled, tmp_path):
    folder = tmp_path / "state" / "recovery"
    demo.fix_all()
    settled()
    demo.write_recovery()
    assert orphans(folder) == []
    demo.session.files._copy._lock.release()
    assert len(orphans(folder)) == 1


def test_a_job_that_changed_on_disk_is_not_written_over_unsaid(qtbot, demo, settled, tmp_path, chosen):
    path = chosen.path = tmp_path / "pump.sxj"
    assert demo.save_as()
    other = load_job(path).without_step(99)
    demo.fix_all()
    settled()
    save_job(other, path, b"another picture")
    theirs = path.read_bytes()
    assert not demo.save()
    assert path.read_bytes() == theirs
    assert "was changed by another program or window" in demo.banner.sentence
    # Told once; the second time it is meant.
    assert demo.save()
    assert len(load_job(path).steps) == 1


def test_a_second_window_on_one_job_is_told_of(qtbot, demo, settled, tmp_path, chosen):
    path = chosen.path = tmp_path / "pump.sxj"
    assert demo.save_as()
    lock = job_lock(tmp_path / "state" / "recovery", path)
    assert not lock.take()
    other = MainWindow(Settings(tmp_path / "other.json"), tmp_path / "state" / "recovery", chosen, lambda f: f)
    qtbot.addWidget(other)
    other = Driver(other)
    other.open_path(path)
    qtbot.waitUntil(other.settled, timeout=60_000)
    assert "is open in another window as well" in other.banner.sentence
    other.close()
    demo.session.close()
    assert lock.take()
    lock.release()


def test_a_lock_of_a_program_that_ended_is_free(tmp_path):
    one, two = Lock(tmp_path / "x.lock"), Lock(tmp_path / "x.lock")
    assert one.take()
    assert not two.take()
    one.release()
    assert two.take()
    two.release()


# ---------------------------------------------------------------------- opening


def test_several_files_are_opened_as_one_job(qtbot, window, settled, tmp_path):
    for name in ("a.dxf", "b.dxf"):
        document = ezdxf.new()
        document.modelspace().add_line((0, 0), (1, 0))
        document.saveas(tmp_path / name)
    window.open_paths([tmp_path / "a.dxf", tmp_path / "b.dxf"])
    settled()
    assert [s.name for s in window.session.job.sources] == ["a.dxf", "b.dxf"]


def test_a_job_from_a_file_can_be_undone_step_by_step(qtbot, demo, settled, tmp_path, chosen):
    chosen.path = tmp_path / "pump.sxj"
    demo.fix_all()
    settled()
    demo.save_as()
    demo.open_path(chosen.path)
    settled()
    assert not demo.session.files.unsaved_work
    assert demo.session.history.undo_name.startswith("Mend all")
    demo.undo()
    settled()
    assert demo.session.job.steps == ()


def test_a_locked_source_asks_for_its_password(qtbot, window, settled, tmp_path, chosen, monkeypatch):
    known = Passwords(lambda: None)
    for place in ("job.store", "app.session.files", "app.shell.shell"):
        monkeypatch.setattr(f"syntaxa.{place}.PASSWORDS", known)
    window.session.computing.evaluator._passwords = known
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(100, 100))
    page.Contents = pdf.make_stream(b"10 10 m 60 10 l S")
    out = io.BytesIO()
    pdf.save(out, encryption=pikepdf.Encryption(owner="o", user="secret"))
    path = tmp_path / "plate.pdf"
    path.write_bytes(out.getvalue())
    window.open_path(path)
    qtbot.waitUntil(lambda: window.banner.isVisible())
    assert "is locked by its author" in window.banner.sentence
    chosen.password = "secret"
    window.open_path(path)
    settled()
    assert len(list(window.session.state.curves())) == 1


# ---------------------------------------------------------------------- the window


def test_nothing_moves_on_screen_when_a_strip_comes_or_goes(qtbot, demo):
    """By 22 pixels it did, so that a click after taking a tool missed what it was aimed at."""
    demo.show_mend()
    place = QPoint(200, 150)

    def under():
        QApplication.processEvents()
        spot = demo.canvas.mapFrom(demo.window, demo.mapFromGlobal(start))
        return demo.canvas.view.to_mm(spot.x(), spot.y())

    start = demo.canvas.mapToGlobal(place)
    before = under()
    demo.take_tool("line")
    assert under() == pytest.approx(before)
    assert demo.draw_strip.isVisible()
    demo.complain("A sentence over the drawing.")
    assert under() == pytest.approx(before)
    assert demo.banner.isVisible()
    demo.end_tool()
    demo.banner.hide()
    assert under() == pytest.approx(before)


def test_the_window_is_no_larger_than_the_screen(demo):
    room = demo.screen().availableGeometry().size()
    assert demo.minimumWidth() <= min(960, room.width())
    assert demo.minimumHeight() <= min(680, room.height())
    demo.resize(960, 680)
    for stage in range(len(demo.panels_in_order)):
        demo.show_stage(stage)
        QApplication.processEvents()
        # What needs more room than it has is laid over its neighbours.
        assert demo.minimumSizeHint().width() <= 960
        assert demo.minimumSizeHint().height() <= 680


def test_every_menu_and_command_has_a_letter_of_its_own(demo):
    menus = [a for a in demo.menuBar().actions() if a.menu()]
    for actions in (menus, *(m.menu().actions() for m in menus)):
        letters = [a.text()[a.text().index("&") + 1].lower() for a in actions if "&" in a.text()]
        named = [a for a in actions if not a.isSeparator()]
        assert len(letters) == len(set(letters))
        assert len(letters) >= min(len(named), 20)


def test_every_control_has_a_name_and_a_tip(qtbot, demo):
    seen = 0
    for stage in range(len(demo.panels_in_order)):
        demo.show_stage(stage)
        QApplication.processEvents()
        for kind in (QPushButton, QComboBox, QLineEdit, QAbstractSpinBox, QSlider):
            for control in demo.findChildren(kind):
                if not control.isVisible() or control.objectName().startswith("qt_"):
                    continue
                seen += 1
                hover(control)
                assert control.accessibleName() or isinstance(control.parent(), QComboBox)
                assert control.toolTip() or isinstance(control.parent(), QComboBox), control.accessibleName()
    assert seen > 50


def test_a_name_that_another_sketch_has_is_refused_in_a_sentence(qtbot, demo, settled):
    demo.show_route()
    sketches = demo.route.sketches
    first, second = (str(sketches.list.item(k).data(256)) for k in (0, 1))
    sketches.list.item(1).setText(first)
    assert f"There is a sketch “{first}” already; “{second}” keeps its name." in demo.banner.sentence
    assert demo.session.job.steps == ()
    assert sketches.list.item(1).data(256) == second
