"""The look and the display unit: how everything is shown."""

from __future__ import annotations

from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtWidgets import QApplication

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.settings import Settings
from syntaxa.app.theme.style import dress
from syntaxa.app.theme.tokens import LOOKS, Tokens


class Dress(QObject):
    """Holds both, and tells when one changes."""

    changed = pyqtSignal()

    def __init__(self, settings: Settings, parent: QObject) -> None:
        super().__init__(parent)
        self._settings = settings
        self.tokens: Tokens = LOOKS[settings.values.look]
        self.lengths = LengthFormat(settings.values.display_unit)
        self._put_on()

    def switch_look(self) -> None:
        """Changes between Paper and Night."""
        self._settings.values.look = "night" if self.tokens.name == "paper" else "paper"
        self.tokens = LOOKS[self._settings.values.look]
        self._put_on()
        self.changed.emit()

    def set_unit(self, unit: str) -> None:
        """Shows lengths in another unit; nothing else changes."""
        self._settings.values.display_unit = unit
        self.lengths = LengthFormat(unit)
        self.changed.emit()

    def _put_on(self) -> None:
        """Fonts and colours; also before anything is made, for widgets keep the font that they are born with."""
        application = QApplication.instance()
        if isinstance(application, QApplication):
            dress(application, self.tokens)
