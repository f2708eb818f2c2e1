"""One source placed beside the others: a place of its own that is put somewhere, its turning and its size."""

from __future__ import annotations

from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.stages.measure.picking import PickPoints
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.widgets.length_field import AngleField, LengthField, NumberField
from syntaxa.app.words import tr
from syntaxa.drawing.state import Taken
from syntaxa.geometry.points import Point, Vector
from syntaxa.measure.steps import OwnPlace, PlaceSource

_PLACES: tuple[tuple[OwnPlace, str], ...] = (
    ("as-drawn", tr("Origin of its file")),
    ("lower-left", tr("Lower left of what goes out of it")),
    ("centre", tr("Centre of what goes out of it")),
    ("point", tr("A point of it")),
)


class SourcePlace(QWidget):
    """Shown where a job has several sources; each field makes one step for the source that is chosen."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        #: The source that is placed: the one that was added last, until another is chosen.
        self._number, self._chosen = 1, 0
        self.pick: PickPoints | None = None
        self._source, self._own = narrow(QComboBox()), narrow(QComboBox())
        self._source.setAccessibleName(tr("Source that is placed"))
        self._source.activated.connect(lambda _index: self._choose_source())
        self._own.setAccessibleName(tr("Place of the source that is put at X and Y"))
        for place, text in _PLACES:
            self._own.addItem(text, place)
        self._own.activated.connect(lambda _index: self._choose_own())
        self._x, self._y = (
            LengthField(tr("X that the place of the source goes to")),
            LengthField(tr("Y that it goes to")),
        )
        self._angle = AngleField(tr("Angle that the source is turned by, in degrees"))
        self._factor = NumberField(tr("Factor that the source is scaled by"), least=0.0)
        self._width = LengthField(tr("Wanted width of the source"), least=0.0)
        for field in (self._x, self._y, self._width):
            field.setPlaceholderText(tr("as drawn"))
        self._pick = button(tr("By two points…"), tr("Pick a point of the source, and where it goes"))
        self._pick.clicked.connect(self.pick_points)
        self._as_drawn = button(tr("As drawn"), tr("Put the source back where and as large as it is drawn"))
        self._as_drawn.clicked.connect(lambda: self._session.do(PlaceSource(self._number)))
        self._lay_out()
        self._x.entered.connect(lambda _value: self._do_place())
        self._y.entered.connect(lambda _value: self._do_place())
        self._angle.entered.connect(lambda value: self._session.do(replace(self._step(), turn_deg=value)))
        self._factor.entered.connect(lambda value: self._session.do(replace(self._step(), scale=value, width=0.0)))
        self._width.entered.connect(lambda value: self._session.do(replace(self._step(), width=value, scale=1.0)))

    def _lay_out(self) -> None:
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(7)
        column.addWidget(label(tr("One source beside the others"), "heading"))
        column.addWidget(self._source)
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        fields: tuple[tuple[str, NumberField], ...] = (
            (tr("goes to X"), self._x),
            ("Y", self._y),
            (tr("Turned by"), self._angle),
            (tr("Factor"), self._factor),
            (tr("Width"), self._width),
        )
        grid.addWidget(label(tr("Its place"), "dim"), 0, 0)
        grid.addWidget(self._own, 0, 1, 1, 3)
        for k, (text, field) in enumerate(fields):
            name = label(text, "dim")
            name.setBuddy(field)
            grid.addWidget(name, 1 + k // 2, 2 * (k % 2))
            grid.addWidget(field, 1 + k // 2, 2 * (k % 2) + 1)
        column.addLayout(grid)
        row = QHBoxLayout()
        row.addWidget(self._pick)
        row.addStretch()
        row.addWidget(self._as_drawn)
        column.addLayout(row)

    # ------------------------------------------------------------------ doing

    def pick_points(self) -> None:
        """Asks for a point of the source and for the point where it goes."""
        if self.pick is not None:
            says = tr("Click a point of this source, then where it goes; ends, middles, centres and crossings snap.")
            self.pick((tr("Point of the source"), tr("Goes here")), says, self._got_points)

    def _got_points(self, points: list[Point]) -> None:
        state, taken = self._session.state, self._taken()
        if state is None or taken is None:
            return
        back = -state.shift
        own = taken.own.inverse().point(points[0] + back)
        there = points[1] + back
        self._session.do(
            replace(self._step(), own="point", own_x=own.x, own_y=own.y, x=there.x, y=there.y),
        )

    def _choose_source(self) -> None:
        self._number = self._chosen = int(self._source.currentData() or 1)
        self._show_step()

    def _choose_own(self) -> None:
        if self._own.currentData() == "point":
            self.pick_points()
        elif self._x.number() is not None and self._y.number() is not None:
            self._do_place()

    def _do_place(self) -> None:
        x, y, own = self._x.number(), self._y.number(), self._own.currentData()
        if x is None or y is None:
            return
        shift = self._session.state.shift if self._session.state else Vector(0.0, 0.0)
        self._session.do(replace(self._step(), own=own, x=x - shift.x, y=y - shift.y))

    def _step(self) -> PlaceSource:
        """What the job says of the source now."""
        job = self._session.job
        found = job.step_of(PlaceSource, self._number) if job else None
        return found if isinstance(found, PlaceSource) else PlaceSource(self._number)

    def _taken(self) -> Taken | None:
        state = self._session.state
        return next((t for t in state.taken if t.number == self._number), None) if state else None

    # ------------------------------------------------------------------ showing

    def refresh(self, lengths: LengthFormat) -> None:
        """Shows what the steps say; nothing where there is one source."""
        evaluation = self._session.evaluation
        sources = evaluation.sources if evaluation else ()
        self.setVisible(len(sources) > 1)
        numbers = [s.number for s in sources]
        self._number = self._chosen if self._chosen in numbers else max(numbers, default=1)
        self._source.clear()
        for k, source in enumerate(sources):
            self._source.addItem(source.name, source.number)
            if source.number == self._number:
                self._source.setCurrentIndex(k)
        for field in (self._x, self._y, self._width):
            field.show_in(lengths.single)
        self._show_step()

    def _show_step(self) -> None:
        step = self._step()
        shift = self._session.state.shift if self._session.state else Vector(0.0, 0.0)
        self._own.setCurrentIndex(self._own.findData(step.own))
        for field, value, moved in ((self._x, step.x, shift.x), (self._y, step.y, shift.y)):
            if value is None:
                field.show_nothing()
            else:
                field.show_length(value + moved)
        self._angle.show_value(step.turn_deg)
        self._factor.show_value(step.scale)
        if step.width:
            self._width.show_length(step.width)
        else:
            self._width.show_nothing()
        self._as_drawn.setEnabled(step != PlaceSource(self._number))
