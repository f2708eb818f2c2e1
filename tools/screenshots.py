"""Takes the README's pictures: the empty window, drawings looked at, each stage of the demo, a revision, and Night."""

from __future__ import annotations

import sys
from collections.abc import Callable
from pathlib import Path

from PyQt6.QtTest import QTest

from syntaxa.app.features.help import Help
from syntaxa.app.program import start
from syntaxa.app.settings import Settings
from syntaxa.app.shell.window import MainWindow
from syntaxa.app.stages.intake.stage import IntakeStage
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
    shell = window.shell
    window.show()
    window.resize(1280, 800)
    QTest.qWait(500)  # type: ignore[call-arg, arg-type]
    shell.canvas.paint_now()
    window.grab().save(str(folder / "0-empty.png"))
    intake = shell.stages[0]
    assert isinstance(intake, IntakeStage), "the first stage takes in"
    _look(window, intake, drawings, folder)
    intake.opening.open_path(drawings / NAME)
    status = walk_demo(window, folder, close=False)
    _ledger(window, folder)
    _help(window, folder)
    _revision(window, intake, drawings, folder)
    shell.commands["switch_look"].run()
    shell.show_stage("mend")
    shell.session.undo()
    shell.session.undo()
    settle(window)
    shell.canvas.fit()
    settle(window)
    take_picture(window, folder / "8-night.png")
    shell.session.files.save(folder / "done.sxj")
    settle(window)
    window.close()
    return status


def _look(window: MainWindow, intake: IntakeStage, drawings: Path, folder: Path) -> None:
    """The shelf with all drawings of the demo, one of them seen large."""
    intake.browse(drawings)
    look, shelf = intake.look, intake.shelf
    _wait(lambda: not shelf.thumbnails.busy and look.preview is not None)
    look.go(next(k for k, p in enumerate(look.paths) if p.name == "pump-cover.pdf"))
    _wait(lambda: look.preview is not None and not look.lane.busy)
    shelf.preview.paint_now()
    window.grab().save(str(folder / "1-look.png"))


def _ledger(window: MainWindow, folder: Path) -> None:
    """The ledger over the panel, with what the mending did marked on the drawing."""
    window.shell.show_stage("mend")
    window.show_ledger(True)
    window.ledger.list.setCurrentRow(window.ledger.list.count() - 1)
    settle(window)
    take_picture(window, folder / "6-ledger.png")
    window.show_ledger(False)


def _help(window: MainWindow, folder: Path) -> None:
    """The help on a stage."""
    window.shell.commands["open_help"].run()
    feature = next(f for f in window.shell.features if isinstance(f, Help))
    if feature.window is not None:
        QTest.qWait(200)  # type: ignore[call-arg, arg-type]
        feature.window.grab().save(str(folder / "9-help.png"))
        feature.window.close()


def _revision(window: MainWindow, intake: IntakeStage, drawings: Path, folder: Path) -> None:
    """What the second revision of the panels changes, before it is taken over."""
    shell = window.shell
    job, sources = shell.session.job, shell.session.sources
    if job is None:
        return
    sources.set(relinked(job.source, drawings / "orchard-pump-panels-rev-b.dxf"), "Link to another file")
    _wait(lambda: sources.revision is not None)
    shell.banner.hide()
    shell.show_stage(intake)
    shell.canvas.fit()
    settle(window)
    take_picture(window, folder / "1-changes.png")
    sources.decline_revision()


def _wait(done: Callable[[], bool]) -> None:
    for _ in range(3000):
        if done():
            break
        QTest.qWait(20)  # type: ignore[call-arg, arg-type]
    QTest.qWait(100)  # type: ignore[call-arg, arg-type]


if __name__ == "__main__":
    sys.exit(main(Path(sys.argv[1])))
