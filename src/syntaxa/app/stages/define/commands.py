"""The commands of Define."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from syntaxa.app.shell.commands import Command
from syntaxa.app.words import tr

if TYPE_CHECKING:
    from syntaxa.app.stages.define.stage import DefineStage


def commands(stage: DefineStage) -> Sequence[Command]:
    """All of them."""

    def has_job() -> bool:
        return stage.shell.session.job is not None

    return (
        Command(
            "read_off",
            tr("Read off what holds"),
            "Define/read",
            lambda: stage.show().read_off(),
            "Ctrl+Shift+H",
            "",
            has_job,
        ),
        Command(
            "bind_dimensions",
            tr("Bind the dimensions of the drawing"),
            "Define/read",
            lambda: stage.show().read_dimensions(),
            "",
            "",
            has_job,
        ),
        Command(
            "add_missing", tr("Add the missing dimensions"), "Define/add", stage.doing.add_missing, "", "", has_job
        ),
        Command("draw_dimension", tr("Draw a dimension"), "Define/add", stage.doing.take_dimension, "D", "", has_job),
        Command("drag_points", tr("Drag points and dimensions"), "Define/add", stage.doing.take_hand, "G", "", has_job),
        Command(
            "show_what_holds",
            tr("Show what holds on the drawing"),
            "Define/show",
            stage.picture.holds.switch,
            "H",
            "",
            has_job,
        ),
    )
