"""The operators of a content stream, as far as they draw: state, paths, colours, forms, pictures, marked content.

Source: ISO 32000-1, 8 (graphics) and annex A (operator summary). Text is read elsewhere (`texts.py`).
"""

from __future__ import annotations

import io
import math
import warnings
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any

import pikepdf

from syntaxa.drawing.annotations import Hatch, Picture
from syntaxa.drawing.units import mm_per
from syntaxa.geometry.clip import Area, area_of_rings, common, lies_within
from syntaxa.geometry.images import images_of
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import Line, Shape
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.transform import Transform
from syntaxa.intake.dashes import line_type_of
from syntaxa.intake.gather import DEEPEST, Gathered, has_size
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.outlines import Run, shapes_of
from syntaxa.intake.pdf.colours import colour_name, rgb_of
from syntaxa.intake.pdf.limits import MOST_PIXELS, TooLarge, unpacked
from syntaxa.intake.pdf.optional import OptionalContent
from syntaxa.intake.pdf.tokens import Operation, operations

_MM_PER_POINT = mm_per("pt")

#: Points; writers keep two to six digits after the point.
_ROUNDING = 3e-3

#: Share of the page that this may come to where the page is drawn in units much larger than points.
_ROUNDING_SHARE = 1e-5

#: Operators beyond which a page is taken for one that was made to choke its reader.
_MOST_OPERATORS = 6_000_000

#: Saved states one in the other.
_MOST_STATES = 512

Numbers = Sequence[float]


@dataclass(frozen=True, slots=True)
class _State:
    """The graphics state, as far as it counts."""

    transform: Transform
    stroke: int = 0
    fill: int = 0
    width: float = 1.0
    line_type: str = ""
    clip: Area | None = None
    stroke_space: int = 1
    fill_space: int = 1


@dataclass(frozen=True, slots=True)
class _Marked:
    """Marked content: the layer that it lies on, if it is optional."""

    layer: tuple[str, bool] | None


