"""Files that are written whole or not at all."""

from __future__ import annotations

import contextlib
import os
import tempfile
from pathlib import Path


def write_atomically(path: Path, data: bytes) -> None:
    """Writes through a temporary file beside it, flushed to the disk, then renamed; raises OSError.

    Whatever goes wrong, the old file is still there and nothing half-written is left behind. Through a symbolic link
    the file that it leads to is written; a mode that was set stays.
    """
    # A link stays a link: what it leads to is written.
    path = Path(os.path.realpath(path))
    handle, temporary = tempfile.mkstemp(prefix=f".{path.name}.", dir=path.parent)
    try:
        with os.fdopen(handle, "wb") as stream:
            stream.write(data)
            stream.flush()
            os.fsync(stream.fileno())
        mode = path.stat().st_mode & 0o7777 if path.exists() else 0o666 & ~_umask()
        os.chmod(temporary, mode)
        os.replace(temporary, path)
    except BaseException:
        with contextlib.suppress(OSError):
            os.unlink(temporary)
        raise


def _umask() -> int:
    mask = os.umask(0)
    os.umask(mask)
    return mask
