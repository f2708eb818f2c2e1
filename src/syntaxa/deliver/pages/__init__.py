"""Pages of ink: lines, fills and words on paper, and what writes them as PDF, SVG, DXF and PNG."""
