"""What the lists of Define share."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from syntaxa.app.widgets.rows import RowsView


def keep_chosen(view: RowsView, rows: Sequence[Any], name: Callable[[Any], str]) -> None:
    """Takes new rows, with the same one chosen where it is still there; tells nobody."""
    at, selection = view.chosen_row(), view.selection()
    before = name(view.model_.rows[at]) if 0 <= at < len(view.model_.rows) else None
    selection.blockSignals(True)
    view.model_.show_rows(rows)
    same = next((k for k, row in enumerate(rows) if name(row) == before), None)
    if same is not None:
        view.selectRow(same)
    selection.blockSignals(False)
