"""Whatever writes sizes says that nobody knows for sure how large the drawing is."""

from __future__ import annotations

import json

import pytest
from specimens import dxf_of

from syntaxa.cli.doubts import taken_as


@pytest.fixture
def plate(tmp_path):
    """Sizes that are as likely in mm as in inches, and a file that declares nothing."""

    def build(space, _document):
        space.add_lwpolyline([(0, 0), (12, 0), (12, 8), (0, 8)], close=True)
        space.add_circle((4, 4), 1.5)

    path = tmp_path / "plate.dxf"
    path.write_bytes(dxf_of(build, INSUNITS=0))
    return path


@pytest.mark.parametrize(
    "asked",
    [
        ("mend", "-o", "o.dxf"),
        ("define", "-o", "o.svg"),
        ("form", "--thickness", "5", "-o", "o.stl"),
        ("cut", "--machine", "laser", "--tool", "kerf=0.2", "-o", "o.nc"),
        ("sheet", "-o", "o.pdf"),
        ("pack", "--with", "dxf", "-o", "o.zip"),
    ],
    ids=lambda asked: asked[0],
)
def test_every_command_that_writes_sizes_says_that_they_are_in_doubt(run, plate, tmp_path, asked):
    command, *options, name = asked
    line = (command, plate, *options, tmp_path / name)
    status, out, err = run(*line)
    assert (status, err) == (0, "")
    assert "The unit is in doubt" in out
    assert "declares no unit; taken as" in out
    assert "settle it with --unit" in out
    assert json.loads(run(*line, "--json")[1])["unit_settled"] is False
    settled = run(*line, "--unit", "mm")[1]
    assert "in doubt" not in settled
    assert json.loads(run(*line, "--unit", "mm", "--json")[1])["unit_settled"] is True
    if command != "pack":
        assert run(*line, "--strict")[0] == 1


def test_the_scale_of_the_page_is_a_part_of_what_is_taken():
    assert taken_as("mm", "mm", 0.1, 0.68) == "declares mm; taken as mm at 10:1 (68% likely)"
    assert taken_as(None, "in", 1.0, 0.5) == "declares no unit; taken as in (50% likely)"
