"""What is wrong with curves and which regions they bound, without changing anything."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import msgspec

from syntaxa.drawing.model import Curve
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.advice import Advice
from syntaxa.mend.arrangement import split_at_contacts
from syntaxa.mend.centre_marks import without_marks
from syntaxa.mend.heal import heal, prepared
from syntaxa.mend.model import Finding, Region
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.regions import regions_of
from syntaxa.mend.smooth import faceted_twins
from syntaxa.mend.telling import everything


@dataclass(frozen=True, slots=True)
class Survey:
    """Findings with the fixes on offer, the closed regions as things stand, and the ends that meet nothing."""

    findings: tuple[Finding, ...]
    regions: tuple[Region, ...]
    open_ends: int
    curves: int

    def counts(self) -> dict[str, int]:
        """Number of findings of each kind."""
        return dict(Counter(f.kind for f in self.findings))

    def with_notes(self, left: Mapping[str, str]) -> Survey:
        """The survey with the findings that are left as they are marked so, by their keys."""
        marked = (msgspec.structs.replace(f, note=left[f.key]) if f.key in left else f for f in self.findings)
        return replace(self, findings=tuple(marked))

    def together_with(self, other: Survey) -> Survey:
        """Both in one."""
        return Survey(
            self.findings + other.findings,
            self.regions + other.regions,
            self.open_ends + other.open_ends,
            self.curves + other.curves,
        )


NO_SURVEY = Survey((), (), 0, 0)


def survey(curves: Sequence[Curve], sketch: str, tolerances: Tolerances, dead_end: float) -> Survey:
    """The findings of one sketch at these tolerances, and its regions as they are."""
    total = len(curves)
    curves, _ = without_marks(curves)
    pieces = pieces_of(curves, tolerances.fit)
    received = Prepared(pieces, tolerances.merge)
    twins = faceted_twins(curves, pieces, tolerances)
    gone = {name for twin in twins for name in twin.facets}
    kept = [c for c in curves if c.id not in gone]
    to_heal = Prepared(pieces_of(kept, tolerances.fit), tolerances.merge) if gone else received
    healed = heal(to_heal, tolerances, dead_end, everything)
    single = prepared(received, tolerances)
    edges, _ = split_at_contacts(single.near)
    open_ends = int((edges.degrees() == 1).sum())
    advice = Advice(kept, to_heal.pieces, tolerances.merge).findings()
    findings = (*(twin.finding for twin in twins), *healed.findings, *advice)
    return Survey(findings, tuple(regions_of(edges, single.pieces.ids, sketch)), open_ends, total)
