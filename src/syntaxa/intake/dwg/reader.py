"""DWG R14 to R2018: a child process carries it over to DXF, and the DXF reader does the rest.

Native code that meets a damaged file may loop, eat memory or end its process; here it ends only its own.
"""

from __future__ import annotations

import subprocess
import sys
import tempfile
from dataclasses import replace
from pathlib import Path

import msgspec

from syntaxa.errors import Cancelled, IntakeError, Progress
from syntaxa.intake.dwg.convert import Converted
from syntaxa.intake.dxf.reader import read as read_dxf
from syntaxa.intake.model import PLAIN, NotRead, ReadOptions, Received

#: Bytes and seconds of the processor that the child may use.
_MEMORY, _SECONDS = 4 << 30, 90

_UNITS = {"millimeter": "mm", "centimeter": "cm", "meter": "m", "kilometer": "km", "inch": "in", "foot": "ft",
          "yard": "yd", "mil": "mil", "micron": "um", "decimeter": "dm"}  # fmt: skip

_RELEASES = {"AC1014": "R14", "AC1015": "R2000", "AC1018": "R2004", "AC1021": "R2007", "AC1024": "R2010",
             "AC1027": "R2013", "AC1032": "R2018"}  # fmt: skip

#: DXF types of each of the converter's types, to find the source's own handles again.
_TYPES = {"line": "LINE", "arc": "ARC", "circle": "CIRCLE", "ellipse": "ELLIPSE", "spline": "SPLINE",
          "polyline": "LWPOLYLINE POLYLINE", "text": "TEXT", "m_text": "MTEXT", "insert": "INSERT", "point": "POINT",
          "hatch": "HATCH", "dimension": "DIMENSION", "leader": "LEADER", "face": "SOLID TRACE 3DFACE",
          "unknown": "RAY XLINE"}  # fmt: skip


def read(name: str, data: bytes, progress: Progress, options: ReadOptions = PLAIN) -> Received:
    """A DWG as a drawing; raises IntakeError where the child cannot make it out."""
    head, dxf = _converted(name, data, progress)
    handles = [(_TYPES.get(kind, ""), handle) for kind, handle in head.entities]
    received = read_dxf(name, dxf, lambda share: progress(0.5 + share / 2), options, handles, fast=False)
    report = received.report
    skipped = [NotRead(kind, count, "This type is not taken in from DWG; a DXF of it may carry it.")
               for kind, count in sorted(head.unknown.items())]  # fmt: skip
    report = replace(
        report,
        format="dwg",
        version=_RELEASES.get(head.version, head.version),
        declared=_UNITS.get(head.unit),
        metric=None,
        not_read=(*report.not_read, *skipped),
        notes=(*head.warnings, *report.notes),
    )
    return Received(received.drawing, report)


def _converted(name: str, data: bytes, progress: Progress) -> tuple[Converted, bytes]:
    with tempfile.TemporaryDirectory(prefix="syntaxa-dwg-") as folder:
        path = Path(folder) / "drawing.dwg"
        path.write_bytes(data)
        command = [sys.executable, "-I", "-m", "syntaxa.intake.dwg.convert", str(path), str(_MEMORY), str(_SECONDS)]
        out, err = Path(folder) / "out", Path(folder) / "err"
        with out.open("wb") as stdout, err.open("wb") as stderr:
            child = subprocess.Popen(command, stdin=subprocess.DEVNULL, stdout=stdout, stderr=stderr)  # noqa: S603
            _wait(child, progress, name)
        result = out.read_bytes()
    line, _, dxf = result.partition(b"\n")
    if child.returncode != 0 or not dxf:
        raise _beyond(name)
    try:
        return msgspec.json.decode(line, type=Converted), dxf
    except msgspec.MsgspecError as error:
        raise _beyond(name) from error


def _wait(child: subprocess.Popen[bytes], progress: Progress, name: str) -> None:
    waited = 0.0
    try:
        while True:
            try:
                child.wait(0.1)
            except subprocess.TimeoutExpired:
                waited += 0.1
                progress(0.5 * waited / (waited + 2))
                if waited > 2 * _SECONDS:
                    raise _beyond(name) from None
            else:
                return
    except (Cancelled, IntakeError):
        child.kill()
        child.wait()
        raise


def _beyond(name: str) -> IntakeError:
    return IntakeError(f"{name} could not be made out.", file=name, suggestion="Ask for the drawing as DXF.")
