"""DXF of any age, ASCII or binary: strict first, then recovering."""

from __future__ import annotations

import io
import logging
from collections import Counter
from dataclasses import dataclass, field

import ezdxf
from ezdxf import recover
from ezdxf.colors import aci2rgb, int2rgb
from ezdxf.document import Drawing as Document
from ezdxf.entities import DXFEntity, DXFGraphic, Insert
from ezdxf.filemanagement import dxf_stream_info
from ezdxf.lldxf.const import DXFError
from ezdxf.lldxf.encoding import decode_dxf_unicode, has_dxf_unicode

from syntaxa.drawing.model import Curve, Drawing, Layer, Style
from syntaxa.drawing.units import UNIT_OF_HEADER_CODE
from syntaxa.errors import Cancelled, IntakeError, Progress
from syntaxa.intake.dxf_mark import BINARY_MARK as _BINARY_MARK
from syntaxa.intake.dxf_shapes import CONVERTERS, Unreadable, shape_of
from syntaxa.intake.model import ImportReport, NotRead, Received

ANNOTATIONS: dict[str, str] = {
    "TEXT": "text",
    "MTEXT": "text",
    "ATTRIB": "text",
    "ATTDEF": "text",
    "DIMENSION": "dimension",
    "ARC_DIMENSION": "dimension",
    "LARGE_RADIAL_DIMENSION": "dimension",
    "HATCH": "hatch",
    "MPOLYGON": "hatch",
    "POINT": "point",
    "IMAGE": "image",
}

#: Entities that draw nothing of their own.
_SILENT = {"VIEWPORT", "SEQEND", "ACAD_PROXY_ENTITY_GRAPHIC"}

#: What the recovering reader may come to when a damaged file leads it astray.
_DAMAGE = (DXFError, ValueError, TypeError, KeyError, IndexError, AttributeError, UnicodeError, OverflowError)

#: Share of the progress that belongs to the parsing.
_PARSING = 0.7

_DEEPEST_BLOCK = 32

# What the library has to say goes into the import report, not to the terminal.
logging.getLogger("ezdxf").addHandler(logging.NullHandler())


def read(name: str, data: bytes, progress: Progress) -> Received:
    """Model space of a DXF file as a drawing in its own numbers."""
    document, notes = _document(name, data, progress)
    walk = _Walk(document, progress)
    walk.run()
    if not walk.curves and notes:
        raise IntakeError(
            f"{name} is damaged and nothing in it could be read.", file=name, suggestion="Ask for the drawing again."
        )
    drawing = Drawing(tuple(walk.curves), _layers(document, walk.curves), dict(walk.annotations), walk.blocks)
    not_read = tuple(NotRead(kind, count, why) for (kind, why), count in sorted(walk.not_read.items()))
    declared, metric = _declared_unit(document)
    return Received(drawing, ImportReport("dxf", document.acad_release, declared, metric, not_read, tuple(notes)))


class _Watched(io.TextIOBase):
    """A text stream that tells how far it has been read."""

    def __init__(self, stream: io.TextIOBase, size: int, progress: Progress) -> None:
        self._stream, self._size, self._progress = stream, max(size, 1), progress
        self._read = self._told = 0

    def readline(self, size: int = -1, /) -> str:  # type: ignore[override]
        line = self._stream.readline(size)
        self._read += len(line)
        if self._read - self._told > 1 << 16:
            self._told = self._read
            self._progress(_PARSING * min(1.0, self._read / self._size))
        return line


def _document(name: str, data: bytes, progress: Progress) -> tuple[Document, list[str]]:
    try:
        return _strict(data, progress), []
    except Cancelled:
        raise
    except _DAMAGE:
        pass
    data = _ended(data)
    try:
        document, auditor = recover.read(io.BytesIO(data))
    except _DAMAGE as error:
        raise IntakeError(
            f"{name} is damaged and could not be read.", file=name, suggestion="Ask for the drawing again."
        ) from error
    repairs = len(auditor.errors) + len(auditor.fixes)
    told = f" {repairs} faults were set right or left out." if repairs else ""
    says = "The file breaks the rules of its format or is cut off; what could be recovered was read."
    return document, [says + told]


def _ended(data: bytes) -> bytes:
    """A file that was cut off, without its last, broken entity and with the end that every file has."""
    if data.startswith(_BINARY_MARK) or data.rstrip().endswith(b"EOF"):
        return data
    lines = data.splitlines()
    at = len(lines) - len(lines) % 2 - 2
    while at > 0 and lines[at].strip() != b"0":
        at -= 2
    return b"\n".join([*lines[:at], b"  0", b"ENDSEC", b"  0", b"EOF", b""])


def _strict(data: bytes, progress: Progress) -> Document:
    if data.startswith(_BINARY_MARK):
        from ezdxf.lldxf.tagger import binary_tags_loader

        loader = binary_tags_loader(data, errors="surrogateescape")
        return Document.load(loader)
    text = io.TextIOWrapper(io.BytesIO(data), encoding="utf-8", errors="surrogateescape")
    encoding = dxf_stream_info(text).encoding
    text = io.TextIOWrapper(io.BytesIO(data), encoding=encoding, errors="surrogateescape")
    return ezdxf.read(_Watched(text, len(data), progress))  # type: ignore[arg-type]


