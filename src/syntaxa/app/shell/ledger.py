"""The ledger: every step with what it did, over the panel; and a bar that always says the latest of it."""

from __future__ import annotations

import math
from typing import TYPE_CHECKING

from PyQt6.QtCore import QModelIndex, QRect, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QFont, QKeyEvent, QPainter, QPen
from PyQt6.QtWidgets import (
    QApplication,
    QFrame,
    QHBoxLayout,
    QListWidget,
    QListWidgetItem,
    QStyle,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.canvas.layers.changes import ChangeMarks, ChangesLayer
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.widgets.labels import ElidedLabel, button, label
from syntaxa.app.words import counted, tr
from syntaxa.job.evaluate import Row
from syntaxa.job.step_changes import STEP_CHANGES, StepChanges

if TYPE_CHECKING:
    from syntaxa.app.shell.shell import Shell

#: What an item holds: the number of its step, the second line, and how far it moved anything (mm).
_NUMBER, _FIGURES, _FAR, _ALONG = 256, 257, 258, 259

#: mm at the two ends of the bar, which grows with the logarithm.
_LEAST, _MOST = 1e-3, 10.0

#: Pixels of a row.
_HEIGHT = 52


class LedgerBar(QFrame):
    """One line at the foot of the side: how many steps there are, and the last of them."""

    open_wanted = pyqtSignal()

    def __init__(self, shell: Shell) -> None:
        super().__init__()
        self.setObjectName("ledger")
        self._shell = shell
        row = QHBoxLayout(self)
        row.setContentsMargins(16, 6, 10, 6)
        row.addWidget(label(tr("Ledger"), "heading"))
        self._says = ElidedLabel("dim")
        row.addWidget(self._says, 1)
        self._open = button(tr("Show"), tr("Show the ledger over the panel"))
        self._open.setToolTip(tr("Shows every step with what it did (Ctrl+L)"))
        self._open.clicked.connect(self.open_wanted)
        row.addWidget(self._open)

    def show_open(self, shown: bool) -> None:
        """Whether the ledger is open."""
        self._open.setText(tr("Hide") if shown else tr("Show"))
        self._open.setAccessibleName(tr("Show the panel again") if shown else tr("Show the ledger over the panel"))

    def refresh(self) -> None:
        """Says what there is."""
        evaluation = self._shell.session.evaluation
        rows = evaluation.ledger if evaluation else ()
        lengths = self._shell.dress.lengths
        warned = sum(bool(r.failed or r.entry.missing) for r in rows)
        last = f": {lengths.sentence(rows[-1].title)}" if rows else ""
        steps = f"{counted(len(rows), 'step')}{last}" if rows else tr("Nothing was changed yet.")
        self._says.setText(tr("⚠ {0} to look at. {1}", warned, steps) if warned else steps)


class LedgerView(QFrame):
    """A row a step: a tick box, what it is, what it changed, moved, lengthened and dropped, and a bar of how far."""

    closed = pyqtSignal()

    def __init__(self, shell: Shell) -> None:
        super().__init__()
        self.setObjectName("ledgerPage")
        self._shell, self._session = shell, shell.session
        self._marks = ChangesLayer()
        self._open = False
        column = QVBoxLayout(self)
        column.setContentsMargins(16, 12, 16, 12)
        column.setSpacing(7)
        head = QHBoxLayout()
        head.addWidget(label(tr("Ledger"), "title"))
        self._sum = label("", "dim")
        head.addWidget(self._sum, 1)
        back = button(tr("Back to the panel"))
        back.clicked.connect(self.closed)
        head.addWidget(back)
        column.addLayout(head)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Ledger of steps"))
        self.list.setItemDelegate(_RowDelegate(self.list, shell))
        self.list.setUniformItemSizes(True)
        self.list.setVerticalScrollMode(QListWidget.ScrollMode.ScrollPerPixel)
        self.list.itemChanged.connect(self._switched)
        self.list.itemSelectionChanged.connect(self._selected)
        column.addWidget(self.list, 1)
        self._says = label("", "dim", wrap=True)
        column.addWidget(self._says)
        foot = QHBoxLayout()
        key = tr("Bar: how far anything was moved, from 0.001 to 10 mm; full off its line, open along it.")
        foot.addWidget(label(key, "dim", wrap=True), 1)
        self._remove = button(tr("Remove"), tr("Remove the chosen step"))
        self._remove.clicked.connect(self._remove_chosen)
        foot.addWidget(self._remove)
        column.addLayout(foot)

    def entered(self, shown: bool) -> None:
        """It is in front now, or is no longer."""
        if shown == self._open:
            return
        self._open = shown
        canvas = self._shell.canvas
        if shown:
            canvas.add(self._marks)
            self.refresh()
            self.list.setFocus()
        else:
            self._marks.show(None)
            canvas.drop(self._marks)
            canvas.scene_layer.fade("ledger", False)

    def refresh(self) -> None:
        """Shows the ledger as it is now."""
        evaluation = self._session.evaluation
        rows = evaluation.ledger if evaluation else ()
        chosen = self._chosen()
        self.list.blockSignals(True)
        self.list.clear()
        for row in rows:
            item = self._item(row)
            self.list.addItem(item)
            if chosen is not None and chosen.number == row.number:
                self.list.setCurrentItem(item)
        self.list.blockSignals(False)
        self._sum.setText(counted(len(rows), "step") if rows else tr("Nothing was changed yet."))
        self._selected()

    def _item(self, row: Row) -> QListWidgetItem:
        warned = "⚠ " if row.failed or row.entry.missing else ""
        item = QListWidgetItem(warned + self._lengths.sentence(row.title))
        if row.is_record:
            item.setFlags(item.flags() & ~Qt.ItemFlag.ItemIsUserCheckable)
        else:
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            item.setCheckState(Qt.CheckState.Checked if row.enabled else Qt.CheckState.Unchecked)
        item.setData(_NUMBER, row.number)
        item.setData(_FIGURES, figures_of(row, self._lengths))
        item.setData(_FAR, row.entry.max_mm if row.enabled else 0.0)
        item.setData(_ALONG, row.entry.along_mm if row.enabled else 0.0)
        said = self._lengths.sentence(said_of(row))
        item.setToolTip(f"{row.title}\n{said}")
        item.setData(Qt.ItemDataRole.AccessibleTextRole, f"{item.text()}. {item.data(_FIGURES)}. {said}")
        return item

    @property
    def _lengths(self) -> LengthFormat:
        return self._shell.dress.lengths

    def _chosen(self) -> Row | None:
        item, evaluation = self.list.currentItem(), self._session.evaluation
        if item is None or evaluation is None or not item.isSelected():
            return None
        return next((r for r in evaluation.ledger if r.number == item.data(_NUMBER)), None)

    def _selected(self) -> None:
        row = self._chosen()
        self._remove.setEnabled(row is not None and not row.is_record)
        changes = self._session.view(STEP_CHANGES, row.number) if row is not None and self._open else None
        self._says.setText("" if row is None else self._lengths.sentence(said_of(row)) + _shown_too(changes, row))
        self._says.setVisible(row is not None)
        marks = marks_of(changes) if changes is not None and changes.count else None
        self._marks.show(marks)
        self._shell.canvas.scene_layer.fade("ledger", marks is not None)

    def _switched(self, item: QListWidgetItem) -> None:
        self._session.switch(int(item.data(_NUMBER)), item.checkState() == Qt.CheckState.Checked)

    def _remove_chosen(self) -> None:
        row = self._chosen()
        if row is not None and not row.is_record:
            self._session.remove(row.number)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Delete:
            self._remove_chosen()
        else:
            super().keyPressEvent(event)


class _RowDelegate(QStyledItemDelegate):
    """Draws a row: the step, its figures beneath, and the bar at the foot."""

    def __init__(self, parent: QWidget, shell: Shell) -> None:
        super().__init__(parent)
        self._shell = shell

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(200, _HEIGHT)

    def paint(self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex) -> None:
        if painter is None:
            return
        own = QStyleOptionViewItem(option)
        self.initStyleOption(own, index)
        text, own.text = own.text or "", ""
        style = own.widget.style() if own.widget is not None else QApplication.style()
        if style is None:
            return
        tokens = self._shell.dress.tokens
        # The selection is light, so that figures and bar read as they do elsewhere.
        chosen = bool(own.state & QStyle.StateFlag.State_Selected)
        own.state &= ~QStyle.StateFlag.State_Selected
        painter.save()
        painter.fillRect(own.rect, QColor(tokens.soft if chosen else tokens.raised))
        style.drawControl(QStyle.ControlElement.CE_ItemViewItem, own, painter, own.widget)
        _draw_row(painter, own.rect, text, index, tokens)
        painter.restore()


def _draw_row(painter: QPainter, rect: QRect, text: str, index: QModelIndex, tokens: Tokens) -> None:
    left, width = rect.left() + 30, rect.width() - 40
    metrics = painter.fontMetrics()
    painter.setPen(QColor(tokens.text))
    shown = metrics.elidedText(text, Qt.TextElideMode.ElideMiddle, width)
    painter.drawText(QRectF(left, rect.top() + 4, width, 18), Qt.AlignmentFlag.AlignVCenter, shown)
    font = QFont(figure_font(11))
    painter.setFont(font)
    painter.setPen(QColor(tokens.dim))
    figures = painter.fontMetrics().elidedText(str(index.data(_FIGURES)), Qt.TextElideMode.ElideRight, width)
    painter.drawText(QRectF(left, rect.top() + 22, width, 16), Qt.AlignmentFlag.AlignVCenter, figures)
    frame = QRectF(left, rect.bottom() - 9, width, 4)
    painter.fillRect(frame, QColor(tokens.grid))
    painter.setPen(QPen(QColor(tokens.accent), 1))
    along, far = bar_share(float(index.data(_ALONG) or 0.0)), bar_share(float(index.data(_FAR) or 0.0))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    if along:
        painter.drawRect(QRectF(frame.left(), frame.top(), along * width, frame.height()))
    if far:
        painter.fillRect(QRectF(frame.left(), frame.top(), far * width, frame.height()), QColor(tokens.persimmon))
    painter.setPen(QColor(tokens.line))
    painter.drawLine(rect.left(), rect.bottom(), rect.right(), rect.bottom())


def bar_share(far: float) -> float:
    """Share of the bar for a distance (mm): it grows with the logarithm; 0 for none at all."""
    if far <= 0:
        return 0.0
    return min(max(math.log(far / _LEAST) / math.log(_MOST / _LEAST), 0.02), 1.0)


def figures_of(row: Row, lengths: LengthFormat) -> str:
    """What a step changed, moved, lengthened and dropped, as short as it goes."""
    if not row.enabled:
        return tr("off")
    if row.failed:
        return tr("skipped")
    entry = row.entry
    parts = [tr("{0} changed", entry.changed) if entry.changed else tr("nothing changed")]
    moves = ((tr("moved"), entry.max_mm), (tr("lengthened"), entry.along_mm), (tr("dropped"), entry.dropped_mm))
    parts += [f"{what} {lengths.small(far)}" for what, far in moves if far]
    return " · ".join(parts)


def said_of(row: Row) -> str:
    """What a step says of itself, whole."""
    if not row.enabled:
        return tr("This step is switched off.")
    if row.failed:
        return tr("Skipped: {0}", row.failed)
    parts = [row.entry.says]
    if row.entry.dropped_mm:
        parts.append(tr("{0:.4g} mm of curve dropped.", row.entry.dropped_mm))
    if row.entry.missing:
        more = " …" if len(row.entry.missing) > 3 else ""
        parts.append(tr("Not found any more: {0}{1}.", ", ".join(row.entry.missing[:3]), more))
    parts.append(tr("Took {0:.2f} s.", row.seconds))
    return " ".join(parts)


def _shown_too(changes: StepChanges | None, row: Row) -> str:
    """What is to be seen of it on the drawing."""
    if changes is None or not row.enabled or row.failed:
        return ""
    if changes.placed:
        return tr(" It is about everything, so nothing is marked on the drawing.")
    if not changes.count:
        return tr(" No curve looks any different.")
    return tr(" Marked on the drawing (+ came, − went): {0}.", counted(changes.count, "curve"))


def marks_of(changes: StepChanges) -> ChangeMarks:
    """What a step did, as marks for the canvas."""
    return ChangeMarks(changes.added, changes.removed, changes.changed, changes.cut)
