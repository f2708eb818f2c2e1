"""The solid kernel for commands: a process of its own, started when the first of them makes a body."""

from __future__ import annotations

import atexit
from functools import cache

from syntaxa.form.asking import SHOP
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.worker import Worker


def solid_evaluator() -> Evaluator:
    """An evaluator that can make bodies."""
    return Evaluator(solids=_kernel())


@cache
def _kernel() -> Worker:
    """The one process of the program, which ends with it."""
    solids = Worker(preload=SHOP)
    atexit.register(solids.close)
    return solids
