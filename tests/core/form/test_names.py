"""Names of edges hold when numbers change, when curves are drawn in another order, added and cut."""

from __future__ import annotations

import random

import pytest
from making import P, circle, done, four_lines, only, sketch, state

from syntaxa.drawing.model import Curve
from syntaxa.form.edges import TreatEdges
from syntaxa.form.kernel.packing import unpacked
from syntaxa.form.kernel.shop import details
from syntaxa.form.raising import RaiseRegions
from syntaxa.geometry.shapes import Line


def plate(w=100.0, h=60.0, hole=(30.0, 30.0, 8.0), slot=(70.0, 30.0, 6.0), order=None, extra=()):
    own = [*four_lines(w, h), Curve("e", circle(*hole), "0"), Curve("f", circle(*slot), "0"), *extra]
    own = [own[k] for k in order] if order else own
    after, _ = done(state(sketch("S", *own)), RaiseRegions("R", "S", high="8"))
    return only(after).solid


def edges(solid):
    return [e for e in details(solid).edges if e is not None]


def where(solid, key):
    named = unpacked(solid)
    numbers, how = named.find(key)
    return [details(solid).edges[k] for k in numbers], how


def origins(solid):
    return {e.key.origin: e for e in edges(solid)}


def test_every_edge_has_an_origin_of_its_own():
    found = [e.key.origin for e in edges(plate())]
    assert len(found) == 4 * 3 + 2 * 2
    assert len(set(found)) == len(found)
    assert all(found)


@pytest.mark.parametrize("seed", range(20))
def test_all_numbers_changed_by_a_third(seed):
    rng = random.Random(seed)
    old = plate()
    w, h, x, y, r, u, v, q = (n * rng.uniform(0.7, 1.3) for n in (100, 60, 30, 30, 8, 70, 30, 6))
    new = plate(w + 30, h + 30, (x, y, r), (u, v, q))
    for edge in edges(old):
        (found,), how = where(new, edge.key)
        assert found.key.origin == edge.key.origin
        assert how == "origin"


def test_another_order_of_drawing_changes_nothing():
    old, new = plate(), plate(order=[5, 2, 0, 4, 3, 1])
    for edge in edges(old):
        (found,), how = where(new, edge.key)
        assert how == "origin"
        assert (found.kind, found.length) == (edge.kind, pytest.approx(edge.length))
        assert found.centre == pytest.approx(edge.centre)


def test_an_added_hole_changes_no_other_name():
    old, new = plate(), plate(extra=(Curve("z", circle(50, 12, 4), "0"),))
    for edge in edges(old):
        (found,), _ = where(new, edge.key)
        assert found.key.origin == edge.key.origin


def test_a_curve_that_was_cut_answers_with_its_pieces():
    first, last = Line(P(0, 0), P(40, 0)), Line(P(40, 0), P(100, 0))
    old = plate()
    whole = four_lines(100.0, 60.0)
    low = whole[0].pieces(("a.1", "a.2"), (first, last))
    holes = (Curve("e", circle(30, 30, 8), "0"), Curve("f", circle(70, 30, 6), "0"))
    after, _ = done(state(sketch("S", *low, *whole[1:], *holes)), RaiseRegions("R", "S", high="8"))
    new = only(after).solid
    key = origins(old)["R", "high", "a"].key
    found, how = where(new, key)
    assert how == "pieces"
    assert sum(e.length for e in found) == pytest.approx(100.0)


def test_a_fillet_finds_its_edges_after_a_change_and_says_which_is_gone():
    old = plate()
    keys = tuple(origins(old)[("R", "rise", name)].key for name in ("a+b", "b+c"))
    step = TreatEdges("F", "fillet", "5", edges=keys)
    wide, entry = done(state(sketch("S", *four_lines(180.0, 90.0))), RaiseRegions("R", "S", high="12"), step)
    assert only(wide).figures.volume == pytest.approx(180 * 90 * 12 - 2 * (1 - 3.141592653589793 / 4) * 25 * 12)
    assert "2 of 2 edges." in entry.says
    # The corner between b and c is cut off: its edge is told, the other one is rounded.
    lines = [
        Curve("a", Line(P(0, 0), P(100, 0)), "0"), Curve("b", Line(P(100, 0), P(100, 40)), "0"),
        Curve("x", Line(P(100, 40), P(80, 60)), "0"), Curve("c", Line(P(80, 60), P(0, 60)), "0"),
        Curve("d", Line(P(0, 60), P(0, 0)), "0"),
    ]  # fmt: skip
    _, entry = done(state(sketch("S", *lines)), RaiseRegions("R", "S", high="12"), step)
    assert "Gone: the edge that rises from b+c." in entry.says
    assert "1 of 1 edges." in entry.says


def test_names_go_through_cutting_and_rounding():
    base = state(sketch("S", *four_lines(100.0, 60.0)), sketch("T", circle(50, 30, 10)))
    after, _ = done(
        base, RaiseRegions("R", "S", high="20"), RaiseRegions("Q", "T", low="5", high="30", use="cut"),
        TreatEdges("F", "fillet", "3", rule="risen", of="R"),
    )  # fmt: skip
    names = {f.name[:2] for f in details(only(after).solid).faces}
    assert names == {("R", "side"), ("R", "low"), ("R", "high"), ("Q", "side"), ("Q", "low"), ("F", "fillet")}
    treated, _ = done(after, TreatEdges("G", "chamfer", "1", rule="all", of="Q"))
    assert only(treated).figures.volume < only(after).figures.volume
