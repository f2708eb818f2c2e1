"""What is said where nobody knows for sure how large a drawing is: every command that writes sizes says the same."""

from __future__ import annotations

from syntaxa.drawing.units import unit_at
from syntaxa.job.evaluate import Evaluation, in_doubt
from syntaxa.job.model import Job


def unit_doubts(job: Job, evaluation: Evaluation, settle: str = "settle it with --unit") -> list[str]:
    """A sentence for each source whose unit is neither sure nor settled by anybody, with how it can be settled."""
    taken = {t.number: t for t in evaluation.state.taken}
    doubtful = in_doubt(job, evaluation)
    return [
        f"The unit is in doubt, and so is every size: {source.name} "
        f"{taken_as(source.received.report.declared, t.unit, t.page_scale, source.verdict.confidence)}. "
        f"See syntaxa inspect for what speaks for and against it, and {settle}."
        for source in evaluation.sources
        if source.number in doubtful and (t := taken.get(source.number)) is not None
    ]


def taken_as(declared: str | None, unit: str, page_scale: float, confidence: float) -> str:
    """What a file declares and what it is taken as, and how likely that is."""
    said = f"declares {declared}" if declared else "declares no unit"
    return f"{said}; taken as {unit_at(unit, page_scale)} ({confidence:.0%} likely)"
