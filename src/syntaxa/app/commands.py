"""Every command in one table: it feeds the menus, the shortcuts, the tool tips and the command palette."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import partial
from typing import TYPE_CHECKING

from PyQt6.QtGui import QAction, QKeySequence

from syntaxa.app.draw.tools import TOOLS
from syntaxa.app.theme.icons import icon

if TYPE_CHECKING:
    from syntaxa.app.main_window import MainWindow
    from syntaxa.app.theme.tokens import Tokens


@dataclass(frozen=True, slots=True)
class Command:
    """A command: the window's method that does it, its title, menu, keys and icon, and when it can be had.

    needs   "" always, "job" with a job open, "undo", "redo", "findings", "chosen" with a finding chosen, "busy",
            "look" with a drawing looked at, "shelf" with a job behind the shelf, "selected" with curves selected,
            "measured" with something measured
    """

    method: str
    title: str
    menu: str
    keys: str = ""
    icon: str = ""
    needs: str = ""
    checkable: bool = False
    separated: bool = False


#: Keys of the tools that are used most; the others are found in the menu and the palette.
_TOOL_KEYS = {"line": "Shift+1", "arc": "Shift+2", "circle": "Shift+3", "trim": "Shift+T", "extend": "Shift+E",
              "fillet": "Shift+F", "offset": "Shift+O", "move": "Shift+V"}  # fmt: skip

#: Tools that a new part of the menu begins with.
_APART = {"guide", "trim", "fillet", "move", "lock"}

COMMANDS: tuple[Command, ...] = (
    Command("ask_open", "Open…", "File", "Ctrl+O", "open"),
    Command("ask_browse", "Look through a folder…", "File", "Ctrl+Shift+O", "browse"),
    Command("ask_add", "Add a drawing to this job…", "File", "Ctrl+Shift+A", "", "job"),
    Command("open_demo", "Open the demo", "File", "", "demo"),
    Command("browse_demo", "Look through the demo drawings", "File"),
    Command("take_in", "Take in the drawing that is looked at", "File", "Ctrl+Return", "", "look", separated=True),
    Command("leave_shelf", "Back to the job", "File", "Ctrl+Backspace", "", "shelf"),
    Command("check_sources", "Look for changed files", "File", "F5", "", "job"),
    Command("ask_report", "Save the import report…", "File", "", "", "job"),
    Command("ask_account", "Save the mending report…", "File", "Ctrl+Shift+E", "", "job"),
    Command("save", "Save the job", "File", "Ctrl+S", "save", "job", separated=True),
    Command("save_as", "Save the job as…", "File", "Ctrl+Shift+S", "", "job"),
    Command("ask_deliver", "Deliver profiles…", "File", "Ctrl+E", "deliver", "job"),
    Command("close", "Quit", "File", "Ctrl+Q", "close", separated=True),
    Command("undo", "Undo", "Edit", "Ctrl+Z", "undo", "undo"),
    Command("redo", "Redo", "Edit", "Ctrl+Shift+Z", "redo", "redo"),
    Command("copy_curves", "Copy the selected curves", "Edit", "Ctrl+C", "", "selected", separated=True),
    Command("paste_curves", "Paste curves at a point", "Edit", "Ctrl+V", "", "job"),
    Command("select_all", "Select all curves", "Edit", "Ctrl+A", "", "job", separated=True),
    Command("clear_selection", "Select nothing", "Edit", "Ctrl+D", "", "job"),
    Command("cancel_work", "Stop computing", "Edit", "Ctrl+.", "close", "busy", separated=True),
    Command("fit", "Fit everything", "View", "F", "fit", "job"),
    Command("zoom_in", "Zoom in", "View", "Ctrl++", "", "job"),
    Command("zoom_out", "Zoom out", "View", "Ctrl+-", "", "job"),
    Command(
        "toggle_beneath", "Received drawing beneath", "View", "B", "beneath", "job", checkable=True, separated=True
    ),
    Command("toggle_notes", "Texts, dimensions and pictures", "View", "T", "", "job", checkable=True),
    Command("toggle_ledger", "Ledger", "View", "Ctrl+L", "", "", checkable=True),
    Command("switch_look", "Paper or Night", "View", "Ctrl+T", "look", separated=True),
    Command("show_intake", "Go to Intake", "Stage", "1", "intake"),
    Command("show_measure", "Go to Measure", "Stage", "2", "measure"),
    Command("show_route", "Go to Route", "Stage", "3", "route"),
    Command("show_mend", "Go to Mend", "Stage", "4", "mend"),
    Command("show_deliver", "Go to Deliver", "Stage", "5", "deliver"),
    Command("pick_chain", "Pick what is connected", "Edit", "C", "", "selected", separated=True),
    Command("pick_loop", "Pick the closed loop", "Edit", "L", "", "selected"),
    Command("pick_inverted", "Invert what is picked", "Edit", "Ctrl+I", "", "job"),
    Command("start_lasso", "Draw a lasso", "Edit", "Shift+L", "", "job"),
    Command("put_aside", "Put what is picked aside", "Edit", "Del", "", "selected"),
    Command("ask_save_recipe", "Save the steps as a recipe…", "Recipe", "Ctrl+R", "", "job"),
    Command("ask_save_map", "Save only rules and line styles…", "Recipe", "", "", "job"),
    Command("ask_use_recipe", "Use a recipe in this job…", "Recipe", "Ctrl+Shift+R", "", "job", separated=True),
    Command("ask_run_recipe", "Run a recipe on many drawings…", "Recipe", "Ctrl+Alt+R", "", ""),
    Command("measure_distance", "Distance of two points", "Measure", "M", "measure", "job"),
    Command("measure_angle", "Angle over three points", "Measure", "A", "", "job"),
    Command("measure_way", "Way over many points", "Measure", "W", "", "job"),
    Command("measure_selected", "Measure what is selected", "Measure", "Shift+M", "", "selected"),
    Command("copy_measured", "Copy the measured value", "Measure", "Ctrl+Shift+C", "", "measured", separated=True),
    *(
        Command(f"take_tool:{t.key}", t.title, "Draw", _TOOL_KEYS.get(t.key, ""), "", "job", separated=t.key in _APART)
        for t in TOOLS
    ),
    Command("next_finding", "Next finding", "Mend", "N", "next", "findings"),
    Command("previous_finding", "Previous finding", "Mend", "Shift+N", "previous", "findings"),
    Command("fix_chosen", "Fix this finding", "Mend", "X", "fix", "chosen", separated=True),
    Command("fix_all", "Fix all findings", "Mend", "Ctrl+Shift+X", "fix-all", "findings"),
    Command("flicker", "Flicker before and after", "Mend", "Ctrl+B", "", "chosen", separated=True),
    Command("try_tolerances", "Try every tolerance", "Mend", "", "", "job"),
    Command("try_treatments", "Try treatments side by side", "Mend", "", "", "job"),
    Command("compare_received", "Compare with what was received", "Mend", "", "", "job"),
    Command("reshape", "Reshape…", "Mend", "", "", "job"),
    Command("open_palette", "Find a command…", "Help", "Ctrl+K", "palette"),
    Command("tell_about", "About Syntaxa", "Help", "F1", "info"),
)


def with_mnemonics(titles: Sequence[str]) -> list[str]:
    """Titles of one menu, each with the letter underlined that Alt or the open menu takes it by: no two the same.

    The first letter of a word is taken where one is left, else any; a title that finds none goes without.
    """
    used: set[str] = set()
    made = []
    for title in titles:
        starts = [k for k, c in enumerate(title) if c.isalnum() and (k == 0 or title[k - 1] in " -…")]
        places = [*starts, *(k for k, c in enumerate(title) if c.isalnum())]
        at = next((k for k in places if title[k].lower() not in used), None)
        if at is not None:
            used.add(title[at].lower())
        made.append(title if at is None else f"{title[:at]}&{title[at:]}")
    return made


class Actions:
    """The commands as actions of a window; kept here, or Python would drop them."""

    def __init__(self, window: MainWindow) -> None:
        self.by_method: dict[str, QAction] = {}
        menus = tuple(dict.fromkeys(c.menu for c in COMMANDS))
        self.menu_titles = dict(zip(menus, with_mnemonics(menus), strict=True))
        titles: dict[str, str] = {}
        for menu in menus:
            own = [c for c in COMMANDS if c.menu == menu]
            titles |= zip((c.method for c in own), with_mnemonics([c.title for c in own]), strict=True)
        self._titles = titles
        for command in COMMANDS:
            action = QAction(titles[command.method], window)
            action.setCheckable(command.checkable)
            if command.keys:
                action.setShortcut(QKeySequence(command.keys))
            keys = f" ({command.keys})" if command.keys else ""
            action.setToolTip(f"{command.title}{keys}")
            # A command of the table is a method of the window, with what it is given behind a colon.
            name, _, given = command.method.partition(":")
            run = partial(getattr(window, name), *([given] if given else []))
            action.triggered.connect(lambda _checked=False, run=run: run())
            window.addAction(action)
            self.by_method[command.method] = action

    def tell_more(self, method: str, what: str) -> None:
        """Says in the menu what a command is about just now; nothing where it is about nothing."""
        more = what.replace("&", "&&")
        self.by_method[method].setText(f"{self._titles[method]}: {more}" if more else self._titles[method])

    def dress(self, tokens: Tokens) -> None:
        """Gives the icons the colours of a look."""
        for command in COMMANDS:
            if command.icon:
                self.by_method[command.method].setIcon(icon(command.icon, tokens))

    def enable(self, met: set[str]) -> None:
        """Lets through the commands whose need is met."""
        for command in COMMANDS:
            self.by_method[command.method].setEnabled(not command.needs or command.needs in met)
