"""The questions that stop the user, in one place: tests put others in."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QFileDialog, QMessageBox, QWidget

_OPEN_FILTER = "Drawings and jobs (*.dxf *.DXF *.sxj);;All files (*)"


class Choosers:
    """File choosers and the question about unsaved work."""

    def open_file(self, parent: QWidget, folder: str) -> Path | None:
        """A drawing or job to open."""
        name, _ = QFileDialog.getOpenFileName(parent, "Open a drawing or a job", folder, _OPEN_FILTER)
        return Path(name) if name else None

    def save_job(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to save the job."""
        start = str(Path(folder) / f"{name}.sxj")
        chosen, _ = QFileDialog.getSaveFileName(parent, "Save the job", start, "Jobs (*.sxj)")
        return Path(chosen) if chosen else None

    def save_profiles(self, parent: QWidget, folder: str, name: str, ending: str) -> Path | None:
        """Where to write the profiles."""
        start = str(Path(folder) / f"{name}-clean{ending}")
        kind = f"{ending[1:].upper()} (*{ending})"
        chosen, _ = QFileDialog.getSaveFileName(parent, "Write the profiles", start, kind)
        return Path(chosen) if chosen else None

    def ask_unsaved(self, parent: QWidget, name: str) -> QMessageBox.StandardButton:
        """What to do with unsaved work."""
        buttons = QMessageBox.StandardButton
        return QMessageBox.question(
            parent,
            "Unsaved work",
            f"“{name}” has changes that are not saved.",
            buttons.Save | buttons.Discard | buttons.Cancel,
            buttons.Save,
        )

    def tell(self, parent: QWidget, title: str, text: str) -> None:
        """A text to read."""
        QMessageBox.information(parent, title, text)
