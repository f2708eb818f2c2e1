"""Triangles and lines of solids as arrays, with the number of the face or edge that each is of."""

from __future__ import annotations

import io
from collections.abc import Iterator
from typing import Any

import numpy as np
from OCP.BinTools import BinTools, BinTools_FormatVersion
from OCP.BRep import BRep_Tool
from OCP.BRepMesh import BRepMesh_IncrementalMesh
from OCP.IMeshTools import IMeshTools_MeshAlgoType, IMeshTools_Parameters
from OCP.TopAbs import TopAbs_REVERSED
from OCP.TopLoc import TopLoc_Location

from syntaxa.form.kernel.library import Shape
from syntaxa.form.kernel.names import Named
from syntaxa.form.model import Mesh
from syntaxa.geometry.types import Floats, Ints

_MARK = b"Triangulations "

#: mm; points of one face that are nearer than this are one.
_SAME = 1e-6


def mesh_of(named: Named, deflection: float, angle: float) -> Mesh:
    """Triangles that leave the solid by at most so many mm, and turn by at most so many radians from one to the next.

    Cost: far from linear on one large curved face, so pictures want no finer than a thousandth of the size.
    """
    shape = named.shape
    wanted = IMeshTools_Parameters()
    wanted.Deflection, wanted.Angle = deflection, angle
    # Ten times as fast as the other one on a plate with many holes.
    wanted.MeshAlgo = IMeshTools_MeshAlgoType.IMeshTools_MeshAlgoType_Delabella
    BRepMesh_IncrementalMesh(shape, wanted)
    held = [_triangulation(named.faces[k]) for k in range(len(named.faces))]
    blobs = {_key(p, f): (p, f) for p, f in _blobs(shape)}
    points, triangles, owner = [], [], []
    nodes: dict[int, Floats] = {}
    base = 0
    for k, (made, place) in enumerate(held):
        if made is None:
            continue
        p, f = _moved(blobs[_key_of(made)], place)
        nodes[k] = p
        if named.faces[k].Orientation() == TopAbs_REVERSED:
            f = f[:, ::-1]
        points.append(p)
        triangles.append(f + base)
        owner.append(np.full(len(f), k))
        base += len(p)
    lines, edge = _lines(named, nodes)
    every, corners, face = _stack(points, (0, 3), "f8"), _stack(triangles, (0, 3), "i4"), _stack(owner, (0,), "i4")
    return Mesh(every, _normals(every, corners, face), corners, face, lines, edge)


def _normals(points: Floats, triangles: Ints, face: Ints) -> Floats:
    """Directions out of the solid at each point, (n, 3) f4: the mean of the triangles of its face that meet there.

    Points of one face at one place count together, so that a seam is not seen in the shading.
    """
    if not len(points):
        return np.zeros((0, 3), "f4")
    of = np.zeros(len(points))
    of[triangles.ravel()] = np.repeat(face, 3)
    _, same = np.unique(np.column_stack([of, np.round(points / _SAME)]), axis=0, return_inverse=True)
    same = same.reshape(-1)
    a, b, c = (points[triangles[:, k]] for k in range(3))
    across = np.cross(b - a, c - a)
    total = np.zeros((int(same.max()) + 1, 3))
    for k in range(3):
        np.add.at(total, same[triangles[:, k]], across)
    total /= np.maximum(np.linalg.norm(total, axis=1), 1e-300)[:, None]
    return total[same].astype("f4")


def _stack(parts: list[Any], empty: tuple[int, ...], kind: str) -> Any:
    return np.concatenate(parts).astype(kind) if parts else np.zeros(empty, kind)


def _triangulation(face: Shape) -> tuple[Any, Any]:
    place = TopLoc_Location()
    return BRep_Tool.Triangulation_s(face, place), place


def _key_of(made: Any) -> tuple[Any, ...]:
    """What a triangulation is known by: its sizes, some of its nodes and a triangle."""
    n, m = made.NbNodes(), made.NbTriangles()
    return (n, m, *(made.Node(i).Coord() for i in (1, n // 2 + 1, n)), made.Triangle(m // 2 + 1).Get())


def _key(p: Floats, f: Ints) -> tuple[Any, ...]:
    n, m = len(p), len(f)
    return (n, m, *(tuple(p[i].tolist()) for i in (0, n // 2, n - 1)), tuple((f[m // 2] + 1).tolist()))


def _moved(blob: tuple[Floats, Ints], place: Any) -> tuple[Floats, Ints]:
    p, f = blob
    if place.IsIdentity():
        return p, f
    by = place.Transformation()
    rows = np.array([[by.Value(r, c) for c in range(1, 5)] for r in range(1, 4)])
    return p @ rows[:, :3].T + rows[:, 3], f


def _blobs(shape: Shape) -> Iterator[tuple[Floats, Ints]]:
    """Points and triangles of all triangulations, read from the binary form: thirty times faster than by node.

    Layout of version 4: numbers of nodes and triangles (i4), whether there are parameters and normals (u1 each),
    deflection (f8), points (f8), parameters (f8), triangles (i4, from 1), normals (f4).
    """
    stream = io.BytesIO()
    BinTools.Write_s(shape, stream, True, False, BinTools_FormatVersion.BinTools_FormatVersion_VERSION_4)
    data = stream.getvalue()
    mark = data.rindex(_MARK)
    line = data.index(b"\n", mark)
    count, at = int(data[mark:line].split()[1]), line + 1
    for _ in range(count):
        n, m = np.frombuffer(data, "<i4", 2, at).tolist()
        has_parameters, has_normals = data[at + 8], data[at + 9]
        at += 18
        p = np.frombuffer(data, "<f8", 3 * n, at).reshape(-1, 3)
        at += 24 * n + (16 * n if has_parameters else 0)
        f = np.frombuffer(data, "<i4", 3 * m, at).reshape(-1, 3).astype(np.int64) - 1
        at += 12 * m
        at += 12 * n if has_normals else 0
        yield p, f


def _lines(named: Named, nodes: dict[int, Floats]) -> tuple[Floats, Ints]:
    """Each edge once, along the triangles of a face beside it, so that it lies on the shading; seams are no edges."""
    out, owner = [], []
    for k in named.true_edges:
        f = named.sides[k][0]
        place = TopLoc_Location()
        made = BRep_Tool.Triangulation_s(named.faces[f], place)
        along = None if made is None else BRep_Tool.PolygonOnTriangulation_s(named.edges[k], made, place)
        if along is None:
            continue
        p = nodes[f][[along.Node(i) - 1 for i in range(1, along.NbNodes() + 1)]]
        out.append(np.stack([p[:-1], p[1:]], axis=1))
        owner.append(np.full(len(p) - 1, k))
    return _stack(out, (0, 2, 3), "f8"), _stack(owner, (0,), "i4")
