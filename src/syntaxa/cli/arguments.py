"""The options of every command."""

from __future__ import annotations

import argparse
from typing import TYPE_CHECKING

from syntaxa import __version__
from syntaxa.drawing.units import MM_PER_UNIT
from syntaxa.errors import SyntaxaError

if TYPE_CHECKING:
    from syntaxa.intake.model import ReadOptions


class UsageError(SyntaxaError):
    """Options that make no sense together."""


class _Parser(argparse.ArgumentParser):
    def error(self, message: str) -> None:  # type: ignore[override]
        raise UsageError(f"{message[:1].upper()}{message[1:]}.", suggestion=f"See {self.prog} --help.")


def parser() -> argparse.ArgumentParser:
    """The parser of the whole command line."""
    top = _Parser(prog="syntaxa", description="Turns received drawings into closed, true-size profiles.")
    top.add_argument("--version", action="version", version=f"syntaxa {__version__}")
    commands = top.add_subparsers(dest="command", metavar="COMMAND", parser_class=_Parser)
    commands.add_parser("open", help="the window").add_argument("files", nargs="*", metavar="FILE")
    demo = commands.add_parser("demo", help="the window with the demo job")
    demo.add_argument("--walk", metavar="DIR", help="walk through the stages, write a PNG of each to DIR, and end")
    inspect = commands.add_parser("inspect", help="what is in a drawing")
    inspect.add_argument("file", metavar="FILE")
    _reading(inspect)
    inspect.add_argument("--report", action="store_true", help="print the import report, by type and layer")
    inspect.add_argument("--json", action="store_true", help="print JSON and nothing else")
    _mend(commands.add_parser("mend", help="settle the unit, heal, and write clean profiles"))
    _sweep(commands.add_parser("sweep", help="what every tolerance would close, leave open and swallow"))
    _define(commands.add_parser("define", help="read off what holds, bind dimensions, set values, and solve"))
    _form(commands.add_parser("form", help="make solids of regions or of folded views, and write them"))
    _cut(commands.add_parser("cut", help="cut profiles: write a program, read it again, and say what the part will be"))
    _check(commands.add_parser("check", help="play any program on the bench machine, and say what is wrong with it"))
    _sheet(commands.add_parser("sheet", help="put profiles, the drawing or views of bodies on a sheet of paper"))
    _pack(commands.add_parser("pack", help="put everything that leaves the house into one package"))
    _run(commands.add_parser("run", help="do the steps of a recipe on many drawings"))
    return top


def _run(run: argparse.ArgumentParser) -> None:
    run.add_argument("recipe", metavar="RECIPE", help="a file that ends in .sxr")
    run.add_argument("files", nargs="+", metavar="FILE")
    run.add_argument("-o", "--output", required=True, metavar="DIR", help="folder for the results and the summary")
    run.add_argument("--jobs", type=int, default=1, metavar="N", help="drawings that are worked on at a time")
    run.add_argument("--scheduler", metavar="ADDRESS", help="run on the Dask cluster there (extra “cluster”)")
    run.add_argument("--limit", type=float, metavar="SECONDS", help="steps of a drawing that take longer are left")
    run.add_argument("--strict", action="store_true", help="exit with 1 where findings are left or a unit is in doubt")
    run.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _reading(command: argparse.ArgumentParser, density: str = "--density") -> None:
    command.add_argument("--page", type=int, default=1, metavar="N", help="page of a PDF or picture")
    command.add_argument("--layout", default="", metavar="NAME", help="layout of a DXF or DWG, instead of model space")
    command.add_argument("--password", default="", help="of a PDF that its author locked")
    command.add_argument(
        "--grouping",
        default="auto",
        choices=["auto", "groups", "colour", "one"],
        help="what the layers of an SVG or PDF are",
    )
    command.add_argument(
        density, dest="density", type=float, default=96.0, metavar="N", help="pixels to the inch of an SVG"
    )
    command.add_argument(
        "--section", type=float, metavar="HEIGHT", help="where triangles are cut, in the file's numbers"
    )
    command.add_argument("--layers", metavar="A,B", help="take these layers only")
    command.add_argument("--skip-layers", metavar="C,D", help="leave these layers out")


def read_options(options: argparse.Namespace) -> ReadOptions:
    """How the file is to be read."""
    if not 1 <= options.density <= 100_000:
        raise UsageError("The density must be a number of pixels to the inch.")
    if options.layers and options.skip_layers:
        raise UsageError("Use either --layers or --skip-layers, not both.")
    # Help and bad usage are told without loading what reads drawings.
    from syntaxa.intake.model import ReadOptions

    return ReadOptions(
        page=options.page,
        layout=options.layout,
        password=options.password,
        density=options.density,
        grouping=options.grouping,
        section=options.section,
    )


