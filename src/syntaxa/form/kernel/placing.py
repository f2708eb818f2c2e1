"""Solids moved, turned, mirrored and scaled as a whole, with their names."""

from __future__ import annotations

from typing import Any

from OCP.BRepBuilderAPI import BRepBuilderAPI_Transform
from OCP.gp import gp_Trsf

from syntaxa.form.kernel.names import Named
from syntaxa.form.refusal import KernelError

#: Three rows of a map in space: x' = a x + b y + c z + d.
Rows = tuple[tuple[float, float, float, float], ...]


def placed_by(named: Named, by: Any) -> Named:
    """The image under a similarity of the kernel."""
    maker = BRepBuilderAPI_Transform(named.shape, by, True)
    if not maker.IsDone():
        raise KernelError("This body cannot be placed so.")
    out = Named(maker.Shape())
    for k, name in named.face_names.items():
        out.name_face(maker.ModifiedShape(named.faces[k]), name)
    for k, name in named.edge_names.items():
        out.name_edge(maker.ModifiedShape(named.edges[k]), name)
    return out


def placed(named: Named, rows: Rows) -> Named:
    """The image under a map that keeps angles; raises KernelError for any other."""
    by = gp_Trsf()
    try:
        by.SetValues(*(value for row in rows for value in row))
    except Exception as error:  # noqa: BLE001  the bindings raise classes that have no common base of ours
        raise KernelError("This would bend the body out of shape.", str(error)) from None
    return placed_by(named, by)
