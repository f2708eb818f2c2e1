"""syntaxa inspect: what is in a drawing."""

from __future__ import annotations

from collections import Counter
from pathlib import Path

from syntaxa.cli.records import (
    InspectRecord,
    LayerRecord,
    NotReadRecord,
    SourceRecord,
    UnitRecord,
    WitnessRecord,
)
from syntaxa.cli.tables import table
from syntaxa.drawing.units import mm_per
from syntaxa.intake.registry import load_bytes
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.mend.steps import survey_state

KINDS = ("line", "arc", "circle", "ellipse", "spline", "polyline")


def inspected(path: Path) -> InspectRecord:
    """The record of a file."""
    source = Source.of(path.name, load_bytes(path))
    evaluation = Evaluator().evaluate(Job(source))
    found = survey_state(evaluation.state, None)
    return InspectRecord(
        "syntaxa.inspect/1",
        _source(source, evaluation),
        _unit(evaluation),
        _extents(evaluation),
        _layers(evaluation),
        _kinds(evaluation),
        evaluation.received.drawing.annotations,
        evaluation.received.drawing.blocks,
        [NotReadRecord(n.type, n.count, n.why) for n in evaluation.received.report.not_read],
        list(evaluation.received.report.notes),
        found.counts(),
        len(found.regions),
        found.open_ends,
    )


def print_inspected(record: InspectRecord) -> None:
    """The record for people."""
    unit = record.unit
    print(f"{record.source.file}: {record.source.format.upper()} {record.source.version}")
    declared = f"declares {unit.declared}" if unit.declared else "declares no unit"
    print(f"Unit: the file {declared}; proposed {unit.proposed} ({unit.confidence:.0%})")
    for witness in unit.witnesses:
        print(f"  {witness.unit:<3} {witness.says}")
    if record.extents_mm:
        x, y, u, v = record.extents_mm
        print(f"Extents: {u - x:.3f} x {v - y:.3f} mm, from {x:.3f}, {y:.3f}")
    print(table(("Layer", "Curves", "Shown"), [(r.name, r.curves, _shown(r)) for r in record.layers]))
    print("Curves: " + (", ".join(f"{n} {k}" for k, n in record.curves.items() if n) or "none"))
    if record.annotations:
        print("Also there: " + ", ".join(f"{n} {k}" for k, n in record.annotations.items()))
    for left_out in record.not_read:
        print(f"Not read: {left_out.count} {left_out.type}. {left_out.why}")
    for note in record.notes:
        print(note)
    print("Findings: " + (", ".join(f"{n} {k}" for k, n in sorted(record.findings.items())) or "none"))
    print(f"Closed regions as it stands: {record.regions}; open ends: {record.open_ends}")


def _shown(record: LayerRecord) -> str:
    return "frozen" if record.frozen else "yes" if record.visible else "off"


def _source(source: Source, evaluation: Evaluation) -> SourceRecord:
    report = evaluation.received.report
    return SourceRecord(source.name, report.format, report.version, 1, source.digest)


def _unit(evaluation: Evaluation) -> UnitRecord:
    verdict = evaluation.verdict
    witnesses = [WitnessRecord(w.kind, w.unit, w.weight, w.says) for w in verdict.witnesses]
    declared = evaluation.received.report.declared
    return UnitRecord(declared, verdict.unit, round(verdict.confidence, 4), mm_per(verdict.unit), witnesses)


def _extents(evaluation: Evaluation) -> list[float] | None:
    box = evaluation.received.drawing.transformed(evaluation.first.placement.transform).extents()
    return list(box) if box else None


def _layers(evaluation: Evaluation) -> list[LayerRecord]:
    drawing = evaluation.received.drawing
    count = Counter(c.layer for c in drawing.curves)
    return [LayerRecord(x.name, x.visible, x.frozen, count[x.name]) for x in drawing.layers]


def _kinds(evaluation: Evaluation) -> dict[str, int]:
    count = Counter(c.shape.kind for c in evaluation.received.drawing.curves)
    return {kind: count[kind] for kind in KINDS}
