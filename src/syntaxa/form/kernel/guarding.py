"""Work done in a fork of its own: it may hang or crash, and nothing is lost but this one answer."""

from __future__ import annotations

import os
import pickle
import select
import signal
import time
from collections.abc import Callable
from typing import Any

from syntaxa.form.refusal import KernelError
from syntaxa.watching import still_wanted

#: Seconds between two looks at whether the work is still wanted.
_LOOK = 0.05


def guarded(work: Callable[[], Any], seconds: float) -> Any:
    """What the work gives; raises KernelError where it fails, takes too long or takes its process down."""
    read, write = os.pipe()
    process = os.fork()
    if process == 0:
        _answer(work, read, write)
    os.close(write)
    try:
        data = _listen(read, time.monotonic() + seconds)
    finally:
        os.close(read)
        os.kill(process, signal.SIGKILL)
        os.waitpid(process, 0)
    if not data:
        raise KernelError("This took longer than a trial may, or went wrong.")
    worked, answer = pickle.loads(data)  # noqa: S301  both ends are this program
    if not worked:
        raise KernelError(answer)
    return answer


def _answer(work: Callable[[], Any], read: int, write: int) -> None:
    """In the fork: does the work, writes what came of it, and ends."""
    code = 1
    try:
        os.close(read)
        try:
            answer = (True, work())
        except KernelError as error:
            answer = (False, error.sentence)
        except Exception as error:  # noqa: BLE001  whatever it is, it is one failed trial
            answer = (False, type(error).__name__)
        view = memoryview(pickle.dumps(answer))
        while view:
            view = view[os.write(write, view) :]
        code = 0
    finally:
        os._exit(code)


def _listen(read: int, until: float) -> bytes:
    """All that is written; nothing where it takes too long."""
    parts: list[bytes] = []
    while (left := until - time.monotonic()) > 0:
        still_wanted()
        if select.select([read], [], [], min(left, _LOOK))[0]:
            part = os.read(read, 1 << 20)
            if not part:
                return b"".join(parts)
            parts.append(part)
    return b""
