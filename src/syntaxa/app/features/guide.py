"""The pages of the user's guide that ship with the program, and finding words in them."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from syntaxa.app.shell.commands import CommandTable
from syntaxa.app.words import tr

_PICTURE = re.compile(r"!\[[^\]]*\]\([^)]*\)\n*")
_MARKS = re.compile(r"[#*`|_]+")


@dataclass(frozen=True, slots=True)
class Page:
    """A page: the name that it is found by, its title, and its Markdown without pictures."""

    name: str
    title: str
    text: str

    def line_with(self, words: str) -> str | None:
        """The first line that has all the words, in plain; None where none has."""
        wanted = words.lower().split()
        for line in self.text.splitlines():
            plain = _MARKS.sub("", line).strip()
            if plain and all(word in plain.lower() for word in wanted):
                return plain
        return None


@cache
def pages() -> tuple[Page, ...]:
    """The pages in their order: the file names begin with a number."""
    folder = files("syntaxa.app").joinpath("assets/guide")
    found = []
    for entry in sorted(folder.iterdir(), key=lambda e: e.name):
        if entry.name.endswith(".md"):
            text = _PICTURE.sub("", entry.read_text("utf-8"))
            title = next(line[2:].strip() for line in text.splitlines() if line.startswith("# "))
            found.append(Page(entry.name.removesuffix(".md").partition("-")[2], title, text))
    return tuple(found)


def keys_page(table: CommandTable) -> Page:
    """All keys, from the commands themselves."""
    lines = ["# Keys", ""]
    for menu, parts in table.in_menus().items():
        own = [c for commands in parts.values() for c in commands if c.keys]
        if own:
            lines += [f"## {menu}", "", tr("| Key | What it does |"), "| --- | --- |"]
            lines += [f"| {c.keys} | {c.title.rstrip('…')} |" for c in own]
            lines.append("")
    return Page("keys", tr("Keys"), "\n".join(lines))
