"""What the kernel's process can do: each function takes solids as bytes and gives solids as bytes.

Solids that were worked on last are kept as they are, under their digests. `asking.py` calls these through the process.
"""

from __future__ import annotations

import tempfile
from collections import OrderedDict
from collections.abc import Callable, Sequence
from functools import partial
from pathlib import Path
from typing import TypeVar

from syntaxa.errors import Progress, no_progress
from syntaxa.form.folding.model import Method, Role
from syntaxa.form.folding.reading import Reading
from syntaxa.form.kernel.combining import Combining, combined
from syntaxa.form.kernel.exchange import Protocol, StepUnit, read_step, write_step
from syntaxa.form.kernel.guarding import guarded
from syntaxa.form.kernel.hidden import ViewOf, lines_of_view, together
from syntaxa.form.kernel.leaning import leaning
from syntaxa.form.kernel.library import Shape, by_kernel
from syntaxa.form.kernel.looking import apart, bend_of, details_of, is_upright
from syntaxa.form.kernel.measuring import figures_of, solids_in, volume_of
from syntaxa.form.kernel.meshing import mesh_of
from syntaxa.form.kernel.names import CERTAIN, Named, renamed
from syntaxa.form.kernel.packing import packed, unpacked
from syntaxa.form.kernel.placing import Rows, placed
from syntaxa.form.kernel.raising import prism, turned
from syntaxa.form.kernel.reading import Wishes, read_views
from syntaxa.form.kernel.rounding import EdgeKind, edge_in_words, treated
from syntaxa.form.kernel.sectioning import section_of
from syntaxa.form.model import Details, EdgeKey, Figures, Lift, Made, Mesh, Solid, Spin
from syntaxa.form.refusal import KernelError
from syntaxa.geometry.shapes import Shape as Shape2d
from syntaxa.geometry.types import Box, Floats
from syntaxa.watching import still_wanted

#: Solids that are kept as they are, and seconds that the lines of a view may take.
_MOST_KEPT, _VIEW_SECONDS = 256, 20.0

_KEPT: OrderedDict[str, Named] = OrderedDict()

_Wanted = TypeVar("_Wanted", Lift, Spin)


def ready(*, progress: Progress = no_progress) -> None:
    """Nothing is done: whoever asks wants the kernel to be there when it is needed."""
    progress(1.0)


def raised(
    lifts: tuple[Lift, ...],
    how: Combining | None,
    targets: tuple[Solid, ...],
    feature: str,
    *,
    progress: Progress = no_progress,
) -> Made:
    """Profiles raised: each a body of its own where `how` is None, else combined with the targets."""
    made, failed = _each(lifts, lambda lift: _lifted(lift, feature), progress)
    return _used(made, failed, how, targets)


def spun(
    spins: tuple[Spin, ...],
    how: Combining | None,
    targets: tuple[Solid, ...],
    feature: str,
    *,
    progress: Progress = no_progress,
) -> Made:
    """Profiles turned about a line: each a body of its own where `how` is None, else combined with the targets."""
    made, failed = _each(spins, lambda s: turned(s.profile, s.frame, s.axis, s.sweep, feature), progress)
    return _used(made, failed, how, targets)


def _each(
    wanted: Sequence[_Wanted], make: Callable[[_Wanted], Named], progress: Progress
) -> tuple[dict[int, Named], list[tuple[str, str]]]:
    """What each of them gives, by its number, and what could not be made: (which region, why)."""
    made: dict[int, Named] = {}
    failed = []
    for k, one in enumerate(wanted):
        progress(0.9 * k / len(wanted))
        still_wanted()
        try:
            made[k] = make(one)
        except KernelError as error:
            failed.append((f"region {k + 1} of {one.profile.sketch}", str(error)))
        except Exception as error:
            if not by_kernel(error):
                raise
            failed.append((f"region {k + 1} of {one.profile.sketch}", "The kernel makes nothing of these numbers."))
    return made, failed


