"""Which words the interface says: every literal of tr() and counted(), and of tables that are translated where shown.

tools/words.py            lists words that a language has no translation of, and those that nobody says
"""

from __future__ import annotations

import ast
import sys
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT / "src"))

#: Words of the core that the interface shows: names of kinds, by the module and the name that has them.
_SHOWN = ROOT / "src" / "syntaxa" / "app"


def said_words() -> list[str]:
    """All words, each once, in the order of the files."""
    found: dict[str, None] = {}
    for path in sorted(_SHOWN.rglob("*.py")):
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.Call):
                found |= dict.fromkeys(_of_call(node))
    return list(found)


def _of_call(call: ast.Call) -> Iterator[str]:
    name = call.func.id if isinstance(call.func, ast.Name) else ""
    if name in ("tr", "mark") and call.args:
        yield from _literals(call.args[0])
    elif name == "counted":
        one, more = (list(_literals(a)) for a in (*call.args[1:3], *[ast.Constant("")] * (3 - len(call.args))))
        yield from one
        yield from [m for m in more if m] or [f"{t}s" for t in one]


def _literals(node: ast.expr) -> Iterator[str]:
    if isinstance(node, ast.Constant) and isinstance(node.value, str):
        yield node.value
    elif isinstance(node, ast.IfExp):
        yield from _literals(node.body)
        yield from _literals(node.orelse)
