"""Dimensions drawn on sheets, details, parts of drawings and lists: small cases with known answers."""

from __future__ import annotations

import io
import math
import random
from dataclasses import replace

import ezdxf
import ezdxf.recover
import pypdfium2
import pypdfium2.raw as raw
import pytest
import shapely
from specimens import dxf_of

from syntaxa.define.spans import Straightly
from syntaxa.deliver.pages.model import Picture, Stroke, Words
from syntaxa.deliver.pages.pdf import pdf_of
from syntaxa.deliver.sheets.contents import Sources
from syntaxa.deliver.sheets.cut_list import part_list
from syntaxa.deliver.sheets.holes import holes_of
from syntaxa.deliver.sheets.making import made_sheet
from syntaxa.deliver.sheets.measuring import Measurable, dimension_at, dimensioned, meanings
from syntaxa.deliver.sheets.model import Sheet, SheetDimension, Sheets, SheetView
from syntaxa.deliver.sheets.steps import SetSheet, SheetEachPart
from syntaxa.deliver.sheets.tables import change_table
from syntaxa.deliver.sheets.writing import left_out, page_bytes
from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.state import Sketch, State
from syntaxa.drawing.step import QUIET
from syntaxa.errors import DeliverError, GoneError
from syntaxa.form.part import Formed
from syntaxa.form.raising import RaiseRegions
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Arc, Circle, Line, Polyline
from syntaxa.geometry.transform import Transform
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source


def P(x, y):
    return Point(float(x), float(y))


def box(x, y, w, h):
    return Polyline((P(x, y), P(x + w, y), P(x + w, y + h), P(x, y + h)), (0.0,) * 4, True)


def curves_of(*shapes):
    return tuple(Curve(f"c{k}", s, "0") for k, s in enumerate(shapes))


def state(*shapes, name="PLATE"):
    return State(sketches=(Sketch(name, 0, curves_of(*shapes)),))


def drawn(curves, places, meaning, text_at):
    """What a dimension of the things at some places says, and what it spans."""
    can = Measurable(curves)
    picks = [can.thing_at(P(*p), 0.5) for p in places]
    assert None not in picks
    made = dimension_at(can.model, picks, meaning, P(*text_at))
    assert made is not None
    return dimensioned(curves, made, "d", 7.5)


PLATE = curves_of(
    box(0, 0, 80, 50), Circle(P(20, 20), 6), Circle(P(60, 20), 4), Line(P(100, 0), P(130, 40)),
    Arc(P(100, 60), 10.0, 0.0, math.pi / 2),
)  # fmt: skip


@pytest.mark.parametrize(
    ("places", "meaning", "text_at", "says"),
    [
        ([(40, 0)], "length", (40, -10), "80"),
        ([(115, 20)], "length", (128, 30), "50"),
        ([(115, 20)], "length", (115, -10), "30"),  # across, as the text stands below
        ([(115, 20)], "length", (150, 20), "40"),
        ([(26, 20)], "diameter", (30, 30), "Ø12"),
        ([(26, 20)], "radius", (30, 30), "R6"),
        ([(100 + 10 * math.cos(0.6), 60 + 10 * math.sin(0.6))], "radius", (120, 80), "R10"),
        ([(40, 0), (40, 50)], "distance", (90, 25), "50"),
        ([(0, 0), (80, 50)], "distance", (40, 80), "80"),
        ([(20, 20), (60, 20)], "distance", (40, -5), "40"),
        ([(26, 20), (64, 20)], "smallest", (40, -5), "30"),  # 40 apart, less both radii
        ([(80, 25), (64, 20)], "smallest", (70, 60), "16"),
        ([(40, 0), (115, 20)], "angle", (110, 5), "53.1°"),
    ],
)  # fmt: skip
def test_one_dimension(places, meaning, text_at, says):
    (one,) = drawn(PLATE, places, meaning, text_at)
    assert one.text == says


