"""The look and the display unit: how everything is shown."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtWidgets import QApplication, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.settings import Settings
from syntaxa.app.theme.style import dress, dressing
from syntaxa.app.theme.tokens import LOOKS, Tokens

#: Milliseconds between two parts of work that must not hold the window: with none, the parts would follow each other
#: before anything else had its turn.
BREATH = 1

#: Nothing is left to be put on.
_DONE = object()


class Dress(QObject):
    """Holds both, and tells when one changes."""

    changed = pyqtSignal()

    def __init__(self, settings: Settings, window: QWidget, parent: QObject) -> None:
        super().__init__(parent)
        self._window = window
        self._settings = settings
        self.tokens: Tokens = LOOKS[settings.values.look]
        self.lengths = LengthFormat(settings.values.display_unit)
        self._put_on()

    def switch_look(self) -> None:
        """Changes between Paper and Night."""
        self._settings.values.look = "night" if self.tokens.name == "paper" else "paper"
        self.tokens = LOOKS[self._settings.values.look]
        application = QApplication.instance()
        if isinstance(application, QApplication):
            self._change_clothes(dressing(application, self.tokens))

    def set_unit(self, unit: str) -> None:
        """Shows lengths in another unit; nothing else changes."""
        self._settings.values.display_unit = unit
        self.lengths = LengthFormat(unit)
        self.changed.emit()

    def _change_clothes(self, goes: Iterator[None]) -> None:
        """A go at a time, so that nobody waits long; half dressed the window shows what it showed before."""
        self._window.setUpdatesEnabled(False)
        if next(goes, _DONE) is _DONE:
            QTimer.singleShot(BREATH, self._dressed)
        else:
            QTimer.singleShot(BREATH, lambda: self._change_clothes(goes))

    def _dressed(self) -> None:
        self._window.setUpdatesEnabled(True)
        self.changed.emit()

    def _put_on(self) -> None:
        """Fonts and colours; also before anything is made, for widgets keep the font that they are born with."""
        application = QApplication.instance()
        if isinstance(application, QApplication):
            dress(application, self.tokens)
