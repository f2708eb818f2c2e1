"""The view in space: a widget that shows a scene, turns, pans and zooms it, and tells what is under the cursor.

Dragging turns, with the middle button (or Space held) it pans, and the wheel zooms about the cursor, as on the drawing.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from operator import is_

from PyQt6.QtCore import QPointF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QResizeEvent, QShowEvent, QWheelEvent
from PyQt6.QtWidgets import QWidget

from syntaxa.app.stages.form.space.camera import Camera, ViewName
from syntaxa.app.stages.form.space.drawing import Order
from syntaxa.app.stages.form.space.look import WHOLE, Look, Plane, look_of
from syntaxa.app.stages.form.space.marks import draw_axes, draw_chosen
from syntaxa.app.stages.form.space.picking import seen_at
from syntaxa.app.stages.form.space.pictures import Pictures
from syntaxa.app.stages.form.space.scene import Part, Scene, Target
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.words import tr

#: Factor a step of the wheel, and pixels that a click may wander.
_ZOOM, _WANDER = 1.0015, 4

#: Triangles and lines that are painted here while there is no picture yet.
_SOON = 4000

#: What is drawn over the picture in every frame.
Overlay = Callable[[QPainter, Camera, Tokens], None]


class SpaceView(QWidget):
    """Shows bodies and sketches in space."""

    #: What is under the cursor has changed: a Target, or None.
    hovered = pyqtSignal(object)
    #: Something was clicked, or nothing (None); and whether it is to be added to what is chosen.
    picked = pyqtSignal(object, bool)

    def __init__(self, with_gl: bool = True) -> None:
        super().__init__()
        self.setObjectName("spaceView")
        self.setAccessibleName(tr("Solids and sketches in space"))
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(QSize(200, 150))
        self.camera = Camera()
        self.tokens: Tokens = PAPER
        self.see_through = False
        self.overlays: list[Overlay] = []
        #: Asked with a pixel before the scene is: whether an overlay takes the click.
        self.takes_click: Callable[[QPointF], bool] = lambda _at: False
        self._chosen: frozenset[Target] = frozenset()
        self._scene = Scene.of(())
        self._colours = self._scene.colours(PAPER, frozenset())
        self._cut: Plane = WHOLE
        self._fitted = self._holds_space = False
        self._last, self._start = QPointF(), QPointF()
        self._hot: Target | None = None
        self.pictures = Pictures(self, self._order, with_gl)
        self.pictures.changed.connect(self.update)
        self.pictures.settled.connect(self._look_again)

    # ------------------------------------------------------------------ what is shown

    @property
    def scene(self) -> Scene:
        """What is shown."""
        return self._scene

    @property
    def chosen(self) -> frozenset[Target]:
        """What is chosen."""
        return self._chosen

    def show_parts(self, parts: Sequence[Part]) -> None:
        """Takes bodies and sketches; the first time all of it is shown whole."""
        if len(parts) == len(self._scene.parts) and all(map(is_, parts, self._scene.parts)):
            return
        self._scene = Scene.of(parts)
        if not parts:
            self.pictures.forget()
        self._paint()
        if not self._fitted and self._scene.targets:
            self._fitted = True
            self.fit()
            # The first picture comes as soon as can be, and is made smooth a moment later.
            self.pictures.outdate(moving=True)

    def forget_place(self) -> None:
        """What comes next is shown whole."""
        self._fitted = False

    def dress(self, tokens: Tokens) -> None:
        """Takes a look."""
        if tokens is not self.tokens:
            self.tokens = tokens
            self._paint()

    def choose(self, chosen: frozenset[Target]) -> None:
        """Marks what is chosen."""
        if chosen != self._chosen:
            self._chosen = chosen
            self._paint()

    def set_see_through(self, wanted: bool) -> None:
        """Whether bodies are seen through."""
        self.see_through = wanted
        self.pictures.outdate()

    def cut(self, plane: Plane | None) -> None:
        """Leaves out what lies where a x + b y + c z + d < 0; None for nothing."""
        self._cut = plane or WHOLE
        self.pictures.outdate()

    def _paint(self) -> None:
        self._colours = self._scene.colours(self.tokens, self._chosen)
        self.pictures.outdate()

    # ------------------------------------------------------------------ where it is looked at from

    def fit(self) -> None:
        """Shows everything."""
        self.camera = self.camera.sized(self.width(), self.height()).fitted(self._scene.low, self._scene.high)
        self.pictures.outdate()

    def look(self, name: ViewName) -> None:
        """Looks from one of the seven views."""
        self.camera = self.camera.looking(name)
        self.fit()

    def zoom(self, factor: float) -> None:
        """Zooms about the middle."""
        self._move(self.camera.zoomed(factor, self.width() / 2, self.height() / 2))

    def _move(self, camera: Camera) -> None:
        self.camera = camera
        self.pictures.outdate(moving=True)

    # ------------------------------------------------------------------ drawing

    def showEvent(self, event: QShowEvent | None) -> None:
        super().showEvent(event)
        # Who draws gets ready while there is nothing to be drawn yet.
        self.pictures.want()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        self.pictures.want()
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        if self.pictures.image is not None and self._scene.targets:
            painter.drawImage(self.rect(), self.pictures.image)
        elif self._scene.targets and self._scene.pieces <= _SOON:
            # Until there is one; who draws may have to be started first.
            painter.drawImage(self.rect(), self.pictures.painted())
        else:
            painter.fillRect(self.rect(), QColor.fromRgbF(*self._look.ground))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        seen = self.pictures.camera
        draw_chosen(painter, self._scene, seen, self.tokens, self._chosen, self._hot)
        for overlay in self.overlays:
            overlay(painter, seen, self.tokens)
        draw_axes(painter, seen, self.height(), self.tokens)
        painter.end()

    @property
    def _look(self) -> Look:
        return look_of(self.tokens, self.see_through)

    def _order(self) -> Order:
        """The whole picture of how things stand."""
        return Order(self._scene, self._colours, self.camera, self._look, self._cut, self.devicePixelRatioF())

    # ------------------------------------------------------------------ what is under the cursor

    def at(self, place: QPointF) -> Target | None:
        """What is seen at a pixel, lines a little way off too."""
        return seen_at(self._scene, self.camera, self._cut, self.pictures.numbers, place)

    # ------------------------------------------------------------------ mouse and keys

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._last = self._start = event.position()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        step = event.position() - self._last
        self._last = event.position()
        buttons = event.buttons()
        left = bool(buttons & Qt.MouseButton.LeftButton)
        if buttons & Qt.MouseButton.MiddleButton or (left and self._holds_space):
            self._move(self.camera.panned(step.x(), step.y()))
        elif buttons & Qt.MouseButton.RightButton or left:
            if (event.position() - self._start).manhattanLength() > _WANDER:
                self._move(self.camera.orbited(step.x(), step.y()))
        elif not buttons:
            self._hover(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        still = (event.position() - self._start).manhattanLength() <= _WANDER
        if event.button() != Qt.MouseButton.LeftButton or not still or self._holds_space:
            return
        if self.takes_click(event.position()):
            return
        self.picked.emit(self.at(event.position()), bool(event.modifiers() & Qt.KeyboardModifier.ControlModifier))

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        at = event.position()
        self._move(self.camera.zoomed(_ZOOM ** event.angleDelta().y(), at.x(), at.y()))

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        ways = {
            Qt.Key.Key_Left: (-24, 0), Qt.Key.Key_Right: (24, 0), Qt.Key.Key_Up: (0, -24), Qt.Key.Key_Down: (0, 24),
        }  # fmt: skip
        way = ways.get(Qt.Key(event.key()))
        if event.key() == Qt.Key.Key_Space:
            self._holds_space = True
        elif way is not None and event.modifiers() & Qt.KeyboardModifier.ShiftModifier:
            self._move(self.camera.panned(*way))
        elif way is not None:
            self._move(self.camera.orbited(*way))
        elif event.key() in (Qt.Key.Key_Plus, Qt.Key.Key_Equal, Qt.Key.Key_Minus):
            self.zoom(0.8 if event.key() == Qt.Key.Key_Minus else 1.25)
        else:
            super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Space and not event.isAutoRepeat():
            self._holds_space = False
        super().keyReleaseEvent(event)

    def _hover(self, at: QPointF) -> None:
        if self.pictures.is_moving or (self.pictures.numbers is None and not self.pictures.why_here):
            return
        hot = self.at(at)
        if hot != self._hot:
            self._hot = hot
            self.hovered.emit(hot)
            self.update()

    def _look_again(self) -> None:
        """Something else may be under the cursor by now."""
        if self._hot is not None:
            self._hover(self._last)

    def leaveEvent(self, event: object) -> None:
        if self._hot is not None:
            self._hot = None
            self.hovered.emit(None)
            self.update()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self.camera = self.camera.sized(self.width(), self.height())
        if not self._fitted or self._scene.targets:
            self.pictures.outdate()
