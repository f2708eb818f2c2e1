"""Lengths as users read and type them: in the display unit, which never changes geometry."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.drawing.model import Curve
from syntaxa.drawing.units import mm_per
from syntaxa.geometry.shapes import Arc, Circle

DISPLAY_UNITS = ("mm", "cm", "m", "in", "ft")

_DECIMALS = {"mm": 3, "cm": 4, "m": 6, "in": 4, "ft": 5}


@dataclass(frozen=True, slots=True)
class LengthFormat:
    """Writes and reads lengths in one unit."""

    unit: str

    @property
    def mm_per_unit(self) -> float:
        """Size of the unit."""
        return mm_per(self.unit)

    def number(self, mm: float) -> str:
        """A length without its unit."""
        value = mm / self.mm_per_unit
        text = f"{value:.{_DECIMALS[self.unit]}f}"
        return "0" if float(text) == 0 else text

    def text(self, mm: float) -> str:
        """A length with its unit."""
        return f"{self.number(mm)} {self.unit}"

    def rounded(self, mm: float) -> str:
        """A length in four figures, without its unit and without powers of ten."""
        value = mm / self.mm_per_unit
        return f"{value:,.0f}".replace(",", "\u202f") if value >= 1000 else f"{value:.4g}"

    def small(self, mm: float) -> str:
        """A small length in three figures, with its unit."""
        return f"{mm / self.mm_per_unit:.3g} {self.unit}"

    def size(self, box: tuple[float, float, float, float] | None) -> str:
        """Width x height of a box (mm)."""
        if box is None:
            return "nothing"
        return f"{self.number(box[2] - box[0])} × {self.number(box[3] - box[1])} {self.unit}"

    def short_size(self, box: tuple[float, float, float, float] | None) -> str:
        """Width x height of a box (mm) in four figures, for narrow columns."""
        if box is None:
            return "nothing"
        return f"{self.rounded(box[2] - box[0])} × {self.rounded(box[3] - box[1])} {self.unit}"

    def area(self, mm2: float) -> str:
        """An area with its unit."""
        value = mm2 / self.mm_per_unit**2
        return f"{value:,.2f} {self.unit}²".replace(",", "\u202f")

    def describe(self, curve: Curve) -> str:
        """What is told of a curve under the cursor: kind, size, layer, id."""
        shape = curve.shape
        parts = [shape.kind.capitalize()]
        if isinstance(shape, Circle):
            parts.append(f"Ø {self.text(2 * shape.radius)}")
        else:
            parts.append(self.text(shape.length))
        if isinstance(shape, Arc):
            parts.append(f"R {self.text(shape.radius)}")
        if curve.block:
            parts.append(f"in block {curve.block.partition('#')[0]}")
        return "  ·  ".join([*parts, curve.layer, f"#{curve.id}"])
