"""Made-up drawings of known unit: parts and structures, in any unit, under a right, wrong or missing header.

Everything follows from the seed. The orchard's pump gives the names; no figure is taken from a real drawing.
"""

from __future__ import annotations

import io
import math
import random
from dataclasses import dataclass

import ezdxf

MM = {"mm": 1.0, "cm": 10.0, "m": 1000.0, "in": 25.4, "ft": 304.8, "px": 25.4 / 96, "px90": 25.4 / 90, "pt": 25.4 / 72}

#: Header codes of a DXF (DXF reference, $INSUNITS).
CODES = {"mm": 4, "cm": 5, "m": 6, "in": 1, "ft": 2}

#: The units in turn, so that each is met as often; pixels are of three sizes.
TURNS = ("mm", "in", "cm", "m", "ft", "px", "mm", "in", "px90", "pt")

_METRIC_GRIDS = ((10.0, 1), (5.0, 4), (1.0, 6), (0.5, 3))
_INCH_GRIDS = ((1.0, 1), (0.5, 3), (0.25, 4), (0.125, 4), (0.0625, 3), (0.1, 1), (0.05, 1))
_METRIC_HOLES = (3.4, 4.5, 5.5, 6.6, 9.0, 11.0, 13.5, 17.5, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
_INCH_HOLES = (0.125, 0.1875, 0.25, 0.28125, 0.3125, 0.375, 0.40625, 0.5, 0.53125, 0.625)


@dataclass(frozen=True)
class Case:
    """A file, what one of its numbers is in mm, the unit that it is drawn in, and how it came to its header."""

    name: str
    data: bytes
    mm: float
    unit: str
    header: str
    dimensioned: bool


@dataclass
class _Sheet:
    """Things in mm: lines, arcs (centre, radius, from and to in degrees), circles, dimensions and texts."""

    lines: list
    arcs: list
    circles: list
    dimensions: list
    texts: list


def case(seed: int) -> Case:
    """The drawing of a seed."""
    dice = random.Random(f"orchard {seed}")
    unit = TURNS[seed % len(TURNS)]
    dimensioned = (seed // len(TURNS)) % 2 == 0
    pixels = unit in ("px", "px90", "pt")
    metric = dice.random() < {"in": 0.04, "ft": 0.0, "mm": 0.95}.get(unit, 0.7 if pixels else 1.0)
    structure = dice.random() < {"m": 0.85, "ft": 0.9, "cm": 0.15}.get(unit, 0.06)
    sheet = _structure(dice, metric) if structure else _part(dice, metric)
    text_unit = _text_unit(dice, unit, metric, structure)
    scale = dice.choice([2.0, 5.0, 10.0]) if dimensioned and unit in ("mm", "in") and dice.random() < 0.06 else 1.0
    if dimensioned:
        _note(dice, sheet, text_unit, 0.45, scale)
    else:
        sheet.dimensions.clear()
        _note(dice, sheet, text_unit, 0.12, scale)
    if dice.random() < 0.3:
        _frame(dice, sheet, metric)
    header = "right" if seed % 4 < 2 else "wrong" if seed % 4 == 2 else "none"
    if pixels and dice.random() < 0.6:
        data, header = _svg(dice, sheet, unit, text_unit), "right" if unit == "px" else "wrong"
        return Case(f"{seed}.svg", data, MM[unit], unit, header, dimensioned)
    if pixels and header == "right":
        header = "none"
    data = _dxf(dice, sheet, unit, text_unit, header, scale)
    return Case(f"{seed}.dxf", data, MM[unit] * scale, unit, header, dimensioned)


# ---------------------------------------------------------------------- things


def _grid(dice, metric):
    grids = _METRIC_GRIDS if metric else _INCH_GRIDS
    size = dice.choices([g for g, _ in grids], [w for _, w in grids])[0]
    return size if metric else size * 25.4


def _on(grid, value):
    return max(1, round(value / grid)) * grid


def _part(dice, metric):
    grid = _grid(dice, metric)
    width = _on(grid, 30 * 25 ** dice.random())
    height = _on(grid, width * dice.uniform(0.35, 1.0))
    sheet = _Sheet([], [], [], [], [])
    radius = _on(grid, dice.choice([3, 5, 6, 8, 10, 12]) * width / 200) if dice.random() < 0.7 else 0.0
    if radius and 2 * radius < 0.8 * min(width, height):
        _rounded(sheet, 0, 0, width, height, radius)
        sheet.dimensions.append(("radius", (radius, radius), radius, "R"))
    else:
        _box(sheet, 0, 0, width, height)
    hole = dice.choice(_METRIC_HOLES) if metric else dice.choice(_INCH_HOLES) * 25.4
    hole = min(hole, _on(grid, height / 5))
    inset = _on(grid, max(2 * hole, height * 0.12))
    if 2 * inset < 0.8 * height:
        for x in (inset, width - inset):
            for y in (inset, height - inset):
                sheet.circles.append((x, y, hole / 2))
        sheet.dimensions.append(("diameter", (inset, inset), hole, "Ø"))
        sheet.dimensions.append(("linear", ((inset, inset), (width - inset, inset)), width - 2 * inset, ""))
        sheet.dimensions.append(("linear", ((0, 0), (inset, 0)), inset, ""))
    if dice.random() < 0.6:
        bore = _on(grid, height * dice.uniform(0.2, 0.45))
        sheet.circles.append((width / 2, height / 2, bore / 2))
        sheet.dimensions.append(("diameter", (width / 2, height / 2), bore, "Ø"))
    if dice.random() < 0.4:
        angle = math.radians(dice.uniform(10, 80))
        length = height * dice.uniform(0.1, 0.3)
        x, y = width * 0.3, height * 0.4
        sheet.lines.append((x, y, x + length * math.cos(angle), y + length * math.sin(angle)))
    if dice.random() < 0.5:
        at, deep = _on(grid, width * 0.3), _on(grid, height * 0.15)
        sheet.lines += [(at, height, at, height - deep), (at, height - deep, at + deep, height - deep)]
        sheet.lines.append((at + deep, height - deep, at + deep, height))
        sheet.dimensions.append(("linear", ((at, height), (at + deep, height)), deep, ""))
    sheet.dimensions.append(("linear", ((0, 0), (width, 0)), width, ""))
    sheet.dimensions.append(("linear", ((0, 0), (0, height)), height, ""))
    return sheet


def _structure(dice, metric):
    """A shed, a tank stand or a piece of the orchard, seen from above."""
    grid = dice.choice([50.0, 100.0, 250.0, 10.0]) if metric else dice.choice([6.0, 12.0, 3.0, 1.0]) * 25.4
    width, height = _on(grid, 2500 * 12 ** dice.random()), _on(grid, 2000 * 6 ** dice.random())
    wall = dice.choice([100.0, 150.0, 200.0]) if metric else dice.choice([4.0, 6.0, 8.0]) * 25.4
    post = dice.choice([60.0, 80.0, 100.0, 120.0]) if metric else dice.choice([3.0, 4.0, 6.0]) * 25.4
    sheet = _Sheet([], [], [], [], [])
    _box(sheet, 0, 0, width, height)
    _box(sheet, wall, wall, width - wall, height - wall)
    for x in (wall / 2, width - wall / 2):
        for y in (wall / 2, height - wall / 2):
            sheet.circles.append((x, y, post / 2))
    door = _on(grid, 900) if metric else 36 * 25.4
    at = _on(grid, width / 4)
    sheet.lines += [(at, 0, at, wall), (at + door, 0, at + door, wall)]
    sheet.dimensions += [
        ("linear", ((0, 0), (width, 0)), width, ""),
        ("linear", ((0, 0), (0, height)), height, ""),
        ("linear", ((at, 0), (at + door, 0)), door, ""),
        ("diameter", (wall / 2, wall / 2), post, "Ø"),
    ]
    if dice.random() < 0.5:
        tank = _on(grid, min(width, height) * 0.4)
        sheet.circles.append((width / 2, height / 2, tank / 2))
        sheet.dimensions.append(("diameter", (width / 2, height / 2), tank, "Ø"))
    return sheet


def _box(sheet, x, y, u, v):
    sheet.lines += [(x, y, u, y), (u, y, u, v), (u, v, x, v), (x, v, x, y)]


def _rounded(sheet, x, y, u, v, r):
    sheet.lines += [(x + r, y, u - r, y), (u, y + r, u, v - r), (u - r, v, x + r, v), (x, v - r, x, y + r)]
    corners = ((u - r, y + r, 270), (u - r, v - r, 0), (x + r, v - r, 90), (x + r, y + r, 180))
    sheet.arcs += [(cx, cy, r, a, a + 90) for cx, cy, a in corners]


# ---------------------------------------------------------------------- words


def _text_unit(dice, unit, metric, structure):
    if not metric:
        return "in" if not structure or dice.random() < 0.2 else "ft"
    if unit in ("mm", "in"):
        return "mm"
    if unit in ("cm", "m"):
        return unit if dice.random() < 0.55 else "mm"
    return "m" if structure and dice.random() < 0.5 else "mm"


def _note(dice, sheet, text_unit, share, scale):
    words = {"mm": ("MM", "MILLIMETRES"), "cm": ("CM", "CENTIMETRES"), "m": ("M", "METRES"),
             "in": ("INCHES", "INCH"), "ft": ("FEET AND INCHES", "FEET")}[text_unit]  # fmt: skip
    if dice.random() < share:
        form = dice.choice(["ALL DIMENSIONS IN {}", "DIMENSIONS ARE IN {}", "UNITS: {}", "UNLESS NOTED, SIZES IN {}"])
        sheet.texts.append(form.format(dice.choice(words)))
    if scale != 1.0 or dice.random() < share / 3:
        sheet.texts.append(f"SCALE 1:{scale:g}")
    sheet.texts += dice.sample(["PUMP STAND", "ORCHARD WELL", "REV B", "QTY 4", "DEBURR EDGES", "SHEET 1 OF 2"], 2)


def _frame(dice, sheet, metric):
    """A border of a standard sheet at a scale that holds the drawing."""
    width = max(u for _, _, u, _ in sheet.lines)
    sheets = [(420, 297), (297, 210), (594, 420)] if metric else [(431.8, 279.4), (558.8, 431.8)]
    wide, high = dice.choice(sheets)
    times = next((s for s in (1, 2, 5, 10, 20, 50, 100, 200) if s * wide > 1.4 * width), 500)
    x, y = -0.15 * wide * times, -0.3 * high * times
    _box(sheet, x, y, x + wide * times, y + high * times)


def _shown(dice, mm, text_unit, sign):
    value = mm / MM[text_unit]
    if text_unit == "ft":
        feet, inches = divmod(mm / 25.4, 12)
        whole, part = divmod(round(inches * 16), 16)
        fraction = f" {part // math.gcd(part, 16)}/{16 // math.gcd(part, 16)}" if part else ""
        return f"{sign}{int(feet)}'-{whole}{fraction}\""
    if text_unit == "in":
        sixteenths = round(value * 64)
        if abs(value * 64 - sixteenths) < 1e-6 and sixteenths % 64 and dice.random() < 0.4:
            whole, part = divmod(sixteenths, 64)
            by = math.gcd(part, 64)
            return f"{sign}{f'{whole} ' if whole else ''}{part // by}/{64 // by}"
        text = f"{value:.3f}" if dice.random() < 0.6 else f"{value:.2f}"
        return sign + (text[1:] if text.startswith("0.") else text)
    text = f"{value:.3f}".rstrip("0").rstrip(".")
    return sign + text


# ---------------------------------------------------------------------- files


def _dxf(dice, sheet, unit, text_unit, header, scale):
    document = ezdxf.new("R2010")
    says = unit if header == "right" else dice.choice([u for u in ("mm", "in", "in", "mm", "cm", "m") if u != unit])
    code = 0 if header == "none" else CODES.get(says, 4)
    if code:
        document.header["$INSUNITS"] = code
        document.header["$MEASUREMENT"] = int(says not in ("in", "ft"))
    else:
        document.header["$INSUNITS"] = 0
        del document.header["$MEASUREMENT"]
    space = document.modelspace()
    k = 1 / (MM[unit] * scale)
    far = (dice.uniform(-2000, 2000), dice.uniform(-2000, 2000)) if dice.random() < 0.5 else (0.0, 0.0)
    digits = dice.choice([6, 8, 12])
    slip = dice.choice([0.0, 0.0, 0.0, 0.01]) * k

    def at(x, y):
        return tuple(
            round(v * k + o + (dice.uniform(-slip, slip) if dice.random() < 0.1 else 0.0), digits)
            for v, o in zip((x, y), far, strict=True)
        )

    for x, y, u, v in sheet.lines:
        space.add_line(at(x, y), at(u, v))
    for x, y, r, a, b in sheet.arcs:
        space.add_arc(at(x, y), round(r * k, digits), a, b)
    for x, y, r in sheet.circles:
        space.add_circle(at(x, y), round(r * k, digits))
    for j, text in enumerate(sheet.texts):
        space.add_text(text, height=3 * k).set_placement(at(0, -20 - 8 * j))
    lied = dice.random() < 0.15
    for j, (kind, where, mm, sign) in enumerate(sheet.dimensions):
        _dimension(dice, space, kind, where, mm * (1.3 if lied and j == 0 else 1.0), sign, at, k, text_unit, j)
    text = io.StringIO()
    document.write(text)
    return text.getvalue().encode()


def _dimension(dice, space, kind, where, mm, sign, at, k, text_unit, j):
    override = {"dimtxt": 3 * k, "dimasz": 3 * k, "dimexo": k, "dimexe": k, "dimgap": k}
    shown = _shown(dice, mm, text_unit, sign)
    if kind == "linear":
        a, b = where
        vertical = a[0] == b[0]
        made = space.add_linear_dim(
            base=at(a[0] - 12 - 3 * j, a[1] - 12 - 3 * j), p1=at(*a), p2=at(*b), angle=90 if vertical else 0,
            text=shown, override=override,
        )  # fmt: skip
    elif kind == "diameter":
        made = space.add_diameter_dim(center=at(*where), radius=mm / 2 * k, angle=45, text=shown, override=override)
    else:
        made = space.add_radius_dim(center=at(*where), radius=mm * k, angle=225, text=shown, override=override)
    made.render()


def _svg(dice, sheet, unit, text_unit):
    k = 1 / MM[unit]
    low_x, low_y = min(min(x, u) for x, _, u, _ in sheet.lines), min(min(y, v) for _, y, _, v in sheet.lines)
    high_x, high_y = max(max(x, u) for x, _, u, _ in sheet.lines), max(max(y, v) for _, y, _, v in sheet.lines)
    digits = dice.choice([3, 4, 6])

    def n(value):
        return f"{value * k:.{digits}f}"

    def at(x, y):
        return n(x - low_x + 40), n(high_y - y + 40)

    parts = []
    for x, y, u, v in sheet.lines:
        (a, b), (c, d) = at(x, y), at(u, v)
        parts.append(f'<path d="M{a},{b} L{c},{d}"/>')
    for x, y, r, first, last in sheet.arcs:
        ends = [at(x + r * math.cos(math.radians(t)), y + r * math.sin(math.radians(t))) for t in (first, last)]
        parts.append(f'<path d="M{ends[0][0]},{ends[0][1]} A{n(r)},{n(r)} 0 0 0 {ends[1][0]},{ends[1][1]}"/>')
    for x, y, r in sheet.circles:
        a, b = at(x, y)
        parts.append(f'<circle cx="{a}" cy="{b}" r="{n(r)}"/>')
    words = [(0, -20 - 8 * j, t) for j, t in enumerate(sheet.texts)]
    for kind, where, mm, sign in sheet.dimensions:
        x, y = where[0] if kind == "linear" else where
        words.append((x + 5, y - 5, _shown(dice, mm, text_unit, sign)))
    for x, y, text in words:
        a, b = at(x, y)
        clean = text.replace("&", "&amp;").replace('"', "&quot;")
        parts.append(f'<text x="{a}" y="{b}" font-size="{n(3)}">{clean}</text>')
    wide, high = n(high_x - low_x + 80), n(high_y - low_y + 80)
    head = f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide}" height="{high}" viewBox="0 0 {wide} {high}">'
    return "\n".join([head, '<g fill="none" stroke="black">', *parts, "</g></svg>"]).encode()
