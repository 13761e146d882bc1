"""A small part of `make soak`: killed in the middle of anything, nothing is lost, and nothing is doubled."""

import gzip
import shutil
from pathlib import Path

import pytest

from tests.conftest import Clock
from tests.support.kills import in_a_stream_of_acts, in_copying, in_migrating, in_restoring
from yellow_larder.features.household.larder import open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.backups import copy_file

OLD = Path(__file__).parent / "files" / "larder-0007.db.gz"


@pytest.fixture
def two(new_file: Path, tmp_path: Path) -> tuple[Path, Path]:
    """A larder with a packing, and a copy of it from before."""
    file, copy = Path(shutil.copy(new_file, tmp_path / "old.db")), tmp_path / "copy.db"
    copy_file(file, copy)
    with open_larder(file, Clock()) as larder:
        pack(larder, Ask(line="10 kg pearl barley"))
    return file, copy


def test_in_a_stream_of_all_kinds_of_acts(tmp_path: Path) -> None:
    tally = in_a_stream_of_acts(tmp_path, 15, seed=1)
    assert tally.wrong == []
    assert tally.kills == 15
    assert tally.acknowledged >= 10


def test_in_copying_restoring_and_migrating(two: tuple[Path, Path], tmp_path: Path) -> None:
    old, copy = two
    (tmp_path / "there").mkdir()
    seven = tmp_path / "seven.db"
    seven.write_bytes(gzip.decompress(OLD.read_bytes()))
    for tally in (
        in_copying(old, tmp_path, 6, seed=2),
        in_restoring(old, copy, tmp_path / "there", 6, seed=3),
        in_migrating(seven, tmp_path / "there", 6, seed=4),
    ):
        assert tally.wrong == []
        assert tally.kills > 0
