"""A recipe on many drawings: each in a process, none lost when one fails, and a summary of all."""

from __future__ import annotations

import csv
import importlib
import io
import multiprocessing
import time
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import Future, ProcessPoolExecutor, as_completed
from concurrent.futures.process import BrokenProcessPool
from functools import partial
from pathlib import Path
from typing import Any, Literal

import msgspec

from syntaxa.define.part import Defined
from syntaxa.deliver.write import deliver
from syntaxa.errors import JobError, SyntaxaError, reason_of
from syntaxa.files import write_atomically
from syntaxa.intake.registry import load_bytes
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Source
from syntaxa.job.recipe import Recipe, applied
from syntaxa.job.variants import write_variants
from syntaxa.measure.steps import ChooseUnit
from syntaxa.mend.model import is_fault
from syntaxa.mend.steps import MendFindings, survey_state

#: How long a scheduler is waited for.
_PATIENCE = "10s"

#: Does one drawing, given its path and those of what is written.
Work = Callable[[Path, Sequence[Path]], "Outcome"]

#: Told after each drawing: how many are done, and what became of it.
Told = Callable[[int, "Outcome"], None]


class Outcome(msgspec.Struct, frozen=True):
    """What became of one drawing. Lengths in mm; notes are what should be looked at."""

    file: str
    status: Literal["done", "failed"]
    says: str = ""
    unit: str = ""
    unit_confidence: float = 0.0
    curves: int = 0
    regions: int = 0
    open_ends: int = 0
    findings_left: int = 0
    max_mm: float = 0.0
    seconds: float = 0.0
    outputs: list[str] = []
    notes: list[str] = []


class Summary(msgspec.Struct, frozen=True):
    """All of a run; see docs/formats.md."""

    schema: str
    recipe: str
    outcomes: list[Outcome]

    @property
    def failed(self) -> int:
        """How many drawings failed."""
        return sum(o.status == "failed" for o in self.outcomes)


def run_one(recipe: Recipe, path: Path, outputs: Sequence[Path], limit: float | None = None) -> Outcome:
    """The recipe on one drawing, written to the outputs, in so many seconds. Every failure is told in the outcome."""
    began = time.perf_counter()
    try:
        return _run(recipe, path, outputs, began, limit)
    except SyntaxaError as error:
        says = str(error)
    except Exception as error:  # noqa: BLE001  one drawing must not take the others down, whatever is wrong with it
        says = f"A fault in the program stopped it ({type(error).__name__}: {error})."
    return Outcome(path.name, "failed", says, seconds=time.perf_counter() - began)


def run_many(
    recipe: Recipe,
    paths: Sequence[Path],
    folder: Path,
    jobs: int = 1,
    scheduler: str = "",
    told: Told | None = None,
    limit: float | None = None,
) -> Summary:
    """The recipe on all drawings, in so many processes, or on the cluster at an address; in the order of the paths.

    limit   seconds for each drawing; what is not done by then is told in its notes
    The summary is written to the folder as summary.csv and summary.json.
    """
    if not paths:
        raise JobError("There is no drawing to run the recipe on.")
    _made(folder)
    outputs = _outputs(recipe, paths, folder)
    runs = _on_cluster if scheduler else _in_processes
    work = partial(run_one, recipe, limit=limit)
    found: dict[int, Outcome] = {}
    for k, outcome in runs(work, paths, outputs, scheduler or jobs):
        found[k] = outcome
        if told is not None:
            told(len(found), outcome)
    summary = Summary("syntaxa.run/1", recipe.name, [found[k] for k in range(len(paths))])
    _write_summary(summary, folder)
    return summary


def summary_csv(summary: Summary) -> str:
    """The summary as a table, a row for each drawing."""
    text = io.StringIO()
    writer = csv.writer(text)
    names = [n for n in Outcome.__struct_fields__ if n not in ("outputs", "notes")]
    writer.writerow([*names, "outputs", "notes"])
    for outcome in summary.outcomes:
        row = [getattr(outcome, n) for n in names]
        writer.writerow([*row, "; ".join(outcome.outputs), " ".join(outcome.notes)])
    return text.getvalue()


