"""SVG to a drawing: a walk over the elements with style, transform and clip path handed down.

Numbers of the drawing: where the file gives its width in a physical unit, that unit; else px of 1/96 inch. y is turned
to count up, with 0 at the lower edge of the picture. Nothing outside the file is ever opened.
"""

from __future__ import annotations

import math
from dataclasses import replace

import shapely
from lxml import etree

from syntaxa.drawing.annotations import Picture, Text
from syntaxa.drawing.units import mm_per
from syntaxa.errors import IntakeError, Progress
from syntaxa.geometry.clip import Area, area_of, area_of_rings, common, lies_within
from syntaxa.geometry.extents import extents
from syntaxa.geometry.images import images_of
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.tolerances import NOUGHT, ROUNDING
from syntaxa.geometry.transform import Transform
from syntaxa.intake.dashes import line_type_of
from syntaxa.intake.fonts import missing_fonts
from syntaxa.intake.gather import DEEPEST, Gathered, TooMuch, has_size
from syntaxa.intake.model import PLAIN, ReadOptions, Received
from syntaxa.intake.outlines import Cubic, shapes_of
from syntaxa.intake.svg.elements import (
    Context,
    corners_of,
    draw_points,
    draw_rectangle,
    embedded,
    first_number,
    font_size,
    href_of,
    is_meant,
    is_safe,
    label_of,
    length_of,
    lines_of,
    local_name,
    path_data,
    round_shape,
    rounding_of,
    tag_of,
)
from syntaxa.intake.svg.pathdata import BrokenPath, draw
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

#: Height of a capital in sizes of its font, where the font is not known.
CAPITAL = 0.7

