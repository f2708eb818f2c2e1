"""What is done with variants in the window: a table opened or saved, one used, all written."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from syntaxa.app.words import tr
from syntaxa.define.model import Variant
from syntaxa.define.part import Defined
from syntaxa.define.sizes import SetVariants, setting_steps
from syntaxa.define.variants import table_of, variants_in
from syntaxa.errors import Progress, SyntaxaError, reason_of
from syntaxa.files import write_atomically

if TYPE_CHECKING:
    from syntaxa.app.stages.define.stage import DefineStage

#: Bytes; a table of sizes is a page.
_LARGEST = 1 << 20


def open_table(stage: DefineStage) -> None:
    """Asks for a table and takes its variants."""
    shell = stage.shell
    path = shell.choosers.open_table(shell.window, shell.settings.values.folder)
    if path is None:
        return
    try:
        with path.open("rb") as file:
            data = file.read(_LARGEST)
        variants = variants_in(data, path.name)
    except OSError as error:
        shell.complain(tr("{0} cannot be opened: {1}.", path.name, reason_of(error)))
    except SyntaxaError as error:
        shell.complain(str(error))
    else:
        stage.own_panel.do(SetVariants(variants))


def save_table(stage: DefineStage) -> None:
    """Asks for a file and writes the variants to it."""
    shell, state = stage.shell, stage.shell.session.state
    path = shell.choosers.save_table(shell.window, shell.settings.values.folder, shell.session.files.name)
    if path is None or state is None:
        return
    try:
        write_atomically(path, table_of(state.part(Defined).variants).encode())
    except OSError as error:
        shell.complain(tr("{0} cannot be written: {1}.", path.name, reason_of(error)))
    else:
        shell.tell(tr("Wrote {0}.", path.name))


def use(stage: DefineStage, variant: Variant) -> None:
    """Gives the job the values of a variant, as one change."""
    session = stage.shell.session
    job, state = session.job, session.state
    if job is None or state is None:
        return
    for step in setting_steps(state.part(Defined), variant.settings):
        job = job.with_step(step)
    if job is not session.job:
        session.change(job, tr("Use variant {0}", variant.name))


def write_all(stage: DefineStage) -> None:
    """Asks for a folder and writes the profiles of every variant to it."""
    shell, evaluation = stage.shell, stage.shell.session.evaluation
    folder = shell.choosers.open_folder(shell.window, shell.settings.values.folder)
    if folder is None or evaluation is None:
        return
    variants = evaluation.state.part(Defined).variants
    output = folder / f"{shell.session.files.name or 'profiles'}.dxf"

    def write(progress: Progress) -> tuple[list[Path], list[str]]:
        # The writers are loaded when one is wanted.
        from syntaxa.deliver.write import Output
        from syntaxa.job.variants import write_variants

        return write_variants(evaluation, variants, [output], Output(), progress)

    def written(done: tuple[list[Path], list[str]]) -> None:
        files, notes = done
        shell.tell(tr("{0} of {1} variants were written to {2}.", len(files), len(variants), folder.name))
        if notes:
            shell.complain(" ".join(notes[:3]))

    shell.run(tr("Writing the variants"), write, written)
