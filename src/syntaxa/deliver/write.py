"""Writing a state to a file: format by ending, nothing half-written."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Literal

from syntaxa.deliver.out import put_out
from syntaxa.deliver.pages.model import InkChoice
from syntaxa.deliver.plan import Plan, Release, RolesAs, plan_of
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError
from syntaxa.geometry.tolerances import Tolerances

ENDINGS = (".dxf", ".svg", ".pdf", ".png")

#: The same in a sentence.
ENDED = f"{', '.join(ENDINGS[:-1])} or {ENDINGS[-1]}"

#: Units that a DXF can be written in.
FileUnit = Literal["mm", "cm", "m", "in", "ft"]


@dataclass(frozen=True, slots=True)
class Output:
    """Choices for what goes out: unit and release count for DXF, all else is in mm.

    roles         how roles go out
    construction  whether construction sketches go out, too
    beside        whether dimensions, texts and hatches go out, too (DXF)
    ink           of PDF and PNG; archive  PDF as PDF/A-2b; dots  to the inch of a PNG
    by_colour     a file for each colour (SVG)
    font          that texts of a DXF are written in; empty for those that they came with
    """

    unit: FileUnit = "mm"
    release: Release = "R2018"
    roles: RolesAs = "layers"
    construction: bool = False
    beside: bool = False
    ink: InkChoice = "colour"
    archive: bool = False
    dots: float = 150.0
    by_colour: bool = False
    font: str = ""


#: As a file goes out where nothing is said.
PLAIN = Output()


@dataclass(frozen=True, slots=True)
class Delivered:
    """What was written, and in sentences what the format could not hold as it was."""

    plan: Plan
    notes: tuple[str, ...]
    files: tuple[Path, ...] = ()

    def count(self) -> int:
        """How many shapes there are."""
        return self.plan.count()


def deliver(state: State, path: Path, output: Output = PLAIN) -> Delivered:
    """Writes all sketches to one file and returns what was written."""
    if path.suffix.lower() not in ENDINGS:
        raise DeliverError(
            f"{path.name} has no ending that can be written.", file=str(path), suggestion=f"End it in {ENDED}."
        )
    plan = plan_of(state, output.roles, output.construction)
    if not plan.count():
        raise DeliverError("There is nothing to deliver.", file=str(path), suggestion="Take at least one layer.")
    data, notes = _data(state, plan, path.suffix.lower(), output)
    bent = sum(part.bent for part in (*plan.profiles, *(p for b in plan.blocks for p in b.contents)))
    if bent:
        things = "1 ellipse or spline is" if bent == 1 else f"{bent} ellipses and splines are"
        notes = (*notes, f"{things} part of a contour and went out as tangent arcs, within {Tolerances().fit} mm.")
    if output.by_colour and path.suffix.lower() == ".svg":
        return Delivered(plan, notes, tuple(_by_colour(plan, path)))
    put_out(path, data)
    return Delivered(plan, notes, (path,))


def _by_colour(plan: Plan, path: Path) -> Iterator[Path]:
    """A file for each colour of lines, with the colour in its name; all are as large and lie on each other."""
    from syntaxa.deliver.svg import svg_bytes

    parts = list(plan.placed())
    for colour in dict.fromkeys(p.colour for p in parts):
        own = tuple(p for p in parts if p.colour == colour)
        file = path.with_stem(f"{path.stem}-{colour:06x}")
        put_out(file, svg_bytes(Plan(own), frame=plan)[0])
        yield file


def _data(state: State, plan: Plan, ending: str, output: Output) -> tuple[bytes, tuple[str, ...]]:
    """The bytes of a file, and what the format could not hold."""
    # A writer is loaded when it is wanted.
    if ending == ".svg":
        from syntaxa.deliver.svg import svg_bytes

        return svg_bytes(plan)
    if ending == ".dxf":
        from syntaxa.deliver.dxf import dxf_bytes

        return dxf_bytes(plan, output.unit, output.release, state if output.beside else None, output.font)
    from syntaxa.deliver.pages.model import plan_leaf
    from syntaxa.deliver.sheets.writing import PageOutput, page_bytes

    leaf = plan_leaf(plan).inked(output.ink)
    return page_bytes([leaf], ending, PageOutput(output.archive, output.dots)), ()
