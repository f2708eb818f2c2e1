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
from lxml import etree

from syntaxa.drawing.annotations import Picture, Text
from syntaxa.drawing.units import mm_per
from syntaxa.errors import IntakeError, Progress
from syntaxa.geometry.clip import Area, area_of, area_of_rings, common, lies_within
from syntaxa.geometry.extents import extents
from syntaxa.geometry.images import images_of
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Circle, EllipseArc, Shape
from syntaxa.geometry.tolerances import HAIR, NOUGHT, ROUNDING
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Floats
from syntaxa.intake.dashes import line_type_of
from syntaxa.intake.fonts import missing_fonts
from syntaxa.intake.gather import DEEPEST, Gathered, TooMuch, has_size
from syntaxa.intake.model import PLAIN, ReadOptions, Received
from syntaxa.intake.outlines import Cubic, shapes_of
from syntaxa.intake.svg.pathdata import BrokenPath, decimals, draw
from syntaxa.intake.svg.pen import PathPen
from syntaxa.intake.svg.placing import (
    css_transform_of,
    fitted,
    has_decimal_comma,
    in_px,
    numbers,
    origin_of,
    split_length,
    transform_of,
    view_box_of,
)
from syntaxa.intake.svg.style import INITIAL, Cascade, Properties, colour_of

#: Units that a width can have and a drawing can be in.
_UNITS = {"mm": "mm", "cm": "cm", "in": "in", "pt": "pt", "pc": "pc", "px": "px", "": "px"}

#: Elements that draw nothing themselves.
_SILENT = frozenset(("defs", "style", "metadata", "title", "desc", "clipPath", "marker", "symbol",
                     "script", "linearGradient", "radialGradient", "filter", "view", "cursor", "font",
                     "font-face"))  # fmt: skip

_GROUPS = frozenset(("g", "a"))

#: Attributes that hold one length.
_LENGTHS = frozenset(("x", "y", "x1", "y1", "x2", "y2", "cx", "cy", "r", "rx", "ry", "width", "height"))

_DRAWN = frozenset(("path", "line", "rect", "circle", "ellipse", "polyline", "polygon"))

#: User units by which a point may be off at the least, for writers keep some three to six digits; where the picture is
#: few user units large, this share of it.
_ROUNDING, _ROUNDING_SHARE = 2e-3, 1e-5

