"""A page as PNG, at so many dots to the inch: the PDF of it, painted."""

from __future__ import annotations

import io

from syntaxa.deliver.pages.model import Leaf
from syntaxa.deliver.pages.pdf import pdf_of
from syntaxa.errors import DeliverError

#: Share of a picture by which its size may miss whole pixels by rounding.
_HAIR = 1e-6

#: Pixels that a picture has at the most, and mm in an inch.
_MOST, _INCH = 120_000_000, 25.4


def png_of(leaf: Leaf, dots: float = 150.0) -> bytes:
    """The file; raises DeliverError where it would have more pixels than a picture may."""
    import pypdfium2

    pixels = leaf.width * leaf.height * (dots / _INCH) ** 2
    if not 0 < pixels <= _MOST:
        raise DeliverError(
            f"At {dots:g} dots to the inch the picture would have {pixels / 1e6:,.0f} million pixels.",
            suggestion=f"At most {_MOST / 1e6:,.0f} million can be written: take fewer dots.",
        )
    document = pypdfium2.PdfDocument(pdf_of([leaf]))
    try:
        page = document[0]
        # The painter takes the next whole pixel: what is whole but for rounding stays as it is.
        picture = page.render(scale=(1 - _HAIR) * dots * leaf.width / _INCH / page.get_width()).to_pil()
    finally:
        document.close()
    out = io.BytesIO()
    picture.save(out, "PNG", dpi=(dots, dots))
    return out.getvalue()