def test_what_picks_mean():
    can = Measurable(PLATE)

    def of(*places):
        return meanings(can.model, [can.thing_at(P(*p), 0.5) for p in places])

    assert of((40, 0)) == ("length",)
    assert of((26, 20)) == ("diameter", "radius")
    assert of((0, 0)) == ()
    assert of((40, 0), (40, 50)) == ("distance", "smallest")
    assert of((40, 0), (115, 20)) == ("angle", "smallest")
    assert of((26, 20), (64, 20)) == ("distance", "smallest", "base lines", "coordinates")
    assert of((0, 0), (26, 20), (64, 20)) == ("chain", "base lines", "coordinates")
    assert of((0, 0), (40, 0), (64, 20)) == ()  # a line is no point


def test_chains_and_base_lines_and_coordinates():
    places = [(0, 0), (64, 20), (26, 20), (80, 50)]
    chain = drawn(PLATE, places, "chain", (40, -15))
    assert [d.text for d in chain] == ["20", "40", "20"]
    assert {round(d.place.y, 9) for d in chain} == {-15.0}  # in one row
    base = drawn(PLATE, places, "base lines", (40, -15))
    assert [d.text for d in base] == ["20", "60", "80"]
    assert [round(d.place.y, 9) for d in base] == [-15.0, -22.5, -30.0]  # each a row farther out
    up = drawn(PLATE, places, "base lines", (-15, 25))
    assert [d.text for d in up] == ["20", "20", "50"]
    at = drawn(PLATE, places, "coordinates", (0, 0))
    assert [d.text for d in at] == ["x 0 y 0", "x 60 y 20", "x 20 y 20", "x 80 y 50"]


def test_the_smallest_distance_agrees_with_another_computation():
    """Against shapely on fine facets, for made-up pairs."""
    random.seed(4)
    for _ in range(60):

        def shape():
            x, y = random.uniform(0, 100), random.uniform(0, 100)
            return random.choice([
                Circle(P(x, y), random.uniform(1, 8)), Line(P(x, y), P(x + random.uniform(2, 9), y + 3)),
                Arc(P(x, y), random.uniform(1, 8), random.uniform(0, 6), random.uniform(0.5, 5)),
            ])  # fmt: skip

        a, b = shape(), shape()
        expected = shapely.LineString(a.flattened(1e-6)).distance(shapely.LineString(b.flattened(1e-6)))
        if expected < 0.05:
            continue
        curves = curves_of(a, b)
        names = [p.name for p in Measurable(curves).model.pieces]
        (one,) = dimensioned(curves, SheetDimension("smallest", tuple(names)), "d", 1.0)
        assert isinstance(one.span, Straightly)
        assert one.span.a.distance_to(one.span.b) == pytest.approx(expected, abs=3e-6)


def sheet_with(measure, **more):
    return Sheet(scale="1:1", views=(SheetView("profiles", measures=(measure,)),), **more)


def written(made):
    return [m.text for m in made.leaf.marks if isinstance(m, Words) and m.layer == "dimensions"]


def test_they_follow_the_geometry_and_what_is_gone_is_told():
    can = Measurable(PLATE)
    line = dimension_at(can.model, [can.thing_at(P(115, 20), 0.5)], "length", P(128, 30))
    sheet = sheet_with(line)
    assert "50" in written(made_sheet(sheet, state(*(c.shape for c in PLATE))))
    larger = tuple(replace(c, shape=c.shape.transformed(Transform.scaling(2.0))) for c in PLATE)
    grown = State(sketches=(Sketch("PLATE", 0, larger),))
    assert "100" in written(made_sheet(sheet, grown))
    fewer = State(sketches=(Sketch("PLATE", 0, PLATE[:3]),))
    made = made_sheet(sheet, fewer)
    assert written(made) == []
    assert any("is left out" in t for t in made.told())
    with pytest.raises(GoneError):
        dimensioned(PLATE[:3], line, "d", 1.0)


def test_a_dimension_on_paper_is_at_true_length_and_beside_the_view():
    can = Measurable(PLATE)
    line = dimension_at(can.model, [can.thing_at(P(40, 0), 0.5)], "length", P(40, -12))
    made = made_sheet(
        Sheet(scale="1:2", views=(SheetView("profiles", measures=(line,)),)), state(*(c.shape for c in PLATE))
    )
    lines = [m.shape for m in made.leaf.marks if isinstance(m, Stroke) and m.layer == "dimensions"]
    assert any(isinstance(s, Line) and s.length == pytest.approx(40.0) for s in lines)  # 80 mm at 1:2


