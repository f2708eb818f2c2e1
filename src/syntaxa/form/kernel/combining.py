"""Solids joined, cut and kept where they share room."""

from __future__ import annotations

from typing import Literal

from OCP.BRepAlgoAPI import BRepAlgoAPI_Common, BRepAlgoAPI_Cut, BRepAlgoAPI_Fuse

from syntaxa.form.kernel.library import listed
from syntaxa.form.kernel.measuring import is_valid, solids_in
from syntaxa.form.kernel.names import Named, carried
from syntaxa.form.refusal import KernelError

#: What is done with what is there: joined with it, taken away, or what both have.
Combining = Literal["add", "cut", "common"]

_DOES = {"add": BRepAlgoAPI_Fuse, "cut": BRepAlgoAPI_Cut, "common": BRepAlgoAPI_Common}

#: mm and radians; faces of one surface that meet are made one.
_ONE_SURFACE = 1e-9


def combined(how: Combining, bodies: list[Named], tools: list[Named]) -> Named:
    """Bodies with tools joined to them, taken from them, or kept where they share room; all tools at once."""
    does = _DOES[how]()
    does.SetArguments(listed(b.shape for b in bodies))
    does.SetTools(listed(t.shape for t in tools))
    does.SetRunParallel(False)
    does.SetNonDestructive(True)
    does.Build()
    if not does.IsDone() or does.Shape().IsNull():
        raise KernelError("These solids could not be combined.")
    does.SimplifyResult(True, True, _ONE_SURFACE)
    out = carried(does, [*bodies, *tools], does.Shape())
    if not solids_in(out.shape):
        says = {"cut": "Nothing would be left of the body.", "common": "The two share no room."}
        raise KernelError(says.get(how, "Nothing came of joining these."))
    if not is_valid(out.shape):
        raise KernelError("What came of combining these solids is not sound, so it was left.")
    return out
