"""Stopping long work anywhere in it: whoever starts work watches it, and what takes long asks now and then.

The watch belongs to the thread (and to whatever context it hands on), so that a function deep in the work needs no
argument for it.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar

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


def still_wanted() -> None:
    """Raises `Cancelled` where the work that this is part of was stopped. Cheap enough for every round of a loop."""
    _WATCH.get()()