def _mend(mend: argparse.ArgumentParser) -> None:
    mend.add_argument("file", metavar="FILE")
    _reading(mend)
    mend.add_argument(
        "-o", "--output", required=True, action="append", metavar="OUT", help="ends in .dxf, .svg, .pdf or .png"
    )
    _mending(mend)
    mend.add_argument(
        "--release", default="R2018", choices=["R12", "R2000", "R2010", "R2018"], help="of the DXF that is written"
    )
    mend.add_argument("--beside", action="store_true", help="dimensions, texts and hatches go out in the DXF, too")
    mend.add_argument("--output-unit", default="mm", choices=["mm", "cm", "m", "in", "ft"], help="of the DXF")
    mend.add_argument("--report", metavar="FILE", help="write an account of the mending as .html or .json")
    mend.add_argument("--budget", metavar="MM", help="how far anything may be moved; beyond it the report says so")
    mend.add_argument(
        "--strict", action="store_true", help="exit with 1 where findings are left or the unit is in doubt"
    )
    mend.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _sheet(sheet: argparse.ArgumentParser) -> None:
    sheet.add_argument("file", metavar="FILE", help="a drawing, or a job that ends in .sxj")
    sheet.add_argument("-o", "--output", required=True, metavar="OUT", help="ends in .pdf, .svg, .dxf or .png")
    sheet.add_argument("--paper", default="A3", metavar="A3|ansi-b|420x297", help="what it is printed on")
    sheet.add_argument("--scale", dest="sheet_scale", default="fit", metavar="1:2|fit", help="of the sheet")
    sheet.add_argument("--frame", default="iso", metavar="NAME|FILE|none", help="iso, none, or an SVG with fields")
    sheet.add_argument(
        "--field", action="append", default=[], metavar="NAME=TEXT", help="what stands in a field of the title block"
    )
    sheet.add_argument(
        "--views", dest="sheet_views", metavar="profiles|received|layout:NAME|top,front,side,iso",
        help="what is seen; what is not given is found",
    )  # fmt: skip
    sheet.add_argument("--method", default="first", choices=["first", "third"], help="how views of bodies lie")
    sheet.add_argument("--ink", default="colour", choices=["colour", "grey", "black"])
    sheet.add_argument("--holes", action="store_true", help="a table of holes stands on the sheet")
    sheet.add_argument("--changes", action="store_true", help="a table of what was changed stands on the sheet")
    sheet.add_argument("--parts", action="store_true", help="a table of bodies stands on the sheet")
    sheet.add_argument("--each-part", action="store_true", help="a sheet for each part of the drawing")
    sheet.add_argument("--archive", action="store_true", help="PDF as PDF/A-2b")
    sheet.add_argument("--dots", type=float, default=150.0, metavar="N", help="to the inch of a PNG")
    _whole(sheet, scaling=False)
    sheet.add_argument("--fold", dest="views", choices=["auto", "first", "third"], help="fold the drawing's own views")
    sheet.add_argument(
        "--strict",
        action="store_true",
        help="exit with 1 where something was lost or disagrees, or the unit is in doubt",
    )
    sheet.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _whole(command: argparse.ArgumentParser, scaling: bool = True) -> None:
    """All that mend, define and form take."""
    _reading(command, "--pixel-density")
    _mending(command, scaling)
    command.add_argument("--define", action="store_true", help="read off what holds, and bind the dimensions")
    _stating(command)
    _making(command)


def _mending(mend: argparse.ArgumentParser, scaling: bool = True) -> None:
    mend.add_argument("--unit", default="auto", choices=["auto", *MM_PER_UNIT], help="the unit that the drawing is in")
    mend.add_argument("--page-scale", metavar="1:N", help="the scale that the page is drawn at")
    if scaling:
        mend.add_argument("--scale", metavar="F", help="a factor on top of the unit, such as 25.4 or 40/96")
    else:
        mend.set_defaults(scale=None)
    mend.add_argument("--tolerance", default="auto", metavar="auto|MM", help="largest gap that is closed")
    mend.add_argument("--refit", metavar="MM", help="make arcs of runs of facets that leave them by no more")
    mend.add_argument("--arcs", metavar="MM", help="make tangent arcs of splines and ellipses, off by no more")
    mend.add_argument("--square", metavar="MM", help="make exact what is nearly level, upright, equal or concentric")
    mend.add_argument("--simplify", metavar="MM", help="leave out vertices of straight runs that count for no more")
    mend.add_argument("--origin", default="as-drawn", metavar="as-drawn|lower-left|centre|X,Y")


