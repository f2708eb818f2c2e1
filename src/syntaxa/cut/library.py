"""Machines and tools as data: what is shipped, what users have in their own folder, and tables that come and go as
CSV.
"""

from __future__ import annotations

import csv
import io
import tomllib
from collections.abc import Iterable
from functools import cache
from importlib import resources
from pathlib import Path
from typing import Any, Literal, get_args

import msgspec

from syntaxa.cut.model import Tool, ToolKind
from syntaxa.errors import CutError, reason_of

MachineKind = Literal["mill", "router", "laser", "plasma", "waterjet", "knife"]

#: Kinds whose tool knows no depth.
FLAT_KINDS: tuple[MachineKind, ...] = ("laser", "plasma", "waterjet", "knife")


class Numbers(msgspec.Struct, frozen=True, forbid_unknown_fields=True):
    """How a machine wants its numbers: places behind the point, and steps of line numbers (0 for none)."""

    decimals: int = 4
    feed_decimals: int = 1
    line_numbers: int = 0


class Arcs(msgspec.Struct, frozen=True, forbid_unknown_fields=True):
    """How arcs are written: not at all (chords within `chord` mm), by centre or by radius; at most so many degrees
    each.

    limit  mm by which the two ends may be unlike far from the centre, as the machine reads it
    """

    by: Literal["relative", "absolute", "radius", "none"] = "relative"
    most: float = 180.0
    limit: float = 0.002
    chord: float = 0.005


class Motion(msgspec.Struct, frozen=True, forbid_unknown_fields=True):
    """How fast it is: rapids mm/min, acceleration mm/s2, jerk mm/s3 (0 for none), and how far a corner may be cut
    (mm).
    """

    rapid: float = 6000.0
    acceleration: float = 500.0
    jerk: float = 0.0
    deviation: float = 0.01
    tool_change: float = 30.0


class Words(msgspec.Struct, frozen=True, forbid_unknown_fields=True):
    """Lines of a program with names in braces: {tool}, {speed}, {pierce}, {safe}, {system}."""

    start: tuple[str, ...] = ()
    tool: tuple[str, ...] = ()
    spindle: tuple[str, ...] = ()
    on: tuple[str, ...] = ()
    off: tuple[str, ...] = ()
    end: tuple[str, ...] = ()


class Machine(msgspec.Struct, frozen=True, forbid_unknown_fields=True):
    """What writes and plays a program: how it moves, where it ends, how it wants to be told.

    travel   mm, (low, high) of x, y and z; safe  mm over the stock for rapids
    cycles   whether drilling is written as canned cycles
    """

    name: str
    says: str
    kind: MachineKind
    travel: tuple[tuple[float, float], tuple[float, float], tuple[float, float]]
    unit: Literal["mm", "in"] = "mm"
    safe: float = 5.0
    modal: bool = True
    cycles: bool = True
    comments: Literal["round", "semicolon", "none"] = "round"
    ending: Literal["\n", "\r\n"] = "\n"
    speed_most: float = 0.0
    numbers: Numbers = Numbers()
    arcs: Arcs = Arcs()
    motion: Motion = Motion()
    words: Words = Words()

    @property
    def is_flat(self) -> bool:
        """Whether its tool knows no depth."""
        return self.kind in FLAT_KINDS


# ---------------------------------------------------------------------- machines


@cache
def shipped_machines() -> tuple[Machine, ...]:
    """The machines that come with the program, by what they are for."""
    folder = resources.files("syntaxa.cut") / "data" / "machines"
    texts = {entry.name: entry.read_text("utf-8") for entry in folder.iterdir() if entry.name.endswith(".toml")}
    made = {m.name: m for m in (machine_from(text, name) for name, text in texts.items())}
    return tuple(made[name] for name in ("laser", "plasma", "waterjet", "knife", "mill", "router"))


def machine_from(text: str, file: str) -> Machine:
    """A machine from its TOML; raises CutError that says what is wrong."""
    try:
        found = msgspec.convert(tomllib.loads(text), Machine)
    except (tomllib.TOMLDecodeError, msgspec.ValidationError) as error:
        raise CutError(
            f"{file} is no machine: {error}.", file=file, suggestion="Compare it with one that is shipped."
        ) from error
    _check(found, file)
    return found


