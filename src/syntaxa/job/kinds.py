"""All kinds of steps there are, put together from what the stages export, in the order in which they are done."""

from __future__ import annotations

from typing import TYPE_CHECKING, Union

from syntaxa.cut import kinds as cut
from syntaxa.define import kinds as define
from syntaxa.deliver.sheets import steps as sheets
from syntaxa.drawing.step import Step, StepRows
from syntaxa.form import kinds as form
from syntaxa.intake import kinds as intake
from syntaxa.measure import kinds as measure
from syntaxa.mend import kinds as mend
from syntaxa.route import kinds as route

#: A new stage adds its row here, and nothing else.
ROWS: StepRows = (
    *intake.STEPS,
    *measure.STEPS,
    *route.STEPS,
    *measure.AFTER_ROUTING,
    (*intake.BY_HAND, *route.BY_HAND, *mend.BY_HAND),
    *define.STEPS,
    *form.STEPS,
    *cut.STEPS,
    *sheets.STEPS,
)

#: Every kind of step, each once.
KINDS: tuple[type[Step], ...] = tuple(kind for row in ROWS for kind in row)

_PLACES = {kind: place for place, row in enumerate(ROWS) for kind in row}

#: Where what is done by hand stands.
BY_HAND = _PLACES[mend.BY_HAND[0]]

if TYPE_CHECKING:
    KnownStep = Step
else:
    #: What a step of a file can be: told apart by their tags.
    KnownStep = Union[KINDS]  # noqa: UP007  the kinds are known when the program runs


def place_of(kind: type[Step]) -> int:
    """Where a kind of step stands in the order."""
    return _PLACES[kind]
