"""What is done by hand on one contour: the other side, its start, its tabs, left out, or as the others."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.words import counted, tr
from syntaxa.cut.model import Place
from syntaxa.cut.part import Planned
from syntaxa.cut.steps import SetPick, SetPlace

if TYPE_CHECKING:
    from syntaxa.cut.contours import Contour


class PlaceRow(QWidget):
    """The contour that was clicked, and what can be done with it."""

    wanted = pyqtSignal(object)
    start_wanted = pyqtSignal()
    tab_wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._plan = Planned()
        self._operation = ""
        self._contour: Contour | None = None
        self._places: Sequence[Place] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        self.says = label("", "dim", wrap=True)
        turn = button(tr("Other side"), tr("The tool goes on the other side of this contour"))
        start = button(tr("Start here…"), tr("The next click says where this contour is begun"))
        tab = button(tr("Tab here…"), tr("The next click puts one more tab on this contour"))
        plain = button(tr("As the others"), tr("Nothing is set by hand on this contour"))
        leave = button(tr("Leave out"), tr("This contour does not belong to the operation"))
        turn.clicked.connect(self._turn)
        start.clicked.connect(self.start_wanted)
        tab.clicked.connect(self.tab_wanted)
        plain.clicked.connect(self._plain)
        leave.clicked.connect(self._leave)
        column.addWidget(self.says)
        column.addLayout(row_of(turn, start, tab, None))
        column.addLayout(row_of(leave, plain, None))
        self.hide()

    def show_contour(
        self, plan: Planned, operation: str, contour: Contour | None, places: Sequence[Place] = ()
    ) -> None:
        """The contour that is chosen and the operation that it is of, or none; and what was set by hand on any."""
        self._plan, self._operation, self._contour, self._places = plan, operation, contour, places
        self.setVisible(contour is not None and bool(operation))
        if contour is None:
            return
        place = self.place
        by_hand = [
            *((tr("the other side"),) if place.turned else ()),
            *((tr("start"),) if place.start is not None else ()),
            *((counted(len(place.tabs_at), "tab"),) if place.tabs_at is not None else ()),
        ]
        what = {"outer": tr("Outline"), "hole": tr("Hole"), "line": tr("Line")}[contour.bounds]
        self.says.setText(
            tr(
                "{0} of {1}, {2}. By hand: {3}. Its start and its tabs can be dragged.",
                what,
                contour.sketch,
                operation,
                ", ".join(by_hand) or tr("nothing"),
            )
        )

    @property
    def place(self) -> Place:
        """What is set on the contour; on a copy that has nothing of its own, on what it was copied from."""
        key = self._contour.key if self._contour is not None else ""
        mine = (self._operation, key)
        inherited = next((p for p in self._places if (p.operation, p.contour) == mine), None)
        own = self._plan.place(*mine)
        return inherited if inherited is not None and own == Place(*mine) else own

    def set_start(self, x: float, y: float) -> None:
        """It is begun at a place (mm)."""
        self.wanted.emit((SetPlace(msgspec.structs.replace(self.place, start=(x, y))),))

    def set_tabs(self, places: Sequence[tuple[float, float]]) -> None:
        """It has tabs at these places (mm), and no others."""
        self.wanted.emit((SetPlace(msgspec.structs.replace(self.place, tabs_at=tuple(places))),))

    def _turn(self) -> None:
        self.wanted.emit((SetPlace(msgspec.structs.replace(self.place, turned=not self.place.turned)),))

    def _plain(self) -> None:
        self.wanted.emit((SetPlace(Place(self.place.operation, self.place.contour)),))

    def _leave(self) -> None:
        operation = self._plan.operation(self._operation)
        without = (*operation.pick.without, self.place.contour)
        self.wanted.emit((SetPick(self._operation, msgspec.structs.replace(operation.pick, without=without)),))
