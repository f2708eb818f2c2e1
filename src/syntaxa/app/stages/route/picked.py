"""What is picked in the drawing: more of the same, and what can be done with it."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.settings import Settings
from syntaxa.app.stages.route.role_style import RoleStyle
from syntaxa.app.widgets.labels import button, label, narrow
from syntaxa.app.words import counted, tr
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Pen
from syntaxa.route.edits import BringBack, ExcludeCurves, GiveRole, MoveCurves, Ungroup
from syntaxa.route.part import Routed

#: Ways to pick more: title, what it does, and its name for the window.
_MORE: tuple[tuple[str, str, str], ...] = (
    (tr("Chain"), tr("Pick all that is connected"), "chain"),
    (tr("Loop"), tr("Pick the shortest closed loop"), "loop"),
    (tr("Lasso"), tr("Draw round what is to be picked"), "lasso"),
    (tr("Invert"), tr("Pick what is not picked"), "invert"),
)

#: What curves can have in common with those that are picked.
_SAME = ("layer", "colour", "kind", "radius", "length")


class Picked(QWidget):
    """Buttons for what is selected on the canvas; the window finds and marks the curves."""

    more_wanted = pyqtSignal(str)
    filter_wanted = pyqtSignal(str)
    aside_shown = pyqtSignal(bool)
    group_wanted = pyqtSignal(str)
    place_group_wanted = pyqtSignal(str, bool)
    select_wanted = pyqtSignal(object)

    def __init__(self, session: Session, settings: Settings) -> None:
        super().__init__()
        self._session, self._settings = session, settings
        self._picked: list[Curve] = []
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(6)
        self._says = label("", wrap=True)
        column.addWidget(self._says)
        grid = QGridLayout()
        grid.setSpacing(6)
        for k, (text, name, way) in enumerate(_MORE):
            made = self._made(text, name, partial(self.more_wanted.emit, way))
            grid.addWidget(made, 0, k)
        column.addLayout(grid)
        self._same = narrow(QComboBox())
        self._same.setAccessibleName(tr("What curves must have in common with those that are picked"))
        for one in _SAME:
            self._same.addItem(tr("all of the same {0}", tr(one)), one)
        same = self._made(
            tr("Pick"), tr("Pick all that have this in common"), lambda: self.more_wanted.emit(self._same.currentData())
        )
        column.addLayout(_row((self._same, same)))
        self._filter = QLineEdit()
        self._filter.setPlaceholderText(tr("circles under 3 mm, lines on NOTES…"))
        self._filter.setAccessibleName(tr("Pick by words"))
        self._filter.setToolTip(
            tr(
                "A kind (lines, arcs, circles, closed, open…), a bound (under, over, of, between … and …; “radius” "
                "before it for arcs) and “on” with a layer, each of which can be left out."
            )
        )
        self._filter.returnPressed.connect(lambda: self.filter_wanted.emit(self._filter.text()))
        find = self._made(tr("Pick"), tr("Pick by these words"), lambda: self.filter_wanted.emit(self._filter.text()))
        column.addLayout(_row((self._filter, find)))
        self._add_moves(column)
        self._add_roles(column)
        self._add_groups(column)
        column.addStretch(1)

    # ------------------------------------------------------------------ making

    def _add_moves(self, column: QVBoxLayout) -> None:
        self._into = narrow(QComboBox())
        self._into.setEditable(True)
        self._into.setAccessibleName(tr("Sketch that picked curves go to"))
        column.addLayout(
            _row((self._into, self._made(tr("Move there"), tr("Move what is picked to this sketch"), self.move_there)))
        )
        self._aside = QCheckBox(tr("Show what is put aside"))
        self._aside.toggled.connect(self.aside_shown)
        self._back = self._made(
            tr("Bring all back"), tr("Bring back everything that was put aside"), self.bring_all_back
        )
        out = self._made(tr("Put aside"), tr("Put what is picked aside"), self.put_aside)
        column.addLayout(_row((self._aside, out, self._back)))

    def _add_roles(self, column: QVBoxLayout) -> None:
        heading = QHBoxLayout()
        heading.addWidget(label(tr("Roles"), "heading"))
        heading.addStretch()
        column.addLayout(heading)
        self._role = narrow(QComboBox())
        self._role.setEditable(True)
        self._role.setAccessibleName(tr("Role"))
        self._role.setToolTip(tr("Choose a meaning, or type one of your own; it is remembered."))
        give = self._made(tr("Give"), tr("Give this role to what is picked"), lambda: self.give(True))
        take = self._made(tr("Take"), tr("Take this role from what is picked"), lambda: self.give(False))
        forget = self._made(tr("Forget"), tr("Take this role off the list"), self.forget_role)
        style = self._made(tr("Style…"), tr("How this role goes out: colour, weight, line type, layer"), self.ask_style)
        heading.addWidget(forget)
        column.addLayout(_row((self._role, give, take, style)))
        self._list_roles()

    def _add_groups(self, column: QVBoxLayout) -> None:
        column.addWidget(label(tr("Groups"), "heading"))
        self._group_name = QLineEdit()
        self._group_name.setPlaceholderText(tr("name of the group"))
        self._group_name.setAccessibleName(tr("Name of the group"))
        make = self._made(tr("Group…"), tr("Make a group of what is picked, with a base point"), self._want_group)
        column.addLayout(_row((self._group_name, make)))
        self.groups = QListWidget()
        self.groups.setAccessibleName(tr("Groups"))
        self.groups.setFixedHeight(58)
        self.groups.itemSelectionChanged.connect(self._select_group)
        column.addWidget(self.groups)
        column.addLayout(
            _row(
                (
                    self._made(tr("Move…"), tr("Move the group by its base point"), lambda: self._want_place(False)),
                    self._made(tr("Copy…"), tr("Put a copy of the group down"), lambda: self._want_place(True)),
                    self._made(tr("Take apart"), tr("Take the group apart"), self.ungroup),
                ),
                stretch=False,
            )
        )

    def _made(self, text: str, name: str, run: Callable[[], None]) -> QPushButton:
        made = button(text, name)
        made.setToolTip(name)
        made.clicked.connect(lambda _checked: run())
        return made

    # ------------------------------------------------------------------ doing

    def _ids(self) -> tuple[str, ...]:
        if not self._picked:
            self._session.told.emit(tr("Nothing is picked: click curves in the drawing, or draw a window round them."))
        return tuple(c.id for c in self._picked)

    def move_there(self) -> None:
        """Moves what is picked to the sketch that is named."""
        name = self._into.currentText().strip()
        if name and (ids := self._ids()):
            self._session.do(MoveCurves(ids, name))

    def put_aside(self) -> None:
        """Puts what is picked aside."""
        if ids := self._ids():
            self._session.do(ExcludeCurves(ids))

    def bring_all_back(self) -> None:
        """Brings back everything that was put aside."""
        state = self._session.state
        if state is not None and state.excluded:
            self._session.do(BringBack(tuple(x.curve.id for x in state.excluded)))

    def give(self, on: bool) -> None:
        """Gives the role, or takes it away; a role that is new is remembered."""
        role = self._role.currentText().strip()
        ids = self._ids() if role else ()
        if not ids:
            return
        if role not in self._settings.values.roles:
            self._settings.values.roles = (*self._settings.values.roles, role)
            self._settings.save()
            self._list_roles()
            self._role.setCurrentText(role)
        self._session.do(GiveRole(ids, role, on))

    def forget_role(self) -> None:
        """Takes the role off the list; curves that have it keep it."""
        role = self._role.currentText().strip()
        self._settings.values.roles = tuple(r for r in self._settings.values.roles if r != role)
        self._settings.save()
        self._list_roles()

    def ask_style(self) -> None:
        """Asks how the role goes out."""
        role, state = self._role.currentText().strip(), self._session.state
        if role and state is not None:
            dialog = RoleStyle(self, role, dict(state.part(Routed).pens).get(role, Pen()))
            dialog.accepted.connect(lambda: self._session.do(dialog.step()))
            dialog.open()

    def ungroup(self) -> None:
        """Takes the chosen group apart."""
        key = self._group_key()
        if key:
            self._session.do(Ungroup(key))

    def _want_group(self) -> None:
        name = self._group_name.text().strip()
        if not name:
            self._session.told.emit(tr("Type a name for the group."))
        elif self._ids():
            self.group_wanted.emit(name)

    def _want_place(self, copy: bool) -> None:
        key = self._group_key()
        if key:
            self.place_group_wanted.emit(key, copy)

    def _group_key(self) -> str:
        item = self.groups.currentItem()
        if item is None:
            self._session.told.emit(tr("Choose a group first."))
            return ""
        return str(item.data(256))

    def _select_group(self) -> None:
        item, state = self.groups.currentItem(), self._session.state
        if item is not None and state is not None:
            self.select_wanted.emit({c.id for c in state.curves() if c.group == item.data(256)})

    def _list_roles(self) -> None:
        kept = self._role.currentText()
        self._role.clear()
        self._role.addItems(self._settings.values.roles)
        self._role.setCurrentText(kept or (self._settings.values.roles or ("",))[0])

    # ------------------------------------------------------------------ showing

    def show_picked(self, curves: list[Curve], lengths: LengthFormat) -> None:
        """Takes what is selected on the canvas."""
        self._picked = curves
        if not curves:
            self._says.setText(tr("Nothing is picked: click, or draw a window or lasso."))
            return
        total = lengths.text(sum(c.shape.length for c in curves))
        roles = sorted({role for c in curves for role in c.roles})
        told = tr(" Roles: {0}.", ", ".join(roles)) if roles else ""
        self._says.setText(tr("{0} picked, {1} in all.{2}", counted(len(curves), "curve"), total, told))

    def refresh(self) -> None:
        """Shows what the session holds now."""
        state = self._session.state
        if state is None:
            return
        kept = self._into.currentText()
        self._into.clear()
        self._into.addItems([s.name for s in state.sketches])
        self._into.setCurrentText(kept)
        self._aside.setText(tr("Show {0} aside", len(state.excluded)) if state.excluded else tr("Nothing aside"))
        self._aside.setEnabled(bool(state.excluded))
        self._back.setEnabled(bool(state.excluded))
        row = self.groups.currentRow()
        self.groups.blockSignals(True)
        self.groups.clear()
        for group in state.part(Routed).groups:
            count = sum(c.group == group.key for c in state.curves())
            item = QListWidgetItem(f"{group.name} {group.number}: {counted(count, 'curve')}")
            item.setData(256, group.key)
            self.groups.addItem(item)
        self.groups.setCurrentRow(row)
        self.groups.blockSignals(False)


def _row(parts: tuple[QWidget, ...], stretch: bool = True) -> QHBoxLayout:
    """Widgets side by side; the first takes the room that is left."""
    row = QHBoxLayout()
    for k, part in enumerate(parts):
        row.addWidget(part, int(stretch and k == 0))
    if not stretch:
        row.addStretch()
    return row
