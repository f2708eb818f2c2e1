"""The demo walked through its stages without a hand on the mouse: a picture of each, and the figures."""

from __future__ import annotations

import time
from collections.abc import Callable
from pathlib import Path

from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from syntaxa.app.main_window import MainWindow
from syntaxa.deliver.write import Output, deliver
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin
from syntaxa.mend.survey import Survey
from syntaxa.route.steps import ChooseLayers

#: Seconds after which something is stuck.
_PATIENCE = 120.0

#: Layers of the demo that hold no parts.
_NOT_PARTS = ("CENTRE-LINES", "CONSTRUCTION", "NOTES", "TITLE-BLOCK")


def walk_demo(window: MainWindow, folder: Path) -> int:
    """Goes through the stages as a user would; 0 if all went well."""
    folder.mkdir(parents=True, exist_ok=True)
    steps: tuple[tuple[str, int, Callable[[], None]], ...] = (
        ("1-intake", 0, lambda: None),
        ("2-measure", 1, lambda: _measure(window)),
        ("3-route", 2, lambda: window.session.do(ChooseLayers(_NOT_PARTS))),
        ("3-picked", 2, lambda: _pick(window)),
        ("4-mend-found", 3, lambda: None),
        ("5-mend-one", 3, lambda: window.mend.step(1)),
        ("5-mend-sweep", 3, window.mend.try_tolerances),
        ("5-mend-trials", 3, window.mend.try_treatments),
        ("6-mend-done", 3, window.fix_all),
        ("6-mend-compare", 3, lambda: _compare(window)),
        ("6-mend-reshape", 3, lambda: _reshape(window)),
        ("7-deliver", 4, lambda: None),
    )
    if not settle(window):
        return _stuck(window, "opening")
    before: Survey | None = None
    for name, stage, run in steps:
        window.show_stage(stage)
        run()
        if not settle(window):
            return _stuck(window, name)
        if name == "4-mend-found" and window.session.surveyed_state is not None:
            before = window.session.surveyed_state.survey
        if name == "6-mend-done":
            window.mend.show_findings()
        if name in ("5-mend-sweep", "6-mend-done"):
            window.fit()
            settle(window)
        take_picture(window, folder / f"{name}.png")
    state, surveyed = window.session.state, window.session.surveyed_state
    if state is None or surveyed is None or before is None:
        return _stuck(window, "the figures")
    outputs = [folder / "orchard-pump-panels-clean.dxf", folder / "orchard-pump-panels-clean.svg"]
    for path in outputs:
        deliver(state, path, Output())
    job = folder / "orchard-pump-panels.sxj"
    if not window.session.save(job):
        return _stuck(window, "saving")
    _print_figures(before, surveyed.survey, folder, [*outputs, job])
    window.close()
    return 0


def settle(window: MainWindow) -> bool:
    """Waits until everything is computed and painted; False if it takes too long."""
    end = time.monotonic() + _PATIENCE
    while time.monotonic() < end:
        QTest.qWait(20)  # type: ignore[call-arg, arg-type]
        if (
            not window.session.busy
            and not window.deliveries.busy
            and not window.canvas.painting
            and window.session.surveyed_state is not None
        ):
            QApplication.processEvents()
            return True
    return False


def take_picture(window: MainWindow, path: Path) -> None:
    """A PNG of the whole window."""
    window.canvas.paint_now()
    window.grab().save(str(path))


def _measure(window: MainWindow) -> None:
    window.session.do(ChooseUnit("in"))
    settle(window)
    window.session.do(PlaceOrigin("lower-left"))


def _compare(window: MainWindow) -> None:
    """What was received on the left, the result on the right, and in bands how far it is off."""
    window.compare_received()
    settle(window)
    page = window.mend.compare
    page.way.setCurrentIndex(page.way.findData("swipe"))
    page.heat.setChecked(True)


def _reshape(window: MainWindow) -> None:
    """What squaring up would do."""
    window.reshape()
    page = window.mend.reshape
    page.kind.setCurrentText("Square up")
    page.look_first()


def _pick(window: MainWindow) -> None:
    """The screw holes of the control box get a role."""
    window.route.tabs.setCurrentIndex(3)
    window.pick_by_words("circles under 2 in on CONTROL-BOX")
    window.route.picked.give(True)


def _stuck(window: MainWindow, where: str) -> int:
    print(f"The walk did not get past {where}. {window.banner.sentence}")  # noqa: T201  the walk reports to a terminal
    return 1


def _print_figures(before: Survey, after: Survey, folder: Path, outputs: list[Path]) -> None:
    kinds = sorted({*before.counts(), *after.counts()})
    rows = [("curves", before.curves, after.curves), ("open ends", before.open_ends, after.open_ends)]
    rows.append(("closed regions", len(before.regions), len(after.regions)))
    rows += [(k, before.counts().get(k, 0), after.counts().get(k, 0)) for k in kinds]
    lines = [f"{'':<16}{'before':>8}{'after':>8}", *(f"{name:<16}{a:>8}{b:>8}" for name, a, b in rows)]
    lines += [f"pictures in {folder}", *(f"written: {path}" for path in outputs)]
    print("\n".join(lines))  # noqa: T201  the walk reports to a terminal
