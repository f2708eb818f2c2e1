"""The steps of Mend: fixes within a tolerance, all or chosen ones, and facets back to arcs."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import replace
from types import MappingProxyType
from typing import ClassVar

import numpy as np

from syntaxa.counting import enumerated
from syntaxa.drawing.editing import Editing, names_of
from syntaxa.drawing.model import Curve
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import Entry, Sketch, State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import MendError, Progress, no_progress
from syntaxa.geometry.refit import RefitLimits
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.mend.advice import Advice
from syntaxa.mend.base import MendStep
from syntaxa.mend.centre_marks import without_marks
from syntaxa.mend.facets import facet_runs, without_facets
from syntaxa.mend.heal import heal
from syntaxa.mend.model import Finding
from syntaxa.mend.part import LeftAlone
from syntaxa.mend.pieces import pieces_of
from syntaxa.mend.prepared import Prepared
from syntaxa.mend.rebuild import rebuilt
from syntaxa.mend.smooth import faceted_twins
from syntaxa.mend.survey import NO_SURVEY, Survey, survey
from syntaxa.mend.sweep import Sweep, sweep
from syntaxa.mend.telling import Accept, Telling, everything
from syntaxa.mend.tolerance import LARGEST, SMALLEST, ProposedGap, propose_gap, with_gap
from syntaxa.watching import still_wanted

#: Curves from which on a sketch is mended in a process of its own: handing it over costs a part of the time.
_APART = 25_000

#: mm; a dead end longer than this may be meant.
DEAD_END = 3.0


class MendFindings(MendStep, frozen=True, tag="mend"):
    """Fixes what is wrong.

    gap       mm, or None to read it off the gaps
    dead_end  mm, dead ends up to this long are dropped
    only      keys of the findings to fix, or None for all
    choices   (key of a finding, name of the fix that is wanted instead of the proposed one)
    """

    gap: float | None = None
    dead_end: float = DEAD_END
    only: tuple[str, ...] | None = None
    choices: tuple[tuple[str, str], ...] = ()
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        if self.only is not None and len(self.only) in (1, 2):
            return f"Mend one {self.only[0].split(':', 1)[0]}"
        gap = "proposed gap" if self.gap is None else f"gap {self.gap:.3g} mm"
        return f"Mend all, {gap}" if self.only is None else f"Mend {len(self.only)} findings, {gap}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Every sketch is healed on its own; those that are locked or not to be made are left."""
        editing = Editing(state)
        fixed: list[Finding] = []
        for sketch, findings in self.done(state, context):
            if _is_mended(sketch):
                editing.rewrite(sketch.name, sketch.curves)
            fixed += [f for f in findings if f.fixed]
        return editing.done(), _entry(fixed, self.only)

    @property
    def fits_others(self) -> bool:
        """Chosen findings are those of one drawing."""
        return self.only is None

    def done(self, state: State, context: Context = QUIET) -> list[tuple[Sketch, tuple[Finding, ...]]]:
        """Every sketch mended, with all its findings."""
        left = state.part(LeftAlone).reasons
        gap = proposal_of(state, context).gap if self.gap is None else self.gap
        tolerances = with_gap(Tolerances(), gap)
        names = names_of(state)
        done: list[tuple[Sketch, tuple[Finding, ...]]] = []
        for k, sketch in enumerate(state.sketches):
            still_wanted()
            context.progress(k / len(state.sketches))
            if not _is_mended(sketch):
                done.append((sketch, ()))
                continue
            given = sketch, tolerances, self.dead_end, self.only, left, dict(self.choices), names
            if context.worker is not None and len(sketch.curves) >= _APART:
                curves, findings = context.worker.call(
                    mended_by,
                    *given,
                    progress=context.progress,
                    seconds=context.seconds,
                    about=f"Mending {sketch.name}",
                    advice="Mend a part of it, or one kind of finding at a time.",
                )
                names.take(c.id for c in curves)
            else:
                curves, findings = mended_by(*given)
            done.append((replace(sketch, curves=tuple(curves)), findings))
        return done


