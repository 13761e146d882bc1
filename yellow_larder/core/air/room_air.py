"""The air of the room the packing is done in: its pressure, its water, its oxygen."""

from __future__ import annotations

import math

from yellow_larder.core.errors import check_range

OXYGEN_SHARE_DRY = 0.20946
"""Oxygen in dry air by volume. Source: US Standard Atmosphere, 1976."""

GAS_J_MOL_K = 8.314462618
"""The gas constant. Source: CODATA 2018, exact."""

_WATER_G_MOL = 18.015
"""Weight of a mole of water, g. Source: IUPAC."""

ATMOSPHERE_KPA = 101.325
"""The standard atmosphere, kPa. Source: US Standard Atmosphere, 1976."""

_RATING_K = 293.15
_RATING_KPA = ATMOSPHERE_KPA
"""The state absorber packets are rated in, 20 °C and 101.325 kPa. Source: common practice."""


def pressure_kpa(altitude_m: float) -> float:
    """Air pressure at a height above the sea.

    Args:
        altitude_m: height above sea level, m, −500–5,000.

    Returns:
        Pressure, kPa.

    Raises:
        OutOfRange: the height is outside the range above.

    Example:
        >>> round(pressure_kpa(1600), 1)
        83.5

    Source: International Standard Atmosphere, troposphere (ISO 2533:1975).
    """
    check_range("altitude_m", altitude_m, -500, 5000, "m")
    return float(ATMOSPHERE_KPA * (1 - 2.25577e-5 * altitude_m) ** 5.25588)


def saturation_kpa(temperature_c: float) -> float:
    """Pressure of water vapour over water, or over ice below freezing.

    Args:
        temperature_c: temperature, °C, −60–100.

    Returns:
        Saturation vapour pressure, kPa.

    Raises:
        OutOfRange: the temperature is outside the range above.

    Example:
        >>> round(saturation_kpa(20), 3)
        2.339

    Source: Hyland and Wexler (1983), as given in ASHRAE Fundamentals, psychrometrics, equations 5 and 6.
    """
    check_range("temperature_c", temperature_c, -60, 100, "°C")
    t = temperature_c + 273.15
    if temperature_c < 0.01:
        powers = (-9.677843e-3, 6.2215701e-7, 2.0747825e-9, -9.484024e-13)
        start, log_factor = -5.6745359e3 / t + 6.3925247, 4.1635019
    else:
        powers = (-4.8640239e-2, 4.1764768e-5, -1.4452093e-8, 0.0)
        start, log_factor = -5.8002206e3 / t + 1.3914993, 6.5459673
    series = sum(factor * t ** (n + 1) for n, factor in enumerate(powers))
    return math.exp(start + series + log_factor * math.log(t)) / 1000


def saturated_vapor_g_ml(temperature_c: float) -> float:
    """Water in air that holds all it can, g/mL.

    Args:
        temperature_c: temperature, °C, −60–100.

    Raises:
        OutOfRange: the temperature is outside the range above.

    Example:
        A cubic metre at 20 °C holds some seventeen grams:

        >>> round(saturated_vapor_g_ml(20) * 1e6, 1)
        17.3

    Source: the ideal gas; see `saturation_kpa`.
    """
    return saturation_kpa(temperature_c) * _WATER_G_MOL / (GAS_J_MOL_K * (temperature_c + 273.15)) / 1000


def dew_point_c(temperature_c: float, humidity: float) -> float:
    """Temperature at which the water in the room's air begins to settle, as dew or as frost.

    Args:
        temperature_c: temperature of the room, °C, −20–60.
        humidity: relative humidity over water, or over ice below freezing, 0.01–1.

    Returns:
        Dew point, °C.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(dew_point_c(20, 0.5), 1)
        9.3

    Source: inverse of Hyland and Wexler's saturation pressure, by bisection.
    """
    check_range("temperature_c", temperature_c, -20, 60, "°C")
    check_range("humidity", humidity, 0.01, 1, "")
    pressure = humidity * saturation_kpa(temperature_c)
    low, high = -60.0, temperature_c
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (middle, high) if saturation_kpa(middle) < pressure else (low, middle)
    return high


def oxygen_share(*, temperature_c: float = 20.0, humidity: float = 0.5, pressure_kpa: float = _RATING_KPA) -> float:
    """Share of oxygen in the room's air, water vapour included.

    Args:
        temperature_c: temperature of the room, °C, −10–45.
        humidity: relative humidity, 0–1.
        pressure_kpa: pressure of the room, kPa, 50–110.

    Returns:
        Oxygen by volume, 0–0.21.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(oxygen_share(temperature_c=20, humidity=0.5), 4)
        0.207

    Source: Dalton's law on dry air of 20.946 % oxygen.
    """
    check_range("temperature_c", temperature_c, -10, 45, "°C")
    check_range("humidity", humidity, 0, 1, "")
    check_range("pressure_kpa", pressure_kpa, 50, 110, "kPa")
    return OXYGEN_SHARE_DRY * (1 - humidity * saturation_kpa(temperature_c) / pressure_kpa)


def at_rating_state(volume_ml: float, *, temperature_c: float, pressure_kpa: float) -> float:
    """A volume of gas as it would be at the state absorber packets are rated in.

    Args:
        volume_ml: volume in the room, mL, 0–1,000,000.
        temperature_c: temperature of the room, °C, −10–45.
        pressure_kpa: pressure of the room, kPa, 50–110.

    Returns:
        Volume at 20 °C and 101.325 kPa, mL.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(at_rating_state(100, temperature_c=20, pressure_kpa=83.5), 1)
        82.4

    Source: the ideal gas law.
    """
    check_range("volume_ml", volume_ml, 0, 1e6, "mL")
    check_range("temperature_c", temperature_c, -10, 45, "°C")
    check_range("pressure_kpa", pressure_kpa, 50, 110, "kPa")
    return volume_ml * (pressure_kpa / _RATING_KPA) * _RATING_K / (temperature_c + 273.15)
