"""The data of Cut: tools, stock, what an operation is about and how it is done. All of it is kept in the job.

Lengths are mm, angles of settings degrees (they are typed so), feeds mm/min, speeds 1/min. In settings None means: as
it was before, in the end as the tool and the kind of operation have it; so several can be edited together.
"""

from __future__ import annotations

from typing import Literal

import msgspec

from syntaxa.drawing.descent import RegionRef

#: What cuts. A beam is a laser, a plasma or a jet of water: it has a kerf and no depth.
ToolKind = Literal["end mill", "ball mill", "cone", "drill", "beam", "knife"]

#: What is done along or inside contours.
OperationKind = Literal["profile", "outside", "inside", "follow", "pocket", "face", "drill", "bore", "chamfer"]

#: Which contours, by how deep they lie in each other.
Nest = Literal["all", "outer", "inner", "islands"]

Entry = Literal["plunge", "ramp", "helix"]
LeadKind = Literal["none", "line", "arc"]
Corners = Literal["round", "loop", "relief"]
Direction = Literal["climb", "conventional"]


class Tool(msgspec.Struct, frozen=True, omit_defaults=True):
    """A tool; its feeds and speeds are for a material, or for any where none is named.

    diameter       mm, of a cone its largest; kerf  mm that a beam or knife takes
    corner_radius  mm; angle  degrees of the whole tip of a cone or drill
    centre         whether it can go straight down
    step_over      share of the radius by which paths of a pocket lie apart
    pierce         seconds that a beam stands before it moves
    """

    name: str
    kind: ToolKind = "end mill"
    number: int = 1
    diameter: float = 0.0
    corner_radius: float = 0.0
    angle: float = 0.0
    flutes: int = 2
    length: float = 0.0
    kerf: float = 0.0
    centre: bool = True
    feed: float = 600.0
    plunge: float = 200.0
    speed: float = 0.0
    step_down: float = 0.0
    step_over: float = 1.0
    pierce: float = 0.0
    material: str = ""

    @property
    def width(self) -> float:
        """What it takes away in one pass (mm)."""
        return self.kerf if self.is_flat else self.diameter

    @property
    def radius(self) -> float:
        """Half of that."""
        return self.width / 2

    @property
    def is_flat(self) -> bool:
        """Whether it knows no depth: a beam or a knife."""
        return self.kind in ("beam", "knife")

    def __str__(self) -> str:
        size = f"kerf {self.kerf:g}" if self.is_flat else f"Ø {self.diameter:g}"
        return f"{self.name} ({self.kind}, {size} mm)"


class Settings(msgspec.Struct, frozen=True, omit_defaults=True):
    """How an operation is done; None is as it was. Texts are lengths or formulas with Define's names.

    top, depth    where the stock begins and how deep it is cut below that; an empty depth goes through
    step_down     mm a pass, finish_down  mm of the last one; finish  mm that is left for a pass of its own at the wall
    step_over     share of the radius; allowance  mm that is left on the wall
    lead, lead_size, lead_out  how the contour is come to and left
    overcut       mm that a closed contour is cut beyond its start
    tabs, tab_every  how many, or one every so many mm: the larger number counts; tab_width, tab_height mm
    peck          mm a peck of a drill; dwell  seconds at the bottom
    width         mm of a chamfer
    common        lines that neighbours share are cut once
    """

    tool: str | None = None
    top: str | None = None
    depth: str | None = None
    step_down: float | None = None
    finish_down: float | None = None
    finish: float | None = None
    step_over: float | None = None
    allowance: float | None = None
    direction: Direction | None = None
    feed: float | None = None
    plunge: float | None = None
    speed: float | None = None
    entry: Entry | None = None
    entry_angle: float | None = None
    lead: LeadKind | None = None
    lead_size: float | None = None
    lead_out: LeadKind | None = None
    overcut: float | None = None
    tabs: int | None = None
    tab_every: float | None = None
    tab_width: float | None = None
    tab_height: float | None = None
    corners: Corners | None = None
    pierce: float | None = None
    peck: float | None = None
    dwell: float | None = None
    width: float | None = None
    common: bool | None = None

    def over(self, other: Settings) -> Settings:
        """These where they are set, else the other's."""
        mine = {n: v for n in self.__struct_fields__ if (v := getattr(self, n)) is not None}
        return msgspec.structs.replace(other, **mine)

    def only(self, names: tuple[str, ...]) -> Settings:
        """Some of these."""
        return Settings(**{n: getattr(self, n) for n in names})

    @property
    def given(self) -> tuple[str, ...]:
        """The names of what is set."""
        return tuple(n for n in self.__struct_fields__ if getattr(self, n) is not None)