class Interpreter:
    """Runs the content of one page."""

    def __init__(self, out: Gathered, optional: OptionalContent, options: ReadOptions, to_page: Transform) -> None:
        self.out, self.optional, self.options = out, optional, options
        self.state = _State(to_page)
        self._stack: list[_State] = []
        self._marks: list[_Marked] = []
        self._runs: list[Run] = []
        self._clip_next = self._clip_even_odd = False
        self._operators = 0
        #: Whether any text is shown; a page without needs no second look.
        self.has_text = False
        self._drawn = 0
        self._block = ""
        self._forms: list[tuple[int, int]] = []
        self._by_groups = options.grouping in ("auto", "groups") and bool(optional)

    # ------------------------------------------------------------------ running

    def run(self, pdf: pikepdf.Pdf, data: bytes, resources: pikepdf.Object | None) -> None:
        """All operators of a stream."""
        depth, marks = len(self._stack), len(self._marks)
        try:
            with warnings.catch_warnings(record=True) as faults:
                warnings.simplefilter("always")
                self._run(pdf, operations(pdf, data), resources)
        except pikepdf.PdfError:
            self.out.notes.append("A part of the page is damaged and was left out.")
        else:
            if faults:
                self.out.notes.append("A part of the page is damaged; it was read as far as it goes.")
        del self._stack[depth:], self._marks[marks:]
        self._runs = []

    def _run(self, pdf: pikepdf.Pdf, content: Iterator[Operation], resources: pikepdf.Object | None) -> None:
        for name, operands in content:
            self._operators += 1
            if self._operators > _MOST_OPERATORS:
                self.out.notes.append("The page goes on for ever; the rest was left out.")
                return
            plain = _PLAIN.get(name)
            try:
                if plain is not None:
                    plain(self, operands)
                elif name in _RICH:
                    _RICH[name](self, pdf, operands, resources)
            except (TypeError, ValueError, IndexError, KeyError, AttributeError, OverflowError):
                self.out.skip("operator", f"“{name[:8]}” makes no sense where it stands.")

    def _save(self, _: Numbers) -> None:
        if len(self._stack) < _MOST_STATES:
            self._stack.append(self.state)

    def _restore(self, _: Numbers) -> None:
        if self._stack:
            self.state = self._stack.pop()

    def _concat(self, v: Numbers) -> None:
        if all(math.isfinite(x) for x in v):
            self.state = replace(self.state, transform=Transform(*v[:6]).then(self.state.transform))

    def _width(self, v: Numbers) -> None:
        self.state = replace(self.state, width=v[0])

    # ------------------------------------------------------------------ paths

    def _move(self, v: Numbers) -> None:
        self._runs.append(Run(self._place(v[0], v[1])))

    def _line(self, v: Numbers) -> None:
        # Written out: most of most pages is this.
        run = self._runs[-1]
        if run.closed:
            run = self._pen()
        t, (x, y) = self.state.transform, v
        point = Point(t.a * x + t.c * y + t.e, t.b * x + t.d * y + t.f)
        at = run.at
        if at.x != point.x or at.y != point.y:
            run.pieces.append(Line(at, point))
            run.at = point

    def _curve(self, v: Numbers) -> None:
        self._pen().curve_to(self._place(v[0], v[1]), self._place(v[2], v[3]), self._place(v[4], v[5]))

    def _curve_from_here(self, v: Numbers) -> None:
        pen = self._pen()
        pen.curve_to(pen.at, self._place(v[0], v[1]), self._place(v[2], v[3]))

    def _curve_to_here(self, v: Numbers) -> None:
        end = self._place(v[2], v[3])
        self._pen().curve_to(self._place(v[0], v[1]), end, end)

    def _close(self, _: Numbers) -> None:
        if self._runs:
            self._pen().close()

    def _rectangle(self, v: Numbers) -> None:
        x, y, w, h = v[:4]
        run = Run(self._place(x, y))
        for corner in ((x + w, y), (x + w, y + h), (x, y + h)):
            run.line_to(self._place(*corner))
        run.close()
        self._runs.append(run)

    def _pen(self) -> Run:
        """The run that is being drawn; after closing, the next one begins at the same place."""
        run = self._runs[-1]
        if run.closed:
            run = Run(run.begin)
            self._runs.append(run)
        return run

    def _place(self, x: float, y: float) -> Point:
        t = self.state.transform
        return Point(t.a * x + t.c * y + t.e, t.b * x + t.d * y + t.f)

    def _clip(self, even_odd: bool) -> None:
        self._clip_next, self._clip_even_odd = True, even_odd

    def _paint(self, stroke: bool, fill: bool, close: bool = False) -> None:
        if close:
            self._close(())
        runs, self._runs = self._runs, []
        if self._clip_next:
            self._clip_next = False
            self._narrow(runs)
        if not (stroke or fill):
            return
        runs = [_ended(run, fill and not stroke) for run in runs]
        shapes = self._shapes(runs)
        if not shapes and not any(run.pieces for run in runs):
            # Nothing was drawn, so there is nothing without size either.
            return
        if fill and self.options.fills == "hatches":
            self._hatch(shapes)
            if not stroke:
                return
        self._emit(shapes, stroke)

    def _shapes(self, runs: Sequence[Run]) -> list[Shape]:
        """What runs are; where circles do not stay circles they are made out before they are stretched."""
        to = self.state.transform
        page = math.hypot(*(self.out.page or (0.0, 0.0)))
        scale = to.scale
        rounding = min(_ROUNDING * scale, max(_ROUNDING, _ROUNDING_SHARE * page))
        if to.is_similarity or not scale:
            return [s for run in runs for s in shapes_of(run, rounding)]
        back = to.inverse()
        flat = [shape for run in runs for shape in shapes_of(run.mapped(back), rounding / scale)]
        return [image for shape in flat for image in images_of(shape, to)]

    def _narrow(self, runs: Sequence[Run]) -> None:
        shapes = [s for run in runs for s in shapes_of(_ended(run, True), 0.0) if has_size(s)]
        joined = area_of_rings([s.flattened(max(s.length * 1e-5, ROUNDING)) for s in shapes], self._clip_even_odd)
        old = self.state.clip
        self.state = replace(self.state, clip=joined if old is None else common(old, joined))

    def _emit(self, shapes: Sequence[Shape], stroke: bool) -> None:
        state = self.state
        colour = state.stroke if stroke else state.fill
        weight = state.width * state.transform.scale * _MM_PER_POINT if stroke else None
        layer = self._layer(colour, weight)
        style = self.out.style(colour, state.line_type if stroke else "", _tidy(weight))
        self._drawn += 1
        name = f"p{self._drawn}"
        if not shapes:
            self.out.degenerate["path"] += 1
        for shape in shapes:
            clip = None
            if state.clip is not None and has_size(shape) and not lies_within(shape, state.clip):
                self.out.clipped += 1
                clip = state.clip if self.options.clip else None
            self.out.add(shape, layer, style, name, self._block, clip, "path")

    def _hatch(self, shapes: Sequence[Shape]) -> None:
        if shapes:
            layer = self._layer(self.state.fill, None)
            self._drawn += 1
            loops = tuple((s,) for s in shapes)
            self.out.note(Hatch(self.out.unique(f"h{self._drawn}"), layer, loops, colour=self.state.fill))

    def _layer(self, colour: int, weight: float | None) -> str:
        governed = next((m.layer for m in reversed(self._marks) if m.layer is not None), None)
        hidden = any(m.layer is not None and not m.layer[1] for m in self._marks)
        if self._by_groups:
            name = governed[0] if governed else "0"
        elif self.options.grouping == "one":
            name = "0"
        else:
            name = colour_name(colour) + (" fill" if weight is None else f" {weight:.2f} mm")
        known = self.out.layers.get(name)
        if hidden and known is not None and known.visible:
            name += " (hidden)"
        elif not hidden and known is not None and not known.visible:
            name += " (shown)"
        self.out.layer(name, colour, visible=not hidden)
        return name

    # ------------------------------------------------------------------ colours

    def _colour(self, v: Numbers, stroke: bool) -> None:
        colour = rgb_of(v)
        self.state = replace(self.state, stroke=colour) if stroke else replace(self.state, fill=colour)

    def _space(self, operands: list[Any], resources: pikepdf.Object | None, stroke: bool) -> None:
        parts = _components(operands[0], resources)
        start = rgb_of([0.0, 0.0, 0.0, 1.0] if parts == 4 else [0.0] * parts) if parts in (1, 3, 4) else 0
        if stroke:
            self.state = replace(self.state, stroke_space=parts, stroke=start)
        else:
            self.state = replace(self.state, fill_space=parts, fill=start)

    def _set_in_space(self, operands: list[Any], stroke: bool) -> None:
        values = [v for v in operands if isinstance(v, float)]
        parts = self.state.stroke_space if stroke else self.state.fill_space
        if not values or parts == -1:
            # A pattern, or an ink by name: more of it is darker.
            values = [1 - values[0]] if values else [0.5]
        self._colour(values, stroke)

    # ------------------------------------------------------------------ forms, pictures, marks

    def _do(self, pdf: pikepdf.Pdf, operands: list[Any], resources: pikepdf.Object | None) -> None:
        thing = _resource(resources, "/XObject", operands[0])
        if not isinstance(thing, pikepdf.Stream):
            self.out.skip("form", "What it refers to is not in the file.")
            return
        self.out.count()
        governed = self.optional.of(thing.get("/OC"))
        self._marks.append(_Marked(governed))
        if str(thing.get("/Subtype")) == "/Form":
            self._form(pdf, thing, operands[0].lstrip("/"), resources)
        elif str(thing.get("/Subtype")) == "/Image":
            self._picture(thing, operands[0].lstrip("/"))
        self._marks.pop()

    def _form(self, pdf: pikepdf.Pdf, form: pikepdf.Stream, name: str, resources: pikepdf.Object | None) -> None:
        if len(self._forms) >= DEEPEST or form.objgen in self._forms:
            self.out.skip("form", "It refers to itself, or too deep.")
            return
        try:
            data = unpacked(form)
        except TooLarge:
            self.out.overfull = True
            self.out.skip("form", "It unpacks to more than a drawing can hold.")
            return
        except pikepdf.PdfError:
            self.out.skip("form", "It is damaged.")
            return
        self.out.blocks += 1
        before, block, stack = self.state, self._block, self._stack
        marks = self._marks
        self._stack, self._marks = [], list(marks)
        self._block = block or f"{name}-{self.out.blocks}"
        self._forms.append(form.objgen)
        matrix = form.get("/Matrix")
        if isinstance(matrix, pikepdf.Array):
            self._concat([float(v) for v in matrix])
        box = form.get("/BBox")
        if isinstance(box, pikepdf.Array) and len(box) == 4:
            x, y, u, v = (float(n) for n in box)
            self._rectangle((x, y, u - x, v - y))
            self._clip(False)
            self._paint(False, False)
        self.run(pdf, data, form.get("/Resources") or resources)
        self._forms.pop()
        self.state, self._block, self._stack, self._marks = before, block, stack, marks

    def _picture(self, image: pikepdf.Object | pikepdf.PdfInlineImage, name: str) -> None:
        to = self.state.transform
        data, why = _picture_bytes(image)
        if why:
            self.out.skip("image", why)
        self._drawn += 1
        self.out.note(
            Picture(
                self.out.unique(f"i{self._drawn}"),
                self._layer(0, None) if self._by_groups else "images",
                to.point(Point(0.0, 0.0)),
                to.vector(Vector(1.0, 0.0)),
                to.vector(Vector(0.0, 1.0)),
                name,
                data,
            )
        )

    def _begin_marked(self, operands: list[Any], resources: pikepdf.Object | None) -> None:
        layer = None
        if len(operands) > 1 and operands[0] == "/OC":
            layer = self.optional.of(_resource(resources, "/Properties", operands[1]))
        if len(self._marks) < _MOST_STATES:
            self._marks.append(_Marked(layer))

    def _words(self) -> None:
        self.has_text = True

    def _end_marked(self, _: Numbers) -> None:
        if self._marks:
            self._marks.pop()

    def _dash(self, operands: list[Any]) -> None:
        pattern = [float(v) for v in operands[0]]
        self.state = replace(self.state, line_type=line_type_of(pattern))

    def _extended(self, operands: list[Any], resources: pikepdf.Object | None) -> None:
        entry = _resource(resources, "/ExtGState", operands[0])
        if isinstance(entry, pikepdf.Dictionary):
            if "/LW" in entry:
                self._width([float(entry["/LW"])])
            if "/D" in entry:
                self._dash([entry["/D"][0]])


