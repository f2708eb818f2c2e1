"""Every format that can be written: a row each, with what it holds and which choices count for it."""

from __future__ import annotations

from dataclasses import dataclass
from pathlib import Path
from typing import Literal

from syntaxa.deliver.figures import figures_of, total
from syntaxa.deliver.out import put_out
from syntaxa.deliver.plan import Release
from syntaxa.deliver.write import PLAIN, Output, deliver
from syntaxa.drawing.state import State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import DeliverError
from syntaxa.form.part import Formed

#: What a format holds.
Holds = Literal["profiles", "bodies", "table"]


@dataclass(frozen=True, slots=True)
class Format:
    """A format: what it is called, the ending of its files, and what it holds.

    release   of a DXF; protocol  of a STEP; table  which one a CSV holds
    """

    key: str
    title: str
    ending: str
    holds: Holds
    release: Release = "R2018"
    protocol: str = ""
    table: str = ""

    @property
    def choices(self) -> frozenset[str]:
        """Which choices count for it."""
        if self.ending == ".dxf":
            return frozenset(("unit", "roles", "construction", "beside", "font"))
        if self.holds == "profiles":
            own = {".pdf": ("ink", "archive"), ".png": ("ink", "dots"), ".svg": ("by_colour",)}
            more = own.get(self.ending, ())
            return frozenset(("roles", "construction", *more))
        return frozenset()


FORMATS: tuple[Format, ...] = (
    Format("dxf", "DXF R2018", ".dxf", "profiles"),
    Format("dxf-r2010", "DXF R2010", ".dxf", "profiles", "R2010"),
    Format("dxf-r2000", "DXF R2000", ".dxf", "profiles", "R2000"),
    Format("dxf-r12", "DXF R12", ".dxf", "profiles", "R12"),
    Format("svg", "SVG, in millimetres", ".svg", "profiles"),
    Format("pdf", "PDF, at true size", ".pdf", "profiles"),
    Format("png", "PNG, a picture", ".png", "profiles"),
    Format("step", "STEP AP242, bodies", ".step", "bodies", protocol="AP242"),
    Format("step-ap214", "STEP AP214, bodies", ".step", "bodies", protocol="AP214"),
    Format("stl", "STL, bodies as triangles", ".stl", "bodies"),
    Format("3mf", "3MF, bodies as triangles", ".3mf", "bodies"),
    Format("profiles-csv", "CSV of profiles", ".csv", "table", table="profiles"),
    Format("holes-csv", "CSV of holes", ".csv", "table", table="holes"),
    Format("dimensions-csv", "CSV of dimensions", ".csv", "table", table="dimensions"),
    Format("bodies-csv", "CSV of bodies", ".csv", "table", table="bodies"),
    Format("parts-csv", "CSV of parts to be cut", ".csv", "table", table="parts"),
)


@dataclass(frozen=True, slots=True)
class Written:
    """What was written: what it holds in words, what it could not hold, and the files."""

    says: str
    notes: tuple[str, ...]
    files: tuple[Path, ...]


def format_of(key: str) -> Format:
    """The format of a key; raises DeliverError."""
    found = next((f for f in FORMATS if f.key == key), None)
    if found is None:
        raise DeliverError(f"“{key}” is no format.", suggestion=f"There are {', '.join(f.key for f in FORMATS)}.")
    return found


def write_format(form: Format, state: State, path: Path, output: Output = PLAIN, context: Context = QUIET) -> Written:
    """Writes a file, or one for each colour; raises DeliverError."""
    if form.holds == "bodies":
        from syntaxa.deliver.solids import SolidOutput, deliver_solids

        count = sum(not b.hidden for b in state.part(Formed).bodies)
        notes = deliver_solids(state, path, SolidOutput(protocol=form.protocol or "AP242"), context)
        return Written(f"{count} bod{'y' if count == 1 else 'ies'}", notes, (path,))
    if form.holds == "table":
        from syntaxa.deliver.sheets.tables import table_of

        made = table_of(form.table, state)
        if not made.rows:
            raise DeliverError(f"There is nothing for a table of {form.table}.", file=str(path))
        put_out(path, made.csv())
        return Written(f"{len(made.rows)} row{'s' if len(made.rows) != 1 else ''}", (), (path,))
    done = deliver(state, path, output)
    return Written(str(total(figures_of(done.plan))), done.notes, done.files)
