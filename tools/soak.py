"""A larder used hard for a bounded while: `make soak`. What it finds stands in the README's promise.

Kills in a stream of all kinds of acts, in copying, restoring and migrating; then requests that nobody sends, with
the memory they cost. Everything is on this machine, in a folder of its own.
"""

from __future__ import annotations

import gc
import gzip
import logging
import sys
import tempfile
import time
from pathlib import Path

import psutil
from fastapi.testclient import TestClient

from tests.conftest import Clock
from tests.support.fuzz import Fuzzer
from tests.support.kills import Tally, in_a_stream_of_acts, in_copying, in_migrating, in_restoring
from yellow_larder.api.app import make_app
from yellow_larder.demo.household import furnish
from yellow_larder.features.household.larder import open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.backups import copy_file
from yellow_larder.journal.checking import check
from yellow_larder.logs import OURS

ROOT = Path(__file__).parents[1]
WEB = ROOT / "web" / "build"
OLD = ROOT / "tests" / "journal" / "files" / "larder-0007.db.gz"

KILLS, KILLS_ELSEWHERE, REQUESTS = 200, 40, 30_000
ROUND = 5000


def main() -> None:
    """Print every figure; end with 1 if anything was lost, doubled, different or broken."""
    OURS.setLevel(logging.CRITICAL + 1)
    wrong = 0
    with tempfile.TemporaryDirectory() as folder:
        wrong += _kills(Path(folder))
        wrong += _requests(Path(folder))
    sys.exit(1 if wrong else 0)


def _kills(folder: Path) -> int:
    acts, there = folder / "acts", folder / "there"
    acts.mkdir()
    there.mkdir()
    old, copy, seven = folder / "old.db", folder / "copy.db", folder / "seven.db"
    open_larder(old).close()
    copy_file(old, copy)
    with open_larder(old) as larder:
        pack(larder, Ask(line="10 kg pearl barley"))
    seven.write_bytes(gzip.decompress(OLD.read_bytes()))
    return sum(
        (
            _told("in a stream of all kinds of acts", in_a_stream_of_acts(acts, KILLS, seed=1)),
            _told("in copying", in_copying(old, folder, KILLS_ELSEWHERE, seed=2)),
            _told("in restoring", in_restoring(old, copy, there, KILLS_ELSEWHERE, seed=3)),
            _told("in migrating", in_migrating(seven, there, KILLS_ELSEWHERE, seed=4)),
        )
    )


def _told(what: str, tally: Tally) -> int:
    done = f", {tally.acknowledged} changes acknowledged" if tally.acknowledged else ""
    print(f"killed {tally.kills} times {what}{done}: {len(tally.wrong)} wrong", flush=True)
    for each in tally.wrong[:20]:
        print(f"    {each}")
    return len(tally.wrong)


def _requests(folder: Path) -> int:
    clock = Clock()
    larder = furnish(folder / "demo.db", clock)
    client = TestClient(make_app(larder, WEB), base_url="http://127.0.0.1", raise_server_exceptions=False)
    wrong, asked = 0, 0
    grown: list[float] = []
    while asked < REQUESTS:
        fuzzer = Fuzzer(client, clock, seed=100 + asked)
        start = time.monotonic()
        fuzzer.run(ROUND)
        fuzzer.all_pages()
        asked += ROUND
        gc.collect()
        grown.append(psutil.Process().memory_info().rss / 2**20)
        differences = check(larder.engine)
        broken = len(fuzzer.broken) + len(differences)
        wrong += broken
        took = time.monotonic() - start
        found = f"{len(fuzzer.broken)} answered 5xx, {len(differences)} differences to a refold"
        print(f"{asked:,} hostile requests, {found}, {grown[-1]:.0f} MB, {took:.0f} s", flush=True)
        for each in [*fuzzer.broken, *differences][:10]:
            print(f"    {each[:400]}")
    # The first rounds fill what is kept for speed; from then on it must stay.
    print(f"memory from the second round to the last: {grown[1]:.0f} → {grown[-1]:.0f} MB")
    return wrong + (grown[-1] > grown[1] * 1.25)


if __name__ == "__main__":
    main()
