"""Machines, tools and sets of operations as data that people edit."""

from __future__ import annotations

import dataclasses

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from syntaxa.cut.library import (
    check_tool,
    fitting,
    machine_from,
    machine_named,
    machines,
    shipped_machines,
    shipped_tools,
    tool_from,
    tools_as_csv,
    tools_from,
)
from syntaxa.cut.model import Operation, Pick, Settings, Tool
from syntaxa.cut.sets import OperationSet, set_as_toml, set_from
from syntaxa.errors import CutError


def test_what_is_shipped_makes_sense():
    assert [m.name for m in shipped_machines()] == ["laser", "plasma", "waterjet", "knife", "mill", "router"]
    for tool in shipped_tools():
        check_tool(tool)
    for machine in shipped_machines():
        assert fitting(shipped_tools(), machine)


def test_tools_go_out_and_come_back():
    assert tools_from(tools_as_csv(shipped_tools()), "x.csv") == shipped_tools()


@given(st.floats(0.1, 50), st.integers(0, 99), st.sampled_from(["end mill", "ball mill"]))
def test_any_tool_goes_out_and_comes_back(diameter, number, kind):
    tool = Tool('a, "b"; c', kind, number, round(diameter, 3))
    (back,) = tools_from(tools_as_csv([tool]), "x.csv")
    assert back == tool


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("size\n3\n", "no column “size”"),
        ("kind\nend mill\n", "no column “name”"),
        ("name,diameter\nA,wide\n", "row 2: “wide” is no number"),
        ("name,diameter\nA,3\nA,4\n", "two tools called “A”"),
        ("name,diameter\nA,-3\n", "0 or more"),
        ("name,diameter\nA\n", "cells"),
        ("name,kind,diameter\nA,spoon,3\n", "no kind of tool"),
        ("name,kind\nA,drill\n", "no diameter"),
        ("name,kind,diameter\nA,drill,3\n", "angle"),
        ("name,diameter,step_over\nA,3,2.5\n", "step-over"),
        ("", "no column “name”"),
    ],
)
def test_a_table_that_makes_no_sense_is_told(text, says):
    with pytest.raises(CutError) as told:
        tools_from(text, "tools.csv")
    assert says in str(told.value)


@pytest.mark.parametrize(
    ("change", "says"),
    [
        (('kind = "laser"', 'kind = "saw"'), "is no machine"),
        (("rapid = 60000.0", "rapid = 0"), "more than 0"),
        (("[0.0, 3000.0]", "[3000.0, 0.0]"), "ends before it begins"),
        (("decimals = 4", "decimals = 40"), "0 to 9"),
        (("most = 180.0", "most = 400.0"), "180"),
        (("name = ", "nome = "), "is no machine"),
        (("unit", "[unit"), "is no machine"),
    ],
)
def test_a_machine_that_makes_no_sense_is_told(change, says):
    from importlib import resources

    text = (resources.files("syntaxa.cut") / "data" / "machines" / "laser.toml").read_text("utf-8")
    assert machine_from(text, "x") == machine_named("laser")
    with pytest.raises(CutError, match=says):
        machine_from(text.replace(*change, 1), "own.toml")


def test_own_machines_go_before_shipped_ones(tmp_path):
    from importlib import resources

    text = (resources.files("syntaxa.cut") / "data" / "machines" / "mill.toml").read_text("utf-8")
    (tmp_path / "a.toml").write_text(text.replace("safe = 5.0", "safe = 9.0"), "utf-8")
    (tmp_path / "broken.toml").write_text("= = =", "utf-8")
    found = machines(tmp_path)
    assert next(m for m in found if m.name == "mill").safe == 9.0
    assert len(found) == len(shipped_machines())
    with pytest.raises(CutError, match="There is no machine called"):
        machine_named("lathe")
    with pytest.raises(CutError, match="cannot be read"):
        machine_named(str(tmp_path / "none.toml"))


@pytest.mark.parametrize("text", ["D=6", "d = 2.5", "kerf=0.2", "end mill 6"])
def test_tools_are_typed_as_people_write_them(text):
    flat = "kerf" in text
    made = tool_from(text, machine_named("laser" if flat else "mill"), shipped_tools())
    check_tool(made)
    assert made.is_flat == flat


@pytest.mark.parametrize("text", ["D=0", "kerf=-1", "D=x", "spoon", "", "D=1e9"])
def test_a_tool_that_there_is_not_is_told(text):
    with pytest.raises(CutError):
        tool_from(text, machine_named("mill"), shipped_tools())


def test_a_set_goes_out_and_comes_back():
    operations = (
        Operation("P", "pocket", Pick(layers=("A", "B"), nest="inner"), Settings(tool="end mill 6", depth="5", tabs=3)),
        Operation("D", "drill", Pick(round_to=6.0), Settings(tool="drill 5", peck=2.0), enabled=False),
    )
    made = OperationSet(operations, shipped_tools()[5:7], "aluminium", "8", "mill")
    assert set_from(set_as_toml(made), "x.toml") == made


def test_a_set_leaves_out_what_is_of_one_drawing():
    named = Operation("P", "pocket", Pick(roots=("A1",), layers=("L",)))
    (back,) = set_from(set_as_toml(OperationSet((named,))), "x").operations
    assert back.pick == Pick(layers=("L",))


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "has no operation"),
        ("[[operation]]\nname = 'A'\nspeeed = 3", "“speeed” means nothing"),
        ("a = 1", "means nothing"),
        ("[[operation]]\nkind = 'saw'", "is no set"),
        ("[[operation]]\ntabs = 'many'", "is no set"),
        ("[[", "is no set"),
        ("[[operation]]\nname='A'\n[[operation]]\nname='A'", "two operations"),
        ("operation = 3", "is no set"),
    ],
)
def test_a_set_that_makes_no_sense_is_told(text, says):
    with pytest.raises(CutError, match=says):
        set_from(text, "own.toml")


def test_nothing_of_a_job_is_forgotten_in_the_settings():
    every = Settings(**dict.fromkeys(Settings.__struct_fields__))
    assert every == Settings()
    assert msgspec.json.decode(msgspec.json.encode(Settings(tabs=2)), type=Settings) == Settings(tabs=2)
    assert dataclasses.is_dataclass(OperationSet)
