"""Picking points on the canvas, one after the other, for whoever asks."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import TYPE_CHECKING

from syntaxa.app.canvas.layers.hand import WayLayer
from syntaxa.app.canvas.tools.pick import PickTool
from syntaxa.app.words import tr
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    from syntaxa.app.shell.shell import Shell


class Picking:
    """Asks for points; what was picked is drawn as a way as long as somebody wants it."""

    def __init__(self, shell: Shell) -> None:
        self._shell = shell
        self.way = WayLayer()
        #: Whether the way stays when picking ends, because what was measured on it is still shown.
        self.keeps_way: Callable[[], bool] = lambda: False
        shell.canvas.add(self.way)
        shell.canvas.tool_ended.connect(self._ended)

    def point(self, label: str, says: str, goal: Callable[[float, float], None]) -> None:
        """The next click on the canvas goes to `goal`."""
        canvas = self._shell.canvas
        self._shell.tell(tr("{0} Escape gives up.", says))
        base = self.way.points[-1] if self.way.points else None
        canvas.take(PickTool(canvas, label, goal, base))

    def points(self, prompts: Sequence[str], says: str, goal: Callable[[list[Point]], None]) -> None:
        """Asks for points one after the other, drawn as a way meanwhile."""
        picked: list[Point] = []

        def got(x: float, y: float) -> None:
            picked.append(Point(x, y))
            self.way.show(picked if len(prompts) > 1 else ())
            if len(picked) < len(prompts):
                self.point(prompts[len(picked)], says, got)
            else:
                goal(picked)

        self._shell.show_canvas()
        self.point(prompts[0], says, got)

    def _ended(self) -> None:
        if not self.keeps_way():
            self.way.show(())
