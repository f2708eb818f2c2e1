"""Every kind of step: kept by the job file to the bit, told in the ledger, and harmless where its target is gone."""

from __future__ import annotations

import msgspec
import pytest

from syntaxa.cut.library import machine_named
from syntaxa.cut.model import KeepOut, Operation, Pick, Place, Settings, Stock, Tool
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
from syntaxa.deliver.sheets.model import Sheet, SheetView
from syntaxa.deliver.sheets.steps import DropSheets, SetSheet, SheetEachPart
from syntaxa.demo.drawing import demo_bytes, revised_bytes
from syntaxa.drawing.codec import encoded
from syntaxa.drawing.step import Step
from syntaxa.form.bodies import CombineBodies, DescribeBody, DropBodies, PlaceBody, ScaleBody
from syntaxa.form.choosing import Axis
from syntaxa.form.edges import TreatEdges
from syntaxa.form.folded import FoldViews
from syntaxa.form.planes import LayOnFace, LaySketch
from syntaxa.form.raising import RaiseBy, RaiseRegions, TurnRegions
from syntaxa.geometry.points import Point
from syntaxa.geometry.shapes import Line
from syntaxa.intake.steps import TakeIn
from syntaxa.job.evaluate import Evaluator, in_doubt
from syntaxa.job.kinds import KINDS, KnownStep
from syntaxa.job.model import Job, Source
from syntaxa.job.revise import with_added
from syntaxa.job.store import job_bytes, load_job, save_job
from syntaxa.measure.steps import ChooseUnit, JudgeDimension, Mirror, PlaceOrigin, PlaceSource, ScaleBy, Turn
from syntaxa.mend.by_hand import (
    CutCurve,
    DrawCurves,
    JoinCurves,
    LockCurves,
    MapCurves,
    OffsetCurves,
    RoundCorner,
)
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
from syntaxa.route.steps import ChooseLayers, RouteBy

