"""Any logger's file is read, or it is said why not."""

from collections.abc import Callable
from datetime import date, datetime, timedelta

import numpy as np
import pytest

from tests.support.refusals import refused
from yellow_larder.features.places.log_file import Degrees, LogFile, read_file
from yellow_larder.features.places.log_times import DayOrder

TODAY = date(2026, 11, 28)
START = datetime(2026, 7, 13, 0, 0)
MOMENTS = [START + timedelta(minutes=30 * n) for n in range(96)]
WARM = [round(18 + (n % 48) / 10, 1) for n in range(96)]
DAMP = [50 + n % 9 for n in range(96)]


def told(field: str, act: Callable[[], object]) -> str:
    """What is said at a field."""
    with refused() as found:
        act()
    assert found.value.field == field
    return found.value.message


def comma(value: float) -> str:
    return f"{value:.1f}".replace(".", ",")


def in_f(celsius: float) -> float:
    return celsius * 1.8 + 32


def lines(head: str, row: object) -> str:
    return "\n".join([head, *(row(at, warm, damp) for at, warm, damp in zip(MOMENTS, WARM, DAMP, strict=True))])  # type: ignore[operator]


WAYS = {
    "ISO, commas": lines("time,temperature °C,humidity %", lambda t, c, h: f"{t:%Y-%m-%d %H:%M},{c},{h}"),
    "ISO with a T and seconds": lines("Date,Temp (°C),RH", lambda t, c, h: f"{t:%Y-%m-%dT%H:%M:%S},{c},{h}"),
    "German, semicolons, decimal commas": lines(
        "Datum/Uhrzeit;Temperatur (°C);rel. Feuchte (%)", lambda t, c, h: f"{t:%d.%m.%Y %H:%M:%S};{comma(c)};{comma(h)}"
    ),
    "day and hour apart, tabs": lines(
        "Date\tTime\tCelsius\tHumidity", lambda t, c, h: f"{t:%d/%m/%Y}\t{t:%H:%M}\t{c}\t{h}"
    ),
    "US, °F, afternoon": lines(
        "#,Date Time,Temp °F,RH %",
        lambda t, c, h: f"{MOMENTS.index(t) + 1},{t:%m/%d/%Y %I:%M:%S %p},{in_f(c):.3f},{h}",
    ),
    "quoted decimal commas": lines(
        "Zeit,Temperatur °C,Feuchte", lambda t, c, h: f'"{t:%d.%m.%y %H:%M}","{comma(c)}","{h}"'
    ),
    "a unit in each cell": lines("when;what;how moist", lambda t, c, h: f"{t:%Y-%m-%d %H:%M};{c} °C;{h} %RH"),
    "mixed units": lines(
        "when;what;how moist",
        lambda t, c, h: f"{t:%Y-%m-%d %H:%M};{f'{in_f(c):.3f} °F' if t.day == 14 else f'{c} °C'};{h} %",
    ),
    "both degrees, dew point between": lines(
        "Timestamp;Temp °F;Dew point °C;Temp °C;Hum %", lambda t, c, h: f"{t:%Y-%m-%d %H:%M};{in_f(c):.1f};9.1;{c};{h}"
    ),
    "names of months": lines("Date;Time;Temp. [°C];RH [%]", lambda t, c, h: f"{t:%d-%b-%Y};{t:%H:%M};{c};{h}"),
    "before it comes what logger it is": "Logger 12\nSerial;4711\nInterval;30 min\n\n"
    + lines("Time;Temp °C;Hum %", lambda t, c, h: f"{t:%Y-%m-%d %H:%M};{c};{h}"),
    "humidity as a share": lines("time,temp c,celsius,rh", lambda t, c, h: f"{t:%Y-%m-%d %H:%M},{c},{c},{h / 100}"),
}


@pytest.mark.parametrize("way", WAYS)
@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "cp1252", "utf-16"])
def test_a_log_tells_the_same_however_it_is_written(way: str, encoding: str) -> None:
    found = read_file(WAYS[way].encode(encoding), TODAY)
    assert found.hours == pytest.approx([START.toordinal() * 24 + n / 2 for n in range(96)])
    assert found.temperature_c == pytest.approx(WARM, abs=0.06)
    assert found.humidity == pytest.approx([h / 100 for h in DAMP])
    assert found.impossible == found.sorted == 0
    assert found.stuck == []


def read(rows: list[str], head: str = "time,temp °C", **said: object) -> LogFile:
    return read_file("\n".join([head, *rows]).encode(), TODAY, **said)  # type: ignore[arg-type]


def every_hour(n: int, since: datetime = START) -> list[datetime]:
    return [since + timedelta(hours=hour) for hour in range(n)]


def test_times_in_utc_are_those_of_the_house(monkeypatch: pytest.MonkeyPatch) -> None:
    plain = read([f"{t:%Y-%m-%d %H:%M},20.5" for t in every_hour(3)])
    zoned = read([f"{t - timedelta(hours=2):%Y-%m-%dT%H:%M:%S}Z,20.5" for t in every_hour(3)])
    ahead = read([f"{t:%Y-%m-%dT%H:%M:%S}+02:00,20.5" for t in every_hour(3)])
    epoch = read([f"{int((t - datetime(1970, 1, 1)).total_seconds()) - 7200},20.5" for t in every_hour(3)])
    assert zoned.hours == pytest.approx(ahead.hours)
    assert zoned.hours == pytest.approx(epoch.hours)
    # Whatever zone the house is in, it is the same shift for all of them.
    assert len({round(float(each), 6) for each in plain.hours - zoned.hours}) == 1


