"""Libraries that take long to load, loaded when something of them is first used."""

from __future__ import annotations

from importlib import import_module
from typing import Any


class Later:
    """A module that is loaded when the first of its names is asked for."""

    def __init__(self, name: str) -> None:
        self._name = name

    def __getattr__(self, wanted: str) -> Any:
        found = getattr(import_module(self._name), wanted)
        # From now on it is an attribute like any other.
        setattr(self, wanted, found)
        return found