#: One of each kind, all of which do something to the demo; in an order in which they can be done.
STEPS: tuple[Step, ...] = (
    TakeIn(skip_hidden=True),
    ChooseUnit("in", page_scale=2.0),
    ScaleBy(0.5, 0.5, because="a test"),
    Turn(90.0, "centre"),
    Mirror("top-bottom"),
    JudgeDimension(("none",), "wrong text"),
    ChooseLayers(left_out=("NOTES",)),
    RouteBy((Rule("", "out", layer="CENTRE*"), Rule("rings", "construction", layer="FLANGE*", kind="circle"))),
    PlaceSource(1, "lower-left", x=0.0, y=0.0, turn_deg=90.0),
    PlaceOrigin("lower-left"),
    SetSketch("BASE-PLATE", name="Base", locked=False, view="side", offset=3.0, pen_line_type="dashed"),
    OrderSketches(("CONTROL-BOX", "Base")),
    MergeSketches(("CONTROL-BOX", "COUPLING-GUARD")),
    DuplicateSketch("Base", "Base 2"),
    DeleteSketch("TITLE-BLOCK"),
    MoveCurves(("61",), "holes"),
    ExcludeCurves(("62", "63"), "a test"),
    BringBack(("62",)),
    GiveRole(("61",), "tapped"),
    SetRolePen("tapped", 0xFF0000, 0.25),
    MakeGroup(("61",), "hole", 0.0, 0.0),
    PlaceGroup("hole#1", 10.0, 5.0, copy=True),
    Ungroup("hole#2"),
    MendFindings(),
    RefitFacets(),
    ArcsForCurves(0.02),
    RunOnTangent(0.1),
    SquareUp(0.02, alike=False),
    Simplify(0.03),
    LeaveFindings(("gap:none",), "as agreed"),
    DrawCurves(
        tuple(encoded(Line(Point(*a), Point(*b))) for a, b in (((0, 0), (90, 0)), ((90, 0), (90, 60)))), "Base", "lines"
    ),
    MapCurves(("drawn-1", "drawn-2"), (1.0, 0.0, 0.0, 1.0, 5.0, 5.0), "Move curves"),
    RoundCorner(("drawn-1", "drawn-2"), 4.0, "fillet"),
    OffsetCurves(("drawn-1", "fillet-1", "drawn-2"), 2.0),
    JoinCurves(("drawn-1", "fillet-1")),
    CutCurve("drawn-2", 95.0, 40.0, "split"),
    LockCurves(("drawn-2.1",)),
    ReadOff(0.04, 0.4),
    BindDimensions(),
    SetParameter("wide", "10in / 2", "a test"),
    AddDimensions((Measure("d1", "Base", "length", (Named("6B"),), use="live"),)),
    SetDimension("d1", "wide + 3mm"),
    PlaceDimension("d1", 3.0, 4.0),
    SetVariants((Variant("small", (("d1", "40"), ("width", "2in"))),)),
    Rename("wide", "width"),
    SwitchConstraint("Base", "equal radius: #88, #89", False),
    LetGo("Base", ("equal radius: #88, #89",)),
    Constrain(Constraint("Base", "equal radius", (Named("88"), Named("89")))),
    Drag("Base", Named("88", place="centre"), 30.0, 30.0),
    HoldSketch("CONTROL-BOX"),
    FoldViews("third", sketches=("Base",)),
    LaySketch("CONTROL-BOX", "front", "10", turn="90"),
    RaiseRegions("Raise 1", "CONTROL-BOX", high="width / 100"),
    TreatEdges("Round 1", "fillet", "0.5", rule="risen"),
    DescribeBody("CONTROL-BOX", name="Box", colour=0x336699, material="steel"),
    PlaceBody("Copy 1", "Box", ("0", "0", "40"), turn="30", copies=2),
    ScaleBody("Scale 1", "Box 2", "x", "100"),
    CombineBodies("Join 1", "Box", ("Box 2",)),
    RaiseBy("Raise 2", "layer", (("CONTROL-BOX", "4"),)),
    TurnRegions("Turn 1", "CONTROL-BOX", Axis(start=(-50.0, -50.0), end=(-50.0, 50.0)), end="90", name="Bend"),
    LayOnFace("CONTROL-BOX", "Bend", ("Turn 1", "first", "9E")),
    DropBodies(("Bend",)),
    NestParts((900.0, 600.0), 2, (("Base", 3),), gap=4.0, turning="half", way="grid"),
    SetMachine(machine_named("router")),
    SetStock(Stock("width / 20", 12.0, origin="centre", keep_out=(KeepOut((0.0, 0.0, 20.0, 10.0), 15.0),))),
    HoldTools((Tool("T6", diameter=6.0, feed=700.0, step_down=2.0),)),
    SetOperation(Operation("Cut out", "profile", Pick(sketches=("Base",), nest="outer"), Settings(tool="T6"))),
    SetOperation(Operation("Mark", "follow", Pick(roots=("61",)), Settings(tool="T6", depth="0.2"))),
    SetPick("Mark", Pick(roots=("62",))),
    EditOperations(("Cut out", "Mark"), Settings(feed=500.0, tabs=3), cleared=("depth",), enabled=True),
    ListOperations(("Mark", "Cut out")),
    SetPlace(Place("Cut out", "Base/0", (1.0, 2.0), ((3.0, 4.0),), True, Settings(overcut=1.0))),
    OrderCuts("part by part", (("Cut out", "Base/0"),)),
    DropOperations(("Mark",)),
    SetSheet(Sheet("Front", views=(SheetView("profiles", place=(100.0, 90.0)),), fields=(("title", "Pump"),))),
    SheetEachPart(Sheet("Part", views=(SheetView("profiles"),))),
    DropSheets(("Front",)),
)


def job_with(*steps):
    job = Job.of(Source.of("panels.dxf", demo_bytes()))
    for step in steps:
        job = job.with_step(step)
    return job


@pytest.fixture(scope="module")
def evaluated():
    """All steps there are, one after the other."""
    return Evaluator().evaluate(job_with(*STEPS))


def test_the_list_has_every_kind_but_pasting_and_taking_over():
    kinds = {k.__name__ for k in KINDS}
    assert kinds - {type(s).__name__ for s in STEPS} == {"PasteCurves", "TakeOver"}


