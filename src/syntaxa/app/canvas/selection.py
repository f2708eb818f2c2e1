"""Which curves of a scene are selected, hidden and under the cursor."""

from __future__ import annotations

from collections.abc import Callable, Collection

import numpy as np
from PyQt6.QtCore import QObject, pyqtSignal

from syntaxa.app.canvas.scene import Scene
from syntaxa.drawing.model import Curve
from syntaxa.geometry.types import Bools


class Selection(QObject):
    """Of one scene; what was selected stays so in a new scene, by its ids."""

    changed = pyqtSignal()
    shown_changed = pyqtSignal()

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self.scene = Scene.of([])
        #: Rows of the scene.
        self.rows: list[int] = []
        self.hover = -1
        #: Which curves are shown; None for all.
        self.shown: Bools | None = None
        self._hidden: frozenset[str] = frozenset()

    def take(self, scene: Scene) -> None:
        """Another scene."""
        if scene is self.scene:
            return
        before = self.scene
        # Many may be selected, and then it is all of them as a rule.
        whole = len(self.rows) == len(before)
        kept: Collection[str] = before.index if whole else {before.curves[k].id for k in self.rows}
        self.scene, self.hover = scene, -1
        self.rows = [k for name, k in scene.index.items() if name in kept] if kept else []
        self._find_shown()
        self.changed.emit()

    def curves(self) -> list[Curve]:
        """The curves that are selected."""
        return [self.scene.curves[k] for k in self.rows]

    @property
    def length(self) -> float:
        """Length of all that is selected (mm)."""
        return float(self.scene.lengths[self.rows].sum()) if self.rows else 0.0

    def choose(self, ids: Collection[str]) -> None:
        """Selects curves by their ids."""
        self.rows = [k for k, c in enumerate(self.scene.curves) if c.id in ids]
        self.changed.emit()

    def choose_rows(self, rows: list[int], add: bool = False) -> None:
        """Selects rows that are shown; added to what is selected, those that were are let go."""
        if self.shown is not None:
            rows = [k for k in rows if self.shown[k]]
        self.rows = sorted(set(self.rows) ^ set(rows)) if add else rows
        self.changed.emit()

    def choose_all(self) -> None:
        """Selects all that is shown."""
        self.choose_rows(list(range(len(self.scene))))

    def clear(self) -> None:
        """Selects nothing."""
        self.choose_rows([])

    def hide(self, ids: frozenset[str]) -> None:
        """Hides curves for now; nothing else changes."""
        if ids != self._hidden:
            self._hidden = ids
            self._find_shown()
            self.shown_changed.emit()
            self.changed.emit()

    def _find_shown(self) -> None:
        self.shown = np.array([c.id not in self._hidden for c in self.scene.curves], bool) if self._hidden else None
        if self.shown is not None:
            self.rows = [k for k in self.rows if self.shown[k]]

    def nearest(self, x: float, y: float, reach: float) -> int:
        """The row of the nearest curve that is shown, within reach (mm) of a place; -1 for none."""
        return self.scene.nearest(x, y, reach, self.shown)

    def nearest_that(self, x: float, y: float, reach: float, counts: Callable[[Curve], bool]) -> Curve | None:
        """The nearest curve that counts, within reach (mm) of a place."""
        counting = np.array([counts(c) for c in self.scene.curves], dtype=bool)
        hit = self.scene.nearest(x, y, reach, counting if self.shown is None else counting & self.shown)
        return self.scene.curves[hit] if hit >= 0 else None
