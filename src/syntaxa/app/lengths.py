"""Lengths as users read and type them: in the display unit, which never changes geometry."""

from __future__ import annotations

import re
from dataclasses import dataclass

from syntaxa.app.sentences import in_words
from syntaxa.app.words import figures, figures_in, tr
from syntaxa.drawing.model import Curve
from syntaxa.drawing.quantities import feet_and_inches, plain_number
from syntaxa.drawing.units import mm_per
from syntaxa.geometry.shapes import Arc, Circle

#: Feet and inches with fractions.
FEET_AND_INCHES = "ft-in"

DISPLAY_UNITS = ("mm", "cm", "m", "in", "ft", FEET_AND_INCHES)

#: One or several lengths in mm in a sentence.
_LENGTH = re.compile(r"-?\d+(?:\.\d+)?(?:e[-+]?\d+)?")
_IN_MM = re.compile(rf"(?<![\w.])({_LENGTH.pattern}(?:(?:, | to | and | bis | und | × ){_LENGTH.pattern})*) mm\b")

_DECIMALS = {"mm": 3, "cm": 4, "m": 6, "in": 4, "ft": 5}


@dataclass(frozen=True, slots=True)
class LengthFormat:
    """Writes and reads lengths in one unit."""

    unit: str

    @property
    def single(self) -> str:
        """The one unit that a number without a unit is in: inches where feet and inches are shown."""
        return "in" if self.unit == FEET_AND_INCHES else self.unit

    @property
    def mm_per_unit(self) -> float:
        """Size of the one unit."""
        return mm_per(self.single)

    def number(self, mm: float) -> str:
        """A length without its unit; feet and inches carry their signs."""
        if self.unit == FEET_AND_INCHES:
            return feet_and_inches(mm)
        value = mm / self.mm_per_unit
        text = f"{value:.{_DECIMALS[self.unit]}f}"
        return "0" if float(text) == 0 else figures(text)

    def text(self, mm: float) -> str:
        """A length with its unit."""
        return f"{self.number(mm)}{self._suffix}"

    def rounded(self, mm: float) -> str:
        """A length in four figures, without its unit and without powers of ten."""
        if self.unit == FEET_AND_INCHES:
            return feet_and_inches(mm)
        value = mm / self.mm_per_unit
        return f"{value:,.0f}".replace(",", "\u202f") if value >= 1000 else figures(plain_number(value, 4))

    def short(self, mm: float) -> str:
        """A length in six figures, without its unit and without noughts behind."""
        if self.unit == FEET_AND_INCHES:
            return feet_and_inches(mm)
        return figures(plain_number(mm / self.mm_per_unit, 6))

    def small(self, mm: float) -> str:
        """A small length in three figures, with its unit."""
        return f"{figures(plain_number(mm / self.mm_per_unit, 3))} {self.single}"

    def sentence(self, words: str) -> str:
        """A sentence that tells lengths in mm, with these in the unit that is shown."""
        words = in_words(words)
        if self.unit == "mm":
            return figures_in(words)

        def other(found: re.Match[str]) -> str:
            return _LENGTH.sub(lambda n: self._as_fine(n[0]), found[1]) + f" {self.single}"

        return figures_in(_IN_MM.sub(other, words))

    def _as_fine(self, mm: str) -> str:
        """A written length (mm) in the one unit, in as many figures, at least three."""
        figures = len(mm.split("e")[0].lstrip("-0.").replace(".", ""))
        return plain_number(float(mm) / self.mm_per_unit, max(figures, 3))

    @property
    def _suffix(self) -> str:
        return "" if self.unit == FEET_AND_INCHES else f" {self.unit}"

    def size(self, box: tuple[float, float, float, float] | None) -> str:
        """Width x height of a box (mm)."""
        if box is None:
            return tr("nothing")
        return f"{self.number(box[2] - box[0])} × {self.number(box[3] - box[1])}{self._suffix}"

    def short_size(self, box: tuple[float, float, float, float] | None) -> str:
        """Width x height of a box (mm) in four figures, for narrow columns."""
        if box is None:
            return tr("nothing")
        return f"{self.rounded(box[2] - box[0])} × {self.rounded(box[3] - box[1])}{self._suffix}"

    def area(self, mm2: float) -> str:
        """An area with its unit."""
        value = mm2 / self.mm_per_unit**2
        return figures(f"{value:.2f}") + f" {self.single}²" if value < 1000 else _grouped(value) + f" {self.single}²"

    def describe(self, curve: Curve) -> str:
        """What is told of a curve under the cursor: kind, size, layer, id."""
        shape = curve.shape
        parts = [tr(shape.kind.capitalize())]
        if isinstance(shape, Circle):
            parts.append(f"Ø {self.text(2 * shape.radius)}")
        else:
            parts.append(self.text(shape.length))
        if isinstance(shape, Arc):
            parts.append(f"R {self.text(shape.radius)}")
        if curve.block:
            parts.append(tr("in block {0}", curve.block.partition("#")[0]))
        return "  ·  ".join([*parts, curve.layer, f"#{curve.id}"])


def _grouped(value: float) -> str:
    """A large number with narrow gaps between its thousands."""
    whole, _, rest = f"{value:,.2f}".partition(".")
    return whole.replace(",", "\u202f") + figures(f"0.{rest}")[1:]
