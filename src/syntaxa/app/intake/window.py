"""The window's part in Intake: drawings looked at and taken in, sources and their revisions, curves carried over."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from pathlib import Path

import msgspec
from PyQt6.QtCore import QMimeData
from PyQt6.QtWidgets import QApplication, QMainWindow, QStackedWidget

from syntaxa.app.canvas.canvas import Canvas
from syntaxa.app.canvas.change_marks import ChangeMarks
from syntaxa.app.choosers import Choosers
from syntaxa.app.commands import Actions
from syntaxa.app.intake.look import Viewing
from syntaxa.app.intake.shelf import Shelf
from syntaxa.app.ledger_view import LedgerView
from syntaxa.app.lengths import LengthFormat
from syntaxa.app.session import Session
from syntaxa.app.settings import Settings
from syntaxa.app.stages.intake import IntakePanel
from syntaxa.app.status import StatusLine
from syntaxa.app.widgets.banner import Banner
from syntaxa.app.widgets.labels import counted
from syntaxa.errors import SyntaxaError, reason_of
from syntaxa.files import write_atomically
from syntaxa.intake.paste import CopiedCurves, PasteCurves, copied, from_text, to_text, unit_question
from syntaxa.intake.report import as_text
from syntaxa.intake.steps import TakeIn
from syntaxa.job.revise import detached, relinked
from syntaxa.job.store import ENDING
from syntaxa.measure.steps import ChooseUnit

#: What copied curves are called on the clipboard.
CURVES_MIME = "application/x-syntaxa-curves"


class IntakeWindow(QMainWindow):
    """What the main window is made of here; the main window itself makes the parts and has the methods named below."""

    session: Session
    look: Viewing
    shelf: Shelf
    intake: IntakePanel
    canvas: Canvas
    middle: QStackedWidget
    stack: QStackedWidget
    ledger: LedgerView
    banner: Banner
    status: StatusLine
    settings: Settings
    lengths: LengthFormat
    actions_: Actions
    _choosers: Choosers
    _opening: Path | None = None
    _fit_next = False

    def show_stage(self, index: int) -> None:
        """Goes to a stage."""
        raise NotImplementedError

    def open_path(self, path: Path) -> None:
        """Opens a drawing or a job."""
        raise NotImplementedError

    def complain(self, sentence: str) -> None:
        """Tells what went wrong."""
        raise NotImplementedError

    def _may_leave(self) -> bool:
        raise NotImplementedError

    def _enable(self) -> None:
        raise NotImplementedError

    def _refresh(self) -> None:
        raise NotImplementedError

    def _show_content(self, fit: bool = False) -> None:
        raise NotImplementedError

    def _pick(self, label: str, says: str, goal: Callable[[float, float], None]) -> None:
        raise NotImplementedError

    def _connect_intake(self) -> None:
        self.shelf.folder_wanted.connect(self.ask_browse)
        self.shelf.take_wanted.connect(self.take_in)
        self.shelf.left.connect(self.leave_shelf)
        self.shelf.list.itemSelectionChanged.connect(self._show_choices)
        self.look.moved.connect(self._show_choices)
        self.look.shown.connect(self._enable)
        self.look.refused.connect(lambda _says, _locked: self._enable())
        choices, taken = self.intake.choices, self.intake.taken
        choices.take_wanted.connect(self.take_in)
        choices.add_wanted.connect(self.add_looked_at)
        choices.box_wanted.connect(self.shelf.preview.start_box)
        taken.change_wanted.connect(self.change_source)
        taken.select_wanted.connect(self.select_source)
        taken.replace_wanted.connect(self.ask_replace_layer)
        taken.relink_wanted.connect(self.ask_relink)
        taken.pause_wanted.connect(self.pause_link)
        taken.detach_wanted.connect(self.detach_source)
        taken.remove_wanted.connect(self.session.remove_source)
        taken.report_wanted.connect(self.ask_report)
        taken.copy_wanted.connect(self.copy_report)
        taken.fade_chosen.connect(self.canvas.set_fade)
        taken.changes.accept_wanted.connect(self.accept_revision)
        taken.changes.stay_wanted.connect(self.session.decline_revision)

    # ------------------------------------------------------------------ commands: drawings and sources

    def ask_browse(self) -> None:
        """Asks for a folder and shows its drawings on the shelf."""
        folder = self._choosers.open_folder(self, self.settings.values.folder)
        if folder is not None:
            self.browse(folder)

    def browse(self, folder: Path) -> None:
        """Shows the drawings of a folder on the shelf."""
        self.settings.values.folder = str(folder.resolve())
        self.settings.save()
        self._show_shelf(True)
        self.look.through(folder)

    def look_at(self, paths: Sequence[Path]) -> None:
        """Shows drawings on the shelf, before anything is taken in."""
        self._show_shelf(True)
        self.look.over(paths)
        if len(paths) > 1:
            self.shelf.list.selectAll()

    def look_at_recent(self, path: Path) -> None:
        """A drawing that was opened before is looked at, a job is opened."""
        if path.suffix.lower() == ENDING:
            self.open_path(path)
        else:
            self.look_at([path])

    def take_in(self) -> None:
        """Takes in what is looked at: as a new job, or with other choices where it is a source of this one."""
        preview, choice = self.look.preview, self.look.choice
        if self.look.editing is not None:
            self._show_shelf(False)
            self.session.do(choice)
            return
        path = self.look.path
        if preview is None or path is None:
            return
        if not self._may_leave():
            return
        self.look.kept.remember(path.resolve(), preview.source.digest, choice)
        self._opening = path
        others = self._others_marked(path)
        self._show_shelf(False)
        if others:
            self.session.open_several([(path, choice), *others])
        else:
            self.session.open_path(path, choice)

    def add_looked_at(self) -> None:
        """Adds what is looked at to the job in a sketch of its own, and all else that is marked."""
        preview, path = self.look.preview, self.look.path
        if preview is None or path is None:
            return
        self.look.kept.remember(path.resolve(), preview.source.digest, self.look.choice)
        chosen = [(path, self.look.choice), *self._others_marked(path)]
        self._show_shelf(False)
        self._fit_next = True
        self.session.add_sources(chosen)

    def _others_marked(self, path: Path) -> list[tuple[Path, TakeIn]]:
        """What is marked on the shelf beside a drawing, each to be taken in to a sketch of its own."""
        marked = self.shelf.chosen_paths() if self.intake.choices.marked_several else []
        return [(p, TakeIn(into=p.stem)) for p in marked if p != path]

    def ask_add(self) -> None:
        """Asks for a drawing to add to the job, and shows it first."""
        path = self._choosers.open_drawing(self, "Add a drawing to this job", self.settings.values.folder)
        if path is not None:
            self.look_at([path])

    def leave_shelf(self) -> None:
        """Back to the job, nothing taken in."""
        self._show_shelf(False)

    def select_source(self, number: int) -> None:
        """Selects what came from one source, to be moved, turned or scaled apart from the others."""
        state = self.session.state
        if state is not None:
            self.canvas.select_ids({c.id for c in state.curves() if c.source == number})

    def change_source(self, number: int) -> None:
        """Shows a source of the job on the shelf, to change what is taken of it."""
        job = self.session.job
        source = job.source_numbered(number) if job else None
        if job is not None and source is not None:
            self._show_shelf(True)
            self.look.edit(source, job.taking(number))

    def ask_replace_layer(self, number: int) -> None:
        """Asks for a layer and a revised file to take it from."""
        shown = self.session.shown
        if shown is None:
            return
        taken = next((t for t in shown.evaluation.first.taken if t.number == number), None)
        names = [layer.name for layer in taken.drawing.layers] if taken else []
        layer = self._choosers.choose_layer(self, names)
        if layer is None:
            return
        path = self._choosers.open_drawing(self, f"Take layer {layer} from", self.settings.values.folder)
        if path is not None:
            self.session.replace_layer(number, layer, path)

    def ask_relink(self, number: int) -> None:
        """Asks for another file that a source is linked to."""
        job = self.session.job
        source = job.source_numbered(number) if job else None
        path = self._choosers.open_drawing(self, "Link to", self.settings.values.folder)
        if source is not None and path is not None:
            self.session.set_source(relinked(source, path), f"Link to {path.name}")

    def pause_link(self, number: int) -> None:
        """Pauses a link, or resumes it."""
        job = self.session.job
        source = job.source_numbered(number) if job else None
        if source is not None:
            paused = source.link == "linked"
            changed = replace(source, link="paused" if paused else "linked")
            self.session.set_source(changed, "Pause a link" if paused else "Resume a link")

    def detach_source(self, number: int) -> None:
        """Lets a source go from its file."""
        job = self.session.job
        source = job.source_numbered(number) if job else None
        if source is not None:
            self.session.set_source(detached(source), "Detach a source")

    def check_sources(self) -> None:
        """Looks whether a linked file changed."""
        self.session.look_for_changes()

    def accept_revision(self) -> None:
        """Takes the changed file over."""
        self.session.accept_revision()

    def ask_report(self) -> None:
        """Asks for a file and writes the import report, as text or JSON."""
        records = self.intake.taken.records()
        path = self._choosers.save_report(self, self.settings.values.folder, self.session.name)
        if path is None or not records:
            return
        if path.suffix.lower() == ".json":
            data = msgspec.json.format(msgspec.json.encode(records), indent=2)
        else:
            data = "\n".join(as_text(r) for r in records).encode()
        try:
            write_atomically(path, data)
        except OSError as error:
            self.complain(f"{path} cannot be written: {reason_of(error)}. Save it in another folder.")
            return
        self.status.tell(f"Wrote {path.name}.")

    def copy_report(self) -> None:
        """Puts the import report on the clipboard."""
        clipboard = QApplication.clipboard()
        if clipboard is not None:
            clipboard.setText("\n".join(as_text(r) for r in self.intake.taken.records()))
            self.status.tell("The report is on the clipboard.")

    # ------------------------------------------------------------------ commands: carrying curves over

    def copy_curves(self) -> None:
        """Puts the selected curves on the clipboard, in mm, with what is known of their unit."""
        shown, job, clipboard = self.session.shown, self.session.job, QApplication.clipboard()
        curves = self.canvas.selected_curves()
        if shown is None or job is None or clipboard is None or not curves:
            return
        unit = shown.evaluation.state.placement.unit
        certain = shown.evaluation.verdict.sure or job.step_of(ChooseUnit) is not None
        data = to_text(copied(curves, unit, certain, self.session.name))
        content = QMimeData()
        content.setData(CURVES_MIME, data)
        content.setText(data.decode())
        clipboard.setMimeData(content)
        self.status.tell(f"{counted(len(curves), 'curve')} copied.")

    def paste_curves(self) -> None:
        """Asks where copied curves should go, after asking about their unit if that is in doubt."""
        state, clipboard = self.session.state, QApplication.clipboard()
        held = clipboard.mimeData() if clipboard is not None else None
        if state is None or held is None:
            return
        data = bytes(held.data(CURVES_MIME).data()) if held.hasFormat(CURVES_MIME) else held.text().encode()
        try:
            content = from_text(data)
        except SyntaxaError as error:
            self.complain(str(error))
            return
        question = unit_question(content, state)
        if question:
            self.banner.tell(question, (("Paste them all the same", lambda: self._pick_paste(content)),))
        else:
            self._pick_paste(content)

    def _pick_paste(self, content: CopiedCurves) -> None:
        self.leave_shelf()

        def put(x: float, y: float) -> None:
            state = self.session.state
            there = {s.name for s in state.sketches} if state else set()
            into = next((c.layer for c in content.curves if c.layer in there), f"from {content.job}")
            self.session.do(PasteCurves(content.curves, content.base, x, y, into, content.job))

        self._pick(
            "Lower left here", "Click where the lower left corner of the curves goes; ends and centres snap.", put
        )

    # ------------------------------------------------------------------ the shelf and revisions

    def _show_shelf(self, looking: bool) -> None:
        """Goes to Intake with the shelf in front, or away."""
        self.intake.looking = looking
        if not looking:
            self.look.lane.cancel()
        self.show_stage(0)
        self._show_choices()
        self.intake.refresh()
        self._enable()
        (self.shelf.preview if looking else self.canvas).setFocus()

    def _show_middle(self) -> None:
        at_shelf = self.intake.looking and self.stack.currentIndex() == 0
        self.middle.setCurrentWidget(self.shelf if at_shelf else self.canvas)
        # The choices need the room, and the ledger has no part in them.
        self.ledger.setVisible(self.actions_.by_method["toggle_ledger"].isChecked() and not at_shelf)

    def _show_choices(self) -> None:
        state = self.session.state
        sketches = None if state is None else [s.name for s in state.sketches]
        self.shelf.show_back(sketches is not None)
        self.intake.choices.show_with(self.lengths, sketches, len(self.shelf.list.selectedItems()))
        self._enable()

    def _revised(self) -> None:
        revised = self.session.revision
        if revised is None:
            return
        self._refresh()
        self._show_content()
        says = f"{revised.new.name} changed on disk: {revised.changes.sentence()}."
        self.banner.tell(
            says,
            (("Look at it", self._look_at_revision), ("Stay with the old", self.session.decline_revision)),
            "changed file",
        )

    def _look_at_revision(self) -> None:
        self.leave_shelf()
        content = self.canvas.content.changes
        box = content.box() if content else None
        if box is not None:
            self.canvas.fit_box(box, margin=0.15)

    def _change_marks(self) -> ChangeMarks | None:
        """What a waiting revision changes, placed as its source is."""
        revised, state = self.session.revision, self.session.state
        if revised is None or state is None:
            return None
        taken = next((t for t in state.taken if t.number == revised.old.number), None)
        if taken is None:
            return None
        to_mm = state.placement_of(taken).transform
        changes = revised.changes
        return ChangeMarks(
            [c.shape.transformed(to_mm) for c in changes.added],
            [c.shape.transformed(to_mm) for c in changes.removed],
            [(m.before.shape.transformed(to_mm), m.after.shape.transformed(to_mm)) for m in changes.moved],
        )