def _run(recipe: Recipe, path: Path, outputs: Sequence[Path], began: float, limit: float | None) -> Outcome:
    job = applied(recipe, Source.of(path.name, load_bytes(path)))
    evaluation = Evaluator().evaluate(job, deadline=None if limit is None else time.monotonic() + limit)
    notes = [f"{row.title}: {row.failed}" for row in evaluation.ledger if row.failed]
    notes += [f"{r.title}: not found: {', '.join(r.entry.missing)}." for r in evaluation.ledger if r.entry.missing]
    verdict, unit = evaluation.verdict, evaluation.state.placement.unit
    chosen = job.step_of(ChooseUnit)
    if chosen is None and not verdict.sure:
        notes.append(f"The unit is in doubt: {unit} is {verdict.confidence:.0%} likely.")
    elif chosen is not None and verdict.sure and verdict.unit != unit:
        notes.append(f"The recipe says {unit}, but the drawing speaks for {verdict.unit} ({verdict.confidence:.0%}).")
    gap = next((s.step.gap for s in job.steps if isinstance(s.step, MendFindings) and s.enabled), None)
    survey = survey_state(evaluation.state, gap)
    for output in outputs:
        notes += [f"{output.name}: {note}" for note in deliver(evaluation.state, output, recipe.written.output).notes]
    variants = evaluation.state.part(Defined).variants
    more, said = write_variants(evaluation, variants, outputs, recipe.written.output)
    notes += said
    counts = survey.counts()
    return Outcome(
        path.name,
        "done",
        "",
        unit,
        round(verdict.confidence, 4),
        survey.curves,
        len(survey.regions),
        survey.open_ends,
        sum(n for kind, n in counts.items() if is_fault(kind)),
        max((row.entry.max_mm for row in evaluation.ledger if row.title.startswith("Mend")), default=0.0),
        time.perf_counter() - began,
        [str(o) for o in (*outputs, *more)],
        notes,
    )


def _in_processes(
    work: Work, paths: Sequence[Path], outputs: Sequence[list[Path]], jobs: int | str
) -> Iterator[tuple[int, Outcome]]:
    """Each drawing in a process of a pool. Where one takes its process down, those left are run again alone."""
    left = dict.fromkeys(range(len(paths)))
    workers = max(1, min(int(jobs), len(paths)))
    try:
        with _pool(workers) as pool:
            futures = {pool.submit(work, paths[k], outputs[k]): k for k in left}
            try:
                for future in as_completed(futures):
                    outcome = future.result()
                    left.pop(futures[future])
                    yield futures[future], outcome
            except GeneratorExit:
                _drop(futures)
                raise
    except BrokenProcessPool:
        for k in list(left):
            yield k, _alone(work, paths[k], outputs[k])


def _alone(work: Work, path: Path, outputs: list[Path]) -> Outcome:
    try:
        with _pool(1) as pool:
            return pool.submit(work, path, outputs).result()
    except BrokenProcessPool:
        return Outcome(path.name, "failed", "Reading it took the whole process down.")


def _pool(workers: int) -> ProcessPoolExecutor:
    # A fork would take over the threads and locks of the window.
    return ProcessPoolExecutor(workers, mp_context=multiprocessing.get_context("spawn"))


def _drop(futures: dict[Future[Outcome], int]) -> None:
    for future in futures:
        future.cancel()


def _on_cluster(
    work: Work, paths: Sequence[Path], outputs: Sequence[list[Path]], address: int | str
) -> Iterator[tuple[int, Outcome]]:
    """Each drawing as a task of the cluster, whose machines must see the same files."""
    try:
        # An optional extra, which has no types.
        cluster: Any = importlib.import_module("distributed")
    except ImportError:
        raise JobError(
            "Running on a cluster needs the package distributed.",
            suggestion="Install the extra “cluster”.",
        ) from None
    try:
        client = cluster.Client(str(address), timeout=_PATIENCE, set_as_default=False)
    except (OSError, ValueError) as error:
        raise JobError(f"There is no scheduler at {address} ({type(error).__name__}).") from error
    with client, client.as_current():
        futures = {
            client.submit(work, paths[k].resolve(), [o.resolve() for o in outputs[k]], pure=False): k
            for k in range(len(paths))
        }
        for future in cluster.as_completed(list(futures)):
            k = futures[future]
            failed = future.exception()
            if failed is not None:
                yield k, Outcome(paths[k].name, "failed", f"The cluster lost it ({type(failed).__name__}).")
            else:
                yield k, future.result()


def _outputs(recipe: Recipe, paths: Sequence[Path], folder: Path) -> list[list[Path]]:
    """Where each drawing goes; names that several drawings share get a number."""
    taken: set[str] = set()
    found = []
    for path in paths:
        stem, number = path.stem, 2
        while stem.lower() in taken:
            stem, number = f"{path.stem}-{number}", number + 1
        taken.add(stem.lower())
        found.append([folder / f"{stem}{ending}" for ending in recipe.written.endings])
    sources = {p.resolve() for p in paths}
    for outputs in found:
        for output in outputs:
            if output.resolve() in sources:
                raise JobError(
                    f"{output} is one of the drawings themselves.", suggestion="Choose another folder for the results."
                )
    return found


def _made(folder: Path) -> None:
    try:
        folder.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise JobError(f"{folder} cannot be made: {reason_of(error)}.", suggestion="Choose another folder.") from error


def _write_summary(summary: Summary, folder: Path) -> None:
    data = msgspec.json.format(msgspec.json.encode(summary), indent=2)
    try:
        write_atomically(folder / "summary.json", data + b"\n")
        write_atomically(folder / "summary.csv", summary_csv(summary).encode())
    except OSError as error:
        raise JobError(f"The summary cannot be written to {folder}: {reason_of(error)}.") from error
