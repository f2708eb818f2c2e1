"""The commands of Form."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial
from pathlib import Path
from typing import TYPE_CHECKING

from syntaxa.app.shell.commands import Command
from syntaxa.app.stages.form.front import VIEW_NAMES
from syntaxa.app.words import tr
from syntaxa.deliver.solids import deliver_solids
from syntaxa.errors import Progress
from syntaxa.form.part import Formed

if TYPE_CHECKING:
    from syntaxa.app.stages.form.stage import FormStage

#: Keys of the views: the arrows say from where.
_KEYS = {"isometric": "Alt+Home", "top": "Alt+Up", "front": "Alt+PgDown", "right": "Alt+Right", "left": "Alt+Left",
         "back": "Alt+PgUp", "bottom": "Alt+Down"}  # fmt: skip


def commands(stage: FormStage) -> Sequence[Command]:
    """All of them."""

    def is_open() -> bool:
        return stage.is_open

    def has_bodies() -> bool:
        state = stage.shell.session.state
        return state is not None and any(not b.hidden for b in state.part(Formed).bodies)

    views = [
        Command(
            f"view_{name}",
            tr("View from the {0}", tr(name)) if name != "isometric" else tr("Isometric view"),
            "Form/look",
            partial(_look, stage, k),
            _KEYS[name],
            "",
            is_open,
        )
        for k, name in enumerate(VIEW_NAMES)
    ]
    return (
        Command(
            "raise_regions",
            tr("Raise what is chosen"),
            "Form/make",
            lambda: stage.own_panel.make.raise_(),
            "Ctrl+U",
            "",
            is_open,
        ),
        Command(
            "turn_regions", tr("Turn what is chosen"), "Form/make", lambda: stage.own_panel.make.turn(), "", "", is_open
        ),
        *views,
        Command(
            "fit_space", tr("Show all of space"), "Form/see", lambda: stage.space.view.fit(), "Shift+Home", "", is_open
        ),
        Command(
            "see_through",
            tr("See through the bodies"),
            "Form/see",
            lambda: stage.space.through.toggle(),
            "Shift+X",
            "",
            is_open,
        ),
        Command("show_plan", tr("The drawing in its plane"), "Form/see", stage.leave_front, "", "", is_open),
        Command(
            "write_bodies",
            tr("Write the bodies…"),
            "Form/out",
            lambda: ask_write(stage),
            "Ctrl+Shift+B",
            "",
            has_bodies,
        ),
    )


def _look(stage: FormStage, number: int) -> None:
    stage.space.looks.setCurrentIndex(number)
    stage.space.view.look(VIEW_NAMES[number])


def ask_write(stage: FormStage) -> None:
    """Asks where, and writes the bodies there."""
    shell = stage.shell
    evaluation, job = shell.session.evaluation, shell.session.job
    if evaluation is None or job is None:
        return
    path = shell.choosers.save_bodies(shell.window, shell.settings.values.folder, Path(job.source.name).stem)
    if path is None:
        return
    shell.settings.values.folder = str(path.parent)

    def write(progress: Progress) -> tuple[str, ...]:
        return deliver_solids(evaluation.state, path, context=evaluation.context(progress))

    shell.run(
        tr("Writing {0}", path.name), write, lambda notes: shell.tell(" ".join([tr("Wrote {0}.", path.name), *notes]))
    )