def _ended(run: Run, fill: bool) -> Run:
    """Filling closes what is open."""
    if fill and not run.closed and run.pieces:
        run.close()
    return run


def _tidy(weight: float | None) -> float | None:
    return None if weight is None else round(weight, 4)


def _resource(resources: pikepdf.Object | None, kind: str, name: Any) -> pikepdf.Object | None:
    table = resources.get(kind) if isinstance(resources, pikepdf.Dictionary) else None
    if isinstance(name, pikepdf.Dictionary):
        return name
    return table.get(name) if isinstance(table, pikepdf.Dictionary) else None


def _components(space: Any, resources: pikepdf.Object | None) -> int:
    """How many numbers a colour of a space has; -1 for patterns and inks by name."""
    known = {
        "/DeviceGray": 1,
        "/G": 1,
        "/CalGray": 1,
        "/DeviceRGB": 3,
        "/RGB": 3,
        "/CalRGB": 3,
        "/DeviceCMYK": 4,
        "/CMYK": 4,
    }
    if isinstance(space, str | pikepdf.Name):
        space = str(space)
        if space in known:
            return known[space]
        found = _resource(resources, "/ColorSpace", space)
        return _components(found, None) if found is not None else -1
    if isinstance(space, pikepdf.Array) and len(space):
        first = str(space[0])
        if first == "/ICCBased" and isinstance(space[1], pikepdf.Stream):
            return int(space[1].get("/N", 3))
        return known.get(first, 3 if first == "/Lab" else -1)
    return -1


