"""How steps and views have the kernel do something: in its process where there is one, else here."""

from __future__ import annotations

from collections.abc import Callable
from importlib import import_module
from typing import TYPE_CHECKING, Any

from syntaxa.drawing.step import Context

if TYPE_CHECKING:
    from types import ModuleType

#: Seconds that one piece of work may take: what takes longer does not come back, as a rule.
LIMIT = 120.0

#: The module whose functions are called, which loads the kernel.
SHOP = "syntaxa.form.kernel.shop"


def asked(context: Context, name: str, *given: Any, about: str, limit: float = LIMIT) -> Any:
    """What a function of the shop gives; raises KernelError, or WorkerError where the kernel's process ends."""
    if context.solids is None:
        return getattr(_shop(), name)(*given, progress=context.progress)
    seconds = limit if context.seconds is None else min(limit, context.seconds)
    return context.solids.call(
        _named(name),
        *given,
        progress=context.progress,
        seconds=seconds,
        about=about,
        advice="Take other values, or switch this step off.",
    )


def _shop() -> ModuleType:
    return import_module(SHOP)


def _named(name: str) -> Callable[..., Any]:
    """A function that stands for one of the shop by its name: nothing is loaded for it here."""

    def stand_in() -> None:
        """Only its name goes to the process."""

    stand_in.__module__, stand_in.__qualname__ = SHOP, name
    return stand_in
