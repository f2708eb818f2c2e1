"""The real program in a real window on a virtual screen, by mouse and keys."""

from __future__ import annotations

import os
import subprocess
import sys
import zipfile
from pathlib import Path

import cadkit
import pytest
from PyQt6.QtCore import QPoint, Qt, QTimer
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QFileDialog, QLineEdit, QMessageBox

from driver import Driver
from syntaxa.app.session.surveyed import findings
from syntaxa.app.settings import Settings
from syntaxa.app.shell.choosers import Choosers
from syntaxa.app.shell.window import MainWindow
from syntaxa.demo.drawing import write_demo
from syntaxa.demo.formats import write_drawings

pytestmark = pytest.mark.window


class Unasked(Choosers):
    """The real file dialogs; unsaved work is given up when the test ends."""

    def ask_unsaved(self, parent, name):
        return QMessageBox.StandardButton.Discard


@pytest.fixture
def window(qtbot, tmp_path):
    assert QApplication.platformName() == "xcb", "this test wants a real window"
    made = MainWindow(Settings(tmp_path / "settings.json"), tmp_path / "recovery", Unasked(), write_drawings)
    qtbot.addWidget(made)
    made.show()
    made.activateWindow()
    qtbot.waitUntil(made.isActiveWindow, timeout=20_000)
    return Driver(made)


def answer_file_dialog(qtbot, path: Path):
    """Types a path into the file dialog that is open and presses Return."""

    def dialog():
        return next((w for w in QApplication.topLevelWidgets() if isinstance(w, QFileDialog) and w.isVisible()), None)

    def answer():
        field = dialog().findChild(QLineEdit, "fileNameEdit")
        field.selectAll()
        QTest.keyClicks(field, str(path))
        QTest.keyClick(field, Qt.Key.Key_Return)

    timer = QTimer(QApplication.instance())
    timer.setInterval(100)

    def look():
        if dialog() is not None:
            timer.stop()
            QTimer.singleShot(200, answer)

    timer.timeout.connect(look)
    timer.start()


def test_open_overrule_the_unit_fix_all_deliver_and_read_back(qtbot, window, tmp_path, monkeypatch):
    monkeypatch.setenv("QT_QPA_PLATFORMTHEME", "")
    QApplication.setAttribute(Qt.ApplicationAttribute.AA_DontUseNativeDialogs)

    def settle():
        qtbot.waitUntil(window.settled, timeout=60_000)
        # With no window manager, nobody gives the focus back when a dialog closes.
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=10_000)

    def go_to(stage):
        qtbot.keyClick(window.window, str(stage))
        qtbot.waitUntil(lambda: window.at == stage - 1 and not window.shell.is_coming, timeout=5_000)

    drawing, out = write_demo(tmp_path), tmp_path / "clean.dxf"
    answer_file_dialog(qtbot, drawing)
    qtbot.keyClick(window.window, Qt.Key.Key_O, Qt.KeyboardModifier.ControlModifier)
    qtbot.waitUntil(lambda: window.look.preview is not None, timeout=60_000)
    window.activateWindow()
    qtbot.waitUntil(window.isActiveWindow, timeout=10_000)
    qtbot.keyClick(window.window, Qt.Key.Key_Return, Qt.KeyboardModifier.ControlModifier)
    settle()

    go_to(2)
    units = window.measure.units.table
    row = next(k for k in range(units.rowCount()) if units.item(k, 0).text().endswith("inches"))
    inches = units.visualItemRect(units.item(row, 0)).center()
    qtbot.mouseClick(units.viewport(), Qt.MouseButton.LeftButton, pos=inches)
    settle()

    go_to(3)
    layers = window.route.came_in.table
    settle()
    for name in ("TITLE-BLOCK", "CENTRE-LINES"):
        row = next(k for k in range(layers.rowCount()) if layers.item(k, 0).text() == name)
        layers.scrollToItem(layers.item(row, 0))
        box = layers.visualItemRect(layers.item(row, 0))
        qtbot.mouseClick(layers.viewport(), Qt.MouseButton.LeftButton, pos=QPoint(box.left() + 14, box.center().y()))
        settle()

    go_to(4)
    modifiers = Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier
    qtbot.keyClick(window.window, Qt.Key.Key_X, modifiers)
    settle()
    assert not [f for f in findings(window.session) if f.remedy and not f.by_choice]

    answer_file_dialog(qtbot, out)
    qtbot.keyClick(window.window, Qt.Key.Key_E, Qt.KeyboardModifier.ControlModifier)
    qtbot.waitUntil(out.exists, timeout=20_000)
    qtbot.waitUntil(lambda: not window.shell.work.busy, timeout=20_000)

    entities = [e["kind"] for e in cadkit.read(str(out)).entities()]
    closed = [k for k in entities if k["type"] == "circle" or k.get("closed")]
    assert len(closed) == 41
    xs = [v["position"]["x"] for k in entities if k["type"] == "polyline" for v in k["vertices"]]
    assert max(xs) - min(xs) == pytest.approx(20.5 * 25.4, rel=1e-9)


def test_the_demo_walks_through_its_stages(tmp_path):
    """As `make demo` does without a screen: pictures, figures, exit 0."""
    done = subprocess.run(
        [sys.executable, "-m", "syntaxa", "demo", "--walk", tmp_path],
        capture_output=True,
        text=True,
        timeout=240,
        check=False,
        env={**os.environ, "XDG_STATE_HOME": str(tmp_path / "state")},
    )
    assert done.returncode == 0, done.stderr
    assert "closed regions" in done.stdout
    assert len(list(tmp_path.glob("*.png"))) == 13
    with zipfile.ZipFile(tmp_path / "orchard-pump-panels.zip") as package:
        kinds = {name.rpartition(".")[2] for name in package.namelist()}
        assert package.testzip() is None
    assert {"dxf", "svg", "pdf", "step", "nc", "html", "json"} <= kinds
    assert done.stderr.strip() == ""