#: Height of a capital in sizes of its font, where the font is not known.
CAPITAL = 0.7

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
    styled: etree._Element | None = None


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
        commas = sum(
            has_decimal_comma(str(text))
            for element in self.root.iter()
            for name, text in element.attrib.items()
            if "," in text and name in _LENGTHS
        )
        if commas:
            self.out.notes.append(f"{commas} lengths are written with a decimal comma; it was taken for a point.")
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
        transform = self._own_transform(element, style, context)
        if transform is not None:
            context = replace(context, transform=transform.then(context.transform))
        inside = replace(
            context, style=style, depth=context.depth + 1, hidden=context.hidden or style.get("display") == "none",
            styled=element,
        )  # fmt: skip
        clip = style.get("clip-path", "none")
        if clip != "none":
            inside = self._under_clip(clip, inside, element)
        if style.get("filter", "none") != "none":
            self.out.skip("filter", "Filters only change how it looks; they are not applied.")
        if style.get("mask", "none") != "none":
            self.out.skip("mask", "Masks are not applied; what they cover is read whole.")
        if tag in _DRAWN:
            self._shape(element, tag, inside)
        elif tag == "switch":
            chosen = next((c for c in element if isinstance(c.tag, str) and _is_meant(c)), None)
            if chosen is not None:
                self._element(chosen, inside)
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

    def _own_transform(self, element: etree._Element, style: Properties, context: _Context) -> Transform | None:
        """What the style or else the attribute says; an origin counts for both."""
        css, attribute = style.get("transform"), element.get("transform")
        origin = style.get("transform-origin", "")
        if style.get("transform-box", "view-box") not in ("view-box", "") and (css or origin):
            self.out.skip("transform-box", "It is turned about the origin: boxes of their own are not applied.")
        view, font = (context.width, context.height), _font(style)
        if css and css != "none":
            return css_transform_of(css, origin, view, font)
        plain = None if css == "none" else transform_of(attribute)
        if plain is None or not origin:
            return plain
        x, y = origin_of(origin, view, font)
        return Transform.moving(Vector(-x, -y)).then(plain).then(Transform.moving(Vector(x, y)))

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
        x, y = (_length(element, a, context) for a in ("x", "y"))
        moved = Transform.moving(Vector(x, y)).then(context.transform)
        block = context.block or str(element.get("id") or f"{_href(element).lstrip('#')}-{self.out.blocks}")
        inside = replace(context, transform=moved, block=block, depth=context.depth + 1)
        if _tag(target) in ("symbol", "svg"):
            self._viewport(target, element, replace(inside, style=self.cascade.of(target, context.style)))
        else:
            self._element(target, inside)

    def _viewport(self, element: etree._Element, sized: etree._Element, context: _Context) -> None:
        """A nested svg, or a symbol with the size that its use gives it."""
        x, y = (_length(element, a, context) for a in ("x", "y"))
        if _tag(element) == "symbol":
            x = y = 0.0
        font = _font(context.style)
        width = in_px(sized.get("width") or element.get("width") or "100%", context.width, font)
        height = in_px(sized.get("height") or element.get("height") or "100%", context.height, font)
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
        width = in_px(style.get("stroke-width"), font=_font(style), otherwise=1.0)
        weight = width * context.transform.scale * mm_per(self.unit)
        pattern = style.get("stroke-dasharray", "none")
        line_type = line_type_of(numbers(pattern)) if pattern not in ("none", "") else ""
        drawn = self.out.style(colour, line_type, round(weight, 4) if stroke is not None else None)
        if not _is_safe(context.transform):
            self.out.degenerate[tag] += 1
            return
        if any(style.get(f"marker-{place}", "none") != "none" for place in ("start", "mid", "end")):
            self.out.skip("marker", "Markers are signs at its vertices; nothing is made of them.")
        filled = stroke is None and fill is not None
        shapes = self._outlines(element, tag, context, filled)
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

    def _outlines(self, element: etree._Element, tag: str, context: _Context, filled: bool = False) -> list[Shape]:
        """The shapes of an element where they belong; what is only filled is closed, for filling closes it."""
        to = context.transform
        if tag in ("circle", "ellipse"):
            return _round(element, tag, context)
        # Where circles do not stay circles, arcs are made out before they are stretched.
        pen = PathPen(to if to.is_similarity else Transform())
        written = ""
        if tag == "path":
            written = _path_data(element, context)
            try:
                draw(written, pen)
            except BrokenPath:
                self.out.skip("path", "Its data break off; it was read as far as they go.")
        elif tag == "rect":
            _rectangle(element, context, pen)
        else:
            written = str(element.get("points") or "")
            _points(element, tag, context, pen)
        rounding = 0.0
        if any(isinstance(piece, Cubic) for run in pen.runs for piece in run.pieces):
            rounding = _rounding(written, math.hypot(*(self.out.page or (0.0, 0.0))) / max(to.scale, NOUGHT))
        for run in pen.runs if filled else ():
            if not run.closed and run.pieces:
                run.close()
        if to.is_similarity:
            return [shape for run in pen.runs for shape in shapes_of(run, rounding * to.scale)]
        return [image for run in pen.runs for shape in shapes_of(run, rounding) for image in images_of(shape, to)]

    # ------------------------------------------------------------------ clip paths

    def _under_clip(self, value: str, context: _Context, element: etree._Element) -> _Context:
        target = self.by_id.get(value[4:].split(")")[0].strip("\"' #")) if value.startswith("url(") else None
        if target is None or _tag(target) != "clipPath":
            self.out.skip("clip path", "What it refers to is not in the file.")
            return context
        if target.get("clipPathUnits") == "objectBoundingBox":
            return self._under_box_clip(target, context, element)
        key = (str(target.get("id")), context.transform)
        area = self._clip_areas.get(key)
        if area is None:
            area = self._clip_area(target, context)
            self._clip_areas[key] = area
        return replace(context, clip=area if context.clip is None else common(context.clip, area))

    def _under_box_clip(self, target: etree._Element, context: _Context, element: etree._Element) -> _Context:
        """A clip path that is given in shares of the box of what it cuts."""
        tag = _tag(element)
        shapes = self._outlines(element, tag, replace(context, transform=Transform())) if tag in _DRAWN else []
        box = extents(s for s in shapes if has_size(s))
        if box is None or box[0] >= box[2] or box[1] >= box[3]:
            self.out.skip("clip path", "It is given in shares of a group's box; it is not applied.")
            return context
        unit = Transform(a=box[2] - box[0], d=box[3] - box[1], e=box[0], f=box[1])
        area = self._clip_area(target, replace(context, transform=unit.then(context.transform), width=1.0, height=1.0))
        return replace(context, clip=area if context.clip is None else common(context.clip, area))

    def _clip_area(self, target: etree._Element, context: _Context) -> Area:
        to = transform_of(target.get("transform"))
        base = context if to is None else replace(context, transform=to.then(context.transform))
        areas = [area for child in target if isinstance(child.tag, str) for area in self._clip_parts(child, base)]
        joined = shapely.union_all(areas)
        return joined if isinstance(joined, shapely.Polygon | shapely.MultiPolygon) else shapely.Polygon()

    def _clip_parts(self, child: etree._Element, context: _Context) -> list[Area]:
        """The areas that one child of a clip path lets through."""
        style = self.cascade.of(child, context.style)
        if style.get("display") == "none" or context.depth > DEEPEST:
            return []
        own = self._own_transform(child, style, context)
        to = context.transform if own is None else own.then(context.transform)
        inside = replace(context, transform=to, style=style, depth=context.depth + 1, styled=child)
        if child.tag == "use":
            target = self.by_id.get(_href(child).lstrip("#"))
            if target is None or not isinstance(target.tag, str):
                return []
            x, y = (_length(child, a, inside) for a in ("x", "y"))
            return self._clip_parts(target, replace(inside, transform=Transform.moving(Vector(x, y)).then(to)))
        if child.tag not in _DRAWN:
            return []
        shapes = [s for s in self._outlines(child, child.tag, inside, filled=True) if has_size(s)]
        rings = [shape.flattened(max(shape.length * 1e-5, ROUNDING)) for shape in shapes]
        return [area_of_rings(rings, style.get("clip-rule") == "evenodd")]

    # ------------------------------------------------------------------ texts and pictures

    def _text(self, element: etree._Element, context: _Context) -> None:
        style = context.style
        size = _font(style)
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
            height = (_font(own) if part is not element else size) * CAPITAL
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
        x, y, width, height = (_length(element, a, context) for a in ("x", "y", "width", "height"))
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
    centre = Point(_length(element, "cx", context), _length(element, "cy", context))
    if tag == "circle":
        rx = ry = _length(element, "r", context)
    else:
        rx, ry = _radii(element, context)
    if rx <= 0 or ry <= 0:
        return []
    if rx == ry and context.transform.is_similarity:
        return [Circle(centre, rx).transformed(context.transform)]
    ellipse = EllipseArc(centre, Vector(rx, 0.0), ry / rx, 0.0, TURN).transformed(context.transform)
    if abs(ellipse.ratio - 1) < HAIR:
        return [Circle(ellipse.centre, ellipse.major.length)]
    return [ellipse]


