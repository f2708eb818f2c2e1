"""What the kernel's process can do: each function takes solids as bytes and gives solids as bytes.

Solids that were worked on last are kept as they are, under their digests. `asking.py` calls these through the process.
"""

from __future__ import annotations

import tempfile
from collections import OrderedDict
from collections.abc import Sequence
from pathlib import Path

from syntaxa.errors import Progress, no_progress
from syntaxa.form.kernel.combining import Combining, combined
from syntaxa.form.kernel.exchange import Protocol, StepUnit, read_step, write_step
from syntaxa.form.kernel.leaning import leaning
from syntaxa.form.kernel.looking import bend_of, details_of, is_upright
from syntaxa.form.kernel.measuring import figures_of, solids_in
from syntaxa.form.kernel.meshing import mesh_of
from syntaxa.form.kernel.names import CERTAIN, Named, renamed
from syntaxa.form.kernel.packing import packed, unpacked
from syntaxa.form.kernel.placing import Rows, placed
from syntaxa.form.kernel.raising import prism, turned
from syntaxa.form.kernel.rounding import EdgeKind, edge_in_words, treated
from syntaxa.form.model import Details, EdgeKey, Figures, Lift, Made, Mesh, Name, Solid, Spin
from syntaxa.form.refusal import KernelError
from syntaxa.watching import still_wanted

#: Solids that are kept as they are.
_MOST_KEPT = 256

_KEPT: OrderedDict[str, Named] = OrderedDict()


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
    made: dict[int, Named] = {}
    failed = []
    for k, lift in enumerate(lifts):
        progress(0.9 * k / len(lifts))
        still_wanted()
        try:
            made[k] = _lifted(lift, feature)
        except KernelError as error:
            failed.append((f"region {k + 1} of {lift.profile.sketch}", str(error)))
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
    made: dict[int, Named] = {}
    failed = []
    for k, spin in enumerate(spins):
        progress(0.9 * k / len(spins))
        still_wanted()
        try:
            made[k] = turned(spin.profile, spin.frame, spin.axis, spin.sweep, feature)
        except KernelError as error:
            failed.append((f"region {k + 1} of {spin.profile.sketch}", str(error)))
    return _used(made, failed, how, targets)


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
    return Made((_out(_single(combined(how, [_got(t) for t in targets], [_got(t) for t in tools]))),))


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


def details(target: Solid, *, progress: Progress = no_progress) -> Details:
    """The faces and edges of a solid."""
    progress(0.0)
    return details_of(_got(target))


def step_bytes(
    bodies: tuple[tuple[str, Solid, int], ...],
    unit: StepUnit,
    protocol: Protocol,
    *,
    progress: Progress = no_progress,
) -> bytes:
    """A STEP file of bodies as (name, solid, colour)."""
    progress(0.0)
    with tempfile.TemporaryDirectory(prefix="syntaxa-step-") as folder:
        path = Path(folder) / "bodies.step"
        write_step(str(path), [(name, _got(solid), colour) for name, solid, colour in bodies], unit, protocol)
        return path.read_bytes()


def step_figures(data: bytes, *, progress: Progress = no_progress) -> list[tuple[str, Figures, tuple[Name, ...]]]:
    """What a STEP file holds: each body by its name, its figures and the names of its faces."""
    progress(0.0)
    with tempfile.TemporaryDirectory(prefix="syntaxa-step-") as folder:
        path = Path(folder) / "bodies.step"
        path.write_bytes(data)
        return [
            (name, figures_of(named.shape, len(named.true_edges)), tuple(named.face_names.values()))
            for name, named in read_step(str(path))
        ]


# ------------------------------------------------------------------ within

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
    return Made(tuple(_out(_single(combined(how, group, tools))) for group in groups), failed=tuple(failed))


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
    if of and (not origin or origin[0] != of):
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
    solid = packed(named)
    _keep(solid.digest, named)
    return solid, figures_of(named.shape, len(named.true_edges))


def _capital(words: str) -> str:
    return f"{words[0].upper()}{words[1:]}"
