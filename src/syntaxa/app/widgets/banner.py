"""A strip over the drawing that tells what went wrong, and stays until it is dismissed."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QLabel, QPushButton, QWidget

from syntaxa.app.widgets.labels import button, label
from syntaxa.app.words import tr


class Banner(QFrame):
    """One sentence, up to two things to do about it, and a way to dismiss it."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.setObjectName("banner")
        row = QHBoxLayout(self)
        row.setContentsMargins(14, 7, 10, 7)
        self._text: QLabel = label("", wrap=True)
        self._topic = ""
        self._text.setTextInteractionFlags(
            Qt.TextInteractionFlag.TextSelectableByMouse | Qt.TextInteractionFlag.TextSelectableByKeyboard
        )
        self._text.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        row.addWidget(self._text, 1)
        self._choices = QHBoxLayout()
        row.addLayout(self._choices)
        dismiss = button(tr("Dismiss"), tr("Dismiss the message"))
        dismiss.clicked.connect(self.hide)
        row.addWidget(dismiss)
        self.hide()

    @property
    def sentence(self) -> str:
        """What it says."""
        return self._text.text()

    def tell(self, sentence: str, choices: tuple[tuple[str, Callable[[], None]], ...] = (), topic: str = "") -> None:
        """Shows a sentence; the topic says what settles it. A question is not settled by anything done elsewhere."""
        while (item := self._choices.takeAt(0)) is not None:
            old = item.widget()
            if old is not None:
                old.deleteLater()
        for title, run in choices:
            self._choices.addWidget(self._choice(title, run))
        self._text.setText(sentence)
        # A screen reader tells the name of what it comes to: that is the sentence itself.
        self._text.setAccessibleName(sentence)
        self._topic = topic or ("question" if choices else "complaint")
        self.show()

    def settle(self, topic: str) -> None:
        """Hides what it says about a topic that is settled."""
        if self._topic == topic:
            self.hide()

    def _choice(self, title: str, run: Callable[[], None]) -> QPushButton:
        made = button(title)
        made.clicked.connect(self.hide)
        made.clicked.connect(lambda _checked: run())
        return made