_HIDDEN = " (hidden)"


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
    if root is None or local_name(str(root.tag)) != "svg":
        raise _damaged(name)
    own = str(root.tag).rpartition("}")[0]
    for element in root.iter():
        # What lies in other name spaces keeps them and draws nothing; so do names of a repaired file that are none.
        if (
            isinstance(element.tag, str)
            and own
            and element.tag.startswith(own + "}")
            and ":" not in local_name(element.tag)
        ):
            element.tag = local_name(element.tag)
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
        return any(label_of(e) for e in self.root.iter("g")) or any(e.get("id") for e in self.root.findall("g"))

    def _outermost(self) -> Context:
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
        return Context(INITIAL, inside.then(flip), width=view[0], height=view[1])

    def _height_in_unit(
        self, height: tuple[float, str] | None, across: float, box: tuple[float, float, float, float] | None
    ) -> float:
        if height is None:
            return across * box[3] / box[2] if box else across
        if height[1] == self.unit or (self.unit == "px" and height[1] in ("", "px")):
            return height[0]
        return in_px(f"{height[0]}{height[1]}") * mm_per("px") / mm_per(self.unit)

    # ------------------------------------------------------------------ elements

    def _children(self, element: etree._Element, context: Context) -> None:
        if context.depth > DEEPEST * 4:
            self.out.skip(tag_of(element), "It lies too many groups deep.")
            return
        for child in element:
            if isinstance(child.tag, str):
                self._element(child, context)

    def _element(self, element: etree._Element, context: Context) -> None:
        tag = tag_of(element)
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
            chosen = next((c for c in element if isinstance(c.tag, str) and is_meant(c)), None)
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

    def _own_transform(self, element: etree._Element, style: Properties, context: Context) -> Transform | None:
        """What the style or else the attribute says; an origin counts for both."""
        css, attribute = style.get("transform"), element.get("transform")
        origin = style.get("transform-origin", "")
        if style.get("transform-box", "view-box") not in ("view-box", "") and (css or origin):
            self.out.skip("transform-box", "It is turned about the origin: boxes of their own are not applied.")
        view, font = (context.width, context.height), font_size(style)
        if css and css != "none":
            return css_transform_of(css, origin, view, font)
        plain = None if css == "none" else transform_of(attribute)
        if plain is None or not origin:
            return plain
        x, y = origin_of(origin, view, font)
        return Transform.moving(Vector(-x, -y)).then(plain).then(Transform.moving(Vector(x, y)))

    def _group(self, element: etree._Element, context: Context) -> None:
        name = label_of(element) or (element.get("id") if element.getparent() is self.root else "")
        if name and self.options.grouping in ("auto", "groups"):
            context = replace(context, layer=str(name))
            self.out.layer(str(name), visible=not context.hidden)
        self._children(element, context)

    def _use(self, element: etree._Element, context: Context) -> None:
        target = self.by_id.get(href_of(element).lstrip("#"))
        if target is None or not href_of(element).startswith("#"):
            self.out.skip("use", "What it refers to is not in the file.")
            return
        if context.depth > DEEPEST:
            self.out.skip("use", "It refers to itself, or too deep.")
            return
        self.out.count()
        self.out.blocks += 1
        x, y = (length_of(element, a, context) for a in ("x", "y"))
        moved = Transform.moving(Vector(x, y)).then(context.transform)
        block = context.block or str(element.get("id") or f"{href_of(element).lstrip('#')}-{self.out.blocks}")
        inside = replace(context, transform=moved, block=block, depth=context.depth + 1)
        if tag_of(target) in ("symbol", "svg"):
            self._viewport(target, element, replace(inside, style=self.cascade.of(target, context.style)))
        else:
            self._element(target, inside)

    def _viewport(self, element: etree._Element, sized: etree._Element, context: Context) -> None:
        """A nested svg, or a symbol with the size that its use gives it."""
        x, y = (length_of(element, a, context) for a in ("x", "y"))
        if tag_of(element) == "symbol":
            x = y = 0.0
        font = font_size(context.style)
        width = in_px(sized.get("width") or element.get("width") or "100%", context.width, font)
        height = in_px(sized.get("height") or element.get("height") or "100%", context.height, font)
        if width <= 0 or height <= 0:
            self.out.skip(tag_of(element), "Its window has no size, so nothing of it is shown.")
            return
        box = view_box_of(element.get("viewBox"))
        inside = Transform() if box is None else fitted(box, width, height, element.get("preserveAspectRatio") or "")
        moved = inside.then(Transform.moving(Vector(x, y))).then(context.transform)
        view = (width, height) if box is None else (box[2], box[3])
        placed = Transform.moving(Vector(x, y)).then(context.transform)
        window = area_of(placed.points(corners_of(width, height)))
        clip = context.clip
        if element.get("overflow") not in ("visible", "auto"):
            clip = window if clip is None else common(clip, window)
        context = replace(context, transform=moved, width=view[0], height=view[1], clip=clip)
        self._children(element, context)

    # ------------------------------------------------------------------ shapes

    def _shape(self, element: etree._Element, tag: str, context: Context) -> None:
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
        width = in_px(style.get("stroke-width"), font=font_size(style), otherwise=1.0)
        weight = width * context.transform.scale * mm_per(self.unit)
        pattern = style.get("stroke-dasharray", "none")
        line_type = line_type_of(numbers(pattern)) if pattern not in ("none", "") else ""
        drawn = self.out.style(colour, line_type, round(weight, 4) if stroke is not None else None)
        if not is_safe(context.transform):
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

    def _clip_for(self, shape: Shape, context: Context) -> Area | None:
        """The area to cut to, if the shape reaches beyond it and that is wanted; what reaches beyond is counted."""
        if context.clip is None or not has_size(shape) or lies_within(shape, context.clip):
            return None
        self.out.clipped += 1
        return context.clip if self.options.clip else None

    def _layer_of(self, context: Context, colour: int | None, hidden: bool) -> str:
        if self._by_colour:
            name = "no colour" if colour is None else f"#{colour:06x}"
        else:
            name = context.layer or "0"
        known = self.out.layers.get(name)
        if hidden and (known is None or known.visible):
            name += _HIDDEN
        self.out.layer(name, colour or 0, visible=not hidden)
        return name

    def _outlines(self, element: etree._Element, tag: str, context: Context, filled: bool = False) -> list[Shape]:
        """The shapes of an element where they belong; what is only filled is closed, for filling closes it."""
        to = context.transform
        if tag in ("circle", "ellipse"):
            return round_shape(element, tag, context)
        # Where circles do not stay circles, arcs are made out before they are stretched.
        pen = PathPen(to if to.is_similarity else Transform())
        written = ""
        if tag == "path":
            written = path_data(element, context)
            try:
                draw(written, pen)
            except BrokenPath:
                self.out.skip("path", "Its data break off; it was read as far as they go.")
        elif tag == "rect":
            draw_rectangle(element, context, pen)
        else:
            written = str(element.get("points") or "")
            draw_points(element, tag, context, pen)
        rounding = 0.0
        if any(isinstance(piece, Cubic) for run in pen.runs for piece in run.pieces):
            rounding = rounding_of(written, math.hypot(*(self.out.page or (0.0, 0.0))) / max(to.scale, NOUGHT))
        for run in pen.runs if filled else ():
            if not run.closed and run.pieces:
                run.close()
        if to.is_similarity:
            return [shape for run in pen.runs for shape in shapes_of(run, rounding * to.scale)]
        return [image for run in pen.runs for shape in shapes_of(run, rounding) for image in images_of(shape, to)]

    # ------------------------------------------------------------------ clip paths

    def _under_clip(self, value: str, context: Context, element: etree._Element) -> Context:
        target = self.by_id.get(value[4:].split(")")[0].strip("\"' #")) if value.startswith("url(") else None
        if target is None or tag_of(target) != "clipPath":
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

    def _under_box_clip(self, target: etree._Element, context: Context, element: etree._Element) -> Context:
        """A clip path that is given in shares of the box of what it cuts."""
        tag = tag_of(element)
        shapes = self._outlines(element, tag, replace(context, transform=Transform())) if tag in _DRAWN else []
        box = extents(s for s in shapes if has_size(s))
        if box is None or box[0] >= box[2] or box[1] >= box[3]:
            self.out.skip("clip path", "It is given in shares of a group's box; it is not applied.")
            return context
        unit = Transform(a=box[2] - box[0], d=box[3] - box[1], e=box[0], f=box[1])
        area = self._clip_area(target, replace(context, transform=unit.then(context.transform), width=1.0, height=1.0))
        return replace(context, clip=area if context.clip is None else common(context.clip, area))

    def _clip_area(self, target: etree._Element, context: Context) -> Area:
        to = transform_of(target.get("transform"))
        base = context if to is None else replace(context, transform=to.then(context.transform))
        areas = [area for child in target if isinstance(child.tag, str) for area in self._clip_parts(child, base)]
        joined = shapely.union_all(areas)
        return joined if isinstance(joined, shapely.Polygon | shapely.MultiPolygon) else shapely.Polygon()

    def _clip_parts(self, child: etree._Element, context: Context) -> list[Area]:
        """The areas that one child of a clip path lets through."""
        style = self.cascade.of(child, context.style)
        if style.get("display") == "none" or context.depth > DEEPEST:
            return []
        own = self._own_transform(child, style, context)
        to = context.transform if own is None else own.then(context.transform)
        inside = replace(context, transform=to, style=style, depth=context.depth + 1, styled=child)
        if child.tag == "use":
            target = self.by_id.get(href_of(child).lstrip("#"))
            if target is None or not isinstance(target.tag, str):
                return []
            x, y = (length_of(child, a, inside) for a in ("x", "y"))
            return self._clip_parts(target, replace(inside, transform=Transform.moving(Vector(x, y)).then(to)))
        if child.tag not in _DRAWN:
            return []
        shapes = [s for s in self._outlines(child, child.tag, inside, filled=True) if has_size(s)]
        rings = [shape.flattened(max(shape.length * 1e-5, ROUNDING)) for shape in shapes]
        return [area_of_rings(rings, style.get("clip-rule") == "evenodd")]

    # ------------------------------------------------------------------ texts and pictures

    def _text(self, element: etree._Element, context: Context) -> None:
        style = context.style
        size = font_size(style)
        family = style.get("font-family", "").split(",")[0].strip("\"' ")
        if family:
            self.out.fonts.add(family)
        x, y = first_number(element.get("x")), first_number(element.get("y"))
        for part, px, py, text in lines_of(element, x, y):
            own = self.cascade.of(part, style) if part is not element else style
            if not text:
                continue
            colour = colour_of(own.get("fill", "black"), own.get("color", "black"))
            hidden = context.hidden or own.get("visibility") == "hidden"
            height = (font_size(own) if part is not element else size) * CAPITAL
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

    def _image(self, element: etree._Element, context: Context) -> None:
        x, y, width, height = (length_of(element, a, context) for a in ("x", "y", "width", "height"))
        data, name = embedded(href_of(element))
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
