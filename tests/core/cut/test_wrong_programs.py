"""Programs that are wrong on purpose, a hundred kinds and more: each is caught; and good ones raise nothing."""

from __future__ import annotations

import dataclasses
import math
import re
from functools import cache

import msgspec
import numpy as np
import pytest
import shapely
from cutting import (
    TOOLS,
    beamed,
    box,
    bracket,
    circle,
    closed,
    drawing,
    machine,
    made_up_part,
    milled,
    operations,
    prove,
    rounded,
)
from regions import as_polygon

from syntaxa.cut.bench.interpreter import played
from syntaxa.cut.bench.judging import judge
from syntaxa.cut.bench.verdict import plain_figure
from syntaxa.cut.contours import contours_of
from syntaxa.cut.model import KeepOut, Operation, Pick, Place, Settings, Stock
from syntaxa.cut.part import Planned


def plate():
    return drawing(
        rounded("OUT", 0, 0, 120, 70, 9),
        rounded("SLOT", 20, 20, 40, 15, 5),
        circle("H1", 85, 20, 6),
        circle("H2", 95, 50, 9),
    )


@cache
def good(kind):
    if kind == "mill":
        return prove(milled(bracket(), *operations()))
    return prove(beamed(plate(), decimals=4))


def judged(kind, text):
    done = good(kind)
    return judge(played(text), dict(done.tools), done.machine, done.target)


def caught(kind, text):
    """The kinds of what is wrong with a program that should do what the good one does."""
    assert text != good(kind).text, "the program was not changed"
    return {f.kind for f in judged(kind, text).wrong}


def lines_with(kind, pattern, over="."):
    """Numbers of lines that match, between the first that matches another pattern and the end."""
    lines = good(kind).text.splitlines()
    begin = next(n for n, line in enumerate(lines) if re.search(over, line))
    return [n for n in range(begin, len(lines)) if re.search(pattern, lines[n])]


def changed(kind, number, pattern, by):
    lines = good(kind).text.splitlines()
    lines[number] = re.sub(pattern, by, lines[number], count=1)
    return "\n".join(lines)


def without(kind, *numbers):
    return "\n".join(line for n, line in enumerate(good(kind).text.splitlines()) if n not in numbers)


def some(numbers, count):
    """Some of many, evenly."""
    return [numbers[int(k)] for k in np.linspace(0, len(numbers) - 1, min(count, len(numbers)))]


def shift(amount):
    return lambda m: f"{m[1]}{float(m[2]) + amount:.4f}"


# ---------------------------------------------------------------------- good ones


@pytest.mark.parametrize("kind", ["mill", "laser"])
def test_good_ones_raise_nothing(kind):
    assert not good(kind).verdict.found
    assert not judged(kind, good(kind).text).found


@pytest.mark.parametrize("seed", range(0, 40, 2))
def test_no_false_alarm(seed):
    assert not prove(beamed(made_up_part(seed), decimals=4)).verdict.wrong


def test_remarks_and_blanks_change_nothing():
    text = good("mill").text.replace("\n", " (a remark)\n\n").replace("(a remark)", "; said") + "\n(after the end)\n"
    assert judged("mill", text).found == ()


# ---------------------------------------------------------------------- words that are missing or wrong


@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize(
    ("pattern", "by", "finds"),
    [
        ("G21 ", "", "units"), ("G21 ", "G20 ", "units"), ("G90 ", "", "units"), ("G90 ", "G91 ", None),
        ("G91.1", "G90.1", "arc"), ("M30\n", "", "end"), ("G21", "G2l", "syntax"), ("F", "F0 (", None),
        (r"\nM3\n|\nS\d+ M3\n", "\n", None), ("G17", "G18", None), ("G21", "G21 G20", "syntax"),
    ],
)  # fmt: skip
def test_a_word_is_missing_or_wrong(kind, pattern, by, finds):
    found = caught(kind, re.sub(pattern, by, good(kind).text, count=1))
    assert finds in found if finds else found


def test_cutting_with_nothing_on():
    assert "spindle" in caught("mill", good("mill").text.replace("M3", "M5"))
    assert "beam" in caught("laser", good("laser").text.replace("M3\n", ""))
    assert "beam" in caught("laser", good("laser").text.replace("M5\n", "", 1))


def test_no_feed_at_all():
    assert "feed" in caught("laser", re.sub(r" F[\d.]+", "", good("laser").text))
    assert "feed" in caught("mill", re.sub(r" F[\d.]+", " F0", good("mill").text))


# ---------------------------------------------------------------------- what changes the part is caught


