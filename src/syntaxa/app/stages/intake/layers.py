"""What Intake shows on the canvas: what a changed file would change, placed as its source is."""

from __future__ import annotations

from syntaxa.app.canvas.layers.changes import ChangeMarks
from syntaxa.app.session.session import Session


def change_marks(session: Session) -> ChangeMarks | None:
    """The marks of a waiting revision; None where none waits."""
    revised, state = session.sources.revision, session.state
    if revised is None or state is None:
        return None
    taken = next((t for t in state.taken if t.number == revised.old.number), None)
    if taken is None:
        return None
    to_mm = state.placement_of(taken).transform
    changes = revised.changes
    return ChangeMarks(
        [c.shape.transformed(to_mm) for c in changes.added],
        [c.shape.transformed(to_mm) for c in changes.removed],
        [(m.before.shape.transformed(to_mm), m.after.shape.transformed(to_mm)) for m in changes.moved],
    )
