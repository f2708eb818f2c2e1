"""Every step there is, done to a state with a locked curve and a locked sketch: neither changes."""

from __future__ import annotations

from dataclasses import replace

import msgspec
import pytest
from specimens import lines, square

from syntaxa.cut.library import machine_named
from syntaxa.cut.model import Operation, Pick, Place, Settings, Stock, Tool
from syntaxa.cut.sheets import NestParts
from syntaxa.cut.steps import (
    DropOperations,
    EditOperations,
    HoldTools,
    ListOperations,
    OrderCuts,
    SetMachine,
    SetOperation,
    SetPick,
    SetPlace,
    SetStock,
)
from syntaxa.define.holding import Constrain, HoldSketch, LetGo, SwitchConstraint
from syntaxa.define.model import Constraint, Measure, Named, Variant
from syntaxa.define.part import Defined
from syntaxa.define.sizes import SetVariants
from syntaxa.define.steps import (
    AddDimensions,
    BindDimensions,
    Drag,
    PlaceDimension,
    ReadOff,
    Rename,
    SetDimension,
    SetParameter,
)
from syntaxa.deliver.sheets.model import Sheet
from syntaxa.deliver.sheets.steps import DropSheets, SetSheet, SheetEachPart
from syntaxa.drawing.codec import encoded, plain_of
from syntaxa.drawing.model import Curve, Drawing, Layer
from syntaxa.drawing.state import Excluded, Sketch, State, Taken
from syntaxa.drawing.step import Step
from syntaxa.errors import CutError, DefineError, FormError, LockedError
from syntaxa.form.bodies import CombineBodies, DescribeBody, DropBodies, PlaceBody, ScaleBody
from syntaxa.form.choosing import Axis
from syntaxa.form.edges import TreatEdges
from syntaxa.form.folded import FoldViews
from syntaxa.form.planes import LayOnFace, LaySketch
from syntaxa.form.raising import RaiseBy, RaiseRegions, TurnRegions
from syntaxa.geometry.points import Point, Vector
from syntaxa.geometry.shapes import TURN, Arc, Circle, EllipseArc, Line, Polyline
from syntaxa.intake.paste import PasteCurves
from syntaxa.intake.steps import TakeIn, TakeOver
from syntaxa.job.kinds import KINDS
from syntaxa.measure.steps import ChooseUnit, JudgeDimension, Mirror, PlaceOrigin, PlaceSource, ScaleBy, Turn
from syntaxa.mend.by_hand import CutCurve, DrawCurves, JoinCurves, LockCurves, MapCurves, OffsetCurves, RoundCorner
from syntaxa.mend.reshape import ArcsForCurves, RunOnTangent, Simplify, SquareUp
from syntaxa.mend.steps import LeaveFindings, MendFindings, RefitFacets
from syntaxa.route.edits import (
    BringBack,
    DeleteSketch,
    DuplicateSketch,
    ExcludeCurves,
    GiveRole,
    MakeGroup,
    MergeSketches,
    MoveCurves,
    OrderSketches,
    PlaceGroup,
    SetRolePen,
    SetSketch,
    Ungroup,
)
from syntaxa.route.model import Rule
from syntaxa.route.part import Group, Routed
from syntaxa.route.steps import ChooseLayers, RouteBy

#: Facets of an arc, a near circle, an ellipse, a sloping side, a cross mark and a doubled line: food for every step.
FACETS = Polyline(tuple(Point(9.0 * k, 0.02 * k * k) for k in range(9)), (0.0,) * 9, False)


def food(word, layer):
    shapes = [
        Line(Point(0, 0), Point(100, 0.004)),
        Line(Point(100.02, 0), Point(100, 50)),
        Arc(Point(50, 50.01), 50, 0, 3.1),
        FACETS,
        EllipseArc(Point(20, 20), Vector(8, 1), 0.5, 0, TURN),
        Circle(Point(60, 20), 5),
        Circle(Point(60.004, 20), 5.003),
        Line(Point(0, 0), Point(100, 0.004)),
        Circle(Point(0.5, 0.5), 0.01),
    ]
    return tuple(Curve(f"{word}{k}", s, layer, group="g#1") for k, s in enumerate(shapes))


