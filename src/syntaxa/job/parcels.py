"""Objects carried between two processes through shared memory: what is large is not copied through a pipe.

A parcel is a file in memory that both processes map. It begins with the sizes of its parts: first the object, then the
arrays in it, which the receiver uses where they lie.
"""

from __future__ import annotations

import contextlib
import mmap
import os
import pickle
import struct
import tempfile
import uuid
from pathlib import Path
from typing import Any

#: Where the system keeps files in memory; else the folder for temporary files does.
_MEMORY = Path("/dev/shm")  # noqa: S108  files there are made under names of their own, for their user alone

#: Each part begins at a multiple of this, so that arrays in it are aligned.
_ALIGNED = 64


def put(thing: Any) -> Path:
    """Puts an object into a new parcel; whoever takes it out removes it. Raises OSError."""
    arrays: list[pickle.PickleBuffer] = []
    plain = pickle.dumps(thing, protocol=5, buffer_callback=arrays.append)
    parts = [memoryview(plain), *(a.raw() for a in arrays)]
    head = struct.pack(f"<q{len(parts)}q", len(parts), *(p.nbytes for p in parts))
    path = _new_path()
    try:
        handle = os.open(path, os.O_CREAT | os.O_EXCL | os.O_WRONLY, 0o600)
        with os.fdopen(handle, "wb") as file:
            file.write(head)
            for part in parts:
                file.seek(_aligned(file.tell()))
                file.write(part)
    except OSError:
        drop(path)
        raise
    return path


def take(path: Path) -> Any:
    """Takes the object out of a parcel and removes it; its arrays stay in the memory that both have mapped."""
    try:
        with path.open("rb") as file:
            memory = mmap.mmap(file.fileno(), 0, access=mmap.ACCESS_COPY)
    finally:
        drop(path)
    (count,) = struct.unpack_from("<q", memory, 0)
    sizes = struct.unpack_from(f"<{count}q", memory, 8)
    at, parts = 8 + 8 * count, []
    for size in sizes:
        at = _aligned(at)
        parts.append(memoryview(memory)[at : at + size])
        at += size
    return pickle.loads(parts[0], buffers=parts[1:])  # noqa: S301  both ends are this program


def drop(path: Path) -> None:
    """Removes a parcel that nobody takes."""
    with contextlib.suppress(OSError):
        path.unlink(missing_ok=True)


def sweep() -> None:
    """Removes what processes have left that run no more."""
    for path in _folder().glob("syntaxa-*-*"):
        number = path.name.split("-")[1]
        if number.isdigit() and not _runs(int(number)):
            drop(path)


def _runs(process: int) -> bool:
    try:
        os.kill(process, 0)
    except (ProcessLookupError, OverflowError):
        return False
    except OSError:
        return True
    return True


def _aligned(at: int) -> int:
    return -(-at // _ALIGNED) * _ALIGNED


def _folder() -> Path:
    return _MEMORY if _MEMORY.is_dir() and os.access(_MEMORY, os.W_OK) else Path(tempfile.gettempdir())


def _new_path() -> Path:
    return _folder() / f"syntaxa-{os.getpid()}-{uuid.uuid4().hex}"
