"""Evaluation: the steps done in order, each result kept by the digest of all that it depends on."""

from __future__ import annotations

import hashlib
import logging
import time
from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Any

import msgspec

from syntaxa.drawing.state import Entry, State, Taken
from syntaxa.drawing.step import Context, Step, Working
from syntaxa.errors import Cancelled, PasswordNeeded, Progress, SyntaxaError, WorkerError, no_progress
from syntaxa.intake.model import ReadOptions, Received
from syntaxa.intake.registry import is_native, read, read_apart
from syntaxa.intake.steps import TakeIn
from syntaxa.job.cache import Cache, drawing_bytes, state_bytes
from syntaxa.job.model import Job, JobStep, Source, UnknownStep, own_ids, reading_key
from syntaxa.job.passwords import PASSWORDS, Passwords
from syntaxa.measure.evidence import evidence_of
from syntaxa.measure.steps import ChooseUnit, ScaleBy, followed
from syntaxa.measure.witnesses import Verdict, hear
from syntaxa.route.steps import first_sketches
from syntaxa.watching import until

_LOG = logging.getLogger(__name__)

_FAULT = "A fault in the program stopped this step ({}); nothing of it was done. The log has the details."


@dataclass(frozen=True, slots=True)
class Row:
    """A row of the ledger; a record tells what was done and cannot be switched off.

    broke_off  the digest of a step whose process ended or that took more than it may; empty for any other
    """

    number: int
    title: str
    enabled: bool
    entry: Entry
    seconds: float
    failed: str = ""
    is_record: bool = False
    broke_off: str = ""


@dataclass(frozen=True, slots=True)
class SourceRead:
    """A source as it was read, with what is known of its unit; its own number in the job."""

    number: int
    name: str
    received: Received
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class Evaluation:
    """What a job gives: its sources as read, the first state with what was taken in, the last, and the ledger.

    first_digest, digest   of all that the first and the last state depend on
    job, evaluator         that it is of, and that made it
    """

    sources: tuple[SourceRead, ...]
    first: State
    state: State
    ledger: tuple[Row, ...]
    first_digest: str
    digest: str
    job: Job
    evaluator: Evaluator

    @property
    def changes(self) -> tuple[tuple[str, int, float], ...]:
        """What each step did: its title, how many curves it changed, and how far it moved any at the most (mm)."""
        return tuple((r.title, r.entry.changed, r.entry.max_mm) for r in self.ledger if r.enabled and not r.failed)

    def without(self, dropped: Callable[[Step], bool]) -> Evaluation:
        """What the job would have come to without some of its steps; evaluated, if it is not known yet."""
        kept = tuple(s for s in self.job.steps if isinstance(s.step, UnknownStep) or not dropped(s.step))
        if len(kept) == len(self.job.steps):
            return self
        return self.evaluator.evaluate(replace(self.job, steps=kept))

    def context(self, progress: Progress = no_progress) -> Context:
        """What a step is given that is tried on the last state."""
        return self.evaluator.context(self, progress)

    @property
    def received(self) -> Received:
        """The first source as it was read."""
        return self.sources[0].received

    @property
    def verdict(self) -> Verdict:
        """What is known of the unit of the first source."""
        return self.sources[0].verdict


