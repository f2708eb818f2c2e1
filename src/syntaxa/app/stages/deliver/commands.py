"""The command of Deliver."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from syntaxa.app.shell.commands import Command
from syntaxa.errors import Progress

if TYPE_CHECKING:
    from syntaxa.app.stages.deliver.stage import DeliverStage
    from syntaxa.deliver.write import Delivered


def commands(stage: DeliverStage) -> Sequence[Command]:
    """All of them."""
    session = stage.shell.session
    return (
        Command("ask_deliver", "Deliver profiles…", "File/out", lambda: ask_deliver(stage), "Ctrl+E", "deliver",
                lambda: session.job is not None),
    )  # fmt: skip


def ask_deliver(stage: DeliverStage) -> None:
    """Asks for a file and writes the profiles to it."""
    shell = stage.shell
    shell.show_stage(stage)
    state, panel = shell.session.state, stage.own_panel
    if state is None:
        return
    ending, output = panel.ending, panel.output
    path = shell.choosers.save_profiles(shell.window, shell.settings.values.folder, shell.session.files.name, ending)
    if path is None:
        return
    target = path if path.suffix.lower() == ending else path.with_name(path.name + ending)

    def write(progress: Progress) -> Delivered:
        # The writers are loaded when one is wanted.
        from syntaxa.deliver.write import deliver

        progress(0.1)
        return deliver(state, target, output)

    def written(done: Delivered) -> None:
        panel.tell_written(target, done)
        shell.tell(f"Wrote {target.name}.")

    shell.run(f"Writing {target.name}", write, written)
