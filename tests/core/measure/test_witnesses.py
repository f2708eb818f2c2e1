"""The unit of drawings whose unit is known, and what each witness says about it."""

from __future__ import annotations

import io
import math
import re

import ezdxf
import pytest
from corpus.units import case
from hypothesis import given
from hypothesis import strategies as st
from reportlab.pdfgen.canvas import Canvas

from syntaxa.drawing.annotations import Dimension, Text
from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.units import UNIT_NAMES, scale_text
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line, Polyline
from syntaxa.intake.model import ImportReport, Received
from syntaxa.intake.registry import read
from syntaxa.job.evaluate import verdict_of
from syntaxa.measure.clues.sheets import SHEETS, sheet_at_scale

COUNT = 400


@pytest.fixture(scope="module")
def judged():
    rows = []
    for seed in range(COUNT):
        one = case(seed)
        verdict = verdict_of(read(one.name, one.data))
        right = math.isclose(verdict.candidates[0].mm_per_number, one.mm, rel_tol=1e-6)
        rows.append((one, verdict, right))
    return rows


def test_the_corpus_has_all_units_and_half_of_it_no_right_header(judged):
    assert {one.unit for one, _, _ in judged} == {"mm", "cm", "m", "in", "ft", "px", "px90", "pt"}
    wrong = sum(one.header != "right" for one, _, _ in judged)
    assert 0.45 * COUNT <= wrong <= 0.65 * COUNT
    assert sum(one.dimensioned for one, _, _ in judged) == COUNT / 2


@pytest.mark.parametrize(("dimensioned", "least"), [(True, 0.98), (False, 0.92)])
def test_the_right_unit_comes_first(judged, dimensioned, least):
    hits = [right for one, _, right in judged if one.dimensioned == dimensioned]
    assert sum(hits) >= least * len(hits)


def test_what_is_given_nine_in_ten_is_right_in_more(judged):
    sure = [right for _, verdict, right in judged if verdict.confidence >= 0.9]
    assert len(sure) > COUNT / 2
    assert sum(sure) >= 0.95 * len(sure)


def test_a_lying_header_is_never_followed_or_left_in_silence(judged):
    lied = 0
    for one, verdict, _ in judged:
        declared = [w for w in verdict.witnesses if w.kind == "header"]
        if declared and declared[0].unit != verdict.unit:
            lied += 1
            assert not verdict.sure, one.name
    assert lied > COUNT / 10


def test_probabilities_add_up_and_are_ordered(judged):
    for _, verdict, _ in judged:
        shares = [c.probability for c in verdict.candidates]
        assert shares == sorted(shares, reverse=True)
        assert sum(shares) <= 1 + 1e-9
        assert verdict.confidence == shares[0]


def test_a_clue_tells_of_the_unit_that_it_speaks_for(judged):
    kinds = {"overall size", "roundness", "sheet", "dimensions", "numbers in texts"}
    heard = set()
    for _, verdict, _ in judged:
        told = [(w, w.unit, w.page_scale, w.says) for w in verdict.witnesses]
        for candidate in verdict.candidates:
            spoken = zip(candidate.speak_for, candidate.says, strict=True)
            told += [(verdict.witnesses[k], candidate.unit, candidate.page_scale, says) for k, says in spoken]
        for witness, unit, scale, says in told:
            if witness.kind in kinds and says:
                # A sheet has its size whatever the scale of the page is.
                at = "" if scale == 1 or witness.kind == "sheet" else f" at {scale_text(scale)}"
                assert re.search(rf"\b{re.escape(UNIT_NAMES[unit] + at)}(?! at)", says), (
                    witness.kind,
                    unit,
                    scale,
                    says,
                )
                heard.add(witness.kind)
        assert all(w.says for w in verdict.witnesses)
    assert heard == kinds


# ---------------------------------------------------------------------- single witnesses


def plate(k=1.0, texts=(), dimensions=(), declared=None, form="dxf", metric=None):
    """A plate of 200 x 120 mm with four holes of 9 mm, its numbers k to the mm."""
    corners = [(0, 0), (200, 0), (200, 120), (0, 120)]
    lines = [
        Curve(f"l{n}", Line(Point(a * k, b * k), Point(c * k, d * k)), "0")
        for n, ((a, b), (c, d)) in enumerate(zip(corners, corners[1:] + corners[:1], strict=True))
    ]
    holes = [
        Curve(f"h{n}", Circle(Point(x * k, y * k), 4.5 * k), "0")
        for n, (x, y) in enumerate(((15, 15), (185, 15), (185, 105), (15, 105)))
    ]
    notes = [Text(f"t{n}", "0", Point(0, -10 * n), t, 3 * k) for n, t in enumerate(texts)]
    drawing = Drawing((*lines, *holes), (Layer("0"),), (*notes, *dimensions))
    return Received(drawing, ImportReport(form, "", declared, metric))


