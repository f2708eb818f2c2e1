"""Takes the README's pictures: the empty window, each stage of the demo, and the Night look."""

from __future__ import annotations

import sys
from pathlib import Path

from syntaxa.app.program import start
from syntaxa.app.settings import Settings
from syntaxa.app.walk import settle, take_picture, walk_demo
from syntaxa.demo.formats import write_drawings


def main(folder: Path) -> int:
    """All pictures into a folder."""
    _application, window = start(write_drawings, Settings(folder / "settings.json"))
    window.show()
    window.resize(1280, 800)
    window.canvas.paint_now()
    window.grab().save(str(folder / "0-empty.png"))
    window.open_demo()
    status = walk_demo(window, folder)
    window.show()
    window.switch_look()
    window.show_mend()
    window.undo()
    settle(window)
    window.fit()
    settle(window)
    take_picture(window, folder / "8-night.png")
    window.session.save(folder / "done.sxj")
    window.close()
    return status


if __name__ == "__main__":
    sys.exit(main(Path(sys.argv[1])))
