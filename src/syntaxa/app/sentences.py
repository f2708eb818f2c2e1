"""Sentences of the core in the language of the user.

The core has no interface and speaks English. What it says is made from templates, whose translations stand in the
catalogue under their own heading with the same gaps; a sentence is recognised by its template, most of it fixed words
first. A gap that is to be translated itself has `!t` in the translation; whatever else stands in a gap, names above
all, stays as it is. What is not recognised stays English.

Cost: for each sentence that was not said before a look at each template.
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

#: How deep gaps are translated.
_DEEP = 4


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
        rows = [_Template(source, target) for source, target in templates.items()]
        self._exact = {**words, **{row.source: row.target for row in rows if not row.has_gaps}}
        # The closest first: those that begin with fixed words, and of them those with the most.
        self._templates = sorted(
            (row for row in rows if row.has_gaps), key=lambda row: (not row.begins, -row.weight)
        )  # fmt: skip

    def said(self, text: str, deep: int = 0) -> str:
        """A sentence, or several one after the other."""
        whole = self._one(text, deep)
        if whole is not None:
            return whole
        parts = _BETWEEN.split(text)
        if len(parts) < 2:
            return text
        between = _BETWEEN.findall(text)
        found = [self._one(part, deep) or part for part in parts]
        return "".join(a + b for a, b in zip(found, [*between, ""], strict=True))

    def _one(self, text: str, deep: int) -> str | None:
        if text in self._exact:
            return self._exact[text]
        if deep > _DEEP:
            return None
        for template in self._templates:
            gaps = template.gaps_of(text)
            if gaps is not None:
                return template.filled({k: self._gap(k, gap, template, deep) for k, gap in gaps.items()})
        return None

    def _gap(self, number: int, gap: str, template: _Template, deep: int) -> str:
        return self.said(gap, deep + 1) if number in template.translated else gap


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
