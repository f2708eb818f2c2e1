"""The job file (.sxj): a zip of job.json, the sources byte for byte, and a picture. See docs/formats.md."""

from __future__ import annotations

import io
import lzma
import struct
import zipfile
import zlib
from collections.abc import Iterable
from dataclasses import replace
from pathlib import Path, PurePosixPath

import msgspec

from syntaxa.drawing.step import Step
from syntaxa.errors import JobError, reason_of
from syntaxa.files import write_atomically
from syntaxa.intake.registry import digest_of
from syntaxa.intake.steps import TakeIn
from syntaxa.job.kinds import KnownStep
from syntaxa.job.model import AnyStep, Job, JobStep, LinkState, Source, UnknownStep, place_in_order
from syntaxa.job.passwords import PASSWORDS

FORMAT = "syntaxa.job/1"
ENDING = ".sxj"

#: What a damaged zip or the text in it may come to.
_DAMAGE = (zipfile.BadZipFile, zlib.error, lzma.LZMAError, struct.error, msgspec.MsgspecError, LookupError, ValueError,
           EOFError, OSError, OverflowError, RuntimeError, MemoryError)  # fmt: skip

#: Bytes; a job file that unpacks to more than this is not opened.
_LARGEST = 2 << 30


class StoredSource(msgspec.Struct, frozen=True, omit_defaults=True):
    """A source as job.json names it; `linked_to` is the file that it came from, if it is linked."""

    name: str
    path: str
    digest: str
    number: int = 1
    linked_to: str = ""
    link: LinkState = "held"


class StoredStep(msgspec.Struct, frozen=True):
    """A step as job.json holds it; what it is, is found out later, for it may be one of another version."""

    number: int
    enabled: bool
    step: msgspec.Raw


class StoredJob(msgspec.Struct, frozen=True):
    """All of job.json."""

    format: str
    sources: tuple[StoredSource, ...]
    steps: tuple[StoredStep, ...]


def save_job(job: Job, path: Path, preview: bytes = b"") -> None:
    """Writes the job; the old file stays whole until the new one is."""
    try:
        write_atomically(path, job_bytes(job, preview))
    except OSError as error:
        raise JobError(
            f"{path} cannot be saved: {reason_of(error)}.", file=str(path), suggestion="Save it in another folder."
        ) from error


def job_bytes(job: Job, preview: bytes = b"") -> bytes:
    """The job file as bytes; the same job gives the same bytes."""
    inside = {s.number: f"sources/{s.number}-{PurePosixPath(s.name).name}" for s in job.sources}
    stored = StoredJob(
        FORMAT,
        tuple(StoredSource(s.name, inside[s.number], s.digest, s.number, s.path, s.link) for s in job.sources),
        tuple(StoredStep(s.number, s.enabled, msgspec.Raw(_words(s.step))) for s in job.steps),
    )
    text = msgspec.json.format(msgspec.json.encode(stored), indent=2)
    buffer = io.BytesIO()
    with zipfile.ZipFile(buffer, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in (
            ("job.json", text),
            *((inside[s.number], s.data) for s in job.sources),
            *((("preview.png", preview),) if preview else ()),
        ):
            archive.writestr(zipfile.ZipInfo(name, (1980, 1, 1, 0, 0, 0)), data, zipfile.ZIP_DEFLATED)
    return buffer.getvalue()


def _words(step: AnyStep) -> bytes:
    """The same step always in the same words: fields are left out by identity, which only what was read has for sure.

    Passwords stay out of it.
    """
    if isinstance(step, UnknownStep):
        return step.raw
    return msgspec.json.encode(msgspec.json.decode(msgspec.json.encode(_open_to_all(step)), type=KnownStep))


def _open_to_all(step: Step) -> Step:
    if isinstance(step, TakeIn) and step.read.password:
        return msgspec.structs.replace(step, read=msgspec.structs.replace(step.read, password=""))
    return step


def _step_of(stored: StoredStep, place: int) -> AnyStep:
    """The step, or what is to be kept of it where this version does not know it; `place` is that of the one before."""
    raw = bytes(stored.step)
    try:
        known: Step = msgspec.json.decode(raw, type=KnownStep)
        return known
    except (msgspec.MsgspecError, RecursionError):
        pass
    try:
        said = msgspec.json.decode(raw, type=_Tagged).type
    except (msgspec.MsgspecError, RecursionError):
        said = ""
    return UnknownStep(msgspec.json.format(raw, indent=-1), said[:80], place)


class _Tagged(msgspec.Struct):
    """What every step begins with."""

    type: str


def _steps_of(stored: Iterable[StoredStep]) -> tuple[JobStep, ...]:
    """The steps in their places, each under a number of its own."""
    steps: list[JobStep] = []
    taken: set[int] = set()
    place = 0
    for one in stored:
        step = _step_of(one, place)
        place = place_in_order(step)
        number = one.number if one.number not in taken else max(taken) + 1
        taken.add(number)
        steps.append(JobStep(number, step, one.enabled))
    return tuple(steps)


def load_job(path: Path) -> Job:
    """Reads a job file; raises JobError with a plain sentence."""
    try:
        data = path.read_bytes()
    except OSError as error:
        raise JobError(f"{path} cannot be opened: {reason_of(error)}.", file=str(path)) from error
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            return _job_in(archive, path)
    except JobError:
        raise
    except _DAMAGE as error:
        raise JobError(
            f"{path.name} is damaged or no job file.",
            file=str(path),
            suggestion="Open its recovery copy, if there is one.",
        ) from error


def _job_in(archive: zipfile.ZipFile, path: Path) -> Job:
    if sum(member.file_size for member in archive.infolist()) > _LARGEST:
        raise JobError(f"{path.name} holds more than 2 GB.", file=str(path), suggestion="It is not a job file.")
    text = archive.read("job.json")
    form = msgspec.json.decode(text, type=dict).get("format", "")
    if form != FORMAT:
        raise JobError(
            f"{path.name} was made by another version ({form or 'unknown'}).",
            file=str(path),
            suggestion="Update Syntaxa.",
        )
    stored = msgspec.json.decode(text, type=StoredJob)
    if not stored.sources:
        raise JobError(f"{path.name} holds no drawing.", file=str(path))
    sources = []
    for one in stored.sources:
        data = archive.read(one.path)
        if digest_of(data) != one.digest:
            raise JobError(
                f"The drawing {one.name} in {path.name} is not the one that was saved.",
                file=str(path),
                suggestion="Use a backup of the job.",
            )
        sources.append(Source(one.name, data, one.digest, one.number, one.linked_to, one.link))
    if len({s.number for s in sources}) < len(sources):
        raise JobError(f"{path.name} holds two drawings under one number.", file=str(path))
    return _without_passwords(Job(tuple(sources), _steps_of(stored.steps)))


def _without_passwords(job: Job) -> Job:
    """A job of before, when they stood in it: they are remembered for this run, and go."""
    for source in job.sources:
        PASSWORDS.remember(source.digest, job.reading(source.number).password)
    steps = (s if isinstance(s.step, UnknownStep) else replace(s, step=_open_to_all(s.step)) for s in job.steps)
    return replace(job, steps=tuple(steps))
