"""The page on which the views of a drawing are folded: what was found, what is proposed, and what is not wanted."""

from __future__ import annotations

import math
from collections.abc import Sequence

import msgspec
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QListWidget, QListWidgetItem, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.shell.panel import Filling
from syntaxa.app.widgets.labels import button, label, lines_kept, row_of, set_role
from syntaxa.app.words import counted, tr
from syntaxa.form.folded import FoldViews, MethodChoice, ViewBox
from syntaxa.form.folding.model import ROLES, Proposal, Role
from syntaxa.form.folding.reading import Reading
from syntaxa.form.views import READING
from syntaxa.geometry.types import Box

_METHODS: tuple[tuple[str, MethodChoice], ...] = (
    (tr("found by itself"), "auto"), (tr("first angle"), "first"), (tr("third angle"), "third"),
)  # fmt: skip

_ROLES: tuple[Role, ...] = ("front", "top", "right", "left", "bottom")

_USES = {"keep": tr("within its outline"), "cut": tr("taken away"), "turn": tr("turned")}


class ViewsPage(QWidget):
    """How the views are read, and the proposals."""

    wanted = pyqtSignal(object)
    #: A box is to be drawn round a view.
    box_wanted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session, self._lengths = session, LengthFormat("mm")
        self._asked = False
        self._boxes: dict[Role, Box] = {}
        self._reading: Reading | None = None
        column = Filling(self)
        column.setContentsMargins(0, 8, 0, 0)
        column.setSpacing(7)
        self.method, self.role = QComboBox(), QComboBox()
        self.method.setAccessibleName(tr("Projection"))
        for words, method in _METHODS:
            self.method.addItem(words, method)
        self.method.currentIndexChanged.connect(lambda _index: self.refresh())
        self.role.setAccessibleName(tr("View that a box is drawn round"))
        self.role.addItems([tr("{0} view", tr(role)) for role in _ROLES])
        self.box = button(tr("Draw its box"), tr("Name this view by a box that is drawn round it on the sheet"))
        self.box.clicked.connect(self.box_wanted)
        self.forget = button(tr("Forget boxes"), tr("Find the views again without the boxes"))
        self.forget.clicked.connect(self._forget)
        self.read = button(tr("Read the views"), tr("Find the views and what they show"))
        self.read.clicked.connect(self._ask)
        self.fold = button(
            tr("Fold and make"), tr("Lay the views on their planes and make what they show"), primary=True
        )
        self.fold.clicked.connect(lambda: self.wanted.emit(self.step()))
        self.says = lines_kept(label("", "dim", wrap=True), 4)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Proposals; those without a mark are left out"))
        column.addLayout(row_of(label(tr("Projection"), "dim"), self.method, None, self.read))
        column.addLayout(row_of(label(tr("By hand"), "dim"), self.role, self.box, None))
        column.addWidget(self.says)
        column.addWidget(label(tr("What each view says"), "heading"))
        column.addWidget(self.list, 1)
        column.addLayout(row_of(self.forget, None, self.fold))

    @property
    def chosen_role(self) -> Role:
        """The view that a box is drawn round."""
        return _ROLES[self.role.currentIndex()]

    def name_view(self, role: Role, box: Box) -> None:
        """A box was drawn round a view."""
        self._boxes[role] = box
        self._asked = True
        self.refresh()

    def step(self) -> FoldViews:
        """The step with what is chosen."""
        left = tuple(
            str(item.data(Qt.ItemDataRole.UserRole))
            for item in self._items()
            if item.checkState() == Qt.CheckState.Unchecked
        )
        return msgspec.structs.replace(self._plain(), left_out=left)

    def _plain(self) -> FoldViews:
        boxes = tuple(ViewBox(role, box) for role, box in self._boxes.items())
        return FoldViews(self.method.currentData(), boxes)

    def _items(self) -> Sequence[QListWidgetItem]:
        return [item for k in range(self.list.count()) if (item := self.list.item(k)) is not None]

    # ------------------------------------------------------------------ showing

    def show_with(self, lengths: LengthFormat) -> None:
        """Shows what is known, in a display unit."""
        self._lengths = lengths
        self.refresh()

    def refresh(self) -> None:
        """Shows what was read, as far as somebody has asked."""
        found = self._session.view(READING, self._plain()) if self._asked else None
        self.forget.setEnabled(bool(self._boxes))
        self.fold.setEnabled(isinstance(found, Reading))
        if isinstance(found, Reading):
            named = tr(" Named by hand: {0}.", ", ".join(self._boxes)) if self._boxes else ""
            self.says.setText(f"{found.says}{named}")
            set_role(self.says, "warning" if found.doubtful or found.undecided else "dim")
            if found is not self._reading:
                self._reading = found
                self._list(found)
            return
        self._reading = None
        self.list.clear()
        set_role(self.says, "warning" if isinstance(found, str) else "dim")
        if isinstance(found, str):
            self.says.setText(found)
        elif self._asked:
            self.says.setText(tr("Reading the views…"))
        else:
            many = tr("{0} named. ", counted(len(self._boxes), "view")) if self._boxes else ""
            self.says.setText(
                tr("{0}A drawing with a front view and others over, under or beside it becomes what it shows.", many)
            )

    def _list(self, found: Reading) -> None:
        self.list.clear()
        for proposal in found.proposals:
            item = QListWidgetItem(self._words(proposal))
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            item.setCheckState(Qt.CheckState.Checked)
            item.setData(Qt.ItemDataRole.UserRole, proposal.key)
            item.setToolTip(tr("{0}; sure to {1:.0%}", said(proposal.why), proposal.sure))
            self.list.addItem(item)

    def _words(self, one: Proposal) -> str:
        area = self._lengths.area(one.profile.region.area)
        if one.use == "turn":
            return tr("{0}: {1} turned by {2:g}°", tr(one.role).capitalize(), area, math.degrees(one.high - one.low))
        size = self._reading.size[ROLES[one.role][2]] if self._reading is not None else one.high
        # Tools reach beyond the part; nobody wants to read by how much.
        low, high = max(one.low, 0.0), min(one.high, size)
        deep = "" if one.use == "keep" else tr(" from {0} to {1}", self._lengths.short(low), self._lengths.short(high))
        doubt = "" if one.sure > 0.9 else tr(", in doubt")
        return f"{tr(one.role).capitalize()}: {area} {_USES[one.use]}{deep}{doubt}"

    # ------------------------------------------------------------------ asking

    def _ask(self) -> None:
        self._asked = True
        self.refresh()

    def _forget(self) -> None:
        self._boxes = {}
        self.refresh()

    def begin_again(self) -> None:
        """Another drawing is open."""
        self._asked, self._boxes, self._reading = False, {}, None
        self.list.clear()
