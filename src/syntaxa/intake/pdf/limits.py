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
    if names != ["/FlateDecode"] or "/DecodeParms" in stream:
        if names.count("/FlateDecode") + names.count("/LZWDecode") > 1:
            raise TooLarge
        data = bytes(stream.read_bytes())
        if len(data) > LARGEST_STREAM:
            raise TooLarge
        return data
    decoder = zlib.decompressobj()
    try:
        data = decoder.decompress(stream.read_raw_bytes(), LARGEST_STREAM)
    except zlib.error:
        # The library repairs what it can.
        return bytes(stream.read_bytes())[:LARGEST_STREAM]
    if decoder.unconsumed_tail:
        raise TooLarge
    return data
