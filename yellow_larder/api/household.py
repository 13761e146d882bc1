"""The household: the figures along the top edge, the settings, and undo."""

from __future__ import annotations

from fastapi import APIRouter

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.larder.larder import Settings, settle, take_back
from yellow_larder.larder.overview import Overview, overview

router = APIRouter(tags=["household"], responses=REFUSALS)


@router.get("/overview")
def see_overview(larder: TheLarder) -> Overview:
    """What stands here in figures, how the household is set, and what undo would take back."""
    return overview(larder)


@router.put("/household")
def settle_household(larder: TheLarder, new: Settings) -> Settings:
    """Change how the household is set."""
    return settle(larder, new)


@router.post("/undo")
def undo(larder: TheLarder) -> str:
    """Take the last change back, whatever it was; answers with what it was."""
    return take_back(larder)
