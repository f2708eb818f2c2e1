"""Where the rooms are put together: the command line, the window and the demo."""

from __future__ import annotations

import os
import sys
from collections.abc import Sequence
from pathlib import Path


def main() -> int:
    """The entry point `syntaxa`."""
    try:
        # Even while the libraries are being loaded Ctrl-C ends it without a traceback.
        from syntaxa.cli.main import run

        return run(sys.argv[1:], _open_window, _open_demo)
    except KeyboardInterrupt:
        return 130


def _need_display() -> None:
    """Qt ends the process where it finds no display; a sentence is kinder."""
    if not any(os.environ.get(name) for name in ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")):
        from syntaxa.errors import SyntaxaError

        raise SyntaxaError(
            "There is no display to open a window on.", suggestion="Use syntaxa inspect or mend, or a virtual display."
        )


def _open_window(files: Sequence[str]) -> int:
    _need_display()
    # Qt is loaded only when a window is wanted: the command line works without it.
    from syntaxa.app.program import open_window

    return open_window(files, _write_demo)


def _open_demo(walk: str | None) -> int:
    _need_display()
    from syntaxa.app.program import open_demo

    return open_demo(_write_demo, walk)


def _write_demo(folder: Path) -> Path:
    """Writes the demo's drawings; what draws them is loaded when somebody wants them."""
    from syntaxa.demo.formats import write_drawings

    return write_drawings(folder)
