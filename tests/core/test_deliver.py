"""What goes out, read back with libraries that the writers do not use."""

from __future__ import annotations

import itertools
import math
from xml.etree import ElementTree

import cadkit
import ezdxf
import ezdxf.path
import numpy as np
import pytest
import svgelements
from specimens import dxf_of, heal_all, lines, square

from syntaxa.deliver.figures import figures_of, total
from syntaxa.deliver.profiles import profiles_of
from syntaxa.deliver.write import Output, deliver
from syntaxa.drawing.model import Curve
from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import DeliverError
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Circle, EllipseArc, Line, Polyline, Spline
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


@pytest.mark.parametrize("release", ["R12", "R2000", "R2010", "R2018"])
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


@pytest.mark.parametrize("unit", ["mm", "in"])
@pytest.mark.parametrize("release", ["R12", "R2000", "R2010", "R2018"])
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


# ---------------------------------------------------------------------- names that a format cannot hold


@pytest.mark.parametrize("names", [("A/B", "A:B", "a_b", "A_B"), ("x" * 300, "x" * 299, "\u00e9:", "\u00e9/")])
def test_layers_stay_apart_and_what_was_changed_is_told(tmp_path, names):
    sketches = tuple(Sketch(n, 0, (Curve(f"c{k}", Circle(Point(9 * k, 0), 1), n),)) for k, n in enumerate(names))
    path = tmp_path / "names.dxf"
    done = deliver(State(sketches=sketches), path)
    document = ezdxf.readfile(path)
    layers = [e.dxf.layer for e in document.modelspace()]
    assert len({n.lower() for n in layers}) == len(names)
    changed = [n for n, layer in zip(names, layers, strict=True) if n != layer]
    assert changed
    (note,) = done.notes
    assert all(f"“{n}” as " in note for n in changed)


def test_two_layers_of_one_name_are_told_apart_in_svg(tmp_path):
    from syntaxa.drawing.state import Pen

    sketches = tuple(
        Sketch(n, 0, (Curve(n, Circle(Point(9 * k, 0), 1), n),), pen=Pen(layer="CUT")) for k, n in enumerate("AB")
    )
    path = tmp_path / "two.svg"
    done = deliver(State(sketches=sketches), path)
    groups = [g.get("id") for g in ElementTree.parse(path).getroot().iter("{http://www.w3.org/2000/svg}g")]
    assert groups == ["CUT", "CUT'"]
    assert "“CUT” as “CUT'”" in done.notes[0]


# ---------------------------------------------------------------------- SVG: ellipses and splines as themselves


def svg_paths(path):
    return [
        svgelements.Path(e.get("d")) for e in ElementTree.parse(path).getroot().iter("{http://www.w3.org/2000/svg}path")
    ]


@pytest.mark.parametrize("sweep", [0.3, 2.0, math.pi, 5.0, 6.2, -2.5, -6.0])
def test_an_elliptical_arc_is_one_in_svg(tmp_path, sweep):
    shape = EllipseArc(Point(1, 2), Vector(10, 4), 0.4, 0.7, sweep)
    path = tmp_path / "arc.svg"
    assert deliver(state_of(Curve("e", shape, "0")), path).notes == ()
    (found,) = svg_paths(path)
    assert {type(s).__name__ for s in found} == {"Move", "Arc"}
    assert found.length(error=1e-9) == pytest.approx(shape.length, rel=1e-6)
    middle = shape.points(np.array([0.7 + sweep / 2]))[0]
    near = min(
        abs(complex(*middle.tolist()).conjugate() - complex(p))
        for s in found[1:]
        for p in s.npoint(np.linspace(0, 1, 4001)).view(complex).ravel()
    )
    assert near < 0.01


def spline_cases():
    points = (Point(0, 0), Point(10, 30), Point(30, -30), Point(40, 0), Point(50, 9), Point(70, 0))
    yield Spline(3, points, (0, 0, 0, 0, 1, 2.5, 3, 3, 3, 3)), "exact"
    yield Spline(2, points[:4], (0, 0, 0, 1, 2, 2, 2)), "exact"
    yield Spline(1, points[:3], (0, 0, 1, 2, 2)), "exact"
    yield Spline(3, points[:4], (0, 0, 0, 0, 1, 1, 1, 1), (2.0, 2.0, 2.0, 2.0)), "exact"
    yield Spline(3, (*points[:4], *points[:3]), tuple(range(11))), "exact"
    yield Spline(3, points[:4], (0, 0, 0, 0, 1, 1, 1, 1), (1.0, 3.0, 0.5, 1.0)), "fitted"
    yield Spline(5, points, (0,) * 6 + (1,) * 6), "fitted"


