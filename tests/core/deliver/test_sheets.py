"""Sheets: papers, scales and frames by their standards; views measured on the page and judged by other computations."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
import shapely
from paging import paths_of

from syntaxa.deliver.pages.model import Filled, Stroke, Words
from syntaxa.deliver.pages.pdf import pdf_of
from syntaxa.deliver.sheets.contents import Sources
from syntaxa.deliver.sheets.frame import framed, template_fields
from syntaxa.deliver.sheets.making import made_sheet
from syntaxa.deliver.sheets.model import Note, Sheet, Sheets, SheetView
from syntaxa.deliver.sheets.papers import SCALES, fitting_scale, paper_of, scale_of, scale_text
from syntaxa.deliver.sheets.parting import parts_of
from syntaxa.deliver.sheets.steps import DropSheets, SetSheet
from syntaxa.deliver.sheets.tables import dimension_table, hole_table, part_table
from syntaxa.drawing.annotations import Text
from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.state import Sketch, State
from syntaxa.drawing.step import QUIET
from syntaxa.errors import DeliverError, SyntaxaError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line, Polyline


def P(x, y):
    return Point(float(x), float(y))


def box(x, y, w, h):
    return Polyline((P(x, y), P(x + w, y), P(x + w, y + h), P(x, y + h)), (0.0,) * 4, True)


def state(*shapes, name="PLATE"):
    return State(sketches=(Sketch(name, 0, tuple(Curve(f"c{k}", s, "0") for k, s in enumerate(shapes))),))


# ---------------------------------------------------------------------- papers, scales, frames


@pytest.mark.parametrize(
    ("name", "size"),
    [
        ("A4", (210, 297)), ("A3", (420, 297)), ("A2", (594, 420)), ("A1", (841, 594)), ("A0", (1189, 841)),
        ("ansi-b", (431.8, 279.4)), ("ansi-e", (1117.6, 863.6)), ("arch-d", (914.4, 609.6)), ("420x297", (420, 297)),
        ("100,5 x 200", (100.5, 200)),
    ],
)  # fmt: skip
def test_papers(name, size):
    """ISO 216 and ANSI/ASME Y14.1; Arch sizes are common practice, no published source; all from memory."""
    paper = paper_of(name)
    assert (paper.width, paper.height) == pytest.approx(size)


def test_each_iso_paper_is_half_of_the_one_before():
    """ISO 216: halves of the long side, rounded down to a whole mm."""
    sizes = [sorted((p.width, p.height)) for p in map(paper_of, ("A0", "A1", "A2", "A3", "A4"))]
    for (short, long), (half_short, half_long) in itertools.pairwise(sizes):
        assert (half_short, half_long) == (math.floor(long / 2), short)


def test_scales_are_those_of_iso_5455():
    assert {scale_text(s) for s in SCALES if 0.0001 <= s <= 50} >= {
        "50:1", "20:1", "10:1", "5:1", "2:1", "1:1", "1:2", "1:5", "1:10", "1:20", "1:50", "1:100", "1:200", "1:500",
        "1:1000", "1:2000", "1:5000", "1:10000",
    }  # fmt: skip
    assert fitting_scale(0.99) == 0.5
    assert fitting_scale(0.5) == 0.5
    assert fitting_scale(7.0) == 5.0
    assert scale_of("1:2.5") == 0.4
    assert scale_of("fit") is None


@pytest.mark.parametrize("text", ["", "0x10", "A9", "1e9x2", "10x", "nan x nan", "x"])
def test_papers_that_are_none(text):
    with pytest.raises(DeliverError, match="no paper"):
        paper_of(text)


@pytest.mark.parametrize("text", ["1:0", "0", "-1", "two", "1:1e9", "nan", "1e308"])
def test_scales_that_are_none(text):
    with pytest.raises(DeliverError, match="no scale"):
        scale_of(text)


@pytest.mark.parametrize(
    ("name", "across", "up"), [("A4", 4, 6), ("A3", 8, 6), ("A2", 12, 8), ("A1", 16, 12), ("A0", 24, 16)]
)
def test_the_frame_is_as_iso_5457_has_it(name, across, up):
    """Borders of 20 mm on the left and 10 elsewhere, a frame of 0.7 mm, and so many fields (ISO 5457, from memory)."""
    paper = paper_of(name)
    made = framed(paper, "iso", {}, "first")
    assert made.room == (20.0, 10.0, paper.width - 10.0, paper.height - 10.0)
    heavy = [m for m in made.marks if isinstance(m, Stroke) and m.pen.weight == 0.7 and m.layer == "frame"]
    rings = [m.shape for m in heavy if isinstance(m.shape, Polyline) and m.shape.closed]
    assert any(sorted({p.x for p in r.vertices}) == [20.0, paper.width - 10.0] for r in rings)
    words = [m.text for m in made.marks if isinstance(m, Words)]
    numerals, letters = ({w for w in words if w.isdigit()}, {w for w in words if len(w) == 1 and w.isupper()})
    assert len(numerals) == across
    assert len(letters) == up
    assert not letters & {"I", "O"}


def test_fields_are_filled_and_what_is_too_long_is_written_smaller():
    paper = paper_of("A3")
    names = template_fields("iso")
    assert {"title", "drawn", "scale", "material", "revision"} <= set(names)
    long = "A very long title of a part of the solar water pump of the hillside orchard"
    made = framed(paper, "iso", {"title": long, "drawn": "T. K."}, "third")
    words = {m.text: m for m in made.marks if isinstance(m, Words)}
    assert words["T. K."].height == pytest.approx(3.5, rel=1e-3)
    assert words[long].height < 3.0
    assert words[long].start.x + words[long].width < made.block[2]
    assert not any("{" in w for w in words)


def test_a_frame_of_ones_own_and_frames_that_cannot_be(tmp_path):
    own = tmp_path / "block.svg"
    own.write_text(
        '<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="20mm" viewBox="0 0 90 20">'
        '<rect x="0" y="0" width="90" height="20" fill="none" stroke="#000" stroke-width="0.5"/>'
        '<text x="2" y="12" font-size="5" data-width="80">{client} / {title}</text></svg>'
    )
    assert template_fields(str(own)) == ["client", "title"]
    made = framed(paper_of("A4"), str(own), {"client": "Orchard", "title": "Pump"}, "first")
    assert made.block == pytest.approx((110.0, 10.0, 200.0, 30.0))
    assert "Orchard / Pump" in [m.text for m in made.marks if isinstance(m, Words)]
    for text, why in (("", "no SVG"), ("<svg", "no SVG"), ("<svg xmlns='http://www.w3.org/2000/svg'/>", "in mm")):
        own.write_text(text)
        with pytest.raises(DeliverError, match=why):
            framed(paper_of("A4"), str(own), {}, "first")
    own.write_text('<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="20mm" viewBox="0 0 900 20"/>')
    with pytest.raises(SyntaxaError):
        framed(paper_of("A4"), str(own), {}, "first")
    with pytest.raises(DeliverError, match="cannot be read"):
        framed(paper_of("A4"), str(tmp_path / "none.svg"), {}, "first")


# ---------------------------------------------------------------------- measured on the page


def test_100_mm_at_1_to_2_are_50_mm_on_the_page():
    made = made_sheet(
        Sheet(paper="A4", scale="1:2", frame="none"), state(Line(P(0, 0), P(100, 0)), box(0, 10, 100, 30))
    )
    lengths = sorted(np.hypot(*np.diff(p, axis=0).T).sum() for p in paths_of(pdf_of([made.leaf])))
    assert lengths[0] == pytest.approx(50.0, abs=1e-3)
    assert lengths[-1] == pytest.approx(130.0, abs=1e-3)


@pytest.mark.parametrize("paper", ["A4", "A3", "A0", "ansi-b", "300x200"])
@pytest.mark.parametrize("size", [(3.0, 2.0), (150.0, 90.0), (2000.0, 120.0), (40.0, 5000.0)])
def test_what_is_fitted_has_room_and_the_next_scale_would_have_none(paper, size):
    part = state(box(0, 0, *size), Circle(P(size[0] / 2, size[1] / 2), min(size) / 4))
    made = made_sheet(Sheet(paper=paper), part)
    assert made.scale in SCALES
    assert not made.outside
    ((_, found),) = made.boxes
    assert (found[2] - found[0], found[3] - found[1]) == pytest.approx([s * made.scale for s in size])
    frame = framed(paper_of(paper), "iso", {}, "first")
    assert not _overlap(found, frame.block)
    larger = min(s for s in SCALES if s > made.scale)
    room = frame.room
    high = room[3] - frame.block[3] if size[0] * larger > frame.block[0] - room[0] else room[3] - room[1]
    assert size[0] * larger + 2 * 14 > room[2] - room[0] - 1e-9 or size[1] * larger + 2 * 14 + 9 > high - 1e-9


def _overlap(a, b):
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]


def test_views_that_are_placed_stay_and_are_told_where_they_leave_the_frame():
    sheet = Sheet(
        scale="1:1", views=(SheetView("profiles", place=(120.0, 150.0)), SheetView("profiles", place=(415.0, 150.0)))
    )
    made = made_sheet(sheet, state(box(0, 0, 60, 40)))
    assert made.boxes[0][1] == pytest.approx((90.0, 130.0, 150.0, 170.0))
    assert made.outside == ("profiles",)
    assert "Beyond the frame" in made.told()[0]


def test_a_view_may_have_a_scale_of_its_own_and_then_says_it():
    sheet = Sheet(scale="1:1", views=(SheetView("profiles"), SheetView("profiles", scale="2:1")))
    made = made_sheet(sheet, state(box(0, 0, 60, 40)))
    widths = [b[2] - b[0] for _, b in made.boxes]
    assert widths == pytest.approx([60.0, 120.0])
    assert any("(2:1)" in m.text for m in made.leaf.marks if isinstance(m, Words))


def test_notes_stand_where_they_were_put_and_point():
    sheet = Sheet(notes=(Note("break edges\nall round", (100.0, 60.0), (80.0, 80.0)),))
    made = made_sheet(sheet, state(box(0, 0, 60, 40)))
    words = [m for m in made.leaf.marks if isinstance(m, Words) and m.layer == "notes"]
    assert [(w.text, w.place.y) for w in words] == [("break edges", 60.0), ("all round", 54.0)]
    heads = [m for m in made.leaf.marks if isinstance(m, Filled) and m.layer == "dimensions"]
    assert any(abs(h.loops[0].vertices[0].x - 80) < 1e-9 for h in heads)


def test_what_is_not_there_is_said_in_a_sentence():
    for view, why in (("front", "no body"), ("profiles:NONE", "no sketch"), ("received", "Nothing was received")):
        with pytest.raises(DeliverError, match=why):
            made_sheet(Sheet(views=(SheetView(view),)), state(box(0, 0, 10, 10)))
    with pytest.raises(DeliverError, match="no profile"):
        made_sheet(Sheet(), State())
    with pytest.raises(DeliverError, match="no view"):
        SetSheet(Sheet(views=(SheetView("sideways"),))).apply(State())
    with pytest.raises(DeliverError, match="a name"):
        SetSheet(Sheet(name=" ")).apply(State())


def test_sheets_are_put_in_changed_and_taken_out():
    after, _ = SetSheet(Sheet("A")).apply(State())
    after, _ = SetSheet(Sheet("B", "A4")).apply(after)
    after, _ = SetSheet(Sheet("A", "A1")).apply(after)
    assert [(s.name, s.paper) for s in after.part(Sheets).sheets] == [("A", "A1"), ("B", "A4")]
    after, entry = DropSheets(("A", "C")).apply(after)
    assert [s.name for s in after.part(Sheets).sheets] == ["B"]
    assert entry.missing == ("C",)


# ---------------------------------------------------------------------- parts, tables


def test_parts_that_lie_apart_are_found_with_what_is_written_at_them():
    curves = [Curve(f"{k}", s, "0") for k, s in enumerate([
        *(box(150 * n, 0, 100, 60) for n in range(4)), *(Circle(P(150 * n + 50, 30), 10) for n in range(4)),
        Line(P(20, 60), P(20, 80)),
    ])]  # fmt: skip
    texts = [Text(f"t{n}", "0", P(150 * n + 20, -8), f"Part {n}", 5.0) for n in range(4)]
    parts = parts_of(Drawing(tuple(curves), annotations=tuple(texts)))
    assert [len(p.curves) for p in parts] == [3, 2, 2, 2]
    assert [[a.text for a in p.annotations] for p in parts] == [[f"Part {n}"] for n in range(4)]


def test_the_table_of_holes_has_each_of_them_and_the_sheet_their_numbers():
    part = state(box(0, 0, 100, 60), *(Circle(P(x, y), r) for x, y, r in ((80, 30, 4), (20, 10, 2.5), (20, 50, 2.5))))
    table = hole_table(part)
    assert [row[:4] for row in table.rows] == [
        ("1", "20", "10", "5"), ("2", "20", "50", "5"), ("3", "80", "30", "8")
    ]  # fmt: skip
    assert table.csv().decode().splitlines()[0] == '"No.","x, mm","y, mm","Ø, mm",Sketch'.replace('"No."', "No.")
    made = made_sheet(Sheet(holes=True), part)
    words = [m.text for m in made.leaf.marks if isinstance(m, Words) and m.layer == "tables"]
    assert sum(w == "3" for w in words) == 2  # in the table, and beside its hole
    ((_, view),) = made.boxes
    assert view[2] < 410 - table.width
    assert not dimension_table(part).rows
    assert not part_table(part).rows


# ---------------------------------------------------------------------- views of bodies


def solid_state(seed):
    """A part of some steps and holes, made up."""
    from syntaxa.form.part import Formed
    from syntaxa.form.raising import RaiseRegions

    rng = np.random.default_rng(seed)
    made = State(sketches=(
        Sketch("BASE", 0, (Curve("b", box(0, 0, 80, 50), "0"), Curve("h", Circle(P(20, 25), rng.uniform(5, 12)), "0"))),
        Sketch("TOP", 0, (Curve("t", box(40, rng.uniform(0, 10), 30, rng.uniform(15, 30)), "0"),)),
    ))  # fmt: skip
    made, _ = RaiseRegions("Raise 1", "BASE", high="10").apply(made, QUIET)
    made, _ = RaiseRegions("Raise 2", "TOP", high=f"{rng.uniform(14, 40):.3f}").apply(made, QUIET)
    assert len(made.part(Formed).bodies) == 2
    return made


def mesh_of_all(made):
    """Triangles of all bodies: (n, 3, 3)."""
    from syntaxa.form.asking import asked
    from syntaxa.form.part import Formed

    solids = tuple(b.solid for b in made.part(Formed).bodies)
    meshes = asked(QUIET, "meshes", solids, 0.002, 0.05, about="test")
    return np.concatenate([m.points[m.triangles] for m in meshes])


#: From the thing to the eye, to the right, and up, of each view.
EYES = {
    "front": ((0, -1, 0), (1, 0, 0), (0, 0, 1)), "back": ((0, 1, 0), (-1, 0, 0), (0, 0, 1)),
    "top": ((0, 0, 1), (1, 0, 0), (0, 1, 0)), "bottom": ((0, 0, -1), (1, 0, 0), (0, -1, 0)),
    "right": ((1, 0, 0), (0, 1, 0), (0, 0, 1)), "left": ((-1, 0, 0), (0, -1, 0), (0, 0, 1)),
    "isometric": ((1, -1, 1), (1, 1, 0), (-1, 1, 2)),
}  # fmt: skip


def cross(a, b):
    return a[..., 0] * b[..., 1] - a[..., 1] * b[..., 0]


def seen_from(view):
    return [np.array(v, dtype=float) / np.linalg.norm(v) for v in EYES[view]]


@pytest.mark.parametrize("seed", range(3))
def test_silhouettes_are_as_large_as_the_shadow_of_the_triangles(seed):
    made = solid_state(seed)
    triangles = mesh_of_all(made)
    sources = Sources(made, QUIET)
    for view in EYES:
        content = sources.content(SheetView(view))
        lines = [shapely.LineString(m.shape.flattened(0.002)) for m in content.marks]
        snapped = shapely.set_precision(shapely.union_all(lines), 1e-4)
        drawn = shapely.union_all(list(shapely.polygonize(list(shapely.get_parts(shapely.node(snapped)))).geoms))
        _, right, up = seen_from(view)
        flat = np.stack([triangles @ right, triangles @ up], axis=2)
        area = np.abs(cross(flat[:, 1] - flat[:, 0], flat[:, 2] - flat[:, 0]))
        shadow = shapely.union_all(shapely.polygons(flat[area > 1e-9]), grid_size=1e-6)
        # What is looked through is not filled: holes of the shadow are holes of the drawing.
        outer = shapely.union_all([shapely.Polygon(p.exterior) for p in shapely.get_parts(drawn)])
        wanted = shapely.union_all([shapely.Polygon(p.exterior) for p in shapely.get_parts(shadow)])
        assert outer.area == pytest.approx(wanted.area, rel=2e-4), view
        assert shapely.box(*outer.bounds).symmetric_difference(shapely.box(*wanted.bounds)).area < 0.5


@pytest.mark.parametrize("seed", range(12))
def test_what_is_drawn_as_hidden_is_hidden_and_what_is_seen_is_seen(seed):
    """By casting a ray from each line's middle to the eye through all triangles (Möller and Trumbore)."""
    made = solid_state(seed)
    triangles = mesh_of_all(made)
    sources = Sources(made, QUIET)
    for view in ("front", "top", "right", "isometric"):
        eye, right, up = seen_from(view)
        for mark in sources.content(SheetView(view)).marks:
            run = mark.shape.flattened(0.01)
            middle = run[len(run) // 2] if len(run) > 2 else run.mean(axis=0)
            nearest = _nearest_hit(triangles, middle, eye, right, up)
            depth = _depth_of_edges(triangles, middle, eye, right, up)
            if depth is None:
                continue
            if mark.layer == "visible":
                assert depth >= nearest - 0.05, (view, middle)
            else:
                assert depth <= nearest + 0.05, (view, middle)


def _nearest_hit(triangles, at, eye, right, up):
    """How far towards the eye the foremost triangle is just beside a place of the view; -inf for none."""
    best = -math.inf
    for dx, dy in ((0.02, 0.0), (-0.02, 0.0), (0.0, 0.02), (0.0, -0.02)):
        hits = _hits(triangles, at + np.array([dx, dy]), eye, right, up)
        # A line is hidden only where something lies before it on every side.
        best = hits.max() if best == -math.inf and len(hits) else min(best, hits.max() if len(hits) else -math.inf)
    return best


def _hits(triangles, at, eye, right, up):
    flat = np.stack([triangles @ right, triangles @ up], axis=2)
    a, b, c = flat[:, 0], flat[:, 1] - flat[:, 0], flat[:, 2] - flat[:, 0]
    det = cross(b, c)
    ok = np.abs(det) > 1e-12
    p = at - a[ok]
    u, v = cross(p, c[ok]) / det[ok], cross(b[ok], p) / det[ok]
    inside = (u >= 0) & (v >= 0) & (u + v <= 1)
    depth = triangles[ok] @ eye
    d = depth[inside]
    return d[:, 0] + u[inside] * (d[:, 1] - d[:, 0]) + v[inside] * (d[:, 2] - d[:, 0])


def _depth_of_edges(triangles, at, eye, right, up):
    """How far towards the eye the foremost edge of a triangle is that passes a place of the view; None for none."""
    best = None
    for k in range(3):
        p, q = triangles[:, k], triangles[:, (k + 1) % 3]
        a, b = (np.stack([e @ right, e @ up], axis=1) for e in (p, q))
        step = b - a
        square = (step**2).sum(axis=1)
        share = np.clip(((at - a) * step).sum(axis=1) / np.maximum(square, 1e-12), 0, 1)
        near = np.hypot(*(a + share[:, None] * step - at).T) < 0.01
        depth = (p + share[:, None] * (q - p)) @ eye
        if near.any():
            best = depth[near].max() if best is None else max(best, depth[near].max())
    return best


@pytest.mark.parametrize(("method", "right_of", "below"), [("first", False, True), ("third", True, False)])
def test_views_lie_as_the_method_says_and_in_line(method, right_of, below):
    """ISO 5456-2: in the first angle the view from the right stands on the left, that from above below."""
    sheet = Sheet(method=method, views=tuple(SheetView(v) for v in ("front", "top", "right")))
    boxes = dict(made_sheet(sheet, solid_state(1)).boxes)
    front, top, right = boxes["front"], boxes["top"], boxes["right"]
    assert (right[0] > front[2]) == right_of
    assert (top[3] < front[1]) == below
    assert (front[0] + front[2]) / 2 == pytest.approx((top[0] + top[2]) / 2)
    assert (front[1] + front[3]) / 2 == pytest.approx((right[1] + right[3]) / 2)
    assert front[2] - front[0] == pytest.approx(top[2] - top[0], rel=1e-9)


def test_no_text_of_a_dimension_lies_on_a_line_or_on_another_text():
    """The demo's flange with all its dimensions, at several scales, as a profile and as the body raised of it."""
    from syntaxa.define.steps import BindDimensions, ReadOff
    from syntaxa.demo.flange import flange_dxf
    from syntaxa.form.raising import RaiseRegions
    from syntaxa.job.evaluate import Evaluator
    from syntaxa.job.model import Job, Source

    job = Job.of(Source.of("flange.dxf", flange_dxf())).with_step(ReadOff()).with_step(BindDimensions())
    made = Evaluator().evaluate(job).state
    raised, _ = RaiseRegions("Raise 1", made.profiles()[0].name, high="12").apply(made, QUIET)
    for at, view in ((made, "profiles"), (raised, "top")):
        for scale in ("2:1", "1:1", "1:2"):
            page = made_sheet(Sheet(paper="A2", scale=scale, frame="none", views=(SheetView(view),)), at)
            assert page.dimensions >= 7
            if scale != "1:2":
                assert not page.crowded
            texts = [m for m in page.leaf.marks if isinstance(m, Words) and m.layer == "dimensions"]
            frames = [shapely.box(*_frame(t)) if abs(math.sin(2 * t.angle)) < 1e-6 else None for t in texts]
            level = [f for f in frames if f is not None]
            assert not any(a.intersects(b) for a, b in itertools.combinations(level, 2))
            drawn = [
                m.shape
                for m in page.leaf.marks
                if isinstance(m, Stroke) and m.layer not in ("dimensions", "centre-lines")
            ]
            for shape in drawn:
                run = shapely.LineString(shape.flattened(0.05))
                assert not any(run.intersects(f) for f in level) or page.crowded


def _frame(words):
    """The box of a level or upright text."""
    start = words.start
    if abs(math.sin(words.angle)) < 1e-6:
        return start.x, start.y, start.x + words.width, start.y + words.height
    up = math.copysign(1.0, math.sin(words.angle))
    xs = sorted((start.x, start.x - up * words.height))
    ys = sorted((start.y, start.y + up * words.width))
    return xs[0], ys[0], xs[1], ys[1]


def test_the_radius_of_a_corner_is_written_where_the_corner_is():
    from syntaxa.define.spans import Roundly

    corner = Roundly(P(0, 0), 5.0, across=False, start=math.radians(270), sweep=math.pi / 2)
    assert corner.has(math.radians(300))
    assert not corner.has(math.radians(100))
    assert Roundly(P(0, 0), 5.0, across=False, start=0.0, sweep=-1.0).has(-0.5)
    assert Roundly(P(0, 0), 5.0, across=True).has(2.0)


# ---------------------------------------------------------------------- sections


def drilled(r=8.0):
    """A block of 80 x 50 x 20 with a hole of a radius through its middle."""
    from syntaxa.form.raising import RaiseRegions

    made = state(box(0, 0, 80, 50), Circle(P(40, 25), r), name="BLOCK")
    return RaiseRegions("Raise 1", "BLOCK", high="20").apply(made, QUIET)[0]


@pytest.mark.parametrize(
    ("shows", "area"),
    [
        ("section:front:25", (80 - 16) * 20), ("section:front:10", 80 * 20), ("section:right:40", (50 - 16) * 20),
        ("section:top:5", 80 * 50 - math.pi * 64), ("section:back:25", (80 - 16) * 20), ("section:left:60", 50 * 20),
    ],
)  # fmt: skip
def test_what_is_hatched_is_what_was_cut(shows, area):
    content = Sources(drilled(), QUIET).content(SheetView(shows, hidden=False))
    assert content.cut.area == pytest.approx(area, rel=1e-4)
    hatching = [m for m in made_sheet(Sheet(scale="1:1", views=(SheetView(shows, hidden=False),)), drilled()).leaf.marks
                if isinstance(m, Stroke) and m.layer == "hatching"]  # fmt: skip
    # Lines at 45 degrees, 2.5 mm apart along the level: so much of them lies on an area.
    assert sum(m.shape.length for m in hatching) == pytest.approx(area * math.sqrt(2) / 2.5, rel=0.06)
    assert all(
        abs(abs(m.shape.end.x - m.shape.start.x) - abs(m.shape.end.y - m.shape.start.y)) < 1e-6 for m in hatching
    )


def test_what_lies_before_the_plane_is_gone_and_its_place_is_marked_in_the_other_views():
    views = (SheetView("front"), SheetView("top"), SheetView("section:front:10", hidden=False))
    made = made_sheet(Sheet(scale="1:1", views=views), drilled())
    boxes = dict(made.boxes)
    words = [m for m in made.leaf.marks if isinstance(m, Words)]
    assert "A-A" in [w.text for w in words if w.layer == "titles"]
    letters = [w for w in words if w.layer == "sections"]
    assert [w.text for w in letters] == ["A", "A"]  # in the view from above, and not in that from the front
    top = boxes["top"]
    # From above the plane lies 10 mm up; who looks from the front looks upwards there.
    lines = [m.shape for m in made.leaf.marks if isinstance(m, Stroke) and m.layer == "sections" and m.pen.dashes]
    assert len(lines) == 1
    assert lines[0].start.y == pytest.approx(top[1] + 10.0)
    assert all(w.place.y > lines[0].start.y for w in letters)
    section = Sources(drilled(), QUIET).content(views[2])
    assert section.box[2] - section.box[0] == pytest.approx(80.0)


@pytest.mark.parametrize(
    ("shows", "why"),
    [
        ("section:front:nan", "no section"), ("section:iso:3", "no section"), ("section:front:1e300", "no section"),
        ("section:front", "no section"), ("section", "no section"), ("sideways", "no view"),
    ],
)  # fmt: skip
def test_sections_that_cannot_be(shows, why):
    with pytest.raises(DeliverError, match=why):
        SetSheet(Sheet(views=(SheetView(shows),))).apply(State())


def test_a_plane_beside_all_bodies_is_told():
    with pytest.raises(SyntaxaError, match="beside all bodies"):
        made_sheet(Sheet(views=(SheetView("section:front:500"),)), drilled())
