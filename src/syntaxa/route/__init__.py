"""Layers become sketches."""
