"""All readers in one table, and the one way to read a file.

To add a reader: write `read(name, data, progress, options) -> Received` in a module of its own, and add a row here.
"""

from __future__ import annotations

import hashlib
from collections.abc import Callable
from dataclasses import dataclass, replace
from importlib import import_module
from pathlib import Path
from typing import cast

from syntaxa.errors import IntakeError, Progress, no_progress, reason_of
from syntaxa.intake.dxf.mark import BINARY_MARK
from syntaxa.intake.model import PLAIN, ReadOptions, Received
from syntaxa.intake.packed import unpacked
from syntaxa.intake.stl_mark import looks_like_stl
from syntaxa.memory import uncollected

ReadFunction = Callable[[str, bytes, Progress, ReadOptions], Received]

#: Bytes looked at to tell what a file is.
_HEAD = 65536


@dataclass(frozen=True, slots=True)
class Reader:
    """A format: id, its name for users, file endings, a test of the first bytes and the size, and its reader.

    native   whether native code reads it, which a damaged file could take down
    """

    id: str
    name: str
    endings: tuple[str, ...]
    sniff: Callable[[bytes, int], bool]
    module: str
    native: bool = False

    def load(self) -> ReadFunction:
        """The read function, imported when it is first wanted."""
        return cast(ReadFunction, import_module(self.module).read)


def _looks_like_dxf(head: bytes, _size: int) -> bool:
    if head.startswith(BINARY_MARK):
        return True
    lines = head.removeprefix(b"\xef\xbb\xbf").splitlines()
    tags = [line.strip() for line in lines]
    while len(tags) > 2 and tags[0] == b"999":
        tags = tags[2:]
    return len(tags) > 1 and tags[0] == b"0" and tags[1].upper() in (b"SECTION", b"EOF")


def _looks_like_dwg(head: bytes, _size: int) -> bool:
    return head[:4] == b"AC10" and head[4:6].isdigit()


def _looks_like_svg(head: bytes, _size: int) -> bool:
    # An XML file in two-byte letters has a nought beside each.
    plain = head.replace(b"\0", b"")
    return plain.lstrip(b"\xef\xbb\xbf\xff\xfe \t\r\n").startswith(b"<") and b"<svg" in plain


def _looks_like_pdf(head: bytes, _size: int) -> bool:
    return b"%PDF-" in head[:1024]


def _looks_like_picture(head: bytes, _size: int) -> bool:
    return head.startswith((b"\x89PNG\r\n\x1a\n", b"\xff\xd8\xff", b"II*\0", b"MM\0*"))


READERS: tuple[Reader, ...] = (
    Reader("dxf", "DXF", (".dxf",), _looks_like_dxf, "syntaxa.intake.dxf.reader"),
    Reader("dwg", "DWG", (".dwg",), _looks_like_dwg, "syntaxa.intake.dwg.reader"),
    Reader("svg", "SVG", (".svg", ".svgz"), _looks_like_svg, "syntaxa.intake.svg.reader"),
    Reader("pdf", "PDF", (".pdf",), _looks_like_pdf, "syntaxa.intake.pdf.reader", native=True),
    Reader(
        "image",
        "picture",
        (".png", ".jpg", ".jpeg", ".tif", ".tiff"),
        _looks_like_picture,
        "syntaxa.intake.picture",
        native=True,
    ),
    Reader("stl", "STL", (".stl",), looks_like_stl, "syntaxa.intake.stl"),
)

#: Every ending that a drawing can have.
ENDINGS = (*(ending for reader in READERS for ending in reader.endings), ".zip")


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
        if reader.sniff(data[:_HEAD], len(data)):
            return reader
    claimed = next((r.name for r in READERS if name.lower().endswith(r.endings)), None)
    known = ", ".join(r.name for r in READERS)
    if claimed:
        raise IntakeError(
            f"{name} is called a {claimed} file but does not hold one.", file=name, suggestion="Export it again."
        )
    raise IntakeError(f"{name} is in no format that can be read.", file=name, suggestion=f"Use one of: {known}.")


def is_native(name: str, data: bytes) -> bool:
    """Whether native code would read it; not for what cannot be read at all."""
    try:
        packed = unpacked(name, data, ENDINGS)
        return reader_for(packed.name, packed.data).native
    except IntakeError:
        return False


def load_native(*, progress: Progress = no_progress) -> None:
    """Loads the native readers, so that the first file does not wait for them."""
    for reader in READERS:
        if reader.native:
            reader.load()
    progress(1.0)


def read_apart(name: str, data: bytes, options: ReadOptions, *, progress: Progress) -> Received:
    """The same as `read`, as another process calls it."""
    return read(name, data, progress, options)


def read(name: str, data: bytes, progress: Progress = no_progress, options: ReadOptions = PLAIN) -> Received:
    """Reads a drawing from bytes; `name` is what messages call it."""
    packed = unpacked(name, data, ENDINGS)
    name, data = packed.name, packed.data
    reader = reader_for(name, data)
    load = reader.load()
    with uncollected():
        received = load(name, data, progress, options)
    claimed = next((r for r in READERS if name.lower().endswith(r.endings)), reader)
    notes = [packed.told] if packed.told else []
    if claimed is not reader:
        notes.append(f"The file is called a {claimed.name} file but holds {reader.name}.")
    if not notes:
        return received
    return replace(received, report=replace(received.report, notes=(*notes, *received.report.notes)))
