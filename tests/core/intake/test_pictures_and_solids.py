"""Scans as pictures to trace over; triangles as sections, against areas from formulas and another library's volume."""

from __future__ import annotations

import io
import math
import struct

import numpy as np
import pytest
import shapely
from PIL import Image
from specimens import dxf_of

from syntaxa.errors import IntakeError
from syntaxa.geometry.shapes import Polyline
from syntaxa.geometry.triangles import cleaned, outline, section
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.registry import read


def picture(form, size=(300, 200), **save):
    stream = io.BytesIO()
    Image.new("RGB", size, (240, 235, 220)).save(stream, form, **save)
    return stream.getvalue()


@pytest.mark.parametrize("form", ["PNG", "JPEG", "TIFF"])
def test_a_scan_is_as_large_as_its_dots_say(form):
    result = read(f"scan.{form.lower()}", picture(form, dpi=(150, 150)))
    (placed,) = result.drawing.annotations
    # 300 dots at 150 to the inch are two inches.
    assert placed.box() == pytest.approx((0, 0, 50.8, 200 / 150 * 25.4), rel=1e-4)
    assert result.report.declared == "mm"
    assert Image.open(io.BytesIO(placed.data)).size == (300, 200)


@pytest.mark.parametrize(
    ("typed", "size"), [({"width_mm": 420.0}, (420, 280)), ({"height_mm": 100.0}, (150, 100)),
                        ({"width_mm": 10.0, "height_mm": 20.0}, (10, 20))],
)  # fmt: skip
def test_a_typed_size_wins(typed, size):
    (placed,) = read("scan.png", picture("PNG"), options=ReadOptions(**typed)).drawing.annotations
    assert placed.box() == pytest.approx((0, 0, *size))


def test_pages_of_a_tiff_can_be_chosen():
    stream = io.BytesIO()
    first, second = Image.new("L", (30, 20)), Image.new("L", (60, 20))
    first.save(stream, "TIFF", save_all=True, append_images=[second])
    result = read("fax.tif", stream.getvalue(), options=ReadOptions(page=2))
    assert Image.open(io.BytesIO(result.drawing.annotations[0].data)).size == (60, 20)
    assert [s.title for s in result.report.sheets] == ["Page 1", "Page 2"]
    with pytest.raises(IntakeError, match="no page 3"):
        read("fax.tif", stream.getvalue(), options=ReadOptions(page=3))


def test_a_picture_taken_on_its_side_stands_upright():
    exif = Image.Exif()
    exif[0x0112] = 6
    stream = io.BytesIO()
    Image.new("RGB", (40, 20)).save(stream, "JPEG", exif=exif)
    (placed,) = read("side.jpg", stream.getvalue()).drawing.annotations
    assert Image.open(io.BytesIO(placed.data)).size == (20, 40)


def test_damaged_and_enormous_pictures_are_refused():
    with pytest.raises(IntakeError, match="is damaged and could not be read"):
        read("bad.png", picture("PNG")[:60])
    header = (
        b"\x89PNG\r\n\x1a\n" + struct.pack(">I", 13) + b"IHDR" + struct.pack(">IIBBBBB", 99_999, 99_999, 8, 2, 0, 0, 0)
    )
    with pytest.raises(IntakeError, match=r"more than can be held|is damaged"):
        read("huge.png", header + b"\0" * 40)


def tube(outer=20.0, inner=12.0, height=30.0, sides=48):
    """Triangles of a tube standing on the plane, outward normals."""
    angle = np.linspace(0, 2 * math.pi, sides, endpoint=False)
    ring = np.column_stack([np.cos(angle), np.sin(angle)])
    faces = []
    for k in range(sides):
        j = (k + 1) % sides
        a, b = ring[k], ring[j]
        for r, turn in ((outer, 1), (inner, -1)):
            low = [(*(r * a), 0), (*(r * b), 0), (*(r * b), height), (*(r * a), height)][::turn]
            faces += [(low[0], low[1], low[2]), (low[0], low[2], low[3])]
        for z, turn in ((0, -1), (height, 1)):
            cap = [(*(inner * a), z), (*(outer * a), z), (*(outer * b), z), (*(inner * b), z)][::turn]
            faces += [(cap[0], cap[1], cap[2]), (cap[0], cap[2], cap[3])]
    return np.array(faces, dtype=np.float64)


