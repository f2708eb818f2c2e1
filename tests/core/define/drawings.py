"""A plate with dimensions as a DXF, written by ezdxf: for the pump's flange, made up."""

from __future__ import annotations

import io
import math
import random

import ezdxf
from ezdxf.math import bulge_to_arc

PLAIN = {"dimlfac": 1.0}
HEIGHT, CORNER, HUB, RING, HOLE = 80.0, 10.0, 15.0, 25.0, 3.0


def plate(width: float = 150.0, noise: float = 0.0, seed: int = 1, text: str = "<>", dimensions: bool = True) -> bytes:
    """A plate with round corners, a hub and six holes; `text` overrides the width's dimension."""
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
            space.add_line(a, b)
        else:
            centre, start, end, radius = bulge_to_arc(a, b, math.tan(math.pi / 8))
            space.add_arc(centre, radius, math.degrees(start), math.degrees(end))
    middle = (w / 2, h / 2)
    space.add_circle(off(*middle), HUB)
    for k in range(6):
        t = k * math.pi / 3
        space.add_circle(off(middle[0] + RING * math.cos(t), middle[1] + RING * math.sin(t)), HOLE)
    if dimensions:
        _dimension(space, p, w, middle, text)
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


def _dimension(space, p, w, middle, text) -> None:
    plain = {"dimstyle": "EZDXF", "override": PLAIN}
    rounded = {"dimstyle": "EZ_RADIUS", "override": PLAIN}
    made = [
        space.add_linear_dim(base=(0, -20), p1=p[7], p2=p[2], text=text, **plain),
        space.add_linear_dim(base=(-20, 0), p1=p[0], p2=p[5], angle=90, **plain),
        space.add_radius_dim(center=(w - CORNER, CORNER), radius=CORNER, angle=-45, **rounded),
        space.add_diameter_dim(center=middle, radius=HUB, angle=30, **rounded),
        space.add_linear_dim(base=(0, -30), p1=p[7], p2=middle, **plain),
        space.add_linear_dim(base=(-40, 0), p1=p[0], p2=middle, angle=90, **plain),
        space.add_aligned_dim(p1=middle, p2=(middle[0] + RING, middle[1]), distance=5, **plain),
        space.add_diameter_dim(center=(middle[0] + RING, middle[1]), radius=HOLE, angle=30, **rounded),
    ]  # fmt: skip
    for one in made:
        one.render()
