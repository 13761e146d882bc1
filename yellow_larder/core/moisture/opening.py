"""Air that a container takes in each time it is opened, and for as long as it stands open."""

from __future__ import annotations

import math

from yellow_larder.core.containers import LID_MM, Container, closed_volume_ml
from yellow_larder.core.errors import check_range

VAPOR_CM2_S = 0.25
"""How fast water vapour spreads through still air, cm²/s. Source: 0.242 at 20 °C, 0.256 at 25 °C (handbook tables of
diffusion in air, from memory)."""

OPEN_MINUTES = 5.0
"""How long a container stands open each time. Source: our judgement: taken from at the stove, and closed when the pot
is on."""

_RIM_MM = 10.0
"""How much narrower the mouth of a preserving jar is than its lid. Source: jars as sold, common practice."""

_BAG_OPENS = 0.6
"""Width of the round mouth that a flat bag makes when it is held open, as a share of its flat width.

Source: geometry: twice the flat width goes round a circle of 2/π of it."""


def mouth_cm2(container: Container) -> float:
    """The open mouth of a container, cm².

    Example:
        >>> from yellow_larder.core.containers import Kind, Mouth
        >>> jar = Container(
        ...     "j", "jar", Kind.JAR, capacity_ml=970, height_mm=150, top_mm=90, base_mm=90, mouth=Mouth.REGULAR
        ... )
        >>> round(mouth_cm2(jar), 1)
        28.3

    Source: geometry; see `_RIM_MM` and `_BAG_OPENS`.
    """
    if container.mouth is not None:
        across = LID_MM[container.mouth] - _RIM_MM
    else:
        across = container.width_mm * _BAG_OPENS if container.is_flat else container.top_mm
    return (across / 10) ** 2 * (1.0 if container.is_square else math.pi / 4)


def aired_ml(container: Container, *, minutes: float = OPEN_MINUTES) -> float:
    """Air of the room that the food has met when its container is closed again, mL.

    All its air is exchanged at once, as food is scooped or poured. Then vapour sinks through the still air in it, from
    the mouth to half its depth, as much as if so much air more had been exchanged.

    Args:
        container: the container.
        minutes: how long it stood open, 0–100,000.

    Raises:
        OutOfRange: the minutes are outside the range above.

    Example:
        A jar that is closed at once, after five minutes, and after a night on the table:

        >>> from yellow_larder.core.containers import Kind, Mouth
        >>> jar = Container(
        ...     "j", "jar", Kind.JAR, capacity_ml=970, height_mm=150, top_mm=90, base_mm=90, mouth=Mouth.REGULAR
        ... )
        >>> [round(aired_ml(jar, minutes=each), -1) for each in (0, 5, 8 * 60)]
        [970.0, 1250.0, 28110.0]

    Source: Fick, steady: speed of spreading × mouth ÷ depth; that all air is exchanged is our judgement.
    """
    check_range("minutes", minutes, 0, 100_000, "minutes")
    depth_cm = container.inner_height_mm / 20
    return closed_volume_ml(container) + VAPOR_CM2_S * 60 * minutes * mouth_cm2(container) / depth_cm
