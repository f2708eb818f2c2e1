"""Define: sketches that know what holds in them, how much is free, and what they measure."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, cast

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.sentences import said
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.define import sizes
from syntaxa.app.stages.define.commands import commands
from syntaxa.app.stages.define.constraints_view import ConstraintsView
from syntaxa.app.stages.define.dimensions_view import DimensionsView
from syntaxa.app.stages.define.doing import Doing
from syntaxa.app.stages.define.panel import DefinePanel
from syntaxa.app.stages.define.parameters_view import ParametersView
from syntaxa.app.stages.define.picture import Picture
from syntaxa.app.stages.define.trying import Trying
from syntaxa.app.stages.define.variants_view import VariantsView
from syntaxa.app.words import tr
from syntaxa.define.possible import MOST_PICKED, possible
from syntaxa.define.stating import open_sketches
from syntaxa.define.steps import ReadOff, SetDimension
from syntaxa.define.views import DEFINITION, Tried

#: Share of the size of a sketch that is shown round it.
_ROOM = 0.16


class DefineStage(Stage):
    """Reads off what holds, binds dimensions, and lets values be typed."""

    name, title, icon = "define", tr("Define"), "define"
    purpose = tr("Read off what holds and type a value: the part follows, and what was level stays level.")

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.picture, self.doing = Picture(self), Doing(self)
        self._trying = Trying(shell.session, self._show_tried)
        shell.session.evaluated.connect(lambda: self.picture.about.show(()))

    def pages(self) -> Sequence[tuple[Any, ...]]:
        return (DimensionsView,), (ParametersView,), (ConstraintsView,), (VariantsView,)

    def make_panel(self) -> DefinePanel:
        made = DefinePanel(self.shell.session, self.ready)
        made.about.connect(self.picture.show_about)
        made.missing_wanted.connect(self.doing.add_missing)
        made.look_wanted.connect(lambda: self._trying.look(made.reading()))
        made.proposals_shown.connect(self._propose)
        made.sketch_chosen.connect(self.picture.show_sketch)
        made.dimensions.chosen.connect(self._dimension_chosen)
        made.dimensions.tried.connect(self._follow)
        made.constraints.chosen.connect(self.picture.holds.choose)
        made.variants.open_wanted.connect(lambda: sizes.open_table(self))
        made.variants.save_wanted.connect(lambda: sizes.save_table(self))
        made.variants.use_wanted.connect(lambda variant: sizes.use(self, variant))
        made.variants.write_wanted.connect(lambda: sizes.write_all(self))
        return made

    @property
    def own_panel(self) -> DefinePanel:
        """The panel, as what it is."""
        return cast(DefinePanel, self.panel)

    def show(self) -> DefinePanel:
        """Opens the stage."""
        self.shell.show_stage(self)
        return self.own_panel

    def commands(self) -> Sequence[Command]:
        return commands(self)

    def layers(self) -> Sequence[Layer]:
        return self.picture.layers()

    def entered(self) -> None:
        self.shell.canvas.remark = self.picture.remark

    def left(self) -> None:
        self.shell.canvas.remark = None
        self._trying.leave()

    def escape(self) -> bool:
        """A value that is typed is left; the field itself is for whoever asked."""
        self.own_panel.dimensions.leave()
        return False

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        self.picture.show_sketch()
        self.selection_changed()

    def selection_changed(self) -> None:
        state, ids = self.shell.session.state, [c.id for c in self.shell.canvas.selection.curves()]
        mine = open_sketches(state) if state is not None and 0 < len(ids) <= MOST_PICKED else ()
        sketch = next((s for s in mine if any(c.id == ids[0] for c in s.curves)), None)
        self.own_panel.constraints.show_possible(possible(sketch, ids) if sketch is not None else ())

    def open_matters(self) -> int:
        """Dimensions that are written otherwise than drawn, once that was looked at."""
        found = self.shell.session.peek(DEFINITION)
        return len(found.disagreeing) if found is not None else 0

    def walk(self) -> Sequence[WalkStep]:
        session = self.shell.session
        return (
            ("", lambda: session.do(ReadOff())),
            ("", lambda: self._look_at("BASE-PLATE")),
            ("6-define", self.doing.add_missing_here),
        )

    def _look_at(self, name: str) -> None:
        """Chooses a sketch and shows it."""
        state = self.shell.session.state
        sketch = state.sketch(name) if state is not None else None
        box = sketch.extents() if sketch is not None else None
        if box is not None:
            self.own_panel.choose_sketch(name)
            # With room for the dimensions round it.
            room = _ROOM * max(box[2] - box[0], box[3] - box[1])
            self.shell.canvas.fit_box((box[0] - room, box[1] - room, box[2] + room, box[3] + room))

    # ------------------------------------------------------------------ trying

    def _dimension_chosen(self, name: str, side: int) -> None:
        self.picture.dimensions.choose(name, side)
        self.picture.show_marks(self.own_panel.chosen_sketch())

    def _follow(self, expression: str) -> None:
        """Shows how the part would lie with a value that is being typed."""
        one = self.own_panel.dimensions.one()
        if expression.strip() and one is not None:
            self._trying.look(SetDimension(one.name, expression, stays=self.own_panel.dimensions.staying))
        else:
            self._trying.leave()

    def _show_tried(self, tried: Tried | None) -> None:
        """What a step would do that is being thought of; None for none any more."""
        if tried is None:
            self.picture.following.show(())
            self.own_panel.tell("")
            return
        self.picture.following.show(tried.shapes)
        largest = self.shell.dress.lengths.small(tried.entry.max_mm)
        told = (
            said(tried.refused)
            or tr("{0} As dashed; nothing would move more than {1}.", said(tried.entry.says), largest).strip()
        )
        self.own_panel.tell(told)
        if not tried.refused:
            self.picture.show_holds(tried.part)

    def _propose(self, shown: bool) -> None:
        self.picture.proposing = shown
        self.picture.show_marks(self.own_panel.chosen_sketch())
