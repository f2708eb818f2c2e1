"""syntaxa run: a recipe on many drawings."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.tables import table
from syntaxa.job.batch import Outcome, Summary, run_many
from syntaxa.job.recipe import load_recipe

#: Signs that the progress bar is long.
_BAR = 30


def run_files(options: argparse.Namespace) -> Summary:
    """Runs the recipe, with a progress bar on stderr."""
    if options.jobs < 1:
        raise UsageError("--jobs needs a number from 1 up.")
    if options.limit is not None and not options.limit > 0:
        raise UsageError("--limit needs seconds above 0.")
    recipe = load_recipe(Path(options.recipe))
    paths = [Path(f) for f in options.files]
    bar = _Bar(len(paths), quiet=options.json)
    return run_many(recipe, paths, Path(options.output), options.jobs, options.scheduler or "", bar.told, options.limit)


def print_summary(summary: Summary, folder: str) -> None:
    """The summary for people."""
    rows = [
        (
            o.file,
            o.status,
            o.unit,
            o.curves,
            o.regions,
            o.open_ends,
            o.findings_left,
            f"{o.max_mm:.4g}",
            f"{o.seconds:.2f}",
        )
        for o in summary.outcomes
    ]
    print(table(("File", "", "Unit", "Curves", "Regions", "Open ends", "Findings left", "Moved mm", "s"), rows))
    for outcome in summary.outcomes:
        for sentence in filter(None, (outcome.says, *outcome.notes)):
            print(f"{outcome.file}: {sentence}")
    print(f"Written: {folder}/summary.csv and summary.json")


class _Bar:
    """A bar that grows; on something that is no terminal a line for each drawing."""

    def __init__(self, total: int, quiet: bool) -> None:
        self._total, self._quiet = total, quiet
        self._terminal = sys.stderr.isatty()

    def told(self, done: int, outcome: Outcome) -> None:
        """One more drawing is done."""
        if self._quiet:
            return
        filled = round(_BAR * done / self._total)
        line = f"[{'#' * filled}{'.' * (_BAR - filled)}] {done}/{self._total} {outcome.file}: {outcome.status}"
        if self._terminal:
            end = "\n" if done == self._total else ""
            print(f"\r\x1b[K{line}", end=end, file=sys.stderr, flush=True)
        else:
            print(line, file=sys.stderr)
