"""A named solid as bytes: the shape in the kernel's binary form, and its names by the numbers of faces and edges."""

from __future__ import annotations

import hashlib
import io

import msgspec
from OCP.BinTools import BinTools, BinTools_FormatVersion
from OCP.TopoDS import TopoDS_Shape

from syntaxa.form.kernel.library import Shape
from syntaxa.form.kernel.names import Named
from syntaxa.form.model import Solid, as_tuples

_VERSION = BinTools_FormatVersion.BinTools_FormatVersion_VERSION_4


def packed(named: Named) -> Solid:
    """As bytes, under their digest."""
    names = sorted(named.face_names.items()), sorted(named.edge_names.items())
    data = msgspec.msgpack.encode((shape_bytes(named.shape), *names))
    return Solid(hashlib.blake2b(data, digest_size=16).hexdigest(), data)


def unpacked(solid: Solid) -> Named:
    """From bytes."""
    shape, faces, edges = msgspec.msgpack.decode(solid.data)
    out = Named(_shape_from(shape))
    out.face_names = {k: as_tuples(name) for k, name in faces}
    out.edge_names = {k: as_tuples(name) for k, name in edges}
    return out


def shape_bytes(shape: Shape, with_triangles: bool = False) -> bytes:
    """The kernel's binary form."""
    stream = io.BytesIO()
    BinTools.Write_s(shape, stream, with_triangles, with_triangles, _VERSION)
    return stream.getvalue()


def _shape_from(data: bytes) -> Shape:
    shape = TopoDS_Shape()
    BinTools.Read_s(shape, io.BytesIO(data))
    return shape
