"""The job file (.sxj): a zip of job.json, the sources byte for byte, and a picture. See docs/formats.md."""

from __future__ import annotations

import io
import zipfile
from pathlib import Path, PurePosixPath

import msgspec

from syntaxa.errors import JobError, reason_of
from syntaxa.files import write_atomically
from syntaxa.intake.registry import digest_of
from syntaxa.job.model import Job, JobStep, LinkState, Source, Step

FORMAT = "syntaxa.job/1"
ENDING = ".sxj"

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
    """A step as job.json holds it."""

    number: int
    enabled: bool
    step: Step


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
        tuple(StoredStep(s.number, s.enabled, s.step) for s in job.steps),
    )
    buffer = io.BytesIO()
    with zipfile.ZipFile(buffer, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in (
            ("job.json", msgspec.json.format(_canonical(stored), indent=2)),
            *((inside[s.number], s.data) for s in job.sources),
            *((("preview.png", preview),) if preview else ()),
        ):
            archive.writestr(zipfile.ZipInfo(name, (1980, 1, 1, 0, 0, 0)), data, zipfile.ZIP_DEFLATED)
    return buffer.getvalue()


def _canonical(stored: StoredJob) -> bytes:
    """The same job always in the same words: fields are left out by identity, which only what was read has for sure."""
    return msgspec.json.encode(msgspec.json.decode(msgspec.json.encode(stored), type=StoredJob))


def load_job(path: Path) -> Job:
    """Reads a job file; raises JobError with a plain sentence."""
    try:
        data = path.read_bytes()
    except OSError as error:
        raise JobError(f"{path} cannot be opened: {reason_of(error)}.", file=str(path)) from error
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            return _job_in(archive, path)
    except (zipfile.BadZipFile, KeyError, msgspec.MsgspecError, UnicodeError, EOFError) as error:
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
    steps = tuple(JobStep(s.number, s.step, s.enabled) for s in stored.steps)
    return Job(tuple(sources), steps)
