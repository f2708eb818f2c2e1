"""Find a command by typing a part of its name."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtGui import QAction, QKeyEvent
from PyQt6.QtWidgets import QFrame, QLineEdit, QListWidget, QListWidgetItem, QVBoxLayout, QWidget

from syntaxa.app.words import tr


class CommandPalette(QFrame):
    """A field and a list over the window; Return runs, Escape closes."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self.setObjectName("commandPalette")
        self._actions: list[QAction] = []
        self._field = QLineEdit()
        self._field.setPlaceholderText(tr("Type a part of a command"))
        self._field.setAccessibleName(tr("Find a command"))
        self._field.textChanged.connect(self._filter)
        self._field.returnPressed.connect(self._run)
        self._field.installEventFilter(self)
        self._list = QListWidget()
        self._list.setAccessibleName(tr("Commands found"))
        self._list.itemActivated.connect(lambda _item: self._run())
        column = QVBoxLayout(self)
        column.setContentsMargins(10, 10, 10, 10)
        column.addWidget(self._field)
        column.addWidget(self._list)
        self.hide()

    def open_with(self, actions: list[QAction]) -> None:
        """Shows the commands that can be had now."""
        self._actions = [a for a in actions if a.isEnabled()]
        window = self.parentWidget()
        assert window is not None, "a palette lies over a window"
        width = min(520, window.width() - 40)
        self.setGeometry((window.width() - width) // 2, 70, width, 380)
        self._field.clear()
        self._filter("")
        self.show()
        self.raise_()
        self._field.setFocus()

    def _filter(self, text: str) -> None:
        words, wanted = text.lower().split(), text.lower().strip()
        titles = [action.text().replace("&", "") for action in self._actions]
        found = [k for k, title in enumerate(titles) if all(word in title.lower() for word in words)]
        # What begins with what was typed comes first, then what has it word for word.
        found.sort(key=lambda k: (not titles[k].lower().startswith(wanted), wanted not in titles[k].lower()))
        self._list.clear()
        for k in found:
            keys = self._actions[k].shortcut().toString()
            item = QListWidgetItem(self._actions[k].icon(), f"{titles[k]}   {keys}" if keys else titles[k])
            item.setData(Qt.ItemDataRole.UserRole, k)
            self._list.addItem(item)
        self._list.setCurrentRow(0)

    def _run(self) -> None:
        item = self._list.currentItem()
        self.hide()
        if item is not None:
            self._actions[item.data(Qt.ItemDataRole.UserRole)].trigger()

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress:
            if event.key() == Qt.Key.Key_Escape:
                self.hide()
                return True
            if event.key() in (Qt.Key.Key_Down, Qt.Key.Key_Up):
                step = 1 if event.key() == Qt.Key.Key_Down else -1
                row = self._list.currentRow() + step
                self._list.setCurrentRow(min(max(row, 0), self._list.count() - 1))
                return True
        return super().eventFilter(watched, event)
