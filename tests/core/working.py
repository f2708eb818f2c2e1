"""Work for the worker's tests: it must be named from another process."""

from __future__ import annotations

import ctypes
import os
import sys
import time

import numpy as np

from syntaxa.errors import IntakeError
from syntaxa.watching import still_wanted


def doubled(array, *, progress):
    progress(0.5)
    return array * 2, os.getpid()


def refused(name, *, progress):
    raise IntakeError(f"{name} is empty.", file=name, suggestion="Ask again.")


def torn(*, progress):
    ctypes.string_at(0)


def ended(*given, progress):
    os._exit(3)


def greedy(*, progress):
    return np.ones(1 << 40, dtype=np.int8)


def patient(*, progress):
    while True:
        time.sleep(0.01)
        still_wanted()


def deaf(*, progress):
    time.sleep(60)


def broken(*, progress):
    raise ZeroDivisionError("no")


def chatty(*, progress):
    os.write(1, b'{"kind": "done"}\n')
    sys.stdout.write("and so on\n")
    return "heard"