@cache
def made_by(kind, text):
    """What is cut, by moves (height, places, radius): an oracle that knows nothing of the bench machine's judgement."""
    read, tools = played(text), dict(good(kind).tools)
    found = set()
    for move in read.moves[read.placed :]:
        tool = tools.get(move.tool) or next(iter(tools.values()))
        if move.cuts and move.on and tool.kind != "cone" and tool.radius:
            points = [move.at(k / 24)[:2] for k in range(25)] if move.centre else [move.start[:2], move.end[:2]]
            z = round(
                max(move.start[2], move.end[2]) if points[0] != points[-1] else min(move.start[2], move.end[2]), 3
            )
            found.add((z, tuple(map(tuple, points)), tool.radius))
    return frozenset(found)


@cache
def near_the_part(kind):
    return as_polygon([rows for loops in good(kind).target.parts for rows in loops], 0.01).buffer(0.3)


def swept(moves, z):
    """What moves at a height or below it clear, by facets."""
    return shapely.union_all(
        [shapely.LineString(p).buffer(r, quad_segs=16) for height, p, r in moves if height <= z + 1e-6]
    )


def changes_the_part(kind, text):
    """Whether something else is cut away of the part or close to it, at some height, by more than rounding.

    What both programs do clears the same: they differ where moves of one alone do, less what the common ones clear.
    """
    one, other = made_by(kind, good(kind).text), made_by(kind, text)
    for z in {height for height, _, _ in one | other if height <= 0}:
        apart = swept(one - other, z).symmetric_difference(swept(other - one, z)).intersection(near_the_part(kind))
        if apart.area > 0.1:
            beside = [m for m in one & other if shapely.LineString(m[1]).distance(apart) < m[2]]
            if apart.difference(swept(beside, z)).area > 0.1:
                return True
    return False


def must_be_caught(kind, text):
    """Skipped where the part is the same after all."""
    found = caught(kind, text)
    if not found and not changes_the_part(kind, text):
        pytest.skip("the part is the same")
    assert found


WORDS = {"mill": r"\(Pocket|\(Bore", "laser": "G4"}


@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize("share", np.linspace(0, 1, 14))
def test_a_line_is_left_out(kind, share):
    numbers = lines_with(kind, r"^(G[0123] )?[XYZ]", WORDS[kind])
    must_be_caught(kind, without(kind, numbers[int(share * (len(numbers) - 3))]))


@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize("share", np.linspace(0, 1, 10))
def test_a_decimal_point_is_lost(kind, share):
    numbers = lines_with(kind, r"^(G[0123] )?[XY]-?\d+\.\d", WORDS[kind])
    must_be_caught(kind, changed(kind, numbers[int(share * (len(numbers) - 1))], r"([XY]-?\d+)\.(\d+)", r"\1\2"))


@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize("share", np.linspace(0, 1, 10))
def test_a_sign_is_lost_or_two_axes_are_exchanged(kind, share):
    numbers = lines_with(kind, r"^(G[0123] )?X[\d.]+ Y[\d.]+", WORDS[kind])
    number = numbers[int(share * (len(numbers) - 1))]
    must_be_caught(kind, changed(kind, number, r"X([\d.]+)", r"X-\1"))
    must_be_caught(kind, changed(kind, number, r"X([\d.]+) Y([\d.]+)", r"X\2 Y\1"))


@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize("share", np.linspace(0, 1, 8))
def test_an_arc_turns_the_other_way(kind, share):
    numbers = lines_with(kind, r" I", WORDS[kind])
    number = numbers[int(share * (len(numbers) - 1))]
    lines = good(kind).text.splitlines()
    word = next(lines[n][:2] for n in range(number, -1, -1) if lines[n][:3] in ("G2 ", "G3 "))
    lines[number] = f"{'G3' if word == 'G2' else 'G2'} {re.sub('^G[23] ', '', lines[number])}"
    if re.match("[XY]", lines[number + 1]):
        lines[number + 1] = f"{word} {lines[number + 1]}"
    must_be_caught(kind, "\n".join(lines))


@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize("share", np.linspace(0, 1, 8))
def test_a_centre_is_off_or_missing(kind, share):
    numbers = lines_with(kind, r" I-?[1-9]", WORDS[kind])
    number = numbers[int(share * (len(numbers) - 1))]
    assert "arc" in caught(kind, changed(kind, number, r"( I)(-?[\d.]+)", shift(0.3)))
    assert "arc" in caught(kind, changed(kind, number, r" I-?[\d.]+ J-?[\d.]+", ""))


