"""Exact parallels of lines and true arcs: what a round tool's middle follows."""
