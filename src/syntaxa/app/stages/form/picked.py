"""What is chosen in space, sorted by what it is."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.app.stages.form.space.scene import Scene, Target
from syntaxa.app.words import counted
from syntaxa.drawing.descent import RegionRef


@dataclass(frozen=True)
class Picked:
    """The chosen things, in the order in which they were chosen."""

    targets: tuple[Target, ...] = ()

    def with_one(self, target: Target | None, more: bool) -> Picked:
        """Another one: alone, or beside what is chosen, from which it is taken where it is there; None for none."""
        if target is None:
            return self if more else Picked()
        if not more:
            return Picked((target,))
        if target in self.targets:
            return Picked(tuple(t for t in self.targets if t != target))
        return Picked((*self.targets, target))

    def alive(self, scene: Scene) -> Picked:
        """What of it is still there."""
        kept = tuple(t for t in self.targets if scene.numbers(t))
        return self if len(kept) == len(self.targets) else Picked(kept)

    def regions(self) -> dict[str, tuple[RegionRef, ...]]:
        """The regions by their sketches."""
        found: dict[str, list[RegionRef]] = {}
        for target in self.targets:
            if target.region is not None:
                found.setdefault(target.owner, []).append(target.region)
        return {name: tuple(regions) for name, regions in found.items()}

    def of_kind(self, kind: str) -> tuple[Target, ...]:
        """The chosen things of a kind."""
        return tuple(t for t in self.targets if t.kind == kind)

    @property
    def says(self) -> str:
        """What is chosen, in words; empty for nothing."""
        kinds = ("region", "face", "edge", "line")
        return ", ".join(counted(len(own), kind) for kind in kinds if (own := self.of_kind(kind)))
