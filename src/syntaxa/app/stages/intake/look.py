"""The drawings that are being looked at before one is taken in: which, how it is read, and what is chosen of it."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

import msgspec
from PyQt6.QtCore import QObject, pyqtSignal

from syntaxa.app.canvas.scene import Scene
from syntaxa.app.session.lanes import Lane
from syntaxa.app.session.session import Session
from syntaxa.app.words import tr
from syntaxa.drawing.annotations import Annotation
from syntaxa.drawing.model import Drawing
from syntaxa.drawing.units import mm_per
from syntaxa.errors import PasswordNeeded, Progress, SyntaxaError
from syntaxa.geometry.transform import Transform
from syntaxa.intake.model import ReadOptions, Received
from syntaxa.intake.registry import ENDINGS, load_bytes
from syntaxa.intake.steps import TakeIn, chosen_of
from syntaxa.job.evaluate import verdict_of
from syntaxa.job.model import Source
from syntaxa.job.presets import KeptChoices

#: Drawings of one folder that are shown.
_MOST = 2000


@dataclass(frozen=True, slots=True)
class Preview:
    """A drawing made ready to be shown, in mm of the unit that it is probably in.

    layers  name, how many curves and how many annotations lie on it, and whether its author had it showing
    """

    source: Source
    received: Received
    unit: str
    scene: Scene
    notes: tuple[Annotation, ...]
    layers: tuple[tuple[str, int, int, bool], ...]
    kinds: dict[str, int]
    box: tuple[float, float, float, float] | None

    @property
    def to_mm(self) -> float:
        """mm of one of the file's own numbers."""
        return mm_per(self.unit)


@dataclass(frozen=True, slots=True)
class _Refused:
    """Why a drawing cannot be shown."""

    says: str
    locked: bool


