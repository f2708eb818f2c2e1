"""syntaxa cut: what is to be cut, how, in which order; the program, read again and judged."""

from __future__ import annotations

import argparse
from collections import Counter
from collections.abc import Iterable, Sequence
from pathlib import Path

import msgspec

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.doubts import unit_doubts
from syntaxa.cli.mend import mended
from syntaxa.cli.records import CheckedRecord, CutRecord, FarRecord, FoundRecord, OperationRecord
from syntaxa.cli.tables import table
from syntaxa.cut.base import CutStep
from syntaxa.cut.bench.verdict import Found, Verdict, plain_figure
from syntaxa.cut.library import Machine, machine_named, plain_tool, shipped_tools, tool_from
from syntaxa.cut.model import Operation, Pick, Settings, Stock, Tool, Way
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.depths import passes
from syntaxa.cut.proving import Proven, proven
from syntaxa.cut.sets import OperationSet, set_in
from syntaxa.cut.sheets import NestParts, on_sheet
from syntaxa.cut.steps import HoldTools, SetMachine, SetOperation, SetStock
from syntaxa.deliver.cutting import DRAWING_ENDINGS, PROGRAM_ENDINGS, deliver_drawing, deliver_program
from syntaxa.deliver.out import put_out
from syntaxa.deliver.setup_sheet import setup_sheet
from syntaxa.drawing.state import State
from syntaxa.job.evaluate import Evaluator

#: mm; what is off by no more is rounding.
_EXACT = 1e-6

#: Findings that are printed.
_LINES = 40


def cut_file(options: argparse.Namespace) -> CutRecord:
    """Does all that the options ask for and writes the outputs; nested parts give a program for each sheet."""
    outputs = _outputs(options)
    evaluator = Evaluator()
    job, _, _ = mended(options, evaluator)
    for step in cut_steps(options):
        job = job.with_step(step)
    nesting = _nesting(options)
    evaluation = evaluator.evaluate(job)
    failed = [row.failed for row in evaluation.ledger if row.failed]
    if failed:
        raise UsageError(failed[0])
    state = evaluation.state
    doubts = unit_doubts(job, evaluation)
    notes = list(doubts)
    notes += [row.entry.says for row in evaluation.ledger if nesting and row.title == nesting[0].title]
    sheets: Sequence[str] = [name for name, _ in state.part(Planned).sheets] or [""]
    done = [proven(on_sheet(state, name), f"{Path(options.file).stem} {name}".strip()) for name in sheets]
    written: list[str] = []
    for number, one in enumerate(done, 1):
        number_of = number if len(done) > 1 else 0
        notes += [*one.work.told, *(f"{name}: {why}" for name, why in one.work.failed)]
        files, more = _write(one, outputs, options, number_of, state)
        written += files
        notes += more
    return CutRecord(
        "syntaxa.cut/1", [o for one in done for o in _operations(one)],
        sum(d.verdict.travel for d in done), sum(d.verdict.cut for d in done), sum(d.verdict.seconds for d in done),
        sum(d.verdict.lifts for d in done), checked([d.verdict for d in done]), written, notes,
        not doubts,
    )  # fmt: skip


def cut_steps(options: argparse.Namespace) -> list[CutStep]:
    """The steps of Cut that the options ask for."""
    given = set_in(Path(options.operations)) if options.operations else None
    return [*_nesting(options), *_steps(options, _machine(options), given)]


def _nesting(options: argparse.Namespace) -> list[NestParts]:
    """The step that nests the parts, where it is asked for."""
    if options.sheet is None:
        return []
    try:
        numbers = [float(n) for n in options.sheet.split(",")]
    except ValueError:
        numbers = []
    if len(numbers) != 2:
        raise UsageError(f"“{options.sheet}” is no sheet.", suggestion="Write X,Y in mm.")
    way: Way = "grid" if options.grid else "shape"
    size = numbers[0], numbers[1]
    return [NestParts(size, options.copies, gap=options.gap, margin=options.margin, turning=options.turning, way=way)]


def _write(
    done: Proven, outputs: Sequence[Path], options: argparse.Namespace, number: int, state: State
) -> tuple[list[str], list[str]]:
    """Writes the outputs of one sheet, whose number goes into their names where there are several."""
    written: list[str] = []
    notes: list[str] = []
    for output in outputs:
        path = output.with_name(f"{output.stem}-{number}{output.suffix}") if number else output
        if path.suffix.lower() in PROGRAM_ENDINGS:
            written += [str(f) for f in deliver_program(done, path, options.file_per_tool)]
        else:
            notes += deliver_drawing(done.work, path)
            written.append(str(path))
    if options.setup:
        page = Path(options.setup)
        page = page.with_name(f"{page.stem}-{number}{page.suffix}") if number else page
        put_out(page, setup_sheet(done, state.part(Planned)).encode())
        written.append(str(page))
    return written, notes


def print_cut(record: CutRecord) -> None:
    """The record for people."""
    rows = [
        (o.name, o.tool, o.items, round(o.length_mm, 1), round(o.depth_mm, 3), o.passes, round(o.seconds, 1))
        for o in record.operations
    ]
    print(table(("Operation", "Tool", "Items", "Length mm", "Depth mm", "Passes", "Seconds"), rows))
    print_totals(record.cut_mm, record.travel_mm, record.lifts, record.seconds)
    print_check(record.check)
    for output in record.outputs:
        print(f"Written: {output}")
    for note in record.notes:
        print(note)


def print_totals(cut: float, travel: float, lifts: int, seconds: float) -> None:
    """How far and how long it goes."""
    minutes, rest = divmod(round(seconds), 60)
    print(f"Cut {cut:,.1f} mm, travel {travel:,.1f} mm, {lifts} lifts, {minutes} min {rest:02d} s")


