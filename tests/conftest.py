"""What all tests share: Qt can be put out of reach, to prove that the core does without it."""

from __future__ import annotations

import importlib.abc
import os
import sys
from pathlib import Path

from hypothesis import settings

sys.path.insert(0, str(Path(__file__).parent / "core"))
sys.path.insert(0, str(Path(__file__).parent / "core" / "intake"))


class _NoQt(importlib.abc.MetaPathFinder):
    def find_spec(self, name, path=None, target=None):
        if name.split(".")[0] in ("PyQt6", "sip"):
            raise ImportError(f"{name} is out of reach in this run")


# Examples are chosen for what they show; how long one takes is for the benchmarks to say.
settings.register_profile("syntaxa", deadline=None, derandomize=True, database=None)
settings.load_profile("syntaxa")

if os.environ.get("SYNTAXA_WITHOUT_QT"):
    sys.meta_path.insert(0, _NoQt())
