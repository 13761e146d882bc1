"""Opening, taking, closing again: what stays, what is used up, and what a package is from then on."""

import math
from dataclasses import replace
from datetime import timedelta

import pytest
from scipy.integrate import solve_ivp

from tests.conftest import Clock
from tests.features.using.seen import RICE, absorbs_ml, life, row
from tests.support.refusals import refused
from yellow_larder.core.air import saturated_vapor_g_ml, saturation_kpa, wall_m2
from yellow_larder.core.containers import Closing, closed_volume_ml
from yellow_larder.core.food import nutrients
from yellow_larder.core.keeping import packing_class
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.shelves.inspection import Felt, look_over
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.features.supplies.view import see_supplies
from yellow_larder.features.using.leaving import Leaving, leave
from yellow_larder.features.using.opening import Reclosing, close_again, lose_seal, open_packages, take, weigh
from yellow_larder.features.using.pouring import Pouring, pour
from yellow_larder.reference import containers, foods, lives
from yellow_larder.reference.drying import isotherm_of
from yellow_larder.reference.walls import walls_of


def test_a_scoop_for_the_week(larder: Larder, clock: Clock) -> None:
    """A jar of rice: opened, a cup taken, its level and its energy fall, and it is open from then on."""
    pack(larder, RICE)
    whole = card(larder, 1)
    clock.now += timedelta(days=365)
    got = take(larder, 1, "200 g")
    assert (got.taken, got.left, got.gone) == ("200 g", "500 g", False)
    now = card(larder, 1)
    assert now.mass_g == 500
    assert now.level == pytest.approx(whole.level * 500 / 700, rel=0.12)
    kcal = row(larder, 1)["kcal"]
    assert kcal == pytest.approx(nutrients(foods()["white-rice"].composition, 500).kcal)
    assert row(larder, 1)["open_since"] == larder.today()
    assert [line.what for line in now.journal] == ["Packed with absorbers", "Opened", "Took 200 g"]
    assert take_back(larder) == "Took 200 g of white rice from number 1"
    assert card(larder, 1).mass_g == 700
    assert row(larder, 1)["open_since"] is None


def test_what_was_used_of_its_life_stays_used(larder: Larder, clock: Clock) -> None:
    """Ten years under absorbers of thirty, at 21 °C; then a jar with its lid on, of which a third is gone."""
    add_place(larder, NewPlace("Steady", mean_c=21, warmest_c=21, humidity=0.3))
    pack(larder, Ask(line="700 g white rice", container="jar-quart", place=2))
    base = lives()[foods()["white-rice"].life, _class(larder)].days.customary
    clock.now += timedelta(days=3652)
    before = life(larder, 1)
    assert before[1] == pytest.approx(1 - 3652 / base, abs=1e-6)
    open_packages(larder, [1])
    days, share = life(larder, 1)
    assert share == pytest.approx(before[1], abs=1e-6)
    closed_with_air = lives()[foods()["white-rice"].life, _class(larder)].days.customary
    assert days == pytest.approx(closed_with_air * (1 - 3652 / base), abs=1)
    assert [(line.closed, line.share_text) for line in card(larder, 1).ledger] == [
        ("with absorbers", f"{3652 / base * 100:.0f} %")
    ]


def _class(larder: Larder):

    kept = row(larder, 1)
    return packing_class(containers()[str(kept["container_key"])], Closing(str(kept["closing"])))


def test_closing_again_takes_absorbers_for_the_air_that_is_in_it_now(larder: Larder) -> None:
    """By hand: the jar's volume less the solid of the rice is air, a fifth of it oxygen; that at least is taken up."""
    pack(larder, RICE)
    full = absorbs_ml(larder)
    take(larder, 1, "500 g")
    close_again(larder, 1, Reclosing(Closing.ABSORBER))
    kept = row(larder, 1)
    rice, jar = foods()["white-rice"], containers()["jar-quart"]
    air_ml = closed_volume_ml(jar) - 200 / rice.particle_g_ml
    packed = absorbs_ml(larder)
    assert packed >= air_ml * 0.2095 > full * 0.5
    assert packed > full, "there is more air in it now than when it was full"
    assert kept["open_since"] is None
    assert kept["closing"] == "absorber"
    assert card(larder, 1).journal[-1].what == "Closed again with absorbers"
    assert kept["look_due"] == larder.today() + timedelta(days=1)


def test_closing_it_well_again_is_better_than_leaving_it_open_and_no_better_than_never_opened(
    larder: Larder, clock: Clock
) -> None:
    pack(larder, RICE)
    pack(larder, RICE)
    clock.now += timedelta(days=700)
    open_packages(larder, [1])
    clock.now += timedelta(days=60)
    opened = life(larder, 1)[0]
    close_again(larder, 1, Reclosing(Closing.VACUUM))
    assert opened < life(larder, 1)[0] <= life(larder, 2)[0]
    assert life(larder, 1)[1] < life(larder, 2)[1]


