"""Lines of a program to words: letters with numbers, comments taken out."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field

from syntaxa.cut.bench.expressions import LARGEST, Scanner, WrongLine

#: A line of plain words: most of a program.
_PLAIN = re.compile(r"(?:[A-Z][+-]?(?:\d+\.?\d*|\.\d+))+\Z")
_WORD = re.compile(r"([A-Z])([+-]?(?:\d+\.?\d*|\.\d+))")

#: A line may have so many letters.
_LONGEST = 1000


@dataclass(slots=True)
class Block:
    """The words of a line in their order, and parameters that it sets.

    skipped  whether a slash stands before it, so that it is left out where the machine is told to
    """

    words: list[tuple[str, float]] = field(default_factory=list)
    sets: list[tuple[int, float]] = field(default_factory=list)
    skipped: bool = False


def block_of(raw: str, parameters: Mapping[int, float]) -> Block:
    """The words of a line; raises WrongLine."""
    if len(raw) > _LONGEST:
        raise WrongLine(f"the line has more than {_LONGEST} letters")
    text = _without_comments(raw)
    if _PLAIN.match(text):
        words = [(letter, float(number)) for letter, number in _WORD.findall(text)]
        too_large = next((n for _, n in words if abs(n) > LARGEST), None)
        if too_large is not None:
            raise WrongLine(f"{too_large:g} is too large a number")
        return Block(words)
    found = Block()
    if text[:1] == "/":
        found.skipped = True
        text = text[1:]
    scanner = Scanner(text, parameters)
    while not scanner.done:
        letter = scanner.take()
        if letter == "#":
            number = scanner.index()
            if scanner.peek() != "=":
                raise WrongLine("a parameter is not set to anything")
            scanner.at += 1
            found.sets.append((number, scanner.number()))
        elif letter.isascii() and letter.isalpha():
            found.words.append((letter, scanner.number()))
        else:
            raise WrongLine(f"“{letter}” begins no word")
    return found


def _without_comments(raw: str) -> str:
    """A line in capitals without blanks, and without what stands in round brackets or behind a semicolon."""
    if "(" not in raw and ";" not in raw and ")" not in raw:
        return "".join(raw.split()).upper()
    out, inside = [], False
    for c in raw:
        if inside:
            if c == "(":
                raise WrongLine("a comment begins in a comment")
            inside = c != ")"
        elif c == "(":
            inside = True
        elif c == ")":
            raise WrongLine("a comment ends that did not begin")
        elif c == ";":
            break
        elif not c.isspace():
            out.append(c.upper())
    if inside:
        raise WrongLine("a comment does not end")
    return "".join(out)
