"""Texts, dimensions, hatches, points, pictures and construction lines of a DXF."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from typing import Any

from ezdxf.document import Drawing as Document
from ezdxf.entities import DXFGraphic
from ezdxf.enums import TextEntityAlignment
from ezdxf.lldxf.const import DXFError
from ezdxf.math import Vec3

from syntaxa.drawing.annotations import (
    AcrossAnchor,
    AngleBy,
    Annotation,
    ConstructionLine,
    Dimension,
    DimensionKind,
    Hatch,
    Picture,
    PointMark,
    Text,
    UpAnchor,
)
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Line, Shape, ellipse_from_conjugates
from syntaxa.geometry.tolerances import HAIR, NOUGHT, ROUNDING
from syntaxa.intake.dxf.plain import arc_between
from syntaxa.intake.dxf.shapes import CONVERTERS, Degenerate, Unreadable, point_of, polyline_of, shapes_from
from syntaxa.intake.gather import printable

_DIMENSIONS: dict[int, DimensionKind] = {0: "linear", 1: "aligned", 2: "angular", 3: "diameter", 4: "radius",
                                         5: "angular", 6: "ordinate", 8: "arc length"}  # fmt: skip

#: Definition points of each kind: what is measured last, where the dimension line is first (DXF reference, DIMENSION).
_POINTS = {"linear": ("defpoint", "defpoint2", "defpoint3"), "aligned": ("defpoint", "defpoint2", "defpoint3"),
           "angular": ("defpoint", "defpoint2", "defpoint3", "defpoint4", "defpoint5"),
           "diameter": ("defpoint", "defpoint4"), "radius": ("defpoint", "defpoint4"),
           "ordinate": ("defpoint", "defpoint2", "defpoint3"),
           "arc length": ("defpoint", "defpoint2", "defpoint3", "defpoint4")}  # fmt: skip

_ACROSS: tuple[AcrossAnchor, ...] = ("left", "centre", "right")
_UP: tuple[UpAnchor, ...] = ("top", "middle", "bottom")

Maker = Callable[[DXFGraphic, str, str, "int | None"], Annotation]


def _text(entity: Any, name: str, layer: str, colour: int | None) -> Text:
    align, first, second = entity.get_placement()
    across: AcrossAnchor = "left"
    up: UpAnchor = "baseline"
    place = first
    if align not in (TextEntityAlignment.LEFT, TextEntityAlignment.FIT, TextEntityAlignment.ALIGNED):
        place = second if second is not None else first
        words = align.name
        across = "right" if words.endswith("RIGHT") else "left" if words.endswith("LEFT") else "centre"
        up = "top" if words.startswith("TOP") else "bottom" if words.startswith("BOTTOM") else "baseline"
        if words.startswith("MIDDLE"):
            up = "middle"
    height, angle = _height(entity.dxf.height), math.radians(_number(entity.dxf.get("rotation", 0.0)))
    return Text(
        name, layer, point_of(entity.ocs().to_wcs(Vec3(place))), _plain(entity.plain_text()), height,
        _turned(entity, angle), across, up, _number(entity.dxf.get("width", 1.0)), _font(entity), colour,
    )  # fmt: skip


def _mtext(entity: Any, name: str, layer: str, colour: int | None) -> Text:
    corner = int(entity.dxf.get("attachment_point", 1)) - 1
    corner = corner if 0 <= corner < 9 else 0
    return Text(
        name, layer, point_of(Vec3(entity.dxf.insert)), _plain(entity.plain_text()), _height(entity.dxf.char_height),
        math.radians(_number(entity.get_rotation())), _ACROSS[corner % 3], _UP[corner // 3], 1.0, _font(entity), colour,
    )  # fmt: skip


def _dimension(entity: Any, name: str, layer: str, colour: int | None) -> Dimension:
    measures = _DIMENSIONS.get(int(entity.dimtype), "linear") if entity.dxftype() == "DIMENSION" else "arc length"
    if entity.dxftype() == "LARGE_RADIAL_DIMENSION":
        measures = "radius"
    given = [entity.dxf.get(key) for key in _POINTS[measures]]
    points = tuple(point_of(Vec3(p)) for p in given if p is not None)
    strokes, labels = _drawn(entity, name, layer, colour)
    middle = entity.dxf.get("text_midpoint") or entity.dxf.get("defpoint", (0, 0, 0))
    stated = entity.dxf.get("actual_measurement")
    plus, minus = _allowed(entity)
    return Dimension(
        name,
        layer,
        measures,
        points,
        point_of(Vec3(middle)),
        float(stated) if stated is not None and float(stated) >= 0 else None,
        _measured(entity, measures),
        printable(str(entity.dxf.get("text", ""))),
        _factor(entity),
        _along(entity, measures),
        _angle_by(entity, measures, len(points)),
        plus,
        minus,
        tuple(strokes),
        tuple(labels),
        colour,
    )


def _along(entity: Any, measures: DimensionKind) -> float | None:
    """The direction in which it measures: group 50 of a linear one, type 64 of an ordinate for x (DXF reference)."""
    if measures == "linear":
        angle = float(entity.dxf.get("angle", 0.0))
        return math.radians(angle) if math.isfinite(angle) else None
    if measures == "ordinate":
        return 0.0 if int(entity.dxf.get("dimtype", 0)) & 64 else math.pi / 2
    return None


def _angle_by(entity: Any, measures: DimensionKind, given: int) -> AngleBy:
    """Type 2 has four ends and a place on its arc, type 5 a vertex, two places and one on its arc (DXF reference)."""
    if measures != "angular":
        return ""
    if int(entity.dimtype) == 2:
        return "sides" if given == len(_POINTS["angular"]) else ""
    return "vertex" if all(entity.dxf.get(k) is not None for k in _POINTS["angular"][:4]) else ""


def _allowed(entity: Any) -> tuple[float | None, float | None]:
    """(above, below) that its style allows, where it shows tolerances or limits (DXF reference, DIMSTYLE)."""
    try:
        style = entity.override()
        if not (int(style.get("dimtol", 0)) or int(style.get("dimlim", 0))):
            return None, None
        plus, minus = float(style.get("dimtp", 0.0)), float(style.get("dimtm", 0.0))
    except (DXFError, TypeError, ValueError, AttributeError, KeyError):
        return None, None
    return (plus, minus) if math.isfinite(plus) and math.isfinite(minus) else (None, None)


def _measured(entity: Any, measures: DimensionKind) -> float | None:
    """What the definition points measure, in the file's numbers, or radians."""
    if measures == "angular" and (angle := _angle(entity)) is not None:
        return angle
    try:
        value = entity.get_measurement()
    except (DXFError, TypeError, ValueError, AttributeError, ZeroDivisionError, KeyError):
        return None
    if isinstance(value, Vec3):
        # Type 64 of an ordinate dimension measures along x, else along y (DXF reference, group 70).
        value = abs(value.x if int(entity.dxf.get("dimtype", 0)) & 64 else value.y)
    value = abs(float(value))
    if not math.isfinite(value):
        return None
    return math.radians(value) if measures == "angular" else value