def binary_stl(triangles, title=b"tube"):
    body = b"".join(struct.pack("<12fH", 0, 0, 0, *t.ravel().tolist(), 0) for t in triangles)
    return title.ljust(80, b"\0") + struct.pack("<I", len(triangles)) + body


def ascii_stl(triangles, title="tube"):
    facets = "".join(
        "facet normal 0 0 0\nouter loop\n" + "".join(f"vertex {x} {y} {z}\n" for x, y, z in t) + "endloop\nendfacet\n"
        for t in triangles.tolist()
    )
    return f"solid {title}\n{facets}endsolid {title}\n".encode()


def area(shapes):
    """Area by the even-odd rule, by another library."""
    rings = sorted((shapely.Polygon(s.flattened(1e-6)) for s in shapes), key=lambda p: -p.area)
    total = rings[0]
    for ring in rings[1:]:
        total = total.symmetric_difference(ring)
    return total.area


@pytest.mark.parametrize("write", [binary_stl, ascii_stl])
def test_the_section_of_a_tube_is_two_closed_outlines(write):
    result = read("tube.stl", write(tube()))
    shapes = [c.shape for c in result.drawing.curves]
    assert [s.closed for s in shapes] == [True, True]
    # Regular polygon of 48 sides: n/2 r^2 sin(2 pi/n).
    ring = 24 * math.sin(2 * math.pi / 48) * (20**2 - 12**2)
    assert area(shapes) == pytest.approx(ring, rel=1e-6)
    assert [len(s.vertices) for s in shapes] == [48, 48]
    assert result.drawing.layers[0].name == "tube"
    assert "were cut at 15, half their height" in result.report.notes[0]


@pytest.mark.parametrize("height", [0.001, 7.5, 10.0, 29.999])
def test_every_height_gives_the_same_section_of_a_tube(height):
    shapes = section(tube(), height)
    assert area(shapes) == pytest.approx(24 * math.sin(math.pi / 24) * 256, rel=1e-6)


def test_heights_through_corners_cut_no_edge_twice():
    """A pyramid stacked on a box: the plane through the joint meets corners of both."""
    apex, base = (5, 5, 9), [(0, 0, 4), (10, 0, 4), (10, 10, 4), (0, 10, 4)]
    sides = [(base[k], base[(k + 1) % 4], apex) for k in range(4)]
    for height in (4.0, 6.5):
        shapes = section(np.array(sides, dtype=np.float64), height)
        side = 10 * (9 - height) / 5
        assert area(shapes) == pytest.approx(side * side)


def test_the_chosen_axis_points_up_and_nothing_is_mirrored():
    box = np.array([[(0, 0, 0), (4, 0, 0), (4, 6, 9)], [(0, 0, 0), (4, 6, 9), (0, 6, 9)]], dtype=np.float64)
    triangles = np.concatenate([tube(), tube() + np.array([100.0, 0.0, 0.0]), box])
    lying = read("t.stl", binary_stl(triangles[:, :, [2, 0, 1]]), options=ReadOptions(up="x", section=15.0))
    standing = read("t.stl", binary_stl(triangles), options=ReadOptions(section=15.0))
    assert len(lying.drawing.curves) == len(standing.drawing.curves) == 4
    assert lying.drawing.extents() == pytest.approx(standing.drawing.extents(), abs=1e-5)


