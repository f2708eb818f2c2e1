"""The view in space: a widget that shows a scene, turns, pans and zooms it, and tells what is under the cursor.

Dragging turns, with the middle button (or Space held) it pans, and the wheel zooms about the cursor, as on the drawing.
Pictures come from another process, one after the other; until the next one is there the one before is shown. While it
moves it is drawn at half size where a whole picture takes too long, and at rest once more. Where there is no OpenGL it
is drawn here, plainly.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from operator import is_

import numpy as np
from PyQt6.QtCore import QPointF, QSize, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import (
    QColor,
    QFontMetricsF,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
    QShowEvent,
    QWheelEvent,
)  # fmt: skip
from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.render import lines_of
from syntaxa.app.session.lanes import Lane
from syntaxa.app.stages.form.space import soft
from syntaxa.app.stages.form.space.camera import Camera, ViewName
from syntaxa.app.stages.form.space.drawing import Drawn, Order, draughtsman
from syntaxa.app.stages.form.space.gl import Pixels
from syntaxa.app.stages.form.space.look import WHOLE, Look, Plane, look_of
from syntaxa.app.stages.form.space.scene import Part, Scene, Target
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.app.words import tr
from syntaxa.errors import SyntaxaError
from syntaxa.geometry.types import Floats

#: Seconds that a picture may take while the view moves, and milliseconds of peace before it is drawn once more.
_FRAME, _SETTLE = 0.030, 120

#: Factor a step of the wheel, pixels from which a line is picked, pixels that a click may wander.
_ZOOM, _REACH, _WANDER = 1.0015, 5, 4

#: Pixels: arms of the cross of axes, its distance from the corner, and the width of chosen lines.
_ARM, _CORNER, _CHOSEN = 34, 58, 2.6

#: Triangles and lines that are painted here while there is no picture yet.
_SOON = 4000

_AXES = (("x", (1.0, 0.0, 0.0)), ("y", (0.0, 1.0, 0.0)), ("z", (0.0, 0.0, 1.0)))

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
        #: Why it is drawn here; empty where another process draws.
        self.why_soft = "" if with_gl else "not wanted"
        self._lane = Lane(self, makes_many=False)
        #: The picture that was asked for last.
        self._asked: Order | None = None
        #: The picture that is shown, with its bytes and what it was seen from; whether it is of how things stand now.
        self._picture: QImage | None = None
        self._pixels = b""
        self._seen = self.camera
        self._is_new = False
        self._numbers: Pixels | None = None
        self._moving = self._slow = self._fitted = False
        self._last, self._start = QPointF(), QPointF()
        self._hot: Target | None = None
        self._holds_space = False
        self._rest = QTimer(self)
        self._rest.setSingleShot(True)
        self._rest.setInterval(_SETTLE)
        self._rest.timeout.connect(lambda: self._changed())

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
            # Nothing of another drawing is to be seen while the next one comes.
            self._picture = None
        self._paint()
        if not self._fitted and self._scene.targets:
            self._fitted = True
            self.fit()
            # The first picture comes as soon as can be, and is made smooth a moment later.
            self._changed(moving=True)

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
        self._changed()

    def cut(self, plane: Plane | None) -> None:
        """Leaves out what lies where a x + b y + c z + d < 0; None for nothing."""
        self._cut = plane or WHOLE
        self._changed()

    def _paint(self) -> None:
        self._colours = self._scene.colours(self.tokens, self._chosen)
        self._changed()

    # ------------------------------------------------------------------ where it is looked at from

    def fit(self) -> None:
        """Shows everything."""
        self.camera = self.camera.sized(self.width(), self.height()).fitted(self._scene.low, self._scene.high)
        self._changed()

    def come_to_rest(self) -> None:
        """The picture as it is when nothing moves, at once: whoever wants it waits."""
        self._rest.stop()
        self._is_new, self._moving = False, False
        if not self.why_soft and self._scene.targets:
            order = self._asked = self._order()
            try:
                self._take(order, draughtsman().drawn(order))
                self._is_new = True
            except SyntaxaError as error:
                self._draw_here(str(error))
        self.update()

    def look(self, name: ViewName) -> None:
        """Looks from one of the seven views."""
        self.camera = self.camera.looking(name)
        self.fit()

    def zoom(self, factor: float) -> None:
        """Zooms about the middle."""
        self._move(self.camera.zoomed(factor, self.width() / 2, self.height() / 2))

    def _move(self, camera: Camera) -> None:
        self.camera = camera
        self._changed(moving=True)

    def _changed(self, moving: bool = False) -> None:
        self._is_new, self._numbers, self._moving = False, None, moving
        if moving:
            self._rest.start()
        self.update()

    # ------------------------------------------------------------------ drawing

    @property
    def is_drawing(self) -> bool:
        """Whether a picture is still to come."""
        return not self._is_new or self._lane.busy

    def stop(self) -> None:
        """Nothing is drawn any more, for the end of the program."""
        self._lane.stop_all()

    def showEvent(self, event: QShowEvent | None) -> None:
        super().showEvent(event)
        # Who draws gets ready while there is nothing to be drawn yet.
        self._draw()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        if not self._is_new:
            self._draw()
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        if self._picture is not None and self._scene.targets:
            painter.drawImage(self.rect(), self._picture)
        elif self._scene.targets and self._scene.pieces <= _SOON:
            # Until there is one; who draws may have to be started first.
            painter.drawImage(self.rect(), self._painted())
        else:
            painter.fillRect(self.rect(), QColor.fromRgbF(*self._look.ground))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        self._draw_chosen(painter)
        for overlay in self.overlays:
            overlay(painter, self._seen, self.tokens)
        self._draw_axes(painter)
        painter.end()

    @property
    def _look(self) -> Look:
        return look_of(self.tokens, self.see_through)

    def _order(self) -> Order:
        ratio = self.devicePixelRatioF() * (0.5 if self._moving and self._slow else 1.0)
        return Order(self._scene, self._colours, self.camera, self._look, self._cut, ratio, not self._moving)

    def _draw(self) -> None:
        """Has how things stand drawn, here or elsewhere, unless something is being drawn."""
        if self.why_soft:
            self._picture, self._is_new = self._painted(), True
        elif not self._lane.busy:
            self._is_new = True
            order = self._asked = self._order()
            self._lane.run(
                tr("Drawing in space"),
                lambda _progress: draughtsman().drawn(order),
                lambda drawn: self._arrived(order, drawn),
                self._draw_here,
            )

    def _painted(self) -> QImage:
        """How things stand, painted here, plainly."""
        image = QImage(self.size(), QImage.Format.Format_RGB32)
        soft.paint(image, self._scene, self._colours, self.camera, self._look, self._cut)
        self._seen = self.camera
        return image

    def _arrived(self, order: Order, drawn: Drawn) -> None:
        # Where it is another one, a picture that could not be waited for was made meanwhile.
        if order is self._asked and order.scene is self._scene and self._scene.targets:
            self._take(order, drawn)
        self.update()

    def _take(self, order: Order, drawn: Drawn) -> None:
        height, width, _ = drawn.pixels.shape
        self._pixels, self._seen = drawn.pixels.tobytes(), order.camera
        self._picture = QImage(self._pixels, width, height, 4 * width, QImage.Format.Format_RGBX8888)
        if order.at_rest:
            now = order.camera == self.camera and order.scene is self._scene and order.cut == self._cut
            self._numbers = drawn.numbers if now else None
            if now and self._hot is not None:
                # Something else may be under the cursor by now.
                self._hover(self._last)
        else:
            self._slow = drawn.seconds * (self.devicePixelRatioF() / order.ratio) ** 2 > _FRAME

    def _draw_here(self, why: str) -> None:
        """There is nobody who draws."""
        self.why_soft = why
        self._changed()

    def _draw_chosen(self, painter: QPainter) -> None:
        """What is chosen or under the cursor: its lines, wider and through everything, so that colour is not all."""
        hot = frozenset((self._hot,)) if self._hot is not None else frozenset[Target]()
        for targets, width in ((self._chosen, _CHOSEN), (hot, 1.6)):
            lines = [self._scene.ends_of(targets)] if targets else []
            lines += [_rim(self._scene, t) for t in targets if not t.is_linear]
            ends = np.concatenate(lines) if lines else np.zeros((0, 2, 3))
            if len(ends):
                pixels = self._seen.pixels(ends.reshape(-1, 3))[:, :2].reshape(-1, 4)
                painter.setPen(QPen(QColor(self.tokens.accent), width))
                painter.drawLines(lines_of(np.ascontiguousarray(pixels)))

    def _draw_axes(self, painter: QPainter) -> None:
        """The directions of space, in the lower left corner."""
        right, up, _ = self._seen.axes
        foot = QPointF(_CORNER, self.height() - _CORNER)
        painter.setFont(figure_font(11))
        metrics = QFontMetricsF(painter.font())
        painter.setPen(QPen(QColor(self.tokens.dim), 1.4))
        for name, along in _AXES:
            x, y = float(np.array(along) @ right), float(np.array(along) @ up)
            tip = QPointF(foot.x() + _ARM * x, foot.y() - _ARM * y)
            if max(abs(x), abs(y)) > 0.05:
                painter.drawLine(foot, tip)
                beyond = QPointF(foot.x() + (_ARM + 10) * x, foot.y() - (_ARM + 10) * y)
                width = metrics.horizontalAdvance(name)
                painter.drawText(QPointF(beyond.x() - width / 2, beyond.y() + metrics.ascent() / 2 - 1), name)

    # ------------------------------------------------------------------ what is under the cursor

    def at(self, place: QPointF) -> Target | None:
        """What is seen at a pixel, lines a little way off too."""
        if not self._scene.targets:
            return None
        if self._numbers is None:
            # Whoever clicks does not wait for who draws.
            found = soft.pick(self._scene, self.camera, place.x(), place.y(), _REACH, self._cut)
            return self._scene.target(found)
        x, y = int(place.x()), int(place.y())
        if not (0 <= x < self.camera.width and 0 <= y < self.camera.height):
            return None
        top, left = max(0, y - _REACH), max(0, x - _REACH)
        near = self._numbers[top : y + _REACH + 1, left : x + _REACH + 1]
        for number in _nearest_first(near, y - top, x - left):
            target = self._scene.target(number)
            if target is not None and target.is_linear:
                return target
        return self._scene.target(int(self._numbers[y, x]))

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
        if self._moving or (self._numbers is None and not self.why_soft):
            return
        hot = self.at(at)
        if hot != self._hot:
            self._hot = hot
            self.hovered.emit(hot)
            self.update()

    def leaveEvent(self, event: object) -> None:
        if self._hot is not None:
            self._hot = None
            self.hovered.emit(None)
            self.update()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self.camera = self.camera.sized(self.width(), self.height())
        if not self._fitted or self._scene.targets:
            self._changed()


def _nearest_first(near: Pixels, row: int, column: int) -> list[int]:
    """The numbers in a little window of pixels, nearest to a place in it first, each once."""
    rows, columns = np.nonzero(near)
    order = np.argsort((rows - row) ** 2 + (columns - column) ** 2, kind="stable")
    return list(dict.fromkeys(near[rows[order], columns[order]].tolist()))


def _rim(scene: Scene, target: Target) -> Floats:
    """The border of a face or region: the sides of its triangles that only one of them has, (k, 2, 3)."""
    number = next(iter(scene.numbers(target)), 0)
    facets = scene.films if target.kind == "region" else scene.facets
    own = facets.index[facets.target[facets.index[:, 0]] == number] if len(facets.index) else facets.index
    if not len(own):
        return np.zeros((0, 2, 3))
    sides = np.sort(np.concatenate([own[:, [0, 1]], own[:, [1, 2]], own[:, [2, 0]]]), axis=1)
    found, times = np.unique(sides, axis=0, return_counts=True)
    return np.asarray(facets.points[found[times == 1]])
