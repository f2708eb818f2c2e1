"""Ids and names that nothing else has."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable

#: Strokes behind a name before they are counted instead, so that no name grows with how often it occurs.
_STROKES = 4

#: Makes the k-th variation of a name.
_Maker = Callable[[str, int], str]


#: How the ids of the second and later sources of a job begin.
_NUMBERED = re.compile(r"(?!0+:)[0-9]{1,5}:")


def own_id(name: str, source: int) -> str:
    """The id in a job of what has this id in a source: with the number of the source before it.

    In the first source only those have one that could be taken for another's.
    """
    return f"{source}:{name}" if source != 1 or looks_numbered(name) else name


def looks_numbered(name: str) -> bool:
    """Whether an id begins as those of the second and later sources do."""
    return _NUMBERED.match(name) is not None


class Names:
    """Names that are taken, and free ones beside them; finding one takes the same time however many there are."""

    def __init__(self, taken: Iterable[str] = ()) -> None:
        self._taken = set(taken)
        self._tried: dict[str, int] = {}

    def __contains__(self, name: str) -> bool:
        return name in self._taken

    def take(self, names: Iterable[str]) -> None:
        """These are taken from now on."""
        self._taken.update(names)

    def free(self, name: str) -> str:
        """The name, or where it is taken that with strokes behind it (name', name''... name'5); then it is taken."""
        return self._next(name, 0, _stroked)

    def numbered(self, word: str) -> str:
        """The first free one of word-1, word-2...; then it is taken."""
        return self._next(f"{word}-", 1, lambda base, k: f"{base}{k}")

    def pieces(self, name: str, count: int) -> list[str]:
        """Names for the pieces that something is cut into: its own for a single one, else name.1, name.2..."""
        return [name] if count == 1 else [self.free(f"{name}.{k + 1}") for k in range(count)]

    def _next(self, base: str, first: int, made: _Maker) -> str:
        k = self._tried.get(base, first)
        while (name := made(base, k)) in self._taken:
            k += 1
        self._tried[base] = k + 1
        self._taken.add(name)
        return name


def _stroked(name: str, k: int) -> str:
    return name + "'" * k if k <= _STROKES else f"{name}'{k}"
