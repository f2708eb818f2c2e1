"""More of the orchard pump's drawings, one in each format that a shop receives; made up, the same bytes each time."""

from __future__ import annotations

import io
import math
import random
import struct
from importlib.resources import files
from pathlib import Path

import numpy as np
import pikepdf
from PIL import Image, ImageDraw, ImageFilter

from syntaxa.demo.bracket import bracket_dxf, bracket_pdf
from syntaxa.demo.drawing import NAME, demo_bytes, revised_bytes
from syntaxa.demo.flange import circle_in_pdf, flange_dxf
from syntaxa.demo.seat import seat_dxf, seat_set
from syntaxa.files import write_atomically

#: Points of 1/72 inch in a mm.
_POINT = 72 / 25.4


def write_drawings(folder: Path) -> Path:
    """Writes a drawing of each format into a folder, with a second revision of the panels, and how the motor's seat is
    milled; returns the panels' path.
    """
    for name, data in {
        NAME: demo_bytes(),
        "orchard-pump-panels-rev-b.dxf": revised_bytes(),
        "valve-plate.dwg": files("syntaxa.demo").joinpath("data/valve-plate.dwg").read_bytes(),
        "float-gauge.svg": gauge_svg(),
        "pump-cover.pdf": cover_pdf(),
        "pump-flange.dxf": flange_dxf(),
        "motor-seat.dxf": seat_dxf(),
        "motor-seat.toml": seat_set(),
        "inlet-bracket.dxf": bracket_dxf(),
        "inlet-bracket.pdf": bracket_pdf(),
        "pulley-sketch-scan.png": pulley_scan(),
        "shaft-sleeve.stl": sleeve_stl(),
    }.items():
        write_atomically(folder / name, data)
    return folder / NAME


def gauge_svg() -> bytes:
    """The scale of the tank's float gauge: cut, engrave and a hidden draft, in mm."""
    marks = "".join(
        f'<path d="M {60 + 44 * math.cos(a):.4f} {70 - 44 * math.sin(a):.4f} '
        f'L {60 + (36 if k % 5 else 32) * math.cos(a):.4f} {70 - (36 if k % 5 else 32) * math.sin(a):.4f}"/>'
        for k in range(21)
        for a in [math.radians(180 - 9 * k)]
    )
    figures = "".join(
        f'<text x="{60 + 26 * math.cos(a):.3f}" y="{72 - 26 * math.sin(a):.3f}">{25 * k}</text>'
        for k in range(5)
        for a in [math.radians(180 - 45 * k)]
    )
    return f"""<svg xmlns="http://www.w3.org/2000/svg" width="120mm" height="90mm" viewBox="0 0 120 90">
<style>.cut {{ stroke: #c0392b; }} .engrave {{ stroke: #1f618d; }}
path, circle, rect {{ fill: none; stroke-width: 0.2 }}
text {{ font: 5px sans-serif; font-size: 5px; text-anchor: middle; fill: #1f618d }}</style>
<g aria-label="Cut" class="cut"><rect x="4" y="4" width="112" height="82" rx="6"/>
<circle cx="60" cy="70" r="5"/><circle cx="12" cy="12" r="2.1"/><circle cx="108" cy="12" r="2.1"/>
<circle cx="12" cy="78" r="2.1"/><circle cx="108" cy="78" r="2.1"/></g>
<g aria-label="Engrave" class="engrave">{marks}<path d="M 14 70 A 46 46 0 0 1 106 70"/>{figures}
<text x="60" y="84">TANK LEVEL %</text></g>
<g aria-label="Draft" class="engrave" style="display:none"><path d="M 60 70 L 60 10"/></g>
</svg>
""".encode()