def _check(machine: Machine, file: str) -> None:
    wrong = [axis for axis, (low, high) in zip("xyz", machine.travel, strict=True) if not low <= high]
    if wrong:
        raise CutError(f"{file}: the travel in {wrong[0]} ends before it begins.", file=file)
    if not 0 <= machine.numbers.decimals <= 9 or not 0 <= machine.numbers.feed_decimals <= 6:
        raise CutError(f"{file}: places behind the point are 0 to 9.", file=file)
    if not (machine.motion.rapid > 0 and machine.motion.acceleration > 0 and machine.motion.deviation > 0):
        raise CutError(f"{file}: rapids, acceleration and corner deviation must be more than 0.", file=file)
    if not 0 < machine.arcs.most <= 180 or not machine.arcs.chord > 0:
        raise CutError(f"{file}: an arc has more than 0 and at most 180 degrees, its chord more than 0 mm.", file=file)


def machines(own: Path | None = None) -> tuple[Machine, ...]:
    """All machines: the user's own before the shipped ones of the same name; what cannot be read is left out."""
    mine = []
    for file in sorted(own.glob("*.toml")) if own is not None and own.is_dir() else ():
        try:
            mine.append(machine_from(file.read_text("utf-8"), file.name))
        except (OSError, UnicodeDecodeError, CutError):
            continue
    names = {m.name for m in mine}
    return (*mine, *(m for m in shipped_machines() if m.name not in names))


def machine_named(name: str, own: Path | None = None) -> Machine:
    """A machine by its name or file; raises CutError."""
    if name.endswith(".toml"):
        return machine_from(text_of(Path(name)), name)
    known = machines(own)
    found = next((m for m in known if m.name == name), None)
    if found is None:
        raise CutError(
            f"There is no machine called “{name}”.", suggestion=f"There are: {', '.join(m.name for m in known)}."
        )
    return found


def text_of(file: Path) -> str:
    """The text of a file; raises CutError."""
    try:
        return file.read_text("utf-8")
    except OSError as error:
        raise CutError(f"{file} cannot be read: {reason_of(error)}.", file=str(file)) from error
    except UnicodeDecodeError as error:
        raise CutError(f"{file} is no text.", file=str(file)) from error


# ---------------------------------------------------------------------- tools


@cache
def shipped_tools() -> tuple[Tool, ...]:
    """The tools that come with the program: common sizes, cautious feeds, from common practice."""
    text = (resources.files("syntaxa.cut") / "data" / "tools.csv").read_text("utf-8")
    return tools_from(text, "tools.csv")


_NUMBERS = ("diameter", "corner_radius", "angle", "length", "kerf", "feed", "plunge", "speed", "step_down", "step_over",
            "pierce")  # fmt: skip


def tools_from(text: str, file: str) -> tuple[Tool, ...]:
    """Tools from a CSV table whose first row names the columns; raises CutError that names the row."""
    rows = csv.DictReader(io.StringIO(text))
    names = {n.strip() for n in rows.fieldnames or ()}
    if "name" not in names or not names <= set(Tool.__struct_fields__):
        wrong = sorted(names - set(Tool.__struct_fields__))
        why = f"there is no column “{wrong[0]}” for tools" if wrong else "it has no column “name”"
        raise CutError(f"{file}: {why}.", file=file, suggestion=f"Columns are {', '.join(Tool.__struct_fields__)}.")
    found: dict[str, Tool] = {}
    for number, row in enumerate(rows, 2):
        tool = _tool_of(row, f"{file}, row {number}")
        if tool.name in found:
            raise CutError(f"{file}, row {number}: there are two tools called “{tool.name}”.", file=file)
        found[tool.name] = tool
    return tuple(found.values())


def _tool_of(row: dict[Any, Any], where: str) -> Tool:
    given: dict[str, Any] = {}
    for key, value in row.items():
        if key is None or not isinstance(value, str):
            raise CutError(f"{where}: it has not as many cells as there are columns.")
        name, text = key.strip(), value.strip()
        if not text:
            continue
        try:
            if name in _NUMBERS:
                given[name] = float(text)
            elif name in ("number", "flutes"):
                given[name] = int(text)
            elif name == "centre":
                given[name] = text.lower() in ("yes", "true", "1")
            else:
                given[name] = text
        except ValueError:
            raise CutError(f"{where}: “{text}” is no number for {name}.") from None
    if "name" not in given:
        raise CutError(f"{where}: the tool has no name.")
    tool = Tool(**given)
    check_tool(tool, where)
    return tool