def print_check(check: CheckedRecord) -> None:
    """What the bench machine says, for people."""
    if check.judged:
        far, where = check.deviation_mm.max, check.deviation_mm.where
        at = f" at {where[0]:.4g}, {where[1]:.4g}" if where else ""
        off = (
            f"off by at most {plain_figure(far)} mm{at}"
            if far > _EXACT
            else f"exact to {_EXACT:f} mm where the tool reaches"
        )
        left = plain_figure(check.left_mm2)
        print(f"Played on the bench machine: {off}, {plain_figure(check.gouge_mm)} mm into the part, {left} mm² left")
    said = _said([*check.collisions, *check.out_of_bounds, *check.warnings])
    for line, _ in said[:_LINES]:
        print(line)
    rest = sum(count for _, count in said[_LINES:]) + sum(check.not_listed.values())
    if rest:
        print(f"And {rest} more.")
    if not check.wrong:
        print("Nothing is wrong with the program.")


def _said(found: Sequence[FoundRecord]) -> list[tuple[str, int]]:
    """A line for each thing, and how many say the same: these are counted, with the place of the first."""
    alike: dict[tuple[str, str], list[FoundRecord]] = {}
    for one in found:
        alike.setdefault((one.kind, one.says), []).append(one)
    lines = []
    for (kind, says), several in alike.items():
        x, y, _ = several[0].place_mm
        often = f" ({len(several)} times, first at {x:.4g}, {y:.4g})" if len(several) > 1 else ""
        lines.append((f"{kind}: {says}{often}", len(several)))
    return lines


def checked(verdicts: Sequence[Verdict]) -> CheckedRecord:
    """What the bench machine says of one or several programs: the worst of each."""
    worst = max(verdicts, key=lambda v: v.deviation)
    where = None if worst.where is None else list(worst.where)
    collisions, bounds = ("rapid", "clamp", "table"), ("outside",)
    found = [f for v in verdicts for f in v.found]
    return CheckedRecord(
        FarRecord(worst.deviation, where), max(v.gouge for v in verdicts), sum(v.left for v in verdicts),
        _found(f for f in found if f.kind in collisions),
        _found(f for f in found if f.kind in bounds),
        _found(f for f in found if f.kind not in (*collisions, *bounds)),
        sum(v.wrong_count for v in verdicts), all(v.judged for v in verdicts),
        dict(sum((Counter[str](dict(v.untold)) for v in verdicts), Counter[str]())),
    )  # fmt: skip


def _found(found: Iterable[Found]) -> list[FoundRecord]:
    return [FoundRecord(f.kind, f.line, list(f.place), f.size, f.says) for f in found]


# ---------------------------------------------------------------------- what is asked for


def _outputs(options: argparse.Namespace) -> list[Path]:
    outputs = [Path(o) for o in options.output or ()]
    for path in outputs:
        if path.suffix.lower() not in (*PROGRAM_ENDINGS, *DRAWING_ENDINGS):
            raise UsageError(
                f"{path.name} has no ending that can be written.",
                suggestion=f"End it in {', '.join((*PROGRAM_ENDINGS, *DRAWING_ENDINGS))}.",
            )
    if options.setup and not options.setup.lower().endswith(".html"):
        raise UsageError(
            "A setup sheet ends in .html.", suggestion="Print it from a browser, or from the window as PDF."
        )
    return outputs


def _machine(options: argparse.Namespace) -> Machine:
    machine = machine_named(options.machine)
    if options.decimals is None:
        return machine
    if not 0 <= options.decimals <= 9:
        raise UsageError("Places behind the point are 0 to 9.")
    numbers = msgspec.structs.replace(machine.numbers, decimals=options.decimals)
    return msgspec.structs.replace(machine, numbers=numbers)


def _steps(options: argparse.Namespace, machine: Machine, given: OperationSet | None) -> Iterable[CutStep]:
    known = (*(given.tools if given else ()), *shipped_tools())
    tools = [tool_from(text, machine, known) for text in options.tool]
    if not tools and (given is None or any(o.settings.tool is None for o in given.operations)):
        tools = [plain_tool(machine, 0.2 if machine.is_flat else 6.0)]
    yield SetMachine(machine)
    thickness = (
        given.thickness if given and given.thickness and options.stock_thickness == "3" else options.stock_thickness
    )
    material = given.material if given else ""
    yield SetStock(Stock(thickness, margin=options.margin, origin=options.zero, material=material))
    operations = given.operations if given else (Operation("Cut", "profile", Pick(), Settings(tabs=options.tabs)),)
    with_tools = [_with_tool(o, tools) for o in operations]
    named = {o.settings.tool for o in with_tools}
    held = {t.name: t for t in reversed((*tools, *known)) if t.name in named}
    if held:
        yield HoldTools(tuple(held.values()))
    yield from (SetOperation(o) for o in with_tools)


def _with_tool(operation: Operation, tools: list[Tool]) -> Operation:
    if operation.settings.tool is not None or not tools:
        return operation
    return msgspec.structs.replace(operation, settings=msgspec.structs.replace(operation.settings, tool=tools[0].name))


def _operations(done: Proven) -> list[OperationRecord]:
    seconds = done.seconds_by_operation()
    found = []
    for name in dict.fromkeys(c.doing.operation.name for c in done.work.cuttings):
        own = [c for c in done.work.cuttings if c.doing.operation.name == name]
        doing = own[0].doing
        count = len(passes(doing.top, doing.bottom, doing.step_down, doing.finish_down))
        found.append(
            OperationRecord(
                name,
                doing.operation.kind,
                doing.tool.name,
                len({c.run.contour for c in own}),
                sum(c.run.length for c in own),
                doing.top - doing.bottom,
                count,
                seconds.get(name, 0.0),
            )
        )
    return found
