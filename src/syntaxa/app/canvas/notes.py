"""Texts, dimensions, hatches, points, pictures and construction lines on the canvas, at their place and size."""

from __future__ import annotations

import math
from collections import OrderedDict
from collections.abc import Iterable, Iterator, Sequence
from threading import Lock

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import (
    QBrush,
    QColor,
    QFont,
    QFontMetricsF,
    QImage,
    QPainter,
    QPainterPath,
    QPen,
    QPolygonF,
    QTransform,
)

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.strokes import polygon_of
from syntaxa.app.theme.style import TEXT_FONT
from syntaxa.app.theme.tokens import Tokens, readable_on
from syntaxa.drawing.annotations import (
    Annotation,
    ConstructionLine,
    Dimension,
    Hatch,
    Leader,
    Picture,
    PointMark,
    Text,
    strokes_of,
)
from syntaxa.geometry.shapes import Shape

#: Pixels; smaller letters are a line, still smaller ones nothing.
_READABLE, _VISIBLE = 4.0, 1.2

#: Annotations painted between two looks at the event queue.
_SLICE = 80

#: Pixels that a picture is shrunk to at the most, so that it can be drawn in a moment.
_LARGEST_PICTURE = 4000

#: Order of painting: what lies beneath comes first.
_BENEATH = ("image", "hatch")
_ABOVE = ("construction", "dimension", "leader", "point", "text")

_decoded: OrderedDict[int, tuple[bytes, QImage]] = OrderedDict()
_decoding = Lock()


def paint_beneath(
    image: QImage, notes: Sequence[Annotation], view: Camera, tokens: Tokens, fade: float
) -> Iterator[None]:
    """Pictures (as opaque as `fade` says, 0 to 1) and hatches; yields after each slice."""
    yield from _paint(image, notes, view, tokens, _BENEATH, fade)


def paint_above(image: QImage, notes: Sequence[Annotation], view: Camera, tokens: Tokens) -> Iterator[None]:
    """Everything else; yields after each slice."""
    yield from _paint(image, notes, view, tokens, _ABOVE, 1.0)


def _paint(
    image: QImage, notes: Sequence[Annotation], view: Camera, tokens: Tokens, kinds: Sequence[str], fade: float
) -> Iterator[None]:
    left, bottom, right, top = view.box
    for kind in kinds:
        some = [n for n in notes if n.kind == kind]
        for begin in range(0, len(some), _SLICE):
            painter = QPainter(image)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            for note in some[begin : begin + _SLICE]:
                x, y, u, v = note.box()
                if kind == "construction" or (x <= right and u >= left and y <= top and v >= bottom):
                    _draw(painter, note, view, tokens, fade)
            painter.end()
            yield


def _draw(painter: QPainter, note: Annotation, view: Camera, tokens: Tokens, fade: float) -> None:
    ink = QColor(
        readable_on(note.colour, tokens.canvas) if note.colour is not None else QColor(tokens.dim).rgb() & 0xFFFFFF
    )
    if isinstance(note, Text):
        draw_text(painter, note, view, ink)
    elif isinstance(note, Leader):
        _draw_strokes(painter, note.strokes, view, ink)
        for label in note.labels:
            draw_text(painter, label, view, ink)
    elif isinstance(note, Dimension):
        _draw_strokes(painter, strokes_of(note), view, ink)
        for label in note.labels:
            draw_text(painter, label, view, ink)
        if not note.labels and note.text:
            draw_text(painter, Text("", "", note.place, note.text, 10 / view.scale, across="centre"), view, ink)
    elif isinstance(note, Hatch):
        _draw_hatch(painter, note, view, ink)
    elif isinstance(note, PointMark):
        px, py = view.to_pixels(note.place.x, note.place.y)
        painter.setPen(_thin(ink))
        for dx, dy in ((4, 0), (0, 4)):
            painter.drawLine(QPointF(px - dx, py - dy), QPointF(px + dx, py + dy))
    elif isinstance(note, Picture):
        _draw_picture(painter, note, view, ink, fade)
    else:
        _draw_construction(painter, note, view, ink)


def _draw_strokes(painter: QPainter, strokes: Iterable[Shape], view: Camera, ink: QColor) -> None:
    painter.setPen(_thin(ink))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    for stroke in strokes:
        painter.drawPolyline(polygon_of(stroke.flattened(0.3 / view.scale), view))


def _thin(ink: QColor) -> QPen:
    pen = QPen(ink, 1)
    pen.setCosmetic(True)
    return pen


