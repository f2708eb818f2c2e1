"""The setup sheet: what lies on the machine, where zero is, which tools, in which order, how long; as a page of
HTML.
"""

from __future__ import annotations

from collections.abc import Iterator

from syntaxa.cut.bench.verdict import plain_figure
from syntaxa.cut.part import Planned
from syntaxa.cut.paths.planning import Work
from syntaxa.cut.proving import Proven
from syntaxa.deliver.report import HtmlPage, Section, Table, figure, page_with
from syntaxa.deliver.svg import element, number
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.transform import Transform

_DOWN = Transform.scaling(1, -1)

#: Numbers that are written beside cuts; beyond, a picture holds no more.
_MOST_NUMBERS = 300

_ZEROS = {
    "lower-left": "the lower left corner of the stock",
    "lower-right": "the lower right corner of the stock",
    "upper-left": "the upper left corner of the stock",
    "upper-right": "the upper right corner of the stock",
    "centre": "the middle of the stock",
    "as-drawn": "the origin of the drawing",
    "picked": "a place that was picked",
}


def setup_sheet(done: Proven, plan: Planned) -> str:
    """The page as HTML, with its pictures inside."""
    verdict, stock = done.verdict, done.work.stock
    wrong = verdict.wrong_count
    off = plain_figure(verdict.deviation)
    good = f"Played on the bench machine: off by at most {off} mm, nothing is wrong with the program."
    bad = f"Played on the bench machine: {wrong} thing{'s are' if wrong != 1 else ' is'} wrong. Do not run it."
    width, height, thickness = stock.size
    material = f", {plan.stock.material}" if plan.stock.material else ""
    page = HtmlPage(
        f"Setup: {done.title or 'program'}",
        f"{done.machine.says}, {_clock(verdict.seconds)}",
        bad if wrong else good,
        not wrong,
        (
            Section(
                "Stock and zero",
                (
                    f"Stock: {width:.6g} x {height:.6g} x {thickness:.6g} mm{material}.",
                    f"x and y are 0 at {_ZEROS[plan.stock.origin]}, z at the {plan.stock.zero_z} of it.",
                    *(f"Keep out of the {k.name} at {k.box[0]:.4g}, {k.box[1]:.4g}." for k in plan.stock.keep_out),
                ),
            ),
            Section("Tools", table=_tools(done)),
            Section("Operations, in order", table=_operations(done)),
            Section("What the bench machine says", table=_found(done)),
        ),
    )
    caption = "The cuts in their order, from the program's zero (cross); dashed: the stock, and ways in the air"
    return page_with(page, "Order", figure(caption, _picture(done.work)))


def _tools(done: Proven) -> Table:
    rows = [
        (f"T{n}", t.name, t.kind, f"{t.width:g}", f"{t.feed:g}", f"{t.speed:g}" if t.speed else "")
        for n, t in done.tools
    ]
    return Table(("Number", "Tool", "Kind", "Width mm", "Feed mm/min", "Speed 1/min"), frozenset({3, 4, 5}), rows)


def _operations(done: Proven) -> Table:
    seconds = done.seconds_by_operation()
    rows = []
    for n, name in enumerate(dict.fromkeys(c.doing.operation.name for c in done.work.cuttings), 1):
        own = [c for c in done.work.cuttings if c.doing.operation.name == name]
        doing = own[0].doing
        rows.append((
            n, name, doing.tool.name, len({c.run.contour for c in own}), f"{doing.top - doing.bottom:.4g}",
            f"{sum(c.run.length for c in own):,.0f}", _clock(seconds.get(name, 0.0)),
        ))  # fmt: skip
    heads = ("", "Operation", "Tool", "Items", "Depth mm", "Length mm", "Time")
    return Table(heads, frozenset({0, 3, 4, 5, 6}), rows)


def _found(done: Proven) -> Table:
    rows = [("!" if f.wrong else "", f.says, f"{f.place[0]:.4g}, {f.place[1]:.4g}") for f in done.verdict.found]
    if done.verdict.untold_count:
        rows.append(("", f"{done.verdict.untold_count} more are not listed.", ""))
    return Table(("", "What", "Where mm"), frozenset({2}), rows, "Nothing.")


def _picture(work: Work) -> Iterator[str]:
    """The stock, the paths with their numbers, and the ways between them."""
    box, zero = work.stock.box, work.stock.zero
    size = max(box[2] - box[0], box[3] - box[1])
    room = 0.04 * size
    view = (box[0] - room, -box[3] - room, box[2] - box[0] + 2 * room, box[3] - box[1] + 2 * room)
    yield f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{" ".join(map(number, view))}" role="img">'
    thin = 'vector-effect="non-scaling-stroke" stroke-width="1" fill="none"'
    corner = f'x="{number(box[0])}" y="{number(-box[3])}"'
    wide = f'width="{number(box[2] - box[0])}" height="{number(box[3] - box[1])}"'
    yield f'<rect {corner} {wide} stroke="#8d8678" stroke-dasharray="6 4" {thin}/>'
    at = zero
    numbers: list[str] = []
    for n, cutting in enumerate(work.cuttings, 1):
        x, y, _ = cutting.run.start
        way = f"M{number(at[0])},{number(-at[1])} L{number(x)},{number(-y)}"
        yield f'<path d="{way}" stroke="#8d8678" stroke-dasharray="2 4" {thin}/>'
        for stretch in cutting.run.stretches:
            flat = stretch.rows[:, [0, 1, 3]]
            if stretch.what in ("cut", "tab", "lead", "out", "link") and (
                abs(flat[0, :2] - flat[-1, :2]).max() > 0 or len(flat) > 2
            ):
                yield element(shape_of_rows(flat, False).transformed(_DOWN), f' stroke="#0e6b63" {thin}')
        if cutting.run.drilled is not None:
            radius = number(cutting.doing.radius)
            yield f'<circle cx="{number(x)}" cy="{number(-y)}" r="{radius}" stroke="#0e6b63" {thin}/>'
        if n <= _MOST_NUMBERS:
            numbers.append(f'<text x="{number(x)}" y="{number(-y)}">{n}</text>')
        ex, ey, _ = cutting.run.end
        at = (ex, ey)
    yield f'<g font-size="{number(0.018 * size)}" fill="#b3460f" font-family="sans-serif">{"".join(numbers)}</g>'
    arm = 0.02 * size
    cross = (
        f"M{number(zero[0] - arm)},{number(-zero[1])} L{number(zero[0] + arm)},{number(-zero[1])} "
        f"M{number(zero[0])},{number(-zero[1] - arm)} L{number(zero[0])},{number(-zero[1] + arm)}"
    )
    yield f'<path d="{cross}" stroke="#b3460f" {thin}/>'
    yield "</svg>"


def _clock(seconds: float) -> str:
    minutes, rest = divmod(round(seconds), 60)
    return f"{minutes} min {rest:02d} s" if minutes else f"{seconds:.1f} s"
