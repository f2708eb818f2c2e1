"""How a binary DXF file begins."""

#: The sentinel of the binary form, from the DXF reference.
BINARY_MARK = b"AutoCAD Binary DXF"
