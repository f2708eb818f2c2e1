"""Reshaping on request: what each kind of it does, within which tolerance, looked at before it is done."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from PyQt6.QtWidgets import QCheckBox, QComboBox, QVBoxLayout, QWidget

from syntaxa.app.sentences import said
from syntaxa.app.session.preview import TRIED
from syntaxa.app.session.session import Session
from syntaxa.app.stages.mend.page import SidePage
from syntaxa.app.widgets.labels import button, label, row_of
from syntaxa.app.widgets.length_field import LengthField
from syntaxa.app.words import tr
from syntaxa.drawing.state import Entry
from syntaxa.drawing.step import Step
from syntaxa.mend.reshape import ArcsForCurves, RunOnTangent, Simplify, SquareUp
from syntaxa.mend.steps import RefitFacets


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of reshaping: what it is called and does, what its tolerance is, and the step for it.

    within  mm to begin with, None for a kind that has none; what its field is called
    """

    name: str
    says: str
    step: Callable[[ReshapePage, float], Step]
    within: float | None
    limit: str


KINDS: tuple[Kind, ...] = (
    Kind(
        tr("Facets to arcs"),
        tr("Runs of short straight pieces become the arcs and circles that they stand for. No end of a run moves."),
        lambda page, within: RefitFacets(page.vertex.number() or 0.0, within),
        RefitFacets().sagitta,
        tr("A facet leaves its arc by"),
    ),
    Kind(
        tr("Splines and ellipses to arcs"),
        tr("Each becomes a run of tangent arcs. Its ends stay where they are."),
        lambda _page, within: ArcsForCurves(within),
        ArcsForCurves().within,
        tr("They lie off by at most"),
    ),
    Kind(
        tr("Tangents made true"),
        tr("Rounded corners between lines are rounded anew with their radius; other arcs are bent to run on."),
        lambda _page, within: RunOnTangent(within),
        RunOnTangent().within,
        tr("Nothing moves by more than"),
    ),
    Kind(
        tr("Square up"),
        tr("What is nearly horizontal, vertical, equal or concentric becomes exactly so."),
        lambda page, within: SquareUp(within, *(box.isChecked() for box in page.parts)),
        SquareUp().within,
        tr("Nothing moves by more than"),
    ),
    Kind(
        tr("Simplify"),
        tr("Vertices that hardly count go from straight runs, and arcs of one circle become one."),
        lambda _page, within: Simplify(within),
        Simplify().within,
        tr("The result lies off by at most"),
    ),
    Kind(
        tr("Leave out every second vertex"),
        tr("Straight runs lose every second vertex, whatever that comes to. Look first."),
        lambda _page, _within: Simplify(None),
        None,
        "",
    ),
)


class ReshapePage(SidePage):
    """A kind, its tolerance, what it would do, and the button that does it."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        #: The step that was looked at.
        self._step: Step | None = None
        self.kind = QComboBox()
        self.kind.setAccessibleName(tr("What is reshaped"))
        for kind in KINDS:
            self.kind.addItem(kind.name)
        self.column.insertWidget(0, self.kind)
        self._limit = label("", "dim")
        self.within = LengthField(tr("How far it may lie off"), least=0.0)
        self._limit.setBuddy(self.within)
        self._limits = QWidget()
        self._units = [label("mm", "dim"), label("mm", "dim")]
        self._limits.setLayout(row_of(self._limit, self.within, self._units[0], None))
        self.column.addWidget(self._limits)
        vertex = label(tr("A vertex lies off its arc by"), "dim")
        self.vertex: LengthField = LengthField(tr("How far a vertex may lie off its arc"), least=0.0)
        vertex.setBuddy(self.vertex)
        self._vertices = QWidget()
        self._vertices.setLayout(row_of(vertex, self.vertex, self._units[1], None))
        self.column.addWidget(self._vertices)
        self.parts: list[QCheckBox] = [
            QCheckBox(text) for text in (tr("Horizontal and vertical"), tr("Equal circles"), tr("Concentric circles"))
        ]
        self._choices = QWidget()
        under_each_other = QVBoxLayout(self._choices)
        under_each_other.setContentsMargins(0, 0, 0, 0)
        for box in self.parts:
            under_each_other.addWidget(box)
        self.column.addWidget(self._choices)
        for box in self.parts:
            box.setChecked(True)
        self.told = label("", wrap=True)
        self.column.addWidget(self.told)
        self.column.addStretch(1)
        self.look = button(tr("Look"), tr("Look what that would do, without changing anything"))
        self.look.clicked.connect(self.look_first)
        self.do_it = button(tr("Do it"), primary=True)
        self.do_it.clicked.connect(self._do)
        self.add_buttons(self.look, right=self.do_it)
        self.vertex.show_length(RefitFacets().vertex)
        for field in (self.within, self.vertex):
            field.textChanged.connect(lambda _text: self._forget())
        for box in self.parts:
            box.toggled.connect(lambda _on: self._forget())
        self.kind.currentIndexChanged.connect(lambda _index: self._show_kind())
        self._show_kind()

    @property
    def _kind(self) -> Kind:
        return KINDS[self.kind.currentIndex()]

    def _show_kind(self) -> None:
        kind = self._kind
        self.says.setText(kind.says)
        self._limit.setText(kind.limit)
        self._limits.setVisible(kind.within is not None)
        if kind.within is not None:
            self.within.show_length(kind.within)
        self._vertices.setVisible(kind is KINDS[0])
        self._choices.setVisible(kind.name == "Square up")
        self._forget()

    def _forget(self) -> None:
        """What was looked for is no longer what is asked for."""
        self.forget()
        self.refresh()

    def forget(self) -> None:
        super().forget()
        self._step = None

    @property
    def _found(self) -> Entry | None:
        """What the step that was looked at would do."""
        tried = self.session.view(TRIED, self._step) if self._step is not None else None
        return tried[1] if tried is not None else None

    def look_first(self) -> None:
        """Shows what the step would do."""
        within = self.within.number()
        if within or self._kind.within is None:
            self._step = self._kind.step(self, within or 0.0)
            self.refresh()

    def _do(self) -> None:
        if self._step is not None and self._found is not None:
            self.session.do(self._step)

    def refresh(self) -> None:
        for unit in self._units:
            unit.setText(self.lengths.single)
        self.within.show_in(self.lengths.single)
        self.vertex.show_in(self.lengths.single)
        found = self._found
        self.do_it.setEnabled(found is not None and found.changed > 0)
        if found is None:
            self.told.setText("" if self._step is None else tr("Looking…"))
        elif not found.changed:
            self.told.setText(said(found.says))
        else:
            would = said(found.says.replace("became", "would become"))
            self.told.setText(tr("{0} Nothing would be off by more than {1}.", would, self.lengths.small(found.max_mm)))
