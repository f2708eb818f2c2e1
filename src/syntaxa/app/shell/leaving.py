"""Saving, and the question that comes before unsaved work would be lost."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice, Qt
from PyQt6.QtWidgets import QMessageBox

from syntaxa.job.store import ENDING

if TYPE_CHECKING:
    from syntaxa.app.shell.shell import Shell


def _nothing() -> None:
    """Nothing follows."""


class Leaving:
    """Saves the job, and goes on only where nothing would be lost."""

    def __init__(self, shell: Shell) -> None:
        self._shell = shell

    def save(self, then: Callable[[], None] = _nothing) -> None:
        """Saves the job where it came from, or asks; then goes on."""
        path = self._shell.session.files.path
        if path is None:
            self.save_as(then)
        else:
            self._shell.session.files.save(path, self._picture(), then)

    def save_as(self, then: Callable[[], None] = _nothing) -> None:
        """Asks where to save the job; then goes on."""
        shell = self._shell
        path = shell.choosers.save_job(shell.window, shell.settings.values.folder, shell.session.files.name)
        if path is None:
            return
        target: Path = path if path.suffix.lower() == ENDING else path.with_name(path.name + ENDING)

        def saved() -> None:
            shell.settings.add_recent(target)
            then()

        shell.session.files.save(target, self._picture(), saved)

    def before(self, then: Callable[[], None]) -> None:
        """Goes on where nothing unsaved would be lost, or the user says so."""
        shell = self._shell
        if not shell.session.files.unsaved_work:
            then()
            return
        answer = shell.choosers.ask_unsaved(shell.window, shell.session.files.name)
        if answer == QMessageBox.StandardButton.Save:
            self.save(then)
        elif answer == QMessageBox.StandardButton.Discard:
            then()

    def _picture(self) -> bytes:
        """A small picture of the canvas for the job file."""
        data = QByteArray()
        buffer = QBuffer(data)
        buffer.open(QIODevice.OpenModeFlag.WriteOnly)
        picture = self._shell.canvas.grab().scaledToWidth(480, Qt.TransformationMode.SmoothTransformation)
        picture.save(buffer, "PNG")
        return bytes(data.data())
