"""Bodies to files: STEP as they are, STL and 3MF as triangles; whole files or none."""

from __future__ import annotations

import io
import zipfile
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from pathlib import Path
from xml.sax.saxutils import quoteattr

import numpy as np

from syntaxa.deliver.out import put_out
from syntaxa.drawing.state import State
from syntaxa.drawing.step import QUIET, Context
from syntaxa.errors import DeliverError
from syntaxa.form.asking import asked
from syntaxa.form.model import Mesh
from syntaxa.form.part import Body, Formed
from syntaxa.geometry.types import Floats, Ints

SOLID_ENDINGS = (".step", ".stp", ".stl", ".3mf")

#: mm; nodes that two faces share come out of the kernel equal to rounding, and no true edge is so short.
_SAME_NODE = 1e-6

#: The record of a triangle in a binary STL.
_TRIANGLE = np.dtype([("normal", "<f4", 3), ("corners", "<f4", (3, 3)), ("rest", "<u2")])
_STL_HEAD = 80

_TYPES = (
    '<?xml version="1.0" encoding="UTF-8"?>'
    '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">'
    '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>'
    '<Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>'
)
_RELATIONS = (
    '<?xml version="1.0" encoding="UTF-8"?>'
    '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'
    '<Relationship Target="/3D/3dmodel.model" Id="rel0" '
    'Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>'
)
_CORE = "http://schemas.microsoft.com/3dmanufacturing/core/2015/02"


@dataclass(frozen=True, slots=True)
class SolidOutput:
    """Choices: how far triangles may be off (mm) and turn from one to the next (radians); unit and protocol of STEP."""

    deflection: float = 0.01
    angle: float = 0.2
    unit: str = "mm"
    protocol: str = "AP242"


def deliver_solids(
    state: State, path: Path, output: SolidOutput | None = None, context: Context = QUIET
) -> tuple[str, ...]:
    """Writes all bodies that are not hidden; what the format could not hold, in sentences. Raises DeliverError."""
    chosen = output or SolidOutput()
    bodies = [b for b in state.part(Formed).bodies if not b.hidden]
    if not bodies:
        raise DeliverError(
            "There is no body to write.", file=str(path), suggestion="Raise a region first, or show the bodies."
        )
    ending = path.suffix.lower()
    if ending not in SOLID_ENDINGS:
        raise DeliverError(
            f"{path.name} has no ending for bodies.", file=str(path), suggestion=f"Use {', '.join(SOLID_ENDINGS)}."
        )
    data, notes = _data(bodies, ending, chosen, context)
    put_out(path, data)
    return notes


def _data(bodies: Sequence[Body], ending: str, output: SolidOutput, context: Context) -> tuple[bytes, tuple[str, ...]]:
    if ending in (".step", ".stp"):
        given = tuple((b.name, b.solid, b.colour) for b in bodies)
        data, notes = asked(context, "step_bytes", given, output.unit, output.protocol, about="Writing STEP")
        return data, notes
    solids = tuple(b.solid for b in bodies)
    meshes: list[Mesh] = asked(context, "meshes", solids, output.deflection, output.angle, about="Making triangles")
    facets = f"Round faces went out as triangles, within {output.deflection:g} mm."
    round_faces = any(kind != "plane" for b in bodies for kind, _ in b.figures.faces)
    if ending == ".3mf":
        return threemf_bytes([(b.name, m) for b, m in zip(bodies, meshes, strict=True)]), (facets,) * round_faces
    names = ("STL holds no names, so all bodies went out as one.",) if len(bodies) > 1 else ()
    return stl_bytes(meshes), (*((facets,) * round_faces), "STL holds no unit: its numbers are mm.", *names)


def welded(mesh: Mesh) -> tuple[Floats, Ints]:
    """Points (n, 3) and triangles (m, 3) with one point where faces meet; triangles without area are left out."""
    from scipy.spatial import cKDTree

    from syntaxa.geometry.clusters import linked

    pairs = cKDTree(mesh.points).query_pairs(_SAME_NODE, output_type="ndarray")
    _, label = linked(pairs[:, 0], pairs[:, 1], len(mesh.points))
    _, first = np.unique(label, return_index=True)
    corners = label[mesh.triangles]
    a, b, c = corners.T
    return mesh.points[first], corners[(a != b) & (b != c) & (c != a)]


def stl_bytes(meshes: Sequence[Mesh]) -> bytes:
    """Binary STL of all meshes together."""
    parts = [points[triangles] for points, triangles in map(welded, meshes)]
    corners = np.concatenate(parts)
    normals = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    normals /= np.maximum(np.linalg.norm(normals, axis=1), 1e-300)[:, None]
    rows = np.zeros(len(corners), _TRIANGLE)
    rows["normal"], rows["corners"] = normals, corners
    return bytes(_STL_HEAD) + np.uint32(len(rows)).tobytes() + rows.tobytes()


def threemf_bytes(bodies: Sequence[tuple[str, Mesh]]) -> bytes:
    """A 3MF package (core specification 1.x), unit millimetre, an object a body."""
    objects = "".join(_object(k, name, mesh) for k, (name, mesh) in enumerate(bodies, 1))
    items = "".join(f'<item objectid="{k}"/>' for k in range(1, len(bodies) + 1))
    model = (
        f'<?xml version="1.0" encoding="UTF-8"?><model unit="millimeter" xml:lang="en-US" xmlns="{_CORE}">'
        f"<resources>{objects}</resources><build>{items}</build></model>"
    )
    stream = io.BytesIO()
    with zipfile.ZipFile(stream, "w", zipfile.ZIP_DEFLATED) as package:
        for name, text in (("[Content_Types].xml", _TYPES), ("_rels/.rels", _RELATIONS), ("3D/3dmodel.model", model)):
            # No time of day in it: the same bodies give the same file.
            package.writestr(zipfile.ZipInfo(name), text, zipfile.ZIP_DEFLATED)
    return stream.getvalue()


def _object(number: int, name: str, mesh: Mesh) -> str:
    points, triangles = welded(mesh)
    vertices = "".join(_vertices(points))
    faces = "".join(f'<triangle v1="{a}" v2="{b}" v3="{c}"/>' for a, b, c in triangles.tolist())
    head = f'<object id="{number}" type="model" name={quoteattr(name)}>'
    return f"{head}<mesh><vertices>{vertices}</vertices><triangles>{faces}</triangles></mesh></object>"


def _vertices(points: Floats) -> Iterator[str]:
    for x, y, z in points.tolist():
        yield f'<vertex x="{x:.9g}" y="{y:.9g}" z="{z:.9g}"/>'
