"""Water in food and in the air over it: sorption isotherms, both ways."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from yellow_larder.core.air import GAS_J_MOL_K
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.errors import check_range

NOTHING_GROWS, MOULD_GROWS, BOTULINUM_GROWS = 0.60, 0.65, 0.94
"""Water activity below which nothing grows; above which mould does, in time; above which C. botulinum may.

Source: ICMSF, and FDA 21 CFR 113/114 guidance on water activity, from memory.
"""

_GAB_K = 298.15
"""GAB figures in the table are those at 25 °C."""


@dataclass(frozen=True, slots=True)
class Henderson:
    """The modified Henderson isotherm: RH = 1 − exp(−K·(T + C)·Mᴺ), M in % of the dry solids.

    Attributes:
        k: K, 1/K.
        n: N.
        c: C, °C.

    Source: ASABE D245, moisture relationships of plant-based agricultural products.
    """

    k: float
    n: float
    c: float

    def water_activity(self, moisture_pct: Numbers, temperature_c: float) -> Numbers:
        """Water activity at a moisture, wet basis, %, 0–60, and a temperature, °C, −20–70.

        Raises:
            OutOfRange: an argument is outside the range above.

        Example:
            Rough rice of 13 % at 25 °C:

            >>> round(float(Henderson(1.9187e-5, 2.4451, 51.161).water_activity(np.array(13.0), 25)), 2)
            0.66
        """
        dry = dry_basis_pct(moisture_pct)
        check_range("temperature_c", temperature_c, -20, 70, "°C")
        activity: Numbers = 1 - np.exp(-self.k * (temperature_c + self.c) * dry**self.n)
        return activity

    def moisture_pct(self, water_activity: Numbers, temperature_c: float) -> Numbers:
        """Moisture, wet basis, %, that a water activity of 0–0.99 brings at a temperature, °C, −20–70.

        Raises:
            OutOfRange: an argument is outside the range above.

        Example:
            >>> round(float(Henderson(1.9187e-5, 2.4451, 51.161).moisture_pct(np.array(0.66), 25)), 1)
            13.0
        """
        activity = _activity(water_activity)
        check_range("temperature_c", temperature_c, -20, 70, "°C")
        dry = (-np.log(1 - activity) / (self.k * (temperature_c + self.c))) ** (1 / self.n)
        return wet_basis_pct(dry)


@dataclass(frozen=True, slots=True)
class Gab:
    """The isotherm of Guggenheim, Anderson and de Boer, at 25 °C, shifted with the heat of sorption.

    Attributes:
        m0: moisture of the first layer, % of the dry solids.
        c: C, above 1.
        k: K, 0.5–1.1.
        heat_kj_mol: net heat of sorption: how fast water activity rises with warmth, kJ/mol.

    Source: GAB; temperature by Clausius and Clapeyron.
    """

    m0: float
    c: float
    k: float
    heat_kj_mol: float

    def water_activity(self, moisture_pct: Numbers, temperature_c: float) -> Numbers:
        """Water activity at a moisture, wet basis, %, 0–60, and a temperature, °C, −20–70; 1 at the most.

        Raises:
            OutOfRange: an argument is outside the range above.

        Example:
            Dried apple of 16 % at 25 °C:

            >>> round(float(Gab(9, 4, 0.98, 3).water_activity(np.array(16.0), 25)), 2)
            0.61
        """
        dry = np.maximum(dry_basis_pct(moisture_pct), 1e-9)
        half = self.m0 * self.c / dry - (self.c - 2)
        y = (-half + np.sqrt(half**2 + 4 * (self.c - 1))) / (2 * (self.c - 1))
        activity: Numbers = np.minimum(y / self.k * self._shift(temperature_c), 1.0)
        return activity

    def moisture_pct(self, water_activity: Numbers, temperature_c: float) -> Numbers:
        """Moisture, wet basis, %, that a water activity of 0–0.99 brings at a temperature, °C, −20–70.

        Raises:
            OutOfRange: an argument is outside the range above.

        Example:
            >>> round(float(Gab(9, 4, 0.98, 3).moisture_pct(np.array(0.61), 25)), 1)
            16.1
        """
        y = self.k * np.minimum(_activity(water_activity) / self._shift(temperature_c), 0.99)
        return wet_basis_pct(self.m0 * self.c * y / ((1 - y) * (1 - y + self.c * y)))

    def _shift(self, temperature_c: float) -> float:
        check_range("temperature_c", temperature_c, -20, 70, "°C")
        return float(np.exp(-self.heat_kj_mol * 1000 / GAS_J_MOL_K * (1 / (temperature_c + 273.15) - 1 / _GAB_K)))


Isotherm = Henderson | Gab


def dry_basis_pct(moisture_pct: Numbers) -> Numbers:
    """Moisture as a share of the dry solids, from that of the whole, both %, 0–60 of the whole.

    Raises:
        OutOfRange: the moisture is outside the range above.

    Example:
        >>> round(float(dry_basis_pct(np.array(13.0))), 2)
        14.94

    Source: definition.
    """
    wet = np.asarray(moisture_pct, dtype=np.float64)
    for end in (wet.min(initial=0), wet.max(initial=0)):
        check_range("moisture_pct", float(end), 0, 60, "%")
    return 100 * wet / (100 - wet)


def wet_basis_pct(dry_pct: Numbers) -> Numbers:
    """Moisture as a share of the whole, from that of the dry solids, both %.

    Example:
        >>> round(float(wet_basis_pct(np.array(14.94))), 2)
        13.0

    Source: definition.
    """
    return 100 * dry_pct / (100 + dry_pct)


def _activity(water_activity: Numbers) -> Numbers:
    activity = np.asarray(water_activity, dtype=np.float64)
    for end in (activity.min(initial=0), activity.max(initial=0)):
        check_range("water_activity", float(end), 0, 0.99, "")
    return activity
