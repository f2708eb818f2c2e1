"""Drawing in a process of its own: a driver takes its time, and may fall; the window waits for neither.

One process draws for the whole program. It holds the scene that it drew last, so that most orders are a camera.
"""

from __future__ import annotations

import atexit
import threading
import time
from dataclasses import dataclass, replace
from functools import cache

from syntaxa.app.stages.form.space.camera import Camera
from syntaxa.app.stages.form.space.gl import Pixels, Renderer
from syntaxa.app.stages.form.space.look import WHOLE, Look, Plane
from syntaxa.app.stages.form.space.scene import Scene
from syntaxa.errors import FormError, Progress
from syntaxa.geometry.types import Floats
from syntaxa.job.worker import Worker

#: Bytes of address space: drivers reserve far more than they use.
_MEMORY = 1 << 46


@dataclass(frozen=True)
class Order:
    """A picture that is wanted.

    scene, colours  what is drawn, and the colour of each number in it; None for what was drawn last
    camera          of the window; a picture has `ratio` pixels to each of its pixels
    at_rest         smooth, and with the number of what is seen in each pixel of the window
    """

    scene: Scene | None
    colours: Floats | None
    camera: Camera
    look: Look
    cut: Plane = WHOLE
    ratio: float = 1.0
    at_rest: bool = True


@dataclass(frozen=True)
class Drawn:
    """A picture (height, width, 4) of RGBA, what is seen in each pixel (height, width), and how long it took (s)."""

    pixels: Pixels
    numbers: Pixels | None
    seconds: float


def draw(order: Order, *, progress: Progress) -> Drawn:
    """What is wanted, drawn by OpenGL; raises FormError where there is none. For the process that draws."""
    del progress
    try:
        renderer = _renderer()
    except Exception as error:  # whatever the library raises where a driver is missing
        raise FormError(f"There is no OpenGL here ({type(error).__name__}: {error}).") from error
    if order.scene is not None:
        renderer.load(order.scene)
    if order.colours is not None:
        renderer.dress(order.colours)
    began = time.perf_counter()
    renderer.cut, renderer.ratio = order.cut, order.ratio
    pixels = renderer.picture(order.camera.scaled(order.ratio), order.look, order.at_rest)
    seconds = time.perf_counter() - began
    return Drawn(pixels, renderer.numbers(order.camera, order.look) if order.at_rest else None, seconds)


@cache
def _renderer() -> Renderer:
    return Renderer()


class Draughtsman:
    """The process that draws; it is started when the first picture is wanted."""

    def __init__(self) -> None:
        self._worker = Worker(memory=_MEMORY)
        self._lock = threading.Lock()
        #: The process, and the scene and the colours that it holds.
        self._held: tuple[int, Scene | None, Floats | None] = (0, None, None)

    def drawn(self, order: Order) -> Drawn:
        """A picture; raises FormError where there is no OpenGL, and WorkerError where the process ended."""
        with self._lock:
            process, scene, colours = self._held
            known = process == self._worker.number
            same = known and scene is order.scene
            send = replace(
                order,
                scene=None if same or order.scene is None else order.scene.bare(),
                colours=None if same and colours is order.colours else order.colours,
            )
            self._held = (0, None, None)
            drawn: Drawn = self._worker.call(draw, send, about="Drawing in space")
            self._held = (self._worker.number, order.scene, order.colours)
            return drawn

    def close(self) -> None:
        """Ends the process."""
        self._worker.close()


@cache
def draughtsman() -> Draughtsman:
    """The one of the program, which ends with it."""
    made = Draughtsman()
    atexit.register(made.close)
    return made
