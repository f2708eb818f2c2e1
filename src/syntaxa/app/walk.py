"""The demo walked through its stages without a hand on the mouse: a picture of each, and the figures."""

from __future__ import annotations

import time
from pathlib import Path

from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.shell.window import MainWindow
from syntaxa.deliver.write import Output, deliver
from syntaxa.job.handover import Handover, hand_over
from syntaxa.mend.survey import Survey

#: Seconds after which something is stuck.
_PATIENCE = 120.0


def walk_demo(window: MainWindow, folder: Path, close: bool = True) -> int:
    """Goes through the stages as a user would, each as it says itself; 0 if all went well."""
    folder.mkdir(parents=True, exist_ok=True)
    if not settle(window):
        return _stuck(window, "opening")
    shell, before = window.shell, None
    for stage in shell.stages:
        shell.show_stage(stage)
        settle(window)
        for name, run in stage.walk():
            run()
            if not settle(window):
                return _stuck(window, name)
            if name:
                take_picture(window, folder / f"{name}.png")
            found = surveyed(shell.session)
            if name == "4-mend-found" and found is not None:
                before = found.survey
    state, found = shell.session.state, surveyed(shell.session)
    if state is None or found is None or before is None:
        return _stuck(window, "the figures")
    outputs = [folder / "orchard-pump-panels-clean.dxf", folder / "orchard-pump-panels-clean.svg"]
    for path in outputs:
        deliver(state, path, Output())
    packed = _hand_over(window, folder / "orchard-pump-panels.zip")
    if packed is None:
        return _stuck(window, "the package")
    outputs.append(packed)
    job = folder / "orchard-pump-panels.sxj"
    shell.session.files.save(job)
    if not settle(window) or not job.exists():
        return _stuck(window, "saving")
    _print_figures(before, found.survey, folder, [*outputs, job])
    if close:
        window.close()
    return 0


def _hand_over(window: MainWindow, path: Path) -> Path | None:
    """Everything that leaves the house, in one package: profiles, the body, the sheet, the program, the account."""
    session = window.shell.session
    job, evaluation = session.job, session.evaluation
    if job is None or evaluation is None:
        return None
    wanted = Handover(("dxf", "svg", "pdf", "step", "sheets", "nc", "setup", "account", "received"))
    hand_over(job, evaluation, session.computing.evaluator, wanted, path, "the day of the demo")
    return path


def settle(window: MainWindow) -> bool:
    """Waits until everything is computed and painted; False if it takes too long."""
    end = time.monotonic() + _PATIENCE
    while time.monotonic() < end:
        QTest.qWait(20)  # type: ignore[call-arg, arg-type]
        if is_settled(window):
            QApplication.processEvents()
            return True
    return False


def is_settled(window: MainWindow) -> bool:
    """Whether everything is computed and painted."""
    shell = window.shell
    if shell.is_coming or any(lane.busy for lane in shell.lanes) or shell.canvas.painting or shell.session.stale:
        return False
    return shell.session.evaluation is not None and surveyed(shell.session) is not None


def take_picture(window: MainWindow, path: Path) -> None:
    """A PNG of the whole window."""
    window.shell.canvas.paint_now()
    window.grab().save(str(path))


def _stuck(window: MainWindow, where: str) -> int:
    says = window.shell.banner.sentence
    print(f"The walk did not get past {where}. {says}")  # noqa: T201  the walk reports to a terminal
    return 1


def _print_figures(before: Survey, after: Survey, folder: Path, outputs: list[Path]) -> None:
    kinds = sorted({*before.counts(), *after.counts()})
    rows = [("curves", before.curves, after.curves), ("open ends", before.open_ends, after.open_ends)]
    rows.append(("closed regions", len(before.regions), len(after.regions)))
    rows += [(k, before.counts().get(k, 0), after.counts().get(k, 0)) for k in kinds]
    lines = [f"{'':<16}{'before':>8}{'after':>8}", *(f"{name:<16}{a:>8}{b:>8}" for name, a, b in rows)]
    lines += [f"pictures in {folder}", *(f"written: {path}" for path in outputs)]
    print("\n".join(lines))  # noqa: T201  the walk reports to a terminal
