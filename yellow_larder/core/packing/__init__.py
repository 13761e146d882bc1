"""The rules of packing: what is judged of it, what protects it, which containers, how it is looked over."""

from yellow_larder.core.packing.absorber_clock import (
    KEEPS_DAYS,
    LEAST_TRUST,
    OUT_MINUTES,
    USUAL_SECONDS,
    RunForecast,
    batch_size,
    run_forecast,
    seconds_each,
    worth_after,
    worth_in_jar,
)
from yellow_larder.core.packing.case import Case
from yellow_larder.core.packing.food_rules import about_food, is_moist, moisture_line_pct
from yellow_larder.core.packing.insect_rules import about_earth, about_eggs
from yellow_larder.core.packing.inspection import LOOK_DAYS, Advice, AdviceCode, Doing, Exposed, Feel, Indicator, advise
from yellow_larder.core.packing.judgement import judge
from yellow_larder.core.packing.packet_code import absorber_ml, gel_code, gel_g
from yellow_larder.core.packing.packing_rules import about_packing, draws_in
from yellow_larder.core.packing.proposal import (
    GAP,
    NothingFits,
    Proposal,
    keeps_too_short,
    propose,
    stands_open_too_long,
)
from yellow_larder.core.packing.protections import Gap, Protection, oxygen_gap, protections

__all__ = [
    "GAP",
    "KEEPS_DAYS",
    "LEAST_TRUST",
    "LOOK_DAYS",
    "OUT_MINUTES",
    "USUAL_SECONDS",
    "Advice",
    "AdviceCode",
    "Case",
    "Doing",
    "Exposed",
    "Feel",
    "Gap",
    "Indicator",
    "NothingFits",
    "Proposal",
    "Protection",
    "RunForecast",
    "about_earth",
    "about_eggs",
    "about_food",
    "about_packing",
    "absorber_ml",
    "advise",
    "batch_size",
    "draws_in",
    "gel_code",
    "gel_g",
    "is_moist",
    "judge",
    "keeps_too_short",
    "moisture_line_pct",
    "oxygen_gap",
    "propose",
    "protections",
    "run_forecast",
    "seconds_each",
    "stands_open_too_long",
    "worth_after",
    "worth_in_jar",
]
