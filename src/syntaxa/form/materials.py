"""Densities by name, each with where it is taken from; numbers are from memory of these sources."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.errors import FormError

#: kg/m3 to kg/mm3.
_PER_MM3 = 1e-9

#: kg/m3 within which a density is one: from foams to the heaviest metals.
_LEAST, _MOST = 1.0, 23000.0


@dataclass(frozen=True, slots=True)
class Density:
    """A density (kg/m3), what it is called, and where the figure is taken from; empty for one that was typed."""

    name: str
    kg_per_m3: float
    source: str = ""

    @property
    def kg_per_mm3(self) -> float:
        """kg/mm3."""
        return self.kg_per_m3 * _PER_MM3

    def __str__(self) -> str:
        return f"{self.name}, {self.kg_per_m3:g} kg/m³" if self.source else f"{self.kg_per_m3:g} kg/m³"


#: From memory, not looked up again: EN 1993-1-2:2005 clause 3.2.2, EN 10088-1:2005 annex E, EN 1999-1-1:2007 clause
#: 3.2.5, EN 1991-1-1:2002 annex A (by their weights over 9.81 m/s2), EN 338:2016 (mean of class C24), ISO 1183 ranges.
DENSITIES: tuple[Density, ...] = (
    Density("steel", 7850.0, "EN 1993-1-2:2005, 3.2.2"),
    Density("stainless steel", 7900.0, "EN 10088-1:2005, annex E, 1.4301"),
    Density("aluminium", 2700.0, "EN 1999-1-1:2007, 3.2.5"),
    Density("cast iron", 7250.0, "EN 1991-1-1:2002, table A.4"),
    Density("brass", 8500.0, "EN 1991-1-1:2002, table A.4"),
    Density("bronze", 8600.0, "EN 1991-1-1:2002, table A.4"),
    Density("copper", 8900.0, "EN 1991-1-1:2002, table A.4"),
    Density("softwood", 420.0, "EN 338:2016, C24"),
    Density("acrylic", 1190.0, "common practice, no published source"),
    Density("polyethylene", 950.0, "common practice, no published source"),
    Density("polyacetal", 1410.0, "common practice, no published source"),
    Density("birch plywood", 680.0, "common practice, no published source"),
)


def density_of(text: str) -> Density:
    """A density by the name of a material, or typed in kg/m3; raises FormError."""
    wanted = text.strip().lower()
    for known in DENSITIES:
        if known.name == wanted:
            return known
    try:
        value = float(wanted.removesuffix("kg/m3").removesuffix("kg/m³"))
    except ValueError:
        names = ", ".join(d.name for d in DENSITIES)
        raise FormError(f"“{text}” is no material that is known here.", suggestion=f"Known are: {names}.") from None
    if not _LEAST <= value <= _MOST:
        raise FormError(f"{value:g} kg/m³ is no density of a thing.", suggestion="Steel has 7850 kg/m³.")
    return Density("", value)
