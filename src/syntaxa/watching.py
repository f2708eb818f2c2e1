"""Stopping long work anywhere in it: whoever starts work watches it, and what takes long asks now and then.

The watch belongs to the thread (and to whatever context it hands on), so that a function deep in the work needs no
argument for it.
"""

from __future__ import annotations

import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar

from syntaxa.errors import JobError

#: Raises `Cancelled` where the work was stopped.
Check = Callable[[], None]


def _never() -> None:
    """Work that nobody watches goes on."""


_WATCH: ContextVar[Check] = ContextVar("watch", default=_never)


@contextmanager
def watched(check: Check) -> Iterator[None]:
    """Within this, `still_wanted` asks the given check."""
    token = _WATCH.set(check)
    try:
        yield
    finally:
        _WATCH.reset(token)


@contextmanager
def until(deadline: float | None) -> Iterator[None]:
    """Within this, `still_wanted` refuses after a moment of time.monotonic as well; None for no such moment."""
    if deadline is None:
        yield
        return
    outer = _WATCH.get()

    def check() -> None:
        outer()
        if time.monotonic() > deadline:
            raise JobError("This took longer than it may.", suggestion="Give it more time.")

    with watched(check):
        yield


def still_wanted() -> None:
    """Raises `Cancelled` where the work that this is part of was stopped. Cheap enough for every round of a loop."""
    _WATCH.get()()