def test_all_of_them_together_are_kept_and_give_the_same_again(tmp_path, evaluated):
    job = job_with(*STEPS)
    save_job(job, tmp_path / "all.sxj")
    loaded = load_job(tmp_path / "all.sxj")
    assert loaded == job
    assert job_bytes(loaded) == job_bytes(job)
    again = Evaluator().evaluate(loaded)
    assert again.state == evaluated.state
    assert [r.title for r in again.ledger] == [r.title for r in evaluated.ledger]


def test_each_has_its_row_and_only_what_was_missing_is_told(evaluated):
    ledger = evaluated.ledger
    assert len(ledger) == len(STEPS)
    assert [r.failed for r in ledger if r.failed] == []
    assert [r.entry.missing for r in ledger if r.entry.missing] == [("none",)]
    assert all(r.title for r in ledger)


@pytest.mark.parametrize("step", STEPS, ids=lambda s: type(s).__name__)
def test_each_is_data_that_says_what_it_is(step):
    data = msgspec.json.encode(step)
    assert msgspec.json.decode(data, type=KnownStep) == step
    assert len(step.title) > 3


@pytest.mark.parametrize("step", STEPS[1:], ids=lambda s: type(s).__name__)
def test_each_is_skipped_or_told_where_its_target_is_gone(step):
    size = 'width="9mm" height="9mm" viewBox="0 0 9 9"'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" {size}><path d="M1 1H8V8Z"/></svg>'.encode()
    job = Job.of(Source.of("other.svg", svg)).with_step(step)
    evaluation = Evaluator().evaluate(job)
    assert sum(len(s.curves) for s in evaluation.state.sketches) + len(evaluation.state.excluded) >= 1
    assert len(evaluation.ledger) == 1


def test_switching_a_step_off_is_as_if_it_were_not_there():
    whole, without = job_with(*STEPS), job_with(*(s for s in STEPS if not isinstance(s, Turn)))
    turn = next(s for s in whole.steps if isinstance(s.step, Turn))
    evaluator = Evaluator()
    assert evaluator.evaluate(whole.switched(turn.number, False)).state == evaluator.evaluate(without).state


@pytest.mark.parametrize("scale", [ScaleBy(25.4, because="4 mm should be 101.6 mm"), ScaleBy(width=120.0)])
def test_a_length_that_was_measured_settles_the_size_of_the_only_source(scale):
    evaluator = Evaluator()
    job = job_with()
    assert in_doubt(job, evaluator.evaluate(job)) == (1,)
    assert in_doubt(job.with_step(ScaleBy(2.0)), evaluator.evaluate(job)) == (1,)
    settled = job.with_step(scale)
    assert in_doubt(settled, evaluator.evaluate(settled)) == ()
    two, _ = with_added(settled, Source.of("b.dxf", revised_bytes()), TakeIn())
    assert in_doubt(two, evaluator.evaluate(two)) == (1, 2)


def test_the_ledger_calls_a_source_by_its_name():
    job, number = with_added(job_with(), Source.of("b.dxf", revised_bytes()), TakeIn())
    evaluation = Evaluator().evaluate(job.with_step(ChooseUnit("in", number)))
    titles = [row.title for row in evaluation.ledger]
    assert any(t.startswith("Unit of b.dxf") for t in titles), titles
    assert not any("source 2" in t for t in titles)


def test_a_source_in_doubt_is_named_until_somebody_settles_it():
    job, number = with_added(job_with(), Source.of("b.dxf", revised_bytes()), TakeIn())
    evaluator = Evaluator()
    assert in_doubt(job, evaluator.evaluate(job)) == (1, 2)
    job = job.with_step(ChooseUnit("in", number))
    assert in_doubt(job, evaluator.evaluate(job)) == (1,)
    # What is settled there is heard here.
    first = evaluator.evaluate(job).sources[0].verdict
    assert "other files" in {w.kind for w in first.witnesses}
    assert in_doubt(job.with_step(ChooseUnit("in")), evaluator.evaluate(job)) == ()
