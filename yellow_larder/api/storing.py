"""What to store: the goal, the master list, prices, this week's list."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body, Response

from yellow_larder.api.common import BasedOn, Day, Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router, slow
from yellow_larder.documents.shopping import shopping_sheet
from yellow_larder.features.lots.lots import set_cupboard
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.goal import Goal, set_goal
from yellow_larder.features.planning.master_list import StoreView, mark_tried, master_csv, master_list
from yellow_larder.features.planning.prices import PricesView, Seen, forget_price, prices, see_price
from yellow_larder.features.planning.shopping import ListView, WeeksView, buy, list_csv, week_list, weeks
from yellow_larder.features.rounds.overview import overview
from yellow_larder.words.dates import say_day

router = larder_router(prefix="/table", tags=["table"], responses=REFUSALS)


@router.get("/store")
def see_store(larder: TheLarder) -> StoreView:
    """The master list: what to store for the goal, what is here, what is missing, how it is best kept."""
    return master_list(larder)


@router.get("/store.csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}})
def store_as_csv(larder: TheLarder) -> Response:
    """The master list as CSV."""
    return _csv(master_csv(larder), "to-store.csv")


@router.put("/goal", status_code=204)
def settle_goal(
    larder: TheLarder, goal: Annotated[Goal, Body(examples=[{"length": "3 months"}])], based_on: BasedOn = None
) -> None:
    """Set what the household wants to be ready for."""
    set_goal(larder, goal, based_on=based_on)


@router.put("/cupboard/{food}", status_code=204)
def weigh_cupboard(
    larder: TheLarder,
    food: str,
    amount: Annotated[str, Body(examples=["1.2 kg"])],
    was_g: Annotated[float | None, Body(ge=0, le=1e9, description="what was shown before, g")] = None,
) -> None:
    """Say how much of a food is in the cupboard; nothing for none."""
    set_cupboard(larder, food, amount, was_g=was_g)


@router.post("/tried/{food}", status_code=204)
def have_tried(larder: TheLarder, food: str) -> None:
    """The household has tried a food and likes it."""
    mark_tried(larder, food)


@router.get("/prices")
def see_prices(larder: TheLarder) -> PricesView:
    """All prices seen, by food, with the lowest ever and the cheapest of now."""
    return prices(larder)


@router.post("/prices", status_code=201)
def add_price(
    larder: TheLarder,
    seen: Annotated[Seen, Body(examples=[{"line": "2.5 kg pearl barley", "price": "3.20", "shop": "harbour store"}])],
) -> int:
    """Write down a price; answers with its number."""
    return see_price(larder, seen)


@router.delete("/prices/{number}", status_code=204)
def drop_price(larder: TheLarder, number: Number) -> None:
    """Strike a price out."""
    forget_price(larder, number)


@router.put("/budget", status_code=204)
def fill_budget(
    larder: TheLarder, weekly: Annotated[str, Body(embed=True, examples=["25"])], based_on: BasedOn = None
) -> None:
    """Say what there is to spend in a week."""
    set_budget(larder, weekly, based_on=based_on)


@router.get("/list")
@slow
def see_list(larder: TheLarder) -> ListView:
    """This week's list: the packs that gain the most whole meals for the money there is."""
    return week_list(larder)


@router.get("/list.csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}})
@slow
def list_as_csv(larder: TheLarder) -> Response:
    """This week's list as CSV."""
    return _csv(list_csv(larder), "this-week.csv")


@router.get("/list.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
@slow
def list_as_pdf(larder: TheLarder) -> Response:
    """This week's list as a sheet to take along."""
    sheet = shopping_sheet(week_list(larder), say_day(larder.today()), overview(larder).settings.units)
    headers = {"Content-Disposition": 'inline; filename="this-week.pdf"', "Cache-Control": "no-store"}
    return Response(sheet, media_type="application/pdf", headers=headers)


@router.get("/weeks")
@slow
def see_weeks(larder: TheLarder) -> WeeksView:
    """The weeks until the goal at the pace of the budget, for the chart."""
    return weeks(larder)


@router.post("/buy", status_code=201)
def buy_it(
    larder: TheLarder,
    price: Annotated[int, Body(examples=[1])],
    packs: Annotated[int, Body(examples=[2])],
    on: Annotated[Day | None, Body(description="none means today", examples=["2026-11-24"])] = None,
) -> int:
    """A line of the list was bought: it is a lot in the cupboard; answers with its number."""
    return buy(larder, price, packs, on)


def _csv(text: str, name: str) -> Response:
    headers = {"Content-Disposition": f'attachment; filename="{name}"', "Cache-Control": "no-store"}
    return Response(text, media_type="text/csv; charset=utf-8", headers=headers)
