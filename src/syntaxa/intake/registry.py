"""All readers in one table, and the one way to read a file.

To add a reader: write `read(name, data, progress) -> Received` in a module of its own, and add a row here.
"""

from __future__ import annotations

import hashlib
from collections.abc import Callable
from dataclasses import dataclass
from importlib import import_module
from pathlib import Path
from typing import cast

from syntaxa.errors import IntakeError, Progress, no_progress, reason_of
from syntaxa.intake.dxf_mark import BINARY_MARK
from syntaxa.intake.model import Received

ReadFunction = Callable[[str, bytes, Progress], Received]

#: Bytes looked at to tell what a file is.
_HEAD = 4096


@dataclass(frozen=True, slots=True)
class Reader:
    """A format: id, its name for users, file endings, a test of the first bytes, and where its reader is."""

    id: str
    name: str
    endings: tuple[str, ...]
    sniff: Callable[[bytes], bool]
    module: str

    def load(self) -> ReadFunction:
        """The read function, imported when it is first wanted."""
        return cast(ReadFunction, import_module(self.module).read)


def _looks_like_dxf(head: bytes) -> bool:
    if head.startswith(BINARY_MARK):
        return True
    lines = head.lstrip(b"\xef\xbb\xbf").split(b"\n")
    tags = [line.strip() for line in lines]
    while len(tags) > 2 and tags[0] == b"999":
        tags = tags[2:]
    return len(tags) > 1 and tags[0] == b"0" and tags[1].upper() in (b"SECTION", b"EOF")


READERS: tuple[Reader, ...] = (Reader("dxf", "DXF", (".dxf",), _looks_like_dxf, "syntaxa.intake.dxf"),)


def digest_of(data: bytes) -> str:
    """SHA-256 of a source's bytes, as hex."""
    return hashlib.sha256(data).hexdigest()


def load_bytes(path: Path) -> bytes:
    """The bytes of a file; raises IntakeError with a plain sentence."""
    try:
        return path.read_bytes()
    except FileNotFoundError:
        raise IntakeError(f"There is no file {path}.", file=str(path), suggestion="Check the name.") from None
    except IsADirectoryError:
        raise IntakeError(f"{path} is a folder.", file=str(path), suggestion="Choose a drawing in it.") from None
    except OSError as error:
        raise IntakeError(f"{path} cannot be read: {reason_of(error)}.", file=str(path)) from error


def reader_for(name: str, data: bytes) -> Reader:
    """The reader whose format the bytes are in, whatever the file's ending claims."""
    if not data.strip():
        raise IntakeError(f"{name} is empty.", file=name, suggestion="Ask for the drawing again.")
    for reader in READERS:
        if reader.sniff(data[:_HEAD]):
            return reader
    claimed = next((r.name for r in READERS if name.lower().endswith(r.endings)), None)
    known = ", ".join(r.name for r in READERS)
    if claimed:
        raise IntakeError(
            f"{name} is called a {claimed} file but does not hold one.", file=name, suggestion="Export it again."
        )
    raise IntakeError(f"{name} is in no format that can be read.", file=name, suggestion=f"Use one of: {known}.")


def read(name: str, data: bytes, progress: Progress = no_progress) -> Received:
    """Reads a drawing from bytes; `name` is what messages call it."""
    return reader_for(name, data).load()(name, data, progress)
