"""The pages of Mend by their widgets: trials, comparing, flicker, reshaping, and findings of one sketch."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import Qt

from syntaxa.app.session.surveyed import findings, surveyed
from syntaxa.app.stages.mend.fixing import set_gap
from syntaxa.app.stages.mend.reshape_page import KINDS


@pytest.fixture
def mend(demo, settled):
    demo.show_mend()
    settled()
    return demo.mend


def test_every_kind_of_reshaping_says_what_it_would_do_before_it_does_it(qtbot, demo, mend, settled):
    demo.fix_all()
    settled()
    steps = len(demo.session.job.steps)
    demo.reshape()
    page = mend.reshape
    for k, kind in enumerate(KINDS):
        page.kind.setCurrentIndex(k)
        assert page.told.text() == ""
        assert not page.do_it.isEnabled()
        qtbot.mouseClick(page.look, Qt.MouseButton.LeftButton)
        settled()
        assert page.told.text(), kind.name
        assert page.says.text() == kind.says
    assert len(demo.session.job.steps) == steps
    page.kind.setCurrentIndex(3)
    qtbot.mouseClick(page.look, Qt.MouseButton.LeftButton)
    settled()
    if page.do_it.isEnabled():
        qtbot.mouseClick(page.do_it, Qt.MouseButton.LeftButton)
        settled()
        assert len(demo.session.job.steps) == steps + 1


def test_what_was_looked_for_is_forgotten_when_the_tolerance_changes(qtbot, demo, mend, settled):
    demo.reshape()
    page = mend.reshape
    qtbot.mouseClick(page.look, Qt.MouseButton.LeftButton)
    settled()
    assert page.told.text()
    page.within.setText("0.2")
    assert page.told.text() == ""
    assert not page.do_it.isEnabled()


def test_trials_are_run_side_by_side_and_one_is_taken_and_undone(qtbot, demo, mend, settled):
    job = demo.session.job
    demo.try_treatments()
    settled()
    page, trials = mend.trials, mend.trials.trials
    assert demo.session.job == job
    assert page.list.count() == len(trials) >= 6
    assert len({trial.treatment for trial, _ in trials}) == len(trials)
    assert not page.take.isEnabled()
    best = max(range(len(trials)), key=lambda k: trials[k][0].regions)
    regions = trials[best][0].regions
    page.list.setCurrentRow(best)
    qtbot.mouseClick(page.take, Qt.MouseButton.LeftButton)
    settled()
    set_gap(demo.session, trials[best][0].treatment.gap)
    settled()
    assert len(surveyed(demo.session).survey.regions) == regions
    demo.session.undo()
    settled()
    assert demo.session.job == job


def test_received_and_result_are_swiped_faded_and_shown_in_bands(qtbot, demo, mend, settled):
    demo.fix_all()
    settled()
    demo.compare_received()
    settled()
    page = mend.compare
    demo.canvas.paint_now()
    plain = demo.canvas.grab().toImage()
    page.way.setCurrentIndex(page.way.findData("swipe"))
    demo.canvas.paint_now()
    swiped = demo.canvas.grab().toImage()
    page.way.setCurrentIndex(page.way.findData("fade"))
    page.share.setValue(100)
    faded = demo.canvas.grab().toImage()
    page.way.setCurrentIndex(0)
    page.heat.setChecked(True)
    demo.canvas.paint_now()
    bands = demo.canvas.grab().toImage()
    pictures = (plain, swiped, faded, bands)
    assert all(a != b for k, a in enumerate(pictures) for b in pictures[:k])
    assert page._key.text().startswith("From thin to thick: up to")
    demo.show_measure()
    assert demo.versus is None
    demo.show_mend()
    assert demo.versus is not None
    demo.session.undo()
    settled()
    assert demo.versus is None


def test_where_nothing_was_changed_nothing_is_off_and_that_is_said(demo, mend, settled):
    """Rounding is no figure: it was told as 0.0000000000000856 mm, a row for each curve."""
    demo.compare_received()
    settled()
    assert mend.compare.says.text() == "The result lies where what was received lies, to 0.000001 mm."
    assert mend.compare.far.model().rowCount() == 0


def test_a_budget_is_judged_and_goes_into_the_account(qtbot, demo, mend, settled):
    demo.fix_all()
    settled()
    page = mend.compare
    page.budget.setText("0.5")
    assert page.verdict.text() == "Compare to see whether it holds."
    demo.compare_received()
    settled()
    assert page.verdict.text() == "It holds."
    page.budget.setText("0.001")
    assert page.verdict.text().startswith("Over it by ")
    assert not demo.account().account.within_budget
    page.budget.setText("")
    assert page.verdict.text() == ""
    assert demo.account().account.budget_mm is None


def test_a_finding_flickers_between_before_and_after_its_fix(qtbot, demo, mend, settled):
    demo.next_finding()
    while not mend.findings.chosen.remedy:
        demo.next_finding()
    demo.flicker()
    settled()
    assert mend.findings.flicker.isChecked()
    qtbot.waitUntil(lambda: demo.versus is not None, timeout=5000)
    share = demo.versus.share
    qtbot.waitUntil(lambda: demo.versus.share != share, timeout=5000)
    demo.flicker()
    assert demo.versus is None
    assert not mend._turns.isActive()


def test_findings_of_one_sketch_are_stepped_through_alone(demo, mend, settled):
    everything = len(mend.findings._rows)
    counts = []
    for row in range(1, mend.findings._sketch.count()):
        mend.findings._sketch.setCurrentIndex(row)
        mend.findings._fill()
        own = {c.id for c in demo.session.state.sketch(mend.findings._sketch.currentData()).curves}
        assert all(own & set(f.curves) for f in mend.findings._rows)
        counts.append(len(mend.findings._rows))
    assert sum(counts) == everything
    assert 0 < max(counts) < everything


def test_what_was_received_lies_beneath_while_a_finding_is_looked_at(demo, mend, settled):
    assert not demo.canvas.beneath.shown
    demo.next_finding()
    assert demo.canvas.beneath.shown
    demo.show_measure()
    assert not demo.canvas.beneath.shown
    demo.show_mend()
    assert demo.canvas.beneath.shown
    demo.fix_all()
    settled()
    assert demo.canvas.beneath.shown == (mend.findings.chosen is not None)


def test_a_kind_alone_can_be_fixed_whole(demo, mend, settled):
    kinds = [mend.findings._kind.itemData(k) for k in range(mend.findings._kind.count())]
    assert "stray" in kinds
    mend.findings._kind.setCurrentIndex(kinds.index("stray"))
    mend.findings._fill()
    before = len(mend.findings._rows)
    assert mend.findings.fix_every.text() == f"Fix these {before}"
    mend.findings.fix_listed()
    settled()
    assert not [f for f in findings(demo.session) if f.kind == "stray"]
