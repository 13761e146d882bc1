"""The table of seeds for planting."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from yellow_larder.reference.rows import rows, words

_HUMIDITY = (0.2, 0.45, 0.75)
"""Air that moisture at rest is told for, as a share."""


@dataclass(frozen=True, slots=True)
class SeedKind:
    """A kind of seed.

    Attributes:
        key: short name.
        name: what it is called.
        aliases: other names for it, and kinds that live as long.
        family: the plants it belongs to.
        low_years: the shortest it usually lives in cool dry storage, years.
        high_years: the longest.
        new: germination of new seed at the least, 0–1.
        per_gram: seeds in a gram.
        at_rest_pct: its moisture, wet basis, %, at rest with air of each humidity of `_HUMIDITY`.
        source: where the figures come from.
    """

    key: str
    name: str
    aliases: tuple[str, ...]
    family: str
    low_years: float
    high_years: float
    new: float
    per_gram: float
    at_rest_pct: tuple[float, float, float]
    source: str

    def moisture_pct(self, humidity: float) -> float:
        """Its moisture at rest with air, wet basis, %.

        Args:
            humidity: of the air, 0–1; below 20 % as at 20, and above 75 % as at 75.

        Example:
            >>> seeds()["onion"].moisture_pct(0.45), seeds()["lettuce"].moisture_pct(0.1)
            (9.5, 4.2)
        """
        return float(np.interp(humidity, _HUMIDITY, self.at_rest_pct))

    @property
    def years(self) -> float:
        """How long it usually lives in cool dry storage, years."""
        return (self.low_years + self.high_years) / 2


@lru_cache
def seeds() -> dict[str, SeedKind]:
    """Every kind of seed, by key.

    Example:
        >>> seeds()["onion"].years, seeds()["cucumber"].years
        (1.5, 5.5)
    """
    return {
        row["key"]: SeedKind(
            row["key"],
            row["name"],
            words(row["aliases"]),
            row["family"],
            float(row["low_years"]),
            float(row["high_years"]),
            float(row["new_pct"]) / 100,
            float(row["per_gram"]),
            (float(row["pct_20"]), float(row["pct_45"]), float(row["pct_75"])),
            row["source"],
        )
        for row in rows("seeds")
    }
