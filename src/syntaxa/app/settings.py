"""What the program remembers between two runs: look, display unit, window, and drawings opened lately."""

from __future__ import annotations

import contextlib
from pathlib import Path

import msgspec
from platformdirs import user_cache_path, user_config_path, user_state_path

from syntaxa.app.theme.tokens import Look
from syntaxa.files import write_atomically

_MOST_RECENT = 8


class Remembered(msgspec.Struct):
    """All settings; unknown or broken ones fall back to these. No language is that of the system."""

    look: Look = "paper"
    display_unit: str = "mm"
    recent: list[str] = []
    folder: str = ""
    geometry: bytes = b""
    ledger_open: bool = False
    language: str = ""
    roles: tuple[str, ...] = ("tapped", "countersunk", "bend line", "ground edge", "engraved", "weld side")


class Settings:
    """Reads once, writes whole."""

    def __init__(self, path: Path | None = None) -> None:
        self._path = path or user_config_path("syntaxa") / "settings.json"
        self.values = Remembered()
        with contextlib.suppress(OSError, msgspec.MsgspecError):
            self.values = msgspec.json.decode(self._path.read_bytes(), type=Remembered)

    @property
    def choices_path(self) -> Path:
        """Where choices of intake are kept, beside the settings."""
        return self._path.with_name("choices.json")

    @property
    def pictures_folder(self) -> Path:
        """Where small pictures of drawings are kept; settings that lie elsewhere have their own."""
        own = self._path != user_config_path("syntaxa") / "settings.json"
        return self._path.parent / "pictures" if own else user_cache_path("syntaxa") / "pictures"

    def add_recent(self, path: Path) -> None:
        """Puts a drawing first among those opened lately."""
        name = str(path.resolve())
        self.values.recent = [name, *(r for r in self.values.recent if r != name)][:_MOST_RECENT]
        self.values.folder = str(path.resolve().parent)
        self.save()

    def recent_paths(self) -> list[Path]:
        """Drawings opened lately that are still there."""
        return [Path(r) for r in self.values.recent if Path(r).exists()]

    def save(self) -> None:
        """Writes the settings; where that cannot be, they last for this run only."""
        with contextlib.suppress(OSError):
            self._path.parent.mkdir(parents=True, exist_ok=True)
            write_atomically(self._path, msgspec.json.encode(self.values))


def recovery_folder() -> Path:
    """Where recovery copies are kept."""
    return user_state_path("syntaxa") / "recovery"
