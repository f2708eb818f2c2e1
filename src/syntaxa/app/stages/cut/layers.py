"""What Cut shows on the canvas: stock, clamps, what is kept, paths told apart by line, order, findings, and the
tool.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence
from typing import TYPE_CHECKING

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QBrush, QColor, QFontMetricsF, QImage, QPainter, QPainterPath, QPen, QPolygonF, QTransform

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.strokes import polygon_of
from syntaxa.app.theme.style import figure_font
from syntaxa.app.theme.tokens import Tokens
from syntaxa.cut.bench.heights import HeightMap
from syntaxa.cut.bench.timeline import Standing
from syntaxa.cut.bench.verdict import Found
from syntaxa.cut.model import KeepOut
from syntaxa.cut.paths.model import Run, What
from syntaxa.cut.paths.planning import Work
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.types import Box, Bytes, Floats

if TYPE_CHECKING:
    from syntaxa.cut.proving import Proven

#: Runs painted between two looks at the event queue; numbers that are drawn at the most.
_A_SLICE, _MOST_NUMBERS = 40, 400

#: How each kind of stretch is drawn: width in pixels, and its dashes.
_LINES: dict[What, tuple[float, tuple[float, ...]]] = {
    "cut": (1.6, ()),
    "ramp": (1.6, (6.0, 2.0)),
    "tab": (3.0, ()),
    "lead": (1.2, (1.0, 2.0)),
    "out": (1.2, (1.0, 2.0)),
    "link": (1.0, (4.0, 2.0, 1.0, 2.0)),
    "plunge": (1.0, ()),
}

#: Pixels of a finding's mark, and within which a click means it.
_MARK = 9.0


class StockLayer(Layer):
    """The stock's outline, clamps hatched, the program's zero, and what is kept tinted."""

    height = Height.REGIONS

    def __init__(self) -> None:
        super().__init__()
        self._work: Work | None = None
        self._keep_out: Sequence[KeepOut] = ()

    def show(self, work: Work | None, keep_out: Sequence[KeepOut]) -> None:
        """The stock of some work, and the places to keep out of."""
        if work is not self._work or keep_out != self._keep_out:
            self._work, self._keep_out = work, keep_out
            self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        if self._work is None:
            return
        painter = QPainter(image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        tint = QColor(tokens.tint)
        tint.setAlphaF(0.14)
        for n, part in enumerate(self._work.contours.parts):
            painter.fillPath(path_of(part.loops, view), tint)
            if n % _A_SLICE == _A_SLICE - 1:
                painter.end()
                yield
                if self._work is None:
                    return
                painter = QPainter(image)
                painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = self._work.stock.box
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(QColor(tokens.strong_line), 1.2, Qt.PenStyle.DashLine))
        painter.drawRect(_rect(box, view))
        for keep in self._keep_out:
            painter.setPen(QPen(QColor(tokens.persimmon), 1.4))
            painter.setBrush(QBrush(QColor(tokens.persimmon), Qt.BrushStyle.DiagCrossPattern))
            painter.drawRect(_rect(keep.box, view))
        self._draw_zero(painter, view, tokens)
        painter.end()
        yield

    def _draw_zero(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._work is None:
            return
        x, y = view.to_pixels(*self._work.stock.zero)
        painter.setPen(QPen(QColor(tokens.text), 1.6))
        painter.setBrush(QColor(tokens.canvas))
        painter.drawEllipse(QPointF(x, y), 7, 7)
        # Two quarters are filled, as on a target.
        painter.setBrush(QColor(tokens.text))
        painter.drawPie(QRectF(x - 7, y - 7, 14, 14), 0, 90 * 16)
        painter.drawPie(QRectF(x - 7, y - 7, 14, 14), 180 * 16, 90 * 16)


def path_of(loops: Sequence[Floats], view: Camera) -> QPainterPath:
    """Loops with their holes, in pixels."""
    path = QPainterPath()
    path.setFillRule(Qt.FillRule.OddEvenFill)
    for rows in loops:
        path.addPolygon(polygon_of(shape_of_rows(rows, True).flattened(0.08 / view.scale), view))
        path.closeSubpath()
    return path


def _rect(box: tuple[float, float, float, float], view: Camera) -> QRectF:
    left, top = view.to_pixels(box[0], box[3])
    right, bottom = view.to_pixels(box[2], box[1])
    return QRectF(QPointF(left, top), QPointF(right, bottom))


class PathsLayer(Layer):
    """Every path: by depth darker, what it is for by its line, ways in the air dashed, and the numbers of the order."""

    height = Height.CHANGES

    def __init__(self, choose: Callable[[int], None]) -> None:
        super().__init__()
        self._made: Proven | None = None
        self._choose = choose
        self.chosen = -1
        self.names: frozenset[str] = frozenset()
        self.shown = True

    def show(self, made: Proven | None) -> None:
        """The work whose paths are seen; a contour that is chosen stays so, whatever its number is now."""
        if made is not self._made:
            key = self._key
            self._made = made
            self.chosen = made.work.contours.by_key().get(key, -1) if made is not None else -1
            self.repaint()

    @property
    def _key(self) -> str:
        contours = self._made.work.contours.contours if self._made is not None else ()
        return contours[self.chosen].key if 0 <= self.chosen < len(contours) else ""

    def choose(self, number: int, names: Sequence[str]) -> None:
        """Marks a contour, by its number, and the operations that are chosen."""
        self.chosen, self.names = number, frozenset(names)
        self.repaint()

    def set_shown(self, shown: bool) -> None:
        """Hides the paths while the stock is looked at."""
        if shown != self.shown:
            self.shown = shown
            self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        if self._made is None or not self.shown:
            return
        painter = QPainter(image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        at = self._made.work.stock.zero
        # What knows no depth goes through.
        thickness = 0.0 if self._made.machine.is_flat else self._made.work.stock.thickness
        for n, cutting in enumerate(self._made.work.cuttings):
            x, y, _ = cutting.run.start
            painter.setPen(QPen(QColor(tokens.dim), 0.9, Qt.PenStyle.DotLine))
            painter.drawLine(QPointF(*view.to_pixels(*at)), QPointF(*view.to_pixels(x, y)))
            strong = cutting.run.number == self.chosen or cutting.doing.operation.name in self.names
            self._draw_run(painter, cutting.run, view, tokens, thickness, strong)
            at = cutting.run.end[:2]
            if n % _A_SLICE == _A_SLICE - 1:
                painter.end()
                yield
                painter = QPainter(image)
                painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        self._draw_numbers(painter, view, tokens)
        painter.end()
        yield

    def _draw_run(
        self, painter: QPainter, run: Run, view: Camera, tokens: Tokens, thickness: float, strong: bool
    ) -> None:
        painter.setBrush(Qt.BrushStyle.NoBrush)
        if run.drilled is not None:
            x, y = view.to_pixels(run.drilled.x, run.drilled.y)
            painter.setPen(QPen(QColor(tokens.accent), 2.4 if strong else 1.6))
            for dx, dy in ((6, 0), (0, 6)):
                painter.drawLine(QPointF(x - dx, y - dy), QPointF(x + dx, y + dy))
            painter.drawEllipse(QPointF(x, y), 4, 4)
            return
        for stretch in run.stretches:
            rows = stretch.rows[:, [0, 1, 3]]
            if not np.ptp(rows[:, :2], axis=0).any():
                continue
            width, dashes = _LINES[stretch.what]
            deep = min(max(-float(stretch.rows[:, 2].min()) / thickness, 0.0), 1.0) if thickness > 0 else 1.0
            pen = QPen(_shade(tokens, deep), width + (1.0 if strong else 0.0))
            if dashes:
                pen.setDashPattern(list(dashes))
            painter.setPen(pen)
            painter.drawPolyline(polygon_of(shape_of_rows(rows, False).flattened(0.2 / view.scale), view))

    def _draw_numbers(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._made is None:
            return
        font = figure_font(10)
        painter.setFont(font)
        metrics = QFontMetricsF(font)
        taken: set[tuple[int, int]] = set()
        for n, cutting in enumerate(self._made.work.cuttings[:_MOST_NUMBERS], 1):
            px, py = view.to_pixels(*cutting.run.start[:2])
            cell = (int(px // 18), int(py // 14))
            if cell in taken or not (0 <= px <= view.width and 0 <= py <= view.height):
                continue
            taken.add(cell)
            text = str(n)
            frame = QRectF(px + 5, py - 17, metrics.horizontalAdvance(text) + 8, 14)
            painter.setPen(QPen(QColor(tokens.strong_line), 0.8))
            painter.setBrush(QColor(tokens.raised))
            painter.drawRoundedRect(frame, 3, 3)
            painter.setPen(QColor(tokens.text))
            painter.drawText(frame, Qt.AlignmentFlag.AlignCenter, text)

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        number = self.number_at(x, y, reach)
        return None if number is None else lambda: self._choose(number)

    def names_in(self, box: Box) -> list[str]:
        """The operations that have a whole path in a box (mm)."""
        found: dict[str, None] = {}
        for cutting in self._made.work.cuttings if self._made is not None else ():
            mine = _box_of(cutting.run)
            if mine[0] >= box[0] and mine[1] >= box[1] and mine[2] <= box[2] and mine[3] <= box[3]:
                found[cutting.doing.operation.name] = None
        return list(found)

    def number_at(self, x: float, y: float, reach: float) -> int | None:
        """The number of the contour whose path is nearest to a place within reach (mm)."""
        if self._made is None or not self.shown:
            return None
        best: tuple[float, int] | None = None
        for cutting in self._made.work.cuttings:
            run = cutting.run
            if run.number < 0:
                continue
            away = _away(run, x, y)
            if away <= reach and (best is None or away < best[0]):
                best = away, run.number
        return None if best is None else best[1]


def _box_of(run: Run) -> Box:
    """The extents of a run (mm)."""
    if run.drilled is not None:
        return run.drilled.x, run.drilled.y, run.drilled.x, run.drilled.y
    boxes = np.vstack([s.pieces.bounds() for s in run.stretches])
    return (*boxes[:, :2].min(axis=0).tolist(), *boxes[:, 2:].max(axis=0).tolist())


def _away(run: Run, x: float, y: float) -> float:
    """How far a place is from a run (mm)."""
    if run.drilled is not None:
        return math.hypot(run.drilled.x - x, run.drilled.y - y)
    best = math.inf
    for stretch in run.stretches:
        pieces = stretch.pieces
        box = pieces.bounds()
        if len(box) and (box[:, 0].min() - best <= x <= box[:, 2].max() + best):
            best = min(best, float(pieces.distances_to(np.tile([x, y], (len(pieces), 1))).min()))
    return best


def _shade(tokens: Tokens, deep: float) -> QColor:
    """The accent, paler where a path is shallow."""
    ink, ground = QColor(tokens.accent), QColor(tokens.canvas)
    share = 0.55 + 0.45 * deep
    return QColor.fromRgbF(
        *(a * share + b * (1 - share) for a, b in zip(ink.getRgbF()[:3], ground.getRgbF()[:3], strict=True))
    )


class BenchLayer(Layer):
    """The stock as it is played, shaded by depth, and the tool where the player stands."""

    height = Height.PICTURES

    def __init__(self) -> None:
        super().__init__()
        self._picture: QImage | None = None
        self._map: HeightMap | None = None
        self._shift = (0.0, 0.0)
        self._tool: tuple[float, float, float] | None = None
        self._clip: Sequence[Floats] = ()

    def show_stock(self, stock: HeightMap | None, shift: tuple[float, float], tokens: Tokens) -> None:
        """A map of heights in the program's axes, and where its zero lies on the drawing; or nothing."""
        if stock is not None or self._map is not None:
            self._map, self._shift = stock, shift
            self._picture = None if stock is None else picture_of(stock, tokens)
            self.repaint()

    def clip_to(self, loops: Sequence[Floats]) -> None:
        """Shows nothing of the stock outside of some outlines (mm on the drawing); all of it where there are none."""
        if loops is not self._clip:
            self._clip = loops
            self.repaint()

    def show_tool(self, tool: tuple[float, float, float] | None) -> None:
        """Where the tool stands (mm on the drawing) and its radius; None while nothing is played."""
        self._tool = tool
        self.update()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        if self._map is None or self._picture is None:
            return
        painter = QPainter(image)
        box, cell = self._map.box, self._map.cell
        left, bottom = view.to_pixels(box[0] + self._shift[0], box[1] + self._shift[1])
        scale = cell * view.scale
        if self._clip:
            painter.setClipPath(path_of(self._clip, view))
        painter.setTransform(QTransform(scale, 0, 0, -scale, left, bottom))
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.drawImage(QPointF(0, 0), self._picture)
        painter.end()
        yield

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._tool is None:
            return
        x, y, radius = self._tool
        px, py = view.to_pixels(x, y)
        size = max(radius * view.scale, 3.0)
        painter.setPen(QPen(QColor(tokens.persimmon), 2))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawEllipse(QPointF(px, py), size, size)
        for dx, dy in ((size + 6, 0), (0, size + 6)):
            painter.drawLine(QPointF(px - dx, py - dy), QPointF(px + dx, py + dy))


