from itertools import product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from yellow_larder.core.absorbers import NoPacketFits, choose_packets

SIZES = st.lists(st.sampled_from([20, 50, 100, 200, 300, 500, 1000, 2000]), min_size=1, max_size=3, unique=True)


def brute_force(need: float, sizes: list[int]) -> tuple[int, int]:
    """Least total, then fewest packets, by trying everything."""
    ways = product(*(range(int(need // size) + 2) for size in sizes))
    return min(
        (total, sum(way))
        for way in ways
        if (total := sum(n * size for n, size in zip(way, sizes, strict=True))) >= need and sum(way) <= 60
    )


@settings(max_examples=60, deadline=None)
@given(st.floats(1, 1200), SIZES)
def test_against_brute_force(need: float, sizes: list[int]) -> None:
    if need > 60 * max(sizes):
        with pytest.raises(NoPacketFits):
            choose_packets(need, tuple(sizes))
        return
    chosen = choose_packets(need, tuple(sizes))
    total = sum(size * count for size, count in chosen.items())
    assert (total, sum(chosen.values())) == brute_force(need, sizes)


@settings(max_examples=60, deadline=None)
@given(st.floats(0, 20_000), st.sampled_from([(100, 200, 2000), (300,), (50, 500)]))
def test_never_below_need(need: float, sizes: tuple[int, ...]) -> None:
    if need <= 60 * max(sizes):
        assert sum(size * count for size, count in choose_packets(need, sizes).items()) >= need


def test_small_packets_make_up_a_big_one() -> None:
    """Source: common practice: "small packets add up to a big one"."""
    assert choose_packets(400, (100,)) == {100: 4}


def test_no_packets_at_hand() -> None:
    with pytest.raises(NoPacketFits):
        choose_packets(100, ())
