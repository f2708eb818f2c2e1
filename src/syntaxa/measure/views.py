"""What is shown of sizes, and of dimensions that disagree."""

from __future__ import annotations

from syntaxa.drawing.view import Standing, View, on_first, on_state
from syntaxa.errors import Progress
from syntaxa.geometry.types import Box
from syntaxa.measure.disagreements import Disagreement, disagreements


def _disagree(standing: Standing, *, progress: Progress) -> tuple[Disagreement, ...]:
    progress(0.1)
    return tuple(disagreements(standing.state))


def _first_size(standing: Standing, *, progress: Progress) -> tuple[Box | None]:
    progress(0.1)
    return (standing.first.extents(),)


def _size(standing: Standing, *, progress: Progress) -> tuple[Box | None]:
    progress(0.1)
    return (standing.state.extents(),)


#: Dimensions that say something else than what is drawn.
DISAGREEMENTS: View[tuple[Disagreement, ...]] = View("Comparing dimensions", on_state, _disagree)

#: Extents (mm) of all curves as they came in and as they are; in a tuple, for there may be none.
FIRST_SIZE: View[tuple[Box | None]] = View("Measuring", on_first, _first_size)
SIZE: View[tuple[Box | None]] = View("Measuring the result", on_state, _size)
