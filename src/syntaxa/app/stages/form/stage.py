"""Form: solids of the regions of sketches, seen and changed in space."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from typing import Any, cast

from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.tools.box import BoxTool
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.form.bodies_page import BodiesPage
from syntaxa.app.stages.form.commands import ask_write, commands
from syntaxa.app.stages.form.edges_page import EdgesPage
from syntaxa.app.stages.form.front import SpaceFront
from syntaxa.app.stages.form.make_page import MakePage
from syntaxa.app.stages.form.measuring import Measuring
from syntaxa.app.stages.form.panel import FormPanel
from syntaxa.app.stages.form.picked import Picked
from syntaxa.app.stages.form.planes_page import PlanesPage
from syntaxa.app.stages.form.shown import SHOWN, TRIED_SHOWN
from syntaxa.app.stages.form.space.scene import Target
from syntaxa.app.stages.form.views_page import ViewsPage
from syntaxa.app.words import tr
from syntaxa.form.annotating import OnSolid
from syntaxa.form.base import FormStep
from syntaxa.form.part import Formed
from syntaxa.form.raising import RaiseRegions
from syntaxa.form.views import DIMENSIONS
from syntaxa.geometry.types import Box


class FormStage(Stage):
    """Shows space in the canvas's place, and makes steps of what is chosen there."""

    name, title, icon = "form", tr("Form"), "form"
    purpose = tr("Raise a closed region, turn it, round its edges: a part that follows when a dimension changes.")
    keeps_ledger = True

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self._picked = Picked()
        self._in_plan = False
        self._thought: FormStep | None = None
        self._dimensions: tuple[OnSolid, ...] = ()
        self._measuring = Measuring(shell.session)
        shell.session.opened.connect(self._opened)

    @cached_property
    def space(self) -> SpaceFront:
        """What stands in the canvas's place, made when it is first wanted."""
        made = SpaceFront()
        made.view.picked.connect(self.pick)
        made.view.hovered.connect(self._hover)
        made.plan_wanted.connect(self.leave_front)
        made.dimension_clicked.connect(self.choose_dimension)
        return made

    def pages(self) -> Sequence[tuple[Any, ...]]:
        return (MakePage,), (EdgesPage,), (BodiesPage,), (PlanesPage,), (ViewsPage, self.shell.session)

    def make_panel(self) -> FormPanel:
        made = FormPanel(self.shell.session, self.ready)
        made.space_wanted.connect(self.to_space)
        made.thought_of.connect(self._think)
        # What was chosen has been used.
        made.done.connect(lambda: self._show_picked(Picked()))
        made.views.box_wanted.connect(self._draw_box)
        made.bodies.write_wanted.connect(lambda: ask_write(self))
        return made

    @property
    def own_panel(self) -> FormPanel:
        """The panel, as what it is."""
        return cast(FormPanel, self.panel)

    def commands(self) -> Sequence[Command]:
        return commands(self)

    # ------------------------------------------------------------------ space or plan

    def front(self) -> QWidget | None:
        if self._in_plan or self.shell.session.evaluation is None:
            return None
        return self.space

    def leave_front(self) -> None:
        """The drawing in its plane is wanted."""
        self._in_plan = True
        self.shell.front_changed.emit()
        self.refresh()

    def to_space(self) -> None:
        """The solids are wanted again."""
        self._in_plan = False
        self.shell.front_changed.emit()
        self.refresh()

    def entered(self) -> None:
        self._in_plan = False
        self.shell.session.computing.warm_solids()

    def left(self) -> None:
        self._think(None)

    def stop(self) -> None:
        if "space" in self.__dict__:
            self.space.view.pictures.stop()

    def _draw_box(self) -> None:
        """The next drag on the sheet names a view."""
        role = self.own_panel.views.chosen_role
        self.leave_front()
        self.shell.tell(tr("Draw a box round the {0} view. Escape gives up.", role))

        def drawn(box: Box) -> None:
            self.own_panel.views.name_view(role, box)

        self.shell.canvas.take(BoxTool(self.shell.canvas, drawn))

    @property
    def is_open(self) -> bool:
        """Whether this stage is open and shows space."""
        return self.shell.open_stage is self and self.front() is not None

    def _opened(self) -> None:
        self._picked, self._dimensions = Picked(), ()
        if self.has_panel:
            self.own_panel.begin_again()
        if "space" in self.__dict__:
            # What was there of another drawing is gone before the new one is looked at.
            self.space.view.show_parts(())
            self.space.view.forget_place()
        # The front can be had from now on.
        self.shell.front_changed.emit()

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        panel = self.own_panel
        panel.back.setVisible(self._in_plan)
        if self.front() is None:
            return
        self.space.dress(self.shell.dress.lengths, self.shell.dress.tokens)
        shown = self.shell.session.view(SHOWN)
        if shown is not None:
            found = self.shell.session.view(TRIED_SHOWN, self._thought) if self._thought is not None else None
            self.space.view.show_parts(shown.parts if found is None else found.beside(shown))
            self._show_picked(self._picked.alive(self.space.view.scene))
            if found is not None:
                tried = found.tried
                panel.says.setText(tried.refused or tr("As it would be. {0}", tried.says))
        self._show_dimensions()

    def _show_dimensions(self) -> None:
        state = self.shell.session.state
        has_any = state is not None and bool(state.part(Formed).heights)
        found = self.shell.session.view(DIMENSIONS) if has_any else ()
        if found is not None:
            self._dimensions = found
        self.space.notes.show(self._dimensions, self.shell.dress.lengths)
        chosen = next((d for d in self._dimensions if d.measure.name == self.space.notes.chosen), None)
        self.own_panel.dimension.show_dimension(chosen, focus=False)
        self.space.view.update()

    def choose_dimension(self, name: str) -> None:
        """A dimension on the solid was clicked: its value can be typed."""
        self.space.notes.chosen = name
        chosen = next((d for d in self._dimensions if d.measure.name == name), None)
        self.own_panel.dimension.show_dimension(chosen, focus=True)
        self.space.view.update()

    def _think(self, step: FormStep | None) -> None:
        """Shows what a step would make, as it is being typed."""
        if step != self._thought:
            self._thought = step
            if self.shell.open_stage is self:
                self.refresh()

    # ------------------------------------------------------------------ choosing

    def pick(self, target: Target | None, more: bool) -> None:
        """Something in space was clicked."""
        if target is None and not more:
            self.choose_dimension("")
        self._show_picked(self._picked.with_one(target, more))

    def _show_picked(self, picked: Picked) -> None:
        self._picked = picked
        self.space.view.choose(frozenset(picked.targets))
        self.own_panel.show_picked(picked)
        self._measuring.look(picked, self.shell.dress.lengths)
        self.own_panel.show_face(self._measuring.flat_face)
        body, keys = self._measuring.edges
        self.own_panel.edges.show_edges(body, keys)
        self.own_panel.show_measured(self._measuring.says)

    def _hover(self, target: Target | None) -> None:
        self.space.says.setText(self._measuring.about(target, self.shell.dress.lengths))

    def escape(self) -> bool:
        """What is thought of goes first, then what is chosen."""
        if self._thought is not None:
            self._think(None)
            return True
        if self.shell.open_stage is self and (self._picked.targets or self.space.notes.chosen):
            self.pick(None, False)
            return True
        return False

    def open_matters(self) -> int:
        """Edges and regions that could not be done."""
        state = self.shell.session.state
        return sum(len(f.failed) for f in state.part(Formed).features) if state is not None else 0

    def walk(self) -> Sequence[WalkStep]:
        session = self.shell.session
        return (
            ("", lambda: session.do(RaiseRegions("Raise 1", "BASE-PLATE", high="8"))),
            ("7-form", self.space.view.pictures.come_to_rest),
        )
