"""SVG to a drawing: a walk over the elements with style, transform and clip path handed down.

Numbers of the drawing: where the file gives its width in a physical unit, that unit; else px of 1/96 inch. y is turned
to count up, with 0 at the lower edge of the picture. Nothing outside the file is ever opened.
"""

from __future__ import annotations

import base64
import binascii
import math
from dataclasses import dataclass, replace
from urllib.parse import unquote_to_bytes

import numpy as np
import shapely
from fontTools.svgLib.path.parser import parse_path
from lxml import etree

from syntaxa.drawing.annotations import Picture, Text
from syntaxa.drawing.units import mm_per
from syntaxa.errors import IntakeError, Progress
from syntaxa.geometry.clip import Area, area_of, common, lies_within
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Circle, EllipseArc, Shape
from syntaxa.geometry.transform import Floats, Transform
from syntaxa.intake.fonts import missing_fonts
from syntaxa.intake.gather import DEEPEST, Gathered, TooMuch, has_size
from syntaxa.intake.model import PLAIN, ReadOptions, Received
from syntaxa.intake.outlines import Run, shapes_of
from syntaxa.intake.svg.pen import PathPen
from syntaxa.intake.svg.placing import fitted, in_px, numbers, split_length, transform_of, view_box_of
from syntaxa.intake.svg.style import INITIAL, Cascade, Properties, colour_of

#: Units that a width can have and a drawing can be in.
_UNITS = {"mm": "mm", "cm": "cm", "in": "in", "pt": "pt", "pc": "pc", "px": "px", "": "px"}

#: Elements that draw nothing themselves.
_SILENT = frozenset(("defs", "style", "metadata", "title", "desc", "clipPath", "marker", "symbol",
                     "script", "linearGradient", "radialGradient", "filter", "view", "cursor", "font",
                     "font-face"))  # fmt: skip

_GROUPS = frozenset(("g", "a", "switch"))

_DRAWN = frozenset(("path", "line", "rect", "circle", "ellipse", "polyline", "polygon"))

#: A point may be off by this share of a user unit, for writers keep some three to six digits.
_ROUNDING = 2e-3

_HIDDEN = " (hidden)"


@dataclass(frozen=True, slots=True)
class _Context:
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


def read(name: str, data: bytes, progress: Progress, options: ReadOptions = PLAIN) -> Received:
    """An SVG as a drawing; raises IntakeError where it is no XML at all."""
    root, repaired = _parsed(name, data)
    progress(0.2)
    gathered = Gathered(progress)
    if repaired:
        gathered.notes.append("The file breaks the rules of XML; what could be made out was read.")
    walk = _Walk(root, gathered, options)
    try:
        walk.run()
    except TooMuch:
        gathered.notes.append("The drawing unfolds to more than can be held; the rest was left out.")
    if repaired and not gathered.curves and not gathered.annotations:
        raise _damaged(name)
    missing = missing_fonts(families=gathered.fonts)
    return gathered.received("svg", root.get("version") or "1.1", walk.unit, fonts_missing=missing)


def _damaged(name: str) -> IntakeError:
    return IntakeError(
        f"{name} is damaged and nothing in it could be read.", file=name, suggestion="Ask for the drawing again."
    )


def _parsed(name: str, data: bytes) -> tuple[etree._Element, bool]:
    # No entity is resolved and nothing is fetched; a tree too deep or too large is refused by the parser.
    def parser(recover: bool) -> etree.XMLParser:
        return etree.XMLParser(
            resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False, recover=recover,
            remove_comments=True, remove_pis=True,
        )  # fmt: skip

    repaired = False
    try:
        root = etree.fromstring(data, parser(False))
    except (etree.XMLSyntaxError, ValueError):
        repaired = True
        try:
            root = etree.fromstring(data, parser(True))
        except (etree.XMLSyntaxError, ValueError):
            root = None
    if root is None or _local(str(root.tag)) != "svg":
        raise _damaged(name)
    own = str(root.tag).rpartition("}")[0]
    for element in root.iter():
        # What lies in other name spaces keeps them and draws nothing; so do names of a repaired file that are none.
        if (
            isinstance(element.tag, str)
            and own
            and element.tag.startswith(own + "}")
            and ":" not in _local(element.tag)
        ):
            element.tag = _local(element.tag)
    return root, repaired


