"""One made-up part, the cover of the pump's valve box, written by programs that know nothing of each other.

A plate of 120 x 80 mm with corners of radius 10 and a bore of radius 15 on layer CUT, a slot of 30 x 8 with round ends
on layer SLOT, and a straight mark of 40 on layer MARK. Lower left corner at 10, 20.
"""

from __future__ import annotations

import io
import math

import cairocffi
import ezdwg
import ezdxf
import matplotlib as mpl
import svgwrite
from matplotlib.figure import Figure
from matplotlib.patches import Circle as CirclePatch
from matplotlib.patches import PathPatch
from matplotlib.path import Path as Outline
from reportlab.pdfgen.canvas import Canvas

mpl.use("agg")

PAGE = (200.0, 150.0)
LEFT, BOTTOM, WIDTH, HEIGHT, CORNER = 10.0, 20.0, 120.0, 80.0, 10.0
BORE, BORE_RADIUS = (70.0, 60.0), 15.0
SLOT, SLOT_LENGTH, SLOT_RADIUS = (100.0, 30.0), 30.0, 4.0
MARK = ((20.0, 90.0), (60.0, 90.0))

#: Areas by the formulas for the rounded rectangle, the circle and the slot (any handbook of plane figures).
AREAS = {
    "plate": WIDTH * HEIGHT - (4 - math.pi) * CORNER**2,
    "bore": math.pi * BORE_RADIUS**2,
    "slot": (SLOT_LENGTH - 2 * SLOT_RADIUS) * 2 * SLOT_RADIUS + math.pi * SLOT_RADIUS**2,
}
LENGTHS = {
    "plate": 2 * (WIDTH + HEIGHT) - (8 - 2 * math.pi) * CORNER,
    "bore": 2 * math.pi * BORE_RADIUS,
    "slot": 2 * (SLOT_LENGTH - 2 * SLOT_RADIUS) + 2 * math.pi * SLOT_RADIUS,
    "mark": 40.0,
}

COLOURS = {"CUT": (1.0, 0.0, 0.0), "SLOT": (0.0, 0.0, 1.0), "MARK": (0.0, 0.5, 0.0)}
HEX = {name: "#" + "".join(f"{round(255 * c):02x}" for c in rgb) for name, rgb in COLOURS.items()}

#: tan(22.5 degrees): the bulge of a quarter circle.
QUARTER = math.tan(math.pi / 8)


def corners(x, y, w, h, r):
    """Vertices and bulges of a rounded rectangle, counter-clockwise from the lower edge."""
    return [
        (x + r, y, 0), (x + w - r, y, QUARTER), (x + w, y + r, 0), (x + w, y + h - r, QUARTER),
        (x + w - r, y + h, 0), (x + r, y + h, QUARTER), (x, y + h - r, 0), (x, y + r, QUARTER),
    ]  # fmt: skip


def slot_rows():
    """Vertices and bulges of the slot: two straights and two half circles."""
    (x, y), half, r = SLOT, SLOT_LENGTH / 2 - SLOT_RADIUS, SLOT_RADIUS
    return [(x - half, y - r, 0), (x + half, y - r, 1), (x + half, y + r, 0), (x - half, y + r, 1)]


def plate_rows():
    return corners(LEFT, BOTTOM, WIDTH, HEIGHT, CORNER)


def dxf(release="R2018", binary=False):
    document = ezdxf.new(release)
    document.header["$INSUNITS"] = 4
    for k, name in enumerate(COLOURS):
        document.layers.add(name, color=(1, 5, 3)[k])
    space = document.modelspace()
    for rows, layer in ((plate_rows(), "CUT"), (slot_rows(), "SLOT")):
        if release == "R12":
            polyline = space.add_polyline2d([r[:2] for r in rows], close=True, dxfattribs={"layer": layer})
            for vertex, (_, _, bulge) in zip(polyline.vertices, rows, strict=True):
                vertex.dxf.bulge = bulge
        else:
            space.add_lwpolyline(rows, format="xyb", close=True, dxfattribs={"layer": layer})
    space.add_circle(BORE, BORE_RADIUS, dxfattribs={"layer": "CUT"})
    space.add_line(*MARK, dxfattribs={"layer": "MARK"})
    if binary:
        stream = io.BytesIO()
        document.write(stream, fmt="bin")
        return stream.getvalue()
    text = io.StringIO()
    document.write(text)
    return text.getvalue().encode()