def test_what_no_place_has_and_rows_that_tell_nothing_are_left_out_and_counted() -> None:
    good = [f"{t:%Y-%m-%d %H:%M},{20 + n / 10:.1f}" for n, t in enumerate(every_hour(20))]
    bad = ["2026-07-13 20:00,-127", "2026-07-13 21:00,85", "2026-07-13 22:00,--", "battery low", "31.02.2026 00:00,21"]
    found = read([*good, *bad])
    assert len(found.hours) == 20
    assert found.impossible == 2
    assert found.unread == 3


def test_rows_out_of_order_and_twice_are_put_in_order() -> None:
    rows = [f"{t:%Y-%m-%d %H:%M},{20 + t.hour / 10:.1f}" for t in every_hour(10)]
    found = read([*rows[5:], *rows[:5]])
    assert found.hours.tolist() == sorted(found.hours.tolist())
    assert found.sorted == 1
    assert found.temperature_c == pytest.approx([20 + n / 10 for n in range(10)])


def test_a_stuck_sensor_is_marked_and_does_not_count() -> None:
    rows = [
        f"{t:%Y-%m-%d %H:%M},{17.3 if 100 <= n < 400 else 18 + n % 5 / 10:.1f}" for n, t in enumerate(every_hour(600))
    ]
    found = read(rows)
    (only,) = found.stuck
    assert only.temperature_c == pytest.approx(17.3)
    assert np.isnan(found.temperature_c[100:400]).all()
    assert np.isfinite(found.temperature_c[:100]).all()


@pytest.mark.parametrize(
    ("days", "order"),
    [
        (["01/07/2026", "02/07/2026", "03/07/2026"], DayOrder.DAY_FIRST),
        (["07/01/2026", "07/02/2026", "07/03/2026"], DayOrder.MONTH_FIRST),
        (["07/13/2026", "07/14/2026"], DayOrder.MONTH_FIRST),
        (["13/07/2026", "14/07/2026"], DayOrder.DAY_FIRST),
        (["01.07.2026"], DayOrder.DAY_FIRST),
    ],
)
def test_the_order_of_day_and_month_shows(days: list[str], order: DayOrder) -> None:
    rows = [f"{day} {hour:02d}:00,{20 + hour / 10}" for day in days for hour in (0, 12)]
    assert read(rows).hours.tolist() == read(rows, order=order).hours.tolist()
    months = {date.fromordinal(int(each // 24)).month for each in read(rows).hours}
    assert months == {7}


def test_where_it_does_not_show_it_is_asked() -> None:
    rows = ["05/07/2026 00:00,20.0", "05/07/2026 12:00,21.0"]
    assert told("order", lambda: read(rows)) == "Its dates may have the day or the month first: say which"
    assert date.fromordinal(int(read(rows, order=DayOrder.DAY_FIRST).hours[0] // 24)).month == 7
    assert date.fromordinal(int(read(rows, order=DayOrder.MONTH_FIRST).hours[0] // 24)).month == 5


def test_degrees_that_nobody_named_are_asked_for_unless_no_place_is_so_hot() -> None:
    mild = [f"{t:%Y-%m-%d %H:%M},{40 + n % 5}" for n, t in enumerate(every_hour(30))]
    assert "°C or °F" in told("degrees", lambda: read(mild, "time,temperature"))
    assert read(mild, "time,temperature", degrees=Degrees.FAHRENHEIT).temperature_c.max() < 10
    hot = [f"{t:%Y-%m-%d %H:%M},{68 + n % 5}" for n, t in enumerate(every_hour(30))]
    assert 19 < read(hot, "time,temperature").temperature_c.mean() < 22


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"", "No row of that file has a time and a temperature: is it a logger’s log, as CSV?"),
        (b"hello\nworld\n", "No row of that file has a time and a temperature: is it a logger’s log, as CSV?"),
        (b"PK\x03\x04 rest of a workbook", "That is a spreadsheet: save it as CSV, and read that"),
        (b"\x00\x01\x02\x00", "That is no text: have the logger’s program save its log as CSV"),
        (
            b"time,temp C\n2031-05-03 10:00,18.1\n",
            "The log goes on to 3 May 2031: the logger’s clock was wrong. Set it, and log anew",
        ),
        (
            b"time,temp \xb0C\n1970-01-01 10:00,18.1\n2026-01-01 10:00,18.1\n",
            "The log begins on 1 Jan 1970: the logger’s clock was wrong. Set it, and log anew",
        ),
        (b"time,temp \xb0C\n2026-13-45 10:00,18.1\n", "No row of that file has a time that there is"),
        (
            b"time,temp \xb0C\n2026-01-05 10:00,-127\n",
            "No temperature in that file is one that a place in a house can have",
        ),
    ],
)
def test_what_is_no_log_is_refused_in_plain_words(content: bytes, says: str) -> None:
    assert told("file", lambda: read_file(content, TODAY)) == says


def test_a_log_that_is_stuck_from_end_to_end_is_refused() -> None:
    rows = [f"{t:%Y-%m-%d %H:%M},19.0" for t in every_hour(24 * 40)]
    assert told("file", lambda: read(rows)) == "The sensor was stuck: all of it says 19.0 °C"


def test_a_file_too_large_is_refused_before_it_is_read() -> None:
    assert "64 are the most" in told("file", lambda: read_file(b"1" * 100_000_000, TODAY))