class Viewing(QObject):
    """Steps through drawings and reads the one that is looked at, in the background."""

    listed = pyqtSignal()
    moved = pyqtSignal()
    shown = pyqtSignal()
    refused = pyqtSignal(str, bool)

    def __init__(self, session: Session, kept: KeptChoices) -> None:
        super().__init__(session)
        self._session, self.kept = session, kept
        self.paths: list[Path] = []
        self.at = -1
        self.folder: Path | None = None
        self.choice = TakeIn()
        self.why = ""
        self.preview: Preview | None = None
        #: The source of the job whose choices are being changed, if it is not a new file.
        self.editing: Source | None = None
        self.lane = Lane(self)

    @property
    def path(self) -> Path | None:
        """The drawing that is looked at."""
        return self.paths[self.at] if 0 <= self.at < len(self.paths) else None

    # ------------------------------------------------------------------ which drawing

    def through(self, folder: Path) -> None:
        """Lists all drawings of a folder."""
        try:
            found = sorted((p for p in folder.iterdir() if p.suffix.lower() in ENDINGS and p.is_file()), key=_by_name)
        except OSError as error:
            self.refused.emit(tr("{0} cannot be looked through: {1}.", folder, error.strerror), False)
            return
        self.folder = folder
        self._list(found[:_MOST])

    def over(self, paths: Sequence[Path]) -> None:
        """Lists these drawings."""
        self.folder = None
        self._list(list(paths))

    def edit(self, source: Source, choice: TakeIn) -> None:
        """Shows a source of the job, to change what is taken of it."""
        self.paths, self.at, self.folder = [], -1, None
        self.editing, self.choice, self.why = source, choice, ""
        self.preview = None
        self.listed.emit()
        self.moved.emit()
        self._read(source, None)

    def _list(self, paths: list[Path]) -> None:
        self.paths, self.at, self.editing = paths, -1, None
        self.listed.emit()
        if paths:
            self.go(0)
        else:
            self.preview = None
            self.moved.emit()

    def step(self, by: int) -> None:
        """Goes some drawings on; stops at the ends."""
        if self.paths:
            self.go(min(max(self.at + by, 0), len(self.paths) - 1))

    def go(self, index: int) -> None:
        """Looks at a drawing of the list."""
        if index == self.at or not 0 <= index < len(self.paths):
            return
        self.at, self.preview, self.editing = index, None, None
        self.choice, self.why = TakeIn(), ""
        self.moved.emit()
        self._read(None, self.paths[index])

    # ------------------------------------------------------------------ what is chosen

    def choose(self, choice: TakeIn) -> None:
        """Other choices for the drawing that is looked at."""
        if choice == self.choice:
            return
        again = choice.read != self.choice.read or self.preview is None
        shows = _filter(choice) != _filter(self.choice)
        self.choice, self.why = choice, ""
        if again or shows:
            self._read(self.preview.source if self.preview else self.editing, self.path)
        else:
            self.shown.emit()

    def choose_reading(self, read: ReadOptions) -> None:
        """Reads it otherwise; picked curves are let go, for they may have other ids."""
        if read != self.choice.read:
            self.choose(msgspec.structs.replace(self.choice, read=read, ids=None))

    def stop(self) -> None:
        """Ends all reading."""
        self.lane.stop_all()

    # ------------------------------------------------------------------ reading

    def _read(self, source: Source | None, path: Path | None) -> None:
        choice, fresh = self.choice, self.preview is None and self.editing is None

        def work(progress: Progress) -> tuple[TakeIn, str, Preview | _Refused]:
            try:
                return self._looked_at(source, path, choice, fresh, progress)
            except PasswordNeeded as error:
                return choice, "", _Refused(str(error), True)

        def done(result: tuple[TakeIn, str, Preview | _Refused]) -> None:
            chosen, why, preview = result
            if isinstance(preview, _Refused):
                self.refused.emit(preview.says, preview.locked)
                return
            if fresh:
                self.choice, self.why = chosen, why
            self.preview = preview
            self.shown.emit()

        title = tr("Reading {0}", path.name if path else source.name if source else "")
        self.lane.run(title, work, done, lambda says: self.refused.emit(says, False))

    def _looked_at(
        self, source: Source | None, path: Path | None, choice: TakeIn, fresh: bool, progress: Progress
    ) -> tuple[TakeIn, str, Preview]:
        if source is None:
            if path is None:
                raise SyntaxaError(tr("There is no drawing to look at."))
            source = Source.of(path.name, load_bytes(path), str(path.resolve()))
        why = ""
        if fresh and path is not None and choice == TakeIn():
            choice, why = self.kept.offered(path.resolve(), source.digest)
        try:
            received = self._session.sources.read(source, choice.read, progress)
        except PasswordNeeded:
            raise
        except SyntaxaError:
            if not why:
                raise
            # What was kept does not fit this file (a page that it does not have, say): begin anew.
            choice, why = TakeIn(), ""
            received = self._session.sources.read(source, choice.read, progress)
        return choice, why, _preview(source, received, choice)


def _by_name(path: Path) -> tuple[str, str]:
    return path.name.lower(), path.name


def _filter(choice: TakeIn) -> TakeIn:
    """The part of the choices that decides what is drawn: a part that is cut out is only marked."""
    return msgspec.structs.replace(
        choice, box=None, ids=None, box_mode="inside", into="", source=1, dissolve=False, skip_hidden=False
    )


def _preview(source: Source, received: Received, choice: TakeIn) -> Preview:
    unit = verdict_of(received).unit
    # What the author had hidden is listed, and taken if it is ticked, but not shown: it would hide what counts.
    shown = msgspec.structs.replace(_filter(choice), skip_hidden=True)
    placed = _placed(chosen_of(received.drawing, shown), unit)
    whole = received.drawing
    scene = Scene.of_drawing(placed)
    scene.prepare()
    curves, notes = Counter(c.layer for c in whole.curves), Counter(a.layer for a in whole.annotations)
    layers = tuple((x.name, curves[x.name], notes[x.name], x.shown) for x in whole.layers)
    kinds = {"curves": len(whole.curves), **whole.annotation_counts()}
    box = placed.extents() or placed.full_extents()
    return Preview(source, received, unit, scene, placed.annotations, layers, kinds, box)


def _placed(drawing: Drawing, unit: str) -> Drawing:
    return drawing if mm_per(unit) == 1.0 else drawing.transformed(Transform.scaling(mm_per(unit)))
