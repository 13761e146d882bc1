"""What food is packed in: its shape, its volume, what fits into what."""

from yellow_larder.core.containers.container import (
    LID_MM,
    Closing,
    Container,
    Kind,
    Mouth,
    closed_volume_ml,
    flat_bag_volume_ml,
    headspace_above_mm,
    volume_below_ml,
)
from yellow_larder.core.containers.nesting import goes_into

__all__ = [
    "LID_MM",
    "Closing",
    "Container",
    "Kind",
    "Mouth",
    "closed_volume_ml",
    "flat_bag_volume_ml",
    "goes_into",
    "headspace_above_mm",
    "volume_below_ml",
]
