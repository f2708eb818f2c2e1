"""A file as the first thing in a job, as the options say that it is read."""

from __future__ import annotations

import argparse
from pathlib import Path

from syntaxa.cli.arguments import UsageError, names, read_options
from syntaxa.intake.registry import load_bytes
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.route.sketches import hidden_layers
from syntaxa.route.steps import ChooseLayers


def opened(options: argparse.Namespace) -> Job:
    """A job of the file that the options name."""
    path = Path(options.file)
    job = Job.of(Source.of(path.name, load_bytes(path)))
    choice = TakeIn(read=read_options(options))
    return job if choice == TakeIn() else job.with_step(choice)


def hidden_in(job: Job, evaluator: Evaluator) -> frozenset[str]:
    """The layers that the drawing's author had switched off; raises UsageError where there is no curve at all."""
    first = evaluator.evaluate(job)
    received = first.received
    if not received.drawing.curves:
        why = " ".join(f"{n.count} {n.type}: {n.why}" for n in received.report.not_read)
        raise UsageError(f"{job.sources[0].name} holds no curve that can be taken. {why}".strip())
    return hidden_layers(first.first)


def with_layers(job: Job, options: argparse.Namespace, hidden: frozenset[str]) -> Job:
    """The job with the layers that the options ask for; those that the drawing's author had switched off stay off."""
    if options.layers:
        return job.with_step(ChooseLayers(only=names(options.layers)))
    if options.skip_layers:
        left_out = dict.fromkeys([*names(options.skip_layers), *sorted(hidden)])
        return job.with_step(ChooseLayers(left_out=tuple(left_out)))
    return job
