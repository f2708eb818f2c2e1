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
from ezdxf.math.transformtools import TransformError
from ezdxf.render import MeshBuilder

from syntaxa.drawing.annotations import Leader, Text
from syntaxa.drawing.model import Layer, Style
from syntaxa.geometry.images import images_of
from syntaxa.geometry.shapes import Shape
from syntaxa.geometry.transform import Transform
from syntaxa.geometry.types import Floats
from syntaxa.intake.dxf.annotate import MAKERS
from syntaxa.intake.dxf.placed import Placed
from syntaxa.intake.dxf.plain import Columns, Split, StyleKey
from syntaxa.intake.dxf.shapes import CONVERTERS, Degenerate, Unreadable, height_of, shapes_from, tilt_of
from syntaxa.intake.gather import DEEPEST, Gathered, TooMuch, printable
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.solids import add_solids

#: Entities that draw nothing of their own.
_SILENT = frozenset(("VIEWPORT", "SEQEND", "ACAD_PROXY_ENTITY_GRAPHIC"))

#: Entities that point at something and say what it is: nothing of them is made.
_POINTING = frozenset(("LEADER", "MULTILEADER", "TOLERANCE"))

#: Bodies, whose shape lies in a form that is nowhere laid open.
_BODIES = frozenset(("REGION", "3DSOLID", "BODY", "SURFACE", "EXTRUDEDSURFACE", "LOFTEDSURFACE", "REVOLVEDSURFACE",
                     "SWEPTSURFACE", "PLANESURFACE", "NURBSURFACE"))  # fmt: skip

#: What an entity whose data make no sense may come to in the library.
DAMAGE = (DXFError, ValueError, TypeError, KeyError, IndexError, AttributeError, OverflowError, ZeroDivisionError,
          ArithmeticError, RecursionError)  # fmt: skip

#: Plain entities gathered between two looks at whether to stop.
_AT_ONCE = 4000

