"""Edges rounded and bevelled; those that cannot be are named, and the others are done."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any, Literal

from OCP.BRepAdaptor import BRepAdaptor_Curve, BRepAdaptor_Surface
from OCP.BRepFilletAPI import BRepFilletAPI_MakeChamfer, BRepFilletAPI_MakeFillet
from OCP.GeomAbs import GeomAbs_Circle, GeomAbs_Plane
from OCP.TopAbs import TopAbs_FORWARD, TopAbs_REVERSED
from OCP.TopExp import TopExp_Explorer
from OCP.TopoDS import TopoDS

from syntaxa.form.kernel.library import EDGE, Shape, drained
from syntaxa.form.kernel.measuring import is_valid, solids_in, volume_of
from syntaxa.form.kernel.names import Named, carried
from syntaxa.form.refusal import KernelError

EdgeKind = Literal["fillet", "chamfer"]

_MAKERS = {"fillet": BRepFilletAPI_MakeFillet, "chamfer": BRepFilletAPI_MakeChamfer}

#: What the kernel says of a fillet that fails, in words.
_WORDS = {
    "ChFiDS_WalkingFailure": "it does not fit beside what is near",
    "ChFiDS_StartsolFailure": "there is no room for it where it would begin",
    "ChFiDS_TwistedSurface": "it would twist",
}

#: mm; a corner is too tight where its radius is smaller than the size by more than that.
_TIGHT = 1e-9

#: How often the size is halved to find the largest that can be made.
_HALVINGS = 6


@dataclass
class Treated:
    """A body with its edges treated: how many were, and for each that could not be, what is said of it."""

    body: Named
    done: int
    failed: list[tuple[str, str]] = field(default_factory=list)


def treated(body: Named, numbers: list[int], kind: EdgeKind, size: float, feature: str) -> Treated:
    """All edges at once; where that cannot be, those that can, one after the other."""
    try:
        return Treated(_made(body, numbers, kind, size, feature), len(numbers))
    except KernelError as error:
        if len(numbers) == 1:
            return Treated(body, 0, [(_words(body, numbers[0]), f"{error}{_instead(body, numbers, kind, size)}")])
    keys = [body.key(k) for k in numbers]
    out = Treated(body, 0)
    for key in keys:
        found, _ = out.body.find(key)
        if not found:
            # A tangent neighbour has taken it along.
            out.done += 1
            continue
        try:
            out.body = _made(out.body, found, kind, size, feature)
            out.done += 1
        except KernelError as error:
            said = f"{error}{_instead(out.body, found, kind, size)}"
            out.failed.append((_words(out.body, found[0]), said))
    return out


def _made(body: Named, numbers: list[int], kind: EdgeKind, size: float, feature: str) -> Named:
    maker = _MAKERS[kind](body.shape)
    for k in numbers:
        # A tangent neighbour may have taken it along already.
        if maker.Contour(body.edges[k]) == 0:
            maker.Add(size, body.edges[k])
    tight = _tightest(maker, body, size)
    if tight is not None:
        raise KernelError(f"It does not fit round a corner of radius {tight:.4g} mm.")
    try:
        maker.Build()
        done = maker.IsDone()
    except Exception as error:  # noqa: BLE001  the bindings raise classes that have no common base of ours
        raise KernelError(_why(maker), f"{type(error).__name__}: {error}") from None
    if not done:
        raise KernelError(_why(maker))
    shape = maker.Shape()
    if not is_valid(shape) or volume_of(shape) <= 0 or len(solids_in(shape)) != len(solids_in(body.shape)):
        raise KernelError(_why(maker))
    out = carried(maker, [body], shape)
    for k in range(len(body.edges)):
        if k in numbers or maker.Contour(body.edges[k]):
            for face in drained(maker.Generated(body.edges[k])):
                out.name_face(face, (feature, kind, body.edge_names.get(k) or body.pair(k)))
    return out


def _tightest(maker: Any, body: Named, size: float) -> float | None:
    """The radius of a convex round that an edge runs along and that is smaller than the size.

    The kernel makes such a thing without complaint and calls it valid, but it runs through itself.
    """
    tightest = None
    for k in range(len(body.edges)):
        if not maker.Contour(body.edges[k]):
            continue
        curve = BRepAdaptor_Curve(body.edges[k])
        if curve.GetType() != GeomAbs_Circle or curve.Circle().Radius() >= size - _TIGHT:
            continue
        if any(_turns_outwards(body, k, f, curve) for f in body.sides[k]):
            tightest = min(tightest or curve.Circle().Radius(), curve.Circle().Radius())
    return tightest


def _turns_outwards(body: Named, k: int, f: int, curve: Any) -> bool:
    """Whether a flat face lies inside the circle that bounds it along an edge."""
    face = body.faces[f]
    surface = BRepAdaptor_Surface(face)
    if surface.GetType() != GeomAbs_Plane:
        return False
    normal = surface.Plane().Axis().Direction()
    if not surface.Plane().Direct():
        normal = normal.Reversed()
    way = curve.Circle().Axis().Direction().Dot(normal)
    # Along the outline of the face as its surface looks, whichever way the solid uses it.
    return bool(way * _sense(face, body.edges[k]) > 0)


def _sense(face: Shape, edge: Shape) -> int:
    explorer = TopExp_Explorer(face.Oriented(TopAbs_FORWARD), EDGE)
    while explorer.More():
        one = TopoDS.Edge(explorer.Current())
        if one.IsSame(edge):
            return -1 if one.Orientation() == TopAbs_REVERSED else 1
        explorer.Next()
    return 1


def _why(maker: Any) -> str:
    """What the kernel says of it, in words."""
    if not isinstance(maker, BRepFilletAPI_MakeFillet):
        return "It does not fit."
    states = [str(maker.StripeStatus(c)).split(".")[-1].split(":")[0] for c in range(1, maker.NbContours() + 1)]
    words = next(
        (_WORDS[s] for s in states if s in _WORDS),
        "it does not fit, or meets other edges in a way that cannot be closed",
    )
    return f"{words[0].upper()}{words[1:]}."


def _instead(body: Named, numbers: list[int], kind: EdgeKind, size: float) -> str:
    """The largest size that can be made there, found by halving, in words."""
    low, high, best = 0.0, size, 0.0
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        try:
            _made(body, numbers, kind, middle, "trial")
            low = best = middle
        except KernelError:
            high = middle
    return f" {best:.3g} mm can be made." if best else ""


def _words(body: Named, k: int) -> str:
    """An edge in words: by what it was raised from, or by the faces beside it."""
    return edge_in_words(body.edge_names.get(k, ()), body.pair(k))


def edge_in_words(origin: Any, faces: Any) -> str:
    """What an edge is called where something is told of it."""
    if origin and origin[1] == "rise":
        return f"the edge that rises from {origin[2]}"
    if origin and isinstance(origin[2], str):
        return f"the edge of {origin[2]} on the side called {origin[1]}"
    return "the edge between " + " and ".join(_face_in_words(f) for f in faces)


def _face_in_words(name: Any) -> str:
    if name and name[0] == "?":
        return "a face without a name"
    return f"{name[1]} of {name[0]}" if not isinstance(name[2], str) or not name[2] else f"the {name[1]} of {name[2]}"
