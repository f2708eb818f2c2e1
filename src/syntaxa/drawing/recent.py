"""What was made of the sketches that were asked for last, by their very curves: every step and picture asks anew."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable
from typing import Generic, TypeVar

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch

Made = TypeVar("Made")


class Recent(Generic[Made]):
    """Keeps what a function makes of sketches, as long as they have no more than so many curves together."""

    def __init__(self, make: Callable[[Sketch], Made], most: int) -> None:
        self._make, self._most = make, most
        self._kept: OrderedDict[tuple[int, str, int], tuple[tuple[Curve, ...], Made]] = OrderedDict()
        self._lock = threading.Lock()

    def of(self, sketch: Sketch) -> Made:
        """What is made of a sketch, made once."""
        # Curves are held as long as what is known of them, so no other tuple can have their address.
        key = id(sketch.curves), sketch.name, sketch.colour
        with self._lock:
            known = self._kept.get(key)
        if known is not None:
            return known[1]
        found = self._make(sketch)
        with self._lock:
            self._kept[key] = sketch.curves, found
            while sum(len(curves) for curves, _ in self._kept.values()) > self._most and len(self._kept) > 1:
                self._kept.popitem(last=False)
        return found
