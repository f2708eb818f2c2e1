"""Reading against the libraries that a user would otherwise call, on the same files in the same run.

DXF: the first picture of 100,000 lines and arcs within half of what the DXF library takes just to read them, and the
same drawing, curve for curve, as when the library reads everything. SVG with 20,000 paths and PDF with 50,000
segments: at most 1.5 times what the library takes that reads them alone. Run it with `make bench`.
"""

from __future__ import annotations

import gc
import io
import random
import resource
import sys
import tempfile
import time
from pathlib import Path

import ezdxf
import pikepdf
import svgelements
from PyQt6.QtGui import QGuiApplication

from syntaxa.app.canvas.picture import picture_of
from syntaxa.app.theme.tokens import PAPER
from syntaxa.intake.dxf.reader import read as read_dxf
from syntaxa.intake.registry import read
from syntaxa.memory import uncollected

CURVES, PATHS, SEGMENTS = 100_000, 20_000, 50_000


def timed(work, times=1):
    """The least of some times, for whatever else the machine does can only add, and the last result."""
    best, result = float("inf"), None
    for _ in range(times):
        del result
        gc.collect()
        began = time.perf_counter()
        result = work()
        best = min(best, time.perf_counter() - began)
    return best, result


def dxf_file(path):
    """Lines and arcs in turn, on six layers."""
    document, chance = ezdxf.new("R2010"), random.Random(1)
    space = document.modelspace()
    for k in range(CURVES):
        x, y, layer = chance.uniform(0, 2000), chance.uniform(0, 2000), {"layer": f"L{k % 6}"}
        radius, first, last = chance.uniform(1, 9), chance.uniform(0, 360), chance.uniform(0, 360)
        if k % 2:
            space.add_line((x, y), (x + chance.uniform(-9, 9), y + chance.uniform(-9, 9)), dxfattribs=layer)
        else:
            space.add_arc((x, y), radius, first, last, dxfattribs=layer)
    document.saveas(path)


def svg_file():
    """Paths of straight pieces, Beziers and arcs, a few to each."""
    chance, paths = random.Random(2), []
    for k in range(PATHS):
        x, y = round(chance.uniform(0, 2000), 3), round(chance.uniform(0, 2000), 3)
        rest = ("l9 0l0 9z", "c3 0 6 3 6 6", "a5 5 0 0 1 5 5h3")[k % 3]
        paths.append(f'<path d="M{x} {y}{rest}" fill="none" stroke="#{k % 4096:03x}"/>')
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 2000 2000">{"".join(paths)}</svg>'.encode()


def pdf_file(segments=SEGMENTS):
    """Segments in runs of ten."""
    chance, parts = random.Random(3), []
    for _ in range(segments // 10):
        x, y = chance.uniform(0, 500), chance.uniform(0, 500)
        steps = " ".join(f"{x + 3 * k:.3f} {y + chance.uniform(-3, 3):.3f} l" for k in range(1, 11))
        parts.append(f"{x:.3f} {y:.3f} m {steps} S")
    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(600, 600))
    page.obj.Contents = pdf.make_stream("\n".join(parts).encode())
    stream = io.BytesIO()
    pdf.save(stream)
    return stream.getvalue()


def measure_dxf(folder):
    path = folder / "many.dxf"
    dxf_file(path)
    library, document = timed(lambda: ezdxf.readfile(path), 2)
    del document

    def first_picture():
        received = read(path.name, path.read_bytes())
        with uncollected():
            picture_of(received.drawing, 1280, 800, PAPER)
        return received

    ours, received = timed(first_picture, 2)
    with uncollected():
        slow = read_dxf(path.name, path.read_bytes(), lambda _: None, fast=False)
    same = slow.drawing == received.drawing
    good = ours <= library / 2 and same and len(received.drawing.curves) == CURVES
    print(f"DXF, {CURVES} curves: library {library:.1f} s, first picture {ours:.1f} s ({ours / library:.2f} of it, "
          f"at most 0.50); same drawing as the slow way: {'yes' if same else 'NO'}")  # fmt: skip
    return good


def measure(name, title, data, alone):
    library, _ = timed(alone, 3)
    ours, received = timed(lambda: read(name, data), 3)
    print(f"{title}: library {library:.2f} s, ours {ours:.2f} s ({ours / library:.2f} of it, at most 1.50), "
          f"{len(received.drawing.curves)} curves")  # fmt: skip
    return ours <= 1.5 * library


def main():
    application = QGuiApplication(sys.argv[:1])
    with tempfile.TemporaryDirectory() as folder:
        good = [measure_dxf(Path(folder))]
    svg, pdf = svg_file(), pdf_file()
    good.append(
        measure("many.svg", f"SVG, {PATHS} paths", svg, lambda: svgelements.SVG.parse(io.BytesIO(svg), reify=True))
    )

    def content():
        """All operators with their operands as numbers, as whoever wants the segments must ask for them."""
        with pikepdf.open(io.BytesIO(pdf)) as document:
            return [[float(o) for o in i.operands] for i in pikepdf.parse_content_stream(document.pages[0])]

    read("one.pdf", pdf_file(10))  # what has to be imported is not part of either side
    good.append(measure("many.pdf", f"PDF, {SEGMENTS} segments", pdf, content))
    print(f"peak memory {resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024:.0f} MB")
    del application
    return 0 if all(good) else 1


if __name__ == "__main__":
    sys.exit(main())
