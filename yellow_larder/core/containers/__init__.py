"""What food is packed in: its shape, its volume, what it is made of, what fits into what."""

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
from yellow_larder.core.containers.making import Held, Lid, Material
from yellow_larder.core.containers.nesting import goes_into
from yellow_larder.core.containers.shaping import Shape, shape_of, volume_by_water_ml

__all__ = [
    "LID_MM",
    "Closing",
    "Container",
    "Held",
    "Kind",
    "Lid",
    "Material",
    "Mouth",
    "Shape",
    "closed_volume_ml",
    "flat_bag_volume_ml",
    "goes_into",
    "headspace_above_mm",
    "shape_of",
    "volume_below_ml",
    "volume_by_water_ml",
]
