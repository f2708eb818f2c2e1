"""What is shown of what came in: groups of curves that are alike, and where they go."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import Progress
from syntaxa.route.model import CurveGroup, Grouping, groups_of


def _groups(standing: Standing, grouping: Grouping, *, progress: Progress) -> tuple[CurveGroup, ...]:
    progress(0.1)
    return tuple(groups_of(standing.first, standing.state, grouping))


@dataclass(frozen=True, slots=True)
class GroupBy:
    """By what the curves that came in are grouped."""

    grouping: Grouping = "layer"


#: By a property.
GROUPS: View[tuple[CurveGroup, ...]] = View("Grouping", on_state, _groups)
