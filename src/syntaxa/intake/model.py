"""What a reader is told, and what it hands over."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import msgspec

from syntaxa.drawing.model import Drawing
from syntaxa.geometry.triangles import UpAxis

Fills = Literal["outlines", "hatches"]
Grouping = Literal["auto", "groups", "colour", "one"]


class ReadOptions(msgspec.Struct, frozen=True, omit_defaults=True):
    """What must be settled before the bytes of a source can become a drawing.

    page         1 for the first page of a PDF or picture
    layout       name of a DXF or DWG layout; empty for model space
    password     of a PDF that its author locked
    density      pixels to the inch of an SVG (96 by the standard)
    clip         cut curves where a clip path of SVG or PDF hides them
    join_dashes  make one line of dashes that were drawn as separate strokes
    fills        what filled areas of a PDF become
    grouping     what the layers of an SVG or PDF are: its own groups, or colours and widths
    flatten      lay entities that are tilted out of the plane flat on it, instead of leaving them out
    width_mm, height_mm  size of a picture; one is enough, 0 takes what the file says
    up           axis of triangles that points up
    least_area   triangles of no more than this area (file's units, squared) are skipped
    section      height, in the file's numbers, at which triangles are cut; None for half their height
    mesh_name    what solids without a name are called
    """

    page: int = 1
    layout: str = ""
    password: str = ""
    density: float = 96.0
    clip: bool = False
    join_dashes: bool = False
    fills: Fills = "outlines"
    grouping: Grouping = "auto"
    flatten: bool = False
    width_mm: float = 0.0
    height_mm: float = 0.0
    up: UpAxis = "z"
    least_area: float = 0.0
    section: float | None = None
    mesh_name: str = ""


PLAIN = ReadOptions()

#: Why a tilted curve is not read.
OFF_PLANE = "It is tilted out of the drawing plane (off-plane); it can be laid flat."


@dataclass(frozen=True, slots=True)
class NotRead:
    """Entities that were left out: their type, how many, and why."""

    type: str
    count: int
    why: str


@dataclass(frozen=True, slots=True)
class Sheet:
    """A page or layout that a source has; name is what `ReadOptions` calls it."""

    name: str
    title: str


@dataclass(frozen=True, slots=True)
class ImportReport:
    """What a file is and what could not be taken from it.

    declared       unit that the file declares, or None; metric is its flag, or None where it has none
    notes          sentences about what had to be repaired or decided on the way
    sheets         pages or layouts to choose from; empty where there is only one
    sheet          the one that was read
    degenerate     entities without size that were dropped, by type
    fonts_missing  fonts that the texts name and this machine does not have
    clipped        curves that a clip path hides in part or whole
    unit_chosen    whether the unit follows from what was chosen in reading
    page           width and height of the page, in the file's own numbers, or None
    """

    format: str
    version: str
    declared: str | None = None
    metric: bool | None = None
    not_read: tuple[NotRead, ...] = ()
    notes: tuple[str, ...] = ()
    sheets: tuple[Sheet, ...] = ()
    sheet: str = ""
    degenerate: tuple[tuple[str, int], ...] = ()
    fonts_missing: tuple[str, ...] = ()
    clipped: int = 0
    page: tuple[float, float] | None = None
    unit_chosen: bool = False


@dataclass(frozen=True, slots=True)
class Received:
    """A drawing in the file's own numbers, with its report."""

    drawing: Drawing
    report: ImportReport
