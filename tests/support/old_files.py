"""What earlier versions wrote."""

PACKED = {
    "food_key": "pearl-barley",
    "food_name": "pearl barley",
    "form": "grain",
    "colour": "#d9b56a",
    "container_key": "bag-gallon",
    "closing": "absorber",
    "outer": True,
    "mass_g": 2500.0,
    "kcal": 8800.0,
    "packets": {"300": 1},
    "moisture_pct": 10.1,
    "level": 0.6,
    "packed_on": "2026-01-05",
    "place_id": 1,
    "shelf": 2,
    "q10": 2.0,
    "cautious_days": 5479.0,
    "customary_days": 9131.0,
    "hopeful_days": 10958.0,
}
"""A package as the first version wrote it into the journal."""