@pytest.mark.parametrize("share", np.linspace(0, 1, 12))
@pytest.mark.parametrize("amount", [1.5, -2.0])
def test_a_depth_is_missed(share, amount):
    numbers = lines_with("mill", r"Z-", WORDS["mill"])
    number = numbers[int(share * (len(numbers) - 1))]
    must_be_caught("mill", changed("mill", number, r"(Z)(-[\d.]+)", shift(amount)))


@pytest.mark.parametrize("amount", [0.1, -0.1])
@pytest.mark.parametrize(("name", "deep"), [("Pocket", "-5"), ("Engrave", "-0.4"), ("Bore", "-8"), ("Outline", "-8")])
def test_every_depth_of_an_operation_is_missed(name, deep, amount):
    text = good("mill").text
    begin = text.index(f"({name})")
    end = text.find("\n(", begin + 2)
    part = text[begin : end if end > 0 else len(text)]
    other = re.sub(rf"Z{deep}\b(?!\.)", f"Z{float(deep) + amount:g}", part)
    found = caught("mill", text.replace(part, other))
    if amount < 0 and name in ("Bore", "Outline"):
        # A tenth below the stock hurts nobody.
        assert found == set()
    else:
        assert ("not reached" if amount > 0 else "gouge") in found


@pytest.mark.parametrize("amount", [0.012, -0.012])
@pytest.mark.parametrize("kind", ["mill", "laser"])
@pytest.mark.parametrize("share", np.linspace(0.02, 0.98, 20))
def test_a_move_is_off_sideways(kind, share, amount):
    """One move of an outline, shifted by 0.012 mm: into the part, or away from it so that something stands."""
    done = good(kind)
    wall = outline_moves(done)
    moves = list(done.played.moves)
    k = wall[int(share * (len(wall) - 1))]
    moves[k] = aside(moves[k], amount)
    verdict = judge(with_moves(done.played, moves), dict(done.tools), done.machine, done.target)
    assert {f.kind for f in verdict.wrong} & {"gouge", "not reached"}


def with_moves(read, moves):
    return dataclasses.replace(read, moves=tuple(moves))


def outline_moves(done):
    """Moves that go along an outline at its depth, and nothing else goes there."""
    found = []
    for k, move in enumerate(done.played.moves):
        name = done.program.operation_at(move.line)
        if (
            move.cuts
            and name in ("Outline", "Cut")
            and move.length > 4
            and move.start[2] == move.end[2] == done.target.wanted[-1].floor
        ):
            found.append(k)
    return found


def aside(move, amount):
    """A move that goes so far to its left."""
    (x0, y0, z0), (x1, y1, z1) = move.start, move.end
    if move.centre is None:
        size = math.hypot(x1 - x0, y1 - y0)
        dx, dy = -(y1 - y0) / size * amount, (x1 - x0) / size * amount
        return dataclasses.replace(move, start=(x0 + dx, y0 + dy, z0), end=(x1 + dx, y1 + dy, z1))
    cx, cy = move.centre
    radius = math.hypot(x0 - cx, y0 - cy)
    grown = (radius - amount * math.copysign(1, move.sweep)) / radius
    return dataclasses.replace(
        move,
        start=(cx + (x0 - cx) * grown, cy + (y0 - cy) * grown, z0),
        end=(cx + (x1 - cx) * grown, cy + (y1 - cy) * grown, z1),
    )


@pytest.mark.parametrize("number", some(lines_with("mill", r"^G0 Z5", WORDS["mill"]), 6))
def test_a_lift_is_left_out(number):
    """Then the way to the next place goes through material."""
    lines = good("mill").text.splitlines()
    after = next((n for n in range(number + 1, len(lines)) if re.search("[XY]", lines[n])), None)
    if after is None or "G80" in lines[number - 1] or lines[after].startswith("G98"):
        pytest.skip("nothing follows, or a cycle lifts by itself")
    lines[after] = re.sub("^(?!G)", "G0 ", lines[after])
    del lines[number]
    assert caught("mill", "\n".join(lines)) & {"rapid"}


@pytest.mark.parametrize("number", some(lines_with("mill", r"^Z0.5", WORDS["mill"]), 6))
def test_a_rapid_goes_into_the_stock(number):
    assert "rapid" in caught("mill", changed("mill", number, r"Z0.5", "Z-3"))


# ---------------------------------------------------------------------- sides, tools, order, things in the way


def against(state, changed_state):
    """What is wrong with the program of one job when it is judged by what another wants."""
    wanted, made = prove(state), prove(changed_state)
    return {f.kind for f in judge(made.played, dict(made.tools), made.machine, wanted.target).wrong}


