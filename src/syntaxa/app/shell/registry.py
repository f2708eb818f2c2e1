"""The stages in the order of the work, and the features: adding one is a folder and a line here.

They are named, not imported: the shell knows them by their interface only.
"""

from __future__ import annotations

from importlib import import_module
from typing import TYPE_CHECKING, cast

from syntaxa.app.shell.stage import Feature, Stage

if TYPE_CHECKING:
    from syntaxa.app.shell.shell import Shell

#: Module and class of each stage.
STAGES: tuple[tuple[str, str], ...] = (
    ("syntaxa.app.stages.intake.stage", "IntakeStage"),
    ("syntaxa.app.stages.measure.stage", "MeasureStage"),
    ("syntaxa.app.stages.route.stage", "RouteStage"),
    ("syntaxa.app.stages.mend.stage", "MendStage"),
    ("syntaxa.app.stages.define.stage", "DefineStage"),
    ("syntaxa.app.stages.form.stage", "FormStage"),
    ("syntaxa.app.stages.cut.stage", "CutStage"),
    ("syntaxa.app.stages.deliver.stage", "DeliverStage"),
)

#: Module and class of each feature.
FEATURES: tuple[tuple[str, str], ...] = (
    ("syntaxa.app.features.files", "Files"),
    ("syntaxa.app.features.editing", "Editing"),
    ("syntaxa.app.features.looking", "Looking"),
    ("syntaxa.app.features.clipboard", "Clipboard"),
    ("syntaxa.app.features.recipes", "Recipes"),
    ("syntaxa.app.features.measuring", "Measuring"),
    ("syntaxa.app.features.draw", "Draw"),
    ("syntaxa.app.features.help", "Help"),
)


def stages(shell: Shell) -> tuple[Stage, ...]:
    """Every stage, given the shell."""
    return tuple(cast(Stage, getattr(import_module(module), name)(shell)) for module, name in STAGES)


def features(shell: Shell) -> tuple[Feature, ...]:
    """Every feature, given the shell."""
    return tuple(cast(Feature, getattr(import_module(module), name)(shell)) for module, name in FEATURES)