def tones(tokens: Tokens) -> tuple[Floats, Floats]:
    """Colours (red, green, blue to 255) of the deepest ground and of the untouched top: the lighter one in any look."""
    both = sorted((QColor(c) for c in (tokens.strong_line, tokens.line)), key=QColor.lightnessF)
    low, high = (np.array(c.getRgb()[:3], dtype=float) for c in both)
    return low, high


def shades(stock: HeightMap, tokens: Tokens) -> Bytes:
    """Heights as shades, the untouched top light: red, green, blue (0 to 255) in a last axis."""
    high, low = stock.top, stock.bottom
    scale = np.float32(1 / max(high - low, 1e-9))
    share = np.clip((stock.heights - np.float32(low)) * scale, 0.0, 1.0)
    # A slope towards the light is lighter: floors and walls are told apart.
    light = np.zeros_like(share)
    light[:, :-1] = stock.heights[:, 1:] - stock.heights[:, :-1]
    light[:-1] -= stock.heights[1:] - stock.heights[:-1]
    light = 1 + np.float32(0.25) * np.clip(light * scale, -1.0, 1.0)
    ground, top = tones(tokens)
    table = np.empty((*share.shape, 3), np.uint8)
    for k in range(3):
        tone = (np.float32(ground[k]) + np.float32(top[k] - ground[k]) * share) * light
        table[:, :, k] = np.clip(tone, 0, 255, out=tone)
    return table


