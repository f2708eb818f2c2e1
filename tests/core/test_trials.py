"""Trials: each on a copy, with figures that are those of doing it; what was mended before gives way."""

from __future__ import annotations

import pytest

from syntaxa.demo.drawing import demo_bytes
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.job.trials import Treatment, run_trials, treatments_for
from syntaxa.measure.steps import ChooseUnit
from syntaxa.mend.model import is_fault
from syntaxa.mend.steps import MendFindings, RefitFacets, survey_state


@pytest.fixture(scope="module")
def evaluator():
    return Evaluator()


@pytest.fixture(scope="module")
def job():
    return Job.of(Source.of("panels.dxf", demo_bytes())).with_step(ChooseUnit("in"))


@pytest.fixture(scope="module")
def trials(evaluator, job):
    return run_trials(evaluator, job, treatments_for(evaluator, job))


def test_every_choice_is_tried_and_the_proposed_tolerance_comes_first(trials, evaluator, job):
    treatments = [t.treatment for t in trials]
    assert len(set(treatments)) == len(treatments) == 6
    assert {t.bridged for t in treatments} == {t.arcs for t in treatments} == {False, True}
    assert len({t.gap for t in treatments}) == 4
    assert not any(t.flat for t in treatments)
    assert treatments[0] == Treatment(treatments[0].gap)
    assert all(t.says.startswith("gap ") for t in treatments)


def test_figures_are_those_of_doing_it(trials, evaluator):
    for trial in trials:
        state = evaluator.evaluate(trial.job).state
        survey = survey_state(state, trial.treatment.gap)
        assert (len(survey.regions), survey.open_ends) == (trial.regions, trial.open_ends)
        assert sum(is_fault(f.kind) for f in survey.findings) == trial.faults
        assert list(trial.curves) == state.made_curves()
        # No end moves by more than half the gap; a bent curve may lie off by a little more.
        assert trial.deviation <= trial.treatment.gap


def test_gaps_that_are_bridged_leave_every_end_where_it_was(trials):
    plain = next(t for t in trials if t.treatment == Treatment(t.treatment.gap))
    bridged = next(t for t in trials if t.treatment.bridged)
    assert bridged.regions == plain.regions
    assert len(bridged.curves) >= len(plain.curves)


def test_mending_everything_gives_way_and_what_was_done_by_hand_stays(evaluator, job, trials):
    one = trials[0].treatment
    key = next(f.key for f in survey_state(evaluator.evaluate(job).state, one.gap).findings if f.kind == "duplicate")
    by_hand = job.with_step(MendFindings(one.gap, only=(key,))).with_step(MendFindings(0.5)).with_step(RefitFacets())
    (trial,) = run_trials(evaluator, by_hand, [one])
    steps = [s.step for s in trial.job.steps]
    assert MendFindings(one.gap, only=(key,)) in steps
    assert MendFindings(0.5) not in steps
    assert steps[-1] == MendFindings(one.gap)
    assert trial.regions == trials[0].regions


def test_tilted_curves_that_were_left_out_are_tried_laid_flat(evaluator):
    import io

    import ezdxf

    document = ezdxf.new()
    document.header["$INSUNITS"] = 4
    space = document.modelspace()
    space.add_lwpolyline([(0, 0), (30, 0), (30, 20), (0, 20)], close=True)
    space.add_circle((10, 10, 0), 4, dxfattribs={"extrusion": (0, 0.6, 0.8)})
    text = io.StringIO()
    document.write(text)
    tilted = Job.of(Source.of("tilted.dxf", text.getvalue().encode()))
    treatments = treatments_for(evaluator, tilted)
    assert [t.flat for t in treatments].count(True) == 1
    plain, flat = run_trials(evaluator, tilted, [treatments[0], treatments[-1]])
    assert (plain.regions, flat.regions) == (1, 2)
    assert len(flat.curves) == len(plain.curves) + 1
