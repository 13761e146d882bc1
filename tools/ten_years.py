"""Larders as years of use leave them, for measuring."""

from __future__ import annotations

from collections import deque
from dataclasses import replace
from datetime import datetime, timedelta
from pathlib import Path

import numpy as np
from sqlalchemy import func, insert, select
from sqlalchemy.orm import Session

from yellow_larder.core.drying import Look
from yellow_larder.features.drying.events import JarDay, JarRecord
from yellow_larder.features.household.clock import utc_now
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, open_larder
from yellow_larder.features.lots.events import LotCame, Origin
from yellow_larder.features.packages.events import PackageEmptied, PackagePacked
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.events import DayWritten, DiaryItem, PriceSeen
from yellow_larder.features.planning.goal import Goal, set_goal
from yellow_larder.features.planning.meals import Meal, keep_meal
from yellow_larder.features.planning.prices import Seen, see_price
from yellow_larder.features.run.events import RunDone
from yellow_larder.features.supplies.events import Sort, SupplyBack, SupplyUsed
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.journal import log
from yellow_larder.journal.backups import daily_path
from yellow_larder.journal.database import writing
from yellow_larder.journal.events import read_event
from yellow_larder.journal.tables import Change, Entry


def fill(file: Path) -> None:
    """Ten years of use: 100,000 packages in ten places, the oldest eaten first, 1,000 runs, 500 jars, worn supplies."""
    with open_larder(file, lambda: utc_now() - timedelta(days=3650)) as larder:
        for n in range(9):
            add_place(larder, NewPlace(f"Place {n}", "cellar", 6, 2000, 8 + n, 12 + n))
        for line, container in _LOTS:
            pack(larder, Ask(line=line, container=container, conditioned=True))
        add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=5000))
        with writing(larder.engine) as session:
            _ten_years(session, np.random.default_rng(1), 100_000)
            log.refold(session)
        larder.clock = utc_now
        keep_meal(larder, Meal("Barley soup", "1 kg pearl barley\n200 g red lentils", per_month=8))
        for line, price in (("2.5 kg pearl barley", "3.20"), ("1 kg red lentils", "2.10")):
            see_price(larder, Seen(line, price))
        set_budget(larder, "25")
        set_goal(larder, Goal("20 years"))
        _jars(larder, 500)
        # Today's copy is there, so that none is made in the middle of measuring.
        copy = daily_path(file, larder.today())
        copy.parent.mkdir()
        copy.touch()


_LOTS = [
    ("2 kg pearl barley", "bag-gallon"),
    ("700 g red lentils", "jar-quart"),
    ("2 kg rolled oats", "bag-gallon"),
    ("15 kg white rice", "lined-20-litre"),
    ("80 g dried leeks", "jar-quart"),
]


def _ten_years(session: Session, chance: np.random.Generator, many: int) -> None:
    """Entries as ten years of packing and eating would have left them; nothing is folded yet."""
    packed = select(Entry.facts, Entry.version).where(Entry.act == "packed").order_by(Entry.id)
    kinds = [read_event("package", "packed", version, facts) for facts, version in session.execute(packed)]
    kept: dict[int, deque[int]] = {n: deque() for n in range(len(kinds))}
    number, days = len(kinds), range(0, 3650, 10)
    change = session.scalar(select(func.max(Change.id))) or 0
    runs = 0
    for day in days:
        at = utc_now() - timedelta(days=3650 - day)
        acts: list[log.Act] = []
        for n in chance.integers(0, len(kinds), many // len(days) + 1).tolist():
            number += 1
            place, shelf = (int(chance.integers(1, top)) for top in (11, 4))
            like = kinds[n]
            assert isinstance(like, PackagePacked)
            what = replace(like.what, place_id=place, shelf=shelf)
            acts.append(log.Act(number, PackagePacked(what, at.date())))
            kept[n].append(number)
        for n, waiting in kept.items():
            # Leeks keep for a year: they are eaten within one; the rest within three or four.
            most = 1_500 if n == len(kinds) - 1 else 8_000
            while len(waiting) > most:
                acts.append(log.Act(waiting.popleft(), PackageEmptied(at.date())))
        # Bags are used and come back twenty thousand times.
        acts += [log.Act(1, told) for told in (SupplyUsed(count=1), SupplyBack(count=1))] * 27
        for _ in range(3):
            runs += 1
            acts.append(log.Act(runs, RunDone(at)))
        change += 1
        session.execute(insert(Change), [{"id": change, "at": at, "title": "ten days"}])
        session.execute(insert(Entry), [log.row_of(act, change) for act in acts])


def _jars(larder: Larder, many: int) -> None:
    """So many jars of home-dried food, some days on, in one change."""
    today = datetime.now().date()
    acts = []
    for n in range(1, many + 1):
        began = today - timedelta(days=n % 6)
        looks = tuple(JarDay(began + timedelta(days=day), Look.FREE) for day in range(1, n % 6))
        lot = LotCame("dried-leeks", 150.0, began, made=Origin.DRIED, wants_conditioning=True)
        acts.append(log.Act(n, lot))
        acts.append(log.Act(n, JarRecord(n, "jar-quart", 3, 7, began, looks), "filled"))
    with writing(larder.engine) as session:
        log.record(session, log.title("household.settled"), acts, at=larder.clock())


def write_in_bulk(larder: Larder, chance: np.random.Generator, keys: list[str]) -> None:
    """Ten years of evenings and 300 prices, each kind in one change."""
    today = larder.today()
    days = [
        log.Act(
            today.toordinal() - ago,
            DayWritten(
                (DiaryItem(int(chance.integers(1, 200)), "", None, None),),
                {str(key): float(chance.integers(20, 500)) for key in chance.choice(keys, 6, replace=False)},
            ),
            "wrote",
        )
        for ago in range(3650)
    ]
    seen = [
        log.Act(
            n + 1,
            PriceSeen(
                food_key=keys[n % len(keys)],
                shop=f"shop {n // len(keys)}",
                pack_g=float(chance.choice([500, 1000, 2500, 5000])),
                coins=int(chance.integers(80, 2500)),
                seen_on=today,
            ),
        )
        for n in range(300)
    ]
    with writing(larder.engine) as session:
        for acts in (days, seen):
            log.record(session, log.title("household.settled"), acts, at=larder.clock())
