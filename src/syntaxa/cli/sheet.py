"""syntaxa sheet: a sheet of paper with views, as PDF, SVG, DXF or PNG."""

from __future__ import annotations

import argparse
import re
from collections.abc import Sequence
from pathlib import Path

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.kernel import solid_evaluator
from syntaxa.cli.records import DisagreeRecord, NotCarriedRecord, SheetRecord, SheetViewRecord
from syntaxa.cli.whole import doubts_of, whole_job
from syntaxa.deliver.sheets.contents import Sources
from syntaxa.deliver.sheets.frame import template_fields
from syntaxa.deliver.sheets.looking import AXES
from syntaxa.deliver.sheets.making import Made, made_sheet
from syntaxa.deliver.sheets.model import Sheet, Sheets, SheetView
from syntaxa.deliver.sheets.papers import scale_text
from syntaxa.deliver.sheets.steps import SheetEachPart, check_sheet
from syntaxa.deliver.sheets.writing import ENDINGS, PageOutput, left_out, write_pages
from syntaxa.drawing.state import State
from syntaxa.form.part import Formed
from syntaxa.job.evaluate import Evaluation
from syntaxa.measure.disagreements import disagreements

#: Other words for views of bodies.
_WORDS = {"side": "right", "iso": "isometric"}


def sheet_file(options: argparse.Namespace) -> SheetRecord:
    """Does all that the options ask for and writes the sheet, or one for each part."""
    output = Path(options.output)
    if output.suffix.lower() not in ENDINGS and not options.each_part:
        raise UsageError(
            f"{output.name} has no ending that can be written.", suggestion=f"End it in {', '.join(ENDINGS)}."
        )
    if not 1 <= options.dots <= 10_000:
        raise UsageError("The dots to the inch of a picture are 1 to 10,000.")
    options = _with_layout(options)
    evaluator = solid_evaluator()
    whole, evaluation = whole_job(options, evaluator)
    doubts = doubts_of(options, whole, evaluation)
    sheet = _sheet(options, evaluation.state)
    job = Path(options.file).stem
    if options.each_part:
        return _each_part(options, evaluation, sheet, job, doubts)
    sources = Sources(evaluation.state, evaluation.context(), evaluation.changes)
    made = made_sheet(sheet, evaluation.state, evaluation.context(), job, sources)
    return _written([made], [output], options, evaluation, doubts)


def _each_part(
    options: argparse.Namespace, evaluation: Evaluation, sheet: Sheet, job: str, doubts: list[str]
) -> SheetRecord:
    """A sheet for each part that lies apart in the received drawing, into a folder or numbered."""
    state, _ = SheetEachPart(sheet).apply(evaluation.state, evaluation.context())
    output = Path(options.output)
    folder = output.suffix.lower() not in ENDINGS
    ending, stem = (".pdf", job) if folder else (output.suffix, output.stem)
    base = output if folder else output.parent
    base.mkdir(parents=True, exist_ok=True)
    sources = Sources(state, evaluation.context(), evaluation.changes)
    made, paths = [], []
    for n, one in enumerate(state.part(Sheets).sheets, 1):
        made.append(made_sheet(one, state, evaluation.context(), f"{job} {n}", sources))
        paths.append(base / f"{stem}-{n}{ending}")
    return _written(made, paths, options, evaluation, doubts)


def _with_layout(options: argparse.Namespace) -> argparse.Namespace:
    """A layout that is named as a view is what is read of the drawing."""
    wanted = options.sheet_views or ""
    if wanted.startswith("layout:"):
        options.layout, options.sheet_views = wanted.partition(":")[2], "received"
    return options


def _sheet(options: argparse.Namespace, state: State) -> Sheet:
    fields = []
    known = template_fields(options.frame)
    for text in options.field:
        name, sign, value = text.partition("=")
        if not sign or name not in known:
            raise UsageError(f"“{text}” fills no field.", suggestion=f"Fields are {', '.join(known)}.")
        fields.append((name, value))
    # What is hidden is not drawn in a view at a slant and in a section (ISO 128-3, from memory).
    views = tuple(SheetView(name, hidden=name in AXES) for name in _views(options.sheet_views, state))
    made = Sheet(
        "Sheet", options.paper, "usual", options.frame, tuple(fields), options.sheet_scale, options.method, options.ink,
        views, (), options.holes, options.parts, options.changes,
    )  # fmt: skip
    check_sheet(made)
    return made


def _views(text: str | None, state: State) -> Sequence[str]:
    """What is seen; where nothing is said, views of the bodies, else the profiles."""
    if text is None:
        return ("front", "top", "right", "isometric") if state.part(Formed).bodies else ("profiles",)
    # A comma before a number belongs to a place.
    names = [n.strip() for n in re.split(r",(?=\s*[A-Za-z])", text) if n.strip()]
    return [_WORDS.get(n, n) for n in names]


def _written(
    made: Sequence[Made], paths: Sequence[Path], options: argparse.Namespace, evaluation: Evaluation, doubts: list[str]
) -> SheetRecord:
    notes = list(doubts)
    for one, path in zip(made, paths, strict=True):
        write_pages([one.leaf], path, PageOutput(options.archive, options.dots))
        said = [*one.told(), *left_out([one.leaf], path.suffix.lower())]
        notes += [f"{path.name}: {note}" for note in said]
    first = made[0]
    lost = [NotCarriedRecord(kind, count, why) for one in made for kind, count, why in one.lost]
    apart = [DisagreeRecord(d.id, d.stated, d.drawn) for d in disagreements(evaluation.state)]
    return SheetRecord(
        "syntaxa.sheet/1", [first.leaf.width, first.leaf.height], scale_text(first.scale),
        [SheetViewRecord(name, list(box)) for one in made for name, box in one.boxes],
        sum(one.leaf.count_lines() for one in made), sum(one.dimensions for one in made), lost, apart,
        ["JetBrains Mono"], [str(p) for p in paths], notes, not doubts,
    )  # fmt: skip


def in_doubt(record: SheetRecord) -> bool:
    """Whether something was lost, does not fit, or disagrees."""
    return bool(record.not_carried or record.disagree or record.notes)


def print_sheet(record: SheetRecord) -> None:
    """The record for people."""
    width, height = record.paper_mm
    print(f"{width:g} x {height:g} mm, {record.scale}, {record.lines:,} lines, {record.dimensions} dimensions")
    for output in record.outputs:
        print(f"Written: {output}")
    for note in record.notes:
        print(note)
