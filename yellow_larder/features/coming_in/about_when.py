"""About when something was packed, and until when it says it is good: as people remember it."""

from __future__ import annotations

import calendar
import re
from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import date, timedelta

from yellow_larder.words.dates import LONG_AGO_DAYS, LONG_MONTHS, OLDEST, say_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units

OFF_DAYS = 365
"""How far off a year is that somebody calls "about 2021", days. Source: our judgement."""

FURTHEST_YEARS = 40
"""How far ahead a date on a tin can lie, years; more is a slip of the pen."""


@dataclass(frozen=True, slots=True)
class When:
    """The days between which something was packed.

    Attributes:
        first: the earliest.
        last: the latest.
        known: whether anybody remembers.
    """

    first: date
    last: date
    known: bool = True

    @property
    def middle(self) -> date:
        """The day that its life is counted from."""
        return self.first + (self.last - self.first) / 2

    @property
    def unsure_days(self) -> int:
        """How far off that may be, days."""
        return (self.last - self.first).days // 2


_MONTH = rf"(?P<month>{'|'.join(rf'{name[:3]}(?:{name[3:]})?' for name in LONG_MONTHS)}|sept)\.?"
_YEAR = r"(?P<year>(?:19[89]|20[0-9])\d)(?!\s*(?:g|kg|ml|l|oz|lbs?)\b|[\d.,]*\d)"
_SEASONS = {"spring": 4, "summer": 7, "autumn": 10, "fall": 10, "winter": 1}
_FORMS = tuple(
    re.compile(form, re.IGNORECASE)
    for form in (
        rf"\b{_YEAR}-(?P<month>\d\d?)-(?P<day>\d\d?)\b",
        rf"\b{_YEAR}[-/](?P<month>\d\d?)\b",
        rf"\b(?P<day>\d\d?)(?:st|nd|rd|th)?\s+(?:of\s+)?{_MONTH},?\s+{_YEAR}\b",
        rf"\b{_MONTH}\s+(?P<day>\d\d?)(?:st|nd|rd|th)?,?\s+{_YEAR}\b",
        rf"\b{_MONTH},?\s*[’']?(?P<short>\d\d)\b(?!\d)",
        rf"\b{_MONTH},?\s+{_YEAR}\b",
        rf"\b(?P<one>\d\d?)[-/.](?P<other>\d\d?)[-/.]{_YEAR}\b",
        rf"\b(?P<month>\d\d?)[-/.]{_YEAR}\b",
        rf"\b(?P<season>spring|summer|autumn|fall|winter)\s+(?:of\s+)?{_YEAR}\b",
        rf"(?:\b(?:in|last|this|of|from|since)\s+|,\s*){_MONTH}(?=\s*(?:$|[,;)]))",
        rf"\b{_YEAR}(?=ish\b|\b)",
    )
)
_AGO = re.compile(
    r"\b(?P<count>\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|(?:a\s+)?few|(?:a\s+)?couple(?:\s+of)?)\s+"
    r"(?P<unit>year|yr|month|mo|week|wk|day)s?\s+ago\b",
    re.IGNORECASE,
)
_LAST = re.compile(
    r"\b(?P<which>this|last)\s+(?P<unit>year|month|week|spring|summer|autumn|fall|winter)\b", re.IGNORECASE
)
_NOBODY = re.compile(
    r"\b(?:no idea(?: when)?|(?:date|age)\s+(?:not\s+|un)known|unknown (?:date|age)|no date|undated|old|"
    r"(?:don[’']?t|do not|can[’']?t) (?:know|remember)(?: when)?|who knows(?: when)?|ages ago|years ago|"
    r"long ago)\b|\?{2,}",
    re.IGNORECASE,
)
_ROUGHLY = re.compile(
    r"\b(?:in\s+)?(?P<how>about|around|circa|ca?\.|approx(?:imately|\.)?|roughly|maybe|perhaps|before|since|by)\s*$|~\s*$",
    re.IGNORECASE,
)
_OR_SO = re.compile(
    r"^\s*-?(?:or so|ish\b|or thereabouts|i (?:think|guess|believe)|maybe|probably|more or less|\?(?!\?))",
    re.IGNORECASE,
)
_SHORT_UNTIL = re.compile(
    r"(?P<until>\b(?:best\s*[- ]?by|best before|use[- ]?by|sell[- ]?by|bbe?d?|exp(?:ir(?:es|y)|\.)?)\s*:?\s*)"
    r"(?P<month>0?[1-9]|1[0-2])\s*[/-]\s*[’']?(?P<year>[2-6]\d)\b(?![/-])",
    re.IGNORECASE,
)
"""A best-by as it stands on a tin, "8/27": elsewhere that is a day of some year."""

