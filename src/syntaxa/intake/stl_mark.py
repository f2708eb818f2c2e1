"""How an STL file begins."""

from __future__ import annotations

import struct

#: Bytes of the head of the binary form, and of each triangle.
HEAD, RECORD = 84, 50


def looks_like_stl(head: bytes, size: int) -> bool:
    """Whether bytes begin a solid: the word and a facet, or a binary head whose count fits the size."""
    if head.lstrip()[:5].lower() == b"solid" and (b"facet" in head.lower() or b"endsolid" in head.lower()):
        return True
    return len(head) >= HEAD and size >= HEAD and HEAD + RECORD * struct.unpack_from("<I", head, 80)[0] == size
