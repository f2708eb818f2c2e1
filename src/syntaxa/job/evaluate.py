"""Evaluation: the steps done in order, each result kept by the digest of all that it depends on."""

from __future__ import annotations

import hashlib
import time
from collections import OrderedDict
from dataclasses import dataclass, replace
from threading import Lock

import msgspec

from syntaxa.drawing.state import Entry, Placement, State
from syntaxa.errors import Progress, SyntaxaError, no_progress
from syntaxa.intake.model import Received
from syntaxa.intake.registry import read
from syntaxa.job.model import Job, JobStep, Source
from syntaxa.measure.witnesses import Verdict, hear
from syntaxa.route.steps import first_sketches


@dataclass(frozen=True, slots=True)
class Row:
    """A row of the ledger."""

    number: int
    title: str
    enabled: bool
    entry: Entry
    seconds: float
    failed: str = ""


@dataclass(frozen=True, slots=True)
class Evaluation:
    """What a job gives: its source as read, the unit's verdict, the first state, the last, and the ledger."""

    received: Received
    verdict: Verdict
    first: State
    state: State
    ledger: tuple[Row, ...]


class Evaluator:
    """Evaluates jobs; remembers the latest results. Safe to call from several threads."""

    def __init__(self, keep: int = 48) -> None:
        self._keep = keep
        self._results: OrderedDict[str, tuple[State, Row]] = OrderedDict()
        self._sources: OrderedDict[str, tuple[Received, Verdict, State]] = OrderedDict()
        self._lock = Lock()

    def evaluate(self, job: Job, progress: Progress = no_progress) -> Evaluation:
        """All steps that are on; a step that fails is told in the ledger and skipped."""
        received, verdict, first = self._first(job.source, progress)
        state, digest = first, job.source.digest
        ledger = []
        for k, job_step in enumerate(job.steps):
            progress(k / len(job.steps))
            if not job_step.enabled:
                ledger.append(Row(job_step.number, job_step.step.title, False, Entry(0), 0.0))
                continue
            digest = _next_digest(digest, job_step)
            state, row = self._done(digest, state, job_step)
            ledger.append(row)
        progress(1.0)
        return Evaluation(received, verdict, first, state, tuple(ledger))

    def _first(self, source: Source, progress: Progress) -> tuple[Received, Verdict, State]:
        with self._lock:
            known = self._sources.get(source.digest)
        if known is None:
            received = read(source.name, source.data, progress)
            verdict = _verdict(received)
            placement = Placement(received.report.declared or verdict.unit)
            state = first_sketches(State(received.drawing, placement))
            known = received, verdict, state
            with self._lock:
                self._sources[source.digest] = known
                while len(self._sources) > 4:
                    self._sources.popitem(last=False)
        return known

    def _done(self, digest: str, state: State, job_step: JobStep) -> tuple[State, Row]:
        with self._lock:
            known = self._results.get(digest)
            if known is not None:
                self._results.move_to_end(digest)
                return known[0], replace(known[1], number=job_step.number)
        began = time.perf_counter()
        failed = ""
        try:
            after, entry = job_step.step.apply(state)
        except SyntaxaError as error:
            after, entry, failed = state, Entry(0), str(error)
        row = Row(job_step.number, job_step.step.title, True, entry, time.perf_counter() - began, failed)
        with self._lock:
            self._results[digest] = after, row
            while len(self._results) > self._keep:
                self._results.popitem(last=False)
        return after, row


def _next_digest(digest: str, job_step: JobStep) -> str:
    return hashlib.sha256(digest.encode() + msgspec.json.encode(job_step.step)).hexdigest()


def _verdict(received: Received) -> Verdict:
    box = received.drawing.extents()
    size = max(box[2] - box[0], box[3] - box[1]) if box else None
    return hear(received.report.declared, received.report.metric, size)
