"""A process of its own that makes small pictures of drawings: a bad file can neither hold nor end the window.

It reads orders as lines of JSON, {"path", "out", "look"}, and answers each with {"path", "says"}; `says` is empty
where the picture was made.
"""

from __future__ import annotations

import os
import resource
import sys
from pathlib import Path

import msgspec

from syntaxa.app.words import tr

#: Bytes that the process may use.
_MEMORY = 6 << 30

#: Pixels of a picture.
WIDTH, HEIGHT = 320, 240


class Order(msgspec.Struct):
    """A picture that is wanted."""

    path: str
    out: str
    look: str


class Answer(msgspec.Struct):
    """What became of an order."""

    path: str
    says: str = ""


def main() -> int:
    """Works until its input ends."""
    os.environ["QT_QPA_PLATFORM"] = "offscreen"
    resource.setrlimit(resource.RLIMIT_AS, (_MEMORY, _MEMORY))
    # A shared machine's window comes first.
    os.nice(10)
    from PyQt6.QtGui import QGuiApplication

    application = QGuiApplication(sys.argv[:1])
    for line in sys.stdin.buffer:
        order = msgspec.json.decode(line, type=Order)
        says = _made(order)
        sys.stdout.buffer.write(msgspec.json.encode(Answer(order.path, says)) + b"\n")
        sys.stdout.buffer.flush()
    del application
    return 0


def _made(order: Order) -> str:
    from syntaxa.app.canvas.picture import picture_of
    from syntaxa.app.theme.tokens import LOOKS
    from syntaxa.errors import SyntaxaError
    from syntaxa.intake.registry import load_bytes, read

    path = Path(order.path)
    try:
        received = read(path.name, load_bytes(path))
    except SyntaxaError as error:
        return error.sentence
    except (MemoryError, RecursionError):
        return tr("It takes more memory than there is.")
    tokens = LOOKS["night" if order.look == "night" else "paper"]
    image = picture_of(received.drawing, WIDTH, HEIGHT, tokens)
    out = Path(order.out)
    out.parent.mkdir(parents=True, exist_ok=True)
    temporary = out.with_suffix(f".{os.getpid()}.png")
    if not image.save(str(temporary)):
        return tr("The picture could not be kept.")
    os.replace(temporary, out)
    return ""


if __name__ == "__main__":
    sys.exit(main())
