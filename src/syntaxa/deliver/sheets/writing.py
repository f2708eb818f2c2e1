"""Pages to files: PDF with any number of them, SVG, DXF and PNG with one each."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from syntaxa.deliver.out import put_out
from syntaxa.deliver.pages.model import Leaf, Picture
from syntaxa.errors import DeliverError

ENDINGS = (".pdf", ".svg", ".dxf", ".png")


@dataclass(frozen=True, slots=True)
class PageOutput:
    """Choices: PDF as PDF/A-2b, and dots to the inch of a PNG."""

    archive: bool = False
    dots: float = 150.0


def write_pages(leaves: Sequence[Leaf], path: Path, output: PageOutput = PageOutput()) -> list[Path]:
    """Writes pages to one file, or numbered where the format holds one; the files. Raises DeliverError."""
    if not leaves:
        raise DeliverError("There is no sheet to write.", file=str(path), suggestion="Add one first.")
    if path.suffix.lower() == ".pdf" or len(leaves) == 1:
        put_out(path, page_bytes(leaves, path.suffix.lower(), output))
        return [path]
    files = []
    for n, leaf in enumerate(leaves, 1):
        file = path.with_name(f"{path.stem}-{n}{path.suffix}")
        put_out(file, page_bytes([leaf], path.suffix.lower(), output))
        files.append(file)
    return files


def left_out(leaves: Sequence[Leaf], ending: str) -> list[str]:
    """What a format cannot hold of pages, in sentences."""
    pictures = sum(isinstance(m, Picture) for leaf in leaves for m in leaf.marks)
    if ending != ".dxf" or not pictures:
        return []
    what = "1 shaded picture is" if pictures == 1 else f"{pictures} shaded pictures are"
    return [f"{what} left out: a DXF holds lines and words."]


def page_bytes(leaves: Sequence[Leaf], ending: str, output: PageOutput = PageOutput()) -> bytes:
    """The bytes of a file; raises DeliverError for an ending that is no page."""
    # A writer is loaded when it is wanted.
    if ending == ".pdf":
        from syntaxa.deliver.pages.pdf import pdf_of

        return pdf_of(leaves, output.archive)
    if ending == ".svg":
        from syntaxa.deliver.pages.svg import svg_of

        return svg_of(leaves[0])
    if ending == ".dxf":
        from syntaxa.deliver.pages.dxf import dxf_of

        return dxf_of(leaves[0])
    if ending == ".png":
        from syntaxa.deliver.pages.png import png_of

        return png_of(leaves[0], output.dots)
    raise DeliverError(f"“{ending}” is no ending of a page.", suggestion=f"Use {', '.join(ENDINGS)}.")
