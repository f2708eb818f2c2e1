"""The account of a mending: every figure in it is one that can be found elsewhere, and it reads as a page."""

from __future__ import annotations

import json
from dataclasses import replace

import lxml.html
import pytest

from syntaxa.cli.main import run as command
from syntaxa.demo.drawing import demo_bytes, write_demo
from syntaxa.errors import DeliverError
from syntaxa.job.account import account_of, page_of, report_bytes
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin
from syntaxa.mend.steps import MendFindings, RefitFacets, proposed_gap, survey_state
from syntaxa.route.steps import ChooseLayers


@pytest.fixture(scope="module")
def mended():
    job = Job.of(Source.of("panels.dxf", demo_bytes()))
    out = ("CENTRE-LINES", "CONSTRUCTION", "NOTES", "TITLE-BLOCK")
    for step in (ChooseUnit("in"), ChooseLayers(out), PlaceOrigin("lower-left"), MendFindings(), RefitFacets()):
        job = job.with_step(step)
    return job


@pytest.fixture(scope="module")
def accounted(mended):
    return account_of(mended, "panels", Evaluator())


def test_its_figures_are_those_of_ledger_and_survey(mended, accounted):
    account = accounted.account
    evaluation = Evaluator().evaluate(mended)
    entry = next(r.entry for r in evaluation.ledger if r.title.startswith("Mend"))
    assert len(account.fixes) == entry.changed
    assert max(f.moved_mm for f in account.fixes) == entry.max_mm == account.max_mm
    assert sum(f.dropped_mm for f in account.fixes) == pytest.approx(entry.dropped_mm)
    surveyed = survey_state(evaluation.state, None)
    assert account.after.regions == len(account.regions) == len(surveyed.regions)
    assert sum(r.area_mm2 for r in account.regions) == pytest.approx(sum(r.area for r in surveyed.regions))
    assert account.before.open_ends > account.after.open_ends
    # Every fix says where it is: within the drawing, whose lower left corner is the origin.
    assert all(-1 <= f.place_mm[0] <= account.after.size_mm[0] + 1 for f in account.fixes)
    assert {f.sketch for f in account.fixes} <= {s.name for s in accounted.after}
    assert account.steps[0].step == "Unit: inches"


def test_every_fix_has_its_deviation_measured(mended, accounted):
    fixes = accounted.account.fixes
    gap = Evaluator().evaluate(replace(mended, steps=mended.steps[:-2])).state
    limit = proposed_gap(gap.sketches).gap
    assert all(0 <= f.deviation_mm <= limit for f in fixes)
    assert any(f.deviation_mm > 0 for f in fixes if f.kind == "gap")
    lone = [
        f for f in fixes if f.kind == "duplicate" and not any(set(f.curves) & set(g.curves) for g in fixes if g != f)
    ]
    assert lone
    assert all(f.deviation_mm <= 1e-6 for f in lone)


def test_a_budget_is_kept_or_told(mended, accounted):
    worst = max(accounted.account.max_mm, accounted.account.along_mm)
    for budget, holds in ((worst * 1.01, True), (worst * 0.99, False)):
        account = account_of(mended, "panels", Evaluator(), budget).account
        assert account.within_budget == holds
        assert f"{'within' if holds else 'over'} the budget" in page_of(account, "").verdict


def test_the_page_is_whole_and_holds_its_pictures(accounted):
    text = report_bytes(accounted, ".html", "today").decode()
    page = lxml.html.document_fromstring(text)
    assert page.findtext(".//h1") == "Mending of panels"
    pictures = page.findall(".//svg")
    assert len(pictures) == 2
    drawn = [len([e for e in p.iter() if e.tag in ("path", "circle", "ellipse")]) for p in pictures]
    rings = len(accounted.account.fixes)
    assert drawn == [accounted.account.before.curves + rings, accounted.account.after.curves]
    heads = [h.text for h in page.findall(".//h2")]
    assert heads == ["Before and after", "What was received", "Steps", "Findings that were fixed",
                     "Findings that are left", "Closed regions"]  # fmt: skip
    rows = [len(t.findall(".//tr")) - 1 for t in page.findall(".//table")]
    assert rows == [1, 5, rings, len(accounted.account.left), len(accounted.account.regions)]
    # Nothing is fetched from anywhere.
    assert "http" not in text.replace("http://www.w3.org/2000/svg", "")


def test_names_cannot_break_the_page():
    job = Job.of(Source.of('<b>&"x.dxf', demo_bytes()))
    page = report_bytes(account_of(job, "<script>", Evaluator()), ".html", "").decode()
    assert "<script>" not in page
    assert "&lt;b&gt;&amp;" in page
    assert "is in doubt" in page


def test_json_has_the_same_figures(accounted):
    record = json.loads(report_bytes(accounted, ".json", ""))
    assert record["schema"] == "syntaxa.account/1"
    assert len(record["fixes"]) == len(accounted.account.fixes)
    assert record["max_mm"] == accounted.account.max_mm
    with pytest.raises(DeliverError, match=r"\.txt"):
        report_bytes(accounted, ".txt", "")


def test_the_command_line_writes_it_and_minds_the_budget(tmp_path, capsys):
    path = write_demo(tmp_path)
    arguments = ["mend", str(path), "-o", str(tmp_path / "o.dxf"), "--unit", "in", "--report", str(tmp_path / "r.html")]
    assert command([*arguments, "--budget", "1/1000 mm", "--strict", "--json"], None, None) == 1
    assert json.loads(capsys.readouterr().out)["budget_mm"] == 0.001
    assert "over the budget of 0.001 mm" in (tmp_path / "r.html").read_text()
    assert command([*arguments, "--report", str(tmp_path / "no" / "r.html")], None, None) == 2
    assert "cannot be written" in capsys.readouterr().err
