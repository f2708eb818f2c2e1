"""Optional content: the layers that a PDF declares, and which of them its author hid."""

from __future__ import annotations

import pikepdf

#: Expressions one in the other.
_DEEPEST = 32


class OptionalContent:
    """Names and visibility of the optional content groups (ISO 32000-1, 8.11)."""

    def __init__(self, pdf: pikepdf.Pdf) -> None:
        self._hidden: set[tuple[int, int]] = set()
        self._names: dict[tuple[int, int], str] = {}
        properties = pdf.Root.get("/OCProperties")
        if not isinstance(properties, pikepdf.Dictionary):
            return
        for group in _array(properties.get("/OCGs")):
            if isinstance(group, pikepdf.Dictionary):
                self._names[group.objgen] = str(group.get("/Name", "layer"))
        default = properties.get("/D")
        if not isinstance(default, pikepdf.Dictionary):
            return
        if str(default.get("/BaseState", "/ON")) == "/OFF":
            self._hidden = set(self._names)
        self._hidden -= {g.objgen for g in _array(default.get("/ON")) if isinstance(g, pikepdf.Dictionary)}
        self._hidden |= {g.objgen for g in _array(default.get("/OFF")) if isinstance(g, pikepdf.Dictionary)}

    def __bool__(self) -> bool:
        return bool(self._names)

    def layers(self) -> list[tuple[str, bool]]:
        """All groups with whether they are shown, in the order of the file."""
        return [(name, key not in self._hidden) for key, name in self._names.items()]

    def _holds(self, expression: pikepdf.Object, depth: int) -> bool:
        """Whether a visibility expression holds: groups, and And, Or and Not of such."""
        if isinstance(expression, pikepdf.Dictionary):
            return expression.objgen not in self._hidden
        parts = _array(expression)
        if not parts or depth > _DEEPEST:
            return True
        shown = [self._holds(part, depth + 1) for part in parts[1:]]
        kind = str(parts[0])
        if kind == "/Not":
            return not all(shown)
        return all(shown) if kind == "/And" else any(shown)

    def _first_in(self, expression: pikepdf.Object, depth: int = 0) -> str | None:
        """The name of the first group that an expression speaks of."""
        for part in _array(expression)[1:]:
            if isinstance(part, pikepdf.Dictionary) and part.objgen in self._names:
                return self._names[part.objgen]
            found = self._first_in(part, depth + 1) if depth < _DEEPEST else None
            if found is not None:
                return found
        return None

    def of(self, content: pikepdf.Object | None) -> tuple[str, bool] | None:
        """Name and visibility of what a group or membership dictionary governs; None where it governs nothing."""
        if not isinstance(content, pikepdf.Dictionary):
            return None
        if str(content.get("/Type")) != "/OCMD":
            if content.objgen not in self._names:
                return None
            return self._names[content.objgen], content.objgen not in self._hidden
        expression = content.get("/VE")
        if isinstance(expression, pikepdf.Array):
            # An expression goes before the plain list (ISO 32000-1, 8.11.2.2).
            named = self._first_in(expression)
            return None if named is None else (named, self._holds(expression, 0))
        members = content.get("/OCGs")
        groups = [members] if isinstance(members, pikepdf.Dictionary) else _array(members)
        found = [one for g in groups if (one := self.of(g)) is not None]
        if not found:
            return None
        shown = [visible for _, visible in found]
        policy = str(content.get("/P", "/AnyOn"))
        visible = {
            "/AllOn": all(shown), "/AnyOff": not all(shown), "/AllOff": not any(shown)
        }.get(policy, any(shown))  # fmt: skip
        return found[0][0], visible


def _array(value: pikepdf.Object | None) -> list[pikepdf.Object]:
    return list(value) if isinstance(value, pikepdf.Array) else []
