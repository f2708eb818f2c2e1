"""Plain tables for people."""

from __future__ import annotations

from collections.abc import Sequence


def table(head: Sequence[str], rows: Sequence[Sequence[object]]) -> str:
    """Columns as wide as their widest cell; numbers to the right."""
    cells = [[str(c) for c in row] for row in (head, *rows)]
    widths = [max(len(row[k]) for row in cells) for k in range(len(head))]
    numeric = [bool(rows) and all(isinstance(row[k], int | float) for row in rows) for k in range(len(head))]
    lines = [
        "  ".join(c.rjust(w) if n else c.ljust(w) for c, w, n in zip(row, widths, numeric, strict=True)).rstrip()
        for row in cells
    ]
    return "\n".join(lines)
