"""syntaxa define: reads off what holds, binds dimensions, sets values, solves and writes."""

from __future__ import annotations

import argparse
import math
import time
from collections.abc import Iterator, Sequence
from pathlib import Path

import msgspec
import numpy as np

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.doubts import unit_doubts
from syntaxa.cli.mend import tolerance_in
from syntaxa.cli.opening import hidden_in, opened, with_layers
from syntaxa.cli.records import (
    DefinedDimensionRecord,
    DefinedSketchRecord,
    DefineRecord,
    MovedRecord,
    ParameterRecord,
    ProposalRecord,
)
from syntaxa.cli.tables import table
from syntaxa.define.base import DefineStep
from syntaxa.define.formulas import Quantity
from syntaxa.define.holding import HoldSketch
from syntaxa.define.model import Measure
from syntaxa.define.part import Defined
from syntaxa.define.settling import contradictions_in, idle_in, moved_between
from syntaxa.define.sizes import setting_steps
from syntaxa.define.stating import Statements
from syntaxa.define.steps import BindDimensions, ReadOff
from syntaxa.define.values import drives, driving, quantities_of, values_of
from syntaxa.define.variants import variants_in
from syntaxa.define.views import Definition, SketchFreedom, defined
from syntaxa.deliver.write import ENDED, ENDINGS, Output, deliver
from syntaxa.drawing.quantities import length_in
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Step
from syntaxa.job.evaluate import Evaluation, Evaluator, Row
from syntaxa.job.model import Job
from syntaxa.job.variants import variant_state, write_variants
from syntaxa.measure.steps import ChooseUnit
from syntaxa.mend.steps import MendFindings


def defined_file(options: argparse.Namespace) -> DefineRecord:
    """Does all that the options ask for and writes the outputs."""
    began = time.perf_counter()
    outputs = _outputs(options)
    evaluator = Evaluator()
    job = mended_job(options, evaluator)
    mended = evaluator.evaluate(job).state
    job, evaluation = defined_job(job, options, evaluator)
    written: list[str] = []
    doubts = unit_doubts(job, evaluation)
    notes = [*doubts, *(row.entry.says for row in _mine(job, evaluation) if row.entry.says)]
    if options.variants:
        written, more = _write_variants(evaluation, options, outputs[0])
        notes += more
    else:
        for output in outputs:
            notes += [f"{output.name}: {n}" for n in deliver(evaluation.state, output).notes]
            written.append(str(output))
    record = _record(mended, evaluation, written, notes, time.perf_counter() - began)
    return msgspec.structs.replace(record, unit_settled=not doubts)


def mended_job(options: argparse.Namespace, evaluator: Evaluator) -> Job:
    """The drawing in its unit, with its layers, mended."""
    job = opened(options)
    if options.unit != "auto":
        job = job.with_step(ChooseUnit(options.unit))
    job = with_layers(job, options, hidden_in(job, evaluator))
    return job.with_step(MendFindings(tolerance_in(options.tolerance)))


def defined_job(job: Job, options: argparse.Namespace, evaluator: Evaluator) -> tuple[Job, Evaluation]:
    """The job with what is read off, bound and set; raises UsageError where something cannot be."""
    for step in _reading_off(options):
        job = job.with_step(step)
    return _with_settings(job, evaluator, [_setting(s) for s in options.set])


def in_doubt(record: DefineRecord) -> bool:
    """Whether something is free, says what is not drawn, or is of a size that nobody settled."""
    return (
        not record.unit_settled
        or any(not s.held and s.freedom != 0 for s in record.sketches)
        or any(d.disagrees for d in record.dimensions)
    )


def print_defined(record: DefineRecord, *, propose: bool) -> None:
    """The record for people."""
    rows = [(s.name, s.curves, sum(s.constraints.values()), _free(s)) for s in record.sketches]
    print(table(("Sketch", "Curves", "Constraints", "Free"), rows))
    if record.dimensions:
        print(
            table(
                ("Dimension", "Kind", "Value", "", "Written", "Of"),
                [
                    (
                        d.name,
                        d.kind,
                        f"{d.value:.6g} {d.unit}",
                        "drives" if d.live else "disagrees" if d.disagrees else "measured",
                        "" if d.written is None else f"{d.written:.6g}",
                        ", ".join(d.curves),
                    )
                    for d in record.dimensions
                ],
            )
        )
    for p in record.parameters:
        print(f"{p.name} = {p.expression}: {p.value:.6g} {p.unit}".rstrip())
    if propose:
        print(f"Missing: {len(record.proposals)}" if record.proposals else _nothing_missing(record))
        for proposal in record.proposals:
            value = "" if proposal.value is None else f": {proposal.value:.6g}"
            print(f"  {proposal.sketch}: {proposal.kind} of {', '.join(proposal.curves)}{value}")
    print(f"Points were moved by {record.moved_mm.max:.4g} mm at most (mean {record.moved_mm.mean:.4g} mm)")
    for output in record.outputs:
        print(f"Written: {output}")
    for note in record.notes:
        print(note)


def _nothing_missing(record: DefineRecord) -> str:
    large = [s.name for s in record.sketches if not s.held and s.freedom is None]
    return f"What is missing was not looked for in {', '.join(large)}: too large." if large else "Nothing is missing."


def _free(sketch: DefinedSketchRecord) -> str:
    if sketch.held:
        return "held whole"
    if sketch.freedom is None:
        return "not counted, too large"
    return str(sketch.freedom) if sketch.freedom else "none, fully defined"


# ---------------------------------------------------------------------- what is asked for


