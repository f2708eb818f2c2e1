"""The import report: what a source holds by type and layer, what was not read and why, what was repaired."""

from __future__ import annotations

from collections import Counter

import msgspec

from syntaxa.drawing.annotations import ANNOTATION_KINDS, Dimension
from syntaxa.drawing.dimension_text import disagreement
from syntaxa.intake.model import Received

SCHEMA = "syntaxa.intake/1"

CURVE_KINDS = ("line", "arc", "circle", "ellipse", "spline", "polyline")


class LayerCount(msgspec.Struct, frozen=True):
    """What lies on a layer, by kind (those that occur)."""

    name: str
    state: str
    counts: dict[str, int]


class Left(msgspec.Struct, frozen=True):
    """What was not read."""

    type: str
    count: int
    why: str


class DimensionCheck(msgspec.Struct, frozen=True):
    """A dimension whose text and geometry differ; in the file's numbers, degrees for angles."""

    id: str
    layer: str
    kind: str
    says: float
    drawn: float
    text: str


class IntakeRecord(msgspec.Struct, frozen=True):
    """The whole report; fields are added, never renamed."""

    schema: str
    file: str
    format: str
    version: str
    sheet: str
    sheets: list[str]
    declared: str | None
    curves: dict[str, int]
    annotations: dict[str, int]
    triangles: int
    blocks: int
    layers: list[LayerCount]
    not_read: list[Left]
    degenerate: dict[str, int]
    repaired: list[str]
    fonts_missing: list[str]
    clipped: int
    dimensions_disagree: list[DimensionCheck]


def record_of(name: str, received: Received) -> IntakeRecord:
    """The report of a source."""
    drawing, report = received.drawing, received.report
    by_layer: dict[str, Counter[str]] = {layer.name: Counter() for layer in drawing.layers}
    for curve in drawing.curves:
        by_layer.setdefault(curve.layer, Counter())[curve.shape.kind] += 1
    for annotation in drawing.annotations:
        by_layer.setdefault(annotation.layer, Counter())[annotation.kind] += 1
    states = {x.name: "frozen" if x.frozen else "shown" if x.visible else "off" for x in drawing.layers}
    kinds = Counter(c.shape.kind for c in drawing.curves)
    return IntakeRecord(
        SCHEMA,
        name,
        report.format,
        report.version,
        report.sheet,
        [s.title for s in report.sheets],
        report.declared,
        {kind: kinds[kind] for kind in CURVE_KINDS if kinds[kind]},
        drawing.annotation_counts(),
        sum(len(m.triangles) for m in drawing.meshes),
        drawing.blocks,
        [LayerCount(n, states.get(n, "shown"), dict(sorted(c.items()))) for n, c in by_layer.items()],
        [Left(n.type, n.count, n.why) for n in report.not_read],
        dict(report.degenerate),
        list(report.notes),
        list(report.fonts_missing),
        report.clipped,
        disagreements(received),
    )


def disagreements(received: Received) -> list[DimensionCheck]:
    """All dimensions whose text differs from what is drawn."""
    found = []
    for dimension in received.drawing.annotations:
        if isinstance(dimension, Dimension) and (pair := disagreement(dimension)) is not None:
            says, drawn = (round(v, 6) for v in pair)
            found.append(
                DimensionCheck(
                    dimension.id, dimension.layer, dimension.measures, says, drawn, dimension.text or f"{says:g}"
                )
            )
    return found


def sentences(record: IntakeRecord) -> list[str]:
    """What a user should know about the reading, a sentence each; empty where all is well."""
    said = list(record.repaired)
    said += [f"{n.count} {n.type} not read. {n.why}" for n in record.not_read]
    said += [f"{count} {kind} without size dropped." for kind, count in record.degenerate.items()]
    if record.clipped:
        said.append(f"{record.clipped} curves reach beyond a clip path; they were not cut unless that was chosen.")
    if record.fonts_missing:
        said.append(f"Fonts that are not on this machine: {', '.join(record.fonts_missing)}.")
    for d in record.dimensions_disagree:
        sign = "°" if d.kind == "angular" else ""
        said.append(f"A dimension on {d.layer} says {d.says:g}{sign}, but {d.drawn:g}{sign} is drawn.")
    return said


def as_text(record: IntakeRecord) -> str:
    """The report for people, as plain text."""
    lines = [f"{record.file}: {record.format.upper()} {record.version}".rstrip()]
    if record.sheets:
        lines.append(f"Read: {record.sheet or record.sheets[0]} of {', '.join(record.sheets)}")
    lines.append(f"Unit declared: {record.declared or 'none'}")
    kinds = (*CURVE_KINDS, *ANNOTATION_KINDS)
    width = max([5, *(len(layer.name) for layer in record.layers)])
    used = [k for k in kinds if any(k in layer.counts for layer in record.layers)]
    lines += ["", "  ".join([f"{'Layer':<{width}}", *(f"{k:>{max(len(k), 5)}}" for k in used), "state"])]
    for layer in record.layers:
        cells = (f"{layer.counts.get(k, 0) or '':>{max(len(k), 5)}}" for k in used)
        lines.append("  ".join([f"{layer.name:<{width}}", *cells, layer.state]))
    total = {**record.curves, **record.annotations}
    lines.append("  ".join([f"{'all':<{width}}", *(f"{total.get(k, 0):>{max(len(k), 5)}}" for k in used)]))
    if record.triangles:
        lines.append(f"Triangles: {record.triangles}")
    if record.blocks:
        lines.append(f"Block insertions: {record.blocks}")
    said = sentences(record)
    if not total and not record.triangles:
        said.append("There is nothing in it that can be seen.")
    return "\n".join([*lines, "", *(said or ["Everything was read."]), ""])
