"""Tables of variants: a row for each, with its name first and then the values of dimensions and parameters."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Sequence

from syntaxa.define.model import Variant
from syntaxa.errors import DefineError

#: Rows beyond which a table is a mistake.
_MOST = 1000


def variants_in(data: bytes, about: str) -> tuple[Variant, ...]:
    """The variants of a table in CSV, separated by commas, semicolons or tabs; raises DefineError."""
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise DefineError(f"{about} is no text in UTF-8.", suggestion="Save it as CSV in UTF-8.") from None
    first = text.partition("\n")[0]
    sign = max(";\t,", key=first.count)
    rows = [[cell.strip() for cell in row] for row in csv.reader(io.StringIO(text), delimiter=sign)]
    rows = [row for row in rows if any(row)]
    if len(rows) < 2 or len(rows[0]) < 2:
        raise DefineError(f"{about} holds no variant.", suggestion="Begin with a row of names: variant, d1, d2...")
    if len(rows) > _MOST:
        raise DefineError(f"{about} has {len(rows) - 1} rows.", suggestion=f"Use {_MOST - 1} at most.")
    found = tuple(_variant(rows[0], row, number, about) for number, row in enumerate(rows[1:], 2))
    _refuse_twins(found, about)
    return found


def _variant(head: Sequence[str], row: Sequence[str], number: int, about: str) -> Variant:
    if len(row) > len(head):
        raise DefineError(f"Row {number} of {about} has more cells than there are names.", suggestion="Mend the table.")
    if not row[0]:
        raise DefineError(f"Row {number} of {about} has no name.", suggestion="Give it one in the first column.")
    return Variant(
        row[0], tuple((name, value) for name, value in zip(head[1:], row[1:], strict=False) if name and value)
    )


def _refuse_twins(found: Iterable[Variant], about: str) -> None:
    seen: dict[str, str] = {}
    for variant in found:
        key = variant.file_name.lower()
        if key in seen:
            raise DefineError(
                f"“{seen[key]}” and “{variant.name}” of {about} would be one file.", suggestion="Rename one."
            )
        seen[key] = variant.name


def table_of(variants: Sequence[Variant]) -> str:
    """Variants as CSV, the same that `variants_in` reads."""
    names = list(dict.fromkeys(name for v in variants for name, _ in v.settings))
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(["variant", *names])
    for variant in variants:
        settings = dict(variant.settings)
        writer.writerow([variant.name, *(settings.get(n, "") for n in names)])
    return out.getvalue()
