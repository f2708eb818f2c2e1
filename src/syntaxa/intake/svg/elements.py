"""What single elements of an SVG say: their names and lengths, and the simple shapes."""

from __future__ import annotations

import base64
import binascii
import math
from dataclasses import dataclass
from urllib.parse import unquote_to_bytes

import numpy as np
from lxml import etree

from syntaxa.geometry.clip import Area
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Circle, EllipseArc, Shape
from syntaxa.geometry.tolerances import HAIR
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Floats
from syntaxa.intake.svg.pathdata import decimals
from syntaxa.intake.svg.pen import PathPen
from syntaxa.intake.svg.placing import (
    in_px,
    numbers,
)
from syntaxa.intake.svg.style import Properties

#: User units by which a point may be off at the least, for writers keep some three to six digits; where the picture is
#: few user units large, this share of it.
_ROUNDING, _ROUNDING_SHARE = 2e-3, 1e-5


@dataclass(frozen=True, slots=True)
class Context:
    """What a group hands down to what is in it."""

    style: Properties
    transform: Transform
    layer: str = ""
    hidden: bool = False
    clip: Area | None = None
    depth: int = 0
    block: str = ""
    width: float = 100.0
    height: float = 100.0
    styled: etree._Element | None = None


def tag_of(element: etree._Element) -> str:
    """Its name."""
    return str(element.tag)


def local_name(name: str) -> str:
    """A name without its namespace."""
    return name.rpartition("}")[2]


def label_of(element: etree._Element) -> str:
    """The name that a group's author gave it: any attribute called label, or its title."""
    for key, value in element.attrib.items():
        if local_name(str(key)) in ("label", "aria-label") and str(value).strip():
            return str(value).strip()
    title = element.find("title")
    return (title.text or "").strip() if title is not None else ""


def href_of(element: etree._Element) -> str:
    """What it refers to; empty where it refers to nothing."""
    return str(element.get("href") or element.get("{http://www.w3.org/1999/xlink}href") or "")


def is_safe(to: Transform) -> bool:
    """Whether a transform keeps numbers within bounds, and areas from vanishing."""
    values = (to.a, to.b, to.c, to.d, to.e, to.f)
    return all(math.isfinite(v) and abs(v) < 1e12 for v in values) and to.determinant != 0


def corners_of(width: float, height: float) -> Floats:
    """The corners of a box that begins at 0, 0; (4, 2)."""
    return np.array([(0.0, 0.0), (width, 0.0), (width, height), (0.0, height)])


def first_number(text: str | None) -> float:
    """The first number of a list; 0 where there is none."""
    found = numbers(text or "")
    return found[0] if found else 0.0


def round_shape(element: etree._Element, tag: str, context: Context) -> list[Shape]:
    """A circle or an ellipse, transformed; none where it has no size."""
    centre = Point(length_of(element, "cx", context), length_of(element, "cy", context))
    if tag == "circle":
        rx = ry = length_of(element, "r", context)
    else:
        rx, ry = radii_of(element, context)
    if rx <= 0 or ry <= 0:
        return []
    if rx == ry and context.transform.is_similarity:
        return [Circle(centre, rx).transformed(context.transform)]
    ellipse = EllipseArc(centre, Vector(rx, 0.0), ry / rx, 0.0, TURN).transformed(context.transform)
    if abs(ellipse.ratio - 1) < HAIR:
        return [Circle(ellipse.centre, ellipse.major.length)]
    return [ellipse]


def radii_of(element: etree._Element, context: Context) -> tuple[float, float]:
    """Both radii; where only one is given the other is the same (SVG 2, 7.4)."""
    rx, ry = (length_of(element, name, context, -1.0) for name in ("rx", "ry"))
    return (rx if rx >= 0 else ry), (ry if ry >= 0 else rx)


def draw_rectangle(element: etree._Element, context: Context, pen: PathPen) -> None:
    """A rectangle, with round corners where it has any (SVG 2, 7.4 and 10.2)."""
    x, y, width, height = (length_of(element, a, context) for a in ("x", "y", "width", "height"))
    if width <= 0 or height <= 0:
        return
    rx, ry = radii_of(element, context)
    rx, ry = min(max(rx, 0.0), width / 2), min(max(ry, 0.0), height / 2)
    right, bottom = x + width, y + height
    if rx == 0 or ry == 0:
        pen.moveTo((x, y))
        for corner in ((right, y), (right, bottom), (x, bottom)):
            pen.lineTo(corner)
        pen.closePath()
        return
    pen.moveTo((x + rx, y))
    stops = (
        ((right - rx, y), (right, y + ry)),
        ((right, bottom - ry), (right - rx, bottom)),
        ((x + rx, bottom), (x, bottom - ry)),
        ((x, y + ry), (x + rx, y)),
    )
    for straight, rounded in stops:
        pen.lineTo(straight)
        pen.arcTo(rx, ry, 0.0, False, True, rounded)
    pen.closePath()


