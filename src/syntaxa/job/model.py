"""The document: one or more sources and the steps to be done on them."""

from __future__ import annotations

from dataclasses import dataclass, replace

from syntaxa.intake.registry import digest_of
from syntaxa.measure.steps import ChooseUnit, PlaceOrigin, ScaleBy
from syntaxa.mend.steps import MendFindings
from syntaxa.route.steps import ChooseLayers

Step = ChooseUnit | ScaleBy | ChooseLayers | PlaceOrigin | MendFindings


@dataclass(frozen=True, slots=True)
class Source:
    """A file brought in, kept byte for byte."""

    name: str
    data: bytes
    digest: str

    @classmethod
    def of(cls, name: str, data: bytes) -> Source:
        """A source from its bytes."""
        return cls(name, data, digest_of(data))


@dataclass(frozen=True, slots=True)
class JobStep:
    """A step in its place in the job: its number never changes, switched off it is skipped."""

    number: int
    step: Step
    enabled: bool = True


@dataclass(frozen=True, slots=True)
class Job:
    """A source and its steps, kept in the order in which they are done."""

    source: Source
    steps: tuple[JobStep, ...] = ()

    def with_step(self, step: Step) -> Job:
        """The step added; one of which there can be only one takes the place of the old."""
        if type(step).only_one:
            for old in self.steps:
                if type(old.step) is type(step):
                    return self._with(old.number, replace(old, step=step, enabled=True))
        number = max((s.number for s in self.steps), default=0) + 1
        steps = sorted((*self.steps, JobStep(number, step)), key=lambda s: (type(s.step).rank, s.number))
        return replace(self, steps=tuple(steps))

    def without_step(self, number: int) -> Job:
        """The step taken out."""
        return replace(self, steps=tuple(s for s in self.steps if s.number != number))

    def switched(self, number: int, enabled: bool) -> Job:
        """The step switched on or off."""
        return replace(self, steps=tuple(replace(s, enabled=enabled) if s.number == number else s for s in self.steps))

    def step_of(self, kind: type[Step]) -> Step | None:
        """The step of a kind of which there is at most one, if it is there and on."""
        return next((s.step for s in self.steps if type(s.step) is kind and s.enabled), None)

    def _with(self, number: int, step: JobStep) -> Job:
        return replace(self, steps=tuple(step if s.number == number else s for s in self.steps))
