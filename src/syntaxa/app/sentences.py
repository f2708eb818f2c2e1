"""Sentences of the core in the language of the user.

The core has no interface and speaks English. What it says is made from templates, whose translations stand in the
catalogue under their own heading with the same gaps; a sentence is recognised by its template, most of it fixed words
first. A gap that is to be translated itself has `!t` in the translation; whatever else stands in a gap, names above
all, stays as it is, but for a number of things. What is not recognised stays English.

Cost: for each sentence that was not said before a look at each template, and for its parts, of which there are few at
most, with all that follow them.
"""

from __future__ import annotations

import re
import string
from collections.abc import Mapping
from functools import lru_cache

from syntaxa.app.words import CONTEXT, SENTENCES, figures_in, language, read_catalogue

#: Where one sentence ends and the next begins.
_BETWEEN = re.compile(r"(?<=[.!?:;])\s+(?=\S)")

_FORMATTER = string.Formatter()

#: The same, but a colon or semicolon is no end.
_STOP = re.compile(r"(?<=[.!?])\s+(?=\S)")

#: Where something more of an enumeration begins.
_ENUMERATED = re.compile(r",(?= )")

#: How what is enumerated begins where it is no sentence of its own.
_GOES_ON = (", ", "is ", "has ", "turned ", "moved ")

_LETTERS = re.compile("[A-Za-z]{2}")

#: A number of things, which is nobody's name.
_COUNTED = re.compile(r"([\d,.]+) ([a-z][a-z -]*)")

#: How deep gaps are translated.
_DEEP = 4

#: Parts of a text that are tried together at the most: each with all that follow it. Longer ones are told by sentences.
_MOST_PARTS = 16


def said(text: str) -> str:
    """What the core says, in the language of the interface, numbers as the user writes them."""
    return figures_in(in_words(text))


def in_words(text: str) -> str:
    """The same with numbers as they are."""
    spoken = language()
    return text if spoken == "en" or not text else _known(spoken, text)


