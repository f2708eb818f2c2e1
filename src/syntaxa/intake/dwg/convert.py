"""The child process that reads a DWG: `python -I -S convert.py LIBRARIES FILE BYTES SECONDS`.

It writes the number of bytes of what the library says of the drawing (JSON), that itself, and the drawing as DXF, and
touches nothing else. What native code does with a damaged file, it does here, where it can be ended. It loads no more
than it must, not even what Python loads by itself: that is what takes time.
"""

from __future__ import annotations

import resource
import sys


def main(libraries: str, path: str, memory: int, seconds: int) -> int:
    """Converts one file within limits of memory (bytes) and time (seconds of the processor)."""
    sys.path.append(libraries)
    import cadkit

    resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
    resource.setrlimit(resource.RLIMIT_CPU, (seconds, seconds))
    try:
        document = cadkit.read(path)
        content = document.to_json().encode()
        dxf = document.to_dxf_bytes()
    except BaseException as error:  # noqa: BLE001  native code raises what it likes; the parent tells it in words
        sys.stderr.write(f"{type(error).__name__}: {error}\n")
        return 3
    sys.stdout.buffer.write(b"%d\n" % len(content) + content + dxf)
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1], sys.argv[2], int(sys.argv[3]), int(sys.argv[4])))