#: The line weight that says "as the insertion".
_BY_BLOCK = -2

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

    def take(self, entity: DXFEntity, name: str, path: tuple[str, ...], outer: Placed | None) -> None:
        """One entity; `path` names the blocks it lies in, `outer` says how they put it there."""
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
            elif kind in _POINTING and hasattr(entity, "virtual_entities"):
                self._leader(entity, name, outer)
            elif kind == "MLINE":
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
        except TransformError:
            self.out.skip(kind, "It cannot be taken out of its block.")
        except DAMAGE:
            self.out.skip(kind, "Its data make no sense.")

    def _curve(self, entity: DXFGraphic, name: str, outer: Placed | None) -> None:
        entity, by = _in_plane(entity, outer)
        shapes = shapes_from(entity, self.options.flatten)
        if by is not None:
            shapes = [image for shape in shapes for image in images_of(shape, by)]
        self._seen_at(height_of(entity) + (outer.height if outer is not None and by is not None else 0.0))
        layer = self._layer(entity, outer)
        style = self._style(entity, outer, layer)
        for shape in shapes:
            self.out.add(shape, layer, style, name, self._block, None, entity.dxftype(), tilt_of(entity))

    def _leader(self, entity: DXFEntity, name: str, outer: Placed | None) -> None:
        """A leader, with its arrows and words: it is told and shown, and nothing of it is cut."""
        strokes: list[Shape] = []
        words: list[Text] = []
        parts = list(entity.virtual_entities())  # type: ignore[attr-defined]
        while parts:
            part = parts.pop(0)
            if isinstance(part, Insert):
                parts += part.virtual_entities()
            elif part.dxftype() in CONVERTERS:
                strokes += shapes_from(part, True)
            elif part.dxftype() in MAKERS:
                made = MAKERS[part.dxftype()](part, name, "", None)
                words += [made] if isinstance(made, Text) else []
        layer = self._layer(entity, outer)
        colour = self._style(entity, outer, layer).colour
        leader = Leader(self.out.unique(name), layer, tuple(strokes), tuple(words), colour)
        by = outer.plane if outer is not None else None
        self.out.note(leader if by is None else leader.transformed(by))

    def _annotation(self, entity: DXFGraphic, name: str, outer: Placed | None, inside: bool) -> None:
        if inside and entity.dxftype() == "ATTDEF":
            # It only says what may be filled in; what was filled in stands with the insertion.
            return
        if entity.dxf.hasattr("style"):
            self.text_styles.add(str(entity.dxf.style))
        entity, by = _in_plane(entity, outer)
        layer = self._layer(entity, outer)
        made = MAKERS[entity.dxftype()](entity, self.out.unique(name), layer, self._style(entity, outer, layer).colour)
        self.out.note(made if by is None else made.transformed(by))
        if entity.dxftype() == "IMAGE":
            self.out.skip("IMAGE", "Its picture lies outside the file; its place is kept.")

    def _insert(self, insert: Insert, name: str, path: tuple[str, ...], outer: Placed | None) -> None:
        block = insert.dxf.get("name", "")
        content = insert.block()
        if content is None:
            self.out.skip("INSERT", f"Its block “{block}” is missing.")
            return
        if block in path or len(path) >= DEEPEST:
            self.out.skip("INSERT", f"Block “{block}” contains itself.")
            return
        self.out.count()
        self.out.blocks += 1
        for attribute in insert.attribs:
            self.take(attribute, f"{name}-{attribute.dxf.get('tag', 'text')}", path, outer)
        before = self._block
        self._block = before or f"{decoded(block)}#{name}"
        number = 0
        copies = insert.multi_insert() if insert.mcount > 1 else (insert,)
        for copy in copies:
            self.out.count()
            placed = self._placed(copy, outer)
            for part in content:
                if part.dxftype() == "ATTDEF":
                    continue
                number += 1
                self.take(part, f"{name}-{number}", (*path, block), placed)
        self._block = before

    def _placed(self, insert: Insert, outer: Placed | None) -> Placed:
        """How an insertion puts its contents, with what it takes itself from the one that it lies in."""
        layer = str(insert.dxf.get("layer", "0"))
        if layer == "0" and outer is not None:
            layer = outer.layer
        matrix = insert.matrix44()
        known = self.out.layers.get(decoded(layer))
        hidden = bool(insert.dxf.get("invisible", 0)) or (known is not None and known.frozen)
        line_type, weight = str(insert.dxf.get("linetype", "")), int(insert.dxf.get("lineweight", -1))
        if outer is not None:
            matrix = matrix * outer.matrix
            hidden = hidden or outer.hidden
            line_type = outer.line_type if line_type.upper() == "BYBLOCK" else line_type
            weight = outer.weight if weight == _BY_BLOCK else weight
        colour = self._colour(insert, outer, layer)
        return Placed(matrix, layer, colour, line_type, weight, hidden)

    def _colour(self, entity: DXFEntity, outer: Placed | None, layer: str) -> int | None:
        """The colour of what lies on a layer; None where it is that of the layer."""
        index = int(entity.dxf.get("color", 256))
        if index == 0 and outer is not None:
            if outer.colour is not None or outer.layer == layer:
                return outer.colour
            known = self.out.layers.get(decoded(outer.layer))
            return None if known is None else known.colour
        true_colour = entity.dxf.get("true_color")
        return _indexed(abs(index)) if true_colour is None else _packed(int2rgb(int(true_colour)))

    def _solid(self, entity: DXFEntity, outer: Placed | None) -> None:
        corners = _triangles_of(entity)
        if len(corners):
            if outer is not None:
                moved = outer.matrix.transform_vertices(corners.reshape(-1, 3).tolist())
                corners = np.array([(*v,) for v in moved]).reshape(-1, 3, 3)
            self._triangles.setdefault(self._layer(entity, outer), []).append(corners)
        else:
            self.out.degenerate[entity.dxftype()] += 1

    def _seen_at(self, z: float) -> None:
        if z:
            self.raised += 1
            self.highest = max(self.highest, z)

    def _layer(self, entity: DXFEntity, outer: Placed | None) -> str:
        layer = entity.dxf.get("layer", "0")
        if layer == "0" and outer is not None:
            # What lies on layer 0 of a block takes the layer on which the block is put.
            layer = outer.layer
        name = decoded(str(layer))
        if entity.dxf.get("invisible", 0) or (outer is not None and outer.hidden):
            name += " (hidden)"
            self.out.layer(name, visible=False)
        return name

    def _style(self, entity: DXFEntity, outer: Placed | None, layer: str) -> Style:
        line_type = printable(str(entity.dxf.get("linetype", "")))
        if line_type.upper() == "BYBLOCK" and outer is not None:
            line_type = printable(outer.line_type)
        weight = int(entity.dxf.get("lineweight", -1))
        if weight == _BY_BLOCK and outer is not None:
            weight = outer.weight
        return self._styled(self._colour(entity, outer, layer), line_type, weight if weight >= 0 else None)

    def _style_of(self, index: int, true_colour: int | None, line_type: str, weight: int | None) -> Style:
        colour = _indexed(abs(index)) if true_colour is None else _packed(int2rgb(true_colour))
        return self._styled(colour, line_type, weight)

    def _styled(self, colour: int | None, line_type: str, weight: int | None) -> Style:
        name = line_type.upper()
        return self.out.style(
            colour, "" if name in ("BYLAYER", "BYBLOCK") else name, None if weight is None else weight / _WEIGHTS_TO_MM
        )


def _in_plane(entity: DXFGraphic, outer: Placed | None) -> tuple[DXFGraphic, Transform | None]:
    """An entity, and the map that takes it out of its block; where that tips the plane, one that was taken out."""
    if outer is None:
        return entity, None
    by = outer.plane
    if by is not None:
        return entity, by
    copy = entity.copy()
    copy.transform(outer.matrix)
    return copy, None


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
