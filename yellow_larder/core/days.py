"""The length of a year, where days are turned into years; and lengths of time as people say them."""

DAYS_PER_YEAR = 365.25

_DAYS_PER_MONTH = DAYS_PER_YEAR / 12


def say_span(days: float) -> str:
    """A length of time in hours, days, weeks, months or years, as people say it.

    Example:
        >>> say_span(0.02), say_span(1.1), say_span(12), say_span(38), say_span(300), say_span(960), say_span(3600)
        ('an hour', '26 hours', '12 days', '5 weeks', '10 months', '2½ years', '10 years')
    """
    if days < 2:
        hours = max(1, round(days * 24))
        return "an hour" if hours == 1 else f"{hours} hours"
    if days < 21:
        return f"{days:.0f} days"
    if days < 60:
        return f"{days / 7:.0f} weeks"
    if days < 1.5 * DAYS_PER_YEAR:
        return f"{days / _DAYS_PER_MONTH:.0f} months"
    halves = round(days / DAYS_PER_YEAR * 2)
    return f"{halves // 2}{'½' if halves % 2 and halves < 20 else ''} years"
