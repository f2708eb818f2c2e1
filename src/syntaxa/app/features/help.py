"""Help: a page about the stage that is open, searchable, made of the user's guide."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from syntaxa import __version__
from syntaxa.app.shell.commands import Command
from syntaxa.app.shell.shell import Shell
from syntaxa.app.shell.stage import Feature
from syntaxa.app.words import tr

if TYPE_CHECKING:
    from syntaxa.app.features.help_window import HelpWindow


class Help(Feature):
    """The Help menu."""

    def __init__(self, shell: Shell) -> None:
        super().__init__(shell)
        self.window: HelpWindow | None = None

    def commands(self) -> Sequence[Command]:
        return (
            Command("open_help", tr("Help on this stage"), "Help/find", self.open_help, "F1", "info"),
            Command("tell_about", tr("About Syntaxa"), "Help/about", self.tell_about),
        )

    def open_help(self) -> None:
        """Opens the page about the stage that is open."""
        # The pages are laid out when somebody reads them.
        from syntaxa.app.features.help_window import HelpWindow

        if self.window is None:
            self.window = HelpWindow(self.shell)
        self.window.show_page(self.shell.stage.name)

    def tell_about(self) -> None:
        """What the program is."""
        self.shell.choosers.tell(
            self.shell.window,
            tr("About Syntaxa"),
            tr(
                "Syntaxa {0}\n\nTurns received drawings into closed, true-size profiles, with every change "
                "accounted for.\n\nFree software under the GNU General Public License, version 3 or later.",
                __version__,
            ),
        )

    def stop(self) -> None:
        if self.window is not None:
            self.window.close()
