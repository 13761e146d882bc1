"""A load that is in the dryer: its trays, what was weighed, the forecast, and the one thing to do next."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum
from functools import lru_cache

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.drying import (
    BAND_SD,
    TEST_WORDS,
    DryTest,
    DryWords,
    Forecast,
    Hours,
    Weighing,
    forecast,
    listed,
    stands_still,
)
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.fresh_produce import all_produce
from yellow_larder.features.drying.events import LoadItem, LoadRecord
from yellow_larder.features.drying.load_plan import Trays, trays_of
from yellow_larder.features.drying.machines import find_machine
from yellow_larder.features.drying.tray_item import Room, TrayItem, say_range
from yellow_larder.features.household.clock import Moment
from yellow_larder.features.household.larder import settings
from yellow_larder.journal import log
from yellow_larder.reference.drying import Machine
from yellow_larder.words.errors import NotThere
from yellow_larder.words.quantities import say_mass, say_temperature

_SCALE_STEP_G = 1.0
"""What a kitchen scale tells apart. Source: common practice."""

_POINTS = 60
_LONGEST_SHOWN = 2
"""How many times as long as it can take its curve is drawn at the most."""

_SOONEST_WEIGHING_HOURS = 0.5
_WEIGHINGS_OVER_LOAD = 4
"""A load is weighed about so many times. Source: our judgement: the forecast narrows little after that."""


class Step(StrEnum):
    """What there is to do at a load."""

    WEIGH = "weigh"
    LOOSEN = "loosen"
    TEST = "test"
    WAIT = "wait"


@dataclass(frozen=True, slots=True)
class ToDo:
    """One thing to do at a load, and when."""

    step: Step
    title: str
    """What it is, in a few words."""
    says: str
    """The same, with how it is done."""
    due: Moment
    item: int
    tray: int | None = None
    """The tray to weigh, counted from 1."""


_fitted = lru_cache(maxsize=256)(forecast)
"""Every page asks for what is due, and most of what was weighed is as it was the time before."""


class LoadState:
    """A load as its record has it."""

    def __init__(self, session: Session, number: int, record: LoadRecord, now: datetime) -> None:
        self.number, self.record, self.now = number, record, now
        self.household = settings(session)
        self.machine: Machine = find_machine(session, record.machine)
        self.air_c, self.tray_g, self.began = record.air_c, record.tray_g, record.began
        self._produce, self._foods = all_produce(session), all_foods(session)
        self.lying = [self._lying(each) for each in record.items]
        self.trays, self.loosened, self.tested = record.trays, record.loosened, record.tested

    def _lying(self, item: LoadItem) -> TrayItem:
        each = self._produce[item.produce]
        return TrayItem(
            each,
            self._foods[each.dried],
            item.mass_g,
            thickness_mm=item.thickness_mm,
            treatments=frozenset(item.treatments),
            water_pct=item.water_pct,
            machine=self.machine,
            air_c=self.air_c,
            room=Room(self.record.room_c, self.record.humidity),
        )

    def trays_in(self, item: int | None = None) -> list[int]:
        """Numbers of the trays that are in still, of one food or of all."""
        return [n for n, tray in enumerate(self.trays) if tray.out_at is None and item in (None, tray.item)]

    def items_in(self) -> list[int]:
        """Numbers of the foods of which some is in still."""
        return sorted({self.trays[n].item for n in self.trays_in()})

    def began_of(self, item: int) -> datetime:
        """When a food went in."""
        return min(tray.in_at for tray in self.trays if tray.item == item)

    def weighings(self, item: int) -> list[Weighing]:
        """What was weighed of a food, on whichever tray, as shares of what it went in with."""
        found = [
            # A load forgotten for a season is no longer fitted to: what is known of drying ends with 2,000 hours.
            Weighing(min(hours_between(tray.in_at, each.at), 2000.0), min(each.mass_g / tray.wet_g, 1.04))
            for tray in self.trays
            if tray.item == item
            for each in tray.weighings
        ]
        return sorted(found, key=lambda each: each.hours)

    def forecast_of(self, item: int) -> Forecast:
        """When a food will be dry; fitted once, however often it is asked."""
        lying = self.lying[item]
        least = min(tray.wet_g for tray in self.trays if tray.item == item)
        step = min(0.2, _SCALE_STEP_G / least)
        return _fitted(lying.course, lying.expected, tuple(self.weighings(item)), division=step)

    def at(self, item: int, hours: float) -> datetime:
        """The time so many hours after a food went in."""
        return self.began_of(item) + timedelta(hours=hours)

    def expected_g(self, tray: int) -> float:
        """What a tray should weigh now, without its own weight, g."""
        mine = self.trays[tray]
        hours = np.array([hours_between(mine.in_at, self.now)])
        return float(self.forecast_of(mine.item).share(hours)[0]) * mine.wet_g

    def to_do(self) -> list[ToDo]:
        """What there is to do, what is due first."""
        found = [self._next_of(item) for item in self.items_in()]
        return sorted(found, key=lambda each: each.due)

    def _next_of(self, item: int) -> ToDo:
        """The next thing for one food: loosen once half-way, weigh now and then, test when it may be dry."""
        hours = self.forecast_of(item).hours()
        name, began = self.lying[item].produce.name, self.began_of(item)
        numbers = [n + 1 for n in self.trays_in(item)]
        trays = f"tray {numbers[0]}" if len(numbers) == 1 else f"trays {listed([str(n) for n in numbers])}"
        weighed = [each.at for tray in self.trays if tray.item == item for each in tray.weighings]
        tested = self.tested[item]
        last = max([began, *weighed, *([tested] if tested else [])])
        ready = began + timedelta(hours=hours.low)
        if tested:
            # It was tested and not dry: half of what is left, an hour at the least, and look again.
            left = max(1.0, (hours.likely - hours_between(began, tested)) / 2)
            ready = max(tested + timedelta(hours=left), ready)
        still = stands_still(self.weighings(item)) and self.now >= ready - timedelta(hours=hours.likely / 4)
        if self.now >= ready or still:
            title = f"Test the {name}"
            says = f"{title}: three pieces from the middle of tray {numbers[0]}, cooled ten minutes"
            return ToDo(Step.TEST, title, says, min(ready, self.now) if still else ready, item)
        half = began + timedelta(hours=hours.likely / 2)
        pause = max(_SOONEST_WEIGHING_HOURS, hours.likely / _WEIGHINGS_OVER_LOAD)
        tray = self._to_weigh(item) + 1
        title = f"Weigh tray {tray}, {name}"
        weigh = ToDo(Step.WEIGH, title, title, min(last + timedelta(hours=pause), ready), item, tray)
        if self.loosened[item] is None:
            title = f"Loosen the middles of {trays}, {name}, and turn them"
            loosen = ToDo(Step.LOOSEN, title, title, half, item)
            # Once it is half-way, the hands go first: what is turned is weighed afterwards.
            return loosen if self.now >= half else min(loosen, weigh, key=lambda each: each.due)
        return weigh

    def _to_weigh(self, item: int) -> int:
        """The tray in the middle of those of a food: the outer ones dry before it."""
        numbers = self.trays_in(item)
        return numbers[len(numbers) // 2]


@dataclass(frozen=True, slots=True)
class CurvePoint:
    """A point of a food's curve: hours since it went in, and the weight of all its trays, with the band, g."""

    hours: float
    likely_g: float
    low_g: float
    high_g: float


