"""The stock and the tool on the drawing, or the stock in space, as the player has them."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import cached_property
from typing import TYPE_CHECKING

from syntaxa.app.shell.shell import Shell
from syntaxa.app.stages.cut.layers import BenchLayer, PathsLayer, tool_at
from syntaxa.app.stages.cut.panel import CutPanel
from syntaxa.app.stages.cut.relief_view import ReliefFront
from syntaxa.app.stages.cut.stock_player import StockPlayer
from syntaxa.app.theme.tokens import Tokens
from syntaxa.cut.bench.heights import HeightMap
from syntaxa.cut.bench.timeline import Standing
from syntaxa.cut.views import STOCKS
from syntaxa.geometry.types import Floats

if TYPE_CHECKING:
    from syntaxa.cut.proving import Proven


class Showing:
    """What is seen of a run; `panel` gives the panel where there is one."""

    def __init__(
        self, shell: Shell, panel: Callable[[], CutPanel | None], bench: BenchLayer, paths: PathsLayer
    ) -> None:
        self._shell, self._panel_there, self._bench, self._paths = shell, panel, bench, paths
        self._player = StockPlayer(shell.canvas)
        self._player.ready.connect(self.show_run)
        #: Of which program, after which move and in which look the stock is shown.
        self._shown: tuple[Proven, int, Tokens] | None = None
        self._outlines_of: Proven | None = None
        self._outermost: Sequence[Floats] = ()

    @property
    def _panel(self) -> CutPanel:
        panel = self._panel_there()
        assert panel is not None
        return panel

    @cached_property
    def relief(self) -> ReliefFront:
        """The stock in space."""
        made = ReliefFront()
        made.plan_wanted.connect(self.leave_front)
        return made

    def front(self) -> ReliefFront | None:
        """The stock in space, where that is what is to be seen."""
        panel = self._panel_there()
        if panel is None or not (panel.runs and panel.run.space.isChecked()):
            return None
        return self.relief if panel.proven is not None else None

    def leave_front(self) -> None:
        """Back to the drawing."""
        panel = self._panel_there()
        if panel is not None:
            panel.run.space.setChecked(False)

    def forget(self) -> None:
        """Another job: nothing of the last one is shown or kept."""
        self._shown = None
        self._player.forget()

    def show_seen(self) -> None:
        """What is to be seen has changed: the drawing or the stock in space, and what of it."""
        self._shell.front_changed.emit()
        self._shown = None
        self.show_run()

    def show_run(self) -> None:
        """The stock and the tool as the player has them, while its page is open."""
        panel, done = self._panel, self._panel.proven
        standing = panel.run.standing
        seen = panel.runs and done is not None and standing is not None and standing.move >= 0
        self._paths.set_shown(not panel.runs or panel.run.paths.isChecked())
        if not seen or done is None or standing is None:
            self._bench.show_tool(None)
            self._bench.show_stock(None, (0.0, 0.0), self._shell.dress.tokens)
            self._shown = None
            return
        if self.front() is not None:
            self._show_relief(done, standing)
            return
        self._bench.show_tool(tool_at(standing, done))
        self._bench.clip_to(self._outlines(done) if panel.run.part.isChecked() else ())
        if not panel.run.stock.isChecked():
            self._bench.show_stock(None, (0.0, 0.0), self._shell.dress.tokens)
            self._shown = None
        elif self._shown != (done, standing.move, self._shell.dress.tokens):
            stock = self._stock_at(done, standing.move + 1)
            if stock is not None:
                self._shown = done, standing.move, self._shell.dress.tokens
                self._bench.show_stock(stock, done.work.stock.zero, self._shell.dress.tokens)

    def _show_relief(self, done: Proven, standing: Standing) -> None:
        """The stock in space as the player has it."""
        view, tokens = self.relief.view, self._shell.dress.tokens
        move = done.played.moves[standing.move]
        tool = dict(done.tools).get(move.tool) or done.tools[0][1]
        view.show_tool((standing.place, tool))
        if self._shown == (done, standing.move, tokens):
            return
        stock = self._stock_at(done, standing.move + 1)
        if stock is not None:
            self._shown = done, standing.move, tokens
            view.show_stock(stock, tokens)
            loops = self._outlines(done) if self._panel.run.part.isChecked() else ()
            view.keep(loops, done.work.stock.zero)

    def _outlines(self, done: Proven) -> Sequence[Floats]:
        """The outermost outlines of a program's parts, kept as long as the program is."""
        if self._outlines_of is not done:
            self._outlines_of = done
            self._outermost = [c.rows for c in done.work.contours.contours if c.bounds == "outer" and not c.depth]
        return self._outermost

    def _stock_at(self, done: Proven, moves: int) -> HeightMap | None:
        """The stock after some moves, if it is there already."""
        return self._player.at(done, self._shell.session.view(STOCKS), moves)