def draw_points(element: etree._Element, tag: str, context: Context, pen: PathPen) -> None:
    """A line, a polyline or a polygon."""
    if tag == "line":
        font = font_size(context.style)
        ends = [
            (in_px(element.get(f"x{k}"), context.width, font), in_px(element.get(f"y{k}"), context.height, font))
            for k in (1, 2)
        ]
    else:
        values = numbers(str(element.get("points") or ""))
        ends = list(zip(values[::2], values[1::2], strict=False))
    if len(ends) < 2:
        return
    pen.moveTo(ends[0])
    for end in ends[1:]:
        pen.lineTo(end)
    if tag == "polygon":
        pen.closePath()


def length_of(element: etree._Element, name: str, context: Context, otherwise: float = 0.0) -> float:
    """A length of an element, in user units; what its style says goes before the attribute (SVG 2, 7)."""
    whole = {"x": context.width, "cx": context.width, "rx": context.width, "width": context.width}.get(name)
    if whole is None:
        whole = context.height if name != "r" else math.hypot(context.width, context.height) / math.sqrt(2)
    text = context.style.get(name) if context.styled is element else None
    return in_px(text or element.get(name), whole, font_size(context.style), otherwise)


def path_data(element: etree._Element, context: Context) -> str:
    """The data of a path; in a style they stand as path("...")."""
    styled = context.style.get("d", "") if context.styled is element else ""
    if styled.startswith("path("):
        return styled[5:].rstrip(")").strip().strip("\"'")
    return str(element.get("d") or "")


def font_size(style: Properties) -> float:
    """The size of the font, in user units."""
    return float(style.get("font-size", "16"))


def rounding_of(written: str, size: float) -> float:
    """How far the writer's rounding may have moved a point, in user units, of which the picture is `size` across.

    The digits written alone do not tell: some writers round to binary fractions first and then write them out.
    """
    least = min(_ROUNDING, _ROUNDING_SHARE * size)
    by_digits = 2 * 10.0 ** -min(decimals(written), 12) if written else 0.0
    return max(least, min(by_digits, 5 * _ROUNDING_SHARE * size))


def is_meant(child: etree._Element) -> bool:
    """Whether a branch of a switch holds: it asks for nothing, or for English (SVG 1.1, 5.8)."""
    if (child.get("requiredExtensions") or "").strip():
        return False
    languages = child.get("systemLanguage")
    return languages is None or any(one.strip().lower().startswith("en") for one in languages.split(","))


def lines_of(element: etree._Element, x: float, y: float) -> list[tuple[etree._Element, float, float, str]]:
    """The words of a text with their places: its own, and those of each part of it that has a place of its own."""
    rows: list[tuple[etree._Element, float, float, list[str]]] = [(element, x, y, [element.text or ""])]
    for part in element.iter("tspan", "textPath"):
        if part.get("x") is not None or part.get("y") is not None or part.get("dy") is not None:
            px = first_number(part.get("x")) if part.get("x") is not None else rows[-1][1]
            py = (
                first_number(part.get("y")) if part.get("y") is not None else rows[-1][2] + first_number(part.get("dy"))
            )
            rows.append((part, px, py, [part.text or ""]))
        else:
            rows[-1][3].append(part.text or "")
        rows[-1][3].append(part.tail or "")
    return [(part, px, py, " ".join("".join(words).split())) for part, px, py, words in rows]


def embedded(href: str) -> tuple[bytes, str]:
    """The bytes of a picture that lies in the file itself, and what to call it."""
    if not href.startswith("data:"):
        return b"", href.rpartition("/")[2]
    head, _, body = href.partition(",")
    try:
        data = base64.b64decode(body, validate=False) if head.endswith(";base64") else unquote_to_bytes(body)
    except (binascii.Error, ValueError):
        return b"", "picture"
    return data, "picture"
