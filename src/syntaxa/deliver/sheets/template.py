"""An SVG that is a title block or a whole frame: its lines, its words, and the room that fields have."""

from __future__ import annotations

from dataclasses import dataclass, replace

from lxml import etree

from syntaxa.deliver.pages.model import CAPITAL
from syntaxa.drawing.annotations import Text
from syntaxa.drawing.units import mm_per
from syntaxa.errors import IntakeError
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.transform import Transform
from syntaxa.intake.registry import read
from syntaxa.intake.svg.reader import CAPITAL as READ_AS

#: mm of a line that does not say how wide it is.
_WEIGHT = 0.35


@dataclass(frozen=True, slots=True)
class Template:
    """Width and height (mm), lines with their weights (mm), and words with the room (mm) that they have, if it is said.

    Everything is from the lower left corner, y up.
    """

    width: float
    height: float
    lines: tuple[tuple[Shape, float], ...]
    texts: tuple[tuple[Text, float | None], ...]


def template_in(name: str, data: bytes) -> Template:
    """The template in the bytes of an SVG that says its size in mm; raises IntakeError."""
    rooms, width, height = _said(name, data)
    received = read(name, data)
    declared = received.report.declared
    drawing = received.drawing.transformed(Transform.scaling(mm_per(declared) if declared else 1.0))
    lines = tuple((c.shape, c.style.weight or _WEIGHT) for c in drawing.curves)
    # The reader does not know the font; words go out in one that is known.
    grow = CAPITAL / READ_AS
    words = (a for a in drawing.annotations if isinstance(a, Text))
    texts = tuple((replace(a, height=a.height * grow), rooms.get(a.text.strip())) for a in words)
    return Template(width, height, lines, texts)


def _said(name: str, data: bytes) -> tuple[dict[str, float], float, float]:
    """The room of each field (mm) by its words, and the size of the picture."""
    parser = etree.XMLParser(resolve_entities=False, no_network=True, huge_tree=False)
    try:
        root = etree.fromstring(data, parser)
    except etree.XMLSyntaxError:
        raise IntakeError(f"{name} is no SVG.", file=name) from None
    sides = [_mm(root.get(side, "")) for side in ("width", "height")]
    width, height = sides
    if width is None or height is None:
        raise IntakeError(f"{name} does not say how wide and high it is in mm.", file=name)
    rooms: dict[str, float] = {}
    for element in root.iter("{*}text"):
        try:
            rooms["".join(element.itertext()).strip()] = float(element.get("data-width", ""))
        except ValueError:
            continue
    return rooms, width, height


def _mm(text: str) -> float | None:
    for unit, factor in (("mm", 1.0), ("cm", 10.0), ("in", 25.4)):
        if text.endswith(unit):
            try:
                value = float(text[: -len(unit)]) * factor
            except ValueError:
                return None
            return value if 0 < value < 1e4 else None
    return None
