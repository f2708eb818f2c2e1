"""What is picked on the drawing for Cut: places, clamps, and whose settings others get."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import msgspec

from syntaxa.app.canvas.tools.box import BoxTool
from syntaxa.app.canvas.tools.pick import PickTool
from syntaxa.app.shell.shell import Shell
from syntaxa.app.stages.cut.handles import HandlesLayer
from syntaxa.app.stages.cut.layers import PathsLayer
from syntaxa.app.stages.cut.panel import CutPanel
from syntaxa.app.words import tr
from syntaxa.cut.model import Pick
from syntaxa.cut.steps import SetPick
from syntaxa.geometry.types import Box

#: Pixels within which a click means a path.
_REACH = 8.0


class Picking:
    """Waits for clicks and boxes on the drawing and hands them to the panel; `on` tells the operations on a contour."""

    def __init__(
        self,
        shell: Shell,
        panel: CutPanel,
        paths: PathsLayer,
        handles: HandlesLayer,
        on: Callable[[int], Sequence[str]],
    ) -> None:
        self._shell, self._panel, self._paths, self._handles, self._on = shell, panel, paths, handles, on

    def _pick(self, says: str, goal: Callable[[float, float], None], snaps: bool = True) -> None:
        self._shell.tell(tr("{0}. Escape gives up.", says))
        self._shell.canvas.take(PickTool(self._shell.canvas, says, goal, snaps=snaps))

    def pick_zero(self) -> None:
        """The place of the program's zero is clicked."""
        self._pick(tr("The program's zero"), self._panel.setup.pick_zero)

    def pick_start(self) -> None:
        """Where the chosen contour is begun is clicked."""
        self._pick(tr("Begin here"), self._panel.place.set_start)

    def pick_tab(self) -> None:
        """Where it is held by one more tab is clicked."""
        self._pick(tr("A tab here"), lambda x, y: self._panel.place.set_tabs((*self._handles.held.tabs, (x, y))))

    def draw_clamp(self) -> None:
        """A box is dragged where a clamp stands."""
        self._shell.tell(tr("Drag a box where the clamp stands. Escape gives up."))

        def drawn(box: Box) -> None:
            self._panel.setup.add_clamp(box)

        self._shell.canvas.take(BoxTool(self._shell.canvas, drawn))

    def give_by_picks(self) -> None:
        """Each click on a path gives its operation the settings of the chosen one, until Escape."""
        if not self._panel.operations.can_give:
            return

        def picked(x: float, y: float) -> None:
            number = self._paths.number_at(x, y, _REACH / self._shell.canvas.view.scale)
            self._panel.operations.give(self._on(number) if number is not None else ())
            self.give_by_picks()

        self._pick(tr("Settings to this path"), picked, snaps=False)

    def give_by_box(self) -> None:
        """The next drag gives all operations that have a path in it the settings of the chosen one."""
        if not self._panel.operations.can_give:
            return
        self._shell.tell(tr("Drag a box round whole paths: their operations get the settings. Escape gives up."))

        def drawn(box: Box) -> None:
            self._panel.operations.give(self._paths.names_in(box))

        self._shell.canvas.take(BoxTool(self._shell.canvas, drawn))

    def take_selected(self, more: bool) -> None:
        """What is selected on the drawing belongs to the chosen operation, too, or alone."""
        roots = tuple(dict.fromkeys(c.root for c in self._shell.canvas.selection.curves()))
        chosen = self._panel.operations.operations
        if not roots:
            self._panel.refuse(tr("Nothing is selected on the drawing."))
        elif len(chosen) == 1:
            old = chosen[0].pick
            pick = (
                msgspec.structs.replace(old, roots=tuple(dict.fromkeys((*old.roots, *roots))))
                if more
                else Pick(roots=roots)
            )
            self._panel.do((SetPick(chosen[0].name, pick),))
