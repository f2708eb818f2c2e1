"""syntaxa form: makes solids of the regions of a drawing and writes them."""

from __future__ import annotations

import argparse
import time
from collections.abc import Iterator
from pathlib import Path

import msgspec

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.define import defined_job, mended_job
from syntaxa.cli.doubts import unit_doubts
from syntaxa.cli.kernel import solid_evaluator
from syntaxa.cli.records import (
    BodyRecord,
    FailedRecord,
    FeatureRecord,
    FoldedViewRecord,
    FormRecord,
    ProjectionRecord,
)
from syntaxa.cli.tables import table
from syntaxa.deliver.solids import SOLID_ENDINGS, deliver_solids
from syntaxa.deliver.write import ENDINGS, deliver
from syntaxa.drawing.state import State
from syntaxa.form.base import FormStep
from syntaxa.form.bodies import DescribeBody
from syntaxa.form.choosing import Axis
from syntaxa.form.edges import RULE_WORDS, EdgeRule, TreatEdges
from syntaxa.form.folded import FoldViews
from syntaxa.form.folding.reading import DOUBTFUL
from syntaxa.form.part import Body, Formed
from syntaxa.form.raising import RaiseBy, RaiseRegions, TurnRegions
from syntaxa.job.evaluate import Evaluation, Evaluator
from syntaxa.job.model import Job


def formed_file(options: argparse.Namespace) -> FormRecord:
    """Does all that the options ask for and writes the outputs."""
    began = time.perf_counter()
    outputs = _outputs(options)
    evaluator = solid_evaluator()
    job = mended_job(options, evaluator)
    if options.set:
        job, _ = defined_job(job, options, evaluator)
    if not is_asked(options):
        raise UsageError(
            "Nothing says what is to be made.",
            suggestion="Give --thickness, --thickness-by, --turn-about or --views.",
        )
    job, evaluation = formed(job, options, evaluator)
    written, notes = _write(evaluation, outputs)
    doubts = unit_doubts(job, evaluation)
    record = _record(evaluation.state.part(Formed), written, [*doubts, *notes], time.perf_counter() - began)
    return msgspec.structs.replace(record, unit_settled=not doubts)


def is_asked(options: argparse.Namespace) -> bool:
    """Whether the options say what bodies are to be made."""
    return bool(options.views or options.thickness or options.thickness_by or options.turn_about)


def formed(job: Job, options: argparse.Namespace, evaluator: Evaluator) -> tuple[Job, Evaluation]:
    """The job with the bodies that the options ask for; raises UsageError where none of a kind can be made."""
    evaluation = evaluator.evaluate(job)
    job, evaluation = _done(job, evaluation, evaluator, list(_making(options, evaluation.state)))
    bodies = evaluation.state.part(Formed).bodies
    return _done(job, evaluation, evaluator, list(_finishing(options, bodies)))


def in_doubt(record: FormRecord) -> bool:
    """Whether something could not be made, is not sound, or of a size that nobody settled."""
    unsure = not record.unit_settled or (record.projection is not None and record.projection.confidence < DOUBTFUL)
    return unsure or bool(record.failed) or not all(b.valid for b in record.bodies)


def print_formed(record: FormRecord) -> None:
    """The record for people."""
    rows = [
        (
            b.name,
            f"{b.volume_mm3:,.3f}",
            "" if b.mass_kg is None else f"{b.mass_kg:.6g}",
            " x ".join(f"{high - low:.6g}" for low, high in zip(b.bbox_mm[:3], b.bbox_mm[3:], strict=True)),
            sum(b.faces.values()),
            "sound" if b.valid else "not sound",
        )
        for b in record.bodies
    ]
    print(table(("Body", "Volume mm³", "Mass kg", "Box mm", "Faces", ""), rows))
    if record.projection is not None:
        print(record.projection.says)
    for failed in record.failed:
        print(f"{failed.feature}: {failed.edge}: {failed.why}")
    for output in record.outputs:
        print(f"Written: {output}")
    for note in record.notes:
        print(note)


# ---------------------------------------------------------------------- what is asked for


def _outputs(options: argparse.Namespace) -> list[Path]:
    outputs = [Path(o) for o in options.output or ()]
    for path in outputs:
        if path.suffix.lower() not in (*SOLID_ENDINGS, *ENDINGS):
            raise UsageError(
                f"{path.name} has no ending that can be written.",
                suggestion="End it in .step, .stl, .3mf, .dxf or .svg.",
            )
    return outputs


