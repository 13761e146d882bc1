"""Seeds for planting: how long they live, what a germination test tells, how thick to sow."""

from yellow_larder.core.seeds.germination import germination_band, seeds_to_sow, sown_thicker
from yellow_larder.core.seeds.viability import (
    HALF,
    LETS_GO,
    USUAL_HUMIDITY,
    germination_after,
    life_in_store_years,
    spread_years,
    years_until,
)

__all__ = [
    "HALF",
    "LETS_GO",
    "USUAL_HUMIDITY",
    "germination_after",
    "germination_band",
    "life_in_store_years",
    "seeds_to_sow",
    "sown_thicker",
    "spread_years",
    "years_until",
]
