"""Compare: how far the result lies from what was received, seen by swiping or fading between them and as a heat map."""

from __future__ import annotations

from dataclasses import replace

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QSlider

from syntaxa.app.canvas.layers.comparing import BANDS, Versus, band_name
from syntaxa.app.session.session import Session
from syntaxa.app.stages.mend.page import SidePage
from syntaxa.app.stages.mend.views import COMPARED, Compared
from syntaxa.app.widgets.labels import button, label, row_of, set_role
from syntaxa.app.widgets.length_field import LengthField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import counted, tr
from syntaxa.mend.deviation import Far, largest
from syntaxa.mend.views import Budget

#: Deviations that are listed.
_MOST_FAR = 10

_WAYS = ((tr("Result only"), ""), (tr("Swipe"), "swipe"), (tr("Fade"), "fade"))


class ComparePage(SidePage):
    """How the two are laid over each other, the heat map, and the largest deviations in a list."""

    place_wanted = pyqtSignal(float, float)
    #: What is laid over the result: a Versus, or None.
    versus_wanted = pyqtSignal(object)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.way = QComboBox()
        self.way.setAccessibleName(tr("How received and result are laid over each other"))
        for text, name in _WAYS:
            self.way.addItem(text, name)
        self.way.currentIndexChanged.connect(lambda _index: self._tell())
        self.share = QSlider(Qt.Orientation.Horizontal)
        self.share.setAccessibleName(tr("How much of what was received is seen"))
        self.share.setRange(0, 100)
        self.share.setValue(50)
        self.share.valueChanged.connect(lambda _value: self._tell())
        self.column.addLayout(row_of(self.way, self.share))
        self.heat = QCheckBox(tr("Show how far off in bands"))
        self.heat.toggled.connect(lambda _on: self._tell())
        self.column.addWidget(self.heat)
        self._key = label("", "dim", wrap=True)
        self.column.addWidget(self._key)
        self.far = RowsView(
            tr("Largest deviations"),
            (
                Column(tr("Curve"), lambda row: f"#{row[0].curve}", figure=False),
                Column(tr("Of"), self._side, figure=False),
                Column(tr("Apart"), lambda row: self.lengths.small(row[0].distance)),
            ),
        )
        self.far.selection().selectionChanged.connect(lambda *_: self._choose())
        self.column.addWidget(self.far, 1)
        budget = label(tr("Budget"), "dim")
        self.budget = LengthField(tr("How far anything may be off what was received"), least=0.0)
        self.budget.setPlaceholderText(tr("none"))
        self.budget.setMaximumWidth(110)
        self.budget.textChanged.connect(lambda _text: self._set_budget())
        budget.setBuddy(self.budget)
        self._unit, self.verdict = label("mm", "dim"), label("")
        self.column.addLayout(row_of(budget, self.budget, self._unit, self.verdict, None))
        self.compare = button(tr("Compare"), tr("Measure how far the result lies from what was received"), primary=True)
        self.compare.clicked.connect(self.begin)
        self.add_buttons(right=self.compare)

    @property
    def _found(self) -> Compared | None:
        """What was found, where somebody asked for it."""
        return self.session.view(COMPARED) if self.asked else None

    def refresh(self) -> None:
        compared = self._found
        found = compared.deviation if compared is not None else None
        rows = largest(found, len(found.kept) + len(found.made)) if found is not None else []
        rows = [row for row in rows if row[0].distance > 0]
        # What was left out says nothing about how far the rest is off: it comes last.
        rows.sort(key=lambda row: not row[1] and self._is_dropped(row[0].curve))
        self.far.model_.show_rows(rows[:_MOST_FAR])
        for part in (self.way, self.share, self.heat):
            part.setEnabled(found is not None)
        if found is None:
            says = tr("Measures both ways: what was received from the result, and the result from what was received.")
        else:
            dropped = [far for far in found.kept if self._is_dropped(far.curve)]
            kept = max((far.distance for far in found.kept if not self._is_dropped(far.curve)), default=0.0)
            made = found.made[0].distance if found.made else 0.0
            says = self._in_words(kept, made, found.bound)
            if dropped:
                says += tr(" {0} left out or made part of others.", counted(len(dropped), "curve"))
        self.says.setText(says)
        self._unit.setText(self.lengths.single)
        self.budget.show_in(self.lengths.single)
        self._judge()
        self._tell()

    def _in_words(self, kept: float, made: float, bound: float) -> str:
        """How far what was received lies off the result, and the other way round, to a bound (mm)."""
        small = self.lengths.small
        if not kept and not made:
            return tr("The result lies where what was received lies, to {0}.", small(bound))
        return tr(
            "Nothing received lies more than {0} from the result, nothing in it more than {1} from what was received, "
            "to {2}.",
            small(kept),
            small(made),
            small(bound),
        )

    def _set_budget(self) -> None:
        budget = self.budget.number() if self.budget.text().strip() else None
        self.session.keep(replace(self.session.chosen(Budget), mm=budget))
        self._judge()

    def _judge(self) -> None:
        """Whether the result keeps to the budget."""
        compared, budget = self._found, self.session.chosen(Budget).mm
        found = compared.deviation if compared is not None else None
        if found is None or budget is None:
            set_role(self.verdict, "dim")
            self.verdict.setText("" if found is not None else tr("Compare to see whether it holds."))
            return
        off = found.made[0].distance if found.made else 0.0
        over = off > budget
        set_role(self.verdict, "" if over else "dim")
        self.verdict.setText(tr("Over it by {0}", self.lengths.small(off - budget)) if over else tr("It holds."))

    def _is_dropped(self, curve: str) -> bool:
        """Whether a curve that was received is no longer there, whole or in parts."""
        compared = self._found
        return compared is not None and curve not in compared.there

    def _side(self, row: tuple[Far, bool]) -> str:
        if row[1]:
            return tr("result")
        return tr("left out") if self._is_dropped(row[0].curve) else tr("received")

    def _tell(self) -> None:
        """What the canvas is to lay over the result."""
        found = self._found
        way = str(self.way.currentData())
        self.share.setEnabled(found is not None and bool(way))
        if found is None or not (way or self.heat.isChecked()):
            self._key.setText("")
            self.versus_wanted.emit(None)
            return
        heat = found.heat if self.heat.isChecked() else None
        if heat is not None:
            steps = ", ".join(f"{band_name(k, heat.top, self.lengths.small)}" for k in range(BANDS))
            self._key.setText(tr("From thin to thick: {0}.", steps) if heat.top else tr("Nothing is off at all."))
        else:
            self._key.setText("")
        names = (tr("as received"), tr("result"))
        self.versus_wanted.emit(Versus(found.received if way else None, way, self.share.value() / 100, names, heat))

    def _choose(self) -> None:
        row = self.far.chosen_row()
        if row >= 0:
            self.place_wanted.emit(*self.far.model_.rows[row][0].place)
