"""What Define shows on the canvas of the chosen sketch: what is free, what holds, and its dimensions."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from typing import TYPE_CHECKING

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.stages.define.dimension_layer import DimensionsLayer, Mark
from syntaxa.app.stages.define.holds_layer import HoldsLayer
from syntaxa.app.stages.define.layers import AboutLayer, FollowingLayer, FreedomLayer
from syntaxa.define.anchors import anchors, held_by
from syntaxa.define.model import Constraint, Named
from syntaxa.define.part import Defined
from syntaxa.define.sketching import pieces_of
from syntaxa.define.views import SketchFreedom
from syntaxa.drawing.model import Curve
from syntaxa.geometry.shapes import Shape

if TYPE_CHECKING:
    from syntaxa.app.stages.define.stage import DefineStage

#: Curves up to which glyphs keep off all that is drawn, and not only off their own sketch.
_MOST_KEPT_FREE = 3000


class Picture:
    """The layers, and what they are given."""

    def __init__(self, stage: DefineStage) -> None:
        self._stage, self._shell = stage, stage.shell
        self.freedom, self.about, self.following = FreedomLayer(), AboutLayer(), FollowingLayer()
        self.dimensions = DimensionsLayer(
            lambda name: stage.own_panel.dimensions.choose(name),
            lambda number: stage.doing.add_proposed(number),
            lambda side: stage.own_panel.dimensions.stay(side),
        )
        self.holds = HoldsLayer(
            lambda key: stage.own_panel.constraints.choose(key), self._shapes_about, self.dimensions.texts
        )
        #: Whether the missing dimensions are drawn faded.
        self.proposing = False
        self._held_by: dict[str, list[Constraint]] = {}
        #: The curves and constraints whose glyphs are shown.
        self._shown: tuple[tuple[Curve, ...], tuple[Constraint, ...]] | None = None

    def layers(self) -> Sequence[Layer]:
        """All of them."""
        return (self.about, self.following, self.freedom, self.holds, self.dimensions)

    def show_sketch(self) -> None:
        """What is free and what holds, of the chosen sketch alone: all at once say nothing."""
        sketch = self._stage.own_panel.chosen_sketch()
        self.freedom.show(sketch.movable if sketch is not None else ())
        self.show_marks(sketch)
        state = self._shell.session.state
        if state is not None:
            self.show_holds(state.part(Defined))

    def show_marks(self, sketch: SketchFreedom | None) -> None:
        marks = self._stage.own_panel.dimensions.marks()
        if self.proposing and sketch is not None:
            text = self._stage.own_panel.dimensions.signed_text
            rows = zip(sketch.missing.measures, sketch.missing.values, sketch.proposed, strict=True)
            marks += tuple(
                Mark("", f"{text(m, value)} ?", span, sketch.middle, number=k)
                for k, (m, value, span) in enumerate(rows)
            )
        self.dimensions.show(marks)

    def show_holds(self, part: Defined) -> None:
        state, chosen = self._shell.session.state, self._stage.own_panel.chosen_sketch()
        sketch = state.sketch(chosen.name) if state is not None and chosen is not None else None
        mine = tuple(c for c in part.constraints if sketch is not None and c.sketch == sketch.name and not c.off)
        if sketch is None or not mine:
            self._shown, self._held_by = None, {}
            self.holds.show((), ())
            return
        if self._shown is not None and self._shown[0] is sketch.curves and self._shown[1] == mine:
            return
        self._shown = sketch.curves, mine
        self._held_by = held_by(sketch.curves, mine)
        every = state.made_curves() if state is not None else []
        drawn = every if len(every) <= _MOST_KEPT_FREE else sketch.curves
        self.holds.show(anchors(sketch.curves, mine), [c.shape for c in drawn])

    def remark(self, curve: Curve) -> str:
        """What holds a curve that is under the cursor."""
        kinds = Counter(c.kind for c in self._held_by.get(curve.id, ()))
        return ", ".join(kind if n == 1 else f"{kind} x {n}" for kind, n in kinds.items())

    def _shapes_of(self, names: Sequence[Named]) -> list[Shape]:
        state = self._shell.session.state
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

    def show_about(self, names: Sequence[Named]) -> None:
        self.about.show(self._shapes_of(names))