def check_tool(tool: Tool, where: str = "") -> None:
    """Raises CutError where a tool makes no sense."""
    head = f"{where}: " if where else ""
    if tool.kind not in get_args(ToolKind):
        raise CutError(
            f"{head}“{tool.kind}” is no kind of tool.", suggestion=f"Kinds: {', '.join(get_args(ToolKind))}."
        )
    numbers = {n: getattr(tool, n) for n in _NUMBERS}
    bad = next((n for n, v in numbers.items() if not 0 <= v < 1e6), None)
    if bad is not None:
        raise CutError(f"{head}{bad} of “{tool.name}” is {numbers[bad]:g}; it must be 0 or more.")
    if not tool.width > 0 and tool.kind != "knife":
        what = "kerf" if tool.is_flat else "diameter"
        raise CutError(f"{head}“{tool.name}” has no {what}.", suggestion=f"Give it a {what} in mm.")
    if tool.kind in ("cone", "drill") and not 0 < tool.angle < 180:
        raise CutError(f"{head}the tip of “{tool.name}” must have an angle between 0 and 180 degrees.")
    if not 0 < tool.step_over < 2:
        raise CutError(f"{head}the step-over of “{tool.name}” must be between 0 and 2 radii.")


def tools_as_csv(tools: Iterable[Tool]) -> str:
    """The same tools as a table."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    names = Tool.__struct_fields__
    writer.writerow(names)
    for tool in tools:
        values = (getattr(tool, n) for n in names)
        writer.writerow(
            [("yes" if v else "no") if isinstance(v, bool) else f"{v:g}" if isinstance(v, float) else v for v in values]
        )
    return out.getvalue()


def tool_from(text: str, machine: Machine, known: Iterable[Tool]) -> Tool:
    """A tool as it is typed: the name of one, D=6 for a mill of that diameter, or kerf=0.2; raises CutError."""
    name, sign, size = text.partition("=")
    key = name.strip().lower()
    if sign and key in ("d", "kerf"):
        try:
            width = float(size)
        except ValueError:
            width = 0.0
        if not 0 < width < 1e4:
            raise CutError(f"“{text}” is no tool.", suggestion="Write D=6 or kerf=0.2, in mm.")
        if (key == "kerf") != machine.is_flat:
            wanted = "kerf=0.2" if machine.is_flat else "D=6"
            raise CutError(f"“{text}” is no tool for a {machine.kind}.", suggestion=f"Write {wanted}, in mm.")
        return plain_tool(machine, width)
    known = tuple(known)
    found = next((t for t in known if t.name == text.strip()), None)
    if found is None:
        raise CutError(
            f"There is no tool called “{text}”.",
            suggestion=f"Write D=6 or kerf=0.2, or one of {', '.join(t.name for t in known)}.",
        )
    return found


def plain_tool(machine: Machine, width: float) -> Tool:
    """A tool of a width (mm) for a machine, with cautious numbers."""
    if machine.kind == "knife":
        return Tool(f"knife {width:g}", "knife", 1, kerf=width, feed=3000.0, plunge=1000.0)
    if machine.is_flat:
        return Tool(f"beam {width:g}", "beam", 1, kerf=width, feed=1500.0, pierce=0.3)
    feed = 150.0 + 75.0 * width
    return Tool(
        f"end mill {width:g}", "end mill", 1, width, flutes=2, feed=feed, plunge=feed / 3,
        speed=12000.0, step_down=width / 2, step_over=1.0,
    )  # fmt: skip


def fitting(tools: Iterable[Tool], machine: Machine) -> list[Tool]:
    """The tools that a machine can use."""
    wanted: tuple[ToolKind, ...]
    if machine.kind == "knife":
        wanted = ("knife",)
    elif machine.is_flat:
        wanted = ("beam",)
    else:
        wanted = ("end mill", "ball mill", "cone", "drill")
    return [t for t in tools if t.kind in wanted]
