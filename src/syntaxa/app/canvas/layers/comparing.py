"""Two drawings laid over each other on the canvas: swiped, faded or by turns, and in bands how far one is off.

Bands are told apart by their thickness as well as by their colour.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QImage, QPainter, QPen

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.render import pen_of, slices
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.theme.tokens import Tokens, readable_on
from syntaxa.app.words import tr
from syntaxa.drawing.model import Curve, Style
from syntaxa.mend.deviation import Deviation

#: How many bands of deviation there are.
BANDS = 4

#: mm; what lies nearer is not off.
_NOTHING = 1e-9

_WIDTHS = (1.4, 2.6, 4.0, 5.6)


@dataclass(frozen=True)
class Heat:
    """Curves that are off, in bands: a scene whose palette index is the band, and the largest deviation (mm)."""

    scene: Scene
    bands: tuple[int, ...]
    top: float


@dataclass(frozen=True)
class Versus:
    """What is laid over the result: another scene, how ("swipe", "fade"), and how much of it is seen, 0 to 1.

    names  of the other and of what the canvas shows; heat  what is off, over both
    """

    other: Scene | None
    way: str
    share: float
    names: tuple[str, str]
    heat: Heat | None = None


def heat_of(scene: Scene, found: Deviation) -> Heat:
    """The curves of a scene that are off what was received, in bands of equal width."""
    away = {far.curve: far.distance for far in found.made if far.distance > _NOTHING}
    top = max(away.values(), default=0.0)
    groups: dict[int, list[Curve]] = {}
    for name, distance in away.items():
        if name in scene.index:
            curve = scene.curves[scene.index[name]]
            groups.setdefault(_band(distance, top), []).append(replace(curve, style=Style()))
    order = sorted(groups)
    return Heat(Scene.of([(band, groups[band]) for band in order]), tuple(order), top)


def _band(distance: float, top: float) -> int:
    return min(int(BANDS * distance / top), BANDS - 1)


def band_name(band: int, top: float, text: Callable[[float], str]) -> str:
    """What a band takes in, in words."""
    return tr("up to {0}", text(top * (band + 1) / BANDS))


def paint_heat(heat: Heat, view: Camera, image: QImage, tokens: Tokens) -> Iterator[None]:
    """The bands, from thin to thick, over what is painted already."""
    cold, hot = QColor(tokens.accent), QColor(tokens.persimmon)
    pens = []
    for band in heat.bands:
        share = band / (BANDS - 1)
        mixed = [round(a + (b - a) * share) for a, b in zip(cold.getRgb()[:3], hot.getRgb()[:3], strict=True)]
        pen = QPen(QColor(*mixed), _WIDTHS[band])
        pen.setCapStyle(Qt.PenCapStyle.RoundCap)
        pens.append(pen)
    yield from slices(heat.scene, view, image, pens, True)


def paint_other(versus: Versus, view: Camera, image: QImage, tokens: Tokens) -> Iterator[None]:
    """The other drawing alone."""
    if versus.other is not None:
        pens = [pen_of(readable_on(colour, tokens.canvas)) for colour in versus.other.palette]
        yield from slices(versus.other, view, image, pens, True)


def draw_versus(
    painter: QPainter, versus: Versus, picture: QImage, frame: QRectF, area: QRectF, tokens: Tokens
) -> None:
    """Lays the picture of the other over what is drawn."""
    painter.save()
    if versus.way == "swipe":
        edge = area.left() + area.width() * versus.share
        painter.setClipRect(QRectF(area.left(), area.top(), edge - area.left(), area.height()))
        painter.drawImage(frame, picture)
        painter.setClipping(False)
        painter.setPen(QPen(QColor(tokens.accent), 2))
        painter.drawLine(QPointF(edge, area.top()), QPointF(edge, area.bottom()))
        _names(painter, versus.names, edge, area, tokens)
    else:
        painter.setOpacity(versus.share)
        painter.drawImage(frame, picture)
        painter.setOpacity(1.0)
        shown = versus.names[0] if versus.share >= 0.5 else versus.names[1]
        _names(painter, (shown, ""), area.left() + 170, area, tokens)
    painter.restore()


def _names(painter: QPainter, names: Sequence[str], edge: float, area: QRectF, tokens: Tokens) -> None:
    """What is seen on each side of an edge."""
    for name, side in zip(names, (-1, 1), strict=True):
        if not name:
            continue
        width = painter.fontMetrics().horizontalAdvance(name) + 16
        left = edge - 8 - width if side < 0 else edge + 8
        box = QRectF(left, area.top() + 30, width, 22)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor(tokens.panel))
        painter.drawRoundedRect(box, 4, 4)
        painter.setPen(QColor(tokens.text))
        painter.drawText(box, Qt.AlignmentFlag.AlignCenter, name)


class VersusLayer(Layer):
    """Another drawing over the result, swiped or faded."""

    height = Height.OTHER
    apart = True

    def __init__(self) -> None:
        super().__init__()
        self.versus: Versus | None = None

    def show(self, versus: Versus | None) -> None:
        """Lays another drawing over the result, or nothing."""
        old, self.versus = self.versus, versus
        # Scenes are told apart by which they are: comparing them would go through all their curves.
        if any(getattr(old, part, None) is not getattr(versus, part, None) for part in ("other", "heat")):
            self.repaint()
        self.update()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        return iter(()) if self.versus is None else paint_other(self.versus, view, image, tokens)

    def lay(self, painter: QPainter, picture: QImage, frame: QRectF, tokens: Tokens) -> None:
        if self.versus is not None and self.versus.other is not None and self.surface is not None:
            draw_versus(painter, self.versus, picture, frame, QRectF(self.surface.rect()), tokens)


class BandsLayer(Layer):
    """What is off, in bands, over the result."""

    height = Height.BANDS

    def __init__(self, over: VersusLayer) -> None:
        super().__init__()
        self._over = over

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        versus = self._over.versus
        return iter(()) if versus is None or versus.heat is None else paint_heat(versus.heat, view, image, tokens)
