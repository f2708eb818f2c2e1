"""Takes the README's pictures: the empty window, drawings looked at, each stage of the demo, a revision, and Night."""

from __future__ import annotations

import sys
from collections.abc import Callable
from pathlib import Path

from PyQt6.QtTest import QTest

from syntaxa.app.main_window import MainWindow
from syntaxa.app.program import start
from syntaxa.app.settings import Settings
from syntaxa.app.walk import settle, take_picture, walk_demo
from syntaxa.demo.drawing import NAME
from syntaxa.demo.formats import write_drawings
from syntaxa.job.revise import relinked


def main(folder: Path) -> int:
    """All pictures into a folder."""
    drawings = folder / "drawings"
    drawings.mkdir(parents=True, exist_ok=True)
    write_drawings(drawings)
    _application, window = start(write_drawings, Settings(folder / "settings.json"))
    window.show()
    window.resize(1280, 800)
    window.canvas.paint_now()
    window.grab().save(str(folder / "0-empty.png"))
    _look(window, drawings, folder)
    window.open_path(drawings / NAME)
    status = walk_demo(window, folder)
    window.show()
    _revision(window, drawings, folder)
    window.switch_look()
    window.show_mend()
    window.undo()
    window.undo()
    settle(window)
    window.fit()
    settle(window)
    take_picture(window, folder / "8-night.png")
    window.session.save(folder / "done.sxj")
    window.close()
    return status


def _look(window: MainWindow, drawings: Path, folder: Path) -> None:
    """The shelf with all drawings of the demo, one of them seen large."""
    window.browse(drawings)
    _wait(lambda: not window.shelf.thumbnails.busy and window.look.preview is not None)
    window.look.go(next(k for k, p in enumerate(window.look.paths) if p.name == "pump-cover.pdf"))
    _wait(lambda: window.look.preview is not None and not window.look.lane.busy)
    window.shelf.preview.paint_now()
    window.grab().save(str(folder / "1-look.png"))


def _revision(window: MainWindow, drawings: Path, folder: Path) -> None:
    """What the second revision of the panels changes, before it is taken over."""
    job = window.session.job
    if job is None:
        return
    window.session.set_source(relinked(job.source, drawings / "orchard-pump-panels-rev-b.dxf"), "Link to another file")
    _wait(lambda: window.session.revision is not None)
    window.banner.hide()
    window.show_intake()
    window.fit()
    settle(window)
    take_picture(window, folder / "1-changes.png")
    window.session.decline_revision()


def _wait(done: Callable[[], bool]) -> None:
    for _ in range(3000):
        if done():
            break
        QTest.qWait(20)  # type: ignore[call-arg, arg-type]
    QTest.qWait(100)  # type: ignore[call-arg, arg-type]


if __name__ == "__main__":
    sys.exit(main(Path(sys.argv[1])))
