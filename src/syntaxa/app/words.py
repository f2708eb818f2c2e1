"""The words of the interface in the user's language, through Qt's translation, and numbers as the user writes them.

What has a translation is written in English as `tr("…")`, with what belongs into its gaps behind it. The catalogue of a
language is a file of Qt Linguist (.ts), read as it is; a program without one speaks English.
"""

from __future__ import annotations

import os
import re
import string
from collections.abc import Sequence
from importlib.resources import files
from typing import Any
from xml.etree import ElementTree

from PyQt6.QtCore import QCoreApplication, QLibraryInfo, QLocale, QTranslator

#: What the translator calls all of our words, and the languages besides English.
CONTEXT, LANGUAGES = "Syntaxa", ("de",)

#: Languages as they call themselves.
NAMES = {"en": "English", "de": "Deutsch"}

#: Says which language is spoken, whatever is set: for tests.
VARIABLE = "SYNTAXA_LANGUAGE"

_NUMBER = re.compile(r"\d(?:[\d,]*\d)?(?:\.\d+)?")

#: How numbers are written: the decimal point, and what stands between thousands.
_signs = [".", ","]


def tr(text: str, *values: object) -> str:
    """Words in the language of the interface; values go into the gaps {0}, {1}..., numbers as the user writes them."""
    said = QCoreApplication.translate(CONTEXT, text)
    return _FIGURES.vformat(said, values, {}) if values else said


def counted(count: int, thing: str, things: str = "") -> str:
    """A count with its thing in the right number: "1 gap", "2 gaps"; the plural is given where it is not plain."""
    return f"{count} {tr(thing)}" if count == 1 else f"{count} {tr(things or thing + 's')}"


def figures(text: str) -> str:
    """Numbers that were written with a point, as the user writes them."""
    if _signs[0] == ".":
        return text
    return _NUMBER.sub(lambda found: found[0].translate(_SWAPPED), text)


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
        self._words = read_catalogue(language)

    def translate(
        self, context: str | None, source: str | None, disambiguation: str | None = None, n: int = -1
    ) -> str:  # fmt: skip
        del disambiguation, n
        # What is empty is sought on, and in the end said as it is.
        return self._words.get(source or "", "") if context == CONTEXT else ""

    def isEmpty(self) -> bool:
        return not self._words


def read_catalogue(language: str) -> dict[str, str]:
    """The words of a language by those in English, as its file has them."""
    data = files("syntaxa.app").joinpath(f"assets/words/syntaxa_{language}.ts").read_bytes()
    rows = ElementTree.fromstring(data).iter("message")  # noqa: S314  our own file
    return {row.findtext("source", ""): row.findtext("translation", "") for row in rows}


def speak(application: QCoreApplication, chosen: str = "") -> None:
    """Sets the language and how numbers are written, before the first word: the chosen language, else the system's."""
    system = QLocale.system()
    language = os.environ.get(VARIABLE) or chosen or system.name().partition("_")[0]
    own = QLocale(language) if os.environ.get(VARIABLE) or chosen else system
    _signs[:] = [own.decimalPoint() or ".", own.groupSeparator() or ","]
    if language not in LANGUAGES:
        return
    qt = QTranslator(application)
    if qt.load(QLocale(language), "qtbase", "_", QLibraryInfo.path(QLibraryInfo.LibraryPath.TranslationsPath)):
        application.installTranslator(qt)
    words = Catalogue(language)
    words.setParent(application)
    application.installTranslator(words)


def missing_words(wanted: Sequence[str], language: str) -> list[str]:
    """Which words a language has no translation of."""
    known = read_catalogue(language)
    return [w for w in dict.fromkeys(wanted) if not known.get(w)]
