"""The demo's flange as exact as it is meant, or as noisy as is asked for, on layer 0."""

from __future__ import annotations

from functools import cache

from syntaxa.demo.flange import CORNER, HEIGHT, HOLE, HUB, RING, flange_dxf

__all__ = ["CORNER", "HEIGHT", "HOLE", "HUB", "RING", "plate"]


@cache
def plate(width: float = 150.0, noise: float = 0.0, seed: int = 1, text: str = "<>") -> bytes:
    """A plate with round corners, a hub, six holes and eight dimensions; `text` overrides that of the width."""
    return flange_dxf(width, noise, text, seed, "0")
