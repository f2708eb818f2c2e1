"""The account of a mending: what was received, which steps ran, each finding and fix, and what came of it.

All figures are gathered here once; `deliver/report.py` makes them readable.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

import msgspec

from syntaxa.deliver.report import HtmlPage, Section, Table, html_page
from syntaxa.drawing.state import Sketch, State
from syntaxa.drawing.units import unit_at
from syntaxa.errors import DeliverError, Progress, no_progress
from syntaxa.geometry.types import Box
from syntaxa.job.evaluate import Evaluation, Evaluator, in_doubt
from syntaxa.job.model import Job
from syntaxa.mend.deviation import deviation
from syntaxa.mend.model import Finding, is_fault
from syntaxa.mend.steps import DEAD_END, MendFindings, proposed_gap, survey_state


class SourceAccount(msgspec.Struct, frozen=True):
    """A drawing that was received."""

    file: str
    format: str
    version: str
    digest: str
    unit: str
    unit_declared: str | None
    unit_confidence: float
    unit_settled: bool
    page_scale: float
    curves: int


class StepAccount(msgspec.Struct, frozen=True):
    """A step of the ledger; lengths in mm."""

    step: str
    on: bool
    changed: int
    max_mm: float
    mean_mm: float
    dropped_mm: float
    says: str
    failed: str
    along_mm: float = 0.0


class FixAccount(msgspec.Struct, frozen=True):
    """A finding: where and how large it is, what was done about it, and how far that moved or what it dropped (mm)."""

    kind: str
    sketch: str
    place_mm: tuple[float, float]
    size_mm: float
    fix: str
    fixed: bool
    moved_mm: float
    dropped_mm: float
    curves: list[str]
    deviation_mm: float
    along_mm: float = 0.0


class RegionAccount(msgspec.Struct, frozen=True):
    """A closed region: area in mm2 without its holes, the rest in mm."""

    id: str
    sketch: str
    area_mm2: float
    perimeter_mm: float
    bbox_mm: Box
    holes: int
    depth: int
    centroid_mm: tuple[float, float]


class SideAccount(msgspec.Struct, frozen=True):
    """The drawing before or after the mending."""

    curves: int
    open_ends: int
    regions: int
    findings: dict[str, int]
    size_mm: tuple[float, float]


class Account(msgspec.Struct, frozen=True):
    """syntaxa.account/1; see docs/formats.md."""

    schema: str
    name: str
    sources: list[SourceAccount]
    steps: list[StepAccount]
    fixes: list[FixAccount]
    left: list[FixAccount]
    before: SideAccount
    after: SideAccount
    regions: list[RegionAccount]
    max_mm: float
    mean_mm: float
    budget_mm: float | None
    along_mm: float = 0.0

    @property
    def within_budget(self) -> bool:
        """Whether nothing moved further than the budget allows, sideways or along."""
        return self.budget_mm is None or max(self.max_mm, self.along_mm) <= self.budget_mm + 1e-12


class Accounted(msgspec.Struct, frozen=True):
    """An account with the sketches before and after, for pictures."""

    account: Account
    before: tuple[Sketch, ...]
    after: tuple[Sketch, ...]


def account_of(
    job: Job, name: str, evaluator: Evaluator, budget: float | None = None, progress: Progress = no_progress
) -> Accounted:
    """The account of a job; `budget` is how far anything may be moved (mm)."""
    evaluation = evaluator.evaluate(job)
    progress(0.2)
    mends = [s for s in job.steps if isinstance(s.step, MendFindings) and s.enabled]
    unmended = replace(job, steps=tuple(s for s in job.steps if not isinstance(s.step, MendFindings)))
    start = evaluator.evaluate(unmended).state
    gap = next((m.step.gap for m in mends if isinstance(m.step, MendFindings)), None)
    gap = proposed_gap(start.sketches).gap if gap is None else gap
    fixes: list[FixAccount] = []
    for k, mend in enumerate(mends):
        # Each mending is looked at where it stands among the steps.
        earlier = replace(job, steps=job.steps[: job.steps.index(mend)])
        if isinstance(mend.step, MendFindings):
            before = evaluator.evaluate(earlier).state
            found = mend.step.done(before)
            far = _measured(before.sketches, [sketch for sketch, _ in found])
            fixes += [_fix(f, sketch.name, far) for sketch, findings in found for f in findings if f.fixed]
        progress(0.2 + 0.5 * (k + 1) / len(mends))
    surveys = [survey_state(s, gap, DEAD_END) for s in (start, evaluation.state)]
    left = [_fix(f, "", {}) for f in surveys[1].findings if is_fault(f.kind)]
    side_before, side_after = (
        SideAccount(s.curves, s.open_ends, len(s.regions), s.counts(), _size(state))
        for s, state in zip(surveys, (start, evaluation.state), strict=True)
    )
    moved = [f.moved_mm for f in fixes if f.moved_mm > 0]
    worst = max((r.entry.max_mm for r in evaluation.ledger if r.enabled), default=0.0)
    regions = [
        RegionAccount(r.id, r.sketch, r.area, r.perimeter, r.box, r.holes, r.depth, r.centroid)
        for r in surveys[1].regions
    ]
    progress(1.0)
    account = Account(
        "syntaxa.account/1",
        name,
        _sources(job, evaluation),
        _steps(evaluation),
        fixes,
        left,
        side_before,
        side_after,
        regions,
        worst,
        sum(moved) / len(moved) if moved else 0.0,
        budget,
        max((r.entry.along_mm for r in evaluation.ledger if r.enabled), default=0.0),
    )
    return Accounted(account, start.sketches, evaluation.state.sketches)


def _sources(job: Job, evaluation: Evaluation) -> list[SourceAccount]:
    doubtful = set(in_doubt(job, evaluation))
    units = {t.number: t for t in evaluation.state.taken}
    return [
        SourceAccount(
            source.name,
            source.received.report.format,
            source.received.report.version,
            own.digest,
            units[source.number].unit,
            source.received.report.declared,
            round(source.verdict.confidence, 4),
            source.number not in doubtful,
            units[source.number].page_scale,
            len(units[source.number].drawing.curves),
        )
        for source, own in zip(evaluation.sources, job.sources, strict=True)
    ]


def _steps(evaluation: Evaluation) -> list[StepAccount]:
    return [
        StepAccount(
            r.title,
            r.enabled,
            r.entry.changed,
            r.entry.max_mm,
            r.entry.mean_mm,
            r.entry.dropped_mm,
            r.entry.says,
            r.failed,
            r.entry.along_mm,
        )
        for r in evaluation.ledger
    ]


def _measured(before: Sequence[Sketch], after: Sequence[Sketch]) -> dict[str, float]:
    """How far (mm) the curves of the result lie off those before, by all ids that they have gone by."""
    one, two = ([c for s in sketches if s.purpose == "profile" for c in s.curves] for sketches in (before, after))
    names = {c.id: c.names for c in two}
    far: dict[str, float] = {}
    for row in deviation(one, two).made:
        for name in names[row.curve]:
            far[name] = max(far.get(name, 0.0), row.distance)
    return far


def _fix(finding: Finding, sketch: str, far: Mapping[str, float]) -> FixAccount:
    return FixAccount(
        finding.kind,
        sketch,
        (finding.place.x, finding.place.y),
        finding.size,
        finding.remedy,
        finding.fixed,
        finding.cost,
        finding.dropped,
        list(finding.curves),
        max((far.get(name, 0.0) for name in finding.curves), default=0.0),
        finding.along,
    )


def _size(state: State) -> tuple[float, float]:
    box = state.extents()
    return (box[2] - box[0], box[3] - box[1]) if box else (0.0, 0.0)


def page_of(account: Account, made: str) -> HtmlPage:
    """The account in words and tables; `made` says when it was made."""
    fixed = len(account.fixes)
    worst = (
        f"nothing was moved sideways by more than {_mm(account.max_mm)}, and nothing was drawn on or cut back on its "
        f"own line or circle by more than {_mm(account.along_mm)}"
    )
    verdict = f"{fixed} findings were fixed; {worst}."
    if account.budget_mm is not None:
        holds = "within" if account.within_budget else "over"
        verdict += f" That is {holds} the budget of {_mm(account.budget_mm)}."
    if account.left:
        verdict += f" {len(account.left)} findings are left."
    doubtful = [s.file for s in account.sources if not s.unit_settled]
    if doubtful:
        verdict += f" The unit of {', '.join(doubtful)} is in doubt."
    sizes = tuple(
        f"{name}: {side.size_mm[0]:.3f} x {side.size_mm[1]:.3f} mm, {side.curves} curves, "
        f"{side.regions} closed regions, {side.open_ends} open ends."
        for name, side in (("Before", account.before), ("After", account.after))
    )
    sections = (
        Section("What was received", sizes, _source_table(account.sources)),
        Section("Steps", (), _step_table(account.steps)),
        Section("Findings that were fixed", (), _fix_table(account.fixes)),
        Section("Findings that are left", (), _fix_table(account.left)),
        Section(
            "Closed regions", ("Areas are without holes, exact for lines and arcs.",), _region_table(account.regions)
        ),
    )
    good = not account.left and account.within_budget and not doubtful
    return HtmlPage(f"Mending of {account.name}", made, verdict, good, sections)


def _source_table(sources: list[SourceAccount]) -> Table:
    rows = [
        (
            s.file,
            f"{s.format.upper()} {s.version}",
            s.curves,
            unit_at(s.unit, s.page_scale),
            s.unit_declared or "none",
            s.digest[:16],
        )
        for s in sources
    ]
    return Table(("File", "Format", "Curves", "Unit", "Declared", "SHA-256"), frozenset({2}), rows)


def _step_table(steps: list[StepAccount]) -> Table:
    rows = [
        (s.step if s.on else f"{s.step} (off)", s.changed, _mm(s.max_mm), _mm(s.along_mm), _mm(s.dropped_mm),
         s.failed or s.says)
        for s in steps
    ]  # fmt: skip
    return Table(("Step", "Changed", "Sideways", "Along", "Dropped", "In words"), frozenset({1, 2, 3, 4}), rows)


def _fix_table(fixes: list[FixAccount]) -> Table:
    rows = [
        (
            f.kind,
            f.sketch,
            f"{f.place_mm[0]:.3f}, {f.place_mm[1]:.3f}",
            _mm(f.size_mm),
            f.fix or "none within the tolerance",
            _mm(f.moved_mm),
            _mm(f.along_mm),
            _mm(f.deviation_mm),
            _mm(f.dropped_mm),
        )
        for f in fixes
    ]
    heads = ("Finding", "Sketch", "Place", "Size", "Fix", "Sideways", "Along", "Off", "Dropped")
    return Table(heads, frozenset({2, 3, 5, 6, 7, 8}), rows)


def _region_table(regions: list[RegionAccount]) -> Table:
    rows = [
        (
            r.id,
            r.sketch,
            f"{r.area_mm2:.3f}",
            f"{r.perimeter_mm:.3f}",
            "{:.3f}, {:.3f}".format(*r.centroid_mm),
            r.holes,
            r.depth,
        )
        for r in regions
    ]
    heads = ("Region", "Sketch", "Area mm²", "Perimeter mm", "Centroid", "Holes", "Depth")
    return Table(heads, frozenset({2, 3, 4, 5, 6}), rows)


def report_bytes(accounted: Accounted, ending: str, made: str) -> bytes:
    """The report for a file of that ending: .html, or .json with the same figures. Raises DeliverError."""
    if ending == ".json":
        return msgspec.json.format(msgspec.json.encode(accounted.account), indent=2) + b"\n"
    if ending not in (".html", ".htm"):
        told = ending or "a file without ending"
        raise DeliverError(f"A report cannot be written as {told}.", suggestion="Use .html or .json.")
    marks = [f.place_mm for f in accounted.account.fixes]
    return html_page(page_of(accounted.account, made), accounted.before, accounted.after, marks).encode()


def _mm(value: float) -> str:
    return f"{value:.4g} mm" if value else "0"
