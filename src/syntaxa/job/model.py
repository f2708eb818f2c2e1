"""The document: one or more sources and the steps to be done on them."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

import msgspec

from syntaxa.drawing.model import Drawing
from syntaxa.drawing.names import looks_numbered, own_id
from syntaxa.drawing.state import Entry, State
from syntaxa.drawing.step import QUIET, Context, Step
from syntaxa.errors import JobError
from syntaxa.intake.model import PLAIN, ReadOptions
from syntaxa.intake.registry import digest_of
from syntaxa.intake.steps import TakeIn
from syntaxa.job.kinds import place_of


@dataclass(frozen=True, slots=True)
class UnknownStep:
    """A step of a job file that this version does not know: kept as it is, shown, skipped, and saved again unchanged.

    raw    as it stands in the file; tag what it calls itself
    place  in the order of steps: that of the one before it, to stay behind it
    """

    raw: bytes
    tag: str
    place: int
    is_record = False

    @property
    def title(self) -> str:
        """What the ledger calls it."""
        return f"Not understood: {self.tag or 'a step without a name'}"

    def apply(self, state: State, context: Context = QUIET) -> tuple[State, Entry]:
        """Always refused: nobody knows what it does."""
        del state, context
        raise JobError("This version does not know this step; it is kept and saved again as it is.")

    def takes_place_of(self, other: object) -> bool:
        """It never takes the place of another."""
        del other
        return False


AnyStep = Step | UnknownStep

#: Held: the job keeps its own copy. Linked: its file is watched as well. Paused: linked, but not watched for now.
LinkState = Literal["held", "linked", "paused"]


@dataclass(frozen=True, slots=True)
class Source:
    """A file brought in, kept byte for byte.

    number  names it for as long as the job lives; the first is 1
    path    the file that it came from, where it is linked to it
    """

    name: str
    data: bytes
    digest: str
    number: int = 1
    path: str = ""
    link: LinkState = "held"

    @classmethod
    def of(cls, name: str, data: bytes, path: str = "") -> Source:
        """A source from its bytes; linked if its path is given."""
        return cls(name, data, digest_of(data), 1, path, "linked" if path else "held")

    def with_data(self, data: bytes, name: str = "") -> Source:
        """The same source in a new revision."""
        return replace(self, data=data, digest=digest_of(data), name=name or self.name)


@dataclass(frozen=True, slots=True)
class JobStep:
    """A step in its place in the job: its number never changes, switched off it is skipped."""

    number: int
    step: AnyStep
    enabled: bool = True


@dataclass(frozen=True, slots=True)
class Job:
    """Sources and steps, the steps kept in the order in which they are done."""

    sources: tuple[Source, ...]
    steps: tuple[JobStep, ...] = ()

    @classmethod
    def of(cls, source: Source) -> Job:
        """A job with one source and no steps."""
        return cls((source,))

    @property
    def source(self) -> Source:
        """The first source, which gives the job its name."""
        return self.sources[0]

    def source_numbered(self, number: int) -> Source | None:
        """The source with a number."""
        return next((s for s in self.sources if s.number == number), None)

    def with_source(self, source: Source) -> tuple[Job, int]:
        """The job with one more source, and the number that it got."""
        number = max(s.number for s in self.sources) + 1
        return replace(self, sources=(*self.sources, replace(source, number=number))), number

    def with_changed(self, source: Source) -> Job:
        """The source of that number in another revision, or with another link."""
        return replace(self, sources=tuple(source if s.number == source.number else s for s in self.sources))

    def without_source(self, number: int) -> Job:
        """The source taken out with the steps that are only about it; the last one stays."""
        if len(self.sources) == 1:
            return self
        sources = tuple(s for s in self.sources if s.number != number)
        return replace(
            self, sources=sources, steps=tuple(s for s in self.steps if getattr(s.step, "source", 0) != number)
        )

    def taking(self, number: int = 1) -> TakeIn:
        """What is taken of a source, as its step says or else everything."""
        for job_step in self.steps:
            if isinstance(job_step.step, TakeIn) and job_step.step.source == number and job_step.enabled:
                return job_step.step
        return TakeIn(source=number)

    def reading(self, number: int = 1) -> ReadOptions:
        """How a source is read."""
        return self.taking(number).read

    def with_step(self, step: AnyStep) -> Job:
        """The step added; one of which there can be only one (a source) takes the place of the old."""
        for old in self.steps:
            if step.takes_place_of(old.step):
                return self._with(old.number, replace(old, step=step, enabled=True))
        number = max((s.number for s in self.steps), default=0) + 1
        place = place_in_order(step)
        at = max((k + 1 for k, s in enumerate(self.steps) if place_in_order(s.step) <= place), default=0)
        return replace(self, steps=(*self.steps[:at], JobStep(number, step), *self.steps[at:]))

    def title_of(self, step: AnyStep) -> str:
        """What the ledger calls a step: a source by the name of its file."""
        source = self.source_numbered(getattr(step, "source", 0))
        return step.title if source is None else step.title.replace(f"source {source.number}", source.name)

    def without_step(self, number: int) -> Job:
        """The step taken out."""
        return replace(self, steps=tuple(s for s in self.steps if s.number != number))

    def switched(self, number: int, enabled: bool) -> Job:
        """The step switched on or off."""
        return replace(self, steps=tuple(replace(s, enabled=enabled) if s.number == number else s for s in self.steps))

    def step_of(self, kind: type[Step], source: int = 1) -> AnyStep | None:
        """The step of a kind of which there is at most one (a source), if it is there and on."""
        return next(
            (
                s.step
                for s in self.steps
                if type(s.step) is kind and s.enabled and getattr(s.step, "source", source) == source
            ),
            None,
        )

    def _with(self, number: int, step: JobStep) -> Job:
        return replace(self, steps=tuple(step if s.number == number else s for s in self.steps))


def place_in_order(step: AnyStep) -> int:
    """Where a step stands in the order in which steps are done."""
    return step.place if isinstance(step, UnknownStep) else place_of(type(step))


def own_ids(drawing: Drawing, number: int) -> Drawing:
    """The drawing of a source with ids that no other has: those of all but the first begin with their number.

    In the first only those do that could be taken for another's.
    """

    if number == 1 and not any(looks_numbered(thing.id) for thing in (*drawing.curves, *drawing.annotations)):
        return drawing
    return replace(
        drawing,
        curves=tuple(replace(c, id=own_id(c.id, number), source=number) for c in drawing.curves),
        annotations=tuple(replace(a, id=own_id(a.id, number)) for a in drawing.annotations),
    )


def reading_key(source: Source, options: ReadOptions) -> str:
    """What the drawing of a source depends on: its bytes, its name (which readers use) and how it is read."""
    return f"{source.digest}/{source.name}/{'' if options == PLAIN else msgspec.json.encode(options).decode()}"
