"""How the pages of Measure ask for points on the canvas, and for the size of everything."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from syntaxa.app.session.session import Session
from syntaxa.geometry.points import Point
from syntaxa.geometry.types import Box
from syntaxa.measure.views import SIZE

#: Asks for points on the canvas: a word beside the cursor for each, a sentence, and what to do with them (mm).
PickPoints = Callable[[Sequence[str], str, Callable[[list[Point]], None]], None]


def size_now(session: Session) -> Box | None:
    """The box of all curves (mm), where it is known by now."""
    found = session.view(SIZE)
    return found[0] if found is not None else None
