"""The panel of Deliver: files one by one, sheets, and the package of everything."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QTabWidget

from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.shell.attempt import Attempt
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.app.stages.deliver.files_page import FilesPage
from syntaxa.app.stages.deliver.handover_page import HandoverPage
from syntaxa.app.stages.deliver.sheets_page import SheetsPage
from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.views import SHEET, Shown
from syntaxa.drawing.step import Step

#: Pages, in their order.
FILES, SHEETS, PACKAGE = range(3)


class DeliverPanel(StagePanel):
    """Pages, and what can be written of each."""

    scrolls = False

    page_changed = pyqtSignal()
    sheet_wanted = pyqtSignal()
    all_sheets_wanted = pyqtSignal()
    print_wanted = pyqtSignal()
    pack_wanted = pyqtSignal()

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        self._attempt = Attempt(session)
        self._attempt.refused.connect(self.refuse)
        self.files = ready.take(FilesPage)
        self.sheets, self.package = ready.take(SheetsPage), ready.take(HandoverPage)
        self.files.changed.connect(self.refresh)
        self.files.refused.connect(self.refuse)
        self.sheets.wanted.connect(self.do)
        self.sheets.refused.connect(self.refuse)
        self.package.changed.connect(self.refresh)
        self._refused = label("", "warning", wrap=True)
        self._refused.hide()
        self.tabs = QTabWidget()
        self.body.addWidget(self._refused)
        self.body.addWidget(self.tabs, 1)
        self.tabs.setAccessibleName(tr("What leaves the house"))
        for name, page in ((tr("Files"), self.files), (tr("Sheets"), self.sheets), (tr("Package"), self.package)):
            if page is self.files:
                self.tabs.addTab(page, name)
            else:
                self.add_scrolling(self.tabs, page, name)
        self.tabs.currentChanged.connect(self._turned)
        self.write_sheet = button(tr("Write the sheet…"), primary=True)
        self.write_all = button(tr("All sheets…"), tr("Write all sheets, in one PDF or a file each"))
        self.print = button(tr("Print…"), tr("Print all sheets, with a preview"))
        self.write_sheet.clicked.connect(self.sheet_wanted)
        self.write_all.clicked.connect(self.all_sheets_wanted)
        self.print.clicked.connect(self.print_wanted)
        self.pack = button(tr("Write the package…"), primary=True)
        self.pack.clicked.connect(self.pack_wanted)
        self.body.addLayout(row_of(self.print, self.write_all, None, self.write_sheet))
        self.body.addLayout(row_of(None, self.pack))
        self._show_buttons()

    @property
    def shows_sheet(self) -> bool:
        """Whether the page of sheets is open, and there is one."""
        return self.tabs.currentIndex() == SHEETS and self.sheets.sheet is not None

    @property
    def job_name(self) -> str:
        """What the job is called on sheets and in names of files."""
        return self.session.files.name

    def shown(self) -> Shown | None:
        """The chosen sheet as it would be written, if it is there."""
        sheet = self.sheets.sheet
        return None if sheet is None else self.session.view(SHEET, sheet.name, self.job_name)

    def refresh(self) -> None:
        state = self.session.state
        self.setEnabled(state is not None)
        if state is None:
            return
        self.files.lengths = self.lengths
        page = self.tabs.currentIndex()
        if page == FILES:
            self.files.show_state(state)
        elif page == SHEETS:
            self.sheets.show_state(state)
            self.sheets.tell(self.shown())
        else:
            self.pack.setEnabled(self.package.show_state(state, self.job_name, self.files.output))
        self._show_buttons()

    def _show_buttons(self) -> None:
        page = self.tabs.currentIndex()
        shown = self.shown() if page == SHEETS else None
        for widget in (self.write_sheet, self.write_all, self.print):
            widget.setVisible(page == SHEETS)
            widget.setEnabled(shown is not None and shown.made is not None)
        self.pack.setVisible(page == PACKAGE)

    def _turned(self, _page: int) -> None:
        self._refused.hide()
        self.refresh()
        self.page_changed.emit()

    def do(self, steps: tuple[Step, ...]) -> None:
        """Does steps as one change; one that cannot be is taken back, and why is told."""
        self._refused.hide()
        self._attempt.do(*steps)

    def refuse(self, sentence: str) -> None:
        """Says why something cannot be."""
        self._refused.setText(said(sentence))
        self._refused.show()

    def forget_result(self) -> None:
        """What was written or refused no longer is about what is shown."""
        self.files.forget_result()
        self._refused.hide()
