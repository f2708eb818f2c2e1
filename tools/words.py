"""Which words the interface says, and what the core says in sentences: everything that a language has to have.

tools/words.py            tells what German has no translation of, and what it has that nobody says
"""

from __future__ import annotations

import ast
import itertools
import re
import sys
from collections.abc import Iterator
from functools import cache
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT / "src"))
SOURCE = ROOT / "src" / "syntaxa"

#: Rooms whose sentences users see, and parts of them that write documents or files instead.
_ROOMS = ("drawing", "deliver", "job", "intake", "measure", "route", "mend", "define", "form", "cut", "geometry")
_DOCUMENTS = ("deliver/report.py", "deliver/setup_sheet.py", "deliver/pages/", "job/account.py", "job/parcels.py",
              "form/kernel/packing.py")  # fmt: skip

#: Calls whose words nobody sees.
_UNSEEN = frozenset((
    "getattr", "setattr", "hasattr", "Path", "open", "startswith", "endswith", "partition", "rpartition", "split",
    "rsplit", "removeprefix", "removesuffix", "debug", "info", "warning", "exception", "error", "getLogger", "compile",
    "match", "search", "sub", "findall", "fullmatch", "encode", "decode", "joinpath", "with_name", "with_stem",
    "import_module", "cast", "TypeVar", "ParamSpec", "getenv", "NewType", "glob", "View", "register", "strftime",
))  # fmt: skip


@cache
def _calls(path: Path) -> tuple[ast.Call, ...]:
    """The calls of a file that say something or name what is computed."""
    names, text = ("tr", "counted", "View"), path.read_text()
    if not any(f"{name}(" in text for name in names):
        return ()
    calls = (node for node in ast.walk(ast.parse(text)) if isinstance(node, ast.Call))
    return tuple(c for c in calls if isinstance(c.func, ast.Name) and c.func.id in names and c.args)


# ---------------------------------------------------------------------- of the interface


def said_words() -> list[str]:
    """All words of the interface, each once, in the order of the files."""
    found: dict[str, None] = {}
    for path in sorted((SOURCE / "app").rglob("*.py")):
        for call in _calls(path):
            found |= dict.fromkeys(_of_call(call))
    return list(found)


def _of_call(call: ast.Call) -> Iterator[str]:
    name = call.func.id if isinstance(call.func, ast.Name) else ""
    if name == "tr":
        yield from _literals(call.args[0])
    elif name == "counted":
        from syntaxa.counting import plural, singular

        one, more = (list(_literals(a)) for a in (*call.args[1:3], *[ast.Constant("")] * (3 - len(call.args))))
        yield from map(singular, one)
        yield from [m for m in more if m] or map(plural, one)


def _literals(node: ast.expr) -> Iterator[str]:
    if isinstance(node, ast.Constant) and isinstance(node.value, str):
        yield node.value
    elif isinstance(node, ast.IfExp):
        yield from _literals(node.body)
        yield from _literals(node.orelse)


# ---------------------------------------------------------------------- of the core


def core_sentences() -> list[str]:
    """What the core says, each once: fixed words, and templates with gaps."""
    found: dict[str, None] = {}
    paths = [p for room in _ROOMS for p in sorted((SOURCE / room).rglob("*.py"))]
    for path in [*paths, *sorted(SOURCE.glob("*.py"))]:
        if not any(part in path.relative_to(SOURCE).as_posix() for part in _DOCUMENTS):
            found |= dict.fromkeys(t for t in _said_in(ast.parse(path.read_text())) if _is_sentence(t))
    return list(found)


def _said_in(tree: ast.Module) -> Iterator[str]:
    waiting: list[ast.AST] = [tree]
    while waiting:
        node = waiting.pop()
        if isinstance(node, ast.JoinedStr):
            yield from _templates(node)
            continue
        if isinstance(node, ast.Constant):
            if isinstance(node.value, str) and " " in node.value:
                yield node.value
            continue
        waiting += _seen(node)