def test_slivers_and_doubles_are_skipped_and_counted():
    triangles = np.concatenate([tube(), tube()[:3], [[(0, 0, 0), (1e-5, 0, 0), (0, 1e-5, 0)]]])
    clean = cleaned(triangles, 1e-6)
    assert (clean.small, clean.doubled, len(clean.triangles)) == (1, 3, len(tube()))
    result = read("t.stl", binary_stl(triangles), options=ReadOptions(least_area=1e-6))
    told = {n.why: n.count for n in result.report.not_read}
    assert told == {"They are slivers, with no more than the least area.": 1, "They stand in the file twice.": 3}


def test_names_are_the_files_or_typed():
    two = ascii_stl(tube(), "lower") + ascii_stl(tube() + np.array([90.0, 0.0, 0.0]), "upper")
    assert [m.name for m in read("two.stl", two).drawing.meshes] == ["lower", "upper"]
    named = read("tube.stl", binary_stl(tube()), options=ReadOptions(mesh_name="sleeve"))
    assert [m.name for m in named.drawing.meshes] == ["sleeve"]


def test_a_plane_beside_the_solid_is_told():
    result = read("tube.stl", binary_stl(tube()), options=ReadOptions(section=99.0))
    assert not result.drawing.curves
    assert "The plane misses tube" in result.report.notes[1]


@pytest.mark.parametrize("data", [b"solid nothing\nendsolid nothing\n", b"x".ljust(84, b"\0")])
def test_a_file_without_triangles_is_refused(data):
    with pytest.raises(IntakeError, match=r"holds no triangle|in no format|is called a"):
        read("none.stl", data)


def test_a_binary_file_that_is_cut_off_gives_what_is_there():
    data = binary_stl(tube())
    from syntaxa.errors import no_progress
    from syntaxa.intake.stl import read as read_stl

    result = read_stl("cut.stl", data[:-70], no_progress)
    assert "claims 384 triangles and holds 382" in result.report.notes[0]


def test_faces_of_a_dxf_are_cut_like_any_solid():
    def build(space, _document):
        for face in tube(sides=12):
            space.add_3dface(face.tolist(), dxfattribs={"layer": "SLEEVE"})

    result = read("faces.dxf", dxf_of(build))
    shapes = [c.shape for c in result.drawing.curves]
    assert area(shapes) == pytest.approx(6 * math.sin(math.pi / 6) * 256)
    assert {c.layer for c in result.drawing.curves} == {"SLEEVE"}


def test_flat_faces_give_their_outline():
    def build(space, _document):
        space.add_3dface([(0, 0), (10, 0), (10, 10), (0, 10)])
        space.add_3dface([(10, 0), (20, 0), (20, 10), (10, 10)])

    (shape,) = (c.shape for c in read("flat.dxf", dxf_of(build)).drawing.curves)
    assert isinstance(shape, Polyline)
    assert shape.closed
    assert shape.length == pytest.approx(60)
    assert len(outline(np.zeros((0, 3, 3)))) == 0


def test_meshes_of_every_kind_are_triangles():
    def build(space, _document):
        mesh = space.add_mesh()
        with mesh.edit_data() as data:
            data.vertices = [(0, 0, 0), (10, 0, 0), (0, 10, 0), (0, 0, 10)]
            data.faces = [(0, 2, 1), (0, 1, 3), (1, 2, 3), (2, 0, 3)]
        faces = space.add_polyface()
        faces.append_faces([[(20, 0, 0), (30, 0, 0), (20, 0, 10)], [(20, 0, 0), (20, 10, 0), (20, 0, 10)]])

    result = read("meshes.dxf", dxf_of(build))
    (solid,) = result.drawing.meshes
    assert len(solid.triangles) == 6


def test_bodies_are_counted_as_not_read():
    def build(space, _document):
        for body in (space.add_region(), space.add_3dsolid()):
            body.sat = ["400 0 1 0", "End-of-ACIS-data"]
        space.add_circle((0, 0), 1)

    told = {n.type: n.count for n in read("body.dxf", dxf_of(build, "R2000")).report.not_read}
    assert told == {"REGION": 1, "3DSOLID": 1}
