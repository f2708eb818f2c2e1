"""The surface: layers painted into an image somewhat larger than the window.

Panning and zooming move and stretch that image at once, and it is painted anew in slices as soon as the interface is
idle. What follows the cursor is drawn over it on every frame.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from PyQt6.QtCore import QPoint, QPointF, QRectF, QSize, QTimer
from PyQt6.QtGui import QColor, QImage, QPainter, QPaintEvent, QResizeEvent
from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.rulers import RULER
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.geometry.points import Vector
from syntaxa.geometry.types import Box

#: Share of the window that the image reaches beyond each of its edges, so that a pan has something to show.
_MARGIN = 0.25

#: Milliseconds of peace before the image is painted anew.
_SETTLE = 60


class Surface(QWidget):
    """Shows layers; knows nothing of what is on them."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.tokens: Tokens = PAPER
        self.format = LengthFormat("mm")
        self._layers: list[Layer] = []
        self._view = Camera()
        self._image, self._image_view = QImage(), Camera()
        self._fresh, self._fresh_view = QImage(), Camera()
        #: Pictures of layers that have one of their own: shown, and being painted.
        self._apart: dict[Layer, QImage] = {}
        self._fresh_apart: dict[Layer, QImage] = {}
        self._work: Iterator[None] | None = None
        self._frame: QSize | None = None
        self._corner = QPoint(0, 0)
        self._fit_wanted: Box | None = None
        self._settle = QTimer(self)
        self._settle.setSingleShot(True)
        self._settle.setInterval(_SETTLE)
        self._settle.timeout.connect(self.repaint_picture)
        self._slice = QTimer(self)
        self._slice.setInterval(0)
        self._slice.timeout.connect(self._paint_slice)

    # ------------------------------------------------------------------ layers

    @property
    def layers(self) -> tuple[Layer, ...]:
        """What is shown, from the ground up."""
        return tuple(self._layers)

    def add(self, *layers: Layer) -> None:
        """Shows layers as well, each at its height."""
        for layer in layers:
            layer.surface = self
            self._layers.append(layer)
        self._layers.sort(key=lambda layer: layer.height)
        self.repaint_picture()

    def drop(self, *layers: Layer) -> None:
        """Shows layers no more."""
        for layer in layers:
            if layer in self._layers:
                self._layers.remove(layer)
                layer.surface = None
                self._apart.pop(layer, None)
        self.repaint_picture()

    def set_look(self, tokens: Tokens) -> None:
        """Puts on a look."""
        self.tokens = tokens
        self.repaint_picture()

    def set_format(self, lengths: LengthFormat) -> None:
        """Shows lengths in another unit."""
        self.format = lengths
        self.update()

    # ------------------------------------------------------------------ view

    @property
    def view(self) -> Camera:
        """Where it looks."""
        return self._view

    def look_at(self, view: Camera) -> None:
        """Moves the view; the picture follows at once and is painted anew when it rests."""
        self._view = view
        self._stop_painting()
        self._settle.start()
        self.update()

    def fit_box(self, box: Box, margin: float = 0.08) -> None:
        """Shows a box (mm), clear of the rulers."""
        self._fit_wanted = None if self.isVisible() else box
        self.look_at(self._view.fitted(box, margin).panned(RULER / 2, RULER / 2))

    def follow(self, by: Vector) -> None:
        """Everything was moved (mm) and the view with it: the picture stays where it is."""
        self.look_at(replace(self._view, x=self._view.x + by.x, y=self._view.y + by.y))

    def zoom(self, factor: float, at: QPointF | None = None) -> None:
        """Zooms about a place in the window, or its middle."""
        place = at if at is not None else QPointF(self.width() / 2, self.height() / 2)
        self.look_at(self._view.zoomed(factor, place.x(), place.y()))

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        del event
        self._view = self._resized()
        if self._fit_wanted is not None:
            self.fit_box(self._fit_wanted)
        self.repaint_picture()

    def _resized(self) -> Camera:
        """The view in the new size: a strip that comes or goes in a window that stays moves nothing on screen."""
        window, old = self.window(), self._view
        view = old.sized(self.width(), self.height())
        frame, corner = window.size() if window else None, self.mapTo(window, QPoint(0, 0))
        if frame == self._frame:
            moved = corner - self._corner
            view = view.panned(-moved.x() - (view.width - old.width) / 2, -moved.y() - (view.height - old.height) / 2)
        self._frame, self._corner = frame, corner
        return view

    # ------------------------------------------------------------------ the resting picture

    @property
    def painting(self) -> bool:
        """Whether a picture is still being painted."""
        return self._work is not None or self._settle.isActive()

    def repaint_picture(self) -> None:
        """Begins to paint the picture anew; the old one stays until it is done."""
        self._settle.stop()
        self._stop_painting()
        if self.width() < 2 or self.height() < 2:
            return
        density = self.devicePixelRatioF()
        # The same number of pixels on both sides, or the picture would lie between pixels and blur.
        width = self.width() + 2 * round(self.width() * _MARGIN)
        height = self.height() + 2 * round(self.height() * _MARGIN)
        self._fresh_view = self._view.sized(width, height)
        size = QSize(round(width * density), round(height * density))
        device = Camera(self._view.x, self._view.y, self._view.scale * density, size.width(), size.height())
        self._work = self._everything(device, size)
        self._slice.start()

    def paint_now(self) -> None:
        """Paints to the end at once; for pictures of the window."""
        if self._work is None or self._settle.isActive():
            self.repaint_picture()
        while self._work is not None:
            self._paint_slice()

    def _blank(self, size: QSize) -> QImage:
        image = QImage(size, QImage.Format.Format_RGB32)
        image.fill(QColor(self.tokens.canvas))
        return image

    def _everything(self, view: Camera, size: QSize) -> Iterator[None]:
        self._fresh, self._fresh_apart = self._blank(size), {}
        for layer in self.layers:
            image = self._fresh
            if layer.apart:
                image = self._fresh_apart[layer] = self._blank(self._fresh.size())
            yield from layer.slices(image, view, self.tokens)

    def _stop_painting(self) -> None:
        self._slice.stop()
        self._work = None

    def _paint_slice(self) -> None:
        if self._work is None:
            self._slice.stop()
            return
        try:
            next(self._work)
        except StopIteration:
            self._stop_painting()
            self._image, self._image_view = self._fresh, self._fresh_view
            self._image.setDevicePixelRatio(self.devicePixelRatioF())
            self._apart = self._fresh_apart
            self.update()

    # ------------------------------------------------------------------ the frame

    def paintEvent(self, event: QPaintEvent | None) -> None:
        del event
        painter = QPainter(self)
        painter.fillRect(self.rect(), QColor(self.tokens.canvas))
        if not self._image.isNull():
            frame = self._image_frame()
            if self._image_view.scale == self._view.scale:
                # Whole pixels: anything else would have the picture resampled, and circles would come out ragged.
                painter.drawImage(frame.topLeft().toPoint(), self._image)
            else:
                painter.drawImage(frame, self._image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for layer in self._layers:
            if layer in self._apart:
                layer.lay(painter, self._apart[layer], self._image_frame(), self.tokens)
            layer.draw(painter, self._view, self.tokens)
        self.draw_over(painter)
        painter.end()

    def draw_over(self, painter: QPainter) -> None:
        """What subclasses draw over everything."""

    def _image_frame(self) -> QRectF:
        """Where the painted image lies in the present view."""
        left, bottom, right, top = self._image_view.box
        x, y = self._view.to_pixels(left, top)
        u, v = self._view.to_pixels(right, bottom)
        return QRectF(x, y, u - x, v - y)
