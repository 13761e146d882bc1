from datetime import datetime
from pathlib import Path

import pytest

from yellow_larder.demo.household import furnish
from yellow_larder.features.drying.finished_lots import made_here
from yellow_larder.features.planning.shopping import week_list
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import TaskKind
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.inspection import to_look
from yellow_larder.features.shelves.shelves import Due, shelves


@pytest.mark.parametrize("hour", [0, 7, 15, 22])
def test_the_demo_household_has_a_story(tmp_path: Path, hour: int) -> None:
    """Whenever in the day it is made."""
    larder = furnish(tmp_path / "demo.db", lambda: datetime(2026, 11, 24, hour, 40))
    view = shelves(larder)
    assert [place.name for place in view.places] == [
        "Stair cupboard",
        "Stone cellar",
        "Boat-shed loft",
        "Chest freezer",
    ]
    assert len(view.packages) > 50
    due = {package.food: package.due for package in view.packages}
    assert due["hazelnuts"] is Due.PAST, "nuts in a warm loft, for years"
    assert due["onion powder"] is Due.SOON
    cards = {n: card(larder, n) for n in range(1, 1 + max(p.number for p in view.packages))}
    assert {each.journal[-1].detail for each in cards.values() if each.gone_on} >= {
        "Puffed up in the heat, smelt sour",
        "Clumped: moisture got in",
    }
    # What the stretches of a life cost, and what is left of it, make a whole.
    for package in view.packages:
        ledger = cards[package.number].ledger
        assert package.left == pytest.approx(max(0.0, 1 - sum(each.share for each in ledger)), abs=6e-4)
    mushrooms = next(package.number for package in view.packages if package.food == "dried mushrooms")
    cupboard, loft, _ = cards[mushrooms].ledger
    assert loft.life_days / loft.days > cupboard.life_days / cupboard.days
    assert overview(larder).settings.people == 4
    assert overview(larder).running == "2 on the sheet"
    assert {each.food for each in to_look(larder)} == {"brown lentils"}
    bought, ready = ({each.lot for each in lots} for lots in (week_list(larder).bought, made_here(larder)))
    assert bought
    assert ready
    assert not bought & ready, "what was made here stands under what was bought"
    kinds = {each.kind for each in rounds(larder).due}
    assert kinds >= {TaskKind.LOOK, TaskKind.TROUBLE, TaskKind.SUPPLY, TaskKind.SHAKE, TaskKind.REDRY}