@pytest.mark.parametrize(("shape", "how"), [*spline_cases()])
def test_a_spline_is_cubic_curves_in_svg_exactly_where_that_can_be(tmp_path, shape, how):
    path = tmp_path / "spline.svg"
    done = deliver(state_of(Curve("s", shape, "0")), path)
    (found,) = svg_paths(path)
    assert {type(s).__name__ for s in found} <= {"Move", "CubicBezier", "Close"}
    first, last = shape.domain
    truth = shape.points(np.linspace(first, last, 400)) * [1, -1]
    seen = np.array(
        [[p.x, p.y] for s in found if type(s).__name__ == "CubicBezier" for p in map(s.point, np.linspace(0, 1, 1500))]
    )
    away = max(float(np.hypot(*(seen - p).T).min()) for p in truth)
    ends = [*found.first_point, *found.current_point]
    assert ends == pytest.approx([shape.start.x, -shape.start.y, shape.end.x, -shape.end.y], abs=1e-9)
    if how == "exact":
        assert done.notes == ()
        assert len([s for s in found if type(s).__name__ == "CubicBezier"]) == len(shape.breaks) - 1
        assert away < 0.05  # what lies between two samples; the coefficients are compared below
        assert np.abs(exact_points(shape) - truth_at_breaks(found)).max() < 1e-9
    else:
        (note,) = done.notes
        told = float(note.rsplit("within ", 1)[1].split(" mm")[0])
        assert 0 < told <= 1.1e-3
        assert away < 0.05


def exact_points(shape):
    """Points of each span at its thirds, by the definition of the spline."""
    spans = shape.breaks
    at = np.concatenate([a + (b - a) * np.array([1 / 3, 1 / 2, 2 / 3]) for a, b in itertools.pairwise(spans)])
    return shape.points(at) * [1, -1]


def truth_at_breaks(path):
    curves = [s for s in path if type(s).__name__ == "CubicBezier"]
    return np.array([[p.x, p.y] for s in curves for p in map(s.point, (1 / 3, 1 / 2, 2 / 3))])


def test_splines_within_a_contour_and_in_r12_are_told(tmp_path):
    spline = Spline(3, (Point(0, 0), Point(10, 30), Point(30, -30), Point(40, 0)), (0,) * 4 + (1,) * 4)
    closed = (Curve("s", spline, "0"), Curve("l", Line(Point(40, 0), Point(0, 0)), "0"))
    done = deliver(state_of(*closed), tmp_path / "a.dxf")
    assert done.notes == ("1 ellipse or spline is part of a contour and went out as tangent arcs, within 0.001 mm.",)
    alone = deliver(state_of(Curve("s", spline, "0")), tmp_path / "b.dxf", Output("mm", "R12"))
    assert "1 ellipse or spline goes out as tangent arcs" in alone.notes[0]


# ---------------------------------------------------------------------- figures


def test_profiles_holes_and_open_lines_are_told_apart(tmp_path):
    ring = [Curve("o", Circle(Point(0, 0), 20), "0"), Curve("h", Circle(Point(0, 0), 10), "0"),
            Curve("i", Circle(Point(0, 0), 5), "0"), Curve("x", Line(Point(30, 0), Point(40, 0)), "0")]  # fmt: skip
    done = deliver(state_of(*ring), tmp_path / "a.dxf")
    (figures,) = figures_of(done.plan)
    assert (figures.profiles, figures.holes, figures.open_runs) == (2, 1, 1)


def test_a_hole_with_a_role_is_a_hole_though_it_is_on_a_layer_of_its_own(tmp_path):
    ring = [Curve("o", Circle(Point(0, 0), 20), "0"), Curve("h", Circle(Point(0, 0), 10), "0", roles=("tapped",))]
    done = deliver(state_of(*ring), tmp_path / "a.dxf", Output(roles="layers"))
    assert len({e.dxf.layer for e in ezdxf.readfile(tmp_path / "a.dxf").modelspace()}) == 2
    (figures,) = figures_of(done.plan)
    assert (figures.profiles, figures.holes) == (1, 1)


@pytest.mark.parametrize("suite", ["all", "dangle"])
def test_the_figures_are_those_of_the_file(tmp_path, suite):
    """Closed contours counted by a reader that the writer does not use, and nested by another library."""
    import shapely
    from specimens import damaged

    _, curves = damaged(suite, 3, 40)
    after, _, _ = heal_all(curves, 0.05)
    path = tmp_path / "a.dxf"
    done = deliver(state_of(*after), path)
    whole = total(figures_of(done.plan))
    rings, open_runs = [], 0
    for e in ezdxf.readfile(path).modelspace():
        closed = e.dxftype() == "CIRCLE" or (e.dxftype() == "LWPOLYLINE" and e.closed)
        open_runs += not closed
        if closed:
            points = list(ezdxf.path.make_path(e).flattening(0.001))
            rings.append(shapely.Polygon([(p.x, p.y) for p in points]))
    assert (len(rings), open_runs) == (whole.contours, whole.open_runs)
    depth = [
        sum(o is not r and shapely.contains_properly(o, r.representative_point()) and o.area > r.area for o in rings)
        for r in rings
    ]
    assert sum(d % 2 for d in depth) == whole.holes
