"""Curves carried from one job to another, in mm, with what is known of their unit."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QMimeData
from PyQt6.QtWidgets import QApplication

from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import counted, tr
from syntaxa.errors import SyntaxaError
from syntaxa.intake.paste import CopiedCurves, PasteCurves, copied, from_text, to_text, unit_question
from syntaxa.measure.steps import ChooseUnit

#: What copied curves are called on the clipboard.
CURVES_MIME = "application/x-syntaxa-curves"


class Clipboard(Feature):
    """Copy and paste."""

    def commands(self) -> Sequence[Command]:
        session, selection = self.shell.session, self.shell.canvas.selection
        return (
            Command("copy_curves", tr("Copy the selected curves"), "Edit/clipboard", self.copy_curves, "Ctrl+C", "",
                    lambda: bool(selection.rows)),
            Command("paste_curves", tr("Paste curves at a point"), "Edit/clipboard", self.paste_curves, "Ctrl+V", "",
                    lambda: session.job is not None),
        )  # fmt: skip

    def copy_curves(self) -> None:
        """Puts the selected curves on the clipboard."""
        session, clipboard = self.shell.session, QApplication.clipboard()
        curves = self.shell.canvas.selection.curves()
        if session.evaluation is None or session.job is None or clipboard is None or not curves:
            return
        unit = session.evaluation.state.placement.unit
        certain = session.evaluation.verdict.sure or session.job.step_of(ChooseUnit) is not None
        data = to_text(copied(curves, unit, certain, session.files.name))
        content = QMimeData()
        content.setData(CURVES_MIME, data)
        content.setText(data.decode())
        clipboard.setMimeData(content)
        self.shell.tell(tr("{0} copied.", counted(len(curves), "curve")))

    def paste_curves(self) -> None:
        """Asks where copied curves should go, after asking about their unit if that is in doubt."""
        state, clipboard = self.shell.session.state, QApplication.clipboard()
        held = clipboard.mimeData() if clipboard is not None else None
        if state is None or held is None:
            return
        data = bytes(held.data(CURVES_MIME).data()) if held.hasFormat(CURVES_MIME) else held.text().encode()
        try:
            content = from_text(data)
        except SyntaxaError as error:
            self.shell.complain(str(error))
            return
        question = unit_question(content, state)
        if question:
            self.shell.banner.tell(question, ((tr("Paste them all the same"), lambda: self._pick_place(content)),))
        else:
            self._pick_place(content)

    def _pick_place(self, content: CopiedCurves) -> None:
        self.shell.show_canvas()

        def put(x: float, y: float) -> None:
            state = self.shell.session.state
            there = {s.name for s in state.sketches} if state else set()
            into = next((c.layer for c in content.curves if c.layer in there), tr("from {0}", content.job))
            self.shell.session.do(PasteCurves(content.curves, content.base, x, y, into, content.job))

        says = tr("Click where the lower left corner of the curves goes; ends and centres snap.")
        self.shell.picking.point(tr("Lower left here"), says, put)
