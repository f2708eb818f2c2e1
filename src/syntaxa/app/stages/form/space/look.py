"""How the view in space looks: its ground, the colour of cut material, what is seen through, and what is cut away."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.app.theme.tokens import Tokens

Rgb = tuple[float, float, float]

#: A cut: what lies where a x + b y + c z + d < 0 is left out.
Plane = tuple[float, float, float, float]

#: No cut: everything lies on its near side.
WHOLE: Plane = (0.0, 0.0, 0.0, 1.0)


@dataclass(frozen=True, slots=True)
class Look:
    """Colours as three numbers of 0 to 1; how strong the films of regions are; whether bodies are seen through."""

    ground: Rgb
    inside: Rgb
    ink: Rgb
    accent: str
    film: float
    see_through: bool = False


def look_of(tokens: Tokens, see_through: bool) -> Look:
    """The colours of a look of the program."""
    film = 0.16 if tokens.name == "paper" else 0.22
    return Look(_rgb(tokens.canvas), _rgb(tokens.soft), _rgb(tokens.text), tokens.accent, film, see_through)


def _rgb(colour: str) -> Rgb:
    value = int(colour.lstrip("#"), 16)
    return (value >> 16 & 255) / 255, (value >> 8 & 255) / 255, (value & 255) / 255
