"""Looking packages over; one that is found leaking has lost its seal, since it was last known to be good."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packages.events import PackageLooked
from yellow_larder.features.packages.state import Package
from yellow_larder.features.shelves import inspection
from yellow_larder.features.shelves.inspection import Felt, Looked
from yellow_larder.features.using.in_hand import in_hand
from yellow_larder.features.using.opening import seal_lost
from yellow_larder.journal import log


def look_over(larder: Larder, looks: Sequence[Felt], *, on: date | None = None) -> list[Looked]:
    """Packages were looked over: what that means for each, and when it is looked at again.

    Raises:
        Refused: there is nothing to write, or a package is gone.
    """

    def follows(session: Session, look: Felt, package: Package, day: date) -> list[log.Act]:
        if look.feel is not Feel.LEAKS or day < package.stands_since:
            return []
        if package.open_since is not None or package.closing == Closing.LID:
            return []
        (held,) = in_hand(session, larder, [look.number], day)
        return [seal_lost(session, held, _last_good(session, package, day))]

    return inspection.look_over(larder, looks, on=on, follows=follows)


def _last_good(session: Session, package: Package, day: date) -> date:
    """The last day before some other on which it was looked over and right; else the day it was closed as it is."""
    events = [each.event for each in log.entries(session, "package", package.number)]
    good = [each.on for each in events if isinstance(each, PackageLooked) and not each.wrong and each.on <= day]
    return max([package.closed_on, *good])
