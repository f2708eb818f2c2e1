"""How the pages of Measure ask for points on the canvas."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from syntaxa.geometry.points import Point

#: Asks for points on the canvas: a word beside the cursor for each, a sentence, and what to do with them (mm).
PickPoints = Callable[[Sequence[str], str, Callable[[list[Point]], None]], None]
