"""Lengths along a run: places, parts of it, and the place nearest to a point."""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.rows import pieces_of_rows
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats
from syntaxa.geometry.vectors import norm


class Along:
    """A run of rows (x, y, bulge) by length; a closed one goes on past its end."""

    def __init__(self, rows: Floats, closed: bool) -> None:
        self.rows, self.closed = rows, closed
        self.pieces = pieces_of_rows(rows, closed)
        self.lengths = self.pieces.lengths()
        self.begins = np.concatenate([[0.0], np.cumsum(self.lengths)])

    @property
    def total(self) -> float:
        """Length of it all (mm)."""
        return float(self.begins[-1])

    def _at(self, s: float) -> tuple[int, float]:
        """Piece and share of it at a length; a place on a vertex is the start of the piece behind it."""
        if self.closed:
            s %= self.total
        k = min(int(np.searchsorted(self.begins, s + ROUNDING, side="right")) - 1, len(self.lengths) - 1)
        share = (s - self.begins[k]) / max(self.lengths[k], ROUNDING)
        if share * self.lengths[k] < ROUNDING:
            share = 0.0
        if (1 - share) * self.lengths[k] < ROUNDING:
            return ((k + 1) % len(self.lengths), 0.0) if self.closed else (k, 1.0)
        return k, float(share)

    def place(self, s: float) -> Floats:
        """The point (2,) at a length."""
        k, share = self._at(s)
        if share == 0.0:
            return self.rows[k, :2].copy()
        return np.asarray(self.pieces.take(np.array([k])).points_at(np.array([share]))[0])

    def way(self, s: float) -> Floats:
        """The direction (2,) in which it goes on at a length."""
        k, share = self._at(s)
        return np.asarray(self.pieces.take(np.array([k])).tangents_at(np.array([share]))[0])

    def between(self, low: float, high: float) -> Floats:
        """The part from one length to a greater one, as an open run; of a closed one, across its end and round
        again.
        """
        out: list[list[float]] = []
        here = low
        while high - here > ROUNDING:
            k, share = self._at(here)
            step = min(float(self.lengths[k]) * (1 - share), high - here)
            span = step / float(self.lengths[k])
            bulge = self.pieces.bulge[k] if span >= 1.0 else np.tan(self.pieces.sweep[k] * span / 4)
            out.append([*self.place(here), float(bulge)])
            here += step
        return np.array([*out, [*self.place(high), 0.0]])

    def nearest(self, x: float, y: float) -> float:
        """The length at which it comes nearest to a point."""
        many = np.tile([x, y], (len(self.lengths), 1))
        share = np.clip(self.pieces.parameters_of(many), 0.0, 1.0)
        k = int(norm(self.pieces.points_at(share) - many).argmin())
        return float(self.begins[k] + share[k] * self.lengths[k])

    def middles(self) -> Floats:
        """Lengths at the middle of each piece, (n,)."""
        return self.begins[:-1] + self.lengths / 2
