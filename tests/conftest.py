"""What all tests share: Qt can be put out of reach, to prove that the core does without it."""

from __future__ import annotations

import importlib.abc
import os
import random
import sys
from pathlib import Path

from hypothesis import settings

sys.path.insert(0, str(Path(__file__).parent))
sys.path.insert(0, str(Path(__file__).parent / "core"))
sys.path.insert(0, str(Path(__file__).parent / "core" / "intake"))
sys.path.insert(0, str(Path(__file__).parent / "core" / "define"))
sys.path.insert(0, str(Path(__file__).parent / "core" / "form"))
sys.path.insert(0, str(Path(__file__).parent / "core" / "cut"))
sys.path.insert(0, str(Path(__file__).parent / "core" / "deliver"))


class _NoQt(importlib.abc.MetaPathFinder):
    def find_spec(self, name, path=None, target=None):
        if name.split(".")[0] in ("PyQt6", "sip"):
            raise ImportError(f"{name} is out of reach in this run")


# Examples are chosen for what they show; how long one takes is for the benchmarks to say.
settings.register_profile("syntaxa", deadline=None, derandomize=True, database=None)
settings.load_profile("syntaxa")

if os.environ.get("SYNTAXA_WITHOUT_QT"):
    sys.meta_path.insert(0, _NoQt())


def pytest_collection_modifyitems(items):
    """Tests in random order, so that none lives on what another left; the order of a number is always the same."""
    order = random.Random(os.environ.get("SYNTAXA_TEST_ORDER", "0"))
    modules = {}
    for item in items:
        modules.setdefault(item.module.__name__, []).append(item)
    names = list(modules)
    order.shuffle(names)
    for name in names:
        order.shuffle(modules[name])
    items[:] = [item for name in names for item in modules[name]]


def pytest_report_header():
    return f"order of the tests: SYNTAXA_TEST_ORDER={os.environ.get('SYNTAXA_TEST_ORDER', '0')}"
