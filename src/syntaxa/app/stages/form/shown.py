"""Views of a job for the view in space: what is in it, as parts that are ready to be shown."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.app.stages.form.space.scene import Part, part_of_body, part_of_flat
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress
from syntaxa.form.base import FormStep
from syntaxa.form.views import SPACE, TRIED_FORM, Space, TriedForm


@dataclass(frozen=True)
class Shown:
    """Everything in space, and its parts: first the bodies, then the sketches."""

    space: Space
    parts: tuple[Part, ...]


@dataclass(frozen=True)
class TriedShown:
    """What a step would make, and the parts of the bodies that would be other than they are."""

    tried: TriedForm
    parts: tuple[Part, ...]

    def beside(self, shown: Shown) -> tuple[Part, ...]:
        """All parts as they would be."""
        changed = {p.owner for p in self.parts}
        kept = [p for p in shown.parts if not (p.is_solid and p.owner in changed)]
        bodies = sum(p.is_solid for p in kept)
        return (*kept[:bodies], *self.parts, *kept[bodies:])


def _shown(standing: Standing, *, progress: Progress) -> Shown:
    space = SPACE.make(standing, progress=lambda share: progress(0.9 * share))
    bodies = [part_of_body(body, mesh).prepared() for body, mesh in space.bodies]
    flats = [part_of_flat(flat, flat.name in space.used).prepared() for flat in space.flats]
    return Shown(space, (*bodies, *flats))


def _tried(standing: Standing, step: FormStep, *, progress: Progress) -> TriedShown:
    tried = TRIED_FORM.make(standing, step, progress=progress)
    return TriedShown(tried, tuple(part_of_body(body, mesh).prepared() for body, mesh in tried.bodies))


#: All that is in space.
SHOWN: View[Shown] = View(
    "Solids and sketches", on_state, _shown, lambda made: made.space.size + sum(p.size for p in made.parts)
)

#: What a step would make.
TRIED_SHOWN: View[TriedShown] = View(
    "Trying it", on_state, _tried, lambda made: TRIED_FORM.size(made.tried) + sum(p.size for p in made.parts)
)