def _making(options: argparse.Namespace, state: State) -> Iterator[FormStep]:
    """The steps that make bodies."""
    sketches = [s.name for s in state.profiles()]
    if options.views:
        yield FoldViews(options.views)
    if options.thickness:
        yield from (RaiseRegions(f"Raise {k}", name, high=options.thickness) for k, name in enumerate(sketches, 1))
    if options.thickness_by:
        yield _by(options.thickness_by)
    if options.turn_about:
        axis, angle = _axis(options.turn_about)
        yield from (TurnRegions(f"Turn {k}", name, axis, end=angle) for k, name in enumerate(sketches, 1))


def _by(text: str) -> RaiseBy:
    kinds, thicknesses = set(), []
    for part in text.split(","):
        key, sign, value = part.partition("=")
        kind, colon, name = key.partition(":")
        if not sign or not colon or kind.strip() not in ("layer", "role"):
            raise UsageError(f"“{part}” is no thickness.", suggestion="Write layer:NAME=3 or role:NAME=3.")
        kinds.add(kind.strip())
        thicknesses.append((name.strip(), value.strip()))
    if len(kinds) > 1:
        raise UsageError("Use either layers or roles, not both.")
    return RaiseBy("Raise", "layer" if "layer" in kinds else "role", tuple(thicknesses))


def _axis(text: str) -> tuple[Axis, str]:
    try:
        numbers = [float(n) for n in text.split(",")]
    except ValueError:
        numbers = []
    if len(numbers) not in (4, 5):
        raise UsageError(
            f"“{text}” is no line.", suggestion="Write X1,Y1,X2,Y2 in mm, and an angle in degrees behind it."
        )
    angle = f"{numbers[4]:g}" if len(numbers) == 5 else "360"
    return Axis(start=(numbers[0], numbers[1]), end=(numbers[2], numbers[3])), angle


def _finishing(options: argparse.Namespace, bodies: tuple[Body, ...]) -> Iterator[FormStep]:
    """The steps that treat edges and weigh, for every body."""
    for kind, texts in (("fillet", options.fillet), ("chamfer", options.chamfer)):
        for k, text in enumerate(texts, 1):
            rule, size = _rule(text)
            for body in bodies:
                feature = f"{kind.capitalize()} {k} of {body.name}"
                yield TreatEdges(feature, "fillet" if kind == "fillet" else "chamfer", size, body.name, rule=rule)
    if options.material:
        yield from (DescribeBody(body.name, material=options.material) for body in bodies)


def _rule(text: str) -> tuple[EdgeRule, str]:
    name, sign, size = text.partition("=")
    for rule in RULE_WORDS:
        if sign and rule == name.strip():
            return rule, size.strip()
    raise UsageError(f"“{text}” is no rule for edges.", suggestion=f"Write one of {', '.join(RULE_WORDS)}, then =SIZE.")


# ---------------------------------------------------------------------- what is done and told


def _done(job: Job, evaluation: Evaluation, evaluator: Evaluator, steps: list[FormStep]) -> tuple[Job, Evaluation]:
    """The job with some steps; raises UsageError where none of their kind could be done."""
    if not steps:
        return job, evaluation
    for step in steps:
        job = job.with_step(step)
    evaluation = evaluator.evaluate(job)
    mine = {s.number for s in job.steps if s.step in steps}
    rows = [row for row in evaluation.ledger if row.number in mine]
    failed = [row for row in rows if row.failed]
    if len(failed) == len(rows):
        raise UsageError(f"{failed[0].title}: {failed[0].failed}")
    return job, evaluation


def _write(evaluation: Evaluation, outputs: list[Path]) -> tuple[list[str], list[str]]:
    notes = [f"{row.title}: {row.failed}" for row in evaluation.ledger if row.failed]
    for path in outputs:
        if path.suffix.lower() in SOLID_ENDINGS:
            said = deliver_solids(evaluation.state, path, context=evaluation.context())
        else:
            said = deliver(evaluation.state, path).notes
        notes += [f"{path.name}: {note}" for note in said]
    return [str(p) for p in outputs], notes


def _record(part: Formed, outputs: list[str], notes: list[str], seconds: float) -> FormRecord:
    folding = part.folding
    return FormRecord(
        "syntaxa.form/1",
        [FoldedViewRecord(role, list(box), folding.method) for role, box in folding.views] if folding else [],
        ProjectionRecord(folding.method, folding.score, folding.says) if folding else None,
        [_body(b) for b in part.bodies],
        [FeatureRecord(f.kind, f.says, f.after) for f in part.features],
        [FailedRecord(f.name, edge, why) for f in part.features for edge, why in f.failed],
        outputs,
        notes,
        seconds,
    )


def _body(body: Body) -> BodyRecord:
    f = body.figures
    return BodyRecord(
        body.name, f.volume, f.area, list(f.centroid), list(f.box), body.mass, dict(f.faces), f.edges, f.valid
    )
