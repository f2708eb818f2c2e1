"""Boxes to choose a line weight and a line type in."""

from __future__ import annotations

from PyQt6.QtWidgets import QComboBox

from syntaxa.app.widgets.labels import narrow
from syntaxa.app.words import tr
from syntaxa.deliver.linetypes import DASHES, HAIRLINE

_WEIGHTS: tuple[tuple[str, float], ...] = (
    (tr("default"), 0.0),
    (tr("hairline 0.001 in"), HAIRLINE),
    (tr("0.13 mm"), 0.13),
    (tr("0.25 mm"), 0.25),
    (tr("0.35 mm"), 0.35),
    (tr("0.5 mm"), 0.5),
    (tr("0.7 mm"), 0.7),
)


def weights(box: QComboBox, name: str, chosen: float | None) -> None:
    """Fills a box with line weights (mm; 0 for the default)."""
    narrow(box).setAccessibleName(name)
    for text, mm in _WEIGHTS:
        box.addItem(text, mm)
    show_weight(box, chosen)


def show_weight(box: QComboBox, chosen: float | None) -> None:
    """Shows a weight; one that is not in the list is added."""
    wanted = chosen or 0.0
    at = next((k for k in range(box.count()) if abs(float(box.itemData(k)) - wanted) < 1e-9), -1)
    if at < 0:
        box.addItem(tr("{0:g} mm", wanted), wanted)
        at = box.count() - 1
    box.setCurrentIndex(at)


def line_types(box: QComboBox, name: str, chosen: str) -> None:
    """Fills a box with line types; empty for a continuous line."""
    narrow(box).setAccessibleName(name)
    box.addItem(tr("continuous"), "")
    for line_type in DASHES:
        box.addItem(tr(line_type), line_type)
    box.setCurrentIndex(max(box.findData(chosen), 0))
