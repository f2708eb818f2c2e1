"""The panel of Define: reading off, what is free, dimensions with their values, and what holds."""

from __future__ import annotations

import math
from collections.abc import Sequence

from PyQt6.QtCore import Qt, QTimer, pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QLineEdit

from syntaxa.app.session.session import Session
from syntaxa.app.shell.panel import StagePanel
from syntaxa.app.stages.define.constraints_view import ConstraintsView
from syntaxa.app.stages.define.layers import Tag
from syntaxa.app.stages.define.lists import keep_chosen
from syntaxa.app.stages.define.parameters_view import ParametersView
from syntaxa.app.theme.style import figure_font
from syntaxa.app.widgets.labels import button, counted, label, row_of, set_role
from syntaxa.app.widgets.length_field import AngleField, LengthField
from syntaxa.app.widgets.rows import Column, RowsView
from syntaxa.define.base import DefineStep
from syntaxa.define.model import Measure
from syntaxa.define.part import Defined
from syntaxa.define.steps import (
    BindDimensions,
    HoldSketch,
    ReadOff,
    SetDimension,
    shown,
)
from syntaxa.define.views import DEFINITION, Definition, SketchFreedom

#: Pixels of height of the lists of sketches and dimensions.
_LISTS = (126, 140)


class DefinePanel(StagePanel):
    """Reading off and binding at the top; below it sketches, dimensions, and what holds in the chosen sketch."""

    #: What the chosen row is about: names of pieces, none for nothing.
    about = pyqtSignal(object)
    missing_wanted = pyqtSignal()
    sketch_chosen = pyqtSignal()
    #: The name of the dimension that is chosen, empty for none.
    chosen = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._definition = Definition()
        self._part = Defined()
        #: The step that was asked for last, until it is known whether it can be; and why it could not.
        self._asked: DefineStep | None = None
        self._refused = ""
        session.evaluated.connect(self._judge)
        self._make_head()
        self._make_sketches()
        self._make_dimensions()
        self.parameters, self.constraints = ParametersView(), ConstraintsView()
        self.parameters.wanted.connect(self.do)
        self.parameters.told.connect(self._refuse)
        self.constraints.wanted.connect(self.do)
        self.constraints.about.connect(self.about)
        self.body.addWidget(self.parameters)
        self.body.addWidget(self.constraints)
        self.body.addStretch(1)

    # ------------------------------------------------------------------ making

    def _make_head(self) -> None:
        self.level = LengthField("How far an end may be off what is read off", 0.0, 1.0)
        self.angle = AngleField("How far a line may be off its direction, in degrees")
        read, bind = button("Read off what holds", primary=True), button("Bind the dimensions")
        read.clicked.connect(self.read_off)
        bind.clicked.connect(self.bind)
        self.body.addLayout(row_of(label("Within mm", "dim"), self.level, label("and degrees", "dim"), self.angle))
        self.body.addLayout(row_of(bind, None, read))
        self.says = label("", "dim", wrap=True)
        # Two lines are kept free, so that nothing below jumps when more is told.
        self.says.setMinimumHeight(2 * self.says.fontMetrics().lineSpacing() + 4)
        self.says.setAlignment(Qt.AlignmentFlag.AlignTop)
        self.body.addWidget(self.says)

    def _make_sketches(self) -> None:
        self.sketches = RowsView(
            "Sketches and what is free in them",
            (
                Column("Sketch", lambda s: s.name, figure=False),
                Column("Constraints", lambda s: str(sum(s.kinds.values()))),
                Column("Free", _free),
            ),
        )
        self.missing, self.hold = button("Add the missing"), button("Hold whole")
        self.missing.clicked.connect(self.missing_wanted)
        self.hold.clicked.connect(self._toggle_held)
        self._list("Sketches", self.sketches, _LISTS[0], row_of(self.missing, self.hold, None))
        self.sketches.selection().selectionChanged.connect(lambda *_: self._sketch_chosen())

    def _make_dimensions(self) -> None:
        self.dimensions = RowsView(
            "Dimensions and their values",
            (
                Column("Name", lambda m: m.name, figure=False),
                Column("Of", lambda m: m.kind, figure=False),
                Column("Value", self._value_of),
                Column("Use", self._use_of, figure=False, tip=lambda m: m.expression or m.text),
            ),
        )
        self.value = QLineEdit()
        self.value.setAccessibleName("Value of the chosen dimension")
        self.value.setPlaceholderText("150, 6in, d1/2 - 3mm")
        self.value.setFont(figure_font())
        self.value.returnPressed.connect(self.set_value)
        self.set = button("Set", "Give the chosen dimension this value")
        self.set.clicked.connect(self.set_value)
        self.written = button("As written", "Take the value that the drawing writes")
        self.drawn = button("As drawn", "Take the value that is drawn")
        self.words = button("As text", "Leave this dimension as text")
        self.written.clicked.connect(lambda: self._take("written"))
        self.drawn.clicked.connect(lambda: self._take("drawn"))
        self.words.clicked.connect(lambda: self._take("text"))
        self._list("Dimensions", self.dimensions, _LISTS[1], row_of(self.value, self.set),
                   row_of(self.written, self.drawn, self.words, None))  # fmt: skip
        self.dimensions.selection().selectionChanged.connect(lambda *_: self._dimension_chosen())

    def _list(self, head: str, rows: RowsView, height: int, *below: QHBoxLayout) -> None:
        rows.setFixedHeight(height)
        self.body.addWidget(label(head, "heading"))
        self.body.addWidget(rows)
        for row in below:
            self.body.addLayout(row)

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
        keep_chosen(self.dimensions, self._part.measures, lambda m: m.name)
        self.parameters.show_parts(self._part, self._definition.measured, self.lengths)
        if self.sketches.chosen_row() < 0 and self._definition.sketches:
            self.sketches.selectRow(0)
        self._show_constraints()
        self._dimension_chosen(tell=False)

    def _steps(self) -> Sequence[object]:
        return [s.step for s in self.session.job.steps] if self.session.job is not None else []

    def _sentence(self, found: Definition | None) -> str:
        if found is None:
            return "Counting what is free…"
        parts = []
        free = sum(bool(s.freedom) for s in found.sketches)
        large = sum(s.freedom is None for s in found.sketches)
        if free:
            where = counted(free, "sketch", "sketches")
            parts.append(f"{counted(found.freedom, 'degree')} of freedom left in {where}.")
        if large:
            parts.append(f"{counted(large, 'sketch', 'sketches')} too large to count what is free.")
        if found.sketches and not free and not large:
            parts.append("✓ Fully defined.")
        if found.disagreeing:
            parts.append(f"{counted(len(found.disagreeing), 'dimension')} written otherwise than drawn: choose.")
        parts += [f"Gone: {g}" for s in found.sketches for g in s.gone[:2]]
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
        self.hold.setText("Let it move" if sketch is not None and sketch.held else "Hold whole")
        wanted = sum(_wanted(s) for s in self._definition.sketches)
        self.missing.setText(f"Add what is missing: {wanted}" if wanted else "Nothing is missing")
        self.missing.setEnabled(bool(wanted))

    def choose_dimension(self, name: str) -> None:
        """Chooses a dimension and puts the cursor into its value."""
        for k, one in enumerate(self._part.measures):
            if one.name == name:
                self.dimensions.selectRow(k)
                self.value.setFocus()
                self.value.selectAll()

    def chosen_sketch(self) -> SketchFreedom | None:
        """The sketch whose row is chosen."""
        at = self.sketches.chosen_row()
        return self._definition.sketches[at] if 0 <= at < len(self._definition.sketches) else None

    def chosen_dimension(self) -> Measure | None:
        """The dimension whose row is chosen."""
        at = self.dimensions.chosen_row()
        return self._part.measures[at] if 0 <= at < len(self._part.measures) else None

    def _dimension_chosen(self, *, tell: bool = True) -> None:
        one = self.chosen_dimension()
        for widget in (self.value, self.set, self.drawn, self.words):
            widget.setEnabled(one is not None)
        self.written.setEnabled(one is not None and one.written is not None)
        if one is not None and not (self.value.hasFocus() and self.value.isModified()):
            value = self._definition.measured.get(one.name)
            self.value.setText(one.expression or ("" if value is None else shown(value, is_angle=one.is_angle)))
        if tell:
            self.about.emit(one.things if one is not None else ())
        self.chosen.emit(one.name if one is not None else "")

    def tags(self) -> tuple[Tag, ...]:
        """The dimensions as they stand on the canvas."""
        return tuple(
            Tag(
                m.name,
                f"{m.name}  {self._value_of(m)}",
                self._definition.places[m.name],
                m.name in self._definition.disagreeing,
            )
            for m in self._part.measures
            if m.name in self._definition.places
        )

    def _value_of(self, one: Measure) -> str:
        value = self._definition.measured.get(one.name)
        if value is None:
            return "gone"
        return f"{math.degrees(value):.4g}°" if one.is_angle else self.lengths.number(value)

    def _use_of(self, one: Measure) -> str:
        if one.name in self._definition.disagreeing:
            written = one.written or 0.0
            return f"says {math.degrees(written):.4g}°" if one.is_angle else f"says {self.lengths.number(written)}"
        return {"live": "drives", "measured": "measured", "text": "text"}[one.use]

    # ------------------------------------------------------------------ doing

    def do(self, step: DefineStep) -> None:
        """Does a step; one that cannot be is taken back, and why is told."""
        self._asked, self._refused = step, ""
        self.session.do(step)

    def _refuse(self, sentence: str) -> None:
        self._refused = sentence
        self.refresh()

    def _judge(self) -> None:
        asked, evaluation, job = self._asked, self.session.evaluation, self.session.job
        if asked is None or evaluation is None or job is None or not job.steps:
            return
        mine = next((s.number for s in reversed(job.steps) if s.step == asked), None)
        row = next((r for r in evaluation.ledger if r.number == mine), None)
        if row is None:
            return
        self._asked = None
        if row.failed:
            self._refused = row.failed
            # Not while others are still being told of the evaluation.
            QTimer.singleShot(0, self.session.undo)

    def read_off(self) -> None:
        """Reads off what holds, within the limits."""
        level, angle = self.level.number(), self.angle.number()
        self.do(ReadOff(level or ReadOff().level, angle or ReadOff().angle))

    def bind(self) -> None:
        """Binds the dimensions of the drawing."""
        self.do(BindDimensions())

    def set_value(self) -> None:
        """The chosen dimension gets what was typed."""
        one, text = self.chosen_dimension(), self.value.text().strip()
        if one is not None and text and (text != one.expression or one.use != "live"):
            self.value.setModified(False)
            self.do(SetDimension(one.name, text))

    def _take(self, what: str) -> None:
        one = self.chosen_dimension()
        if one is None:
            return
        if what == "text":
            self.do(SetDimension(one.name, use="text"))
            return
        value = one.written if what == "written" else self._definition.measured.get(one.name)
        if value is not None:
            self.do(SetDimension(one.name, shown(value, is_angle=one.is_angle)))

    def _toggle_held(self) -> None:
        sketch = self.chosen_sketch()
        if sketch is not None:
            self.do(HoldSketch(sketch.name, not sketch.held))


def _free(sketch: SketchFreedom) -> str:
    if sketch.held:
        return "held whole"
    if sketch.freedom is None:
        return "too large"
    return str(sketch.freedom) if sketch.freedom else "✓ defined"


def _wanted(sketch: SketchFreedom) -> int:
    return len(sketch.missing.measures) + len(sketch.missing.constraints)