def test_the_rest_is_used_up_and_its_jar_comes_back(larder: Larder) -> None:
    add_supply(larder, NewSupply(sort=Sort.JARS, key="jar-quart", count=4))
    pack(larder, RICE)
    assert see_supplies(larder).supplies[0].count == 3
    assert take(larder, 1, "the rest").gone
    assert card(larder, 1).gone == "Used up on 24 Nov 2026"
    assert see_supplies(larder).supplies[0].count == 4
    with refused("Number 1 was used up on 24 Nov 2026"):
        open_packages(larder, [1])
    take_back(larder)
    assert (card(larder, 1).gone, see_supplies(larder).supplies[0].count) == ("", 3)


@pytest.mark.parametrize(
    ("amount", "left"),
    [("half", "350 g"), ("¾", "175 g"), ("a quarter", "525 g"), ("1 cup", "505 g"), ("0.5 kg", "200 g"), ("705 g", "")],
)
def test_what_people_say_they_took(larder: Larder, amount: str, left: str) -> None:
    """A cup of white rice weighs some 185 to 200 g (published cup weights)."""
    pack(larder, RICE)
    got = take(larder, 1, amount)
    if amount == "1 cup":
        assert 490 <= row(larder, 1)["mass_g"] <= 520
    else:
        assert got.left == left


def test_a_damp_kitchen_makes_it_moister_and_what_it_took_up_it_keeps(larder: Larder, clock: Clock) -> None:
    """Independent: the mass balance of a jar opened once a day, integrated by scipy as a differential equation."""
    add_place(larder, NewPlace("Kitchen", mean_c=20, warmest_c=20, humidity=0.75))
    leeks = Ask(line="150 g dried leeks", container="jar-quart", closing=Closing.VACUUM, place=2, moisture=6)
    pack(larder, replace(leeks, conditioned=True))
    open_packages(larder, [1], often=Opened.DAILY)
    whole = row(larder, 1)
    clock.now += timedelta(days=90)
    take(larder, 1, "10 g")
    now = row(larder, 1)["moisture_pct"]
    isotherm, jar = isotherm_of(foods()["dried-leeks"]), containers()["jar-quart"]
    assert isotherm is not None
    mass_g = whole["mass_g"]
    solids = mass_g * (1 - 0.06)
    past_the_lid = walls_of(jar).vapor[0].lets_in_g_day_kpa(wall_m2(jar), mean_c=20) * saturation_kpa(20)
    # And five minutes of Fick through a mouth of 60 mm, down to half of its depth, in m, m² and s.
    mouth_m2, deep_m = math.pi * 0.03**2, jar.height_mm / 2000
    sinks_ml = 2.5e-5 * 300 * mouth_m2 / deep_m * 1e6
    brought_in = (closed_volume_ml(jar) + sinks_ml) * saturated_vapor_g_ml(20)

    def comes_in(_day: float, water: list[float]) -> list[float]:
        wet = 100 * water[0] / (solids + water[0])
        inside = float(isotherm.water_activity(wet, 20))
        return [(past_the_lid + brought_in) * (0.75 - inside)]

    after = solve_ivp(comes_in, (0, 90), [mass_g * 0.06], rtol=1e-8).y[0, -1]
    by_hand = 100 * after / (solids + after)
    assert whole["moisture_pct"] == 6
    assert now == pytest.approx(by_hand, abs=0.15)
    assert now > 7


def test_what_would_be_dangerous_without_air_goes_back_under_its_lid(larder: Larder, clock: Clock) -> None:
    """Open in a wet cellar until it is moist: no vacuum and no absorber over it any more."""
    add_place(larder, NewPlace("Wet cellar", mean_c=14, warmest_c=18, humidity=0.95))
    pack(larder, Ask(line="300 g dried leeks", container="jar-quart", closing=Closing.LID, place=2, conditioned=True))
    open_packages(larder, [1], often=Opened.DAILY)
    clock.now += timedelta(days=1500)
    for closing in (Closing.ABSORBER, Closing.VACUUM):
        with refused("under its lid") as refusal:
            close_again(larder, 1, Reclosing(closing))
        assert refusal.value.field == "closing"
    close_again(larder, 1, Reclosing(Closing.LID))
    assert row(larder, 1)["open_since"] is None


def test_what_was_never_proved_dry_is_not_closed_without_air(larder: Larder, clock: Clock) -> None:
    """Dried at home, and under its lid so far: it is conditioned first, or somebody says that it was."""
    pack(larder, Ask(line="60 g dried leeks", container="jar-quart", closing=Closing.LID, moisture=5))
    open_packages(larder, [1])
    for closing in (Closing.ABSORBER, Closing.VACUUM):
        with refused("Not conditioned yet") as refusal:
            close_again(larder, 1, Reclosing(closing))
        assert refusal.value.field == "closing"
        with refused("Not conditioned yet"):
            pour(larder, Pouring(numbers=(1,), container="jar-quart", closing=closing))
    close_again(larder, 1, Reclosing(Closing.VACUUM, conditioned=True))
    clock.now += timedelta(days=1)
    take(larder, 1, "half")
    close_again(larder, 1, Reclosing(Closing.ABSORBER))


