"""syntaxa inspect: what is in a drawing."""

from __future__ import annotations

import argparse
from collections import Counter
from pathlib import Path

from syntaxa.cli.arguments import UsageError, names, read_options
from syntaxa.cli.records import (
    CandidateRecord,
    InspectRecord,
    LayerRecord,
    SourceRecord,
    UnitRecord,
    WitnessRecord,
)
from syntaxa.cli.tables import table
from syntaxa.counting import enumerated
from syntaxa.drawing.model import Drawing
from syntaxa.drawing.units import mm_per, scale_text
from syntaxa.intake.model import Received
from syntaxa.intake.registry import load_bytes
from syntaxa.intake.report import CURVE_KINDS, IntakeRecord, record_of
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.mend.steps import survey_state


def inspected(options: argparse.Namespace) -> InspectRecord:
    """The record of a file."""
    source, evaluation = _evaluated(options)
    found = survey_state(evaluation.state, None)
    taken = evaluation.first.taken[0].drawing
    report = record_of(source.name, Received(taken, evaluation.received.report))
    return InspectRecord(
        "syntaxa.inspect/1",
        _source(source, evaluation),
        _unit(evaluation),
        _extents(evaluation),
        _layers(taken),
        _kinds(taken),
        taken.annotation_counts(),
        taken.blocks,
        report.not_read,
        list(report.repaired),
        found.counts(),
        len(found.regions),
        found.open_ends,
        report.sheets,
        report.triangles,
        report.degenerate,
        report.fonts_missing,
        report.clipped,
        report.dimensions_disagree,
    )


def reported(options: argparse.Namespace) -> IntakeRecord:
    """The import report of a file."""
    source, evaluation = _evaluated(options)
    return record_of(source.name, Received(evaluation.first.taken[0].drawing, evaluation.received.report))


def _evaluated(options: argparse.Namespace) -> tuple[Source, Evaluation]:
    path = Path(options.file)
    source = Source.of(path.name, load_bytes(path))
    only = names(options.layers) or None
    choice = TakeIn(read=read_options(options), only=only, left_out=names(options.skip_layers))
    job = Job.of(source)
    evaluation = Evaluator().evaluate(job if choice == TakeIn() else job.with_step(choice))
    missing = [name for row in evaluation.ledger for name in row.entry.missing]
    if missing:
        known = ", ".join(layer.name for layer in evaluation.received.drawing.layers)
        raise UsageError(f"There is no layer {', '.join(missing)}.", suggestion=f"There are: {known}.")
    return source, evaluation


def print_inspected(record: InspectRecord) -> None:
    """The record for people."""
    unit = record.unit
    print(f"{record.source.file}: {record.source.format.upper()} {record.source.version}")
    declared = f"declares {unit.declared}" if unit.declared else "declares no unit"
    scale = f" at {scale_text(unit.page_scale)}" if unit.page_scale != 1 else ""
    doubt = "" if unit.settled else ", which is in doubt"
    print(f"Unit: the file {declared}; proposed {unit.proposed}{scale} ({unit.confidence:.0%}){doubt}")
    for witness in unit.witnesses:
        print(f"  {witness.unit:<4} {witness.says}")
    if record.extents_mm:
        x, y, u, v = record.extents_mm
        print(f"Extents: {u - x:.3f} x {v - y:.3f} mm, from {x:.3f}, {y:.3f}")
    print(table(("Layer", "Curves", "Shown"), [(r.name, r.curves, _shown(r)) for r in record.layers]))
    print("Curves: " + (enumerated((k, n) for k, n in record.curves.items() if n) or "none"))
    if record.annotations:
        print("Also there: " + enumerated(record.annotations.items()))
    if record.sheets:
        print("Pages and layouts: " + ", ".join(record.sheets))
    for left_out in record.not_read:
        print(f"Not read: {left_out.count} {left_out.type}. {left_out.why}")
    for kind, count in record.degenerate.items():
        print(f"Dropped: {count} {kind} without size.")
    for note in record.notes:
        print(note)
    for d in record.dimensions_disagree:
        print(f"A dimension on {d.layer} says {d.says:g}, but {d.drawn:g} is drawn.")
    print("Findings: " + (enumerated(sorted(record.findings.items())) or "none"))
    print(f"Closed regions as it stands: {record.regions}; open ends: {record.open_ends}")


def _shown(record: LayerRecord) -> str:
    return "frozen" if record.frozen else "yes" if record.visible else "off"


def _source(source: Source, evaluation: Evaluation) -> SourceRecord:
    report = evaluation.received.report
    pages = sum(1 for s in report.sheets if s.name.isdigit()) or 1
    return SourceRecord(source.name, report.format, report.version, pages, source.digest)


def _unit(evaluation: Evaluation) -> UnitRecord:
    verdict = evaluation.verdict
    return UnitRecord(
        evaluation.received.report.declared,
        verdict.unit,
        round(verdict.confidence, 4),
        mm_per(verdict.unit) * verdict.page_scale,
        [WitnessRecord(w.kind, w.unit, w.weight, w.says, w.page_scale) for w in verdict.witnesses],
        verdict.page_scale,
        verdict.sure,
        [CandidateRecord(c.unit, c.page_scale, round(c.probability, 4)) for c in verdict.candidates],
    )


def _extents(evaluation: Evaluation) -> list[float] | None:
    received = evaluation.first.received()
    box = received.extents() or received.full_extents()
    return list(box) if box else None


def _layers(drawing: Drawing) -> list[LayerRecord]:
    count = Counter(c.layer for c in drawing.curves)
    return [LayerRecord(x.name, x.visible, x.frozen, count[x.name]) for x in drawing.layers]


def _kinds(drawing: Drawing) -> dict[str, int]:
    count = Counter(c.shape.kind for c in drawing.curves)
    return {kind: count[kind] for kind in CURVE_KINDS}