class Pick(msgspec.Struct, frozen=True, omit_defaults=True):
    """What an operation is about: everything that all the rules let through, besides what is named.

    round_from, round_to  diameters of circles (mm)
    regions, roots        named by hand; where some are named and no rule is set, these only
    without               keys of contours that are left out by hand
    """

    sketches: tuple[str, ...] = ()
    layers: tuple[str, ...] = ()
    colours: tuple[int, ...] = ()
    roles: tuple[str, ...] = ()
    nest: Nest = "all"
    round_from: float | None = None
    round_to: float | None = None
    regions: tuple[RegionRef, ...] = ()
    roots: tuple[str, ...] = ()
    without: tuple[str, ...] = ()

    @property
    def by_hand_only(self) -> bool:
        """Whether nothing but what is named is meant."""
        rules = self.sketches or self.layers or self.colours or self.roles or self.nest != "all"
        return bool(self.regions or self.roots) and not rules and self.round_from is None and self.round_to is None


class Operation(msgspec.Struct, frozen=True, omit_defaults=True):
    """Something to be cut; `name` is unlike that of all others."""

    name: str
    kind: OperationKind = "profile"
    pick: Pick = Pick()
    settings: Settings = Settings()
    enabled: bool = True


class Place(msgspec.Struct, frozen=True, omit_defaults=True):
    """What was set by hand on one contour of an operation; the contour is named by the roots of its curves.

    start  where it is begun (mm); tabs_at  places of tabs (mm)
    turned the tool goes on the other side
    """

    operation: str
    contour: str
    start: tuple[float, float] | None = None
    tabs_at: tuple[tuple[float, float], ...] | None = None
    turned: bool = False
    settings: Settings = Settings()


Origin = Literal["lower-left", "lower-right", "upper-left", "upper-right", "centre", "as-drawn", "picked"]


class KeepOut(msgspec.Struct, frozen=True, omit_defaults=True):
    """A clamp or another place to keep out of: a box (xmin, ymin, xmax, ymax) as drawn, and its height over the
    stock (mm).
    """

    box: tuple[float, float, float, float]
    height: float = 20.0
    name: str = "clamp"


class Stock(msgspec.Struct, frozen=True, omit_defaults=True):
    """What is cut: the box of the parts and a margin, a size of its own, or the box of a sketch.

    thickness   a length or formula; size  width and height (mm), centred on the parts, where they are given
    origin      where the program's x and y are 0; zero_z  where its z is
    picked      the place (mm, as drawn) of a picked origin
    on_table    where the stock's lower left corner lies on the machine (mm); None where nobody knows
    """

    thickness: str = "3"
    margin: float = 10.0
    size: tuple[float, float] | None = None
    sketch: str = ""
    origin: Origin = "lower-left"
    picked: tuple[float, float] = (0.0, 0.0)
    zero_z: Literal["top", "bottom"] = "top"
    keep_out: tuple[KeepOut, ...] = ()
    on_table: tuple[float, float] | None = None
    material: str = ""


#: How parts may be turned: not at all, by half a turn (so that the grain stays), by quarters, or by eighths.
Turning = Literal["none", "half", "quarters", "eighths"]

#: Whether parts lie by their shape, or each in a box of its own, one beside the other.
Way = Literal["shape", "grid"]

#: What goes first: holes and what lies inside before what holds it, always; then by tool, by part, or as listed.
Ordering = Literal["by tool", "part by part", "as listed"]
