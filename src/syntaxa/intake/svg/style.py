"""The cascade of an SVG: style sheets, style attributes and presentation attributes, for the few properties that count.

Order of precedence: presentation attributes, then rules by specificity and order, then the style attribute; anything
marked important last (CSS Cascading and Inheritance; SVG 1.1, chapter 6).
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping

import tinycss2
import tinycss2.color4
from cssselect import SelectorError, parse
from cssselect.xpath import GenericTranslator
from lxml import etree

#: Properties that are looked at; those in the second row pass from a group to what is in it.
_OWN = ("display", "clip-path", "stop-color", "mask", "filter")
_INHERITED = ("fill", "stroke", "stroke-width", "stroke-dasharray", "visibility", "font-size", "font-family",
              "text-anchor", "color", "fill-rule", "marker-start", "marker-mid", "marker-end")  # fmt: skip
_WATCHED = frozenset((*_OWN, *_INHERITED))

#: Rules beyond this are not looked at: no drawing has them, and matching them all would take for ever.
_MOST_RULES = 4000

Properties = dict[str, str]

INITIAL: Properties = {"fill": "black", "stroke": "none", "stroke-width": "1", "visibility": "visible"}


class Cascade:
    """Answers which properties an element has."""

    def __init__(self, root: etree._Element) -> None:
        self._matched: dict[etree._Element, list[tuple[tuple[int, ...], str, str]]] = {}
        self._kept: list[etree._Element] = []
        self.left_out = 0
        sheets = [text for e in root.iter("style") for text in ["".join(str(t) for t in e.itertext())]]
        rules = list(_rules("\n".join(sheets))) if sheets else []
        self.left_out = max(0, len(rules) - _MOST_RULES)
        for order, (selector, declarations) in enumerate(rules[:_MOST_RULES]):
            self._apply(root, order, selector, declarations)

    def _apply(
        self, root: etree._Element, order: int, selector: str, declarations: list[tuple[str, str, bool]]
    ) -> None:
        try:
            parsed = parse(selector)
            translated = [(s, GenericTranslator().selector_to_xpath(s)) for s in parsed]
        except SelectorError:
            self.left_out += 1
            return
        for one, path in translated:
            specificity = one.specificity()
            for element in root.xpath(path):
                self._kept.append(element)
                rows = self._matched.setdefault(element, [])
                rows += [((int(loud), 0, *specificity, order), name, value) for name, value, loud in declarations]

    def of(self, element: etree._Element, parent: Mapping[str, str]) -> Properties:
        """All watched properties of an element whose parent has the given ones."""
        found = {name: parent[name] for name in _INHERITED if name in parent}
        attributes = element.attrib
        for name, value in attributes.items():
            if name in _WATCHED:
                _set(found, parent, str(name), str(value))
        rows = self._matched.get(element)
        own = attributes.get("style")
        if rows is None and own is None:
            return found
        ranked = list(rows or ())
        if own:
            # A style attribute outranks every rule of the same loudness, however specific.
            ranked += [((int(loud), 1), name, value) for name, value, loud in declarations_of(str(own))]
        for _, name, value in sorted(ranked, key=lambda row: row[0]):
            _set(found, parent, name, value)
        return found


def _set(found: Properties, parent: Mapping[str, str], name: str, value: str) -> None:
    value = value.strip()
    if value == "inherit":
        if name in parent:
            found[name] = parent[name]
    elif name in _WATCHED:
        found[name] = value


def declarations_of(text: str) -> list[tuple[str, str, bool]]:
    """Name, value and whether it is marked important, of each declaration."""
    if not any(c in text for c in "\"'(/\\!"):
        pairs = (part.split(":", 1) for part in text.split(";") if ":" in part)
        return [(name.strip().lower(), value.strip(), False) for name, value in pairs]
    nodes = tinycss2.parse_declaration_list(text, skip_comments=True, skip_whitespace=True)
    return [
        (n.lower_name, tinycss2.serialize(n.value).strip(), bool(n.important)) for n in nodes if n.type == "declaration"
    ]


def _rules(text: str) -> Iterator[tuple[str, list[tuple[str, str, bool]]]]:
    for node in tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True):
        if node.type == "at-rule" and node.lower_at_keyword == "media" and node.content is not None:
            yield from _rules(tinycss2.serialize(node.content))
        elif node.type == "qualified-rule":
            yield tinycss2.serialize(node.prelude).strip(), declarations_of(tinycss2.serialize(node.content))


def colour_of(value: str, current: str = "black") -> int | None:
    """A CSS colour as 0xRRGGBB; None for "none", for what is fully clear, and for what cannot be told."""
    if value in ("none", "transparent", ""):
        return None
    if value.lower() == "currentcolor":
        value = current
    if value.startswith("url("):
        # A gradient or pattern; the colour behind it, if one is named, stands in.
        value = value.rpartition(")")[2].strip() or "grey"
    parsed = tinycss2.color4.parse_color(value)
    if parsed is None or isinstance(parsed, str):
        return 0
    try:
        red, green, blue = (round(255 * min(max(float(c or 0.0), 0.0), 1.0)) for c in parsed.to("srgb").coordinates)
    except (NotImplementedError, ValueError):
        return 0
    if parsed.alpha == 0:
        return None
    return red << 16 | green << 8 | blue
