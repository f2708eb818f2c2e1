"""Where the canvas looks: millimetres to pixels and back. Immutable; y points up in millimetres, down in pixels."""

from __future__ import annotations

from dataclasses import dataclass, replace

#: Pixels per mm; beyond these nothing can be seen.
_SMALLEST, _LARGEST = 1e-6, 1e7


@dataclass(frozen=True, slots=True)
class Camera:
    """The place (mm) in the middle of a window of width x height pixels, and pixels per mm."""

    x: float = 0.0
    y: float = 0.0
    scale: float = 1.0
    width: int = 100
    height: int = 100

    def to_pixels(self, x: float, y: float) -> tuple[float, float]:
        """The pixel of a place."""
        return (x - self.x) * self.scale + self.width / 2, (self.y - y) * self.scale + self.height / 2

    def to_mm(self, px: float, py: float) -> tuple[float, float]:
        """The place under a pixel."""
        return (px - self.width / 2) / self.scale + self.x, self.y - (py - self.height / 2) / self.scale

    def sized(self, width: int, height: int) -> Camera:
        """The same place in a window of another size."""
        return replace(self, width=max(1, width), height=max(1, height))

    def panned(self, dx: float, dy: float) -> Camera:
        """Moved so that what was under a pixel is now (dx, dy) pixels further."""
        return replace(self, x=self.x - dx / self.scale, y=self.y + dy / self.scale)

    def zoomed(self, factor: float, px: float, py: float) -> Camera:
        """Zoomed about a pixel, which keeps its place."""
        scale = min(max(self.scale * factor, _SMALLEST), _LARGEST)
        x, y = self.to_mm(px, py)
        return replace(self, scale=scale, x=x - (px - self.width / 2) / scale, y=y + (py - self.height / 2) / scale)

    def fitted(self, box: tuple[float, float, float, float], margin: float = 0.08) -> Camera:
        """Shows a box (mm) with a margin (share of the window)."""
        width, height = max(box[2] - box[0], 1e-9), max(box[3] - box[1], 1e-9)
        room = 1 - 2 * margin
        scale = min(self.width * room / width, self.height * room / height)
        return replace(
            self,
            x=(box[0] + box[2]) / 2,
            y=(box[1] + box[3]) / 2,
            scale=min(max(scale, _SMALLEST), _LARGEST),
        )

    @property
    def box(self) -> tuple[float, float, float, float]:
        """What can be seen (mm)."""
        half_width, half_height = self.width / 2 / self.scale, self.height / 2 / self.scale
        return self.x - half_width, self.y - half_height, self.x + half_width, self.y + half_height
