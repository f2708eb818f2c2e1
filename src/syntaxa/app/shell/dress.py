"""The look and the display unit: how everything is shown."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence

from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtWidgets import QApplication, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.settings import Settings
from syntaxa.app.theme.style import dress, dressing, redressing, undressing
from syntaxa.app.theme.tokens import LOOKS, Tokens

#: Milliseconds between two parts of work that must not hold the window: with none, the parts would follow each other
#: before anything else had its turn.
BREATH = 1


class Dress(QObject):
    """Holds both, and tells when one changes.

    out_of_sight   which widgets nobody sees until `finish` was called
    """

    changed = pyqtSignal()

    def __init__(
        self, settings: Settings, window: QWidget, out_of_sight: Callable[[], Sequence[QWidget]], parent: QObject
    ) -> None:
        super().__init__(parent)
        self._window = window
        self._settings = settings
        self._out_of_sight = out_of_sight
        #: What is left to be done of a change of look.
        self._goes: Iterator[None] = iter(())
        self.tokens: Tokens = LOOKS[settings.values.look]
        self.lengths = LengthFormat(settings.values.display_unit)
        self._put_on()

    def switch_look(self) -> None:
        """Changes between Paper and Night, some widgets at a time, so that nobody waits long."""
        self.finish()
        self._settings.values.look = "night" if self.tokens.name == "paper" else "paper"
        self.tokens = LOOKS[self._settings.values.look]
        application = QApplication.instance()
        if isinstance(application, QApplication):
            self._goes = self._change_clothes(application)
            self._go_on()

    def finish(self) -> None:
        """Ends a change of look that is under way: somebody will see what was out of sight."""
        for _ in self._goes:
            pass

    def set_unit(self, unit: str) -> None:
        """Shows lengths in another unit; nothing else changes."""
        self._settings.values.display_unit = unit
        self.lengths = LengthFormat(unit)
        self.changed.emit()

    def _change_clothes(self, application: QApplication) -> Iterator[None]:
        hidden = self._out_of_sight()
        yield from undressing(hidden)
        # Half dressed the window shows what it showed before.
        self._window.setUpdatesEnabled(False)
        yield from dressing(application, self.tokens)
        yield
        self._window.setUpdatesEnabled(True)
        self.changed.emit()
        yield
        yield from redressing(hidden)

    def _go_on(self) -> None:
        for _ in self._goes:
            QTimer.singleShot(BREATH, self._go_on)
            return

    def _put_on(self) -> None:
        """Fonts and colours; also before anything is made, for widgets keep the font that they are born with."""
        application = QApplication.instance()
        if isinstance(application, QApplication):
            dress(application, self.tokens)
