"""The window: it lays out rail, canvas, panel, ledger and status, and hands on what it is told."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial
from pathlib import Path

from PyQt6.QtCore import QByteArray, QSize, Qt, QTimer
from PyQt6.QtGui import QCloseEvent, QDragEnterEvent, QDropEvent, QShowEvent
from PyQt6.QtWidgets import (
    QHBoxLayout,
    QMainWindow,
    QSizePolicy,
    QSplitter,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.settings import Settings
from syntaxa.app.shell import registry
from syntaxa.app.shell.choosers import Choosers
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.keys import Habits
from syntaxa.app.shell.ledger import LedgerBar, LedgerView
from syntaxa.app.shell.menus import Menus
from syntaxa.app.shell.palette import CommandPalette
from syntaxa.app.shell.rail import Rail
from syntaxa.app.shell.shell import DemoMaker, Shell
from syntaxa.app.shell.stage import Feature, Stage
from syntaxa.app.shell.typing import Typing
from syntaxa.app.shell.welcome import Welcome
from syntaxa.app.words import tr
from syntaxa.memory import settled

#: Pixels of the side column at first and at the least, and of the least window.
_SIDE, _LEAST_SIDE, _LEAST = 410, 340, QSize(960, 680)

#: Milliseconds without work after which things are made ready while nobody waits, and between two of these.
_IDLE, _NEXT = 200, 20

#: Widgets that are dressed in one of these goes.
_AT_ONCE = 60

_POLISHED = Qt.WidgetAttribute.WA_WState_Polished


class MainWindow(QMainWindow):
    """Puts the parts together; holds no job, and knows no stage."""

    def __init__(self, settings: Settings, recovery: Path, choosers: Choosers, make_demo: DemoMaker) -> None:
        super().__init__()
        self.setAcceptDrops(True)
        room = screen.availableGeometry().size() if (screen := self.screen()) is not None else QSize(1280, 800)
        self.setMinimumSize(_LEAST.boundedTo(room))
        self.resize(QSize(1280, 800).boundedTo(room))
        self.shell = Shell(self, settings, recovery, choosers, make_demo)
        self.shell.put_up(registry.stages(self.shell), registry.features(self.shell))
        self.shell.commands.add(self._own_commands())
        self._make_parts()
        self._lay_out()
        self.menus = Menus(self, self.shell.commands)
        self._connect()
        if settings.values.geometry:
            self.restoreGeometry(QByteArray(settings.values.geometry))
        self._dress()
        self._idle = QTimer(self)
        self._idle.setSingleShot(True)
        self._idle.timeout.connect(self._prepare)
        self._idle.start(_IDLE)
        self.shell.show_stage(self.shell.stages[0])
        self.show_ledger(settings.values.ledger_open)

    def _own_commands(self) -> Sequence[Command]:
        go = self.shell.go_to
        stages = [
            Command(f"show_{s.name}", tr("Go to {0}", s.title), "Stage/go", partial(go, s), str(k + 1), s.icon)
            for k, s in enumerate(self.shell.stages)
        ]
        return (
            *stages,
            Command("toggle_ledger", tr("Ledger over the panel"), "View/show", self.toggle_ledger, "Ctrl+L"),
            Command("open_palette", tr("Find a command…"), "Help/find", self.open_palette, "Ctrl+K", "palette"),
        )

    # ------------------------------------------------------------------ making

    def _make_parts(self) -> None:
        self.rail = Rail(self.shell.stages)
        self.panels = self.shell.home
        self.panels.setObjectName("panel")
        self.ledger = LedgerView(self.shell)
        self.ledger_bar = LedgerBar(self.shell)
        self.welcome = Welcome(self.shell.canvas)
        self.palette_ = CommandPalette(self)

    def _lay_out(self) -> None:
        middle = QWidget()
        column = QVBoxLayout(middle)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.shell.banner)
        self.middle = QStackedWidget()
        self.middle.addWidget(self.shell.canvas)
        column.addWidget(self.middle, 1)
        for feature in self.shell.features:
            if feature.strip is not None:
                column.addWidget(feature.strip)
        side = QWidget()
        beside = QVBoxLayout(side)
        beside.setContentsMargins(0, 0, 0, 0)
        beside.setSpacing(0)
        self.side = QStackedWidget()
        self.side.addWidget(self.panels)
        self.side.addWidget(self.ledger)
        beside.addWidget(self.side, 1)
        beside.addWidget(self.ledger_bar)
        # Less than a panel may want: then a window on a small screen would be larger than that.
        side.setMinimumWidth(_LEAST_SIDE)
        across = self._across = QSplitter(Qt.Orientation.Horizontal)
        across.setChildrenCollapsible(False)
        across.addWidget(middle)
        across.addWidget(side)
        across.setStretchFactor(0, 1)
        across.setSizes([1190 - _SIDE, _SIDE])
        root = QWidget()
        root.setObjectName("root")
        row = QHBoxLayout(root)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(0)
        row.addWidget(self.rail)
        row.addWidget(across, 1)
        self.setCentralWidget(root)
        self.setStatusBar(self.shell.status)

    def _connect(self) -> None:
        shell = self.shell
        shell.stage_changed.connect(self._show_panel)
        shell.front_changed.connect(self._show_front)
        # Whoever goes to a stage wants its panel.
        shell.arrived.connect(lambda: self.show_ledger(False))
        shell.refreshed.connect(self._refresh)
        shell.dress.changed.connect(self._dress)
        shell.status.cancel_wanted.connect(shell.cancel_work)
        shell.canvas.cursor_moved.connect(lambda x, y: shell.status.show_cursor(x, y, shell.dress.lengths))
        self.rail.chosen.connect(lambda index: shell.go_to(shell.stages[index]))
        self.ledger_bar.open_wanted.connect(self.toggle_ledger)
        self.ledger.closed.connect(self.toggle_ledger)
        for signal, command in (
            (self.welcome.open_wanted, "ask_open"),
            (self.welcome.browse_wanted, "ask_browse"),
            (self.welcome.demo_wanted, "open_demo"),
        ):
            signal.connect(shell.commands[command].run)
        self._habits = Habits(Typing(self, shell, self.menus), self)

    # ------------------------------------------------------------------ showing

    def _give_room(self, panel: QWidget) -> None:
        """Makes the side as wide as a panel needs, for other languages have longer words, where the window has room."""
        if panel is not self.panels.currentWidget():
            return
        middle, side = self._across.sizes()
        wanted = panel.minimumSizeHint().width()
        if side < wanted <= middle + side - _LEAST_SIDE:
            self._across.setSizes([middle + side - wanted, wanted])

    def showEvent(self, event: QShowEvent | None) -> None:
        super().showEvent(event)
        self._habits.watch(self.windowHandle())
        panel = self.panels.currentWidget()
        if panel is not None:
            self._give_room(panel)

    def _show_panel(self) -> None:
        panel = self.shell.stage.panel
        if self.panels.indexOf(panel) < 0:
            self.panels.addWidget(panel)
        self.panels.setCurrentWidget(panel)
        self._give_room(panel)
        # What is shown for the first time knows its size when it has been dressed.
        QTimer.singleShot(0, lambda: self._give_room(panel))
        self.rail.choose(self.shell.stages.index(self.shell.stage))
        if self._idle.isActive():
            # Somebody works: what is made beforehand waits until nobody does.
            self._idle.start(_IDLE)

    def _prepare(self) -> None:
        """Makes the panels that nobody has wanted yet, one at a time, so that going there takes no time."""
        if self.shell.is_coming or self.shell.session.busy or any(lane.busy for lane in self.shell.lanes):
            self._idle.start(_IDLE)
            return
        waiting = next((s for s in self.shell.stages if not s.has_panel), None)
        if waiting is not None:
            waiting.make_next()
            if waiting.has_panel:
                self.panels.addWidget(waiting.panel)
            self._idle.start(_NEXT)
            return
        for stage in self.shell.stages:
            rough = [w for w in stage.panel.findChildren(QWidget) if not w.testAttribute(_POLISHED)][:_AT_ONCE]
            for widget in rough:
                widget.ensurePolished()
            if rough:
                self._idle.start(_NEXT)
                return
        settled()
        self.shell.session.computing.warm_up()

    def _show_front(self) -> None:
        front = self.shell.stage.front()
        if front is not None and self.middle.indexOf(front) < 0:
            # It takes what room there is; its own wishes would push the panel out of a small window.
            front.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Ignored)
            self.middle.addWidget(front)
        before, now, focus = self.middle.currentWidget(), front or self.shell.canvas, self.focusWidget()
        self.middle.setCurrentWidget(now)
        if before is not now and focus is not None and before in (focus, focus.parentWidget()):
            # Else the focus would fall into whichever field comes first in the panel.
            now.setFocus()
        # What is looked at in the canvas's place needs the room, and the ledger has no part in it.
        self.ledger_bar.setVisible(front is None or self.shell.stage.keeps_ledger)

    def toggle_ledger(self) -> None:
        """Shows the ledger over the panel, or the panel again."""
        self.show_ledger(self.side.currentWidget() is not self.ledger)

    def show_ledger(self, shown: bool) -> None:
        """Shows the ledger over the panel, or the panel."""
        was_shown = self.side.currentWidget() is self.ledger
        self.side.setCurrentWidget(self.ledger if shown else self.panels)
        self.ledger_bar.show_open(shown)
        self.ledger.entered(shown)
        if was_shown and not shown and self.shell.open_stage is not None:
            # Else the focus would fall into whichever field comes first in the panel.
            (self.shell.stage.front() or self.shell.canvas).setFocus()

    def open_palette(self) -> None:
        """Finds a command by typing."""
        self.palette_.open_with([self.menus.actions[c.id] for c in self.shell.commands])

    def _refresh(self) -> None:
        session = self.shell.session
        name = session.files.name
        self.setWindowTitle(tr("{0}[*] – Syntaxa", name) if name else tr("Syntaxa"))
        self.setWindowModified(session.files.unsaved_work)
        self.welcome.setVisible(session.evaluation is None)
        self.rail.refresh()
        self.ledger_bar.refresh()
        if self.side.currentWidget() is self.ledger:
            self.ledger.refresh()
        told = (s.status() for s in self.shell.stages)
        self.shell.status.show_standing("   ".join(t for t in told if t))
        self.menus.refresh()

    def _dress(self) -> None:
        dress, canvas = self.shell.dress, self.shell.canvas
        self.menus.dress(dress.tokens)
        self.rail.dress(dress.tokens)
        canvas.set_look(dress.tokens)
        canvas.set_format(dress.lengths)
        for stage in self.shell.stages:
            if stage.has_panel and stage is self.shell.open_stage:
                stage.panel.show_with(dress.lengths, dress.tokens)
                # What stands in the canvas's place is the stage's.
                stage.refresh()
        self.shell.status.show_unit(dress.lengths.unit)
        self.shell.status.show_selection(canvas.selection, dress.lengths)
        self._refresh()

    # ------------------------------------------------------------------ events

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        if event is not None and (data := event.mimeData()) is not None and data.hasUrls():
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent | None) -> None:
        data = event.mimeData() if event is not None else None
        paths = [Path(url.toLocalFile()) for url in data.urls() if url.isLocalFile()] if data is not None else []
        parts: list[Stage | Feature] = [*self.shell.stages, *self.shell.features]
        any(part.dropped(paths) for part in parts)

    _may_close = False

    def closeEvent(self, event: QCloseEvent | None) -> None:
        if event is None:
            return
        if not self._may_close:
            self.shell.leaving.before(self._close_now)
        # It may close by now, unless it was given up or is still being saved, which closes again.
        event.setAccepted(self._may_close)

    def _close_now(self) -> None:
        settings = self.shell.settings
        settings.values.geometry = bytes(self.saveGeometry().data())
        settings.values.ledger_open = self.side.currentWidget() is self.ledger
        settings.save()
        self._idle.stop()
        self.shell.session.close()
        self.shell.stop_all()
        self._habits.leave()
        self._may_close = True
        self.close()
