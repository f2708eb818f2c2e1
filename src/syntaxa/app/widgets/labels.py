"""Labels with a role that the style sheet knows, and other small makings."""

from __future__ import annotations

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtGui import QResizeEvent
from PyQt6.QtWidgets import (
    QComboBox,
    QHBoxLayout,
    QHeaderView,
    QLabel,
    QPushButton,
    QSizePolicy,
    QTableView,
    QTableWidget,
    QTableWidgetItem,
    QWidget,
)

from syntaxa.app.theme.style import figure_font

#: Pixels between two widgets of a row.
_SPACE = 7


def label(text: str, role: str = "", wrap: bool = False) -> QLabel:
    """A label; roles: title, heading, dim, figure, warning, good."""
    made = QLabel(text)
    made.setProperty("role", role)
    made.setWordWrap(wrap)
    if role in ("warning", "good"):
        made.setContentsMargins(12, 7, 10, 7)
    if role == "figure":
        made.setTextInteractionFlags(Qt.TextInteractionFlag.TextSelectableByMouse)
    return made


def lines_kept(one: QLabel, count: int) -> QLabel:
    """Keeps room for so many lines, so that nothing below jumps when more is told."""
    one.setMinimumHeight(count * one.fontMetrics().lineSpacing() + 4)
    one.setAlignment(Qt.AlignmentFlag.AlignTop)
    return one


class ElidedLabel(QLabel):
    """A label on one line that leaves out the middle of what does not fit; the tool tip has all of it."""

    def __init__(self, role: str = "") -> None:
        super().__init__()
        self.setProperty("role", role)
        self.setMinimumWidth(24)
        self._whole = ""

    def setText(self, text: str | None) -> None:
        self._whole = text or ""
        self.setToolTip(self._whole)
        self._elide()

    def text(self) -> str:
        return self._whole

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._elide()

    def sizeHint(self) -> QSize:
        return QSize(self.fontMetrics().horizontalAdvance(self._whole) + 6, super().sizeHint().height())

    def _elide(self) -> None:
        super().setText(self.fontMetrics().elidedText(self._whole, Qt.TextElideMode.ElideMiddle, self.width()))


def set_role(widget: QWidget, role: str) -> None:
    """Gives a widget another role and has it drawn anew."""
    widget.setProperty("role", role)
    framed = role in ("warning", "good")
    widget.setContentsMargins(*((12, 7, 10, 7) if framed else (0, 0, 0, 0)))
    style = widget.style()
    if style is not None:
        style.unpolish(widget)
        style.polish(widget)


def button(text: str, name: str = "", primary: bool = False) -> QPushButton:
    """A push button with an accessible name."""
    made = QPushButton(text)
    made.setAccessibleName(name or text)
    made.setToolTip(name or text)
    made.setProperty("primary", primary)
    made.setAutoDefault(False)
    return made


def narrow(combo: QComboBox) -> QComboBox:
    """A combo box that may be narrower than its longest entry."""
    combo.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
    combo.setMinimumContentsLength(6)
    return combo


def roomy(combo: QComboBox) -> QComboBox:
    """A combo box that may be narrow, and takes what room is left in its row."""
    combo.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
    return narrow(combo)


def table(name: str, heads: tuple[str, ...], stretch: int) -> QTableWidget:
    """A read-only table of whole rows."""
    made = QTableWidget(0, len(heads))
    made.setHorizontalHeaderLabels(heads)
    made.setEditTriggers(QTableWidget.EditTrigger.NoEditTriggers)
    heads_shown = lay_out(made, name, stretch)
    heads_shown.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignVCenter)
    for k in range(1, len(heads)):
        head = made.horizontalHeaderItem(k)
        if head is not None:
            head.setTextAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
    return made


def lay_out(view: QTableView, name: str, stretch: int) -> QHeaderView:
    """Gives a table whole rows, one chosen at a time, and one column that takes the room that is left."""
    view.setAccessibleName(name)
    view.setSelectionBehavior(QTableView.SelectionBehavior.SelectRows)
    view.setSelectionMode(QTableView.SelectionMode.SingleSelection)
    view.setShowGrid(False)
    view.setTabKeyNavigation(False)
    view.setWordWrap(False)
    view.setMinimumHeight(96)
    rows, columns = view.verticalHeader(), view.horizontalHeader()
    assert rows is not None, "a table has a header for its rows"
    assert columns is not None, "a table has a header for its columns"
    rows.hide()
    rows.setDefaultSectionSize(28)
    columns.setHighlightSections(False)
    for k in range(columns.count()):
        mode = QHeaderView.ResizeMode.Stretch if k == stretch else QHeaderView.ResizeMode.ResizeToContents
        columns.setSectionResizeMode(k, mode)
    return columns


def cell(text: str, figure: bool = False, tip: str = "") -> QTableWidgetItem:
    """A cell; figures stand to the right in letters of one width."""
    item = QTableWidgetItem(text)
    if figure:
        item.setFont(figure_font())
        item.setTextAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
    if tip:
        item.setToolTip(tip)
    return item


def row_of(*parts: QWidget | None) -> QHBoxLayout:
    """Widgets side by side; None takes what room is left."""
    row = QHBoxLayout()
    row.setContentsMargins(0, 0, 0, 0)
    # In a grid whose two spacings differ it would have none of its own.
    row.setSpacing(_SPACE)
    for part in parts:
        if part is None:
            row.addStretch()
        else:
            row.addWidget(part)
    return row
