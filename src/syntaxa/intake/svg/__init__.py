"""SVG 1.1 and the usual of 2."""
