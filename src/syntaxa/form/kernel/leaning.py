"""Prisms whose sides lean, as those of castings do."""

from __future__ import annotations

import math

from OCP.BRepOffsetAPI import BRepOffsetAPI_DraftAngle

from syntaxa.form.kernel.curves import direction, plane
from syntaxa.form.kernel.measuring import is_valid, volume_of
from syntaxa.form.kernel.names import Named
from syntaxa.form.kernel.raising import prism
from syntaxa.form.model import Frame, Profile
from syntaxa.form.refusal import KernelError


def leaning(profile: Profile, frame: Frame, low: float, high: float, angle: float, feature: str) -> Named:
    """A prism whose sides lean inwards from the plane of the sketch by an angle (radians); holes widen accordingly."""
    body = prism(profile, frame, low, high, feature)
    reach = max(abs(low), abs(high)) * math.tan(angle)
    _refuse_tips(profile, reach, angle)
    maker = BRepOffsetAPI_DraftAngle(body.shape)
    for k, name in body.face_names.items():
        if name[1] != "side":
            continue
        maker.Add(body.faces[k], direction(frame.normal), angle, plane(frame), True)
        if not maker.AddDone():
            raise KernelError(
                f"The side raised from {name[2]} cannot lean by {math.degrees(angle):g}°.", str(maker.Status())
            )
    maker.Build()
    if not maker.IsDone():
        raise KernelError(f"The sides cannot lean by {math.degrees(angle):g}°.", str(maker.Status()))
    out = Named(maker.Shape())
    # What it says of parts modified and gone is empty; `ModifiedShape` gives the one image of each.
    for k, name in body.face_names.items():
        out.name_face(maker.ModifiedShape(body.faces[k]), name)
    for k, name in body.edge_names.items():
        out.name_edge(maker.ModifiedShape(body.edges[k]), name)
    if not is_valid(out.shape) or volume_of(out.shape) <= 0:
        raise KernelError(f"The sides would run through each other at {math.degrees(angle):g}°.")
    return out


def _refuse_tips(profile: Profile, reach: float, angle: float) -> None:
    """Raises KernelError where a round would come to a point before its end: the kernel calls what follows valid."""
    for loop in profile.loops:
        for span in loop:
            if span.kind not in ("arc", "circle"):
                continue
            radius, sweep = span.data[2], span.data[4]
            if (sweep > 0) == (angle > 0) and radius < abs(reach):
                raise KernelError(
                    f"The round of radius {radius:g} mm of {span.name} comes to a point before its end at "
                    f"{math.degrees(angle):g}°.",
                    suggestion="Take a smaller angle.",
                )
