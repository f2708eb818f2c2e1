"""Findings put into words, and which of their fixes are to be done.

A drawing of 20,000 curves has as many findings, and putting them into words takes as long as the healing. Where
every fix is to be done the words are not needed to decide, so they wait until somebody asks.
"""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import numpy as np

from syntaxa.geometry.types import Bools
from syntaxa.mend.model import Finding

Accept = Callable[[Finding], bool]


def everything(finding: Finding) -> bool:
    """Accepts every fix that does not want a choice of its own."""
    return not finding.by_choice


class Telling:
    """The findings of one healing, in the order in which they were met; accept is asked for each that has a fix."""

    def __init__(self, accept: Accept) -> None:
        self._accept = accept
        self._lots: list[tuple[Callable[[], list[Finding]], Bools]] = []
        self._told: list[Finding] = []
        self._keys: dict[str, int] = {}

    @property
    def takes_all(self) -> bool:
        """Whether every fix is to be done, so that nothing has to be put into words for that."""
        return self._accept is everything

    def decide(self, finding: Finding) -> bool:
        """Notes a finding; True if its fix is to be done."""
        if self.takes_all:
            accepted = bool(finding.remedy) and not finding.by_choice
            self._lots.append((lambda: [finding], np.array([accepted])))
            return accepted
        finding = self._named(finding)
        accepted = bool(finding.remedy) and self._accept(finding)
        self._tell(finding, accepted)
        return accepted

    def decide_all(self, count: int, words: Callable[[], list[Finding]]) -> Bools:
        """Notes findings that all have a fix and want no choice of their own; which fixes are to be done, (count,)."""
        if not count:
            return np.zeros(0, dtype=bool)
        if self.takes_all:
            accepted = np.ones(count, dtype=bool)
            self._lots.append((words, accepted))
            return accepted
        return np.array([self.decide(finding) for finding in words()], dtype=bool)

    def findings(self) -> tuple[Finding, ...]:
        """All of them."""
        for words, accepted in self._lots:
            for finding, fixed in zip(words(), accepted.tolist(), strict=True):
                self._tell(self._named(finding), fixed)
        self._lots.clear()
        return tuple(self._told)

    def _named(self, finding: Finding) -> Finding:
        """The finding with a key that no other has."""
        seen = self._keys.get(finding.key, 0)
        self._keys[finding.key] = seen + 1
        return msgspec.structs.replace(finding, key=f"{finding.key}#{seen + 1}") if seen else finding

    def _tell(self, finding: Finding, fixed: bool) -> None:
        self._told.append(msgspec.structs.replace(finding, fixed=True) if fixed else finding)
