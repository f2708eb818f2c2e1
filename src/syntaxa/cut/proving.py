"""From what a job has come to, to a program that was read again and judged."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from syntaxa.cut.bench.clock import times_of
from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.bench.judging import judge
from syntaxa.cut.bench.moves import Played
from syntaxa.cut.bench.target import Target
from syntaxa.cut.bench.verdict import Verdict
from syntaxa.cut.expected import expected
from syntaxa.cut.library import Machine
from syntaxa.cut.model import KeepOut, Tool
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.planning import Work, planned
from syntaxa.cut.program.assembling import Program, numbers_of, tools_of, written
from syntaxa.drawing.state import State
from syntaxa.errors import CutError, Progress, no_progress


@dataclass(frozen=True, slots=True, eq=False)
class Proven:
    """Work, its program, what the bench machine read of it, what it should make, and what it will."""

    work: Work
    machine: Machine
    program: Program
    played: Played
    target: Target
    verdict: Verdict
    tools: tuple[tuple[int, Tool], ...]
    keep_out: tuple[KeepOut, ...] = ()
    title: str = ""

    @property
    def text(self) -> str:
        """The program's text."""
        return self.program.text

    def seconds_by_operation(self) -> dict[str, float]:
        """Seconds of each operation, the ways to it included, as the bench machine plays it."""
        found: dict[str, float] = {}
        for move, seconds in zip(
            self.played.moves, times_of(self.played.moves, self.machine.motion).tolist(), strict=True
        ):
            name = self.program.operation_at(move.line)
            found[name] = found.get(name, 0.0) + seconds
        return found

    @property
    def size(self) -> int:
        """Bytes, roughly."""
        return 4 * len(self.program.text) + 300 * len(self.played.moves)


def proven(state: State, title: str = "", progress: Progress = no_progress) -> Proven:
    """The work of a job, written, read and judged; raises CutError."""
    plan = state.part(Planned)
    work = planned(state, lambda f: progress(0.5 * f))
    if work.failed and not work.cuttings:
        name, why = work.failed[0]
        raise CutError(why if name in why else f"{name}: {why}")
    return proven_work(work, plan.chosen_machine, plan.stock.keep_out, title, lambda f: progress(0.5 + 0.5 * f))


def proven_work(
    work: Work, machine: Machine, keep_out: Sequence[KeepOut] = (), title: str = "",
    progress: Progress = no_progress,
) -> Proven:  # fmt: skip
    """Some work, written, read and judged."""
    first = played(written(work, machine, keep_out, title).text)
    # The header says how long it takes, and only the bench machine knows.
    seconds = float(times_of(first.moves, machine.motion).sum())
    program = written(work, machine, keep_out, title, seconds)
    read = played(program.text)
    tools = tools_of(work)
    numbers = numbers_of(tools)
    table = {numbers[t.name]: t for t in tools}
    target = expected(work, keep_out)
    verdict = judge(read, table, machine, target, progress=progress)
    return Proven(work, machine, program, read, target, verdict, tuple(table.items()), tuple(keep_out), title)
