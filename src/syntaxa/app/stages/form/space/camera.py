"""Where the view in space looks from: parallel projection, as drawings are made in. Immutable."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from syntaxa.form.model import Space as Place
from syntaxa.geometry.types import Floats

ViewName = Literal["top", "bottom", "front", "back", "left", "right", "isometric"]

_QUARTER = math.pi / 2

#: Where each view looks from: the angle round z from x, and the height above the ground (radians).
VIEWS: dict[ViewName, tuple[float, float]] = {
    "top": (-_QUARTER, _QUARTER), "bottom": (-_QUARTER, -_QUARTER), "front": (-_QUARTER, 0.0), "back": (_QUARTER, 0.0),
    "left": (math.pi, 0.0), "right": (0.0, 0.0), "isometric": (-math.pi / 4, math.atan(math.sqrt(0.5))),
}  # fmt: skip

#: Radians a pixel that the view turns, share of the window that is filled, and pixels a mm at the least and the most.
_TURN, _FILLED = 0.01, 0.8
_SMALLEST, _LARGEST = 1e-6, 1e6


@dataclass(frozen=True, slots=True)
class Camera:
    """Looks at a place (mm) in the middle of a window of width x height pixels, from an azimuth and an elevation."""

    azimuth: float = VIEWS["isometric"][0]
    elevation: float = VIEWS["isometric"][1]
    centre: Place = (0.0, 0.0, 0.0)
    scale: float = 5.0
    width: int = 100
    height: int = 100

    @property
    def axes(self) -> tuple[Floats, Floats, Floats]:
        """Directions to the right, upwards and to the eye, of unit length."""
        c, s = math.cos(self.elevation), math.sin(self.elevation)
        eye = np.array([c * math.cos(self.azimuth), c * math.sin(self.azimuth), s])
        right = np.array([-math.sin(self.azimuth), math.cos(self.azimuth), 0.0])
        return right, np.cross(eye, right), eye

    def pixels(self, points: Floats) -> Floats:
        """Places (n, 3) as pixels and mm towards the eye, (n, 3)."""
        right, up, eye = self.axes
        off = points - np.array(self.centre)
        return np.stack(
            [self.width / 2 + off @ right * self.scale, self.height / 2 - off @ up * self.scale, off @ eye], axis=-1
        )

    def matrix(self, base: Floats, depth: float) -> Floats:
        """From places less a base to clip space, (4, 4); `depth` is how far anything is from the centre at the most."""
        right, up, eye = self.axes
        rows = np.eye(4)
        rows[0, :3] = right * 2 * self.scale / self.width
        rows[1, :3] = up * 2 * self.scale / self.height
        rows[2, :3] = -eye / depth
        rows[:3, 3] = rows[:3, :3] @ (base - np.array(self.centre))
        return rows

    def sized(self, width: int, height: int) -> Camera:
        """The same in a window of another size."""
        return replace(self, width=max(width, 1), height=max(height, 1))

    def scaled(self, factor: float) -> Camera:
        """The same picture with more or fewer pixels."""
        return replace(
            self,
            scale=self.scale * factor,
            width=max(1, round(self.width * factor)),
            height=max(1, round(self.height * factor)),
        )

    def orbited(self, dx: float, dy: float) -> Camera:
        """Turned as by a drag of so many pixels."""
        elevation = min(max(self.elevation + dy * _TURN, -_QUARTER), _QUARTER)
        return replace(self, azimuth=self.azimuth - dx * _TURN, elevation=elevation)

    def panned(self, dx: float, dy: float) -> Camera:
        """Moved as by a drag of so many pixels."""
        right, up, _ = self.axes
        return self._at(np.array(self.centre) + (up * dy - right * dx) / self.scale)

    def zoomed(self, factor: float, x: float, y: float) -> Camera:
        """Zoomed about a pixel, which keeps its place."""
        scale = min(max(self.scale * factor, _SMALLEST), _LARGEST)
        right, up, _ = self.axes
        off = right * (x - self.width / 2) - up * (y - self.height / 2)
        return replace(self._at(np.array(self.centre) + off * (1 / self.scale - 1 / scale)), scale=scale)

    def looking(self, name: ViewName) -> Camera:
        """The same place from one of the seven views."""
        azimuth, elevation = VIEWS[name]
        return replace(self, azimuth=azimuth, elevation=elevation)

    def fitted(self, low: Floats, high: Floats) -> Camera:
        """A box (mm) shown whole."""
        corners = np.array(np.meshgrid(*zip(low, high, strict=True))).reshape(3, -1).T
        middle = (low + high) / 2
        right, up, _ = self.axes
        across, along = (max(float(np.ptp((corners - middle) @ way)), 1e-9) for way in (right, up))
        scale = _FILLED * min(self.width / across, self.height / along)
        return replace(self._at(middle), scale=min(max(scale, _SMALLEST), _LARGEST))

    def _at(self, centre: Floats) -> Camera:
        x, y, z = centre.tolist()
        return replace(self, centre=(x, y, z))