def state():
    free = food("free", "A")
    half = tuple(replace(c, locked=True) for c in food("held", "A"))
    shut = (*food("shut", "B"), Curve("mark", Circle(Point(3, 3), 1), "MARK"))
    drawing = Drawing((*free, *half, *shut), (Layer("A"), Layer("B"), Layer("MARK")))
    return State(
        (Taken(1, "x.dxf", drawing),),
        sketches=(Sketch("mixed", 0, (*half, *free)), Sketch("locked", 0, shut, locked=True),
                  Sketch("other", 0, tuple(lines(square())))),
        excluded=(Excluded(Curve("aside", Line(Point(0, 0), Point(1, 1)), "B"), "locked"),),
        parts=(Routed((Group("g", 1, Point(0, 0)),)), Defined(measures=(length("d1", "free1"), length("d2", "held1")))),
    )  # fmt: skip


def length(name, curve):
    return Measure(name, "mixed", "length", (Named(curve),))


def every_id(word):
    return tuple(f"{word}{k}" for k in range(9))


ALL = (*every_id("held"), *every_id("free"), *every_id("shut"))
HELD, SHUT = every_id("held"), every_id("shut")
LINE = (encoded(Line(Point(0, 0), Point(5, 5))),)

#: Each kind at least once, in ways that would change what is locked if they were let.
STEPS: tuple[Step, ...] = (
    ChooseLayers(left_out=("A", "B")),
    RouteBy((Rule("elsewhere", "construction", kind="*"), Rule("", "out", layer="*"))),
    PlaceOrigin("mark", layer="MARK"),
    JudgeDimension(ALL),
    PasteCurves(tuple(plain_of(c) for c in lines(square())), (0.0, 0.0), 1.0, 1.0, "locked"),
    SetSketch("locked", colour=7, purpose="reference"),
    OrderSketches(("other", "locked")),
    MergeSketches(("other", "locked")), MergeSketches(("locked", "other")), MergeSketches(("other", "mixed")),
    DuplicateSketch("locked", "copy"), DuplicateSketch("mixed", "copy"),
    DeleteSketch("locked"), DeleteSketch("mixed"),
    MoveCurves(ALL, "other"), MoveCurves(("free1",), "locked"),
    ExcludeCurves(ALL), BringBack(("aside",)),
    GiveRole(ALL, "tapped"), SetRolePen("tapped", 3),
    MakeGroup(ALL, "new", 0.0, 0.0), Ungroup("g#1"),
    PlaceGroup("g#1", 9.0, 9.0), PlaceGroup("g#1", 9.0, 9.0, copy=True),
    MendFindings(0.05), MendFindings(), MendFindings(0.05, only=("duplicate:held0+held7",)),
    RefitFacets(0.5, 5.0), LeaveFindings(ALL),
    ArcsForCurves(), RunOnTangent(1.0), SquareUp(0.1), Simplify(1.0), Simplify(None),
    DrawCurves(LINE, "locked"),
    MapCurves(ALL, (2.0, 0.0, 0.0, 2.0, 5.0, 0.0), "Scale"), MapCurves(SHUT, (1.0, 0, 0, 1.0, 5.0, 0.0), "Copy", 2),
    CutCurve("held0", 50.0, 0.0, "split"), CutCurve("shut0", 50.0, 0.0, "split"),
    RoundCorner(("held0", "held1"), 3.0, "fillet"), RoundCorner(("shut0", "shut1"), 3.0, "fillet"),
    OffsetCurves(SHUT, 2.0), OffsetCurves(HELD, 2.0), JoinCurves(ALL),
    LockCurves(SHUT, False),
    ReadOff(), BindDimensions(), SetDimension("d1", "60"), SetDimension("d2", "60"),
    AddDimensions((msgspec.structs.replace(length("d3", "held0"), expression="60", use="live"),)),
    *(Constrain(Constraint("mixed", "level", (Named(name),))) for name in ("free0", "held0")),
    SwitchConstraint("mixed", "level: #held0", False), PlaceDimension("d1", 1.0, 2.0),
    SetVariants((Variant("small", (("d1", "40"),)),)),
    LetGo("mixed", ("level: #held0",)), SetParameter("w", "5"), Rename("d1", "width"), HoldSketch("mixed"),
    Drag("mixed", Named("held0", place="end"), 50.0, 9.0), Drag("locked", Named("shut0", place="end"), 50.0, 9.0),
    FoldViews(), LaySketch("locked", "front"), RaiseRegions("R", "locked"), RaiseRegions("R", "mixed"),
    RaiseBy("R", "layer", (("A", "4"),)),
    TurnRegions("T", "locked", Axis(start=(0.0, -50.0), end=(9.0, -50.0))), TreatEdges("F", "fillet", "1", rule="all"),
    LayOnFace("locked", "B", ("R", "high", "x")), PlaceBody("P", "B"), ScaleBody("S", "B", "x", "9"),
    CombineBodies("C", "B", ("D",)), DescribeBody("B", hidden=True), DropBodies(("B",)),
    NestParts((900.0, 900.0)), SetMachine(machine_named("mill")),
    SetStock(Stock("4")), HoldTools((Tool("T", diameter=3.0),)),
    SetOperation(Operation("O", "profile")), SetPick("O", Pick(sketches=("locked",))),
    EditOperations(("O",), Settings(tabs=2)),
    ListOperations(("O",)), SetPlace(Place("O", "locked/x", start=(1.0, 2.0))), OrderCuts("as listed"),
    DropOperations(("O",)), SetSheet(Sheet()), SheetEachPart(Sheet()),
    DropSheets(("Sheet 1",)),
)  # fmt: skip

