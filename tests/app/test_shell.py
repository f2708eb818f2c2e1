"""The shell: a stage plugs in with a folder and a line, commands do not clash, views come when they are looked at."""

from __future__ import annotations

import re
import sys
import time
import types

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QLabel, QListWidget, QTabWidget, QWidget

from driver import Driver
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.features.guide import keys_page, pages
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.settings import Settings
from syntaxa.app.shell import registry
from syntaxa.app.shell.commands import Command, CommandTable
from syntaxa.app.shell.ledger import bar_share, figures_of, said_of
from syntaxa.app.shell.panel import StagePanel
from syntaxa.app.shell.stage import Stage
from syntaxa.app.shell.window import MainWindow
from syntaxa.demo.drawing import write_demo
from syntaxa.drawing.state import Entry
from syntaxa.drawing.view import View, on_state
from syntaxa.errors import SyntaxaError
from syntaxa.job.evaluate import Row
from syntaxa.job.step_changes import STEP_CHANGES
from syntaxa.measure.steps import ScaleBy
from syntaxa.mend.views import SURVEY, SWEEP, Tuning

# ---------------------------------------------------------------------- a stage of one's own


class Counting(Layer):
    """Says how often it was drawn."""

    height = Height.TAGS
    drawn = 0

    def draw(self, painter, view, tokens):
        Counting.drawn += 1


class WeighPanel(StagePanel):
    """Says how many curves there are."""

    def __init__(self, session):
        super().__init__(session)
        self.says = QLabel()
        self.says.setAccessibleName("Weight")
        self.body.addWidget(self.says)

    def refresh(self):
        state = self.session.state
        self.says.setText("" if state is None else f"{sum(1 for _ in state.curves())} curves")


class WeighStage(Stage):
    """A small stage, as “How to add a stage” says: docs/architecture.md."""

    name, title, icon = "weigh", "Weigh", "fit"
    purpose = "What the parts weigh."

    def __init__(self, shell):
        super().__init__(shell)
        self.layer = Counting()
        self.weighed = 0

    def make_panel(self):
        return WeighPanel(self.shell.session)

    def commands(self):
        return (Command("weigh_all", "Weigh everything", "Weigh/all", self._weigh, "Ctrl+Shift+W", "fit"),)

    def _weigh(self):
        self.weighed += 1

    def layers(self):
        return (self.layer,)

    def open_matters(self):
        return 3 if self.shell.session.evaluation is not None else 0

    def walk(self):
        return (("9-weigh", self._weigh),)


@pytest.fixture
def weighing(qtbot, tmp_path, chosen, monkeypatch):
    """A window to whose registry one line was added."""
    module = types.ModuleType("weigh_stage")
    module.WeighStage = WeighStage
    monkeypatch.setitem(sys.modules, "weigh_stage", module)
    monkeypatch.setattr(registry, "STAGES", (*registry.STAGES, ("weigh_stage", "WeighStage")))
    made = MainWindow(Settings(tmp_path / "s.json"), tmp_path / "recovery", chosen, write_demo_into)
    qtbot.addWidget(made)
    made.resize(1280, 800)
    made.show()
    yield Driver(made)
    made.close()


def write_demo_into(folder):
    return write_demo(folder)


def test_a_panel_that_is_made_in_parts_is_whole_and_like_one_made_at_once(window):
    """Until it is whole, no one is told that it is there; each part is one turn."""

    def held(panel):
        return [[type(w).__name__ for w in tabs.widget(k).findChildren(QWidget)]
                for tabs in panel.findChildren(QTabWidget) for k in range(tabs.count())]  # fmt: skip

    for stage in window.shell.stages:
        turns = 0
        while not stage.has_panel:
            stage.make_next()
            turns += 1
            assert turns < 30
        assert all(held(stage.panel))
        again = type(stage)(window.shell)
        assert held(again.panel) == held(stage.panel)


