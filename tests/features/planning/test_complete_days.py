"""A day of the diary that is not complete."""

from datetime import timedelta

from yellow_larder.features.household.larder import Larder
from yellow_larder.features.planning.diary import Written, eaten_in_all, month, write_day
from yellow_larder.journal.database import reading


def test_a_line_that_is_not_read_leaves_its_day_incomplete(larder: Larder) -> None:
    """Nobody knows what it was: the day counts in what was used, and no average rests on it."""
    today = larder.today()
    write_day(larder, today, [Written(line="300 g pearl barley")])
    write_day(larder, today - timedelta(days=1), [Written(line="100 g pearl barley"), Written(line="some xyzzy")])
    seen = month(larder, today.year, today.month)
    assert (seen.kept, seen.incomplete) == (2, 1)
    (barley,) = seen.totals
    assert (barley.mass, barley.average) == ("400 g", "300 g a day")
    with reading(larder.engine) as session:
        assert eaten_in_all(session, today - timedelta(days=30)) == ({"pearl-barley": 300}, 1)
    write_day(larder, today - timedelta(days=1), [Written(line="100 g pearl barley")])
    seen = month(larder, today.year, today.month)
    assert (seen.incomplete, seen.totals[0].average) == (0, "200 g a day")
