"""One sketch for each layer that is taken."""

from __future__ import annotations

from collections.abc import Collection

from syntaxa.drawing.model import Curve, placed_curves
from syntaxa.drawing.names import Names
from syntaxa.drawing.state import Sketch, State


def hidden_layers(state: State) -> frozenset[str]:
    """Layers that no author of a drawing has showing."""
    layers = [layer for taken in state.taken for layer in taken.drawing.layers]
    return frozenset(layer.name for layer in layers if not layer.shown) - {x.name for x in layers if x.shown}


def sketches_of(state: State, left_out: Collection[str]) -> tuple[Sketch, ...]:
    """A sketch a layer, in the order of the layer tables; layers that are empty or left out give none.

    Sources that go to one sketch as a whole have theirs after those of the layers.
    """
    groups: dict[str, list[Curve]] = {}
    colours: dict[str, int] = {}
    for taken in sorted(state.taken, key=lambda t: bool(t.into)):
        to_mm = state.placement_of(taken).transform
        names = Names(c.id for c in taken.drawing.curves)
        by_layer: dict[str, list[Curve]] = {layer.name: [] for layer in taken.drawing.layers}
        for curve in taken.drawing.curves:
            if curve.layer not in left_out:
                by_layer.setdefault(curve.layer, []).append(curve)
        colour = {layer.name: layer.colour for layer in taken.drawing.layers}
        for layer, curves in by_layer.items():
            if curves:
                name = taken.into or layer
                groups.setdefault(name, []).extend(placed_curves(curves, to_mm, names))
                colours.setdefault(name, colour.get(layer, 0))
    return tuple(Sketch(name, colours[name], tuple(curves)) for name, curves in groups.items())
