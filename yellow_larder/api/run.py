"""The run: what is on its sheet, and every step from the labels to the shelf. Times are in UTC.

Each step answers with the run as it stands then: a tap is one request.
"""

from __future__ import annotations

from typing import Annotated

from fastapi import Body, Response

from yellow_larder.api.common import Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.documents.run_sheet import run_sheet
from yellow_larder.features.household.larder import current_settings
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.run_sheet import MOST_LINES
from yellow_larder.features.run.view import RunView, see_run, see_that_run
from yellow_larder.words.dates import say_day

router = larder_router(prefix="/run", tags=["run"], responses=REFUSALS)


@router.get("")
def the_run(larder: TheLarder) -> RunView | None:
    """The run that is on, or the sheet that waits; nothing if there is none."""
    return see_run(larder)


@router.post("/lines", status_code=201)
def put_on_sheet(
    larder: TheLarder, asks: Annotated[list[Ask], Body(embed=True, min_length=1, max_length=MOST_LINES)]
) -> int:
    """Put what was planned on the run sheet, all of it or nothing; the number of the run."""
    return steps.add_lines(larder, asks)


@router.get("/{number}")
def see_one(larder: TheLarder, number: Number) -> RunView:
    """A run by its number, done or not."""
    return see_that_run(larder, number)


@router.get("/{number}/sheet.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
def on_paper(larder: TheLarder, number: Number) -> Response:
    """The run on paper, for a table without a screen."""
    sheet = run_sheet(see_that_run(larder, number), say_day(larder.today()), current_settings(larder).units)
    return Response(sheet, media_type="application/pdf", headers={"Cache-Control": "no-store"})


@router.delete("/{number}/lines/{line}")
def take_off_sheet(larder: TheLarder, number: Number, line: Number) -> RunView:
    """Take a line off the sheet."""
    steps.remove_line(larder, number, line)
    return see_that_run(larder, number)


@router.post("/{number}/begin")
def begin(larder: TheLarder, number: Number) -> RunView:
    """Begin: its containers get their numbers, and labels can be printed."""
    steps.begin(larder, number)
    return see_that_run(larder, number)


@router.post("/{number}/labelled")
def labelled(larder: TheLarder, number: Number) -> RunView:
    """The labels are stuck on."""
    steps.labelled(larder, number)
    return see_that_run(larder, number)


@router.post("/{number}/tick")
def tick(
    larder: TheLarder, number: Number, code: Annotated[str, Body()], on: Annotated[bool, Body()] = True
) -> RunView:
    """Something of the set-out list lies ready."""
    steps.tick(larder, number, code, on=on)
    return see_that_run(larder, number)


@router.post("/{number}/set-out")
def set_out(larder: TheLarder, number: Number) -> RunView:
    """Everything lies ready."""
    steps.set_out(larder, number)
    return see_that_run(larder, number)


@router.post("/{number}/fill")
def fill(
    larder: TheLarder,
    number: Number,
    container: Annotated[int, Body()],
    weight: Annotated[str, Body(examples=["2.54 kg"])],
) -> RunView:
    """A container is filled and half-sealed."""
    steps.fill_one(larder, number, container, weight)
    return see_that_run(larder, number)


@router.post("/{number}/fill-rest")
def fill_rest(larder: TheLarder, number: Number) -> RunView:
    """All others hold what was planned."""
    steps.fill_rest(larder, number)
    return see_that_run(larder, number)


@router.post("/{number}/open")
def open_packets(larder: TheLarder, number: Number, count: Annotated[int | None, Body(embed=True)] = None) -> RunView:
    """The packets are opened: the clock starts."""
    steps.open_packets(larder, number, count)
    return see_that_run(larder, number)


@router.post("/{number}/close")
def close(
    larder: TheLarder,
    number: Number,
    container: Annotated[int, Body()],
    note: Annotated[str, Body(max_length=400)] = "",
) -> RunView:
    """A container is closed; it counts once, whoever says it first."""
    steps.close_one(larder, number, container, note=note)
    return see_that_run(larder, number)


@router.post("/{number}/back")
def put_back(larder: TheLarder, number: Number, count: Annotated[int | None, Body(embed=True)] = None) -> RunView:
    """What is out goes back into the jar: the packets of so many containers, the last first, or all."""
    steps.put_back(larder, number, count)
    return see_that_run(larder, number)


@router.post("/{number}/finish")
def finish(larder: TheLarder, number: Number) -> RunView:
    """All is put away."""
    steps.finish(larder, number)
    return see_that_run(larder, number)


@router.post("/{number}/abandon")
def abandon(larder: TheLarder, number: Number) -> RunView:
    """The run ends here; what is closed is packed."""
    steps.abandon(larder, number)
    return see_that_run(larder, number)