@dataclass(frozen=True, slots=True)
class Seen:
    """A weighing on the curve, as the weight of all trays that it stands for."""

    hours: float
    mass_g: float


@dataclass(frozen=True, slots=True)
class Drying:
    """One food of a running load."""

    item: int
    name: str
    cut: str
    form: str
    colour: str
    test: DryTest
    test_words: DryWords
    wet_g: float
    wet: str
    target_g: float
    target: str
    target_pct: float
    went_in: Moment
    done_low: Moment
    done: Moment
    done_high: Moment
    takes: str
    hours: Hours
    trays: list[int]
    curve: list[CurvePoint]
    seen: list[Seen]
    now_hours: float
    now: str
    now_pct: float
    still: bool


@dataclass(frozen=True, slots=True)
class TrayView:
    """A tray of a running load."""

    number: int
    item: int
    out: bool
    wet: str
    target: str
    target_g: float
    expected_g: float
    expected: str
    on_scale_g: float
    """What the scale would show now: the food as forecast, and the tray under it if it is weighed with it."""
    on_scale: str
    last: str
    dry_share: float
    """How far along it is from wet to target, 0–1."""


@dataclass(frozen=True, slots=True)
class Load:
    """A load that is in the dryer now."""

    number: int
    machine: str
    machine_name: str
    warmth: str
    began: Moment
    trays_look: Trays
    free_trays: int
    with_tray: bool
    says: str
    next: ToDo
    then: list[ToDo]
    items: list[Drying]
    trays: list[TrayView]


