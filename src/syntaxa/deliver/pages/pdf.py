"""Pages as PDF: true size, lines and curves, each layer one that viewers can switch, the font embedded.

Arcs and ellipses go out as cubic Beziers of at most 22.5 degrees, which leave a circle by less than 1e-8 of its radius
(the error of the standard cubic falls with the sixth power of the angle). As PDF/A-2b (ISO 19005-2) the file says so in
its metadata, names the colour space that its colours are meant in, and holds nothing that this forbids.
"""

from __future__ import annotations

import io
import math
import struct
from collections.abc import Iterator, Mapping, Sequence
from importlib.resources import files

import numpy as np
import pikepdf
from pikepdf import Array, Dictionary, Name, String

from syntaxa.deliver.pages.model import ADVANCE, CAPITAL, Filled, Leaf, Mark, Pen, Picture, Stroke, Words
from syntaxa.geometry.beziers import cubics_of
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline, Shape, Spline
from syntaxa.geometry.tolerances import Tolerances

#: Points to the millimetre; the longest side of a page in points without a unit of its own (ISO 32000-1, annex C).
_POINTS, _LONGEST = 72 / 25.4, 14_400.0

#: Radians of one Bezier.
_PART = math.pi / 8

#: What a font is called that is there in part only (ISO 32000-1, 9.6.4: six letters and a plus).
_FONT = "SYNTAX+JetBrainsMono-Regular"


def pdf_of(leaves: Sequence[Leaf], archive: bool = False) -> bytes:
    """The file, a page for each leaf.

    archive  as PDF/A-2b
    """
    document = pikepdf.new()
    layers = {name: document.make_indirect(_layer(name)) for leaf in leaves for name in leaf.layers()}
    texts = "".join(m.text for leaf in leaves for m in leaf.marks if isinstance(m, Words))
    font = document.make_indirect(_font(document, texts)) if texts else None
    glyphs = _glyphs(texts)
    for leaf in leaves:
        _add_page(document, leaf, layers, font, glyphs)
    if layers:
        order = Array(list(layers.values()))
        shown = Dictionary(Name=String("Layers"), Order=order, ON=order)
        document.Root.OCProperties = Dictionary(OCGs=order, D=shown)
    title = next((leaf.title for leaf in leaves if leaf.title), "")
    if archive:
        _archive(document, title)
    elif title:
        document.docinfo["/Title"] = title
    out = io.BytesIO()
    document.save(
        out, deterministic_id=True, object_stream_mode=pikepdf.ObjectStreamMode.generate,
        min_version="1.7" if archive else "1.5",
    )  # fmt: skip
    return out.getvalue()


def _layer(name: str) -> Dictionary:
    return Dictionary(Type=Name.OCG, Name=String(name))


def _add_page(
    document: pikepdf.Pdf, leaf: Leaf, layers: Mapping[str, pikepdf.Object], font: pikepdf.Object | None,
    glyphs: dict[str, int],
) -> None:  # fmt: skip
    # A page that is longer than a reader may take says in what unit its numbers are.
    unit = max(1.0, math.ceil(max(leaf.width, leaf.height) * _POINTS / _LONGEST))
    scale = _POINTS / unit
    page = document.add_blank_page(page_size=(leaf.width * scale, leaf.height * scale))
    if unit > 1:
        page.obj.UserUnit = unit
    names = leaf.layers()
    resources = Dictionary(Properties=Dictionary({f"/L{n}": layers[name] for n, name in enumerate(names)}))
    if font is not None:
        resources.Font = Dictionary(F1=font)
    pictures = [m for m in leaf.marks if isinstance(m, Picture)]
    if pictures:
        resources.XObject = Dictionary({f"/P{n}": _picture(document, m) for n, m in enumerate(pictures)})
    page.Resources = resources
    lines = ["q", f"{scale:.12g} 0 0 {scale:.12g} 0 0 cm", "1 J 1 j", *_drawn(leaf.marks, names, glyphs), "Q"]
    page.Contents = document.make_stream("\n".join(lines).encode("ascii"))


def _picture(document: pikepdf.Pdf, picture: Picture) -> pikepdf.Object:
    """Its colours, and where it is opaque, as two images (ISO 32000-1, 8.9.5 and 11.6.5.3)."""
    height, width = picture.rows.shape[:2]
    common = {"Type": Name.XObject, "Subtype": Name.Image, "Width": width, "Height": height, "BitsPerComponent": 8}
    opaque = document.make_stream(
        np.ascontiguousarray(picture.rows[:, :, 3]).tobytes(), **common, ColorSpace=Name.DeviceGray
    )
    colours = np.ascontiguousarray(picture.rows[:, :, :3]).tobytes()
    return document.make_indirect(document.make_stream(colours, **common, ColorSpace=Name.DeviceRGB, SMask=opaque))