def stated(text, drawn, name="d"):
    return Dimension(name, "0", "linear", (Point(0, 0), Point(0, 0), Point(drawn, 0)), Point(0, 0), None, drawn, text)


def kinds(verdict):
    return {w.kind: w for w in verdict.witnesses}


@pytest.mark.parametrize(
    ("text", "drawn", "k"),
    [
        ("200", 200 / 25.4, 1 / 25.4),
        ("Ø9 H7", 9 / 25.4, 1 / 25.4),
        ("4x Ø9", 9 / 304.8, 1 / 304.8),
        ("(120) REF", 120 * 96 / 25.4, 96 / 25.4),
        ("200 ±0.1", 200 / 10, 1 / 10),
        ("R4,5", 4.5 / 1000, 1 / 1000),
        ('7 7/8"', 200.025 / 10, 1 / 10),
        ("0'-7 7/8\"", 200.025 * 72 / 25.4, 72 / 25.4),
    ],
)
def test_a_dimension_tells_how_large_a_number_is(text, drawn, k):
    dimensions = [stated(text, drawn), stated("15", 15 * k, "e"), stated("170", 170 * k, "f")]
    verdict = verdict_of(plate(k, dimensions=dimensions))
    assert verdict.candidates[0].mm_per_number == pytest.approx(1 / k, rel=1e-6)
    assert "dimensions" in kinds(verdict)


def test_dimensions_that_fit_no_unit_say_so_and_speak_for_none():
    verdict = verdict_of(plate(dimensions=[stated("37310000", 0.001), stated("0.00017", 777.0, "e")], declared="mm"))
    clue = kinds(verdict)["dimensions"]
    assert clue.says == "No dimension fits what is drawn, whatever the unit."
    for candidate in verdict.candidates:
        assert clue not in [verdict.witnesses[k] for k in (*candidate.speak_for, *candidate.speak_against)]


@pytest.mark.parametrize(
    ("note", "unit"),
    [
        ("ALL DIMENSIONS IN MM", "mm"),
        ("Dimensions are in inches", "in"),
        ("UNITS: CM", "cm"),
        ("UNLESS NOTED, SIZES IN MILLIMETRES", "mm"),
        ("DIMENSIONS IN FEET", "ft"),
    ],
)
def test_notes_about_the_unit_are_read(note, unit):
    witness = kinds(verdict_of(plate(texts=(note,))))["note"]
    assert {"mm": "millimetres", "in": "inches", "cm": "centimetres", "ft": "feet"}[unit] in witness.says


def test_a_page_at_one_to_five_is_told_by_its_note_and_its_dimensions():
    dimensions = [stated("200", 40), stated("120", 24, "e"), stated("9", 1.8, "f")]
    verdict = verdict_of(plate(1 / 5, ("SCALE 1:5",), dimensions, declared="mm", metric=True))
    assert (verdict.unit, verdict.page_scale) == ("mm", 5.0)
    quarter = kinds(verdict_of(plate(1 / 48, ("1/4in = 1ft",))))["scale note"]
    assert quarter.page_scale == 48.0


def test_one_dimension_that_lies_does_not_overrule_the_others():
    dimensions = [stated("200", 200), stated("999", 120, "e"), stated("9", 9, "f"), stated("15", 15, "g")]
    assert verdict_of(plate(dimensions=dimensions, declared="mm")).unit == "mm"


def test_iso_216_sheets_and_their_kin_are_known():
    # ISO 216: A4 is 210 mm x 297 mm, and each size has half the area of the one before it.
    assert SHEETS["A4"] == (297.0, 210.0)
    areas = [math.prod(SHEETS[f"A{k}"]) for k in range(5)]
    assert areas == pytest.approx([areas[0] / 2**k for k in range(5)], rel=5e-3)
    # ASME Y14.1: A is 8.5 x 11 inches; B is two of them side by side.
    assert SHEETS["ANSI A"] == pytest.approx((279.4, 215.9))
    assert SHEETS["ANSI B"] == pytest.approx((431.8, 279.4))
    assert sheet_at_scale(297, 210) == "A4"
    assert sheet_at_scale(420 * 5, 297 * 5) == "A3"
    assert sheet_at_scale(1000, 400) == ""


def test_a_border_is_a_witness():
    frame = Curve("f", Polyline(tuple(Point(x, y) for x, y in ((-40, -60), (380, -60), (380, 237), (-40, 237))),
                                (0.0,) * 4, True), "0")  # fmt: skip
    bare = plate()
    framed = Received(Drawing((*bare.drawing.curves, frame), (Layer("0"),)), bare.report)
    assert "sheet A3" in kinds(verdict_of(framed))["sheet"].says