def _outputs(options: argparse.Namespace) -> list[Path]:
    outputs = [Path(o) for o in options.output or ()]
    if options.variants:
        if len(outputs) != 1:
            raise UsageError("--variants needs one folder, given with -o.")
        return outputs
    for path in outputs:
        if path.suffix.lower() not in ENDINGS:
            raise UsageError(f"{path.name} has no ending that can be written.", suggestion=f"End it in {ENDED}.")
    return outputs


def _reading_off(options: argparse.Namespace) -> Iterator[Step]:
    yield from (HoldSketch(name) for name in options.hold)
    if not options.no_infer:
        yield ReadOff(length_in(options.level, "mm"), options.angle)
    if not options.no_dimensions:
        yield BindDimensions()


def _setting(text: str) -> tuple[str, str]:
    name, sign, expression = text.partition("=")
    if not sign or not name.strip() or not expression.strip():
        raise UsageError(f"“{text}” sets nothing.", suggestion="Write NAME=VALUE, such as d1=150.")
    return name.strip(), expression.strip()


def _with_settings(job: Job, evaluator: Evaluator, settings: Sequence[tuple[str, str]]) -> tuple[Job, Evaluation]:
    """The job with values set; raises UsageError where one cannot be."""
    evaluation = evaluator.evaluate(job)
    _refuse_failed(evaluation)
    for step in setting_steps(evaluation.state.part(Defined), settings):
        job = job.with_step(step)
    evaluation = evaluator.evaluate(job)
    _refuse_failed(evaluation)
    return job, evaluation


def _refuse_failed(evaluation: Evaluation) -> None:
    failed = [row for row in evaluation.ledger if row.failed]
    if failed:
        raise UsageError(f"{failed[0].title}: {failed[0].failed}")


def _write_variants(evaluation: Evaluation, options: argparse.Namespace, folder: Path) -> tuple[list[str], list[str]]:
    path = Path(options.variants)
    try:
        variants = variants_in(path.read_bytes(), path.name)
        folder.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise UsageError(f"{error.filename or path} cannot be used: {error.strerror}.") from None
    for variant in variants:
        # All of them can be, or none is written.
        variant_state(evaluation, variant)
    files, notes = write_variants(evaluation, variants, [folder / f"{Path(options.file).stem}.dxf"], Output())
    return [str(f) for f in files], notes


# ---------------------------------------------------------------------- what is told


def _mine(job: Job, evaluation: Evaluation) -> list[Row]:
    mine = {s.number for s in job.steps if isinstance(s.step, DefineStep)}
    return [row for row in evaluation.ledger if row.number in mine]


def _record(
    mended: State, evaluation: Evaluation, outputs: list[str], notes: list[str], seconds: float
) -> DefineRecord:
    state = evaluation.state
    part, found = state.part(Defined), defined(state)
    later = {s.name: s.curves for s in state.sketches}
    moves = np.concatenate(
        [moved_between(s.curves, later[s.name]) for s in mended.sketches if s.name in later] or [np.zeros(0)]
    )
    return DefineRecord(
        "syntaxa.define/1",
        [_sketch(s, part, state) for s in found.sketches],
        [_dimension(m, part, found) for m in part.measures],
        [_parameter(p.name, p.expression, quantities_of(part, found.measured)) for p in part.parameters],
        list(_proposals(found)),
        MovedRecord(float(moves.max(initial=0.0)), float(moves.mean()) if len(moves) else 0.0),
        outputs,
        seconds,
        notes,
    )


def _sketch(sketch: SketchFreedom, part: Defined, state: State) -> DefinedSketchRecord:
    said = Statements.of(state, part)
    values = driving(part, said.measured)
    stated = said.stated.get(sketch.name)
    counted = stated is not None and sketch.freedom is not None and not sketch.held
    redundant = len(idle_in(stated, values)) if stated is not None and counted else 0
    wanted = values_of(part, said.measured)
    against = contradictions_in(stated, wanted) if stated is not None and not sketch.held else []
    return DefinedSketchRecord(
        sketch.name, sketch.points, sketch.curves, sketch.freedom, sketch.held, sketch.kinds, redundant,
        [list(names) for names in against],
    )  # fmt: skip


def _dimension(measure: Measure, part: Defined, found: Definition) -> DefinedDimensionRecord:
    def shown(value: float | None) -> float | None:
        return math.degrees(value) if value is not None and measure.is_angle else value

    return DefinedDimensionRecord(
        measure.name,
        measure.kind,
        shown(found.measured.get(measure.name)) or 0.0,
        "deg" if measure.is_angle else "mm",
        measure.text,
        drives(part, measure.name),
        [str(n) for n in measure.things],
        measure.name in found.disagreeing,
        shown(measure.written),
    )


def _parameter(name: str, expression: str, values: dict[str, Quantity]) -> ParameterRecord:
    value = values[name]
    if value.angle:
        return ParameterRecord(name, expression, math.degrees(value.size), "deg")
    return ParameterRecord(name, expression, value.size, "mm" if value.length == 1 else "")


def _proposals(found: Definition) -> Iterator[ProposalRecord]:
    for sketch in found.sketches:
        missing = sketch.missing
        for c in missing.constraints:
            yield ProposalRecord(sketch.name, c.kind, [str(n) for n in c.things], None)
        for m, value in zip(missing.measures, missing.values, strict=True):
            shown = math.degrees(value) if m.is_angle else value
            yield ProposalRecord(sketch.name, m.kind, [str(n) for n in m.things], shown)
