"""Tools: what presses, moves and keys over a canvas mean. One is in hand at a time; without any, clicks select."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QMouseEvent, QPainter

from syntaxa.app.canvas.camera import Camera
from syntaxa.app.theme.tokens import Tokens

if TYPE_CHECKING:
    from syntaxa.app.canvas.canvas import Canvas


class Tool:
    """What a hand does on a canvas; subclasses say what."""

    #: Whether the hand was given a task that Escape ends.
    waits = True
    cursor = Qt.CursorShape.CrossCursor
    #: Whether curves light up beneath the cursor.
    hovers = False

    def __init__(self, canvas: Canvas) -> None:
        self.canvas = canvas

    def press(self, event: QMouseEvent) -> None:
        """The left button goes down."""

    def move(self, at: QPointF) -> None:
        """The mouse moves, with a button or without."""

    def release(self, event: QMouseEvent) -> None:
        """The left button comes up."""

    def paint(self, painter: QPainter, view: Camera, tokens: Tokens) -> None:
        """What is seen of it, on every frame."""

    def label(self) -> str:
        """What stands beside the cursor."""
        return ""

    def given_up(self) -> None:
        """It is put down before it was done."""
