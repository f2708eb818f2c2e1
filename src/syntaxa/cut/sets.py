"""Sets of operations as TOML: given on the command line, and kept by users for a material and a thickness.

::

    material = "aluminium"
    thickness = "8"
    machine = "mill"

    [[tool]]
    name = "end mill 6"
    kind = "end mill"
    diameter = 6.0

    [[operation]]
    name = "Pockets"
    kind = "pocket"
    layers = ["POCKET"]
    tool = "end mill 6"
    depth = "5"

What an operation is about and how it is done stand side by side: all names of `Pick` and `Settings` may be used.
"""

from __future__ import annotations

import json
import tomllib
from collections.abc import Iterable
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import msgspec

from syntaxa.cut.library import check_tool, text_of
from syntaxa.cut.model import Operation, Pick, Settings, Tool
from syntaxa.errors import CutError

#: What of a pick can be said without naming things of one drawing.
_RULES = ("sketches", "layers", "colours", "roles", "nest", "round_from", "round_to")

_OPERATION = ("name", "kind", "enabled")


@dataclass(frozen=True, slots=True)
class OperationSet:
    """Operations with their tools, for a material and a thickness; empty where they are for any."""

    operations: tuple[Operation, ...]
    tools: tuple[Tool, ...] = ()
    material: str = ""
    thickness: str = ""
    machine: str = ""


def set_from(text: str, file: str) -> OperationSet:
    """A set from its TOML; raises CutError that says what is wrong."""
    try:
        data = tomllib.loads(text)
        known = {"operation", "tool", "material", "thickness", "machine"}
        _only(data, known, file)
        tools = tuple(msgspec.convert(t, Tool, strict=False) for t in data.get("tool", ()))
        operations = tuple(_operation(o, file) for o in data.get("operation", ()))
    except (tomllib.TOMLDecodeError, msgspec.ValidationError, AttributeError, TypeError) as error:
        raise CutError(f"{file} is no set of operations: {error}.", file=file) from error
    for tool in tools:
        check_tool(tool, file)
    if not operations:
        raise CutError(f"{file} has no operation.", file=file, suggestion="Write one under [[operation]].")
    names = [o.name for o in operations]
    double = next((n for n in names if names.count(n) > 1), None)
    if double is not None:
        raise CutError(f"{file}: two operations are called “{double}”.", file=file)
    texts = (str(data.get(n, "")) for n in ("material", "thickness", "machine"))
    material, thickness, machine = texts
    return OperationSet(operations, tools, material, thickness, machine)


def _operation(data: dict[str, Any], file: str) -> Operation:
    _only(
        data, {*_OPERATION, *_RULES, *Settings.__struct_fields__}, f"{file}, operation {data.get('name', '')}".strip()
    )
    head = {n: data[n] for n in _OPERATION if n in data}
    pick = msgspec.convert({n: data[n] for n in _RULES if n in data}, Pick)
    given = {n: _as_text(n, data[n]) for n in Settings.__struct_fields__ if n in data}
    settings = msgspec.convert(given, Settings, strict=False)
    return msgspec.convert({"name": "Cut", **head, "pick": pick, "settings": settings}, Operation, from_attributes=True)


def _as_text(name: str, value: Any) -> Any:
    """Depths are formulas, and may be written as numbers."""
    return f"{value:g}" if name in ("depth", "top") and isinstance(value, int | float) else value


def _only(data: dict[str, Any], known: set[str], where: str) -> None:
    wrong = next((n for n in data if n not in known), None)
    if wrong is not None:
        raise CutError(f"{where}: “{wrong}” means nothing here.", suggestion=f"Known are {', '.join(sorted(known))}.")


def set_as_toml(made: OperationSet) -> str:
    """The same as text; what names things of one drawing is left out."""
    lines = [
        f"{name} = {json.dumps(value, ensure_ascii=False)}"
        for name in ("material", "thickness", "machine")
        if (value := getattr(made, name))
    ]
    for tool in made.tools:
        lines += ["", "[[tool]]", *_table(msgspec.to_builtins(tool))]
    for operation in made.operations:
        data = {
            "name": operation.name,
            "kind": operation.kind,
            "enabled": operation.enabled,
            **{n: v for n, v in msgspec.to_builtins(operation.pick).items() if n in _RULES},
            **msgspec.to_builtins(operation.settings),
        }
        lines += ["", "[[operation]]", *_table(data)]
    return "\n".join(lines) + "\n"


def _table(data: dict[str, Any]) -> Iterable[str]:
    # Strings, numbers, truth values and flat lists are written alike in JSON and TOML.
    return (f"{n} = {json.dumps(v, ensure_ascii=False)}" for n, v in data.items() if v is not None)


def set_in(path: Path) -> OperationSet:
    """The set in a file; raises CutError."""
    return set_from(text_of(path), path.name)
