"""Changes to the larder: what one was, and taking the last one back."""

from __future__ import annotations

from sqlalchemy.orm import Session

from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.journal.tables import Change
from yellow_larder.words.errors import NotThere, Outdated
from yellow_larder.words.titles import say_title


def say_change(session: Session, change: Change) -> str:
    """What a change was, in the household's own measures; of an older one, in the words of then."""
    return say_called(log.Title(change.code, change.figures), settings(session)) if change.code else change.title


def say_called(called: log.Title, household: Settings) -> str:
    """What a change is called, in the household's own measures."""
    return say_title(called.code, called.figures, household.units, household.currency)


def take_back(larder: Larder, change_id: int | None = None) -> str:
    """Undo the last change, whatever it was; returns what was undone.

    Args:
        larder: the larder.
        change_id: the change that is meant; none means whatever is the last.

    Raises:
        NotThere: there is nothing to undo.
        Outdated: another change came since, or that one is undone already.
    """
    with writing(larder.engine) as session:
        change = log.ends(session).last
        if change is None:
            raise NotThere("undo", "There is nothing to undo")
        said = say_change(session, change)
        if change_id is not None and change.id != change_id:
            raise Outdated(
                "undo",
                f"Something was changed since, perhaps on another screen: “{say_change(session, change)}” came last",
            )
        said = say_change(session, change)
        log.undo(session, change, at=larder.clock())
        return said
