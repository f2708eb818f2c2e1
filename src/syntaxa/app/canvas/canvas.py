"""The drawing surface.

The scene is painted into an image somewhat larger than the window; panning and zooming move and stretch that
image at once, and it is painted anew in slices as soon as the interface is idle. Everything that follows the
cursor is drawn over it on every frame.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterator, Sequence
from dataclasses import replace

import numpy as np
from PyQt6.QtCore import QEvent, QPoint, QPointF, QRectF, QSize, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import (
    QColor,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
    QWheelEvent,
)
from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas import overlays
from syntaxa.app.canvas.change_marks import draw_changes
from syntaxa.app.canvas.comparing import Versus, draw_versus, paint_heat, paint_other
from syntaxa.app.canvas.content import CanvasContent, PaintChoice, paint_content
from syntaxa.app.canvas.hand_marks import draw_band, draw_crop, draw_ghost, draw_lasso, draw_locks, draw_roles, draw_way
from syntaxa.app.canvas.rulers import RULER, draw_rulers
from syntaxa.app.canvas.snapping import Snap, draw_snap, snapped
from syntaxa.app.canvas.view import View
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.theme.tokens import PAPER, Tokens
from syntaxa.drawing.annotations import union_of
from syntaxa.drawing.model import Curve
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.types import Bools
from syntaxa.mend.model import Finding

#: Share of the window that the image reaches beyond each of its edges, so that a pan has something to show.
_MARGIN = 0.25

#: Pixels within which a curve is under the cursor, an end is snapped to, and a glyph is hit.
_REACH, _SNAP, _GLYPH_REACH = 6.0, 12.0, 9.0

#: Milliseconds of peace before the image is painted anew.
_SETTLE = 60


class Canvas(QWidget):
    """Shows a scene; tells what is hovered, selected and picked."""

    box_drawn = pyqtSignal(float, float, float, float)
    stepped = pyqtSignal(int)
    cursor_moved = pyqtSignal(float, float)
    selection_changed = pyqtSignal()
    point_picked = pyqtSignal(float, float)
    pick_ended = pyqtSignal()
    finding_clicked = pyqtSignal(str)
    aside_clicked = pyqtSignal(str)

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(240, 200)
        self.setAccessibleName("Drawing")
        self.setAccessibleDescription("Arrow keys pan, plus and minus zoom, F fits everything.")
        self.setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        self._tokens = PAPER
        self._content = CanvasContent()
        self._format = LengthFormat("mm")
        self._view = View()
        self._image = QImage()
        self._image_view = View()
        self._work: Iterator[None] | None = None
        self._fresh = QImage()
        self._fresh_view = View()
        self._show_beneath = False
        #: What is laid over the result, and its picture.
        self._versus: Versus | None = None
        self._other, self._fresh_other = QImage(), QImage()
        self._chosen_finding: Finding | None = None
        self._chosen_region = ""
        self._hover = -1
        self._mouse = QPointF()
        self._selected: list[int] = []
        self._pan_from: QPoint | None = None
        self._space = False
        self._band_from: QPointF | None = None
        self._picking = False
        self._pick_says = ""
        #: Curves (by id) that are hidden for now; which of the scene are shown, None for all.
        self._hidden: frozenset[str] = frozenset()
        self._shown: Bools | None = None
        self._lasso: list[QPointF] | None = None
        self._lasso_wanted = False
        self._way: tuple[Point, ...] = ()
        self._ghost: tuple[float, float, float, float] | None = None
        self._drawing_box = False
        self._crop: tuple[float, float, float, float] | None = None
        self._fade = 0.6
        #: Whether the wheel steps through drawings and zooms only with Ctrl.
        self.wheel_steps = False
        self._frame: QSize | None = None
        self._corner = QPoint(0, 0)
        self._fit_wanted = False
        self._settle = QTimer(self)
        self._settle.setSingleShot(True)
        self._settle.setInterval(_SETTLE)
        self._settle.timeout.connect(self._begin_painting)
        self._slice = QTimer(self)
        self._slice.setInterval(0)
        self._slice.timeout.connect(self._paint_slice)

    # ------------------------------------------------------------------ content

    @property
    def view(self) -> View:
        """Where it looks."""
        return self._view

    @property
    def content(self) -> CanvasContent:
        """What it shows."""
        return self._content

    def show_content(self, content: CanvasContent, fit: bool = False) -> None:
        """Takes new content; the old picture stays until the new one is painted."""
        kept = {self._content.scene.curves[k].id for k in self._selected}
        self._content = content
        self._selected = [k for k, c in enumerate(content.scene.curves) if c.id in kept] if kept else []
        self._hover = -1
        self._ghost = None
        self._find_shown()
        if fit:
            self.fit()
        self._begin_painting()
        self.selection_changed.emit()

    def set_look(self, tokens: Tokens) -> None:
        """Puts on a look."""
        self._tokens = tokens
        self._begin_painting()

    def set_format(self, lengths: LengthFormat) -> None:
        """Shows lengths in another unit."""
        self._format = lengths
        self.update()

    def set_beneath(self, shown: bool) -> None:
        """Shows or hides the received drawing, faded, beneath the result."""
        if shown != self._show_beneath:
            self._show_beneath = shown
            self._begin_painting()

    def set_versus(self, versus: Versus | None) -> None:
        """Lays another drawing over the result, or nothing."""
        old, self._versus = self._versus, versus
        # Scenes are told apart by which they are: comparing them would go through all their curves.
        if any(getattr(old, part, None) is not getattr(versus, part, None) for part in ("other", "heat")):
            self._begin_painting()
        self.update()

    def set_fade(self, share: float) -> None:
        """How opaque pictures are, 0 to 1."""
        self._fade = share
        self._begin_painting()

    def show_crop(self, box: tuple[float, float, float, float] | None) -> None:
        """Marks a box (mm), or none."""
        self._crop = box
        self.update()

    def start_box(self) -> None:
        """The next drag draws a box instead of selecting; Escape gives up."""
        self._drawing_box = True
        self.setCursor(Qt.CursorShape.CrossCursor)
        self.setFocus()

    def select_ids(self, ids: Collection[str]) -> None:
        """Selects curves by their ids."""
        self._selected = [k for k, c in enumerate(self._content.scene.curves) if c.id in ids]
        self.selection_changed.emit()
        self.update()

    def hide_curves(self, ids: frozenset[str]) -> None:
        """Hides curves for now; nothing else changes."""
        if ids != self._hidden:
            self._hidden = ids
            self._find_shown()
            self._begin_painting()

    def _find_shown(self) -> None:
        scene = self._content.scene
        self._shown = np.array([c.id not in self._hidden for c in scene.curves], bool) if self._hidden else None
        if self._shown is not None:
            self._selected = [k for k in self._selected if self._shown[k]]

    def start_lasso(self) -> None:
        """The next drag draws a lasso round what is to be selected; Escape gives up."""
        self._lasso_wanted = True
        self.setCursor(Qt.CursorShape.CrossCursor)
        self.setFocus()

    def show_way(self, points: Sequence[Point]) -> None:
        """Draws a measured way (mm)."""
        self._way = tuple(points)
        self.update()

    def show_ghost(self, box: tuple[float, float, float, float] | None) -> None:
        """Draws the box (mm) that a change would give, or none."""
        self._ghost = box
        self.update()

    def curve_at(self, x: float, y: float, counts: Callable[[Curve], bool]) -> Curve | None:
        """The nearest curve that counts to a place (mm), if it is within reach of the cursor."""
        counting = np.array([counts(c) for c in self._content.scene.curves], dtype=bool)
        shown = counting if self._shown is None else counting & self._shown
        hit = self._content.scene.nearest(x, y, 2 * _REACH / self._view.scale, shown)
        return self._content.scene.curves[hit] if hit >= 0 else None

    def choose_finding(self, finding: Finding | None) -> None:
        """Marks one finding and the curves that it concerns."""
        self._chosen_finding = finding
        self.update()

    def choose_region(self, region_id: str) -> None:
        """Marks one region."""
        self._chosen_region = region_id
        self._begin_painting()

    def selected_curves(self) -> list[Curve]:
        """The curves that are selected."""
        return [self._content.scene.curves[k] for k in self._selected]

    def clear_selection(self) -> None:
        """Selects nothing."""
        self._selected = []
        self.selection_changed.emit()
        self.update()

    def select_all(self) -> None:
        """Selects every curve."""
        shown = self._shown
        self._selected = [k for k in range(len(self._content.scene)) if shown is None or shown[k]]
        self.selection_changed.emit()
        self.update()

    def start_picking(self, says: str) -> None:
        """The next click picks a point, named beside the cursor; Escape gives up."""
        self._picking, self._pick_says = True, says
        self.setCursor(Qt.CursorShape.CrossCursor)
        self.setFocus()
        self.update()

    def picks_something(self) -> bool:
        """Whether a point, a box or a lasso is waited for or being drawn."""
        return self._picking or self._drawing_box or self._lasso_wanted or self._lasso is not None

    def give_up(self) -> None:
        """Waits for nothing any more."""
        self._drawing_box = self._lasso_wanted = False
        self._lasso = None
        self.unsetCursor()
        self.stop_picking()
        self.update()

    def stop_picking(self) -> None:
        """Clicks select again."""
        if self._picking:
            self._picking = False
            self.unsetCursor()
            self.pick_ended.emit()
            self.update()

    @property
    def painting(self) -> bool:
        """Whether a picture is still being painted."""
        return self._work is not None or self._settle.isActive()

    # ------------------------------------------------------------------ view

    def look_at(self, view: View) -> None:
        """Moves the view; the picture follows at once and is painted anew when it rests."""
        self._view = view
        self._stop_painting()
        self._settle.start()
        self.update()

    def fit(self) -> None:
        """Shows everything."""
        scene, beneath = self._content.scene.extents(), self._content.beneath.extents()
        box = union_of(b for b in (scene or beneath, self._notes_box()) if b is not None)
        self._fit_wanted = not self.isVisible()
        if box is not None:
            self.fit_box(box)

    def _notes_box(self) -> tuple[float, float, float, float] | None:
        shown = [n for n in self._content.notes if n.kind != "construction"]
        # Where there are curves, only pictures and dimensions count: a stray text must not make them small.
        if len(self._content.scene):
            shown = [n for n in shown if n.kind == "image"]
        return union_of(n.box() for n in shown)

    def fit_box(self, box: tuple[float, float, float, float], margin: float = 0.08) -> None:
        """Shows a box (mm), clear of the rulers."""
        self.look_at(self._view.fitted(box, margin).panned(RULER / 2, RULER / 2))

    def follow(self, by: Vector) -> None:
        """Everything was moved (mm) and the view with it: the picture stays where it is."""
        self.look_at(replace(self._view, x=self._view.x + by.x, y=self._view.y + by.y))

    def zoom(self, factor: float, at: QPointF | None = None) -> None:
        """Zooms about a place in the window, or its middle."""
        place = at if at is not None else QPointF(self.width() / 2, self.height() / 2)
        self.look_at(self._view.zoomed(factor, place.x(), place.y()))

    # ------------------------------------------------------------------ painting

    def _stop_painting(self) -> None:
        self._slice.stop()
        self._work = None

    def _begin_painting(self) -> None:
        self._settle.stop()
        self._stop_painting()
        if self.width() < 2 or self.height() < 2:
            return
        density = self.devicePixelRatioF()
        # The same number of pixels on both sides, or the picture would lie between pixels and blur.
        width = self.width() + 2 * round(self.width() * _MARGIN)
        height = self.height() + 2 * round(self.height() * _MARGIN)
        self._fresh_view = self._view.sized(width, height)
        self._fresh = QImage(round(width * density), round(height * density), QImage.Format.Format_RGB32)
        self._fresh.fill(QColor(self._tokens.canvas))
        device = View(self._view.x, self._view.y, self._view.scale * density, self._fresh.width(), self._fresh.height())
        self._work = self._everything(device)
        self._slice.start()

    def _everything(self, view: View) -> Iterator[None]:
        shown = PaintChoice(self._chosen_region, self._show_beneath, self._fade, self._shown)
        yield from paint_content(self._fresh, self._content, shown, view, self._tokens)
        yield from self._laid_over(view)

    def _laid_over(self, view: View) -> Iterator[None]:
        """What is laid over the result: another drawing in a picture of its own, and bands of deviation."""
        versus = self._versus
        self._fresh_other = QImage()
        if versus is not None and versus.other is not None:
            self._fresh_other = QImage(self._fresh.size(), QImage.Format.Format_RGB32)
            self._fresh_other.fill(QColor(self._tokens.canvas))
            yield from paint_other(versus, view, self._fresh_other, self._tokens)
        if versus is not None and versus.heat is not None:
            yield from paint_heat(versus.heat, view, self._fresh, self._tokens)

    def _paint_slice(self) -> None:
        if self._work is None:
            self._slice.stop()
            return
        try:
            next(self._work)
        except StopIteration:
            self._stop_painting()
            self._image, self._image_view = self._fresh, self._fresh_view
            self._other = self._fresh_other
            self._image.setDevicePixelRatio(self.devicePixelRatioF())
            self.update()

    def paint_now(self) -> None:
        """Paints to the end at once; for pictures of the window."""
        if self._work is None or self._settle.isActive():
            self._begin_painting()
        while self._work is not None:
            self._paint_slice()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        del event
        painter = QPainter(self)
        tokens, view = self._tokens, self._view
        painter.fillRect(self.rect(), QColor(tokens.canvas))
        if not self._image.isNull():
            frame = self._image_frame()
            if self._image_view.scale == view.scale:
                # Whole pixels: anything else would have the picture resampled, and circles would come out ragged.
                painter.drawImage(frame.topLeft().toPoint(), self._image)
            else:
                painter.drawImage(frame, self._image)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self._versus is not None and not self._other.isNull():
            draw_versus(painter, self._versus, self._other, self._image_frame(), QRectF(self.rect()), tokens)
        if len(self._content.scene) or len(self._content.beneath) or self._content.notes:
            overlays.draw_origin(painter, view, tokens)
        if self._content.changes is not None:
            draw_changes(painter, self._content.changes, view, tokens)
        self._draw_picked(painter)
        if self._crop is not None:
            draw_crop(painter, QRectF(self.rect()), self._crop, view, tokens)
        draw_roles(painter, self._content.scene, view, tokens)
        draw_locks(painter, self._content.scene, view, tokens)
        if self._ghost is not None:
            draw_ghost(painter, self._ghost, view, tokens)
        if self._way:
            draw_way(painter, self._way, view, tokens)
        if self._lasso is not None:
            draw_lasso(painter, self._lasso, tokens)
        chosen = self._chosen_finding.key if self._chosen_finding else ""
        overlays.draw_findings(painter, self._content.findings, self._content.places, view, tokens, chosen)
        if self._band_from is not None:
            draw_band(painter, self._band_from, self._mouse, tokens)
        draw_rulers(painter, view, tokens, self._format.single, self._format.mm_per_unit)
        self._draw_hover_label(painter)
        if self.hasFocus():
            painter.setPen(QPen(QColor(tokens.accent), 1))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRect(self.rect().adjusted(0, 0, -1, -1))
        painter.end()

    def _image_frame(self) -> QRectF:
        """Where the painted image lies in the present view."""
        left, bottom, right, top = self._image_view.box
        x, y = self._view.to_pixels(left, top)
        u, v = self._view.to_pixels(right, bottom)
        return QRectF(x, y, u - x, v - y)

    def _draw_picked(self, painter: QPainter) -> None:
        tokens, scene = self._tokens, self._content.scene
        # While two drawings are compared nothing may hide what differs.
        if self._chosen_finding is not None and self._content.findings and self._versus is None:
            concerned = [scene.index[c] for c in self._chosen_finding.curves if c in scene.index]
            pen = QPen(QColor(tokens.persimmon), 2.2)
            overlays.draw_shapes(painter, [scene.curves[k].shape for k in concerned[:200]], self._view, pen)
        if self._selected:
            pen = QPen(QColor(tokens.accent), 2.4)
            shapes = [scene.curves[k].shape for k in self._selected[:2000]]
            overlays.draw_shapes(painter, shapes, self._view, pen)
        if 0 <= self._hover < len(scene):
            pen = QPen(
                QColor(tokens.accent),
                1.8,
                Qt.PenStyle.DotLine if self._hover in self._selected else Qt.PenStyle.SolidLine,
            )
            overlays.draw_shapes(painter, [scene.curves[self._hover].shape], self._view, pen)

    def _draw_hover_label(self, painter: QPainter) -> None:
        if self._picking:
            snap = self._snapped(self._mouse)
            painter.setPen(QPen(QColor(self._tokens.persimmon), 1.6))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            draw_snap(painter, QPointF(*self._view.to_pixels(snap.x, snap.y)), snap.kind)
            where = f" ({snap.kind})" if snap.kind else ""
            text = f"{self._pick_says}{where}: {self._format.text(snap.x)}, {self._format.text(snap.y)}"
            overlays.draw_label(painter, text, self._mouse, self._view, self._tokens)
        elif 0 <= self._hover < len(self._content.scene) and self._band_from is None:
            text = self._format.describe(self._content.scene.curves[self._hover])
            overlays.draw_label(painter, text, self._mouse, self._view, self._tokens)

    # ------------------------------------------------------------------ events

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        del event
        self._view = self._resized()
        if self._fit_wanted:
            self._fit_wanted = False
            self.fit()
        self._begin_painting()

    def _resized(self) -> View:
        """The view in the new size: a strip that comes or goes in a window that stays moves nothing on screen."""
        window, old = self.window(), self._view
        view = old.sized(self.width(), self.height())
        frame, corner = window.size() if window else None, self.mapTo(window, QPoint(0, 0))
        if frame == self._frame:
            moved = corner - self._corner
            view = view.panned(-moved.x() - (view.width - old.width) / 2, -moved.y() - (view.height - old.height) / 2)
        self._frame, self._corner = frame, corner
        return view

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
        self._mouse = event.position()
        if event.button() == Qt.MouseButton.MiddleButton or (
            self._space and event.button() == Qt.MouseButton.LeftButton
        ):
            self._pan_from = event.position().toPoint()
            self.setCursor(Qt.CursorShape.ClosedHandCursor)
        elif event.button() == Qt.MouseButton.LeftButton and self._picking:
            free = bool(event.modifiers() & Qt.KeyboardModifier.AltModifier)
            snap = self._snapped(event.position(), free)
            self.stop_picking()
            self.point_picked.emit(snap.x, snap.y)
        elif event.button() == Qt.MouseButton.LeftButton and (
            self._lasso_wanted or event.modifiers() & Qt.KeyboardModifier.AltModifier
        ):
            self._lasso = [event.position()]
        elif event.button() == Qt.MouseButton.LeftButton:
            self._band_from = event.position()
        elif event.button() == Qt.MouseButton.RightButton and self._picking:
            self.stop_picking()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        self._mouse = event.position()
        if self._pan_from is not None:
            here = event.position().toPoint()
            step = here - self._pan_from
            self._pan_from = here
            self.look_at(self._view.panned(step.x(), step.y()))
        x, y = self._view.to_mm(self._mouse.x(), self._mouse.y())
        self.cursor_moved.emit(x, y)
        if self._lasso is not None:
            self._lasso.append(event.position())
        elif self._band_from is None and self._pan_from is None and not self._picking:
            self._hover = self._content.scene.nearest(x, y, _REACH / self._view.scale, self._shown)
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        if self._pan_from is not None:
            self._pan_from = None
            self.unsetCursor()
        elif self._lasso is not None and event.button() == Qt.MouseButton.LeftButton:
            self._end_lasso(bool(event.modifiers() & Qt.KeyboardModifier.ControlModifier))
        elif self._band_from is not None and event.button() == Qt.MouseButton.LeftButton:
            self._end_band(self._band_from, event)
            self._band_from = None
        self.update()

    def _end_band(self, begin: QPointF, event: QMouseEvent) -> None:
        add = bool(event.modifiers() & Qt.KeyboardModifier.ControlModifier)
        end = event.position()
        if (end - begin).manhattanLength() < 5:
            self._click(end, add)
            return
        x, y = self._view.to_mm(min(begin.x(), end.x()), max(begin.y(), end.y()))
        u, v = self._view.to_mm(max(begin.x(), end.x()), min(begin.y(), end.y()))
        if self._drawing_box:
            self._drawing_box = False
            self.unsetCursor()
            self.box_drawn.emit(x, y, u, v)
            return
        found = self._content.scene.within((x, y, u, v), touching=end.x() < begin.x())
        self._select(found, add)

    def _click(self, at: QPointF, add: bool) -> None:
        x, y = self._view.to_mm(at.x(), at.y())
        away = np.abs(self._content.places - (x, y)).max(axis=1, initial=0.0) * self._view.scale
        if len(away) and away.min() <= _GLYPH_REACH:
            self.finding_clicked.emit(self._content.findings[int(away.argmin())].key)
            return
        reach = _REACH / self._view.scale
        hit = self._content.scene.nearest(x, y, reach, self._shown)
        aside = self._content.aside.nearest(x, y, reach) if hit < 0 else -1
        if aside >= 0:
            self.aside_clicked.emit(self._content.aside.curves[aside].id)
            return
        self._select([hit] if hit >= 0 else [], add)

    def _end_lasso(self, add: bool) -> None:
        trail = [self._view.to_mm(p.x(), p.y()) for p in self._lasso or ()]
        self._lasso, self._lasso_wanted = None, False
        self.unsetCursor()
        self._select(self._content.scene.inside_lasso(trail), add)

    def _select(self, found: list[int], add: bool) -> None:
        if self._shown is not None:
            found = [k for k in found if self._shown[k]]
        self._selected = sorted(set(self._selected) ^ set(found)) if add else found
        self.selection_changed.emit()
        self.update()

    def _snapped(self, at: QPointF, free: bool = False) -> Snap:
        """What a place in the window means; just the place itself where it is to be free."""
        x, y = self._view.to_mm(at.x(), at.y())
        if free:
            return Snap(x, y)
        base = self._way[-1] if self._way else None
        return snapped(self._content.scene, x, y, _SNAP / self._view.scale, self._shown, base)

    def leaveEvent(self, event: QEvent | None) -> None:
        del event
        self._hover = -1
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        step = 40
        moves = {
            Qt.Key.Key_Left: (step, 0),
            Qt.Key.Key_Right: (-step, 0),
            Qt.Key.Key_Up: (0, step),
            Qt.Key.Key_Down: (0, -step),
        }
        key = Qt.Key(event.key())
        if key in moves and self.wheel_steps and not event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            self.stepped.emit(1 if key in (Qt.Key.Key_Right, Qt.Key.Key_Down) else -1)
        elif key in moves:
            self.look_at(self._view.panned(*moves[key]))
        elif key in (Qt.Key.Key_Plus, Qt.Key.Key_Equal):
            self.zoom(1.25)
        elif key == Qt.Key.Key_Minus:
            self.zoom(0.8)
        elif key == Qt.Key.Key_Space and not event.isAutoRepeat():
            self._space = True
            self.setCursor(Qt.CursorShape.OpenHandCursor)
        elif key == Qt.Key.Key_Escape:
            self.give_up()
            self.clear_selection()
        elif self.wheel_steps and key in (Qt.Key.Key_PageUp, Qt.Key.Key_PageDown):
            self.stepped.emit(1 if key == Qt.Key.Key_PageDown else -1)
        else:
            super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Space and not event.isAutoRepeat():
            self._space = False
            self.unsetCursor()
        else:
            super().keyReleaseEvent(event)
