"""What Measure keeps in the state: dimensions that do not count."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.drawing.state import Part


@dataclass(frozen=True)
class Judged(Part):
    """Ids of dimensions of the received drawings, and why each does not count."""

    verdicts: tuple[tuple[str, str], ...] = ()
