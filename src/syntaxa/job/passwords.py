"""Passwords of locked sources, by the digest of the file: for this run, and in the user's key ring where there is one.

They are never written into a job, a recovery copy, a recipe or a preset.
"""

from __future__ import annotations

import contextlib
import logging
from collections.abc import Callable
from typing import Protocol

_SERVICE = "Syntaxa drawings"

_LOG = logging.getLogger(__name__)


class Ring(Protocol):
    """What is asked of a key ring."""

    def get_password(self, service: str, name: str) -> str | None:
        """The password under a name."""

    def set_password(self, service: str, name: str, password: str) -> None:
        """Keeps a password under a name."""


def _user_ring() -> Ring | None:
    """The key ring of the user; None where the system has none. Imported only when a locked file is met."""
    with contextlib.suppress(ImportError):
        import keyring

        ring: Ring = keyring.get_keyring()
        # The library's stand-in for "none" has no priority.
        return ring if getattr(ring, "priority", 0) > 0 else None
    return None


class Passwords:
    """What is known of the passwords of sources."""

    def __init__(self, ring: Callable[[], Ring | None] = _user_ring) -> None:
        self._ring = ring
        self._known: dict[str, str] = {}

    def of(self, digest: str) -> str:
        """The password of a file, empty where nobody knows it."""
        if digest not in self._known:
            found = self._asked(lambda ring: ring.get_password(_SERVICE, digest))
            if not found:
                return ""
            self._known[digest] = found
        return self._known[digest]

    def remember(self, digest: str, password: str) -> None:
        """Keeps a password for this run."""
        if password:
            self._known[digest] = password

    def keep(self, digest: str) -> None:
        """Puts what is known of a file into the key ring, so that its job can be opened another day."""
        password = self._known.get(digest)
        if password:
            self._asked(lambda ring: ring.set_password(_SERVICE, digest, password))

    def _asked(self, ask: Callable[[Ring], str | None]) -> str | None:
        try:
            ring = self._ring()
            return None if ring is None else ask(ring)
        except Exception:  # noqa: BLE001  back ends raise what they like, and none of it may stop a job from opening
            _LOG.info("The key ring could not be asked", exc_info=True)
            return None


#: Of this run of the program.
PASSWORDS = Passwords()
