"""Writes requirements.lock from what is installed: names and versions, no hosts."""

from __future__ import annotations

from importlib.metadata import distributions
from pathlib import Path

_NOT_LOCKED = {"pip", "syntaxa"}


def main() -> None:
    """Writes the lock beside the project file."""
    pins = {f"{d.metadata['Name']}=={d.version}" for d in distributions() if d.metadata["Name"] not in _NOT_LOCKED}
    head = "# Exact versions of everything the project runs and is tested with; made by `make lock`."
    text = "\n".join([head, *sorted(pins, key=str.lower)]) + "\n"
    Path(__file__).parents[1].joinpath("requirements.lock").write_text(text)


if __name__ == "__main__":
    main()
