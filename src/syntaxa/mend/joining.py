"""The pieces drawn to their joints: ends moved, curves that are met off their carrier cut there and bent, bridges."""

from __future__ import annotations

from syntaxa import heart
from syntaxa.mend.joints import Joints
from syntaxa.mend.model import Pieces
from syntaxa.mend.neighbourhood import Neighbourhood


def joined(pieces: Pieces, near: Neighbourhood, joints: Joints) -> tuple[Pieces, Neighbourhood]:
    """The pieces with their ends drawn to the joints, and their neighbourhood.

    Arcs stay on their circle if they can, else they pass through their old middle.
    """
    known, order = heart.joined(near.known, pieces.order, joints)
    near = Neighbourhood.of(known, near.merge)
    return Pieces(near.curves, order, pieces.ids), near
