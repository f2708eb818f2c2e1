"""The status line: cursor, unit, selection, findings, and what is being computed."""

from __future__ import annotations

from PyQt6.QtCore import QTimer, pyqtSignal
from PyQt6.QtGui import QResizeEvent
from PyQt6.QtWidgets import QProgressBar, QStatusBar, QWidget

from syntaxa.app.canvas.selection import Selection
from syntaxa.app.lengths import FEET_AND_INCHES, LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import ElidedLabel, button, label
from syntaxa.app.words import tr

#: Milliseconds that a message stays.
_STAYS = 8000

#: Pixels between two parts of the line.
_BETWEEN = 12

#: Units that would read oddly by their signs.
_UNITS = {"in": "inches", "ft": "feet", FEET_AND_INCHES: "feet and inches"}


class StatusLine(QStatusBar):
    """One line at the bottom of the window."""

    cancel_wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setSizeGripEnabled(False)
        self._cursor = label("")
        self._cursor.setFont(figure_font())
        self._cursor.setMinimumWidth(230)
        self._cursor.setAccessibleName(tr("Cursor position"))
        self._unit = label("", "dim")
        self._selection = label("", "dim")
        self._findings = label("", "dim")
        self._work = label("", "dim")
        self._bar = QProgressBar()
        self._bar.setAccessibleName(tr("Progress"))
        self._bar.setFixedWidth(120)
        self._bar.setTextVisible(False)
        self._stop = button(tr("Stop"), tr("Stop computing"))
        self._stop.clicked.connect(self.cancel_wanted)
        self._message = ElidedLabel()
        self._gone = QTimer(self)
        self._gone.setSingleShot(True)
        self._gone.setInterval(_STAYS)
        self._gone.timeout.connect(lambda: self.tell(""))
        for part in (self._cursor, self._selection):
            self.addWidget(part)
        self.addWidget(self._message, 1)
        self._at_the_end = (self._work, self._bar, self._stop, self._findings, self._unit)
        for fixed in self._at_the_end:
            self.addPermanentWidget(fixed)
        self.show_work("")

    @property
    def message(self) -> str:
        """What is told for a while; empty where nothing is."""
        return self._message.text()

    def tell(self, sentence: str) -> None:
        """Shows a message for a while; where there is no room, the place of the cursor goes first for it."""
        self._message.setText(sentence)
        self._message.setAccessibleName(sentence)
        self._make_room()
        if sentence:
            self._gone.start()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._make_room()

    def _make_room(self) -> None:
        at_the_end = (p for p in self._at_the_end if not p.isHidden())
        left = self.width() - sum(_width(p) for p in (self._message, *at_the_end))
        for part in (self._selection, self._cursor):
            there = not self.message or _width(part) <= left
            part.setVisible(there)
            left -= _width(part) if there else 0

    def show_cursor(self, x: float, y: float, lengths: LengthFormat) -> None:
        """Where the cursor is (mm)."""
        where = f"x {lengths.number(x)}   y {lengths.number(y)}"
        self._cursor.setText(where)
        self._cursor.setAccessibleName(tr("Cursor at {0}", where))

    def show_unit(self, unit: str) -> None:
        """The display unit."""
        self._unit.setText(tr("lengths in {0}", _UNITS.get(unit, unit)))

    def show_selection(self, selection: Selection, lengths: LengthFormat) -> None:
        """How many curves are selected, and their total length."""
        count = len(selection.rows)
        if not count:
            self._selection.setText("")
        elif count == 1:
            self._selection.setText(lengths.describe(selection.curves()[0]))
        else:
            self._selection.setText(tr("{0} curves, {1} in all", count, lengths.text(selection.length)))
        self._make_room()

    def show_standing(self, text: str) -> None:
        """What the stages say of the job as it stands."""
        self._findings.setText(text)

    def show_work(self, title: str) -> None:
        """What is being computed; nothing where the title is empty."""
        self._work.setText(said(title))
        for part in (self._work, self._bar, self._stop):
            part.setVisible(bool(title))
        self._make_room()
        if not title:
            self._bar.setValue(0)

    def show_progress(self, title: str, share: float) -> None:
        """How far it is."""
        self._work.setText(said(title))
        # A bar draws itself at once, and with it all of the window that waits to be drawn: at the next turn will do.
        self._bar.setUpdatesEnabled(False)
        self._bar.setValue(round(100 * share))
        self._bar.setUpdatesEnabled(True)


def _width(part: QWidget) -> int:
    return max(part.sizeHint().width(), part.minimumWidth()) + _BETWEEN
