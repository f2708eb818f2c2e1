"""Long read-only lists: a model that makes the text of a cell only when it is shown."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QItemSelectionModel, QModelIndex, Qt
from PyQt6.QtGui import QIcon
from PyQt6.QtWidgets import QTableView

from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import lay_out

#: Rows that are looked at to find how wide a column must be.
_ROWS_MEASURED = 40


@dataclass(frozen=True, slots=True)
class Column:
    """A column: its head, the text of a row in it, and whether it holds figures."""

    head: str
    text: Callable[[Any], str]
    figure: bool = True
    icon: Callable[[Any], QIcon] | None = None
    tip: Callable[[Any], str] | None = None


class RowsModel(QAbstractTableModel):
    """Rows of anything, shown through columns."""

    def __init__(self, columns: Sequence[Column]) -> None:
        super().__init__()
        self._columns = columns
        self.rows: Sequence[Any] = ()

    def show_rows(self, rows: Sequence[Any]) -> None:
        """Takes new rows."""
        self.beginResetModel()
        self.rows = rows
        self.endResetModel()

    def rowCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008  Qt's own default
        return 0 if parent.isValid() else len(self.rows)

    def columnCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008  Qt's own default
        return 0 if parent.isValid() else len(self._columns)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        if orientation != Qt.Orientation.Horizontal:
            return None
        if role == Qt.ItemDataRole.DisplayRole:
            return self._columns[section].head
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _alignment(self._columns[section])
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        column, row = self._columns[index.column()], self.rows[index.row()]
        if role == Qt.ItemDataRole.DisplayRole:
            return column.text(row)
        if role == Qt.ItemDataRole.DecorationRole and column.icon is not None:
            return column.icon(row)
        if role == Qt.ItemDataRole.ToolTipRole and column.tip is not None:
            return column.tip(row)
        if role == Qt.ItemDataRole.FontRole and column.figure:
            return figure_font()
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _alignment(column)
        return None


class RowsView(QTableView):
    """Shows a model of whole rows, one chosen at a time."""

    def __init__(self, name: str, columns: Sequence[Column]) -> None:
        super().__init__()
        self.model_ = RowsModel(columns)
        self.setModel(self.model_)
        lay_out(self, name, stretch=0).setResizeContentsPrecision(_ROWS_MEASURED)

    def selection(self) -> QItemSelectionModel:
        """What is chosen."""
        selection = self.selectionModel()
        assert selection is not None, "a view with a model has a selection"
        return selection

    def chosen_row(self) -> int:
        """Index of the chosen row, or -1."""
        rows = self.selection().selectedRows()
        return rows[0].row() if rows else -1


def _alignment(column: Column) -> int:
    side = Qt.AlignmentFlag.AlignRight if column.figure else Qt.AlignmentFlag.AlignLeft
    return int((side | Qt.AlignmentFlag.AlignVCenter).value)
