"""What a sheet is, as data."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

import msgspec

from syntaxa.define.model import Named
from syntaxa.deliver.pages.model import InkChoice
from syntaxa.drawing.state import Part

#: Views of bodies, by where they are seen from.
BodyView = Literal["front", "back", "top", "bottom", "right", "left", "isometric"]

BODY_VIEWS: tuple[str, ...] = get_args(BodyView)

#: How views of bodies lie round the front: as if each were unfolded away from the eye, or towards it (ISO 5456-2).
Method = Literal["first", "third"]

Upright = Literal["usual", "upright", "across"]


class SheetDimension(msgspec.Struct, frozen=True, omit_defaults=True):
    """A dimension that was drawn in a view; it follows what it is about.

    kind    one of Define's, "smallest", or of several points "chain", "base lines" or "coordinates"
    things  by their names: curves of the drawing by their roots, lines of bodies by their number in their view
    angle   radians, as Define has it, or the direction of a chain and of base lines
    place   mm of the thing: where the text stands, or the row of a chain; None where the sheet finds one
    """

    kind: str
    things: tuple[Named, ...]
    angle: float = 0.0
    place: tuple[float, float] | None = None


class SheetView(msgspec.Struct, frozen=True, omit_defaults=True):
    """A view on a sheet.

    shows   "profiles" for all sketches that go out, "profiles:NAME" for one, "received" for the drawing as it came,
            "received:PART" for a part of it by number, "window:X0,Y0,X1,Y1" for what of it lies in a box (mm), where
            bodies are seen from, "section:VIEW:MM", or "detail:VIEW:X,Y,R" for what another view shows in a circle
    place   mm of paper, where its middle is put; None where the sheet lays it out
    scale   its own; empty for that of the sheet
    hidden  whether hidden lines are drawn; dimensions  whether those of the job come along
    shaded  whether bodies have their surfaces, too; measures  the dimensions that were drawn in it
    """

    shows: str
    place: tuple[float, float] | None = None
    scale: str = ""
    hidden: bool = True
    dimensions: bool = True
    shaded: bool = False
    measures: tuple[SheetDimension, ...] = ()


class Note(msgspec.Struct, frozen=True, omit_defaults=True):
    """Words with a place on the sheet (mm), and a point that a line leads to from them."""

    text: str
    place: tuple[float, float]
    points_at: tuple[float, float] | None = None


class Sheet(msgspec.Struct, frozen=True, omit_defaults=True):
    """A sheet of a job.

    paper   a name, or width x height in mm; frame  "iso", "none", or the path of an SVG
    fields  of the title block, by name; what is not given the job says itself
    scale   "fit" for the largest of ISO 5455 that has room
    holes   whether a table of holes stands on it; parts  whether one of bodies does, with their numbers in the views
    changes  whether a table of what was changed does
    """

    name: str = "Sheet 1"
    paper: str = "A3"
    lies: Upright = "usual"
    frame: str = "iso"
    fields: tuple[tuple[str, str], ...] = ()
    scale: str = "fit"
    method: Method = "first"
    ink: InkChoice = "colour"
    views: tuple[SheetView, ...] = (SheetView("profiles"),)
    notes: tuple[Note, ...] = ()
    holes: bool = False
    parts: bool = False
    changes: bool = False


@dataclass(frozen=True)
class Sheets(Part):
    """The sheets of a job."""

    sheets: tuple[Sheet, ...] = ()

    def sheet(self, name: str) -> Sheet | None:
        """The sheet of a name."""
        return next((s for s in self.sheets if s.name == name), None)
