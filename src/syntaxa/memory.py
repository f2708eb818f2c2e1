"""Keeping the search for reference cycles out of the way of work that makes things by the hundred thousand."""

from __future__ import annotations

import gc
import threading
from collections.abc import Iterator
from contextlib import contextmanager

_COLLECTING = threading.Lock()
_uncollected_tasks = 0


def settled() -> None:
    """What is there now stays for good: the search for reference cycles, which holds everything, passes it by."""
    gc.freeze()


@contextmanager
def uncollected() -> Iterator[None]:
    """Puts the search for reference cycles off while curves are made by the hundred thousand.

    It would walk over all of them again and again and hold the window for a fifth of a second each time. When the
    work ends, the cycles that it left (documents of the libraries, which hold themselves) are freed once; the curves
    form none: they are taken out of the search, and freed as ever when nobody uses them any more.
    """
    global _uncollected_tasks
    with _COLLECTING:
        _uncollected_tasks += 1
        gc.disable()
    try:
        yield
    finally:
        with _COLLECTING:
            _uncollected_tasks -= 1
            if not _uncollected_tasks:
                gc.collect()
                gc.freeze()
                gc.enable()