FIRST = Measurable(PLATE).model.pieces[0].name


@pytest.mark.parametrize(
    "bad",
    [
        SheetDimension("length", ()), SheetDimension("chain", ()), SheetDimension("sideways", (FIRST,)),
        SheetDimension("radius", (FIRST,), math.nan), SheetDimension("radius", (FIRST,), 0.0, (math.inf, 0.0)),
    ],
)  # fmt: skip
def test_dimensions_that_make_no_sense_are_refused(bad):
    with pytest.raises(DeliverError, match="no dimension"):
        SetSheet(sheet_with(bad)).apply(State())


def test_dimensions_of_bodies_follow_them():
    def block(length):
        made = state(box(0, 0, length, 50), name="BLOCK")
        return RaiseRegions("Raise 1", "BLOCK", high="20").apply(made, QUIET)[0]

    content = Sources(block(80), QUIET).content(SheetView("front"))
    can = Measurable(content.curves, "hidden")
    one = dimension_at(can.model, [can.thing_at(P(40, 20), 0.5)], "length", P(40, 40))
    sheet = Sheet(scale="1:1", views=(SheetView("front", measures=(one,)),))
    assert "80" in written(made_sheet(sheet, block(80)))
    assert "95" in written(made_sheet(sheet, block(95)))


# ---------------------------------------------------------------------- parts of views


def test_a_detail_is_what_lies_in_its_circle_and_is_marked_in_its_view():
    views = (SheetView("profiles"), SheetView("detail:profiles:20,20,10", scale="5:1"))
    made = made_sheet(Sheet(scale="1:1", views=views), state(*(c.shape for c in PLATE[:3])))
    whole, detail = made.laid
    assert detail.box[2] - detail.box[0] == pytest.approx(100.0)  # 20 mm across at 5:1
    rings = [m.shape for m in made.leaf.marks if isinstance(m, Stroke) and m.layer == "details"]
    assert sorted(round(s.radius, 6) for s in rings if isinstance(s, Circle)) == [10.0, 50.0]
    mark = min((s for s in rings if isinstance(s, Circle)), key=lambda s: s.radius)
    assert mark.centre.distance_to(whole.onto_paper.point(P(20, 20))) < 1e-9
    words = [m.text for m in made.leaf.marks if isinstance(m, Words)]
    assert "A" in words
    assert "A (5:1)" in words
    seen = Sources(state(*(c.shape for c in PLATE[:3])), QUIET).content(views[1])
    outline = [m.shape for m in seen.marks if m.layer == "PLATE"]
    assert [type(s) for s in outline] == [Circle]  # the edges are 20 mm off, the other hole 40


def test_a_line_across_a_detail_is_cut_at_its_rim():
    content = Sources(state(Line(P(-100, 0), P(100, 0))), QUIET).content(SheetView("detail:profiles:0,0,25"))
    (line,) = [m.shape for m in content.marks if m.layer == "PLATE"]
    assert line.length == pytest.approx(50.0, abs=1e-3)


def test_a_part_of_the_received_drawing(monkeypatch):
    taken = Drawing(curves_of(Line(P(0, 0), P(100, 0)), Line(P(0, 30), P(100, 30))), ())
    monkeypatch.setattr(State, "received", lambda _self: taken)
    content = Sources(State(), QUIET).content(SheetView("window:10,-5,60,10"))
    assert content.box == (10.0, -5.0, 60.0, 10.0)
    (line,) = [m.shape for m in content.marks]
    assert line.length == pytest.approx(50.0)
    with pytest.raises(DeliverError, match="Nothing lies"):
        Sources(State(), QUIET).content(SheetView("window:200,200,210,210"))


@pytest.mark.parametrize(
    "shows",
    [
        "detail:profiles:1,2", "detail:profiles:1,2,-3", "detail:profiles:nan,2,3", "detail::1,2,3",
        "detail:sideways:1,2,3",
        "detail:detail:profiles:1,2,3:1,2,3", "window:1,2,3", "window:1,2,1,5", "window:a,b,c,d", "window:0,0,1e300,5",
    ],
)  # fmt: skip
def test_parts_that_cannot_be(shows):
    with pytest.raises(DeliverError):
        SetSheet(Sheet(views=(SheetView(shows),))).apply(State())


