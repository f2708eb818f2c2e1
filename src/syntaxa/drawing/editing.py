"""The one way in which steps change what sketches hold; here it is decided what a lock holds.

A locked sketch takes nothing and gives nothing, and none of its curves changes. A locked curve keeps its form and its
sketch, and nothing drops it. What places the whole drawing (its unit, scale, turning and origin) takes locked things
along with all others: they are locked to the drawing, not to the paper.

A change that was meant for many things leaves the locked ones and tells how many; one that was meant for a locked thing
alone, or would put something into a locked sketch, is refused in a sentence.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterable, Sequence
from dataclasses import replace

from syntaxa.drawing.model import Curve
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import Excluded, Sketch, State
from syntaxa.errors import LockedError


class Editing:
    """A state on its way to another. `held` counts the curves that were to change and did not, for they are locked."""

    def __init__(self, state: State) -> None:
        self._state = state
        self._sketches = {s.name: s for s in state.sketches}
        self._held: set[str] = set()

    @property
    def held(self) -> int:
        """How many curves were left because they are locked."""
        return len(self._held)

    @property
    def held_told(self) -> str:
        """The same in words, to be put behind what is said; empty for none."""
        if not self._held:
            return ""
        return " 1 locked curve stayed." if self.held == 1 else f" {self.held} locked curves stayed."

    def sketch(self, name: str) -> Sketch | None:
        """A sketch as it has become."""
        return self._sketches.get(name)

    def is_free(self, sketch: Sketch, curve: Curve) -> bool:
        """Whether a curve may change; one that may not is counted as held."""
        if sketch.locked or curve.locked:
            self._held.add(curve.id)
            return False
        return True

    def change(self, ids: Collection[str], change: Callable[[Curve], Curve]) -> list[tuple[Curve, Curve]]:
        """Curves given another form; those that differ, as they were and as they are."""
        return self._each(ids, change, self.is_free)

    def mark(self, ids: Collection[str], change: Callable[[Curve], Curve]) -> int:
        """What is said of curves changed (role, group, lock) and not their form: only a locked sketch holds them."""

        def free(sketch: Sketch, curve: Curve) -> bool:
            return self.is_free(sketch, replace(curve, locked=False))

        return len(self._each(ids, change, free))

    def take_out(self, ids: Collection[str]) -> tuple[Excluded, ...]:
        """Curves taken out of their sketches; a sketch that loses its last goes."""
        gone: list[Excluded] = []
        for name, sketch in list(self._sketches.items()):
            mine = [c for c in sketch.curves if c.id in ids and self.is_free(sketch, c)]
            if not mine:
                continue
            gone += [Excluded(c, name) for c in mine]
            names = {c.id for c in mine}
            left = tuple(c for c in sketch.curves if c.id not in names)
            if left:
                self._sketches[name] = replace(sketch, curves=left)
            else:
                del self._sketches[name]
        return tuple(gone)

    def put(self, name: str, curves: Sequence[Curve], otherwise: Sketch | None = None) -> None:
        """Curves put into a sketch behind what it has; into a new one like `otherwise` where there is none."""
        if not curves:
            return
        sketch = self._sketches.get(name) or otherwise or Sketch(name, 0, ())
        refuse_locked(sketch)
        self._sketches[name] = replace(sketch, curves=(*sketch.curves, *curves))

    def exchange(self, name: str, old: Sequence[Curve], new: Sequence[Curve]) -> None:
        """New curves where the first of some old ones was."""
        sketch = self._sketches[name]
        refuse_locked(sketch, *old)
        gone = {c.id for c in old}
        curves: list[Curve] = []
        for curve in sketch.curves:
            if curve.id == old[0].id:
                curves += new
            elif curve.id not in gone:
                curves.append(curve)
        self._sketches[name] = replace(sketch, curves=tuple(curves))

    def rewrite(self, name: str, curves: Sequence[Curve]) -> None:
        """All curves of a sketch anew, by what has worked round its locked ones; they are taken as they were."""
        sketch = self._sketches[name]
        refuse_locked(sketch)
        locked = {c.id: c for c in sketch.curves if c.locked}
        self._held.update(c.id for c in curves if c.id in locked and c.shape != locked[c.id].shape)
        new = [
            replace(locked.pop(c.id), roles=c.roles) if c.id in locked else c
            for c in curves
            if locked.keys().isdisjoint(c.descent)
        ]
        self._held.update(locked)
        self._sketches[name] = replace(sketch, curves=(*new, *locked.values()))

    def drop_sketch(self, name: str) -> tuple[Excluded, ...]:
        """A whole sketch taken out with its curves; refused where one of them is locked."""
        sketch = self._sketches[name]
        refuse_locked(sketch, *sketch.curves)
        del self._sketches[name]
        return tuple(Excluded(c, name) for c in sketch.curves)

    def done(self) -> State:
        """The state with all that."""
        return replace(self._state, sketches=tuple(self._sketches.values()))

    def _each(
        self, ids: Collection[str], change: Callable[[Curve], Curve], free: Callable[[Sketch, Curve], bool]
    ) -> list[tuple[Curve, Curve]]:
        differ: list[tuple[Curve, Curve]] = []
        for name, sketch in self._sketches.items():
            anew = {c.id: new for c in sketch.curves if c.id in ids and free(sketch, c) and (new := change(c)) != c}
            if anew:
                differ += [(c, anew[c.id]) for c in sketch.curves if c.id in anew]
                self._sketches[name] = replace(sketch, curves=tuple(anew.get(c.id, c) for c in sketch.curves))
        return differ


def refuse_locked(sketch: Sketch, *curves: Curve) -> None:
    """Raises LockedError where a sketch or one of its curves is locked."""
    if sketch.locked:
        raise LockedError(f"The sketch “{sketch.name}” is locked.", suggestion="Unlock it first.")
    locked = [c.id for c in curves if c.locked]
    if locked:
        more = f" and {len(locked) - 1} more of “{sketch.name}” are" if len(locked) > 1 else " is"
        raise LockedError(f"#{locked[0]}{more} locked.", suggestion="Unlock first what is to change.")


def with_locked(state: State, sketches: Iterable[Sketch]) -> tuple[Sketch, ...]:
    """Sketches that are made anew, with what is locked in the state where and as it is there."""
    held = {c.id for s in state.sketches for c in s.curves if s.locked or c.locked}
    if not held:
        return tuple(sketches)
    made = [replace(s, curves=tuple(c for c in s.curves if held.isdisjoint(c.names))) for s in sketches]
    found = {s.name: s for s in made if s.curves}
    for sketch in state.sketches:
        mine = sketch.curves if sketch.locked else tuple(c for c in sketch.curves if c.locked)
        if sketch.locked:
            found[sketch.name] = sketch
        elif mine:
            beside = found.get(sketch.name, replace(sketch, curves=()))
            found[sketch.name] = replace(beside, curves=(*beside.curves, *mine))
    return tuple(found.values())


def names_of(state: State) -> Names:
    """The ids of all curves, put aside or not, as taken."""
    return Names([*(c.id for c in state.curves()), *(x.curve.id for x in state.excluded)])
