"""What an operation is about, as fields: by sketch, layer, nesting and size; and what is named by hand."""

from __future__ import annotations

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, label, roomy, row_of
from syntaxa.app.words import counted, figures, tr
from syntaxa.cut.model import Nest, Operation, Pick
from syntaxa.drawing.state import State

_NESTS: tuple[tuple[str, Nest], ...] = (
    (tr("all contours"), "all"), (tr("outermost"), "outer"), (tr("holes"), "inner"), (tr("parts in holes"), "islands"),
)  # fmt: skip


class PickForm(QWidget):
    """The fields; tells the pick that they say, and that what is selected is wanted."""

    changed = pyqtSignal(object)
    #: What is selected on the drawing goes in (True), or only that counts (False).
    selected_wanted = pyqtSignal(bool)

    def __init__(self) -> None:
        super().__init__()
        self._pick: Pick | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        column.addWidget(label(tr("Of what"), "heading"))
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(5)
        self.sketch, self.layer, self.role, self.nest = (roomy(QComboBox()) for _ in range(4))
        for text, nest in _NESTS:
            self.nest.addItem(text, nest)
        self.low, self.high = QLineEdit(), QLineEdit()
        rows = (
            (tr("Sketch"), self.sketch),
            (tr("Layer"), self.layer),
            (tr("Role"), self.role),
            (tr("Nesting"), self.nest),
        )
        for k, (text, combo) in enumerate(rows):
            combo.setAccessibleName(tr("{0} of the contours", text))
            combo.activated.connect(lambda _index: self._tell())
            grid.addWidget(label(text, "dim"), k, 0)
            grid.addWidget(combo, k, 1)
        for line, text in ((self.low, tr("Smallest circle")), (self.high, tr("Largest circle"))):
            line.setAccessibleName(tr("{0}, diameter in mm", text))
            line.setPlaceholderText(tr("any"))
            line.setFont(figure_font())
            line.editingFinished.connect(self._typed)
        grid.addWidget(label(tr("Circles, mm"), "dim"), len(rows), 0)
        grid.addLayout(row_of(self.low, label(tr("to"), "dim"), self.high), len(rows), 1)
        grid.setColumnStretch(1, 1)
        column.addLayout(grid)
        self.by_hand = label("", "dim", wrap=True)
        add, only = (
            button(tr("Add the selected"), tr("What is selected on the drawing belongs to the operation, too")),
            button(tr("Only the selected"), tr("Nothing but what is selected on the drawing belongs to the operation")),
        )
        add.clicked.connect(lambda: self.selected_wanted.emit(True))
        only.clicked.connect(lambda: self.selected_wanted.emit(False))
        column.addLayout(row_of(add, only, None))
        column.addWidget(self.by_hand)

    def show_state(self, state: State) -> None:
        """What there is to choose from."""
        sketches = [s.name for s in state.profiles()]
        layers = sorted({c.layer for s in state.profiles() for c in s.curves})
        roles = sorted({r for s in state.profiles() for c in s.curves for r in c.roles})
        for combo, names in ((self.sketch, sketches), (self.layer, layers), (self.role, roles)):
            if not combo.count() or [combo.itemText(k) for k in range(1, combo.count())] != names:
                combo.clear()
                combo.addItems([tr("any"), *names])

    def show_operation(self, operation: Operation | None) -> None:
        """The pick of an operation; of none or several there is nothing to be seen."""
        self.setVisible(operation is not None and operation.kind != "face")
        self._pick = operation.pick if operation is not None else None
        pick = self._pick or Pick()
        for combo, names in ((self.sketch, pick.sketches), (self.layer, pick.layers), (self.role, pick.roles)):
            if len(names) > 1:
                text = ", ".join(names)
                if combo.findText(text) < 0:
                    combo.addItem(text)
                combo.setCurrentText(text)
            else:
                combo.setCurrentIndex(max(combo.findText(names[0]), 0) if names else 0)
        self.nest.setCurrentIndex(self.nest.findData(pick.nest))
        for line, value in ((self.low, pick.round_from), (self.high, pick.round_to)):
            if not (line.hasFocus() and line.isModified()):
                line.setText("" if value is None else figures(f"{value:g}"))
                line.setModified(False)
        named = len(pick.roots) + len(pick.regions)
        parts = [tr("{0} by hand", counted(named, "curve"))] if named else []
        parts += [tr("{0} left out", counted(len(pick.without), "contour"))] if pick.without else []
        self.by_hand.setText("; ".join(parts))
        self.by_hand.setVisible(bool(parts))

    def _typed(self) -> None:
        if self.low.isModified() or self.high.isModified():
            self._tell()

    def _tell(self) -> None:
        if self._pick is None:
            return
        pick = msgspec.structs.replace(
            self._pick,
            sketches=_one(self.sketch, self._pick.sketches),
            layers=_one(self.layer, self._pick.layers),
            roles=_one(self.role, self._pick.roles),
            nest=self.nest.currentData(),
            round_from=_number(self.low),
            round_to=_number(self.high),
        )
        if pick != self._pick:
            self.changed.emit(pick)


def _one(combo: QComboBox, before: tuple[str, ...]) -> tuple[str, ...]:
    """The name that is chosen; several that were there together stay where nothing else is chosen."""
    if combo.currentIndex() <= 0:
        return ()
    return before if combo.currentText() == ", ".join(before) else (combo.currentText(),)


def _number(line: QLineEdit) -> float | None:
    """A size that was typed; what is none counts as not given."""
    try:
        value = float(line.text().replace(",", "."))
    except ValueError:
        line.setText("")
        return None
    return value if 0 <= value < 1e6 else None
