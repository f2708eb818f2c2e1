"""The commands of Deliver: files, sheets, the package, the clipboard and the printer."""

from __future__ import annotations

import time
from collections.abc import Sequence
from pathlib import Path
from typing import TYPE_CHECKING

from syntaxa.app.shell.commands import Command
from syntaxa.app.words import counted, tr
from syntaxa.errors import Progress

if TYPE_CHECKING:
    from syntaxa.app.stages.deliver.stage import DeliverStage
    from syntaxa.deliver.formats import Written
    from syntaxa.deliver.sheets.making import Made
    from syntaxa.job.evaluate import Evaluation
    from syntaxa.job.handover import Package

_PAGES = tr("PDF (*.pdf);;SVG (*.svg);;DXF (*.dxf);;PNG (*.png)")


def commands(stage: DeliverStage) -> Sequence[Command]:
    """All of them."""
    session = stage.shell.session

    def has_job() -> bool:
        return session.job is not None

    def has_sheets() -> bool:
        from syntaxa.deliver.sheets.model import Sheets

        return session.state is not None and bool(session.state.part(Sheets).sheets)

    return (
        Command(
            "ask_deliver", tr("Deliver profiles…"), "File/out", lambda: ask_deliver(stage), "Ctrl+E", "deliver", has_job
        ),
        Command(
            "ask_pack", tr("Hand over a package…"), "File/out", lambda: ask_pack(stage), "Ctrl+Shift+Y", "", has_job
        ),
        Command(
            "pack_again",
            tr("The same package again"),
            "File/out",
            lambda: pack_again(stage),
            "Ctrl+Alt+Y",
            "",
            lambda: has_job() and stage.packed_to is not None,
        ),
        Command(
            "print_sheets", tr("Print the sheets…"), "File/out", lambda: ask_print(stage), "Ctrl+P", "", has_sheets
        ),
        Command(
            "write_sheets", tr("Write all sheets…"), "File/out", lambda: ask_sheets(stage, True), "", "", has_sheets
        ),
        Command(
            "copy_drawing",
            tr("Copy the profiles as a picture"),
            "Edit/copy",
            lambda: copy_drawing(stage),
            "Ctrl+Shift+G",
            "",
            has_job,
        ),
    )


def ask_deliver(stage: DeliverStage) -> None:
    """Asks for a file and writes the chosen format to it."""
    shell = stage.shell
    shell.show_stage(stage)
    state, panel, evaluation = shell.session.state, stage.own_panel, shell.session.evaluation
    if state is None or evaluation is None:
        return
    form, output = panel.files.format, panel.files.output
    path = shell.choosers.save_profiles(
        shell.window, shell.settings.values.folder, shell.session.files.name, form.ending
    )
    if path is None:
        return
    target = path if path.suffix.lower() == form.ending else path.with_name(path.name + form.ending)

    def write(progress: Progress) -> Written:
        # The writers are loaded when one is wanted.
        from syntaxa.deliver.formats import write_format

        progress(0.1)
        return write_format(form, state, target, output, evaluation.context(progress))

    def written(done: Written) -> None:
        panel.files.tell_written(done)
        shell.tell(tr("Wrote {0}.", done.files[0].name if len(done.files) == 1 else counted(len(done.files), "file")))

    shell.run(tr("Writing {0}", target.name), write, written)


def ask_sheets(stage: DeliverStage, every: bool) -> None:
    """Asks for a file and writes the chosen sheet to it, or all of them."""
    shell = stage.shell
    state, evaluation, job = shell.session.state, shell.session.evaluation, shell.session.files.name
    chosen = stage.own_panel.sheets.sheet
    if state is None or evaluation is None or (chosen is None and not every):
        return
    name = job if every or chosen is None else f"{job} {chosen.name}"
    path = shell.choosers.save_cut(shell.window, tr("Write"), shell.settings.values.folder, f"{name}.pdf", _PAGES)
    if path is None:
        return
    shell.settings.values.folder = str(path.parent)

    def work(progress: Progress) -> tuple[list[Path], list[str]]:
        from syntaxa.deliver.sheets.writing import left_out, write_pages

        made = _made_sheets(stage, evaluation, "" if every or chosen is None else chosen.name, job, progress)
        leaves = [m.leaf for m in made]
        files = write_pages(leaves, path)
        return files, [*(note for m in made for note in m.told()), *left_out(leaves, path.suffix.lower())]

    def told(done: tuple[list[Path], list[str]]) -> None:
        files, notes = done
        what = files[0].name if len(files) == 1 else counted(len(files), "file")
        shell.tell(" ".join([tr("Wrote {0}.", what), *notes]))

    shell.run(tr("Writing {0}", path.name), work, told)


