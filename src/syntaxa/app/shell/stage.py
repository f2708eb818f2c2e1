"""The one interface of stages, and that of features, which are there in every stage."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import cached_property
from pathlib import Path
from typing import TYPE_CHECKING, Any, Literal

from PyQt6.QtCore import QObject
from PyQt6.QtWidgets import QWidget

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.panel import Ready, StagePanel
from syntaxa.job.recipe import Written

if TYPE_CHECKING:
    from syntaxa.app.shell.panel import StagePanel
    from syntaxa.app.shell.shell import Shell

#: A picture of the demo's walk, by its name, and what is done for it.
WalkStep = tuple[str, Callable[[], object]]


class Member(QObject):
    """What stages and features have in common: they are given the shell, and bring commands and layers."""

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.shell = shell

    def commands(self) -> Sequence[Command]:
        """What can be done here."""
        return ()

    def lasting_layers(self) -> Sequence[Layer]:
        """What it shows on the canvas in every stage."""
        return ()

    def begin(self, files: Sequence[Path]) -> bool:
        """The program has begun with these files, or with none; whether something was made of them here."""
        del files
        return False

    def dropped(self, paths: Sequence[Path]) -> bool:
        """Files or folders were dropped on the window; whether it takes them."""
        del paths
        return False

    def escape(self) -> bool:
        """Escape was pressed; whether there was anything to be ended here."""
        return False

    def stop(self) -> None:
        """The program ends: all work of its own is stopped."""


class Stage(Member):
    """A stage of the work: a panel, commands, layers and tools; it knows no other."""

    name = ""
    title = ""
    icon = ""
    #: What it is for, for tool tips, empty states and help.
    purpose = ""
    #: Whether the ledger can be had while something stands in the canvas's place.
    keeps_ledger = False
    #: Which of what is written beside the drawing is seen in it.
    notes: Literal["all", "pictures"] = "pictures"

    @property
    def panel(self) -> StagePanel:
        """The panel, made when it is first wanted."""
        while self._own_panel.fill_next():
            pass
        return self._own_panel

    @cached_property
    def _own_panel(self) -> StagePanel:
        made = self.make_panel()
        made.head(self.title, self.purpose)
        return made

    def make_next(self) -> None:
        """Makes the next part of the panel, for whoever has no time for all of it at once; see `has_panel`."""
        if self.ready.make_next():
            return
        if "_own_panel" in self.__dict__:
            self._own_panel.fill_next()
        else:
            _ = self._own_panel

    @cached_property
    def ready(self) -> Ready:
        """Pages of the panel that are made before it is wanted."""
        return Ready(self.shell.home, *self.pages())

    def pages(self) -> Sequence[tuple[Any, ...]]:
        """Which pages these are: their classes, each with what it is made with."""
        return ()

    def make_panel(self) -> StagePanel:
        """The panel."""
        raise NotImplementedError

    @property
    def has_panel(self) -> bool:
        """Whether the panel is there, with all that is in it."""
        return "_own_panel" in self.__dict__ and self._own_panel.is_full

    def layers(self) -> Sequence[Layer]:
        """What it shows on the canvas while it is open."""
        return ()

    def front(self) -> QWidget | None:
        """What stands in the canvas's place just now."""
        return None

    def leave_front(self) -> None:
        """The canvas is wanted in its place."""

    def entered(self) -> None:
        """It is open now."""

    def left(self) -> None:
        """It is open no longer."""

    def refresh(self) -> None:
        """The job or a view changed while it is open."""

    def selection_changed(self) -> None:
        """Other curves are selected, while it is open."""

    def open_matters(self) -> int:
        """How many things in it still want a decision."""
        return 0

    def status(self) -> str:
        """What the status line says of it, in every stage."""
        return ""

    def walk(self) -> Sequence[WalkStep]:
        """The pictures that the demo's walk takes in it."""
        return ()

    def written(self) -> Written | None:
        """What a recipe writes, where this stage says so."""
        return None

    def take_written(self, written: Written) -> None:
        """A recipe is used: takes the choices that it was saved with, where this stage has them."""


def panels_away(stages: Sequence[Stage], open_stage: Stage | None) -> list[QWidget]:
    """The panels that are made and belong to no open stage, each with all that is in it."""
    panels = [s.panel for s in stages if s.has_panel and s is not open_stage]
    return [w for panel in panels for w in (panel, *panel.findChildren(QWidget))]


class Feature(Member):
    """Something that is there in every stage, with a strip under the canvas where it wants one."""

    strip: QWidget | None = None

    def waits_for_typing(self) -> bool:
        """Whether a tool of it takes typed values now."""
        return False

    def type_text(self, text: str) -> None:
        """What was typed over the drawing."""

    def finish_typing(self) -> None:
        """Return over the drawing."""

    def refresh(self) -> None:
        """The job, the look or the display unit changed."""
