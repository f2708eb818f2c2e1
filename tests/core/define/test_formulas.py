"""Values and formulas: known answers, units, refusals; nothing is run as code."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.define.formulas import Quantity, angle_of, evaluated, length_of, renamed, value_of
from syntaxa.define.variants import Variant, table_of, variants_in
from syntaxa.errors import DefineError, SyntaxaError

KNOWN = {"width": Quantity(100.0, 1), "tilt": Quantity(math.radians(30), 0, 1)}


@pytest.mark.parametrize(
    ("text", "mm"),
    [("150", 150.0), ("6in", 152.4), ("width/2 - 3mm", 47.0), ("1 3/8in", 34.925), ("2 ft", 609.6), ('8"', 203.2),
     ("sqrt(3mm*3mm + 4mm*4mm)", 5.0), ("max(width, 4in)", 101.6), ("-(-3)", 3.0),
     ("width * cos(tilt)", 50 * math.sqrt(3)),
     ("width*sin(30)", 50.0), ("2^3 * 1mm", 8.0), ("1.5e2", 150.0), ("2(3)", None), ("", None), ("width^2", None),
     ("tilt", None), ("3mm + 2deg", None), ("1/0", None), ("((((1", None), ("nothing", None), ("sqrt(width)", None),
     ("__import__('os')", None), ("9^99", None), ("1" * 501, None), ("-" * 60 + "1", None),
     ("(" * 60 + "1" + ")" * 60, None)],
)  # fmt: skip
def test_lengths(text: str, mm: float | None) -> None:
    if mm is None:
        with pytest.raises(DefineError):
            length_of(value_of(text, KNOWN), text)
    else:
        assert length_of(value_of(text, KNOWN), text) == pytest.approx(mm, rel=1e-14)


@pytest.mark.parametrize(
    ("text", "degrees"), [("30", 30.0), ("30deg", 30.0), ("30°", 30.0), ("tilt*2", 60.0), ("atan2(1, 1)", 45.0),
                          ("pi rad", None),
                          ("0.5rad", math.degrees(0.5)), ("tilt + 15", 45.0), ("width", None)]
)  # fmt: skip
def test_angles(text: str, degrees: float | None) -> None:
    if degrees is None:
        with pytest.raises(DefineError):
            angle_of(value_of(text, KNOWN), text)
    else:
        assert math.degrees(angle_of(value_of(text, KNOWN), text)) == pytest.approx(degrees, rel=1e-13)


def test_a_ring_of_formulas_is_told_by_its_names() -> None:
    with pytest.raises(
        DefineError, match=r"a needs b needs c needs a|b needs c needs a needs b|c needs a needs b needs c"
    ):
        evaluated({"a": "b + 1", "b": "c", "c": "a", "d": "2"})


def test_what_a_name_is_counts_where_it_is_used() -> None:
    with pytest.raises(DefineError, match="adds a length and an angle"):
        evaluated({"d1": "50", "d2": "30", "sum": "d1 + d2"}, kinds={"d1": "length", "d2": "angle"})
    found = evaluated({"half": "d1 / 2", "d1": "50"}, kinds={"d1": "length"})
    assert found["half"] == Quantity(25.0, 1)


def test_a_name_is_changed_where_it_stands_alone() -> None:
    assert renamed("w + width*w_2 - (w)", "w", "wide") == "wide + width*w_2 - (wide)"


@given(st.text(max_size=40))
def test_whatever_is_typed_is_a_value_or_a_sentence(text: str) -> None:
    try:
        value = value_of(text, KNOWN)
    except SyntaxaError as error:
        said = str(error)
    else:
        said = "." * math.isfinite(value.size)
    assert said.endswith(".")


@given(st.recursive(st.integers(1, 99).map(str), lambda inner: st.tuples(inner, st.sampled_from("+-*"), inner).map(
    lambda t: f"({t[0]} {t[1]} {t[2]})"), max_leaves=8))  # fmt: skip
def test_sums_are_what_they_are_everywhere(text: str) -> None:
    assert value_of(text).size == eval(text)


def test_tables_of_variants_are_read_in_the_ways_they_are_written() -> None:
    wanted = (Variant("small", (("d1", "100"), ("w", "2in"))), Variant("large size", (("d1", "200"),)))
    for sign in ",;\t":
        rows = (("variant", "d1", "w"), ("small", "100", "2in"), ("", "", ""), ("large size", "200", ""))
        assert variants_in("\r\n".join(sign.join(r) for r in rows).encode("utf-8-sig"), "t.csv") == wanted
    assert variants_in(table_of(wanted).encode(), "t.csv") == wanted


@pytest.mark.parametrize(
    "data", [b"", b"variant\na\n", b"\xff\xfe", b"v,d1\n,5\n", b"v,d1\na b,1\na-b,2\n", b"v,d1\na,1,2,3\n"]
)
def test_tables_that_are_none_are_told(data: bytes) -> None:
    with pytest.raises(DefineError):
        variants_in(data, "t.csv")