def draw_text(painter: QPainter, text: Text, view: Camera, ink: QColor) -> None:
    """Words at their size; too small to be read, a line where they stand."""
    height = text.height * view.scale
    if height < _VISIBLE:
        return
    px, py = view.to_pixels(text.place.x, text.place.y)
    lines = text.text.split("\n")
    painter.save()
    painter.translate(px, py)
    painter.rotate(-math.degrees(text.angle))
    painter.setPen(_thin(ink))
    # A fixed size of font, stretched to the wanted one: letters keep their shape at every zoom.
    font = QFont(TEXT_FONT)
    font.setPixelSize(40)
    metrics = QFontMetricsF(font)
    factor = height / metrics.capHeight()
    widths = [metrics.horizontalAdvance(line) * factor * text.width_factor for line in lines]
    step = height * 1.6
    share = {"left": 0.0, "centre": 0.5, "right": 1.0}[text.across]
    block = step * (len(lines) - 1)
    first = {"baseline": 0.0, "bottom": -block, "middle": height / 2 - block / 2, "top": height}[text.up]
    painter.setFont(font)
    for k, (line, width) in enumerate(zip(lines, widths, strict=True)):
        x, y = -share * width, first + k * step
        if height < _READABLE:
            painter.drawLine(QPointF(x, y - height / 2), QPointF(x + width, y - height / 2))
            continue
        painter.save()
        painter.translate(x, y)
        painter.scale(factor * text.width_factor, factor)
        painter.drawText(QPointF(0.0, 0.0), line)
        painter.restore()
    painter.restore()


def _draw_hatch(painter: QPainter, hatch: Hatch, view: Camera, ink: QColor) -> None:
    path = QPainterPath()
    path.setFillRule(Qt.FillRule.OddEvenFill)
    for loop in hatch.loops:
        outline = QPainterPath()
        for shape in loop:
            points = polygon_of(shape.flattened(0.3 / view.scale), view)
            piece = QPainterPath()
            piece.addPolygon(points)
            outline = piece if outline.isEmpty() else _connected(outline, piece)
        outline.closeSubpath()
        path.addPath(outline)
    fill = QColor(ink)
    fill.setAlphaF(0.16 if hatch.solid else 0.45)
    style = Qt.BrushStyle.SolidPattern if hatch.solid else Qt.BrushStyle.BDiagPattern
    painter.fillPath(path, QBrush(fill, style))


def _connected(outline: QPainterPath, piece: QPainterPath) -> QPainterPath:
    """The next edge of a boundary after the last, whichever way round it was stored."""
    end = outline.currentPosition()
    first, last = piece.elementAt(0), piece.elementAt(piece.elementCount() - 1)
    near = (first.x - end.x()) ** 2 + (first.y - end.y()) ** 2
    far = (last.x - end.x()) ** 2 + (last.y - end.y()) ** 2
    outline.connectPath(piece if near <= far else piece.toReversed())
    return outline


def _draw_picture(painter: QPainter, picture: Picture, view: Camera, ink: QColor, fade: float) -> None:
    corners = [QPointF(*view.to_pixels(p.x, p.y)) for p in picture.corners()]
    image = _image_of(picture.data)
    if not image.isNull():
        # The picture's own pixels run down from its upper left corner.
        lower_left, _, upper_right, upper_left = corners
        across, down = upper_right - upper_left, lower_left - upper_left
        width, height = image.width(), image.height()
        matrix = QTransform(
            across.x() / width, across.y() / width, down.x() / height, down.y() / height, upper_left.x(), upper_left.y()
        )
        painter.save()
        painter.setOpacity(fade)
        painter.setTransform(matrix, True)
        painter.drawImage(QPointF(0, 0), image)
        painter.restore()
    pen = _thin(ink)
    pen.setStyle(Qt.PenStyle.DashLine)
    painter.setPen(pen)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawPolygon(QPolygonF(corners))
    if image.isNull():
        painter.drawText(QRectF(corners[3], corners[1]).normalized(), Qt.AlignmentFlag.AlignCenter, picture.name)


def _image_of(data: bytes) -> QImage:
    """A picture's pixels, kept for the next painting."""
    key = id(data)
    with _decoding:
        known = _decoded.get(key)
        if known is not None and known[0] is data:
            return known[1]
    image = QImage.fromData(data) if data else QImage()
    if max(image.width(), image.height()) > _LARGEST_PICTURE:
        image = image.scaled(
            _LARGEST_PICTURE,
            _LARGEST_PICTURE,
            Qt.AspectRatioMode.KeepAspectRatio,
            Qt.TransformationMode.SmoothTransformation,
        )
    with _decoding:
        _decoded[key] = (data, image)
        while len(_decoded) > 24:
            _decoded.popitem(last=False)
    return image


def _draw_construction(painter: QPainter, line: ConstructionLine, view: Camera, ink: QColor) -> None:
    shown = line.within(view.box)
    pen = _thin(ink)
    pen.setStyle(Qt.PenStyle.DashDotLine)
    painter.setPen(pen)
    painter.drawPolyline(polygon_of(shown.flattened(1.0), view))
