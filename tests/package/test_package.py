"""What is installed: the wheel, the sdist and the Debian package, in a clean root and from an empty folder."""

from __future__ import annotations

import gzip
import os
import shutil
import subprocess
import sys
import tarfile
import xml.etree.ElementTree as ElementTree
import zipfile
from pathlib import Path

import pytest
from PIL import Image

from syntaxa import __version__
from syntaxa.demo.seat import seat_dxf

HERE = Path(__file__).parents[2]

pytestmark = pytest.mark.skipif(shutil.which("dpkg-deb") is None, reason="no Debian system")


@pytest.fixture(scope="module")
def built():
    """The folder of what was built, with our own code alone."""
    done = subprocess.run(["bash", "tools/package.sh", "--thin"], cwd=HERE, capture_output=True, text=True, check=False)
    assert done.returncode == 0, done.stderr + done.stdout
    return HERE / "build" / "dist"


@pytest.fixture(scope="module")
def root(built, tmp_path_factory):
    """A clean root with the package installed in it."""
    folder = tmp_path_factory.mktemp("root")
    (folder / "var" / "lib" / "dpkg" / "info").mkdir(parents=True)
    (folder / "var" / "lib" / "dpkg" / "updates").mkdir()
    (folder / "var" / "lib" / "dpkg" / "status").touch()
    (package,) = built.glob(f"syntaxa_{__version__}_*.deb")
    done = subprocess.run(
        ["dpkg", f"--root={folder}", "--force-depends", "--force-not-root", "-i", package],
        capture_output=True, text=True, check=False,
    )  # fmt: skip
    assert done.returncode == 0, done.stderr
    return folder


def run(root, *arguments):
    """The installed program, from a folder that holds none of our code."""
    environment = {k: v for k, v in os.environ.items() if k != "PYTHONPATH"} | {"SYNTAXA_PYTHON": sys.executable}
    return subprocess.run(
        [root / "usr" / "bin" / "syntaxa", *arguments],
        cwd=root, env=environment, capture_output=True, text=True, check=False,
    )  # fmt: skip


def test_it_is_installed_and_works_from_there(root):
    assert run(root, "--version").stdout == f"syntaxa {__version__}\n"
    (root / "seat.dxf").write_bytes(seat_dxf())
    done = run(root, "sheet", "seat.dxf", "--unit", "mm", "-o", "seat.pdf")
    assert done.returncode == 0, done.stderr
    assert (root / "seat.pdf").read_bytes().startswith(b"%PDF")
    where = run(root, "mend", "none.dxf", "-o", "x.dxf").stderr
    assert where.startswith("syntaxa: ")


def test_the_desktop_finds_what_it_looks_for(root):
    share = root / "usr" / "share"
    entry = (share / "applications" / "syntaxa.desktop").read_text()
    assert "Exec=syntaxa open %F" in entry
    types = {e.get("type") for e in ElementTree.parse(share / "mime" / "packages" / "syntaxa.xml").getroot()}
    assert types == {"application/x-syntaxa-job", "application/x-syntaxa-recipe"}
    assert all(t in entry for t in types)
    told = ElementTree.parse(share / "metainfo" / "syntaxa.metainfo.xml").getroot()
    assert told.findtext("launchable") == "syntaxa.desktop"
    for size in (16, 48, 256, 512):
        with Image.open(share / "icons" / "hicolor" / f"{size}x{size}" / "apps" / "syntaxa.png") as icon:
            assert icon.size == (size, size)
            assert icon.getextrema()[3] == (0, 255)
    with gzip.open(share / "man" / "man1" / "syntaxa.1.gz", "rt") as page:
        assert "SYNTAXA SHEET" in page.read()


def test_no_path_of_the_machine_that_built_it_is_in_it(built, root):
    for path in root.rglob("*"):
        if path.is_file() and "dpkg" not in path.parts and path.suffix not in (".png", ".ttf", ".otf", ".pdf"):
            assert str(HERE).encode() not in path.read_bytes(), path
    with tarfile.open(built / f"syntaxa-{__version__}.tar.gz") as archive:
        names = {n.partition("/")[2] for n in archive.getnames()}
    assert {
        "pyproject.toml",
        "src/syntaxa/program.py",
        "src/heart/near.hpp",
        "setup.py",
        "desktop/syntaxa.desktop",
        "LICENSE",
    } <= names


def test_the_wheel_has_its_data(built):
    (path,) = built.glob("*.whl")
    with zipfile.ZipFile(path) as wheel:
        names = set(wheel.namelist())
    assert any(n.startswith("syntaxa/heart.") and n.endswith(".so") for n in names)
    assert {
        "syntaxa/fonts/JetBrainsMono-Regular.ttf", "syntaxa/fonts/LICENSE-JetBrainsMono.txt",
        "syntaxa/deliver/sheets/data/title-block.svg", "syntaxa/app/assets/guide/8-deliver.md",
        "syntaxa/cut/data/machines/mill.toml",
    } <= names  # fmt: skip


def test_the_manual_and_the_completion_are_as_the_parser_has_them():
    done = subprocess.run(
        [sys.executable, "tools/manual.py", "--check"], cwd=HERE, capture_output=True, text=True, check=False
    )
    assert done.returncode == 0, done.stdout


def test_completion_offers_commands_options_and_values():
    script = (
        f'source {HERE / "desktop" / "syntaxa.bash"}; say() {{ COMPREPLY=(); COMP_WORDS=("$@"); '
        'COMP_CWORD=$(($# - 1)); _syntaxa; echo "${COMPREPLY[@]}"; }; cd /; '
        "say syntaxa sh; say syntaxa sheet --met; say syntaxa sheet --method ''"
    )
    done = subprocess.run(["bash", "-c", script], capture_output=True, text=True, check=True)
    assert done.stdout.splitlines() == ["sheet", "--method", "first third"]
