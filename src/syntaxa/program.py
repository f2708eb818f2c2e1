"""Where the rooms are put together: the command line, the window and the demo."""

from __future__ import annotations

import sys
from collections.abc import Sequence

from syntaxa.cli.main import run


def main() -> int:
    """The entry point `syntaxa`."""
    return run(sys.argv[1:], _open_window, _open_demo)


def _open_window(files: Sequence[str]) -> int:
    # Qt is loaded only when a window is wanted: the command line works without it.
    from syntaxa.app.program import open_window
    from syntaxa.demo.drawing import write_demo

    return open_window(files, write_demo)


def _open_demo(walk: str | None) -> int:
    from syntaxa.app.program import open_demo
    from syntaxa.demo.drawing import write_demo

    return open_demo(write_demo, walk)
