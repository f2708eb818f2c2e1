"""The drawing surface: a scene whose curves can be hovered, selected and picked, and tools to do more with them."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPen, QWheelEvent
from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.layers.drawing import BeneathLayer, NotesLayer, PicturesLayer, SceneLayer
from syntaxa.app.canvas.layers.marks import ChosenLayer, OriginLayer, TagsLayer
from syntaxa.app.canvas.layers.rulers import RulersLayer
from syntaxa.app.canvas.overlays import draw_label
from syntaxa.app.canvas.selection import Selection
from syntaxa.app.canvas.surface import Surface
from syntaxa.app.canvas.tool import Tool
from syntaxa.app.canvas.tools.select import SelectTool
from syntaxa.app.words import tr
from syntaxa.drawing.annotations import union_of
from syntaxa.geometry.types import Box

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from syntaxa.app.canvas.scene import Scene
    from syntaxa.drawing.annotations import Annotation
    from syntaxa.drawing.model import Curve

#: Pixels within which a curve is under the cursor.
REACH = 6.0

#: Pixels that an arrow key pans.
_STEP = 40

_MOVES = {Qt.Key.Key_Left: (_STEP, 0), Qt.Key.Key_Right: (-_STEP, 0), Qt.Key.Key_Up: (0, _STEP),
          Qt.Key.Key_Down: (0, -_STEP)}  # fmt: skip


class Canvas(Surface):
    """Shows a scene with its notes; hands presses, moves and keys to the tool in hand."""

    #: The wheel or a key steps to the next drawing (1) or the one before (-1).
    stepped = pyqtSignal(int)
    cursor_moved = pyqtSignal(float, float)
    #: A tool was put down, done or not.
    tool_ended = pyqtSignal()

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(240, 200)
        self.setAccessibleName(tr("Drawing"))
        self.setAccessibleDescription(tr("Arrow keys pan, plus and minus zoom, F fits everything."))
        self.setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        self.selection = Selection(self)
        self.scene_layer = SceneLayer(self.selection)
        self.pictures, self.beneath, self.notes = PicturesLayer(), BeneathLayer(), NotesLayer()
        self.add(self.pictures, self.beneath, self.scene_layer, self.notes, OriginLayer(self.has_content))
        self.add(ChosenLayer(self.selection), TagsLayer(self.selection), RulersLayer())
        self.selection.changed.connect(self.update)
        self.selection.shown_changed.connect(self.repaint_picture)
        #: Whether the wheel steps through drawings and zooms only with Ctrl.
        self.wheel_steps = False
        self._tool: Tool = SelectTool(self)
        self.mouse = QPointF()
        self._pan_from: QPoint | None = None
        self._space = False
        #: What a stage has to say of a curve under the cursor, behind what is told of it anyway.
        self.remark: Callable[[Curve], str] | None = None

    # ------------------------------------------------------------------ content

    def show_drawing(self, scene: Scene, notes: Sequence[Annotation] = (), fit: bool = False) -> None:
        """Takes a scene and what is written beside it; the old picture stays until the new one is painted."""
        self.pictures.notes = self.notes.notes = notes
        self.selection.take(scene)
        if fit:
            self.fit()
        self.repaint_picture()

    def has_content(self) -> bool:
        """Whether there is anything to see."""
        return bool(len(self.selection.scene) or len(self.beneath.scene) or self.notes.notes)

    def fit(self) -> None:
        """Shows everything."""
        box = self._content_box()
        if box is not None:
            self.fit_box(box)

    def _content_box(self) -> Box | None:
        scene = self.selection.scene.extents()
        shown = [n for n in self.notes.notes if n.kind != "construction"]
        # Where there are curves, only pictures count: a stray text must not make them small.
        if scene is not None:
            shown = [n for n in shown if n.kind == "image"]
        notes = union_of(n.box() for n in shown)
        return union_of((scene or self.beneath.scene.extents(), notes))

    def curve_at(self, x: float, y: float, counts: Callable[[Curve], bool] = lambda _curve: True) -> Curve | None:
        """The nearest curve that counts to a place (mm), if it is within reach of the cursor."""
        return self.selection.nearest_that(x, y, 2 * REACH / self.view.scale, counts)

    # ------------------------------------------------------------------ tools

    @property
    def tool(self) -> Tool:
        """What is in hand."""
        return self._tool

    def take(self, tool: Tool) -> None:
        """Takes a tool in hand, and puts down what was there."""
        self.give_up()
        self._tool = tool
        self.setCursor(tool.cursor)
        self.setFocus()
        self.update()

    def put_down(self) -> None:
        """The tool is done: clicks select again."""
        if self._tool.waits:
            self._tool = SelectTool(self)
            self.unsetCursor()
            self.tool_ended.emit()
            self.update()

    def give_up(self) -> None:
        """The tool is put down before it was done."""
        tool = self._tool
        self.put_down()
        tool.given_up()

    def draw_over(self, painter: QPainter) -> None:
        self._tool.paint(painter, self.view, self.tokens)
        text = self._tool.label() or self._hover_text()
        if text:
            draw_label(painter, text, self.mouse, self.view, self.tokens)
        if self.hasFocus():
            painter.setPen(QPen(QColor(self.tokens.accent), 1))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRect(self.rect().adjusted(0, 0, -1, -1))

    def _hover_text(self) -> str:
        scene, hover = self.selection.scene, self.selection.hover
        if not 0 <= hover < len(scene):
            return ""
        curve = scene.curves[hover]
        more = self.remark(curve) if self.remark is not None else ""
        return "  ·  ".join(filter(None, (self.format.describe(curve), more)))

    # ------------------------------------------------------------------ events

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        if event is None:
            return
        if self.wheel_steps and not event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            if event.angleDelta().y():
                self.stepped.emit(-1 if event.angleDelta().y() > 0 else 1)
        else:
            self.zoom(1.0015 ** event.angleDelta().y(), event.position())
        event.accept()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        self.mouse = event.position()
        left = event.button() == Qt.MouseButton.LeftButton
        if event.button() == Qt.MouseButton.MiddleButton or (self._space and left):
            self._pan_from = event.position().toPoint()
            self.setCursor(Qt.CursorShape.ClosedHandCursor)
        elif left:
            self._tool.press(event)
        elif event.button() == Qt.MouseButton.RightButton:
            self.give_up()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        self.mouse = event.position()
        if self._pan_from is not None:
            here = event.position().toPoint()
            step = here - self._pan_from
            self._pan_from = here
            self.look_at(self.view.panned(step.x(), step.y()))
        x, y = self.view.to_mm(self.mouse.x(), self.mouse.y())
        self.cursor_moved.emit(x, y)
        if self._pan_from is None:
            self._tool.move(self.mouse)
            hovers = self._tool.hovers
            self.selection.hover = self.selection.nearest(x, y, REACH / self.view.scale) if hovers else -1
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        if self._pan_from is not None:
            self._pan_from = None
            self._show_cursor()
        elif event.button() == Qt.MouseButton.LeftButton:
            self._tool.release(event)
        self.update()

    def leaveEvent(self, event: QEvent | None) -> None:
        del event
        self.selection.hover = -1
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        key = Qt.Key(event.key())
        steps = self.wheel_steps and not event.modifiers() & Qt.KeyboardModifier.ControlModifier
        if key in _MOVES and steps:
            self.stepped.emit(1 if key in (Qt.Key.Key_Right, Qt.Key.Key_Down) else -1)
        elif key in _MOVES:
            self.look_at(self.view.panned(*_MOVES[key]))
        elif key in (Qt.Key.Key_Plus, Qt.Key.Key_Equal):
            self.zoom(1.25)
        elif key == Qt.Key.Key_Minus:
            self.zoom(0.8)
        elif key == Qt.Key.Key_Space and not event.isAutoRepeat():
            self._space = True
            self.setCursor(Qt.CursorShape.OpenHandCursor)
        elif key == Qt.Key.Key_Escape:
            self.give_up()
            self.selection.clear()
        elif self.wheel_steps and key in (Qt.Key.Key_PageUp, Qt.Key.Key_PageDown):
            self.stepped.emit(1 if key == Qt.Key.Key_PageDown else -1)
        else:
            super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Space and not event.isAutoRepeat():
            self._space = False
            self._show_cursor()
        else:
            super().keyReleaseEvent(event)

    def _show_cursor(self) -> None:
        if self._tool.waits:
            self.setCursor(self._tool.cursor)
        else:
            self.unsetCursor()