def _define(define: argparse.ArgumentParser) -> None:
    define.add_argument("file", metavar="FILE")
    _reading(define)
    define.add_argument(
        "-o", "--output", action="append", metavar="OUT", help="ends in .dxf, .svg, .pdf or .png; a folder for variants"
    )
    _defining(define)
    define.add_argument("--variants", metavar="TABLE.csv", help="a drawing for each row, into the folder given with -o")
    define.add_argument("--propose", action="store_true", help="tell the fewest dimensions that are missing")
    define.add_argument(
        "--strict",
        action="store_true",
        help="exit with 1 where something is free or disagrees, or the unit is in doubt",
    )
    define.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _defining(define: argparse.ArgumentParser) -> None:
    define.add_argument("--unit", default="auto", choices=["auto", *MM_PER_UNIT], help="the unit that it is drawn in")
    define.add_argument("--tolerance", default="auto", metavar="auto|MM", help="largest gap that is closed before")
    _stating(define)


def _stating(define: argparse.ArgumentParser) -> None:
    define.add_argument("--level", default="0.05", metavar="MM", help="how far an end may be off what is read off")
    define.add_argument(
        "--angle", type=float, default=0.5, metavar="DEG", help="how far a line may be off its direction"
    )
    define.add_argument("--no-infer", action="store_true", help="read nothing off")
    define.add_argument("--no-dimensions", action="store_true", help="leave the drawing's dimensions as words")
    define.add_argument(
        "--set", action="append", default=[], metavar="NAME=EXPR", help="give a dimension or a parameter a value"
    )
    define.add_argument("--hold", action="append", default=[], metavar="SKETCH", help="hold a sketch whole, as it came")


def _form(form: argparse.ArgumentParser) -> None:
    form.add_argument("file", metavar="FILE")
    form.add_argument("-o", "--output", action="append", metavar="OUT", help="ends in .step, .stl, .3mf, .dxf or .svg")
    _reading(form, "--pixel-density")
    _defining(form)
    form.add_argument(
        "--views", choices=["auto", "first", "third"], help="fold the views of the drawing and make what they show"
    )
    _making(form)
    form.add_argument(
        "--strict", action="store_true", help="exit with 1 where something could not be made or is in doubt"
    )
    form.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _making(form: argparse.ArgumentParser) -> None:
    form.add_argument("--thickness", metavar="EXPR", help="raise all regions so high: a length or formula")
    form.add_argument(
        "--thickness-by", metavar="layer:A=3,layer:B=5", help="raise regions by the layer or role of their outline"
    )
    form.add_argument("--turn-about", metavar="X1,Y1,X2,Y2[,ANGLE]", help="turn all regions about a line (mm, degrees)")
    form.add_argument(
        "--fillet", action="append", default=[], metavar="RULE=R", help="round edges: upright=3, convex=1"
    )
    form.add_argument("--chamfer", action="append", default=[], metavar="RULE=C", help="bevel edges: rims=0.5")
    form.add_argument(
        "--density", dest="material", metavar="NAME|KG_M3", help="what it is of: steel, aluminium... or a number"
    )