# ---------------------------------------------------------------------- lists


def test_bodies_have_their_numbers_in_the_view_and_in_the_table():
    made = state(box(0, 0, 80, 50), box(100, 0, 40, 50), name="BLOCK")
    bodies = RaiseRegions("Raise 1", "BLOCK", high="20").apply(made, QUIET)[0]
    page = made_sheet(Sheet(scale="1:1", parts=True, views=(SheetView("top"), SheetView("front"))), bodies)
    rings = [
        m.shape
        for m in page.leaf.marks
        if isinstance(m, Stroke) and m.layer == "dimensions" and isinstance(m.shape, Circle)
    ]
    assert len(rings) == 2
    box_of_view = dict(page.boxes)["top"]
    assert not any(shapely.box(*box_of_view).contains(shapely.Point(*r.centre)) for r in rings)  # beside the view
    assert sorted(written(page)) == ["1", "2"]


def test_the_table_of_changes_has_what_changed_something():
    table = change_table([("Take in", 0, 0.0), ("Mend gaps", 7, 0.0123456), ("Sheet", 0, 0.0), ("Scale", 3, 2.0)])
    assert table.rows == (("1", "Mend gaps", "7", "0.0123"), ("2", "Scale", "3", "2"))


def test_equal_parts_are_counted_once_however_they_lie():
    """Areas and lengths in closed form."""
    one = [box(0, 0, 80, 50), Circle(P(20, 20), 6)]
    turned = Transform.rotating(0.7).then(Transform.moving(P(300, 40) - P(0, 0)))
    other = [s.transformed(turned) for s in one]
    table = part_list(state(*one, *other, box(0, 200, 10, 10), box(2, 202, 3, 3), Circle(P(3.5, 203.5), 1.0)))
    rows = [row[1:8] for row in table.rows]
    assert rows[0] == ("PLATE", "2", "80", "50", "1", "3886.9", "297.7")
    # An outline within a hole is a part of its own.
    assert [r[1] for r in rows] == ["2", "1", "1"]
    assert rows[1][5] == "91"
    assert float(rows[2][5]) == pytest.approx(math.pi, abs=0.006)


@pytest.mark.parametrize(
    ("shapes", "holes"),
    [
        ((box(0, 0, 80, 50), Circle(P(20, 20), 6)), [6]),
        ((Circle(P(0, 0), 30), Circle(P(0, 0), 5)), [5]),  # a disc with a bore: the disc is no hole
        ((Circle(P(0, 0), 30), Circle(P(0, 0), 20), Circle(P(0, 0), 5)), [20]),  # a disc in the hole of a ring
        ((Circle(P(0, 0), 3), Circle(P(20, 0), 4)), [3, 4]),  # a pattern to be drilled
        ((box(0, 0, 80, 50), Circle(P(200, 20), 6)), []),  # a disc beside a plate
        ((box(0, 0, 80, 50), Circle(P(40, 25), 6), Line(P(30, 25), P(50, 25))), [6]),  # with its centre line
    ],
)  # fmt: skip
def test_which_circles_are_holes(shapes, holes):
    assert [c.radius for c, _ in holes_of(state(*shapes))] == holes


def test_holes_have_the_numbers_of_the_table_in_every_view():
    plate = state(box(0, 0, 80, 50), name="PLATE")
    curves = tuple(Curve(f"h{k}", Circle(P(x, 25), 3.0), "0") for k, x in enumerate((10, 70)))
    both = replace(plate, sketches=(*plate.sketches, Sketch("A", 0, curves[1:]), Sketch("B", 0, curves[:1])))
    page = made_sheet(Sheet(holes=True, scale="1:2", views=(SheetView("profiles:A"), SheetView("profiles:B"))), both)
    numbers = [m for m in page.leaf.marks if isinstance(m, Words) and m.layer == "tables" and m.text in ("1", "2")]
    beside = [m for m in numbers if m.place.x < 300]  # the table stands at the right edge
    assert [m.text for m in beside] == ["2", "1"]


# ---------------------------------------------------------------------- shaded