def _picture_bytes(image: Any) -> tuple[bytes, str]:
    """A PNG or JPEG of an embedded picture, and what is wrong with it."""
    with warnings.catch_warnings():
        # What a library has to say of a picture is no damage to the page.
        warnings.simplefilter("ignore")
        return _decoded(image)


def _decoded(image: Any) -> tuple[bytes, str]:
    try:
        inline = isinstance(image, pikepdf.PdfInlineImage)
        opened = image if inline else pikepdf.PdfImage(image)
        if opened.width * opened.height > MOST_PIXELS:
            return b"", "It has more pixels than can be held; only its place is kept."
        if not inline and str(image.get("/Filter")) == "/DCTDecode":
            return bytes(image.read_raw_bytes()), ""
        made = opened.as_pil_image()
        buffer = io.BytesIO()
        (made if made.mode in ("1", "L", "RGB", "RGBA", "P") else made.convert("RGB")).save(buffer, "PNG")
    except Exception:  # noqa: BLE001  decoders raise what they like, and no picture may take the lines with it
        return b"", "Its pixels cannot be unpacked; only its place is kept."
    return buffer.getvalue(), ""


_Plain = Callable[[Interpreter, Any], None]
_Rich = Callable[[Interpreter, pikepdf.Pdf, list[Any], pikepdf.Object | None], None]