def test_a_lost_seal_counts_from_the_day_it_was_last_good(larder: Larder, clock: Clock) -> None:
    pack(larder, RICE)
    pack(larder, RICE)
    packed = larder.today()
    clock.now += timedelta(days=1000)
    lose_seal(larder, 1, since=packed + timedelta(days=400))
    lose_seal(larder, 2, since=larder.today())
    assert life(larder, 1)[1] < life(larder, 2)[1]
    ways = [(line.closed, line.days) for line in card(larder, 1).ledger]
    assert ways == [("with absorbers", 400), ("with room air", 600)]
    assert card(larder, 1).journal[-1].detail == "counted as closed with air since 29 Dec 2027"
    with refused("no seal to lose"):
        lose_seal(larder, 1, since=larder.today())


def test_what_came_before_a_lost_seal_is_not_forgotten(larder: Larder, clock: Clock) -> None:
    """Moved from shelf to shelf, and then its seal is lost: all the years before count."""
    pack(larder, RICE)
    clock.now += timedelta(days=600)
    move(larder, [1], place=1, shelf=3)
    clock.now += timedelta(days=100)
    before = life(larder, 1)[1]
    lose_seal(larder, 1, since=larder.today())
    assert life(larder, 1)[1] == pytest.approx(before, abs=1e-9)
    assert sum(line.days for line in card(larder, 1).ledger) == 700
    clock.now += timedelta(days=10)
    take_back(larder)
    lose_seal(larder, 1, since=larder.today() - timedelta(days=300))
    assert [(line.closed, line.days) for line in card(larder, 1).ledger] == [
        ("with absorbers", 410),
        ("with room air", 300),
    ]


def test_a_bag_is_cut_and_sealed_shorter(larder: Larder) -> None:
    pack(larder, Ask(line="2 kg pearl barley", container="bag-gallon"))
    take(larder, 1, "1.2 kg")
    close_again(larder, 1, Reclosing(Closing.ABSORBER, cut="8 cm"))
    long, short = containers()["bag-gallon"], str(row(larder, 1)["container_key"])
    assert short == f"own:{long.width_mm:.0f}x{long.length_mm - 80:.0f}x{long.film_mil:g}"
    take(larder, 1, "1 g")
    with refused("at the most"):
        close_again(larder, 1, Reclosing(Closing.ABSORBER, cut="14 cm"))


def test_days_and_numbers_that_cannot_be(larder: Larder, clock: Clock) -> None:
    pack(larder, RICE)
    day = larder.today()
    with refused("too early") as refusal:
        take(larder, 1, "100 g", on=day - timedelta(days=1))
    assert refusal.value.field == "on"
    with refused("in the future"):
        open_packages(larder, [1], on=day + timedelta(days=1))
    with refused("There is 700 g in it") as refusal:
        take(larder, 1, "2 kg")
    assert refusal.value.field == "amount"
    with refused("no package number 9"):
        take(larder, 9, "1 g")
    with refused("is closed. Open it first"):
        close_again(larder, 1, Reclosing(Closing.LID))
    open_packages(larder, [1])
    with refused("is open since 24 Nov 2026"):
        open_packages(larder, [1])
    clock.now += timedelta(days=3)
    take(larder, 1, "100 g")
    with refused("too early"):
        take(larder, 1, "100 g", on=day)
    throw_out(larder, [1], why="Smells")
    with refused("Number 1 was thrown out on 27 Nov 2026"):
        take(larder, 1, "1 g")


def test_what_puffed_up_is_not_opened_by_anything(larder: Larder) -> None:
    pack(larder, RICE)
    look_over(larder, [Felt(1, Feel.PUFFED)])
    for act in (
        lambda: open_packages(larder, [1]),
        lambda: take(larder, 1, "half"),
        lambda: pour(larder, Pouring(numbers=(1,), container="jar-pint")),
        lambda: leave(larder, [1], Leaving.GIVEN_AWAY),
    ):
        with refused("throw it out, do not open it"):
            act()


def test_weighing_writes_the_difference_off(larder: Larder) -> None:
    pack(larder, RICE)
    take(larder, 1, "200 g")
    assert weigh(larder, 1, "460 g") == "40 g less than was written"
    assert card(larder, 1).mass_g == 460
    assert card(larder, 1).journal[-1].detail == "500 g was written"
    with refused("used up"):
        weigh(larder, 1, "0.5 g")
    with refused("at the most") as refusal:
        weigh(larder, 1, "3 kg")
    assert refusal.value.field == "weight"
