"""DXF of any age, ASCII or binary: the plain entities by a fast way, strict for the rest, then recovering."""

from __future__ import annotations

import io
import logging
import struct
from collections.abc import Sequence

import ezdxf
from ezdxf import recover
from ezdxf.document import Drawing as Document
from ezdxf.entities import DXFEntity
from ezdxf.filemanagement import dxf_stream_info
from ezdxf.lldxf.tagger import binary_tags_loader

from syntaxa.drawing.units import UNIT_OF_HEADER_CODE
from syntaxa.errors import Cancelled, IntakeError, Progress
from syntaxa.intake.dxf.annotate import font_files
from syntaxa.intake.dxf.mark import BINARY_MARK
from syntaxa.intake.dxf.marked import with_markers
from syntaxa.intake.dxf.plain import NotPlain, Split, Tagged, split, with_handles
from syntaxa.intake.dxf.salvage import salvaged
from syntaxa.intake.dxf.walk import DAMAGE, Walk, layer_table
from syntaxa.intake.fonts import missing_fonts
from syntaxa.intake.gather import Gathered
from syntaxa.intake.model import PLAIN, ReadOptions, Received, Sheet
from syntaxa.watching import still_wanted

#: What the recovering reader may come to when a damaged file leads it astray.
_DAMAGE = (*DAMAGE, UnicodeError, EOFError, MemoryError, AssertionError, StopIteration, struct.error)

#: Share of the progress that belongs to the parsing.
_PARSING = 0.7

# What the library has to say goes into the import report, not to the terminal.
logging.getLogger("ezdxf").addHandler(logging.NullHandler())
logging.getLogger("ezdxf").propagate = False


def read(
    name: str,
    data: bytes,
    progress: Progress,
    options: ReadOptions = PLAIN,
    handles: Sequence[tuple[str, str]] = (),
    fast: bool = True,
) -> Received:
    """A layout of a DXF file as a drawing in its own numbers.

    `handles` are types and handles of model space in order, where they are other than in the file itself; without
    `fast` the library reads everything.
    """
    gathered = Gathered(progress)
    document, plain = _document(name, data, gathered, fast and not options.layout)
    entities = _entities(name, document, options.layout)
    layer_table(document, gathered)
    walk = Walk(document, gathered, options, _PARSING)
    walk.run(entities, _names(entities, handles), plain)
    if gathered.damaged and not gathered.curves and not gathered.annotations:
        raise IntakeError(
            f"{name} is damaged and nothing in it could be read.", file=name, suggestion="Ask for the drawing again."
        )
    declared, metric = _declared_unit(document)
    sheets = _sheets(document)
    fonts = missing_fonts(files=font_files(document, walk.text_styles))
    return gathered.received("dxf", document.acad_release, declared, metric, sheets, options.layout, fonts)


def _document(name: str, data: bytes, out: Gathered, fast: bool) -> tuple[Document, Split | None]:
    """The document, and the plain entities where they were taken out of it before."""
    if not data.startswith(BINARY_MARK):
        try:
            tagged = Tagged.of(data)
            out.told(0.1)
            ready = with_handles(with_markers(tagged))
            if ready is not tagged:
                data = ready.data()
            if fast:
                return _without_plain(ready, _encoding(data), out)
        except NotPlain:
            pass
        except Cancelled:
            raise
        except _DAMAGE:
            pass
    return _whole_document(name, data, out), None


def _without_plain(tagged: Tagged, encoding: str, out: Gathered) -> tuple[Document, Split]:
    out.told(0.2)
    plain = split(tagged, encoding)
    out.told(0.5)
    return _strict(plain.rest, out), plain


def _whole_document(name: str, data: bytes, out: Gathered) -> Document:
    try:
        return _strict(data, out)
    except Cancelled:
        raise
    except _DAMAGE:
        pass
    data = _ended(data)
    try:
        document, auditor = recover.read(_Stoppable(data))
    except _DAMAGE:
        return _salvaged_document(name, data, out)
    out.damaged = True
    repairs = len(auditor.errors) + len(auditor.fixes)
    told = f" {repairs} faults were set right or left out." if repairs else ""
    out.notes.append("The file breaks the rules of its format or is cut off; what could be recovered was read." + told)
    return document


