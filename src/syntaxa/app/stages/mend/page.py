"""What the pages of Mend share: a column, the session, the display unit and the look."""

from __future__ import annotations

from PyQt6.QtWidgets import QPushButton, QVBoxLayout, QWidget

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session.session import Session
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.widgets.labels import label, row_of


class SidePage(QWidget):
    """A page of the panel; subclasses fill `column` and show what the session holds in `refresh`."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        #: Whether somebody has asked for what takes its time.
        self.asked = False
        session.evaluated.connect(self.forget)
        self.lengths = LengthFormat("mm")
        self.tokens: Tokens = PAPER
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 8, 0, 0)
        self.column.setSpacing(7)
        self.says = label("", "dim", wrap=True)
        self.column.addWidget(self.says)

    def add_buttons(self, *left: QPushButton, right: QPushButton) -> None:
        """A row of buttons at the foot, the one that does the work on the right."""
        self.column.addLayout(row_of(*left, None, right))

    def show_with(self, lengths: LengthFormat, tokens: Tokens) -> None:
        """Takes a display unit and a look, and shows what there is."""
        self.lengths, self.tokens = lengths, tokens
        self.refresh()

    def begin(self) -> None:
        """Looks for what the page shows; it stays as long as the job does."""
        self.asked = True
        self.refresh()

    def forget(self) -> None:
        """The job has changed: what was looked for holds no more."""
        self.asked = False

    def refresh(self) -> None:
        """Shows what the session holds now."""
        raise NotImplementedError
