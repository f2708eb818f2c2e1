"""Define: sketches that know what holds in them, how much is free, and what they measure."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from typing import cast

import msgspec

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.define import sizes
from syntaxa.app.stages.define.commands import commands
from syntaxa.app.stages.define.dimension_layer import DimensionsLayer, Mark
from syntaxa.app.stages.define.dimension_tool import DimensionTool
from syntaxa.app.stages.define.drag_tool import DragTool
from syntaxa.app.stages.define.holds_layer import HoldsLayer
from syntaxa.app.stages.define.layers import AboutLayer, FollowingLayer, FreedomLayer
from syntaxa.app.stages.define.panel import DefinePanel
from syntaxa.app.stages.define.trying import Trying
from syntaxa.define.anchors import anchors, held_by
from syntaxa.define.model import Constraint, Measure, Named
from syntaxa.define.part import Defined, next_name
from syntaxa.define.possible import MOST_PICKED, possible
from syntaxa.define.settling import Stated
from syntaxa.define.sketching import is_large, pieces_of
from syntaxa.define.stating import open_sketches, stated_of
from syntaxa.define.steps import AddDimensions, Drag, PlaceDimension, ReadOff, SetDimension
from syntaxa.define.values import driving
from syntaxa.define.views import DEFINITION, SketchFreedom, Tried
from syntaxa.drawing.model import Curve, extents_of
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Shape

#: Curves up to which glyphs keep off all that is drawn, and not only off their own sketch.
_MOST_KEPT_FREE = 3000


#: Share of the size of a sketch that is shown round it.
_ROOM = 0.16


class DefineStage(Stage):
    """Reads off what holds, binds dimensions, and lets values be typed."""

    name, title, icon = "define", "Define", "define"
    purpose = "Read off what holds and type a value: the part follows, and what was level stays level."

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.freedom, self.about, self.following = FreedomLayer(), AboutLayer(), FollowingLayer()
        self.dimensions = DimensionsLayer(
            lambda name: self.own_panel.dimensions.choose(name),
            self._add_proposed,
            lambda side: self.own_panel.dimensions.stay(side),
        )
        self.holds = HoldsLayer(
            lambda key: self.own_panel.constraints.choose(key), self._shapes_about, self.dimensions.texts
        )
        self._held_by: dict[str, list[Constraint]] = {}
        self._proposing = False
        self._trying = Trying(shell.session, self._show_tried)
        shell.session.evaluated.connect(lambda: self.about.show(()))

    def make_panel(self) -> DefinePanel:
        made = DefinePanel(self.shell.session)
        made.about.connect(self._show_about)
        made.missing_wanted.connect(self.add_missing)
        made.look_wanted.connect(lambda: self._trying.look(made.reading()))
        made.proposals_shown.connect(self._propose)
        made.sketch_chosen.connect(self._show_sketch)
        made.dimensions.chosen.connect(self._dimension_chosen)
        made.dimensions.tried.connect(self._follow)
        made.constraints.chosen.connect(self.holds.choose)
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
        return (self.about, self.following, self.freedom, self.holds, self.dimensions)

    def entered(self) -> None:
        self.shell.canvas.remark = self._remark

    def left(self) -> None:
        self.shell.canvas.remark = None
        self._trying.leave()

    def escape(self) -> bool:
        """A value that is typed is left; the field itself is for whoever asked."""
        self.own_panel.dimensions.leave()
        return False

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        self._show_sketch()
        self.selection_changed()

    def selection_changed(self) -> None:
        state, ids = self.shell.session.state, [c.id for c in self.shell.canvas.selection.curves()]
        mine = open_sketches(state) if state is not None and 0 < len(ids) <= MOST_PICKED else ()
        sketch = next((s for s in mine if any(c.id == ids[0] for c in s.curves)), None)
        self.own_panel.constraints.show_possible(possible(sketch, ids) if sketch is not None else ())

    def _show_sketch(self) -> None:
        """What is free and what holds, of the chosen sketch alone: all at once say nothing."""
        sketch = self.own_panel.chosen_sketch()
        self.freedom.show(sketch.movable if sketch is not None else ())
        self._show_marks(sketch)
        state = self.shell.session.state
        if state is not None:
            self._show_holds(state.part(Defined))

    def _show_marks(self, sketch: SketchFreedom | None) -> None:
        marks = self.own_panel.dimensions.marks()
        if self._proposing and sketch is not None:
            text = self.own_panel.dimensions.signed_text
            rows = zip(sketch.missing.measures, sketch.missing.values, sketch.proposed, strict=True)
            marks += tuple(
                Mark("", f"{text(m, value)} ?", span, sketch.middle, number=k)
                for k, (m, value, span) in enumerate(rows)
            )
        self.dimensions.show(marks)

    def _show_holds(self, part: Defined) -> None:
        state, chosen = self.shell.session.state, self.own_panel.chosen_sketch()
        sketch = state.sketch(chosen.name) if state is not None and chosen is not None else None
        if sketch is None:
            self._held_by = {}
            self.holds.show((), ())
            return
        mine = [c for c in part.constraints if c.sketch == sketch.name and not c.off]
        self._held_by = held_by(sketch.curves, mine)
        every = state.made_curves() if state is not None else []
        drawn = every if len(every) <= _MOST_KEPT_FREE else sketch.curves
        self.holds.show(anchors(sketch.curves, mine), [c.shape for c in drawn])

    def _remark(self, curve: Curve) -> str:
        """What holds a curve that is under the cursor."""
        kinds = Counter(c.kind for c in self._held_by.get(curve.id, ()))
        return ", ".join(kind if n == 1 else f"{kind} x {n}" for kind, n in kinds.items())

    def _shapes_of(self, names: Sequence[Named]) -> list[Shape]:
        state = self.shell.session.state
        wanted = {n.at("") for n in names}
        if state is None or not wanted:
            return []
        roots = {n.root for n in wanted}
        rows = (pieces_of([c for c in s.curves if c.root in roots]) for s in state.profiles())
        return [p.shape for pieces in rows for p in pieces if p.name in wanted]

    def _shapes_about(self, key: str) -> list[Shape]:
        """What a constraint of the chosen sketch is about."""
        rows = (c for held in self._held_by.values() for c in held if c.key == key)
        one = next(rows, None)
        return self._shapes_of(one.things) if one is not None else []

    def _show_about(self, names: Sequence[Named]) -> None:
        self.about.show(self._shapes_of(names))

    def open_matters(self) -> int:
        """Dimensions that are written otherwise than drawn, once that was looked at."""
        found = self.shell.session.peek(DEFINITION)
        return len(found.disagreeing) if found is not None else 0

    def walk(self) -> Sequence[WalkStep]:
        session = self.shell.session
        return (
            ("", lambda: session.do(ReadOff())),
            ("", lambda: self._look_at("BASE-PLATE")),
            ("6-define", self._add_missing_here),
        )

    def _look_at(self, name: str) -> None:
        """Chooses a sketch and shows it."""
        state = self.shell.session.state
        sketch = state.sketch(name) if state is not None else None
        box = extents_of(sketch.curves) if sketch is not None else None
        if box is not None:
            self.own_panel.choose_sketch(name)
            # With room for the dimensions round it.
            room = _ROOM * max(box[2] - box[0], box[3] - box[1])
            self.shell.canvas.fit_box((box[0] - room, box[1] - room, box[2] + room, box[3] + room))

    # ------------------------------------------------------------------ trying

    def _dimension_chosen(self, name: str, side: int) -> None:
        self.dimensions.choose(name, side)
        self._show_marks(self.own_panel.chosen_sketch())

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
            self.following.show(())
            self.own_panel.tell("")
            return
        self.following.show(tried.shapes)
        largest = self.shell.dress.lengths.small(tried.entry.max_mm)
        said = tried.refused or f"{tried.entry.says} As dashed; nothing would move more than {largest}.".strip()
        self.own_panel.tell(said)
        if not tried.refused:
            self._show_holds(tried.part)

    def _propose(self, shown: bool) -> None:
        self._proposing = shown
        self._show_marks(self.own_panel.chosen_sketch())

    # ------------------------------------------------------------------ doing

    def add_missing(self) -> None:
        """Holds a place in each sketch, and adds the fewest dimensions that define it."""
        session = self.shell.session
        found, state = session.view(DEFINITION), session.state
        if found is None or state is None:
            self.shell.tell("What is free is still being counted; ask again in a moment.")
            return
        wanted = [m for s in found.sketches for m in s.missing.measures]
        constraints = tuple(c for s in found.sketches for c in s.missing.constraints)
        if wanted or constraints:
            self._add(wanted, constraints)
        else:
            self.shell.tell("Nothing is missing.")

    def _add_missing_here(self) -> None:
        """Adds what is missing in the chosen sketch."""
        sketch = self.own_panel.chosen_sketch()
        if sketch is not None:
            self._add(sketch.missing.measures, sketch.missing.constraints)

    def _add_proposed(self, number: int) -> None:
        """Adds one of the missing dimensions of the chosen sketch."""
        sketch = self.own_panel.chosen_sketch()
        if sketch is not None:
            self._add(sketch.missing.measures[number : number + 1])

    def _add(self, measures: Sequence[Measure], constraints: tuple[Constraint, ...] = ()) -> None:
        state = self.shell.session.state
        if state is None:
            return
        part = state.part(Defined)
        named = tuple(msgspec.structs.replace(m, name=next_name(part, k), use="live") for k, m in enumerate(measures))
        self.own_panel.do(AddDimensions(named, constraints))

    def take_hand(self) -> None:
        """The next presses drag points of the chosen sketch, until Escape."""
        self.show()
        self.shell.show_canvas()
        self.shell.canvas.take(DragTool(self.shell.canvas, self._asked, self._dragged, self.dimensions, self._placed))
        self.shell.tell("Drag an end or a centre of the chosen sketch, or the text of a dimension; Shift: both sides.")

    def take_dimension(self) -> None:
        """The next clicks draw dimensions of the chosen sketch, until Escape."""
        self.show()
        self.shell.show_canvas()
        asked, chosen = self._asked(), self.own_panel.chosen_sketch()
        if asked is None or chosen is None:
            return
        tool = DimensionTool(
            self.shell.canvas, chosen.name, asked[0], self.own_panel.dimensions.signed_text, self._drawn
        )
        self.shell.canvas.take(tool)

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

    def _drawn(self, measure: Measure) -> None:
        """A dimension was placed: it is added, and its value can be typed."""
        state = self.shell.session.state
        if state is not None:
            name = next_name(state.part(Defined))
            self.shell.canvas.put_down()
            self.own_panel.dimensions.choose_when_there(name)
            self.own_panel.do(AddDimensions((msgspec.structs.replace(measure, name=name),)))

    def _dragged(self, name: Named, both: bool, to: Point) -> None:
        chosen = self.own_panel.chosen_sketch()
        if chosen is not None:
            self.own_panel.do(Drag(chosen.name, name, to.x, to.y, both))

    def _placed(self, name: str, to: Point) -> None:
        self.own_panel.do(PlaceDimension(name, to.x, to.y))