_PLAIN: dict[str, _Plain] = {
    "q": Interpreter._save,
    "Q": Interpreter._restore,
    "cm": Interpreter._concat,
    "w": Interpreter._width,
    "m": Interpreter._move,
    "l": Interpreter._line,
    "c": Interpreter._curve,
    "v": Interpreter._curve_from_here,
    "y": Interpreter._curve_to_here,
    "h": Interpreter._close,
    "re": Interpreter._rectangle,
    "W": lambda i, _: i._clip(False),
    "W*": lambda i, _: i._clip(True),
    "n": lambda i, _: i._paint(False, False),
    "S": lambda i, _: i._paint(True, False),
    "s": lambda i, _: i._paint(True, False, close=True),
    "f": lambda i, _: i._paint(False, True),
    "F": lambda i, _: i._paint(False, True),
    "f*": lambda i, _: i._paint(False, True),
    "B": lambda i, _: i._paint(True, True),
    "B*": lambda i, _: i._paint(True, True),
    "b": lambda i, _: i._paint(True, True, close=True),
    "b*": lambda i, _: i._paint(True, True, close=True),
    "G": lambda i, v: i._colour(v[:1], True),
    "g": lambda i, v: i._colour(v[:1], False),
    "RG": lambda i, v: i._colour(v[:3], True),
    "rg": lambda i, v: i._colour(v[:3], False),
    "K": lambda i, v: i._colour(v[:4], True),
    "k": lambda i, v: i._colour(v[:4], False),
    "EMC": Interpreter._end_marked,
    "BI": lambda i, v: i._picture(v[0], "inline picture"),
    "BT": lambda i, _: i._words(),
}

_RICH: dict[str, _Rich] = {
    "Do": Interpreter._do,
    "d": lambda i, _pdf, operands, _r: i._dash(operands),
    "gs": lambda i, _pdf, operands, resources: i._extended(operands, resources),
    "CS": lambda i, _pdf, operands, resources: i._space(operands, resources, True),
    "cs": lambda i, _pdf, operands, resources: i._space(operands, resources, False),
    "SC": lambda i, _pdf, operands, _r: i._set_in_space(operands, True),
    "SCN": lambda i, _pdf, operands, _r: i._set_in_space(operands, True),
    "sc": lambda i, _pdf, operands, _r: i._set_in_space(operands, False),
    "scn": lambda i, _pdf, operands, _r: i._set_in_space(operands, False),
    "BDC": lambda i, _pdf, operands, resources: i._begin_marked(operands, resources),
    "BMC": lambda i, _pdf, operands, resources: i._begin_marked(operands[:1], resources),
    "sh": lambda i, _pdf, _operands, _r: i.out.skip("shading", "Colour gradients have no outline."),
}