@pytest.mark.parametrize("name", ["OUT", "SLOT", "H1", "H2"])
def test_a_side_is_swapped(name):
    state = beamed(plate(), decimals=4)
    key = next(c.key for c in contours_of(state).contours if name in c.roots)
    turned = state.with_part(state.part(Planned).with_place(Place("Cut", key, turned=True)))
    assert "gouge" in against(state, turned)


@pytest.mark.parametrize("kerf", [0.0, 0.1, 0.18, 0.24, 0.5])
def test_a_kerf_is_wrong(kerf):
    state = beamed(plate(), decimals=4)
    other = beamed(plate(), kerf=kerf or 1e-6, decimals=4)
    wanted, made = prove(state), prove(other)
    verdict = judge(made.played, dict(wanted.tools), wanted.machine, wanted.target)
    assert {f.kind for f in verdict.wrong} & {"gouge", "not reached"}


@pytest.mark.parametrize("name", ["Pocket", "Engrave", "Drill", "Bore", "Outline"])
def test_an_operation_is_forgotten(name):
    less = tuple(o for o in operations() if o.name != name)
    assert "not reached" in against(milled(bracket(), *operations()), milled(bracket(), *less))


@pytest.mark.parametrize(
    ("name", "tool"),
    [("Pocket", "end mill 8"), ("Outline", "end mill 4"), ("Bore", "end mill 3"), ("Pocket", "drill 5")],
)
def test_another_tool_stands_in_the_spindle(name, tool):
    """The program was made for one tool, and another of its number is in the machine."""
    done = good("mill")
    of = next(o.settings.tool for o in operations() if o.name == name)
    table = {n: (TOOLS[tool] if t.name == of else t) for n, t in done.tools}
    assert {f.kind for f in judge(done.played, table, done.machine, done.target).wrong} & {"gouge", "not reached"}


def test_a_tool_that_nobody_knows():
    assert "tool" in caught("mill", good("mill").text.replace("T10 M6", "T77 M6"))


def test_the_outline_is_cut_before_what_lies_in_it():
    state = beamed(plate(), decimals=4)
    keys = {next(iter(c.roots)): c.key for c in contours_of(state).contours}
    part = state.part(Planned)
    locked = tuple(("Cut", keys[n]) for n in ("OUT", "SLOT", "H1", "H2"))
    early = prove(state.with_part(dataclasses.replace(part, locked=locked)))
    assert {f.kind for f in early.verdict.wrong} == {"order"}


def test_a_clamp_is_in_the_way():
    stock = Stock("8", keep_out=(KeepOut((20.0, -8.0, 40.0, -2.0), 20.0),))
    assert {f.kind for f in prove(milled(bracket(), *operations(), stock=stock)).verdict.wrong} == {"clamp"}


def test_a_tool_that_cannot_plunge_does():
    blunt = msgspec.structs.replace(TOOLS["end mill 6"], centre=False)
    tools = (*(t for t in TOOLS.values() if t.name != blunt.name), blunt)
    plunging = operations(Outline={"entry": "plunge", "tabs": 4})
    found = {f.kind for f in prove(milled(bracket(), *plunging, tools=tools)).verdict.wrong}
    assert "plunge" in found
    ramped = prove(milled(bracket(), *operations(Outline={"tabs": 0}), tools=tools)).verdict.wrong
    assert not ramped


def test_deeper_than_the_flutes_and_loose_parts_are_told():
    short = msgspec.structs.replace(TOOLS["end mill 6"], length=4.0)
    tools = (*(t for t in TOOLS.values() if t.name != short.name), short)
    found = {f.kind for f in prove(milled(bracket(), *operations(Outline={"tabs": 0}), tools=tools)).verdict.found}
    assert found == {"deep", "loose"}


def test_what_does_not_fit_the_machine():
    tiny = machine("mill", travel=((0.0, 80.0), (0.0, 400.0), (-100.0, 100.0)))
    assert {f.kind for f in prove(milled(bracket(), *operations(), on=tiny)).verdict.wrong} == {"outside"}


def test_a_corner_that_the_tool_is_too_large_for_says_which_would_do():
    state = drawing(box("OUT", -10, -10, 70, 50), rounded("SLOT", 0, 0, 40, 25, 2.0))
    inner = Operation("Slot", "profile", Pick(layers=("SLOT",)), Settings(tool="end mill 6"))
    found = prove(milled(state, inner, thickness="5")).verdict.found
    assert {f.kind for f in found} == {"corner"}
    assert all("Ø 4 mm would do" in f.says for f in found)