#: These place the whole drawing, what is locked with it; or take it in, before there is anything to lock.
PLACING: tuple[Step, ...] = (
    TakeIn(), TakeOver(1, 3, "3 moved"), ChooseUnit("in"), ScaleBy(2.0), Turn(90.0), Mirror("left-right", "origin"),
    PlaceOrigin("point", 5.0, 7.0), PlaceSource(1, x=5.0, y=7.0),
)  # fmt: skip


def test_no_kind_of_step_is_forgotten():
    assert {type(s) for s in (*STEPS, *PLACING)} == set(KINDS)


def shapes_of(state, name, locked):
    return {c.id: c.shape for c in state.sketch(name).curves if c.locked == locked}


@pytest.mark.parametrize("step", STEPS, ids=lambda s: f"{type(s).__name__}")
def test_what_is_locked_stays_as_it_is(step):
    before = state()
    try:
        after, entry = step.apply(before)
    except (LockedError, DefineError, FormError, CutError):
        return
    if type(step) is PlaceOrigin:
        before = before.shifted(after.shift)
    assert shapes_of(after, "locked", False) == shapes_of(before, "locked", False)
    assert shapes_of(after, "mixed", True) == shapes_of(before, "mixed", True)
    ids = [c.id for c in after.curves()]
    assert len(set(ids)) == len(ids)
    assert not {x.curve.id for x in after.excluded} & {*HELD, *SHUT}
    assert entry.changed >= 0


@pytest.mark.parametrize("step", PLACING, ids=lambda s: type(s).__name__)
def test_what_is_locked_goes_along_with_the_whole_drawing(step):
    before = state()
    after, _ = step.apply(before)
    for one, other in (("mixed", "locked"), ("mixed", "mixed")):
        ways = []
        for name, word in ((one, "free"), (other, "shut" if other == "locked" else "held")):
            here = {c.id: c for c in before.sketch(name).curves}[f"{word}5"].shape.centre
            there = {c.id: c for c in after.sketch(name).curves}[f"{word}5"].shape.centre
            ways.append((there.x - here.x, there.y - here.y))
        assert ways[0] == pytest.approx(ways[1])


@pytest.mark.parametrize(
    ("step", "says"),
    [
        (ExcludeCurves(("held0", "free0")), "1 curve put aside. 1 locked curve stayed."),
        (MoveCurves(("held0", "held1", "free0"), "other"), "1 curve went to other. 2 locked curves stayed."),
    ],
)
def test_what_stayed_is_told(step, says):
    assert step.apply(state())[1].says == says


def test_others_are_still_drawn_to_a_locked_curve():
    one = Curve("fixed", Line(Point(0, 0), Point(10, 0)), "0", locked=True)
    two = Curve("loose", Line(Point(10.03, 0.01), Point(10, 10)), "0")
    after, entry = MendFindings(0.1).apply(State(sketches=(Sketch("0", 0, (one, two)),)))
    assert entry.changed == 1
    assert {c.id: (c.shape.start, c.shape.end) for c in after.curves()} == {
        "fixed": (Point(0, 0), Point(10, 0)), "loose": (Point(10, 0), Point(10, 10))}  # fmt: skip