def cover_pdf() -> bytes:
    """The pump's cover at full size on an A4 page: optional content, centre lines as single dashes, a dimension."""
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(297 * _POINT, 210 * _POINT))
    layers = {}
    for key, name in (("C", "Cover"), ("H", "Holes"), ("M", "Centre lines"), ("T", "Title")):
        layers[key] = pdf.make_indirect(pikepdf.Dictionary(Type=pikepdf.Name.OCG, Name=name))
    groups = list(layers.values())
    pdf.Root.OCProperties = pikepdf.Dictionary(OCGs=groups, D=pikepdf.Dictionary(Order=groups))
    font = pikepdf.Dictionary(Type=pikepdf.Name.Font, Subtype=pikepdf.Name.Type1, BaseFont=pikepdf.Name.Helvetica)
    page.obj.Resources = pikepdf.Dictionary(
        Properties=pikepdf.Dictionary({f"/{k}": v for k, v in layers.items()}), Font=pikepdf.Dictionary(F=font)
    )
    x, y = 130.0, 110.0
    bolts = [(x + 62 * math.cos(a), y + 62 * math.sin(a)) for a in (math.pi / 3 * k for k in range(6))]
    body = [f"{_POINT:.8f} 0 0 {_POINT:.8f} 0 0 cm 0.25 w"]
    body += ["/OC /C BDC", circle_in_pdf(x, y, 75), circle_in_pdf(x, y, 40), "EMC"]
    body += ["/OC /H BDC 0.7 0.1 0.1 RG", *(circle_in_pdf(u, v, 4.5) for u, v in bolts), "0 G EMC"]
    body += ["/OC /M BDC 0.13 w", *_dashes(x - 84, y, x + 84, y), *_dashes(x, y - 84, x, y + 84), "EMC"]
    body += ["/OC /T BDC 0.35 w 10 10 277 190 re S 187 10 100 30 re S"]
    title = ((5, 28, "PUMP COVER"), (3, 20, "SCALE 1:1   ALL SIZES IN MM"), (3, 14, "6 x 9.0 ON 124"))
    for size, v, words in title:
        body.append(f"BT /F {size} Tf 190 {v} Td ({words}) Tj ET")
    page.obj.Contents = pdf.make_stream("\n".join([*body, "EMC"]).encode())
    stream = io.BytesIO()
    pdf.save(stream, deterministic_id=True, min_version="1.5")
    return stream.getvalue()


def _dashes(x: float, y: float, u: float, v: float) -> list[str]:
    """A centre line as strokes of 10 and 2 with gaps of 2, drawn one by one."""
    length = math.hypot(u - x, v - y)
    ux, uy = (u - x) / length, (v - y) / length
    strokes, at = [], 0.0
    while at < length:
        for dash in (10.0, 2.0):
            end = min(at + dash, length)
            if at < length:
                strokes.append(f"{x + ux * at:.4f} {y + uy * at:.4f} m {x + ux * end:.4f} {y + uy * end:.4f} l S")
            at = end + 2.0
    return strokes


def pulley_scan() -> bytes:
    """A pencil sketch of the belt pulley on squared paper, scanned at 100 dots to the inch and not quite straight."""
    dice = random.Random(7)
    size = (827, 585)
    sheet = Image.new("L", size, 247)
    pen = ImageDraw.Draw(sheet)
    for k in range(0, max(size), 20):
        pen.line([(k, 0), (k, size[1])], 228)
        pen.line([(0, k), (size[0], k)], 228)
    x, y = 360, 300
    for radius, width in ((190, 3), (172, 2), (60, 3), (24, 3)):
        for _ in range(2):
            dx, dy = dice.uniform(-1.2, 1.2), dice.uniform(-1.2, 1.2)
            pen.ellipse([x - radius + dx, y - radius + dy, x + radius + dx, y + radius + dy], outline=70, width=width)
    for k in range(5):
        a = 2 * math.pi * k / 5 + 0.3
        u, v = x + 115 * math.cos(a), y + 115 * math.sin(a)
        pen.ellipse([u - 36, v - 36, u + 36, v + 36], outline=80, width=2)
    pen.line([(x - 220, y), (x + 220, y)], 120, 1)
    pen.line([(x, y - 220), (x, y + 220)], 120, 1)
    pen.line([(x - 190, 545), (x + 190, 545)], 90, 2)
    pen.text((x - 14, 525), "96.5", 60)
    pen.text((640, 60), "BELT PULLEY", 60)
    sheet = sheet.rotate(0.8, fillcolor=240).filter(ImageFilter.GaussianBlur(0.7))
    grain = np.random.default_rng(7).integers(-6, 7, size[::-1])
    grey = np.clip(np.asarray(sheet, dtype=np.int64) + grain, 0, 255).astype(np.uint8)
    stream = io.BytesIO()
    Image.fromarray(grey).save(stream, "PNG", dpi=(100, 100), optimize=True)
    return stream.getvalue()


def sleeve_stl() -> bytes:
    """The sleeve on the pump's shaft: a flanged tube, 40 high, in triangles."""
    sides = 72
    ring = [(math.cos(2 * math.pi * k / sides), math.sin(2 * math.pi * k / sides)) for k in range(sides)]
    steps = [(12.0, 0.0), (30.0, 0.0), (30.0, 6.0), (18.0, 6.0), (18.0, 40.0), (12.0, 40.0)]
    triangles = []
    for k, (c, s) in enumerate(ring):
        d, t = ring[(k + 1) % sides]
        for (r, z), (q, h) in zip(steps, [*steps[1:], steps[0]], strict=True):
            a, b = (r * c, r * s, z), (r * d, r * t, z)
            e, f = (q * d, q * t, h), (q * c, q * s, h)
            triangles += [(a, b, e), (a, e, f)]
    body = b"".join(struct.pack("<12fH", 0, 0, 0, *[v for p in t for v in p], 0) for t in triangles)
    return b"shaft sleeve".ljust(80, b"\0") + struct.pack("<I", len(triangles)) + body
