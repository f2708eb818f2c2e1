"""Solids that went out, read by others: STEP by the kernel's own reader in a fresh process, STL and 3MF by trimesh."""

from __future__ import annotations

import io
import json
import math
import subprocess
import sys
import zipfile
from itertools import product
from xml.etree import ElementTree

import numpy as np
import pytest
import trimesh
from making import bodies, box, circle, done, half_disc, sketch, state, step_figures

from syntaxa.deliver.solids import SolidOutput, deliver_solids
from syntaxa.errors import DeliverError
from syntaxa.form.bodies import DescribeBody
from syntaxa.form.choosing import Axis
from syntaxa.form.edges import TreatEdges
from syntaxa.form.raising import RaiseRegions, TurnRegions

#: Reads STEP files with the kernel's plain reader, and says the volume of each solid in each of them.
READER = """
import json, sys
from OCP.STEPControl import STEPControl_Reader
from OCP.BRepGProp import BRepGProp
from OCP.GProp import GProp_GProps
from OCP.TopAbs import TopAbs_SOLID
from OCP.TopExp import TopExp_Explorer
found = []
for path in sys.argv[1:]:
    reader = STEPControl_Reader()
    assert int(reader.ReadFile(path)) == 1
    reader.TransferRoots()
    found.append([])
    explorer = TopExp_Explorer(reader.OneShape(), TopAbs_SOLID)
    while explorer.More():
        g = GProp_GProps()
        BRepGProp.VolumeProperties_s(explorer.Current(), g)
        found[-1].append(g.Mass())
        explorer.Next()
print("@" + json.dumps(found))
"""

PROTOCOLS, UNITS = ("AP214", "AP242"), ("mm", "in", "m")


@pytest.fixture(scope="module")
def two():
    base = state(sketch("Foot", box(0, 0, 60, 40), circle(30, 20, 8)), sketch("Knob", *half_disc(12)))
    after, _ = done(
        base,
        RaiseRegions("R", "Foot", high="9"),
        TreatEdges("F", "fillet", "4", rule="upright"),
        TurnRegions("T", "Knob", Axis("Knob1")),
        DescribeBody("Knob", colour=0x336699),
    )
    return after


@pytest.fixture(scope="module")
def read_again(two, tmp_path_factory):
    """Of each protocol and unit, the file, and the volumes that another process finds in it."""
    folder = tmp_path_factory.mktemp("step")
    paths = {(p, u): folder / f"{p} {u}.step" for p, u in product(PROTOCOLS, UNITS)}
    for (protocol, unit), path in paths.items():
        assert deliver_solids(two, path, SolidOutput(unit=unit, protocol=protocol)) == ()
    command = [sys.executable, "-c", READER, *map(str, paths.values())]
    ran = subprocess.run(command, capture_output=True, text=True, check=True)
    volumes = json.loads(ran.stdout.rsplit("@", 1)[1])
    return {key: (path, found) for (key, path), found in zip(paths.items(), volumes, strict=True)}


@pytest.mark.parametrize("protocol", PROTOCOLS)
@pytest.mark.parametrize("unit", UNITS)
def test_step_there_and_back(two, read_again, unit, protocol):
    path, volumes = read_again[protocol, unit]
    wanted = [b.figures.volume for b in bodies(two).values()]
    assert sorted(volumes) == pytest.approx(sorted(wanted), rel=1e-9)
    text = path.read_text()
    assert {"mm": "SI_UNIT(.MILLI.,.METRE.)", "in": "'INCH'", "m": "SI_UNIT($,.METRE.)"}[unit] in text
    assert {"AP214": "AUTOMOTIVE_DESIGN", "AP242": "AP242_MANAGED_MODEL_BASED_3D_ENGINEERING"}[protocol] in text


def test_names_of_bodies_and_faces_go_along(two, tmp_path):
    path = tmp_path / "two.step"
    deliver_solids(two, path)
    found = {name: (figures, faces) for name, figures, faces in step_figures(path)}
    assert set(found) == {"Foot", "Knob"}
    figures, faces = found["Foot"]
    assert figures.volume == pytest.approx(bodies(two)["Foot"].figures.volume, rel=1e-12)
    assert ("R side Foot1",) in faces
    assert len(faces) == sum(n for _, n in figures.faces)


@pytest.mark.parametrize("deflection", [0.1, 0.01])
def test_stl_is_watertight_and_as_large_as_its_facets_let_it(two, tmp_path, deflection):
    path = tmp_path / "two.stl"
    notes = deliver_solids(two, path, SolidOutput(deflection=deflection, angle=1.0))
    mesh = trimesh.load(path)
    wanted = sum(b.figures.volume for b in bodies(two).values())
    area = sum(b.figures.area for b in bodies(two).values())
    assert mesh.is_watertight
    assert mesh.is_winding_consistent
    assert mesh.volume > 0
    assert abs(mesh.volume - wanted) <= deflection * area
    assert any("no unit" in n for n in notes)
    assert any("no names" in n for n in notes)
    assert len(mesh.split()) == 2


def test_3mf_has_its_unit_names_and_closed_meshes(two, tmp_path):
    path = tmp_path / "two.3mf"
    deliver_solids(two, path)
    again = tmp_path / "again.3mf"
    deliver_solids(two, again)
    assert path.read_bytes() == again.read_bytes()
    model = ElementTree.fromstring(zipfile.ZipFile(io.BytesIO(path.read_bytes())).read("3D/3dmodel.model"))
    core = "{http://schemas.microsoft.com/3dmanufacturing/core/2015/02}"
    assert model.get("unit") == "millimeter"
    objects = model.findall(f".//{core}object")
    assert [o.get("name") for o in objects] == ["Foot", "Knob"]
    assert len(model.findall(f".//{core}build/{core}item")) == 2
    for one, body in zip(objects, bodies(two).values(), strict=True):
        points = np.array([[float(v.get(k)) for k in "xyz"] for v in one.iter(f"{core}vertex")])
        faces = np.array([[int(t.get(k)) for k in ("v1", "v2", "v3")] for t in one.iter(f"{core}triangle")])
        mesh = trimesh.Trimesh(points, faces, process=False)
        assert mesh.is_watertight
        assert mesh.volume == pytest.approx(body.figures.volume, rel=2e-3)


def test_what_cannot_be_written_is_refused_and_nothing_is_left(two, tmp_path):
    with pytest.raises(DeliverError, match="no ending for bodies"):
        deliver_solids(two, tmp_path / "two.obj")
    with pytest.raises(DeliverError, match="no body"):
        deliver_solids(state(), tmp_path / "two.step")
    with pytest.raises(DeliverError, match="cannot be written"):
        deliver_solids(two, tmp_path / "nowhere" / "two.stl")
    assert list(tmp_path.iterdir()) == []


def test_a_torus_of_triangles_is_closed(tmp_path):
    after, _ = done(state(sketch("S", circle(30, 0, 5))), TurnRegions("T", "S", Axis(start=(0.0, 0.0), end=(0.0, 1.0))))
    deliver_solids(after, tmp_path / "ring.stl", SolidOutput(deflection=0.05))
    mesh = trimesh.load(tmp_path / "ring.stl")
    assert mesh.is_watertight
    assert mesh.volume == pytest.approx(math.tau * 30 * math.pi * 25, rel=1e-2)
