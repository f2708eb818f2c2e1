"""The JSON that the commands print: a public contract, described in docs/formats.md.

Fields are added, never renamed.
"""

from __future__ import annotations

import msgspec

from syntaxa.intake.report import DimensionCheck, Left


class SourceRecord(msgspec.Struct, frozen=True):
    """The file that was read."""

    file: str
    format: str
    version: str
    pages: int
    digest: str


class WitnessRecord(msgspec.Struct, frozen=True):
    """A clue about the unit."""

    kind: str
    unit: str
    weight: float
    says: str
    page_scale: float = 1.0


class CandidateRecord(msgspec.Struct, frozen=True):
    """A unit and page scale that the drawing may be in, with its probability."""

    unit: str
    page_scale: float
    probability: float


class UnitRecord(msgspec.Struct, frozen=True):
    """What is known of the unit."""

    declared: str | None
    proposed: str
    confidence: float
    to_mm: float
    witnesses: list[WitnessRecord]
    page_scale: float
    settled: bool
    candidates: list[CandidateRecord]


class LayerRecord(msgspec.Struct, frozen=True):
    """A layer and how many curves lie on it."""

    name: str
    visible: bool
    frozen: bool
    curves: int


class InspectRecord(msgspec.Struct, frozen=True):
    """syntaxa.inspect/1."""

    schema: str
    source: SourceRecord
    unit: UnitRecord
    extents_mm: list[float] | None
    layers: list[LayerRecord]
    curves: dict[str, int]
    annotations: dict[str, int]
    blocks: int
    not_read: list[Left]
    notes: list[str]
    findings: dict[str, int]
    regions: int
    open_ends: int
    sheets: list[str]
    triangles: int
    degenerate: dict[str, int]
    fonts_missing: list[str]
    clipped: int
    dimensions_disagree: list[DimensionCheck]


class SideRecord(msgspec.Struct, frozen=True):
    """Figures before or after the mending."""

    curves: int
    open_ends: int
    regions: int
    findings: dict[str, int]


class RegionRecord(msgspec.Struct, frozen=True):
    """A closed region."""

    id: str
    area_mm2: float
    perimeter_mm: float
    bbox_mm: list[float]
    holes: int
    depth: int
    sketch: str
    curves: list[str]
    centroid_mm: list[float]


class SweepStep(msgspec.Struct, frozen=True):
    """What a tolerance comes to."""

    tolerance_mm: float
    regions: int
    open_ends: int
    swallowed: int


class SweepRecord(msgspec.Struct, frozen=True):
    """What every tolerance would close, leave open and swallow, with the one that is proposed and why."""

    schema: str
    proposed_mm: float
    says: str
    steps: list[SweepStep]


class DeviationRecord(msgspec.Struct, frozen=True):
    """How far what stayed was moved, and how far the drawings lie apart both ways, in mm.

    max, mean   sideways, off the line or circle that it was on
    along       by how much anything was drawn on or cut back on its own line or circle
    to_result   largest distance of anything received from the result: large where something was dropped
    to_received largest distance of anything in the result from what was received
    bound       by how much both may be more between the places that were looked at
    """

    max: float
    mean: float
    to_result: float | None = None
    to_received: float | None = None
    bound: float = 0.0
    along: float = 0.0


class LedgerRecord(msgspec.Struct, frozen=True):
    """A row of the ledger."""

    step: str
    changed: int
    max_mm: float
    mean_mm: float
    dropped_mm: float
    seconds: float
    says: str
    along_mm: float = 0.0


class MendRecord(msgspec.Struct, frozen=True):
    """syntaxa.mend/1."""

    schema: str
    unit: str
    scale: float
    unit_declared: str | None
    unit_proposed: str
    unit_confidence: float
    tolerance_mm: float
    before: SideRecord
    after: SideRecord
    regions: list[RegionRecord]
    deviation_mm: DeviationRecord
    ledger: list[LedgerRecord]
    outputs: list[str]
    seconds: float
    page_scale: float
    unit_settled: bool
    budget_mm: float | None
    notes: list[str] = []


class DefinedSketchRecord(msgspec.Struct, frozen=True):
    """A sketch as it is defined: points and what is free (null where it is too large to count), what holds by kind."""

    name: str
    points: int | None
    curves: int
    freedom: int | None
    held: bool
    constraints: dict[str, int]
    redundant: int
    contradictions: list[list[str]]


class DefinedDimensionRecord(msgspec.Struct, frozen=True):
    """A dimension: value in mm or degrees, the unit of it, whether it drives and whether it disagrees."""

    name: str
    kind: str
    value: float
    unit: str
    text: str
    live: bool
    curves: list[str]
    disagrees: bool
    written: float | None = None


class ParameterRecord(msgspec.Struct, frozen=True):
    """A parameter: value in mm or degrees, or a plain number."""

    name: str
    expression: str
    value: float
    unit: str


class ProposalRecord(msgspec.Struct, frozen=True):
    """A dimension that is missing: value in mm or degrees; none for what is to hold, such as a place."""

    sketch: str
    kind: str
    curves: list[str]
    value: float | None