def _declared_unit(document: Document) -> tuple[str | None, bool | None]:
    header = document.header
    code = int(header.get("$INSUNITS", 0)) if "$INSUNITS" in header else 0
    flag = int(header.get("$MEASUREMENT", -1)) if "$MEASUREMENT" in header else -1
    return UNIT_OF_HEADER_CODE.get(code), {0: False, 1: True}.get(flag)


def _decoded(name: str) -> str:
    """A name with its \\U+XXXX escapes resolved."""
    return decode_dxf_unicode(name) if has_dxf_unicode(name) else name


def _layers(document: Document, curves: list[Curve]) -> tuple[Layer, ...]:
    layers: dict[str, Layer] = {}
    for entry in document.layers:
        rgb = entry.rgb or aci2rgb(abs(entry.color) if 0 < abs(entry.color) < 256 else 7)
        colour = (rgb[0] << 16) | (rgb[1] << 8) | rgb[2]
        name = _decoded(entry.dxf.name)
        layers[name] = Layer(name, colour, not entry.is_off(), bool(entry.is_frozen()), bool(entry.is_locked()))
    for curve in curves:
        layers.setdefault(curve.layer, Layer(curve.layer))
    return tuple(layers.values())


@dataclass
class _Walk:
    """Goes through model space and gathers curves, counts and what was not read."""

    document: Document
    progress: Progress
    curves: list[Curve] = field(default_factory=list)
    annotations: Counter[str] = field(default_factory=Counter)
    not_read: Counter[tuple[str, str]] = field(default_factory=Counter)
    blocks: int = 0
    _ids: set[str] = field(default_factory=set)
    _styles: dict[tuple[int | None, str], Style] = field(default_factory=dict)

    def run(self) -> None:
        """All entities of model space."""
        space = list(self.document.modelspace())
        for k, entity in enumerate(space):
            if k % 500 == 0:
                self.progress(_PARSING + (1 - _PARSING) * k / len(space))
            self.take(entity, entity.dxf.get("handle") or f"n{k + 1}", (), None)
        self.progress(1.0)

    def take(self, entity: DXFEntity, name: str, path: tuple[str, ...], outer: Insert | None) -> None:
        """One entity; `path` names the blocks it lies in, `outer` is the insertion that put it there."""
        kind = entity.dxftype()
        if kind == "INSERT" and isinstance(entity, Insert):
            self._insert(entity, name, path, outer)
        elif kind in ANNOTATIONS:
            self.annotations[ANNOTATIONS[kind]] += 1
        elif kind in CONVERTERS and isinstance(entity, DXFGraphic):
            self._curve(entity, name, outer)
        elif kind not in _SILENT:
            self.not_read[kind, "This type is not taken in."] += 1

    def _curve(self, entity: DXFGraphic, name: str, outer: Insert | None) -> None:
        try:
            shape = shape_of(entity)
        except Unreadable as why:
            self.not_read[entity.dxftype(), str(why)] += 1
            return
        except _DAMAGE:
            self.not_read[entity.dxftype(), "Its data make no sense."] += 1
            return
        layer = entity.dxf.get("layer", "0")
        if layer == "0" and outer is not None:
            # What lies on layer 0 of a block takes the layer on which the block is put.
            layer = outer.dxf.get("layer", "0")
        layer = _decoded(layer)
        self.curves.append(Curve(self._unique(name), shape, layer, self._style(entity, outer), name))

    def _insert(self, insert: Insert, name: str, path: tuple[str, ...], outer: Insert | None) -> None:
        block = insert.dxf.get("name", "")
        if insert.block() is None:
            self.not_read["INSERT", f"Its block “{block}” is missing."] += 1
            return
        if block in path or len(path) >= _DEEPEST_BLOCK:
            self.not_read["INSERT", f"Block “{block}” contains itself."] += 1
            return
        self.blocks += 1
        if insert.dxf.get("layer", "0") == "0" and outer is not None:
            insert.dxf.layer = outer.dxf.get("layer", "0")
        if insert.attribs:
            self.annotations["text"] += len(insert.attribs)
        copies = insert.multi_insert() if insert.mcount > 1 else (insert,)
        number = 0
        for copy in copies:
            for part in copy.virtual_entities(skipped_entity_callback=self._skipped):
                number += 1
                self.take(part, f"{name}-{number}", (*path, block), insert)

    def _skipped(self, entity: DXFEntity, _reason: str) -> None:
        self.not_read[entity.dxftype(), "It cannot be taken out of its block."] += 1

    def _unique(self, name: str) -> str:
        while name in self._ids:
            name += "'"
        self._ids.add(name)
        return name

    def _style(self, entity: DXFGraphic, outer: Insert | None) -> Style:
        source: DXFGraphic = outer if entity.dxf.get("color", 256) == 0 and outer is not None else entity
        true_colour = source.dxf.get("true_color")
        index = abs(int(source.dxf.get("color", 256)))
        rgb: tuple[int, int, int] | None = None
        if true_colour is not None:
            rgb = int2rgb(true_colour)
        elif 0 < index < 256:
            rgb = aci2rgb(index)
        colour = None if rgb is None else (rgb[0] << 16) | (rgb[1] << 8) | rgb[2]
        line_type = str(source.dxf.get("linetype", "")).upper()
        key = (colour, "" if line_type == "BYLAYER" else line_type)
        return self._styles.setdefault(key, Style(*key))
