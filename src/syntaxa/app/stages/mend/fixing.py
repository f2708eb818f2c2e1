"""Fixing findings, as steps of the job, at the tolerance at which they were found."""

from __future__ import annotations

from dataclasses import replace

from syntaxa.app.session.session import Session
from syntaxa.app.session.surveyed import surveyed
from syntaxa.mend.steps import MendFindings, with_needed
from syntaxa.mend.views import Tuning


def set_gap(session: Session, gap: float | None) -> None:
    """Looks for findings at another tolerance (mm); None for the proposed one."""
    session.choose(replace(session.chosen(Tuning), gap=gap))


def fixing(session: Session, key: str | None, choice: str = "") -> MendFindings | None:
    """The step that fixes one finding, with what lies doubled under it, or all; in another way, if chosen."""
    found = surveyed(session)
    if found is None:
        return None
    keys = None if key is None else with_needed(found.survey.findings, key)
    choices = ((key, choice),) if key is not None and choice else ()
    return MendFindings(found.gap, session.chosen(Tuning).dead_end, keys, choices)


def fix(session: Session, key: str | None, choice: str = "") -> None:
    """Fixes one finding or all."""
    step = fixing(session, key, choice)
    if step is not None:
        session.do(step)


def fix_these(session: Session, keys: tuple[str, ...]) -> None:
    """Fixes some findings, with what lies doubled under them."""
    found = surveyed(session)
    if found is not None:
        needed = dict.fromkeys(k for key in keys for k in with_needed(found.survey.findings, key))
        session.do(MendFindings(found.gap, session.chosen(Tuning).dead_end, tuple(needed)))
