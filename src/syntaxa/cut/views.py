"""What is shown of Cut: the contours of the drawing, the proven program, and the stock at a time."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from syntaxa.cut.part import Planned
from syntaxa.drawing.state import State
from syntaxa.drawing.step import Context
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import CutError, Progress, no_progress

# Views are known from the start; what makes them is loaded when one is looked at.
if TYPE_CHECKING:
    from syntaxa.cut.bench.heights import HeightMap
    from syntaxa.cut.bench.timeline import Timeline
    from syntaxa.cut.contours import Contours
    from syntaxa.cut.proving import Proven

#: Pictures of the stock between which the player starts anew, and curves from which on the work is done in the worker.
_MARKS, _APART = 12, 200


@dataclass(frozen=True)
class Made:
    """The program of a job and what it will make, its moves against time, and seconds of each operation; or why there
    is none.
    """

    proven: Proven | None = None
    why: str = ""
    timeline: Timeline | None = None
    seconds: Mapping[str, float] = field(default_factory=dict)


def _contours(standing: Standing, *, progress: Progress) -> Contours:
    from syntaxa.cut.contours import contours_of

    del progress
    return contours_of(standing.state)


def _made(standing: Standing, *, progress: Progress) -> Made:
    plan = standing.state.part(Planned)
    if not any(o.enabled for o in plan.operations):
        return Made(why="Nothing is to be cut yet: add an operation.")
    context = standing.context(progress)
    # The player asks for the same as the page that judges.
    return context.kept("program that is cut", lambda: _proven_apart(standing.state, context), 1_000_000)


def _proven_apart(state: State, context: Context) -> Made:
    """The program, made in the worker where there is one and the drawing is not small."""
    if context.worker is None or sum(len(s.curves) for s in state.profiles()) < _APART:
        return made_of(state, progress=context.progress)
    made: Made = context.worker.call(
        made_of,
        state,
        progress=context.progress,
        about="Cutting",
        advice="Leave an operation out, or cut a part of the drawing.",
    )
    return made


def made_of(state: State, *, progress: Progress = no_progress) -> Made:
    """The program of a job, played and judged, or why there is none."""
    from syntaxa.cut.bench.timeline import Timeline
    from syntaxa.cut.proving import proven

    try:
        done = proven(state, "", progress)
    except CutError as error:
        return Made(why=str(error))
    return Made(done, "", Timeline(done.played.moves, done.machine.motion), done.seconds_by_operation())


@dataclass(frozen=True)
class Stocks:
    """The stock after some moves each, from the untouched one on: numbers of moves, and maps."""

    marks: tuple[tuple[int, HeightMap], ...] = ()

    def before(self, move: int) -> tuple[int, HeightMap] | None:
        """The last of them that comes before a move."""
        return next(((k, m) for k, m in reversed(self.marks) if k <= move), None)

    @property
    def size(self) -> int:
        """Bytes, roughly."""
        return sum(m.heights.nbytes for _, m in self.marks)


def _stocks(standing: Standing, *, progress: Progress) -> Stocks:
    from syntaxa.cut.bench.heights import HeightMap

    made = _made(standing, progress=lambda f: progress(0.5 * f))
    if made.proven is None:
        return Stocks()
    done = made.proven
    target, moves, tools = done.target, done.played.moves, dict(done.tools)
    if target.box is None:
        return Stocks()
    stock = HeightMap(target.box, target.top, target.bottom)
    marks = [(0, stock.copy())]
    step = max(1, len(moves) // _MARKS)
    for begin in range(0, len(moves), step):
        progress(0.5 + 0.5 * begin / len(moves))
        end = min(begin + step, len(moves))
        stock.cut(moves[begin:end], tools, done.machine.is_flat)
        marks.append((end, stock.copy()))
    return Stocks(tuple(marks))


#: The contours of what is there to be made.
CONTOURS: View[Contours] = View("Contours", on_state, _contours, lambda c: 2000 * len(c.contours))

#: The program, read again and judged.
MADE: View[Made] = View("Cutting", on_state, _made, lambda m: 10_000 + (m.proven.size if m.proven else 0))

#: The stock as the program is played.
STOCKS: View[Stocks] = View("Playing", on_state, _stocks, lambda s: 1000 + s.size)
