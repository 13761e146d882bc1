"""Everything that a person can do, so that a law can be tried on any order of it."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime, time, timedelta
from io import BytesIO
from typing import Any

from PIL import Image
from sqlalchemy import select

from yellow_larder.core.containers import Closing, Kind
from yellow_larder.core.drying import Look
from yellow_larder.core.packing import Feel
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food
from yellow_larder.features.catalog.fresh_produce import AskedProduce, add_own_produce, change_own_produce
from yellow_larder.features.catalog.own_containers import AskedContainer, add_container, remove_container
from yellow_larder.features.catalog.own_foods import AskedFood, change_own_food
from yellow_larder.features.catalog.own_mixes import AskedMix, add_mix, change_mix
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.drying.conditioning import back_in_jar, empty_jar, fill_jar, look_at_jar
from yellow_larder.features.drying.dryness_test import take_out, try_dry
from yellow_larder.features.drying.load_plan import Item, LoadAsk
from yellow_larder.features.drying.loads import add_to_load, loosen, start_load
from yellow_larder.features.drying.machines import NewMachine, add_machine
from yellow_larder.features.drying.weighing import weigh_tray
from yellow_larder.features.freeze_drying.loads import (
    closed_up,
    start_freeze_load,
    take_out_freeze_load,
    weigh_freeze_load,
)
from yellow_larder.features.freeze_drying.plan import FreezeItem, FreezeLoadAsk
from yellow_larder.features.freezer import contents
from yellow_larder.features.freezer.contents import open_it, put_in
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.events import Alarm, Settings
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, settle
from yellow_larder.features.household.people import Person, keep_person, remove_person
from yellow_larder.features.household.state import Place
from yellow_larder.features.lots.grinding import grind
from yellow_larder.features.lots.lots import set_cupboard
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packages.events import Taste
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.places.alarms import alarm, seen_to
from yellow_larder.features.places.logs import read_log, read_thermometer
from yellow_larder.features.places.places import change_place, close_place, move_all
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.diary import Written, write_day
from yellow_larder.features.planning.goal import Goal, set_goal
from yellow_larder.features.planning.master_list import mark_tried
from yellow_larder.features.planning.meals import Meal, keep_meal, remember, remove_meal
from yellow_larder.features.planning.prices import Seen, forget_price, see_price
from yellow_larder.features.planning.shopping import buy
from yellow_larder.features.planning.state import DiaryDay, Price
from yellow_larder.features.run import steps
from yellow_larder.features.run.record import RunPhase
from yellow_larder.features.run.view import see_run
from yellow_larder.features.seeds.events import Store
from yellow_larder.features.seeds.seeds import (
    AskedSeed,
    count_seeds,
    keep_seeds,
    record_test,
    remove_seeds,
    store_seeds,
)
from yellow_larder.features.shelves import inspection
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.shelves.inspection import empty_out, look_over
from yellow_larder.features.shelves.photos import keep_photo
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import (
    NewSupply,
    add_supply,
    count_supply,
    cut_down,
    forget_supply,
    more_of,
    put_spares,
    set_supply,
    spend_desiccant,
)
from yellow_larder.features.using.from_shelf import TakenOf, see_from_shelf, take_from_shelf
from yellow_larder.features.using.leaving import Correction, Leaving, correct, keep_on, leave, taste
from yellow_larder.features.using.opening import Reclosing, close_again, lose_seal, open_packages, take, weigh
from yellow_larder.features.using.pouring import Pouring, pour
from yellow_larder.features.using.stocktake import Missing, Whereabouts, take_stock
from yellow_larder.journal.database import reading
from yellow_larder.journal.tables import Record
from yellow_larder.words.errors import Refused

ACTS = 95
"""How many different things `do` does."""


STATE = (Place, Package, Record, DiaryDay, Price, Lot)


def state(larder: Larder) -> dict[str, list[tuple[Any, ...]]]:
    """Everything that follows from the journal, row by row."""
    with reading(larder.engine) as session:
        return {
            model.__tablename__: sorted(
                tuple(map(str, row)) for row in session.execute(select(*model.__table__.columns))
            )
            for model in STATE
        }


def a_picture(size: tuple[int, int] = (40, 30), form: str = "JPEG") -> bytes:
    """A photograph."""
    written = BytesIO()
    Image.new("RGB", size, "#c8a060").save(written, form)
    return written.getvalue()


def _written(n: int) -> list[Written]:
    return [[], [Written(line="50 g pearl barley")], [Written(line="1 cup bere"), Written(meal=1)]][n % 3]


def do(larder: Larder, act: int, n: int) -> None:
    """One of the things a person does."""
    doings: list[Callable[[], object]] = [
        lambda: pack(larder, Ask(line=f"{n + 1} kg pearl barley")),
        lambda: pack(larder, Ask(line=f"{n + 1} kg red lentils", container="jar-quart")),
        lambda: move(larder, [n + 1], place=1, shelf=n % 3 + 1),
        lambda: throw_out(larder, [n + 1], why="Puffed up"),
        lambda: add_place(larder, NewPlace(f"Place {n}")),
        lambda: add_food(larder, NewFood(f"food {n}", "spelt", 338, 14, 2.5, 70, 9, 11, 700)),
        lambda: settle(larder, Settings(people=n + 1)),
        lambda: keep_person(larder, Person(f"Person {n}", 1980 + n)),
        lambda: remove_person(larder, n),
        lambda: keep_meal(larder, Meal(f"Meal {n}", f"{n + 1} cups barley\n1 cup bere")),
        lambda: remember(larder, "bere", ["rye-flour", "elsewhere"][n % 2]),
        lambda: remove_meal(larder, n),
        lambda: write_day(larder, larder.today() - timedelta(days=n), _written(n)),
        lambda: set_cupboard(larder, "pearl-barley", f"{n} kg"),
        lambda: set_goal(larder, Goal(f"{n + 1} months")),
        lambda: see_price(larder, Seen("5 kg pearl barley", "4.20", f"shop {n}")),
        lambda: forget_price(larder, n),
        lambda: buy(larder, n, 1),
        lambda: pack(larder, Ask(line="3 kg pearl barley", lot=n)),
        lambda: set_budget(larder, str(n)),
        lambda: mark_tried(larder, "millet"),
        lambda: put_in(larder, FreezeAsk(line="3 kg pearl barley", lot=n or None)),
        lambda: contents.take_out(larder, n, early=True),
        lambda: open_it(larder, n, early=True),
        lambda: start_load(larder, LoadAsk(items=(Item(line=f"{n + 1} kg leeks"),))),
        lambda: add_to_load(larder, n, Item(line="200 g mushrooms")),
        lambda: weigh_tray(larder, n, 1, "300 g", meant=True),
        lambda: loosen(larder, n, 0),
        lambda: try_dry(larder, n, 0, feels_dry=False, wet_inside=False),
        lambda: take_out(larder, n, (1, 2), "120 g", feels_dry=True, meant=True),
        lambda: fill_jar(larder, n, jar="jar-half-gallon"),
        lambda: look_at_jar(larder, n, [Look.CLUMPED, Look.FREE, Look.DROPLETS, Look.FREE][n % 4]),
        lambda: back_in_jar(larder, n),
        lambda: empty_jar(larder, n),
        lambda: grind(larder, n, "20 g"),
        lambda: add_machine(larder, NewMachine(f"Dryer {n}", 4, "40 cm")),
        lambda: start_freeze_load(larder, FreezeLoadAsk(items=(FreezeItem(line=f"{n + 1} kg peas"),))),
        lambda: weigh_freeze_load(larder, n, "600 g"),
        lambda: take_out_freeze_load(larder, n, meant=True),
        lambda: closed_up(larder, n),
        lambda: pack(larder, Ask(line="2 kg white sugar", closing=Closing.ABSORBER, override="a trial till May")),
        lambda: add_supply(larder, NewSupply(sort=Sort.PACKETS, key=["500", "300"][n % 2], count=n, per_pack=4)),
        lambda: add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=n + 2)),
        lambda: add_supply(larder, NewSupply(sort=Sort.DESICCANT, key="10", count=n + 2)),
        lambda: more_of(larder, n, 3, cost="1.20"),
        lambda: count_supply(larder, n, 9),
        lambda: put_spares(larder, n, 2, 9),
        lambda: cut_down(larder, n),
        lambda: spend_desiccant(larder, n, 1, restored=n % 2 == 0),
        lambda: forget_supply(larder, n),
        lambda: steps.add_line(larder, Ask(line=f"{n + 1} kg red lentils")),
        lambda: run_on(larder),
        lambda: run_on(larder),
        lambda: run_on(larder),
        lambda: steps.close_one(larder, 1, n),
        lambda: steps.put_back(larder, 1),
        lambda: steps.put_back(larder, 1, n),
        lambda: steps.abandon(larder, 1),
        lambda: look_over(larder, [inspection.Felt(n + 1, list(Feel)[n])]),
        lambda: empty_out(larder, n + 1),
        lambda: set_supply(larder, n, low=n),
        lambda: keep_photo(larder, n + 1, a_picture()),
        lambda: open_packages(larder, [newest(larder, n)], often=[Opened.WEEKLY, Opened.DAILY][n % 2]),
        lambda: take(larder, newest(larder, n), ["200 g", "half", "1 cup", "the rest"][n]),
        lambda: close_again(larder, newest(larder, n), Reclosing(list(Closing)[n % 3])),
        lambda: lose_seal(larder, newest(larder, n), since=larder.today()),
        lambda: weigh(larder, newest(larder, n), f"{n + 1}50 g"),
        lambda: pour(larder, Pouring(numbers=(newest(larder, n),), container="jar-quart", closing=Closing.VACUUM)),
        lambda: leave(larder, [newest(larder, n)], list(Leaving)[n % 3]),
        lambda: taste(larder, newest(larder, n), list(Taste)[n % 3], note="like new"),
        lambda: _packed_long_ago(larder),
        lambda: keep_on(larder, newest(larder, n), until=larder.today() + timedelta(days=60)),
        lambda: change_place(larder, n + 1, NewPlace(f"Place {n + 7}", shelves=4, mean_c=5 * n, warmest_c=30)),
        lambda: close_place(larder, n + 2),
        lambda: move_all(larder, 1, to=n + 2),
        lambda: _taken_for_supper(larder, n),
        lambda: read_log(larder, n + 1, _a_log(larder, n)),
        lambda: read_thermometer(larder, n + 1, 14.0 + 6 * n, [None, 0.4, 0.6][n % 3]),
        lambda: alarm(larder, n + 1, list(Alarm)[n % 3]),
        lambda: seen_to(larder, n + 1, list(Alarm)[n % 3]),
        lambda: _counted(larder, n),
        lambda: correct(larder, newest(larder, n), Correction(amount=f"{n + 2}00 g", shelf=n % 3 + 1)),
        lambda: add_mix(larder, AskedMix(name=f"mix {n}", lines="60 % red lentils\n40 % rice")),
        lambda: change_mix(larder, n + 1, AskedMix(name=f"mix {n} anew", lines=f"{n + 1} cups rice\n1 cup salt")),
        lambda: add_container(larder, AskedContainer(name=f"tub {n}", kind=Kind.TOTE, volume=f"{n + 2} L")),
        lambda: remove_container(larder, n + 1),
        lambda: keep_seeds(larder, AskedSeed(name="carrot", harvested="2024", amount=f"{n}00")),
        lambda: record_test(larder, n + 1, 10, n % 10),
        lambda: store_seeds(larder, n + 1, list(Store)[n % 3], 1),
        lambda: count_seeds(larder, n + 1, f"{n}5"),
        lambda: remove_seeds(larder, n + 1),
        lambda: add_own_produce(larder, AskedProduce(name=f"fruit {n}", like="apricots", water=80 + n)),
        lambda: change_own_produce(larder, n + 1, AskedProduce(name=f"fruit {n} anew", like="apples", water=70 + n)),
        lambda: change_own_food(larder, n + 1, AskedFood(name=f"food {n} anew", like="spelt", kcal=300 + n)),
        lambda: put_away(larder, f"{n + 1} tins sardines, best by 2029-06\n2 quart jars rice, about 2024"),
    ]
    assert len(doings) == ACTS
    if doings[act]() is False:
        raise Refused("run", "There is no run")


def newest(larder: Larder, n: int) -> int:
    """The number of the newest package that is kept, or of one before it; 0 if there is none."""
    with reading(larder.engine) as session:
        kept = select(Package.number).where(Package.gone_on.is_(None)).order_by(Package.number.desc())
        return session.scalar(kept.offset(n)) or 0


def _counted(larder: Larder, n: int) -> None:
    """What stands in the first place: all of it but the newest."""
    here = [each.number for each in shelves(larder, place=1).packages]
    gone = [Missing(number=here[-1], where=list(Whereabouts)[n % 4])] if len(here) > 1 else []
    take_stock(larder, 1, here[: -1 if gone else None], missing=gone)


def _a_log(larder: Larder, n: int) -> bytes:
    """A logger's file of the last fortnight, or month, or longer."""
    first = datetime.combine(larder.today() - timedelta(days=15 * (n + 1)), time.min)
    times = [first + timedelta(hours=hour) for hour in range(24 * 15 * (n + 1))]
    rows = [f"{at:%Y-%m-%d %H:%M},{20 + 5 * n + at.hour / 4:.1f}" for at in times]
    return "\n".join(["time,temp °C", *rows]).encode()


