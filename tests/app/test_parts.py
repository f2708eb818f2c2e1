"""The small parts of the window, one at a time."""

from __future__ import annotations

import threading

import pytest
from PyQt6.QtCore import QObject, Qt
from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import QWidget

from syntaxa.app.lengths import DISPLAY_UNITS, LengthFormat
from syntaxa.app.session.lanes import Lane
from syntaxa.app.settings import Settings
from syntaxa.app.shell.palette import CommandPalette
from syntaxa.app.theme.tokens import LOOKS, contrast, readable_on
from syntaxa.app.widgets.banner import Banner
from syntaxa.app.widgets.length_field import LengthField, NumberField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import counted
from syntaxa.drawing.model import Curve
from syntaxa.errors import IntakeError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle

#: Milliseconds.
PATIENCE = 20_000


@pytest.fixture
def lane(qtbot):
    parent = QObject()
    made = Lane(parent)
    made.keep = parent
    return made


def run(lane, work):
    """Starts work and returns the lists that its results and failures go to."""
    done, failed = [], []
    lane.run("Testing", work, done.append, failed.append)
    return done, failed


def test_work_is_done_off_the_interface_thread(qtbot, lane):
    done, failed = run(lane, lambda progress: threading.current_thread() is threading.main_thread())
    qtbot.waitUntil(lambda: not lane.busy, timeout=PATIENCE)
    assert (done, failed) == ([False], [])


def test_newer_work_makes_older_work_stale(qtbot, lane):
    gate = threading.Event()
    old, _ = run(lane, lambda progress: gate.wait(10))
    new, _ = run(lane, lambda progress: "new")
    gate.set()
    qtbot.waitUntil(lambda: new == ["new"], timeout=PATIENCE)
    qtbot.waitUntil(lambda: not lane._running, timeout=PATIENCE)
    assert old == []


def test_a_failure_is_one_sentence(qtbot, lane):
    def fail(progress):
        raise IntakeError("It is broken.", suggestion="Mend it.")

    done, failed = run(lane, fail)
    qtbot.waitUntil(lambda: bool(failed), timeout=PATIENCE)
    assert (done, failed) == ([], ["It is broken. Mend it."])


def test_a_fault_is_logged_and_told_without_its_trace(qtbot, lane, caplog):
    _, failed = run(lane, lambda progress: 1 / 0)
    qtbot.waitUntil(lambda: bool(failed), timeout=PATIENCE)
    assert "A fault in the program" in failed[0]
    assert "ZeroDivisionError" in caplog.text


def test_cancelled_work_says_that_nothing_was_changed(qtbot, lane):
    started = threading.Event()

    def long(progress):
        while True:
            started.set()
            progress(0.5)

    _, failed = run(lane, long)
    started.wait(10)
    lane.cancel()
    qtbot.waitUntil(lambda: bool(failed), timeout=PATIENCE)
    assert failed == ["Stopped before it was done; nothing was changed."]


def test_a_number_field_tells_a_number_once(qtbot):
    field = NumberField("Factor", least=0.0)
    qtbot.addWidget(field)
    told = []
    field.entered.connect(told.append)
    field.show_value(1.0)
    field.show()
    for text in ("2,5", "2.5", "-1", "", "twice"):
        field.selectAll()
        qtbot.keyClicks(field, text) if text else qtbot.keyClick(field, Qt.Key.Key_Delete)
        qtbot.keyClick(field, Qt.Key.Key_Return)
    assert told == [2.5]
    assert field.property("wrong") is True
    field.show_value(3.0)
    assert field.property("wrong") is False


@pytest.mark.parametrize("unit", DISPLAY_UNITS[:-1])
def test_lengths_are_written_in_the_display_unit(unit):
    lengths = LengthFormat(unit)
    assert float(lengths.number(1234.5)) == pytest.approx(1234.5 / lengths.mm_per_unit, abs=1e-3)
    assert lengths.text(0.0) == f"0 {unit}"
    assert lengths.size(None) == "nothing"
    assert lengths.area(lengths.mm_per_unit**2) == f"1.00 {unit}²"


def test_feet_and_inches():
    lengths = LengthFormat("ft-in")
    assert lengths.text(815.975) == "2' 8 1/8\""
    assert lengths.size((0, 0, 304.8, 12.7)) == '1\' 0" × 1/2"'
    assert lengths.area(25.4**2) == "1.00 in²"
    assert lengths.single == "in"


@pytest.mark.parametrize("unit", DISPLAY_UNITS)
def test_a_field_reads_what_it_shows(qtbot, unit):
    """3.937e-06 was shown for a ten-thousandth of a millimetre, and refused."""
    lengths, field, told = LengthFormat(unit), LengthField("gap", 0.0), []
    qtbot.addWidget(field)
    field.entered.connect(told.append)
    field.show_in(lengths.single)
    for mm in (1e-4, 0.05, 1234.5):
        field.show_length(mm)
        assert "e" not in field.text()
        assert field.number() == pytest.approx(mm, rel=1e-8)


