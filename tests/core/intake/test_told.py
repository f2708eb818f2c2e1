"""What reports say is so: angles, releases, types, packed files, and empty drawings."""

from __future__ import annotations

import gzip
import io
import math
import zipfile

import pytest
from hypothesis import given
from hypothesis import strategies as st
from specimens import dxf_of

from syntaxa.errors import IntakeError
from syntaxa.intake import packed
from syntaxa.intake.dwg import reader as dwg
from syntaxa.intake.registry import read
from syntaxa.intake.report import as_text, record_of

LINE = b'<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm"><path d="M0 0H5" stroke="red"/></svg>'


def zipped(files):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in files.items():
            archive.writestr(name, data)
    return out.getvalue()


# ---------------------------------------------------------------------- angular dimensions


def angular(first, second, at, radius=5.0, vertex=(3.0, 4.0)):
    """A two-line angular dimension of lines at two angles, with its arc seen from the vertex at a third (degrees)."""

    def place(angle, far):
        return (vertex[0] + far * math.cos(math.radians(angle)), vertex[1] + far * math.sin(math.radians(angle)))

    def build(space, _document):
        dimension = space.add_angular_dim_2l(
            base=place(at, radius), line1=(place(first, 2), place(first, 9)), line2=(place(second, 2), place(second, 9))
        )
        dimension.render()

    (found,) = (a for a in read("a.dxf", dxf_of(build)).drawing.annotations if a.kind == "dimension")
    return math.degrees(found.measured)


@pytest.mark.parametrize(("at", "expected"), [(45, 94.4), (140, 85.6), (227, 94.4), (-40, 85.6)])
def test_a_two_line_angle_is_that_of_the_sector_its_arc_lies_in(at, expected):
    """Lines at 0 and 94.4 degrees: it was told that 265.6 is drawn."""
    assert angular(0, 94.4, at) == pytest.approx(expected, abs=1e-9)


@given(st.floats(0, 360), st.floats(10, 170), st.floats(0.05, 0.95))
def test_the_sector_between_two_lines_is_found_wherever_they_point(first, wide, share):
    assert angular(first, first + wide, first + wide * share) == pytest.approx(wide, abs=1e-7)


# ---------------------------------------------------------------------- packed


def test_an_svgz_is_read_as_what_it_is():
    found = read("plate.svgz", gzip.compress(LINE))
    assert [c.shape for c in found.drawing.curves] == [c.shape for c in read("plate.svg", LINE).drawing.curves]
    assert found.report.format == "svg"
    assert found.report.notes[0] == "It was packed with gzip."


def test_one_drawing_in_a_zip_is_read_and_told():
    data = dxf_of(lambda s, _: s.add_line((0, 0), (7, 0)))
    found = read("sent.zip", zipped({"parts/plate.dxf": data, "readme.txt": b"hello", "__MACOSX/plate.dxf": b"x"}))
    assert [c.shape.length for c in found.drawing.curves] == [7]
    assert found.report.notes[0] == "It was read from parts/plate.dxf in sent.zip."


@pytest.mark.parametrize(
    ("files", "says"),
    [
        ({"a.dxf": b"x", "b.svg": LINE}, "holds 2 drawings: a.dxf, b.svg"),
        ({"readme.txt": b"hello"}, "holds no drawing"),
    ],
)
def test_a_zip_with_none_or_several_is_refused_in_a_sentence(files, says):
    with pytest.raises(IntakeError, match=says):
        read("sent.zip", zipped(files))


@pytest.mark.parametrize("pack", [gzip.compress, lambda data: zipped({"a.svg": data})])
def test_nothing_is_unpacked_beyond_the_limit(monkeypatch, pack):
    monkeypatch.setattr(packed, "LARGEST", 1 << 20)
    with pytest.raises(IntakeError, match="unpacks to more than 1 MB"):
        read("bomb.zip", pack(b" " * (8 << 20)))


@pytest.mark.parametrize("cut", [3, 20, 60])
def test_a_packed_file_that_is_cut_off_is_refused(cut):
    for name, data in (("a.svgz", gzip.compress(LINE)), ("a.zip", zipped({"a.svg": LINE}))):
        with pytest.raises(IntakeError):
            read(name, data[:cut])


# ---------------------------------------------------------------------- empty, old, odd


def test_an_empty_drawing_is_not_called_read():
    text = as_text(record_of("x.dxf", read("x.dxf", dxf_of(lambda s, _: None))))
    assert "There is nothing in it that can be seen." in text
    assert "Everything was read" not in text


@pytest.mark.parametrize("mark", [b"AC1009", b"AC1006"])
def test_a_dwg_of_before_r13_is_said_to_be_too_old(mark):
    with pytest.raises(IntakeError, match="too old to be read"):
        read("old.dwg", mark + b"\0" * 200)


def converted(monkeypatch, unknown, warnings, build, mark=b"AC1014"):
    entities = [dwg.Entity(1, dwg.Kind("unknown", name)) for name, count in unknown.items() for _ in range(count)]
    head = dwg.Converted(dwg.Units("millimeter"), [dwg.Model("model", entities)], warnings)
    monkeypatch.setattr(dwg, "_converted", lambda *_: (head, dxf_of(build)))
    return read("x.dwg", mark + b"\0" * 64).report


def test_a_release_is_that_of_the_file(monkeypatch):
    assert converted(monkeypatch, {}, [], lambda s, _: s.add_line((0, 0), (1, 0))).version == "R14"


def test_what_came_through_is_not_told_as_left(monkeypatch):
    def build(space, _document):
        space.add_ray((0, 0), (1, 0))

    report = converted(monkeypatch, {"RAY": 1, "AcDbXline": 1, "TABLE": 2}, [], build)
    assert [(n.type, n.count) for n in report.not_read] == [("AcDbXline", 1), ("TABLE", 2)]


def test_what_the_library_says_reaches_users_in_their_words(monkeypatch):
    said = ["entity ACDBTABLE mapped to Unknown", "code page 45 is not supported", "bad CRC in section 3"]
    report = converted(monkeypatch, {}, said, lambda s, _: s.add_line((0, 0), (1, 0)))
    assert len(report.notes) == 2
    assert not any(word in note for note in report.notes for word in ("Unknown", "code page", "CRC"))
