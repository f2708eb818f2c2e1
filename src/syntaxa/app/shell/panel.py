"""What all stage panels share: a title, a scrolling body, and the session that they listen to."""

from __future__ import annotations

from typing import Any, TypeVar, cast

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtWidgets import QFrame, QScrollArea, QTabWidget, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.widgets.labels import label

W = TypeVar("W", bound=QWidget)

#: Pixels of height that a panel with lists has at the least.
_LEAST = 490


class Ready:
    """Pages of a panel that are made before it is wanted, one at a time: to make all of it at once holds the window.

    home     where the panel will lie: whenever a widget is put elsewhere, the style sheet goes over all that is in it
    wanted   their classes, each with what it is made with; one that takes parts which are made before it has this class
             itself among that, for the pages that are ready
    """

    def __init__(self, home: QWidget | None, *wanted: tuple[Any, ...]) -> None:
        self.home = home
        self._wanted = {kind: given for kind, *given in wanted}
        self._made: dict[type[QWidget], QWidget] = {}

    def make_next(self) -> bool:
        """Makes one more; False where all are there."""
        if not self._wanted:
            return False
        kind = next(iter(self._wanted))
        self._made[kind] = self._new(kind)
        return True

    def take(self, kind: type[W]) -> W:
        """A page, made now where it was not made before."""
        return self._new(kind) if kind in self._wanted else cast(W, self._made.pop(kind))

    def _new(self, kind: type[W]) -> W:
        given: list[Any] = [self if one is Ready else one for one in self._wanted.pop(kind)]
        return kind(*given)


class StagePanel(QWidget):
    """A panel of one stage; subclasses fill `body` and redraw themselves in `refresh`."""

    #: Whether the panel is as high as what is in it; one whose lists take what room there is has a least height.
    scrolls = True

    def __init__(self, session: Session, ready: Ready | None = None) -> None:
        super().__init__(ready.home if ready is not None else None)
        # It waits to be shown until it is its turn.
        self.hide()
        self.setObjectName("stagePanel")
        self.session = session
        self.lengths = LengthFormat("mm")
        self.tokens: Tokens = PAPER
        #: Pages of tabs that have not got their place yet, with what they will lie in.
        self._waiting: list[tuple[QScrollArea, QWidget]] = []
        inside = QWidget()
        inside.setObjectName("body")
        self.body = QVBoxLayout(inside) if self.scrolls else Filling(inside)
        self.body.setContentsMargins(16, 12, 16, 12)
        self.body.setSpacing(7)
        self._title, self._purpose = label("", "title"), label("", "dim", wrap=True)
        self.body.addWidget(self._title)
        self.body.addWidget(self._purpose)
        session.evaluated.connect(self._purpose.hide)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        if not self.scrolls:
            # Labels that wrap hide their true height from the layout; this is what the fullest panel needs.
            inside.setMinimumHeight(_LEAST)
        column.addWidget(scrolling(inside))

    def dress(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Takes a display unit and a look, for when it is shown next."""
        self.lengths, self.tokens = lengths, tokens

    def show_with(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Shows what the session holds in a display unit and a look."""
        self.dress(lengths, tokens)
        self.refresh()

    def head(self, title: str, purpose: str) -> None:
        """Names the stage; what it is for is said as long as nothing is open."""
        self._title.setText(title)
        self._purpose.setText(purpose)
        self._purpose.setVisible(self.session.evaluation is None)

    def add_scrolling(self, tabs: QTabWidget, inside: QWidget, name: str) -> None:
        """Adds a page that scrolls as a tab; what is in it is dressed when it is put there, by `fill_next`."""
        scroll = scrolling()
        tabs.addTab(scroll, name)
        self._waiting.append((scroll, inside))

    def fill_next(self) -> bool:
        """Puts one more page into its place; False where all are there."""
        if not self._waiting:
            return False
        scroll, inside = self._waiting.pop(0)
        scroll.setWidget(inside)
        return True

    @property
    def is_full(self) -> bool:
        """Whether every page is in its place."""
        return not self._waiting

    def refresh(self) -> None:
        """Shows what the session holds now."""
        raise NotImplementedError


class Filling(QVBoxLayout):
    """A column that takes the height that there is, not the one that its wrapped labels would like best."""

    def hasHeightForWidth(self) -> bool:
        return False


class _Scrolling(QScrollArea):
    """As wide as what is in it needs at the least: other languages have longer words."""

    def minimumSizeHint(self) -> QSize:
        inside, bar = self.widget(), self.verticalScrollBar()
        hint = super().minimumSizeHint()
        if inside is None or bar is None:
            return hint
        return QSize(max(hint.width(), inside.minimumSizeHint().width() + bar.sizeHint().width()), hint.height())


def scrolling(inside: QWidget | None = None) -> QScrollArea:
    """A page that scrolls up and down where it has too little room; what is in it can come later."""
    scroll = _Scrolling()
    scroll.setWidgetResizable(True)
    scroll.setFrameShape(QFrame.Shape.NoFrame)
    scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
    scroll.setFocusPolicy(Qt.FocusPolicy.NoFocus)
    if inside is not None:
        scroll.setWidget(inside)
    return scroll
