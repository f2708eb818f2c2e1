"""A window with made-up choices instead of dialogs; leaked work fails the test."""

from __future__ import annotations

import shutil
from pathlib import Path

import pytest
from PyQt6.QtCore import QThreadPool
from PyQt6.QtWidgets import QMessageBox

from driver import Driver
from syntaxa.app.session import computing
from syntaxa.app.settings import Settings
from syntaxa.app.shell.choosers import Choosers
from syntaxa.app.shell.window import MainWindow
from syntaxa.demo.formats import write_drawings
from syntaxa.form.asking import SHOP
from syntaxa.job.cache import Cache
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.worker import Worker

PATIENCE = 60_000


class Chosen(Choosers):
    """Answers that a test sets beforehand."""

    def __init__(self):
        self.path: Path | None = None
        self.paths: list[Path] = []
        self.unsaved = QMessageBox.StandardButton.Discard
        self.told: list[str] = []
        self.layer: str | None = None
        self.password: str | None = None

    def open_file(self, parent, folder):
        return self.path

    def open_drawing(self, parent, title, folder):
        return self.path

    def open_folder(self, parent, folder):
        return self.path

    def open_drawings(self, parent, folder):
        return self.paths

    def open_recipe(self, parent, folder):
        return self.path

    def save_recipe(self, parent, folder, name):
        return self.path

    def open_table(self, parent, folder):
        return self.path

    def save_table(self, parent, folder, name):
        return self.path

    def save_report(self, parent, folder, name):
        return self.path

    def save_account(self, parent, folder, name):
        return self.path

    def choose_layer(self, parent, names):
        return self.layer

    def save_job(self, parent, folder, name):
        return self.path

    def save_cut(self, parent, title, folder, name, kinds):
        return self.path

    def open_cut(self, parent, title, folder, kinds):
        return self.path

    def save_bodies(self, parent, folder, name):
        return self.path

    def save_profiles(self, parent, folder, name, ending):
        return self.path

    def ask_password(self, parent, says):
        self.told.append(says)
        return self.password

    def ask_unsaved(self, parent, name):
        return self.unsaved

    def tell(self, parent, title, text):
        self.told.append(text)


@pytest.fixture
def chosen():
    return Chosen()


@pytest.fixture(scope="session")
def demo_drawings(tmp_path_factory):
    """The demo's drawings, made once: (their folder, the path that making them gives)."""
    folder = tmp_path_factory.mktemp("drawings")
    return folder, write_drawings(folder)


class Lent:
    """A worker that several windows use, one after the other: none of them ends it."""

    def __init__(self, worker):
        self._worker = worker

    def __getattr__(self, name):
        return getattr(self._worker, name)

    def close(self):
        """It is wanted again."""


@pytest.fixture(scope="session")
def kernel():
    """The solid kernel: it takes seconds to load."""
    worker = Worker(preload=SHOP)
    yield worker
    worker.close()


class Rereading(Evaluator):
    """What one window has read no other has to read again: tests open the same few drawings."""

    _READ = Cache(256 << 20)

    def __init__(self, **workers):
        super().__init__(**workers)
        self._read = self._READ


@pytest.fixture
def window(qtbot, tmp_path, chosen, demo_drawings, kernel, monkeypatch, request):
    """The window; its solid kernel is that of the windows before, unless the test has the mark `own_kernel`."""
    monkeypatch.setattr(computing, "Evaluator", Rereading)
    if request.node.get_closest_marker("own_kernel") is None:
        monkeypatch.setattr(
            computing, "Worker", lambda preload="": Lent(kernel) if preload == SHOP else Worker(preload=preload)
        )

    def copied(folder):
        shutil.copytree(demo_drawings[0], folder, dirs_exist_ok=True)
        return folder / demo_drawings[1].name

    made = MainWindow(Settings(tmp_path / "settings.json"), tmp_path / "state" / "recovery", chosen, copied)
    qtbot.addWidget(made)
    # The screen of the platform without one is smaller than the window that users have.
    made.resize(1280, 800)
    made.show()
    qtbot.waitExposed(made)
    yield Driver(made)
    chosen.unsaved = QMessageBox.StandardButton.Discard
    made.close()
    assert QThreadPool.globalInstance().waitForDone(20_000), "background work outlived the window"


@pytest.fixture
def settled(qtbot, window):
    """Waits until everything is computed."""

    def wait():
        qtbot.waitUntil(window.settled, timeout=PATIENCE)

    return wait


@pytest.fixture
def demo(window, settled):
    """The window with the demo open."""
    window.open_demo()
    settled()
    return window
