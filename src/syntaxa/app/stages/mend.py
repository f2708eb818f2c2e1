"""Mend: what is wrong, with its size and its fix, and the closed regions that come of it."""

from __future__ import annotations

from collections import Counter

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QTableWidget, QTabWidget, QVBoxLayout, QWidget

from syntaxa.app.session import Session
from syntaxa.app.stages.base import StagePanel
from syntaxa.app.theme.glyphs import glyph_icon
from syntaxa.app.widgets.labels import button, cell, counted, label, set_role, table
from syntaxa.app.widgets.length_field import NumberField
from syntaxa.mend.model import FINDING_KINDS, Finding, Region

_KEY = 256


class MendPanel(StagePanel):
    """The tolerance, the list of findings, and the list of regions."""

    title = "Mend"
    icon = "mend"
    purpose = "Choose a finding to see it; fix it, or all of them. Each fix says how far it moves anything."
    scrolls = False

    finding_chosen = pyqtSignal(object)
    region_chosen = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._rows: list[Finding] = []
        self._chosen = ""
        self._add_tolerance()
        self._sum = label("", wrap=True)
        self.body.addWidget(self._sum)
        self._tabs = QTabWidget()
        self._tabs.setAccessibleName("Findings and regions")
        self._tabs.addTab(self._findings_page(), "Findings")
        self._regions = table("Closed regions", ("Region", "Area", "Holes"), 0)
        self._regions.itemSelectionChanged.connect(self._choose_region)
        self._tabs.addTab(self._regions, "Regions")
        self.body.addWidget(self._tabs, 1)

    def _add_tolerance(self) -> None:
        row = QHBoxLayout()
        name = label("Largest gap", "dim")
        self._gap = NumberField("Largest gap that is closed", least=0.0)
        name.setBuddy(self._gap)
        self._gap.setMaximumWidth(110)
        self._gap.entered.connect(lambda value: self.session.set_gap(value * self.lengths.mm_per_unit))
        self._unit = label("mm", "dim")
        self._auto = button("Use proposed", "Use the proposed tolerance")
        self._auto.clicked.connect(lambda: self.session.set_gap(None))
        for part in (name, self._gap, self._unit, self._auto):
            row.addWidget(part)
        row.addStretch()
        self.body.addLayout(row)
        self._reason = label("", "dim", wrap=True)
        self.body.addWidget(self._reason)

    def _findings_page(self) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 8, 0, 0)
        row = QHBoxLayout()
        self._kind = QComboBox()
        self._kind.setAccessibleName("Kind of finding to list")
        self._kind.activated.connect(lambda _index: self._fill())
        row.addWidget(self._kind, 1)
        self._back, self._next = button("Previous", "Previous finding"), button("Next", "Next finding")
        self._back.clicked.connect(lambda: self.step(-1))
        self._next.clicked.connect(lambda: self.step(1))
        row.addWidget(self._back)
        row.addWidget(self._next)
        column.addLayout(row)
        self._table: QTableWidget = table("Findings", ("Finding", "Size", "Moves"), 0)
        self._table.itemSelectionChanged.connect(self._choose)
        column.addWidget(self._table, 1)
        self._detail = label("", "dim", wrap=True)
        self._detail.setMinimumHeight(50)
        column.addWidget(self._detail)
        buttons = QHBoxLayout()
        self.fix_one = button("Fix this one", "Fix the chosen finding")
        self.fix_one.clicked.connect(self.fix_chosen)
        self.fix_every = button("Fix all", "Fix all findings", primary=True)
        self.fix_every.clicked.connect(lambda: self.session.fix(None))
        buttons.addWidget(self.fix_one)
        buttons.addStretch()
        buttons.addWidget(self.fix_every)
        column.addLayout(buttons)
        return page

    # ------------------------------------------------------------------ showing

    def open_matters(self) -> int:
        return len(self.session.findings)

    @property
    def chosen(self) -> Finding | None:
        """The finding that is chosen in the list."""
        return next((f for f in self._rows if f.key == self._chosen), None)

    def refresh(self) -> None:
        self.setEnabled(self.session.shown is not None)
        surveyed = self.session.surveyed_state
        self._unit.setText(self.lengths.unit)
        if surveyed is None:
            waiting = "Looking for faults…" if self.session.shown is not None else ""
            self._say(waiting, "dim")
            return
        self._gap.show_value(surveyed.gap / self.lengths.mm_per_unit, f"{surveyed.gap / self.lengths.mm_per_unit:.4g}")
        proposed = self.lengths.small(surveyed.proposal.gap)
        self._auto.setEnabled(self.session.gap is not None)
        self._reason.setText(f"Proposed: {proposed}. {surveyed.proposal.says}")
        self._fill_kinds()
        self._fill()
        self._fill_regions(surveyed.survey.regions)
        self._tabs.setTabText(0, f"Findings ({len(self.session.findings)})")
        self._tabs.setTabText(1, f"Regions ({len(surveyed.survey.regions)})")
        self._summarise(len(surveyed.survey.regions), surveyed.survey.open_ends)

    def _summarise(self, regions: int, open_ends: int) -> None:
        fixable = sum(f.remedy != "" for f in self.session.findings)
        left = len(self.session.findings) - fixable
        parts = [f"{counted(regions, 'closed region')}, {counted(open_ends, 'open end')}."]
        if fixable:
            parts.append(f"{counted(fixable, 'finding')} can be fixed within the tolerance.")
        if left:
            parts.append(f"{left} {'needs' if left == 1 else 'need'} your eye.")
        if not self.session.findings:
            parts.append("Nothing is wrong.")
        self._say(" ".join(parts), "warning" if self.session.findings else "good")

    def _say(self, text: str, role: str) -> None:
        self._sum.setText(text)
        set_role(self._sum, role)

    def _fill_kinds(self) -> None:
        chosen = self._kind.currentData()
        count = Counter(f.kind for f in self.session.findings)
        self._kind.clear()
        self._kind.addItem(f"All kinds ({sum(count.values())})", "")
        for kind in FINDING_KINDS:
            if count[kind]:
                self._kind.addItem(glyph_icon(kind, self.tokens), f"{kind.capitalize()} ({count[kind]})", kind)
        self._kind.setCurrentIndex(max(0, self._kind.findData(chosen)))

    def _fill(self) -> None:
        kind = self._kind.currentData()
        self._rows = [f for f in self.session.findings if not kind or f.kind == kind]
        self._table.blockSignals(True)
        self._table.clearSelection()
        self._table.setRowCount(len(self._rows))
        for k, finding in enumerate(self._rows):
            first = cell(finding.kind.capitalize(), tip=FINDING_KINDS[finding.kind])
            first.setIcon(glyph_icon(finding.kind, self.tokens, settled=not finding.remedy))
            first.setData(_KEY, finding.key)
            self._table.setItem(k, 0, first)
            self._table.setItem(k, 1, cell(self.lengths.small(finding.size), figure=True))
            cost = self.lengths.small(finding.cost) if finding.remedy else "–"
            self._table.setItem(k, 2, cell(cost, figure=True))
        row = next((k for k, f in enumerate(self._rows) if f.key == self._chosen), -1)
        if row >= 0:
            self._table.selectRow(row)
        else:
            self._chosen = ""
        self._table.blockSignals(False)
        self._show_detail()

    def _fill_regions(self, regions: tuple[Region, ...]) -> None:
        self._regions.blockSignals(True)
        self._regions.clearSelection()
        self._regions.setRowCount(len(regions))
        for k, region in enumerate(regions):
            first = cell(region.id, tip=f"{len(region.curves)} curves, depth {region.depth}")
            first.setData(_KEY, k)
            self._regions.setItem(k, 0, first)
            self._regions.setItem(k, 1, cell(self.lengths.area(region.area), figure=True))
            self._regions.setItem(k, 2, cell(str(region.holes), figure=True))
        self._regions.blockSignals(False)

    def _show_detail(self) -> None:
        finding = self.chosen
        self.fix_one.setEnabled((finding is not None and finding.fixable) or bool(finding and finding.remedy))
        self.fix_every.setEnabled(any(f.remedy for f in self.session.findings))
        for step in (self._back, self._next):
            step.setEnabled(bool(self._rows))
        if finding is None:
            self._detail.setText("No finding chosen.")
            return
        place = f"{self.lengths.number(finding.place.x)}, {self.lengths.text(finding.place.y)}"
        remedy = f" Fix: {finding.remedy[:1].lower()}{finding.remedy[1:]}." if finding.remedy else " No fix on offer."
        curves = ", ".join(f"#{c}" for c in finding.curves[:4]) + (" …" if len(finding.curves) > 4 else "")
        self._detail.setText(f"{FINDING_KINDS[finding.kind]}{remedy}\nAt {place}; curves {curves}")

    # ------------------------------------------------------------------ doing

    def _choose(self) -> None:
        items = self._table.selectedItems()
        self._chosen = str(items[0].data(_KEY)) if items else ""
        self._show_detail()
        self.finding_chosen.emit(self.chosen)

    def _choose_region(self) -> None:
        items = self._regions.selectedItems()
        surveyed = self.session.surveyed_state
        if items and surveyed is not None:
            self.region_chosen.emit(surveyed.survey.regions[int(items[0].data(_KEY))])

    def choose_key(self, key: str) -> None:
        """Chooses a finding by its key, whatever kinds are listed."""
        self._tabs.setCurrentIndex(0)
        if not any(f.key == key for f in self._rows):
            self._kind.setCurrentIndex(0)
            self._fill()
        for k, finding in enumerate(self._rows):
            if finding.key == key:
                self._table.selectRow(k)

    def step(self, by: int) -> None:
        """Goes to the next or previous finding in the list."""
        if not self._rows:
            return
        self._tabs.setCurrentIndex(0)
        at = next((k for k, f in enumerate(self._rows) if f.key == self._chosen), -1 if by > 0 else 0)
        self._table.selectRow((at + by) % len(self._rows))

    def fix_chosen(self) -> None:
        """Fixes the chosen finding; the next one takes its place."""
        finding = self.chosen
        if finding is None or not finding.remedy:
            return
        at = self._rows.index(finding)
        following = self._rows[(at + 1) % len(self._rows)]
        self._chosen = following.key if following is not finding else ""
        self.session.fix(finding.key)
