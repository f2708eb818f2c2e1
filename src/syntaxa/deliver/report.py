"""The account of a mending as a page that can be sent to a client: HTML with pictures inside, needing nothing else."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from html import escape

from syntaxa.deliver.svg import element, number
from syntaxa.drawing.state import Sketch
from syntaxa.geometry.extents import bounds
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.transform import Transform

#: Findings and regions that are listed one by one; beyond, only their number is told.
_MOST_ROWS = 2000

_DOWN = Transform.scaling(1, -1)

_STYLE = """
body { font: 14px/1.45 "Inter", "DejaVu Sans", sans-serif; color: #24262a; background: #fffdf8; margin: 32px auto; max-width: 960px; padding: 0 24px; }
h1 { font-size: 24px; margin: 0 0 4px; } h2 { font-size: 17px; margin: 28px 0 8px; border-bottom: 1px solid #d9d2c4; padding-bottom: 4px; }
p { margin: 4px 0; } .dim { color: #625d53; } .good, .bad { padding: 8px 12px; border-left: 4px solid #0e6b63; background: #d8e8e3; }
.bad { border-color: #b3460f; background: #f8e3d3; }
table { border-collapse: collapse; width: 100%; font-size: 13px; } th { text-align: left; border-bottom: 2px solid #8d8678; }
th, td { padding: 3px 8px 3px 0; vertical-align: top; } td { border-bottom: 1px solid #ebe7de; }
.n { text-align: right; font-family: "JetBrains Mono", "DejaVu Sans Mono", monospace; white-space: nowrap; }
figure { margin: 0; } .pair { display: grid; grid-template-columns: 1fr 1fr; gap: 16px; } figcaption { color: #625d53; font-size: 13px; }
svg { width: 100%; border: 1px solid #d9d2c4; background: #ffffff; } tr { break-inside: avoid; }
@media print { body { margin: 0; max-width: none; } }
"""  # noqa: E501  a style sheet


@dataclass(frozen=True, slots=True)
class Table:
    """A table of a page: its heads, those whose columns hold figures, its rows, and what stands if there are none."""

    heads: tuple[str, ...]
    figures: frozenset[int]
    rows: Sequence[tuple[object, ...]]
    empty: str = "None."


@dataclass(frozen=True, slots=True)
class Section:
    """A part of a page: a heading, sentences, and a table."""

    heading: str
    sentences: tuple[str, ...] = ()
    table: Table | None = None


@dataclass(frozen=True, slots=True)
class HtmlPage:
    """All of a report. The verdict is what counts most, and whether it is good."""

    title: str
    subtitle: str
    verdict: str
    good: bool
    sections: tuple[Section, ...]


def html_page(
    page: HtmlPage, before: Sequence[Sketch], after: Sequence[Sketch], marks: Sequence[tuple[float, float]]
) -> str:
    """The page as HTML; `marks` are the places of what was fixed (mm), drawn over the picture of before."""
    figures = [
        *figure("As received and placed; rings mark what was fixed", _picture(before, marks)),
        *figure("As it goes out", _picture(after, ())),
    ]
    return page_with(page, "Before and after", figures)


def page_with(page: HtmlPage, heading: str, figures: Iterable[str]) -> str:
    """The page as HTML, with figures side by side behind its verdict."""
    head = f'<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>{escape(page.title)}</title>'
    parts = [
        f"{head}<style>{_STYLE}</style></head><body>",
        f'<h1>{escape(page.title)}</h1><p class="dim">{escape(page.subtitle)}</p>',
        f'<p class="{"good" if page.good else "bad"}">{"✓" if page.good else "!"} {escape(page.verdict)}</p>',
        f'<h2>{escape(heading)}</h2><div class="pair">',
        *figures,
        "</div>",
    ]
    for section in page.sections:
        parts += _section(section)
    return "\n".join([*parts, "</body></html>\n"])


def _section(section: Section) -> Iterator[str]:
    yield f"<h2>{escape(section.heading)}</h2>"
    yield from (f"<p>{escape(s)}</p>" for s in section.sentences)
    if section.table is not None:
        yield from _table(section.table)


def _table(table: Table) -> Iterator[str]:
    if not table.rows:
        yield f'<p class="dim">{escape(table.empty)}</p>'
        return
    kinds = [' class="n"' if k in table.figures else "" for k in range(len(table.heads))]
    heads = "".join(f"<th{kind}>{escape(h)}</th>" for h, kind in zip(table.heads, kinds, strict=True))
    yield f'<table width="100%"><thead><tr>{heads}</tr></thead><tbody>'
    for row in table.rows[:_MOST_ROWS]:
        cells = "".join(f"<td{kind}>{escape(str(v))}</td>" for v, kind in zip(row, kinds, strict=True))
        yield f"<tr>{cells}</tr>"
    yield "</tbody></table>"
    if len(table.rows) > _MOST_ROWS:
        yield f'<p class="dim">And {len(table.rows) - _MOST_ROWS} more.</p>'


def figure(caption: str, picture: Iterable[str]) -> Iterator[str]:
    """A picture, lines of SVG, with what it shows."""
    yield "<figure>"
    yield from picture
    yield f"<figcaption>{escape(caption)}</figcaption></figure>"


def _picture(sketches: Sequence[Sketch], marks: Iterable[tuple[float, float]]) -> Iterator[str]:
    boxes = [bounds(c.shape) for s in sketches for c in s.curves]
    if not boxes:
        yield '<p class="dim">Nothing.</p>'
        return
    low_x, low_y = min(b[0] for b in boxes), min(b[1] for b in boxes)
    high_x, high_y = max(b[2] for b in boxes), max(b[3] for b in boxes)
    size = max(high_x - low_x, high_y - low_y, ROUNDING)
    room = 0.03 * size
    view = (low_x - room, -high_y - room, high_x - low_x + 2 * room, high_y - low_y + 2 * room)
    yield f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{" ".join(map(number, view))}" role="img">'
    yield '<g fill="none" stroke-width="1" stroke="#24262a">'
    for sketch in sketches:
        ink = ' stroke="#8d8678" stroke-dasharray="4 3"' if sketch.purpose != "profile" else ""
        for curve in sketch.curves:
            yield element(curve.shape.transformed(_DOWN), f' vector-effect="non-scaling-stroke"{ink}')
    yield "</g>"
    ring = f'r="{number(0.012 * size)}" fill="none" stroke="#b3460f" vector-effect="non-scaling-stroke"'
    for x, y in marks:
        yield f'<circle cx="{number(x)}" cy="{number(-y)}" {ring}/>'
    yield "</svg>"
