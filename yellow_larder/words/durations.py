"""Lengths of time in words."""

from __future__ import annotations


def say_hours(hours: float) -> str:
    """A length of time to the half hour, or to the hour above a day.

    Example:
        >>> say_hours(4.6), say_hours(38.2), say_hours(134), say_hours(0.2)
        ('4½ hours', '1 day 14 hours', '5 days 14 hours', 'under half an hour')
    """
    halves = round(hours * 2)
    if halves < 1:
        return "under half an hour"
    if hours < 24:
        whole, half = divmod(halves, 2)
        return f"{whole or ''}{'½' if half else ''} hour{'s' if halves > 2 else ''}"
    days, rest = divmod(round(hours), 24)
    return f"{days} day{'s' if days > 1 else ''}" + (f" {rest} hour{'s' if rest > 1 else ''}" if rest else "")
