"""The length of a year, where days are turned into years."""

DAYS_PER_YEAR = 365.25
