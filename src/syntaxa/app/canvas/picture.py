"""A drawing as a picture of a given size, painted at once."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from PyQt6.QtGui import QColor, QImage

from syntaxa.app.canvas import notes
from syntaxa.app.canvas.camera import Camera
from syntaxa.app.canvas.render import pen_of, slices
from syntaxa.app.canvas.scene import Scene
from syntaxa.app.theme.tokens import Tokens, readable_on
from syntaxa.drawing.model import Curve, Drawing, Style
from syntaxa.intake.steps import TakeIn, chosen_of


def picture_of_curves(curves: Sequence[Curve], width: int, height: int, tokens: Tokens) -> QImage:
    """Curves alone, in ink, fitted into the size."""
    scene = Scene.of([(0, [replace(c, style=Style()) for c in curves])])
    image = QImage(width, height, QImage.Format.Format_RGB32)
    image.fill(QColor(tokens.canvas))
    box = scene.extents()
    if box is not None:
        pens = [pen_of(int(tokens.text[1:], 16))] * len(scene.palette)
        for _ in slices(scene, Camera().sized(width, height).fitted(box, 0.06), image, pens, True):
            pass
    return image


def picture_of(drawing: Drawing, width: int, height: int, tokens: Tokens) -> QImage:
    """Everything that the drawing's author had showing, fitted into the size."""
    drawing = chosen_of(drawing, TakeIn(skip_hidden=True))
    shown = drawing.annotations
    scene = Scene.of_drawing(drawing)
    image = QImage(width, height, QImage.Format.Format_RGB32)
    image.fill(QColor(tokens.canvas))
    box = scene.extents() or drawing.full_extents()
    if box is None:
        return image
    view = Camera().sized(width, height).fitted(box, 0.06)
    for _ in notes.paint_beneath(image, shown, view, tokens, 1.0):
        pass
    pens = [pen_of(readable_on(colour, tokens.canvas)) for colour in scene.palette]
    for _ in slices(scene, view, image, pens, True):
        pass
    for _ in notes.paint_above(image, shown, view, tokens):
        pass
    return image
