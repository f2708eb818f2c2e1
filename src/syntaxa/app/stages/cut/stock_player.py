"""The stock as the player has it: cut on from where it was, a little at a time, so that the window never waits."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QElapsedTimer, QObject, QTimer, pyqtSignal

from syntaxa.cut.bench.heights import HeightMap
from syntaxa.cut.views import Stocks

if TYPE_CHECKING:
    from syntaxa.cut.proving import Proven

#: Milliseconds of cutting before the window has its turn, and moves between two looks at the clock.
_TURN, _MOVES = 15, 10


class StockPlayer(QObject):
    """Cuts a map of heights on to wherever the player stands."""

    #: The stock that was asked for last is there.
    ready = pyqtSignal()

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self._done: Proven | None = None
        self._stock: HeightMap | None = None
        #: How many moves are cut, and how many are wanted.
        self._cut = self._wanted = 0
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.timeout.connect(self._go_on)

    def forget(self) -> None:
        """Nothing is played any more."""
        self._later.stop()
        self._done = self._stock = None

    def at(self, done: Proven, stocks: Stocks | None, moves: int) -> HeightMap | None:
        """The stock after some moves; None where it is not there yet, and `ready` tells when it is."""
        kept = stocks.before(moves) if stocks is not None else None
        if kept is None:
            return None
        first, stock = kept
        if done is not self._done or self._stock is None or not first <= self._cut <= moves:
            self._done, self._stock, self._cut = done, stock.copy(), first
        self._wanted = moves
        return self._stock if self._is_there() else None

    def _is_there(self) -> bool:
        """Cuts for one turn; whether all is cut."""
        done, stock = self._done, self._stock
        if done is None or stock is None:
            return False
        clock = QElapsedTimer()
        clock.start()
        while self._cut < self._wanted:
            if clock.elapsed() >= _TURN:
                self._later.start(0)
                return False
            end = min(self._cut + _MOVES, self._wanted)
            stock.cut(done.played.moves[self._cut : end], dict(done.tools), done.machine.is_flat)
            self._cut = end
        return True

    def _go_on(self) -> None:
        if self._is_there():
            self.ready.emit()
