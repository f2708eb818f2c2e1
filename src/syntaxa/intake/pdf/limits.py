"""Streams of a PDF, unpacked only as far as is safe: a few bytes can stand for gigabytes."""

from __future__ import annotations

import zlib

import pikepdf

#: Bytes of one unpacked stream; the drawing on one page is smaller by far.
LARGEST_STREAM = 48 << 20

#: Pixels of an embedded picture.
MOST_PIXELS = 80_000_000


class TooLarge(Exception):  # noqa: N818  it is an answer
    """A stream unpacks to more than is taken."""


def unpacked(stream: pikepdf.Object) -> bytes:
    """The bytes of a stream; raises TooLarge, or pikepdf.PdfError where it is damaged."""
    filters = stream.get("/Filter")
    names = [str(f) for f in filters] if isinstance(filters, pikepdf.Array) else [str(filters)]
    if names == ["/FlateDecode"]:
        data = _inflated(bytes(stream.read_raw_bytes()))
        if data is not None and "/DecodeParms" not in stream:
            return data
        # What is small enough unpacked may be gone over by the library: predictors undone, damage repaired.
    elif sum(map(names.count, _PACKING)) > 1 or _at_the_most(stream, names) > LARGEST_STREAM:
        raise TooLarge
    unpacked_ = bytes(stream.read_bytes())
    if len(unpacked_) > LARGEST_STREAM:
        raise TooLarge
    return unpacked_


def _inflated(raw: bytes) -> bytes | None:
    """The bytes, no more than may be; None where they are damaged."""
    decoder = zlib.decompressobj()
    try:
        data = decoder.decompress(raw, LARGEST_STREAM)
    except zlib.error:
        return None
    if decoder.unconsumed_tail:
        raise TooLarge
    return data


#: Filters that make much of little, and how many times the bytes at the most (LZW: codes of 12 bits for up to 4 KB).
_PACKING = {"/FlateDecode": 1032, "/LZWDecode": 2730, "/RunLengthDecode": 64, "/Crypt": 1}


def _at_the_most(stream: pikepdf.Object, names: list[str]) -> int:
    """How many bytes a stream can unpack to, known before anything is unpacked."""
    size = len(stream.read_raw_bytes())
    for name in names:
        size *= _PACKING.get(name, 1)
    return size
