"""The arrays that the sums are done in."""

import numpy as np
from numpy.typing import NDArray

Numbers = NDArray[np.float64]
"""Figures, one for each thing, or a row of them for each."""

Indices = NDArray[np.int64]
"""Places in a table, or counts."""
