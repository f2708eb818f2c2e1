"""syntaxa sweep: what every tolerance would close, leave open and swallow."""

from __future__ import annotations

import argparse

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.opening import hidden_in, opened, with_layers
from syntaxa.cli.records import SweepRecord, SweepStep
from syntaxa.cli.tables import table
from syntaxa.drawing.quantities import length_in
from syntaxa.errors import no_progress
from syntaxa.job.evaluate import Evaluator
from syntaxa.measure.steps import ChooseUnit
from syntaxa.mend.steps import proposed_gap, sweep_state


def swept_file(options: argparse.Namespace) -> SweepRecord:
    """The sweep of one file."""
    limit = length_in(options.limit, "mm")
    if not 1e-3 < limit < 1e6:
        raise UsageError(f"“{options.limit}” is no limit.", suggestion="Use a length above 0.001 mm.")
    job = opened(options)
    evaluator = Evaluator()
    if options.unit != "auto":
        job = job.with_step(ChooseUnit(options.unit))
    job = with_layers(job, options, hidden_in(job, evaluator))
    state = evaluator.evaluate(job).state
    proposal = proposed_gap(state.sketches)
    found = sweep_state(state, proposal.gap, no_progress, limit)
    columns = (found.tolerance, found.regions, found.open_ends, found.swallowed)
    steps = [SweepStep(float(t), int(r), int(o), int(s)) for t, r, o, s in zip(*columns, strict=True)]
    return SweepRecord("syntaxa.sweep/1", proposal.gap, f"{proposal.says} {found.says(proposal.gap)}", steps)


def print_swept(record: SweepRecord) -> None:
    """The record for people."""
    rows = [(f"{s.tolerance_mm:.4g}", s.regions, s.open_ends, s.swallowed) for s in record.steps]
    print(table(("Tolerance mm", "Regions closed", "Open ends", "Curves no larger"), rows))
    print(f"Proposed: {record.proposed_mm:.4g} mm. {record.says}")
