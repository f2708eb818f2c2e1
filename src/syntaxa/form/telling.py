"""What the ledger says of features, and how they are kept."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from syntaxa.drawing.state import Entry, State
from syntaxa.form.model import Made
from syntaxa.form.part import Feature, Formed

#: Places behind the point, from cubic millimetres on.
_FROM_CM3 = 1000.0


def volume_in_words(volume: float) -> str:
    """A volume as the ledger tells it."""
    if not volume:
        return "0"
    if abs(volume) < _FROM_CM3:
        return f"{volume:.3f} mm³"
    return f"{volume / 1000.0:,.3f} cm³"


def told(
    state: State, part: Formed, name: str, kind: str, made: Made | None = None, says: Sequence[str] = ()
) -> tuple[State, Entry]:
    """The state with what was made, the volume before and after it in the ledger, and what could not be done."""
    before, after = state.part(Formed).volume, part.volume
    failed = made.failed if made is not None else ()
    words = [f"Volume {volume_in_words(before)} → {volume_in_words(after)}."]
    words += [*says, *(made.says if made is not None else ())]
    words += [f"Not done, {edge}: {why}" for edge, why in failed[:3]]
    if len(failed) > 3:
        words.append(f"{len(failed) - 3} more could not be done.")
    lumps = [b.name for b in part.bodies if b.figures.lumps > 1 and b not in state.part(Formed).bodies]
    words += [f"{name} is in {part.body(name).figures.lumps} pieces now." for name in lumps]
    told_of = " ".join(words)
    feature = Feature(name, kind, told_of, before, after, failed)
    changed = sum(b not in state.part(Formed).bodies for b in part.bodies)
    return state.with_part(replace(part, features=(*part.features, feature))), Entry(changed, says=told_of)
