"""The errors that a user can meet.

::

    SyntaxaError                one plain sentence: what happened, to what, what to do
    +-- IntakeError             a file that cannot be read
    |   +-- PasswordNeeded      a file that its author locked
    +-- MeasureError            a unit, factor or origin that makes no sense
    +-- RouteError              a sketch, group or rule that cannot be what was asked
    |   +-- LockedError         something locked that would have to change
    +-- MendError               a tolerance that makes no sense
    +-- FormError               a solid that cannot be made
    +-- CutError                a tool, machine or operation that makes no sense
    +-- DeliverError            a file that cannot be written
    +-- JobError                a job file that cannot be read or saved
    +-- GoneError               something named that is no longer there
    +-- WorkerError             the worker process ended, or took too much
    +-- Cancelled               the user stopped a long piece of work

Every other exception is a defect of the program.
"""

from __future__ import annotations

from collections.abc import Callable


class SyntaxaError(Exception):
    """A sentence for the user, with the file or curve it is about and what to do next."""

    def __init__(self, sentence: str, *, file: str = "", curve: str = "", suggestion: str = "") -> None:
        super().__init__(sentence)
        self.sentence = sentence
        self.file = file
        self.curve = curve
        self.suggestion = suggestion

    def __str__(self) -> str:
        return f"{self.sentence} {self.suggestion}".strip()


class IntakeError(SyntaxaError):
    """A file that cannot be read."""


class PasswordNeeded(IntakeError):  # noqa: N818  it is a question
    """A file that its author locked; `digest` is that of its bytes, where they are known."""

    digest = ""


class MeasureError(SyntaxaError):
    """A unit, factor or origin that makes no sense."""


class RouteError(SyntaxaError):
    """A sketch, group or rule that cannot be what was asked."""


class LockedError(RouteError):
    """Something locked that would have to change."""


class MendError(SyntaxaError):
    """A tolerance that makes no sense."""


class DefineError(SyntaxaError):
    """A value, formula or constraint that cannot be."""


class FormError(SyntaxaError):
    """A solid that cannot be made, or a depth, plane or edge that makes no sense."""


class CutError(SyntaxaError):
    """A tool, machine or operation that makes no sense, or a path that cannot be made."""


class DeliverError(SyntaxaError):
    """A file that cannot be written."""


class JobError(SyntaxaError):
    """A job file that cannot be read or saved."""


class GoneError(SyntaxaError):
    """Something that was named is no longer there, or cannot be told from another."""


class WorkerError(SyntaxaError):
    """The worker process ended before it was done, or took more time or memory than it may."""


class Cancelled(SyntaxaError):  # noqa: N818  it is no error, it ends work like one
    """The user stopped a long piece of work."""

    def __init__(self) -> None:
        super().__init__("Stopped before it was done; nothing was changed.")


#: Tells how far a long piece of work has come, 0 to 1; raises `Cancelled` when it should stop.
Progress = Callable[[float], None]


def no_progress(fraction: float) -> None:
    """Progress of work that nobody watches."""
    del fraction


def reason_of(error: OSError) -> str:
    """The operating system's reason in words: "No space left on device"."""
    return error.strerror or str(error)
