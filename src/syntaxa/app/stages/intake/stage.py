"""Intake: drawings are seen before they are taken in, and what was taken in is accounted for."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from pathlib import Path
from typing import cast

from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.changes import ChangesLayer
from syntaxa.app.canvas.tools.box import BoxTool
from syntaxa.app.sentences import said
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.intake import commands
from syntaxa.app.stages.intake.layers import change_marks
from syntaxa.app.stages.intake.look import Viewing
from syntaxa.app.stages.intake.opening import Opening
from syntaxa.app.stages.intake.panel import IntakePanel
from syntaxa.app.stages.intake.shelf import Shelf
from syntaxa.app.words import tr
from syntaxa.intake.report import sentences
from syntaxa.intake.steps import TakeIn
from syntaxa.intake.views import RECORDS
from syntaxa.job.presets import KeptChoices
from syntaxa.job.store import ENDING


class IntakeStage(Stage):
    """Opens drawings and jobs, shows the shelf, and follows linked files."""

    name, title, icon = "intake", tr("Intake"), "intake"
    purpose = tr("See a drawing before it is taken in, and what could not be read from it.")
    notes = "all"

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.look = Viewing(shell.session, KeptChoices(shell.settings.choices_path))
        shell.add_lane(self.look.lane)
        #: Whether the shelf stands in front.
        self.looking = False
        self.opening = Opening(self)
        self._changes = ChangesLayer()
        self.look.shown.connect(shell.refreshed)
        self.look.refused.connect(lambda _says, _locked: shell.refreshed.emit())
        self.look.moved.connect(self._show_choices)
        shell.session.opened.connect(self._opened)
        shell.session.sources.revised.connect(self._revised)
        shell.session.evaluated.connect(self._settle_revision)

    # ------------------------------------------------------------------ the interface

    @cached_property
    def shelf(self) -> Shelf:
        """The shelf, made when it is first wanted."""
        made = Shelf(self.look, self.shell.settings.pictures_folder)
        made.folder_wanted.connect(self.ask_browse)
        made.take_wanted.connect(self.take_in)
        made.left.connect(self.leave_front)
        made.list.itemSelectionChanged.connect(self._show_choices)
        made.dress(self.shell.dress.tokens, self.shell.dress.lengths)
        self.shell.dress.changed.connect(lambda: made.dress(self.shell.dress.tokens, self.shell.dress.lengths))
        return made

    def make_panel(self) -> IntakePanel:
        made = IntakePanel(self.shell.session, self.look, lambda: self.looking)
        made.open_wanted.connect(self.opening.ask_open)
        made.browse_wanted.connect(self.ask_browse)
        made.path_wanted.connect(self.look_at_recent)
        choices, taken = made.choices, made.taken
        choices.take_wanted.connect(self.take_in)
        choices.add_wanted.connect(self.add_looked_at)
        choices.box_wanted.connect(self._draw_box)
        commands.connect(self, taken)
        return made

    @property
    def own_panel(self) -> IntakePanel:
        """The panel, as what it is."""
        return cast(IntakePanel, self.panel)

    def commands(self) -> Sequence[Command]:
        return commands.commands(self)

    def layers(self) -> Sequence[Layer]:
        return (self._changes,)

    def front(self) -> QWidget | None:
        return self.shelf if self.looking else None

    def leave_front(self) -> None:
        self.show_shelf(False)

    def left(self) -> None:
        self.shell.canvas.scene_layer.fade("changes", False)

    def refresh(self) -> None:
        marks = change_marks(self.shell.session)
        self._changes.show(marks)
        self.shell.canvas.scene_layer.fade("changes", marks is not None)
        self.own_panel.show_recent(self.shell.settings.recent_paths())

    def open_matters(self) -> int:
        session = self.shell.session
        if session.evaluation is None:
            return 0
        records = session.view(RECORDS) or ()
        return sum(len(sentences(r)) for r in records) + (session.sources.revision is not None)

    def begin(self, files: Sequence[Path]) -> bool:
        if files:
            self.opening.open_paths(files)
        return bool(files)

    def dropped(self, paths: Sequence[Path]) -> bool:
        folders = [p for p in paths if p.is_dir()]
        if folders:
            self.browse(folders[0])
        elif len(paths) == 1 and paths[0].suffix.lower() == ENDING:
            self.opening.open_path(paths[0])
        elif paths:
            self.look_at([p for p in paths if p.suffix.lower() != ENDING])
        return bool(paths)

    def stop(self) -> None:
        self.look.stop()
        if "shelf" in self.__dict__:
            self.shelf.thumbnails.stop()

    def walk(self) -> Sequence[WalkStep]:
        return (("1-intake", lambda: None),)

    def _opened(self) -> None:
        self.opening.opened()
        self.looking = False
        self.shell.show_stage(self)

    # ------------------------------------------------------------------ the shelf

    def ask_browse(self) -> None:
        """Asks for a folder and shows its drawings on the shelf."""
        folder = self.shell.choosers.open_folder(self.shell.window, self.shell.settings.values.folder)
        if folder is not None:
            self.browse(folder)

    def browse(self, folder: Path) -> None:
        """Shows the drawings of a folder on the shelf."""
        self.shell.settings.values.folder = str(folder.resolve())
        self.shell.settings.save()
        self.show_shelf(True)
        self.look.through(folder)

    def look_at(self, paths: Sequence[Path]) -> None:
        """Shows drawings on the shelf, before anything is taken in."""
        self.show_shelf(True)
        self.look.over(paths)
        if len(paths) > 1:
            self.shelf.list.selectAll()

    def look_at_recent(self, path: Path) -> None:
        """A drawing that was opened before is looked at, a job is opened."""
        if path.suffix.lower() == ENDING:
            self.opening.open_path(path)
        else:
            self.look_at([path])

    def take_in(self) -> None:
        """Takes in what is looked at: as a new job, or with other choices where it is a source of this one."""
        preview, choice = self.look.preview, self.look.choice
        if self.look.editing is not None:
            self.show_shelf(False)
            self.shell.session.do(choice)
            return
        path = self.look.path
        if preview is None or path is None:
            return

        def go_on() -> None:
            self.look.kept.remember(path.resolve(), preview.source.digest, choice)
            self.opening.opening = path
            others = self._others_marked(path)
            self.show_shelf(False)
            files = self.shell.session.files
            if others:
                files.open_several([(path, choice), *others])
            else:
                files.open_path(path, choice)

        self.shell.leaving.before(go_on)

    def add_looked_at(self) -> None:
        """Adds what is looked at to the job in a sketch of its own, and all else that is marked."""
        preview, path = self.look.preview, self.look.path
        if preview is None or path is None:
            return
        self.look.kept.remember(path.resolve(), preview.source.digest, self.look.choice)
        chosen = [(path, self.look.choice), *self._others_marked(path)]
        self.show_shelf(False)
        self.shell.fit_next()
        self.shell.session.sources.add(chosen)

    def _others_marked(self, path: Path) -> list[tuple[Path, TakeIn]]:
        """What is marked on the shelf beside a drawing, each to be taken in to a sketch of its own."""
        marked = self.shelf.chosen_paths() if self.own_panel.choices.marked_several else []
        return [(p, TakeIn(into=p.stem)) for p in marked if p != path]

    def show_shelf(self, looking: bool) -> None:
        """Goes to Intake with the shelf in front, or lets the canvas come forward where the shelf is."""
        if not looking and not self.looking:
            return
        self.looking = looking
        if not looking:
            self.look.lane.cancel()
        self.shell.show_stage(self)
        self._show_choices()
        (self.shelf.preview if looking else self.shell.canvas).setFocus()

    def _show_choices(self) -> None:
        if not self.looking:
            return
        state = self.shell.session.state
        sketches = None if state is None else [s.name for s in state.sketches]
        self.shelf.show_back(sketches is not None)
        marked = len(self.shelf.list.selectedItems())
        self.own_panel.choices.show_with(self.shell.dress.lengths, sketches, marked)
        self.shell.refreshed.emit()

    def _draw_box(self) -> None:
        self.shelf.preview.take(BoxTool(self.shelf.preview, self.shelf.take_box))

    # ------------------------------------------------------------------ revisions

    def _settle_revision(self) -> None:
        if self.shell.session.sources.revision is None:
            self.shell.banner.settle("changed file")

    def _revised(self) -> None:
        revised = self.shell.session.sources.revision
        if revised is None:
            return
        self.shell.refresh()
        says = tr("{0} changed on disk: {1}.", revised.new.name, said(revised.changes.sentence()))
        stay = self.shell.session.sources.decline_revision
        self.shell.banner.tell(
            says, ((tr("Look at it"), self._look_at_revision), (tr("Stay with the old"), stay)), "changed file"
        )

    def _look_at_revision(self) -> None:
        self.show_shelf(False)
        self.shell.show_stage(self)
        box = self._changes.marks.box() if self._changes.marks else None
        if box is not None:
            self.shell.canvas.fit_box(box, margin=0.15)
