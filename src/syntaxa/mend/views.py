"""What is shown of what is wrong: findings and regions, and what every tolerance would come to."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.drawing.step import Step
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress
from syntaxa.mend.model import HARMLESS_KINDS, Finding, is_fault
from syntaxa.mend.steps import DEAD_END, MendFindings, proposal_of, survey_state, sweep_state
from syntaxa.mend.survey import Survey
from syntaxa.mend.sweep import Sweep
from syntaxa.mend.tolerance import ProposedGap

#: Bytes of a finding and of a region, roughly.
_OF_ONE = 800


@dataclass(frozen=True, slots=True)
class Tuning:
    """How faults are looked for: the largest gap (mm, None for the proposed one), and the longest dead end (mm)."""

    gap: float | None = None
    dead_end: float = DEAD_END


@dataclass(frozen=True, slots=True)
class Budget:
    """How far anything may be off what was received (mm), where somebody has said so."""

    mm: float | None = None


@dataclass(frozen=True, slots=True)
class Surveyed:
    """What is wrong at which tolerance (mm), and the tolerance that the drawing itself suggests.

    findings  what is wrong and still open, and then what is worth a look; without what is harmless or left
    faults    what is wrong and still open
    """

    survey: Survey
    gap: float
    proposal: ProposedGap
    findings: tuple[Finding, ...]
    faults: tuple[Finding, ...]


def _surveyed(standing: Standing, tuning: Tuning, *, progress: Progress) -> Surveyed:
    # The tolerance is read off the drawing as it was before any mending.
    unmended = standing.without(_mends)
    proposal = proposal_of(unmended.state, unmended.context(progress))
    progress(0.4)
    chosen = proposal.gap if tuning.gap is None else tuning.gap
    survey = survey_state(standing.state, chosen, tuning.dead_end)
    listed = [f for f in survey.findings if f.kind not in HARMLESS_KINDS and f.note is None]
    faults = tuple(f for f in listed if is_fault(f.kind))
    worth_a_look = (f for f in listed if not is_fault(f.kind))
    return Surveyed(survey, chosen, proposal, (*faults, *worth_a_look), faults)


def _swept(standing: Standing, proposed: float, *, progress: Progress) -> Sweep:
    return sweep_state(standing.state, proposed, progress)


def _mends(step: Step) -> bool:
    return isinstance(step, MendFindings)


#: Given how faults are looked for.
SURVEY: View[Surveyed] = View(
    "Looking for faults", on_state, _surveyed, lambda s: _OF_ONE * (len(s.survey.findings) + len(s.survey.regions))
)

#: Given the proposed gap (mm).
SWEEP: View[Sweep] = View("Trying every tolerance", on_state, _swept)
