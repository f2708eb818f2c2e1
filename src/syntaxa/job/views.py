"""Keeps views: made when somebody looks, kept under what they depend on, bounded in bytes.

A view that is asked for while it is being made elsewhere is waited for, not made twice. Cancelling a maker makes those
who wait try again, each for itself.
"""

from __future__ import annotations

import threading
from collections.abc import Hashable
from typing import Any, TypeVar

from syntaxa.drawing.view import Standing, View
from syntaxa.errors import Progress, no_progress
from syntaxa.job.cache import Cache
from syntaxa.watching import still_wanted

Made = TypeVar("Made")

#: Seconds between two looks at whether whoever waits is still waited for.
_LOOK = 0.05


class Views:
    """All views of one job; safe to use from several threads."""

    def __init__(self, most: int = 256 << 20) -> None:
        self._kept: Cache[Any] = Cache(most)
        self._making: dict[Hashable, threading.Event] = {}
        self._lock = threading.Lock()

    @property
    def size(self) -> int:
        """About how many bytes are kept."""
        return self._kept.size

    def peek(self, view: View[Made], standing: Standing, *given: Hashable) -> Made | None:
        """The view if it is there; nothing is computed."""
        found: Made | None = self._kept.get(_key(view, standing, given))
        return found

    def make(self, view: View[Made], standing: Standing, *given: Hashable, progress: Progress = no_progress) -> Made:
        """The view, computed if it is not there."""
        key = _key(view, standing, given)
        while True:
            found: Made | None = self._kept.get(key)
            if found is not None:
                return found
            with self._lock:
                busy = self._making.get(key)
                if busy is None:
                    mine = self._making[key] = threading.Event()
                    break
            busy.wait(_LOOK)
            still_wanted()
        try:
            made = view.make(standing, *given, progress=progress)
            self._kept.put(key, made, view.size(made))
            return made
        finally:
            with self._lock:
                del self._making[key]
            mine.set()


def _key(view: View[Any], standing: Standing, given: tuple[Hashable, ...]) -> Hashable:
    return (view.name, view.depends(standing), given)
