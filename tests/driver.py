"""A window as tests drive it: its parts by name, and every command as a call."""

from __future__ import annotations

from functools import partial

from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QMainWindow

from syntaxa.app.session.surveyed import surveyed
from syntaxa.app.stages.intake import commands as source_commands
from syntaxa.job.account import account_of
from syntaxa.mend.views import Budget


class Driver:
    """Wraps a MainWindow; what it does not know itself is a command by its id, or belongs to the window."""

    def __init__(self, window):
        self.window = window
        self.shell = window.shell
        self._stages = {s.name: s for s in self.shell.stages}
        self._features = {type(f).__name__: f for f in self.shell.features}

    def __getattr__(self, name):
        if name in self._stages:
            return self._seen(self._stages[name])
        if name.removeprefix("show_") in self._stages:
            # At once, where the command makes a new panel in a turn of its own.
            return partial(self.shell.show_stage, name.removeprefix("show_"))
        if name in self.shell.commands:
            return self.shell.commands[name].run
        if hasattr(QMainWindow, name):
            return getattr(self.window, name)
        if hasattr(source_commands, name):
            return partial(getattr(source_commands, name), self._stages["intake"])
        for source in (
            self.shell,
            self._stages["intake"],
            self._stages["intake"].opening,
            self._stages["route"],
            self.draw,
            self.window,
        ):
            if hasattr(source, name):
                return getattr(source, name)
        raise AttributeError(name)

    def _seen(self, stage):
        """The panel of a stage, as it is when somebody goes there."""
        if stage is not self.shell.stage:
            stage.panel.show_with(self.lengths, self.tokens)
        return stage.panel

    def stage(self, name):
        return self._stages[name]

    def feature(self, name):
        return self._features[name]

    # ------------------------------------------------------------------ parts

    @property
    def panels_in_order(self):
        return [s.panel for s in self.shell.stages]

    @property
    def at(self):
        """Which stage is open, from 0."""
        return self.shell.stages.index(self.shell.stage)

    @property
    def draw(self):
        return self.feature("Draw")

    @property
    def draw_strip(self):
        return self.draw.strip

    @property
    def strip(self):
        return self.feature("Measuring").strip

    @property
    def lengths(self):
        return self.shell.dress.lengths

    @property
    def tokens(self):
        return self.shell.dress.tokens

    @property
    def versus(self):
        """What is laid over the drawing; None where nothing is to be seen of it."""
        layer = self.stage("mend").versus
        return layer.versus if layer.surface is not None else None

    @property
    def ledger(self):
        self.window.ledger.refresh()
        return self.window.ledger

    @property
    def glyphs(self):
        return self.stage("mend").glyphs

    @property
    def regions(self):
        return self.stage("mend").regions.regions

    # ------------------------------------------------------------------ doing

    def show_stage(self, which):
        self.shell.show_stage(self.shell.stages[which] if isinstance(which, int) else which)

    def save(self):
        """Saves and waits; whether the job is what its file holds."""
        return self._saved("save")

    def save_as(self):
        return self._saved("save_as")

    def _saved(self, command):
        self.shell.commands[command].run()
        QTest.qWait(1)
        for _ in range(2000):
            if not self.shell.session.files.saving.busy:
                break
            QTest.qWait(5)
        return not self.shell.session.files.unsaved

    def write_recovery(self):
        """Writes the recovery copy and waits."""
        files = self.shell.session.files
        files.write_recovery()
        while files._recovering.busy:
            QTest.qWait(5)

    def take_tool(self, key):
        self.shell.commands[f"take_tool:{key}"].run()

    def toggle(self, command):
        """As a click in the menu would: the tick changes and the command runs."""
        self.window.menus.actions[command].trigger()

    def set_display_unit(self, unit):
        self.shell.dress.set_unit(unit)

    def select_all(self):
        self.shell.canvas.selection.choose_all()

    def account(self):
        session = self.shell.session
        return account_of(session.job, session.files.name, session.computing.evaluator, session.chosen(Budget).mm)

    def complain(self, sentence):
        self.shell.complain(sentence)

    def offer_recovery(self):
        self.feature("Files").offer_recovery()

    def use_recipe(self, path):
        self.feature("Recipes").use_recipe(path)

    # ------------------------------------------------------------------ waiting

    def busy(self):
        return any(lane.busy for lane in self.shell.lanes) or self.shell.session.stale

    def settled(self):
        """Whether everything is computed."""
        return not self.busy() and surveyed(self.shell.session) is not None