def _seen(node: ast.AST) -> list[ast.AST]:
    """The parts of a node in which something may be said."""
    if isinstance(node, ast.Call):
        name = node.func.attr if isinstance(node.func, ast.Attribute) else getattr(node.func, "id", "")
        return [node.func] if name in _UNSEEN else list(ast.iter_child_nodes(node))
    if isinstance(node, ast.Subscript):
        return [node.value]
    if isinstance(node, ast.Assert):
        return []
    if isinstance(node, ast.Compare):
        sides = [node.left, *node.comparators]
        return [s for s in sides if not isinstance(s, ast.Constant | ast.Tuple | ast.Set)]
    if isinstance(node, ast.Dict):
        return [*node.values, *(k for k in node.keys if k is not None and not isinstance(k, ast.Constant))]
    if isinstance(node, ast.AnnAssign):
        return [node.value] if node.value is not None else []
    if isinstance(node, ast.Module | ast.ClassDef | ast.FunctionDef):
        body = node.body[1:] if _has_docstring(node) else node.body
        more = [*node.args.defaults, *node.args.kw_defaults] if isinstance(node, ast.FunctionDef) else []
        return [*body, *(d for d in more if d is not None)]
    return list(ast.iter_child_nodes(node))


def _has_docstring(node: ast.Module | ast.ClassDef | ast.FunctionDef) -> bool:
    first = node.body[0] if node.body else None
    return isinstance(first, ast.Expr) and isinstance(first.value, ast.Constant) and isinstance(first.value.value, str)


def _templates(node: ast.JoinedStr) -> Iterator[str]:
    """A string with gaps; of endings that depend on something, each."""
    parts: list[list[str]] = []
    gap = 0
    for value in node.values:
        inner = value.value if isinstance(value, ast.FormattedValue) else None
        if isinstance(value, ast.Constant):
            parts.append([str(value.value).replace("{", "{{").replace("}", "}}")])
        elif isinstance(inner, ast.IfExp) and all(
            isinstance(side, ast.Constant) and isinstance(side.value, str) for side in (inner.body, inner.orelse)
        ):
            parts.append([str(side.value) for side in (inner.body, inner.orelse)])  # type: ignore[attr-defined]
        else:
            parts.append([f"{{{gap}}}"])
            gap += 1
    return map("".join, itertools.product(*parts))


def _is_sentence(text: str) -> bool:
    """Whether it is something that a user reads, and not a piece of a file or a pattern."""
    fixed = re.sub(r"\{\d*\}", "", text)
    if ("<" in text and ">" in text) or any(s in text for s in ('="', "\n", "\\", "?!", "|")):
        return False
    if len(re.findall("[A-Za-z]", fixed)) < 4 or re.fullmatch(r"[A-Z0-9_ .\-]+", text):
        return False
    if re.search(r"(^|\s)(rg|cm|Tf|Do Q|BDC)$", text):
        return False
    return " " in fixed.strip() or (text[0].isupper() and "{" in text)


def view_titles() -> list[str]:
    """What is told to be computed, while it is: the titles of views."""
    found: dict[str, None] = {}
    for path in sorted(SOURCE.rglob("*.py")):
        for call in _calls(path):
            if isinstance(call.func, ast.Name) and call.func.id == "View":
                found |= dict.fromkeys(_literals(call.args[0]))
    return list(found)


# ---------------------------------------------------------------------- both


def missing(language: str) -> list[str]:
    """What a language has no translation of."""
    from syntaxa.app.words import SENTENCES, read_catalogue

    words, sentences = read_catalogue(language), read_catalogue(language, SENTENCES)
    return [
        *(w for w in said_words() if not words.get(w)),
        *(s for s in (*core_sentences(), *view_titles()) if not (sentences.get(s) or words.get(s))),
    ]


def unsaid(language: str) -> list[str]:
    """Words of the interface that a language has and nobody says."""
    from syntaxa.app.words import read_catalogue

    said = set(said_words())
    return [w for w in read_catalogue(language) if w not in said]


if __name__ == "__main__":
    told = [f"no translation: {row!r}" for row in missing("de")] + [f"nobody says: {row!r}" for row in unsaid("de")]
    print(*told, sep="\n", end="\n" if told else "")
    sys.exit(bool(told))
