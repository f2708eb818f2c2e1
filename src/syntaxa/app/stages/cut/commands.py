"""The commands of Cut: adding operations, playing, and what is written."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path
from typing import TYPE_CHECKING

import msgspec

from syntaxa.app.shell.commands import Command
from syntaxa.app.words import counted, tr
from syntaxa.cut.library import machine_named, text_of, tools_as_csv, tools_from
from syntaxa.cut.part import Planned
from syntaxa.cut.sets import OperationSet, set_as_toml, set_in
from syntaxa.cut.sheets import on_sheet
from syntaxa.cut.steps import DropOperations, HoldTools, SetMachine, SetOperation, SetStock
from syntaxa.deliver.out import put_out
from syntaxa.errors import Progress, SyntaxaError

if TYPE_CHECKING:
    from syntaxa.app.stages.cut.stage import CutStage
    from syntaxa.cut.proving import Proven


def commands(stage: CutStage) -> Sequence[Command]:
    """All of them."""

    def is_open() -> bool:
        return stage.shell.open_stage is stage and stage.shell.session.state is not None

    def has_program() -> bool:
        return stage.shell.open_stage is stage and stage.has_panel and stage.own_panel.proven is not None

    def has_sheets() -> bool:
        state = stage.shell.session.state
        return has_program() and state is not None and bool(state.part(Planned).sheets)

    return (
        Command(
            "add_operation",
            tr("Add an operation"),
            "Cut/make",
            lambda: stage.own_panel.operations.add(),
            "Ctrl+Shift+K",
            "",
            is_open,
        ),
        Command("play_program", tr("Play the program, or stand still"), "Cut/run", stage.play, "P", "", has_program),
        Command(
            "step_program",
            tr("One move ahead"),
            "Cut/run",
            lambda: stage.own_panel.run.step(1),
            "F8",
            "",
            has_program,
        ),
        Command(
            "step_back", tr("One move back"), "Cut/run", lambda: stage.own_panel.run.step(-1), "F7", "", has_program
        ),
        Command(
            "next_found",
            tr("Next thing that the bench machine found"),
            "Cut/run",
            stage.next_found,
            "",
            "",
            has_program,
        ),
        Command(
            "write_program",
            tr("Write the program…"),
            "Cut/out",
            lambda: ask_program(stage),
            "Ctrl+Shift+N",
            "",
            has_program,
        ),
        Command(
            "write_tool_programs",
            tr("Write a program for each tool…"),
            "Cut/out",
            lambda: ask_program(stage, True),
            "",
            "",
            has_program,
        ),
        Command(
            "write_sheet_programs",
            tr("Write the programs of all sheets…"),
            "Cut/out",
            lambda: ask_sheets(stage),
            "",
            "",
            has_sheets,
        ),
        Command("write_setup", tr("Write the setup sheet…"), "Cut/out", lambda: ask_setup(stage), "", "", has_program),
        Command(
            "write_cut_drawing",
            tr("Write the paths as a drawing…"),
            "Cut/out",
            lambda: ask_drawing(stage),
            "",
            "",
            has_program,
        ),
    )


def _written(stage: CutStage, path: Path | None, write: Callable[[Proven, Path], Sequence[str]]) -> None:
    """Writes something of the program in the background, and says so."""
    done, shell = stage.own_panel.proven, stage.shell
    if done is None or path is None:
        return
    shell.settings.values.folder = str(path.parent)

    def work(progress: Progress) -> Sequence[str]:
        progress(0.1)
        return write(done, path)

    def told(notes: Sequence[str]) -> None:
        wrong = done.verdict.wrong_count
        warning = tr(" Mind: {0} wrong with the program.", counted(wrong, "thing is", "things are")) if wrong else ""
        shell.tell(" ".join([tr("Wrote {0}.{1}", path.name, warning), *notes]))

    shell.run(tr("Writing {0}", path.name), work, told)


def ask_program(stage: CutStage, a_file_a_tool: bool = False) -> None:
    """Asks where, and writes the program there."""
    shell = stage.shell
    kinds = tr("Programs (*.nc *.ngc *.gcode *.tap)")
    path = shell.choosers.save_cut(
        shell.window, tr("Write the program"), shell.settings.values.folder, f"{stage.job_name}.nc", kinds
    )

    def write(done: Proven, path: Path) -> Sequence[str]:
        from syntaxa.deliver.cutting import deliver_program

        files = deliver_program(done, path, a_file_a_tool)
        return [tr("{0} files.", len(files))] if len(files) > 1 else []

    _written(stage, path, write)


def ask_sheets(stage: CutStage) -> None:
    """Asks where, and writes a program for each sheet of nested parts there, each judged before."""
    shell, state = stage.shell, stage.shell.session.state
    path = shell.choosers.save_cut(
        shell.window, tr("Write the programs of all sheets"), shell.settings.values.folder, f"{stage.job_name}.nc",
        tr("Programs (*.nc *.ngc *.gcode *.tap)"),
    )  # fmt: skip
    if path is None or state is None:
        return
    names = [name for name, _ in state.part(Planned).sheets]

    def work(progress: Progress) -> list[str]:
        from syntaxa.cut.proving import proven
        from syntaxa.deliver.cutting import deliver_program

        wrong = []
        for n, name in enumerate(names):
            progress(n / len(names))
            done = proven(on_sheet(state, name), f"{stage.job_name} {name}")
            deliver_program(done, path.with_stem(f"{path.stem}-{n + 1}"))
            wrong += [tr("{0} has {1} wrong.", name, counted(k, "thing"))] if (k := done.verdict.wrong_count) else []
        return wrong

    def told(wrong: list[str]) -> None:
        shell.tell(" ".join([tr("Wrote {0}, {1}-1 and so on.", counted(len(names), "program"), path.stem), *wrong]))

    shell.run(tr("Writing {0}", path.name), work, told)


def ask_setup(stage: CutStage) -> None:
    """Asks where, and writes the setup sheet there."""
    shell, state = stage.shell, stage.shell.session.state
    kinds = tr("Page (*.html);;PDF (*.pdf)")
    path = shell.choosers.save_cut(
        shell.window, tr("Write the setup sheet"), shell.settings.values.folder, f"{stage.job_name}-setup.html", kinds
    )
    done = stage.own_panel.proven
    if path is None or state is None or done is None:
        return
    from syntaxa.deliver.setup_sheet import setup_sheet

    page = setup_sheet(done, state.part(Planned))
    if path.suffix.lower() == ".pdf":
        # Pictures and text are laid out by the toolkit, which must be done where the window is.
        from syntaxa.app.widgets.page_pdf import pdf_of

        data = pdf_of(page)
    else:
        data = page.encode()

    def write(_done: Proven, path: Path) -> Sequence[str]:
        put_out(path, data)
        return ()

    _written(stage, path, write)


def ask_drawing(stage: CutStage) -> None:
    """Asks where, and writes the paths there as a drawing."""
    shell = stage.shell
    kinds = tr("SVG (*.svg);;DXF (*.dxf);;PDF (*.pdf)")
    path = shell.choosers.save_cut(
        shell.window, tr("Write the paths"), shell.settings.values.folder, f"{stage.job_name}-cut.svg", kinds
    )

    def write(done: Proven, path: Path) -> Sequence[str]:
        from syntaxa.deliver.cutting import deliver_drawing

        return deliver_drawing(done.work, path)

    _written(stage, path, write)


def ask_machine(stage: CutStage) -> None:
    """Asks for the file of a machine, and takes it."""
    shell = stage.shell
    path = shell.choosers.open_cut(
        shell.window, tr("Choose a machine"), shell.settings.values.folder, tr("Machines (*.toml)")
    )
    if path is None:
        return
    try:
        stage.own_panel.do((SetMachine(machine_named(str(path))),))
    except SyntaxaError as error:
        stage.own_panel.refuse(str(error))


def ask_tools(stage: CutStage) -> None:
    """Asks for a table of tools, and takes them into the job."""
    shell = stage.shell
    path = shell.choosers.open_cut(
        shell.window, tr("Choose a table of tools"), shell.settings.values.folder, tr("Tables (*.csv)")
    )
    if path is None:
        return
    try:
        tools = tools_from(text_of(path), path.name)
    except SyntaxaError as error:
        stage.own_panel.refuse(str(error))
        return
    if tools:
        stage.own_panel.do((HoldTools(tools),))


def ask_tools_out(stage: CutStage) -> None:
    """Asks where, and writes all tools there."""
    shell, state = stage.shell, stage.shell.session.state
    path = shell.choosers.save_cut(
        shell.window, tr("Write the tools"), shell.settings.values.folder, "tools.csv", tr("Tables (*.csv)")
    )
    if path is None or state is None:
        return
    own = {t.name: t for t in state.part(Planned).tools}
    tools = {t.name: t for t in stage.own_panel.tools} | own

    def work(_progress: Progress) -> None:
        put_out(path, tools_as_csv(tools.values()).encode())

    shell.run(tr("Writing {0}", path.name), work, lambda _done: shell.tell(tr("Wrote {0}.", path.name)))


def _sets_folder(stage: CutStage) -> Path:
    """Where the user's sets lie: beside the machines."""
    folder = stage.own_folder / "sets"
    folder.mkdir(parents=True, exist_ok=True)
    return folder


