"""How the drawing is looked at: zoom, what is shown beside it, and the look of the program."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial

from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import NAMES, tr


class Looking(Feature):
    """The View menu."""

    _beneath, _notes = False, True

    def commands(self) -> Sequence[Command]:
        canvas, has_job = self.shell.canvas, self._has_job
        return (
            Command("fit", tr("Fit everything"), "View/zoom", canvas.fit, "F", "fit", has_job),
            Command("zoom_in", tr("Zoom in"), "View/zoom", lambda: canvas.zoom(1.25), "Ctrl++", "", has_job),
            Command("zoom_out", tr("Zoom out"), "View/zoom", lambda: canvas.zoom(0.8), "Ctrl+-", "", has_job),
            Command("toggle_beneath", tr("Received drawing beneath"), "View/show", self.toggle_beneath, "B", "beneath",
                    has_job, checked=False),
            Command("toggle_notes", tr("Texts, dimensions and pictures"), "View/show", self.toggle_notes, "T", "",
                    has_job, checked=True),
            Command("switch_look", tr("Paper or Night"), "View/look", self.shell.dress.switch_look, "Ctrl+T", "look"),
            Command("speak_system", tr("Language of the system"), "View/language", lambda: self.speak("")),
            *(
                Command(f"speak_{code}", name, "View/language", partial(self.speak, code))
                for code, name in NAMES.items()
            ),
        )  # fmt: skip

    def speak(self, language: str) -> None:
        """Sets the language, from the next start on."""
        self.shell.settings.values.language = language
        self.shell.settings.save()
        self.shell.tell(tr("The language changes when Syntaxa is opened again."))

    def _has_job(self) -> bool:
        return self.shell.session.job is not None

    def toggle_beneath(self) -> None:
        """Shows or hides the received drawing beneath the result."""
        self._beneath = not self._beneath
        self.shell.want_beneath("view", self._beneath)

    def toggle_notes(self) -> None:
        """Shows or hides texts, dimensions, hatches, points and pictures."""
        self._notes = not self._notes
        self.shell.show_notes(self._notes)
