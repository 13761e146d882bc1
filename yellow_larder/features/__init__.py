"""What a person does, one folder a subject: events, state, commands, questions, words.

Every kind of subject is registered here, in the order in which they are folded: places before packages, whose life
depends on their climate.
"""

from yellow_larder.features.catalog.state import CONTAINER, FOOD, MIX, PRODUCE
from yellow_larder.features.catalog.text import TITLES as CATALOG_TITLES
from yellow_larder.features.coming_in.text import TITLES as COMING_IN_TITLES
from yellow_larder.features.drying.state import JAR, LOAD, MACHINE
from yellow_larder.features.drying.text import TITLES as DRYING_TITLES
from yellow_larder.features.freeze_drying.state import FREEZE_LOAD
from yellow_larder.features.freeze_drying.text import TITLES as FREEZE_DRYING_TITLES
from yellow_larder.features.freezer.state import FREEZING
from yellow_larder.features.freezer.text import TITLES as FREEZER_TITLES
from yellow_larder.features.household.state import HOUSEHOLD, PERSON, PLACE
from yellow_larder.features.household.text import TITLES as HOUSEHOLD_TITLES
from yellow_larder.features.lots.state import LOT
from yellow_larder.features.lots.text import TITLES as LOTS_TITLES
from yellow_larder.features.packages.state import PACKAGE
from yellow_larder.features.packing.text import TITLES as PACKING_TITLES
from yellow_larder.features.planning.state import BUDGET, DIARY, GOAL, MEAL, MEANING, PRICE, TRIED
from yellow_larder.features.planning.text import TITLES as PLANNING_TITLES
from yellow_larder.features.run.state import RUN
from yellow_larder.features.run.text import TITLES as RUN_TITLES
from yellow_larder.features.seeds.state import SEED
from yellow_larder.features.seeds.text import TITLES as SEEDS_TITLES
from yellow_larder.features.shelves.text import TITLES as SHELVES_TITLES
from yellow_larder.features.supplies.state import SUPPLY
from yellow_larder.features.supplies.text import TITLES as SUPPLIES_TITLES
from yellow_larder.features.using.text import TITLES as USING_TITLES
from yellow_larder.journal import kinds
from yellow_larder.words.titles import register_titles

kinds.register(HOUSEHOLD, PLACE, FOOD, MIX, PRODUCE, CONTAINER, PACKAGE, DIARY, PRICE, LOT, RUN, SUPPLY)
kinds.register(PERSON, MEAL, GOAL, BUDGET, MEANING, TRIED, FREEZING, MACHINE, LOAD, JAR, FREEZE_LOAD, SEED)

for titles in (
    CATALOG_TITLES,
    COMING_IN_TITLES,
    DRYING_TITLES,
    FREEZE_DRYING_TITLES,
    FREEZER_TITLES,
    HOUSEHOLD_TITLES,
    LOTS_TITLES,
    PACKING_TITLES,
    PLANNING_TITLES,
    RUN_TITLES,
    SEEDS_TITLES,
    SHELVES_TITLES,
    SUPPLIES_TITLES,
    USING_TITLES,
):
    register_titles(titles)
