"""Writing a state to a file: format by ending, nothing half-written."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from syntaxa.deliver.dxf import Release, dxf_bytes
from syntaxa.deliver.profiles import Profiles, profiles_of
from syntaxa.deliver.svg import svg_bytes
from syntaxa.drawing.state import State
from syntaxa.errors import DeliverError, reason_of
from syntaxa.files import write_atomically
from syntaxa.geometry.tolerances import Tolerances

ENDINGS = (".dxf", ".svg")


@dataclass(frozen=True, slots=True)
class Output:
    """Choices for what goes out: unit and release count for DXF, SVG is always in mm."""

    unit: str = "mm"
    release: Release = "R2018"


def deliver(state: State, path: Path, output: Output = Output()) -> Sequence[Profiles]:
    """Writes all sketches to one file and returns what was written."""
    if path.suffix.lower() not in ENDINGS:
        raise DeliverError(
            f"{path.name} has no ending that can be written.", file=str(path), suggestion="End it in .dxf or .svg."
        )
    profiles = [profiles_of(sketch, Tolerances()) for sketch in state.sketches]
    if not any(p.shapes for p in profiles):
        raise DeliverError("There is nothing to deliver.", file=str(path), suggestion="Take at least one layer.")
    if path.suffix.lower() == ".svg":
        data = svg_bytes(profiles)
    else:
        data = dxf_bytes(profiles, output.unit, output.release)
    try:
        write_atomically(path, data)
    except OSError as error:
        raise DeliverError(
            f"{path} cannot be written: {reason_of(error)}.", file=str(path), suggestion="Choose another folder."
        ) from error
    return profiles