def test_sentences_tell_lengths_in_the_unit_that_is_shown():
    inches = LengthFormat("in")
    assert inches.sentence("Everything moved by -25.4, 50.8 mm, as 3 curves.") == (
        "Everything moved by -1, 2 in, as 3 curves."
    )
    # A range was told with one end in mm and the other in inches.
    assert inches.sentence("From 0.0254 to 2.54 mm 44 regions are closed; at 0.2 mm 16 ends are open.") == (
        "From 0.001 to 0.1 in 44 regions are closed; at 0.00787 in 16 ends are open."
    )
    assert LengthFormat("mm").sentence("moved by 25.4 mm") == "moved by 25.4 mm"
    assert inches.sentence("Read 12 curves of plate25.4mm.dxf") == "Read 12 curves of plate25.4mm.dxf"


def test_curves_are_described_by_what_matters():
    lengths = LengthFormat("mm")
    circle = Curve("2F", Circle(Point(0, 0), 5), "HOLES")
    assert lengths.describe(circle) == "Circle  ·  Ø 10.000 mm  ·  HOLES  ·  #2F"
    assert "R 5.000 mm" in lengths.describe(Curve("3", Arc(Point(0, 0), 5, 0, 1), "0"))


def test_broken_settings_fall_back_and_do_not_stop_the_program(tmp_path):
    path = tmp_path / "settings.json"
    path.write_text("{not json")
    settings = Settings(path)
    assert settings.values.look == "paper"
    settings.values.look = "night"
    drawing = tmp_path / "a.dxf"
    drawing.write_text("0")
    settings.add_recent(drawing)
    settings.add_recent(tmp_path / "gone.dxf")
    again = Settings(path)
    assert again.values.look == "night"
    assert again.recent_paths() == [drawing]


def test_settings_that_cannot_be_written_last_for_the_run():
    settings = Settings(__import__("pathlib").Path("/proc/nowhere/settings.json"))
    settings.values.look = "night"
    settings.save()
    assert settings.values.look == "night"


def test_rows_show_text_figures_and_the_choice(qtbot):
    view = RowsView("Things", (Column("Name", lambda r: r[0], figure=False), Column("Size", lambda r: f"{r[1]:.1f}")))
    qtbot.addWidget(view)
    model = view.model_
    model.show_rows([("a", 1.25), ("b", 2.0)])
    assert [model.data(model.index(k, 1)) for k in range(2)] == ["1.2", "2.0"]
    assert model.headerData(0, Qt.Orientation.Horizontal) == "Name"
    assert view.chosen_row() == -1
    view.selectRow(1)
    assert view.chosen_row() == 1
    model.show_rows([])
    assert view.chosen_row() == -1


def test_the_palette_offers_only_what_can_be_had(qtbot):
    window = QWidget()
    qtbot.addWidget(window)
    window.resize(800, 600)
    done = []
    actions = [QAction(name, window) for name in ("Open a drawing", "Fit everything", "Fix all findings")]
    for action in actions:
        action.triggered.connect(lambda _checked, chosen=action: done.append(chosen.text()))
    actions[2].setEnabled(False)
    palette = CommandPalette(window)
    window.show()
    palette.open_with(actions)
    assert palette._list.count() == 2
    qtbot.keyClicks(palette._field, "fi")
    assert palette._list.count() == 1
    qtbot.keyClick(palette._field, Qt.Key.Key_Return)
    assert done == ["Fit everything"]
    palette.open_with(actions)
    qtbot.keyClick(palette._field, Qt.Key.Key_Down)
    assert palette._list.currentRow() == 1
    qtbot.keyClick(palette._field, Qt.Key.Key_Escape)
    assert not palette.isVisible()


def test_a_banner_offers_choices_and_goes_when_one_is_taken(qtbot):
    banner = Banner()
    qtbot.addWidget(banner)
    taken = []
    banner.tell("Something happened.", (("Do it", lambda: taken.append(True)),))
    assert banner.sentence == "Something happened."
    choice = banner._choices.itemAt(0).widget()
    qtbot.mouseClick(choice, Qt.MouseButton.LeftButton)
    assert taken == [True]
    assert not banner.isVisible()


@pytest.mark.parametrize("look", ["paper", "night"])
@pytest.mark.parametrize("colour", [0xFFFFFF, 0x000000, 0xFFFF00, 0x0000FF, 0x808080])
def test_layer_colours_stand_out_from_the_ground(look, colour):
    """Lines at 3 to 1 or better: WCAG 2.2, criterion 1.4.11."""
    ground = LOOKS[look].canvas
    assert contrast(readable_on(colour, ground), ground) >= 3


def test_counts_agree_with_their_things():
    assert (counted(1, "gap"), counted(2, "gap"), counted(0, "gap")) == ("1 gap", "2 gaps", "0 gaps")
