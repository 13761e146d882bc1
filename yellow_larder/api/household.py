"""The household: the figures along the top edge, the settings, and undo."""

from __future__ import annotations

from dataclasses import dataclass, fields
from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import BasedOn, TheLarder
from yellow_larder.api.devices import Connected, TheDevices, connected
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import settings_as_shown, settle
from yellow_larder.features.rounds.overview import Overview, overview

router = larder_router(tags=["household"], responses=REFUSALS)


@dataclass(frozen=True, slots=True)
class OverviewView(Overview):
    """What every page shows of the larder, and which instruments are at hand."""

    connected: Connected


@router.get("/overview")
def see_overview(larder: TheLarder, devices: TheDevices) -> OverviewView:
    """What stands here in figures, how the household is set, what undo would take back, and what is connected."""
    seen = overview(larder)
    return OverviewView(**{each.name: getattr(seen, each.name) for each in fields(seen)}, connected=connected(devices))


@dataclass(frozen=True, slots=True)
class HouseholdView:
    """How the household is set, and which version of that it is."""

    settings: Settings
    version: int


@router.get("/household")
def see_household(larder: TheLarder) -> HouseholdView:
    """How the household is set, to be changed."""
    return HouseholdView(*settings_as_shown(larder))


@router.put("/household")
def settle_household(larder: TheLarder, new: Settings, based_on: BasedOn = None) -> Settings:
    """Change how the household is set."""
    return settle(larder, new, based_on=based_on)


@router.post("/undo")
def undo(
    larder: TheLarder,
    change: Annotated[int | None, Body(embed=True, description="the change that is meant; none means the last")] = None,
) -> str:
    """Undo the last change, whatever it was; answers with what it was."""
    return take_back(larder, change)
