"""What leaves Cut: programs, drawings for cutters that take drawings, and what writes them."""

from __future__ import annotations

from pathlib import Path

from syntaxa.cut.paths.model import Stretch, joined
from syntaxa.cut.paths.planning import Work
from syntaxa.cut.program.assembling import tools_of, written
from syntaxa.cut.proving import Proven
from syntaxa.deliver.out import put_out
from syntaxa.deliver.plan import Plan
from syntaxa.deliver.profiles import Profiles
from syntaxa.errors import CutError, DeliverError
from syntaxa.geometry.rows import shape_of_rows
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.types import Floats

#: Endings of programs, and of drawings for cutters.
PROGRAM_ENDINGS, DRAWING_ENDINGS = (".nc", ".ngc", ".gcode", ".tap"), (".svg", ".dxf", ".pdf")

#: mm; the thinnest line that counts as one for cutters that tell lines to be cut by their weight.
HAIRLINE = 0.01

#: Colours of operations, one after the other (0xRRGGBB): told apart easily, and not what machines take for white.
_COLOURS = (0xC02020, 0x2040C0, 0x108030, 0xA06000, 0x702090, 0x008090, 0x606060, 0xC03080)


def deliver_program(proven: Proven, path: Path, a_file_a_tool: bool = False) -> list[Path]:
    """Writes the program, whole or a file a tool; the files. Raises CutError or DeliverError."""
    if not a_file_a_tool:
        put_out(path, proven.text.encode("ascii", "replace"))
        return [path]
    files = []
    for tool in tools_of(proven.work):
        text = written(proven.work, proven.machine, proven.keep_out, proven.title, only=tool.name).text
        name = "".join(c if c.isalnum() else "-" for c in tool.name).strip("-")
        file = path.with_name(f"{path.stem}-{name}{path.suffix}")
        put_out(file, text.encode("ascii", "replace"))
        files.append(file)
    return files


def deliver_drawing(work: Work, path: Path) -> list[str]:
    """Writes the paths as a drawing, a layer and colour an operation, in the order of cutting; what is to be told."""
    plan = drawing_of(work)
    suffix = path.suffix.lower()
    if suffix == ".svg":
        from syntaxa.deliver.svg import svg_bytes

        data, notes = svg_bytes(plan)
    elif suffix == ".dxf":
        from syntaxa.deliver.dxf import dxf_bytes

        data, notes = dxf_bytes(plan, "mm", "R2018")
    elif suffix == ".pdf":
        from syntaxa.deliver.pages.model import plan_leaf
        from syntaxa.deliver.pages.pdf import pdf_of

        data, notes = pdf_of([plan_leaf(plan)]), ()
    else:
        raise DeliverError(
            f"{path.name} has no ending for a drawing that is cut.",
            file=str(path),
            suggestion="End it in .svg, .dxf or .pdf.",
        )
    put_out(path, data)
    return list(notes)


def drawing_of(work: Work) -> Plan:
    """The paths of the tool's middle without leads, in mm of the program; operations in the order in which they
    begin.
    """
    shapes: dict[str, list[Shape]] = {}
    for cutting in work.cuttings:
        own = shapes.setdefault(cutting.doing.operation.name, [])
        own += [_moved(rows, work) for rows in _cut_rows(cutting.run.stretches)]
    if not any(shapes.values()):
        raise CutError("There is nothing to be cut.", suggestion="Add an operation.")
    return Plan(
        tuple(
            Profiles(name, _COLOURS[n % len(_COLOURS)], tuple(own), layer=name, weight=HAIRLINE)
            for n, (name, own) in enumerate(shapes.items())
            if own
        )
    )


def _cut_rows(stretches: tuple[Stretch, ...]) -> list[Floats]:
    """Cuts that follow each other as one run each; of passes over one another the last."""
    runs: list[list[Floats]] = []
    deepest = min((float(s.rows[:, 2].min()) for s in stretches if s.what == "cut"), default=0.0)
    for stretch in stretches:
        if stretch.what != "cut" or float(stretch.rows[:, 2].max()) > deepest:
            continue
        flat = stretch.rows[:, [0, 1, 3]]
        if runs and (runs[-1][-1][-1, :2] == flat[0, :2]).all():
            runs[-1].append(flat)
        else:
            runs.append([flat])
    return [joined(run) for run in runs]


def _moved(rows: Floats, work: Work) -> Shape:
    zero = work.stock.zero
    closed = len(rows) > 2 and bool((abs(rows[0, :2] - rows[-1, :2]) < 1e-9).all())
    own = rows[:-1].copy() if closed else rows.copy()
    own[:, 0] -= zero[0]
    own[:, 1] -= zero[1]
    return shape_of_rows(own, closed)
