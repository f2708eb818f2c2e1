"""Pictures of how things stand in space: wanted one after the other, and made in another process.

Until one is there, the one before is shown. While the view moves, it is drawn at half size where a whole picture takes
too long, and at rest once more. Where there is no OpenGL it is drawn here, plainly.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtGui import QImage

from syntaxa.app.session.lanes import Lane
from syntaxa.app.stages.form.space import soft
from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.stages.form.space.drawing import Drawn, Order, draughtsman
from syntaxa.app.stages.form.space.gl import Pixels
from syntaxa.app.words import tr
from syntaxa.errors import SyntaxaError

#: Seconds that a picture may take while the view moves, and milliseconds of peace before it is drawn once more.
_FRAME, _SETTLE = 0.030, 120


class Pictures(QObject):
    """The last picture that came, and what is seen in each of its pixels.

    image     None while there has been none
    camera    from where it is seen
    numbers   of what is seen in each pixel; None while the picture is not of how things stand now, at rest
    why_here  why it is drawn here; empty where another process draws
    """

    #: Another picture is there, or wanted.
    changed = pyqtSignal()
    #: What is seen in each pixel is known.
    settled = pyqtSignal()

    def __init__(self, owner: QObject, order: Callable[[], Order], with_gl: bool) -> None:
        super().__init__(owner)
        self.image: QImage | None = None
        self.numbers: Pixels | None = None
        self.why_here = "" if with_gl else "not wanted"
        self.is_moving = False
        #: How things stand, as the whole picture at rest that is to be made of them.
        self._order = order
        self.camera: Camera = order().camera
        self._lane = Lane(self, makes_many=False)
        self._asked: Order | None = None
        self._pixels = b""
        self._is_new = self._is_slow = False
        self._rest = QTimer(self)
        self._rest.setSingleShot(True)
        self._rest.setInterval(_SETTLE)
        self._rest.timeout.connect(self.outdate)

    @property
    def are_coming(self) -> bool:
        """Whether a picture is still to come."""
        return not self._is_new or self._lane.busy

    def outdate(self, moving: bool = False) -> None:
        """Things stand otherwise; while they move, a quick picture will do until they rest."""
        self._is_new, self.numbers, self.is_moving = False, None, moving
        if moving:
            self._rest.start()
        self.changed.emit()

    def forget(self) -> None:
        """Nothing of another scene is to be seen while the next one comes."""
        self.image = None

    def want(self) -> None:
        """Has how things stand drawn, here or elsewhere, unless they are or something is being drawn."""
        if self._is_new:
            return
        if self.why_here:
            self.image, self._is_new = self.painted(), True
        elif not self._lane.busy:
            self._is_new = True
            order = self._asked = self._now()
            self._lane.run(
                tr("Drawing in space"),
                lambda _progress: draughtsman().drawn(order),
                lambda drawn: self._arrived(order, drawn),
                self._draw_here,
            )

    def come_to_rest(self) -> None:
        """The picture as it is when nothing moves, at once: whoever wants it waits."""
        self._rest.stop()
        self._is_new, self.is_moving = False, False
        order = self._now()
        if not self.why_here and _shows_anything(order):
            self._asked = order
            try:
                self._take(order, draughtsman().drawn(order))
                self._is_new = True
            except SyntaxaError as error:
                self._draw_here(str(error))
        self.changed.emit()

    def painted(self) -> QImage:
        """How things stand, painted here, plainly."""
        order = self._now()
        assert order.scene is not None
        assert order.colours is not None
        image = QImage(order.camera.width, order.camera.height, QImage.Format.Format_RGB32)
        soft.paint(image, order.scene, order.colours, order.camera, order.look, order.cut)
        self.camera = order.camera
        return image

    def stop(self) -> None:
        """Nothing is drawn any more, for the end of the program."""
        self._lane.stop_all()

    def _now(self) -> Order:
        """The picture of how things stand: at rest, or quick while they move."""
        order = self._order()
        if not self.is_moving:
            return order
        return replace(order, ratio=order.ratio * (0.5 if self._is_slow else 1.0), at_rest=False)

    def _arrived(self, order: Order, drawn: Drawn) -> None:
        # Where it is another one, a picture that could not be waited for was made meanwhile.
        if order is self._asked and order.scene is self._order().scene and _shows_anything(order):
            self._take(order, drawn)
        self.changed.emit()

    def _take(self, order: Order, drawn: Drawn) -> None:
        height, width, _ = drawn.pixels.shape
        self._pixels, self.camera = drawn.pixels.tobytes(), order.camera
        self.image = QImage(self._pixels, width, height, 4 * width, QImage.Format.Format_RGBX8888)
        now = self._order()
        if not order.at_rest:
            self._is_slow = drawn.seconds * (now.ratio / order.ratio) ** 2 > _FRAME
            return
        same = order.camera == now.camera and order.scene is now.scene and order.cut == now.cut
        self.numbers = drawn.numbers if same else None
        if same:
            self.settled.emit()

    def _draw_here(self, why: str) -> None:
        """There is nobody who draws."""
        self.why_here = why
        self.outdate()


def _shows_anything(order: Order) -> bool:
    return order.scene is not None and bool(order.scene.targets)