def _angle(entity: Any) -> float | None:
    """The angle of the sector in which the dimension's arc lies, radians (DXF reference, DIMENSION).

    Between two lines there are four sectors, and three of them are not meant. None where the arc is named by a place on
    one of the lines, which tells nothing.
    """
    dxf = entity.dxf
    kind = int(entity.dimtype)
    names = ("defpoint2", "defpoint3", "defpoint4", "defpoint", "defpoint5") if kind == 2 else (
        "defpoint4", "defpoint2", "defpoint4", "defpoint3", "defpoint")  # fmt: skip
    given = [dxf.get(name) for name in names]
    if any(p is None for p in given):
        return None
    a, b, c, d, arc = (Vec3(p) for p in given)
    one, two = b - a, d - c
    across = one.x * two.y - one.y * two.x
    if kind == 2:
        if abs(across) < HAIR * max(one.magnitude * two.magnitude, NOUGHT):
            return None
        share = ((c.x - a.x) * two.y - (c.y - a.y) * two.x) / across
        vertex = a + one * share
        ways = [math.atan2(w.y, w.x) for w in (one, two, -one, -two)]
    else:
        vertex = a
        ways = [math.atan2(w.y, w.x) for w in (one, two)]
    spoke = arc - vertex
    if not all(map(math.isfinite, ways)) or spoke.magnitude < HAIR:
        return None
    at = math.atan2(spoke.y, spoke.x)
    behind = min((at - w) % TURN for w in ways)
    ahead = min((w - at) % TURN for w in ways)
    return behind + ahead if min(behind, ahead) > ROUNDING and max(behind, ahead) < TURN - ROUNDING else None


def _factor(entity: Any) -> float:
    try:
        factor = float(entity.override().get("dimlfac", 1.0))
    except (DXFError, TypeError, ValueError, AttributeError, KeyError):
        return 1.0
    return abs(factor) if math.isfinite(factor) and factor != 0 else 1.0


def _drawn(entity: Any, name: str, layer: str, colour: int | None) -> tuple[list[Shape], list[Text]]:
    """The lines, arrows and words of the block that shows a dimension, if it has one."""
    strokes: list[Shape] = []
    labels: list[Text] = []
    try:
        parts = list(_flat(entity.virtual_entities()))
    except (DXFError, TypeError, ValueError, AttributeError, KeyError):
        return [], []
    for k, part in enumerate(parts):
        kind = part.dxftype()
        try:
            if kind in CONVERTERS:
                strokes += shapes_from(part, True)
            elif kind in ("TEXT", "MTEXT"):
                write = _text if kind == "TEXT" else _mtext
                labels.append(write(part, f"{name}/{k}", layer, colour))
        except (Unreadable, DXFError, TypeError, ValueError, AttributeError, KeyError, IndexError):
            continue
    return strokes, labels


def _flat(parts: Iterator[Any], depth: int = 0) -> Iterator[Any]:
    for part in parts:
        if part.dxftype() == "INSERT":
            if depth < 4:
                yield from _flat(part.virtual_entities(), depth + 1)
        else:
            yield part


