"""The questions that stop the user, in one place: tests put others in."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QFileDialog, QInputDialog, QLineEdit, QMessageBox, QWidget

from syntaxa.app.words import tr
from syntaxa.intake.registry import ENDINGS

_DRAWINGS = " ".join(f"*{e} *{e.upper()}" for e in ENDINGS)
_OPEN_FILTER = tr("Drawings and jobs ({0} *.sxj);;All files (*)", _DRAWINGS)


class Choosers:
    """File choosers and the question about unsaved work."""

    def open_file(self, parent: QWidget, folder: str) -> Path | None:
        """A drawing or job to open."""
        name, _ = QFileDialog.getOpenFileName(parent, tr("Open a drawing or a job"), folder, _OPEN_FILTER)
        return Path(name) if name else None

    def open_drawing(self, parent: QWidget, title: str, folder: str) -> Path | None:
        """A drawing for something else than a new job."""
        name, _ = QFileDialog.getOpenFileName(parent, title, folder, tr("Drawings ({0});;All files (*)", _DRAWINGS))
        return Path(name) if name else None

    def open_folder(self, parent: QWidget, folder: str) -> Path | None:
        """A folder to look through."""
        name = QFileDialog.getExistingDirectory(parent, tr("Look through a folder"), folder)
        return Path(name) if name else None

    def open_drawings(self, parent: QWidget, folder: str) -> list[Path]:
        """Several drawings."""
        names, _ = QFileDialog.getOpenFileNames(
            parent, tr("Drawings"), folder, tr("Drawings ({0});;All files (*)", _DRAWINGS)
        )
        return [Path(name) for name in names]

    def open_recipe(self, parent: QWidget, folder: str) -> Path | None:
        """A recipe."""
        name, _ = QFileDialog.getOpenFileName(
            parent, tr("Choose a recipe"), folder, tr("Recipes (*.sxr);;All files (*)")
        )
        return Path(name) if name else None

    def save_recipe(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to save a recipe."""
        start = str(Path(folder) / f"{name}.sxr")
        chosen, _ = QFileDialog.getSaveFileName(parent, tr("Save the recipe"), start, tr("Recipes (*.sxr)"))
        return Path(chosen) if chosen else None

    def open_table(self, parent: QWidget, folder: str) -> Path | None:
        """A table of variants."""
        name, _ = QFileDialog.getOpenFileName(parent, tr("Choose a table"), folder, tr("Tables (*.csv);;All files (*)"))
        return Path(name) if name else None

    def save_table(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to save a table of variants."""
        start = str(Path(folder) / f"{name}-variants.csv")
        chosen, _ = QFileDialog.getSaveFileName(parent, tr("Save the table"), start, tr("Tables (*.csv)"))
        return Path(chosen) if chosen else None

    def save_report(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to write the import report."""
        start = str(Path(folder) / f"{name}-report.txt")
        chosen, _ = QFileDialog.getSaveFileName(parent, tr("Save the report"), start, tr("Text (*.txt);;JSON (*.json)"))
        return Path(chosen) if chosen else None

    def save_account(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to write the account of the mending."""
        start = str(Path(folder) / f"{name}-mending.html")
        chosen, _ = QFileDialog.getSaveFileName(
            parent, tr("Save the mending report"), start, tr("Page (*.html);;PDF (*.pdf);;JSON (*.json)")
        )
        return Path(chosen) if chosen else None

    def choose_layer(self, parent: QWidget, names: list[str]) -> str | None:
        """One layer of several."""
        name, sure = QInputDialog.getItem(
            parent, tr("Replace one layer"), tr("The layer to take from another file:"), names, 0, False
        )
        return name if sure else None

    def save_job(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to save the job."""
        start = str(Path(folder) / f"{name}.sxj")
        chosen, _ = QFileDialog.getSaveFileName(parent, tr("Save the job"), start, tr("Jobs (*.sxj)"))
        return Path(chosen) if chosen else None

    def save_bodies(self, parent: QWidget, folder: str, name: str) -> Path | None:
        """Where to write the bodies."""
        start = str(Path(folder) / f"{name}.step")
        kinds = tr("STEP (*.step *.stp);;STL (*.stl);;3MF (*.3mf)")
        chosen, kind = QFileDialog.getSaveFileName(parent, tr("Write the bodies"), start, kinds)
        if not chosen:
            return None
        path = Path(chosen)
        return path if path.suffix else path.with_suffix(f".{kind.partition(' ')[0].lower()}")

    def save_cut(self, parent: QWidget, title: str, folder: str, name: str, kinds: str) -> Path | None:
        """Where to write something of Cut; kinds of files as the toolkit has them."""
        chosen, kind = QFileDialog.getSaveFileName(parent, title, str(Path(folder) / name), kinds)
        if not chosen:
            return None
        path = Path(chosen)
        return path if path.suffix else path.with_suffix(f".{kind.partition('*.')[2].partition(' ')[0].rstrip(')')}")

    def open_cut(self, parent: QWidget, title: str, folder: str, kinds: str) -> Path | None:
        """A machine or a table of tools."""
        name, _ = QFileDialog.getOpenFileName(parent, title, folder, f"{kinds};;All files (*)")
        return Path(name) if name else None

    def save_profiles(self, parent: QWidget, folder: str, name: str, ending: str) -> Path | None:
        """Where to write the profiles."""
        start = str(Path(folder) / f"{name}-clean{ending}")
        kind = f"{ending[1:].upper()} (*{ending})"
        chosen, _ = QFileDialog.getSaveFileName(parent, tr("Write the profiles"), start, kind)
        return Path(chosen) if chosen else None

    def ask_password(self, parent: QWidget, says: str) -> str | None:
        """The password of a locked drawing."""
        text, sure = QInputDialog.getText(parent, tr("A locked drawing"), says, QLineEdit.EchoMode.Password)
        return text if sure and text else None

    def ask_unsaved(self, parent: QWidget, name: str) -> QMessageBox.StandardButton:
        """What to do with unsaved work."""
        buttons = QMessageBox.StandardButton
        text = tr("“{0}” has changes that are not saved.", name)
        wanted = buttons.Save | buttons.Discard | buttons.Cancel
        box = QMessageBox(QMessageBox.Icon.NoIcon, tr("Unsaved work"), text, wanted, parent)
        box.setDefaultButton(buttons.Save)
        return buttons(box.exec())

    def tell(self, parent: QWidget, title: str, text: str) -> None:
        """A text to read."""
        QMessageBox.information(parent, title, text)
