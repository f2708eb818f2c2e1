"""A job as far as the options take it: a job that was saved, or a drawing that is mended, defined and formed."""

from __future__ import annotations

import argparse
from pathlib import Path

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.define import defined_job
from syntaxa.cli.doubts import unit_doubts
from syntaxa.cli.form import formed, is_asked
from syntaxa.cli.mend import mended
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job
from syntaxa.job.store import ENDING, load_job


def doubts_of(options: argparse.Namespace, job: Job, evaluation: Evaluation) -> list[str]:
    """What is said of a size that nobody settled; in a job it is settled in the window."""
    if Path(options.file).suffix.lower() == ENDING:
        return unit_doubts(job, evaluation, "settle it in Measure")
    return unit_doubts(job, evaluation)


def whole_job(options: argparse.Namespace, evaluator: Evaluator) -> tuple[Job, Evaluation]:
    """The job and what it comes to; raises UsageError where a step cannot be done."""
    path = Path(options.file)
    if path.suffix.lower() == ENDING:
        job = load_job(path)
    else:
        job, _, _ = mended(options, evaluator)
    if options.define or options.set:
        job, _ = defined_job(job, options, evaluator)
    if is_asked(options):
        return formed(job, options, evaluator)
    evaluation = evaluator.evaluate(job)
    failed = [row.failed for row in evaluation.ledger if row.failed]
    if failed and path.suffix.lower() != ENDING:
        raise UsageError(failed[0])
    return job, evaluation
