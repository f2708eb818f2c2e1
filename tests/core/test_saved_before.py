"""Jobs and recipes that an earlier version saved: they open, and what comes of them is what came of them then."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from syntaxa.demo.drawing import demo_bytes
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Source
from syntaxa.job.recipe import applied, load_recipe
from syntaxa.job.store import load_job

FIXTURES = Path(__file__).parent / "fixtures"
FIGURES = json.loads((FIXTURES / "figures.json").read_text())


@pytest.mark.parametrize("name", FIGURES)
def test_a_job_of_before_gives_what_it_gave(name):
    then = FIGURES[name]
    now = Evaluator().evaluate(load_job(FIXTURES / f"{name}.sxj"))
    sketches = [[s.name, s.purpose, len(s.curves)] for s in now.state.sketches]
    assert sketches == [s[:3] for s in then["sketches"]]
    lengths = [sum(c.shape.length for c in s.curves) for s in now.state.sketches]
    assert lengths == pytest.approx([s[3] for s in then["sketches"]], rel=1e-9)
    assert len(now.state.excluded) == then["aside"]
    rows = [[r.number, r.title, r.enabled, r.failed, r.entry.changed] for r in now.ledger]
    assert rows == [r[:5] for r in then["ledger"]]
    moved = [[r.entry.max_mm, r.entry.dropped_mm] for r in now.ledger]
    assert moved == [pytest.approx(r[5:7], rel=1e-9, abs=1e-12) for r in then["ledger"]]


def test_a_recipe_of_before_does_the_same_steps():
    then = FIGURES["every-step"]
    recipe = load_recipe(FIXTURES / "every-step.sxr")
    ledger = Evaluator().evaluate(applied(recipe, Source.of("panels.dxf", demo_bytes()))).ledger
    titles = {row[1] for row in then["ledger"]}
    assert len(ledger) == 20
    assert {r.title for r in ledger} <= titles
    assert [r.failed for r in ledger if r.failed] == []
