"""Roles, line styles and groups in what is written, read back with readers that the writers do not use."""

from __future__ import annotations

import io
import math
from dataclasses import replace

import ezdxf
import pytest
from lxml import etree
from svgelements import SVG, Path

from syntaxa.deliver.linetypes import HAIRLINE
from syntaxa.deliver.plan import plan_of
from syntaxa.deliver.write import Output, deliver
from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Circle, Line
from syntaxa.intake.registry import read
from syntaxa.route.edits import GiveRole, MakeGroup, PlaceGroup, SetRolePen, SetSketch
from syntaxa.route.steps import first_sketches

CORNERS = ((0, 0), (100, 0), (100, 60), (0, 60))

PLAIN = Output()


def state():
    sides = [
        Curve(f"s{k}", Line(Point(*a), Point(*b)), "PLATE")
        for k, (a, b) in enumerate(zip(CORNERS, CORNERS[1:] + CORNERS[:1], strict=True))
    ]
    holes = [Curve(f"h{k}", Circle(Point(10 + 10 * k, 10), 3), "PLATE") for k in range(2)]
    fold = Curve("fold", Line(Point(0, 30), Point(100, 30)), "BEND")
    help_ = Curve("axis", Line(Point(50, -5), Point(50, 65)), "AXIS")
    layers = (Layer("PLATE", 0x112233), Layer("BEND", 0xFF0000), Layer("AXIS", 0x00FF00))
    return first_sketches(State.of(Drawing((*sides, *holes, fold, help_), layers)))


def after(start, *steps):
    for step in steps:
        start, _ = step.apply(start)
    return start


def written(one, tmp_path, ending=".dxf", output=PLAIN):
    path = tmp_path / f"out{ending}"
    deliver(one, path, output)
    return path


def test_only_what_is_to_be_made_goes_out_and_construction_when_asked_for(tmp_path):
    one = after(state(), SetSketch("AXIS", purpose="construction"), SetSketch("BEND", purpose="reference"))
    layers = {e.dxf.layer for e in ezdxf.readfile(written(one, tmp_path)).modelspace()}
    assert layers == {"PLATE"}
    more = {e.dxf.layer for e in ezdxf.readfile(written(one, tmp_path, output=Output(construction=True))).modelspace()}
    assert more == {"PLATE", "AXIS"}
    none = after(one, SetSketch("PLATE", purpose="reference"))
    with pytest.raises(DeliverError, match="nothing to deliver"):
        written(none, tmp_path)


@pytest.mark.parametrize("release", ["R12", "R2018"])
def test_a_sketch_goes_out_in_its_line_style(tmp_path, release):
    one = after(
        state(),
        SetSketch("BEND", pen_colour=0x0000FF, pen_weight=HAIRLINE, pen_line_type="dash-dot", pen_layer="FOLDS"),
        SetSketch("PLATE", pen_weight=0.5),
    )
    document = ezdxf.readfile(written(one, tmp_path, output=Output(release=release)))
    layer = document.layers.get("FOLDS")
    assert layer.dxf.linetype == "DASH-DOT"
    if release == "R2018":
        assert layer.rgb == (0, 0, 255)
        # The nearest that the format knows to 0.001 inch is 0.05 mm or nothing.
        assert layer.dxf.lineweight in (0, 5)
        assert document.layers.get("PLATE").dxf.lineweight == 50
    svg = etree.parse(written(one, tmp_path, ".svg"))
    group = next(g for g in svg.iter("{*}g") if g.get("id") == "FOLDS")
    assert group.get("stroke") == "#0000ff"
    # 0.001 inch is 0.0254 mm.
    assert float(group.get("stroke-width")) == 0.0254
    assert group.get("stroke-dasharray")


def test_roles_go_out_as_layers_of_their_own_and_nothing_twice(tmp_path):
    one = after(state(), GiveRole(("s0",), "front edge"), GiveRole(("fold",), "bend"), SetRolePen("bend", 0xAA00AA))
    document = ezdxf.readfile(written(one, tmp_path))
    by_layer = {}
    for entity in document.modelspace():
        by_layer.setdefault(entity.dxf.layer, []).append(entity)
    assert set(by_layer) == {"PLATE", "PLATE-front edge", "BEND-bend", "AXIS"}
    assert document.layers.get("BEND-bend").rgb == (0xAA, 0, 0xAA)
    total = sum(c.shape.length for c in read("x.dxf", written(one, tmp_path).read_bytes()).drawing.curves)
    assert total == pytest.approx(2 * 160 + 2 * 6 * math.pi + 100 + 70)


