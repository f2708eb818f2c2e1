"""Drawings that come packed: SVG under gzip (.svgz), and one drawing in a zip. Nothing is unpacked beyond a limit."""

from __future__ import annotations

import io
import lzma
import zipfile
import zlib
from dataclasses import dataclass
from pathlib import PurePosixPath

from syntaxa.errors import IntakeError

#: Bytes; what unpacks to more is no drawing that anybody sends.
LARGEST = 512 << 20

#: Zips one in the other.
_DEEPEST = 2

_BLOCK = 1 << 20


@dataclass(frozen=True, slots=True)
class Unpacked:
    """A drawing's name and bytes, and in words what they came packed in; empty for one that was not packed."""

    name: str
    data: bytes
    told: str = ""


def unpacked(name: str, data: bytes, endings: tuple[str, ...], depth: int = 0) -> Unpacked:
    """The drawing that a file holds, where it is packed; raises IntakeError where there is none, or more than one."""
    if data[:2] == b"\x1f\x8b":
        inner = name[:-1] if name.lower().endswith(".svgz") else name.removesuffix(".gz")
        return Unpacked(inner, _gunzipped(name, data), "It was packed with gzip.")
    if data[:4] == b"PK\x03\x04" and depth < _DEEPEST:
        return _from_zip(name, data, endings, depth)
    return Unpacked(name, data)


def _gunzipped(name: str, data: bytes) -> bytes:
    decoder = zlib.decompressobj(wbits=31)
    try:
        plain = decoder.decompress(data, LARGEST)
    except zlib.error as error:
        raise _damaged(name) from error
    if decoder.unconsumed_tail:
        raise _too_large(name)
    return plain


def _from_zip(name: str, data: bytes, endings: tuple[str, ...], depth: int) -> Unpacked:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            members = [m for m in archive.infolist() if not m.is_dir() and _is_drawing(m.filename, endings)]
            if not members:
                raise IntakeError(f"{name} holds no drawing.", file=name, suggestion="Look what is in it.")
            if len(members) > 1:
                told = ", ".join(PurePosixPath(m.filename).name for m in members[:4])
                more = f" and {len(members) - 4} more" if len(members) > 4 else ""
                raise IntakeError(
                    f"{name} holds {len(members)} drawings: {told}{more}.", file=name, suggestion="Unpack it first."
                )
            content = _read(name, archive, members[0])
    except (zipfile.BadZipFile, zlib.error, lzma.LZMAError, NotImplementedError, RuntimeError, EOFError, OSError,
            ValueError) as error:  # fmt: skip
        raise _damaged(name) from error
    inner = unpacked(PurePosixPath(members[0].filename).name, content, endings, depth + 1)
    return Unpacked(inner.name, inner.data, f"It was read from {members[0].filename} in {name}.")


def _read(name: str, archive: zipfile.ZipFile, member: zipfile.ZipInfo) -> bytes:
    """What a member holds; the size that it states is not believed."""
    parts, size = [], 0
    with archive.open(member) as stream:
        while part := stream.read(_BLOCK):
            parts.append(part)
            size += len(part)
            if size > LARGEST:
                raise _too_large(name)
    return b"".join(parts)


def _is_drawing(path: str, endings: tuple[str, ...]) -> bool:
    place = PurePosixPath(path)
    # Some systems add files of their own beside each.
    hidden = place.name.startswith(".") or "__MACOSX" in place.parts
    return not hidden and place.name.lower().endswith(endings)


def _damaged(name: str) -> IntakeError:
    return IntakeError(f"{name} is damaged and could not be unpacked.", file=name, suggestion="Ask for it again.")


def _too_large(name: str) -> IntakeError:
    return IntakeError(
        f"{name} unpacks to more than {LARGEST >> 20} MB.", file=name, suggestion="Ask for the drawing alone."
    )
