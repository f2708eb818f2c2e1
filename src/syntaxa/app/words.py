"""The words of the interface in the user's language, through Qt's translation, and numbers as the user writes them.

What has a translation is written in English as `tr("…")`, with what belongs into its gaps behind it. The catalogue of a
language is a file of Qt Linguist (.ts), read as it is; a program without one speaks English.
"""

from __future__ import annotations

import itertools
import os
import re
import string
from importlib.resources import files
from typing import Any
from xml.etree import ElementTree

from PyQt6.QtCore import QCoreApplication, QDateTime, QLibraryInfo, QLocale, QTranslator

from syntaxa.counting import plural, singular

#: What the translator calls the words of the interface and the sentences of the core, and languages besides English.
CONTEXT, SENTENCES, LANGUAGES = "Syntaxa", "Sentences", ("de",)

#: Languages as they call themselves.
NAMES = {"en": "English", "de": "Deutsch"}

#: Says which language is spoken, whatever is set: for tests.
VARIABLE = "SYNTAXA_LANGUAGE"

_NUMBER = re.compile(r"\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?")

#: A number in a sentence; not a part of a name, an id or a place in quotes.
_STANDING = re.compile(rf"(?<![\w.,#“„/])(?<!\w-)(?:{_NUMBER.pattern})(?!\w|\.\d)")

#: A name in quotes, as it is written.
_QUOTED = re.compile("([“„][^“”„]*[”“])")

#: The language that is spoken, and the decimal point.
_spoken = {"language": "en", "point": "."}


def tr(text: str, *values: object) -> str:
    """Words in the language of the interface; values go into the gaps {0}, {1}..., numbers as the user writes them."""
    said = QCoreApplication.translate(CONTEXT, text)
    return _FIGURES.vformat(said, values, {}) if values else said


def counted(count: int, thing: str, things: str = "") -> str:
    """A count with its thing in the right number: "1 gap", "2 gaps"; the plural is given where it is not plain."""
    return f"{count} {tr(singular(thing) if count == 1 else things or plural(thing))}"


def figures(text: str) -> str:
    """Numbers that were written with a point, as the user writes them."""
    if _spoken["point"] == ".":
        return text
    return _NUMBER.sub(lambda found: found[0].translate(_SWAPPED), text)


def figures_in(sentence: str) -> str:
    """A sentence with its numbers as the user writes them; those in names stay."""
    if _spoken["point"] == ".":
        return sentence
    parts = _QUOTED.split(sentence)
    plain = [_STANDING.sub(lambda found: found[0].translate(_SWAPPED), part) for part in parts[::2]]
    return "".join(a + b for a, b in itertools.zip_longest(plain, parts[1::2], fillvalue=""))


def moment(seconds: float) -> str:
    """A day and an hour (seconds since 1970) as the user writes them."""
    how = {"de": "d. MMMM, HH:mm"}.get(language(), "d MMMM, HH:mm")
    return QLocale(language()).toString(QDateTime.fromSecsSinceEpoch(int(seconds)), how)


def language() -> str:
    """The language that is spoken."""
    return _spoken["language"]


_SWAPPED = str.maketrans(".,", ",.")


class _Figures(string.Formatter):
    def format_field(self, value: Any, format_spec: str) -> str:
        text = super().format_field(value, format_spec)
        return figures(text) if isinstance(value, int | float) else text


_FIGURES = _Figures()


class Catalogue(QTranslator):
    """The words of a language by those in English."""

    def __init__(self, language: str) -> None:
        super().__init__()
        # Names of kinds stand with the sentences of the core.
        self._words = {**read_catalogue(language, SENTENCES), **read_catalogue(language)}

    def translate(
        self, context: str | None, source: str | None, disambiguation: str | None = None, n: int = -1
    ) -> str:  # fmt: skip
        del disambiguation, n
        # Nothing, not even an empty text: then Qt seeks on, and in the end says what it was given.
        return self._words.get(source or "") if context == CONTEXT else None  # type: ignore[return-value]

    def isEmpty(self) -> bool:
        return not self._words


def read_catalogue(language: str, context: str = CONTEXT) -> dict[str, str]:
    """The words of a language by those in English, as its file has them under a heading."""
    data = files("syntaxa.app").joinpath(f"assets/words/syntaxa_{language}.ts").read_bytes()
    found: dict[str, str] = {}
    for part in ElementTree.fromstring(data).iter("context"):  # noqa: S314  our own file
        if part.findtext("name") == context:
            found |= {row.findtext("source", ""): row.findtext("translation", "") for row in part.iter("message")}
    return found


def speak(application: QCoreApplication, chosen: str = "") -> None:
    """Sets the language and how numbers are written, before the first word: the chosen language, else the system's."""
    system = QLocale.system()
    wanted = os.environ.get(VARIABLE) or chosen
    language = wanted or system.name().partition("_")[0]
    own = QLocale(language) if wanted else system
    _spoken.update(language=language if language in LANGUAGES else "en", point=own.decimalPoint() or ".")
    if language not in LANGUAGES:
        return
    qt = QTranslator(application)
    if qt.load(QLocale(language), "qtbase", "_", QLibraryInfo.path(QLibraryInfo.LibraryPath.TranslationsPath)):
        application.installTranslator(qt)
    words = Catalogue(language)
    words.setParent(application)
    application.installTranslator(words)