class _Walk:
    """Goes through the elements."""

    def __init__(self, root: etree._Element, gathered: Gathered, options: ReadOptions) -> None:
        self.root, self.out, self.options = root, gathered, options
        self.cascade = Cascade(root)
        self.by_id = {str(e.get("id")): e for e in root.iter() if e.get("id")}
        self.unit = "px"
        self._drawn = 0
        self._clip_areas: dict[tuple[str, Transform], Area] = {}
        self._by_colour = options.grouping == "colour" or (options.grouping == "auto" and not self._has_labels())

    def run(self) -> None:
        """All elements, from the outermost one."""
        context = self._outermost()
        self._children(self.root, replace(context, style=self.cascade.of(self.root, INITIAL)))
        if self.cascade.left_out:
            self.out.notes.append(f"{self.cascade.left_out} rules of its style sheet were not understood.")
        if self._by_colour and self.options.grouping == "auto" and len(self.out.layers) > 1:
            self.out.notes.append("The drawing has no named groups, so its layers are its colours.")

    def _has_labels(self) -> bool:
        return any(_label(e) for e in self.root.iter("g")) or any(e.get("id") for e in self.root.findall("g"))

    def _outermost(self) -> _Context:
        box = view_box_of(self.root.get("viewBox"))
        width, height = split_length(self.root.get("width")), split_length(self.root.get("height"))
        if width is not None and width[1] == "%":
            width = None
        if height is not None and height[1] == "%":
            height = None
        if width is None and height is not None and box:
            width = (height[0] * box[2] / box[3], height[1])
        if width is None:
            self.out.notes.append("The drawing does not say how large it is; its numbers are taken as pixels.")
            width = (box[2], "") if box else (300.0, "")
        unit = _UNITS.get(width[1])
        self.unit = unit or "px"
        across = width[0] if unit else in_px(f"{width[0]}{width[1]}")
        down = self._height_in_unit(height, across, box)
        density = self.options.density if 1 <= self.options.density <= 1e5 else 96.0
        factor = 96.0 / density if self.unit == "px" else 1.0
        if factor != 1.0:
            self.out.unit_chosen = True
            self.out.notes.append(f"Its pixels are taken as {density:g} to the inch, as was chosen.")
        if not (across > 0 and down > 0):
            across, down = (box[2], box[3]) if box else (100.0, 100.0)
        if box is None:
            # User units are px; the drawing is in the unit of its width.
            per_px = mm_per("px") / mm_per(self.unit)
            inside = Transform.scaling(per_px)
            view = (across / per_px, down / per_px)
        else:
            inside = fitted(box, across, down, self.root.get("preserveAspectRatio") or "")
            view = (box[2], box[3])
        self.out.page = across * factor, down * factor
        flip = Transform(d=-1.0, f=down).then(Transform.scaling(factor))
        return _Context(INITIAL, inside.then(flip), width=view[0], height=view[1])

    def _height_in_unit(
        self, height: tuple[float, str] | None, across: float, box: tuple[float, float, float, float] | None
    ) -> float:
        if height is None:
            return across * box[3] / box[2] if box else across
        if height[1] == self.unit or (self.unit == "px" and height[1] in ("", "px")):
            return height[0]
        return in_px(f"{height[0]}{height[1]}") * mm_per("px") / mm_per(self.unit)

    # ------------------------------------------------------------------ elements

    def _children(self, element: etree._Element, context: _Context) -> None:
        if context.depth > DEEPEST * 4:
            self.out.skip(_tag(element), "It lies too many groups deep.")
            return
        for child in element:
            if isinstance(child.tag, str):
                self._element(child, context)

    def _element(self, element: etree._Element, context: _Context) -> None:
        tag = _tag(element)
        if tag in _SILENT or ":" in tag or "{" in tag:
            return
        style = self.cascade.of(element, context.style)
        transform = transform_of(element.get("transform"))
        if transform is not None:
            context = replace(context, transform=transform.then(context.transform))
        inside = replace(
            context, style=style, depth=context.depth + 1, hidden=context.hidden or style.get("display") == "none"
        )
        clip = style.get("clip-path", "none")
        if clip != "none":
            inside = self._under_clip(clip, inside)
        if style.get("mask", "none") != "none":
            self.out.skip("mask", "Masks are not applied; what they cover is read whole.")
        if tag in _DRAWN:
            self._shape(element, tag, inside)
        elif tag in _GROUPS:
            self._group(element, inside)
        elif tag == "use":
            self._use(element, inside)
        elif tag == "svg":
            self._viewport(element, element, inside)
        elif tag == "text":
            self._text(element, inside)
        elif tag == "image":
            self._image(element, inside)
        else:
            self.out.skip(tag, "This element is not taken in.")

    def _group(self, element: etree._Element, context: _Context) -> None:
        name = _label(element) or (element.get("id") if element.getparent() is self.root else "")
        if name and self.options.grouping in ("auto", "groups"):
            context = replace(context, layer=str(name))
            self.out.layer(str(name), visible=not context.hidden)
        self._children(element, context)

    def _use(self, element: etree._Element, context: _Context) -> None:
        target = self.by_id.get(_href(element).lstrip("#"))
        if target is None or not _href(element).startswith("#"):
            self.out.skip("use", "What it refers to is not in the file.")
            return
        if context.depth > DEEPEST:
            self.out.skip("use", "It refers to itself, or too deep.")
            return
        self.out.count()
        self.out.blocks += 1
        font = in_px(context.style.get("font-size"), otherwise=16.0)
        x, y = (in_px(element.get(a), whole, font) for a, whole in (("x", context.width), ("y", context.height)))
        moved = Transform.moving(Vector(x, y)).then(context.transform)
        block = context.block or str(element.get("id") or f"{_href(element).lstrip('#')}-{self.out.blocks}")
        inside = replace(context, transform=moved, block=block, depth=context.depth + 1)
        if _tag(target) in ("symbol", "svg"):
            self._viewport(target, element, replace(inside, style=self.cascade.of(target, context.style)))
        else:
            self._element(target, inside)

    def _viewport(self, element: etree._Element, sized: etree._Element, context: _Context) -> None:
        """A nested svg, or a symbol with the size that its use gives it."""
        x, y = in_px(element.get("x"), context.width), in_px(element.get("y"), context.height)
        if _tag(element) == "symbol":
            x = y = 0.0
        width = in_px(sized.get("width") or element.get("width") or "100%", context.width)
        height = in_px(sized.get("height") or element.get("height") or "100%", context.height)
        if width <= 0 or height <= 0:
            self.out.skip(_tag(element), "Its window has no size, so nothing of it is shown.")
            return
        box = view_box_of(element.get("viewBox"))
        inside = Transform() if box is None else fitted(box, width, height, element.get("preserveAspectRatio") or "")
        moved = inside.then(Transform.moving(Vector(x, y))).then(context.transform)
        view = (width, height) if box is None else (box[2], box[3])
        placed = Transform.moving(Vector(x, y)).then(context.transform)
        window = area_of(placed.points(_corners(width, height)))
        clip = context.clip
        if element.get("overflow") not in ("visible", "auto"):
            clip = window if clip is None else common(clip, window)
        context = replace(context, transform=moved, width=view[0], height=view[1], clip=clip)
        self._children(element, context)

    # ------------------------------------------------------------------ shapes

    def _shape(self, element: etree._Element, tag: str, context: _Context) -> None:
        self._drawn += 1
        name = str(element.get("id") or f"{tag}{self._drawn}")
        style = context.style
        stroke = colour_of(style.get("stroke", "none"), style.get("color", "black"))
        fill = colour_of(style.get("fill", "black"), style.get("color", "black"))
        colour = stroke if stroke is not None else fill
        hidden = context.hidden or style.get("visibility") in ("hidden", "collapse")
        if colour is None:
            hidden = True
        layer = self._layer_of(context, colour, hidden)
        weight = in_px(style.get("stroke-width"), otherwise=1.0) * context.transform.scale * mm_per(self.unit)
        dashed = style.get("stroke-dasharray", "none") not in ("none", "") and any(numbers(style["stroke-dasharray"]))
        drawn = self.out.style(colour, "DASHED" if dashed else "", round(weight, 4) if stroke is not None else None)
        if not _is_safe(context.transform):
            self.out.degenerate[tag] += 1
            return
        shapes = self._outlines(element, tag, context)
        if not shapes:
            self.out.degenerate[tag] += 1
        for shape in shapes:
            clip = self._clip_for(shape, context)
            self.out.add(shape, layer, drawn, name, context.block, clip, tag)

    def _clip_for(self, shape: Shape, context: _Context) -> Area | None:
        """The area to cut to, if the shape reaches beyond it and that is wanted; what reaches beyond is counted."""
        if context.clip is None or not has_size(shape) or lies_within(shape, context.clip):
            return None
        self.out.clipped += 1
        return context.clip if self.options.clip else None

    def _layer_of(self, context: _Context, colour: int | None, hidden: bool) -> str:
        if self._by_colour:
            name = "no colour" if colour is None else f"#{colour:06x}"
        else:
            name = context.layer or "0"
        known = self.out.layers.get(name)
        if hidden and (known is None or known.visible):
            name += _HIDDEN
        self.out.layer(name, colour or 0, visible=not hidden)
        return name

    def _outlines(self, element: etree._Element, tag: str, context: _Context) -> list[Shape]:
        to = context.transform
        if tag in ("circle", "ellipse"):
            return _round(element, tag, context)
        runs: list[Run]
        if tag == "path":
            pen = PathPen(to)
            try:
                parse_path(str(element.get("d") or ""), pen)
            except (ValueError, IndexError, ZeroDivisionError, OverflowError, AttributeError):
                self.out.skip("path", "Its data break off; it was read as far as they go.")
            runs = pen.runs
        elif tag == "rect":
            runs = _rectangle(element, context)
        else:
            runs = _points(element, tag, context)
        rounding = _ROUNDING * to.scale
        return [shape for run in runs for shape in shapes_of(run, rounding)]

    # ------------------------------------------------------------------ clip paths

    def _under_clip(self, value: str, context: _Context) -> _Context:
        target = self.by_id.get(value[4:].split(")")[0].strip("\"' #")) if value.startswith("url(") else None
        if target is None or _tag(target) != "clipPath":
            self.out.skip("clip path", "What it refers to is not in the file.")
            return context
        key = (str(target.get("id")), context.transform)
        area = self._clip_areas.get(key)
        if area is None:
            area = self._clip_area(target, context)
            self._clip_areas[key] = area
        return replace(context, clip=area if context.clip is None else common(context.clip, area))

    def _clip_area(self, target: etree._Element, context: _Context) -> Area:
        to = transform_of(target.get("transform"))
        base = context if to is None else replace(context, transform=to.then(context.transform))
        areas = []
        for child in target:
            if not isinstance(child.tag, str) or child.tag not in _DRAWN:
                continue
            own = transform_of(child.get("transform"))
            inside = base if own is None else replace(base, transform=own.then(base.transform))
            shapes = [s for s in self._outlines(child, child.tag, inside) if has_size(s)]
            areas += [area_of(shape.flattened(max(shape.length * 1e-5, 1e-9))) for shape in shapes]
        joined = shapely.union_all(areas)
        return joined if isinstance(joined, shapely.Polygon | shapely.MultiPolygon) else shapely.Polygon()

    # ------------------------------------------------------------------ texts and pictures

    def _text(self, element: etree._Element, context: _Context) -> None:
        style = context.style
        size = in_px(style.get("font-size"), otherwise=16.0, font=16.0)
        family = style.get("font-family", "").split(",")[0].strip("\"' ")
        if family:
            self.out.fonts.add(family)
        x, y = _first(element.get("x")), _first(element.get("y"))
        for part, px, py, text in _lines_of(element, x, y):
            own = self.cascade.of(part, style) if part is not element else style
            if not text:
                continue
            colour = colour_of(own.get("fill", "black"), own.get("color", "black"))
            hidden = context.hidden or own.get("visibility") == "hidden"
            height = in_px(own.get("font-size"), font=size, otherwise=size) * 0.7
            along = context.transform.vector(Vector(1.0, 0.0))
            across = {"middle": "centre", "end": "right"}.get(own.get("text-anchor", ""), "left")
            self._drawn += 1
            self.out.note(
                Text(
                    self.out.unique(str(element.get("id") or f"text{self._drawn}")),
                    self._layer_of(context, colour, hidden),
                    context.transform.point(Point(px, py)),
                    text,
                    height * context.transform.scale,
                    along.angle,
                    across,  # type: ignore[arg-type]
                    font=family,
                    colour=colour,
                )
            )

    def _image(self, element: etree._Element, context: _Context) -> None:
        width, height = in_px(element.get("width"), context.width), in_px(element.get("height"), context.height)
        x, y = in_px(element.get("x"), context.width), in_px(element.get("y"), context.height)
        data, name = _embedded(_href(element))
        if not data:
            self.out.skip("image", "It lies outside the file; nothing outside is opened.")
        if width <= 0 or height <= 0:
            self.out.skip("image", "It has no size.")
            return
        to = context.transform
        corner = to.point(Point(x, y + height))
        self._drawn += 1
        self.out.note(
            Picture(
                self.out.unique(str(element.get("id") or f"image{self._drawn}")),
                "image" if self._by_colour else self._layer_of(context, None, context.hidden),
                corner,
                to.vector(Vector(width, 0.0)),
                to.vector(Vector(0.0, -height)),
                name,
                data,
            )
        )


