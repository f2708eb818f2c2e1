"""Makes the DWG of the demo drawings: the plate of the tank's valve, made up, in mm. Run once; the file is kept."""

from __future__ import annotations

import math
from pathlib import Path

import ezdwg

QUARTER = math.tan(math.pi / 8)


def main() -> None:
    """Writes the file among the demo's data."""
    document = ezdwg.new()
    document.header["insunits"] = 4
    for name, colour in (("PLATE", 4), ("BORES", 1), ("CENTRE", 8), ("TEXT", 3)):
        document.layers[name] = {"color_index": colour}
    space = document.modelspace()
    w, h, r = 140.0, 90.0, 12.0
    corners = [(r, 0, 0), (w - r, 0, QUARTER), (w, r, 0), (w, h - r, QUARTER), (w - r, h, 0), (r, h, QUARTER),
               (0, h - r, 0), (0, r, QUARTER)]  # fmt: skip
    space.add_lwpolyline([c[:2] for c in corners], bulges=[c[2] for c in corners], closed=True, layer="PLATE")
    space.add_circle((w / 2, h / 2), 24, layer="BORES")
    for k in range(8):
        turn = math.pi / 4 * k
        space.add_circle((w / 2 + 34 * math.cos(turn), h / 2 + 34 * math.sin(turn)), 3.3, layer="BORES")
    for x in (r, w - r):
        for y in (r, h - r):
            space.add_circle((x, y), 4.5, layer="BORES")
    space.add_line((w / 2, -8), (w / 2, h + 8), layer="CENTRE")
    space.add_line((-8, h / 2), (w + 8, h / 2), layer="CENTRE")
    space.add_arc((w / 2, h / 2), 41, 200, 340, layer="PLATE")
    space.add_text("VALVE PLATE, TANK OUTLET", (0, -18), 5, layer="TEXT")
    space.add_linear_dim((0, h + 16), (0, h), (w, h), layer="TEXT")
    document.save(Path(__file__).parents[1] / "src/syntaxa/demo/data/valve-plate.dwg")


if __name__ == "__main__":
    main()
