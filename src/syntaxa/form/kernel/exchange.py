"""STEP out and in: AP214 (ISO 10303-214) or AP242 (ISO 10303-242), with the names of bodies and faces, and colours."""

from __future__ import annotations

from typing import Any, Literal

import OCP.collections as kept
from OCP.IFSelect import IFSelect_RetDone
from OCP.Interface import Interface_Static
from OCP.Quantity import Quantity_Color, Quantity_TOC_sRGB
from OCP.STEPCAFControl import STEPCAFControl_Reader, STEPCAFControl_Writer
from OCP.STEPControl import STEPControl_AsIs
from OCP.TCollection import TCollection_AsciiString, TCollection_ExtendedString
from OCP.TDataStd import TDataStd_Name
from OCP.TDocStd import TDocStd_Document
from OCP.XCAFDoc import XCAFDoc_ColorGen, XCAFDoc_DocumentTool

from syntaxa.form.kernel.library import Shape
from syntaxa.form.kernel.names import Named
from syntaxa.form.refusal import KernelError

Protocol = Literal["AP214", "AP242"]
StepUnit = Literal["mm", "in", "m"]

_SCHEMAS = {"AP214": "AP214IS", "AP242": "AP242DIS"}
_UNITS = {"mm": "MM", "in": "INCH", "m": "M"}

#: Metres in a mm, as documents of the kernel tell their unit.
_MM = 0.001


def write_step(
    path: str, bodies: list[tuple[str, Named, int]], unit: StepUnit = "mm", protocol: Protocol = "AP242"
) -> None:
    """Bodies as (name, solid, colour 0xRRGGBB); faces go out under their names. Raises KernelError."""
    document = _document()
    shapes = XCAFDoc_DocumentTool.ShapeTool_s(document.Main())
    colours = XCAFDoc_DocumentTool.ColorTool_s(document.Main())
    for name, named, colour in bodies:
        label = shapes.AddShape(named.shape, False)
        TDataStd_Name.Set_s(label, _text(name))
        red, green, blue = ((colour >> shift & 255) / 255 for shift in (16, 8, 0))
        colours.SetColor(label, Quantity_Color(red, green, blue, Quantity_TOC_sRGB), XCAFDoc_ColorGen)
        for k, part in named.face_names.items():
            below = shapes.AddSubShape(label, named.faces[k])
            if not below.IsNull():
                TDataStd_Name.Set_s(below, _text(_words(part)))
    writer = STEPCAFControl_Writer()
    writer.SetNameMode(True)
    writer.SetColorMode(True)
    # Its constructor sets what these stand at, so they come after it.
    Interface_Static.SetCVal_s("write.step.schema", _SCHEMAS[protocol])
    Interface_Static.SetCVal_s("write.step.unit", _UNITS[unit])
    Interface_Static.SetIVal_s("write.stepcaf.subshapes.name", 1)
    if not writer.Transfer(document, STEPControl_AsIs) or writer.Write(path) != IFSelect_RetDone:
        raise KernelError(
            f"{path} could not be written as STEP.", suggestion="Look whether the folder may be written to."
        )


def read_step(path: str) -> list[tuple[str, Named]]:
    """The bodies of a file by their names, in mm whatever its unit; faces by theirs. Raises KernelError."""
    document = _document()
    reader = STEPCAFControl_Reader()
    reader.SetNameMode(True)
    Interface_Static.SetIVal_s("read.stepcaf.subshapes.name", 1)
    there = reader.ReadFile(path) == IFSelect_RetDone
    # It holds only from when the file was read.
    reader.SetShapeFixParameters(_unmended())
    if not there or not reader.Transfer(document):
        raise KernelError(f"{path} could not be read as STEP.")
    shapes = XCAFDoc_DocumentTool.ShapeTool_s(document.Main())
    free = kept.Sequence_TDF_Label()
    shapes.GetFreeShapes(free)
    return [_body(shapes, free.Value(k)) for k in range(1, free.Length() + 1)]


def _unmended() -> Any:
    """Outlines are taken as they are written: a search for crossings takes time with the square of their edges."""
    found = kept.DataMap_TCollection_AsciiString_TCollection_AsciiString()
    for name in ("FixShape.FixSelfIntersectionMode", "FixShape.FixIntersectingWiresMode"):
        found.Bind(TCollection_AsciiString(name), TCollection_AsciiString("0"))
    return found


def _body(shapes: Any, label: Any) -> tuple[str, Named]:
    shape: Shape = shapes.GetShape_s(label)
    named = Named(shape)
    below = kept.Sequence_TDF_Label()
    shapes.GetSubShapes_s(label, below)
    for k in range(1, below.Length() + 1):
        named.name_face(shapes.GetShape_s(below.Value(k)), (_name(below.Value(k)),))
    return _name(label), named


def _words(name: Any) -> str:
    """A name without brackets and quotes, with which the writer breaks lines so that no reader finds the face again."""
    return " ".join(_words(part) for part in name) if isinstance(name, tuple) else str(name)


def _document() -> Any:
    document = TDocStd_Document(TCollection_ExtendedString("BinXCAF"))
    XCAFDoc_DocumentTool.SetLengthUnit_s(document, _MM)
    return document


def _text(words: str) -> Any:
    return TCollection_ExtendedString(words, True)


def _name(label: Any) -> str:
    found = TDataStd_Name()
    return str(found.Get().ToExtString()) if label.FindAttribute(TDataStd_Name.GetID_s(), found) else ""