def _tag(element: etree._Element) -> str:
    return str(element.tag)


def _local(name: str) -> str:
    """A name without its namespace."""
    return name.rpartition("}")[2]


def _label(element: etree._Element) -> str:
    """The name that a group's author gave it: any attribute called label, or its title."""
    for key, value in element.attrib.items():
        if _local(str(key)) in ("label", "aria-label") and str(value).strip():
            return str(value).strip()
    title = element.find("title")
    return (title.text or "").strip() if title is not None else ""


def _href(element: etree._Element) -> str:
    return str(element.get("href") or element.get("{http://www.w3.org/1999/xlink}href") or "")


def _is_safe(to: Transform) -> bool:
    values = (to.a, to.b, to.c, to.d, to.e, to.f)
    return all(math.isfinite(v) and abs(v) < 1e12 for v in values) and to.determinant != 0


def _corners(width: float, height: float) -> Floats:
    return np.array([(0.0, 0.0), (width, 0.0), (width, height), (0.0, height)])


def _first(text: str | None) -> float:
    found = numbers(text or "")
    return found[0] if found else 0.0


def _round(element: etree._Element, tag: str, context: _Context) -> list[Shape]:
    diagonal = math.hypot(context.width, context.height) / math.sqrt(2)
    centre = Point(in_px(element.get("cx"), context.width), in_px(element.get("cy"), context.height))
    if tag == "circle":
        rx = ry = in_px(element.get("r"), diagonal)
    else:
        rx, ry = in_px(element.get("rx"), context.width), in_px(element.get("ry"), context.height)
    if rx <= 0 or ry <= 0:
        return []
    if rx == ry and context.transform.is_similarity:
        return [Circle(centre, rx).transformed(context.transform)]
    ellipse = EllipseArc(centre, Vector(rx, 0.0), ry / rx, 0.0, TURN).transformed(context.transform)
    if abs(ellipse.ratio - 1) < 1e-12:
        return [Circle(ellipse.centre, ellipse.major.length)]
    return [ellipse]


