"""Absorbers and gel that are with a package, in words."""

from __future__ import annotations

from collections.abc import Mapping

from yellow_larder.core.packing import gel_g


def say_packets(packets: Mapping[str, int]) -> str:
    """Packets by their rating, gel by its weight.

    Example:
        >>> say_packets({"300": 1, "100": 2}), say_packets({"gel-10": 2}), say_packets({})
        ('1 × 300 mL + 2 × 100 mL', '2 × 10 g gel', 'no absorbers')
    """
    return " + ".join(f"{n} × {_say_kind(kind)}" for kind, n in packets.items()) or "no absorbers"


def _say_kind(code: str) -> str:
    grams = gel_g(code)
    return f"{code} mL" if grams is None else f"{grams:g} g gel"
