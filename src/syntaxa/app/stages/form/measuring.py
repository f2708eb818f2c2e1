"""What is measured of what is chosen in space: lengths, areas, radii, distances and angles."""

from __future__ import annotations

import math

import numpy as np

from syntaxa.app.lengths import LengthFormat
from syntaxa.app.sentences import said
from syntaxa.app.session.session import Session
from syntaxa.app.stages.form.front import HABITS
from syntaxa.app.stages.form.picked import Picked
from syntaxa.app.stages.form.space.scene import Target
from syntaxa.app.words import tr
from syntaxa.form.model import Details, EdgeDetail, EdgeKey, FaceDetail
from syntaxa.form.part import Formed
from syntaxa.form.raising import Reach
from syntaxa.form.views import APART, DETAILS

_ROUND = ("cylinder",)


class Measuring:
    """Looks at what is chosen."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self.says = ""
        self.flat_face: Reach | None = None
        #: The last chosen body, and the names of its chosen edges and of those round its chosen faces.
        self.edges: tuple[str, tuple[EdgeKey, ...]] = ("", ())

    def look(self, picked: Picked, lengths: LengthFormat) -> None:
        """Works out what there is to say."""
        faces = [(t.owner, f) for t in picked.of_kind("face") if (f := self._face(t)) is not None]
        edges = [(t.owner, e) for t in picked.of_kind("edge") if (e := self._edge(t)) is not None]
        flat = next(((name, f) for name, f in reversed(faces) if f.frame is not None), None)
        self.flat_face = Reach(body=flat[0], face=flat[1].name) if flat is not None else None
        owner = next((t.owner for t in reversed(picked.targets) if t.kind in ("edge", "face")), "")
        own = [e.key for name, e in edges if name == owner]
        own += [key for name, f in faces if name == owner for key in self._round(name, f)]
        self.edges = owner, tuple(dict.fromkeys(own))
        parts = [said(picked.says[:1].upper() + picked.says[1:])] if picked.targets else []
        if len(faces) == 1 and not edges:
            parts.append(_of_face(faces[0][1], lengths))
        elif faces:
            parts.append(tr("area {0}", _area(sum(f.area for _, f in faces), lengths)))
        if len(edges) == 1 and not faces:
            parts.append(_of_edge(edges[0][1], lengths))
        elif edges:
            parts.append(tr("length {0}", lengths.text(sum(e.length for _, e in edges))))
        solid = [t for t in picked.targets if t.kind in ("face", "edge")]
        if len(solid) == 2 and len(faces) + len(edges) == 2:
            parts += self._between(solid[0], solid[1], lengths)
        self.says = "; ".join(p for p in parts if p)

    def about(self, target: Target | None, lengths: LengthFormat) -> str:
        """What is under the cursor, in words."""
        if target is None:
            return HABITS
        if target.kind == "region":
            return tr("Closed region of {0}", target.owner)
        if target.kind == "line":
            return tr("#{0} of {1}", target.root, target.owner)
        if target.kind == "face":
            face = self._face(target)
            return tr("Face of {0}", target.owner) + (f": {_of_face(face, lengths)}" if face is not None else "")
        edge = self._edge(target)
        return tr("Edge of {0}", target.owner) + (
            f": {said(edge.says)}; {_of_edge(edge, lengths)}" if edge is not None else ""
        )

    def _between(self, one: Target, other: Target, lengths: LengthFormat) -> list[str]:
        """The least distance between two things, and the angle between them where they have directions."""
        digests = [self._digest(t.owner) for t in (one, other)]
        said = []
        if all(digests):
            found = self._session.view(
                APART,
                (one.owner, one.kind, one.number, digests[0]),
                (other.owner, other.kind, other.number, digests[1]),
            )
            said.append(tr("measuring…") if found is None else tr("{0} apart", lengths.text(found)))
        ways = [_way(self._face(t) if t.kind == "face" else self._edge(t)) for t in (one, other)]
        if ways[0] is not None and ways[1] is not None:
            share = abs(float(np.dot(ways[0], ways[1])))
            angle = math.degrees(math.acos(min(share, 1.0)))
            if one.kind != other.kind:
                # A face goes by its normal, an edge by its own direction.
                angle = 90.0 - angle
            said.append(tr("at {0:.4g}°", angle))
        return said

    def _digest(self, name: str) -> str:
        state = self._session.state
        bodies = state.part(Formed).bodies if state is not None else ()
        return next((b.solid.digest for b in bodies if b.name == name), "")

    def _details(self, name: str) -> Details | None:
        digest = self._digest(name)
        return self._session.view(DETAILS, name, digest) if digest else None

    def _face(self, target: Target) -> FaceDetail | None:
        found = self._details(target.owner)
        return found.faces[target.number] if found is not None and target.number < len(found.faces) else None

    def _round(self, body: str, face: FaceDetail) -> list[EdgeKey]:
        """The edges of a body that bound a face of it."""
        found = self._details(body)
        edges = found.edges if found is not None else ()
        return [e.key for e in edges if e is not None and face.name in e.key.faces]

    def _edge(self, target: Target) -> EdgeDetail | None:
        found = self._details(target.owner)
        return found.edges[target.number] if found is not None and target.number < len(found.edges) else None


def _way(of: FaceDetail | EdgeDetail | None) -> tuple[float, float, float] | None:
    """The direction of a straight edge, the normal of a flat face, the axis of a round one."""
    if isinstance(of, FaceDetail):
        return of.frame.normal if of.frame is not None else of.axis[1] if of.axis is not None else None
    if of is None or of.kind != "line" or not of.length:
        return None
    x, y, z = ((b - a) / of.length for a, b in zip(*of.ends, strict=True))
    return x, y, z


def _of_face(face: FaceDetail, lengths: LengthFormat) -> str:
    radius = tr(", radius {0}", lengths.text(face.radius)) if face.kind in _ROUND else ""
    return tr("{0}, area {1}{2}", face.kind, _area(face.area, lengths), radius)


def _of_edge(edge: EdgeDetail, lengths: LengthFormat) -> str:
    radius = tr(", radius {0}", lengths.text(edge.radius)) if edge.kind == "circle" else ""
    return tr("length {0}{1}", lengths.text(edge.length), radius)


def _area(area: float, lengths: LengthFormat) -> str:
    return lengths.area(area)
