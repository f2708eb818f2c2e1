"""When a source changes on disk: noticing it, comparing, taking the new one over whole or by one layer."""

from __future__ import annotations

from dataclasses import dataclass, replace
from pathlib import Path

import msgspec

from syntaxa.drawing.model import Drawing
from syntaxa.errors import JobError, Progress, no_progress
from syntaxa.intake.changes import Changes, compare
from syntaxa.intake.registry import load_bytes
from syntaxa.intake.steps import TakeIn, TakeOver, chosen_of
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, Source


@dataclass(frozen=True, slots=True)
class Revision:
    """A source as the job has it, the new one, and what changed; the drawings are in their own numbers."""

    old: Source
    new: Source
    before: Drawing
    after: Drawing
    changes: Changes


def changed_on_disk(source: Source) -> bytes | None:
    """The bytes of a linked source's file where they are not those of the job; None where they are, or it is gone."""
    if source.link != "linked" or not source.path:
        return None
    path = Path(source.path)
    if not path.is_file():
        return None
    data = load_bytes(path)
    return None if data == source.data else data


def revision(job: Job, number: int, data: bytes, evaluator: Evaluator, progress: Progress = no_progress) -> Revision:
    """What a new revision of a source would change, within what is taken of it; raises IntakeError for a bad file."""
    old = job.source_numbered(number)
    if old is None:
        raise JobError(f"There is no source {number}.")
    new = old.with_data(data, Path(old.path).name)
    choice = job.taking(number)
    before, after = (
        chosen_of(evaluator.read_source(s, choice.read, progress).drawing, msgspec.structs.replace(choice, ids=None))
        for s in (old, new)
    )
    return Revision(old, new, before, after, compare(before, after))


def accepted(job: Job, revised: Revision) -> Job:
    """The job with the new revision; steps that name what is gone will say so."""
    changes = revised.changes
    count = len(changes.added) + len(changes.removed) + len(changes.moved)
    return job.with_changed(revised.new).with_step(TakeOver(revised.new.number, count, changes.sentence()))


def with_layer_replaced(job: Job, number: int, layer: str, revised: Source, in_it: Drawing) -> Job:
    """The job with one layer of a source taken from a revised file instead, under the same name, capitals and all.

    The revised file becomes a source of its own, of which only that layer is taken, so that both stay accounted for.
    Raises JobError where it has no such layer.
    """
    names = [x.name for x in in_it.layers]
    if layer not in names:
        alike = next((n for n in names if n.lower() == layer.lower()), None)
        hint = f"It has one called “{alike}”; capitals count." if alike else f"It has: {', '.join(names)}."
        raise JobError(f"{revised.name} has no layer “{layer}”.", file=revised.name, suggestion=hint)
    job, added = job.with_source(revised)
    choice = job.taking(number)
    # The layer may come from an earlier replacement: that one gives it up, too.
    for old in (choice, *(job.taking(s.number) for s in job.sources if s.number not in (number, added))):
        if old.only == (layer,) or old is choice:
            job = job.with_step(_without_layer(old, layer))
    return job.with_step(TakeIn(source=added, only=(layer,), read=choice.read))


def _without_layer(choice: TakeIn, layer: str) -> TakeIn:
    left_out = tuple(dict.fromkeys((*choice.left_out, layer)))
    return msgspec.structs.replace(choice, left_out=left_out)


def with_added(job: Job, source: Source, choice: TakeIn) -> tuple[Job, int]:
    """The job with one more source, taken in as chosen, and its number."""
    job, number = job.with_source(source)
    return job.with_step(msgspec.structs.replace(choice, source=number)), number


def relinked(source: Source, path: Path) -> Source:
    """The source linked to another file; what that holds is seen as a change."""
    return replace(source, path=str(path.resolve()), link="linked")


def detached(source: Source) -> Source:
    """The source held by the job alone."""
    return replace(source, path="", link="held")
