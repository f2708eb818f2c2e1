"""The seat of the pump's motor: a milled plate with a pocket round a boss, a bore, holes and an engraved line."""

from __future__ import annotations

import math

import ezdxf
import msgspec

from syntaxa.cut.library import shipped_tools
from syntaxa.cut.model import Operation, OperationKind, Pick, Settings
from syntaxa.cut.sets import OperationSet, set_as_toml
from syntaxa.demo.drawing import stable_bytes

#: Bulge of a quarter circle.
_QUARTER = math.tan(math.pi / 8)

#: mm; the plate, its corners, and its thickness, which the drawing says in words.
WIDTH, HEIGHT, CORNER, THICKNESS = 140.0, 90.0, 10.0, 12.0


def seat_dxf() -> bytes:
    """As a DXF in mm, what is milled in which way on a layer of its own."""
    document = ezdxf.new("R2010")
    document.units = 4
    space = document.modelspace()

    def rounded(x: float, y: float, w: float, h: float, r: float, layer: str) -> None:
        right, top = x + w, y + h
        rows = [
            (x + r, y, 0), (right - r, y, _QUARTER), (right, y + r, 0), (right, top - r, _QUARTER),
            (right - r, top, 0), (x + r, top, _QUARTER), (x, top - r, 0), (x, y + r, _QUARTER),
        ]  # fmt: skip
        space.add_lwpolyline(rows, format="xyb", close=True, dxfattribs={"layer": layer})

    rounded(0, 0, WIDTH, HEIGHT, CORNER, "OUTLINE")
    rounded(16, 14, 62, 62, 6, "POCKET")
    space.add_circle((47, 45), 12, {"layer": "POCKET"})
    rounded(94, 58, 32, 16, 5, "POCKET")
    space.add_circle((110, 32), 14, {"layer": "BORE"})
    for x, y in ((9, 9), (WIDTH - 9, 9), (WIDTH - 9, HEIGHT - 9), (9, HEIGHT - 9)):
        space.add_circle((x, y), 3.3, {"layer": "HOLES"})
    space.add_line((84, 20), (84, 70), {"layer": "ENGRAVE"})
    note = space.add_text(
        f"MOTOR SEAT, {THICKNESS:g} MM ALUMINIUM, POCKETS 6 DEEP", height=4, dxfattribs={"layer": "NOTES"}
    )
    note.set_placement((0, -12))
    return stable_bytes(document)


def seat_set() -> bytes:
    """What is done to it on a mill, as a set of operations."""
    mill, drill, pen, cone = "end mill 6", "drill 6.6", "engraver 60", "chamfer mill 90"
    held = {t.name: t for t in shipped_tools()}

    def operation(name: str, kind: OperationKind, tool: str, pick: Pick, **how: str | float) -> Operation:
        return Operation(name, kind, pick, msgspec.convert({"tool": tool, **how}, Settings))

    operations = (
        operation("Pockets", "pocket", mill, Pick(layers=("POCKET",), nest="inner"), depth="6", entry="helix"),
        operation("Bore", "bore", mill, Pick(layers=("BORE",))),
        operation("Holes", "drill", drill, Pick(layers=("HOLES",)), peck=3.0),
        operation("Mark", "follow", pen, Pick(layers=("ENGRAVE",)), depth="0.4"),
        operation("Edge", "chamfer", cone, Pick(layers=("OUTLINE",)), width=0.8),
        operation("Outline", "profile", mill, Pick(layers=("OUTLINE",)), tabs=4),
    )
    tools = tuple(held[name] for name in (mill, drill, pen, cone))
    return set_as_toml(OperationSet(operations, tools, "aluminium", f"{THICKNESS:g}", "mill")).encode()
