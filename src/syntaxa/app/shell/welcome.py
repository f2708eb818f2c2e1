"""What an empty window shows: what to do first."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSignal
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QVBoxLayout, QWidget

from syntaxa.app.widgets.labels import button, label


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
        column.addWidget(label("Drop drawings here", "title"), 0, Qt.AlignmentFlag.AlignHCenter)
        text = label(
            "DXF, DWG, SVG, PDF, scans or triangles: Syntaxa settles unit and origin, sorts layers, closes gaps, and "
            "hands back clean closed profiles. Nothing is changed without a row in the ledger.",
            "dim",
            wrap=True,
        )
        text.setAlignment(Qt.AlignmentFlag.AlignHCenter)
        column.addWidget(text)
        row = QHBoxLayout()
        opening, demo = button("Open a drawing…", primary=True), button("Open the demo")
        browse = button("Look through a folder…")
        browse.clicked.connect(self.browse_wanted)
        opening.clicked.connect(self.open_wanted)
        demo.clicked.connect(self.demo_wanted)
        row.addStretch()
        row.addWidget(opening)
        row.addWidget(browse)
        row.addWidget(demo)
        row.addStretch()
        column.addLayout(row)
        self.setFixedSize(560, 200)
        parent.installEventFilter(self)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        parent = self.parentWidget()
        if event is not None and event.type() == QEvent.Type.Resize and parent is not None:
            self.move(max(0, (parent.width() - self.width()) // 2), max(0, (parent.height() - self.height()) // 2))
        return super().eventFilter(watched, event)
