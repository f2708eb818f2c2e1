"""The commands of Route: finding curves that belong together."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from syntaxa.app.shell.commands import Command
from syntaxa.app.words import tr

if TYPE_CHECKING:
    from syntaxa.app.stages.route.stage import RouteStage


def commands(stage: RouteStage) -> Sequence[Command]:
    """All of them."""
    session, selection = stage.shell.session, stage.shell.canvas.selection

    def has_job() -> bool:
        return session.job is not None

    def has_picked() -> bool:
        return bool(selection.rows)

    return (
        Command(
            "pick_chain",
            tr("Pick what is connected"),
            "Edit/more",
            lambda: stage.pick_more("chain"),
            "C",
            "",
            has_picked,
        ),
        Command(
            "pick_loop", tr("Pick the closed loop"), "Edit/more", lambda: stage.pick_more("loop"), "L", "", has_picked
        ),
        Command(
            "pick_inverted",
            tr("Invert what is picked"),
            "Edit/more",
            lambda: stage.pick_more("invert"),
            "Ctrl+I",
            "",
            has_job,
        ),
        Command(
            "start_lasso", tr("Draw a lasso"), "Edit/more", lambda: stage.pick_more("lasso"), "Shift+L", "", has_job
        ),
        Command("put_aside", tr("Put what is picked aside"), "Edit/more", stage.put_aside, "Del", "", has_picked),
    )
