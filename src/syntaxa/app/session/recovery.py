"""Recovery copies and open jobs, each held by a lock of the operating system: it is gone when its program is.

A recovery copy is `NAME-TOKEN.sxj` with `TOKEN.json` (which file it is of) and `TOKEN.lock` beside it.
"""

from __future__ import annotations

import contextlib
import fcntl
import hashlib
import os
import uuid
from dataclasses import dataclass
from pathlib import Path
from typing import IO

import msgspec

from syntaxa.files import write_atomically
from syntaxa.job.model import Job
from syntaxa.job.store import ENDING, save_job


class About(msgspec.Struct, frozen=True):
    """What a recovery copy is of: the file of the job, empty where it was never saved, and its name."""

    path: str = ""
    name: str = ""


@dataclass(frozen=True, slots=True)
class Orphan:
    """A recovery copy that no program holds any more."""

    copy: Path
    token: str
    about: About

    @property
    def path(self) -> Path | None:
        """The file that the job was saved in before."""
        return Path(self.about.path) if self.about.path else None

    def drop(self) -> None:
        """Deletes this copy, and nothing else."""
        for path in (self.copy, *(self.copy.with_name(f"{self.token}{e}") for e in (".json", ".lock"))):
            path.unlink(missing_ok=True)


class Lock:
    """A lock on a file, held until it is let go or the program ends, however it ends."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._file: IO[bytes] | None = None

    def take(self) -> bool:
        """Whether it could be had; True as well where the system knows no locks."""
        if self._file is not None:
            return True
        try:
            self._path.parent.mkdir(parents=True, exist_ok=True)
            file = self._path.open("ab")
        except OSError:
            return True
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            file.close()
            return False
        except OSError:
            file.close()
            return True
        self._file = file
        return True

    def release(self) -> None:
        """Lets it go."""
        if self._file is not None:
            self._path.unlink(missing_ok=True)
            self._file.close()
            self._file = None


class RecoveryCopy:
    """The recovery copy of one window."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        self._token = uuid.uuid4().hex[:12]
        self._lock = Lock(folder / f"{self._token}.lock")
        self._copy: Path | None = None

    def write(self, job: Job, name: str, path: Path | None) -> None:
        """Writes the copy; raises JobError or OSError."""
        self._folder.mkdir(parents=True, exist_ok=True)
        self._lock.take()
        copy = self._folder / f"{name}-{self._token}{ENDING}"
        about = About("" if path is None else str(path.resolve()), name)
        write_atomically(self._folder / f"{self._token}.json", msgspec.json.encode(about))
        save_job(job, copy)
        if self._copy is not None and self._copy != copy:
            self._copy.unlink(missing_ok=True)
        self._copy = copy

    def drop(self) -> None:
        """Deletes it."""
        if self._copy is not None:
            self._copy.unlink(missing_ok=True)
            self._copy = None
        (self._folder / f"{self._token}.json").unlink(missing_ok=True)
        self._lock.release()


def orphans(folder: Path) -> list[Orphan]:
    """Recovery copies that no program holds, newest first."""
    found = []
    for copy in folder.glob(f"*{ENDING}"):
        token = copy.stem.rpartition("-")[2]
        if _is_held(folder / f"{token}.lock") or (token.isdigit() and _runs(int(token))):
            continue
        about = About(name=copy.stem.rpartition("-")[0])
        with contextlib.suppress(OSError, msgspec.MsgspecError):
            about = msgspec.json.decode((folder / f"{token}.json").read_bytes(), type=About)
        found.append(Orphan(copy, token, about))
    return sorted(found, key=lambda o: o.copy.stat().st_mtime, reverse=True)


def job_lock(folder: Path, job: Path) -> Lock:
    """The lock on a job file; it lies in the user's own folder, so that nothing is left beside the job."""
    name = hashlib.sha256(str(job.resolve()).encode()).hexdigest()[:24]
    return Lock(folder / "open" / f"{name}.lock")


def _is_held(path: Path) -> bool:
    if not path.exists():
        return False
    probe = Lock(path)
    free = probe.take()
    if free:
        probe.release()
    return not free


def _runs(process: int) -> bool:
    """Whether a process runs: copies of before were named by it."""
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    except OSError:
        return True
    return True