def _pack(pack: argparse.ArgumentParser) -> None:
    pack.add_argument("file", metavar="FILE", help="a drawing, or a job that ends in .sxj")
    pack.add_argument("-o", "--output", required=True, metavar="OUT.zip")
    pack.add_argument(
        "--with", dest="kinds", metavar="dxf,svg,pdf,step,nc,account",
        help="what is in it: formats, sheets, nc, setup, account, received; else all that there is",
    )  # fmt: skip
    pack.add_argument(
        "--names", default="{job}", metavar="PATTERN", help="of the files, with {job}, {sketch}, {rev} and {kind}"
    )
    pack.add_argument("--rev", default="", metavar="TEXT", help="what stands for {rev}")
    pack.add_argument("--output-unit", default="mm", choices=["mm", "cm", "m", "in", "ft"], help="of the DXF")
    pack.add_argument("--beside", action="store_true", help="dimensions, texts and hatches go out in the DXF, too")
    _whole(pack)
    pack.add_argument("--views", choices=["auto", "first", "third"], help="fold the drawing's own views")
    pack.add_argument("--machine", default="", metavar="NAME|FILE", help="cut the profiles on this machine, too")
    _cutting(pack, "--stock-thickness")
    pack.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _cut(cut: argparse.ArgumentParser) -> None:
    cut.add_argument("file", metavar="FILE")
    cut.add_argument(
        "-o", "--output", action="append", metavar="OUT",
        help="ends in .nc, .ngc, .gcode or .tap; in .svg, .dxf or .pdf for cutters that take drawings",
    )  # fmt: skip
    _reading(cut)
    _mending(cut)
    _machine(cut)
    _cutting(cut, "--thickness")
    cut.add_argument("--file-per-tool", action="store_true", help="write a program for each tool")
    cut.add_argument("--setup", metavar="FILE.html", help="write a setup sheet: stock, zero, tools, order, times")
    cut.add_argument("--strict", action="store_true", help="exit with 1 where something is wrong, or the unit in doubt")
    cut.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _cutting(cut: argparse.ArgumentParser, thickness: str) -> None:
    cut.add_argument(
        "--tool", action="append", default=[], metavar="NAME|D=6|kerf=0.2", help="what cuts where nothing else is said"
    )
    cut.add_argument(
        thickness, dest="stock_thickness", default="3", metavar="EXPR", help="of the stock: a length or formula"
    )
    cut.add_argument("--operations", metavar="FILE.toml", help="what is to be cut, and how")
    cut.add_argument("--margin", type=float, default=10.0, metavar="MM", help="of the stock round the parts")
    cut.add_argument(
        "--zero", default="lower-left",
        choices=["lower-left", "lower-right", "upper-left", "upper-right", "centre", "as-drawn"],
        help="where the program's x and y are 0",
    )  # fmt: skip
    cut.add_argument("--decimals", type=int, metavar="N", help="places behind the point, instead of the machine's")
    cut.add_argument("--sheet", metavar="X,Y", help="nest the parts on sheets of this size (mm): a program for each")
    cut.add_argument("--copies", type=int, default=1, metavar="N", help="of every part, where they are nested")
    cut.add_argument("--gap", type=float, default=5.0, metavar="MM", help="between nested parts")
    cut.add_argument(
        "--turning", default="quarters", choices=["none", "half", "quarters", "eighths"],
        help="of nested parts; half keeps the grain",
    )  # fmt: skip
    cut.add_argument("--grid", action="store_true", help="nest parts in boxes instead of by their shape")
    cut.add_argument("--tabs", type=int, metavar="N", help="tabs of each outline")


def _machine(command: argparse.ArgumentParser) -> None:
    command.add_argument("--machine", default="laser", metavar="NAME|FILE", help="one that is shipped, or a .toml")


def _check(check: argparse.ArgumentParser) -> None:
    check.add_argument("program", metavar="PROGRAM")
    check.add_argument("--against", metavar="FILE", help="a drawing that the program should cut")
    check.add_argument(
        "--zero", default="auto", metavar="auto|as-drawn|lower-left|centre|X,Y", help="of the program on the drawing"
    )
    _reading_against(check)
    _machine(check)
    check.add_argument(
        "--tool", action="append", default=[], metavar="[T1:]NAME|D=6|kerf=0.2", help="what cuts, by its number"
    )
    check.add_argument("--stock", metavar="X,Y,Z", help="size of the stock (mm), its lower left corner at zero")
    check.add_argument("--tolerance", type=float, default=0.005, metavar="MM", help="what may be off unsaid")
    check.add_argument("--skip", action="store_true", help="leave lines with a slash out")
    check.add_argument("--strict", action="store_true", help="exit with 1 where something is wrong")
    check.add_argument("--json", action="store_true", help="print JSON and nothing else")


def _reading_against(check: argparse.ArgumentParser) -> None:
    check.add_argument("--unit", default="auto", choices=["auto", *MM_PER_UNIT], help="of the drawing")
    check.add_argument("--layers", metavar="A,B", help="take these layers of the drawing only")
    check.add_argument("--skip-layers", metavar="C,D", help="leave these layers out")


def _sweep(command: argparse.ArgumentParser) -> None:
    command.add_argument("file", metavar="FILE")
    _reading(command)
    command.add_argument("--unit", default="auto", choices=["auto", *MM_PER_UNIT], help="the unit that it is drawn in")
    command.add_argument("--limit", default="5", metavar="MM", help="the largest tolerance to look at")
    command.add_argument("--json", action="store_true", help="print JSON and nothing else")


def names(text: str | None) -> tuple[str, ...]:
    """Names in a list with commas."""
    return tuple(part.strip() for part in text.split(",") if part.strip()) if text else ()
