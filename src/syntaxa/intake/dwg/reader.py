"""DWG R14 to R2018: a child process carries it over to DXF, and the DXF reader does the rest.

Native code that meets a damaged file may loop, eat memory or end its process; here it ends only its own.
"""

from __future__ import annotations

import os
import re
import select
import subprocess
import sys
import tempfile
from collections import Counter
from dataclasses import replace
from importlib.util import find_spec
from pathlib import Path

import msgspec

from syntaxa.errors import IntakeError, Progress
from syntaxa.intake.dxf.reader import read as read_dxf
from syntaxa.intake.model import PLAIN, NotRead, ReadOptions, Received

_CHILD = Path(__file__).with_name("convert.py")

#: Bytes and seconds of the processor that the child may use.
_MEMORY, _SECONDS = 4 << 30, 90

#: Seconds between two looks at whether the drawing is still wanted.
_LOOK = 0.1

_UNITS = {"millimeter": "mm", "centimeter": "cm", "meter": "m", "kilometer": "km", "inch": "in", "foot": "ft",
          "yard": "yd", "mil": "mil", "micron": "um", "decimeter": "dm"}  # fmt: skip

_RELEASES = {"AC1012": "R13", "AC1014": "R14", "AC1015": "R2000", "AC1018": "R2004", "AC1021": "R2007",
             "AC1024": "R2010", "AC1027": "R2013", "AC1032": "R2018"}  # fmt: skip

#: The first release that can be read, by the mark at the head of the file.
_OLDEST = "AC1012"

#: The type of each entity of a DXF.
_TYPE = re.compile(rb"(?:^|\n)[ ]*0\r?\n([A-Z_0-9]+)")

#: Warnings that are told in another way, or that say nothing of the drawing.
_TOLD = ("unknown", "code page", "unsupported entity", "mapped to")

#: DXF types of each of the converter's types, to find the source's own handles again.
_TYPES = {"line": "LINE", "arc": "ARC", "circle": "CIRCLE", "ellipse": "ELLIPSE", "spline": "SPLINE",
          "polyline": "LWPOLYLINE POLYLINE", "text": "TEXT", "m_text": "MTEXT", "insert": "INSERT", "point": "POINT",
          "hatch": "HATCH", "dimension": "DIMENSION", "leader": "LEADER", "face": "SOLID TRACE 3DFACE",
          "unknown": "RAY XLINE"}  # fmt: skip


class Converted(msgspec.Struct, frozen=True):
    """What the DXF of a DWG does not carry, of what the library says of the drawing.

    units     as the DWG states them
    models    model space and the sheets
    warnings  what the library could not make out
    """

    units: Units
    models: list[Model]
    warnings: list[str | Warned] = []

    @property
    def entities(self) -> list[Entity]:
        """Those of model space, in order."""
        return next((m.entities for m in self.models if m.kind == "model"), [])


class Units(msgspec.Struct, frozen=True):
    """The unit by its name."""

    unit: str


class Kind(msgspec.Struct, frozen=True):
    """The type of an entity; where the library does not know it, the name that the DWG gives it."""

    type: str
    type_name: str = "?"


class Entity(msgspec.Struct, frozen=True):
    """An entity, by its handle."""

    id: int
    kind: Kind


class Model(msgspec.Struct, frozen=True):
    """A space of the drawing."""

    kind: str
    entities: list[Entity]


class Warned(msgspec.Struct, frozen=True):
    """A warning with its place."""

    message: str


