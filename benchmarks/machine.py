"""How fast the machine is at the moment, so that figures of time can be read: its host may slow down a virtual one."""

from __future__ import annotations

import os
import time
from pathlib import Path


def pace() -> float:
    """Milliseconds for the sum of a million numbers in plain Python, the best of five."""
    return 1e3 * min(_summed() for _ in range(5))


def _summed() -> float:
    began, total = time.perf_counter(), 0
    for k in range(1_000_000):
        total += k
    return time.perf_counter() - began


def stolen() -> float:
    """Milliseconds of its processors that the host has given to others so far (“steal” in /proc/stat, see proc(5))."""
    try:
        first = Path("/proc/stat").read_text().split("\n", 1)[0].split()
        return 1e3 * int(first[8]) / os.sysconf("SC_CLK_TCK")
    except (OSError, IndexError, ValueError):
        return 0.0
