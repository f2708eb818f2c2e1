"""Steps that are being thought of: worked out behind, the newest only, and shown as soon as it is there."""

from __future__ import annotations

from collections.abc import Callable

from syntaxa.app.session.session import Session
from syntaxa.define.base import DefineStep
from syntaxa.define.views import TRIED, Tried


class Trying:
    """Looks at one step at a time. While one is worked out, whatever came later waits, and only the last of it is."""

    def __init__(self, session: Session, show: Callable[[Tried | None], None]) -> None:
        self._session, self._show = session, show
        self._wish: DefineStep | None = None
        #: What is being worked out.
        self._now: DefineStep | None = None
        session.viewed.connect(lambda _view: self._look())
        session.evaluated.connect(self._forget)

    def look(self, step: DefineStep) -> None:
        """Shows what a step would do."""
        self._wish = step
        self._look()

    def leave(self) -> None:
        """Nothing is thought of any more."""
        if self._wish is not None:
            self._wish = None
            self._show(None)

    def _look(self) -> None:
        wish, now = self._wish, self._now
        if wish is None:
            return
        working = now is not None and now != wish and not self._session.computing.was_given_up(TRIED, now)
        if working and self._session.peek(TRIED, now) is None:
            return
        self._now = wish
        found = self._session.view(TRIED, wish)
        if found is not None:
            self._show(found)

    def _forget(self) -> None:
        """The job has changed: what was thought of is done, or means something else."""
        self._now = None
        self.leave()
