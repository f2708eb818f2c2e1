"""What holds for every field of the program, in one place: the wheel, the keys of commands, Escape, and typed values.

- The wheel changes no field unless it has the focus; the page under it scrolls instead.
- While a tool waits for typed values, digits go to it, and no single key is a command.
- In a field the keys of commands are commands, except those that edit the text in it.
- Escape ends what is going on in the order that the window says.
- A control without a tip tells its name when the mouse comes over it.

None of this looks at every event of the program: that would cost a third of the time of all that a window does. The
wheel and the mouse are seen where the desktop hands them over, keys where the focus is.
"""

from __future__ import annotations

from typing import Protocol

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSlot
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QKeySequence, QMouseEvent, QWheelEvent, QWindow
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
    """The habits of one window and of its dialogs."""

    def __init__(self, host: Host, parent: QWidget) -> None:
        super().__init__(parent)
        self._host = host
        self._under: QWidget | None = None
        self._window = parent
        parent.installEventFilter(self)
        self._application = QApplication.instance()
        if isinstance(self._application, QApplication):
            self._application.focusChanged.connect(self._follow_focus)
            self._application.focusWindowChanged.connect(self.watch)

    @pyqtSlot(QWindow)
    def watch(self, window: QWindow | None) -> None:
        """Sees to the wheel and the mouse in a window of the desktop from now on."""
        if window is not None:
            window.installEventFilter(self)

    def leave(self) -> None:
        """The window closes: no key is ours any longer, wherever the focus goes."""
        if isinstance(self._application, QApplication):
            self._application.focusChanged.disconnect(self._follow_focus)
            self._application.focusWindowChanged.disconnect(self.watch)
        self._window.removeEventFilter(self)
        self._follow_focus(QApplication.focusWidget(), None)
        for window in QGuiApplication.allWindows():
            window.removeEventFilter(self)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        # To ask an event for its type is dear: its class tells most.
        if isinstance(watched, QWindow):
            if isinstance(event, QWheelEvent):
                return self._wheel(watched, event)
            if isinstance(event, QMouseEvent) and event.type() == QEvent.Type.MouseMove and not event.buttons():
                self._tell_name(_under(watched, event))
        elif isinstance(event, QKeyEvent) and isinstance(watched, QWidget) and not QApplication.activePopupWidget():
            return self._host.window_of(watched) and self._any_key(watched, event)
        return False

    @pyqtSlot(QWidget, QWidget)
    def _follow_focus(self, before: QWidget | None, now: QWidget | None) -> None:
        if before is not None and before is not self._window:
            before.removeEventFilter(self)
        if now is not None:
            now.installEventFilter(self)

    def _wheel(self, window: QWindow, event: QWheelEvent) -> bool:
        widget = _under(window, event)
        return widget is not None and _scrolls_instead(widget, event)

    def _tell_name(self, widget: QWidget | None) -> None:
        """A control without a tip of its own has its name for one."""
        if widget is not self._under:
            self._under = widget
            if isinstance(widget, _TELLING) and not widget.toolTip():
                widget.setToolTip(widget.accessibleName())

    def _any_key(self, watched: QWidget, event: QKeyEvent) -> bool:
        kind = event.type()
        if kind == QEvent.Type.ShortcutOverride:
            return self._override(watched, event)
        return kind == QEvent.Type.KeyPress and self._key(watched, event)

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


def _under(window: QWindow, event: QWheelEvent | QMouseEvent) -> QWidget | None:
    """The widget that an event of a window of the desktop will come to."""
    top = QWidget.find(window.winId())
    return None if top is None else top.childAt(event.position().toPoint())


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
