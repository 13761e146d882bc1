"""Absorbers and gel that are with a package, in words."""

from __future__ import annotations

from collections.abc import Mapping


def say_packets(packets: Mapping[str, int]) -> str:
    """Packets by their rating.

    Example:
        >>> say_packets({"300": 1, "100": 2}), say_packets({"10 g gel": 2}), say_packets({})
        ('1 × 300 mL + 2 × 100 mL', '2 × 10 g gel', 'no packets')
    """
    return " + ".join(f"{n} × {each} mL" if each.isdigit() else f"{n} × {each}" for each, n in packets.items()) or (
        "no packets"
    )
