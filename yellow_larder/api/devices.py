"""The instruments on the bench."""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated

from fastapi import Body, Depends, Query, Request

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.devices.hygrometer import Hygrometer
from yellow_larder.devices.label_printer import LabelPrinter
from yellow_larder.devices.scale import Scale, State
from yellow_larder.devices.simulated import SimulatedHygrometer, SimulatedLabelPrinter, SimulatedScale, Trouble
from yellow_larder.features.drying.tray_item import Room, usual_room
from yellow_larder.features.household.larder import Larder, current_settings
from yellow_larder.words.errors import NotThere
from yellow_larder.words.quantities import say_mass, say_off

router = larder_router(prefix="/devices", tags=["devices"], responses=REFUSALS)

_SAYS = {
    State.SETTLED: "Stable.",
    State.MOVING: "Wait until it is stable.",
    State.SILENT: "No reading: is the scale on, and its cable in?",
    State.NONSENSE: "No reading: the scale sends something that is no weight.",
    State.OVER: "More than it can carry: take something off.",
}


@dataclass(slots=True)
class Devices:
    """What hangs on this machine, if anything does; the simulated ones besides, where that is what it is."""

    scale: Scale | None = None
    hygrometer: Hygrometer | None = None
    label_printer: LabelPrinter | None = None
    simulated_scale: SimulatedScale | None = None
    simulated_hygrometer: SimulatedHygrometer | None = None
    simulated_label_printer: SimulatedLabelPrinter | None = None


def simulated_devices(clock: Callable[[], float] = time.monotonic) -> Devices:
    """A scale by that clock, in seconds, a thermo-hygrometer and a label printer that are only thought up."""
    scale, hygrometer, printer = SimulatedScale(clock), SimulatedHygrometer(), SimulatedLabelPrinter()
    return Devices(Scale(scale), Hygrometer(hygrometer), LabelPrinter(printer), scale, hygrometer, printer)


def _devices(request: Request) -> Devices:
    devices: Devices = request.app.state.devices
    return devices


TheDevices = Annotated[Devices, Depends(_devices)]


def measured_room(larder: Larder, devices: Devices) -> Room | None:
    """The room's air as the probe has it; none if it gives no reading.

    A probe that is only thought up hangs in the room that the household told of, not in one that nobody ever was in.
    """
    if devices.simulated_hygrometer is not None:
        household = current_settings(larder)
        devices.simulated_hygrometer.hang_in(household.room_c, household.humidity)
    climate = None if devices.hygrometer is None else devices.hygrometer.look()
    return Room(climate.temperature_c, climate.humidity, measured=True) if climate else None


@dataclass(frozen=True, slots=True)
class Connected:
    """Which instruments there are; what is not there is not shown."""

    scale: bool
    scale_simulated: bool
    hygrometer: bool
    label_printer: bool


def connected(devices: Devices) -> Connected:
    """Which instruments there are."""
    there = (devices.scale, devices.simulated_scale, devices.hygrometer, devices.label_printer)
    return Connected(*(each is not None for each in there))


def _scale(devices: Devices) -> Scale:
    if devices.scale is None:
        raise NotThere("scale", "No scale is connected: type what it weighs")
    return devices.scale


@dataclass(frozen=True, slots=True)
class ScaleView:
    """What the scale shows."""

    state: State
    grams: float | None
    text: str
    off: str
    """How far it is off what was asked for; empty if it is right, or nothing was asked for."""
    right: bool
    says: str


@dataclass(frozen=True, slots=True)
class RoomView:
    """What the probe shows of the room; no figures if it gives no reading, and the household's if there is none."""

    there: bool
    reads: bool
    temperature_c: float | None
    humidity: float | None
    text: str
    simulated: bool


@router.get("/scale")
def look_at_scale(
    larder: TheLarder, devices: TheDevices, wanted: Annotated[float | None, Query(gt=0, le=100_000)] = None
) -> ScaleView:
    """What the scale shows now: a weight only if it gives one, whether it stands still, and how far it is off, g."""
    reading = _scale(devices).look()
    units = current_settings(larder).units
    text = "" if reading.grams is None else say_mass(reading.grams, units) if reading.grams > 0.5 else "0"
    off = say_off(reading.grams, wanted, units) if wanted and reading.grams is not None else ""
    right = wanted is not None and reading.grams is not None and not off
    return ScaleView(reading.state, reading.grams, text, off, right, _SAYS[reading.state])


@router.post("/scale/tare", status_code=204)
def tare(devices: TheDevices) -> None:
    """Call what lies on the scale nothing."""
    _scale(devices).tare()


@router.put("/scale/pan", status_code=204)
def put_on_simulated_scale(devices: TheDevices, grams: Annotated[float, Body(embed=True, ge=0, le=20_000)]) -> None:
    """Lay a weight on the simulated scale."""
    if devices.simulated_scale is None:
        raise NotThere("grams", "This scale is a real one")
    devices.simulated_scale.put(grams)


@router.put("/trouble", status_code=204)
def make_trouble(
    devices: TheDevices,
    scale: Trouble = Trouble.NONE,
    hygrometer: Trouble = Trouble.NONE,
    label_printer: Trouble = Trouble.NONE,
) -> None:
    """Let the simulated instruments fail, or mend them."""
    if devices.simulated_scale is None or devices.simulated_hygrometer is None:
        raise NotThere("scale", "These instruments are real ones")
    devices.simulated_scale.trouble, devices.simulated_hygrometer.trouble = scale, hygrometer
    if devices.simulated_label_printer is not None:
        devices.simulated_label_printer.trouble = label_printer


@router.get("/room")
def look_at_room(larder: TheLarder, devices: TheDevices) -> RoomView:
    """The room's air now, or that there is no reading."""
    room = measured_room(larder, devices)
    simulated = devices.simulated_hygrometer is not None
    household = current_settings(larder)
    if devices.hygrometer is None:
        return RoomView(False, True, None, None, usual_room(household).says(household.units), simulated)
    if room is None:
        return RoomView(True, False, None, None, "no reading from the probe", simulated)
    text = room.says(household.units)
    return RoomView(True, True, room.temperature_c, room.humidity, text, simulated)
