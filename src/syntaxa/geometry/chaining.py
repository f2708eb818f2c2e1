"""Walks along chains: edges that meet end to end, in order.

Glossary: edge k has two *ends*, 2k where it starts and 2k + 1 where it stops; each end lies at a numbered *place*. A
*walk* is a list of the ends by which its edges are entered, so edge e // 2 is walked backward where e is odd.

Cost: n for n edges.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Sequence

#: Whether a walk may go on at a place from one edge to another.
Passes = Callable[[int, int, int], bool]


def _always(_place: int, _one: int, _other: int) -> bool:
    return True


def walks(
    places: Sequence[int], passes: Passes = _always, begin_with: Iterable[int] | None = None
) -> Iterator[tuple[list[int], bool]]:
    """The longest walks, each edge in one of them, and whether they close.

    places      of the ends (2n,); a walk goes on where just two ends lie and `passes` lets it
    begin_with  edges whose walks are wanted, in that order; all of them if not given
    """
    here = _Meeting(places, passes)
    unused = dict.fromkeys(range(len(places) // 2))
    for edge in list(unused) if begin_with is None else begin_with:
        if edge in unused:
            yield here.followed(here.begin(edge), unused)


class _Meeting:
    """Which ends lie together."""

    def __init__(self, places: Sequence[int], passes: Passes) -> None:
        self._places, self._passes = places, passes
        self._at: dict[int, list[int]] = {}
        for end, place in enumerate(places):
            self._at.setdefault(place, []).append(end)

    def onward(self, end: int) -> int | None:
        """The end by which a walk goes on that has come to an end; None where it stops."""
        place = self._places[end]
        there = self._at[place]
        if len(there) != 2:
            return None
        other = there[0] if there[1] == end else there[1]
        return other if self._passes(place, end // 2, other // 2) else None

    def begin(self, edge: int) -> int:
        """The end by which the walk through an edge begins: as far back as it goes."""
        end, seen = 2 * edge, {edge}
        while True:
            before = self.onward(end)
            if before is None or before // 2 in seen:
                return end
            seen.add(before // 2)
            end = before ^ 1

    def followed(self, first: int, unused: dict[int, None]) -> tuple[list[int], bool]:
        """The walk from an end on; its edges are used then."""
        walk, end = [first], first
        unused.pop(first // 2, None)
        while True:
            onward = self.onward(end ^ 1)
            if onward == first:
                return walk, True
            if onward is None or onward // 2 not in unused:
                return walk, False
            end = onward
            unused.pop(end // 2)
            walk.append(end)


def one_after_the_other(starts: Sequence[int], stops: Sequence[int]) -> list[int]:
    """Places (2n,) of directed edges, such that a walk goes on from one that stops to one that starts there.

    Where several do, each that stops goes on to another, in their order.
    """
    stopping: dict[int, list[int]] = {}
    for edge, place in enumerate(stops):
        stopping.setdefault(place, []).append(edge)
    seen: dict[int, int] = {}
    places = [0] * (2 * len(starts))
    for edge in range(len(starts)):
        places[2 * edge + 1] = edge
    fresh = len(starts)
    for edge, place in enumerate(starts):
        rank = seen.get(place, 0)
        seen[place] = rank + 1
        before = stopping.get(place, [])
        if rank < len(before):
            places[2 * edge] = before[rank]
        else:
            places[2 * edge], fresh = fresh, fresh + 1
    return places