class MovedRecord(msgspec.Struct, frozen=True):
    """How far points were moved by what was defined (mm): the farthest, and the mean of those that moved."""

    max: float
    mean: float


class DefineRecord(msgspec.Struct, frozen=True):
    """What `syntaxa define --json` prints."""

    schema: str
    sketches: list[DefinedSketchRecord]
    dimensions: list[DefinedDimensionRecord]
    parameters: list[ParameterRecord]
    proposals: list[ProposalRecord]
    moved_mm: MovedRecord
    outputs: list[str]
    seconds: float
    notes: list[str]
    unit_settled: bool = True


class BodyRecord(msgspec.Struct, frozen=True):
    """A body: faces by their kinds; mass where a density was given."""

    name: str
    volume_mm3: float
    area_mm2: float
    centroid_mm: list[float]
    bbox_mm: list[float]
    mass_kg: float | None
    faces: dict[str, int]
    edges: int
    valid: bool


class FeatureRecord(msgspec.Struct, frozen=True):
    """Something that was made, and the volume of all bodies after it."""

    kind: str
    says: str
    volume_mm3: float


class FailedRecord(msgspec.Struct, frozen=True):
    """An edge or region that could not be done."""

    feature: str
    edge: str
    why: str


class FoldedViewRecord(msgspec.Struct, frozen=True):
    """A view that was found on the sheet, and in which projection it was read."""

    name: str
    box_mm: list[float]
    projection: str


class ProjectionRecord(msgspec.Struct, frozen=True):
    """How the views were read; confidence: the share of lines in which the part's own views agree with the drawing."""

    method: str
    confidence: float
    says: str


class FormRecord(msgspec.Struct, frozen=True):
    """syntaxa.form/1."""

    schema: str
    views: list[FoldedViewRecord]
    projection: ProjectionRecord | None
    bodies: list[BodyRecord]
    features: list[FeatureRecord]
    failed: list[FailedRecord]
    outputs: list[str]
    notes: list[str]
    seconds: float
    unit_settled: bool = True


class FarRecord(msgspec.Struct, frozen=True):
    """The most that something is off (mm), and where (mm, in the program's axes)."""

    max: float
    where: list[float] | None


class FoundRecord(msgspec.Struct, frozen=True):
    """Something that the bench machine saw: its line (0 for none), its place (mm) and its size."""

    kind: str
    line: int
    place_mm: list[float]
    size: float
    says: str


class CheckedRecord(msgspec.Struct, frozen=True):
    """What the bench machine says: collisions, moves out of bounds, and everything else by its kind.

    not_listed   how many more there are, by their kind
    """

    deviation_mm: FarRecord
    gouge_mm: float
    left_mm2: float
    collisions: list[FoundRecord]
    out_of_bounds: list[FoundRecord]
    warnings: list[FoundRecord]
    wrong: int
    judged: bool
    not_listed: dict[str, int]


class OperationRecord(msgspec.Struct, frozen=True):
    """An operation: contours or holes, length along which it cuts, depth, passes and time."""

    name: str
    kind: str
    tool: str
    items: int
    length_mm: float
    depth_mm: float
    passes: int
    seconds: float


class CutRecord(msgspec.Struct, frozen=True):
    """syntaxa.cut/1."""

    schema: str
    operations: list[OperationRecord]
    travel_mm: float
    cut_mm: float
    seconds: float
    lifts: int
    check: CheckedRecord
    outputs: list[str]
    notes: list[str]
    unit_settled: bool


class WordRecord(msgspec.Struct, frozen=True):
    """A word that means nothing here."""

    line: int
    word: str


class CheckRecord(msgspec.Struct, frozen=True):
    """syntaxa.check/1."""

    schema: str
    check: CheckedRecord
    lines: int
    blocks: int
    not_understood: list[WordRecord]
    travel_mm: float
    cut_mm: float
    seconds: float
    lifts: int


class SheetViewRecord(msgspec.Struct, frozen=True):
    """A view on a sheet, and its box on the paper (mm)."""

    name: str
    box_mm: list[float]


class NotCarriedRecord(msgspec.Struct, frozen=True):
    """What could not be carried over, and why."""

    type: str
    count: int
    why: str


class DisagreeRecord(msgspec.Struct, frozen=True):
    """A dimension that says something else than it measures (mm or degrees)."""

    dimension: str
    says: float
    measures: float


class SheetRecord(msgspec.Struct, frozen=True):
    """syntaxa.sheet/1: of the first sheet, where there are several; lines and dimensions of all."""

    schema: str
    paper_mm: list[float]
    scale: str
    views: list[SheetViewRecord]
    lines: int
    dimensions: int
    not_carried: list[NotCarriedRecord]
    disagree: list[DisagreeRecord]
    fonts: list[str]
    outputs: list[str]
    notes: list[str]
    unit_settled: bool = True


class PackedFileRecord(msgspec.Struct, frozen=True):
    """A file of a package."""

    name: str
    bytes: int
    sha256: str


class PackRecord(msgspec.Struct, frozen=True):
    """syntaxa.pack/1."""

    schema: str
    files: list[PackedFileRecord]
    outputs: list[str]
    notes: list[str]
    unit_settled: bool = True
