"""What the filter of keys asks: who waits for typed values, and what Escape ends."""

from __future__ import annotations

from PyQt6.QtGui import QKeySequence
from PyQt6.QtWidgets import QLineEdit, QMainWindow, QWidget

from syntaxa.app.shell.menus import Menus
from syntaxa.app.shell.shell import Shell


class Typing:
    """Answers for one window."""

    def __init__(self, window: QMainWindow, shell: Shell, menus: Menus) -> None:
        self._window, self._shell, self._menus = window, shell, menus

    def window_of(self, widget: QWidget) -> bool:
        """Whether a widget lies in this window, and not in a dialog of it."""
        return widget.window() is self._window

    def tool_waits(self) -> bool:
        """Whether a tool takes typed values now."""
        return any(f.waits_for_typing() for f in self._shell.features)

    def type_into_tool(self, text: str) -> None:
        """What was typed over the drawing goes to the tool."""
        for feature in self._shell.features:
            if feature.waits_for_typing():
                feature.type_text(text)

    def finish_in_tool(self) -> None:
        """Return over the drawing is Return in the field of the tool."""
        for feature in self._shell.features:
            if feature.waits_for_typing():
                feature.finish_typing()

    def escape(self) -> bool:
        """Ends the tool; else leaves the field that is typed in as it was; else picking, then what is selected."""
        canvas, field = self._shell.canvas, self._window.focusWidget()
        strips = [f.strip for f in self._shell.features if f.strip is not None]
        in_strip = field is not None and any(s.isAncestorOf(field) for s in strips)
        typed = isinstance(field, QLineEdit) and field.isModified() and not in_strip
        if any(part.escape() for part in (*self._shell.features, self._shell.stage)):
            if typed:
                # Left now, the field would tell what was typed in it; that is the next Escape's.
                return True
        elif typed and isinstance(field, QLineEdit):
            while field.isUndoAvailable():
                field.undo()
            field.setModified(False)
        elif field is not canvas and isinstance(field, QLineEdit):
            canvas.setFocus()
        elif canvas.tool.waits:
            canvas.give_up()
        elif canvas.selection.rows and self._shell.stage.front() is None:
            canvas.selection.clear()
        else:
            return False
        if self._shell.stage.front() is None:
            canvas.setFocus()
        return True

    def has_command(self, keys: QKeySequence) -> bool:
        """Whether keys belong to a command."""
        return self._menus.has_keys(keys)
