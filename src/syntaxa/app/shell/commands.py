"""Commands: one table feeds menus, keys, tool tips and the palette; each stage and feature brings its own."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Command:
    """Something that can be done.

    id      names it for as long as the program lives; settings, tests and help know it by that
    place   its menu and the part of it, "File/open"
    run     what it does
    when    whether it can be had now; always if not given
    about   what it is about just now, told behind its title
    checked whether it is a switch, and how it stands at first
    """

    id: str
    title: str
    place: str
    run: Callable[[], object]
    keys: str = ""
    icon: str = ""
    when: Callable[[], bool] | None = None
    about: Callable[[], str] | None = None
    checked: bool | None = None

    @property
    def menu(self) -> str:
        """The menu that it is in."""
        return self.place.partition("/")[0]

    @property
    def part(self) -> str:
        """The part of the menu."""
        return self.place.partition("/")[2]


class CommandTable:
    """All commands; two of one id or with the same keys are a defect, and refused."""

    def __init__(self) -> None:
        self._by_id: dict[str, Command] = {}
        self._by_keys: dict[str, str] = {}

    def add(self, commands: Iterable[Command]) -> None:
        """More commands."""
        for command in commands:
            if command.id in self._by_id:
                raise ValueError(f"there are two commands {command.id}")
            other = self._by_keys.get(command.keys)
            if command.keys and other is not None:
                raise ValueError(f"{command.id} and {other} both want {command.keys}")
            self._by_id[command.id] = command
            self._by_keys[command.keys] = command.id

    def __iter__(self) -> Iterator[Command]:
        return iter(self._by_id.values())

    def __contains__(self, name: str) -> bool:
        return name in self._by_id

    def __getitem__(self, name: str) -> Command:
        return self._by_id[name]

    def in_menus(self) -> dict[str, dict[str, list[Command]]]:
        """The commands by menu and part, menus and parts in the order in which users expect them."""
        found: dict[str, dict[str, list[Command]]] = {menu: {p: [] for p in parts} for menu, parts in MENUS.items()}
        for command in self:
            found.setdefault(command.menu, {}).setdefault(command.part, []).append(command)
        # Help stays last, whatever menus the stages bring.
        found["Help"] = found.pop("Help")
        return {
            menu: {p: own for p, own in parts.items() if own} for menu, parts in found.items() if any(parts.values())
        }


#: Menus and their parts, in order; a stage may bring others, which follow.
MENUS: dict[str, tuple[str, ...]] = {
    "File": ("open", "looked at", "sources", "reports", "save", "out", "end"),
    "Edit": ("undo", "clipboard", "select", "more", "stop"),
    "View": ("zoom", "show", "look", "language"),
    "Stage": ("go",),
    "Recipe": ("save", "use"),
    "Measure": ("take", "result"),
    "Draw": ("new", "lines", "change", "corner", "map", "lock"),
    "Mend": ("walk", "fix", "see", "more"),
    "Define": ("read", "add"),
    "Form": ("make", "look", "see", "out"),
    "Help": ("find", "about"),
}


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
