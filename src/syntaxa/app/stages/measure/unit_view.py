"""The unit of a source: the candidates with their probabilities, and who speaks for and against each."""

from __future__ import annotations

from PyQt6.QtWidgets import QComboBox, QGridLayout, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.widgets.labels import button, cell, label, narrow, set_role, table
from syntaxa.app.words import tr
from syntaxa.drawing.quantities import scale_in
from syntaxa.drawing.state import Taken
from syntaxa.drawing.units import UNIT_NAMES, mm_per, scale_text
from syntaxa.errors import MeasureError
from syntaxa.geometry.types import Box
from syntaxa.intake.views import SOURCE_BOXES
from syntaxa.job.evaluate import SourceRead, in_doubt
from syntaxa.measure.steps import ChooseUnit
from syntaxa.measure.witnesses import Candidate, Verdict

#: Candidates and reasons that are shown at the most.
_MOST, _MOST_REASONS = 4, 6

_PAGE_SCALES = ("1:1", "1:2", "1:5", "1:10", "1:20", "1:50", "1:100", "2:1", "5:1", "1:4", "1:12", "1:48", "1:96")


class UnitView(QWidget):
    """Shows the verdict, asks where it is in doubt, and takes a unit with one click."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._number = 1
        self._lengths = LengthFormat("mm")
        self._source = narrow(QComboBox())
        self._source.setAccessibleName(tr("Source whose unit is shown"))
        self._source.activated.connect(lambda _index: self._choose_source())
        self._question = label("", "warning", wrap=True)
        self._confirm = button(tr("Take it"), tr("Take the unit that is proposed"), primary=True)
        self._confirm.clicked.connect(self._take_proposed)
        #: What the table was filled from.
        self._filled: tuple[Verdict, tuple[str, float], Box | None, LengthFormat] | None = None
        self.table = table(tr("Units that the drawing may be in"), (tr("Unit"), tr("Likely"), tr("Size if so")), 0)
        self.table.cellClicked.connect(lambda row, _column: self._choose_row(row))
        self.table.cellActivated.connect(lambda row, _column: self._choose_row(row))
        self._reasons = label("", "dim", wrap=True)
        self._reasons.setAccessibleName(tr("What speaks for and against the unit"))
        self._other, self._scale = narrow(QComboBox()), narrow(QComboBox())
        self._add_choices()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        for part in (self._source, self._question, self._confirm, self.table, self._reasons):
            column.addWidget(part)
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        grid.setColumnStretch(1, 1)
        for k, (text, widget) in enumerate(((tr("Other unit"), self._other), (tr("Page is drawn at"), self._scale))):
            name = label(text, "dim")
            name.setBuddy(widget)
            grid.addWidget(name, k, 0)
            grid.addWidget(widget, k, 1)
        column.addLayout(grid)

    def _add_choices(self) -> None:
        self._other.setAccessibleName(tr("Unit of the drawing"))
        for unit, name in UNIT_NAMES.items():
            self._other.addItem(f"{unit}   {said(name)}", unit)
        self._other.activated.connect(lambda _index: self.choose(self._other.currentData()))
        self._scale.setEditable(True)
        self._scale.setAccessibleName(tr("Scale that the page is drawn at"))
        self._scale.setToolTip(tr("1:5 for a page that shows things at a fifth; 1/4\" = 1' can be typed, too."))
        self._scale.addItems(_PAGE_SCALES)
        self._scale.textActivated.connect(self._choose_scale)
        line = self._scale.lineEdit()
        if line is not None:
            line.editingFinished.connect(lambda: self._choose_scale(self._scale.currentText()))

    # ------------------------------------------------------------------ doing

    def choose(self, unit: str, page_scale: float | None = None) -> None:
        """Settles the unit; confirming what is proposed is a decision too, and has its row."""
        taken = self._taken()
        if taken is None or not unit:
            return
        scale = taken.page_scale if page_scale is None else page_scale
        self._session.do(ChooseUnit(unit, self._number, scale))

    def _choose_row(self, row: int) -> None:
        item = self.table.item(row, 0)
        if item is not None:
            unit, scale = item.data(256)
            self.choose(unit, scale)

    def _choose_scale(self, text: str) -> None:
        taken = self._taken()
        try:
            scale = scale_in(text)
        except MeasureError as error:
            self._session.told.emit(str(error))
            return
        if taken is not None and abs(scale - taken.page_scale) > 1e-9 * scale:
            self.choose(taken.unit, scale)

    def _take_proposed(self) -> None:
        source = self._read()
        if source is not None:
            self.choose(source.verdict.unit, source.verdict.page_scale)

    def _choose_source(self) -> None:
        self._number = int(self._source.currentData() or 1)
        self.refresh(self._lengths)

    # ------------------------------------------------------------------ showing

    def open_matters(self) -> int:
        """Sources whose unit is in doubt and not settled."""
        evaluation, job = self._session.evaluation, self._session.job
        return 0 if evaluation is None or job is None else len(in_doubt(job, evaluation))

    def refresh(self, lengths: LengthFormat) -> None:
        """Shows the verdict on the chosen source."""
        self._lengths = lengths
        job = self._session.job
        if self._session.evaluation is None or job is None:
            return
        self._fill_sources()
        source, taken = self._read(), self._taken()
        if source is None or taken is None:
            return
        settled = job.step_of(ChooseUnit, self._number) is not None
        self._ask(source, taken, settled)
        self._fill(source.verdict, taken)
        self._tell_reasons(source.verdict, taken)
        self._other.setCurrentIndex(self._other.findData(taken.unit))
        line = self._scale.lineEdit()
        if line is None or not line.hasFocus():
            self._scale.setCurrentText(scale_text(taken.page_scale))

    def _fill_sources(self) -> None:
        evaluation = self._session.evaluation
        sources = evaluation.sources if evaluation else ()
        if self._number not in [s.number for s in sources]:
            self._number = sources[0].number if sources else 1
        self._source.setVisible(len(sources) > 1)
        self._source.clear()
        for k, source in enumerate(sources):
            self._source.addItem(source.name, source.number)
            if source.number == self._number:
                self._source.setCurrentIndex(k)

    def _ask(self, source: SourceRead, taken: Taken, settled: bool) -> None:
        verdict, declared = source.verdict, source.received.report.declared
        declares = (
            tr("The file declares {0}.", said(UNIT_NAMES[declared])) if declared else tr("The file declares no unit.")
        )
        named = unit_name(verdict.unit, verdict.page_scale)
        self._confirm.setVisible(not settled and not verdict.sure)
        self._confirm.setText(tr("Take {0}", named))
        if settled:
            self._question.setText(tr("Settled: {0}. {1}", unit_name(taken.unit, taken.page_scale), declares))
            set_role(self._question, "good")
        elif verdict.sure:
            self._question.setText(tr("{0} The clues speak for {1} ({2:.0%}).", declares, named, verdict.confidence))
            set_role(self._question, "good")
        else:
            self._question.setText(_doubt(verdict, declares, named))
            set_role(self._question, "warning")

    def _fill(self, verdict: Verdict, taken: Taken) -> None:
        rows = list(verdict.candidates[:_MOST])
        here = (taken.unit, taken.page_scale)
        if here not in [(c.unit, c.page_scale) for c in rows]:
            known = next((c for c in verdict.candidates if (c.unit, c.page_scale) == here), None)
            rows.append(known or Candidate(*here, 0.0))
        box = (self._session.view(SOURCE_BOXES) or {}).get(self._number)
        filled = (verdict, here, box, self._lengths)
        if filled == self._filled:
            return
        self._filled = filled
        self.table.setRowCount(len(rows))
        for k, candidate in enumerate(rows):
            chosen = (candidate.unit, candidate.page_scale) == here
            name = tr("{0} at {1}", candidate.unit, scale_text(candidate.page_scale))
            if candidate.page_scale == 1:
                name = unit_name(candidate.unit)
            first = cell(f"{'●' if chosen else '○'}  {name}")
            first.setData(256, (candidate.unit, candidate.page_scale))
            self.table.setItem(k, 0, first)
            share = "<1%" if candidate.probability < 0.005 else f"{candidate.probability:.0%}"
            self.table.setItem(k, 1, cell(share, figure=True))
            per = mm_per(candidate.unit) * candidate.page_scale
            size = None if box is None else (box[0] * per, box[1] * per, box[2] * per, box[3] * per)
            self.table.setItem(k, 2, cell(self._lengths.short_size(size), figure=True))
            if chosen:
                self.table.selectRow(k)
        self.table.setFixedHeight(34 + 28 * len(rows))

    def _tell_reasons(self, verdict: Verdict, taken: Taken) -> None:
        candidate = next(
            (c for c in verdict.candidates if (c.unit, c.page_scale) == (taken.unit, taken.page_scale)), None
        )
        if candidate is None:
            self._reasons.setText(tr("Nothing in the drawing speaks for this unit."))
            return
        # A clue that would rather have the same unit at another page scale reads like one for it.
        against = [k for k in candidate.speak_against if verdict.witnesses[k].unit != candidate.unit]
        sides = [(tr("▲ for"), k, says) for k, says in zip(candidate.speak_for, candidate.says, strict=True)]
        sides += [(tr("▽ against"), k, verdict.witnesses[k].says) for k in against]
        sides.sort(key=lambda side: (not side[0].startswith("▲"), -verdict.witnesses[side[1]].weight))
        lines = [f"{mark}: {said(says)}" for mark, _, says in sides[:_MOST_REASONS] if says]
        self._reasons.setText("\n".join(lines) or tr("No clue tells the units apart."))

    def _read(self) -> SourceRead | None:
        evaluation = self._session.evaluation
        return next((s for s in evaluation.sources if s.number == self._number), None) if evaluation else None

    def _taken(self) -> Taken | None:
        state = self._session.state
        return next((t for t in state.taken if t.number == self._number), None) if state else None


def _doubt(verdict: Verdict, declares: str, named: str) -> str:
    """The question, and what makes it one."""
    speaks = tr("the clues speak for {0} ({1:.0%})", named, verdict.confidence)
    most = tr("Most clues speak for {0} ({1:.0%})", named, verdict.confidence)
    if not verdict.contradicted:
        return tr("Which unit is it? {0} As far as can be told, {1}.", declares, speaks)
    against = verdict.witnesses[verdict.contradicted[0]]
    if against.kind == "header":
        return tr("Which unit is it? {0}, but {1}.", declares[:-1], speaks)
    return tr("Which unit is it? {0} {1}, but not this one: {2}", declares, most, said(against.says))


def unit_name(unit: str, page_scale: float = 1.0) -> str:
    """A unit with the scale of its page: "inches", "points at 1:5"."""
    name = said(UNIT_NAMES[unit]).replace(tr(" to the inch)"), ")").replace("(", tr("at ")).replace(")", "")
    return name if page_scale == 1 else tr("{0} at {1}", name, scale_text(page_scale))
