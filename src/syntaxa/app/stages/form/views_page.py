"""The page on which the views of a drawing are folded: what was found, what is proposed, and what is not wanted."""

from __future__ import annotations

import math
from collections.abc import Sequence

import msgspec
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QListWidget, QListWidgetItem, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.shell.panel import Filling
from syntaxa.app.widgets.labels import button, counted, label, lines_kept, row_of, set_role
from syntaxa.form.folded import FoldViews, MethodChoice, ViewBox
from syntaxa.form.folding.model import ROLES, Proposal, Role
from syntaxa.form.folding.reading import Reading
from syntaxa.form.views import READING
from syntaxa.geometry.types import Box

_METHODS: tuple[tuple[str, MethodChoice], ...] = (
    ("found by itself", "auto"), ("first angle", "first"), ("third angle", "third"),
)  # fmt: skip

_ROLES: tuple[Role, ...] = ("front", "top", "right", "left", "bottom")

_USES = {"keep": "within its outline", "cut": "taken away", "turn": "turned"}


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
        self.method.setAccessibleName("Projection")
        for words, method in _METHODS:
            self.method.addItem(words, method)
        self.method.currentIndexChanged.connect(lambda _index: self.refresh())
        self.role.setAccessibleName("View that a box is drawn round")
        self.role.addItems([f"{role} view" for role in _ROLES])
        self.box = button("Draw its box", "Name this view by a box that is drawn round it on the sheet")
        self.box.clicked.connect(self.box_wanted)
        self.forget = button("Forget boxes", "Find the views again without the boxes")
        self.forget.clicked.connect(self._forget)
        self.read = button("Read the views", "Find the views and what they show")
        self.read.clicked.connect(self._ask)
        self.fold = button("Fold and make", "Lay the views on their planes and make what they show", primary=True)
        self.fold.clicked.connect(lambda: self.wanted.emit(self.step()))
        self.says = lines_kept(label("", "dim", wrap=True), 4)
        self.list = QListWidget()
        self.list.setAccessibleName("Proposals; those without a mark are left out")
        column.addLayout(row_of(label("Projection", "dim"), self.method, None, self.read))
        column.addLayout(row_of(label("By hand", "dim"), self.role, self.box, None))
        column.addWidget(self.says)
        column.addWidget(label("What each view says", "heading"))
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
            named = f" Named by hand: {', '.join(self._boxes)}." if self._boxes else ""
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
            self.says.setText("Reading the views…")
        else:
            many = f"{counted(len(self._boxes), 'view')} named. " if self._boxes else ""
            self.says.setText(
                f"{many}A drawing with a front view and others over, under or beside it becomes what it shows."
            )

    def _list(self, found: Reading) -> None:
        self.list.clear()
        for proposal in found.proposals:
            item = QListWidgetItem(self._words(proposal))
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            item.setCheckState(Qt.CheckState.Checked)
            item.setData(Qt.ItemDataRole.UserRole, proposal.key)
            item.setToolTip(f"{proposal.why}; sure to {proposal.sure:.0%}")
            self.list.addItem(item)

    def _words(self, one: Proposal) -> str:
        area = self._lengths.area(one.profile.region.area)
        if one.use == "turn":
            return f"{one.role.capitalize()}: {area} turned by {math.degrees(one.high - one.low):g}°"
        size = self._reading.size[ROLES[one.role][2]] if self._reading is not None else one.high
        # Tools reach beyond the part; nobody wants to read by how much.
        low, high = max(one.low, 0.0), min(one.high, size)
        deep = "" if one.use == "keep" else f" from {self._lengths.short(low)} to {self._lengths.short(high)}"
        doubt = "" if one.sure > 0.9 else ", in doubt"
        return f"{one.role.capitalize()}: {area} {_USES[one.use]}{deep}{doubt}"

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
