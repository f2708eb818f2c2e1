"""Cut: from closed profiles to a program that is proven before it runs."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from pathlib import Path
from typing import Any, cast

from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.panel import Ready
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.cut.commands import (
    ask_drawing,
    ask_machine,
    ask_program,
    ask_set,
    ask_set_out,
    ask_setup,
    ask_tools,
    ask_tools_out,
    commands,
)
from syntaxa.app.stages.cut.fields import SettingsForm
from syntaxa.app.stages.cut.handles import HandlesLayer, Held, held_on
from syntaxa.app.stages.cut.layers import BenchLayer, FoundLayer, PathsLayer, StockLayer
from syntaxa.app.stages.cut.operations_page import OperationsPage
from syntaxa.app.stages.cut.order_page import OrderPage
from syntaxa.app.stages.cut.panel import CutPanel
from syntaxa.app.stages.cut.picking import Picking
from syntaxa.app.stages.cut.picks import PickForm
from syntaxa.app.stages.cut.run_page import RunPage
from syntaxa.app.stages.cut.setup_page import SetupPage
from syntaxa.app.stages.cut.showing import Showing
from syntaxa.app.words import tr
from syntaxa.cut.library import machines, shipped_tools
from syntaxa.cut.model import Operation, Pick, Settings
from syntaxa.cut.part import Planned
from syntaxa.cut.steps import HoldTools, SetOperation

#: mm round a finding that are seen when it is gone to.
_ROOM = 15.0


class CutStage(Stage):
    """Shows paths and the stock on the drawing, and plays the program there."""

    name, title, icon = "cut", tr("Cut"), "cut"
    purpose = tr("Outlines, pockets and holes become a program, which is played and judged before it runs.")

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self._stock, self._bench = StockLayer(), BenchLayer()
        self._paths = PathsLayer(self.choose_contour)
        self._found = FoundLayer(self._choose_found)
        self._handles = HandlesLayer(self._start_at, self._tabs_at)
        self.showing = Showing(shell, lambda: self.own_panel if self.has_panel else None, self._bench, self._paths)
        self._fitted: str | None = None
        shell.session.opened.connect(self._opened)

    def pages(self) -> Sequence[tuple[Any, ...]]:
        return (SetupPage,), (PickForm,), (SettingsForm,), (OperationsPage, Ready), (OrderPage,), (RunPage,)

    def make_panel(self) -> CutPanel:
        made = CutPanel(self.shell.session, self.ready)
        # A slot does not keep its owner.
        self._picking = picking = Picking(self.shell, made, self._paths, self._handles, self._operations_on)
        made.machines, made.tools = machines(self.own_folder / "machines"), shipped_tools()
        made.setup.zero_wanted.connect(picking.pick_zero)
        made.setup.clamp_wanted.connect(picking.draw_clamp)
        made.setup.machine_wanted.connect(lambda: ask_machine(self))
        made.setup.tools_wanted.connect(lambda: ask_tools(self))
        made.setup.tools_out_wanted.connect(lambda: ask_tools_out(self))
        made.operations.picked_wanted.connect(picking.take_selected)
        made.operations.chosen.connect(self._show_chosen)
        made.operations.set_wanted.connect(lambda: ask_set(self))
        made.operations.keep_wanted.connect(lambda: ask_set_out(self))
        made.order.about.connect(self.choose_contour)
        made.place.start_wanted.connect(picking.pick_start)
        made.place.tab_wanted.connect(picking.pick_tab)
        made.run.stood.connect(lambda _standing: self.showing.show_run())
        made.run.found_chosen.connect(self._see_found)
        made.run.seen_changed.connect(self.showing.show_seen)
        made.page_changed.connect(self.showing.show_seen)
        made.page_changed.connect(self._show_chosen)
        made.operations.give_by_picks_wanted.connect(picking.give_by_picks)
        made.operations.give_by_box_wanted.connect(picking.give_by_box)
        made.program_wanted.connect(lambda: ask_program(self))
        made.sheet_wanted.connect(lambda: ask_setup(self))
        made.drawing_wanted.connect(lambda: ask_drawing(self))
        return made

    @property
    def own_panel(self) -> CutPanel:
        """The panel, as what it is."""
        return cast(CutPanel, self.panel)

    @cached_property
    def own_folder(self) -> Path:
        """Where the user's own machines lie, beside the settings."""
        return self.shell.settings.choices_path.parent

    @property
    def job_name(self) -> str:
        """What files of the job are called."""
        job = self.shell.session.job
        return Path(job.source.name).stem if job is not None else "program"

    def commands(self) -> Sequence[Command]:
        return commands(self)

    def layers(self) -> Sequence[Layer]:
        return self._stock, self._bench, self._paths, self._found, self._handles

    def front(self) -> QWidget | None:
        return self.showing.front()

    def leave_front(self) -> None:
        self.showing.leave_front()

    def left(self) -> None:
        if self.has_panel:
            self.own_panel.run.pause()

    def _opened(self) -> None:
        self._fitted = None
        self.showing.forget()
        self._stock.show(None, ())
        self._paths.show(None)
        self._found.show((), (0.0, 0.0))
        if self.has_panel:
            self.own_panel.begin_again()

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        state, panel = self.shell.session.state, self.own_panel
        if state is None:
            return
        plan, done = state.part(Planned), panel.proven
        self._stock.show(done.work if done is not None else None, plan.stock.keep_out)
        self._paths.show(done)
        self._found.show(panel.run.findings if done is not None else (), done.work.stock.zero if done else (0.0, 0.0))
        if done is not None and panel.is_current and self._fitted != plan.sheet:
            # The stock is larger than the drawing, and a sheet lies elsewhere: once it is there, all of it is shown.
            self._fitted = plan.sheet
            self.shell.canvas.fit_box(done.work.stock.box)
        self._show_chosen()
        self.showing.show_run()

    def _show_chosen(self) -> None:
        """The contour and the operations that are chosen."""
        panel, state = self.own_panel, self.shell.session.state
        if state is None:
            return
        number = self._paths.chosen
        contours = panel.proven.work.contours.contours if panel.proven is not None else ()
        contour = contours[number] if 0 <= number < len(contours) else None
        operation = self._operation_of(number)
        places = panel.proven.work.places if panel.proven is not None else ()
        panel.place.show_contour(state.part(Planned), operation, contour, places)
        self._show_handles(operation, number if contour is not None else -1)
        self._paths.choose(number if contour is not None else -1, panel.operations.names)

    def _show_handles(self, operation: str, number: int) -> None:
        """What can be dragged on a contour, while its paths are what is looked at."""
        done = self.own_panel.proven
        seen = done is not None and number >= 0 and operation and not self.own_panel.runs
        self._handles.show(held_on(done.work, operation, number) if seen and done is not None else Held())

    def _operation_of(self, number: int) -> str:
        """The operation of a contour: one that is chosen before others."""
        names, chosen = self._operations_on(number), self.own_panel.operations.names
        return next((n for n in names if n in chosen), names[0] if names else "")

    def _operations_on(self, number: int) -> list[str]:
        done = self.own_panel.proven
        return [c.doing.operation.name for c in done.work.cuttings if c.run.number == number] if done else []

    def choose_contour(self, number: int) -> None:
        """A contour was clicked, or its cut was chosen in the list."""
        operations = self.own_panel.operations
        operations.offer(next((n for n in self._operations_on(number) if n not in operations.names), ""))
        self._paths.choose(number, self.own_panel.operations.names)
        self._show_chosen()

    def _start_at(self, place: tuple[float, float]) -> None:
        self.own_panel.place.set_start(*place)

    def _tabs_at(self, places: tuple[tuple[float, float], ...]) -> None:
        self.own_panel.place.set_tabs(places)

    def open_matters(self) -> int:
        return self.own_panel.proven.verdict.wrong_count if self.has_panel and self.own_panel.proven is not None else 0

    # ------------------------------------------------------------------ playing

    def play(self) -> None:
        """Plays the program, or stands still."""
        panel = self.own_panel
        panel.tabs.setCurrentIndex(panel.tabs.count() - 1)
        panel.run.toggle()

    def next_found(self) -> None:
        """The next thing that the bench machine found."""
        panel = self.own_panel
        panel.tabs.setCurrentIndex(panel.tabs.count() - 1)
        count = len(panel.run.findings)
        if count:
            panel.run.found.selectRow((panel.run.found.chosen_row() + 1) % count)

    def _choose_found(self, number: int) -> None:
        panel = self.own_panel
        panel.tabs.setCurrentIndex(panel.tabs.count() - 1)
        panel.run.found.selectRow(number)

    def _see_found(self, number: int) -> None:
        """A finding was chosen: the drawing goes there, and the player to its line."""
        self._found.mark(number)
        panel = self.own_panel
        if not 0 <= number < len(panel.run.findings):
            return
        found = panel.run.findings[number]
        x, y = self._found.place(number)
        self.shell.canvas.fit_box((x - _ROOM, y - _ROOM, x + _ROOM, y + _ROOM))
        if found.line and panel.run.timeline is not None:
            panel.run.pause()
            panel.run.go_to(panel.run.timeline.end_of(panel.run.timeline.first_of_line(found.line)))

    # ------------------------------------------------------------------ the demo's walk

    def walk(self) -> Sequence[WalkStep]:
        return (
            ("", self._add_demo),
            ("7-cut", lambda: self.own_panel.tabs.setCurrentIndex(0)),
            ("7-cut-run", self._stand_midway),
        )

    def _stand_midway(self) -> None:
        panel = self.own_panel
        panel.tabs.setCurrentIndex(panel.tabs.count() - 1)
        if panel.run.timeline is not None:
            panel.run.go_to(panel.run.timeline.total * 0.6)

    def _add_demo(self) -> None:
        tool = next(t for t in shipped_tools() if t.kind == "beam")
        sketches = tuple(
            s.name for s in (self.shell.session.state.profiles() if self.shell.session.state else ())
            if s.name not in ("TITLE-BLOCK", "CENTRE-LINES")
        )  # fmt: skip
        operation = Operation(tr("Outline"), "profile", Pick(sketches=sketches), Settings(tool=tool.name))
        self.own_panel.do((HoldTools((tool,)), SetOperation(operation)))
