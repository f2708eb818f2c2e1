"""What is shown of what Form made: bodies as triangles, sketches in space, and what can be picked and measured."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.define.views import defined
from syntaxa.drawing.view import Standing, View, on_state
from syntaxa.errors import FormError, Progress, SyntaxaError
from syntaxa.form.annotating import OnSolid, dimensions_on
from syntaxa.form.asking import asked
from syntaxa.form.base import FormStep
from syntaxa.form.choosing import profiles_in
from syntaxa.form.flats import Flat, flat_of
from syntaxa.form.folded import FoldViews, read
from syntaxa.form.folding.reading import Reading
from syntaxa.form.model import Details, Mesh
from syntaxa.form.part import Body, Formed
from syntaxa.form.sketches import sketches_of
from syntaxa.watching import still_wanted

#: Share of the size of everything by which triangles may be off for a picture, and their turn (radians).
_FINE, _TURN = 1e-3, 0.35

#: mm; for what has no size.
_LEAST_SIZE = 1.0


@dataclass(frozen=True)
class Space:
    """Everything in space: bodies that are not hidden with their meshes, sketches, and of which something was made."""

    bodies: tuple[tuple[Body, Mesh], ...] = ()
    flats: tuple[Flat, ...] = ()
    failed: str = ""
    used: frozenset[str] = frozenset()

    @property
    def size(self) -> int:
        """Bytes, roughly."""
        return 1000 + sum(m.size for _, m in self.bodies) + sum(f.size for f in self.flats)


def _space(standing: Standing, *, progress: Progress) -> Space:
    state, context = standing.state, standing.context(progress)
    part = state.part(Formed)
    flats = []
    sketches = sketches_of(state)
    for k, sketch in enumerate(sketches):
        progress(0.5 * k / len(sketches))
        still_wanted()
        box = sketch.extents() or (0.0, 0.0, 0.0, 0.0)
        profiles = profiles_in(sketch) if sketch.purpose == "profile" else []
        flats.append(flat_of(sketch, part.frame_of(sketch), profiles, max(box[2] - box[0], box[3] - box[1])))
    shown = [b for b in part.bodies if not b.hidden]
    used = frozenset(name for name, _ in part.heights)
    if not shown:
        return Space((), tuple(flats), used=used)
    size = max(max(b.figures.box[k + 3] - b.figures.box[k] for k in range(3)) for b in shown)
    try:
        meshes = asked(
            context, "meshes", tuple(b.solid for b in shown), max(size, _LEAST_SIZE) * _FINE, _TURN,
            about="Making the picture",
        )  # fmt: skip
    except FormError as error:
        return Space((), tuple(flats), str(error))
    return Space(tuple(zip(shown, meshes, strict=True)), tuple(flats), used=used)


@dataclass(frozen=True)
class TriedForm:
    """What a step would make that is not done: bodies that would be other than they are, or why it cannot be done."""

    bodies: tuple[tuple[Body, Mesh], ...] = ()
    says: str = ""
    refused: str = ""


def _tried(standing: Standing, step: FormStep, *, progress: Progress) -> TriedForm:
    state, context = standing.state, standing.context(progress)
    try:
        after, entry = step.apply(state, context)
        now = {b.solid.digest for b in state.part(Formed).bodies}
        changed = [b for b in after.part(Formed).bodies if b.solid.digest not in now]
        size = max((b.figures.box[k + 3] - b.figures.box[k] for b in changed for k in range(3)), default=_LEAST_SIZE)
        meshes = asked(
            context, "meshes", tuple(b.solid for b in changed), max(size, _LEAST_SIZE) * _FINE, _TURN,
            about="Making the picture",
        ) if changed else []  # fmt: skip
    except SyntaxaError as error:
        still_wanted()
        return TriedForm(refused=str(error))
    return TriedForm(tuple(zip(changed, meshes, strict=True)), entry.says)


def _details(standing: Standing, name: str, _digest: str, *, progress: Progress) -> Details:
    body = standing.state.part(Formed).body(name)
    found: Details = asked(standing.context(progress), "details", body.solid, about=f"Looking at {name}")
    return found


def _apart(
    standing: Standing, one: tuple[str, str, int, str], other: tuple[str, str, int, str], *, progress: Progress
) -> float:
    part = standing.state.part(Formed)
    given = [(part.body(name).solid, kind, number) for name, kind, number, _ in (one, other)]
    found: float = asked(standing.context(progress), "distance", *given[0], *given[1], about="Measuring")
    return found


def _read(standing: Standing, step: FoldViews, *, progress: Progress) -> Reading | str:
    # The views are read off the sheet as it was before they were folded.
    unfolded = standing.without(lambda s: isinstance(s, FormStep))
    try:
        return read(unfolded.state, step, unfolded.context(progress))
    except FormError as error:
        return str(error)


def _standing(standing: Standing, *, progress: Progress) -> tuple[OnSolid, ...]:
    # What is defined is defined on the sheet, whatever was folded since.
    unformed = standing.without(lambda s: isinstance(s, FormStep))
    return tuple(dimensions_on(standing.state, unformed.state, defined(unformed.state, progress=progress)))


def _on_body(_standing: Standing) -> str:
    """What it is given says all: the digest of the solid is part of it."""
    return "solid"


#: Everything in space.
SPACE: View[Space] = View("Solids", on_state, _space, lambda space: space.size)

#: What a step would make that is being thought of. Given the step.
TRIED_FORM: View[TriedForm] = View("Trying", on_state, _tried, lambda t: 1000 + sum(m.size for _, m in t.bodies))

#: The faces and edges of a body. Given its name and the digest of its solid.
DETAILS: View[Details] = View("Faces and edges", _on_body, _details, lambda d: 600 * (len(d.faces) + len(d.edges)))

#: The least distance between two faces or edges (mm). Given twice: body, kind, number and the digest of the solid.
APART: View[float] = View("Measuring", _on_body, _apart)

#: What the views of the drawing show, or why they cannot be read. Given how they are to be read.
READING: View[Reading | str] = View("Reading the views", on_state, _read, lambda _r: 100_000)

#: The dimensions that drive, as they stand on the solids.
DIMENSIONS: View[tuple[OnSolid, ...]] = View("Dimensions", on_state, _standing, lambda d: 2000 * len(d))
