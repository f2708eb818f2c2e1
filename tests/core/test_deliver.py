"""What goes out, read back with libraries that the writers do not use."""

from __future__ import annotations

import math
from xml.etree import ElementTree

import cadkit
import ezdxf
import pytest
import svgelements
from specimens import dxf_of, heal_all, lines, square

from syntaxa.deliver.profiles import profiles_of
from syntaxa.deliver.write import Output, deliver
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Circle, EllipseArc, Line, Polyline
from syntaxa.geometry.tolerances import Tolerances
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ChooseUnit
from syntaxa.mend.steps import MendFindings


def state_of(*curves, name="CUT"):
    return State(sketches=(Sketch(name, 0x0E6B63, curves),))


def kinds_in(path):
    """(kind, layer) of every entity, by a reader that is independent of the writer."""
    return [(e["kind"], e["layer"]) for e in cadkit.read(str(path)).entities()]


@pytest.mark.parametrize("release", ["R12", "R2018"])
def test_a_circle_read_back_has_its_area(tmp_path, release):
    path = tmp_path / "circle.dxf"
    deliver(state_of(Curve("c", Circle(Point(3, 4), 10), "0")), path, Output("mm", release))
    ((kind, layer),) = kinds_in(path)
    assert (kind["type"], layer) == ("circle", "CUT")
    assert math.pi * kind["radius"] ** 2 == pytest.approx(math.pi * 100, abs=1e-9)


def test_a_circle_sent_as_five_arcs_goes_out_as_a_circle(tmp_path):
    def build(space, _document):
        for k in range(5):
            space.add_arc((3, 4), 10, 72 * k, 72 * (k + 1))

    job = Job.of(Source.of("arcs.dxf", dxf_of(build, INSUNITS=4))).with_step(MendFindings(0.01))
    path = tmp_path / "circle.dxf"
    deliver(Evaluator().evaluate(job).state, path)
    ((kind, _),) = kinds_in(path)
    assert kind["type"] == "circle"
    assert math.pi * kind["radius"] ** 2 == pytest.approx(math.pi * 100, abs=1e-9)


@pytest.mark.parametrize(("unit", "release"), [("mm", "R2018"), ("in", "R2018"), ("mm", "R12"), ("in", "R12")])
def test_one_inch_in_is_25_4_mm_out(tmp_path, unit, release):
    """1 in = 25.4 mm exactly: NIST SP 811, appendix B."""
    data = dxf_of(lambda space, _d: space.add_lwpolyline([(0, 0), (1, 0), (1, 1), (0, 1)], close=True), INSUNITS=4)
    job = Job.of(Source.of("inch.dxf", data)).with_step(ChooseUnit("in"))
    state = Evaluator().evaluate(job).state
    dxf, svg = tmp_path / "out.dxf", tmp_path / "out.svg"
    deliver(state, dxf, Output(unit, release))
    deliver(state, svg)
    document = cadkit.read(str(dxf))
    size = max(v["position"]["x"] for v in next(iter(document.entities()))["kind"]["vertices"])
    assert size == pytest.approx(25.4 if unit == "mm" else 1.0, rel=1e-15)
    assert ezdxf.readfile(dxf).header["$INSUNITS"] == (4 if unit == "mm" else 1)
    root = ElementTree.parse(svg).getroot()
    left, _, width, _ = map(float, root.get("viewBox").split())
    assert root.get("width") == f"{width:g}mm"
    assert width == pytest.approx(25.4 - 2 * left, rel=1e-12)
    (path,) = root.iter("{http://www.w3.org/2000/svg}path")
    box = svgelements.Path(path.get("d")).bbox()
    assert box[2] - box[0] == pytest.approx(25.4, rel=1e-12)


def test_contours_close_and_dividing_lines_go_out_once():
    after, _, regions = heal_all(lines(square(), [(5, 0), (5, 10)]), 0.01)
    shapes = profiles_of(Sketch("0", 0, tuple(after)), Tolerances()).shapes
    assert len(regions) == 2
    assert [type(s) for s in shapes] == [Polyline, Line]
    assert shapes[0].closed
    assert sum(s.length for s in shapes) == pytest.approx(50)


def test_pieces_of_one_line_or_arc_are_joined_on_the_way_out():
    rows = [(0, 0), (2, 0), (7, 0), (10, 0), (10, 10), (0, 10), (0, 0)]
    after, _, _ = heal_all(lines(rows), 0.01)
    (shape,) = profiles_of(Sketch("0", 0, tuple(after)), Tolerances()).shapes
    assert len(shape.vertices) == 4


def test_svg_arcs_turn_the_right_way(tmp_path):
    """A half round above the x axis lies above it in the picture, where y points down."""
    half = Polyline((Point(10, 0), Point(0, 0)), (1.0, 0.0), True)
    path = tmp_path / "half.svg"
    deliver(state_of(Curve("h", half, "0")), path)
    (element,) = ElementTree.parse(path).getroot().iter("{http://www.w3.org/2000/svg}path")
    left, top, right, bottom = svgelements.Path(element.get("d")).bbox()
    assert (left, top, right, bottom) == pytest.approx((0, -5, 10, 0), abs=1e-9)


@pytest.mark.parametrize(("release", "kind"), [("R12", "polyline"), ("R2018", "ellipse")])
def test_ellipses_stay_ellipses_where_the_release_has_them(tmp_path, release, kind):
    path = tmp_path / "ellipse.dxf"
    ellipse = EllipseArc(Point(1, 2), Vector(10, 0), 0.4, 0.0, TURN)
    deliver(state_of(Curve("e", ellipse, "0")), path, Output("mm", release))
    assert [k["type"] for k, _ in kinds_in(path)] == [kind]


def test_each_sketch_has_its_layer(tmp_path):
    state = State(sketches=tuple(Sketch(n, 0, (Curve(n, Circle(Point(0, 0), 1), n),)) for n in ("A", "B/C")))
    path = tmp_path / "two.dxf"
    deliver(state, path)
    assert [layer for _, layer in kinds_in(path)] == ["A", "B_C"]


@pytest.mark.parametrize(
    ("name", "says"), [("out.txt", "no ending that can be written"), ("x/out.dxf", "cannot be written")]
)
def test_what_cannot_be_written_is_told(tmp_path, name, says):
    with pytest.raises(DeliverError, match=says):
        deliver(state_of(Curve("c", Circle(Point(0, 0), 1), "0")), tmp_path / name)
    assert list(tmp_path.iterdir()) == []


def test_nothing_is_not_delivered(tmp_path):
    with pytest.raises(DeliverError, match="nothing to deliver"):
        deliver(state_of(), tmp_path / "out.dxf")
