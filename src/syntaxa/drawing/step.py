"""What every step is: data with a stage, a slot, a title and a way to be done.

A step is kept in the job file by its tag, so it never changes what it means. What it is given while it is done comes in
a `Context`; done twice on the same state it gives the same result, or keeping results would be wrong.
"""

from __future__ import annotations

import time
from collections.abc import Callable, Hashable
from dataclasses import dataclass
from typing import Any, ClassVar, Literal, Protocol, TypeVar

import msgspec

from syntaxa.drawing.state import Entry, State
from syntaxa.errors import Progress, no_progress

Made = TypeVar("Made")

#: Stages, in the order of the work.
StageName = Literal["intake", "measure", "route", "mend", "define", "form", "cut", "deliver"]

#: How many of a kind a job has: any number, one, or one for each source; where there is one, a new one takes its place.
Slot = Literal["any", "one", "one a source"]


class Keeping(Protocol):
    """Where results are kept."""

    def get(self, key: Hashable) -> Any | None:
        """What is kept under a key; None where there is nothing."""

    def put(self, key: Hashable, value: Any, size: int) -> None:
        """Keeps a result of so many bytes."""


class Working(Protocol):
    """Who does what is long or native outside this process."""

    def call(
        self,
        work: Callable[..., Any],
        *given: Any,
        progress: Progress = no_progress,
        seconds: float | None = None,
        about: str = "The work",
        advice: str = "Try again.",
    ) -> Any:
        """The result of a function that can be named from outside; raises WorkerError where the process ends."""


@dataclass(frozen=True, slots=True)
class Context:
    """What a step is given while it is done.

    progress  told how far it is, 0 to 1; whether it is still wanted, `watching.still_wanted` knows
    deadline  of time.monotonic; past it `still_wanted` refuses
    cache     keeps what is dear to make; key names the state that the step is done on
    worker    does what is long or native; None where everything is done here
    solids    does what the solid kernel is needed for; None where everything is done here
    """

    progress: Progress = no_progress
    deadline: float | None = None
    cache: Keeping | None = None
    key: str = ""
    worker: Working | None = None
    solids: Working | None = None

    @property
    def seconds(self) -> float | None:
        """What is left until the deadline."""
        return None if self.deadline is None else max(self.deadline - time.monotonic(), 0.0)

    def kept(self, what: str, make: Callable[[], Made], size: int = 1000) -> Made:
        """Something that depends on the state alone: made once, and then the same for whoever asks."""
        if self.cache is None or not self.key:
            return make()
        found: Made | None = self.cache.get((self.key, what))
        if found is None:
            found = make()
            self.cache.put((self.key, what), found, size)
        return found


#: Nobody waits, nothing is kept: for tests, and for what is done at once.
QUIET = Context()


class Step(msgspec.Struct, frozen=True):
    """The base of all steps.

    stage      whose step it is
    slot       how many of its kind a job has
    is_record  tells what was done and cannot be switched off
    general    means the same in another drawing, for it names no curve of this one
    routing    belongs to a map of layers, line types and colours
    """

    stage: ClassVar[StageName]
    slot: ClassVar[Slot] = "any"
    is_record: ClassVar[bool] = False
    general: ClassVar[bool] = False
    routing: ClassVar[bool] = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        raise NotImplementedError

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """What it makes of a state, and what is to be told; raises a SyntaxaError where it cannot be done."""
        raise NotImplementedError

    @property
    def fits_others(self) -> bool:
        """Whether it can be part of a recipe, to be done on other drawings."""
        return self.general and getattr(self, "source", 1) == 1

    def takes_place_of(self, other: object) -> bool:
        """Whether there can be only one of the two."""
        if self.slot == "any" or type(self) is not type(other):
            return False
        return self.slot == "one" or getattr(self, "source", 1) == getattr(other, "source", 1)


#: Kinds of steps, row by row in the order in which they are done; those of one row are done as they were made.
StepRows = tuple[tuple[type[Step], ...], ...]
