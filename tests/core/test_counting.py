"""Numbers of things in words: of every kind that is counted, a plural that is one."""

from __future__ import annotations

import pytest

from syntaxa.counting import counted, enumerated
from syntaxa.drawing.annotations import ANNOTATION_KINDS
from syntaxa.intake.report import CURVE_KINDS
from syntaxa.mend.model import FINDING_KINDS

#: From an English dictionary, what an s alone would get wrong.
BESIDE = {"hatch": "hatches"}


@pytest.mark.parametrize("kind", [*FINDING_KINDS, *CURVE_KINDS, *ANNOTATION_KINDS])
def test_one_and_several_of_every_kind(kind):
    one, several = counted(1, kind), counted(2, kind)
    assert one.startswith("1 ")
    assert several == f"2 {BESIDE.get(kind, one[2:] + 's')}"
    # Whatever is counted is a thing, not what it is like.
    assert not one.endswith(("closed", "plane", "construction"))


def test_several_kinds_one_after_the_other():
    assert enumerated([("gap", 1), ("speck", 0), ("hatch", 3)]) == "1 gap, 0 specks, 3 hatches"
    assert enumerated([]) == ""
