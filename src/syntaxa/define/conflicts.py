"""Constraints that cannot all hold, and the fewest of them that are to blame."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

import numpy as np

from syntaxa.define.equations import Equations
from syntaxa.define.solving import solved
from syntaxa.define.unknowns import FORM, System
from syntaxa.later import Later

sp = Later("scipy.sparse")


def can_hold(system: System, numbers: Iterable[int]) -> bool:
    """Whether some constraints hold together, as far as solving from where the system stands tells."""
    return solved(system, Equations(system, numbers)).holds


def to_blame(system: System, suspect: int) -> tuple[int, ...]:
    """The fewest constraints that cannot hold with a suspect one, itself among them; none of them can be left out.

    By halving what is left (Junker 2004, QuickXplain), among what hangs together with the suspect.
    """
    near = [k for k in _hanging_together(system, suspect) if k != suspect]
    if can_hold(system, [suspect, *near]):
        return ()
    found = _halved(system, [suspect], False, near)
    return tuple(sorted({suspect, *found}))


def _halved(system: System, base: list[int], grown: bool, rest: Sequence[int]) -> list[int]:
    if grown and not can_hold(system, base):
        return []
    if len(rest) <= 1:
        return list(rest)
    half = len(rest) // 2
    one, two = list(rest[:half]), list(rest[half:])
    second = _halved(system, base + one, bool(one), two)
    return _halved(system, base + second, bool(second), one) + second


def _hanging_together(system: System, suspect: int) -> list[int]:
    """Constraints that have unknowns in common with a suspect one, by others or by the form of curves."""
    rows = [(t.source, [t.i, t.j]) for t in system.ties]
    rows += [(r.source, [*r.p, *r.q, r.t, r.r1, r.r2]) for r in system.rays]
    rows += [(r.source, [i for i, _ in r.terms]) for r in system.sums]
    n = len(system.x)
    row = [k for k, (_, used) in enumerate(rows) for i in used if i >= 0]
    column = [n_ for _, used in rows for n_ in used if n_ >= 0]
    size = len(rows) + n
    graph = sp.csr_matrix((np.ones(len(row)), (row, np.array(column, dtype=np.int64) + len(rows))), shape=(size, size))
    _, label = sp.csgraph.connected_components(graph, directed=False)
    mine = {int(label[k]) for k, (source, _) in enumerate(rows) if source == suspect}
    return sorted({source for k, (source, _) in enumerate(rows) if source != FORM and int(label[k]) in mine})
