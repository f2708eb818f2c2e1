"""Deliver: what leaves the house."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict
from functools import cached_property
from pathlib import Path
from typing import TYPE_CHECKING, Any, cast

from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.regions import RegionsLayer
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.panel import Ready
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.deliver.commands import ask_deliver, ask_pack, ask_print, ask_sheets, commands
from syntaxa.app.stages.deliver.files_page import FilesPage
from syntaxa.app.stages.deliver.handover_page import HandoverPage
from syntaxa.app.stages.deliver.panel import FILES, PACKAGE, SHEETS, DeliverPanel
from syntaxa.app.stages.deliver.paper_part import PaperPart
from syntaxa.app.stages.deliver.sheet_lists import DimensionsPart, NotesPart
from syntaxa.app.stages.deliver.sheet_tools import PutTool
from syntaxa.app.stages.deliver.sheet_view import SheetFront
from syntaxa.app.stages.deliver.sheets_page import SheetsPage
from syntaxa.app.stages.deliver.title_block import TitleBlockPart
from syntaxa.app.stages.deliver.views_part import ViewsPart
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.model import Sheet, SheetView
from syntaxa.deliver.sheets.steps import SetSheet
from syntaxa.deliver.sheets.views import MEASURABLE, PICTURE
from syntaxa.geometry.points import Point
from syntaxa.job.recipe import Written

if TYPE_CHECKING:
    from syntaxa.deliver.sheets.laying import Laid
    from syntaxa.deliver.sheets.measuring import Measurable

#: What the demo's sheet shows.
_DEMO = (*map(SheetView, ("front", "top", "right")), SheetView("isometric", hidden=False, shaded=True))


class DeliverStage(Stage):
    """Says what would go out, shows sheets, and writes both."""

    name, title, icon = "deliver", tr("Deliver"), "deliver"
    keeps_ledger = True
    purpose = tr(
        "Files with true arcs at true size, sheets that can be printed and signed, and one package of everything."
    )

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self._regions = RegionsLayer()
        #: Where the package was written last.
        self.packed_to: Path | None = None
        shell.session.opened.connect(self._opened)
        shell.session.history_changed.connect(self._forget)

    def pages(self) -> Sequence[tuple[Any, ...]]:
        parts = (PaperPart,), (ViewsPart,), (DimensionsPart,), (NotesPart,), (TitleBlockPart,)
        return (FilesPage, self.shell.session), *parts, (SheetsPage, Ready), (HandoverPage,)

    def make_panel(self) -> DeliverPanel:
        made = DeliverPanel(self.shell.session, self.ready)
        made.files.deliver_wanted.connect(lambda: ask_deliver(self))
        made.files.account_wanted.connect(lambda: self.shell.commands["ask_account"].run())
        made.page_changed.connect(self._page_changed)
        made.sheets.chosen.connect(self._show_sheet)
        made.sheets.frame_wanted.connect(self._ask_frame)
        made.sheets.note_wanted.connect(self._begin_note)
        made.sheets.detail_wanted.connect(self._begin_detail)
        made.sheets.part_wanted.connect(self._begin_part)
        made.sheets.drawing_wanted.connect(self._begin_drawing)
        made.sheets.dimensions_part.meant.connect(self._mean)
        made.sheet_wanted.connect(lambda: ask_sheets(self, False))
        made.all_sheets_wanted.connect(lambda: ask_sheets(self, True))
        made.print_wanted.connect(lambda: ask_print(self))
        made.pack_wanted.connect(lambda: ask_pack(self))
        return made

    @property
    def own_panel(self) -> DeliverPanel:
        """The panel, as what it is."""
        return cast(DeliverPanel, self.panel)

    def commands(self) -> Sequence[Command]:
        return commands(self)

    def layers(self) -> Sequence[Layer]:
        return (self._regions,)

    def front(self) -> QWidget | None:
        return self.sheet if self.has_panel and self.own_panel.shows_sheet else None

    def leave_front(self) -> None:
        if self.has_panel:
            self.own_panel.tabs.setCurrentIndex(FILES)

    @cached_property
    def sheet(self) -> SheetFront:
        """The sheet in the canvas's place."""
        made = SheetFront()
        made.view.chosen.connect(self.own_panel.sheets.views.choose)
        made.view.placed.connect(self.own_panel.sheets.views.place)
        made.view.dots_wanted.connect(self._show_sheet)
        made.view.tool_ended.connect(lambda: self.own_panel.sheets.dimensions_part.show_drawing(False))
        return made

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        found = surveyed(self.shell.session)
        self._regions.show(found.survey.regions if found is not None else ())
        self.shell.front_changed.emit()
        self._show_sheet()

    def _page_changed(self) -> None:
        self.shell.front_changed.emit()
        self._show_sheet()

    def _show_sheet(self) -> None:
        """The chosen sheet as it would be written."""
        panel = self.own_panel
        sheet = panel.sheets.sheet
        if not panel.shows_sheet or sheet is None:
            return
        if self.sheet.name.text() != sheet.name:
            self.sheet.view.take(None)
        panel.sheets.tell(panel.shown())
        view = self.sheet.view
        view.tokens = self.shell.dress.tokens
        self.sheet.name.setText(sheet.name)
        shown = panel.shown()
        if shown is not None and shown.made is not None:
            leaf = shown.made.leaf
            view.show_sheet((leaf.width, leaf.height), shown.made.boxes)
            view.show_picture(self.shell.session.view(PICTURE, sheet.name, panel.job_name, view.dots))
        view.choose(panel.sheets.views.number)
        self._look_ahead()

    def _look_ahead(self) -> None:
        """Has ready what can be measured in every view while a tool is in hand, so that no pick waits for it."""
        if self.sheet.view.tool is not None:
            for number in range(len(self._laid())):
                self._measurable(number)

    def _measurable(self, number: int) -> Measurable | None:
        """What can be measured in a view of the sheet; None until that is known."""
        panel = self.own_panel
        sheet = panel.sheets.sheet
        return None if sheet is None else self.shell.session.view(MEASURABLE, sheet.name, panel.job_name, number)

    def _laid(self) -> Sequence[Laid]:
        """The views of the sheet that is shown, as they lie."""
        shown = self.own_panel.shown()
        return () if shown is None or shown.made is None else shown.made.laid

    def _begin_note(self) -> None:
        says = tr("Click where the note goes, or drag to it from what it is about. Escape gives up.")
        self.sheet.view.take(PutTool(says, "line", self.own_panel.sheets.put_note))

    def _begin_detail(self) -> None:
        def done(end: Point, begin: Point | None) -> None:
            if begin is not None:
                self.own_panel.sheets.views.add_detail(self._laid(), begin, end)

        says = tr("Drag from the middle of what the detail shows to its rim. Escape gives up.")
        self.sheet.view.take(PutTool(says, "circle", done, dragged=True))

    def _begin_part(self) -> None:
        def done(end: Point, begin: Point | None) -> None:
            if begin is not None:
                self.own_panel.sheets.views.take_part(self._laid(), begin, end)

        says = tr("Drag a box over what is to be shown of the drawing. Escape gives up.")
        self.sheet.view.take(PutTool(says, "box", done, dragged=True))

    def _begin_drawing(self, on: bool) -> None:
        sheets = self.own_panel.sheets
        # What measures is loaded when it is wanted.
        from syntaxa.app.stages.deliver.measure_tool import MeasureTool

        tool = (
            MeasureTool(self._laid, self._measurable, sheets.views.add_measure, sheets.dimensions_part.show_meanings)
            if on else None
        )  # fmt: skip
        self.sheet.view.take(tool)
        self._look_ahead()
        sheets.dimensions_part.show_drawing(on)

    def _mean(self, meaning: str) -> None:
        tool = self.sheet.view.tool
        if tool is not None and meaning:
            tool.mean(meaning)
            self.sheet.view.setFocus()
            self.sheet.view.update()

    def _ask_frame(self) -> None:
        shell = self.shell
        path = shell.choosers.open_cut(
            shell.window, tr("Choose a frame"), shell.settings.values.folder, tr("Frames (*.svg)")
        )
        if path is not None:
            self.own_panel.sheets.set_frame(path)

    # ------------------------------------------------------------------ the rest

    def written(self) -> Written:
        files = self.own_panel.files
        ending = files.format.ending if files.format.holds == "profiles" else ".dxf"
        return Written((ending,), **asdict(files.output))

    def take_written(self, written: Written) -> None:
        self.own_panel.files.choose(written.endings[0] if written.endings else ".dxf", written.output)
        self.own_panel.refresh()

    def walk(self) -> Sequence[WalkStep]:
        return (
            ("8-deliver", lambda: None),
            ("8-deliver-sheet", self._walk_sheet),
            ("", lambda: self.own_panel.tabs.setCurrentIndex(PACKAGE)),
        )

    def _walk_sheet(self) -> None:
        self.own_panel.tabs.setCurrentIndex(SHEETS)
        if self.own_panel.sheets.sheet is None:
            self.own_panel.do((SetSheet(Sheet(views=_DEMO, fields=(("title", "Base plate of the pump"),))),))

    def _opened(self) -> None:
        self.packed_to = None
        self._forget()

    def _forget(self) -> None:
        """What was written no longer is what is shown."""
        if self.has_panel:
            self.own_panel.forget_result()
