"""Solids sent as triangles become profile curves: cleaned, turned, and cut at a height."""

from __future__ import annotations

import numpy as np

from syntaxa.geometry.triangles import Mesh, cleaned, outline, section, turned_up
from syntaxa.geometry.types import Floats
from syntaxa.intake.gather import LARGEST, Gathered
from syntaxa.intake.model import ReadOptions


def add_solids(out: Gathered, solids: list[tuple[str, str, Floats]], options: ReadOptions) -> None:
    """Adds solids (name, layer, triangles (n, 3, 3)) with their section curves; says what was skipped."""
    small = doubled = broken = 0
    tops: list[float] = []
    ready: list[tuple[str, str, Floats]] = []
    for name, layer, raw in solids:
        good = np.isfinite(raw).all(axis=(1, 2)) & (np.abs(np.where(np.isfinite(raw), raw, 0)) <= LARGEST).all(
            axis=(1, 2)
        )
        broken += int((~good).sum())
        clean = cleaned(turned_up(raw[good], options.up), options.least_area)
        small, doubled = small + clean.small, doubled + clean.doubled
        if len(clean.triangles):
            ready.append((name, layer, clean.triangles))
            tops += [float(clean.triangles[:, :, 2].min()), float(clean.triangles[:, :, 2].max())]
    for count, why in (
        (small, "They are slivers, with no more than the least area."),
        (doubled, "They stand in the file twice."),
        (broken, "Their corners are not numbers that a drawing can hold."),
    ):
        if count:
            out.skip("triangle", why, count)
    if not ready:
        return
    height = (min(tops) + max(tops)) / 2 if options.section is None else options.section
    chosen = "half their height" if options.section is None else "the height that was chosen"
    total = sum(len(t) for _, _, t in ready)
    flat = min(tops) == max(tops)
    cut = f"from {min(tops):g} to {max(tops):g} high, were cut at {height:g}, {chosen}."
    out.notes.append(f"{total} triangles {'lie flat; their outline was taken.' if flat else cut}")
    for k, (name, layer, triangles) in enumerate(ready):
        title = options.mesh_name or name or f"solid {k + 1}"
        out.meshes.append(Mesh(title, triangles))
        target = layer or title
        out.layer(target)
        shapes = outline(triangles) if flat else section(triangles, height)
        if not shapes:
            out.notes.append(f"The plane misses {title}, so it gives no curve.")
        for j, shape in enumerate(shapes):
            out.add(shape, target, out.style(None, "", None), f"{title}-{j + 1}")