class RefitFacets(MendStep, frozen=True, tag="refit-facets", omit_defaults=True):
    """Makes arcs and circles of runs of short straight pieces that stand for them.

    vertex   mm, how far a vertex may lie off the arc
    sagitta  mm, how far a straight piece may leave the arc
    """

    vertex: float = 0.001
    sagitta: float = 0.05
    general: ClassVar[bool] = True

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Facets to arcs, within {self.sagitta:g} mm"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """No end of a run moves; locked sketches and those that are not to be made are left."""
        if not (0 < self.vertex < 1e6 and 0 < self.sagitta < 1e6):
            raise MendError("Facets need tolerances above 0.", suggestion="Type a length in mm.")
        limits = RefitLimits(self.vertex, self.sagitta)
        editing = Editing(state)
        done = []
        for sketch in filter(_is_mended, state.sketches):
            runs = facet_runs(sketch.curves, limits, Tolerances().merge)
            done += runs
            editing.rewrite(sketch.name, without_facets(sketch.curves, runs))
        off = [run.deviation for run in done]
        facets = sum(run.facets for run in done)
        runs_told = "1 run" if len(done) == 1 else f"{len(done)} runs"
        return editing.done(), Entry(
            changed=len(done),
            max_mm=max(off, default=0.0),
            mean_mm=sum(off) / len(off) if off else 0.0,
            says=f"{facets} facets became arcs in {runs_told}." if done else "No run of facets was found.",
        )


class LeaveFindings(MendStep, frozen=True, tag="leave-findings", omit_defaults=True):
    """Leaves findings as they are: they are meant, or not for here. They are told no more, and never fixed with all.

    keys   of the findings; note  why
    back   whether they are taken up again instead
    """

    keys: tuple[str, ...]
    note: str = ""
    back: bool = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        what = self.keys[0].split(":", 1)[0] if len(self.keys) == 1 else f"{len(self.keys)} findings"
        return f"{'Take up' if self.back else 'Leave'} {what}"

    def apply(self, state: State, _context: Context = QUIET) -> tuple[State, Entry]:
        """Nothing is moved."""
        kept = tuple(pair for pair in state.part(LeftAlone).reasons if pair[0] not in self.keys)
        left = kept if self.back else (*kept, *((key, self.note) for key in self.keys))
        says = self.note or ("Up for fixing again." if self.back else "Left as meant.")
        return state.with_part(LeftAlone(left)), Entry(len(self.keys), says=says)


def mended_by(
    sketch: Sketch,
    tolerances: Tolerances,
    dead_end: float,
    only: tuple[str, ...] | None,
    left: tuple[tuple[str, str], ...],
    choices: Mapping[str, str],
    names: Names,
    *,
    progress: Progress = no_progress,
) -> tuple[list[Curve], tuple[Finding, ...]]:
    """A sketch mended as a step says: all that data can say of it, so that another process can do it as well."""
    progress(0.0)
    return mended(sketch, tolerances, dead_end, _chooser(only, left), choices, names)


def mended(
    sketch: Sketch,
    tolerances: Tolerances,
    dead_end: float,
    accept: Accept = everything,
    choices: Mapping[str, str] = MappingProxyType({}),
    names: Names | None = None,
) -> tuple[list[Curve], tuple[Finding, ...]]:
    """The curves of a sketch with the accepted fixes done, and all findings; `names` are those that are taken."""
    locked = {c.id for c in sketch.curves if c.locked}
    if locked:
        wanted = accept

        def accept(finding: Finding) -> bool:
            # Other curves may be drawn to a locked one; nothing else is done to it.
            return wanted(finding) and (finding.kind == "gap" or not locked & set(finding.curves))

    unmarked, marks = without_marks(sketch.curves)
    curves, aside, twins = _without_twins(unmarked, tolerances, accept, choices)
    aside += marks
    advised = Telling(accept)
    if accept is not everything:
        curves = Advice(curves, pieces_of(curves, tolerances.fit), tolerances.merge).followed(advised)
    received = Prepared(pieces_of(curves, tolerances.fit), tolerances.merge)
    held = frozenset(k for k, c in enumerate(curves) if c.locked)
    healed = heal(received, tolerances, dead_end, accept, choices, held)
    findings = (*advised.findings(), *twins, *healed.findings)
    if accept is not everything and not any(f.fixed for f in healed.findings):
        there = {c.id: c for c in (*curves, *aside)}
        return [there.pop(c.id) for c in sketch.curves if c.id in there], findings
    names = names or Names(c.id for c in sketch.curves)
    done = [*rebuilt(curves, received.pieces, healed, names), *aside]
    return _with_roles(sketch.curves, done, findings), findings


def _without_twins(
    curves: Sequence[Curve], tolerances: Tolerances, accept: Accept, choices: Mapping[str, str]
) -> tuple[list[Curve], list[Curve], tuple[Finding, ...]]:
    """(curves to heal, curves put aside, findings): smooth curves that lie there once more as facets count once.

    The facets go where that is accepted, or the smooth curve where that was chosen; else they are put aside.
    """
    telling = Telling(accept)
    gone: set[str] = set()
    aside: set[str] = set()
    for twin in faceted_twins(curves, pieces_of(curves, tolerances.fit), tolerances):
        accepted = telling.decide(twin.finding)
        if accepted and choices.get(twin.finding.key) == "other":
            gone.add(twin.smooth)
        else:
            (gone if accepted else aside).update(twin.facets)
    kept = [c for c in curves if c.id not in gone and c.id not in aside]
    return kept, [c for c in curves if c.id in aside], telling.findings()


def _is_mended(sketch: Sketch) -> bool:
    return sketch.purpose == "profile" and not sketch.locked


def _with_roles(before: Sequence[Curve], after: list[Curve], findings: Sequence[Finding]) -> list[Curve]:
    """Where a curve with a role went into the one that it lay upon, that one has the role from now on."""
    gone = {c.id: c.roles for c in before if c.roles}
    if not gone:
        return after
    there = {name for c in after for name in c.names}
    heirs: dict[str, set[str]] = {}
    for finding in findings:
        if finding.fixed and finding.kind in ("duplicate", "overlap"):
            lost = {role for name in finding.curves if name not in there for role in gone.get(name, ())}
            for name in finding.curves:
                heirs.setdefault(name, set()).update(lost)
    inherited = [{role for name in c.names for role in heirs.get(name, ())} for c in after]
    return [
        replace(c, roles=tuple(sorted({*c.roles, *more}))) if more else c
        for c, more in zip(after, inherited, strict=True)
    ]


def with_needed(findings: Sequence[Finding], key: str) -> tuple[str, ...]:
    """The key of a finding, with those of what lies doubled on its curves: its twin must not be left behind."""
    chosen = next((f for f in findings if f.key == key), None)
    if chosen is None:
        return (key,)
    doubled = [f for f in findings if f.kind in ("duplicate", "overlap") and not f.cost and f is not chosen]
    return (key, *(f.key for f in doubled if set(f.curves) & set(chosen.curves)))


def survey_state(state: State, gap: float | None, dead_end: float = DEAD_END) -> Survey:
    """The findings and regions of all sketches at a gap tolerance (mm), or at the proposed one."""
    tolerances = with_gap(Tolerances(), proposed_gap(state.sketches).gap if gap is None else gap)
    total = NO_SURVEY
    for sketch in filter(_is_mended, state.sketches):
        total = total.together_with(survey(sketch.curves, sketch.name, tolerances, dead_end))
    left = state.part(LeftAlone).reasons
    return total.with_notes(dict(left)) if left else total


def sweep_state(state: State, proposed: float, progress: Progress, limit: float = LARGEST) -> Sweep:
    """The tolerance sweep of all sketches that are to be mended, up to a limit (mm)."""
    curves = [without_marks(s.curves)[0] for s in state.sketches if _is_mended(s)]
    return sweep(curves, proposed, DEAD_END, progress, limit)


def proposal_of(state: State, context: Context = QUIET) -> ProposedGap:
    """The proposed gap of a state, worked out once for all who ask."""
    return context.kept("proposed gap", lambda: proposed_gap(state.sketches))


def proposed_gap(sketches: Sequence[Sketch]) -> ProposedGap:
    """One gap tolerance for all sketches that are to be mended: the widest that any of them asks for."""
    plain = Tolerances()
    mended_ones = (without_marks(s.curves)[0] for s in sketches if _is_mended(s))
    received = (Prepared(pieces_of(curves, plain.fit), plain.merge) for curves in mended_ones)
    found = [propose_gap(one, plain) for one in received]
    # Each asks for its own; what one of them keeps apart, none may close.
    apart = min((p.apart for p in found), default=np.inf)
    gap = max((p.gap for p in found), default=SMALLEST)
    gap = max(SMALLEST, min(gap, 0.49 * apart))
    closes, open_ends = sum(p.closes for p in found), sum(p.of for p in found)
    doubtful = sum(p.doubtful for p in found)
    if doubtful:
        things = "1 open end has its" if doubtful == 1 else f"{doubtful} open ends have their"
        says = (
            f"{things} nearest partner about as far away as things that are meant to be apart ({apart:.3g} mm): "
            "the smaller tolerance was taken, and they stay open ends until you close them."
        )
        return ProposedGap(gap, closes, open_ends, says, apart, doubtful)
    if not closes:
        return ProposedGap(gap, 0, open_ends, "No gap stands out, so only ends that agree are joined.", apart)
    says = f"{closes} of {open_ends} open ends have a partner that near; the next are well beyond."
    return ProposedGap(gap, closes, open_ends, says, apart)


def reach_of(gap: float | None) -> float:
    """How far ends may be apart (mm) and still belong together, at a tolerance or at the least one."""
    return SMALLEST if gap is None else gap


def _chooser(only: tuple[str, ...] | None, left: tuple[tuple[str, str], ...]) -> Accept:
    """What is to be fixed: the findings of these keys; or all, but for what is left as it is."""
    if only is not None:
        wanted = frozenset(only)
        return lambda finding: finding.key in wanted
    if not left:
        return everything
    meant = frozenset(key for key, _ in left)
    return lambda finding: everything(finding) and finding.key not in meant


def _entry(fixed: list[Finding], only: tuple[str, ...] | None) -> Entry:
    moves = [f.cost for f in fixed if f.cost > 0]
    done = {f.key for f in fixed}
    says = enumerated(sorted(Counter(f.kind for f in fixed).items()))
    return Entry(
        changed=len(fixed),
        max_mm=max(moves, default=0.0),
        mean_mm=sum(moves) / len(moves) if moves else 0.0,
        dropped_mm=sum(f.dropped for f in fixed),
        says=f"Fixed: {says}." if says else "Nothing to fix.",
        missing=tuple(key for key in only or () if key not in done),
        along_mm=max((f.along for f in fixed), default=0.0),
    )
