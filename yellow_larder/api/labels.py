"""Labels: as sheets, and one by one through the label printer."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from fastapi import Body, Depends, Query, Response
from pydantic import Field

from yellow_larder.api.common import TheLarder
from yellow_larder.api.devices import TheDevices
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router, slow
from yellow_larder.devices.label_printer import Printing
from yellow_larder.documents.labels import label_sheet
from yellow_larder.documents.layouts import Layout, layout_by_key, layouts, own_layout
from yellow_larder.features.household.larder import Larder, current_settings
from yellow_larder.features.shelves.labels import Label, labels, run_labels
from yellow_larder.words.errors import ROLL_EMPTY, NotThere, Refused

router = larder_router(tags=["labels"], responses=REFUSALS)


_MOST = 999_999_999
_Label = Annotated[int, Field(ge=0, le=_MOST)]


@dataclass(frozen=True, slots=True)
class Wanted:
    """Which labels: all of one packing, all of a run as planned, or some numbers."""

    batch: int | None = None
    run: int | None = None
    number: tuple[int, ...] = ()


def _wanted(
    batch: Annotated[int | None, Query(ge=0, le=_MOST, description="all of one packing", examples=[2])] = None,
    run: Annotated[int | None, Query(ge=0, le=_MOST, description="or all of a run, as planned", examples=[1])] = None,
    number: Annotated[
        list[Annotated[int, Field(ge=0, le=_MOST)]], Query(description="or these numbers", max_length=500)
    ] = [],  # noqa: B006
) -> Wanted:
    return Wanted(batch, run, tuple(number))


@router.get("/labels/layouts")
def see_layouts(larder: TheLarder) -> list[Layout]:
    """How labels can lie on the household's paper, or on a roll."""
    return layouts(current_settings(larder).units)


@router.get("/labels/own")
def try_own_layout(
    larder: TheLarder,
    columns: Annotated[int, Query(ge=1, le=100, examples=[3])],
    rows: Annotated[int, Query(ge=1, le=100, examples=[7])],
    size: Annotated[str, Query(max_length=40, examples=["63 × 38 mm"])],
    gap: Annotated[str, Query(max_length=40)] = "",
) -> Layout:
    """A layout of labels bought elsewhere, if they can lie so."""
    return own_layout(columns, rows, size, gap, current_settings(larder).units)


@router.get("/labels.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
@slow
def print_labels(
    larder: TheLarder,
    wanted: Annotated[Wanted, Depends(_wanted)],
    layout: Annotated[str, Query(max_length=20)] = "plain",
    columns: Annotated[int, Query(ge=1, le=100)] = 1,
    rows: Annotated[int, Query(ge=1, le=100)] = 1,
    size: Annotated[str, Query(max_length=40)] = "",
    gap: Annotated[str, Query(max_length=40)] = "",
) -> Response:
    """Labels on sheets of one of the layouts, or of one's own."""
    units = current_settings(larder).units
    lies = own_layout(columns, rows, size, gap, units) if layout == "own" else layout_by_key(layout, units)
    headers = {"Content-Disposition": 'inline; filename="labels.pdf"', "Cache-Control": "no-store"}
    return Response(label_sheet(_labels(larder, wanted), lies), media_type="application/pdf", headers=headers)


@dataclass(frozen=True, slots=True)
class PrinterView:
    """What came out of the label printer."""

    printed: int
    left: int
    says: str
    simulated: bool


@router.post("/devices/labels")
@asks
def print_singly(
    larder: TheLarder,
    devices: TheDevices,
    wanted: Annotated[Wanted, Depends(_wanted)],
    roll: Annotated[str, Body(embed=True, max_length=20)] = "roll-large",
) -> PrinterView:
    """Print single labels off the roll.

    Raises:
        Refused: the printer does not answer, or its roll is empty.
    """
    lies = layout_by_key(roll, current_settings(larder).units)
    if not lies.is_roll:
        raise Refused("roll", "That is a sheet: the label printer takes a roll")
    if devices.label_printer is None:
        raise NotThere("printer", "No label printer is connected: open the PDF, and print that")
    each = _labels(larder, wanted)
    job = devices.label_printer.send(label_sheet(each, lies), len(each))
    simulated = devices.simulated_label_printer is not None
    if job.state is Printing.SILENT:
        raise Refused("printer", "No answer from the label printer: is it on, and its cable in? Nothing was printed")
    if job.state is Printing.EMPTY:
        done = len(each) - job.labels
        says = f"The roll is empty: {done} printed, the last {job.labels} not. Put a new roll in"
        raise Refused("printer", says, code=ROLL_EMPTY)
    return PrinterView(len(each), job.labels, f"{len(each)} printed, {job.labels} left on the roll", simulated)


@router.get("/devices/labels.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
def look_at_last_printed(devices: TheDevices) -> Response:
    """What the simulated label printer printed last."""
    printer = devices.simulated_label_printer
    if printer is None or not printer.last:
        raise NotThere("printer", "Nothing was printed yet")
    return Response(printer.last, media_type="application/pdf", headers={"Cache-Control": "no-store"})


@router.put("/devices/labels/roll", status_code=204)
@asks
def put_new_roll_in(devices: TheDevices) -> None:
    """A full roll into the simulated label printer."""
    if devices.simulated_label_printer is None:
        raise NotThere("printer", "This printer is a real one")
    devices.simulated_label_printer.new_roll()


def _labels(larder: Larder, wanted: Wanted) -> list[Label]:
    if wanted.run is not None:
        return run_labels(larder, wanted.run)
    return labels(larder, batch=wanted.batch, numbers=wanted.number)
