"""What an empty window shows: what to do first."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSignal
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QVBoxLayout, QWidget

from syntaxa.app.widgets.labels import button, label
from syntaxa.app.words import tr

#: Pixels: how wide the card is where it can be, and what is left beside it.
_WIDTH, _ROOM = 560, 12


class Welcome(QFrame):
    """A card in the middle of the empty canvas."""

    open_wanted = pyqtSignal()
    browse_wanted = pyqtSignal()
    demo_wanted = pyqtSignal()

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self.setObjectName("welcome")
        column = QVBoxLayout(self)
        column.setContentsMargins(30, 26, 30, 26)
        column.setSpacing(10)
        column.addWidget(label(tr("Drop drawings here"), "title"), 0, Qt.AlignmentFlag.AlignHCenter)
        text = label(
            tr(
                "DXF, DWG, SVG, PDF, scans or triangles: Syntaxa settles unit and origin, sorts layers, closes gaps, "
                "and hands back clean closed profiles. Nothing is changed without a row in the ledger."
            ),
            "dim",
            wrap=True,
        )
        text.setAlignment(Qt.AlignmentFlag.AlignHCenter)
        column.addWidget(text)
        row = self._row = QHBoxLayout()
        opening, demo = button(tr("Open a drawing…"), primary=True), button(tr("Open the demo"))
        browse = button(tr("Look through a folder…"))
        browse.clicked.connect(self.browse_wanted)
        opening.clicked.connect(self.open_wanted)
        demo.clicked.connect(self.demo_wanted)
        row.addStretch()
        row.addWidget(opening)
        row.addWidget(browse)
        row.addWidget(demo)
        row.addStretch()
        column.addLayout(row)
        parent.installEventFilter(self)
        self._place(parent)

    def _place(self, parent: QWidget) -> None:
        """In the middle, as wide as there is room for; in a narrow window the buttons stand under each other."""
        width = min(_WIDTH, parent.width() - 2 * _ROOM)
        side_by_side = width >= _WIDTH
        direction = QHBoxLayout.Direction.LeftToRight if side_by_side else QHBoxLayout.Direction.TopToBottom
        self._row.setDirection(direction)
        layout = self.layout()
        high = layout.totalHeightForWidth(width) if layout is not None else 0
        self.setGeometry((parent.width() - width) // 2, max(_ROOM, (parent.height() - high) // 2), width, high)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        parent = self.parentWidget()
        if event is not None and event.type() == QEvent.Type.Resize and parent is not None:
            self._place(parent)
        return super().eventFilter(watched, event)