def ask_set(stage: CutStage) -> None:
    """Asks for a set of operations, and takes it in the place of what is there: one change."""
    shell, state = stage.shell, stage.shell.session.state
    path = shell.choosers.open_cut(
        shell.window, tr("Choose a set of operations"), str(_sets_folder(stage)), tr("Sets of operations (*.toml)")
    )
    if path is None or state is None:
        return
    plan = state.part(Planned)
    try:
        made = set_in(path)
        machine = (SetMachine(machine_named(made.machine, stage.own_folder / "machines")),) if made.machine else ()
    except SyntaxaError as error:
        stage.own_panel.refuse(str(error))
        return
    stock = msgspec.structs.replace(
        plan.stock, material=made.material or plan.stock.material, thickness=made.thickness or plan.stock.thickness
    )
    names = tuple(o.name for o in plan.operations)
    known = {t.name: t for t in stage.own_panel.tools} | {t.name: t for t in plan.tools}
    wanted = {o.settings.tool for o in made.operations} - {t.name for t in made.tools}
    tools = (*made.tools, *(known[n] for n in sorted(n for n in wanted if n is not None and n in known)))
    stage.own_panel.do(
        (
            *machine,
            *((SetStock(stock),) if stock != plan.stock else ()),
            *((HoldTools(tools),) if tools else ()),
            *((DropOperations(names),) if names else ()),
            *(SetOperation(o) for o in made.operations),
        )
    )


