"""What is shown of what would go out."""

from __future__ import annotations

from typing import TYPE_CHECKING

from syntaxa.deliver.figures import Figures, figures_of
from syntaxa.deliver.plan import RolesAs, plan_of
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress

if TYPE_CHECKING:
    from syntaxa.deliver.sheets.tables import Table


def _counted(standing: Standing, roles: RolesAs, construction: bool, *, progress: Progress) -> tuple[Figures, ...]:
    progress(0.1)
    return figures_of(plan_of(standing.state, roles, construction))


def _tabled(standing: Standing, name: str, *, progress: Progress) -> Table:
    # Tables are loaded when one is looked at.
    from syntaxa.deliver.sheets.tables import table_of

    progress(0.1)
    return table_of(name, standing.state)


#: A table, by its name.
TABLE: View[Table] = View("Making the table", on_state, _tabled, lambda table: 1000 + 500 * len(table.rows))

#: What a file would hold if it were written now, given what becomes of roles and whether construction goes out.
FIGURES: View[tuple[Figures, ...]] = View("Counting what goes out", on_state, _counted)
