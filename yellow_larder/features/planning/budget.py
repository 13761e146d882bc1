"""Money for the store: what comes in every week, and what is carried over."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.household.money import read_money, say_money
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.planning.events import BudgetSet
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.dates import say_day


@dataclass(frozen=True, slots=True)
class BudgetView:
    """The budget as shown."""

    weekly: str
    carried: str
    spent: str
    at_hand: str
    at_hand_coins: int
    weekly_coins: int
    week_began: str


def set_budget(larder: Larder, weekly: str, *, based_on: int | None = None) -> None:
    """Say what there is to spend in a week, from the version it was shown in; what is over so far goes on."""
    coins = read_money(weekly, "weekly")
    with writing(larder.engine) as session:
        old = budget_in(session)
        check_based_on(session, "purse", 1, based_on, lambda: old)
        today = larder.today()
        if old is None:
            new = BudgetSet(coins, today)
        else:
            began = _week_began(old, today)
            new = BudgetSet(coins, began, _carried(session, old, began))
        title = log.title("purse.set", coins=coins)
        log.record(session, title, [log.Act(1, new)], at=larder.clock())


def budget_in(session: Session) -> BudgetSet | None:
    """The budget, if a week's sum was ever said."""
    return log.records(session, BudgetSet).get(1)


def _week_began(budget: BudgetSet, today: date) -> date:
    return budget.since + timedelta(days=(today - budget.since).days // 7 * 7)


def _carried(session: Session, budget: BudgetSet, began: date) -> int:
    """What is over from all the weeks before the one that began on a day; never less than nothing."""
    weeks_past = (began - budget.since).days // 7
    return max(0, budget.carried_coins + budget.weekly_coins * weeks_past - _spent(session, budget.since, began))


def _spent(session: Session, since: date, until: date | None = None) -> int:
    sum_of = select(func.sum(Lot.coins)).where(Lot.came_on >= since)
    return session.scalar(sum_of if until is None else sum_of.where(Lot.came_on < until)) or 0


def budget_view(session: Session, budget: BudgetSet, household: Settings, today: date) -> BudgetView:
    """The budget as it stands today."""
    began = _week_began(budget, today)
    carried, spent = _carried(session, budget, began), _spent(session, began)
    at_hand = max(0, budget.weekly_coins + carried - spent)
    return BudgetView(
        weekly=say_money(budget.weekly_coins, household),
        carried=say_money(carried, household) if carried else "",
        spent=say_money(spent, household) if spent else "",
        at_hand=say_money(at_hand, household),
        at_hand_coins=at_hand,
        weekly_coins=budget.weekly_coins,
        week_began=say_day(began),
    )
