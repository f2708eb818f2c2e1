"""Deliver: the clean profiles go out."""

from __future__ import annotations

from collections.abc import Sequence
from typing import cast

from syntaxa.app.canvas.layer import Layer
from syntaxa.app.canvas.layers.regions import RegionsLayer
from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Stage, WalkStep
from syntaxa.app.stages.deliver.commands import ask_deliver, commands
from syntaxa.app.stages.deliver.panel import DeliverPanel
from syntaxa.job.recipe import Written


class DeliverStage(Stage):
    """Says what would go out, and writes it."""

    name, title, icon = "deliver", "Deliver", "deliver"
    purpose = "Closed contours with true arcs, one layer a sketch, at true size with the unit in the header."

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self._regions = RegionsLayer()
        shell.session.opened.connect(self._forget)
        shell.session.history_changed.connect(self._forget)

    def make_panel(self) -> DeliverPanel:
        made = DeliverPanel(self.shell.session)
        made.deliver_wanted.connect(lambda: ask_deliver(self))
        return made

    @property
    def own_panel(self) -> DeliverPanel:
        """The panel, as what it is."""
        return cast(DeliverPanel, self.panel)

    def commands(self) -> Sequence[Command]:
        return commands(self)

    def layers(self) -> Sequence[Layer]:
        return (self._regions,)

    def refresh(self) -> None:
        found = surveyed(self.shell.session)
        self._regions.show(found.survey.regions if found is not None else ())

    def written(self) -> Written:
        output = self.own_panel.output
        return Written((self.own_panel.ending,), output.unit, output.release, output.roles, output.construction)

    def walk(self) -> Sequence[WalkStep]:
        return (("8-deliver", lambda: None),)

    def _forget(self) -> None:
        """What was written no longer is what is shown."""
        if self.has_panel:
            self.own_panel.forget_result()
