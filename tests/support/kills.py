"""A larder whose process is killed, over and over, while it writes: what was acknowledged must be there, once."""

from __future__ import annotations

import json
import os
import random
import shutil
import signal
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import timedelta
from pathlib import Path
from typing import IO

from sqlalchemy import func, select

from tests.conftest import NOON
from tests.support.doings import ACTS, do
from yellow_larder.features.household.backups import restore_copy
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, open_larder
from yellow_larder.journal.backups import copy_file
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import AlreadyAnswered, answered_once, reading
from yellow_larder.journal.tables import Change
from yellow_larder.words.errors import Refused

UNDO = -1


@dataclass(slots=True)
class Tally:
    """What came of it.

    Attributes:
        kills: how often a process was killed while it worked.
        acknowledged: changes that were acknowledged.
        wrong: whatever was lost, doubled, or not as the journal says.
    """

    kills: int = 0
    acknowledged: int = 0
    wrong: list[str] = field(default_factory=list)


def killed(work: Callable[[], object], after_s: float) -> bool:
    """Do some work in a process of its own that is killed after a while; whether it was still at it."""
    child = os.fork()
    if child == 0:
        # What it says of what it was killed in is nobody's business.
        os.dup2(os.open(os.devnull, os.O_WRONLY), 2)
        with suppress(BaseException):
            work()
            os._exit(0)
        os._exit(1)
    time.sleep(after_s)
    os.kill(child, signal.SIGKILL)
    status = os.waitpid(child, 0)[1]
    assert os.WIFSIGNALED(status) or status == 0, "it broke before it was killed"
    return os.WIFSIGNALED(status)


def in_a_stream_of_acts(folder: Path, kills: int, seed: int) -> Tally:
    """All kinds of acts and undos, each sent with a key and again under it if no answer came before the kill."""
    chance, tally = random.Random(seed), Tally()
    file = folder / "larder.db"
    open_larder(file, lambda: NOON).close()
    made, sent = 1, 0
    waiting: tuple[str, int, int] | None = None
    while tally.kills < kills:
        child, tell, hear = _begun(file)
        killer = threading.Timer(chance.uniform(0.0, 0.3), os.kill, (child, signal.SIGKILL))
        # Mostly once it is at work, on a slow machine too; every fourth may be killed while it opens.
        if chance.random() < 0.25:
            killer.start()
        with tell, hear, suppress(BrokenPipeError):
            while True:
                if waiting is None:
                    sent += 1
                    act = UNDO if chance.random() < 0.15 else chance.randrange(ACTS)
                    waiting = (f"key {sent}", act, chance.randrange(4))
                tell.write(json.dumps(waiting) + "\n")
                tell.flush()
                answer = hear.readline()
                if not answer.endswith("\n"):
                    break
                if killer.ident is None:
                    killer.start()
                made += int(answer)
                tally.acknowledged += int(answer)
                waiting = None
        if killer.ident is not None:
            killer.join()
        if os.WIFSIGNALED(os.waitpid(child, 0)[1]):
            tally.kills += 1
        else:
            tally.wrong.append(f"it ended by itself at {waiting}")
            return tally
        if tally.kills % 10 == 0 or tally.kills == kills:
            tally.wrong += _look(file, made, 1 if waiting else 0)
    return tally


def _begun(file: Path) -> tuple[int, IO[str], IO[str]]:
    """A process that has the larder: its number, where it is told what to do, and where it says what came of it."""
    to_child, from_child = os.pipe(), os.pipe()
    child = os.fork()
    if child == 0:
        os.close(to_child[1])
        os.close(from_child[0])
        with suppress(BaseException):
            _serve(file, to_child[0], from_child[1])
        # Whether it did not open or an act went wrong: whoever is killed ends otherwise.
        os._exit(1)
    os.close(to_child[0])
    os.close(from_child[1])
    return child, os.fdopen(to_child[1], "w"), os.fdopen(from_child[0])


def _serve(file: Path, ask: int, answer: int) -> None:
    """The child: does what it is told, each thing once, and says how many changes that made."""
    now = [NOON]
    larder = open_larder(file, lambda: now[0])
    with os.fdopen(ask) as asked, os.fdopen(answer, "w") as said:
        for line in asked:
            key, act, n = json.loads(line)
            now[0] = NOON + timedelta(minutes=int(key.split()[1]))
            said.write(f"{_once(larder, key, act, n)}\n")
            said.flush()


def _once(larder: Larder, key: str, act: int, n: int) -> int:
    try:
        with answered_once(larder.engine, key, "digest", larder.clock()) as keep:
            before = _changes(larder)
            if act == UNDO:
                take_back(larder)
            else:
                do(larder, act, n)
            made = _changes(larder) - before
            keep(200, str(made))
            return made
    except AlreadyAnswered as answered:
        return int(answered.answer.body)
    except Refused:
        return 0


def _changes(larder: Larder) -> int:
    with reading(larder.engine) as session:
        return session.scalar(select(func.count()).select_from(Change)) or 0


def _look(file: Path, made: int, under_way: int) -> list[str]:
    with open_larder(file) as larder:
        there = _changes(larder)
        wrong = check(larder.engine)
    if there < made:
        wrong.append(f"lost: {made} changes were acknowledged, {there} are there")
    if there > made + under_way * 2:
        wrong.append(f"doubled: {made} changes were acknowledged, {there} are there")
    return wrong


def in_copying(file: Path, folder: Path, kills: int, seed: int) -> Tally:
    """A copy is whole or not there, and what is copied is as it was."""
    chance, tally = random.Random(seed), Tally()
    target = folder / "copy.db"
    for _ in range(kills):
        target.unlink(missing_ok=True)
        tally.kills += killed(lambda: copy_file(file, target), chance.uniform(0.001, 0.12))
        for each in (file, target):
            if each.exists():
                tally.wrong += _wrong_with(each)
    return tally


def in_restoring(old: Path, copy: Path, folder: Path, kills: int, seed: int) -> Tally:
    """After it, the larder is the old one or the restored one, whole; what it replaced is kept."""
    chance, tally = random.Random(seed), Tally()
    file = folder / "larder.db"
    known = {_state(old), _state(copy)}
    for _ in range(kills):
        shutil.copy(old, file)
        tally.kills += killed(lambda: restore_copy(copy, file), chance.uniform(0.001, 0.15))
        tally.wrong += _wrong_with(file)
        if _state(file) not in known:
            tally.wrong.append(
                "after a restore that was killed, the larder is neither the old one nor the restored one"
            )
    return tally


def in_migrating(old: Path, folder: Path, kills: int, seed: int) -> Tally:
    """A file of an earlier version is of that version or of this one, whole, and opens."""
    chance, tally = random.Random(seed), Tally()
    file = folder / "larder.db"
    shutil.copy(old, file)
    with open_larder(file) as larder:
        wanted = _changes(larder)
    for _ in range(kills):
        for each in folder.glob("larder.db*"):
            each.unlink()
        shutil.copy(old, file)
        tally.kills += killed(lambda: open_larder(file), chance.uniform(0.001, 0.15))
        with open_larder(file) as larder:
            tally.wrong += check(larder.engine)
            if _changes(larder) != wanted:
                tally.wrong.append(f"lost: {_changes(larder)} of {wanted} changes are there")
    return tally


def _wrong_with(file: Path) -> list[str]:
    with open_larder(file) as larder:
        return check(larder.engine)


def _state(file: Path) -> tuple[int, str]:
    with open_larder(file) as larder, reading(larder.engine) as session:
        last = session.scalar(select(Change.title).order_by(Change.id.desc()).limit(1))
        return _changes(larder), last or ""