def picture_of(stock: HeightMap, tokens: Tokens) -> QImage:
    """The shades of a stock, what is cut through empty; rows from below."""
    height, width = stock.heights.shape
    table = np.empty((height, width, 4), np.uint8)
    table[:, :, :3] = shades(stock, tokens)
    table[:, :, 3] = np.where(stock.heights <= stock.bottom + 1e-6, 0, 235)
    return QImage(table.tobytes(), width, height, 4 * width, QImage.Format.Format_RGBA8888).copy()


class FoundLayer(Layer):
    """What the bench machine found: a mark at each place, wrong ones and notices of two shapes."""

    height = Height.FINDINGS

    def __init__(self, choose: Callable[[int], None]) -> None:
        super().__init__()
        self._found: Sequence[Found] = ()
        self._shift = (0.0, 0.0)
        self._choose = choose
        self.chosen = -1

    def show(self, found: Sequence[Found], shift: tuple[float, float]) -> None:
        """The findings, in the program's axes, and where its zero lies on the drawing."""
        self._found, self._shift = found, shift
        self.update()

    def mark(self, number: int) -> None:
        """Marks one as chosen."""
        self.chosen = number
        self.update()

    def place(self, number: int) -> tuple[float, float]:
        """Where a finding is on the drawing (mm)."""
        x, y, _ = self._found[number].place
        return x + self._shift[0], y + self._shift[1]

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for k in range(min(len(self._found), _MOST_NUMBERS)):
            px, py = view.to_pixels(*self.place(k))
            if not (-20 <= px <= view.width + 20 and -20 <= py <= view.height + 20):
                continue
            chosen = k == self.chosen
            self._draw_mark(painter, px, py, self._found[k].wrong, chosen, tokens)

    def _draw_mark(self, painter: QPainter, px: float, py: float, wrong: bool, chosen: bool, tokens: Tokens) -> None:
        ink = QColor(tokens.persimmon)
        painter.setPen(QPen(ink, 2 if chosen else 1.4))
        painter.setBrush(ink if chosen else QColor(tokens.canvas))
        size = _MARK + (3 if chosen else 0)
        if wrong:
            # A square on its corner with a stroke through it.
            corners = ((0, -size), (size, 0), (0, size), (-size, 0))
            painter.drawPolygon(QPolygonF([QPointF(px + dx, py + dy) for dx, dy in corners]))
            painter.setPen(QPen(QColor(tokens.on_persimmon) if chosen else ink, 2))
            painter.drawLine(QPointF(px, py - size * 0.5), QPointF(px, py + size * 0.1))
            painter.drawPoint(QPointF(px, py + size * 0.45))
        else:
            painter.drawEllipse(QPointF(px, py), size * 0.7, size * 0.7)
            painter.drawPoint(QPointF(px, py))

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        best = min(
            range(len(self._found)),
            key=lambda k: math.hypot(self.place(k)[0] - x, self.place(k)[1] - y),
            default=None,
        )
        if best is None or math.hypot(self.place(best)[0] - x, self.place(best)[1] - y) > 2 * reach:
            return None
        return lambda: self._choose(best)


def tool_at(standing: Standing, done: Proven) -> tuple[float, float, float]:
    """Where the tool stands on the drawing (mm), and its radius."""
    tools = dict(done.tools)
    tool = tools.get(done.played.moves[standing.move].tool) or next(iter(tools.values()))
    zero = done.work.stock.zero
    return standing.place[0] + zero[0], standing.place[1] + zero[1], tool.radius