def _made_sheets(
    stage: DeliverStage, evaluation: Evaluation, name: str, job: str, progress: Progress
) -> list[Made]:  # fmt: skip
    """The sheets of a job, or the one of a name: the very same that are shown. Raises DeliverError."""
    from syntaxa.deliver.sheets.model import Sheets
    from syntaxa.deliver.sheets.views import SHEET
    from syntaxa.errors import DeliverError

    made: list[Made] = []
    wanted = [s for s in evaluation.state.part(Sheets).sheets if not name or s.name == name]
    for k, sheet in enumerate(wanted):
        progress(0.8 * k / len(wanted))
        shown = stage.shell.session.computing.views.make(SHEET, evaluation, sheet.name, job)
        if shown.made is None:
            raise DeliverError(f"{sheet.name}: {shown.why}")
        made.append(shown.made)
    return made


def ask_pack(stage: DeliverStage) -> None:
    """Asks for a file and hands everything over in it."""
    from syntaxa.app.stages.deliver.panel import PACKAGE

    shell = stage.shell
    shell.show_stage(stage)
    if stage.own_panel.tabs.currentIndex() != PACKAGE:
        # What is in it is seen before it is written.
        stage.own_panel.tabs.setCurrentIndex(PACKAGE)
        return
    path = shell.choosers.save_cut(
        shell.window, tr("Write the package"), shell.settings.values.folder, f"{shell.session.files.name}.zip",
        tr("Packages (*.zip)"),
    )  # fmt: skip
    if path is not None:
        shell.settings.values.folder = str(path.parent)
        _pack(stage, path)


def pack_again(stage: DeliverStage) -> None:
    """Writes the package to where it was written last."""
    if stage.packed_to is not None:
        _pack(stage, stage.packed_to)


def _pack(stage: DeliverStage, path: Path) -> None:
    shell, session = stage.shell, stage.shell.session
    job, evaluation, evaluator = session.job, session.evaluation, session.computing.evaluator
    if job is None or evaluation is None:
        return
    panel = stage.own_panel
    panel.package.show_state(evaluation.state, panel.job_name, panel.files.output)
    wanted = panel.package.wanted(panel.files.output)
    made = time.strftime("%d %B %Y, %H:%M")

    def work(progress: Progress) -> Package:
        from syntaxa.job.handover import hand_over

        return hand_over(job, evaluation, evaluator, wanted, path, made, progress)

    def told(package: Package) -> None:
        stage.packed_to = path
        shell.tell(
            " ".join([tr("Wrote {0} with {1}.", path.name, counted(len(package.files), "file")), *package.notes])
        )

    shell.run(tr("Writing {0}", path.name), work, told)


def copy_drawing(stage: DeliverStage) -> None:
    """Puts the profiles on the clipboard, as SVG and as PNG."""
    shell, state = stage.shell, stage.shell.session.state
    if state is None:
        return

    def work(progress: Progress) -> tuple[bytes, bytes]:
        from syntaxa.deliver.pages.model import plan_leaf
        from syntaxa.deliver.pages.png import png_of
        from syntaxa.deliver.plan import plan_of
        from syntaxa.deliver.svg import svg_bytes

        progress(0.1)
        plan = plan_of(state)
        leaf = plan_leaf(plan)
        progress(0.5)
        # As many dots as a large screen has, whatever the size of the thing.
        dots = min(300.0, 25.4 * 3000 / max(leaf.width, leaf.height))
        return svg_bytes(plan)[0], png_of(leaf, dots)

    def copied(done: tuple[bytes, bytes]) -> None:
        from PyQt6.QtCore import QMimeData
        from PyQt6.QtGui import QGuiApplication, QImage

        svg, png = done
        data = QMimeData()
        data.setData("image/svg+xml", svg)
        data.setData("image/png", png)
        data.setImageData(QImage.fromData(png))
        clipboard = QGuiApplication.clipboard()
        if clipboard is not None:
            clipboard.setMimeData(data)
            shell.tell(tr("Copied the profiles, as SVG and as PNG."))

    shell.run(tr("Copying"), work, copied)


def ask_print(stage: DeliverStage) -> None:
    """Shows the sheets as they will be printed, and prints them through the system."""
    shell = stage.shell
    state, evaluation, job = shell.session.state, shell.session.evaluation, shell.session.files.name
    if state is None or evaluation is None:
        return

    def work(progress: Progress) -> list[Made]:
        return _made_sheets(stage, evaluation, "", job, progress)

    def shown(made: list[Made]) -> None:
        from syntaxa.app.stages.deliver.printing import preview

        if made:
            preview(shell.window, [m.leaf for m in made], job)

    shell.run(tr("Getting the sheets ready"), work, shown)
