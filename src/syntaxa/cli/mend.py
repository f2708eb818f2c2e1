"""syntaxa mend: unit, origin, layers, heal, regions, write."""

from __future__ import annotations

import argparse
import math
import time
from collections.abc import Iterator
from pathlib import Path

import msgspec

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.doubts import taken_as
from syntaxa.cli.opening import hidden_in, opened, with_layers
from syntaxa.cli.records import DeviationRecord, LedgerRecord, MendRecord, RegionRecord, SideRecord
from syntaxa.cli.tables import table
from syntaxa.deliver.out import put_out
from syntaxa.deliver.write import ENDED, ENDINGS, Output, deliver
from syntaxa.drawing.quantities import factor_in, length_in, scale_in
from syntaxa.drawing.step import Step
from syntaxa.drawing.units import unit_at
from syntaxa.job.account import account_of, report_bytes
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin, ScaleBy
from syntaxa.mend.deviation import Far, deviation
from syntaxa.mend.model import is_fault
from syntaxa.mend.reshape import ArcsForCurves, Simplify, SquareUp
from syntaxa.mend.steps import MendFindings, RefitFacets, proposed_gap, survey_state
from syntaxa.mend.survey import Survey


def mended_file(options: argparse.Namespace) -> MendRecord:
    """Does all that the options ask for and writes the outputs."""
    began = time.perf_counter()
    outputs = [Path(o) for o in options.output]
    for path in outputs:
        if path.suffix.lower() not in ENDINGS:
            raise UsageError(f"{path.name} has no ending that can be written.", suggestion=f"End it in {ENDED}.")
    path = Path(options.file)
    evaluator = Evaluator()
    job, gap, unmended = mended(options, evaluator)
    before = survey_state(unmended.state, gap)
    evaluation = evaluator.evaluate(job)
    failed = [row.failed for row in evaluation.ledger if row.failed]
    if failed:
        raise UsageError(failed[0])
    after = survey_state(evaluation.state, gap)
    budget = None if options.budget is None else length_in(options.budget, "mm")
    report = Path(options.report) if options.report else None
    if report is not None:
        accounted = account_of(job, path.stem, evaluator, budget)
        put_out(report, report_bytes(accounted, report.suffix.lower(), time.strftime("%d %B %Y, %H:%M")))
    chosen = Output(options.output_unit, options.release, beside=options.beside)
    notes = [f"{o.name}: {note}" for o in outputs for note in deliver(evaluation.state, o, chosen).notes]
    record = _record(evaluation, before, after, gap, outputs, 0.0, options.unit != "auto", budget)
    apart = deviation(unmended.state.made_curves(), evaluation.state.made_curves())
    moved = DeviationRecord(
        record.deviation_mm.max, record.deviation_mm.mean, _largest(apart.kept), _largest(apart.made), apart.bound,
        record.deviation_mm.along,
    )  # fmt: skip
    return msgspec.structs.replace(record, deviation_mm=moved, notes=notes, seconds=time.perf_counter() - began)


def mended(options: argparse.Namespace, evaluator: Evaluator) -> tuple[Job, float, Evaluation]:
    """The drawing placed, with its layers, mended and reshaped; the tolerance (mm), and what it was before."""
    job = opened(options)
    hidden = hidden_in(job, evaluator)
    job = with_layers(_placed(job, options), options, hidden)
    unmended = evaluator.evaluate(job)
    _check_layers(unmended)
    gap = tolerance_in(options.tolerance)
    if gap is None:
        gap = proposed_gap(unmended.state.sketches).gap
    job = job.with_step(MendFindings(gap))
    for step in _reshaping(options):
        job = job.with_step(step)
    return job, gap, unmended


def _reshaping(options: argparse.Namespace) -> Iterator[Step]:
    """The steps of reshaping that are asked for."""
    if options.refit is not None:
        yield RefitFacets(sagitta=length_in(options.refit, "mm"))
    if options.arcs is not None:
        yield ArcsForCurves(length_in(options.arcs, "mm"))
    if options.square is not None:
        yield SquareUp(length_in(options.square, "mm"))
    if options.simplify is not None:
        yield Simplify(length_in(options.simplify, "mm"))


def _largest(side: tuple[Far, ...]) -> float | None:
    return side[0].distance if side and math.isfinite(side[0].distance) else None


def in_doubt(record: MendRecord) -> bool:
    """Whether something should be looked at: faults, a unit that nobody settled, or a budget exceeded."""
    moved = max(record.deviation_mm.max, record.deviation_mm.along)
    over = record.budget_mm is not None and moved > record.budget_mm
    return over or not record.unit_settled or any(is_fault(kind) for kind in record.after.findings)