def _rectangle(element: etree._Element, context: _Context) -> list[Run]:
    x, y = in_px(element.get("x"), context.width), in_px(element.get("y"), context.height)
    width, height = in_px(element.get("width"), context.width), in_px(element.get("height"), context.height)
    if width <= 0 or height <= 0:
        return []
    given = [in_px(element.get(n), w, otherwise=-1.0) for n, w in (("rx", context.width), ("ry", context.height))]
    rx, ry = (given[0] if given[0] >= 0 else given[1]), (given[1] if given[1] >= 0 else given[0])
    rx, ry = min(max(rx, 0.0), width / 2), min(max(ry, 0.0), height / 2)
    pen = PathPen(context.transform)
    right, bottom = x + width, y + height
    if rx == 0 or ry == 0:
        pen.moveTo((x, y))
        for corner in ((right, y), (right, bottom), (x, bottom)):
            pen.lineTo(corner)
        pen.closePath()
        return pen.runs
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
    return pen.runs


def _points(element: etree._Element, tag: str, context: _Context) -> list[Run]:
    if tag == "line":
        ends = [
            (in_px(element.get(f"x{k}"), context.width), in_px(element.get(f"y{k}"), context.height)) for k in (1, 2)
        ]
    else:
        values = numbers(str(element.get("points") or ""))
        ends = list(zip(values[::2], values[1::2], strict=False))
    if len(ends) < 2:
        return []
    pen = PathPen(context.transform)
    pen.moveTo(ends[0])
    for end in ends[1:]:
        pen.lineTo(end)
    if tag == "polygon":
        pen.closePath()
    return pen.runs


