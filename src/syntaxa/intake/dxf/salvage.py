"""The last resort for a DXF that neither the strict nor the recovering reader can make out.

Blocks and entities whose tags all make sense are put into a new, minimal file; everything else is dropped and counted.
Where the order of codes and values is lost, it is found again at the next line that can be a code.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterator
from dataclasses import dataclass, field

_ENDINGS = (b"ENDSEC", b"EOF", b"SECTION")

#: Group codes whose values are whole numbers or real ones (DXF reference, group code value types).
_REAL = ((10, 59), (110, 149), (210, 239), (460, 469), (1010, 1059))
_WHOLE = ((60, 79), (90, 99), (170, 179), (270, 289), (370, 389), (400, 409), (420, 429), (440, 459), (1060, 1071))

_UNIT = re.compile(rb"\$INSUNITS\s+70\s+(\d+)")

#: Entities that are parts of the one before: where one is bad, all of it is.
_PARTS = (b"VERTEX", b"SEQEND", b"ATTRIB")


@dataclass
class _Entity:
    tags: list[tuple[bytes, bytes]] = field(default_factory=list)
    good: bool = True


def salvaged(data: bytes) -> tuple[bytes, int, int] | None:
    """A file of what makes sense, how many entities it has, and how many were dropped; None where there is nothing."""
    lines = data.splitlines()
    kept = dropped = 0
    sections: list[bytes] = []
    for name in (b"BLOCKS", b"ENTITIES"):
        good: list[_Entity] = []
        for entity in _whole(_entities(lines, name)):
            if entity.good:
                good.append(entity)
                kept += name == b"ENTITIES"
            else:
                dropped += 1
        tags = [line for entity in good for tag in entity.tags for line in tag]
        sections.append(b"\n".join([b"0", b"SECTION", b"2", name, *tags, b"0", b"ENDSEC"]))
    if not kept:
        return None
    unit = _UNIT.search(data)
    header = [b"0", b"SECTION", b"2", b"HEADER", b"9", b"$ACADVER", b"1", b"AC1015"]
    if unit is not None:
        header += [b"9", b"$INSUNITS", b"70", unit[1]]
    parts = [b"\n".join([*header, b"0", b"ENDSEC"]), *sections, b"0\nEOF\n"]
    return b"\n".join(parts), kept, dropped


def _entities(lines: list[bytes], section: bytes) -> Iterator[_Entity]:
    at = next(
        (k for k, line in enumerate(lines) if line.strip() == section and k and lines[k - 1].strip() == b"2"), None
    )
    if at is None:
        return
    at += 1
    entity = _Entity()
    while at + 1 < len(lines):
        code = _code(lines[at])
        if code is None:
            # The order is lost: one line on, and what is being read is not to be trusted.
            entity.good = False
            at += 1
            continue
        value = lines[at + 1]
        if code == 0:
            if entity.tags:
                yield entity
            entity = _Entity()
            if value.strip() in _ENDINGS:
                return
        entity.tags.append((lines[at].strip(), value))
        entity.good = entity.good and _fits(code, value)
        at += 2


def _whole(entities: Iterator[_Entity]) -> Iterator[_Entity]:
    """Entities with their parts."""
    whole: _Entity | None = None
    for entity in entities:
        if whole is not None and entity.tags[0][1].strip() in _PARTS:
            whole.tags += entity.tags
            whole.good = whole.good and entity.good
            continue
        if whole is not None:
            yield whole
        whole = entity
    if whole is not None:
        yield whole


def _code(line: bytes) -> int | None:
    text = line.strip()
    if not text.isdigit() or len(text) > 4:
        return None
    code = int(text)
    return code if code <= 1071 else None


def _fits(code: int, value: bytes) -> bool:
    try:
        if any(low <= code <= high for low, high in _REAL):
            return math.isfinite(float(value))
        if any(low <= code <= high for low, high in _WHOLE):
            int(value)
        if code in (5, 105, 330, 360):
            int(value, 16)
    except ValueError:
        return False
    return code != 0 or value.strip().replace(b"_", b"").isalnum()
