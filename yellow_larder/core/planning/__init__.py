"""What a household needs, eats, buys and stores."""

from yellow_larder.core.planning.buying import (
    Offers,
    Purchase,
    Table,
    Week,
    best_purchase,
    least_coins,
    weeks_ahead,
    whole_meals,
)
from yellow_larder.core.planning.diary import average_g, totals_g
from yellow_larder.core.planning.how_kept import Keeping, best_kept, may_meet_absorber
from yellow_larder.core.planning.menu import DAYS_PER_MONTH, eaten_g, gap_g, need_g, occasions, per_table_g
from yellow_larder.core.planning.needs import Activity, Body, Sex, WorkedFigure, energy_need, protein_need

__all__ = [
    "DAYS_PER_MONTH",
    "Activity",
    "Body",
    "Keeping",
    "Offers",
    "Purchase",
    "Sex",
    "Table",
    "Week",
    "WorkedFigure",
    "average_g",
    "best_kept",
    "best_purchase",
    "eaten_g",
    "energy_need",
    "gap_g",
    "least_coins",
    "may_meet_absorber",
    "need_g",
    "occasions",
    "per_table_g",
    "protein_need",
    "totals_g",
    "weeks_ahead",
    "whole_meals",
]
