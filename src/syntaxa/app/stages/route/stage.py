"""Route: what came in goes to sketches."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from typing import Any, cast

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.drawing import AsideLayer
from syntaxa.app.canvas.tools.lasso import LassoTool
from syntaxa.app.canvas.views import ASIDE
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.route.commands import commands
from syntaxa.app.stages.route.panel import RoutePanel
from syntaxa.app.stages.route.picked import Picked
from syntaxa.app.stages.route.rules import Rules
from syntaxa.app.stages.route.sketch_list import SketchList
from syntaxa.app.words import counted, tr
from syntaxa.errors import SyntaxaError
from syntaxa.mend.steps import reach_of
from syntaxa.route.edits import BringBack, MakeGroup, PlaceGroup
from syntaxa.route.model import Appearances
from syntaxa.route.picking import alike, connected, inverted, loop, matching
from syntaxa.route.steps import ChooseLayers

#: Layers of the demo that hold no parts.
_NOT_PARTS = ("CENTRE-LINES", "CONSTRUCTION", "NOTES", "TITLE-BLOCK")


class RouteStage(Stage):
    """Rules, sketches, and finding curves that belong together."""

    name, title, icon = "route", tr("Route"), "route"
    purpose = tr("Curves go to sketches: by layer, colour or line type, by rules of your own, or by hand.")
    notes = "all"

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self._aside = AsideLayer(lambda name: shell.session.do(BringBack((name,))))
        self._aside_shown = False
        shell.session.evaluated.connect(self._show_aside)
        shell.session.viewed.connect(lambda _view: self._show_aside())

    def pages(self) -> Sequence[tuple[Any, ...]]:
        own = self.shell.session
        return (Rules, own), (SketchList, own), (Picked, own, self.shell.settings)

    def make_panel(self) -> RoutePanel:
        made = RoutePanel(self.shell.session, self.ready)
        made.came_in.select_wanted.connect(self.select_roots)
        made.came_in.hide_wanted.connect(self._hide)
        picked = made.picked
        picked.more_wanted.connect(self.pick_more)
        picked.filter_wanted.connect(self.pick_by_words)
        picked.aside_shown.connect(self._aside_wanted)
        picked.group_wanted.connect(self._make_group)
        picked.place_group_wanted.connect(self._place_group)
        picked.select_wanted.connect(self.select_roots)
        picked.show_picked(self.shell.canvas.selection.curves(), self.shell.dress.lengths)
        return made

    @property
    def own_panel(self) -> RoutePanel:
        """The panel, as what it is."""
        return cast(RoutePanel, self.panel)

    def commands(self) -> Sequence[Command]:
        return commands(self)

    def lasting_layers(self) -> Sequence[Layer]:
        return (self._aside,)

    def entered(self) -> None:
        self.selection_changed()

    def selection_changed(self) -> None:
        self.own_panel.picked.show_picked(self.shell.canvas.selection.curves(), self.shell.dress.lengths)

    def walk(self) -> Sequence[WalkStep]:
        return (
            ("3-route", lambda: self.shell.session.do(ChooseLayers(_NOT_PARTS))),
            ("", self._give_roles),
        )

    def _give_roles(self) -> None:
        """The screw holes of the control box get a role."""
        self.own_panel.tabs.setCurrentIndex(3)
        self.pick_by_words(tr("circles under 2 in on CONTROL-BOX"))
        self.own_panel.picked.give(True)

    # ------------------------------------------------------------------ picking

    def pick_more(self, way: str) -> None:
        """Picks more: what is connected, closes a loop, or is alike."""
        state, selection = self.shell.session.state, self.shell.canvas.selection
        if way == "lasso":
            self.shell.canvas.take(LassoTool(self.shell.canvas))
            self.shell.tell(tr("Draw round what is to be picked. Escape gives up."))
            return
        if state is None:
            return
        curves, ids = list(state.curves()), {c.id for c in selection.curves()}
        if not ids and way != "invert":
            self.shell.tell(tr("Pick a curve first."))
            return
        if way == "chain":
            found = connected(curves, ids, self._reach())
        elif way == "loop":
            found = loop(curves, ids, self._reach())
        elif way == "invert":
            found = inverted(curves, ids)
        else:
            found = alike(curves, ids, way, Appearances(state))  # type: ignore[arg-type]
        selection.choose(found)

    def pick_by_words(self, words: str) -> None:
        """Picks what a filter means, such as "circles under 3 mm"."""
        state = self.shell.session.state
        if state is None:
            return
        try:
            found = matching(list(state.curves()), words, self.shell.dress.lengths.single, Appearances(state))
        except SyntaxaError as error:
            self.shell.tell(str(error))
            return
        self.shell.canvas.selection.choose(found)
        self.shell.tell(tr("{0} found.", counted(len(found), "curve")))

    def put_aside(self) -> None:
        """Puts what is picked aside."""
        self.own_panel.picked.show_picked(self.shell.canvas.selection.curves(), self.shell.dress.lengths)
        self.own_panel.picked.put_aside()

    def select_roots(self, ids: Collection[str]) -> None:
        """Selects curves, or the pieces that they were cut into."""
        self.shell.canvas.selection.choose(self._pieces(ids))

    def _hide(self, ids: Collection[str]) -> None:
        self.shell.canvas.selection.hide(frozenset(self._pieces(ids)))

    def _pieces(self, ids: Collection[str]) -> set[str]:
        wanted = set(ids)
        return {c.id for c in self.shell.canvas.selection.scene.curves if not wanted.isdisjoint(c.names)}

    def _reach(self) -> float:
        """How far ends may be apart and still belong together: the tolerance in force."""
        found = surveyed(self.shell.session)
        return reach_of(found.gap if found else None)

    # ------------------------------------------------------------------ what is aside, and groups

    def _aside_wanted(self, shown: bool) -> None:
        self._aside_shown = shown
        self._show_aside()
        if shown:
            self.shell.tell(tr("What is put aside is drawn dashed; click it to bring it back."))

    def _show_aside(self) -> None:
        self._aside.show(self.shell.session.view(ASIDE) if self._aside_shown else None)

    def _make_group(self, name: str) -> None:
        ids = tuple(c.id for c in self.shell.canvas.selection.curves())
        says = tr("Click the base point of the group, by which it is moved and copied.")
        session = self.shell.session
        self.shell.picking.points(
            (tr("Base point"),), says, lambda points: session.do(MakeGroup(ids, name, points[0].x, points[0].y))
        )

    def _place_group(self, key: str, copy: bool) -> None:
        says = tr("Click where the base point of the copy goes.") if copy else tr("Click where the base point goes.")
        session = self.shell.session
        self.shell.picking.points(
            (tr("Base point here"),), says, lambda points: session.do(PlaceGroup(key, points[0].x, points[0].y, copy))
        )
