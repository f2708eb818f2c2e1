"""A report page as PDF: text and tables by the toolkit's rich text, pictures drawn from their SVG."""

from __future__ import annotations

import re

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice, QMarginsF, QRectF, QSizeF, Qt, QUrl
from PyQt6.QtGui import QColor, QFont, QImage, QPageLayout, QPageSize, QPainter, QPdfWriter, QTextDocument
from PyQt6.QtSvg import QSvgRenderer

from syntaxa.app.theme.style import TEXT_FONT, load_fonts

_SVG = re.compile(r"<svg .*?</svg>", re.DOTALL)
_VIEW = re.compile(r'viewBox="[-\d.e]+ [-\d.e]+ ([\d.e-]+) ([\d.e-]+)"')

#: Pixels across of a picture, and dots to the inch of the page.
_PIXELS, _DENSITY = 1500, 150

#: mm round what is printed; pixels that its lines are laid out in, and across of each picture.
_MARGIN_MM, _LAID_OUT, _ACROSS = 15.0, 880.0, 420


def pdf_of(html: str) -> bytes:
    """The page as PDF, A4."""
    load_fonts()
    document = QTextDocument()
    document.setDefaultFont(QFont(TEXT_FONT, 9))
    document.setDocumentMargin(0)
    pictures = _SVG.findall(html)
    for k, svg in enumerate(pictures):
        image = _picture(svg)
        document.addResource(QTextDocument.ResourceType.ImageResource.value, QUrl(f"picture:{k}"), image)
        high = round(_ACROSS * image.height() / max(image.width(), 1))
        html = html.replace(svg, f'<img src="picture:{k}" width="{_ACROSS}" height="{high}">', 1)
    document.setHtml(_beside(html))
    data = QByteArray()
    buffer = QBuffer(data)
    buffer.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(buffer)
    writer.setResolution(_DENSITY)
    writer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    margin = QMarginsF(_MARGIN_MM, _MARGIN_MM, _MARGIN_MM, _MARGIN_MM)
    writer.setPageMargins(margin, QPageLayout.Unit.Millimeter)
    # The page is laid out this wide and then fitted onto the paper.
    document.setPageSize(QSizeF(_LAID_OUT, _LAID_OUT * writer.height() / writer.width()))
    document.print(writer)
    buffer.close()
    return bytes(data.data())


def _beside(html: str) -> str:
    """The pair of figures as a row of a table: rich text knows no grid."""
    html = html.replace("background: #fffdf8; margin: 32px auto; max-width: 960px; padding: 0 24px;", "margin: 0;")
    html = html.replace('<div class="pair">', '<table width="100%"><tr>').replace("</div>", "</tr></table>")
    return html.replace("<figure>", "<td>").replace("</figure>", "</td>").replace("<figcaption>", "<br>")


def _picture(svg: str) -> QImage:
    found = _VIEW.search(svg)
    wide, high = (float(found[1]), float(found[2])) if found else (1.0, 1.0)
    tall = max(1, min(2 * _PIXELS, round(_PIXELS * high / max(wide, 1e-9))))
    image = QImage(_PIXELS, tall, QImage.Format.Format_RGB32)
    image.fill(QColor(Qt.GlobalColor.white))
    # A stroke of one pixel, whatever the drawing's size: this renderer knows no stroke that does not scale.
    stroke = wide / _PIXELS * 3.5
    plain = svg.replace('stroke-width="1"', f'stroke-width="{stroke}"')
    plain = plain.replace('stroke="#b3460f"', f'stroke="#b3460f" stroke-width="{1.5 * stroke}"')
    renderer = QSvgRenderer(plain.encode())
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    renderer.render(painter, QRectF(0, 0, image.width(), image.height()))
    painter.end()
    return image