def dwg(folder):
    document = ezdwg.new()
    space = document.modelspace()
    for k, name in enumerate(COLOURS):
        document.layers[name] = {"color_index": (1, 5, 3)[k]}
    document.header["insunits"] = 4
    for rows, layer in ((plate_rows(), "CUT"), (slot_rows(), "SLOT")):
        space.add_lwpolyline([r[:2] for r in rows], bulges=[r[2] for r in rows], closed=True, layer=layer)
    space.add_circle(BORE, BORE_RADIUS, layer="CUT")
    space.add_line(*MARK, layer="MARK")
    path = folder / "part.dwg"
    document.save(path)
    return path.read_bytes()


def flipped(y):
    return PAGE[1] - y


def svg_path(rows):
    """Path data with true arcs, y counting down."""
    parts = [f"M {rows[0][0]} {flipped(rows[0][1])}"]
    for (x, y, bulge), (u, v, _) in zip(rows, [*rows[1:], rows[0]], strict=True):
        radius = math.hypot(u - x, v - y) / (2 * math.sin(2 * math.atan(bulge))) if bulge else 0
        parts.append(f"A {radius} {radius} 0 0 0 {u} {flipped(v)}" if bulge else f"L {u} {flipped(v)}")
    return " ".join([*parts, "Z"])


def svg_by_svgwrite():
    drawing = svgwrite.Drawing(size=("200mm", "150mm"), viewBox="0 0 200 150", profile="full")
    groups = {name: drawing.add(drawing.g(id=name, fill="none", stroke=HEX[name])) for name in COLOURS}
    groups["CUT"].add(drawing.path(d=svg_path(plate_rows())))
    groups["CUT"].add(drawing.circle((BORE[0], flipped(BORE[1])), BORE_RADIUS))
    groups["SLOT"].add(drawing.path(d=svg_path(slot_rows())))
    (x, y), (u, v) = MARK
    groups["MARK"].add(drawing.line((x, flipped(y)), (u, flipped(v))))
    return drawing.tostring().encode()


def pdf_by_reportlab():
    stream = io.BytesIO()
    mm = 72 / 25.4
    canvas = Canvas(stream, pagesize=(PAGE[0] * mm, PAGE[1] * mm))
    canvas.scale(mm, mm)
    canvas.setLineWidth(0.25)
    canvas.setStrokeColorRGB(*COLOURS["CUT"])
    canvas.roundRect(LEFT, BOTTOM, WIDTH, HEIGHT, CORNER)
    canvas.circle(*BORE, BORE_RADIUS)
    canvas.setStrokeColorRGB(*COLOURS["SLOT"])
    (x, y), half, r = SLOT, SLOT_LENGTH / 2 - SLOT_RADIUS, SLOT_RADIUS
    path = canvas.beginPath()
    path.moveTo(x - half, y - r)
    path.lineTo(x + half, y - r)
    path.arcTo(x + half - r, y - r, x + half + r, y + r, -90, 180)
    path.lineTo(x - half, y + r)
    path.arcTo(x - half - r, y - r, x - half + r, y + r, 90, 180)
    path.close()
    canvas.drawPath(path)
    canvas.setStrokeColorRGB(*COLOURS["MARK"])
    canvas.line(*MARK[0], *MARK[1])
    canvas.showPage()
    canvas.save()
    return stream.getvalue()