def print_mended(record: MendRecord) -> None:
    """The record for people."""
    if not record.unit_settled:
        taken = taken_as(record.unit_declared, record.unit, record.page_scale, record.unit_confidence)
        print(f"The unit is in doubt: the file {taken}.")
        print("See syntaxa inspect for what speaks for and against it, and settle it with --unit.")
    unit = unit_at(record.unit, record.page_scale)
    print(f"Unit {unit}, scale {record.scale:g}, tolerance {record.tolerance_mm:.4g} mm")
    kinds = sorted({*record.before.findings, *record.after.findings})
    rows: list[tuple[object, ...]] = [
        ("curves", record.before.curves, record.after.curves),
        ("open ends", record.before.open_ends, record.after.open_ends),
        ("closed regions", record.before.regions, record.after.regions),
        *((k, record.before.findings.get(k, 0), record.after.findings.get(k, 0)) for k in kinds),
    ]
    print(table(("", "Before", "After"), rows))
    moved = record.deviation_mm
    farthest = max(moved.max, moved.along)
    if record.budget_mm is not None and farthest > record.budget_mm:
        print(f"That is over the budget: {record.budget_mm:.4g} mm may be moved, {farthest:.4g} mm was.")
    if moved.to_result is not None and moved.to_received is not None:
        print(
            f"Measured: nothing received lies more than {moved.to_result:.4g} mm from the result, nothing in it "
            f"more than {moved.to_received:.4g} mm from what was received (to {moved.bound:.2g} mm)"
        )
    print(f"Nothing was moved sideways by more than {moved.max:.4g} mm (mean {moved.mean:.4g} mm)")
    print(f"Nothing was drawn on or cut back on its own line by more than {moved.along:.4g} mm")
    print(
        table(
            ("Step", "Changed", "Sideways mm", "Along mm", "Dropped mm"),
            [
                (r.step, r.changed, round(r.max_mm, 6), round(r.along_mm, 6), round(r.dropped_mm, 3))
                for r in record.ledger
            ],
        )
    )
    for output in record.outputs:
        print(f"Written: {output}")
    for note in record.notes:
        print(note)


def _placed(job: Job, options: argparse.Namespace) -> Job:
    if options.unit != "auto" or options.page_scale is not None:
        if options.unit == "auto":
            raise UsageError("--page-scale needs --unit.")
        page_scale = 1.0 if options.page_scale is None else scale_in(options.page_scale)
        job = job.with_step(ChooseUnit(options.unit, page_scale=page_scale))
    if options.scale is not None:
        factor = factor_in(options.scale)
        if not (math.isfinite(factor) and factor > 0):
            raise UsageError("The scale must be a number above 0.")
        job = job.with_step(ScaleBy(factor))
    origin = _origin(options.origin)
    return job.with_step(origin) if origin.mode != "as-drawn" else job


def _origin(text: str) -> PlaceOrigin:
    if text in ("as-drawn", "lower-left", "centre"):
        return PlaceOrigin(text)  # type: ignore[arg-type]
    try:
        x, y = (float(part) for part in text.split(","))
    except ValueError:
        raise UsageError(
            f"“{text}” is no origin.", suggestion="Use as-drawn, lower-left, centre or X,Y in mm."
        ) from None
    return PlaceOrigin("point", x, y)


def tolerance_in(text: str) -> float | None:
    """A tolerance in mm; None where it is to be read off. Raises UsageError."""
    if text == "auto":
        return None
    try:
        gap = float(text)
    except ValueError:
        gap = math.nan
    if not 0 < gap < 1e6:
        raise UsageError(f"“{text}” is no tolerance.", suggestion="Use auto or a length in mm above 0.")
    return gap


def _check_layers(evaluation: Evaluation) -> None:
    for row in evaluation.ledger:
        if row.entry.missing:
            known = ", ".join(layer.name for layer in evaluation.received.drawing.layers)
            raise UsageError(f"There is no layer {', '.join(row.entry.missing)}.", suggestion=f"There are: {known}.")


def _side(found: Survey) -> SideRecord:
    return SideRecord(found.curves, found.open_ends, len(found.regions), found.counts())


def _record(
    evaluation: Evaluation,
    before: Survey,
    after: Survey,
    gap: float,
    outputs: list[Path],
    seconds: float,
    settled: bool,
    budget: float | None,
) -> MendRecord:
    regions = [
        RegionRecord(
            r.id, r.area, r.perimeter, list(r.box), r.holes, r.depth, r.sketch, list(r.curves), list(r.centroid)
        )
        for r in after.regions
    ]
    ledger = [
        LedgerRecord(
            r.title,
            r.entry.changed,
            r.entry.max_mm,
            r.entry.mean_mm,
            r.entry.dropped_mm,
            r.seconds,
            r.entry.says,
            r.entry.along_mm,
        )
        for r in evaluation.ledger
    ]
    worst = max((r.entry.max_mm for r in evaluation.ledger), default=0.0)
    last = next(r.entry for r in reversed(evaluation.ledger) if r.title.startswith("Mend"))
    placement = evaluation.state.placement
    return MendRecord(
        "syntaxa.mend/1",
        placement.unit,
        placement.by.scale,
        evaluation.received.report.declared,
        evaluation.verdict.unit,
        round(evaluation.verdict.confidence, 4),
        gap,
        _side(before),
        _side(after),
        regions,
        DeviationRecord(worst, last.mean_mm, along=max((r.entry.along_mm for r in evaluation.ledger), default=0.0)),
        ledger,
        [str(o) for o in outputs],
        seconds,
        placement.page_scale,
        evaluation.verdict.sure or settled,
        budget,
    )
