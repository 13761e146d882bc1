"""What a person does, one folder a subject: events, state, commands, questions, words.

Every kind of subject is registered here, in the order in which they are folded: places before packages, whose life
depends on their climate.
"""

from yellow_larder.features.catalog.state import FOOD
from yellow_larder.features.drying.state import JAR, LOAD, MACHINE
from yellow_larder.features.freeze_drying.state import FREEZE_LOAD
from yellow_larder.features.freezer.state import FREEZING
from yellow_larder.features.household.state import EATER, HOUSEHOLD, PLACE
from yellow_larder.features.lots.state import LOT
from yellow_larder.features.packages.state import PACKAGE
from yellow_larder.features.planning.state import DIARY, GOAL, MEAL, MEANING, PRICE, PURSE, TRIED
from yellow_larder.features.run.state import RUN
from yellow_larder.features.supplies.state import SUPPLY
from yellow_larder.journal import kinds

kinds.register(HOUSEHOLD, PLACE, FOOD, PACKAGE, DIARY, PRICE, LOT, RUN, SUPPLY)
kinds.register(EATER, MEAL, GOAL, PURSE, MEANING, TRIED, FREEZING, MACHINE, LOAD, JAR, FREEZE_LOAD)
