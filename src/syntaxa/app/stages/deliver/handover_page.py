"""The page of the package: what is in it, and how its files are called."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QGridLayout, QLineEdit, QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.widgets.labels import label, lines_kept, set_role
from syntaxa.app.words import tr
from syntaxa.deliver.formats import format_of
from syntaxa.deliver.write import Output
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError
from syntaxa.job.handover import PATTERN, Handover, check_wanted, file_name, there_is

#: What can be chosen, and what is called so.
_KINDS = (
    ("dxf", tr("DXF of the profiles")),
    ("svg", tr("SVG of the profiles")),
    ("pdf", tr("PDF of the profiles")),
    ("step", tr("STEP of the bodies")),
    ("stl", tr("STL of the bodies")),
    ("3mf", tr("3MF of the bodies")),
    ("sheets", tr("Sheets as PDF")),
    ("nc", tr("Programs")),
    ("setup", tr("Setup sheets")),
    ("holes-csv", tr("Table of holes")),
    ("dimensions-csv", tr("Table of dimensions")),
    ("bodies-csv", tr("Table of bodies")),
    ("parts-csv", tr("List of parts to be cut")),
    ("account", tr("Account of all changes")),
    ("received", tr("Drawings as received")),
)

#: Those that are chosen at first.
_USUAL = frozenset(("dxf", "pdf", "step", "sheets", "nc", "account", "received"))


class HandoverPage(QWidget):
    """The choices; what there is none of cannot be chosen."""

    changed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("What is in the package"), "heading"))
        self.boxes: dict[str, QCheckBox] = {}
        for kind, text in _KINDS:
            box = QCheckBox(text)
            box.setChecked(kind in _USUAL)
            box.clicked.connect(lambda _on: self.changed.emit())
            column.addWidget(box)
            self.boxes[kind] = box
        column.addWidget(label(tr("What files are called"), "heading"))
        self.pattern, self.rev = QLineEdit(PATTERN), QLineEdit()
        self.pattern.setAccessibleName(tr("Names of the files"))
        self.pattern.setToolTip(tr("{job}, {sketch}, {rev} and {kind} are filled in; with {sketch} each has a file"))
        self.rev.setAccessibleName(tr("Revision"))
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        for k, (text, line) in enumerate(((tr("Pattern"), self.pattern), (tr("Revision"), self.rev))):
            name = label(text, "dim")
            name.setBuddy(line)
            grid.addWidget(name, k, 0)
            grid.addWidget(line, k, 1)
            line.textEdited.connect(lambda _t: self.changed.emit())
        grid.setColumnStretch(1, 1)
        column.addLayout(grid)
        self.says = lines_kept(label("", "dim", wrap=True), 2)
        column.addWidget(self.says)
        column.addStretch(1)

    def wanted(self, output: Output) -> Handover:
        """What is wanted, with the choices of files."""
        kinds = tuple(k for k, box in self.boxes.items() if box.isChecked() and box.isEnabled())
        return Handover(kinds, self.pattern.text().strip(), self.rev.text().strip(), output)

    def show_state(self, state: State, name: str, output: Output) -> bool:
        """What there is to choose from; whether a package can be written as it is chosen."""
        for kind, box in self.boxes.items():
            there = there_is(kind, state)
            box.setEnabled(there)
            box.setToolTip(_tip(kind, there))
        wanted = self.wanted(output)
        try:
            check_wanted(wanted)
        except DeliverError as error:
            self.says.setText(said(str(error)))
            set_role(self.says, "warning")
            return False
        names: Sequence[str] = [
            file_name(wanted, name, kind, format_of(kind).ending, "SKETCH") for kind in wanted.kinds
            if kind not in ("sheets", "nc", "setup", "account", "received")
        ]  # fmt: skip
        self.says.setText(tr("Such as {0}. Every file has its digest in the package.", names[0]) if names else "")
        set_role(self.says, "dim")
        return True


def _tip(kind: str, there: bool) -> str:
    if there:
        return ""
    return {
        "step": tr("There is no body: raise one in Form"), "stl": tr("There is no body: raise one in Form"),
        "3mf": tr("There is no body: raise one in Form"), "bodies-csv": tr("There is no body: raise one in Form"),
        "sheets": tr("There is no sheet: add one"), "nc": tr("Nothing is cut: add an operation in Cut"),
        "setup": tr("Nothing is cut: add an operation in Cut"),
    }.get(kind, tr("There is nothing of this kind"))  # fmt: skip