def blocks():
    """A low wide block (red) and a high narrow one behind it (green), seen from the front; mm."""
    made = state(box(0, 0, 100, 20), name="LOW")
    made = replace(made, sketches=(*made.sketches, Sketch("HIGH", 0, (Curve("h", box(30, 40, 20, 20), "0"),))))
    for n, (name, high) in enumerate((("LOW", "10"), ("HIGH", "50")), 1):
        made = RaiseRegions(f"Raise {n}", name, high=high).apply(made, QUIET)[0]
    part = made.part(Formed)
    coloured = tuple(replace(b, colour=c) for b, c in zip(part.bodies, (0xFF0000, 0x00FF00), strict=True))
    return made.with_part(replace(part, bodies=coloured))


@pytest.mark.parametrize(
    ("view", "area", "red", "green"),
    [
        ("front", 100 * 10 + 20 * 40, 1000, 800),  # the low one hides the foot of the high one
        ("back", 100 * 10 + 20 * 40, 800, 1000), ("top", 2000 + 400, 2000, 400),
        ("right", 20 * 10 + 20 * 50, 200, 1000),
    ],
)  # fmt: skip
def test_a_shaded_view_shows_what_is_nearest(view, area, red, green):
    """Areas of what is seen, counted in pixels, against the sizes of the blocks."""
    content = Sources(blocks(), QUIET).content(SheetView(view, shaded=True))
    (picture,) = [m for m in content.marks if isinstance(m, Picture)]
    pixel = picture.width / picture.rows.shape[1] * picture.height / picture.rows.shape[0]
    seen = picture.rows[:, :, 3] > 0
    assert seen.sum() * pixel == pytest.approx(area, rel=0.01)
    assert (seen & (picture.rows[:, :, 0] > picture.rows[:, :, 1])).sum() * pixel == pytest.approx(red, rel=0.02)
    assert (seen & (picture.rows[:, :, 1] > picture.rows[:, :, 0])).sum() * pixel == pytest.approx(green, rel=0.02)
    assert (picture.place.x, picture.place.y) == pytest.approx(content.box[:2], abs=0.1)


def test_a_shaded_picture_is_in_every_format_but_dxf_which_says_so():
    page = made_sheet(Sheet(views=(SheetView("isometric", shaded=True, hidden=False),)), blocks()).leaf
    document = pypdfium2.PdfDocument(pdf_of([page], archive=True))
    images = [o for o in document[0].get_objects(max_depth=1) if o.type == raw.FPDF_PAGEOBJ_IMAGE]
    assert len(images) == 1
    assert page_bytes([page], ".svg").count(b"data:image/png;base64,") == 1
    assert left_out([page], ".pdf") == []
    assert "1 shaded picture is left out" in left_out([page], ".dxf")[0]
    assert ezdxf.recover.read(io.BytesIO(page_bytes([page], ".dxf")))[1].errors == []
    grey = next(m for m in page.inked("black").marks if isinstance(m, Picture)).rows
    assert (grey[:, :, 0] == grey[:, :, 1]).all()


# ---------------------------------------------------------------------- the received drawing


def received(build):
    job = Job.of(Source.of("parts.dxf", dxf_of(build, INSUNITS=4)))
    return Evaluator().evaluate(job).state


def test_each_part_of_the_drawing_has_a_sheet_and_what_disagrees_there_is_told():
    def build(space, _document):
        for x in (0, 200):
            space.add_lwpolyline([(x, 0), (x + 100, 0), (x + 100, 60), (x, 60)], close=True)
        space.add_linear_dim((0, -15), (0, 0), (100, 0)).render()
        space.add_linear_dim((200, -15), (200, 0), (300, 0), text="120").render()

    state = received(build)
    made, _ = SheetEachPart(Sheet(paper="A4", scale="1:2")).apply(state)
    sheets = made.part(Sheets).sheets
    assert [(s.name, s.paper, s.views[0].shows) for s in sheets] == [
        ("Part 1", "A4", "received:1"), ("Part 2", "A4", "received:2")
    ]  # fmt: skip
    told = [made_sheet(s, made).told() for s in sheets]
    assert told[0] == []
    assert told[1] == ["The dimension “120” measures 100."]
    whole = made_sheet(Sheet(views=(SheetView("received"),)), made)
    assert whole.told() == told[1]
    with pytest.raises(DeliverError, match="0 parts"):
        SheetEachPart(Sheet()).apply(State())