def test_the_header_is_outweighed_only_when_the_user_is_asked():
    agreed = verdict_of(plate(declared="mm", metric=True))
    assert (agreed.unit, agreed.sure) == ("mm", True)
    lied = verdict_of(plate(declared="m", metric=True, dimensions=[stated("200", 200), stated("9", 9, "e")]))
    assert (lied.unit, lied.sure) == ("mm", False)


def test_other_files_of_the_job_are_heard():
    alone, among = verdict_of(plate(1 / 25.4)), verdict_of(plate(1 / 25.4), ("mm",))
    assert "other files" in kinds(among)
    before, after = ({c.unit: c.probability for c in v.candidates}.get("mm", 0) for v in (alone, among))
    assert after >= before


def test_a_drawing_of_nothing_is_asked_about():
    verdict = verdict_of(Received(Drawing(), ImportReport("dxf", "")))
    assert verdict.unit == "mm"
    assert not verdict.sure


@pytest.mark.parametrize("unit", ["yd", "mil", "km"])
def test_units_that_are_not_weighed_are_taken_as_declared(unit):
    assert verdict_of(plate(declared=unit)).unit == unit


def test_dimension_entities_of_a_file_are_heard():
    document = ezdxf.new("R2010")
    document.header["$INSUNITS"] = 4
    space = document.modelspace()
    for a, b in (((0, 0), (8, 0)), ((8, 0), (8, 4)), ((8, 4), (0, 4)), ((0, 4), (0, 0))):
        space.add_line(a, b)
    space.add_circle((1, 1), 0.25)
    for p, q, text in (((0, 0), (8, 0), "8.000"), ((0, 0), (0, 4), "4.000"), ((0, 0), (1, 0), "1.000")):
        space.add_linear_dim((0, -1), p, q, angle=90 if p[0] == q[0] else 0, text=text).render()
    out = io.StringIO()
    document.write(out)
    verdict = verdict_of(read("x.dxf", out.getvalue().encode()))
    assert verdict.unit == "in"
    assert not verdict.sure


sizes = st.one_of(st.floats(-1e9, 1e9), st.floats(-1e-6, 1e-6), st.integers(-50, 50).map(float))
places = st.builds(Point, sizes, sizes)
odd_shapes = st.one_of(
    st.builds(Line, places, places),
    st.builds(Circle, places, st.floats(1e-9, 1e9)),
    st.lists(places, min_size=4, max_size=4).map(lambda p: Polyline(tuple(p), (0.0,) * 4, True)),
)
odd_texts = st.one_of(
    st.text(max_size=30),
    st.from_regex(r"(SCALE|M) ?[0-9]{1,30}(:|=)[0-9]{1,30}", fullmatch=True),
    st.from_regex(r"[ØR]?[0-9]{1,40}([.,/'\"][0-9]{0,4})?( ?mm|\"|')?", fullmatch=True),
)


@given(
    st.lists(odd_shapes, max_size=9), st.lists(odd_texts, max_size=6), st.lists(st.tuples(odd_texts, sizes), max_size=4)
)
def test_no_drawing_however_odd_is_beyond_judgement(shapes, texts, dimensions):
    curves = tuple(Curve(f"c{k}", s, "0") for k, s in enumerate(shapes))
    notes = tuple(Text(f"t{k}", "0", Point(0, 0), t, 3.0) for k, t in enumerate(texts))
    dims = tuple(stated(t, abs(d), f"d{k}") for k, (t, d) in enumerate(dimensions))
    verdict = verdict_of(Received(Drawing(curves, (Layer("0"),), (*notes, *dims)), ImportReport("dxf", "")))
    assert 0 <= verdict.confidence <= 1 + 1e-9
    assert all(math.isfinite(w.weight) for w in verdict.witnesses)


def page_with(note):
    out = io.BytesIO()
    page = Canvas(out, pagesize=(595, 842))
    for k in range(8):
        page.rect(50 + 40 * k, 100, 33.3 + k, 61.7)
    page.drawString(300, 50, note)
    page.save()
    return verdict_of(read("page.pdf", out.getvalue()))


@pytest.mark.parametrize(("note", "scale"), [("SCALE 1:5", 5.0), ("1:50", 50.0), ("SCALE 1:2", 2.0)])
def test_a_scale_that_is_written_on_a_page_is_the_one_that_comes_first(note, scale):
    """Common practice, no published source: what a page says of its scale counts, for nobody writes it for nothing."""
    verdict = page_with(note)
    assert (verdict.unit, verdict.page_scale) == ("pt", pytest.approx(scale))


def test_a_page_is_never_surely_at_true_size_against_what_is_written_on_it():
    """A quarter of an inch to the foot was passed over with 94 % for 1:1."""
    verdict = page_with('SCALE 1/4" = 1\'-0"')
    assert verdict.page_scale == pytest.approx(48) or not verdict.sure
    assert any(w.kind == "scale note" for w in verdict.witnesses)