def read(name: str, data: bytes, progress: Progress, options: ReadOptions = PLAIN) -> Received:
    """A DWG as a drawing; raises IntakeError where the child cannot make it out."""
    release = data[:6].decode("ascii", "replace")
    if release < _OLDEST:
        raise IntakeError(
            f"{name} is a DWG of before R13, which is too old to be read.",
            file=name,
            suggestion="Ask for the drawing as DXF, or saved anew.",
        )
    head, dxf = _converted(name, data, progress)
    handles = [(_TYPES.get(e.kind.type, ""), f"{e.id:X}") for e in head.entities]
    received = read_dxf(name, dxf, lambda share: progress(0.5 + share / 2), options, handles, fast=False)
    report = received.report
    # TABLE is a part of every DXF as well.
    carried = {kind.decode("ascii", "replace") for kind in _TYPE.findall(dxf)} - {"TABLE"}
    skipped = [NotRead(kind, count, "This type is not taken in from DWG; a DXF of it may carry it.")
               for kind, count in sorted(_unknown(head.entities).items())
               if kind.upper().removeprefix("ACDB") not in carried]  # fmt: skip
    report = replace(
        report,
        format="dwg",
        version=_RELEASES.get(release, release),
        declared=_UNITS.get(head.units.unit),
        metric=None,
        not_read=(*report.not_read, *skipped),
        notes=(*_in_words([w if isinstance(w, str) else w.message for w in head.warnings]), *report.notes),
    )
    return Received(received.drawing, report)


def _unknown(entities: list[Entity]) -> Counter[str]:
    """Types that could not be carried over, with their number."""
    return Counter(e.kind.type_name.rpartition(".")[2] for e in entities if e.kind.type == "unknown")


def _in_words(warnings: list[str]) -> list[str]:
    """What the library had to say, as far as a user can make anything of it; types that it left out are told apart."""
    notes = []
    if any("code page" in w.lower() for w in warnings):
        notes.append("Its texts are in an alphabet that is not known here; letters beyond the Latin ones may be wrong.")
    odd = sum(not any(word in w.lower() for word in _TOLD) for w in warnings)
    if odd:
        things = "1 thing" if odd == 1 else f"{odd} things"
        notes.append(f"{things} in the file could not be made out and may be missing or plain.")
    return notes


def _converted(name: str, data: bytes, progress: Progress) -> tuple[Converted, bytes]:
    with tempfile.TemporaryDirectory(prefix="syntaxa-dwg-") as folder:
        path = Path(folder) / "drawing.dwg"
        path.write_bytes(data)
        command = [sys.executable, "-I", "-S", *map(str, (_CHILD, _libraries(), path, _MEMORY, _SECONDS))]
        out, err = Path(folder) / "out", Path(folder) / "err"
        with out.open("wb") as stdout, err.open("wb") as stderr:
            child = subprocess.Popen(command, stdin=subprocess.DEVNULL, stdout=stdout, stderr=stderr)  # noqa: S603
            _wait(child, progress, name)
        result = out.read_bytes()
    size, _, rest = result.partition(b"\n")
    if child.returncode != 0 or not size.isdigit() or len(rest) <= int(size):
        raise _beyond(name)
    try:
        return msgspec.json.decode(rest[: int(size)], type=Converted), rest[int(size) :]
    except (msgspec.MsgspecError, UnicodeDecodeError) as error:
        raise _beyond(name) from error


def _libraries() -> str:
    """The folder that the child finds its library in, which is not looked into here."""
    found = find_spec("cadkit")
    if found is None or found.origin is None:
        raise IntakeError("What reads DWG is not installed.", suggestion="Install the program anew.")
    return str(Path(found.origin).parents[1])


def _wait(child: subprocess.Popen[bytes], progress: Progress, name: str) -> None:
    waited, ending = 0.0, os.pidfd_open(child.pid)
    try:
        while not select.select([ending], [], [], _LOOK)[0]:
            waited += _LOOK
            progress(0.5 * waited / (waited + 2))
            if waited > 2 * _SECONDS:
                raise _beyond(name)
    except BaseException:
        child.kill()
        raise
    finally:
        os.close(ending)
        child.wait()


def _beyond(name: str) -> IntakeError:
    return IntakeError(f"{name} could not be made out.", file=name, suggestion="Ask for the drawing as DXF.")
