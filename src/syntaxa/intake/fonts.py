"""Which fonts that a drawing names are not on this machine."""

from __future__ import annotations

import re
from collections.abc import Iterable
from functools import cache
from pathlib import Path

#: Where fonts lie on a Linux desktop (XDG base directories, and the older places).
_FOLDERS = ("/usr/share/fonts", "/usr/local/share/fonts", "~/.local/share/fonts", "~/.fonts")

_ENDINGS = frozenset((".ttf", ".otf", ".ttc", ".otc", ".shx", ".pfb"))

#: Names that stand for whatever font is there (CSS Fonts, generic families).
_GENERIC = frozenset(("serif", "sansserif", "monospace", "cursive", "fantasy", "systemui", ""))


@cache
def _installed() -> tuple[frozenset[str], tuple[str, ...]]:
    names = set()
    for folder in _FOLDERS:
        root = Path(folder).expanduser()
        if root.is_dir():
            names |= {p.name.lower() for p in root.rglob("*") if p.suffix.lower() in _ENDINGS}
    return frozenset(names), tuple(_plain(Path(n).stem) for n in names)


def _plain(name: str) -> str:
    return re.sub(r"[^a-z0-9]", "", name.lower())


def missing_fonts(families: Iterable[str] = (), files: Iterable[str] = ()) -> tuple[str, ...]:
    """The families (by what font files are called, common practice) and font files that are not here, in order."""
    there, stems = _installed()
    missing = {f for f in families if _plain(f) not in _GENERIC and not any(s.startswith(_plain(f)) for s in stems)}
    missing |= {f for f in files if f and f.lower() not in there and f"{f.lower()}.shx" not in there}
    return tuple(sorted(missing, key=str.lower))