def test_a_stage_is_found_in_rail_menu_keys_palette_and_canvas(qtbot, weighing):
    stage = weighing.stage("weigh")
    assert weighing.rail.buttons[8].text() == "Weigh"
    bar = weighing.window.menuBar()
    menus = [a.text().replace("&", "") for a in bar.actions()]
    assert menus[-2:] == ["Weigh", "Help"]
    weighing.open_demo()
    qtbot.waitUntil(weighing.settled, timeout=60_000)
    assert weighing.rail.buttons[8].accessibleName() == "Weigh, 3 open"
    drawn = Counting.drawn
    QTest.keyClick(weighing.window, Qt.Key.Key_9)
    qtbot.waitUntil(lambda: weighing.shell.stage is stage)
    assert weighing.window.panels.currentWidget() is stage.panel
    assert stage.panel.says.text().endswith(" curves")
    weighing.canvas.grab()
    assert Counting.drawn > drawn
    QTest.keyClick(
        weighing.window, Qt.Key.Key_W, Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier
    )
    assert stage.weighed == 1
    weighing.open_palette()
    QTest.keyClicks(weighing.palette_._field, "weigh every")
    listed = weighing.palette_.findChild(QListWidget)
    assert [listed.item(k).text() for k in range(listed.count())] == ["Weigh everything   Ctrl+Shift+W"]
    QTest.keyClick(weighing.palette_._field, Qt.Key.Key_Return)
    assert stage.weighed == 2
    QTest.keyClick(weighing.window, Qt.Key.Key_1)
    assert stage.layer not in weighing.canvas.layers
    assert "Weigh everything" in keys_page(weighing.shell.commands).text


# ---------------------------------------------------------------------- commands


def test_commands_with_one_id_or_the_same_keys_are_refused():
    table = CommandTable()
    table.add([Command("a", "A", "Edit/undo", list, "Ctrl+1")])
    with pytest.raises(ValueError, match="two commands a"):
        table.add([Command("a", "Other", "Edit/undo", list)])
    with pytest.raises(ValueError, match=r"b and a both want Ctrl\+1"):
        table.add([Command("b", "B", "Edit/undo", list, "Ctrl+1")])
    table.add([Command("c", "C", "Edit/undo", list), Command("d", "D", "Edit/undo", list)])
    assert [c.id for c in table] == ["a", "c", "d"]


# ---------------------------------------------------------------------- views


def test_only_what_somebody_looks_at_is_computed(demo, settled):
    session = demo.session
    proposed = surveyed(session).proposal.gap
    assert session.peek(SURVEY, Tuning()) is not None
    assert session.peek(SWEEP, proposed) is None
    assert session.view(SWEEP, proposed) is None
    settled()
    assert session.peek(SWEEP, proposed) is not None
    session.do(ScaleBy(2.0))
    settled()
    assert session.peek(SWEEP, proposed) is None
    # What was known of the job as it was before is known again.
    session.undo()
    settled()
    assert session.peek(SWEEP, proposed) is not None


def test_a_view_that_fails_is_told_once_and_begun_again_only_when_asked(qtbot, demo, settled):
    tries = []

    def make(standing, *, progress):
        tries.append(1)
        raise SyntaxaError("The scales are broken.")

    broken = View("Weighing", on_state, make)
    for _ in range(5):
        assert demo.session.view(broken) is None
        settled()
    assert tries == [1]
    assert demo.banner.sentence == "The scales are broken."
    assert demo.session.computing.was_given_up(broken)
    assert demo.menus.actions["look_again"].isEnabled()
    demo.look_again()
    demo.session.view(broken)
    settled()
    assert tries == [1, 1]


def test_views_that_wait_are_dropped_when_the_job_changes(qtbot, demo, settled):
    made = []

    def slow(standing, *, progress):
        for k in range(400):
            time.sleep(0.005)
            progress(k / 400)
        made.append(1)
        return 1

    def never(standing, *, progress):
        made.append(2)
        return 2

    demo.session.view(View("Slow", on_state, slow))
    demo.session.view(View("Never", on_state, never))
    demo.session.do(ScaleBy(2.0))
    settled()
    assert made == []


