"""The window: rail, canvas, stage panel, ledger and status; every command is a method of it."""

from __future__ import annotations

import time
from collections.abc import Callable, Sequence
from dataclasses import replace
from pathlib import Path

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice, QSize, Qt
from PyQt6.QtGui import QCloseEvent, QDragEnterEvent, QDropEvent, QKeySequence
from PyQt6.QtWidgets import (
    QApplication,
    QHBoxLayout,
    QLineEdit,
    QMessageBox,
    QSplitter,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from syntaxa import __version__
from syntaxa.app.canvas.canvas import Canvas
from syntaxa.app.canvas.content import CanvasContent
from syntaxa.app.choosers import Choosers
from syntaxa.app.commands import COMMANDS, Actions
from syntaxa.app.deliver_window import DeliverWindow
from syntaxa.app.draw.strip import DrawStrip
from syntaxa.app.habits import Habits
from syntaxa.app.intake.look import Viewing
from syntaxa.app.intake.shelf import Shelf
from syntaxa.app.ledger_view import LedgerView
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.measure.strip import MeasureStrip
from syntaxa.app.rail import Rail
from syntaxa.app.recovery import orphans
from syntaxa.app.session import Session
from syntaxa.app.settings import Settings
from syntaxa.app.stages.base import StagePanel
from syntaxa.app.stages.deliver import DeliverPanel
from syntaxa.app.stages.intake import IntakePanel
from syntaxa.app.stages.measure import MeasurePanel
from syntaxa.app.stages.mend import MendPanel
from syntaxa.app.stages.route import RoutePanel
from syntaxa.app.status import StatusLine
from syntaxa.app.tasks import Lane
from syntaxa.app.theme.style import dress
from syntaxa.app.theme.tokens import LOOKS, Tokens
from syntaxa.app.welcome import Welcome
from syntaxa.app.widgets.banner import Banner
from syntaxa.app.widgets.command_palette import CommandPalette
from syntaxa.drawing.state import State
from syntaxa.errors import Progress, SyntaxaError, reason_of
from syntaxa.geometry.points import Vector
from syntaxa.intake.steps import TakeIn
from syntaxa.job.passwords import PASSWORDS
from syntaxa.job.presets import KeptChoices
from syntaxa.job.store import ENDING

DemoMaker = Callable[[Path], Path]


class MainWindow(DeliverWindow):
    """Puts the parts together; holds no job itself."""

    def __init__(self, settings: Settings, recovery: Path, choosers: Choosers, make_demo: DemoMaker) -> None:
        super().__init__()
        self.settings, self._choosers, self._make_demo = settings, choosers, make_demo
        self._recovery = recovery
        self.session = Session(recovery, self)
        self.look = Viewing(self.session, KeptChoices(settings.choices_path))
        self.deliveries = Lane(self)
        self.batch_work = Lane(self)
        self.tokens: Tokens = LOOKS[settings.values.look]
        self.lengths = LengthFormat(settings.values.display_unit)
        self.setAcceptDrops(True)
        room = screen.availableGeometry().size() if (screen := self.screen()) is not None else QSize(1280, 800)
        self.setMinimumSize(QSize(960, 680).boundedTo(room))
        self.resize(QSize(1280, 800).boundedTo(room))
        self._dress_application()
        self._make_parts()
        self._lay_out()
        self._make_menus()
        self._connect()
        if settings.values.geometry:
            self.restoreGeometry(QByteArray(settings.values.geometry))
        self._dress()
        self.actions_.by_method["toggle_notes"].setChecked(True)
        self.actions_.by_method["toggle_ledger"].setChecked(settings.values.ledger)
        self.show_stage(0)
        self._refresh()

    # ------------------------------------------------------------------ making

    def _make_parts(self) -> None:
        self.canvas = Canvas()
        self.shelf = Shelf(self.look, self.settings.pictures_folder)
        self.intake = IntakePanel(self.session, self.look)
        self.measure = MeasurePanel(self.session)
        self.route = RoutePanel(self.session, self.settings)
        self.mend = MendPanel(self.session)
        self.deliver = DeliverPanel(self.session)
        self.panels: tuple[StagePanel, ...] = (self.intake, self.measure, self.route, self.mend, self.deliver)
        self.rail = Rail(self.panels)
        self.stack = QStackedWidget()
        self.stack.setObjectName("panel")
        for panel in self.panels:
            self.stack.addWidget(panel)
        self.ledger = LedgerView(self.session)
        self.banner = Banner()
        self.strip = MeasureStrip()
        self.draw_strip = DrawStrip()
        self.welcome = Welcome(self.canvas)
        self.status = StatusLine()
        self.palette_ = CommandPalette(self)

    def _lay_out(self) -> None:
        side = QSplitter(Qt.Orientation.Vertical)
        side.setChildrenCollapsible(False)
        side.addWidget(self.stack)
        side.addWidget(self.ledger)
        side.setStretchFactor(0, 4)
        side.setStretchFactor(1, 1)
        side.setSizes([590, 150])
        middle = QWidget()
        column = QVBoxLayout(middle)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.banner)
        self.middle = QStackedWidget()
        self.middle.addWidget(self.canvas)
        self.middle.addWidget(self.shelf)
        column.addWidget(self.middle, 1)
        column.addWidget(self.draw_strip)
        column.addWidget(self.strip)
        across = QSplitter(Qt.Orientation.Horizontal)
        across.setChildrenCollapsible(False)
        across.addWidget(middle)
        across.addWidget(side)
        across.setStretchFactor(0, 1)
        across.setSizes([780, 410])
        side.setMinimumWidth(340)
        root = QWidget()
        root.setObjectName("root")
        row = QHBoxLayout(root)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(0)
        row.addWidget(self.rail)
        row.addWidget(across, 1)
        self.setCentralWidget(root)
        self.setStatusBar(self.status)

    def _make_menus(self) -> None:
        self.actions_ = Actions(self)
        bar = self.menuBar()
        assert bar is not None, "a main window has a menu bar"
        for name in dict.fromkeys(c.menu for c in COMMANDS):
            menu = bar.addMenu(self.actions_.menu_titles[name])
            assert menu is not None, "a menu bar gives the menu that it was asked for"
            for command in (c for c in COMMANDS if c.menu == name):
                if command.separated:
                    menu.addSeparator()
                menu.addAction(self.actions_.by_method[command.method])

    def _connect(self) -> None:
        session = self.session
        session.opened.connect(self._opened)
        session.evaluated.connect(self._evaluated)
        session.surveyed.connect(self._surveyed)
        session.changing.connect(lambda: self.banner.settle("complaint"))
        session.history_changed.connect(self._history_changed)
        session.failed.connect(self.complain)
        session.told.connect(self.status.tell)
        session.revised.connect(self._revised)
        session.locked.connect(self._ask_password)
        application = QApplication.instance()
        if application is not None:
            self._habits = Habits(self, self)
            application.installEventFilter(self._habits)
        for lane in (
            session.work,
            session.survey_work,
            session.watch_work,
            session.trying.lane,
            self.deliveries,
            self.batch_work,
            self.look.lane,
        ):
            lane.progress.connect(self.status.show_progress)
            lane.changed.connect(self._work_changed)
        self.status.cancel_wanted.connect(self.cancel_work)
        self.rail.chosen.connect(self.show_stage)
        self.canvas.cursor_moved.connect(lambda x, y: self.status.show_cursor(x, y, self.lengths))
        self.canvas.selection_changed.connect(self._selection_changed)
        self.canvas.point_picked.connect(lambda x, y: self._pick_goal(x, y))
        self.intake.open_wanted.connect(self.ask_open)
        self.intake.browse_wanted.connect(self.ask_browse)
        self.intake.path_wanted.connect(self.look_at_recent)
        self._connect_intake()
        self._connect_measure()
        self._connect_draw()
        self._connect_mend()
        self._connect_route()
        self.welcome.open_wanted.connect(self.ask_open)
        self.welcome.browse_wanted.connect(self.ask_browse)
        self.welcome.demo_wanted.connect(self.open_demo)
        self.measure.display_unit_chosen.connect(self.set_display_unit)
        self.deliver.deliver_wanted.connect(self.ask_deliver)

    # ------------------------------------------------------------------ commands: files

    def ask_open(self) -> None:
        """Asks for a job and opens it, or for a drawing and shows it; a preset for every file takes it at once."""
        path = self._choosers.open_file(self, self.settings.values.folder)
        if path is not None and self.look.kept.always:
            self.open_path(path)
        elif path is not None:
            self.look_at_recent(path)

    def open_path(self, path: Path) -> None:
        """Opens a drawing at once, or a job, after asking about unsaved work.

        A drawing is taken in as it was last time, or by the preset that is used for every file.
        """
        if self._may_leave():
            self._opening = path
            self.session.open_path(path, self.look.kept.offered(path.resolve(), "")[0])

    def open_paths(self, paths: Sequence[Path]) -> None:
        """Opens files as they were named: one of them, or several drawings as one job. A job is opened alone."""
        jobs = [p for p in paths if p.suffix.lower() == ENDING]
        if len(paths) == 1 or jobs:
            self.open_path((jobs or list(paths))[0])
            if len(paths) > 1:
                self.complain(f"{jobs[0].name} is a job and was opened alone; add the others to it one by one.")
        elif self._may_leave():
            self._opening = paths[0]
            others = [(p, TakeIn(into=p.stem)) for p in paths[1:]]
            self.session.open_several([(paths[0], self.look.kept.offered(paths[0].resolve(), "")[0]), *others])

    def open_demo(self) -> None:
        """Opens the demo drawing, made anew."""
        self._with_demo(self.open_path)

    def browse_demo(self) -> None:
        """Shows the demo's drawings of all formats on the shelf, made anew."""
        self._with_demo(lambda path: self.browse(path.parent))

    def _with_demo(self, then: Callable[[Path], None]) -> None:
        folder = self._recovery.parent / "demo"

        def make(_progress: Progress) -> Path:
            try:
                folder.mkdir(parents=True, exist_ok=True)
                return self._make_demo(folder)
            except OSError as error:
                raise SyntaxaError(f"The demo cannot be written to {folder}: {reason_of(error)}.") from error

        self.deliveries.run("Making the demo drawings", make, then, self.complain)

    def save(self) -> bool:
        """Saves the job where it came from, or asks."""
        if self.session.path is None:
            return self.save_as()
        return self.session.save(self.session.path, self._preview())

    def save_as(self) -> bool:
        """Asks where to save the job."""
        path = self._choosers.save_job(self, self.settings.values.folder, self.session.name)
        if path is None:
            return False
        if path.suffix.lower() != ENDING:
            path = path.with_name(path.name + ENDING)
        saved = self.session.save(path, self._preview())
        if saved:
            self.settings.add_recent(path)
        return saved

    # ------------------------------------------------------------------ commands: editing

    def undo(self) -> None:
        """Takes the last change back."""
        self.session.undo()

    def redo(self) -> None:
        """Does again what was undone."""
        self.session.redo()

    def select_all(self) -> None:
        """Selects every curve."""
        self.canvas.select_all()

    def clear_selection(self) -> None:
        """Selects nothing."""
        self.canvas.clear_selection()

    def cancel_work(self) -> None:
        """Stops what is being computed."""
        self.session.cancel()
        self.look.lane.cancel()
        self.deliveries.cancel()
        self.batch_work.cancel()

    # ------------------------------------------------------------------ commands: view

    def fit(self) -> None:
        """Shows everything."""
        self.canvas.fit()

    def zoom_in(self) -> None:
        """Zooms in about the middle."""
        self.canvas.zoom(1.25)

    def zoom_out(self) -> None:
        """Zooms out about the middle."""
        self.canvas.zoom(0.8)

    def toggle_notes(self) -> None:
        """Shows or hides texts, dimensions, hatches, points and pictures."""
        self._show_content()

    def toggle_ledger(self, shown: bool | None = None) -> None:
        """Shows or hides the ledger."""
        action = self.actions_.by_method["toggle_ledger"]
        if shown is not None:
            action.setChecked(shown)
        self._show_middle()

    def switch_look(self) -> None:
        """Changes between Paper and Night."""
        self.settings.values.look = "night" if self.tokens.name == "paper" else "paper"
        self.tokens = LOOKS[self.settings.values.look]
        self._dress()

    def set_display_unit(self, unit: str) -> None:
        """Shows lengths in another unit; nothing else changes."""
        self.settings.values.display_unit = unit
        self.lengths = LengthFormat(unit)
        self._dress()

    def show_stage(self, index: int) -> None:
        """Goes to a stage."""
        self.rail.choose(index)
        self.stack.setCurrentIndex(index)
        self.canvas.stop_picking()
        self._show_middle()
        self._show_content()
        # Keys are for the drawing, not for whichever field comes first in the panel.
        (self.shelf.preview if self.middle.currentWidget() is self.shelf else self.canvas).setFocus()

    def show_intake(self) -> None:
        """Goes to Intake."""
        self.show_stage(self.panels.index(self.intake))

    def show_measure(self) -> None:
        """Goes to Measure."""
        self.show_stage(self.panels.index(self.measure))

    def show_route(self) -> None:
        """Goes to Route."""
        self.show_stage(self.panels.index(self.route))

    def show_deliver(self) -> None:
        """Goes to Deliver."""
        self.show_stage(self.panels.index(self.deliver))

    # ------------------------------------------------------------------ keys, as `Habits` asks

    def window_of(self, widget: QWidget) -> bool:
        """Whether a widget lies in this window, and not in a dialog of it."""
        return widget.window() is self

    def tool_waits(self) -> bool:
        """Whether a tool takes typed values now."""
        return self.draw_strip.isVisible()

    def type_into_tool(self, text: str) -> None:
        """What was typed over the drawing goes to the field of the tool."""
        field = self.draw_strip.point if self.draw_strip.point.isVisible() else self.draw_strip.value
        field.setFocus()
        field.insert(text)

    def finish_in_tool(self) -> None:
        """Return over the drawing is Return in the field of the tool."""
        if self.draw_strip.point.isVisible() and not self.draw_strip.value.isVisible():
            self._point_typed(self.draw_strip.point.text())
        else:
            self._value_entered()

    def escape(self) -> bool:
        """Ends the tool; else leaves the field that is typed in as it was; else picking, then what is selected."""
        field = self.focusWidget()
        typed = isinstance(field, QLineEdit) and field.isModified() and not self.draw_strip.isAncestorOf(field)
        if self.draw_strip.isVisible():
            self.end_tool()
            if typed:
                # Left now, the field would tell what was typed in it; that is the next Escape's.
                return True
        elif typed and isinstance(field, QLineEdit):
            while field.isUndoAvailable():
                field.undo()
            field.setModified(False)
        elif self.focusWidget() is not self.canvas and isinstance(self.focusWidget(), QLineEdit):
            self.canvas.setFocus()
        elif self.canvas.picks_something():
            self.canvas.give_up()
        elif self.canvas.selected_curves() and self.middle.currentWidget() is self.canvas:
            self.canvas.clear_selection()
        else:
            return False
        if self.middle.currentWidget() is self.canvas:
            self.canvas.setFocus()
        return True

    def has_command(self, keys: QKeySequence) -> bool:
        """Whether keys belong to a command."""
        return any(keys == action.shortcut() for action in self.actions_.by_method.values())

    # ------------------------------------------------------------------ commands: help

    def open_palette(self) -> None:
        """Finds a command by typing."""
        self.palette_.open_with([self.actions_.by_method[c.method] for c in COMMANDS])

    def tell_about(self) -> None:
        """What the program is."""
        self._choosers.tell(
            self,
            "About Syntaxa",
            f"Syntaxa {__version__}\n\nTurns received drawings into closed, true-size profiles, "
            "with every change accounted for.\n\nFree software under the GNU General Public License, "
            "version 3 or later.",
        )

    # ------------------------------------------------------------------ following the session

    def _opened(self) -> None:
        job = self.session.job
        assert job is not None, "something was opened"
        self.banner.hide()
        if self._opening is not None and self._opening.parent != self._recovery.parent / "demo":
            self.settings.add_recent(self._opening)
        self.deliver.forget_result()
        self._fit_next = True
        self.intake.looking = False
        self.show_stage(0)

    _state_shown: State | None = None
    _pick_goal: Callable[[float, float], None] = staticmethod(lambda _x, _y: None)

    def _evaluated(self) -> None:
        if self.session.revision is None:
            self.banner.settle("changed file")
        shown = self.session.shown
        if shown is None:
            return
        state, before = shown.evaluation.state, self._state_shown
        self._state_shown = state
        if before is not None and before.shift != state.shift and _only_shifted(before, state):
            self.canvas.follow(Vector(state.shift.x - before.shift.x, state.shift.y - before.shift.y))
            moved = False
        else:
            moved = self.canvas.content.beneath is not shown.beneath
        self._show_content(fit=self._fit_next or moved)
        self._fit_next = False
        self._refresh()

    def _surveyed(self) -> None:
        self._refresh()
        # What was chosen may be fixed by now.
        self.canvas.choose_finding(self.mend.chosen)
        self.toggle_beneath()
        self._show_content()

    def _show_content(self, fit: bool = False) -> None:
        """What the canvas shows depends on the stage: regions from Mend on, findings in Mend."""
        shown, surveyed = self.session.shown, self.session.surveyed_state
        self.welcome.setVisible(shown is None)
        if shown is None:
            return
        at = self.stack.currentIndex()
        late = at >= self.panels.index(self.mend)
        regions = surveyed.survey.regions if surveyed and late else ()
        findings = self.session.findings if at == self.panels.index(self.mend) else ()
        showing = self.actions_.by_method["toggle_notes"].isChecked()
        notes = self.session.notes if showing else ()
        if late:
            # From Mend on only pictures count, which are there to be traced.
            notes = tuple(n for n in notes if n.kind == "image")
        changes = self._change_marks() if at == 0 else None
        content = CanvasContent(shown.scene, shown.beneath, regions, findings, notes, changes)
        self.canvas.show_content(replace(content, aside=shown.aside) if self._aside_shown else content, fit)

    def _ask_password(self, says: str, digest: str, again: Callable[[], None]) -> None:
        """A source of a job is locked, and its password is in no key ring."""
        password = self._choosers.ask_password(self, says)
        if password is None:
            self.complain(says)
            return
        PASSWORDS.remember(digest, password)
        again()

    def _history_changed(self) -> None:
        self.deliver.forget_result()
        name = self.session.name
        self.setWindowTitle(f"{name}[*] – Syntaxa" if name else "Syntaxa")
        self.setWindowModified(self.session.unsaved and bool(self.session.job and self.session.job.steps))
        self._enable()

    def _work_changed(self) -> None:
        session = self.session
        own = (session.work, self.look.lane, self.deliveries)
        lane = next((x for x in (*own, session.survey_work, session.watch_work, session.trying.lane) if x.busy), None)
        self.status.show_work(lane.title if lane else "")
        self._enable()

    def _enable(self) -> None:
        history = self.session.history
        met: set[str] = set()
        if self.session.job is not None:
            met.add("job")
        if history is not None:
            self.actions_.tell_more("undo", history.undo_name)
            self.actions_.tell_more("redo", history.redo_name)
            met |= {"undo"} if history.undo_name else set()
            met |= {"redo"} if history.redo_name else set()
            if self.intake.looking:
                met.add("shelf")
        if self.intake.looking and self.look.preview is not None:
            met.add("look")
        if self.canvas.selected_curves():
            met.add("selected")
        if self.strip.isVisible():
            met.add("measured")
        if self.session.findings:
            met.add("findings")
        if self.mend.chosen is not None and self.mend.chosen.remedy:
            met.add("chosen")
        if self.session.busy or self.deliveries.busy:
            met.add("busy")
        self.actions_.enable(met)

    def _refresh(self) -> None:
        self.intake.show_recent(self.settings.recent_paths())
        for panel in self.panels:
            panel.refresh()
        self.ledger.refresh()
        self.rail.refresh()
        self.status.show_unit(self.lengths.unit)
        surveyed = self.session.surveyed_state
        self.status.show_findings(len(self.session.faults) if surveyed else None)
        self._enable()

    def _selection_changed(self) -> None:
        curves = self.canvas.selected_curves()
        self.status.show_selection(curves, self.lengths)
        self.route.picked.show_picked(curves, self.lengths)
        self._enable()

    def _pick(self, label: str, says: str, goal: Callable[[float, float], None]) -> None:
        """The next click on the canvas goes to `goal`."""
        self._pick_goal = goal
        self.status.tell(f"{says} Escape gives up.")
        self.canvas.start_picking(label)

    # ------------------------------------------------------------------ looks and messages

    def _dress(self) -> None:
        self._dress_application()
        self.actions_.dress(self.tokens)
        self.rail.dress(self.tokens)
        self.canvas.set_look(self.tokens)
        self.canvas.set_format(self.lengths)
        self.shelf.dress(self.tokens, self.lengths)
        self._show_choices()
        for panel in self.panels:
            panel.show_with(self.lengths, self.tokens)
        self.ledger.show_in(self.lengths)
        self.strip.show_in(self.lengths)
        self.status.show_unit(self.lengths.unit)
        self._selection_changed()

    def _dress_application(self) -> None:
        """Fonts and colours; also before anything is made, for widgets keep the font that they are born with."""
        application = QApplication.instance()
        if isinstance(application, QApplication):
            dress(application, self.tokens)

    def complain(self, sentence: str) -> None:
        """Tells what went wrong, over the drawing, until it is dismissed."""
        self.banner.tell(sentence)

    def offer_recovery(self) -> None:
        """Tells of work that was not saved before the program last ended."""
        left = orphans(self._recovery)
        if not left:
            return
        newest = left[0]
        when = time.strftime("%d %B, %H:%M", time.localtime(newest.copy.stat().st_mtime))
        more = f" {len(left) - 1} more wait behind it." if len(left) > 1 else ""

        def drop() -> None:
            newest.drop()
            self.offer_recovery()

        def take() -> None:
            if self._may_leave():
                self._opening = None
                self.session.open_recovered(newest)

        self.banner.tell(
            f"“{newest.about.name}” was not saved when the program ended. There is a copy from {when}.{more}",
            (("Open the copy", take), ("Discard it", drop)),
        )

    def _preview(self) -> bytes:
        """A small picture of the canvas for the job file."""
        data = QByteArray()
        buffer = QBuffer(data)
        buffer.open(QIODevice.OpenModeFlag.WriteOnly)
        picture = self.canvas.grab().scaledToWidth(480, Qt.TransformationMode.SmoothTransformation)
        picture.save(buffer, "PNG")
        return bytes(data.data())

    # ------------------------------------------------------------------ events

    def _may_leave(self) -> bool:
        """True if nothing unsaved would be lost, or the user says so."""
        if not self.session.unsaved or not (self.session.job and self.session.job.steps):
            return True
        answer = self._choosers.ask_unsaved(self, self.session.name)
        if answer == QMessageBox.StandardButton.Save:
            return self.save()
        return answer == QMessageBox.StandardButton.Discard

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        if event is not None and (data := event.mimeData()) is not None and data.hasUrls():
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent | None) -> None:
        data = event.mimeData() if event is not None else None
        paths = [Path(url.toLocalFile()) for url in data.urls() if url.isLocalFile()] if data is not None else []
        folders = [p for p in paths if p.is_dir()]
        if folders:
            self.browse(folders[0])
        elif len(paths) == 1 and paths[0].suffix.lower() == ENDING:
            self.open_path(paths[0])
        elif paths:
            self.look_at([p for p in paths if p.suffix.lower() != ENDING])

    def closeEvent(self, event: QCloseEvent | None) -> None:
        if event is None:
            return
        if not self._may_leave():
            event.ignore()
            return
        self.settings.values.geometry = bytes(self.saveGeometry().data())
        self.settings.values.ledger = self.actions_.by_method["toggle_ledger"].isChecked()
        self.settings.save()
        self.session.close()
        self.stop_all()
        application = QApplication.instance()
        if application is not None:
            application.removeEventFilter(self._habits)
        event.accept()

    def stop_all(self) -> None:
        """Stops all background work, for the end of the program."""
        self.session.stop_all()
        self.look.stop()
        self.shelf.thumbnails.stop()
        self.deliveries.stop_all()
        self.batch_work.stop_all()


def _only_shifted(before: State, after: State) -> bool:
    """Whether two states hold the same drawings in the same size and turn, wherever their origin is."""
    one, other = ([(t.drawing.curves, t.unit, t.page_scale) for t in s.taken] for s in (before, after))
    same = len(one) == len(other) and all(a[0] is b[0] and a[1:] == b[1:] for a, b in zip(one, other, strict=True))
    return same and before.by == after.by
