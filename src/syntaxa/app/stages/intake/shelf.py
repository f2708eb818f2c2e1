"""The shelf: a folder of drawings as small pictures, and a large one of the drawing that is looked at."""

from __future__ import annotations

from pathlib import Path

import msgspec
from PyQt6.QtCore import QEvent, QObject, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QIcon, QKeyEvent, QPainter, QPixmap, QWheelEvent
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QListWidget, QListWidgetItem, QVBoxLayout, QWidget

from syntaxa.app.canvas.canvas import Canvas
from syntaxa.app.canvas.layers.hand import CropLayer
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.stages.intake.look import Viewing
from syntaxa.app.stages.intake.thumbnails import Thumbnails
from syntaxa.app.theme.icons import icon
from syntaxa.app.theme.tokens import LOOKS, Tokens
from syntaxa.app.widgets.labels import ElidedLabel, button
from syntaxa.app.words import counted, tr
from syntaxa.geometry.types import Box

_PICTURE = QSize(168, 126)

_PATH = Qt.ItemDataRole.UserRole

_TAKE_KEYS = (Qt.Key.Key_Return, Qt.Key.Key_Enter)


class Shelf(QWidget):
    """Lists drawings and shows one large; the choices about it are made in the panel beside it."""

    folder_wanted = pyqtSignal()
    take_wanted = pyqtSignal()
    left = pyqtSignal()

    def __init__(self, look: Viewing, pictures: Path) -> None:
        super().__init__()
        self.look = look
        self._tokens: Tokens = LOOKS["paper"]
        self._other_ground = False
        self.thumbnails = Thumbnails(pictures, self)
        self.list = self._make_list()
        self.preview = Canvas()
        self._crop = CropLayer()
        self.preview.add(self._crop)
        self.preview.setAccessibleName(tr("Drawing that is looked at"))
        self.preview.setAccessibleDescription(
            tr("Wheel or arrow keys go to the next drawing, Ctrl and wheel zoom; drag over curves to pick them.")
        )
        self.preview.wheel_steps = True
        self.preview.installEventFilter(self)
        self._title = ElidedLabel("heading")
        self._facts = ElidedLabel("dim")
        self._lay_out()
        self._connect()

    def _make_list(self) -> QListWidget:
        made = QListWidget()
        made.setObjectName("shelfList")
        made.setAccessibleName(tr("Drawings on the shelf"))
        made.setIconSize(_PICTURE)
        made.setSelectionMode(QListWidget.SelectionMode.ExtendedSelection)
        made.setVerticalScrollMode(QListWidget.ScrollMode.ScrollPerPixel)
        made.setUniformItemSizes(True)
        made.setWordWrap(False)
        made.setTextElideMode(Qt.TextElideMode.ElideMiddle)
        made.setViewMode(QListWidget.ViewMode.IconMode)
        made.setMovement(QListWidget.Movement.Static)
        made.setResizeMode(QListWidget.ResizeMode.Adjust)
        made.setGridSize(QSize(_PICTURE.width() + 14, _PICTURE.height() + 34))
        made.setFixedWidth(_PICTURE.width() + 44)
        viewport = made.viewport()
        assert viewport is not None, "a list has a viewport"
        viewport.installEventFilter(self)
        return made

    def _lay_out(self) -> None:
        self._folder = ElidedLabel("dim")
        self._folder.setFixedWidth(_PICTURE.width() + 24)
        choose = button(tr("Choose a folder…"))
        choose.clicked.connect(self.folder_wanted)
        side = QFrame()
        side.setObjectName("shelf")
        column = QVBoxLayout(side)
        column.setContentsMargins(8, 10, 8, 8)
        column.setSpacing(6)
        column.addWidget(choose)
        column.addWidget(self._folder)
        column.addWidget(self.list, 1)
        head = QFrame()
        head.setObjectName("shelfHead")
        row = QHBoxLayout(head)
        row.setContentsMargins(14, 8, 10, 8)
        row.addWidget(self._title, 3)
        row.addWidget(self._facts, 3)
        self._previous, self._following = button("", tr("Previous drawing")), button("", tr("Next drawing"))
        self._previous.clicked.connect(lambda: self.look.step(-1))
        self._following.clicked.connect(lambda: self.look.step(1))
        self._ground = button("", tr("Light or dark ground"))
        self._ground.setToolTip(tr("Shows the drawing on the light or the dark ground"))
        self._ground.clicked.connect(self._switch_ground)
        self._back = button(tr("Back"), tr("Back to the job"))
        self._back.clicked.connect(self.left)
        for made in (self._previous, self._following, self._ground):
            made.setFixedWidth(44)
        for made in (self._previous, self._following, self._ground, self._back):
            row.addWidget(made)
        hint = ElidedLabel("dim")
        hint.setText(
            tr("Wheel, arrows: next   ·   Ctrl + wheel: zoom   ·   drag: pick curves   ·   Return: take it in")
        )
        hint.setContentsMargins(14, 4, 14, 5)
        right = QVBoxLayout()
        right.setContentsMargins(0, 0, 0, 0)
        right.setSpacing(0)
        right.addWidget(head)
        right.addWidget(self.preview, 1)
        right.addWidget(hint)
        across = QHBoxLayout(self)
        across.setContentsMargins(0, 0, 0, 0)
        across.setSpacing(0)
        across.addWidget(side)
        across.addLayout(right, 1)
        self._side = side

    def _connect(self) -> None:
        self.look.listed.connect(self._listed)
        self.look.moved.connect(self._moved)
        self.look.shown.connect(self._shown)
        self.look.refused.connect(lambda _says, locked: self._refused(locked))
        self.thumbnails.ready.connect(self._picture_ready)
        self.thumbnails.failed.connect(self._picture_failed)
        self.list.currentRowChanged.connect(self.look.go)
        self.list.itemActivated.connect(lambda _item: self.take_wanted.emit())
        self.preview.stepped.connect(self.look.step)
        self.preview.selection.changed.connect(self._picked)

    # ------------------------------------------------------------------ looks

    def dress(self, tokens: Tokens, lengths: LengthFormat) -> None:
        """Puts on a look and a display unit."""
        again = tokens.name != self._tokens.name
        self._tokens = tokens
        for made, name in ((self._previous, "previous"), (self._following, "next"), (self._ground, "look")):
            made.setIcon(icon(name, tokens))
        self._show_ground()
        self.preview.set_format(lengths)
        if again and self.look.paths:
            self.thumbnails.want(self.look.paths, tokens.name)

    def _switch_ground(self) -> None:
        self._other_ground = not self._other_ground
        self._show_ground()

    def _show_ground(self) -> None:
        other = LOOKS["night" if self._tokens.name == "paper" else "paper"]
        self.preview.set_look(other if self._other_ground else self._tokens)

    def show_back(self, there: bool) -> None:
        """Whether there is a job to go back to."""
        self._back.setVisible(there)

    # ------------------------------------------------------------------ following the look

    def chosen_paths(self) -> list[Path]:
        """The drawings that are marked in the list, in its order."""
        rows = sorted(self.list.row(item) for item in self.list.selectedItems())
        return [self.look.paths[k] for k in rows]

    def _listed(self) -> None:
        self.list.blockSignals(True)
        self.list.clear()
        blank = QPixmap(_PICTURE)
        blank.fill(Qt.GlobalColor.transparent)
        for path in self.look.paths:
            item = QListWidgetItem(QIcon(blank), path.name)
            item.setData(_PATH, str(path))
            item.setToolTip(str(path))
            item.setTextAlignment(Qt.AlignmentFlag.AlignHCenter)
            self.list.addItem(item)
        self.list.blockSignals(False)
        self._side.setVisible(self.look.editing is None)
        folder = self.look.folder
        there = counted(len(self.look.paths), "drawing")
        name = f"{folder.name or folder}: {there}" if folder is not None else there
        self._folder.setText(name)
        self._folder.setToolTip(str(folder or ""))
        self.thumbnails.want(self.look.paths, self._tokens.name)

    def _moved(self) -> None:
        self.list.blockSignals(True)
        # Where the list itself went there it is about to mark it, beside others or alone.
        if self.list.currentRow() != self.look.at:
            self.list.setCurrentRow(self.look.at)
        self.list.blockSignals(False)
        self._clear()
        self._crop.show(None)
        path, editing = self.look.path, self.look.editing
        self._title.setText(editing.name if editing else path.name if path else tr("No drawings here"))
        self._facts.setText(tr("Reading…") if path or editing else tr("Choose another folder, or drop drawings here."))
        for made, there in (
            (self._previous, self.look.at > 0),
            (self._following, self.look.at < len(self.look.paths) - 1),
        ):
            made.setEnabled(there)
            made.setVisible(editing is None)

    def _refused(self, locked: bool) -> None:
        self._facts.setText(tr("Locked") if locked else tr("Cannot be read"))
        self._clear()

    def _clear(self) -> None:
        self.preview.show_drawing(Scene.of([]))

    def _shown(self) -> None:
        preview = self.look.preview
        if preview is None:
            return
        report = preview.received.report
        at = tr("{0} of {1}", self.look.at + 1, len(self.look.paths)) if len(self.look.paths) > 1 else ""
        form = report.version if report.format == "image" else f"{report.format.upper()} {report.version}"
        self._facts.setText("   ".join(x for x in (form.strip(), at) if x))
        selection, choice = self.preview.selection, self.look.choice
        # What is shown was chosen already: telling it again would go round in a circle.
        selection.blockSignals(True)
        if selection.scene is not preview.scene:
            self.preview.show_drawing(preview.scene, preview.notes, fit=not self.preview.has_content())
        selection.choose(choice.ids or ())
        selection.blockSignals(False)
        self.preview.update()
        box = choice.box
        factor = preview.to_mm
        self._crop.show(None if box is None else (box[0] * factor, box[1] * factor, box[2] * factor, box[3] * factor))

    def _picked(self) -> None:
        if self.look.preview is None:
            return
        ids = tuple(c.id for c in self.preview.selection.curves())
        self.look.choose(msgspec.structs.replace(self.look.choice, ids=ids or None))

    def take_box(self, box: Box) -> None:
        """Only this part (mm) is taken."""
        preview = self.look.preview
        if preview is not None:
            x, y, u, v = (value / preview.to_mm for value in box)
            self.look.choose(msgspec.structs.replace(self.look.choice, box=(x, y, u, v)))

    # ------------------------------------------------------------------ pictures

    def _item_of(self, name: str) -> QListWidgetItem | None:
        for k in range(self.list.count()):
            item = self.list.item(k)
            if item is not None and item.data(_PATH) == name:
                return item
        return None

    def _picture_ready(self, name: str, picture: str) -> None:
        item = self._item_of(name)
        if item is not None:
            pixmap = QPixmap(picture)
            pixmap.setDevicePixelRatio(max(1.0, pixmap.width() / _PICTURE.width()))
            picture_icon = QIcon(pixmap)
            # A chosen picture keeps its colours: the frame round it says that it is chosen.
            picture_icon.addPixmap(pixmap, QIcon.Mode.Selected)
            item.setIcon(picture_icon)

    def _no_picture(self) -> QIcon:
        """A small sign in the middle of where the picture would be."""
        blank = QPixmap(_PICTURE)
        blank.fill(Qt.GlobalColor.transparent)
        painter = QPainter(blank)
        sign = icon("warn", self._tokens, self._tokens.persimmon).pixmap(QSize(36, 36))
        painter.drawPixmap((_PICTURE.width() - 36) // 2, (_PICTURE.height() - 36) // 2, sign)
        painter.end()
        made = QIcon(blank)
        made.addPixmap(blank, QIcon.Mode.Selected)
        return made

    def _picture_failed(self, name: str, says: str) -> None:
        item = self._item_of(name)
        if item is not None:
            item.setIcon(self._no_picture())
            item.setToolTip(f"{name}\n{says}")

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if watched is self.preview:
            if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress and event.key() in _TAKE_KEYS:
                self.take_wanted.emit()
                return True
            return False
        if isinstance(event, QWheelEvent) and event.angleDelta().y():
            self.look.step(-1 if event.angleDelta().y() > 0 else 1)
            return True
        return super().eventFilter(watched, event)
