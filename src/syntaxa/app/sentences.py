"""Sentences of the core in the language of the user.

The core has no interface and speaks English. What it says is made from templates, whose translations stand in the
catalogue under their own heading with the same gaps; a sentence is recognised by its template, most of it fixed words
first. A gap that is to be translated itself has `!t` in the translation; whatever else stands in a gap, names above
all, stays as it is. What is not recognised stays English.

Cost: for each sentence that was not said before a look at each template.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from functools import lru_cache

from syntaxa.app.words import CONTEXT, SENTENCES, figures_in, language, read_catalogue

#: A gap of a template, and one of a translation, which may be translated itself.
_GAP, _FILLED = re.compile(r"\{(\d*)\}"), re.compile(r"\{(\d+)(!t)?\}")

#: Where one sentence ends and the next begins.
_BETWEEN = re.compile(r"(?<=[.!?:;])\s+(?=\S)")

#: How deep gaps are translated.
_DEEP = 4


def said(text: str) -> str:
    """What the core says, in the language of the interface, numbers as the user writes them."""
    return figures_in(in_words(text))


def in_words(text: str) -> str:
    """The same with numbers as they are."""
    spoken = language()
    return text if spoken == "en" or not text else _known(spoken).said(text)


class Sentences:
    """The templates of a language."""

    def __init__(self, words: Mapping[str, str], templates: Mapping[str, str]) -> None:
        """words  of the interface, which the core may say as well; templates  of sentences"""
        self._exact = {**words, **{s: t for s, t in templates.items() if not _GAP.search(s)}}
        rows = [_Template(source, target) for source, target in templates.items() if _GAP.search(source)]
        self._templates = sorted(rows, key=lambda row: -row.weight)

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
        source = source.replace("{{", "\0").replace("}}", "\1")
        pieces = _GAP.split(source)
        self._numbers = [int(n) if n else 0 for n in pieces[1::2]]
        fixed = [p.replace("\0", "{").replace("\1", "}") for p in pieces[::2]]
        self._longest = max(fixed, key=len)
        self._pattern = re.compile("(.*?)".join(map(re.escape, fixed)), re.DOTALL)
        self._target = target
        #: Gaps whose content is translated, too.
        self.translated = {int(n) for n, mark in _FILLED.findall(target) if mark}
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
        text = _FILLED.sub(lambda gap: gaps.get(int(gap[1]), ""), self._target.replace("{{", "\0").replace("}}", "\1"))
        return text.replace("\0", "{").replace("\1", "}")


@lru_cache(maxsize=2)
def _made(spoken: str) -> Sentences:
    return Sentences(read_catalogue(spoken, CONTEXT), read_catalogue(spoken, SENTENCES))


class _Known:
    """Remembers what was said lately."""

    def __init__(self, spoken: str) -> None:
        self.said = lru_cache(maxsize=5000)(_made(spoken).said)


@lru_cache(maxsize=2)
def _known(spoken: str) -> _Known:
    return _Known(spoken)


def untranslated(texts: Iterable[str], spoken: str) -> list[str]:
    """Which texts a language says as they are."""
    return [t for t in texts if _made(spoken).said(t) == t]