def record_of(session: Session, number: int) -> LoadRecord:
    """The record of a load."""
    found = log.record_of(session, LoadRecord, number)
    if found is None:
        raise NotThere("number", "That load is out of the dryer")
    return found


def view(running: LoadState) -> Load:
    """Everything the screen shows of a running load."""
    units = running.household.units
    forecasts = {item: running.forecast_of(item) for item in running.items_in()}
    steps = running.to_do()
    names = [running.lying[item].produce.name for item in running.items_in()]
    return Load(
        number=running.number,
        machine=running.machine.key,
        machine_name=running.machine.name,
        warmth=say_temperature(running.air_c, units),
        began=running.began,
        trays_look=trays_of(running.machine),
        free_trays=running.machine.trays - len(running.trays_in()),
        with_tray=running.tray_g > 0,
        says=listed(names),
        next=steps[0],
        then=steps[1:],
        items=[_drying(running, item, found) for item, found in forecasts.items()],
        trays=[_tray(running, n, forecasts.get(tray.item)) for n, tray in enumerate(running.trays)],
    )


def _drying(running: LoadState, item: int, found: Forecast) -> Drying:
    lying, units = running.lying[item], running.household.units
    numbers = running.trays_in(item)
    wet_g = sum(running.trays[n].wet_g for n in numbers)
    hours = found.hours()
    began = running.began_of(item)
    now_hours = hours_between(began, running.now)
    # A load that is left in for long does nothing more that a picture could show.
    along = np.linspace(0, max(hours.high * 1.08, min(now_hours * 1.05, hours.high * _LONGEST_SHOWN)), _POINTS)
    bands = np.stack([along, *(found.share(along, sd) * wet_g for sd in (0.0, -BAND_SD, BAND_SD))], axis=1)
    share = float(found.share(np.array([now_hours]))[0])
    weighings = running.weighings(item)
    return Drying(
        item=item,
        name=lying.produce.name,
        cut=lying.produce.cut,
        form=lying.food.form,
        colour=lying.food.colour,
        test=lying.produce.test,
        test_words=TEST_WORDS[lying.produce.test],
        wet_g=wet_g,
        wet=say_mass(wet_g, units),
        target_g=lying.dry_g(wet_g),
        target=say_mass(lying.dry_g(wet_g), units),
        target_pct=lying.course.target_pct,
        went_in=began,
        done_low=running.at(item, hours.low),
        done=running.at(item, hours.likely),
        done_high=running.at(item, hours.high),
        takes=say_range(hours),
        hours=hours,
        trays=[n + 1 for n in numbers],
        curve=[CurvePoint(*row) for row in bands.round(3).tolist()],
        seen=[Seen(each.hours, each.share * wet_g) for each in weighings],
        now_hours=now_hours,
        now=say_mass(share * wet_g, units),
        now_pct=lying.course.moisture_pct(share),
        still=stands_still(weighings),
    )


def _tray(running: LoadState, n: int, found: Forecast | None) -> TrayView:
    tray, units = running.trays[n], running.household.units
    lying = running.lying[tray.item]
    target_g = lying.dry_g(tray.wet_g)
    if found is None or tray.out_at is not None:
        expected_g = target_g
    else:
        expected_g = float(found.share(np.array([hours_between(tray.in_at, running.now)]))[0]) * tray.wet_g
    last = tray.weighings[-1].mass_g if tray.weighings else None
    return TrayView(
        number=n + 1,
        item=tray.item,
        out=tray.out_at is not None,
        wet=say_mass(tray.wet_g, units),
        target=say_mass(target_g, units),
        target_g=target_g,
        expected_g=expected_g,
        expected=say_mass(round(expected_g), units),
        on_scale_g=expected_g + running.tray_g,
        on_scale=say_mass(round(expected_g + running.tray_g), units),
        last=say_mass(last, units) if last is not None else "",
        dry_share=min(1.0, max(0.0, (tray.wet_g - expected_g) / (tray.wet_g - target_g))),
    )


def hours_between(since: datetime, until: datetime) -> float:
    """Hours from one time to another; never below zero."""
    return max(0.0, (until - since) / timedelta(hours=1))


def solids_g(lying: TrayItem, wet_g: float) -> float:
    """What would be left of a wet weight with no water in it at all, g."""
    return wet_g * (1 - lying.course.start_pct / 100)
