"""Curves, transforms, intersections, distances and fitting; knows nothing of files."""
