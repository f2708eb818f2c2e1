"""STL, ASCII and binary: triangles without a unit."""

from __future__ import annotations

import re
import struct

import numpy as np

from syntaxa.errors import IntakeError, Progress
from syntaxa.geometry.types import Floats
from syntaxa.intake.gather import Gathered
from syntaxa.intake.model import PLAIN, ReadOptions, Received
from syntaxa.intake.solids import add_solids
from syntaxa.intake.stl_mark import HEAD, RECORD

#: Triangles beyond which a solid is not taken.
_MOST = 5_000_000

_VERTEX = re.compile(rb"vertex\s+(\S+)\s+(\S+)\s+(\S+)", re.IGNORECASE)
_SOLID = re.compile(rb"^[ \t]*solid[ \t]*([^\r\n]*)", re.IGNORECASE | re.MULTILINE)


def read(name: str, data: bytes, progress: Progress, options: ReadOptions = PLAIN) -> Received:
    """The section of each solid as a drawing; raises IntakeError where there is no triangle."""
    gathered = Gathered(progress)
    ascii_form = data.lstrip()[:5].lower() == b"solid" and b"facet" in data[:4096].lower()
    solids = _ascii(data, gathered) if ascii_form else _binary(data, gathered)
    progress(0.5)
    if not any(len(t) for _, t in solids):
        raise IntakeError(f"{name} holds no triangle.", file=name, suggestion="Ask for the solid again.")
    add_solids(gathered, [(title, "", triangles) for title, triangles in solids], options)
    return gathered.received("stl", "ASCII" if ascii_form else "binary", None)


def _binary(data: bytes, out: Gathered) -> list[tuple[str, Floats]]:
    claimed = struct.unpack_from("<I", data, 80)[0] if len(data) >= HEAD else 0
    there = max(0, (len(data) - HEAD) // RECORD)
    if claimed != there:
        out.notes.append(f"The file claims {claimed} triangles and holds {there}; those were read.")
    count = min(claimed, there, _MOST)
    record = np.dtype([("normal", "<f4", 3), ("corners", "<f4", (3, 3)), ("more", "<u2")])
    rows = np.frombuffer(data, record, count, HEAD) if count else np.empty(0, record)
    title = data[:80].split(b"\0")[0].decode("latin-1").strip()
    return [(title if title.isprintable() else "", rows["corners"].astype(np.float64))]


def _ascii(data: bytes, out: Gathered) -> list[tuple[str, Floats]]:
    heads = list(_SOLID.finditer(data))
    solids = []
    for k, head in enumerate(heads):
        end = heads[k + 1].start() if k + 1 < len(heads) else len(data)
        corners = _VERTEX.findall(data, head.end(), end)[: 3 * _MOST]
        if len(corners) % 3:
            out.notes.append("The last triangle is cut off and was left out.")
        count = len(corners) // 3
        numbers = np.full((count * 3, 3), np.nan)
        for j, corner in enumerate(corners[: count * 3]):
            try:
                numbers[j] = [float(v) for v in corner]
            except ValueError:
                continue
        solids.append((head[1].decode("utf-8", "replace").strip(), numbers.reshape(count, 3, 3)))
    return solids
