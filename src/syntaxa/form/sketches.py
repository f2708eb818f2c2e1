"""The sketches that Form works with: those of the drawing, and the views of it that were folded, each as one.

Folding moves nothing on the sheet, so that what is defined there goes on to hold: a view is some curves of it, by their
roots, and a plane.
"""

from __future__ import annotations

from syntaxa.drawing.state import Sketch, State
from syntaxa.errors import FormError
from syntaxa.form.part import FoldedView, Formed


def sketches_of(state: State) -> tuple[Sketch, ...]:
    """The sketches of which something can be made or that help: views in the place of the sheet that they are on."""
    part = state.part(Formed)
    if not part.views:
        return tuple(s for s in state.sketches if s.purpose != "reference" and s.curves)
    rest = (s for s in state.sketches if s.purpose != "reference" and s.curves and s.name not in part.sheet)
    return (*(view_sketch(state, v) for v in part.views), *rest)


def view_sketch(state: State, view: FoldedView) -> Sketch:
    """A folded view as a sketch; hidden lines only help."""
    curves = tuple(c for s in state.sketches for c in s.curves if c.root in view.roots)
    return Sketch(view.name, view.colour, curves, "construction" if view.hidden else "profile")


def sketch_of(state: State, name: str) -> Sketch:
    """The sketch or view of a name; raises FormError."""
    view = next((v for v in state.part(Formed).views if v.name == name), None)
    found = view_sketch(state, view) if view is not None else state.sketch(name)
    if found is None:
        names = ", ".join(s.name for s in sketches_of(state))
        raise FormError(f"There is no sketch called “{name}”.", suggestion=f"There are: {names}.")
    return found
