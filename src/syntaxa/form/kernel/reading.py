"""Views read as a solid: the hull of the silhouettes less what lies before each region, judged by its own views.

Each reading is projected again and compared with the drawing (`judging`): that score decides between depths, methods
and views that were turned over, and is told.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from syntaxa.errors import Progress, no_progress
from syntaxa.form.folding.depths import hidden_in, seen_in
from syntaxa.form.folding.finding import clusters_of, named_clusters, pairing_named, pairings_of
from syntaxa.form.folding.laying import folded
from syntaxa.form.folding.model import ROLES, Depth, Folded, Method, Pairing, Proposal, Role, Seen, Slope
from syntaxa.form.folding.outlines import polygon, ring
from syntaxa.form.folding.reading import DOUBTFUL, FoundView, Reading
from syntaxa.form.folding.turning import Lathe, lathe_of
from syntaxa.form.kernel.combining import combined
from syntaxa.form.kernel.guarding import guarded
from syntaxa.form.kernel.judging import Judge
from syntaxa.form.kernel.names import Named
from syntaxa.form.kernel.packing import packed, unpacked
from syntaxa.form.kernel.raising import prism, turned
from syntaxa.form.model import Frame, Profile, Solid
from syntaxa.form.profiles import silhouettes_of
from syntaxa.form.refusal import KernelError
from syntaxa.geometry.shapes import TURN, Shape
from syntaxa.geometry.types import Box

_TOP = Frame()
_FRONT = Frame((0.0, 0.0, 0.0), (1.0, 0.0, 0.0), (0.0, 0.0, 1.0))
_SIDE = Frame((0.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0))

#: The plane in which u and v of a role are x and y, and whether its normal runs along the axis of depth.
_PLANES: dict[Role, tuple[Frame, bool]] = {
    "front": (_FRONT, False), "top": (_TOP, True), "bottom": (_TOP, True), "right": (_SIDE, True),
    "left": (_SIDE, True),
}  # fmt: skip

#: Scores: from here on a turned part is believed; two readings are about as good.
_TURNED, _CLOSE = 0.97, 0.05

#: By how much a trial must be better, of a depth and of what is hidden and open to the back.
_BETTER, _BETTER_BEHIND = 2e-3, 1e-3

#: Seconds that a trial may take, and how many there are at most.
_SECONDS, _TRIALS = 4.0, 20

#: Share of the outlines of a view below which one that cannot be raised is left out.
_CRUMB = 0.02

#: mm beyond the part that tools reach.
_BEYOND = 1.0

#: What a view that was turned over costs, and what the second method does where both are as good.
_OVER, _SECOND = 0.02, 1e-4

#: What a cut takes away: a region of a view, by its identity, between two depths or above a slope.
_Room = tuple[Role, int, float, float, Slope | None]


@dataclass
class _Tried:
    """A solid that was made of folded views, how well it explains them, and of what."""

    laid: Folded
    pairing: Pairing
    body: Named | None
    proposals: list[Proposal]
    score: float
    kind: str
    #: Makes it again of some of the proposals.
    remake: Callable[[list[Proposal]], tuple[Solid, float]] | None = None


@dataclass(frozen=True)
class Wishes:
    """How views are to be read.

    methods   that are tried, in order; boxes  views that were named by hand, each by its role
    left_out  keys of proposals that are not wanted; names  of the curves, for the keys
    """

    tolerance: float
    methods: tuple[Method, ...] = ("third", "first")
    boxes: tuple[tuple[Role, Box], ...] = ()
    left_out: tuple[str, ...] = ()
    names: tuple[str, ...] = ()


def read_views(
    shapes: Sequence[Shape], hidden: Sequence[bool], wishes: Wishes, *, progress: Progress = no_progress
) -> Reading:
    """The best reading of a drawing of several views, with what speaks for the method; raises KernelError."""
    tolerance, methods = wishes.tolerance, wishes.methods
    frame: tuple[int, ...] = ()
    if wishes.boxes:
        pairings, methods = [pairing_named(named_clusters(shapes, wishes.boxes))], ("third",)
    else:
        clusters, frame = clusters_of(shapes)
        pairings = pairings_of(clusters, tolerance)
    if not pairings:
        raise KernelError(
            f"{len(clusters)} picture{'s' if len(clusters) != 1 else ''} found, and no two share an extent.",
            suggestion="Take the views alone, or name them by boxes.",
        )
    tried: list[_Tried] = []
    likely = [p for p in pairings if p.score > pairings[0].score - 0.3][:2]
    for k, pairing in enumerate(likely):
        for j, method in enumerate(methods):
            progress(0.7 * (k * len(methods) + j) / (len(likely) * len(methods)))
            tried += _all_of(pairing, shapes, hidden, method, tolerance, _SECOND * j)
    tried.sort(key=_rank)
    if not tried or tried[0].body is None:
        raise KernelError("What the views show could not be put together.", suggestion="Name the views by boxes.")
    if tried[0].score < DOUBTFUL:
        progress(0.75)
        _improve([t for t in tried if t.score > tried[0].score - _CLOSE and t.kind != "turned"][:2], tolerance)
        tried.sort(key=_rank)
    return _told(tried, frame, wishes)


def _rank(one: _Tried) -> float:
    return -(one.score + 0.02 * one.pairing.score)


def _all_of(
    pairing: Pairing, shapes: Sequence[Shape], hidden: Sequence[bool], method: Method, tolerance: float, prior: float
) -> list[_Tried]:
    """The views as they stand, and with the one beside turned over where that agrees about as well."""
    choices = [folded(pairing, shapes, hidden, method, tolerance)]
    if pairing.upright is not None and pairing.beside is not None:
        other = folded(pairing, shapes, hidden, method, tolerance, mirrored=True)
        if other.agree > choices[0].agree - 0.1:
            choices.append(other)
    out = []
    for laid in choices:
        found = _lathe(laid, pairing, tolerance)
        if found is None or found.score < _TURNED:
            other_way = _prismatic(laid, pairing, tolerance, 0)
            found = max((f for f in (found, other_way) if f is not None), key=lambda f: f.score)
        found.score -= prior + (_OVER if laid.mirrored else 0.0)
        out.append(found)
    return out


def _improve(tried: list[_Tried], tolerance: float) -> None:
    """Other depths are tried for the likeliest readings only: a wrong one can use up any budget."""
    for one in tried:
        again = _prismatic(one.laid, one.pairing, tolerance, _TRIALS)
        cost = one.score
        if again.body is not None and again.score - (_OVER if one.laid.mirrored else 0.0) > cost:
            one.body, one.proposals, one.remake = again.body, again.proposals, again.remake
            one.score = again.score - (_OVER if one.laid.mirrored else 0.0)


def _told(tried: list[_Tried], frame: tuple[int, ...], wishes: Wishes) -> Reading:
    best = tried[0]
    if best.body is None:
        raise KernelError("What the views show could not be put together.")
    rest = [t.score for t in tried if t.laid.method != best.laid.method]
    proposals = [replace(p, key=_key(p, k, best.kind, wishes.names)) for k, p in enumerate(best.proposals)]
    solid, score = packed(best.body), best.score
    left = [p for p in proposals if p.key not in wishes.left_out]
    if len(left) < len(proposals) and best.remake is not None:
        solid, score = best.remake(left)
    pictures = [c for c in (best.pairing.front, best.pairing.upright, best.pairing.beside) if c is not None]
    size = best.laid.size
    return Reading(
        method=best.laid.method,
        score=min(score, 1.0),
        margin=best.score - max(rest) if rest else 1.0,
        views=tuple(FoundView(v.role, c.box, c.curves) for v, c in zip(best.laid.views, pictures, strict=True)),
        frame=frame,
        mirrored=best.laid.mirrored,
        size=(size[0], size[1], size[2]),
        proposals=tuple(proposals),
        solid=solid,
        kind=best.kind,
        asked=len(wishes.methods) > 1 and not wishes.boxes,
        named=bool(wishes.boxes),
        misfits=tuple(best.laid.misfits),
    )


def _key(one: Proposal, number: int, kind: str, names: tuple[str, ...]) -> str:
    """What a proposal goes by: its view, what becomes of it, and the curves round it, so that no number counts."""
    if kind == "turned" or not names:
        return f"{one.role} {one.use} {number}"
    bounds = sorted({names[int(c)] for c in one.profile.curves if c.isdigit()})
    return f"{one.role} {one.use} {'+'.join(bounds)}"


# ---------------------------------------------------------------------- turned


def _lathe(laid: Folded, pairing: Pairing, tolerance: float) -> _Tried | None:
    found = lathe_of(laid, tolerance)
    if found is None:
        return None
    proposals = [Proposal(found.side, p, 0.0, TURN, "turn", 1.0, "half profile") for p in found.profiles]
    proposals += [
        Proposal(found.end, ring(c, found.end), -_BEYOND, found.length + _BEYOND, "cut", 0.6, why)
        for c, why in found.holes
    ]

    judge = Judge(laid, tolerance)

    def remake(wanted: list[Proposal]) -> tuple[Solid, float]:
        got: tuple[Solid, float] = guarded(lambda: _turned(found, wanted, judge), 2 * _SECONDS)
        return got

    try:
        solid, score = remake(proposals)
    except KernelError:
        return None
    return _Tried(laid, pairing, unpacked(solid), proposals, score, "turned", remake)


def _turned(found: Lathe, wanted: list[Proposal], judge: Judge) -> tuple[Solid, float]:
    """The turned part of the proposals that are wanted, and how well it explains the views."""
    parts = [
        turned(p.profile, found.frame, ((0.0, 0.0), (1.0, 0.0)), (0.0, TURN), f"turned {k + 1}")
        for k, p in enumerate(w for w in wanted if w.use == "turn")
    ]
    if not parts:
        raise KernelError("Nothing is left of the part.")
    body = parts[0] if len(parts) == 1 else combined("add", parts[:1], parts[1:])
    holes = [
        _raised(h.role, h.profile, h.low, h.high, f"hole {k + 1}")
        for k, h in enumerate(w for w in wanted if w.use == "cut")
    ]
    body = combined("cut", [body], holes) if holes else body
    return packed(body), judge.score(body, exact=True)


# ---------------------------------------------------------------------- prismatic


def _raised(role: Role, profile: Profile, low: float, high: float, name: str) -> Named:
    """A region of a view between two coordinates of its axis of depth."""
    frame, along = _PLANES[role]
    return prism(profile, frame, *((low, high) if along else (-high, -low)), name)


def _prismatic(laid: Folded, pairing: Pairing, tolerance: float, trials: int) -> _Tried:
    keeps = [
        Proposal(view.role, outline, 0.0, laid.size[ROLES[view.role][2]], "keep", 1.0, "silhouette")
        for view in laid.views
        for outline in silhouettes_of(view.curves(False), view.role)
        if laid.size[ROLES[view.role][2]] > 0
    ]
    try:
        hull = _hull(laid, keeps)
    except KernelError:
        return _Tried(laid, pairing, None, [], 0.0, "prismatic")
    seen = [s for view in laid.views for s in seen_in(laid, view, tolerance)]
    depths = [s.depth for s in seen]
    maker = _Maker(laid, hull, tolerance)
    cuts = maker.cuts(seen, depths)
    try:
        best = maker.made(cuts)
    except KernelError:
        depths, cuts = [None] * len(seen), []
        best = maker.made([])
    if trials:
        depths, best = _searched(maker, seen, depths, best, trials)
        cuts = maker.cuts(seen, depths)
    best, cuts = _from_behind(maker, laid, tolerance, best, cuts)

    def remake(wanted: list[Proposal]) -> tuple[Solid, float]:
        hull = _hull(laid, [w for w in wanted if w.use == "keep"])
        return _Maker(laid, hull, tolerance).made([w for w in wanted if w.use == "cut"])

    return _Tried(laid, pairing, unpacked(best[0]), keeps + cuts, best[1], "prismatic", remake)


def _searched(
    maker: _Maker, seen: list[Seen], depths: list[Depth], best: tuple[Solid, float], trials: int
) -> tuple[list[Depth], tuple[Solid, float]]:
    """Other depths, tried where lines stay unexplained: the views themselves are the judge."""
    improved = True
    while improved and best[1] < DOUBTFUL and trials > 0:
        improved = False
        for i in sorted(range(len(seen)), key=lambda i: seen[i].profile.region.area):
            for depth in seen[i].others:
                if trials <= 0 or depth == depths[i]:
                    continue
                other = [*depths[:i], depth, *depths[i + 1 :]]
                cuts = maker.cuts(seen, other)
                if maker.has_made(cuts):
                    # Another depth, and yet the same is cut.
                    continue
                trials -= 1
                try:
                    got = maker.made(cuts, best[1] + _BETTER)
                except KernelError:
                    continue
                if got[1] > best[1] + _BETTER:
                    depths, best, improved = other, got, True
    return depths, best


def _from_behind(
    maker: _Maker, laid: Folded, tolerance: float, best: tuple[Solid, float], cuts: list[Proposal]
) -> tuple[tuple[Solid, float], list[Proposal]]:
    """What is hidden and open to the back; each is kept only where it explains more."""
    if not any(any(v.hidden) for v in laid.views) or best[1] > 1 - 1e-3:
        return best, cuts
    for view in laid.views:
        axis, high_eye = ROLES[view.role][2], ROLES[view.role][3]
        far = -_BEYOND if high_eye else laid.size[axis] + _BEYOND
        for one in hidden_in(laid, view, tolerance):
            if not isinstance(one.depth, float):
                continue
            low, high = sorted((one.depth, far))
            more = Proposal(view.role, one.profile, low, high, "cut", one.sure, one.why)
            try:
                got = maker.made([*cuts, more], best[1] + _BETTER_BEHIND)
            except KernelError:
                continue
            if got[1] > best[1] + _BETTER_BEHIND:
                best, cuts = got, [*cuts, more]
    return best, cuts


def _hull(laid: Folded, keeps: list[Proposal]) -> Named:
    """What lies within the silhouettes of all views."""
    hull = None
    for view in laid.views:
        parts = _outlines([k for k in keeps if k.role == view.role])
        if not parts:
            continue
        one = parts[0] if len(parts) == 1 else combined("add", parts[:1], parts[1:])
        hull = one if hull is None else combined("common", [hull], [one])
    if hull is None:
        raise KernelError("No view has a closed outline.")
    return hull


def _outlines(keeps: list[Proposal]) -> list[Named]:
    """Raised outlines of a view. Crumbs that cannot be raised are left out, and the score tells of it."""
    out = []
    whole = sum(k.profile.region.area for k in keeps)
    for n, one in enumerate(keeps):
        try:
            out.append(_raised(one.role, one.profile, one.low, one.high, f"{one.role} {n + 1}"))
        except KernelError:
            if one.profile.region.area > _CRUMB * whole:
                raise
    return out


class _Maker:
    """Makes solids of a hull and what is taken from it, and judges them; each in a fork, for a wrong trial can hang."""

    def __init__(self, laid: Folded, hull: Named, tolerance: float) -> None:
        self._laid, self._hull, self._tolerance = laid, hull, tolerance
        self._judge = Judge(laid, tolerance)
        self._known: set[frozenset[_Room]] = set()

    def cuts(self, seen: list[Seen], depths: list[Depth]) -> list[Proposal]:
        """What lies before each region, as far as its depth is known."""
        out = []
        for one, depth in zip(seen, depths, strict=True):
            axis, high_eye = ROLES[one.role][2], ROLES[one.role][3]
            size = self._laid.size[axis]
            near, far, out_of = (size, 0.0, _BEYOND) if high_eye else (0.0, size, -_BEYOND)
            if isinstance(depth, Slope):
                first = min(depth.w0, depth.w1) if high_eye else max(depth.w0, depth.w1)
                low, high = sorted((first, near + out_of))
                out.append(Proposal(one.role, one.profile, low, high, "cut", 0.9, "on a slope", depth))
            elif depth is not None and abs(depth - near) > self._tolerance:
                to = depth if abs(depth - far) > self._tolerance else far - out_of
                low, high = sorted((to, near + out_of))
                why = one.why if depth == one.depth else f"seen at {depth:.6g} mm, found by trying"
                out.append(Proposal(one.role, one.profile, low, high, "cut", one.sure, why))
        return out

    def has_made(self, cuts: list[Proposal]) -> bool:
        """Whether just this was cut before, or tried to be."""
        return _rooms(cuts) in self._known

    def made(self, cuts: list[Proposal], least: float = 0.0) -> tuple[Solid, float]:
        """The solid, and how well it explains the views; below the least that is wanted, that is not looked into."""

        self._known.add(_rooms(cuts))

        def work(exact: bool) -> tuple[Solid, float]:
            tools = [self._tool(c, k) for k, c in enumerate(cuts)]
            body = combined("cut", [self._hull], tools) if tools else self._hull
            return packed(body), self._judge.score(body, exact=exact, least=least)

        try:
            found: tuple[Solid, float] = guarded(lambda: work(True), _SECONDS)
        except KernelError:
            # By triangles it is slower as a rule, and never stuck.
            found = guarded(lambda: work(False), 2 * _SECONDS)
        return found

    def _tool(self, cut: Proposal, number: int) -> Named:
        name = f"{cut.role} cut {number + 1}"
        tool = _raised(cut.role, cut.profile, cut.low, cut.high, name)
        if cut.slope is None:
            return tool
        s, (_, _, axis, high_eye) = cut.slope, ROLES[cut.role]
        planes: tuple[Role, ...] = ("front", "top", "right")
        role = next(r for r in planes if set(ROLES[r][:2]) == {s.axis, axis})
        end = cut.high if high_eye else cut.low
        steep = (s.w1 - s.w0) / (s.a1 - s.a0)
        points = [
            (s.a0 - _BEYOND, s.w0 - steep), (s.a1 + _BEYOND, s.w1 + steep), (s.a1 + _BEYOND, end), (s.a0 - _BEYOND, end)
        ]  # fmt: skip
        if ROLES[role][0] != s.axis:
            points = [(w, a) for a, w in points]
        through = self._laid.size[ROLES[role][2]]
        wedge = _raised(role, polygon(points, role), -2 * _BEYOND, through + 2 * _BEYOND, f"{name} slope")
        return combined("common", [tool], [wedge])


def _rooms(cuts: list[Proposal]) -> frozenset[_Room]:
    return frozenset((c.role, id(c.profile), c.low, c.high, c.slope) for c in cuts)
