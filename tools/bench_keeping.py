"""Speed of what follows the closing of a container: lives, a place's log, the shelves, the inside of a package."""

from __future__ import annotations

import tempfile
import time
from collections.abc import Callable
from datetime import date, datetime, timedelta
from pathlib import Path

import numpy as np

from yellow_larder.core.climate import ClimateLog
from yellow_larder.core.keeping import REFERENCE_C, Ageing
from yellow_larder.demo.household import furnish
from yellow_larder.features.coming_in.put_away import read_lines
from yellow_larder.features.household.larder import open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.places.climate import see_climate
from yellow_larder.features.places.logs import read_log
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.open_next import open_next
from yellow_larder.features.shelves.protected import see_protected
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.shelves.spread import see_spread
from yellow_larder.features.using.inside import WhatIf, see_inside
from yellow_larder.reference import foods

Row = Callable[[str, float, float, str], None]
P95 = Callable[[Callable[[], object], int], float]

_PACKAGES, _YEARS = 100_000, 30

_PANTRY = [f"{n} quart jars {food.name}, vacuum, about 2021" for n, food in enumerate(foods().values(), 1) if n <= 60]
"""Sixty lines, as an evening's household would type them."""


def keeping(row: Row, p95: P95) -> None:
    """Print every figure beside its goal."""
    row(f"life of {_PACKAGES:,} packages, {_YEARS} years, against NumPy", _against_numpy(), 1.5, "times")
    with tempfile.TemporaryDirectory() as folder:
        with furnish(Path(folder) / "demo.db") as larder:
            looked = p95(lambda: (card(larder, 13), see_inside(larder, 13)), 40)
            row("a card with its inside", looked, 60, "ms")
            row("an inside, if opened weekly", p95(lambda: see_inside(larder, 13, what_if=WhatIf.WEEKLY), 40), 60, "ms")
            content = _ten_years(larder.today())
            start = time.perf_counter()
            read_log(larder, 1, content)
            row("log of ten years every ten minutes, read", time.perf_counter() - start, 3, "s")
        with open_larder(Path(folder) / "many.db") as larder:
            for food in ("white rice", "red lentils", "rolled oats", "pearl barley") * 5:
                pack(larder, Ask(line=f"150 kg {food}", container="bag-quart"))
            kept = len(shelves(larder).packages)
            row(
                f"shelves, {kept:,} packages, what is seen first",
                p95(lambda: shelves(larder, place=1, most=1000), 10),
                150,
                "ms",
            )
            row(f"shelves, {kept:,} packages, all of them", p95(lambda: shelves(larder), 10), 150, "ms")
            row(f"open next, {kept:,} packages", p95(lambda: open_next(larder), 10), 150, "ms")
            row(f"how {kept:,} packages are spread", p95(lambda: see_spread(larder), 10), 150, "ms")
            row(
                f"{len(_PANTRY)} lines about what is there, read",
                p95(lambda: read_lines(larder, "\n".join(_PANTRY)), 5),
                600,
                "ms",
            )
            row(f"protections, {kept:,} packages", p95(lambda: see_protected(larder, 1), 5), 300, "ms")
            start = time.perf_counter()
            read_log(larder, 1, content)
            row(f"the same, {kept:,} packages calculated anew", time.perf_counter() - start, 10, "s")
            row("the page of its place", p95(lambda: see_climate(larder, 1), 5), 150, "ms")
            row(f"shelves, {kept:,} packages, with that log", p95(lambda: shelves(larder), 10), 150, "ms")


def _against_numpy() -> float:
    """How many times as long as the bare expression: a rate a day, added up, and read at both ends of each life."""
    chance = np.random.default_rng(3)
    days = int(_YEARS * 365.25)
    hours = chance.normal(16, 7, days * 24)
    damp = np.full(len(hours), np.nan)
    first = date(1996, 1, 1).toordinal()
    since = first + chance.integers(0, days - 400, _PACKAGES).astype(float)
    until = np.minimum(since + chance.integers(1, days, _PACKAGES), first + days)
    by_day = hours.reshape(-1, 24)

    def ours() -> object:
        # A log that nobody has asked yet.
        log = ClimateLog(first * 24, hours, damp)
        return Ageing(mean_c=16, swing_c=8, q10=2, log=log).used_days(since, until)

    def bare() -> object:
        rate = (2.0 ** ((by_day - REFERENCE_C) / 10)).sum(axis=1) / 24
        used = np.concatenate(([0.0], np.cumsum(rate)))
        return used[until.astype(int) - first] - used[since.astype(int) - first]

    took = {}
    for do in (ours, bare):
        times = []
        for _ in range(15):
            start = time.perf_counter()
            do()
            times.append(time.perf_counter() - start)
        took[do.__name__] = min(times)
    return took["ours"] / took["bare"]


def _ten_years(today: date) -> bytes:
    """A logger's file: every ten minutes for ten years."""
    n = 10 * 365 * 144
    begin = datetime.combine(today - timedelta(days=10 * 365), datetime.min.time())
    celsius = 15 + 8 * np.sin(np.arange(n) / 8000) + np.random.default_rng(4).random(n)
    rows = [f"{begin + timedelta(minutes=10 * k):%d.%m.%Y %H:%M:%S};{warm:.1f};55" for k, warm in enumerate(celsius)]
    return "\n".join(["Datum;Temperatur (°C);rel. Feuchte (%)", *rows]).encode("cp1252")
