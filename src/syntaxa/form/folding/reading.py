"""What a drawing of several views was read as."""

from __future__ import annotations

from dataclasses import dataclass

from syntaxa.form.folding.model import Method, Misfit, Proposal, Role
from syntaxa.form.model import Solid
from syntaxa.geometry.types import Box

#: Below this score the depths are in doubt, and below this margin the method is: the user is asked. Every part that was
#: misread in `benchmarks/form.py` is below one of them, and so is one in twenty of those that were read rightly.
DOUBTFUL, UNDECIDED = 0.99, 0.02


@dataclass(frozen=True, slots=True)
class FoundView:
    """A view: from where it looks, its box on the sheet (mm), and the numbers of its curves."""

    role: Role
    box: Box
    curves: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Reading:
    """The best reading.

    score   how well the solid's own views are those that were drawn, 0 to 1
    margin  by how much the other method is worse
    frame   numbers of the curves of a frame and title block
    mirrored  whether the view beside the front view had to be turned over
    asked   whether both methods were tried
    named   whether the views were named by hand
    misfits what two views show at different places that is most likely one thing
    """

    method: Method
    score: float
    margin: float
    views: tuple[FoundView, ...]
    frame: tuple[int, ...]
    mirrored: bool
    size: tuple[float, float, float]
    proposals: tuple[Proposal, ...]
    solid: Solid
    kind: str
    asked: bool
    named: bool = False
    misfits: tuple[Misfit, ...] = ()

    @property
    def doubtful(self) -> bool:
        """Whether the depths are in doubt."""
        return self.score < DOUBTFUL

    @property
    def undecided(self) -> bool:
        """Whether the other method explains the views about as well."""
        return self.asked and self.margin < UNDECIDED

    @property
    def says(self) -> str:
        """What was found and why, in sentences."""
        views = ", ".join(v.role for v in self.views)
        agree = f"the part's own views agree with the drawing in {self.score:.1%} of their lines"
        found = f"view{'s' if len(self.views) != 1 else ''} {views}"
        if self.named:
            words = f"Found the {found}, as named: {agree}"
        elif self.asked:
            words = f"Found the {found} in {self.method} angle projection: read so, {agree}"
            words += f", read the other way in {max(self.score - self.margin, 0.0):.1%}" if self.margin < 1 else ""
        else:
            words = f"Found the {found} in {self.method} angle projection, as chosen; {agree}"
        words += "."
        if self.mirrored:
            words += " The view beside the front view is drawn turned over."
        if self.undecided:
            words += " Both methods explain the views: choose one."
        if self.doubtful:
            words += " Some depths are in doubt: look at them."
        return words
