"""Many sizes of one job: the table that it keeps, and the steps that give it one of them."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from typing import ClassVar

from syntaxa.define.base import DefineStep
from syntaxa.define.model import Variant
from syntaxa.define.part import Defined
from syntaxa.define.steps import SetDimension, SetParameter
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context


class SetVariants(DefineStep, frozen=True, tag="set-variants"):
    """The sizes that a job is wanted in besides; an empty table takes them away."""

    variants: tuple[Variant, ...]
    slot: ClassVar = "one"
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        count = len(self.variants)
        return f"{count} variant{'s' if count != 1 else ''}" if count else "No variants"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing moves; values that the job does not have are told."""
        del context
        part = state.part(Defined)
        known = {*(m.name for m in part.measures), *(p.name for p in part.parameters)}
        names = dict.fromkeys(name for v in self.variants for name, _ in v.settings)
        missing = tuple(n for n in names if n not in known)
        says = f"Not in this drawing, so they would be parameters: {', '.join(missing)}." if missing else ""
        return state.with_part(replace(part, variants=self.variants)), Entry(len(self.variants), says=says)


def setting_steps(part: Defined, settings: Iterable[tuple[str, str]]) -> list[DefineStep]:
    """The steps that set values; parameters come first, so that dimensions may use them."""
    dimensions = {m.name for m in part.measures}
    ordered = sorted(settings, key=lambda s: s[0] in dimensions)
    return [SetDimension(n, text) if n in dimensions else SetParameter(n, text) for n, text in ordered]
