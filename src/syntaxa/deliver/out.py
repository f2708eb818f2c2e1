"""How files leave the program: whole or not at all, and said in a sentence where they cannot."""

from __future__ import annotations

from pathlib import Path

from syntaxa.errors import DeliverError, reason_of
from syntaxa.files import write_atomically


def put_out(path: Path, data: bytes) -> None:
    """Writes a file whole or not at all; raises DeliverError."""
    try:
        write_atomically(path, data)
    except ValueError as error:
        raise DeliverError(
            f"“{path.name.replace(chr(0), ' ').strip()}” is no name that a file can have.",
            file=str(path),
            suggestion="Choose another name.",
        ) from error
    except OSError as error:
        raise DeliverError(
            f"{path} cannot be written: {reason_of(error)}.", file=str(path), suggestion="Choose another folder."
        ) from error