def _radii(element: etree._Element, context: _Context) -> tuple[float, float]:
    """Both radii; where only one is given the other is the same (SVG 2, 7.4)."""
    rx, ry = (_length(element, name, context, -1.0) for name in ("rx", "ry"))
    return (rx if rx >= 0 else ry), (ry if ry >= 0 else rx)


def _rectangle(element: etree._Element, context: _Context, pen: PathPen) -> None:
    x, y, width, height = (_length(element, a, context) for a in ("x", "y", "width", "height"))
    if width <= 0 or height <= 0:
        return
    rx, ry = _radii(element, context)
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


def _points(element: etree._Element, tag: str, context: _Context, pen: PathPen) -> None:
    if tag == "line":
        font = _font(context.style)
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


def _length(element: etree._Element, name: str, context: _Context, otherwise: float = 0.0) -> float:
    """A length of an element, in user units; what its style says goes before the attribute (SVG 2, 7)."""
    whole = {"x": context.width, "cx": context.width, "rx": context.width, "width": context.width}.get(name)
    if whole is None:
        whole = context.height if name != "r" else math.hypot(context.width, context.height) / math.sqrt(2)
    text = context.style.get(name) if context.styled is element else None
    return in_px(text or element.get(name), whole, _font(context.style), otherwise)


def _path_data(element: etree._Element, context: _Context) -> str:
    """The data of a path; in a style they stand as path("...")."""
    styled = context.style.get("d", "") if context.styled is element else ""
    if styled.startswith("path("):
        return styled[5:].rstrip(")").strip().strip("\"'")
    return str(element.get("d") or "")


def _font(style: Properties) -> float:
    return float(style.get("font-size", "16"))


def _rounding(written: str, size: float) -> float:
    """How far the writer's rounding may have moved a point, in user units, of which the picture is `size` across.

    The digits written alone do not tell: some writers round to binary fractions first and then write them out.
    """
    least = min(_ROUNDING, _ROUNDING_SHARE * size)
    by_digits = 2 * 10.0 ** -min(decimals(written), 12) if written else 0.0
    return max(least, min(by_digits, 5 * _ROUNDING_SHARE * size))


def _is_meant(child: etree._Element) -> bool:
    """Whether a branch of a switch holds: it asks for nothing, or for English (SVG 1.1, 5.8)."""
    if (child.get("requiredExtensions") or "").strip():
        return False
    languages = child.get("systemLanguage")
    return languages is None or any(one.strip().lower().startswith("en") for one in languages.split(","))


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