def edges_treated(
    target: Solid,
    keys: tuple[EdgeKey, ...],
    rule: str,
    of: str,
    kind: EdgeKind,
    size: float,
    feature: str,
    *,
    progress: Progress = no_progress,
) -> Made:
    """Edges rounded or bevelled: those named, and those of a rule; `of` is the feature whose edges alone are meant."""
    progress(0.0)
    body, says, numbers = _got(target), [], []
    for key in keys:
        found, by = body.find(key)
        if by == "lost":
            says.append(f"Gone: {edge_in_words(key.origin, key.faces)}.")
        elif by not in CERTAIN:
            says.append(f"{_capital(edge_in_words(key.origin, key.faces))} was found by its {_BY[by]}: look at it.")
        numbers += [k for k in found if k not in numbers]
    if rule:
        numbers += [k for k in body.true_edges if k not in numbers and _meant(body, k, rule, of)]
    if not numbers:
        raise KernelError(
            "None of the edges is there." if keys else "No edge is of that kind.", suggestion="Choose edges again."
        )
    done = treated(body, numbers, kind, size, feature)
    if not done.done:
        raise KernelError(f"No edge could be done: {done.failed[0][1]}" if len(numbers) > 1 else done.failed[0][1])
    return Made((_out(done.body),), (f"{done.done} of {len(numbers)} edges.", *says), tuple(done.failed))


def views_read(
    shapes: tuple[Shape2d, ...],
    hidden: tuple[bool, ...],
    names: tuple[str, ...],
    tolerance: float,
    methods: tuple[Method, ...],
    boxes: tuple[tuple[Role, Box], ...],
    left_out: tuple[str, ...],
    *,
    progress: Progress = no_progress,
) -> Reading:
    """What the views of a drawing show."""
    return read_views(shapes, hidden, Wishes(tolerance, methods, boxes, left_out, names), progress=progress)


def figures(target: Solid, *, progress: Progress = no_progress) -> Figures:
    """What is known of a solid."""
    progress(0.0)
    named = _got(target)
    return figures_of(named.shape, len(named.true_edges))


def moved(target: Solid, rows: Rows, feature: str, *, progress: Progress = no_progress) -> Made:
    """A body placed elsewhere or scaled; a copy, where a feature is named, under names of its own."""
    progress(0.0)
    body = placed(_got(target), rows)
    if feature:
        body = renamed(body, lambda name: (feature, *name))
    return Made((_out(body),))


def joined(
    targets: tuple[Solid, ...], how: Combining, tools: tuple[Solid, ...], *, progress: Progress = no_progress
) -> Made:
    """Bodies combined into one."""
    progress(0.0)
    return Made((_out(combined(how, [_got(t) for t in targets], [_got(t) for t in tools])),))


def meshes(
    targets: tuple[Solid, ...], deflection: float, angle: float, *, progress: Progress = no_progress
) -> list[Mesh]:
    """Triangles and lines of solids."""
    found = []
    for k, target in enumerate(targets):
        progress(k / len(targets))
        still_wanted()
        found.append(mesh_of(_got(target), deflection, angle))
    return found


def view_lines(
    targets: tuple[Solid, ...], views: tuple[ViewOf, ...], *, progress: Progress = no_progress
) -> list[list[tuple[Shape2d, bool]]]:
    """The lines of bodies together from each side, and whether each is seen; by triangles where the exact way fails."""
    shape = together([_got(t).shape for t in targets])
    found = []
    for k, view in enumerate(views):
        progress(k / len(views))
        try:
            lines = guarded(partial(lines_of_view, shape, view, True), _VIEW_SECONDS)
        except KernelError:
            lines = guarded(partial(lines_of_view, shape, view, False), 2 * _VIEW_SECONDS)
        found.append([(line.shape, line.visible) for line in lines])
    return found


def section_lines(
    targets: tuple[Solid, ...], view: ViewOf, at: float, *, progress: Progress = no_progress
) -> tuple[list[tuple[Shape2d, bool]], Floats]:
    """The lines of bodies cut through, and triangles of where they were cut; see `section_of`."""
    progress(0.0)
    bodies = [_got(t) for t in targets]
    try:
        lines, cut = guarded(partial(section_of, bodies, view, at, True), _VIEW_SECONDS)
    except KernelError as error:
        if "beside all bodies" in error.sentence:
            raise
        lines, cut = guarded(partial(section_of, bodies, view, at, False), 2 * _VIEW_SECONDS)
    return [(line.shape, line.visible) for line in lines], cut


def details(target: Solid, *, progress: Progress = no_progress) -> Details:
    """The faces and edges of a solid."""
    progress(0.0)
    return details_of(_got(target))


def distance(
    one: Solid,
    kind: str,
    number: int,
    other: Solid,
    other_kind: str,
    other_number: int,
    *,
    progress: Progress = no_progress,
) -> float:
    """The least distance between two faces or edges (mm), by their kinds and numbers."""
    progress(0.0)
    return apart(_part(one, kind, number), _part(other, other_kind, other_number))


def _part(solid: Solid, kind: str, number: int) -> Shape:
    named = _got(solid)
    return (named.faces if kind == "face" else named.edges)[number]


