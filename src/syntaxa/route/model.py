"""Rules that say where curves go, and how groups of curves are told apart."""

from __future__ import annotations

import fnmatch
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import msgspec

from syntaxa.drawing.model import Curve, Layer
from syntaxa.drawing.state import Purpose, State

#: Where a rule sends curves: to a sketch that is made, helps drawing, or is only looked at; or out.
Destination = Literal["profile", "construction", "reference", "out"]

#: By what curves can be grouped.
Grouping = Literal["layer", "colour", "line type", "weight", "block", "kind"]

GROUPINGS: tuple[Grouping, ...] = ("layer", "colour", "line type", "weight", "block", "kind")


class Rule(msgspec.Struct, frozen=True, omit_defaults=True):
    """Curves that fit all that is given go to a sketch.

    layer, line_type, block  names, with * and ? for what may differ; capitals and small letters are the same
    colour  0xRRGGBB; weight in mm, 0 for the default; kind of curve
    to      name of the sketch; {layer}, {colour}, {line type}, {weight}, {block} and {kind} become the curve's own
    goes    what it goes as
    """

    to: str = "{layer}"
    goes: Destination = "profile"
    layer: str = "*"
    colour: int | None = None
    line_type: str = "*"
    weight: float | None = None
    block: str = "*"
    kind: str = "*"

    def fits(self, look: Appearance) -> bool:
        """Whether a curve that looks so is meant."""
        return (
            _same(look.layer, self.layer)
            and _same(look.line_type, self.line_type)
            and _same(look.block, self.block)
            and _same(look.kind, self.kind)
            and self.colour in (None, look.colour)
            and (self.weight is None or abs((look.weight or 0.0) - self.weight) < 5e-4)
        )

    def name_for(self, look: Appearance) -> str:
        """The sketch that a curve of that look goes to."""
        name = self.to
        for grouping in GROUPINGS:
            name = name.replace(f"{{{grouping}}}", look.shown(grouping))
        return name or look.layer

    @property
    def meant(self) -> str:
        """Which curves are meant, in words."""
        parts = [f"{name} {value}" for name, value in (("layer", self.layer), ("line type", self.line_type),
                 ("block", self.block), ("kind", self.kind)) if value != "*"]  # fmt: skip
        if self.colour is not None:
            parts.append(f"colour {colour_name(self.colour)}")
        if self.weight is not None:
            parts.append(f"weight {self.weight:g} mm" if self.weight else "default weight")
        return ", ".join(parts) or "everything"


@dataclass(frozen=True, slots=True)
class Appearance:
    """How a curve looks, its own style or else that of its layer. Weight in mm, None for the default."""

    layer: str
    colour: int
    line_type: str
    weight: float | None
    block: str
    kind: str

    def shown(self, grouping: Grouping) -> str:
        """One of its properties in words."""
        return {
            "layer": self.layer,
            "colour": colour_name(self.colour),
            "line type": self.line_type or "continuous",
            "weight": "default" if self.weight is None else f"{self.weight:g} mm",
            "block": self.block or "no block",
            "kind": self.kind,
        }[grouping]


class Appearances:
    """Tells how curves look; knows the layers of all sources."""

    def __init__(self, state: State) -> None:
        self._layers: dict[tuple[int, str], Layer] = {
            (taken.number, layer.name): layer for taken in state.taken for layer in taken.drawing.layers
        }
        self._known: dict[tuple[object, ...], Appearance] = {}

    def of(self, curve: Curve) -> Appearance:
        """How a curve looks; the very same for curves that look alike."""
        style = curve.style
        key = (
            curve.source, curve.layer, style.colour, style.line_type, style.weight, curve.block, curve.shape.kind
        )  # fmt: skip
        look = self._known.get(key)
        if look is None:
            look = self._known[key] = self._look(curve)
        return look

    def _look(self, curve: Curve) -> Appearance:
        layer = self._layers.get((curve.source, curve.layer)) or Layer(curve.layer)
        style = curve.style
        return Appearance(
            curve.layer,
            layer.colour if style.colour is None else style.colour,
            (style.line_type or layer.line_type).upper().replace("CONTINUOUS", "").replace("BYBLOCK", ""),
            layer.weight if style.weight is None else style.weight,
            curve.block.partition("#")[0],
            curve.shape.kind,
        )


@dataclass(frozen=True, slots=True)
class CurveGroup:
    """Curves that are alike in one property: how many, their length (mm), and where they go."""

    grouping: Grouping
    name: str
    look: Appearance
    count: int
    length: float
    ids: tuple[str, ...]
    sources: tuple[int, ...]
    goes_to: tuple[str, ...]
    shown: bool

    def rule(self, to: str, goes: Destination) -> Rule:
        """The rule that sends just these."""
        escaped = self.name.translate({ord(c): f"[{c}]" for c in "*?["})
        match self.grouping:
            case "layer":
                return Rule(to, goes, layer=escaped)
            case "colour":
                return Rule(to, goes, colour=self.look.colour)
            case "line type":
                return Rule(to, goes, line_type=self.look.line_type)
            case "weight":
                return Rule(to, goes, weight=self.look.weight or 0.0)
            case "block":
                return Rule(to, goes, block=self.look.block)
            case _:
                return Rule(to, goes, kind=self.look.kind)


def groups_of(state: State, now: State, grouping: Grouping) -> list[CurveGroup]:
    """All that was taken in (`state`, before any routing), grouped; `now` tells its size and where each group went."""
    looks = Appearances(state)
    to_mm = {t.number: now.placement_of(t).mm_per_unit for t in now.taken}
    home = {c.root: s.name for s in now.sketches for c in s.curves}
    hidden = {(t.number, x.name) for t in state.taken for x in t.drawing.layers if not x.shown}
    # Curves that look alike have the very same look, which is quicker told apart than equal ones.
    shown: dict[int, str] = {}
    members: dict[str, list[tuple[Curve, int]]] = {}
    first: dict[str, Appearance] = {}
    for taken in state.taken:
        for curve in taken.drawing.curves:
            look = looks.of(curve)
            name = shown.get(id(look))
            if name is None:
                name = shown[id(look)] = look.shown(grouping)
                first.setdefault(name, look)
            members.setdefault(name, []).append((curve, taken.number))
    found = []
    for name, some in members.items():
        goes = dict.fromkeys(home[c.root] for c, _ in some if c.root in home)
        found.append(
            CurveGroup(
                grouping,
                name,
                first[name],
                len(some),
                sum(c.shape.length * to_mm[n] for c, n in some),
                tuple(c.id for c, _ in some),
                tuple(dict.fromkeys(n for _, n in some)),
                tuple(goes),
                any((n, c.layer) not in hidden for c, n in some),
            )
        )
    return sorted(found, key=lambda g: g.name.lower())


def first_fit(rules: Sequence[Rule], look: Appearance) -> Rule | None:
    """The first rule that means a curve of that look."""
    return next((rule for rule in rules if rule.fits(look)), None)


def purpose_of(goes: Destination) -> Purpose:
    """What a sketch is for whose curves go there so."""
    return "profile" if goes == "out" else goes


def colour_name(colour: int) -> str:
    """A colour as #rrggbb."""
    return f"#{colour:06x}"


def _same(name: str, pattern: str) -> bool:
    return pattern == "*" or fnmatch.fnmatchcase(name.lower(), pattern.lower())
