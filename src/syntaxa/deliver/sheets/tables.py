"""Tables on sheets and as CSV: holes, bodies, dimensions, profiles, and what is cut."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from syntaxa.define.part import Defined
from syntaxa.define.views import spans_of
from syntaxa.deliver.figures import figures_of
from syntaxa.deliver.pages.model import Mark, Pen, Stroke, Words, width_of
from syntaxa.deliver.plan import plan_of
from syntaxa.deliver.sheets.holes import holes_of
from syntaxa.deliver.sheets.values import plain, value_text
from syntaxa.drawing.state import State
from syntaxa.form.part import Formed
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line

#: mm: height of letters, of a row, and room at both sides of a cell.
_LETTER, _ROW, _SIDE = 2.5, 6.0, 1.5

#: Letters of what was done that stand in a table.
_WORDS = 48

#: Rows that stand on a sheet at the most.
_MOST = 60


@dataclass(frozen=True, slots=True)
class Table:
    """A title, heads, and rows of text."""

    title: str
    heads: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]

    def csv(self) -> bytes:
        """The table as comma separated values, UTF-8."""
        out = io.StringIO()
        writer = csv.writer(out, lineterminator="\n")
        writer.writerow(self.heads)
        writer.writerows(self.rows)
        return out.getvalue().encode()

    def _shown(self) -> list[tuple[str, ...]]:
        """Heads and rows as they stand on a sheet."""
        shown = [self.heads, *self.rows[:_MOST]]
        if len(self.rows) > _MOST:
            more = f"and {len(self.rows) - _MOST} more"
            shown.append((more, *("" for _ in self.heads[1:])))
        return shown

    def _widths(self) -> list[float]:
        shown = self._shown()
        return [max(width_of(row[k], _LETTER) for row in shown) + 2 * _SIDE for k in range(len(self.heads))]

    @property
    def width(self) -> float:
        """How wide it is on a sheet (mm)."""
        return sum(self._widths())

    def marks(self, corner: Point) -> tuple[list[Mark], float]:
        """(lines and words, height in mm) of the table whose upper right corner is there."""
        shown, wide = self._shown(), self._widths()
        left, high = corner.x - sum(wide), len(shown) * _ROW
        marks = list(self._cells(shown, wide, left, corner.y))
        stops = [left]
        for width in wide:
            stops.append(stops[-1] + width)
        marks += [Stroke(Line(Point(x, corner.y), Point(x, corner.y - high)), Pen(), "tables") for x in stops]
        for k in range(len(shown) + 1):
            y = corner.y - k * _ROW
            marks.append(Stroke(Line(Point(left, y), Point(corner.x, y)), Pen(0.5 if k == 1 else 0.25), "tables"))
        return marks, high

    def _cells(
        self, shown: Sequence[tuple[str, ...]], wide: Sequence[float], left: float, top: float
    ) -> Iterator[Mark]:
        for k, row in enumerate(shown):
            x = left
            for text, width in zip(row, wide, strict=True):
                place = Point(x + _SIDE, top - (k + 1) * _ROW + (_ROW - _LETTER) / 2)
                yield Words(text, place, _LETTER, 0.0, "left", 0, "tables")
                x += width


def hole_table(state: State) -> Table:
    """Every hole: its number, where it is and how large."""
    rows = tuple(
        (str(n), plain(c.centre.x, 3), plain(c.centre.y, 3), plain(2 * c.radius, 3), name)
        for n, (c, name) in enumerate(holes_of(state), 1)
    )
    return Table("Holes", ("No.", "x, mm", "y, mm", "Ø, mm", "Sketch"), rows)


def part_table(state: State) -> Table:
    """Every body that is not hidden: size, volume and mass."""
    rows = []
    for n, body in enumerate((b for b in state.part(Formed).bodies if not b.hidden), 1):
        box = body.figures.box
        size = " x ".join(plain(box[k + 3] - box[k], 2) for k in range(3))
        mass = "" if body.mass is None else f"{body.mass:.4g}"
        material = body.density.name if body.density is not None else ""
        rows.append((str(n), body.name, size, f"{body.figures.volume:.6g}", mass, material))
    return Table("Bodies", ("No.", "Body", "Size, mm", "Volume, mm3", "Mass, kg", "Material"), tuple(rows))


def change_table(changes: Sequence[tuple[str, int, float]]) -> Table:
    """Every step that changed curves: what was done, to how many, and how far anything moved at the most."""
    rows = tuple(
        (str(n), what[:_WORDS], str(count), plain(most, 4)) for n, (what, count, most) in enumerate(
            (row for row in changes if row[1]), 1
        )
    )  # fmt: skip
    return Table("Changes", ("No.", "Change", "Curves", "At most, mm"), rows)


def dimension_table(state: State) -> Table:
    """Every dimension of Define: what it is called, what it measures, what is written."""
    measured, _ = spans_of(state)
    rows = tuple(
        (m.name, m.sketch, m.kind, value_text(m, measured[m.name]), m.text, m.use)
        for m in state.part(Defined).measures if m.name in measured
    )  # fmt: skip
    return Table("Dimensions", ("Name", "Sketch", "Kind", "Value", "As written", "Use"), rows)


def profile_table(state: State) -> Table:
    """Every sketch that goes out: how many profiles, holes and open lines."""
    rows = tuple(
        (f.sketch, str(f.profiles), str(f.holes), str(f.open_runs)) for f in figures_of(plan_of(state, "layers"))
    )  # fmt: skip
    return Table("Profiles", ("Sketch", "Profiles", "Holes", "Open"), rows)


def table_of(name: str, state: State) -> Table:
    """The table of a name."""
    if name == "parts":
        # Nesting is looked at only when parts are asked for.
        from syntaxa.deliver.sheets.cut_list import part_list

        return part_list(state)
    return TABLES[name](state)


#: Tables that can be written, by name, but for that of parts.
TABLES = {"profiles": profile_table, "holes": hole_table, "bodies": part_table, "dimensions": dimension_table}
