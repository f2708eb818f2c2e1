"""syntaxa check: any program, played on the bench machine and judged; against a drawing where one is given."""

from __future__ import annotations

import argparse
import math
from pathlib import Path

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.cut import checked, print_check, print_totals
from syntaxa.cli.records import CheckRecord, WordRecord
from syntaxa.cut.bench.aligning import zero_on
from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.bench.judging import judge
from syntaxa.cut.bench.moves import Played
from syntaxa.cut.bench.target import Target
from syntaxa.cut.contours import Contours, contours_of
from syntaxa.cut.expected import expected_of_drawing
from syntaxa.cut.library import Machine, machine_named, shipped_tools, text_of, tool_from
from syntaxa.cut.model import Tool
from syntaxa.geometry.types import Box

#: Bytes of a program that are read.
_LARGEST = 400_000_000


def checked_file(options: argparse.Namespace) -> CheckRecord:
    """Plays the program and judges it."""
    path = Path(options.program)
    if path.exists() and path.stat().st_size > _LARGEST:
        raise UsageError(f"{path.name} is larger than {_LARGEST / 1e6:g} MB; no program is.")
    if not 0 < options.tolerance < 1000:
        raise UsageError("The tolerance must be a length in mm above 0.")
    machine = machine_named(options.machine)
    tools = _tools(options, machine)
    read = played(text_of(path), options.skip, {number: tool.radius for number, tool in tools.items()})
    target = _target(options, read, machine, _stock(options.stock))
    verdict = judge(read, tools, machine, target, options.tolerance)
    return CheckRecord(
        "syntaxa.check/1", checked([verdict]), read.lines, read.blocks,
        [WordRecord(line, word) for line, word in read.not_understood],
        verdict.travel, verdict.cut, verdict.seconds, verdict.lifts,
    )  # fmt: skip


def print_checked(record: CheckRecord) -> None:
    """The record for people."""
    print(f"{record.lines:,} lines, {record.blocks:,} of them do something")
    print_totals(record.cut_mm, record.travel_mm, record.lifts, record.seconds)
    print_check(record.check)


def _tools(options: argparse.Namespace, machine: Machine) -> dict[int, Tool]:
    """Tools by their numbers; one without a number is the only one."""
    found: dict[int, Tool] = {}
    for text in options.tool:
        head, colon, name = text.partition(":")
        numbered = bool(colon) and head[:1] in "Tt" and head[1:].isdigit()
        number = int(head[1:]) if numbered else len(found)
        found[number] = tool_from(name if numbered else text, machine, shipped_tools())
    return found


def _stock(text: str | None) -> tuple[float, float, float] | None:
    if text is None:
        return None
    try:
        numbers = [float(n) for n in text.split(",")]
    except ValueError:
        numbers = []
    if len(numbers) != 3 or not all(0 < n < 1e6 for n in numbers):
        raise UsageError(f"“{text}” is no stock.", suggestion="Write X,Y,Z in mm.")
    return numbers[0], numbers[1], numbers[2]


def _target(
    options: argparse.Namespace, read: Played, machine: Machine, stock: tuple[float, float, float] | None
) -> Target:
    """What the drawing says, cut down to where the program goes deepest; where there is none, the stock alone."""
    box = None if stock is None else (0.0, 0.0, stock[0], stock[1])
    deepest = min((m.end[2] for m in read.moves if m.kind == "feed"), default=0.0)
    bottom = 0.0 if machine.is_flat else -stock[2] if stock is not None else deepest
    if options.against is None:
        return Target(box=box, bottom=bottom)
    contours = _drawn(options)
    floor = max(bottom, deepest) if not machine.is_flat else 0.0
    zero = zero_on(read, contours) if options.zero == "auto" else _zero(options.zero, contours.box)
    return expected_of_drawing(contours, floor, zero, bottom, box)


def _drawn(options: argparse.Namespace) -> Contours:
    from syntaxa.cli.arguments import parser
    from syntaxa.cli.mend import mended
    from syntaxa.job.evaluate import Evaluator

    # The drawing is taken as `syntaxa cut` takes it.
    arguments = ["cut", options.against, "--unit", options.unit]
    arguments += ["--layers", options.layers] if options.layers else []
    arguments += ["--skip-layers", options.skip_layers] if options.skip_layers else []
    evaluator = Evaluator()
    job, _, _ = mended(parser().parse_args(arguments), evaluator)
    found = contours_of(evaluator.evaluate(job).state)
    if not found.parts:
        raise UsageError(f"Nothing in {Path(options.against).name} is closed.", suggestion="Mend it first.")
    return found


def _zero(text: str, box: Box | None) -> tuple[float, float]:
    if text == "as-drawn" or box is None:
        return 0.0, 0.0
    if text == "lower-left":
        return box[0], box[1]
    if text == "centre":
        return (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    try:
        x, y = (float(n) for n in text.split(","))
    except ValueError:
        x = y = math.nan
    if not (math.isfinite(x) and math.isfinite(y)):
        raise UsageError(f"“{text}” is no zero.", suggestion="Use auto, as-drawn, lower-left, centre or X,Y in mm.")
    return x, y
