"""Recipes: the steps of a job saved, used in another, and run on many drawings."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from syntaxa.app.features.batch_dialog import BatchDialog
from syntaxa.app.session.lanes import Lane
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import counted, tr
from syntaxa.errors import SyntaxaError
from syntaxa.job.recipe import ENDING, Written, load_recipe, recipe_of, save_recipe, with_recipe


class Recipes(Feature):
    """The Recipe menu."""

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.batch_work = Lane(self)
        shell.add_lane(self.batch_work)
        self._dialog: BatchDialog | None = None

    def commands(self) -> Sequence[Command]:
        return (
            Command(
                "ask_save_recipe",
                tr("Save the steps as a recipe…"),
                "Recipe/save",
                lambda: self._save_recipe(only_routing=False),
                "Ctrl+R",
                "",
                self._has_job,
            ),
            Command(
                "ask_save_map",
                tr("Save only rules and line styles…"),
                "Recipe/save",
                lambda: self._save_recipe(only_routing=True),
                "",
                "",
                self._has_job,
            ),
            Command(
                "ask_use_recipe",
                tr("Use a recipe in this job…"),
                "Recipe/use",
                self.ask_use_recipe,
                "Ctrl+Shift+R",
                "",
                self._has_job,
            ),
            Command(
                "ask_run_recipe", tr("Run a recipe on many drawings…"), "Recipe/use", self.ask_run_recipe, "Ctrl+Alt+R"
            ),
        )

    def _has_job(self) -> bool:
        return self.shell.session.job is not None

    def _save_recipe(self, only_routing: bool) -> None:
        shell, job = self.shell, self.shell.session.job
        if job is None:
            return
        path = shell.choosers.save_recipe(shell.window, shell.settings.values.folder, shell.session.files.name)
        if path is None:
            return
        if path.suffix.lower() != ENDING:
            path = path.with_name(path.name + ENDING)
        written = next((w for s in shell.stages if (w := s.written()) is not None), Written())
        made = recipe_of(job, path.stem, written, only_routing)
        try:
            save_recipe(made.recipe, path)
        except SyntaxaError as error:
            shell.complain(str(error))
            return
        steps = counted(len(made.recipe.steps), "step")
        if made.left:
            left = "; ".join(made.left[:4])
            shell.banner.tell(tr("{0} has {1}. What only fits this drawing was left out: {2}.", path.name, steps, left))
        else:
            shell.tell(tr("Saved {0} with {1}.", path.name, steps))

    def ask_use_recipe(self) -> None:
        """Asks for a recipe and does its steps in this job."""
        path = self.shell.choosers.open_recipe(self.shell.window, self.shell.settings.values.folder)
        if path is not None:
            self.use_recipe(path)

    def use_recipe(self, path: Path) -> None:
        """Does the steps of a recipe in this job, as one change."""
        job = self.shell.session.job
        try:
            recipe = load_recipe(path)
        except SyntaxaError as error:
            self.shell.complain(str(error))
            return
        if job is not None:
            self.shell.session.change(with_recipe(job, recipe), tr("Use the recipe {0}", recipe.name))
            for stage in self.shell.stages:
                stage.take_written(recipe.written)

    def ask_run_recipe(self) -> None:
        """Runs a recipe on many drawings."""
        shell = self.shell
        self._dialog = BatchDialog(shell.window, shell.choosers, shell.settings, self.batch_work)
        self._dialog.show()
