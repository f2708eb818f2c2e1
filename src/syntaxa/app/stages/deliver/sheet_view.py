"""The sheet in the canvas's place: paper on a table, come nearer with the wheel, views dragged by their boxes."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QImage, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QResizeEvent, QWheelEvent
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from syntaxa.app.stages.deliver.sheet_tools import INK, SheetTool
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.widgets.labels import ElidedLabel, button, row_of
from syntaxa.app.words import tr
from syntaxa.deliver.sheets.views import Pixels
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Box

#: Pixels round the paper; how much a notch of the wheel comes nearer, and how far at the most.
_ROOM, _NOTCH, _NEAREST = 18.0, 1.2, 16.0

#: Dots to the inch that pictures are made at.
_DOTS = (50.0, 75.0, 110.0, 160.0, 230.0, 330.0, 480.0)

#: mm in an inch; pixels that a press must move to be a drag; mm within which a view lines up with another.
_INCH, _DRAG, _ALIGNED = 25.4, 5, 2.0

#: mm that an arrow key moves a view by, and with Shift.
_STEP, _FAR = 1.0, 10.0

_MOVES = {
    Qt.Key.Key_Left: (-1, 0), Qt.Key.Key_Right: (1, 0), Qt.Key.Key_Up: (0, 1), Qt.Key.Key_Down: (0, -1)
}  # fmt: skip


class SheetView(QWidget):
    """Shows a page; tells which view was chosen, and where one was put."""

    chosen = pyqtSignal(int)
    #: The number of a view, and where its middle is now (mm).
    placed = pyqtSignal(int, object)
    #: More dots to the inch are wanted.
    dots_wanted = pyqtSignal()
    #: What to do next, as the tool says.
    told = pyqtSignal(str)
    #: The tool was put away.
    tool_ended = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self.setAccessibleName(tr("The sheet"))
        self.tokens: Tokens = PAPER
        self._paper = (420.0, 297.0)
        self._image: QImage | None = None
        self._boxes: Sequence[tuple[str, Box]] = ()
        self._view = -1
        self._near, self._shift = 1.0, QPointF(0, 0)
        self._pressed: QPointF | None = None
        self._moving, self._panning = False, False
        self._at = QPointF(0, 0)
        self._tool: SheetTool | None = None

    # ------------------------------------------------------------------ showing

    def show_sheet(self, paper: tuple[float, float], boxes: Sequence[tuple[str, Box]]) -> None:
        """A page of a size (mm), and the boxes of its views."""
        if paper != self._paper:
            self._near, self._shift = 1.0, QPointF(0, 0)
        self._paper, self._boxes = paper, boxes
        self._view = min(self._view, len(boxes) - 1)
        self.update()

    def show_picture(self, pixels: Pixels | None) -> None:
        """The page as a picture; without one the old stays until another comes."""
        if pixels is not None and pixels.rows.size:
            height, width, _ = pixels.rows.shape
            data = pixels.rows.tobytes()
            self._image = QImage(data, width, height, 4 * width, QImage.Format.Format_RGBX8888).copy()
        elif pixels is not None:
            self._image = None
        self.update()

    def take(self, tool: SheetTool | None) -> None:
        """The mouse works a tool from now on, or chooses and drags views again."""
        ended, self._tool = self._tool, tool
        self._pressed = None
        self.setCursor(Qt.CursorShape.ArrowCursor if tool is None else Qt.CursorShape.CrossCursor)
        if tool is not None:
            self.setFocus()
        elif ended is not None:
            self.tool_ended.emit()
        self._tell()

    @property
    def tool(self) -> SheetTool | None:
        """The tool that is in hand."""
        return self._tool

    def _tell(self) -> None:
        self.told.emit("" if self._tool is None else self._tool.label)
        self.update()

    def _place(self, at: QPointF) -> Point:
        return Point(*self._to_paper(at))

    def _to_pixels(self, place: Point) -> QPointF:
        return self._corner() + QPointF(place.x, self._paper[1] - place.y) * self.scale

    def choose(self, number: int) -> None:
        """Marks a view."""
        self._view = number
        self.update()

    @property
    def scale(self) -> float:
        """Pixels to the mm of paper."""
        width, height = self._paper
        fit = min((self.width() - 2 * _ROOM) / width, (self.height() - 2 * _ROOM) / height)
        return max(fit, 0.05) * self._near

    @property
    def dots(self) -> float:
        """Dots to the inch at which the picture is as fine as the screen."""
        wanted = self.scale * self.devicePixelRatioF() * _INCH
        return next((d for d in _DOTS if d >= wanted * 0.95), _DOTS[-1])

    def fit(self) -> None:
        """All of the paper is seen."""
        self._near, self._shift = 1.0, QPointF(0, 0)
        self.dots_wanted.emit()
        self.update()

    def _corner(self) -> QPointF:
        """Where the upper left corner of the paper is (pixels)."""
        width, height = (side * self.scale for side in self._paper)
        return QPointF((self.width() - width) / 2, (self.height() - height) / 2) + self._shift

    def _to_paper(self, at: QPointF) -> tuple[float, float]:
        off = at - self._corner()
        return off.x() / self.scale, self._paper[1] - off.y() / self.scale

    def _frame(self, box: Box) -> QRectF:
        corner, scale = self._corner(), self.scale
        left, top = corner.x() + box[0] * scale, corner.y() + (self._paper[1] - box[3]) * scale
        return QRectF(left, top, (box[2] - box[0]) * scale, (box[3] - box[1]) * scale)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        del event
        painter = QPainter(self)
        painter.fillRect(self.rect(), QColor(self.tokens.ground))
        sheet = QRectF(self._corner(), QSize(*(max(round(side * self.scale), 1) for side in self._paper)).toSizeF())
        painter.fillRect(sheet.translated(3, 3), QColor(0, 0, 0, 45))
        painter.fillRect(sheet, QColor("#ffffff"))
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        if self._image is not None:
            painter.drawImage(sheet, self._image)
        painter.setPen(QPen(QColor(self.tokens.strong_line), 1))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(sheet)
        self._draw_boxes(painter)
        if self._tool is not None:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            self._tool.paint(painter, self._to_pixels)
        if self.hasFocus():
            painter.setPen(QPen(QColor(self.tokens.accent), 1))
            painter.drawRect(self.rect().adjusted(0, 0, -1, -1))

    def _draw_boxes(self, painter: QPainter) -> None:
        over = self._box_at(self._at) if self._pressed is None and self._tool is None else -1
        for k, (_, box) in enumerate(self._boxes):
            if k == self._view:
                painter.setPen(QPen(QColor(INK), 1.6))
            elif k == over:
                painter.setPen(QPen(QColor(INK), 1.0, Qt.PenStyle.DashLine))
            else:
                continue
            shown = box if not (self._moving and k == self._view) else self._dragged(box)
            painter.drawRect(self._frame(shown).adjusted(-4, -4, 4, 4))

    # ------------------------------------------------------------------ by hand

    def _box_at(self, at: QPointF) -> int:
        """The number of the smallest view under a place, -1 for none."""
        inside = [k for k, (_, box) in enumerate(self._boxes) if self._frame(box).adjusted(-4, -4, 4, 4).contains(at)]
        return min(inside, key=lambda k: _area(self._boxes[k][1]), default=-1)

    def _dragged(self, box: Box) -> Box:
        """The box where the hand has it, lined up with another view that is near."""
        if self._pressed is None:
            return box
        off = (self._at - self._pressed) / self.scale
        x, y = (box[0] + box[2]) / 2 + off.x(), (box[1] + box[3]) / 2 - off.y()
        others = [b for k, (_, b) in enumerate(self._boxes) if k != self._view]
        x = _lined_up(x, [(b[0] + b[2]) / 2 for b in others])
        y = _lined_up(y, [(b[1] + b[3]) / 2 for b in others])
        w, h = (box[2] - box[0]) / 2, (box[3] - box[1]) / 2
        return x - w, y - h, x + w, y + h

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._pressed = self._at = event.position()
        self._moving = False
        if self._tool is not None and event.button() == Qt.MouseButton.LeftButton:
            self._tool.press(self._place(self._at), 1 / self.scale)
            self._tell()
            return
        number = self._box_at(event.position()) if event.button() == Qt.MouseButton.LeftButton else -1
        self._panning = number < 0
        if event.button() == Qt.MouseButton.LeftButton and number != self._view:
            self._view = number
            self.chosen.emit(number)
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        before, self._at = self._at, event.position()
        if self._tool is not None and not self._panning:
            self._tool.move(self._place(self._at), 1 / self.scale)
            self._tell()
            return
        if self._pressed is not None:
            if self._panning:
                self._shift += self._at - before
            elif (self._at - self._pressed).manhattanLength() >= _DRAG:
                self._moving = True
        self.setCursor(
            Qt.CursorShape.SizeAllCursor if self._box_at(self._at) >= 0 or self._moving else Qt.CursorShape.ArrowCursor
        )
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._at = event.position()
        if self._tool is not None and event.button() == Qt.MouseButton.LeftButton:
            self._pressed = None
            tool = self._tool
            if tool.release(self._place(self._at), 1 / self.scale) and self._tool is tool:
                self.take(None)
            return
        if self._moving and 0 <= self._view < len(self._boxes):
            box = self._dragged(self._boxes[self._view][1])
            self._put(box)
        self._pressed, self._moving, self._panning = None, False, False
        self.update()

    def _put(self, box: Box) -> None:
        self._boxes = [(n, box if k == self._view else b) for k, (n, b) in enumerate(self._boxes)]
        middle = round((box[0] + box[2]) / 2, 3), round((box[1] + box[3]) / 2, 3)
        self.placed.emit(self._view, middle)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        before = self._to_paper(event.position())
        self._near = min(max(self._near * _NOTCH ** (event.angleDelta().y() / 120), 0.5), _NEAREST)
        after = self._to_paper(event.position())
        self._shift += QPointF((after[0] - before[0]) * self.scale, (before[1] - after[1]) * self.scale)
        self.dots_wanted.emit()
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        move = _MOVES.get(Qt.Key(event.key()))
        if self._tool is not None and event.key() == Qt.Key.Key_Escape:
            if self._tool.give_up():
                self.take(None)
            else:
                self._tell()
        elif self._tool is not None and self._tool.key(Qt.Key(event.key())):
            self._tell()
        elif event.key() == Qt.Key.Key_Escape and (self._moving or self._view >= 0):
            self._pressed, self._moving, self._view = None, False, -1
            self.chosen.emit(-1)
            self.update()
        elif move is not None and 0 <= self._view < len(self._boxes):
            step = _FAR if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else _STEP
            box = self._boxes[self._view][1]
            dx, dy = move[0] * step, move[1] * step
            self._put((box[0] + dx, box[1] + dy, box[2] + dx, box[3] + dy))
        elif move is not None:
            self._shift -= QPointF(move[0] * 40, -move[1] * 40)
            self.update()
        else:
            super().keyPressEvent(event)

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self.dots_wanted.emit()


def _area(box: Box) -> float:
    return (box[2] - box[0]) * (box[3] - box[1])


def _lined_up(value: float, others: Sequence[float]) -> float:
    """A middle, in line with the nearest other one where that is near."""
    near = min(others, key=lambda other: abs(other - value), default=None)
    return near if near is not None and abs(near - value) <= _ALIGNED else value


#: How views are placed.
_HOW = tr("Drag a view to place it; the wheel comes nearer, arrow keys move the chosen view by 1 mm.")


class SheetFront(QWidget):
    """The sheet with what belongs to it."""

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("sheetFront")
        self.view = SheetView()
        self.setFocusProxy(self.view)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        fit = button(tr("Fit"), tr("Show all of the sheet"))
        fit.clicked.connect(self.view.fit)
        self.name = ElidedLabel("heading")
        bar = row_of(self.name, None, fit)
        bar.setContentsMargins(12, 6, 12, 6)
        column.addLayout(bar)
        column.addWidget(self.view, 1)
        self.says = ElidedLabel("dim")
        self.view.told.connect(lambda text: self.says.setText(text or _HOW))
        self.says.setText(_HOW)
        foot = row_of(self.says)
        foot.setContentsMargins(12, 4, 12, 4)
        column.addLayout(foot)
