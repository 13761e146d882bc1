"""What the Fennimore-Okoros bring home from the shop: tins for the gales, and a chest freezer."""

from __future__ import annotations

from datetime import timedelta

from yellow_larder.demo.ago import Ago
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.shelves.shelves import find_packages
from yellow_larder.features.using.opening import open_packages

_FREEZER = NewPlace("Chest freezer", "freezer", 2, 1100, mean_c=-18, warmest_c=-17, humidity=0.7)


def bring_home(larder: Larder, ago: Ago) -> None:
    """One evening with the shelf before them: tins with their dates, jars, and what is in the freezer."""
    larder.clock = ago(33)
    add_place(larder, _FREEZER)

    def by(days: int) -> str:
        return f"{larder.today() + timedelta(days=days):%Y-%m-%d}"

    put_away(
        larder,
        "\n".join(
            [
                f"12 tins chopped tomatoes, best by {by(620)}, stone cellar",
                f"8 tins sardines, best by {by(1150)}, stone cellar",
                f"6 tins chickpeas, best by {by(900)}, stone cellar",
                f"4 tins peaches, best by {by(500)}, stone cellar",
                "3 jars honey, stair cupboard",
                "2 bottles rapeseed oil, stair cupboard, about 2 months ago",
                "6 pint jars home-canned pears, stone cellar, about 3 months ago",
                "2 kg frozen peas, chest freezer",
                "1.5 kg frozen berries, chest freezer, about 3 months ago",
                "4 x 600 g chicken, chest freezer",
                "3 x 500 g butter, chest freezer",
                "2 loaves bread, chest freezer",
            ]
        ),
    )
    larder.clock = ago(1)
    open_packages(larder, [find_packages(larder, "peaches", None)[0].number])
