"""The commands as menus and actions of a window."""

from __future__ import annotations

from functools import partial

from PyQt6.QtGui import QAction, QKeySequence
from PyQt6.QtWidgets import QMainWindow

from syntaxa.app.shell.commands import Command, CommandTable, with_mnemonics
from syntaxa.app.theme.icons import icon
from syntaxa.app.theme.tokens import Tokens
from syntaxa.app.words import tr


class Menus:
    """Makes the menus of a window, and keeps their actions true; kept here, or Python would drop them."""

    def __init__(self, window: QMainWindow, table: CommandTable) -> None:
        self._table = table
        self.actions: dict[str, QAction] = {}
        self._titles: dict[str, str] = {}
        bar = window.menuBar()
        assert bar is not None, "a main window has a menu bar"
        menus = table.in_menus()
        for title, parts in zip(with_mnemonics([tr(menu) for menu in menus]), menus.values(), strict=True):
            menu = bar.addMenu(title)
            assert menu is not None, "a menu bar gives the menu that it was asked for"
            commands = [c for own in parts.values() for c in own]
            self._titles |= zip((c.id for c in commands), with_mnemonics([c.title for c in commands]), strict=True)
            for k, own in enumerate(parts.values()):
                if k:
                    menu.addSeparator()
                for command in own:
                    menu.addAction(self._action(command, window))

    def _action(self, command: Command, window: QMainWindow) -> QAction:
        action = QAction(self._titles[command.id], window)
        if command.checked is not None:
            action.setCheckable(True)
            action.setChecked(command.checked)
        if command.keys:
            action.setShortcut(QKeySequence(command.keys))
        keys = f" ({command.keys})" if command.keys else ""
        action.setToolTip(f"{command.title}{keys}")
        action.triggered.connect(partial(_run, command))
        window.addAction(action)
        self.actions[command.id] = action
        return action

    def refresh(self) -> None:
        """Lets through what can be had now, and says what it is about."""
        for command in self._table:
            action = self.actions[command.id]
            action.setEnabled(command.when is None or command.when())
            if command.about is not None:
                about, title = command.about().replace("&", "&&"), self._titles[command.id]
                action.setText(f"{title}: {about}" if about else title)

    def dress(self, tokens: Tokens) -> None:
        """Gives the icons the colours of a look."""
        for command in self._table:
            if command.icon:
                self.actions[command.id].setIcon(icon(command.icon, tokens))

    def has_keys(self, keys: QKeySequence) -> bool:
        """Whether keys belong to a command."""
        return any(keys == action.shortcut() for action in self.actions.values())


def _run(command: Command, _checked: bool = False) -> None:
    command.run()
