"""Ties: what one unknown says of another is put in its place before anything is solved (a weighted union-find)."""

from __future__ import annotations

import numpy as np

from syntaxa.define.unknowns import Tie
from syntaxa.geometry.tolerances import ROUNDING
from syntaxa.geometry.types import Floats, Ints


class Ties:
    """x_i = sign * x_root + shift for n unknowns; number n is the ground, whose value is 0.

    clash  (number of a tie, by how much it is against what was known)
    """

    def __init__(self, n: int) -> None:
        self._root, self._sign, self._shift = list(range(n + 1)), [1.0] * (n + 1), [0.0] * (n + 1)
        self.ground = n
        self.clash: list[tuple[int, float]] = []

    def find(self, i: int) -> tuple[int, float, float]:
        """Root, sign and shift of an unknown."""
        path = []
        while self._root[i] != i:
            path.append(i)
            i = self._root[i]
        sign, shift = 1.0, 0.0
        for k in reversed(path):
            sign, shift = self._sign[k] * sign, self._sign[k] * shift + self._shift[k]
            self._root[k], self._sign[k], self._shift[k] = i, sign, shift
        return i, sign, shift

    def add(self, number: int, tie: Tie) -> bool:
        """Takes a tie in; whether it said anything new."""
        j = self.ground if tie.j < 0 else tie.j
        return self.join(number, tie.i, j, tie.sign, tie.shift)

    def join(self, number: int, i: int, j: int, sign: float, shift: float) -> bool:
        """x_i = sign * x_j + shift; whether that is new."""
        (a, sa, oa), (b, sb, ob) = self.find(i), self.find(j)
        s, o = sa * sign * sb, sa * (sign * ob + shift - oa)
        if a == b:
            if s < 0 and a != self.ground:
                self._hang(a, self.ground, 1.0, o / 2)
                return True
            if abs(o) > ROUNDING:
                self.clash.append((number, o))
            return False
        if a == self.ground:
            self._hang(b, a, 1.0, -s * o)
        else:
            self._hang(a, b, 1.0 if b == self.ground else s, o)
        return True

    def _hang(self, a: int, b: int, sign: float, shift: float) -> None:
        self._root[a], self._sign[a], self._shift[a] = b, sign, shift

    def flat(self) -> tuple[Ints, Floats, Floats]:
        """Roots, signs and shifts of all unknowns and the ground, (n + 1,) each."""
        table = np.array([self.find(i) for i in range(len(self._root))], dtype=np.float64).reshape(-1, 3)
        return table[:, 0].astype(np.int64), table[:, 1], table[:, 2]