_OPENED = re.compile(r"\b(?P<opened>opened)(?:\s+(?:on|in))?\s*:?\s*$", re.IGNORECASE)
_DID = re.compile(
    r"\b(?:packed|packaged|put up|put away|sealed|filled|bought|from|made|dated|date|on|in)"
    r"(?:\s+(?:on|in))?\s*:?\s*$",
    re.IGNORECASE,
)
_COUNTS = {"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8}
_COUNTS |= {"nine": 9, "ten": 10}
_UNIT_DAYS = {"year": 365, "yr": 365, "month": 30, "mo": 30, "week": 7, "wk": 7, "day": 1}
_GOOD_UNTIL = re.compile(
    r"\b(?:best\s*[- ]?(?:by|before|till|until|bf)|use[- ]?by|sell[- ]?by|bbe?d?|b/b|exp(?:ir(?:es|y|ing|ed)|\.)?"
    r"(?:\s+date)?|good (?:until|till|to)|keeps (?:until|to))\s*(?:date|end)?\s*:?\s*(?:about|around)?\s*$",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class Dated:
    """The dates that a line has, and what is left of it without them.

    Attributes:
        rest: the line without its dates.
        when: when it was packed; none if it does not say.
        printed: until when it says it is good; none if it does not say.
        ahead: the days of a date that is still to come, and of which it does not say what it is; none if there is none.
        doubts: what about a date could be meant otherwise.
    """

    rest: str
    when: When | None
    printed: date | None
    ahead: tuple[date, date] | None
    doubts: tuple[str, ...]

    def is_best_by(self) -> Dated:
        """The same, a date that is still to come taken as that which its maker printed on it."""
        if self.ahead is None:
            return self
        doubt = f"{say_day(self.ahead[1])} is taken as its best-by: write “best by” if it is"
        return replace(self, printed=self.ahead[1], ahead=None, doubts=(*self.doubts, doubt))

    def is_packed(self, today: date) -> Dated:
        """The same, of what nobody in a shop dated.

        Raises:
            Refused: it would have been packed on a day that is still to come.
        """
        if self.ahead is not None:
            raise Refused("when", f"{say_day(self.ahead[0])} is in the future; today is {say_day(today)}")
        return self


def read_dates(text: str, today: date, units: Units) -> Dated:
    """The dates in a line, however they are written.

    Args:
        text: the line.
        today: today.
        units: the household's measures: in American ones 5/6/2023 is a day in May.

    Raises:
        Refused: a day that is not there, that is still to come, or too long ago.

    Example:
        >>> today = date(2026, 11, 28)
        >>> read_dates("6 jars rice, May 2023", today, Units.METRIC).when
        When(first=datetime.date(2023, 5, 1), last=datetime.date(2023, 5, 31), known=True)
        >>> read_dates("10 tins sardines, best by 2028-03", today, Units.METRIC).printed
        datetime.date(2028, 3, 31)
    """
    rest = _SHORT_UNTIL.sub(r"\g<until>20\g<year>-\g<month>", text)
    when, printed, ahead, doubts = None, None, None, list[str]()
    for _ in range(4):
        found = _first(rest)
        if found is None:
            break
        match, span = found
        before, after = rest[: match.start()], rest[match.end() :]
        good = _GOOD_UNTIL.search(before)
        if (
            "one" in match.groupdict()
            and max(int(match["one"]), int(match["other"])) <= 12
            and match["one"] != match["other"]
        ):
            doubts.append(f"{match[0]} is read with the {'month' if units is Units.US else 'day'} first")
        first, last = span(today, units)
        if good is not None:
            printed, before = _printable(last, today), before[: good.start()]
        else:
            roughly = _ROUGHLY.search(before)
            before = before[: roughly.start()] if roughly else before
            opened = _OPENED.search(before)
            did = _DID.search(before)
            before = before[: did.start()] if did else before
            or_so = _OR_SO.match(after)
            after = after[or_so.end() :] if or_so else after
            if opened is not None:
                # When it was opened says nothing of when it was packed.
                before = before[: opened.end("opened")]
            elif first > today and not (did or roughly or or_so):
                ahead = first, _printable(last, today)
            else:
                when = _packable(_rough(first, last, roughly, or_so=bool(or_so)), today)
        rest = f"{before.rstrip(' ,;(')}, {after.lstrip(' ,;)')}".strip(" ,;")
    while (nobody := _NOBODY.search(rest)) is not None:
        when = when or When(max(OLDEST, today - timedelta(days=LONG_AGO_DAYS)), today, known=False)
        rest = f"{rest[: nobody.start()].rstrip(' ,;:(')}, {rest[nobody.end() :].lstrip(' ,;:)')}".strip(" ,;")
    return Dated(rest, when, printed, ahead, tuple(doubts))


_Span = Callable[[date, Units], tuple[date, date]]


def _first(text: str) -> tuple[re.Match[str], _Span] | None:
    for form in _FORMS:
        match = form.search(text)
        if match is not None:
            return match, lambda today, units, match=match: _written(match, today, units)
    ago = _AGO.search(text)
    if ago is not None:
        return ago, lambda today, _units: _ago(ago, today)
    last = _LAST.search(text)
    if last is not None:
        return last, lambda today, _units: _last(last, today)
    return None


def _written(match: re.Match[str], today: date, units: Units) -> tuple[date, date]:
    got = {name: value for name, value in match.groupdict().items() if value}
    year = int(got["year"]) if "year" in got else 2000 + int(got.get("short", 0))
    if "one" in got:
        one, other = int(got["one"]), int(got["other"])
        month_first = other > 12 or (units is Units.US and one <= 12)
        month, day = (one, other) if month_first else (other, one)
        return _day(year, month, day, match[0]), _day(year, month, day, match[0])
    if "season" in got:
        middle = date(year, _SEASONS[got["season"].lower()], 15)
        return middle - timedelta(days=45), middle + timedelta(days=45)
    if "month" not in got:
        return date(year, 1, 1), date(year, 12, 31)
    month = int(got["month"]) if got["month"].isdigit() else _month(got["month"])
    if not {"year", "short"} & got.keys():
        year = today.year if month <= today.month else today.year - 1
    if "day" in got:
        return _day(year, month, int(got["day"]), match[0]), _day(year, month, int(got["day"]), match[0])
    first = _day(year, month, 1, match[0])
    return first, first.replace(day=calendar.monthrange(year, month)[1])


def _month(word: str) -> int:
    return next(n for n, name in enumerate(LONG_MONTHS, 1) if name.lower().startswith(word.lower()[:3]))


def _day(year: int, month: int, day: int, text: str) -> date:
    try:
        return date(year, month, day)
    except ValueError as error:
        raise Refused("when", f"There is no {text}: write a day such as 14 May 2023, a month, or a year") from error


def _ago(match: re.Match[str], today: date) -> tuple[date, date]:
    count = match["count"].lower()
    number = int(count) if count.isdigit() else 3 if "few" in count else 2 if "couple" in count else _COUNTS[count]
    unit = _UNIT_DAYS[match["unit"].lower()]
    middle = today - timedelta(days=min(number, 100) * unit)
    return middle - timedelta(days=unit // 2), middle + timedelta(days=unit // 2)


def _last(match: re.Match[str], today: date) -> tuple[date, date]:
    back, unit = (1 if match["which"].lower() == "last" else 0), match["unit"].lower()
    if unit == "year":
        return date(today.year - back, 1, 1), date(today.year - back, 12, 31)
    if unit in _UNIT_DAYS:
        middle = today - timedelta(days=back * _UNIT_DAYS[unit])
        return middle - timedelta(days=_UNIT_DAYS[unit] // 2), middle + timedelta(days=_UNIT_DAYS[unit] // 2)
    # The last summer is the one that is over.
    middle = date(today.year, _SEASONS[unit], 15)
    while middle + timedelta(days=45) > today and (back or middle > today):
        middle = middle.replace(year=middle.year - 1)
    return middle - timedelta(days=45), middle + timedelta(days=45)


def _rough(first: date, last: date, roughly: re.Match[str] | None, *, or_so: bool) -> When:
    how = (roughly["how"] or "about").lower() if roughly else "about" if or_so else ""
    if not how:
        return When(first, last)
    if how in ("before", "by"):
        return When(max(OLDEST, first - timedelta(days=LONG_AGO_DAYS)), first)
    if how == "since":
        return When(first, date.max)
    return When(first - timedelta(days=OFF_DAYS), last + timedelta(days=OFF_DAYS))


def _packable(when: When, today: date) -> When:
    """A span that lies in the past: nobody packs tomorrow, and nothing in a larder is older than larders are."""
    if when.first > today:
        raise Refused("when", f"{say_day(when.first)} is in the future; today is {say_day(today)}")
    if when.last < OLDEST:
        raise Refused("when", f"{say_day(when.last)} is too long ago; {OLDEST.year} is the earliest")
    return When(max(when.first, OLDEST), min(when.last, today))


def _printed_limits(today: date) -> tuple[date, date]:
    return OLDEST, today.replace(year=today.year + FURTHEST_YEARS, day=1)


def _printable(day: date, today: date) -> date:
    first, last = _printed_limits(today)
    if not first <= day <= last:
        raise Refused("when", f"A best-by of {say_day(day)} cannot be right: {first.year} to {last.year}")
    return day
