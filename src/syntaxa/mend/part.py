"""What Mend keeps in the state: findings that are meant to stay."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.drawing.state import Part


@dataclass(frozen=True)
class LeftAlone(Part):
    """Keys of findings that are left as they are, and why; one whose curves were cut since is told anew."""

    reasons: tuple[tuple[str, str], ...] = ()