class Sentences:
    """The templates of a language."""

    def __init__(self, words: Mapping[str, str], templates: Mapping[str, str]) -> None:
        """words  of the interface, which the core may say as well; templates  of sentences"""
        # Some go on after another sentence, a blank before them, and may be told alone.
        alone = {source.lstrip(): target.lstrip() for source, target in templates.items()}
        rows = [_Template(source, target) for source, target in {**alone, **templates}.items()]
        self._exact = {**words, **{row.source: row.target for row in rows if not row.has_gaps}}
        # The closest first: those that begin with fixed words, and of them those with the most.
        self._templates = sorted(
            (row for row in rows if row.has_gaps), key=lambda row: (not row.begins, -row.weight)
        )  # fmt: skip
        #: Those that go on where another left off.
        self._more = [row for row in self._templates if row.source.startswith(_GOES_ON)]

    def said(self, text: str, deep: int = 0) -> str:
        """A sentence, or several one after the other."""
        known = self._known(text, deep)
        if known is not None:
            return known
        # Perhaps a name has a full stop in it, or something in it has no translation.
        whole = self._one(text, deep, loose=True)
        sentences = [self._known(s, deep) or self._one(s, deep, loose=True) for s in _STOP.split(text)]
        if len(sentences) > 1 and all(sentences):
            return " ".join(s for s in sentences if s)
        return whole or "".join(part for part, _ in self._in_parts(text, deep))

    def _known(self, text: str, deep: int) -> str | None:
        """The translation, where there is one of all of it."""
        whole = self._part(text, deep)
        if whole is not None or not (_BETWEEN.search(text) or _ENUMERATED.search(text)):
            return whole
        found = self._in_parts(text, deep)
        return "".join(part for part, _ in found) if all(known for _, known in found) else None

    def _in_parts(self, text: str, deep: int) -> list[tuple[str, bool]]:
        """Sentences and what is enumerated, each as long as it can be, and whether it is known."""
        ends = sorted({m.start() for pattern in (_BETWEEN, _ENUMERATED) for m in pattern.finditer(text)} | {len(text)})
        if len(ends) > _MOST_PARTS:
            ends = [*(m.start() for m in _STOP.finditer(text)), len(text)][-_MOST_PARTS:]
        found, at = [], 0
        while at < len(text):
            for end in (e for e in reversed(ends) if e > at):
                known = self._part(text[at:end], deep)
                if known is not None:
                    break
            found.append((text[at:end] if known is None else known, known is not None))
            at = end
        return found

    def _part(self, text: str, deep: int) -> str | None:
        """One part, perhaps with what sets it off from the part before and from the one after."""
        whole = self._one(text, deep)
        if whole is not None:
            return whole
        bare = text.lstrip(", ")
        if not _LETTERS.search(bare):
            return text
        # One without its full stop, but not several of which only the last would lose it.
        inner = {bare, bare if re.search("[.!?] ", bare) else bare.rstrip(".")} - {text}
        for some in sorted(inner, key=len, reverse=True):
            known = self._one(some, deep)
            if known is not None:
                return text.replace(some, known, 1)
        return None

    def _one(self, text: str, deep: int, loose: bool = False) -> str | None:
        """One sentence; only where it is taken loosely may something in it stay that has no translation."""
        if text in self._exact:
            return self._exact[text]
        if deep > _DEEP:
            return None
        for template in self._templates:
            gaps = template.gaps_of(text)
            if gaps is not None:
                filled = {k: self._gap(gap, k in template.translated, deep, loose) for k, gap in gaps.items()}
                if None not in filled.values():
                    return template.filled(filled)  # type: ignore[arg-type]
        return self._counted(text)

    def _gap(self, gap: str, translated: bool, deep: int, loose: bool) -> str | None:
        """What stands in a gap; None where that cannot be all that stands there."""
        if loose:
            return self.said(gap, deep + 1) if translated else self._counted(gap) or gap
        if translated:
            return self._known(gap, deep + 1) if _LETTERS.search(gap) else gap
        if gap.endswith(",") or _BETWEEN.search(gap):
            return None
        if any(self._goes_on(gap[m.start() :]) for m in _ENUMERATED.finditer(gap)):
            return None
        return self._counted(gap) or gap

    def _goes_on(self, text: str) -> bool:
        """Whether something more is told from here on."""
        # A word alone may be somebody's name: layers are called "front" and "holes".
        if text in self._exact or (text[2:] in self._exact and " " in text[2:]):
            return True
        return any(
            template.gaps_of(text) is not None or template.gaps_of(text[2:]) is not None for template in self._more
        )

    def _counted(self, text: str) -> str | None:
        """A number of things: those have names of their own."""
        found = _COUNTED.fullmatch(text)
        if found is None:
            return None
        number, things = found.groups()
        name = self._exact.get(things) or self._exact.get(things.capitalize())
        return None if name is None else f"{number} {name}"


class _Template:
    """A sentence with gaps, and its translation."""

    def __init__(self, source: str, target: str) -> None:
        self.source, self.target = source, target
        fixed, self._numbers = [""], []
        for words, name, _, _ in _FORMATTER.parse(source):
            fixed[-1] += words
            if name is not None:
                self._numbers.append(int(name or 0))
                fixed.append("")
        self._longest = max(fixed, key=len)
        self._pattern = re.compile("(.*?)".join(map(re.escape, fixed)), re.DOTALL)
        self._filled = [(words, name, mark) for words, name, _, mark in _FORMATTER.parse(target)]
        #: Whether anything in it depends on what is told.
        self.has_gaps = bool(self._numbers)
        #: Gaps whose content is translated, too.
        self.translated = {int(name) for _, name, mark in self._filled if name and mark == "t"}
        #: Whether it begins with fixed words: then it is hardly another one.
        self.begins = len(fixed[0].strip()) > 1
        #: How much of it is fixed.
        self.weight = sum(len(p.strip()) for p in fixed)

    def gaps_of(self, text: str) -> dict[int, str] | None:
        """What stands in the gaps, where it is this sentence."""
        if self._longest not in text:
            return None
        found = self._pattern.fullmatch(text)
        return None if found is None else dict(zip(self._numbers, found.groups(), strict=True))

    def filled(self, gaps: Mapping[int, str]) -> str:
        """The translation."""
        return "".join(
            words + (gaps.get(int(name or 0), "") if name is not None else "") for words, name, _ in self._filled
        )


@lru_cache(maxsize=2)
def _made(spoken: str) -> Sentences:
    return Sentences(read_catalogue(spoken, CONTEXT), read_catalogue(spoken, SENTENCES))


@lru_cache(maxsize=5000)
def _known(spoken: str, text: str) -> str:
    """What was said lately is remembered."""
    return _made(spoken).said(text)
