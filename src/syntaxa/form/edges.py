"""The step that rounds and bevels edges."""

from __future__ import annotations

from typing import Literal

from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import FormError
from syntaxa.form.asking import asked
from syntaxa.form.base import FormStep
from syntaxa.form.model import EdgeKey, Made
from syntaxa.form.numbers import Numbers
from syntaxa.form.part import Formed
from syntaxa.form.telling import told

#: Which edges are meant: all, the upright ones, those that rise from corners, those round the flat faces that were
#: raised, the convex or the concave ones; or none but those that are named.
EdgeRule = Literal["", "all", "upright", "risen", "rims", "convex", "concave"]

RULE_WORDS: dict[EdgeRule, str] = {
    "all": "all edges",
    "upright": "all upright edges",
    "risen": "edges that rise from corners",
    "rims": "rims of flat faces",
    "convex": "convex edges",
    "concave": "concave edges",
}


class TreatEdges(FormStep, frozen=True, tag="treat-edges"):
    """Rounds or bevels edges of a body: those that are named, and those of a rule.

    size  radius of a fillet, setback of a chamfer: a length or formula
    of    the feature whose edges alone the rule means; empty for all
    """

    feature: str
    kind: Literal["fillet", "chamfer"]
    size: str
    body: str = ""
    edges: tuple[EdgeKey, ...] = ()
    rule: EdgeRule = ""
    of: str = ""

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        count = f"{len(self.edges)} edge{'s' if len(self.edges) != 1 else ''}" if self.edges else ""
        which = " and ".join(filter(None, (count, RULE_WORDS.get(self.rule, ""))))
        of = f" of {self.of or self.body}" if self.of or self.body else ""
        return f"{self.feature}: {self.kind} {self.size}, {which}{of}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Edges that cannot be done are named, and the others are done."""
        part = state.part(Formed)
        target = part.chosen((self.body,) if self.body else ())[0]
        size = Numbers(state).length(self.size)
        if size <= 0:
            raise FormError(f"A {self.kind} of {size:g} mm is none.", suggestion="Give a size above 0.")
        if not self.edges and not self.rule:
            raise FormError("No edge is chosen.", suggestion="Pick edges, or choose a rule.")
        keys = tuple(key.plain for key in self.edges)
        made: Made = asked(
            context, "edges_treated", target.solid, keys, self.rule, self.of, self.kind, size, self.feature,
            about=f"“{self.feature}”",
        )  # fmt: skip
        (solid, figures) = made.solids[0]
        part = part.with_changed(target.name, solid=solid, figures=figures)
        return told(state, part, self.feature, self.kind, made)
