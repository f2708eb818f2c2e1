"""The commands of Intake, and what can be done with a source of the job."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import TYPE_CHECKING

import msgspec
from PyQt6.QtWidgets import QApplication

from syntaxa.app.shell.commands import Command
from syntaxa.app.words import tr
from syntaxa.errors import reason_of
from syntaxa.files import write_atomically
from syntaxa.intake.report import as_text
from syntaxa.job.model import Source
from syntaxa.job.revise import detached, relinked

if TYPE_CHECKING:
    from syntaxa.app.stages.intake.stage import IntakeStage
    from syntaxa.app.stages.intake.taken import SourcesPage


def commands(stage: IntakeStage) -> Sequence[Command]:
    """Opening, looking, taking in, and the report."""
    session = stage.shell.session

    def has_job() -> bool:
        return session.job is not None

    def has_look() -> bool:
        return stage.looking and stage.look.preview is not None

    def has_shelf() -> bool:
        return stage.looking and has_job()

    return (
        Command("ask_open", tr("Open…"), "File/open", stage.opening.ask_open, "Ctrl+O", "open"),
        Command("ask_browse", tr("Look through a folder…"), "File/open", stage.ask_browse, "Ctrl+Shift+O", "browse"),
        Command(
            "ask_add",
            tr("Add a drawing to this job…"),
            "File/open",
            lambda: ask_add(stage),
            "Ctrl+Shift+A",
            "",
            has_job,
        ),
        Command("open_demo", tr("Open the demo"), "File/open", stage.opening.open_demo, "", "demo"),
        Command("browse_demo", tr("Look through the demo drawings"), "File/open", stage.opening.browse_demo),
        Command(
            "take_in",
            tr("Take in the drawing that is looked at"),
            "File/looked at",
            stage.take_in,
            "Ctrl+Return",
            "",
            has_look,
        ),
        Command(
            "leave_shelf", tr("Back to the job"), "File/looked at", stage.leave_front, "Ctrl+Backspace", "", has_shelf
        ),
        Command(
            "check_sources",
            tr("Look for changed files"),
            "File/sources",
            session.sources.look_for_changes,
            "F5",
            "",
            has_job,
        ),
        Command(
            "ask_report", tr("Save the import report…"), "File/reports", lambda: ask_report(stage), "", "", has_job
        ),
    )


def connect(stage: IntakeStage, taken: SourcesPage) -> None:
    """What the page of sources asks for."""
    sources, canvas = stage.shell.session.sources, stage.shell.canvas
    taken.change_wanted.connect(lambda number: change_source(stage, number))
    taken.select_wanted.connect(lambda number: select_source(stage, number))
    taken.replace_wanted.connect(lambda number: ask_replace_layer(stage, number))
    taken.relink_wanted.connect(lambda number: ask_relink(stage, number))
    taken.pause_wanted.connect(lambda number: pause_link(stage, number))
    taken.detach_wanted.connect(lambda number: detach_source(stage, number))
    taken.remove_wanted.connect(sources.remove)
    taken.report_wanted.connect(lambda: ask_report(stage))
    taken.copy_wanted.connect(lambda: copy_report(stage))
    taken.fade_chosen.connect(canvas.pictures.set_fade)
    taken.changes.accept_wanted.connect(sources.accept_revision)
    taken.changes.stay_wanted.connect(sources.decline_revision)


def _source(stage: IntakeStage, number: int) -> Source | None:
    job = stage.shell.session.job
    return job.source_numbered(number) if job else None


def ask_add(stage: IntakeStage) -> None:
    """Asks for a drawing to add to the job, and shows it first."""
    shell = stage.shell
    path = shell.choosers.open_drawing(shell.window, tr("Add a drawing to this job"), shell.settings.values.folder)
    if path is not None:
        stage.look_at([path])


def select_source(stage: IntakeStage, number: int) -> None:
    """Selects what came from one source, to be moved, turned or scaled apart from the others."""
    state = stage.shell.session.state
    if state is not None:
        stage.shell.canvas.selection.choose({c.id for c in state.curves() if c.source == number})


def change_source(stage: IntakeStage, number: int) -> None:
    """Shows a source of the job on the shelf, to change what is taken of it."""
    job, source = stage.shell.session.job, _source(stage, number)
    if job is not None and source is not None:
        stage.show_shelf(True)
        stage.look.edit(source, job.taking(number))


def ask_replace_layer(stage: IntakeStage, number: int) -> None:
    """Asks for a layer and a revised file to take it from."""
    shell, evaluation = stage.shell, stage.shell.session.evaluation
    if evaluation is None:
        return
    taken = next((t for t in evaluation.first.taken if t.number == number), None)
    layer = shell.choosers.choose_layer(shell.window, [x.name for x in taken.drawing.layers] if taken else [])
    if layer is None:
        return
    path = shell.choosers.open_drawing(shell.window, tr("Take layer {0} from", layer), shell.settings.values.folder)
    if path is not None:
        shell.session.sources.replace_layer(number, layer, path)


def ask_relink(stage: IntakeStage, number: int) -> None:
    """Asks for another file that a source is linked to."""
    shell, source = stage.shell, _source(stage, number)
    path = shell.choosers.open_drawing(shell.window, tr("Link to"), shell.settings.values.folder)
    if source is not None and path is not None:
        shell.session.sources.set(relinked(source, path), tr("Link to {0}", path.name))


def pause_link(stage: IntakeStage, number: int) -> None:
    """Pauses a link, or resumes it."""
    source = _source(stage, number)
    if source is not None:
        paused = source.link == "linked"
        changed = replace(source, link="paused" if paused else "linked")
        stage.shell.session.sources.set(changed, tr("Pause a link") if paused else tr("Resume a link"))


def detach_source(stage: IntakeStage, number: int) -> None:
    """Lets a source go from its file."""
    source = _source(stage, number)
    if source is not None:
        stage.shell.session.sources.set(detached(source), tr("Detach a source"))


def ask_report(stage: IntakeStage) -> None:
    """Asks for a file and writes the import report, as text or JSON."""
    shell, records = stage.shell, stage.own_panel.taken.records()
    path = shell.choosers.save_report(shell.window, shell.settings.values.folder, shell.session.files.name)
    if path is None or not records:
        return
    if path.suffix.lower() == ".json":
        data = msgspec.json.format(msgspec.json.encode(records), indent=2)
    else:
        data = "\n".join(as_text(r) for r in records).encode()
    try:
        write_atomically(path, data)
    except OSError as error:
        shell.complain(tr("{0} cannot be written: {1}. Save it in another folder.", path, reason_of(error)))
        return
    shell.tell(tr("Wrote {0}.", path.name))


def copy_report(stage: IntakeStage) -> None:
    """Puts the import report on the clipboard."""
    clipboard = QApplication.clipboard()
    if clipboard is not None:
        clipboard.setText("\n".join(as_text(r) for r in stage.own_panel.taken.records()))
        stage.shell.tell(tr("The report is on the clipboard."))
