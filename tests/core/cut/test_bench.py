"""The bench machine's reader: worked examples of RS274/NGC, and programs that make no sense.

The examples are after those of the NIST report on the RS274/NGC interpreter (Kramer, Proctor, Messina, NISTIR 6556,
2000), from memory and not looked up again.
"""

from __future__ import annotations

import math
import random

import pytest
from cutting import beamed, box, drawing, machine, prove
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.cut.bench import interpreter
from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.bench.judging import judge
from syntaxa.cut.library import plain_tool

HEAD = "G21 G90 G17 G91.1 F100\n"


def ends(text):
    return [m.end for m in played(HEAD + text).moves if m.kind in ("rapid", "feed")]


def only(text):
    return ends(text)[-1]


def test_an_arc_by_its_radius():
    """G17 G2 X10 Y15 R20 Z5 from a place goes clockwise to there, at most half a turn where R is positive."""
    (move,) = [m for m in played(HEAD + "G0 X0 Y0\nG2 X10 Y15 R20 Z5\nM2").moves if m.kind == "feed"]
    assert move.end == (10.0, 15.0, 5.0)
    assert math.dist((0, 0), move.centre) == pytest.approx(20)
    assert -math.pi <= move.sweep < 0


def test_an_arc_by_its_centre():
    """G17 G2 X10 Y16 I3 J4 Z9: the centre lies at 3, 4 from the start; a helix since Z changes."""
    (move,) = [m for m in played(HEAD + "G0 X7 Y7\nG2 X10 Y16 I3 J4 Z9\nM2").moves if m.kind == "feed"]
    assert move.centre == (10.0, 11.0)
    assert math.dist(move.end[:2], move.centre) == pytest.approx(5)
    assert move.end[2] == 9.0


def test_expressions():
    """#1 = [2 + 3 * [4 - 1]] is 11; functions take degrees; MOD, ** and ATAN as in the report."""
    assert only("#1=[2+3*[4-1]]\nG0 X#1")[0] == 11
    assert only("G0 X[2**3] Y[sin[30]]")[:2] == pytest.approx((8, 0.5))
    assert only("G0 X[atan[1]/[1]] Y[17 mod 5]")[:2] == pytest.approx((45, 2))
    assert only("G0 X[acos[0]] Y[1 and 0] Z[round[2.6]]") == pytest.approx((90, 0, 3))
    assert only("#3=15 #3=6\nG0 X#3")[0] == 6
    # All that a line sets holds from the next line on.
    assert ends("#3=15\n#3=6 G0 X#3")[-1][0] == 15


def test_a_drilling_cycle():
    """G81 X4 Y5 Z1.5 R2.8 from X1 Y2 Z3 in absolute mode: over the hole, down to 2.8, to 1.5, and back to 3 (G98)."""
    places = ends("G0 X1 Y2 Z3\nG90 G81 G98 X4 Y5 Z1.5 R2.8")
    assert places[1:] == [(4, 5, 3), (4, 5, 2.8), (4, 5, 1.5), (4, 5, 3)]


def test_a_drilling_cycle_that_repeats():
    """G91 G81 G98 X4 Y5 Z-0.6 R1.8 L3 from X1 Y2 Z3: three holes at 5 7, 9 12 and 13 17, from 4.8 down to 4.2."""
    places = ends("G0 X1 Y2 Z3\nG91 G81 G98 X4 Y5 Z-0.6 R1.8 L3")
    bottoms = [p for p in places if p[2] == pytest.approx(4.2)]
    assert bottoms == [pytest.approx((5, 7, 4.2)), pytest.approx((9, 12, 4.2)), pytest.approx((13, 17, 4.2))]


def test_pecks_and_dwells():
    read = played(HEAD + "G0 Z5\nG83 X1 Y1 Z-5 R1 Q2\nG80\nG82 X2 Y2 Z-1 R1 P1.5\nM2")
    assert [m.end[2] for m in read.moves if m.kind == "feed"] == [-1, -3, -5, -1]
    assert [m.seconds for m in read.moves if m.kind == "dwell"] == [1.5]


def test_units_offsets_and_relative_places():
    assert only("G20\nG0 X1")[0] == pytest.approx(25.4)
    assert only("G0 X10\nG92 X0\nG0 X5")[0] == 5
    assert only("G91\nG0 X1\nG0 X1")[0] == 2
    assert only("G90.1\nG0 X10 Y0\nG3 X0 Y10 I0 J0") == pytest.approx((0, 10, 0))


def test_arcs_in_other_planes_end_where_they_should():
    read = played(HEAD + "G0 X0 Y0 Z0\nG18 G2 X10 Z0 I5 K0\nM2")
    assert not read.problems
    assert read.moves[-2].end == pytest.approx((10, 0, 0), abs=1e-9)
    assert max(abs(math.hypot(m.end[0] - 5, m.end[2]) - 5) for m in read.moves if m.kind == "feed") < 1e-9


def test_subprograms_are_played():
    read = played(HEAD + "M98 P7 L3\nM30\nO7\nG91 G0 X1\nM99")
    assert read.ended
    assert read.moves[-2].end[0] == 3


