"""Writers: clean profiles as DXF and SVG, and reports."""