def _taken_for_supper(larder: Larder, n: int) -> None:
    day = larder.today() - timedelta(days=n)
    lines = see_from_shelf(larder, day).lines
    take_from_shelf(larder, day, [TakenOf(each.number, each.amount) for each in lines])


def _packed_long_ago(larder: Larder) -> None:
    """Something that is past its best-by."""
    ask = Ask(line="200 g walnuts", container="jar-quart", closing=Closing.LID)
    pack(larder, ask, packed_on=larder.today() - timedelta(days=700))


def run_on(larder: Larder) -> bool:
    """The next step of the run, if it is one that asks for nothing."""
    next_step = {
        RunPhase.SHEET: steps.begin,
        RunPhase.LABELS: steps.labelled,
        RunPhase.SET_OUT: steps.set_out,
        RunPhase.FILL: steps.fill_rest,
        RunPhase.OPEN: steps.open_packets,
        RunPhase.LAST: steps.finish,
    }
    run = see_run(larder)
    if run is None:
        return False
    if run.phase in (RunPhase.CLOCK, RunPhase.PLAIN):
        left = [each for each in run.containers if not each.closed and each.out == (run.clock is not None)]
        steps.close_one(larder, run.number, next(each.n for each in left if each.out or not each.packets))
    else:
        next_step[run.phase](larder, run.number)
    return True
