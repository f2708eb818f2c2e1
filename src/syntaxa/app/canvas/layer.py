"""Layers: what a canvas shows, from the ground up. Stages and features bring their own.

A layer paints into the resting picture, in slices that leave the interface free, or over it on every frame, or both.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from enum import IntEnum
from typing import TYPE_CHECKING

import numpy as np
from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QImage, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.theme.tokens import Tokens
from syntaxa.geometry.types import Floats

if TYPE_CHECKING:
    from syntaxa.app.canvas.surface import Surface


class Height(IntEnum):
    """How high a layer lies; those of one height lie as they were added."""

    REGIONS = 0
    PICTURES = 1
    BENEATH = 2
    ASIDE = 3
    SCENE = 4
    NOTES = 5
    BANDS = 6
    OTHER = 7
    ORIGIN = 8
    CHANGES = 9
    CHOSEN = 10
    CROP = 11
    TAGS = 12
    GHOST = 13
    WAY = 14
    FINDINGS = 15
    RULERS = 16
    WARNING = 17


class Grip:
    """Something of a layer that was taken hold of; subclasses say what a drag does to it."""

    @property
    def says(self) -> str:
        """What stands beside the cursor."""
        return ""

    def move(self, x: float, y: float, reach: float) -> None:
        """The hand is at a place (mm), and so far (mm) as a click reaches counts as there."""

    def drop(self) -> None:
        """It is let go where it is."""

    def leave(self) -> None:
        """It is given up: everything is as it was."""


class Layer:
    """Something that is painted and perhaps hit; subclasses paint themselves in `slices` or `draw`."""

    height = Height.CHOSEN
    #: Whether its slices go to a picture of its own, which `lay` puts over the others.
    apart = False

    def __init__(self) -> None:
        self.surface: Surface | None = None

    def slices(self, image: QImage, view: Camera, tokens: Tokens) -> Iterator[None]:
        """Paints into the resting picture, in device pixels; yields after each slice."""
        del image, view, tokens
        return iter(())

    def draw(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        """Draws over the resting picture, on every frame."""

    def lay(self, painter: QPainter, picture: QImage, frame: QRectF, tokens: Tokens) -> None:
        """Lays its own picture over the others, on every frame."""

    def hit(self, x: float, y: float, reach: float) -> Callable[[], None] | None:
        """What a click at a place (mm) does, if there is something of this layer within reach (mm)."""
        del x, y, reach
        return None

    def grab(self, x: float, y: float, reach: float) -> Grip | None:
        """What a drag that begins at a place (mm) takes hold of, if there is something of this layer within reach."""
        del x, y, reach
        return None

    def occupied(self, view: Camera) -> Floats:
        """Places (n, 2), in pixels, that no tag should lie over."""
        del view
        return np.empty((0, 2))

    # ------------------------------------------------------------------ telling the surface

    def repaint(self) -> None:
        """The resting picture is to be painted anew."""
        if self.surface is not None:
            self.surface.repaint_picture()

    def update(self) -> None:
        """The next frame is to be drawn."""
        if self.surface is not None:
            self.surface.update()