def by_matplotlib(form):
    figure = Figure(figsize=(PAGE[0] / 25.4, PAGE[1] / 25.4))
    axes = figure.add_axes((0, 0, 1, 1))
    axes.set_axis_off()
    axes.set_xlim(0, PAGE[0])
    axes.set_ylim(0, PAGE[1])
    axes.set_aspect("equal")
    plain = {"fill": False, "linewidth": 0.7}
    axes.add_patch(PathPatch(outline_of(plate_rows()), edgecolor=HEX["CUT"], **plain))
    axes.add_patch(CirclePatch(BORE, BORE_RADIUS, edgecolor=HEX["CUT"], **plain))
    axes.add_patch(PathPatch(outline_of(slot_rows()), edgecolor=HEX["SLOT"], **plain))
    axes.add_patch(PathPatch(Outline(MARK), edgecolor=HEX["MARK"], **plain))
    stream = io.BytesIO()
    figure.savefig(stream, format=form, transparent=True)
    return stream.getvalue()


def outline_of(rows):
    """An outline whose arcs are cubics of at most a quarter circle, with the usual handles."""
    points, codes = [rows[0][:2]], [Outline.MOVETO]
    for (x, y, bulge), (u, v, _) in zip(rows, [*rows[1:], rows[0]], strict=True):
        points += arc_points(x, y, u, v, bulge) if bulge else [(u, v)]
        codes += [Outline.CURVE4] * (len(points) - len(codes)) if bulge else [Outline.LINETO]
    return Outline([*points, rows[0][:2]], [*codes, Outline.CLOSEPOLY])


def arc_points(x, y, u, v, bulge):
    sweep = 4 * math.atan(bulge)
    lift = (1 - bulge * bulge) / (4 * bulge)
    cx, cy = (x + u) / 2 - (v - y) * lift, (y + v) / 2 + (u - x) * lift
    radius, first = math.hypot(x - cx, y - cy), math.atan2(y - cy, x - cx)
    count = math.ceil(abs(sweep) / (math.pi / 2) - 1e-9)
    handle = 4 / 3 * math.tan(sweep / count / 4) * radius
    for k in range(count):
        a, b = first + sweep * k / count, first + sweep * (k + 1) / count
        end = (cx + radius * math.cos(b), cy + radius * math.sin(b)) if k < count - 1 else (u, v)
        yield cx + radius * math.cos(a) - handle * math.sin(a), cy + radius * math.sin(a) + handle * math.cos(a)
        yield end[0] + handle * math.sin(b), end[1] - handle * math.cos(b)
        yield end


def by_cairo(form):
    stream = io.BytesIO()
    pt = 72 / 25.4
    surface_type = cairocffi.SVGSurface if form == "svg" else cairocffi.PDFSurface
    surface = surface_type(stream, PAGE[0] * pt, PAGE[1] * pt)
    context = cairocffi.Context(surface)
    context.scale(pt, pt)
    context.set_line_width(0.25)
    x, y, w, h, r = LEFT, flipped(BOTTOM + HEIGHT), WIDTH, HEIGHT, CORNER
    context.set_source_rgb(*COLOURS["CUT"])
    context.new_sub_path()
    for cx, cy, turn in ((x + w - r, y + r, -1), (x + w - r, y + h - r, 0), (x + r, y + h - r, 1), (x + r, y + r, 2)):
        context.arc(cx, cy, r, turn * math.pi / 2, (turn + 1) * math.pi / 2)
    context.close_path()
    context.stroke()
    context.arc(BORE[0], flipped(BORE[1]), BORE_RADIUS, 0, 2 * math.pi)
    context.close_path()
    context.stroke()
    context.set_source_rgb(*COLOURS["SLOT"])
    (sx, sy), half, sr = SLOT, SLOT_LENGTH / 2 - SLOT_RADIUS, SLOT_RADIUS
    context.new_sub_path()
    context.arc(sx + half, flipped(sy), sr, -math.pi / 2, math.pi / 2)
    context.arc(sx - half, flipped(sy), sr, math.pi / 2, 3 * math.pi / 2)
    context.close_path()
    context.stroke()
    context.set_source_rgb(*COLOURS["MARK"])
    context.move_to(MARK[0][0], flipped(MARK[0][1]))
    context.line_to(MARK[1][0], flipped(MARK[1][1]))
    context.stroke()
    surface.finish()
    return stream.getvalue()
