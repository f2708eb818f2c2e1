"""Names of the array types, and of a box: one place for all rooms."""

from __future__ import annotations

from typing import Any

import numpy as np
from numpy.typing import NDArray

#: float64 of any shape; each docstring says which.
Floats = NDArray[np.float64]

#: int64 indices or counts.
Ints = NDArray[np.int64]

#: uint8, of pictures.
Bytes = NDArray[np.uint8]

#: One truth value each.
Bools = NDArray[np.bool_]

#: A matrix of scipy.sparse, which has no types.
Sparse = Any

#: (xmin, ymin, xmax, ymax).
Box = tuple[float, float, float, float]