def test_a_picture_that_is_behind_says_so_until_it_is_right(qtbot, demo, settled, monkeypatch):
    real = demo.session.computing.evaluate

    def slow(job, progress):
        time.sleep(0.6)
        return real(job, progress)

    monkeypatch.setattr(demo.session.computing, "evaluate", slow)
    demo.session.do(ScaleBy(2.0))
    assert demo.session.stale
    qtbot.waitUntil(lambda: demo.shell._stale._says != "", timeout=5_000)
    assert "before the last change" in demo.shell._stale._says
    with_sentence = demo.canvas.grab().toImage()
    settled()
    assert demo.shell._stale._says == ""
    assert demo.canvas.grab().toImage() != with_sentence


# ---------------------------------------------------------------------- the ledger


def test_the_ledger_opens_over_the_panel_with_one_key_and_shows_six_rows(qtbot, demo, settled):
    for k in range(8):
        demo.session.do(ScaleBy(1.0 + k / 10))
        demo.fix_all()
        settled()
    QTest.keyClick(demo.window, Qt.Key.Key_L, Qt.KeyboardModifier.ControlModifier)
    view = demo.window.ledger
    assert demo.side.currentWidget() is view
    assert view.list.viewport().height() // view.list.sizeHintForRow(0) >= 6
    demo.window.resize(960, 680)
    QTest.qWait(20)
    assert view.list.viewport().height() // view.list.sizeHintForRow(0) >= 6
    QTest.keyClick(demo.window, Qt.Key.Key_L, Qt.KeyboardModifier.ControlModifier)
    assert demo.side.currentWidget() is demo.panels
    assert demo.canvas.hasFocus()


def test_a_row_says_what_it_did_and_shows_it_on_the_drawing(qtbot, demo, settled):
    demo.fix_all()
    settled()
    demo.toggle_ledger()
    view = demo.window.ledger
    view.list.setCurrentRow(0)
    settled()
    item = view.list.item(0)
    assert re.match(r"\d\d changed · lengthened 0\.163 mm · dropped 0\.64 mm", item.data(257))
    found = demo.session.peek(STEP_CHANGES, 1)
    assert found.count > 50
    assert view._marks.marks.removed == found.removed
    assert "Marked on the drawing" in view._says.text()
    demo.toggle_ledger()
    assert view._marks not in demo.canvas.layers


def test_a_row_that_places_everything_marks_nothing(qtbot, demo, settled):
    demo.session.do(ScaleBy(2.0))
    settled()
    demo.toggle_ledger()
    view = demo.window.ledger
    view.list.setCurrentRow(0)
    settled()
    assert view._marks.marks is None
    assert "about everything" in view._says.text()


@pytest.mark.parametrize(("far", "share"), [(0.0, 0.0), (1e-9, 0.02), (0.1, 0.5), (10.0, 1.0), (500.0, 1.0)])
def test_the_bar_grows_with_the_logarithm(far, share):
    assert bar_share(far) == pytest.approx(share)


def test_what_a_row_says_is_whole(demo):
    entry = Entry(3, 0.2, 0.1, 4.5, "Fixed.", ("a", "b", "c", "d"), 0.7)
    row = Row(1, "Mend", True, entry, 0.5)
    assert figures_of(row, demo.lengths) == "3 changed · moved 0.2 mm · lengthened 0.7 mm · dropped 4.5 mm"
    assert said_of(row) == "Fixed. 4.5 mm of curve dropped. Not found any more: a, b, c …. Took 0.50 s."
    assert figures_of(Row(1, "x", False, entry, 0.0), demo.lengths) == "off"
    assert said_of(Row(1, "x", True, entry, 0.0, "It is locked.")) == "Skipped: It is locked."


def test_who_goes_on_while_a_panel_is_made_arrives_where_he_went_last(qtbot, window):
    mend, route = window.stage("mend"), window.stage("route")
    assert not mend.has_panel
    window.shell.go_to(mend)
    assert window.at == 0
    window.shell.go_to(route)
    qtbot.waitUntil(lambda: window.shell.stage is route)
    qtbot.wait(50)
    assert window.shell.stage is route
    # What was made of the other one is not lost.
    window.shell.go_to(mend)
    qtbot.waitUntil(lambda: window.shell.stage is mend)


