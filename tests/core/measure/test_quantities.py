"""Lengths, factors and scales as people type them, against their definitions."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.drawing.quantities import degrees_in, factor_in, feet_and_inches, length_in, plain_number, scale_in
from syntaxa.drawing.units import MM_PER_UNIT
from syntaxa.errors import MeasureError


@pytest.mark.parametrize(
    ("text", "mm"),
    [
        # 25.4 mm to the inch and 0.3048 m to the foot, exactly (NIST SP 811, appendix B.8).
        ("1in", 25.4),
        ("1 ft", 304.8),
        ("2' 8 1/2\"", 32.5 * 25.4),
        ("2'-8 1/2\"", 32.5 * 25.4),
        ("2'8", 32 * 25.4),
        ("3/8in", 9.525),
        ("1 1/2 in", 38.1),
        ("12mm", 12.0),
        ("0.3048 m", 304.8),
        # 96 px to the inch (CSS Values and Units 3, 6.2) and 72 pt to the inch (ISO 32000-1, 8.3.2.3).
        ("96px", 25.4),
        ("72 pt", 25.4),
        ("12,5 mm", 12.5),
        ("-3/8in", -9.525),
        ("1in + 2mm", 27.4),
        ("(1/2 + 1/4) in", 19.05),
        ("3 * 10mm", 30.0),
        ("10mm / 4", 2.5),
    ],
)
def test_lengths_with_a_unit_are_what_they_say(text, mm):
    assert length_in(text, "cm") == pytest.approx(mm, rel=1e-14)


@given(st.floats(0.001, 1e6), st.sampled_from(sorted(MM_PER_UNIT)))
def test_a_plain_number_is_in_the_unit_of_the_field(value, unit):
    assert length_in(f"{value:.12f}", unit) == pytest.approx(value * MM_PER_UNIT[unit], rel=1e-6, abs=1e-9)


@given(st.integers(0, 99), st.integers(0, 11), st.integers(0, 63))
def test_feet_inches_and_sixty_fourths_are_read_as_they_are_written(feet, inches, part):
    text = f"{feet}' {inches} {part}/64\"" if inches else f"{feet}' {part}/64\""
    assert length_in(text, "mm") == pytest.approx((12 * feet + inches + part / 64) * 25.4, rel=1e-12, abs=1e-12)


@given(st.floats(-1e6, 1e6))
def test_feet_and_inches_are_read_back_as_they_were_written(mm):
    """Within 0.0005 in for a fraction of an inch, and 0.00005 in for decimals."""
    assert length_in(feet_and_inches(mm), "in") == pytest.approx(mm, abs=5.1e-4 * 25.4)


@pytest.mark.parametrize(
    ("mm", "text"),
    [
        (0.0, '0"'), (25.4, '1"'), (304.8, "1' 0\""), (32.5 * 25.4, "2' 8 1/2\""), (-9.525, '-3/8"'),
        (25.4 / 64, '1/64"'), (10.0, '0.3937"'), (12.0 * 25.4 - 1e-9, "1' 0\""), (100 * 25.4, "8' 4\""),
        (11.99996 * 25.4, "1' 0\""), (1000.0, "3' 3.3701\""),
    ],
)  # fmt: skip
def test_feet_and_inches_as_a_shop_writes_them(mm, text):
    assert feet_and_inches(mm) == text


@given(st.floats(allow_nan=False, allow_infinity=False))
def test_a_plain_number_never_has_a_power_of_ten(value):
    text = plain_number(value)
    assert "e" not in text.lower()
    assert float(text) == pytest.approx(value, rel=1e-8, abs=0)


@pytest.mark.parametrize(
    ("text", "value"),
    [
        ("25.4", 25.4),
        ("40/96", 40 / 96),
        ("1/48", 1 / 48),
        ("10in/254mm", 1.0),
        ("2 x 3", 6.0),
        ("200/116.5", 200 / 116.5),
        ("200.5/116", 200.5 / 116),
        ("2e-3", 0.002),
        ("-(1+1)*2", -4.0),
    ],
)
def test_factors_can_be_typed_as_expressions(text, value):
    assert factor_in(text) == pytest.approx(value, rel=1e-14)


@pytest.mark.parametrize(
    ("text", "times"),
    # A quarter inch to the foot is 1:48, for a foot has 48 quarters of an inch.
    [("1:5", 5.0), ("2:1", 0.5), ("1/4in = 1ft", 48.0), ("1/4\" = 1'", 48.0), ("1 in = 4 ft", 48.0), ("1:2.5", 2.5)],
)
def test_drawing_scales_say_how_much_larger_the_thing_is(text, times):
    assert scale_in(text) == pytest.approx(times, rel=1e-14)


@pytest.mark.parametrize(
    "text", ["", "twice", "1/0", "3 4 5", "12 ells", "1mm*2mm", "1/3mm/0", "((((", "1mm 2mm", "1e5x"]
)
def test_what_makes_no_sense_is_refused_with_a_sentence(text):
    with pytest.raises(MeasureError, match=r"“|divides"):
        length_in(text, "mm")


def test_a_length_is_no_factor_and_a_number_no_scale():
    with pytest.raises(MeasureError, match="plain number"):
        factor_in("12mm")
    for text in ("5", "1:0", "1mm:2", "a:b"):
        with pytest.raises(MeasureError):
            scale_in(text)
    assert degrees_in("12.5°") == 12.5
    assert math.isclose(degrees_in("180/3"), 60)


def test_deep_brackets_end_in_a_sentence_and_not_in_a_fault():
    with pytest.raises(MeasureError):
        factor_in("(" * 5000 + "1")
