"""Define: sketches that know what holds in them, how much is free, and what they measure."""

from __future__ import annotations

from collections.abc import Sequence
from typing import cast

import msgspec

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.define.commands import commands
from syntaxa.app.stages.define.drag_tool import DragTool
from syntaxa.app.stages.define.layers import AboutLayer, DimensionsLayer, FreedomLayer
from syntaxa.app.stages.define.panel import DefinePanel
from syntaxa.define.model import Named
from syntaxa.define.part import Defined, next_name
from syntaxa.define.possible import MOST_PICKED, possible
from syntaxa.define.settling import Stated
from syntaxa.define.sketching import is_large, pieces_of
from syntaxa.define.steps import AddDimensions, Drag, ReadOff, open_sketches, stated_of
from syntaxa.define.values import driving
from syntaxa.define.views import DEFINITION
from syntaxa.drawing.model import extents_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape


class DefineStage(Stage):
    """Reads off what holds, binds dimensions, and lets values be typed."""

    name, title, icon = "define", "Define", "define"
    purpose = "Read off what holds and type a value: the part follows, and what was level stays level."

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.freedom, self.about = FreedomLayer(), AboutLayer()
        self.dimensions = DimensionsLayer(lambda name: self.own_panel.choose_dimension(name))
        shell.session.evaluated.connect(lambda: self.about.show(()))

    def make_panel(self) -> DefinePanel:
        made = DefinePanel(self.shell.session)
        made.about.connect(self._show_about)
        made.missing_wanted.connect(self.add_missing)
        made.chosen.connect(self.dimensions.choose)
        made.sketch_chosen.connect(self._show_freedom)
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
        return (self.about, self.freedom, self.dimensions)

    def refresh(self) -> None:
        self._show_freedom()
        self.selection_changed()
        self.dimensions.show(self.own_panel.tags())

    def selection_changed(self) -> None:
        state, ids = self.shell.session.state, [c.id for c in self.shell.canvas.selection.curves()]
        mine = open_sketches(state) if state is not None and 0 < len(ids) <= MOST_PICKED else ()
        sketch = next((s for s in mine if any(c.id == ids[0] for c in s.curves)), None)
        self.own_panel.constraints.show_possible(possible(sketch, ids) if sketch is not None else ())

    def _show_freedom(self) -> None:
        """Of the chosen sketch alone: all at once say nothing."""
        sketch = self.own_panel.chosen_sketch()
        self.freedom.show(sketch.movable if sketch is not None else ())

    def open_matters(self) -> int:
        """Dimensions that are written otherwise than drawn, once that was looked at."""
        found = self.shell.session.peek(DEFINITION)
        return len(found.disagreeing) if found is not None else 0

    def walk(self) -> Sequence[WalkStep]:
        session = self.shell.session
        return (("", lambda: session.do(ReadOff())), ("6-define", lambda: self._look_at("BASE-PLATE")))

    def _look_at(self, name: str) -> None:
        """Chooses a sketch and shows it."""
        state = self.shell.session.state
        sketch = state.sketch(name) if state is not None else None
        box = extents_of(sketch.curves) if sketch is not None else None
        if box is not None:
            self.own_panel.choose_sketch(name)
            self.shell.canvas.fit_box(box)

    def add_missing(self) -> None:
        """Holds a place in each sketch, and adds the fewest dimensions that define it."""
        session = self.shell.session
        found, state = session.view(DEFINITION), session.state
        if found is None or state is None:
            self.shell.tell("What is free is still being counted; ask again in a moment.")
            return
        part = state.part(Defined)
        wanted = [m for s in found.sketches for m in s.missing.measures]
        constraints = tuple(c for s in found.sketches for c in s.missing.constraints)
        measures = tuple(msgspec.structs.replace(m, name=next_name(part, k), use="live") for k, m in enumerate(wanted))
        if measures or constraints:
            self.own_panel.do(AddDimensions(measures, constraints))
        else:
            self.shell.tell("Nothing is missing.")

    def take_hand(self) -> None:
        """The next presses drag points of the chosen sketch, until Escape."""
        self.show()
        self.shell.show_canvas()
        self.shell.canvas.take(DragTool(self.shell.canvas, self._asked, self._dragged))
        self.shell.tell("Drag an end or a centre of the chosen sketch; Escape ends it.")

    def _asked(self) -> tuple[Stated, dict[str, float]] | None:
        """What is said of the chosen sketch as it is now."""
        state, chosen = self.shell.session.state, self.own_panel.chosen_sketch()
        sketch = state.sketch(chosen.name) if state is not None and chosen is not None else None
        if state is None or sketch is None or sketch.locked or is_large(sketch.curves):
            self.shell.tell("Choose a sketch that is neither locked nor too large.")
            return None
        part = state.part(Defined)
        if sketch.name in part.held:
            self.shell.tell(f"“{sketch.name}” is held whole; let it move first.")
            return None
        stated = stated_of(part, sketch)
        return stated, driving(part, stated.measured())

    def _dragged(self, name: Named, to: Point) -> None:
        chosen = self.own_panel.chosen_sketch()
        if chosen is not None:
            self.own_panel.do(Drag(chosen.name, name, to.x, to.y))

    def _show_about(self, names: Sequence[Named]) -> None:
        state = self.shell.session.state
        wanted = {n.at("") for n in names}
        shapes: list[Shape] = []
        if state is not None and wanted:
            roots = {n.root for n in wanted}
            for sketch in state.profiles():
                mine = [c for c in sketch.curves if c.root in roots]
                shapes += [p.shape for p in pieces_of(mine) if p.name in wanted]
        self.about.show(shapes)
