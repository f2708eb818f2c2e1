"""Choices of intake that are kept: under names as presets, and what was last chosen for each file."""

from __future__ import annotations

import contextlib
from pathlib import Path

import msgspec

from syntaxa.files import write_atomically
from syntaxa.intake.steps import TakeIn

#: Files whose choices are kept; the longest unused are forgotten first.
_MOST_FILES = 400


class _Kept(msgspec.Struct):
    presets: dict[str, TakeIn] = {}
    files: dict[str, TakeIn] = {}
    always: str = ""


class KeptChoices:
    """Reads once, writes whole; where it cannot write, choices last for this run."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._kept = _Kept()
        with contextlib.suppress(OSError, msgspec.MsgspecError):
            self._kept = msgspec.json.decode(path.read_bytes(), type=_Kept)

    @property
    def names(self) -> list[str]:
        """Names of all presets, in order."""
        return sorted(self._kept.presets, key=str.lower)

    def preset(self, name: str) -> TakeIn | None:
        """The choices under a name."""
        return self._kept.presets.get(name)

    def save_preset(self, name: str, choice: TakeIn) -> None:
        """Keeps choices under a name, without what is only true of one file."""
        self._kept.presets[name] = general(choice)
        self._save()

    def drop_preset(self, name: str) -> None:
        """Forgets a preset."""
        self._kept.presets.pop(name, None)
        if self._kept.always == name:
            self._kept.always = ""
        self._save()

    @property
    def always(self) -> str:
        """The preset that is used on every new file without a question; empty for none."""
        return self._kept.always if self._kept.always in self._kept.presets else ""

    @always.setter
    def always(self, name: str) -> None:
        self._kept.always = name
        self._save()

    def last_for(self, path: Path, digest: str) -> TakeIn | None:
        """What was chosen for a file last time: for the same content, else for the same place."""
        return self._kept.files.get(digest) or self._kept.files.get(str(path))

    def remember(self, path: Path, digest: str, choice: TakeIn) -> None:
        """Keeps what was chosen for a file; which curves were picked goes only with the same content."""
        plain = msgspec.structs.replace(choice, source=1, into="")
        for key, kept in ((digest, plain), (str(path), msgspec.structs.replace(plain, ids=None))):
            self._kept.files.pop(key, None)
            self._kept.files[key] = msgspec.structs.replace(kept, read=msgspec.structs.replace(kept.read, password=""))
        while len(self._kept.files) > 2 * _MOST_FILES:
            del self._kept.files[next(iter(self._kept.files))]
        self._save()

    def offered(self, path: Path, digest: str) -> tuple[TakeIn, str]:
        """What to begin with for a file, and in a few words why."""
        last = self.last_for(path, digest)
        if last is not None:
            return last, "As you chose for this file last time."
        preset = self.preset(self.always)
        if preset is not None:
            return preset, f"By the preset “{self.always}”."
        return TakeIn(), ""

    def _save(self) -> None:
        with contextlib.suppress(OSError):
            self._path.parent.mkdir(parents=True, exist_ok=True)
            write_atomically(self._path, msgspec.json.encode(self._kept))


def general(choice: TakeIn) -> TakeIn:
    """Choices without what is only true of one file: which curves, which part, its page and its password."""
    read = msgspec.structs.replace(choice.read, page=1, layout="", password="", width_mm=0.0, height_mm=0.0)
    return msgspec.structs.replace(choice, source=1, ids=None, box=None, into="", read=read)
