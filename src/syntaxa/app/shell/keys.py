"""What holds for every field of the program, in one filter: the wheel, the keys of commands, Escape, and typed values.

- The wheel changes no field unless it has the focus; the page under it scrolls instead.
- While a tool waits for typed values, digits go to it, and no single key is a command.
- In a field the keys of commands are commands, except those that edit the text in it.
- Escape ends what is going on in the order that the window says.
"""

from __future__ import annotations

from typing import Protocol

from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtGui import QKeyEvent, QKeySequence, QWheelEvent
from PyQt6.QtWidgets import (
    QAbstractButton,
    QAbstractScrollArea,
    QAbstractSlider,
    QAbstractSpinBox,
    QApplication,
    QComboBox,
    QLineEdit,
    QScrollBar,
    QWidget,
)

#: Keys with Ctrl that edit the text of a field.
_EDITING = {Qt.Key.Key_C, Qt.Key.Key_V, Qt.Key.Key_X, Qt.Key.Key_A, Qt.Key.Key_Left, Qt.Key.Key_Right, Qt.Key.Key_Home,
            Qt.Key.Key_End, Qt.Key.Key_Backspace, Qt.Key.Key_Delete, Qt.Key.Key_Insert}  # fmt: skip

#: What a typed point or value can begin with.
_NUMERIC = frozenset("0123456789.,-+@<'\"/")


#: What tells its name in a tool tip where it has no other.
_TELLING = (QAbstractButton, QComboBox, QLineEdit, QAbstractSpinBox, QAbstractSlider)


class Host(Protocol):
    """What the filter asks of the window."""

    def window_of(self, widget: QWidget) -> bool:
        """Whether a widget lies in it."""

    def tool_waits(self) -> bool:
        """Whether a tool takes typed values now."""

    def type_into_tool(self, text: str) -> None:
        """What was typed goes to the tool."""

    def finish_in_tool(self) -> None:
        """Return, while nothing is typed."""

    def escape(self) -> bool:
        """Ends what is going on; whether there was anything."""

    def has_command(self, keys: QKeySequence) -> bool:
        """Whether keys belong to a command."""


class Habits(QObject):
    """The filter; installed on the application for one window."""

    def __init__(self, host: Host, parent: QWidget) -> None:
        super().__init__(parent)
        self._host = host
        for widget in parent.findChildren(QWidget):
            _calm(widget)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if event is None or not isinstance(watched, QWidget):
            return False
        # Every event of the program comes by here, and to ask one for its type is dear: its class tells most.
        if type(event) is QEvent:
            if event.type() == QEvent.Type.Polish:
                _calm(watched)
        elif isinstance(event, QWheelEvent):
            return _scrolls_instead(watched, event)
        elif isinstance(event, QKeyEvent) and not QApplication.activePopupWidget() and self._host.window_of(watched):
            kind = event.type()
            if kind == QEvent.Type.ShortcutOverride:
                return self._override(watched, event)
            if kind == QEvent.Type.KeyPress:
                return self._key(watched, event)
        return False

    def _override(self, watched: QWidget, event: QKeyEvent) -> bool:
        """Who has a key, a command or the widget: decided before either sees it."""
        field = _text_of(watched)
        if field is not None:
            return self._command_in_field(field, event)
        if self._host.tool_waits() and _is_plain(event):
            # The widget has it; the command does not see it.
            event.accept()
            return True
        return False

    def _command_in_field(self, field: QLineEdit, event: QKeyEvent) -> bool:
        if not event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            return False
        key = Qt.Key(event.key())
        shifted = bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier)
        if key == Qt.Key.Key_Z and (field.isRedoAvailable() if shifted else field.isUndoAvailable()):
            return False
        if (key in _EDITING and not shifted) or not self._host.has_command(QKeySequence(event.keyCombination())):
            return False
        event.ignore()
        return True

    def _key(self, watched: QWidget, event: QKeyEvent) -> bool:
        if event.key() == Qt.Key.Key_Escape:
            return self._host.escape()
        if _text_of(watched) is None and self._host.tool_waits() and _is_plain(event):
            if event.text() in _NUMERIC:
                self._host.type_into_tool(event.text())
            return True
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and self._host.tool_waits() and _draws(watched):
            self._host.finish_in_tool()
            return True
        return False


def _text_of(widget: QWidget) -> QLineEdit | None:
    """The line of text that a field writes into: itself, or the one of a spin box or of a list that can be typed in."""
    if isinstance(widget, QLineEdit):
        return widget
    if isinstance(widget, QComboBox):
        return widget.lineEdit()
    return widget.findChild(QLineEdit) if isinstance(widget, QAbstractSpinBox) else None


def _draws(widget: QWidget) -> bool:
    """Whether Return means the tool: not in a field or on a button, which use it, nor where it comes up from one."""
    return widget.hasFocus() and _text_of(widget) is None and not isinstance(widget, QAbstractButton)


def _is_plain(event: QKeyEvent) -> bool:
    """Whether a key just writes a letter or a sign."""
    rest = event.modifiers() & ~(Qt.KeyboardModifier.ShiftModifier | Qt.KeyboardModifier.KeypadModifier)
    return rest == Qt.KeyboardModifier.NoModifier and len(event.text()) == 1 and event.text().isprintable() \
        and not event.text().isspace()  # fmt: skip


def _calm(widget: QWidget) -> None:
    """A field that would take the focus by the wheel takes it by click and Tab; one without a tip tells its name."""
    if isinstance(widget, _TELLING) and not widget.toolTip():
        widget.setToolTip(widget.accessibleName())
    if _is_field(widget) and widget.focusPolicy() == Qt.FocusPolicy.WheelFocus:
        widget.setFocusPolicy(Qt.FocusPolicy.StrongFocus)


def _is_field(widget: QWidget) -> bool:
    slider = isinstance(widget, QAbstractSlider) and not isinstance(widget, QScrollBar)
    return slider or isinstance(widget, QComboBox | QAbstractSpinBox)


def _scrolls_instead(widget: QWidget, event: QWheelEvent) -> bool:
    """Whether a wheel event over a field without the focus was given to the page that it lies on."""
    field: QWidget | None = widget
    if not _is_field(widget):
        # The line of text in a spin box is a widget of its own.
        field = widget.parentWidget() if isinstance(widget.parentWidget(), QAbstractSpinBox | QComboBox) else None
    if field is None or field.hasFocus() or widget.hasFocus():
        return False
    above = field.parentWidget()
    while above is not None and not isinstance(above, QAbstractScrollArea):
        above = above.parentWidget()
    view = above.viewport() if isinstance(above, QAbstractScrollArea) else None
    if view is not None:
        place = view.mapFromGlobal(event.globalPosition())
        QApplication.sendEvent(
            view,
            QWheelEvent(
                place, event.globalPosition(), event.pixelDelta(), event.angleDelta(), event.buttons(),
                event.modifiers(), event.phase(), event.inverted(),
            ),
        )  # fmt: skip
    return True
