"""Numbers of things in words: "1 gap", "2 gaps", "3 hatches"."""

from __future__ import annotations

from collections.abc import Iterable

#: Kinds that are called by what they are like, and the things that are like that.
_THINGS = {"near-closed": "near-closed profile", "off-plane": "off-plane curve", "construction": "construction line"}

#: Plurals that are more than an s.
_PLURALS = {"hatch": "hatches"}


def singular(kind: str) -> str:
    """What one thing of a kind is called."""
    return _THINGS.get(kind, kind)


def plural(kind: str) -> str:
    """What several things of a kind are called."""
    one = singular(kind)
    return _PLURALS.get(one, f"{one}s")


def counted(count: int, kind: str) -> str:
    """A number of things of a kind."""
    return f"{count} {singular(kind) if count == 1 else plural(kind)}"


def enumerated(counts: Iterable[tuple[str, int]]) -> str:
    """Numbers of things of several kinds, one after the other; "" for none."""
    return ", ".join(counted(n, kind) for kind, n in counts)
