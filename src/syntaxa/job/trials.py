"""Trials: several treatments of the same job side by side, compared by figures; one is taken.

A treatment is a way to mend: a gap tolerance, how ends are joined, what becomes of facets, and how the source is read.
Its steps come in the place of those with which the job mends everything already; what was done by hand stays.
"""

from __future__ import annotations

import time
from collections.abc import Sequence
from dataclasses import dataclass, replace

import msgspec

from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Step
from syntaxa.errors import Progress, no_progress
from syntaxa.intake.model import OFF_PLANE
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import AnyStep, Job
from syntaxa.mend.deviation import deviation
from syntaxa.mend.model import is_fault
from syntaxa.mend.steps import MendFindings, RefitFacets, proposed_gap, survey_state

#: Factors on the proposed gap that are tried beside it.
_FACTORS = (0.5, 2.0, 4.0)


@dataclass(frozen=True, slots=True)
class Treatment:
    """One way to mend.

    gap      mm
    bridged  whether two ends that should meet are linked by a line instead of being moved
    arcs     whether facets become arcs
    flat     whether tilted curves are laid flat, not left out
    """

    gap: float
    bridged: bool = False
    arcs: bool = False
    flat: bool = False

    @property
    def says(self) -> str:
        """In a few words."""
        parts = [f"gap {self.gap:.3g} mm", *(["gaps bridged"] if self.bridged else [])]
        return ", ".join([*parts, *(["facets to arcs"] if self.arcs else []), *(["laid flat"] if self.flat else [])])


@dataclass(frozen=True, slots=True)
class Trial:
    """What a treatment comes to: the job that it makes of the one it was given, and figures.

    regions, open_ends, faults  afterwards; fixes  done; seconds  it took
    deviation  the largest (mm) of the result from what there was
    """

    treatment: Treatment
    job: Job
    regions: int
    open_ends: int
    faults: int
    fixes: int
    deviation: float
    seconds: float
    curves: tuple[Curve, ...]


def treatments_for(evaluator: Evaluator, job: Job) -> list[Treatment]:
    """What is worth trying: the proposed tolerance and some beside it, and every choice once."""
    evaluation = evaluator.evaluate(_unmended(job))
    plain = Treatment(proposed_gap(evaluation.state.sketches).gap)
    tried = [plain, *(Treatment(plain.gap * factor) for factor in _FACTORS)]
    tried += [replace(plain, bridged=True), replace(plain, arcs=True)]
    left_out = any(n.why == OFF_PLANE for s in evaluation.sources for n in s.received.report.not_read)
    return [*tried, replace(plain, flat=True)] if left_out else tried


def run_trials(
    evaluator: Evaluator, job: Job, treatments: Sequence[Treatment], progress: Progress = no_progress
) -> list[Trial]:
    """Every treatment, in order."""
    trials = []
    for k, treatment in enumerate(treatments):
        progress(k / len(treatments))
        trials.append(_tried(evaluator, job, treatment))
    progress(1.0)
    return trials


def _tried(evaluator: Evaluator, job: Job, treatment: Treatment) -> Trial:
    began = time.perf_counter()
    plain = _unmended(job)
    read = _laid_flat(plain) if treatment.flat else plain
    before = evaluator.evaluate(read).state
    done = read
    for step in _steps(before, treatment):
        done = done.with_step(step)
    evaluation = evaluator.evaluate(done)
    rows = evaluation.ledger[len(evaluation.ledger) - (len(done.steps) - len(read.steps)) :]
    after = evaluation.state
    survey = survey_state(after, treatment.gap)
    far = deviation(before.made_curves(), after.made_curves())
    return Trial(
        treatment,
        done,
        len(survey.regions),
        survey.open_ends,
        sum(is_fault(f.kind) for f in survey.findings),
        sum(row.entry.changed for row in rows),
        far.made[0].distance if far.made else 0.0,
        time.perf_counter() - began,
        tuple(after.made_curves()),
    )


def _steps(state: State, treatment: Treatment) -> list[Step]:
    choices: tuple[tuple[str, str], ...] = ()
    if treatment.bridged:
        found = survey_state(state, treatment.gap).findings
        choices = tuple((f.key, "line") for f in found if f.kind == "gap" and "line" in f.choices)
    steps: list[Step] = [MendFindings(treatment.gap, choices=choices)]
    return [*steps, RefitFacets()] if treatment.arcs else steps


def _unmended(job: Job) -> Job:
    """The job without the steps that mend everything."""

    def mends(step: AnyStep) -> bool:
        return isinstance(step, RefitFacets) or (isinstance(step, MendFindings) and step.only is None)

    return replace(job, steps=tuple(s for s in job.steps if not mends(s.step)))


def _laid_flat(job: Job) -> Job:
    """The job with tilted curves of all its sources laid flat."""
    for source in job.sources:
        taken = job.step_of(TakeIn, source.number)
        step = taken if isinstance(taken, TakeIn) else TakeIn(source=source.number)
        job = job.with_step(msgspec.structs.replace(step, read=msgspec.structs.replace(step.read, flatten=True)))
    return job
