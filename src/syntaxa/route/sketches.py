"""One sketch for each layer that is taken."""

from __future__ import annotations

from collections.abc import Collection

from syntaxa.drawing.model import Curve, Drawing
from syntaxa.drawing.state import Sketch


def hidden_layers(drawing: Drawing) -> frozenset[str]:
    """Layers that the drawing's author had switched off or frozen."""
    return frozenset(layer.name for layer in drawing.layers if not layer.shown)


def sketch_per_layer(drawing: Drawing, left_out: Collection[str]) -> tuple[Sketch, ...]:
    """A sketch a layer, in the order of the layer table; layers that are empty or left out give none."""
    by_layer: dict[str, list[Curve]] = {}
    for curve in drawing.curves:
        if curve.layer not in left_out:
            by_layer.setdefault(curve.layer, []).append(curve)
    colour = {layer.name: layer.colour for layer in drawing.layers}
    names = [*(n for n in colour if n in by_layer), *(n for n in by_layer if n not in colour)]
    return tuple(Sketch(name, colour.get(name, 0), tuple(by_layer[name])) for name in names)
