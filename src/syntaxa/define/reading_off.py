"""Reading off what holds in a sketch: candidates by how far ends would have to move, kept where they add something.

Kinds are added in order, each followed by solving. What is implied by what holds already, contradicts it or would move
something too far is taken out again; so nothing redundant is ever added.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from syntaxa.define.chance import meant, noise_of
from syntaxa.define.equations import Equations
from syntaxa.define.guesses import Guess, Looking
from syntaxa.define.meetings import coincident, midpoints, mirrored, on_curves
from syntaxa.define.model import Constraint, Named
from syntaxa.define.redundancy import said_again
from syntaxa.define.relations import add
from syntaxa.define.sketching import Model, Piece, model_of, pieces_of
from syntaxa.define.solving import solved
from syntaxa.define.unknowns import Round
from syntaxa.drawing.model import Curve
from syntaxa.geometry.types import Floats
from syntaxa.watching import still_wanted

#: Rounds of taking out what cannot stay, beyond which all that is new goes.
_MOST_ROUNDS = 60

#: Candidates that say how noisy a drawing is; where lines and centres give fewer, arcs are asked too.
_FEW = 4

#: Those that hardly ever nearly hold by chance: whatever lies within the limits is meant.
_PLAIN = frozenset(("level", "upright", "parallel", "perpendicular", "tangent", "concentric", "ring", "coincident"))


@dataclass(frozen=True, slots=True)
class Limits:
    """How far off something may be and still be read off: mm of end movement, and radians of a line."""

    level: float = 0.05
    angle: float = 0.01


@dataclass(frozen=True)
class ReadingOff:
    """What was read off a sketch.

    kept     what holds, in the order in which it was found
    noise    mm, how far off what is meant lies in this drawing
    x        where the first unknowns of the sketch are with it
    """

    kept: tuple[Constraint, ...]
    noise: float
    x: Floats


def read_off(
    sketch: str,
    curves: Sequence[Curve],
    limits: Limits = Limits(),
    known: Iterable[Constraint] = (),
) -> ReadingOff:
    """What holds in a sketch beside what is known to hold."""
    pieces = pieces_of(curves)
    work = _Work(sketch, curves, pieces, limits, list(known))
    noise = work.run()
    return ReadingOff(tuple(work.kept), noise, work.x)


class _Work:
    """A sketch on its way; known constraints come first, and are never taken out."""

    def __init__(self, sketch: str, curves: Sequence[Curve], pieces: Sequence[Piece], limits: Limits,
                 known: list[Constraint]) -> None:  # fmt: skip
        self._sketch, self._curves, self._pieces, self._limits = sketch, curves, pieces, limits
        self._known = known
        self.kept: list[Constraint] = []
        bare = model_of(curves, pieces)
        self._home = self.x = np.array(bare.system.x)
        self._settled([], [])

    def run(self) -> float:
        within = self._limits.level
        look = self._look()
        first = [*look.directions(within), *look.concentric(within)]
        if len(first) < _FEW:
            first += [*look.tangents(within), *look.radii(within)]
        noise = noise_of(first)
        for kinds in self._groups():
            still_wanted()
            look = self._look()
            fresh = [g for kind in kinds for g in kind(look, within)]
            plain = [g for g in fresh if g.kind in _PLAIN]
            doubtful = [g for g in fresh if g.kind not in _PLAIN]
            sure = [g for g, ok in zip(doubtful, meant(doubtful, noise), strict=True) if ok]
            self._add(look.model, [*plain, *sure])
        return noise

    @staticmethod
    def _groups() -> tuple[tuple[Callable[[Looking, float], list[Guess]], ...], ...]:
        return (
            (coincident,), (Looking.directions, Looking.tangents), (Looking.concentric, Looking.radii),
            (Looking.collinear,), (Looking.rings, Looking.rows), (Looking.centred,), (mirrored,), (midpoints,),
            (on_curves,), (Looking.aligned,), (Looking.lengths,),
        )  # fmt: skip

    def _look(self) -> Looking:
        return Looking(model_of(self._curves, self._pieces, self.x), self.x)

    def _add(self, model: Model, guesses: Sequence[Guess]) -> None:
        """Adds what can be added, the least off first."""
        new = [
            (Constraint(self._sketch, g.kind, g.things), g.off)
            for g in sorted(guesses, key=lambda g: (g.rank, g.off, g.kind, g.things))
        ]
        have = {c.key for c in (*self._known, *self.kept)}
        new = [(c, off) for c, off in new if c.key not in have and self._turns_little(model, c)]
        if new:
            self._settled([c for c, _ in new], [off for _, off in new])

    def _turns_little(self, model: Model, constraint: Constraint) -> bool:
        """Whether directions are turned by no more than the limit."""
        if constraint.kind not in ("level", "upright", "parallel", "perpendicular"):
            return True
        lines = [model.thing(n) for n in constraint.things]
        turn = model.system.x[lines[-1].t] - (model.system.x[lines[0].t] if len(lines) > 1 else 0.0)  # type: ignore[union-attr]
        quarter = np.pi / 2
        return bool(abs(turn - round(turn / quarter) * quarter) <= self._limits.angle)

    def _settled(self, new: list[Constraint], off: list[float]) -> None:
        """Takes in what of the new ones can stay, and solves with it."""
        for _ in range(_MOST_ROUNDS):
            firm = [*self._known, *self.kept]
            model = self._stated([*firm, *new])
            equations = Equations(model.system)
            bad = {k for k, _ in equations.clash}
            if not bad:
                done = solved(model.system, equations)
                bad = said_again(model.system, done.x, equations) if done.holds and (firm or new) else set()
                if not done.holds or (not bad and self._moved(model, done.x) > self._limits.level * 2):
                    bad = {len(firm) + k for k in self._hardest(model, done.x, new, off)} if new else set()
                if not {k for k in bad if k >= len(firm)}:
                    self.kept += new
                    if done.holds:
                        self.x = done.x[: len(self._home)]
                    return
            out = {k - len(firm) for k in bad if k >= len(firm)} or {len(new) - 1}
            new = [c for k, c in enumerate(new) if k not in out]
            off = [o for k, o in enumerate(off) if k not in out]
            if not new and not out - {-1}:
                return

    def _stated(self, constraints: Sequence[Constraint]) -> Model:
        model = model_of(self._curves, self._pieces, self.x)
        for k, c in enumerate(constraints):
            add(model.system, k, c.kind, [model.thing(n) for n in c.things])
        return model

    def _ends(self, model: Model) -> list[int]:
        """Numbers of the points that are no centres of arcs: those follow their ends, and how far says nothing."""
        follow = {t.c for t in model.things if isinstance(t, Round) and t.a is not None}
        return [k for k, spot in enumerate(model.system.spots) if spot not in follow]

    def _moved(self, model: Model, x: Floats) -> float:
        return float(self._moves(model, x).max(initial=0.0))

    def _moves(self, model: Model, x: Floats) -> Floats:
        spots = np.array([model.system.spots[k] for k in self._ends(model)], dtype=np.int64).reshape(-1, 2)
        return np.asarray(np.hypot(*(x[spots] - self._home[spots]).T))

    def _hardest(self, model: Model, x: Floats, new: Sequence[Constraint], off: Sequence[float]) -> set[int]:
        """At each curve whose point moved too far, the new constraint of largest deviation; else the largest of all."""
        ends, moves = self._ends(model), self._moves(model, x)
        far = {model.system.spots[ends[k]] for k in np.flatnonzero(moves > self._limits.level * 2).tolist()}
        worst: dict[Named, int] = {}
        for k, c in enumerate(new):
            for name in {n.at("") for n in c.things}:
                if name not in worst or off[k] > off[worst[name]]:
                    worst[name] = k
        at = {p.name for p, t in zip(model.pieces, model.things, strict=True)
              if t is not None and far & {t.a, t.b, getattr(t, "c", None)}}  # fmt: skip
        found = {worst[name] for name in at if name in worst}
        return found or {max(range(len(new)), key=lambda k: off[k])}
