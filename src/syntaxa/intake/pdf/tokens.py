"""Content streams as operators with their operands: numbers, names ("/X") and lists of numbers.

Streams of drawings are almost all numbers and bare operators. Those are split here in one go; anything that a plain
split cannot tell apart for sure (inline pictures, unbalanced strings) is left to the PDF library's own parser.
Strings are dropped either way, for texts are read elsewhere (ISO 32000-1, 7.2 and 7.8.2).
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

import pikepdf

#: Hexadecimal strings, and dictionaries without any.
_HEX = re.compile(rb"<[0-9A-Fa-f\s]*>")
_DICTIONARY = re.compile(rb"<<[^<>()]*>>")

#: What may hold a percent sign or a bracket that means something else: strings first, for they may hold a percent
#: sign, and comments may hold brackets. Whichever begins first is what it looks like.
_STRING_OR_COMMENT = re.compile(rb"\((?:[^()\\]|\\.)*\)|%[^\r\n]*", re.DOTALL)
_INLINE = re.compile(rb"(?:^|\s)BI\s")

_NUMERIC, _NAME = frozenset(b"0123456789+-."), ord("/")

Operation = tuple[str, list[Any]]


def operations(pdf: pikepdf.Pdf, data: bytes) -> Iterator[Operation]:
    """Each operator with its operands; raises pikepdf.PdfError for a stream that is no content at all."""
    plain = _plain(data)
    if plain is not None:
        yield from _split(plain)
        return
    for instruction in pikepdf.parse_content_stream(pikepdf.Stream(pdf, data)):
        if isinstance(instruction, pikepdf.ContentStreamInlineImage):
            yield "BI", [instruction.iimage]
        else:
            yield str(instruction.operator), [_operand(o) for o in instruction.operands]


def _plain(data: bytes) -> bytes | None:
    """The stream without strings, dictionaries and comments, or None where that cannot be done for sure."""
    if _INLINE.search(data):
        return None
    if b"(" in data or b"%" in data:
        data = _STRING_OR_COMMENT.sub(b" ", data)
    # A nought is white space (ISO 32000-1, table 1).
    if b"\0" in data:
        data = data.replace(b"\0", b" ")
    if b"<" in data:
        data = _HEX.sub(b" ", _DICTIONARY.sub(b" /Dictionary ", data))
    if any(sign in data for sign in (b"(", b")", b"<", b">", b"{", b"}")):
        return None
    return data.replace(b"[", b" [ ").replace(b"]", b" ] ").replace(b"/", b" /")


def _split(data: bytes) -> Iterator[Operation]:
    operands: list[Any] = []
    outer: list[Any] | None = None
    for token in data.split():
        # What begins like a number is one, or a slip that ends the operator.
        if token[0] in _NUMERIC:
            try:
                operands.append(float(token))
                continue
            except ValueError:
                operands.append(None)
        elif token[0] == _NAME:
            operands.append(token.decode("latin-1"))
        elif token == b"[":
            outer, operands = operands, []
        elif token == b"]":
            inner, operands = operands, outer if outer is not None else []
            operands.append(inner)
            outer = None
        else:
            yield token.decode("latin-1"), operands
            operands, outer = [], None


def _operand(value: Any) -> Any:
    """An operand of the library's parser in the plain form."""
    if isinstance(value, pikepdf.Name):
        return str(value)
    if isinstance(value, pikepdf.Array):
        return [_operand(v) for v in value]
    if isinstance(value, pikepdf.Dictionary | pikepdf.Stream):
        return value
    try:
        return float(value)
    except (TypeError, ValueError):
        return None