def slotted(width):
    """A plate of 60 x 40 with three slots of 20 mm in its upper edge."""
    points = [(0.0, 0.0), (60.0, 0.0), (60.0, 40.0)]
    for x in (50.0, 35.0, 20.0):
        points += [(x, 40.0), (x, 20.0), (x - width, 20.0), (x - width, 40.0)]
    return drawing(closed("OUT", [*points, (0.0, 40.0)]))


def found_with(state, tool, kind="profile", layer="OUT"):
    made = Operation("Cut", kind, Pick(layers=(layer,)), Settings(tool=tool, depth="3" if kind == "pocket" else None))
    return prove(milled(state, made, thickness="5")).verdict


def test_a_slot_that_the_tool_does_not_fit_into_is_wrong_and_a_square_corner_is_not():
    tight = found_with(slotted(3.0), "end mill 4")
    narrow = [f for f in tight.found if f.kind == "narrow"]
    assert [f.size for f in narrow] == pytest.approx([43.0] * 3, abs=1e-3)
    assert "too narrow for Ø 4 mm" in narrow[0].says
    assert tight.wrong_count == 3
    # All of the slots, but for what the tool's edge takes of their mouths: a segment of its circle each.
    sagitta = 2 - math.sqrt(2**2 - 1.5**2)
    segment = 2**2 * math.asin(1.5 / 2) - 1.5 * (2 - sagitta)
    assert tight.left == pytest.approx(3 * (60 - segment), rel=1e-6)
    wide = found_with(slotted(5.0), "end mill 4")
    assert {f.kind for f in wide.found} == {"corner", "loose"}
    assert sum(f.kind == "corner" for f in wide.found) == 6


def test_a_sharp_notch_is_a_corner_and_told_by_how_much_of_it_stays():
    # 20 degrees: a circle of radius 2 touches its sides 2 / tan 10 = 11.343 mm from its point.
    half = 20 * math.tan(math.radians(10))
    state = drawing(closed("OUT", [(0, 0), (60, 0), (60, 40), (30 + half, 40), (30, 20), (30 - half, 40), (0, 40)]))
    (corner,) = [f for f in found_with(state, "end mill 4").found if f.kind == "corner"]
    assert corner.size == pytest.approx(2 * 2 / math.tan(math.radians(10)), abs=1e-3)
    assert "too sharp for Ø 4 mm" in corner.says
    # From the corner of the stock, 10 mm outside.
    assert corner.place[:2] == pytest.approx((40.0, 30.0), abs=1e-6)


def test_an_arm_of_a_pocket_that_the_tool_does_not_fit_into_is_wrong():
    # 40 x 20 with an arm of 15 x 3.5.
    shape = [(0, 0), (40, 0), (40, 8), (55, 8), (55, 11.5), (40, 11.5), (40, 20), (0, 20)]
    state = drawing(box("OUT", -10, -10, 80, 40), closed("P", shape))
    wrong = found_with(state, "end mill 4", "pocket", "P").wrong
    assert [f.kind for f in wrong] == ["narrow"]
    assert not found_with(state, "end mill 3", "pocket", "P").wrong


def test_what_is_not_told_one_by_one_is_counted():
    many = drawing(box("OUT", -10, -10, 400, 250), *(box(f"H{k}", 15 * (k % 20), 15 * (k // 20), 8, 8)
                                                     for k in range(40)))  # fmt: skip
    verdict = found_with(many, "end mill 4", layer="H")
    assert sum(f.kind == "corner" for f in verdict.found) == 100
    assert dict(verdict.untold) == {"corner": 60}
    assert verdict.wrong_count == 0


def test_a_metre_with_an_error_of_a_hundredth():
    """A plate of 1 m with 289 profiles: each of twenty moves that is off by 0.011 mm is found, none where none is."""
    rng = np.random.default_rng(2)
    holes = [circle(f"H{k}", 40 + 60 * (k % 16), 40 + 55 * (k // 16), rng.uniform(3, 20)) for k in range(288)]
    done = prove(beamed(drawing(box("OUT", 0, 0, 1000, 1030), *holes), decimals=4))
    assert not done.verdict.wrong
    for k in rng.choice(outline_moves(done), 20, replace=False).tolist():
        moves = list(done.played.moves)
        moves[k] = aside(moves[k], float(rng.choice([0.011, -0.011])))
        assert judge(with_moves(done.played, moves), dict(done.tools), done.machine, done.target).wrong


@pytest.mark.parametrize(
    ("value", "says"),
    [(0.0, "0"), (6e-12, "0"), (3.9e-5, "0.000039"), (0.0123, "0.0123"), (1.234, "1.23"), (99.99, "100"),
     (4735.4, "4,735")],
)  # fmt: skip
def test_figures_have_no_exponents(value, says):
    assert plain_figure(value) == says