def test_what_a_panel_showed_when_it_was_left_is_not_seen_again(qtbot, window):
    mend, route = window.stage("mend"), window.stage("route")
    for stage in (mend, route):
        window.shell.show_stage(stage)
    window.shell.go_to(mend)
    assert window.shell.stage is mend
    assert not mend.panel.updatesEnabled()
    window.shell.go_to(route)
    assert mend.panel.updatesEnabled()
    qtbot.waitUntil(route.panel.updatesEnabled)
    assert not window.shell.is_coming
    assert window.focusWidget() is window.shell.canvas


# ---------------------------------------------------------------------- help


def test_every_stage_has_a_page_and_words_are_found_in_it(qtbot, demo):
    names = {p.name for p in pages()}
    assert {s.name for s in demo.shell.stages} <= names
    demo.show_mend()
    QTest.keyClick(demo.window, Qt.Key.Key_F1)
    help_window = demo.feature("Help").window
    assert help_window.isVisible()
    assert help_window.list.currentItem().text() == "Mend"
    assert "largest gap" in help_window.page.toPlainText()
    QTest.keyClicks(help_window.search, "registration mark")
    assert help_window.list.count() == 0
    assert "Nothing in the help" in help_window.page.toPlainText()
    help_window.search.setText("mark on a layer")
    assert help_window.list.item(0).text().startswith("Measure\n")
    help_window.search.setText("")
    assert help_window.list.count() == len(pages()) + 1


def test_keys_that_the_help_names_are_those_of_the_commands(demo):
    keys = {c.keys for c in demo.shell.commands if c.keys} | {"Return", "Alt"}
    for page in pages():
        named = [part for k, part in enumerate(page.text.split("`")) if k % 2]
        for word in named:
            if word.startswith(("Ctrl", "Shift", "Alt", "F1")) or (len(word) == 1 and word.isalpha()):
                assert word in keys, (page.name, word)


def test_a_change_of_look_reaches_what_is_out_of_sight(demo, qtbot, settled):
    """Panels that nobody sees change a few widgets at a time; whoever goes to one in the midst of it sees it whole."""
    # What is seen for the first time may widen the side.
    _panels(demo, settled)
    before = _panels(demo, settled)
    _switch_look(demo, qtbot)
    night = _panels(demo, settled)
    assert all(night[name] != before[name] for name in before)
    demo.show_stage("route")
    demo.switch_look()
    QApplication.processEvents()
    demo.show_stage("deliver")
    assert _panels(demo, settled) == before
    demo.switch_look()
    demo.switch_look()
    assert demo.tokens.name == "paper"
    assert _panels(demo, settled) == before


def _switch_look(demo, qtbot):
    demo.switch_look()
    with qtbot.waitSignal(demo.shell.dress.changed):
        pass
    demo.shell.dress.finish()


def _panels(demo, settled):
    """A picture of each stage's panel, by its name."""
    pictures = {}
    for stage in demo.shell.stages:
        demo.show_stage(stage.name)
        settled()
        demo.canvas.setFocus()
        pictures[stage.name] = stage.panel.grab().toImage()
    return pictures


def test_a_message_stands_beside_what_is_selected(demo, settled):
    status = demo.shell.status
    demo.shell.commands["select_all"].run()
    settled()
    demo.resize(1280, 800)
    demo.shell.tell("A gap.")
    settled()
    assert status._selection.isVisible()
    assert status._cursor.isVisible()
    # Where there is no room for all of it, the message is what must be read, and then what is selected.
    demo.shell.tell("A gap is too wide to be closed there.")
    demo.resize(900, 680)
    settled()
    assert not status._cursor.isVisible()
    assert status._selection.isVisible()
    demo.shell.tell("")
    assert status._cursor.isVisible()
    assert status.message == ""
