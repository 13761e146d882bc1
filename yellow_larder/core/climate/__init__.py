"""What the air of a place was and will be: what was measured, hour by hour, and the year it is taken for otherwise."""

from yellow_larder.core.climate.kinetic import mean_kinetic_c
from yellow_larder.core.climate.log import BRIDGED_HOURS, ClimateLog, hourly, joined, log_of
from yellow_larder.core.climate.readings import POSSIBLE_C, Stuck, possible, stuck
from yellow_larder.core.climate.spells import Spell, warm_spells
from yellow_larder.core.climate.year import YEAR_DAYS, Year, fit_year, season

__all__ = [
    "BRIDGED_HOURS",
    "POSSIBLE_C",
    "YEAR_DAYS",
    "ClimateLog",
    "Spell",
    "Stuck",
    "Year",
    "fit_year",
    "hourly",
    "joined",
    "log_of",
    "mean_kinetic_c",
    "possible",
    "season",
    "stuck",
    "warm_spells",
]
