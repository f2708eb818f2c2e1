"""What is on the pages of a PDF, by a reader that shares nothing with the writer."""

from __future__ import annotations

import ctypes
import io

import numpy as np
import pikepdf
import pypdfium2
import pypdfium2.raw as raw

#: mm to the point.
POINT = 25.4 / 72


def paths_of(data, page=0):
    """Points (mm) of every path on a page, by PDFium."""
    document = pypdfium2.PdfDocument(data)
    found = []
    with pikepdf.open(io.BytesIO(data)) as pdf:
        unit = document[page].get_width() / float(pdf.pages[page].mediabox[2])
    for item in document[page].get_objects(max_depth=1):
        if item.type != raw.FPDF_PAGEOBJ_PATH:
            continue
        matrix = item.get_matrix()
        points = []
        for k in range(raw.FPDFPath_CountSegments(item.raw)):
            x, y = ctypes.c_float(), ctypes.c_float()
            raw.FPDFPathSegment_GetPoint(raw.FPDFPath_GetPathSegment(item.raw, k), ctypes.byref(x), ctypes.byref(y))
            points.append(matrix.on_point(x.value, y.value))
        found.append(np.array(points) * POINT * unit)
    return found
