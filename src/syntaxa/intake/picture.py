"""Scans and pictures: placed at their size as something to trace over, with nothing to mend in them."""

from __future__ import annotations

import io
import math
import warnings

from PIL import Image, ImageOps, UnidentifiedImageError

from syntaxa.drawing.annotations import Picture
from syntaxa.errors import IntakeError, Progress
from syntaxa.geometry.points import Point, Vector
from syntaxa.intake.gather import Gathered
from syntaxa.intake.model import PLAIN, ReadOptions, Received, Sheet

_MM_PER_INCH = 25.4

#: Pixels; a sheet of ISO A0 at 300 to the inch has 140 million.
_MOST_PIXELS = 160_000_000

#: Dots to the inch that a file may claim; others are slips.
_LEAST_DENSITY, _MOST_DENSITY = 20.0, 10_000.0

_DAMAGE = (
    UnidentifiedImageError, OSError, ValueError, SyntaxError, TypeError, KeyError, IndexError, EOFError, OverflowError,
    MemoryError, ZeroDivisionError, AttributeError, Image.DecompressionBombError, RuntimeError,
)  # fmt: skip


def read(name: str, data: bytes, progress: Progress, options: ReadOptions = PLAIN) -> Received:
    """A picture with its lower left corner at 0, 0, in mm; raises IntakeError."""
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            return _read(name, data, progress, options)
    except _DAMAGE as error:
        raise IntakeError(
            f"{name} is damaged and could not be read.", file=name, suggestion="Ask for the picture again."
        ) from error


def _read(name: str, data: bytes, progress: Progress, options: ReadOptions) -> Received:
    gathered = Gathered(progress)
    with Image.open(io.BytesIO(data), formats=("PNG", "JPEG", "TIFF")) as image:
        pages = int(getattr(image, "n_frames", 1))
        if not 1 <= options.page <= pages:
            raise IntakeError(f"{name} has {pages} pages, so there is no page {options.page}.", file=name)
        image.seek(options.page - 1)
        if image.width * image.height > _MOST_PIXELS:
            raise IntakeError(
                f"{name} has {image.width} × {image.height} pixels, more than can be held.",
                file=name,
                suggestion="Scan it again with fewer dots to the inch.",
            )
        progress(0.3)
        form, density = str(image.format), _density(image)
        upright = ImageOps.exif_transpose(image)
        width, height = upright.size
        plain = form in ("PNG", "JPEG") and upright.size == image.size and not _is_turned(image)
        shown = data if plain else _as_png(upright)
        if plain:
            image.load()
    across, up = _size(width, height, density, options, gathered)
    gathered.unit_chosen = options.width_mm > 0 or options.height_mm > 0
    gathered.layer("picture")
    gathered.note(
        Picture(
            gathered.unique("picture"), "picture", Point(0.0, 0.0), Vector(across, 0.0), Vector(0.0, up), name, shown
        )
    )
    gathered.notes.append("A picture has no curves; it lies under the drawing to be measured and traced over.")
    sheets = tuple(Sheet(str(k), f"Page {k}") for k in range(1, pages + 1)) if pages > 1 else ()
    sheet = str(options.page) if sheets else ""
    return gathered.received("image", f"{form} {width} × {height}", "mm", None, sheets, sheet)


def _is_turned(image: Image.Image) -> bool:
    return bool(image.getexif().get(0x0112, 1) != 1)


def _as_png(image: Image.Image) -> bytes:
    buffer = io.BytesIO()
    (image if image.mode in ("1", "L", "RGB", "RGBA", "P") else image.convert("RGB")).save(buffer, "PNG")
    return buffer.getvalue()


def _density(image: Image.Image) -> float | None:
    """Dots to the inch, if the file claims a sensible number."""
    given = image.info.get("dpi")
    if not isinstance(given, tuple) or len(given) != 2:
        return None
    value = float(given[0])
    return value if math.isfinite(value) and _LEAST_DENSITY <= value <= _MOST_DENSITY else None


def _size(width: int, height: int, density: float | None, options: ReadOptions, out: Gathered) -> tuple[float, float]:
    """Width and height in mm: as typed, else as the file claims, else at 96 to the inch."""
    if options.width_mm > 0 or options.height_mm > 0:
        across = options.width_mm or options.height_mm * width / height
        up = options.height_mm or options.width_mm * height / width
        out.notes.append(f"Placed {across:g} × {up:g} mm large, as was typed.")
        return across, up
    if density is not None:
        out.notes.append(f"The picture says {density:.4g} dots to the inch; check it against a length that you know.")
    else:
        density = 96.0
        out.notes.append("The picture does not say how large it is; type its width or height.")
    return width / density * _MM_PER_INCH, height / density * _MM_PER_INCH
