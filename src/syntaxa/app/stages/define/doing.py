"""What is done in Define by hand: the missing added, points and dimensions led by the mouse, dimensions drawn."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

import msgspec

from syntaxa.app.stages.define.dimension_tool import DimensionTool
from syntaxa.app.stages.define.drag_tool import DragTool
from syntaxa.app.words import tr
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.part import Defined, next_name
from syntaxa.define.settling import Stated
from syntaxa.define.sketching import is_large
from syntaxa.define.stating import stated_of
from syntaxa.define.steps import AddDimensions, Drag, PlaceDimension
from syntaxa.define.values import driving
from syntaxa.define.views import DEFINITION
from syntaxa.geometry.points import Point

if TYPE_CHECKING:
    from syntaxa.app.stages.define.stage import DefineStage


class Doing:
    """Makes steps of what is clicked and dragged."""

    def __init__(self, stage: DefineStage) -> None:
        self._stage, self._shell = stage, stage.shell

    def add_missing(self) -> None:
        """Holds a place in each sketch, and adds the fewest dimensions that define it."""
        session = self._shell.session
        found, state = session.view(DEFINITION), session.state
        if found is None or state is None:
            self._shell.tell(tr("What is free is still being counted; ask again in a moment."))
            return
        wanted = [m for s in found.sketches for m in s.missing.measures]
        constraints = tuple(c for s in found.sketches for c in s.missing.constraints)
        if wanted or constraints:
            self._add(wanted, constraints)
        else:
            self._shell.tell(tr("Nothing is missing.") if found.counted else tr("Too large to tell what is missing."))

    def add_missing_here(self) -> None:
        """Adds what is missing in the chosen sketch."""
        sketch = self._stage.own_panel.chosen_sketch()
        if sketch is not None:
            self._add(sketch.missing.measures, sketch.missing.constraints)

    def add_proposed(self, number: int) -> None:
        """Adds one of the missing dimensions of the chosen sketch."""
        sketch = self._stage.own_panel.chosen_sketch()
        if sketch is not None:
            self._add(sketch.missing.measures[number : number + 1])

    def _add(self, measures: Sequence[Measure], constraints: tuple[Constraint, ...] = ()) -> None:
        state = self._shell.session.state
        if state is None:
            return
        part = state.part(Defined)
        named = tuple(msgspec.structs.replace(m, name=next_name(part, k), use="live") for k, m in enumerate(measures))
        self._stage.own_panel.do(AddDimensions(named, constraints))

    def take_hand(self) -> None:
        """The next presses drag points of the chosen sketch, until Escape."""
        self._stage.show()
        self._shell.show_canvas()
        self._shell.canvas.take(
            DragTool(self._shell.canvas, self._asked, self._dragged, self._stage.picture.dimensions, self._placed)
        )
        self._shell.tell(
            tr("Drag an end or a centre of the chosen sketch, or the text of a dimension; Shift: both sides.")
        )

    def take_dimension(self) -> None:
        """The next clicks draw dimensions of the chosen sketch, until Escape."""
        self._stage.show()
        self._shell.show_canvas()
        asked, chosen = self._asked(), self._stage.own_panel.chosen_sketch()
        if asked is None or chosen is None:
            return
        tool = DimensionTool(
            self._shell.canvas, chosen.name, asked[0], self._stage.own_panel.dimensions.signed_text, self._drawn
        )
        self._shell.canvas.take(tool)

    def _asked(self) -> tuple[Stated, dict[str, float]] | None:
        """What is said of the chosen sketch as it is now."""
        state, chosen = self._shell.session.state, self._stage.own_panel.chosen_sketch()
        sketch = state.sketch(chosen.name) if state is not None and chosen is not None else None
        if state is None or sketch is None or sketch.locked or is_large(sketch.curves):
            self._shell.tell(tr("Choose a sketch that is neither locked nor too large."))
            return None
        part = state.part(Defined)
        if sketch.name in part.held:
            self._shell.tell(tr("“{0}” is held whole; let it move first.", sketch.name))
            return None
        stated = stated_of(part, sketch)
        return stated, driving(part, stated.measured())

    def _drawn(self, measure: Measure) -> None:
        """A dimension was placed: it is added, and its value can be typed."""
        state = self._shell.session.state
        if state is not None:
            name = next_name(state.part(Defined))
            self._shell.canvas.put_down()
            self._stage.own_panel.dimensions.choose_when_there(name)
            self._stage.own_panel.do(AddDimensions((msgspec.structs.replace(measure, name=name),)))

    def _dragged(self, name: Named, both: bool, to: Point) -> None:
        chosen = self._stage.own_panel.chosen_sketch()
        if chosen is not None:
            self._stage.own_panel.do(Drag(chosen.name, name, to.x, to.y, both))

    def _placed(self, name: str, to: Point) -> None:
        self._stage.own_panel.do(PlaceDimension(name, to.x, to.y))
