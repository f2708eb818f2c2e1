"""Recipes (.sxr): the steps of a job without its source, to be done on other drawings. See docs/formats.md."""

from __future__ import annotations

from dataclasses import dataclass
from pathlib import Path

import msgspec

from syntaxa.deliver.pages.model import InkChoice
from syntaxa.deliver.plan import Release, RolesAs
from syntaxa.deliver.write import ENDINGS, FileUnit, Output
from syntaxa.drawing.step import Step
from syntaxa.errors import JobError, reason_of
from syntaxa.files import write_atomically
from syntaxa.intake.steps import TakeIn
from syntaxa.job.kinds import KnownStep
from syntaxa.job.model import Job, Source, UnknownStep
from syntaxa.job.presets import general

FORMAT = "syntaxa.recipe/1"
ENDING = ".sxr"

#: Bytes; a recipe is a page of text.
_LARGEST = 4 << 20


class Written(msgspec.Struct, frozen=True, omit_defaults=True):
    """What a recipe writes for each drawing: a file for each ending, with the choices of `Output`."""

    endings: tuple[str, ...] = (".dxf",)
    unit: FileUnit = "mm"
    release: Release = "R2018"
    roles: RolesAs = "layers"
    construction: bool = False
    beside: bool = False
    ink: InkChoice = "colour"
    archive: bool = False
    dots: float = 150.0
    by_colour: bool = False
    font: str = ""

    @property
    def output(self) -> Output:
        """The choices for the writers."""
        return Output(**{k: v for k, v in msgspec.structs.asdict(self).items() if k != "endings"})


_PLAIN = Written()


class Recipe(msgspec.Struct, frozen=True, omit_defaults=True):
    """All of a recipe."""

    format: str
    name: str
    steps: tuple[KnownStep, ...] = ()
    written: Written = _PLAIN


@dataclass(frozen=True, slots=True)
class Made:
    """A recipe made of a job, and the titles of the steps that only mean something in that job."""

    recipe: Recipe
    left: tuple[str, ...]


def recipe_of(job: Job, name: str, written: Written = _PLAIN, only_routing: bool = False) -> Made:
    """The steps of a job that are on, as far as they name no curve; or only those that route."""
    steps: list[Step] = []
    left = []
    for job_step in job.steps:
        step = job_step.step
        if not job_step.enabled or (only_routing and not getattr(step, "routing", False)):
            continue
        if isinstance(step, TakeIn) and step.source == 1:
            choice = general(step)
            if choice != TakeIn():
                steps.append(choice)
        elif not isinstance(step, UnknownStep) and step.fits_others:
            steps.append(step)
        else:
            left.append(step.title)
    return Made(Recipe(FORMAT, name, tuple(steps), written), tuple(left))


def applied(recipe: Recipe, source: Source) -> Job:
    """A new job of a source with the steps of a recipe."""
    return with_recipe(Job.of(source), recipe)


def with_recipe(job: Job, recipe: Recipe) -> Job:
    """A job with the steps of a recipe after its own; those of which there can be one take the place of the old."""
    for step in recipe.steps:
        job = job.with_step(step)
    return job


def save_recipe(recipe: Recipe, path: Path) -> None:
    """Writes a recipe; the old file stays whole until the new one is."""
    try:
        write_atomically(path, msgspec.json.format(msgspec.json.encode(recipe), indent=2) + b"\n")
    except OSError as error:
        raise JobError(
            f"{path} cannot be saved: {reason_of(error)}.", file=str(path), suggestion="Save it in another folder."
        ) from error


def load_recipe(path: Path) -> Recipe:
    """Reads a recipe; raises JobError with a plain sentence."""
    try:
        data = path.read_bytes()
    except OSError as error:
        raise JobError(f"{path} cannot be opened: {reason_of(error)}.", file=str(path)) from error
    try:
        if len(data) > _LARGEST:
            raise msgspec.DecodeError
        form = msgspec.json.decode(data, type=dict).get("format", "")
        recipe = msgspec.json.decode(data, type=Recipe) if form == FORMAT else None
    except (msgspec.MsgspecError, UnicodeError, RecursionError):
        raise JobError(f"{path.name} is damaged or no recipe.", file=str(path), suggestion="Save it again.") from None
    if recipe is None:
        raise JobError(
            f"{path.name} was made by another version ({form or 'unknown'}).",
            file=str(path),
            suggestion="Update Syntaxa.",
        )
    bad = [e for e in recipe.written.endings if e not in ENDINGS]
    if bad or not recipe.written.endings:
        told = bad[0] if bad else "nothing"
        raise JobError(f"{path.name} writes {told}.", file=str(path), suggestion=f"Use {', '.join(ENDINGS)}.")
    return recipe
