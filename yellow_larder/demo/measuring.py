"""What the Fennimore-Okoros measured: a logger in the loft through a heat wave, and a thermometer in the cellar."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date, datetime, time, timedelta

import numpy as np

from yellow_larder.core.climate import season
from yellow_larder.demo.ago import Ago
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.places.logs import read_log, read_thermometer

_LOGGED_DAYS = 430
_WAVE_DAYS, _WAVE_C = 19, 7.0
_NO_BATTERY_DAYS = 8


def measure(larder: Larder, ago: Ago, *, loft: int, cellar: int) -> None:
    """A logger's file of fourteen months with a heat wave in it, and what somebody read in the cellar on some days."""
    for days, celsius, humidity in ((240, 8.6, 0.70), (120, 13.4, 0.74), (9, 10.1, 0.69)):
        larder.clock = ago(days)
        read_thermometer(larder, cellar, celsius, humidity)
    larder.clock = ago(2)
    lines = ["Datum;Temperatur (°C);rel. Feuchte (%)", *_rows(larder.today())]
    read_log(larder, loft, "\n".join(lines).encode("cp1252"))


def _rows(today: date) -> Iterator[str]:
    """The logger's lines: a hot summer, some days with an empty battery, and a probe that came loose once."""
    first = today - timedelta(days=_LOGGED_DAYS)
    wave = date(today.year, 7, 21)
    if wave + timedelta(days=_WAVE_DAYS) > today:
        wave = date(today.year - 1, 7, 21)
    empty = wave + timedelta(days=60)
    for n in range(_LOGGED_DAYS):
        day = first + timedelta(days=n)
        if empty <= day < empty + timedelta(days=_NO_BATTERY_DAYS):
            continue
        hot = _WAVE_C if wave <= day < wave + timedelta(days=_WAVE_DAYS) else 0.0
        for hour in range(24):
            at = datetime.combine(day, time(hour))
            celsius = _celsius(day.toordinal(), hour) + hot
            humid = 62 - 0.8 * (celsius - 15) + 4 * np.sin(day.toordinal() / 5)
            loose = n == 40 and hour == 3
            shown = f"{-127.0 if loose else celsius:.1f}".replace(".", ",")
            yield f"{at:%d.%m.%Y %H:%M};{shown};{humid:.0f}"


def _celsius(day: int, hour: int) -> float:
    """A loft under slates: warm by day, and with the weather."""
    year = 10.5 * np.cos(season(np.array([day + 0.5]))[0] - 2 * np.pi * 6.6 / 12)
    weather = 2.1 * np.sin(day * 0.71) + 1.4 * np.sin(day * 0.23 + 1)
    sun = 3.6 + 1.8 * np.cos(2 * np.pi * (day % 365 - 190) / 365)
    return float(15 + year + weather + sun * np.cos(2 * np.pi * (hour - 15) / 24))
