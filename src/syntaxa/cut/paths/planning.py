"""All operations of a job to runs in the order in which they are cut."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from syntaxa.cut.contours import Contours, contours_of
from syntaxa.cut.doing import SIDES, Doing, doing_of, thickness_of
from syntaxa.cut.model import Operation, Place, Settings
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.areas import faced_blanks, pocket_blanks
from syntaxa.cut.paths.blanks import Blank, Blanks
from syntaxa.cut.paths.following import chamfer_blanks, followed_blanks
from syntaxa.cut.paths.holes import bored_blanks, drilled_blanks
from syntaxa.cut.paths.model import Run
from syntaxa.cut.paths.ordering import Item, arranged, best_places
from syntaxa.cut.paths.outlines import outline_blanks
from syntaxa.cut.picking import Nested, picked
from syntaxa.cut.stocking import LaidStock, laid
from syntaxa.drawing.state import State
from syntaxa.errors import CutError, Progress, no_progress
from syntaxa.form.numbers import Numbers
from syntaxa.geometry.types import Floats
from syntaxa.watching import still_wanted

#: Kinds that go through the floor of a pocket: what they cut is no island of it.
THROUGH = ("drill", "bore", "inside", "pocket")


@dataclass(frozen=True, slots=True, eq=False)
class Cutting:
    """A run and the operation that it is of."""

    doing: Doing
    run: Run


@dataclass(frozen=True, slots=True, eq=False)
class Meant:
    """An operation with its contours by number, those that it cuts; for what the program is judged by."""

    doing: Doing
    numbers: tuple[int, ...]


@dataclass(frozen=True, slots=True, eq=False)
class Work:
    """Everything that is cut, in order; what is told of it; and what it was made of.

    tabs    as in `Blanks`
    places  what was set by hand, on copies of nested parts, too
    failed  operations that could not be done, and why
    travel  mm between runs, from the program's zero on
    """

    cuttings: tuple[Cutting, ...]
    stock: LaidStock
    contours: Contours
    meant: tuple[Meant, ...] = ()
    told: tuple[str, ...] = ()
    failed: tuple[tuple[str, str], ...] = ()
    reliefs: tuple[Floats, ...] = ()
    tabs: tuple[tuple[int, float, float, float, float], ...] = ()
    travel: float = 0.0
    places: tuple[Place, ...] = ()


@dataclass(slots=True, eq=False)
class _Lot:
    """The blanks of one operation, and what holds each in the order."""

    doing: Doing
    index: int
    blanks: Blanks
    numbers: list[int] = field(default_factory=list)


def planned(state: State, progress: Progress = no_progress) -> Work:
    """The work that a job has come to; raises CutError where nothing at all can be cut."""
    plan = state.part(Planned)
    numbers = Numbers(state)
    contours = contours_of(state)
    stock = laid(plan.stock, thickness_of(plan, numbers), contours, state)
    enabled = [o for o in plan.operations if o.enabled]
    nested = Nested(plan)
    places = nested.places(contours)
    chosen = {o.name: picked(o, contours, nested) for o in enabled}
    through = sorted({k for o in enabled if o.kind in THROUGH for k in chosen[o.name][0]})
    lots: list[_Lot] = []
    told: list[str] = []
    failed: list[tuple[str, str]] = []
    for n, operation in enumerate(enabled):
        progress(0.8 * n / len(enabled))
        still_wanted()
        own, gone = chosen[operation.name]
        told += [f"{operation.name}: {sentence}" for sentence in gone]
        try:
            lots += _lots(plan, operation, n, numbers, contours, own, through, stock, places)
        except CutError as error:
            failed.append((operation.name, str(error)))
    for lot in lots:
        told += lot.blanks.told
    cuttings, travel = _ordered(plan, contours, lots, stock.zero)
    progress(1.0)
    meant = tuple(Meant(lot.doing, tuple(lot.numbers)) for lot in lots)
    reliefs = tuple(c for lot in lots for c in lot.blanks.reliefs)
    tabs = tuple(t for lot in lots for t in lot.blanks.tabs)
    told = list(dict.fromkeys(told))
    return Work(tuple(cuttings), stock, contours, meant, tuple(told), tuple(failed), reliefs, tabs, travel, places)


def _lots(
    plan: Planned, operation: Operation, index: int, numbers: Numbers, contours: Contours, own: list[int],
    through: list[int], stock: LaidStock, places: Sequence[Place],
) -> list[_Lot]:  # fmt: skip
    """The blanks of an operation; contours with settings of their own are done apart."""
    if not own and operation.kind not in ("face", "follow") and not any(c.closed for c in contours.contours):
        raise CutError(
            f"{operation.name}: nothing in the drawing is closed.", suggestion="Mend it first, or follow the line."
        )
    if not own and operation.kind != "face":
        raise CutError(f"{operation.name} is about nothing.", suggestion="Choose other contours for it.")
    by_hand = {p.contour: p for p in places if p.operation == operation.name}
    groups: dict[Settings, list[int]] = {Settings(): []}
    for k in own:
        place = by_hand.get(contours.contours[k].key)
        groups.setdefault(place.settings if place is not None else Settings(), []).append(k)
    lots = []
    for settings, members in groups.items():
        if not members and operation.kind != "face":
            continue
        doing = doing_of(plan, operation, numbers, settings)
        blanks = _blanks(doing, contours, members, by_hand, through, stock)
        lots.append(_Lot(doing, index, blanks, members))
    return lots


def _blanks(
    doing: Doing, contours: Contours, own: list[int], places: dict[str, Place], through: list[int], stock: LaidStock
) -> Blanks:
    kind = doing.operation.kind
    if kind in SIDES:
        return outline_blanks(doing, contours, own, places)
    if kind == "follow":
        return followed_blanks(doing, contours, own)
    if kind == "pocket":
        return pocket_blanks(doing, contours, own, [k for k in through if k not in own])
    if kind == "face":
        return faced_blanks(doing, stock.box)
    if kind == "drill":
        return drilled_blanks(doing, contours, own)
    if kind == "bore":
        return bored_blanks(doing, contours, own)
    return chamfer_blanks(doing, contours, own)


# ---------------------------------------------------------------------- order


def _ordered(
    plan: Planned, contours: Contours, lots: list[_Lot], home: tuple[float, float]
) -> tuple[list[Cutting], float]:
    rows = [(lot, blank) for lot in lots for blank in lot.blanks.found]
    if not rows:
        return [], 0.0
    parents = _parents(contours, rows)
    stages = _stages(plan, contours, rows, parents)
    items = [
        Item(b.begin, b.end, p if p >= 0 and stages[p] >= stages[k] else -1, stages[k])
        for k, ((_, b), p) in enumerate(zip(rows, parents, strict=True))
    ]
    if plan.locked:
        order = _as_locked(plan, rows, items, home)
        places, travel = best_places(items, order, home)
    else:
        order, places, travel = arranged(items, home)
    cuttings = []
    for k in order:
        still_wanted()
        lot, blank = rows[k]
        cuttings += [Cutting(lot.doing, run) for run in blank.make(places[k])]
    return cuttings, travel


def _as_locked(
    plan: Planned, rows: list[tuple[_Lot, Blank]], items: list[Item], home: tuple[float, float]
) -> list[int]:
    """The order that was set by hand; what it does not know of comes first, as it would by itself."""
    rank = {key: n for n, key in enumerate(plan.locked)}
    own = {k: rank.get((lot.doing.operation.name, blank.contour), -1) for k, (lot, blank) in enumerate(rows)}
    order, _, _ = arranged(items, home)
    return sorted(order, key=lambda k: own[k])


def _parents(contours: Contours, rows: list[tuple[_Lot, Blank]]) -> list[int]:
    """For each blank the one that must come later, -1 for none: on its own contour, else on the nearest that holds
    it.
    """
    by_key = {blank.key: k for k, (_, blank) in enumerate(rows)}
    at: dict[int, dict[int, list[int]]] = {}
    for k, (lot, blank) in enumerate(rows):
        at.setdefault(blank.number, {}).setdefault(_rank(lot), []).append(k)
    # The longest of an operation stands for it: it is the one that sets the part free.
    gates = {
        number: [max(ranked[i], key=lambda k: (not rows[k][1].later, rows[k][1].length)) for i in sorted(ranked)]
        for number, ranked in at.items()
    }
    parents = []
    for lot, blank in rows:
        if blank.later:
            parents.append(by_key[blank.later])
            continue
        mine = gates[blank.number]
        next_here = next((g for g in mine if _rank(rows[g][0]) > _rank(lot)), None)
        parents.append(next_here if next_here is not None else _gate_round(contours, gates, blank.number))
    return parents


def _rank(lot: _Lot) -> int:
    """Operations on one contour follow each other as they are listed, chamfers before the edge is cut free."""
    return lot.index + (-1000 if lot.doing.operation.kind in ("face", "chamfer") else 0)


def _gate_round(contours: Contours, gates: dict[int, list[int]], number: int) -> int:
    """The first blank on the nearest contour round a contour that has any."""
    if number < 0:
        return -1
    k = contours.contours[number].parent
    while k >= 0:
        if gates.get(k):
            return gates[k][0]
        k = contours.contours[k].parent
    return -1


def _stages(plan: Planned, contours: Contours, rows: list[tuple[_Lot, Blank]], parents: Sequence[int]) -> list[int]:
    """What sorts before all else: facing first, then the operations as listed, the parts, or the tools."""
    first = [0 if lot.doing.operation.kind == "face" else 1 for lot, _ in rows]
    if plan.ordering == "as listed":
        return [lot.index if first[k] else -1 for k, (lot, _) in enumerate(rows)]
    part = [0] * len(rows) if plan.ordering == "by tool" else _part_ranks(contours, rows)
    tools = [lot.doing.tool.name for lot, _ in rows]
    return _by_tool(list(zip(first, part, strict=True)), tools, parents)


def _by_tool(groups: Sequence[tuple[int, int]], tools: Sequence[str], parents: Sequence[int]) -> list[int]:
    """Number of the visit of a tool in which each is cut: all that may be cut is, before the tool is changed."""
    stages, stage = [-1] * len(tools), 0
    here = ""
    for group in sorted(set(groups)):
        left = {k for k, g in enumerate(groups) if g == group}
        while left:
            holding = {parents[c] for c in left}
            ready = [k for k in left if k not in holding]
            names = sorted({tools[k] for k in ready}, key=lambda t: (t != here, min(k for k in ready if tools[k] == t)))
            here = names[0]
            left -= _visited(here, left, tools, parents, stages, stage)
            stage += 1
    return stages


def _visited(
    tool: str, left: set[int], tools: Sequence[str], parents: Sequence[int], stages: list[int], stage: int
) -> set[int]:
    """Everything that a tool can cut before another must come: children before what holds them."""
    held: dict[int, int] = {}
    for k in left:
        if parents[k] in left:
            held[parents[k]] = held.get(parents[k], 0) + 1
    waiting = [k for k in left if tools[k] == tool and not held.get(k)]
    done: set[int] = set()
    while waiting:
        k = waiting.pop()
        done.add(k)
        stages[k] = stage
        p = parents[k]
        if p in left:
            held[p] -= 1
            if not held[p] and tools[p] == tool:
                waiting.append(p)
    return done


def _part_ranks(contours: Contours, rows: list[tuple[_Lot, Blank]]) -> list[int]:
    """Parts one after the other, by a short way through their middles."""
    outermost = [_outermost(contours, blank.number) for _, blank in rows]
    own = [k for k in dict.fromkeys(outermost) if k >= 0]
    middles = [np.array([[(b[0] + b[2]) / 2, (b[1] + b[3]) / 2]]) for b in (contours.contours[k].box for k in own)]
    order, _, _ = arranged([Item(m, m) for m in middles], (0.0, 0.0))
    rank = {own[k]: n for n, k in enumerate(order)}
    return [rank.get(k, -1) for k in outermost]


def _outermost(contours: Contours, number: int) -> int:
    while number >= 0 and contours.contours[number].parent >= 0:
        number = contours.contours[number].parent
    return number
