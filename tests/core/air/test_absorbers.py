from itertools import product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from yellow_larder.core.air import SPARE_LOSES, Kept, NoPacketFits, alike, allot, choose_packets
from yellow_larder.core.errors import OutOfRange

SIZES = st.lists(st.sampled_from([20, 50, 100, 200, 300, 500, 1000, 2000]), min_size=1, max_size=3, unique=True)


def brute_force(need: float, sizes: list[int]) -> tuple[int, int]:
    """Least total, then fewest packets, by trying everything."""
    ways = product(*(range(int(need // size) + 2) for size in sizes))
    return min(
        (total, sum(way))
        for way in ways
        if (total := sum(n * size for n, size in zip(way, sizes, strict=True))) >= need and sum(way) <= 60
    )


@settings(max_examples=40)
@given(st.floats(1, 1200), SIZES)
def test_against_brute_force(need: float, sizes: list[int]) -> None:
    if need > 60 * max(sizes):
        with pytest.raises(NoPacketFits):
            choose_packets(need, tuple(sizes))
        return
    chosen = choose_packets(need, tuple(sizes))
    total = sum(size * count for size, count in chosen.items())
    assert (total, sum(chosen.values())) == brute_force(need, sizes)


@settings(max_examples=40)
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


NEEDS = st.lists(st.tuples(st.integers(10, 700), st.integers(1, 2)), min_size=1, max_size=2)
KEPT = st.lists(
    st.builds(
        Kept,
        size_ml=st.sampled_from([100, 200, 300, 500]),
        worth_ml=st.sampled_from([80.0, 100.0]),
        packs=st.integers(0, 3),
        per_pack=st.sampled_from([1, 2, 4]),
    ),
    min_size=1,
    max_size=3,
)


def shared_out_by_hand(needs: list[tuple[int, int]], kept: list[Kept]) -> tuple[float, int, int] | None:
    """Least waste, then fewest packets, then fewest packs opened, by trying everything; none if nothing covers."""
    each = [need for need, count in needs for _ in range(count)]
    at_hand = [kind.packs * kind.per_pack for kind in kept]
    best: tuple[float, int, int] | None = None

    def go_on(rest: list[int], left: list[int], waste: float, used: list[int]) -> None:
        nonlocal best
        if not rest:
            opened = sum(-(-n // kind.per_pack) for n, kind in zip(used, kept, strict=True) if kind.per_pack > 1)
            spares = sum(
                (-(-n // kind.per_pack) * kind.per_pack - n) * kind.worth_ml
                for n, kind in zip(used, kept, strict=True)
                if kind.per_pack > 1
            )
            found = (round(waste + SPARE_LOSES * spares, 6), sum(used), opened)
            best = found if best is None else min(best, found)
            return
        most = [min(n, -(-rest[0] // int(kind.worth_ml))) for n, kind in zip(left, kept, strict=True)]
        for way in product(*(range(n + 1) for n in most)):
            total = sum(n * kind.worth_ml for n, kind in zip(way, kept, strict=True))
            if total >= rest[0] and (best is None or waste + total - rest[0] <= best[0] + 1e-6):
                after = [n - w for n, w in zip(left, way, strict=True)]
                go_on(rest[1:], after, waste + total - rest[0], [u + w for u, w in zip(used, way, strict=True)])

    go_on(each, at_hand, 0.0, [0] * len(kept))
    return best


@settings(max_examples=40)
@given(NEEDS, KEPT)
def test_shared_out_as_well_as_by_trying_everything(needs: list[tuple[int, int]], kept: list[Kept]) -> None:
    by_hand = shared_out_by_hand(needs, kept)
    try:
        found = allot(needs, kept)
    except NoPacketFits:
        assert by_hand is None
        return
    used = [0] * len(kept)
    for (need, count), ways in zip(needs, found.ways, strict=True):
        assert sum(n for _, n in ways) == count
        for way, n in ways:
            assert sum(w * kind.worth_ml for w, kind in zip(way, kept, strict=True)) >= need
            used = [u + n * w for u, w in zip(used, way, strict=True)]
    for u, opened, spare, kind in zip(used, found.opened, found.spares, kept, strict=True):
        assert u + spare == opened * kind.per_pack
        assert opened <= kind.packs
    opened = sum(n for n, kind in zip(found.opened, kept, strict=True) if kind.per_pack > 1)
    assert by_hand == (pytest.approx(found.waste_ml, abs=1e-4), sum(used), opened)


@settings(max_examples=40)
@given(st.integers(10, 700), st.integers(1, 3), KEPT)
def test_what_is_packed_alike_is_shared_out_as_a_run_shares_it(need: int, count: int, kept: list[Kept]) -> None:
    """For one container the same answer to the packet; for more, never better than where each may differ."""
    try:
        found = allot([(need, count)], kept)
    except NoPacketFits:
        with pytest.raises(NoPacketFits):
            alike(need, count, kept)
        return
    try:
        way = alike(need, count, kept)
    except NoPacketFits:
        assert count > 1
        return
    used = [count * n for n in way]
    opened = [-(-n // kind.per_pack) for n, kind in zip(used, kept, strict=True)]
    assert all(n <= kind.packs for n, kind in zip(opened, kept, strict=True))
    waste = count * (sum(n * kind.worth_ml for n, kind in zip(way, kept, strict=True)) - need)
    for n, packs, kind in zip(used, opened, kept, strict=True):
        waste += SPARE_LOSES * kind.worth_ml * (packs * kind.per_pack - n) if kind.per_pack > 1 else 0
    assert waste >= found.waste_ml - 1e-4
    if count == 1 or len(found.ways[0]) == 1:
        assert waste == pytest.approx(found.waste_ml, abs=1e-4)
        assert sum(used) == sum(n * sum(each) for each, n in found.ways[0])


def test_no_pack_of_a_hundred_is_opened_for_three() -> None:
    """Five of 500 and three out of a pack of a hundred waste 10 mL, and dry out ninety-seven."""
    kept = [Kept(2000, 2000, 10, 1, buyable=True), Kept(500, 500, 2, 10, buyable=True), Kept(100, 100, 1, 100)]
    assert alike(2790, 1, kept)[2] == 0
    assert alike(160, 1, [Kept(100, 100, 96), Kept(500, 500, 3, 10, buyable=True)]) == (2, 0)


def test_no_second_pack_is_opened_for_two_packets() -> None:
    """Six out of one pack of ten, though 300 mL would do for two of them: nobody opens a pack of twenty for that."""
    found = allot([(430, 4), (290, 2)], [Kept(500, 500, 3, 10), Kept(300, 300, 2, 20)])
    assert (found.opened, found.spares) == ((1, 0), (4, 0))


def test_what_is_short_is_bought_in_whole_packs() -> None:
    found = allot([(300, 10)], [Kept(300, 300, 1, 4, buyable=True)])
    assert (found.opened, found.buy, found.spares) == ((3,), (2,), (2,))
    with pytest.raises(NoPacketFits):
        allot([(300, 10)], [Kept(300, 300, 1, 4)])


def test_what_is_in_the_house_goes_first_though_it_wastes_more() -> None:
    found = allot([(300, 2)], [Kept(500, 500, 1, 2), Kept(300, 300, 0, 10, buyable=True)])
    assert (found.opened, found.buy) == ((1, 0), (0, 0))


def test_spares_that_were_out_count_for_what_they_are_worth() -> None:
    """Two spares of 100 mL that were out do not make 200 any more; a third goes in."""
    (((way, _),),) = allot([(200, 1)], [Kept(100, 94, 5)]).ways
    assert way == (3,)


@given(st.integers(1, 40), st.integers(10, 2000))
def test_more_packets_at_hand_are_never_worse(packs: int, need: int) -> None:
    few = allot([(need, 2)], [Kept(200, 200, packs, 10, buyable=True)])
    more = allot([(need, 2)], [Kept(200, 200, packs + 1, 10, buyable=True), Kept(50, 50, 4, 10)])
    assert sum(more.buy) <= sum(few.buy)
    assert more.waste_ml <= few.waste_ml or sum(more.buy) < sum(few.buy)


def test_a_packet_worth_more_than_its_rating_is_refused() -> None:
    with pytest.raises(OutOfRange):
        Kept(100, 120, 3)
    with pytest.raises(OutOfRange):
        allot([(-1, 2)], [Kept(100, 100, 3)])
