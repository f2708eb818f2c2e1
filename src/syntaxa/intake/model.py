"""What a reader hands over."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.drawing.model import Drawing


@dataclass(frozen=True, slots=True)
class NotRead:
    """Entities that were left out: their type, how many, and why."""

    type: str
    count: int
    why: str


@dataclass(frozen=True, slots=True)
class ImportReport:
    """What a file is and what could not be taken from it.

    declared   unit that the file declares, or None; metric is its flag, or None where it has none
    notes      sentences about what had to be repaired on the way
    """

    format: str
    version: str
    declared: str | None = None
    metric: bool | None = None
    not_read: tuple[NotRead, ...] = ()
    notes: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Received:
    """A drawing in the file's own numbers, with its report."""

    drawing: Drawing
    report: ImportReport