class _Stoppable(io.BytesIO):
    """Bytes whose reading ends where the work was stopped: the recovering reader tells nobody how far it is."""

    def readline(self, size: int | None = -1, /) -> bytes:
        still_wanted()
        return super().readline(size)

    def read(self, size: int | None = -1, /) -> bytes:
        still_wanted()
        return super().read(size)


def _salvaged_document(name: str, data: bytes, out: Gathered) -> Document:
    found = None if data.startswith(BINARY_MARK) else salvaged(data)
    try:
        if found is None:
            raise ValueError(name)
        document = _strict(found[0], out)
    except _DAMAGE as error:
        raise IntakeError(
            f"{name} is damaged and could not be read.", file=name, suggestion="Ask for the drawing again."
        ) from error
    out.damaged = True
    out.notes.append(
        f"The file is badly damaged: {found[1]} entities could be made out, {found[2]} were dropped, "
        "and what its layers looked like is lost."
    )
    return document


class _Watched(io.TextIOBase):
    """A text stream that tells how far it has been read."""

    def __init__(self, stream: io.TextIOBase, size: int, out: Gathered) -> None:
        self._stream, self._size, self._out = stream, max(size, 1), out
        self._read = self._told = 0

    def readline(self, size: int = -1, /) -> str:  # type: ignore[override]
        line = self._stream.readline(size)
        self._read += len(line)
        if self._read - self._told > 1 << 16:
            self._told = self._read
            self._out.told(_PARSING * min(1.0, self._read / self._size))
        return line


def _ended(data: bytes) -> bytes:
    """A file that was cut off, without its last, broken entity and with the end that every file has."""
    if data.startswith(BINARY_MARK) or data.rstrip().endswith(b"EOF"):
        return data
    lines = data.splitlines()
    at = len(lines) - len(lines) % 2 - 2
    while at > 0 and lines[at].strip() != b"0":
        at -= 2
    return b"\n".join([*lines[:at], b"  0", b"ENDSEC", b"  0", b"EOF", b""])


def _encoding(data: bytes) -> str:
    text = io.TextIOWrapper(io.BytesIO(data), encoding="utf-8", errors="surrogateescape")
    return str(dxf_stream_info(text).encoding)


def _strict(data: bytes, out: Gathered) -> Document:
    if data.startswith(BINARY_MARK):
        return Document.load(binary_tags_loader(data, errors="surrogateescape"))
    text = io.TextIOWrapper(io.BytesIO(data), encoding=_encoding(data), errors="surrogateescape")
    return ezdxf.read(_Watched(text, len(data), out))  # type: ignore[arg-type]


def _entities(name: str, document: Document, layout: str) -> list[DXFEntity]:
    if not layout:
        return list(document.modelspace())
    known = [n for n in document.layout_names_in_taborder() if n != "Model"]
    if layout not in known:
        there = ", ".join(known) or "none"
        raise IntakeError(f"{name} has no layout “{layout}”.", file=name, suggestion=f"There are: {there}.")
    return list(document.layout(layout))


def _sheets(document: Document) -> tuple[Sheet, ...]:
    """Model space and the layouts that hold anything."""
    try:
        names = [n for n in document.layout_names_in_taborder() if n != "Model"]
        filled = [n for n in names if any(e.dxftype() != "VIEWPORT" for e in document.layout(n))]
    except _DAMAGE:
        return ()
    return (Sheet("", "Model space"), *(Sheet(n, n) for n in filled)) if filled else ()


def _names(entities: Sequence[DXFEntity], handles: Sequence[tuple[str, str]]) -> dict[int, str]:
    """The given handles by the places of the entities, both rows walked together by type."""
    names: dict[int, str] = {}
    at = 0
    for k, entity in enumerate(entities):
        kind = entity.dxftype()
        while at < len(handles) and kind not in handles[at][0].split():
            at += 1
        if at < len(handles):
            names[k] = handles[at][1]
            at += 1
    return names


def _declared_unit(document: Document) -> tuple[str | None, bool | None]:
    header = document.header
    try:
        code = int(header.get("$INSUNITS", 0)) if "$INSUNITS" in header else 0
        flag = int(header.get("$MEASUREMENT", -1)) if "$MEASUREMENT" in header else -1
    except (TypeError, ValueError):
        return None, None
    return UNIT_OF_HEADER_CODE.get(code), {0: False, 1: True}.get(flag)
