"""How seeds of one harvest germinate over their years, by how they were kept and what tests showed."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, timedelta

from sqlalchemy.orm import Session

from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.keeping import REFERENCE_C, ageing_rate
from yellow_larder.core.seeds import USUAL_HUMIDITY, germination_after, life_in_store_years, spread_years, years_until
from yellow_larder.features.household.state import Place
from yellow_larder.features.seeds.events import Store
from yellow_larder.features.seeds.state import Kept, SeedRecord, Tested
from yellow_larder.journal import log
from yellow_larder.reference.seeds import SeedKind, seeds

_Q10 = 4.0
"""Harrington's rule as a pace: twice as fast for each 5 °C, so four times for ten."""

GEL_HUMIDITY = 0.2
"""Air over silica gel in a closed jar, as a share. Source: silica gel as sold, fresh; handbook of desiccants, from
memory."""

_AS_GOOD_AS = 4.0
"""Seeds that what is expected of them counts for beside a test. Source: our judgement: seven of ten says little."""


LEAST_TO_SEE = 10
"""Seeds that are laid out for a test, at the least. Source: common practice."""

_TESTED_FOR = timedelta(days=365)
"""How long a test says how things are: seeds are tested once a year, before they are sown. Source: common practice."""


def seeds_to_test(session: Session, today: date) -> dict[int, SeedRecord]:
    """Seeds of which no test of the last year says how many come, the longest untested first.

    Not so the newest, of which there is no doubt yet, nor too few to test any.
    """
    untested = {
        number: record for number, record in log.records(session, SeedRecord).items() if wants_test(record, today)
    }
    return dict(sorted(untested.items(), key=lambda each: (_told_on(each[1]), each[0])))


def wants_test(record: SeedRecord, today: date) -> bool:
    """Whether nobody has tested seeds for a year, of which there are enough to test some."""
    return record.count >= LEAST_TO_SEE and _told_on(record) + _TESTED_FOR <= today


def _told_on(record: SeedRecord) -> date:
    """The day from which it is known how many come: that of the last test, or of the harvest."""
    return record.tests[-1].on if record.tests else record.harvested


def moisture_of(kind: SeedKind, kept: Kept, place: Place, closed_at: float) -> float:
    """How moist seeds are as they are kept, wet basis, %.

    Args:
        kind: their kind.
        kept: how they are kept.
        place: where.
        closed_at: humidity of the room where jars are closed, 0–1.
    """
    if kept.moisture_pct is not None:
        return kept.moisture_pct
    air = {Store.PACKET: place.humidity, Store.JAR: closed_at, Store.GEL: min(GEL_HUMIDITY, closed_at)}
    return kind.moisture_pct(air[kept.store])


def store_c(place: Place) -> float:
    """The steady temperature that is as hard on seeds as the year of a place, °C."""
    return REFERENCE_C + 10 * math.log(ageing_rate(place.mean_c, place.swing_c, _Q10), _Q10)


@dataclass(frozen=True)
class Germination:
    """How seeds of one harvest germinate.

    Attributes:
        record: the seeds.
        places: the places by number.
        closed_at: humidity of the room where jars are closed, 0–1.
    """

    record: SeedRecord
    places: Mapping[int, Place]
    closed_at: float

    @property
    def kind(self) -> SeedKind:
        """Their kind."""
        return seeds()[self.record.kind]

    def life_years(self, kept: Kept) -> float:
        """How long new seed lives, kept in one way, years."""
        place = self.places[kept.place]
        moisture = moisture_of(self.kind, kept, place, self.closed_at)
        usual = self.kind.moisture_pct(USUAL_HUMIDITY)
        return life_in_store_years(self.kind.years, store_c(place), min(40.0, moisture), usual)

    def sigma_years(self, kept: Kept) -> float:
        """How far apart deaths lie, kept in one way, years."""
        return spread_years(self.life_years(kept), self.kind.new)

    def at(self, day: date) -> float:
        """Germination that is expected on a day, 0–1: on from the last test before it, or from new seed."""
        so_far, since = self.kind.new, self.record.harvested
        for test in self.record.tests:
            if test.on > day:
                break
            so_far, since = self._after(test, self._on(so_far, since, test.on)), test.on
        return self._on(so_far, since, max(day, since))

    def until(self, least: float, today: date) -> date | None:
        """The day its germination is down to some share, kept as now; none if that is beyond all days."""
        now = self.at(today)
        years = years_until(least, now, self.sigma_years(self.record.kept[-1])) if now > least else 0.0
        days = today.toordinal() + years * DAYS_PER_YEAR
        return None if days >= date.max.toordinal() else date.fromordinal(int(days))

    def _on(self, then: float, since: date, day: date) -> float:
        """Germination on a later day, through every way of keeping in between."""
        spans = self.record.kept
        for n, kept in enumerate(spans):
            # What nobody wrote down before the first was as the first.
            begins = since if n == 0 else max(since, kept.since)
            ends = day if n + 1 == len(spans) else min(day, spans[n + 1].since)
            if ends > begins:
                then = germination_after(then, (ends - begins).days / DAYS_PER_YEAR, self.sigma_years(kept))
        return then

    @staticmethod
    def _after(test: Tested, expected: float) -> float:
        """What a test makes of what was expected."""
        return (test.came + _AS_GOOD_AS * expected) / (test.sown + _AS_GOOD_AS)