def _drawn(marks: Sequence[Mark], names: list[str], glyphs: dict[str, int]) -> Iterator[str]:
    number = {name: n for n, name in enumerate(names)}
    layer, pen, pictures = "", Pen(-1.0), 0
    for mark in marks:
        if mark.layer != layer:
            yield from (["EMC"] if layer else [])
            yield f"/OC /L{number[mark.layer]} BDC"
            layer = mark.layer
        if isinstance(mark, Stroke):
            if mark.pen != pen:
                pen = mark.pen
                dashes = " ".join(f"{d:.6g}" for d in pen.dashes)
                yield f"{_rgb(pen.colour)} RG {pen.weight:.6g} w [{dashes}] 0 d"
            yield from path_of(mark.shape)
            yield "S"
        elif isinstance(mark, Filled):
            yield f"{_rgb(mark.colour)} rg"
            for loop in mark.loops:
                yield from path_of(loop)
            yield "f*"
        elif isinstance(mark, Picture):
            size = f"{mark.width:.7f} 0 0 {mark.height:.7f}"
            yield f"q {size} {_pair(mark.place)} cm /P{pictures} Do Q"
            pictures += 1
        else:
            yield from _written(mark, glyphs)
    if layer:
        yield "EMC"


def _written(words: Words, glyphs: dict[str, int]) -> Iterator[str]:
    c, s = math.cos(words.angle), math.sin(words.angle)
    codes = "".join(f"{glyphs[letter]:04X}" for letter in words.text)
    yield f"BT {_rgb(words.colour)} rg /F1 {words.height / CAPITAL:.6g} Tf"
    yield f"{c:.9f} {s:.9f} {-s:.9f} {c:.9f} {_pair(words.start)} Tm <{codes}> Tj ET"


def _rgb(colour: int) -> str:
    return " ".join(f"{(colour >> shift & 255) / 255:.4g}" for shift in (16, 8, 0))


# ---------------------------------------------------------------------- lines


def path_of(shape: Shape) -> Iterator[str]:
    """The operators of a path."""
    if isinstance(shape, Line):
        yield f"{_pair(shape.start)} m {_pair(shape.end)} l"
    elif isinstance(shape, Polyline):
        yield f"{_pair(shape.vertices[0])} m"
        for segment in shape.segments():
            yield from [f"{_pair(segment.end)} l"] if isinstance(segment, Line) else _curved(_as_ellipse(segment))
        if shape.closed:
            yield "h"
    elif isinstance(shape, Spline):
        controls, _ = cubics_of(shape, Tolerances().fit)
        yield f"{_pair(Point(*controls[0, 0].tolist()))} m"
        for span in controls.tolist():
            yield " ".join(_pair(Point(x, y)) for x, y in span[1:]) + " c"
        if shape.is_closed:
            yield "h"
    else:
        round_one = _as_ellipse(shape)
        yield f"{_pair(round_one.start)} m"
        yield from _curved(round_one)
        if round_one.is_closed:
            yield "h"


def _as_ellipse(shape: Arc | Circle | EllipseArc) -> EllipseArc:
    if isinstance(shape, Circle):
        return EllipseArc(shape.centre, Vector(shape.radius, 0.0), 1.0, 0.0, TURN)
    if isinstance(shape, Arc):
        return EllipseArc(shape.centre, Vector(shape.radius, 0.0), 1.0, shape.start_angle, shape.sweep)
    return shape


def _curved(shape: EllipseArc) -> Iterator[str]:
    """An arc as Beziers with its own slopes at both ends of each."""
    count = max(1, math.ceil(abs(shape.sweep) / _PART))
    step = shape.sweep / count
    stops = shape.start_parameter + step * np.arange(count + 1, dtype=np.float64)
    places, slopes = shape.points(stops), shape.derivatives(stops) * (4 / 3 * math.tan(step / 4))
    for k in range(count):
        controls = (places[k] + slopes[k], places[k + 1] - slopes[k + 1], places[k + 1])
        yield " ".join(_pair(Point(*c.tolist())) for c in controls) + " c"


def _pair(p: Point) -> str:
    return f"{p.x:.7f} {p.y:.7f}"


# ---------------------------------------------------------------------- the font


def _glyphs(texts: str) -> dict[str, int]:
    """The number of the glyph of each letter, as it is in the font; what the font has not is its box."""
    if not texts:
        return {}
    known = _typeface()[1]
    return {letter: known.get(letter, 0) for letter in set(texts)}


