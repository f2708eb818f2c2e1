"""Views: what can be computed of what a job has come to, besides the next state.

A view is declared in the room that knows how to make it: its name, what it depends on, how it is made and how many
bytes it takes. `job/views.py` makes it when somebody looks, keeps it under what it depends on, and lets it go.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable, Sequence
from dataclasses import dataclass
from typing import Any, Generic, Protocol, Self, TypeVar

from syntaxa.drawing.state import State
from syntaxa.drawing.step import Context, Step

Made_co = TypeVar("Made_co", covariant=True)


class Standing(Protocol):
    """What a job has come to: after the taking in, after all steps, and without some of them.

    received_digest, first_digest, digest   of all that the received drawings, the first and the last state depend on
    """

    @property
    def first(self) -> State:
        """With what was taken in, and the sketches that came of it."""

    @property
    def state(self) -> State:
        """After all steps."""

    @property
    def first_digest(self) -> str:
        """Of all that `first` depends on."""

    @property
    def digest(self) -> str:
        """Of all that `state` depends on."""

    @property
    def changes(self) -> Sequence[tuple[str, int, float]]:
        """What each step did: its title, how many curves it changed, and how far it moved any at the most (mm)."""

    def without(self, dropped: Callable[[Step], bool]) -> Self:
        """What the job would have come to without some of its steps; may take long."""

    def context(self, progress: Callable[[float], None]) -> Context:
        """What a step is given that is tried on the last state."""


@dataclass(frozen=True, slots=True)
class View(Generic[Made_co]):
    """Something that can be computed.

    name     what it is called while it is computed
    depends  what it depends on besides what it is given
    make     from what the job has come to, what is given, and whom to tell how far it is
    size     bytes, roughly
    """

    name: str
    depends: Callable[[Any], Hashable]
    make: Callable[..., Made_co]
    size: Callable[[Any], int] = lambda _made: 1000


def on_state(standing: Standing) -> Hashable:
    """Depends on the last state."""
    return standing.digest


def on_first(standing: Standing) -> Hashable:
    """Depends on what was taken in."""
    return standing.first_digest


def on_placing(standing: Standing) -> Hashable:
    """Depends on what was taken in and where it is placed by now."""
    state = standing.state
    return (standing.first_digest, state.by, state.shift, tuple((t.unit, t.page_scale) for t in state.taken))
