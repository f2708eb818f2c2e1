"""The variants of a job: what each comes to, and all of them written."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from syntaxa.define.model import Variant
from syntaxa.define.part import Defined
from syntaxa.define.sizes import setting_steps
from syntaxa.deliver.write import Output, deliver
from syntaxa.drawing.state import State
from syntaxa.errors import DefineError, Progress, no_progress
from syntaxa.job.evaluate import Evaluation


def variant_state(evaluation: Evaluation, variant: Variant) -> State:
    """What a job comes to with the values of a variant; raises DefineError where one cannot be."""
    before = sized = evaluation.job
    for step in setting_steps(evaluation.state.part(Defined), variant.settings):
        sized = sized.with_step(step)
    mine = {s.number for s in sized.steps} - {s.number for s in before.steps}
    done = evaluation.evaluator.evaluate(sized)
    failed = [row.failed for row in done.ledger if row.failed and row.number in mine]
    if failed:
        raise DefineError(f"Variant “{variant.name}”: {failed[0]}")
    return done.state


def write_variants(
    evaluation: Evaluation,
    variants: Sequence[Variant],
    outputs: Sequence[Path],
    choices: Output,
    progress: Progress = no_progress,
) -> tuple[list[Path], list[str]]:
    """Every variant to each of some files, with its name behind theirs: what was written, and what is to be told.

    One that cannot be is told, and the others are written.
    """
    files: list[Path] = []
    notes: list[str] = []
    for k, variant in enumerate(variants):
        progress(k / len(variants))
        try:
            state = variant_state(evaluation, variant)
        except DefineError as error:
            notes.append(f"{error} It was not written.")
            continue
        for output in outputs:
            target = output.with_name(f"{output.stem}-{variant.file_name}{output.suffix}")
            notes += [f"{target.name}: {note}" for note in deliver(state, target, choices).notes]
            files.append(target)
    return files, notes