def _lines_of(element: etree._Element, x: float, y: float) -> list[tuple[etree._Element, float, float, str]]:
    """The words of a text with their places: its own, and those of each part of it that has a place of its own."""
    rows: list[tuple[etree._Element, float, float, list[str]]] = [(element, x, y, [element.text or ""])]
    for part in element.iter("tspan", "textPath"):
        if part.get("x") is not None or part.get("y") is not None or part.get("dy") is not None:
            px = _first(part.get("x")) if part.get("x") is not None else rows[-1][1]
            py = _first(part.get("y")) if part.get("y") is not None else rows[-1][2] + _first(part.get("dy"))
            rows.append((part, px, py, [part.text or ""]))
        else:
            rows[-1][3].append(part.text or "")
        rows[-1][3].append(part.tail or "")
    return [(part, px, py, " ".join("".join(words).split())) for part, px, py, words in rows]


def _embedded(href: str) -> tuple[bytes, str]:
    """The bytes of a picture that lies in the file itself, and what to call it."""
    if not href.startswith("data:"):
        return b"", href.rpartition("/")[2]
    head, _, body = href.partition(",")
    try:
        data = base64.b64decode(body, validate=False) if head.endswith(";base64") else unquote_to_bytes(body)
    except (binascii.Error, ValueError):
        return b"", "picture"
    return data, "picture"