def _typeface() -> tuple[bytes, dict[str, int]]:
    from fontTools.ttLib import TTFont

    data = files("syntaxa.fonts").joinpath("JetBrainsMono-Regular.ttf").read_bytes()
    font = TTFont(io.BytesIO(data))
    return data, {chr(code): font.getGlyphID(name) for code, name in font.getBestCmap().items()}


def _font(document: pikepdf.Pdf, texts: str) -> Dictionary:
    """The font with the letters that are used, told by the numbers of their glyphs (ISO 32000-1, 9.7)."""
    data, known = _typeface()
    used = {letter: known[letter] for letter in sorted(set(texts)) if letter in known}
    embedded = document.make_stream(_cut_down(data, used), Length1=0)
    embedded.Length1 = len(embedded.read_bytes())
    wide = round(1000 * ADVANCE)
    descriptor = Dictionary(
        Type=Name.FontDescriptor, FontName=Name("/" + _FONT), Flags=5, FontBBox=Array([-200, -300, 900, 1020]),
        ItalicAngle=0, Ascent=1020, Descent=-300, CapHeight=round(1000 * CAPITAL), StemV=80,
        FontFile2=document.make_indirect(embedded),
    )  # fmt: skip
    letters = Dictionary(
        Type=Name.Font, Subtype=Name.CIDFontType2, BaseFont=Name("/" + _FONT), DW=wide, CIDToGIDMap=Name.Identity,
        CIDSystemInfo=Dictionary(Registry=String("Adobe"), Ordering=String("Identity"), Supplement=0),
        FontDescriptor=document.make_indirect(descriptor),
    )  # fmt: skip
    return Dictionary(
        Type=Name.Font, Subtype=Name.Type0, BaseFont=Name("/" + _FONT), Encoding=Name("/Identity-H"),
        DescendantFonts=Array([document.make_indirect(letters)]),
        ToUnicode=document.make_indirect(document.make_stream(_to_unicode(used))),
    )  # fmt: skip


def _cut_down(data: bytes, used: dict[str, int]) -> bytes:
    """The font without what is not used; glyphs keep their numbers."""
    from fontTools import subset

    options = subset.Options(
        retain_gids=True, notdef_outline=True, layout_features=[], hinting=False, name_IDs=[], legacy_kern=False
    )
    options.drop_tables += ["GSUB", "GPOS", "GDEF", "DSIG", "meta", "STAT"]
    font = subset.load_font(io.BytesIO(data), options)
    cutter = subset.Subsetter(options)
    cutter.populate(text="".join(used))
    cutter.subset(font)
    # The time of day would make every file another.
    font.recalcTimestamp = False
    out = io.BytesIO()
    subset.save_font(font, out, options)
    return out.getvalue()


def _to_unicode(used: dict[str, int]) -> bytes:
    """Which letters the numbers stand for, so that text can be searched and copied (ISO 32000-1, 9.10.3)."""
    rows = [f"<{number:04X}> <{letter.encode('utf-16-be').hex().upper()}>" for letter, number in used.items()]
    blocks = [rows[k : k + 100] for k in range(0, len(rows), 100)]
    body = "\n".join(f"{len(b)} beginbfchar\n" + "\n".join(b) + "\nendbfchar" for b in blocks)
    return (
        "/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap\n"
        "/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def\n"
        "/CMapName /Adobe-Identity-UCS def\n/CMapType 2 def\n"
        "1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange\n"
        f"{body}\nendcmap\nCMapName currentdict /CMap defineresource pop\nend\nend"
    ).encode("ascii")


# ---------------------------------------------------------------------- for archives


#: Where in the head of a colour profile its date stands.
_MADE = slice(24, 36)


def _archive(document: pikepdf.Pdf, title: str) -> None:
    """What makes it PDF/A-2b: metadata that say so, and the colour space that colours are meant in."""
    from PIL import ImageCms

    profile = bytearray(ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes())
    # When the profile was made (ICC.1, 7.2.8) would make every file another.
    profile[_MADE] = struct.pack(">6H", 2000, 1, 1, 0, 0, 0)
    colours = document.make_stream(bytes(profile), N=3)
    document.Root.OutputIntents = Array([
        document.make_indirect(Dictionary(
            Type=Name.OutputIntent, S=Name("/GTS_PDFA1"), OutputConditionIdentifier=String("sRGB"),
            DestOutputProfile=document.make_indirect(colours),
        ))
    ])  # fmt: skip
    with document.open_metadata(set_pikepdf_as_editor=False, update_docinfo=True) as metadata:
        metadata["pdfaid:part"] = "2"
        metadata["pdfaid:conformance"] = "B"
        if title:
            metadata["dc:title"] = title
