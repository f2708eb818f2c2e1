"""The panel of Define: reading off, what is free, dimensions with their values, and what holds."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import pyqtSignal

from syntaxa.app.session.session import Session
from syntaxa.app.shell.attempt import Attempt
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.app.stages.define.constraints_view import ConstraintsView
from syntaxa.app.stages.define.dimensions_view import DimensionsView
from syntaxa.app.stages.define.lists import keep_chosen
from syntaxa.app.stages.define.parameters_view import ParametersView
from syntaxa.app.stages.define.variants_view import VariantsView
from syntaxa.app.widgets.labels import button, label, lines_kept, row_of, set_role
from syntaxa.app.widgets.length_field import AngleField, LengthField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.app.words import counted, tr
from syntaxa.define.base import DefineStep
from syntaxa.define.holding import HoldSketch
from syntaxa.define.part import Defined
from syntaxa.define.steps import BindDimensions, ReadOff
from syntaxa.define.views import DEFINITION, Definition, SketchFreedom

#: Parts of a sketch whose freedom is told one by one.
_MOST_PARTS = 12

#: Pixels of height of the list of sketches.
_HEIGHT = 126


class DefinePanel(StagePanel):
    """Reading off and binding at the top; below it sketches, dimensions, and what holds in the chosen sketch."""

    #: What the chosen row is about: names of pieces, none for nothing.
    about = pyqtSignal(object)
    missing_wanted = pyqtSignal()
    #: What would be read off is to be looked at first; and whether proposals are to be seen.
    look_wanted = pyqtSignal()
    proposals_shown = pyqtSignal(bool)
    sketch_chosen = pyqtSignal()

    def __init__(self, session: Session, ready: Ready) -> None:
        super().__init__(session, ready)
        self._definition = Definition()
        self._part = Defined()
        #: Why the step that was asked for last could not be.
        self._refused = ""
        self._attempt = Attempt(session)
        self._attempt.refused.connect(self._refuse)
        self._make_head()
        self._make_sketches()
        self.dimensions, self.parameters = ready.take(DimensionsView), ready.take(ParametersView)
        self.constraints, self.variants = ready.take(ConstraintsView), ready.take(VariantsView)
        self.dimensions.wanted.connect(self.do)
        self.dimensions.bind.clicked.connect(self.read_dimensions)
        self.dimensions.about.connect(self.about)
        self.parameters.wanted.connect(self.do)
        self.parameters.told.connect(self._refuse)
        self.constraints.wanted.connect(self.do)
        self.constraints.about.connect(self.about)
        self.body.addWidget(self.dimensions)
        self.body.addWidget(self.parameters)
        self.body.addWidget(self.constraints)
        self.body.addWidget(self.variants)
        self.body.addStretch(1)

    # ------------------------------------------------------------------ making

    def _make_head(self) -> None:
        self.level = LengthField(tr("How far an end may be off what is read off"), 0.0, 1.0)
        self.angle = AngleField(tr("How far a line may be off its direction, in degrees"))
        read = button(tr("Read off what holds"), primary=True)
        look = button(tr("Look first"), tr("See what would be read off, and how far anything would move"))
        look.clicked.connect(self.look_wanted)
        read.clicked.connect(self.read_off)
        self.body.addLayout(
            row_of(label(tr("Within mm"), "dim"), self.level, label(tr("and degrees"), "dim"), self.angle)
        )
        self.body.addLayout(row_of(None, look, read))
        self.says = lines_kept(label("", "dim", wrap=True), 2)
        self.body.addWidget(self.says)

    def _make_sketches(self) -> None:
        self.sketches = RowsView(
            tr("Sketches and what is free in them"),
            (
                Column(tr("Sketch"), lambda s: s.name, figure=False),
                Column(tr("Constraints"), lambda s: str(sum(s.kinds.values()))),
                Column(tr("Free"), _free, tip=_free_parts),
            ),
        )
        self.missing, self.hold = button(tr("Add the missing")), button(tr("Hold whole"))
        self.propose = button(
            tr("Propose"), tr("Show the missing dimensions faded on the drawing; a click there adds one")
        )
        self.propose.setCheckable(True)
        self.propose.toggled.connect(self.proposals_shown)
        self.missing.clicked.connect(self.missing_wanted)
        self.hold.clicked.connect(self._toggle_held)
        self.sketches.setFixedHeight(_HEIGHT)
        self.body.addWidget(label(tr("Sketches"), "heading"))
        self.body.addWidget(self.sketches)
        self.body.addLayout(row_of(self.propose, self.missing, self.hold, None))
        self.sketches.selection().selectionChanged.connect(lambda *_: self._sketch_chosen())

    # ------------------------------------------------------------------ showing

    def refresh(self) -> None:
        state = self.session.state
        self.setEnabled(state is not None)
        if state is None:
            return
        limits = next((s for s in reversed(self._steps()) if isinstance(s, ReadOff)), ReadOff())
        self.level.show_value(limits.level)
        self.angle.show_value(limits.angle)
        found = self.session.view(DEFINITION)
        self._part = state.part(Defined)
        self.says.setText(self._refused or self._sentence(found))
        set_role(self.says, "warning" if self._refused else "dim")
        if found is not None:
            self._definition = found
        keep_chosen(self.sketches, self._definition.sketches, lambda s: s.name)
        self.dimensions.show_parts(self._part, self._definition, self.lengths)
        self.parameters.show_parts(self._part, self._definition.measured, self.lengths)
        self.variants.show_part(self._part)
        if self.sketches.chosen_row() < 0 and self._definition.sketches:
            self.sketches.selectRow(0)
        self._show_constraints()

    def _steps(self) -> Sequence[object]:
        return [s.step for s in self.session.job.steps] if self.session.job is not None else []

    def _sentence(self, found: Definition | None) -> str:
        if found is None:
            return tr("Counting what is free…")
        parts = []
        free = sum(bool(s.freedom) for s in found.sketches)
        large = sum(s.freedom is None for s in found.sketches)
        if free:
            where = counted(free, "sketch", "sketches")
            parts.append(tr("{0} of freedom left in {1}.", counted(found.freedom, "degree"), where))
        if large:
            parts.append(tr("{0} too large to count what is free.", counted(large, "sketch", "sketches")))
        if found.sketches and not free and not large:
            parts.append(tr("✓ Fully defined."))
        if found.disagreeing:
            parts.append(tr("{0} written otherwise than drawn: choose.", counted(len(found.disagreeing), "dimension")))
        parts += [tr("Gone: {0}", g) for s in found.sketches for g in s.gone[:2]]
        return " ".join(parts)

    def _sketch_chosen(self) -> None:
        self._show_constraints()
        self.sketch_chosen.emit()

    def choose_sketch(self, name: str) -> None:
        """Chooses the row of a sketch."""
        for k, sketch in enumerate(self._definition.sketches):
            if sketch.name == name:
                self.sketches.selectRow(k)

    def _show_constraints(self) -> None:
        sketch = self.chosen_sketch()
        self.constraints.show_part(self._part, sketch.name if sketch is not None else "")
        self.hold.setEnabled(sketch is not None)
        self.hold.setText(tr("Let it move") if sketch is not None and sketch.held else tr("Hold whole"))
        wanted = sum(_wanted(s) for s in self._definition.sketches)
        nothing = tr("Nothing is missing") if self._definition.counted else tr("Too large to tell what is missing")
        self.missing.setText(tr("Add what is missing: {0}", wanted) if wanted else nothing)
        self.missing.setEnabled(bool(wanted))
        self.propose.setEnabled(bool(wanted))

    def chosen_sketch(self) -> SketchFreedom | None:
        """The sketch whose row is chosen."""
        at = self.sketches.chosen_row()
        return self._definition.sketches[at] if 0 <= at < len(self._definition.sketches) else None

    # ------------------------------------------------------------------ doing

    def do(self, step: DefineStep) -> None:
        """Does a step; one that cannot be is taken back, and why is told."""
        self._refused = ""
        self._attempt.do(step)

    def _refuse(self, sentence: str) -> None:
        self._refused = sentence
        self.refresh()

    def reading(self) -> ReadOff:
        """The step that reads off within the limits that stand in the fields."""
        level, angle = self.level.number(), self.angle.number()
        return ReadOff(level or ReadOff().level, angle or ReadOff().angle)

    def read_off(self) -> None:
        """Reads off what holds, within the limits."""
        self.do(self.reading())

    def tell(self, sentence: str) -> None:
        """Tells what something that is only tried would do; an empty sentence tells again what is."""
        if sentence:
            self.says.setText(sentence)
            set_role(self.says, "dim")
        else:
            self.refresh()

    def read_dimensions(self) -> None:
        """Binds the dimensions of the drawing."""
        self.do(BindDimensions())

    def _toggle_held(self) -> None:
        sketch = self.chosen_sketch()
        if sketch is not None:
            self.do(HoldSketch(sketch.name, not sketch.held))


def _free(sketch: SketchFreedom) -> str:
    if sketch.held:
        return tr("held whole")
    if sketch.freedom is None:
        return tr("too large")
    return str(sketch.freedom) if sketch.freedom else tr("✓ defined")


def _free_parts(sketch: SketchFreedom) -> str:
    """In how many ways its parts can move."""
    free = [str(n) for n in sketch.parts if n]
    if not free:
        return _free(sketch)
    more = tr(" and {0} more", len(free) - _MOST_PARTS) if len(free) > _MOST_PARTS else ""
    return tr(
        "{0} of {1} parts can move, in so many ways: {2}{3}",
        len(free),
        len(sketch.parts),
        ", ".join(free[:_MOST_PARTS]),
        more,
    )


def _wanted(sketch: SketchFreedom) -> int:
    return len(sketch.missing.measures) + len(sketch.missing.constraints)
