"""The cascade of an SVG: style sheets, style attributes and presentation attributes, for the few properties that count.

Order of precedence: presentation attributes, then rules by specificity and order, then the style attribute; anything
marked important last (CSS Cascading and Inheritance; SVG 1.1, chapter 6).
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from functools import lru_cache

import tinycss2
import tinycss2.color4
from cssselect import Selector, SelectorError, parse
from cssselect.xpath import GenericTranslator
from lxml import etree

from syntaxa.intake.svg.placing import in_px

#: Properties that are looked at; those in the second row pass from a group to what is in it.
_OWN = ("display", "clip-path", "stop-color", "mask", "filter", "transform-origin", "transform-box",
        "x", "y", "cx", "cy", "r", "rx", "ry", "width", "height", "d")  # fmt: skip
_INHERITED = ("fill", "stroke", "stroke-width", "stroke-dasharray", "visibility", "font-size", "font-family",
              "text-anchor", "color", "fill-rule", "clip-rule", "marker-start", "marker-mid", "marker-end")  # fmt: skip
_WATCHED = frozenset((*_OWN, *_INHERITED))

#: These are read from their attributes where no style gives them. `transform` differs between the two in its grammar.
_GEOMETRY = frozenset(("x", "y", "cx", "cy", "r", "rx", "ry", "width", "height", "d"))

#: Rules beyond this are not looked at: no drawing has them, and matching them all would take for ever.
_MOST_RULES = 4000

#: Selectors of a type, classes and an id, as the library writes them out.
_SIMPLE = re.compile(r"([\w-]*|\*)((?:[.#][\w-]+)*)")

_NOTHING: dict[etree._Element, None] = {}

Properties = dict[str, str]

INITIAL: Properties = {"fill": "black", "stroke": "none", "stroke-width": "1", "visibility": "visible",
                       "font-size": "16"}  # fmt: skip

#: Sizes of fonts by name, in shares of the usual one (CSS Fonts 3, 3.5).
_NAMED_SIZES = {"xx-small": 3 / 5, "x-small": 3 / 4, "small": 8 / 9, "medium": 1.0, "large": 6 / 5, "x-large": 3 / 2,
                "xx-large": 2.0}  # fmt: skip


class Cascade:
    """Answers which properties an element has."""

    def __init__(self, root: etree._Element) -> None:
        self._matched: dict[etree._Element, list[tuple[tuple[int, ...], str, str]]] = {}
        self._translator = GenericTranslator()
        self.left_out = 0
        sheets = [text for e in root.iter("style") for text in ["".join(str(t) for t in e.itertext())]]
        rules = list(_rules("\n".join(sheets))) if sheets else []
        self.left_out = max(0, len(rules) - _MOST_RULES)
        #: Elements by their type, ".class" and "#id"; held here, so that they stay what they are.
        self._all = [e for e in root.iter() if isinstance(e.tag, str)] if rules else []
        self._index: dict[str, dict[etree._Element, None]] = {}
        for element in self._all:
            names = [str(element.tag), *(f".{c}" for c in str(element.get("class") or "").split())]
            for name in [*names, f"#{element.get('id')}"]:
                self._index.setdefault(name, {})[element] = None
        for order, (selector, declarations) in enumerate(rules[:_MOST_RULES]):
            self._apply(root, order, selector, declarations)

    def _apply(
        self, root: etree._Element, order: int, selector: str, declarations: list[tuple[str, str, bool]]
    ) -> None:
        try:
            found = [(one.specificity(), self._elements(root, one)) for one in parse(selector)]
        except SelectorError:
            self.left_out += 1
            return
        for specificity, elements in found:
            for element in elements:
                rows = self._matched.setdefault(element, [])
                rows += [((int(loud), 0, *specificity, order), name, value) for name, value, loud in declarations]

    def _elements(self, root: etree._Element, selector: Selector) -> list[etree._Element]:
        """What a selector means: looked up where it only names a type, classes and an id, else searched for."""
        simple = _SIMPLE.fullmatch(selector.canonical())
        if simple is None:
            return list(root.xpath(self._translator.selector_to_xpath(selector)))
        kind, marks = simple[1], re.findall(r"[.#][^.#]+", simple[2])
        lots = [self._index.get(key, _NOTHING) for key in ([kind] if kind not in ("", "*") else []) + marks]
        if not lots:
            return self._all
        least = min(lots, key=len)
        return [e for e in least if all(e in lot for lot in lots)]

    def of(self, element: etree._Element, parent: Mapping[str, str]) -> Properties:
        """All watched properties of an element whose parent has the given ones."""
        found = {name: parent[name] for name in _INHERITED if name in parent}
        attributes = element.attrib
        for name, value in attributes.items():
            if name in _WATCHED and name not in _GEOMETRY:
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
    elif name == "font-size":
        found[name] = repr(_font_size(value, float(parent.get(name, "16"))))
    elif name in _WATCHED or name == "transform":
        found[name] = value


def _font_size(value: str, outer: float) -> float:
    """A font size in px; what is relative goes by the font of the element around."""
    if value in _NAMED_SIZES:
        return 16.0 * _NAMED_SIZES[value]
    if value in ("larger", "smaller"):
        return outer * (1.2 if value == "larger" else 1 / 1.2)
    size = in_px(value, outer, outer, otherwise=-1.0)
    return size if size >= 0 else outer


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
            if not _on_screen(tinycss2.serialize(node.prelude)):
                continue
            yield from _rules(tinycss2.serialize(node.content))
        elif node.type == "qualified-rule":
            yield tinycss2.serialize(node.prelude).strip(), declarations_of(tinycss2.serialize(node.content))


def _on_screen(queries: str) -> bool:
    """Whether a list of media queries holds for a screen; what they ask of its size is taken as given."""
    for query in queries.lower().split(",") if queries.strip() else [""]:
        words = query.replace("(", " (").split()
        negated = bool(words) and words[0] == "not"
        kind = next((w for w in words if w not in ("not", "only")), "")
        if (kind in ("all", "screen", "") or kind.startswith("(")) != negated:
            return True
    return False


@lru_cache(maxsize=20_000)
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
