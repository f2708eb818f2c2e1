"""A strip over the drawing that tells what went wrong, and stays until it is dismissed."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QFrame, QHBoxLayout, QLabel, QPushButton, QWidget

from syntaxa.app.widgets.labels import button, label


class Banner(QFrame):
    """One sentence, up to two things to do about it, and a way to dismiss it."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.setObjectName("banner")
        row = QHBoxLayout(self)
        row.setContentsMargins(14, 7, 10, 7)
        self._text: QLabel = label("", wrap=True)
        self._text.setAccessibleName("Message")
        row.addWidget(self._text, 1)
        self._choices = QHBoxLayout()
        row.addLayout(self._choices)
        dismiss = button("Dismiss", "Dismiss the message")
        dismiss.clicked.connect(self.hide)
        row.addWidget(dismiss)
        self.hide()

    @property
    def sentence(self) -> str:
        """What it says."""
        return self._text.text()

    def tell(self, sentence: str, choices: tuple[tuple[str, Callable[[], None]], ...] = ()) -> None:
        """Shows a sentence."""
        while (item := self._choices.takeAt(0)) is not None:
            old = item.widget()
            if old is not None:
                old.deleteLater()
        for title, run in choices:
            self._choices.addWidget(self._choice(title, run))
        self._text.setText(sentence)
        self.show()

    def _choice(self, title: str, run: Callable[[], None]) -> QPushButton:
        made = button(title)
        made.clicked.connect(self.hide)
        made.clicked.connect(lambda _checked: run())
        return made
