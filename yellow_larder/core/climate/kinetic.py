"""One temperature for all that a place went through."""

from __future__ import annotations

import numpy as np

from yellow_larder.core.arrays import Numbers

ACTIVATION_K = 10_000.0
"""Activation energy over the gas constant, K: 83.144 kJ/mol over 8.3144 J/(mol K). Source: USP ⟨1160⟩, from memory."""

_ZERO_C = 273.15


def mean_kinetic_c(temperature_c: Numbers) -> float:
    """Mean kinetic temperature: the steady temperature that would do as much harm as all of these in turn.

    Heat counts for more in it than cold makes good, so it lies above the mean.

    Args:
        temperature_c: temperatures at equal intervals, °C, −40–70; those that are not a number are left out. At least
            one.

    Returns:
        °C.

    Example:
        Half the time 10 °C and half the time 40 °C are as bad as 34 °C all the time:

        >>> round(mean_kinetic_c(np.array([10.0, 40.0])), 1)
        33.7

    Source: Haynes (1971); USP ⟨1160⟩, from memory.
    """
    told = temperature_c[np.isfinite(temperature_c)] + _ZERO_C
    harm = np.exp(-ACTIVATION_K / told).mean()
    return float(ACTIVATION_K / -np.log(harm) - _ZERO_C)