def test_lines_with_a_slash_are_left_out_where_asked():
    assert len(played(HEAD + "/G0 X1\nG0 X2\nM2").moves) == 3
    assert len(played(HEAD + "/G0 X1\nG0 X2\nM2", skip=True).moves) == 2


@pytest.mark.parametrize(
    ("text", "kind", "says"),
    [
        ("G1 Xabc", "syntax", "number is missing"),
        ("G1 X1 X2", "syntax", "stands twice"),
        ("$H", "syntax", "no word"),
        ("(a (b)", "syntax", "comment"),
        ("G1 X1 (open", "syntax", "does not end"),
        ("G1 X[1/0]", "syntax", "/"),
        ("G1 X[sqrt[-1]]", "syntax", "SQRT"),
        ("G0 G1 X1", "syntax", "exclude"),
        ("G2 X1 Y1", "arc", "neither a radius"),
        ("G2 X1 Y1 I5 J9", "arc", "from its centre"),
        ("G2 X100 Y0 R1", "arc", "too small"),
        ("G2 X0 Y0 R5", "arc", "where it begins"),
        ("G0 X1000000000", "value", "kilometre"),
        ("G1 X99999999999", "syntax", "too large"),
        ("F0\nG1 X5", "feed", "no feed"),
        ("F-3", "syntax", "less than 0"),
        ("G81 X1 Y1", "cycle", "how deep"),
        ("G83 X1 Y1 Z-1 R1", "cycle", "peck"),
        ("G81 X1 Z5 R1", "cycle", "below"),
        ("M98 P99", "call", "O99"),
        ("T1.5 M6", "syntax", "not whole"),
        ("M3 M5", "syntax", "two things"),
        ("#0=1", "syntax", "parameter"),
        ("G4", "syntax", "how long"),
        ("G2 I1 J0 X0 Y0 R3", "arc", "both"),
        ("G93 G1 X1", "feed", "how long"),
        ("[" * 60, "syntax", ""),
        ("G1 X" + "[" * 60 + "1" + "]" * 60, "syntax", "brackets"),
    ],
)
def test_what_cannot_be_played_is_a_sentence(text, kind, says):
    read = played(HEAD + "G0 X0 Y0\n" + text + "\nM2")
    (problem,) = [p for p in read.problems if p.kind == kind][:1]
    assert says in problem.says
    assert problem.says.startswith("Line ")
    assert read.ended


def test_words_that_mean_nothing_are_listed_and_the_rest_is_played():
    read = played(HEAD + "M62 P1\nG187 P2\nG0 X5 A90\nG1 X5E308\nM2")
    assert [w for _, w in read.not_understood] == ["M62", "G187", "A90", "E308"]
    assert read.moves[-2].end[0] == 5


def test_calls_without_end_are_stopped(monkeypatch):
    read = played(HEAD + "M98 P1\nM30\nO1\nM98 P1\nM99")
    assert [p.kind for p in read.problems] == ["call"]
    monkeypatch.setattr(interpreter, "MOST_LINES", 20_000)
    loops = played(HEAD + "M98 P1 L9999\nM30\n" + "O1\n" + "M98 P2 L9999\nM99\nO2\nG91 G0 X0.001\nM99")
    assert {p.kind for p in loops.problems} == {"limit"}


def test_more_lines_than_anyone_writes_are_bounded(monkeypatch):
    monkeypatch.setattr(interpreter, "MOST_LINES", 1000)
    monkeypatch.setattr(interpreter, "MOST_MOVES", 500)
    read = played(HEAD + "G1 X1 Y1\n" * 5000)
    assert len(read.moves) <= 500
    assert read.problems[-1].kind == "limit"
    short = played(HEAD + "(nothing)\n" * 5000)
    assert short.lines == 1000
    assert short.problems[-1].kind == "limit"


@given(st.text(max_size=400))
def test_any_text_gives_moves_or_sentences(text):
    read = played(text)
    assert all(p.says.endswith(".") for p in read.problems)
    assert all(math.isfinite(v) for m in read.moves for v in (*m.start, *m.end, m.sweep))


@pytest.mark.parametrize("seed", range(200))
def test_damaged_programs_are_played_and_judged(seed):
    """A good program with bytes dropped, doubled or changed: a verdict, never a fault."""
    done = _good()
    rng = random.Random(seed)
    text = list(done.text)
    for _ in range(rng.randint(1, 12)):
        k = rng.randrange(len(text))
        text[k] = rng.choice(["", text[k] * 2, rng.choice("GXYZIJRFMT0123456789.-+[]#(/;% \n")])
    read = played("".join(text))
    verdict = judge(read, dict(done.tools), done.machine, done.target)
    assert verdict.seconds >= 0
    assert all(f.says for f in verdict.found)


_MADE = []


def _good():
    if not _MADE:
        _MADE.append(prove(beamed(drawing(box("OUT", 0, 0, 40, 30)), decimals=3)))
    return _MADE[0]


@pytest.mark.parametrize("text", ["", "\n\n", "%", "M2", "hello", "\x00\x01", "G" * 5000])
def test_next_to_nothing_is_judged_as_well(text):
    own = machine("laser")
    verdict = judge(played(text), {1: plain_tool(own, 0.2)}, own)
    assert verdict.cut == 0.0
