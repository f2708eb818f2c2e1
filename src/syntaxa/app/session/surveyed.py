"""What is wrong with the drawing that is shown, as it is looked for."""

from __future__ import annotations

from syntaxa.app.session.session import Session
from syntaxa.mend.model import Finding
from syntaxa.mend.views import SURVEY, Surveyed, Tuning


def surveyed(session: Session) -> Surveyed | None:
    """The survey at the tolerance that somebody chose, or at the proposed one; None while it is not known."""
    return session.view(SURVEY, session.chosen(Tuning))


def findings(session: Session) -> tuple[Finding, ...]:
    """What is wrong and still open, and then what is worth a look; none while it is not known."""
    found = surveyed(session)
    return found.findings if found is not None else ()


def faults(session: Session) -> tuple[Finding, ...]:
    """What is wrong and still open."""
    found = surveyed(session)
    return found.faults if found is not None else ()
