"""What the solid kernel could not make; apart from it, so that whoever is told need not load it."""

from __future__ import annotations

from syntaxa.errors import FormError


class KernelError(FormError):
    """What could not be made, in one sentence; `detail` is what the kernel said itself."""

    def __init__(self, sentence: str, detail: str = "", *, suggestion: str = "") -> None:
        super().__init__(sentence, suggestion=suggestion)
        self.detail = detail