class Evaluator:
    """Evaluates jobs; remembers the latest results. Safe to call from several threads."""

    def __init__(
        self,
        most: int = 768 << 20,
        passwords: Passwords = PASSWORDS,
        worker: Working | None = None,
        solids: Working | None = None,
    ) -> None:
        self._passwords = passwords
        self._worker = worker
        self._solids = solids
        self._found: Cache[Any] = Cache(most // 12)
        self._results: Cache[tuple[State, Row]] = Cache(most // 2)
        self._read: Cache[tuple[Received, Verdict]] = Cache(most // 3)
        self._firsts: Cache[State] = Cache(most // 12)
        #: Digests of steps that broke off, and of those among them that are to be done anew.
        self._broken: set[str] = set()
        self._anew: set[str] = set()

    @property
    def size(self) -> int:
        """About how many bytes it keeps."""
        return self._results.size + self._read.size + self._firsts.size + self._found.size

    def evaluate(self, job: Job, progress: Progress = no_progress, deadline: float | None = None) -> Evaluation:
        """All steps that are on; a step that fails is told in the ledger and skipped.

        deadline  of time.monotonic; steps that ask are skipped after it
        """
        with until(deadline):
            return self._evaluated(job, progress, deadline)

    def keep_broken(self, evaluation: Evaluation) -> None:
        """What broke off is not begun again with every change while it stands in the ledger; what is gone from it is
        done anew when it comes back, for it need not break off twice.
        """
        gone = self._broken - {r.broke_off for r in evaluation.ledger}
        self._anew |= gone
        self._broken -= gone

    def _evaluated(self, job: Job, progress: Progress, deadline: float | None) -> Evaluation:
        sources = tuple(self._source(s, job.reading(s.number), progress) for s in job.sources)
        sources = _heard_together(job, sources)
        state = State(tuple(_untouched(s) for s in sources))
        digest = "+".join(f"{s.number}={reading_key(s, job.reading(s.number))}" for s in job.sources)
        digest += "".join(f"/{s.verdict.unit}{s.verdict.page_scale:g}" for s in sources)
        taking = [s for s in job.steps if isinstance(s.step, TakeIn)]
        state, digest, ledger = self._run(job, taking, state, digest, Context(deadline=deadline))
        first = self._first(state, digest)
        working = [s for s in job.steps if not isinstance(s.step, TakeIn)]
        first_digest = digest
        state, digest, more = self._run(job, working, first, digest, Context(progress, deadline))
        progress(1.0)
        return Evaluation(sources, first, state, (*ledger, *more), first_digest, digest, job, self)

    def read_source(self, source: Source, options: ReadOptions, progress: Progress = no_progress) -> Received:
        """A source as a drawing, kept for when it is evaluated."""
        return self._source(source, options, progress).received

    def _run(
        self, job: Job, steps: list[JobStep], state: State, digest: str, context: Context
    ) -> tuple[State, str, list[Row]]:
        ledger = []
        for k, job_step in enumerate(steps):
            context.progress(k / len(steps))
            part = _part_of(context.progress, k, len(steps))
            title = job.title_of(job_step.step)
            if not job_step.enabled:
                ledger.append(Row(job_step.number, title, False, Entry(0), 0.0))
                continue
            here = Context(part, context.deadline, self._found, digest, self._worker, self._solids)
            digest = _next_digest(digest, job_step)
            while digest in self._anew:
                # All that was made of the drawing as it was without the step lies under the old one.
                digest = _next_digest(digest, job_step)
            state, row = self._done(digest, state, job_step, here)
            ledger.append(replace(row, title=title))
        return state, digest, ledger

    def _source(self, source: Source, options: ReadOptions, progress: Progress) -> SourceRead:
        key = reading_key(source, msgspec.structs.replace(options, password=""))
        known = self._read.get(key)
        if known is None or (options.password and options.password != self._passwords.of(source.digest)):
            received = self._received(source, options, progress)
            known = received, verdict_of(received)
            self._read.put(key, known, drawing_bytes(received.drawing))
        return SourceRead(source.number, source.name, *known)

    def _received(self, source: Source, options: ReadOptions, progress: Progress) -> Received:
        """The source read, with a password that was typed now or is known from before."""
        try:
            received = self._read_by(source, progress, options)
        except PasswordNeeded as error:
            error.digest = source.digest
            known = self._passwords.of(source.digest)
            if not known or options.password:
                raise
            return self._read_by(source, progress, msgspec.structs.replace(options, password=known))
        self._passwords.remember(source.digest, options.password)
        return received

    def _read_by(self, source: Source, progress: Progress, options: ReadOptions) -> Received:
        """Read here, or where native code can do no harm."""
        if self._worker is None or not is_native(source.name, source.data):
            return read(source.name, source.data, progress, options)
        received: Received = self._worker.call(
            read_apart,
            source.name,
            source.data,
            options,
            progress=progress,
            about=f"Reading {source.name}",
            advice="Ask for it in another format, or exported anew.",
        )
        return received

    def _first(self, state: State, digest: str) -> State:
        known = self._firsts.get(digest)
        if known is None:
            known = first_sketches(state)
            self._firsts.put(digest, known, state_bytes(known, state))
        return known

    def context(self, evaluation: Evaluation, progress: Progress = no_progress) -> Context:
        """What a step is given that is tried on what an evaluation has come to."""
        return Context(progress, None, self._found, evaluation.digest, self._worker, self._solids)

    def _done(self, digest: str, state: State, job_step: JobStep, context: Context) -> tuple[State, Row]:
        known = self._results.get(digest)
        if known is not None:
            return known[0], replace(known[1], number=job_step.number)
        began = time.perf_counter()
        failed = broke_off = ""
        try:
            after, entry = followed(state, *job_step.step.apply(state, context))
        except Cancelled:
            raise
        except WorkerError as error:
            after, entry, failed, broke_off = state, Entry(0), str(error), digest
            self._broken.add(digest)
        except SyntaxaError as error:
            after, entry, failed = state, Entry(0), str(error)
        except Exception as error:  # noqa: BLE001  a fault in one step must not take the rest of the job with it
            _LOG.exception("A step failed: %s", job_step.step.title)
            after, entry, failed = state, Entry(0), _FAULT.format(type(error).__name__)
        row = Row(
            job_step.number,
            job_step.step.title,
            True,
            entry,
            time.perf_counter() - began,
            failed,
            job_step.step.is_record,
            broke_off,
        )
        self._results.put(digest, (after, row), state_bytes(after, state))
        return after, row


def _part_of(progress: Progress, k: int, of: int) -> Progress:
    """How far the k-th of some steps is, told as a share of all."""
    return lambda share: progress((k + share) / of)


def _next_digest(digest: str, job_step: JobStep) -> str:
    step = job_step.step
    words = step.raw if isinstance(step, UnknownStep) else msgspec.json.encode(step)
    return hashlib.sha256(digest.encode() + words).hexdigest()


def _heard_together(job: Job, sources: tuple[SourceRead, ...]) -> tuple[SourceRead, ...]:
    """The units of several sources are weighed again, each with what is certain of the others."""
    if len(sources) < 2:
        return sources
    settled = {s.number: job.step_of(ChooseUnit, s.number) for s in sources}
    known = {
        s.number: step.unit if isinstance(step := settled[s.number], ChooseUnit) else s.verdict.unit
        for s in sources
        if settled[s.number] is not None or s.verdict.sure
    }
    return tuple(
        replace(s, verdict=verdict_of(s.received, tuple(u for n, u in known.items() if n != s.number))) for s in sources
    )


def in_doubt(job: Job, evaluation: Evaluation) -> tuple[int, ...]:
    """Numbers of the sources whose unit is neither sure nor settled by anybody.

    Where a length was measured and told, or a size given, the true size of the only source is settled all the same.
    """
    scale = job.step_of(ScaleBy)
    if len(evaluation.sources) == 1 and isinstance(scale, ScaleBy) and (scale.because or scale.width or scale.height):
        return ()
    return tuple(
        s.number for s in evaluation.sources if not s.verdict.sure and job.step_of(ChooseUnit, s.number) is None
    )


def _untouched(source: SourceRead) -> Taken:
    """All of a source, in the unit that its file declares or else is proposed."""
    drawing = own_ids(source.received.drawing, source.number)
    return Taken(source.number, source.name, drawing, source.verdict.unit, page_scale=source.verdict.page_scale)


def verdict_of(received: Received, elsewhere: tuple[str, ...] = ()) -> Verdict:
    """What the clues of a source say about its unit; `elsewhere` are the units of other files of the job."""
    return hear(evidence_of(received, elsewhere))