def step_bytes(
    bodies: tuple[tuple[str, Solid, int], ...],
    unit: StepUnit,
    protocol: Protocol,
    *,
    progress: Progress = no_progress,
) -> tuple[bytes, tuple[str, ...]]:
    """A STEP file of bodies as (name, solid, colour), and what is to be told of it."""
    progress(0.0)
    with tempfile.TemporaryDirectory(prefix="syntaxa-step-") as folder:
        path = Path(folder) / "bodies.step"
        given = [(name, _got(solid), colour) for name, solid, colour in bodies]
        write_step(str(path), given, unit, protocol)
        notes = _read_again(given, read_step(str(path)))
        return path.read_bytes(), notes


# ------------------------------------------------------------------ within

#: Share of the volume by which a body may differ after it was written and read again: unsaid, and at all. Where edges
#: of a drawing meet with a kink of rounding, what is bevelled there is held together by tolerances, and no two readers
#: agree on it to the last digit.
_AS_WRITTEN, _NOT_AS_WRITTEN = 1e-9, 1e-4


def _read_again(given: Sequence[tuple[str, Named, int]], found: Sequence[tuple[str, Named]]) -> tuple[str, ...]:
    """What is to be told of a file that was read again; raises KernelError where it does not hold what was written."""
    volumes = {name: volume_of(named.shape) for name, named in found}
    notes = []
    for name, named, _ in given:
        volume = volume_of(named.shape)
        off = abs(volumes.get(name, 0.0) - volume) / abs(volume)
        if off > _NOT_AS_WRITTEN:
            raise KernelError(
                f"“{name}” is not the same when its STEP file is read again, so nothing was written.",
                suggestion="Give it a plain name, or write STL.",
            )
        if off > _AS_WRITTEN:
            notes.append(f"{name}: read again, its volume differs by {off:.1e} of itself, where edges nearly meet.")
    return tuple(notes)


_BY = {"origin, changed": "origin, though what is round it has changed", "place": "place alone", "pieces": "pieces"}


def _lifted(lift: Lift, feature: str) -> Named:
    if lift.draft:
        return leaning(lift.profile, lift.frame, lift.low, lift.high, lift.draft, feature)
    return prism(lift.profile, lift.frame, lift.low, lift.high, feature)


def _used(
    made: dict[int, Named], failed: Sequence[tuple[str, str]], how: Combining | None, targets: tuple[Solid, ...]
) -> Made:
    """What was made, as bodies of its own or combined with the targets."""
    if not made:
        raise KernelError(failed[0][1])
    if how is None:
        return Made(tuple(_out(m) for m in made.values()), failed=tuple(failed), of=tuple(made))
    bodies, tools = [_got(t) for t in targets], list(made.values())
    groups = [bodies] if how == "add" else [[b] for b in bodies]
    return Made(tuple(_out(combined(how, group, tools)) for group in groups), failed=tuple(failed))


def _single(named: Named) -> Named:
    """The solid itself where a compound holds only one."""
    solids = solids_in(named.shape)
    if len(solids) != 1 or named.shape.IsSame(solids[0]):
        return named
    out = Named(solids[0])
    for k, name in named.face_names.items():
        out.name_face(named.faces[k], name)
    for k, name in named.edge_names.items():
        out.name_edge(named.edges[k], name)
    return out


def _meant(body: Named, k: int, rule: str, of: str) -> bool:
    origin = body.edge_names.get(k, ())
    if of and of not in ([origin[0]] if origin else [name[0] for name in body.pair(k)]):
        return False
    if rule == "risen":
        return bool(origin) and origin[1] == "rise" and bend_of(body, k) != 0
    if rule == "rims":
        return bool(origin) and origin[1] in ("low", "high", "first", "last")
    if rule == "upright":
        return is_upright(body, k) and bend_of(body, k) != 0
    bend = bend_of(body, k)
    return bend == {"convex": 1, "concave": -1}[rule] if rule in ("convex", "concave") else bend != 0


def _got(solid: Solid) -> Named:
    found = _KEPT.get(solid.digest)
    if found is None:
        found = unpacked(solid)
        _keep(solid.digest, found)
    else:
        _KEPT.move_to_end(solid.digest)
    return found


def _keep(digest: str, named: Named) -> None:
    _KEPT[digest] = named
    while len(_KEPT) > _MOST_KEPT:
        _KEPT.popitem(last=False)


def _out(named: Named) -> tuple[Solid, Figures]:
    named = _single(named)
    solid = packed(named)
    _keep(solid.digest, named)
    return solid, figures_of(named.shape, len(named.true_edges))


def _capital(words: str) -> str:
    return f"{words[0].upper()}{words[1:]}"
