"""Laws over any order of using food up: no gram is lost or made, and nothing gives life back."""

import os
from contextlib import suppress
from datetime import timedelta
from pathlib import Path
from shutil import copy

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.conftest import NOON, Clock
from tests.features.using.seen import life, on_hand_g
from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import Estimate
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import NewPlace, add_place, open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.using.opening import Reclosing, close_again, lose_seal, open_packages, take, weigh
from yellow_larder.features.using.pouring import Pouring, pour
from yellow_larder.reference import foods
from yellow_larder.words.errors import Refused

CONTAINERS = ["jar-quart", "bag-gallon", "bag-gallon-thin", "bottle-2-litre", "can-10", "pail-5-gallon", "packet-5-kg"]


@pytest.mark.parametrize("estimate", Estimate)
@settings(max_examples=40, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(
    food=st.sampled_from(sorted(foods())),
    container=st.sampled_from(
        ["jar-quart", "bag-gallon", "bag-gallon-thin", "bottle-2-litre", "can-10", "pail-5-gallon", "packet-5-kg"]
    ),
    closing=st.sampled_from(list(Closing)),
    age=st.integers(0, 4000),
    humidity=st.sampled_from([0.3, 0.6, 0.85]),
)
def test_opening_never_sets_the_clock_back(
    new_file: Path,
    tmp_path: Path,
    estimate: Estimate,
    food: str,
    container: str,
    closing: Closing,
    age: int,
    humidity: float,
) -> None:
    """Whatever it is, in whatever, after however long: open, it lasts no longer, and has no more of its life left."""
    clock = Clock()
    with open_larder(Path(copy(new_file, tmp_path / "opening.db")), clock) as larder:
        clock.now = NOON
        add_place(larder, NewPlace("Room", mean_c=18, warmest_c=24, humidity=humidity))
        try:
            pack(larder, Ask(food=food, amount="300 g", container=container, closing=closing, place=2))
        except Refused:
            return
        clock.now += timedelta(days=age)
        before = life(larder, 1, estimate)
        open_packages(larder, [1], often=Opened.DAILY)
        after = life(larder, 1, estimate)
        assert after[0] <= max(0.0, before[0]) + 1e-6, "what is over stays over"
        assert after[1] <= before[1] + 1e-9
        take(larder, 1, "half")
        then = life(larder, 1, estimate)
        assert then[0] <= max(0.0, after[0]) + 1e-6
        assert then[1] <= after[1] + 1e-9


USES = st.tuples(st.sampled_from(["open", "take", "seal", "shelf", "cellar", "home", "weigh"]), st.integers(0, 300))


@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(uses=st.lists(USES, min_size=2, max_size=8), closing=st.sampled_from(list(Closing)))
def test_no_act_gives_life_back(new_file: Path, tmp_path: Path, uses: list[tuple[str, int]], closing: Closing) -> None:
    """Whatever is done with a package, in any order, on any days: it never has more of its life left than before."""
    clock = Clock()
    with open_larder(Path(copy(new_file, tmp_path / "uses.db")), clock) as larder:
        clock.now = NOON
        add_place(larder, NewPlace("Cellar", mean_c=8, warmest_c=11, humidity=0.8))
        pack(larder, Ask(line="600 g walnuts", container="jar-half-gallon", closing=closing))
        for what, days in uses:
            clock.now += timedelta(days=days)
            before = life(larder, 1)[1]
            acts = {
                "open": lambda: open_packages(larder, [1]),
                "take": lambda: take(larder, 1, "a quarter"),
                "seal": lambda: lose_seal(larder, 1),
                "shelf": lambda: move(larder, [1], place=1, shelf=2),
                "cellar": lambda: move(larder, [1], place=2, shelf=1),
                "home": lambda: move(larder, [1], place=1, shelf=1),
                "weigh": lambda grams=50 + days: weigh(larder, 1, f"{grams} g"),
            }
            with suppress(Refused):
                acts[what]()
            assert life(larder, 1)[1] <= before + 1e-9, what


ACTS = st.tuples(st.sampled_from(["take", "pour", "part", "join", "close"]), st.integers(1, 6), st.integers(1, 400))


@settings(
    max_examples=2000 if os.environ.get("YELLOW_LARDER_TESTS") == "thorough" else 25,
    deadline=None,
    suppress_health_check=[HealthCheck.function_scoped_fixture],
)
@given(st.lists(ACTS, min_size=1, max_size=10))
def test_no_gram_is_lost_or_made(new_file: Path, tmp_path: Path, acts: list[tuple[str, int, int]]) -> None:
    """What was packed is what is there and what was taken, over any order of taking, pouring over and closing."""
    with open_larder(Path(copy(new_file, tmp_path / "mass.db")), Clock()) as larder:
        pack(larder, Ask(line="3 kg white rice", container="bag-gallon"))
        there, taken_g = on_hand_g(larder), 0.0
        assert there == pytest.approx(3000)
        for act, number, grams in acts:
            before = on_hand_g(larder)
            try:
                if act == "take":
                    take(larder, number, f"{grams} g")
                    taken_g += before - on_hand_g(larder)
                elif act == "pour":
                    pour(larder, Pouring(numbers=(number,), container="jar-quart"))
                elif act == "part":
                    pour(larder, Pouring(numbers=(number,), container="jar-pint", amount=f"{grams} g"))
                elif act == "join":
                    pour(
                        larder, Pouring(numbers=(number, number + 1), container="bag-gallon", closing=Closing.ABSORBER)
                    )
                else:
                    close_again(larder, number, Reclosing(Closing.LID))
            except Refused:
                assert on_hand_g(larder) == before
            if act != "take":
                assert on_hand_g(larder) == pytest.approx(before, abs=1e-6)
        assert on_hand_g(larder) + taken_g == pytest.approx(3000, abs=1e-6)
        while not take_back(larder).startswith("Packed"):
            pass
        assert on_hand_g(larder) == 0
