"""A page as DXF: lines and words in mm of paper in the model space, layers by name, line types by their dashes."""

from __future__ import annotations

import io
import math
from collections.abc import Sequence

import ezdxf
from ezdxf.document import Drawing as Document
from ezdxf.enums import TextEntityAlignment
from ezdxf.layouts import BaseLayout

from syntaxa.deliver.dxf import add_shape, clean_name, nearest_weight
from syntaxa.deliver.pages.model import Filled, Leaf, Mark, Stroke, Words
from syntaxa.drawing.names import Names

_ALIGNED = {
    "left": TextEntityAlignment.LEFT, "centre": TextEntityAlignment.CENTER, "right": TextEntityAlignment.RIGHT,
}  # fmt: skip


def dxf_of(leaf: Leaf) -> bytes:
    """The file (R2018); colours, weights and line types are those of each line. It holds no pictures."""
    document = ezdxf.new("R2018", setup=False)
    document.header["$INSUNITS"], document.header["$MEASUREMENT"] = 4, 1
    document.styles.add("PAGE", font="JetBrainsMono-Regular.ttf")
    space = document.modelspace()
    names = Names(["0"])
    layers = {name: _layer(document, names, name) for name in leaf.layers()}
    for mark in leaf.marks:
        _add(document, space, mark, layers[mark.layer])
    text = io.StringIO()
    document.write(text)
    return document.encode(text.getvalue())


def _layer(document: Document, names: Names, name: str) -> str:
    own = names.free(clean_name(name).strip() or "PAGE")
    if own not in document.layers:
        document.layers.add(own)
    return own


def _add(document: Document, space: BaseLayout, mark: Mark, layer: str) -> None:
    before = len(space)
    if isinstance(mark, Stroke):
        add_shape(space, mark.shape, layer, "R2018")
        entity = space[before]
        entity.dxf.lineweight = nearest_weight(mark.pen.weight)
        entity.dxf.linetype = _line_type(document, mark.pen.dashes)
        entity.rgb = _rgb(mark.pen.colour)
    elif isinstance(mark, Filled):
        hatch = space.add_hatch(dxfattribs={"layer": layer})
        for loop in mark.loops:
            hatch.paths.add_polyline_path([(x, y) for x, y in loop.flattened(0.01).tolist()], is_closed=True)
        hatch.rgb = _rgb(mark.colour)
    elif isinstance(mark, Words):
        _add_words(space, mark, layer)


def _add_words(space: BaseLayout, words: Words, layer: str) -> None:
    entity = space.add_text(
        words.text, height=words.height, rotation=math.degrees(words.angle),
        dxfattribs={"layer": layer, "style": "PAGE"},
    )  # fmt: skip
    entity.set_placement((*words.place,), align=_ALIGNED[words.across])
    entity.rgb = _rgb(words.colour)


def _line_type(document: Document, dashes: Sequence[float]) -> str:
    """The name of a line type with these dashes, made if it is not there."""
    if not dashes:
        return "Continuous"
    name = "DASHES_" + "_".join(f"{d:g}" for d in dashes).replace(".", "P")
    if name not in document.linetypes:
        lengths = [d if k % 2 == 0 else -d for k, d in enumerate(dashes)]
        document.linetypes.add(name, [sum(dashes), *lengths])
    return name


def _rgb(colour: int) -> tuple[int, int, int]:
    return colour >> 16 & 255, colour >> 8 & 255, colour & 255
