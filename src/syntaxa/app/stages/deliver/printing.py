"""Sheets on a printer: each page on its own paper, seen before it is printed."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QMarginsF, QRectF, QSizeF
from PyQt6.QtGui import QImage, QPageLayout, QPageSize, QPainter
from PyQt6.QtPrintSupport import QPrinter, QPrintPreviewDialog
from PyQt6.QtWidgets import QWidget

from syntaxa.app.words import tr
from syntaxa.deliver.pages.model import Leaf
from syntaxa.deliver.pages.png import png_of

#: Dots to the inch that a page is printed with at the most, and mm in an inch.
_DOTS, _INCH = 300.0, 25.4


def preview(parent: QWidget, leaves: Sequence[Leaf], name: str) -> None:
    """Shows the pages as they will come out; printing is one of the buttons there."""
    printer = QPrinter(QPrinter.PrinterMode.HighResolution)
    printer.setDocName(name)
    _set_paper(printer, leaves[0])
    dialog = QPrintPreviewDialog(printer, parent)
    dialog.setWindowTitle(tr("Print {0}", name))
    dialog.resize(980, 720)
    dialog.paintRequested.connect(lambda to: print_pages(to, leaves))
    dialog.exec()


def print_pages(printer: QPrinter, leaves: Sequence[Leaf]) -> None:
    """Prints pages at their true size."""
    painter = QPainter()
    for n, leaf in enumerate(leaves):
        _set_paper(printer, leaf)
        if n == 0:
            if not painter.begin(printer):
                return
        else:
            printer.newPage()
        dots = min(_DOTS, float(printer.resolution()))
        image = QImage.fromData(png_of(leaf, dots))
        scale = printer.resolution() / _INCH
        painter.drawImage(QRectF(0, 0, leaf.width * scale, leaf.height * scale), image)
    painter.end()


def _set_paper(printer: QPrinter, leaf: Leaf) -> None:
    short, long = sorted((leaf.width, leaf.height))
    printer.setPageSize(QPageSize(QSizeF(short, long), QPageSize.Unit.Millimeter))
    across = leaf.width > leaf.height
    printer.setPageOrientation(QPageLayout.Orientation.Landscape if across else QPageLayout.Orientation.Portrait)
    printer.setFullPage(True)
    printer.setPageMargins(QMarginsF(0, 0, 0, 0))
