"""The values of live dimensions and of parameters: all of them formulas in one table."""

from __future__ import annotations

from collections.abc import Mapping

from syntaxa.define.formulas import Quantity, angle, evaluated, length
from syntaxa.define.part import Defined


def quantities_of(part: Defined, measured: Mapping[str, float]) -> dict[str, Quantity]:
    """Every dimension and parameter; raises DefineError.

    measured  (mm or radians) what those that do not drive measure: formulas may use them
    """
    formulas = {p.name: p.expression for p in part.parameters}
    formulas |= {m.name: m.expression for m in part.measures if drives(part, m.name)}
    angles = {m.name for m in part.measures if m.is_angle}
    known = {k: angle(v) if k in angles else length(v) for k, v in measured.items() if k not in formulas}
    return evaluated(formulas, known, {m.name: "angle" if m.is_angle else "length" for m in part.measures})


def values_of(part: Defined, measured: Mapping[str, float]) -> dict[str, float]:
    """The value of each dimension that drives (mm or radians), by its name; raises DefineError."""
    found = quantities_of(part, measured)
    return {m.name: found[m.name].size for m in part.measures if drives(part, m.name)}


def driving(part: Defined, measured: Mapping[str, float]) -> dict[str, float]:
    """What those dimensions measure that drive, of all that is measured (mm or radians)."""
    return {name: value for name, value in measured.items() if drives(part, name)}


def drives(part: Defined, name: str) -> bool:
    """Whether a dimension has a value of its own that its sketch follows."""
    measure = part.measure(name)
    return measure is not None and measure.use == "live" and bool(measure.expression)
