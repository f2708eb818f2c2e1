"""A job as far as the options take it: a job that was saved, or a drawing that is mended, defined and formed."""

from __future__ import annotations

import argparse
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.define import defined_job
from syntaxa.cli.form import formed, is_asked
from syntaxa.cli.mend import mended
from syntaxa.form.asking import SHOP
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job
from syntaxa.job.store import ENDING, load_job
from syntaxa.job.worker import Worker


@contextmanager
def evaluator_for(options: argparse.Namespace) -> Iterator[Evaluator]:
    """An evaluator; where bodies are wanted, with the kernel in a process of its own that ends with it."""
    del options
    solids = Worker(preload=SHOP)
    try:
        yield Evaluator(solids=solids)
    finally:
        solids.close()


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
