"""What is shown of what would go out."""

from __future__ import annotations

from syntaxa.deliver.figures import Figures, figures_of
from syntaxa.deliver.plan import RolesAs, plan_of
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress


def _counted(standing: Standing, roles: RolesAs, construction: bool, *, progress: Progress) -> tuple[Figures, ...]:
    progress(0.1)
    return figures_of(plan_of(standing.state, roles, construction))


#: What a file would hold if it were written now, given what becomes of roles and whether construction goes out.
FIGURES: View[tuple[Figures, ...]] = View("Counting what goes out", on_state, _counted)