def ask_set_out(stage: CutStage) -> None:
    """Asks where, and keeps all operations there with their tools, for the material and thickness of the stock."""
    shell, state = stage.shell, stage.shell.session.state
    if state is None:
        return
    plan = state.part(Planned)
    title = " ".join(t for t in (plan.stock.material, plan.stock.thickness) if t).replace("/", "-")
    path = shell.choosers.save_cut(
        shell.window, tr("Keep the operations as a set"), str(_sets_folder(stage)), f"{title or 'operations'}.toml",
        tr("Sets of operations (*.toml)"),
    )  # fmt: skip
    if path is None:
        return
    used = {o.settings.tool for o in plan.operations}
    tools = tuple(t for t in plan.tools if t.name in used)
    text = set_as_toml(
        OperationSet(plan.operations, tools, plan.stock.material, plan.stock.thickness, plan.chosen_machine.name)
    )

    def work(_progress: Progress) -> None:
        put_out(path, text.encode())

    by_hand = [o.name for o in plan.operations if o.pick.roots or o.pick.regions or o.pick.without]
    left = tr(" What was picked on the drawing stays out of it: {0}.", ", ".join(by_hand)) if by_hand else ""
    shell.run(tr("Writing {0}", path.name), work, lambda _done: shell.tell(tr("Kept {0}.{1}", path.name, left)))
