"""A walk through one layout of a DXF document: curves, annotations, solids, blocks taken apart, and what is left."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import cache

import numpy as np
from ezdxf.colors import aci2rgb, int2rgb
from ezdxf.document import Drawing as Document
from ezdxf.entities import DXFEntity, DXFGraphic, Insert
from ezdxf.lldxf.const import DXFError
from ezdxf.lldxf.encoding import decode_dxf_unicode, has_dxf_unicode
from ezdxf.render import MeshBuilder

from syntaxa.drawing.model import Layer, Style
from syntaxa.geometry.transform import Floats
from syntaxa.intake.dxf.annotate import MAKERS
from syntaxa.intake.dxf.plain import Columns, Split, StyleKey
from syntaxa.intake.dxf.shapes import CONVERTERS, Degenerate, Unreadable, height_of, shapes_from, tilt_of
from syntaxa.intake.gather import DEEPEST, Gathered, TooMuch, printable
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.solids import add_solids

#: Entities that draw nothing of their own.
_SILENT = frozenset(("VIEWPORT", "SEQEND", "ACAD_PROXY_ENTITY_GRAPHIC"))

#: Entities that are drawn as lines, arcs and texts.
_DRAWN = frozenset(("MLINE", "LEADER", "MULTILEADER", "TOLERANCE"))

#: Bodies, whose shape lies in a form that is nowhere laid open.
_BODIES = frozenset(("REGION", "3DSOLID", "BODY", "SURFACE", "EXTRUDEDSURFACE", "LOFTEDSURFACE", "REVOLVEDSURFACE",
                     "SWEPTSURFACE", "PLANESURFACE", "NURBSURFACE"))  # fmt: skip

#: What an entity whose data make no sense may come to in the library.
DAMAGE = (DXFError, ValueError, TypeError, KeyError, IndexError, AttributeError, OverflowError, ZeroDivisionError,
          ArithmeticError, RecursionError)  # fmt: skip

#: Plain entities gathered between two looks at whether to stop.
_AT_ONCE = 4000

#: Line weights count in hundredths of a mm (DXF reference, group 370).
_WEIGHTS_TO_MM = 100


class Walk:
    """Goes through a layout and gathers."""

    def __init__(self, document: Document, out: Gathered, options: ReadOptions, share: float) -> None:
        self.document, self.out, self.options, self._share = document, out, options, share
        self.text_styles: set[str] = set()
        self.highest, self.raised = 0.0, 0
        self._triangles: dict[str, list[Floats]] = {}
        self._block = ""

    def run(self, entities: Sequence[DXFEntity], names: Mapping[int, str], plain: Split | None = None) -> None:
        """All entities in the order of the file; `names` has the handles of those that have others here."""
        try:
            self._in_order(entities, names, plain)
        except TooMuch:
            self.out.notes.append("The drawing unfolds to more than can be held; the rest was left out.")
        if self.raised:
            self.out.notes.append(
                f"{self.raised} entities lie up to {self.highest:g} above or below the plane; they were laid on it."
            )
        if self._triangles:
            solids = [(layer, layer, np.concatenate(parts)) for layer, parts in self._triangles.items()]
            add_solids(self.out, solids, self.options)

    def _in_order(self, entities: Sequence[DXFEntity], names: Mapping[int, str], plain: Split | None) -> None:
        if plain is None:
            for k, entity in enumerate(entities):
                self._tell(k, len(entities))
                self.take(entity, names.get(k) or entity.dxf.get("handle") or f"n{k + 1}", (), None)
            return
        columns = plain.plain
        far = int(columns.position[-1]) + len(plain.order) + 1
        places = [(plain.order.get(str(e.dxf.get("handle")).upper(), far + k), k) for k, e in enumerate(entities)]
        done = 0
        for number, (position, k) in enumerate(sorted(places)):
            self._tell(number, len(places))
            end = int(np.searchsorted(columns.position, position))
            self._plain(columns, done, end)
            done = end
            self._take_named(entities[k])
        self._plain(columns, done, len(columns.kinds))

    def _take_named(self, entity: DXFEntity) -> None:
        self.take(entity, str(entity.dxf.get("handle")), (), None)

    def _tell(self, k: int, count: int) -> None:
        if k % 500 == 0:
            self._tell_share(k / max(count, 1))

    def _tell_share(self, share: float) -> None:
        self.out.told(self._share + (1 - self._share) * share)

    def _plain(self, columns: Columns, begin: int, end: int) -> None:
        """The plain entities of a stretch of the file, thousands at once."""
        for first in range(begin, end, _AT_ONCE):
            self._tell_share(first / len(columns.kinds))
            self._some_plain(columns, slice(first, min(first + _AT_ONCE, end)))

    def _some_plain(self, columns: Columns, part: slice) -> None:
        raised = np.flatnonzero(columns.z[part])
        if len(raised):
            self.raised += len(raised)
            self.highest = max(self.highest, float(columns.z[part][raised].max()))
        styles = {key: self._plain_style(key) for key in set(columns.styles[part])}
        layers = {name: decoded(name) for name in set(columns.layers[part])}
        good = columns.good[part].tolist()
        for kind, fine in zip(columns.kinds[part], good, strict=True):
            if not fine:
                self.out.degenerate[kind] += 1
        rows = zip(
            columns.handles[part], columns.shapes[part], columns.layers[part], columns.styles[part], good, strict=True
        )
        self.out.add_all([(h, shape, layers[layer], styles[key]) for h, shape, layer, key, fine in rows if fine])

    def _plain_style(self, key: StyleKey) -> Style:
        index, true_colour, weight, line_type = key
        return self._style_of(
            index, true_colour if true_colour >= 0 else None, printable(line_type), weight if weight >= 0 else None
        )

    def take(self, entity: DXFEntity, name: str, path: tuple[str, ...], outer: Insert | None) -> None:
        """One entity; `path` names the blocks it lies in, `outer` is the insertion that put it there."""
        kind, name = entity.dxftype(), printable(name)
        try:
            if kind == "INSERT" and isinstance(entity, Insert):
                self._insert(entity, name, path, outer)
            elif kind in MAKERS and isinstance(entity, DXFGraphic):
                self._annotation(entity, name, outer, inside=bool(path))
            elif _is_solid(entity):
                self._solid(entity, outer)
            elif kind in CONVERTERS and isinstance(entity, DXFGraphic):
                self._curve(entity, name, outer)
            elif kind in _DRAWN:
                for k, part in enumerate(entity.virtual_entities()):  # type: ignore[attr-defined]
                    self.take(part, f"{name}-{k + 1}", path, outer)
            elif kind in _BODIES:
                self.out.skip(kind, "Its shape is sealed in a form that only its own program reads.")
            elif kind not in _SILENT:
                self.out.skip(kind, "This type is not taken in.")
        except Degenerate:
            self.out.degenerate[printable(kind)] += 1
        except Unreadable as why:
            self.out.skip(kind, str(why))
        except DAMAGE:
            self.out.skip(kind, "Its data make no sense.")

    def _curve(self, entity: DXFGraphic, name: str, outer: Insert | None) -> None:
        shapes = shapes_from(entity, self.options.flatten)
        self._seen_at(height_of(entity))
        layer, style = self._layer(entity, outer), self._style(entity, outer)
        for shape in shapes:
            self.out.add(shape, layer, style, name, self._block, None, entity.dxftype(), tilt_of(entity))

    def _annotation(self, entity: DXFGraphic, name: str, outer: Insert | None, inside: bool) -> None:
        if inside and entity.dxftype() == "ATTDEF":
            # It only says what may be filled in; what was filled in stands with the insertion.
            return
        if entity.dxf.hasattr("style"):
            self.text_styles.add(str(entity.dxf.style))
        made = MAKERS[entity.dxftype()](
            entity, self.out.unique(name), self._layer(entity, outer), self._style(entity, outer).colour
        )
        self.out.note(made)
        if entity.dxftype() == "IMAGE":
            self.out.skip("IMAGE", "Its picture lies outside the file; its place is kept.")

    def _insert(self, insert: Insert, name: str, path: tuple[str, ...], outer: Insert | None) -> None:
        block = insert.dxf.get("name", "")
        if insert.block() is None:
            self.out.skip("INSERT", f"Its block “{block}” is missing.")
            return
        if block in path or len(path) >= DEEPEST:
            self.out.skip("INSERT", f"Block “{block}” contains itself.")
            return
        self.out.count()
        self.out.blocks += 1
        if insert.dxf.get("layer", "0") == "0" and outer is not None:
            insert.dxf.layer = outer.dxf.get("layer", "0")
        for attribute in insert.attribs:
            self.take(attribute, f"{name}-{attribute.dxf.get('tag', 'text')}", path, outer)
        before = self._block
        self._block = before or f"{decoded(block)}#{name}"
        number = 0
        copies = insert.multi_insert() if insert.mcount > 1 else (insert,)
        for copy in copies:
            self.out.count()
            for part in copy.virtual_entities(skipped_entity_callback=self._skipped):
                number += 1
                self.take(part, f"{name}-{number}", (*path, block), insert)
        self._block = before

    def _skipped(self, entity: DXFEntity, _reason: str) -> None:
        self.out.skip(entity.dxftype(), "It cannot be taken out of its block.")

    def _solid(self, entity: DXFEntity, outer: Insert | None) -> None:
        corners = _triangles_of(entity)
        if len(corners):
            self._triangles.setdefault(self._layer(entity, outer), []).append(corners)
        else:
            self.out.degenerate[entity.dxftype()] += 1

    def _seen_at(self, z: float) -> None:
        if z:
            self.raised += 1
            self.highest = max(self.highest, z)

    def _layer(self, entity: DXFEntity, outer: Insert | None) -> str:
        layer = entity.dxf.get("layer", "0")
        if layer == "0" and outer is not None:
            # What lies on layer 0 of a block takes the layer on which the block is put.
            layer = outer.dxf.get("layer", "0")
        name = decoded(str(layer))
        if entity.dxf.get("invisible", 0):
            name += " (hidden)"
            self.out.layer(name, visible=False)
        return name

    def _style(self, entity: DXFEntity, outer: Insert | None) -> Style:
        source: DXFEntity = outer if entity.dxf.get("color", 256) == 0 and outer is not None else entity
        line_type = printable(str(entity.dxf.get("linetype", "")))
        if line_type.upper() == "BYBLOCK" and outer is not None:
            line_type = str(outer.dxf.get("linetype", ""))
        weight = int(entity.dxf.get("lineweight", -1))
        if weight == -2 and outer is not None:
            weight = int(outer.dxf.get("lineweight", -1))
        true_colour = source.dxf.get("true_color")
        return self._style_of(
            int(source.dxf.get("color", 256)),
            None if true_colour is None else int(true_colour),
            line_type,
            weight if weight >= 0 else None,
        )

    def _style_of(self, index: int, true_colour: int | None, line_type: str, weight: int | None) -> Style:
        colour = _indexed(abs(index)) if true_colour is None else _packed(int2rgb(true_colour))
        name = line_type.upper()
        return self.out.style(
            colour, "" if name in ("BYLAYER", "BYBLOCK") else name, None if weight is None else weight / _WEIGHTS_TO_MM
        )


@cache
def _indexed(index: int) -> int | None:
    return _packed(aci2rgb(index)) if 0 < index < 256 else None


def _packed(rgb: tuple[int, int, int]) -> int:
    return rgb[0] << 16 | rgb[1] << 8 | rgb[2]


@cache
def decoded(name: str) -> str:
    """A name with its \\U+XXXX escapes resolved, and no half characters."""
    return printable(decode_dxf_unicode(name) if has_dxf_unicode(name) else name)


def layer_table(document: Document, out: Gathered) -> None:
    """Makes the layers of the document known."""
    for entry in document.layers:
        try:
            index = abs(entry.color)
            colour = _packed(entry.rgb) if entry.rgb else (_indexed(index) or _packed(aci2rgb(7)))
            weight = int(entry.dxf.get("lineweight", -3))
            name = decoded(entry.dxf.name)
            out.layers[name] = Layer(
                name, colour, not entry.is_off(), bool(entry.is_frozen()), bool(entry.is_locked()),
                bool(entry.dxf.get("plot", 1)), printable(str(entry.dxf.get("linetype", ""))).upper(),
                weight / _WEIGHTS_TO_MM if weight >= 0 else None,
            )  # fmt: skip
        except DAMAGE:
            out.skip("LAYER", "Its data make no sense.")


def _is_solid(entity: DXFEntity) -> bool:
    kind = entity.dxftype()
    if kind == "POLYLINE":
        return bool(entity.is_poly_face_mesh or entity.is_polygon_mesh)  # type: ignore[attr-defined]
    return kind in ("3DFACE", "MESH")


def _triangles_of(entity: DXFEntity) -> Floats:
    """The triangles (n, 3, 3) of a face or mesh."""
    if entity.dxftype() == "3DFACE":
        faces = [[tuple(entity.dxf.get(f"vtx{k}", entity.dxf.get("vtx2"))) for k in range(4)]]
    elif entity.dxftype() == "MESH":
        vertices = [tuple(v) for v in entity.vertices]  # type: ignore[attr-defined]
        faces = [[vertices[i] for i in face] for face in entity.faces]  # type: ignore[attr-defined]
    else:
        mesh = MeshBuilder.from_polyface(entity)  # type: ignore[arg-type]
        faces = [[tuple(mesh.vertices[i]) for i in face] for face in mesh.faces]
    corners = [[face[0], face[k], face[k + 1]] for face in faces for k in range(1, len(face) - 1)]
    triangles = np.array(corners, dtype=np.float64).reshape(-1, 3, 3)
    a, b, c = triangles[:, 0], triangles[:, 1], triangles[:, 2]
    return np.asarray(triangles[(a != b).any(axis=1) & (b != c).any(axis=1) & (a != c).any(axis=1)])
