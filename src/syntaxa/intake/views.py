"""What is shown of what was taken in."""

from __future__ import annotations

from typing import Any

from syntaxa.drawing.model import Drawing, extents_of
from syntaxa.drawing.view import View, on_first
from syntaxa.errors import Progress
from syntaxa.geometry.types import Box
from syntaxa.intake.model import Received
from syntaxa.intake.report import IntakeRecord, record_of


def _records(standing: Any, *, progress: Progress) -> tuple[IntakeRecord, ...]:
    drawings = {t.number: t.drawing for t in standing.first.taken}
    progress(0.1)
    return tuple(record_of(s.name, Received(drawings[s.number], s.received.report)) for s in standing.sources)


def _boxes(standing: Any, *, progress: Progress) -> dict[int, Box | None]:
    progress(0.1)
    return {t.number: _shown_box(t.drawing) for t in standing.first.taken}


def _shown_box(drawing: Drawing) -> Box | None:
    hidden = {layer.name for layer in drawing.layers if not layer.shown}
    shown = extents_of(c for c in drawing.curves if c.layer not in hidden) if hidden else drawing.extents()
    return shown or drawing.full_extents()


#: The import report of each source, of what was taken of it.
RECORDS: View[tuple[IntakeRecord, ...]] = View("Reporting", on_first, _records)

#: Extents of each source by its number, in its own numbers, without what its author had hidden.
SOURCE_BOXES: View[dict[int, Box | None]] = View("Measuring what came in", on_first, _boxes)
