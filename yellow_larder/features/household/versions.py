"""Two people, one record: whoever saves second is shown what the first one saved."""

from __future__ import annotations

from collections.abc import Callable

from sqlalchemy.orm import Session

from yellow_larder.journal import log
from yellow_larder.words.errors import Outdated


def check_based_on(
    session: Session, kind: str, number: int, based_on: int | None, now: Callable[[], object] | None = None
) -> None:
    """Refuse to change a record that was changed since it was shown.

    Args:
        session: where it is read.
        kind: the kind of record.
        number: its number.
        based_on: the version it was shown in; none means that whoever changes it did not look.
        now: what it is now, as it is typed.

    Raises:
        Outdated: it is of another version by now.
    """
    if based_on is None:
        return
    version = log.version(session, kind, number)
    if version != based_on:
        says = "Somebody else changed this while you did"
        raise Outdated("request", says, now=now() if now else None, version=version)
