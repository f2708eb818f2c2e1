"""The commands of Mend, and the account of the mending."""

from __future__ import annotations

import time
from collections.abc import Sequence
from typing import TYPE_CHECKING

from syntaxa.app.shell.commands import Command
from syntaxa.app.stages.mend.fixing import fix
from syntaxa.app.words import tr
from syntaxa.errors import Progress
from syntaxa.mend.views import Budget

if TYPE_CHECKING:
    from syntaxa.app.stages.mend.stage import MendStage


def commands(stage: MendStage) -> Sequence[Command]:
    """All of them."""
    session, findings, chosen = stage.shell.session, stage.has_findings, stage.has_chosen

    def has_job() -> bool:
        return session.job is not None

    return (
        Command("next_finding", tr("Next finding"), "Mend/walk", lambda: stage.show().step(1), "N", "next", findings),
        Command(
            "previous_finding",
            tr("Previous finding"),
            "Mend/walk",
            lambda: stage.show().step(-1),
            "Shift+N",
            "previous",
            findings,
        ),
        Command(
            "fix_chosen",
            tr("Fix this finding"),
            "Mend/fix",
            lambda: stage.own_panel.findings.fix_chosen(),
            "X",
            "fix",
            chosen,
        ),
        Command(
            "fix_all",
            tr("Fix all findings"),
            "Mend/fix",
            lambda: fix(session, None),
            "Ctrl+Shift+X",
            "fix-all",
            findings,
        ),
        Command("flicker", tr("Flicker before and after"), "Mend/see", stage.flicker, "Ctrl+B", "", chosen),
        Command(
            "try_tolerances",
            tr("Try every tolerance"),
            "Mend/more",
            lambda: stage.show().try_tolerances(),
            "",
            "",
            has_job,
        ),
        Command(
            "try_treatments",
            tr("Try treatments side by side"),
            "Mend/more",
            lambda: stage.show().try_treatments(),
            "",
            "",
            has_job,
        ),
        Command(
            "compare_received",
            tr("Compare with what was received"),
            "Mend/more",
            lambda: stage.show().show_compare(),
            "",
            "",
            has_job,
        ),
        Command("reshape", tr("Reshape…"), "Mend/more", lambda: stage.show().show_reshape(), "", "", has_job),
        Command(
            "ask_account",
            tr("Save the mending report…"),
            "File/reports",
            lambda: ask_account(stage),
            "Ctrl+Shift+E",
            "",
            has_job,
        ),
    )


def ask_account(stage: MendStage) -> None:
    """Asks for a file and writes what was mended, to be sent to a client."""
    shell = stage.shell
    session, job = shell.session, shell.session.job
    path = shell.choosers.save_account(shell.window, shell.settings.values.folder, session.files.name)
    if path is None or job is None:
        return
    name, budget, evaluator = session.files.name, session.chosen(Budget).mm, session.computing.evaluator

    def write(progress: Progress) -> None:
        # What makes pages is loaded when one is wanted.
        from syntaxa.app.widgets.page_pdf import pdf_of
        from syntaxa.deliver.out import put_out
        from syntaxa.job.account import account_of, report_bytes

        made = time.strftime("%d %B %Y, %H:%M")
        ending = path.suffix.lower()
        accounted = account_of(job, name, evaluator, budget, progress)
        if ending == ".pdf":
            put_out(path, pdf_of(report_bytes(accounted, ".html", made).decode()))
        else:
            put_out(path, report_bytes(accounted, ending, made))

    shell.run(tr("Writing {0}", path.name), write, lambda _nothing: shell.tell(tr("Wrote {0}.", path.name)))
