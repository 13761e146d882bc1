"""Measures other than SI, in SI's own or what goes with it. US cups, pints, quarts and gallons are meant.

Source: SciPy's constants (CODATA, NIST); what it lacks follows from the gallon and the inch by NIST Handbook 44,
appendix C.
"""

from __future__ import annotations

from scipy.constants import foot, gallon, inch, ounce, pound, stone

G_PER_OUNCE, G_PER_POUND, G_PER_STONE = ounce * 1e3, pound * 1e3, stone * 1e3
"""Grams in avoirdupois weights."""

ML_PER_GALLON = gallon * 1e6
ML_PER_QUART, ML_PER_PINT, ML_PER_CUP = (ML_PER_GALLON / part for part in (4, 8, 16))
ML_PER_TABLESPOON, ML_PER_TEASPOON = ML_PER_GALLON / 256, ML_PER_GALLON / 768
"""Millilitres in US liquid measures."""

ML_PER_BUSHEL = 2150.42 * inch**3 * 1e6
"""Millilitres in a US bushel, 2,150.42 cubic inches."""

MM_PER_INCH, MM_PER_FOOT = inch * 1e3, foot * 1e3