def _hatch(entity: Any, name: str, layer: str, colour: int | None) -> Hatch:
    to_wcs = entity.ocs().to_wcs
    height = Vec3(entity.dxf.get("elevation", (0, 0, 0))).z
    mirrored = Vec3(entity.dxf.get("extrusion", (0, 0, 1))).z < 0

    def place(p: Any) -> Point:
        return point_of(to_wcs(Vec3(p[0], p[1], height)))

    loops: list[tuple[Shape, ...]] = []
    for boundary in entity.paths:
        try:
            loops.append(tuple(_boundary(boundary, place, -1.0 if mirrored else 1.0)))
        except (Degenerate, ValueError, ZeroDivisionError):
            continue
    loops = [loop for loop in loops if loop]
    if not loops:
        raise Degenerate("It has no boundary.")
    solid = bool(entity.dxf.get("solid_fill", 1 if entity.dxftype() == "MPOLYGON" else 0))
    return Hatch(name, layer, tuple(loops), printable(str(entity.dxf.get("pattern_name", "SOLID"))), solid, colour)


def _boundary(boundary: Any, place: Callable[[Any], Point], sense: float) -> Iterator[Shape]:
    if hasattr(boundary, "vertices"):
        rows = [(place(v), sense * float(v[2])) for v in boundary.vertices]
        yield polyline_of(rows, True)
        return
    for edge in boundary.edges:
        kind = type(edge).__name__
        if kind == "LineEdge":
            a, b = place(edge.start), place(edge.end)
            if a != b:
                yield Line(a, b)
        elif kind == "ArcEdge":
            yield arc_between(place(edge.center), abs(float(edge.radius)), edge.start_angle, edge.end_angle, sense)
        elif kind == "EllipseEdge":
            centre = place(edge.center)
            tip = place(Vec3(edge.center) + Vec3(edge.major_axis)) - centre
            side = Vector(-tip.y * edge.ratio * sense, tip.x * edge.ratio * sense)
            first = math.radians(edge.start_angle)
            sweep = math.radians(edge.end_angle) - first
            yield ellipse_from_conjugates(centre, tip, side, first, sweep % TURN or TURN)
        elif kind == "SplineEdge":
            points = [place(p) for p in edge.construction_tool().flattening(0.01, 8)]
            yield polyline_of([(p, 0.0) for p in points], False)


def _mark(entity: Any, name: str, layer: str, colour: int | None) -> PointMark:
    return PointMark(name, layer, point_of(Vec3(entity.dxf.location)), colour)


def _picture(entity: Any, name: str, layer: str, colour: int | None) -> Picture:
    size = Vec3(entity.dxf.image_size)
    across, up = Vec3(entity.dxf.u_pixel) * size.x, Vec3(entity.dxf.v_pixel) * size.y
    definition = entity.image_def
    file = str(definition.dxf.get("filename", "")) if definition is not None else ""
    return Picture(
        name, layer, point_of(Vec3(entity.dxf.insert)), Vector(across.x, across.y), Vector(up.x, up.y),
        printable(file.replace("\\", "/").rpartition("/")[2]), b"", colour,
    )  # fmt: skip


def _endless(entity: Any, name: str, layer: str, colour: int | None) -> ConstructionLine:
    direction = Vec3(entity.dxf.unit_vector)
    if math.hypot(direction.x, direction.y) < ROUNDING:
        raise Degenerate("It has no direction in the plane.")
    place = point_of(Vec3(entity.dxf.start))
    return ConstructionLine(name, layer, place, Vector(direction.x, direction.y), entity.dxftype() == "XLINE", colour)


def _number(value: Any) -> float:
    number = float(value)
    if not math.isfinite(number):
        raise Unreadable("Its coordinates are not numbers that a drawing can hold.")
    return number


def _height(value: Any) -> float:
    height = abs(_number(value))
    if height == 0:
        raise Degenerate("It has no size.")
    return height


def _turned(entity: Any, angle: float) -> float:
    """The direction of writing, seen from above."""
    along = entity.ocs().to_wcs(Vec3(math.cos(angle), math.sin(angle), 0))
    return math.atan2(along.y, along.x)


def _plain(text: Any) -> str:
    return printable("\n".join(text) if isinstance(text, list) else str(text))


def _font(entity: Any) -> str:
    return printable(str(entity.dxf.get("style", "")))


def font_files(document: Document, styles: set[str]) -> set[str]:
    """Font files of the text styles that are in use."""
    wanted = {s.lower() for s in styles}
    return {
        printable(str(s.dxf.get("font", "")))
        for s in document.styles
        if s.dxf.name.lower() in wanted and s.dxf.get("font")
    }


MAKERS: dict[str, Maker] = {
    "TEXT": _text,
    "ATTRIB": _text,
    "ATTDEF": _text,
    "MTEXT": _mtext,
    "DIMENSION": _dimension,
    "ARC_DIMENSION": _dimension,
    "LARGE_RADIAL_DIMENSION": _dimension,
    "HATCH": _hatch,
    "MPOLYGON": _hatch,
    "POINT": _mark,
    "IMAGE": _picture,
    "RAY": _endless,
    "XLINE": _endless,
}
