"""The flange of the pump, with dimensions: drawn a little too narrow, and each line a hair off, as received ones are.

In three formats: a DXF with real dimensions, an SVG in mm, and a PDF in points. Made up, the same bytes each time.
"""

from __future__ import annotations

import io
import math
import random
from typing import Any

import ezdxf
import pikepdf
from ezdxf.math import bulge_to_arc

from syntaxa.demo.drawing import stable_bytes

#: mm; the width that the dimension writes, and the one that is drawn.
WRITTEN, WIDTH = 150.0, 148.97

#: mm; the rest of the flange.
HEIGHT, CORNER, HUB, RING, HOLE = 80.0, 10.0, 15.0, 25.0, 3.0

_POINT = 72 / 25.4
#: A cubic's handles for a quarter circle, as a share of the radius.
_HANDLE = 4 / 3 * math.tan(math.pi / 8)


def flange_dxf(
    width: float = WIDTH, noise: float = 0.005, text: str = f"{WRITTEN:g}", seed: int = 1, layer: str = "FLANGE"
) -> bytes:
    """As a DXF in mm; `text` overrides what the dimension of the width shows, `<>` shows what is measured."""
    dice = random.Random(seed)

    def off(x: float, y: float) -> tuple[float, float]:
        return x + dice.gauss(0, noise), y + dice.gauss(0, noise)

    document = ezdxf.new("R2010", setup=True)
    document.units = 4
    space = document.modelspace()
    w, h, r = width, HEIGHT, CORNER
    corners = [(r, 0), (w - r, 0), (w, r), (w, h - r), (w - r, h), (r, h), (0, h - r), (0, r)]
    p = [off(*xy) for xy in corners]
    for k in range(8):
        a, b = p[k], p[(k + 1) % 8]
        if k % 2 == 0:
            space.add_line(a, b, {"layer": layer})
        else:
            centre, start, end, radius = bulge_to_arc(a, b, math.tan(math.pi / 8))
            space.add_arc(centre, radius, math.degrees(start), math.degrees(end), dxfattribs={"layer": layer})
    for x, y, radius in circles(width):
        space.add_circle(off(x, y), radius, {"layer": layer})
    _dimension(space, p, w, text)
    return stable_bytes(document)


def circles(width: float) -> list[tuple[float, float, float]]:
    """The hub and the six holes round it: centre and radius (mm)."""
    x, y = width / 2, HEIGHT / 2
    ring = [(x + RING * math.cos(k * math.pi / 3), y + RING * math.sin(k * math.pi / 3), HOLE) for k in range(6)]
    return [(x, y, HUB), *ring]


def _dimension(space: ezdxf.layouts.Modelspace, p: list[tuple[float, float]], w: float, text: str) -> None:
    look = {"layer": "DIMENSIONS"}
    size = {"dimlfac": 1.0, "dimtxt": 3.5, "dimasz": 3.0, "dimtsz": 0.0, "dimgap": 1.0, "dimexe": 2.0, "dimexo": 1.0}
    plain: dict[str, Any] = {"dimstyle": "EZDXF", "override": size, "dxfattribs": look}
    rounded: dict[str, Any] = {"dimstyle": "EZ_RADIUS", "override": size, "dxfattribs": look}
    middle = (w / 2, HEIGHT / 2)
    made = [
        space.add_linear_dim(base=(0, -20), p1=p[7], p2=p[2], text=text, **plain),
        space.add_linear_dim(base=(-20, 0), p1=p[0], p2=p[5], angle=90, **plain),
        space.add_radius_dim(center=(w - CORNER, CORNER), radius=CORNER, angle=-45, **rounded),
        space.add_diameter_dim(center=middle, radius=HUB, angle=30, **rounded),
        space.add_linear_dim(base=(0, -30), p1=p[7], p2=middle, **plain),
        space.add_linear_dim(base=(-40, 0), p1=p[0], p2=middle, angle=90, **plain),
        space.add_aligned_dim(p1=middle, p2=(middle[0] + RING, middle[1]), distance=5, **plain),
        space.add_diameter_dim(center=(middle[0] + RING, middle[1]), radius=HOLE, angle=30, **rounded),
    ]
    for one in made:
        one.render()


def flange_svg(width: float = WIDTH) -> bytes:
    """As an SVG in mm, without dimensions: the format has none."""
    w, h, r = width, HEIGHT, CORNER
    arc = f"A{r} {r} 0 0 1"
    outline = f"M{r} 0H{w - r}{arc} {w} {r}V{h - r}{arc} {w - r} {h}H{r}{arc} 0 {h - r}V{r}{arc} {r} 0Z"
    holes = "".join(f'<circle cx="{x!r}" cy="{y!r}" r="{q}"/>' for x, y, q in circles(width))
    head = f'<svg xmlns="http://www.w3.org/2000/svg" width="{w}mm" height="{h}mm" viewBox="0 0 {w} {h}" '
    return f'{head}fill="none" stroke="#000"><path d="{outline}"/>{holes}</svg>'.encode()


def flange_pdf(width: float = WIDTH) -> bytes:
    """As a PDF in points, without dimensions; what is round is drawn as Beziers."""
    w, h, r, k = width, HEIGHT, CORNER, CORNER * (1 - _HANDLE)
    outline = (
        f"{r} 0 m {w - r} 0 l {w - k} 0 {w} {k} {w} {r} c {w} {h - r} l {w} {h - k} {w - k} {h} {w - r} {h} c "
        f"{r} {h} l {k} {h} 0 {h - k} 0 {h - r} c 0 {r} l 0 {k} {k} 0 {r} 0 c h S"
    )
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(297 * _POINT, 210 * _POINT))
    head = f"{_POINT:.8f} 0 0 {_POINT:.8f} {40 * _POINT:.6f} {40 * _POINT:.6f} cm 0.25 w"
    body = [head, outline, *(circle_in_pdf(x, y, q) for x, y, q in circles(width))]
    page.obj.Contents = pdf.make_stream("\n".join(body).encode())
    stream = io.BytesIO()
    pdf.save(stream, deterministic_id=True, min_version="1.5")
    return stream.getvalue()


def circle_in_pdf(x: float, y: float, r: float) -> str:
    """A circle of four cubics, as a stroked path of a page."""
    k = _HANDLE * r
    return (
        f"{x + r:.4f} {y:.4f} m {x + r:.4f} {y + k:.4f} {x + k:.4f} {y + r:.4f} {x:.4f} {y + r:.4f} c "
        f"{x - k:.4f} {y + r:.4f} {x - r:.4f} {y + k:.4f} {x - r:.4f} {y:.4f} c "
        f"{x - r:.4f} {y - k:.4f} {x - k:.4f} {y - r:.4f} {x:.4f} {y - r:.4f} c "
        f"{x + k:.4f} {y - r:.4f} {x + r:.4f} {y - k:.4f} {x + r:.4f} {y:.4f} c h S"
    )