def test_roles_go_out_as_extended_data_of_the_closed_contour(tmp_path):
    one = after(state(), GiveRole(("s0", "s2"), "front edge"), GiveRole(("h1",), "tapped"))
    document = ezdxf.readfile(written(one, tmp_path, output=Output(roles="data")))
    outline = next(e for e in document.modelspace().query("LWPOLYLINE") if e.closed)
    data = [(tag.code, tag.value) for tag in outline.get_xdata("SYNTAXA") if tag.code != 1001]
    assert data[0] == (1000, "front edge")
    points = list(outline.get_points("xy"))
    meant = [(points[k], points[(k + 1) % 4]) for code, k in data[1:] if code == 1071]
    assert sorted({p[1] for side in meant for p in side}) == [0, 60]
    assert len(meant) == 2
    circles = {e.dxf.center.x: e.has_xdata("SYNTAXA") for e in document.modelspace().query("CIRCLE")}
    assert circles == {10: False, 20: True}
    svg = etree.parse(written(one, tmp_path, ".svg", Output(roles="data")))
    marked = [e for e in svg.iter() if e.get("data-role-front-edge")]
    assert len(marked) == 1
    assert len(marked[0].get("data-role-front-edge").split()) == 2
    plain = ezdxf.readfile(written(one, tmp_path, output=Output(roles="none")))
    assert not any(e.has_xdata("SYNTAXA") for e in plain.modelspace())


@pytest.mark.parametrize("release", ["R12", "R2018"])
def test_copies_of_a_group_are_insertions_of_one_block(tmp_path, release):
    one = after(state(), MakeGroup(("h0", "h1"), "pair", 10, 10), PlaceGroup("pair#1", 40, 50, copy=True))
    path = written(one, tmp_path, output=Output("in", release))
    document = ezdxf.readfile(path)
    inserts = list(document.modelspace().query("INSERT"))
    assert [(round(i.dxf.insert.x * 25.4, 9), round(i.dxf.insert.y * 25.4, 9)) for i in inserts] == [(10, 10), (40, 50)]
    assert {i.dxf.name for i in inserts} == {"pair"}
    assert len(document.blocks.get("pair").query("CIRCLE")) == 2
    # Our own reader unfolds them again: four holes where they belong.
    holes = [c.shape for c in read("x.dxf", path.read_bytes()).drawing.curves if isinstance(c.shape, Circle)]
    places = sorted((round(h.centre.x * 25.4, 6), round(h.centre.y * 25.4, 6)) for h in holes)
    assert places == [(10, 10), (20, 10), (40, 50), (50, 50)]
    assert {round(h.radius * 25.4, 9) for h in holes} == {3}


def test_groups_are_used_at_their_places_in_svg(tmp_path):
    one = after(state(), MakeGroup(("h0", "h1"), "pair <1>", 10, 10), PlaceGroup("pair <1>#1", 40, 50, copy=True))
    path = written(one, tmp_path, ".svg")
    svg = SVG.parse(io.BytesIO(path.read_bytes()), ppi=25.4)
    boxes = [Path(e).bbox() for e in svg.elements() if type(e).__name__ == "Circle"]
    middles = sorted((round((x + u) / 2, 3), round((y + v) / 2, 3)) for x, y, u, v in boxes)
    assert len(middles) == 4
    assert middles[2][0] - middles[0][0] == pytest.approx(30, abs=1e-3)
    assert abs(middles[2][1] - middles[0][1]) == pytest.approx(40, abs=1e-3)


def test_a_copy_that_was_changed_becomes_a_block_of_its_own():
    one = after(state(), MakeGroup(("h0",), "hole", 10, 10), PlaceGroup("hole#1", 40, 50, copy=True))
    plan = plan_of(one)
    assert [(b.name, b.places) for b in plan.blocks] == [("hole", (Point(10, 10), Point(40, 50)))]
    grown = [
        c if c.group != "hole#2" else Curve(c.id, Circle(c.shape.centre, 4), c.layer, group=c.group)
        for s in one.sketches for c in s.curves
    ]  # fmt: skip
    sketch = one.sketches[0]
    changed = replace(one, sketches=(replace(sketch, curves=tuple(grown)),))
    assert [b.name for b in plan_of(changed).blocks] == ["hole", "hole-2"]
