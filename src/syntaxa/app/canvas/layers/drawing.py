"""The drawing itself: its curves, what is written beside them, what it was made of, and what was put aside."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QImage, QPainter, QPen

from syntaxa.app.canvas import notes as painting
from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.layer import Height, Layer
from syntaxa.app.canvas.overlays import draw_warning
from syntaxa.app.canvas.render import pen_of, slices
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.canvas.selection import Selection
from syntaxa.app.theme.tokens import Tokens, readable_on
from syntaxa.drawing.annotations import Annotation

#: Segments beyond which edges are not smoothed: it would cost half the speed.
_SMOOTH_UP_TO = 120_000

_EMPTY = Scene.of([])


def faded_pens(scene: Scene, tokens: Tokens) -> list[QPen]:
    """A faded pen for each colour of a scene."""
    return [pen_of(int(tokens.faded[1:], 16)) for _ in scene.palette]


def own_pens(scene: Scene, tokens: Tokens) -> list[QPen]:
    """The colours of a scene, as far as they can be read on the ground."""
    return [pen_of(readable_on(colour, tokens.canvas)) for colour in scene.palette]


class SceneLayer(Layer):
    """The curves; faded where something else counts for the moment."""

    height = Height.SCENE

    def __init__(self, selection: Selection) -> None:
        super().__init__()
        self._selection = selection
        self._faded: frozenset[str] = frozenset()

    def fade(self, who: str, faded: bool) -> None:
        """Draws the curves faded while anybody wants them so."""
        wanted = self._faded | {who} if faded else self._faded - {who}
        if bool(wanted) != bool(self._faded):
            self.repaint()
        self._faded = wanted

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        scene = self._selection.scene
        pens = faded_pens(scene, tokens) if self._faded else own_pens(scene, tokens)
        smooth = len(scene.levels[0].segments) <= _SMOOTH_UP_TO
        return slices(scene, view, image, pens, smooth, self._selection.shown)


class BeneathLayer(Layer):
    """What the drawing was made of, faded, while it is wanted."""

    height = Height.BENEATH

    def __init__(self) -> None:
        super().__init__()
        self.scene = _EMPTY
        self.shown = False

    def show(self, scene: Scene) -> None:
        """What there is to be seen."""
        if scene is not self.scene:
            self.scene = scene
            self.repaint()

    def set_shown(self, shown: bool) -> None:
        """Whether it is seen."""
        if shown != self.shown:
            self.shown = shown
            self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        if not self.shown:
            return iter(())
        return slices(self.scene, view, image, faded_pens(self.scene, tokens), True)


class AsideLayer(Layer):
    """Curves that were put aside, dashed; a click brings one back."""

    height = Height.ASIDE

    def __init__(self, clicked: Callable[[str], None]) -> None:
        super().__init__()
        self._clicked = clicked
        self._scene = _EMPTY

    def show(self, scene: Scene | None) -> None:
        """What lies aside, or nothing."""
        if scene is not self._scene:
            self._scene = scene if scene is not None else _EMPTY
            self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        pens = faded_pens(self._scene, tokens)
        for pen in pens:
            pen.setStyle(Qt.PenStyle.DashLine)
        return slices(self._scene, view, image, pens, True)

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        hit = self._scene.nearest(x, y, reach)
        if hit < 0:
            return None
        name = self._scene.curves[hit].id
        return lambda: self._clicked(name)


class PicturesLayer(Layer):
    """Pictures and hatches, which lie beneath the curves."""

    height = Height.PICTURES

    def __init__(self) -> None:
        super().__init__()
        self.notes: Sequence[Annotation] = ()
        self._fade = 0.6

    def set_fade(self, share: float) -> None:
        """How opaque pictures are, 0 to 1."""
        self._fade = share
        self.repaint()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        return painting.paint_beneath(image, self.notes, view, tokens, self._fade)


class NotesLayer(Layer):
    """Texts, dimensions and points, which lie above the curves."""

    height = Height.NOTES

    def __init__(self) -> None:
        super().__init__()
        self.notes: Sequence[Annotation] = ()

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        return painting.paint_above(image, self.notes, view, tokens)


class StaleLayer(Layer):
    """Says that what is seen is not yet what the job is, and why."""

    height = Height.WARNING

    def __init__(self) -> None:
        super().__init__()
        self._says = ""

    def show(self, says: str) -> None:
        """The sentence, or nothing."""
        if says != self._says:
            self._says = says
            self.update()

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        if self._says:
            draw_warning(painter, self._says, view, tokens)
