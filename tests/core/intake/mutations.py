"""Files damaged in the ways that files get damaged, by a seeded generator: the same seed gives the same damage."""

from __future__ import annotations

import random
import re

#: What a number in a file is replaced by.
NUMBERS = [b"1e308", b"-1e308", b"nan", b"inf", b"-1", b"0", b"1e-320", b"99999999999999999999", b"", b"1.2.3", b"x"]

#: Pieces of other files that end up in the middle.
SPLICES = [
    b"\0" * 40,
    b"  0\nSECTION\n",
    b"  0\nENDSEC\n  0\nEOF\n",
    b"<g><g><g>",
    b"</svg>",
    b"endstream endobj",
    b"Q Q Q\n",
    b"<!DOCTYPE x [<!ENTITY a '&a;&a;'>]>",
    b"\xff\xfe\xff\xfe",
    b" 210\n0.0\n 220\n1.0\n 230\n1.0\n",
]


def mutated(data: bytes, seed: int) -> bytes:
    """The file with one to four kinds of damage."""
    chance = random.Random(seed)
    for _ in range(chance.choice((1, 1, 2, 4))):
        damage = chance.choice((flipped, cut_off, renumbered, spliced, doubled, swapped, holed))
        data = damage(data, chance)
    return data


def flipped(data, chance):
    """Some bits turned over."""
    changed = bytearray(data)
    for _ in range(chance.choice((1, 3, 20))):
        if changed:
            changed[chance.randrange(len(changed))] ^= 1 << chance.randrange(8)
    return bytes(changed)


def cut_off(data, chance):
    """The end missing."""
    return data[: chance.randrange(len(data) + 1)]


def renumbered(data, chance):
    """Some numbers replaced by ones that nobody meant."""
    places = [m.span() for m in re.finditer(rb"-?\d+(?:\.\d+)?", data)]
    for start, end in sorted(chance.sample(places, min(len(places), chance.choice((1, 4, 12)))), reverse=True):
        data = data[:start] + chance.choice(NUMBERS) + data[end:]
    return data


def spliced(data, chance):
    """A piece of something else in the middle."""
    at = chance.randrange(len(data) + 1)
    return data[:at] + chance.choice(SPLICES) + data[at:]


def doubled(data, chance):
    """A part that stands there many times."""
    start = chance.randrange(len(data) + 1)
    end = min(len(data), start + chance.randrange(400))
    return data[:start] + data[start:end] * chance.choice((2, 10, 100)) + data[end:]


def swapped(data, chance):
    """Lines in another order."""
    lines = data.split(b"\n")
    if len(lines) > 2:
        for _ in range(chance.choice((1, 3, 10))):
            i, j = chance.randrange(len(lines)), chance.randrange(len(lines))
            lines[i], lines[j] = lines[j], lines[i]
    return b"\n".join(lines)


def holed(data, chance):
    """A part missing."""
    start = chance.randrange(len(data) + 1)
    return data[:start] + data[start + chance.randrange(300) :]
