"""Energy and protein against the published equations, worked by hand.

Source: Institute of Medicine (2005), Dietary Reference Intakes for Energy, Carbohydrate, Fiber, Fat, Fatty
Acids, Cholesterol, Protein, and Amino Acids, chapters 5 and 10; the equations from memory.
"""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.planning import Activity, Body, Sex, energy_need, protein_need

F, M, U = Sex.FEMALE, Sex.MALE, Sex.UNSAID
SITTING, LIGHT, ACTIVE, HARD = Activity


@pytest.mark.parametrize(
    ("age", "sex", "height_cm", "weight_kg", "activity", "kcal"),
    [
        # 662 − 9.53·30 = 376.1; 15.91·70 = 1113.7; 539.6·1.77 = 955.092; ·1.00 = 2068.792
        (30, M, 177, 70, SITTING, 2444.9),
        # 662 − 9.53·44 = 242.68; 15.91·82 = 1304.62; 539.6·1.8 = 971.28; 2275.9·1.25 = 2844.875
        (44, M, 180, 82, ACTIVE, 3087.6),
        # 354 − 6.91·39 = 84.51; 9.36·64 = 599.04; 726·1.66 = 1205.16; 1804.2·1.12 = 2020.704
        (39, F, 166, 64, LIGHT, 2105.2),
        # 354 − 6.91·74 = −157.34; 9.36·61 = 570.96; 726·1.58 = 1147.08; 1718.04·1.00
        (74, F, 158, 61, SITTING, 1560.7),
        # 88.5 − 61.9·9 = −468.6; 26.7·29 = 774.3; 903·1.34 = 1210.02; 1984.32·1.26 = 2500.243; + 25
        (9, M, 134, 29, ACTIVE, 2056.6),
        # 88.5 − 61.9·6 = −282.9; 26.7·20 = 534; 903·1.15 = 1038.45; 1572.45·1.13 = 1776.869; + 20
        (6, M, 115, 20, LIGHT, 1514.0),
        # 135.3 − 30.8·12 = −234.3; 10·42 = 420; 934·1.5 = 1401; 1821·1.16 = 2112.36; + 25
        (12, F, 150, 42, LIGHT, 1903.1),
        # 135.3 − 30.8·5 = −18.7; 10·18 = 180; 934·1.1 = 1027.4; 1207.4·1.31 = 1581.694; + 20
        (5, F, 110, 18, ACTIVE, 1583.0),
        # 89·12 − 100 + 20
        (2, F, 86, 12, HARD, 988.0),
        # 89·9 − 100 + 22
        (0, U, 71, 9, SITTING, 723.0),
        # 662 − 9.53·25 = 423.75; 15.91·75 = 1193.25; 539.6·1.85 = 998.26; 2191.51·1.48 = 3243.435
        (25, M, 185, 75, HARD, 3667.2),
    ],
)
def test_energy_of_people_worked_by_hand(
    age: int, sex: Sex, height_cm: float, weight_kg: float, activity: Activity, kcal: float
) -> None:
    need = energy_need(age_years=age, sex=sex, body=Body(height_cm, weight_kg), activity=activity)
    assert need.value == pytest.approx(kcal, abs=0.1)


def test_the_published_tables_of_energy() -> None:
    """Men and women of 30, 1.65 m and 1.8 m, light: 2,000–2,900 kcal (IOM 2005, tables 5-22, 5-23, from memory)."""
    woman = energy_need(age_years=30, sex=F, body=Body(165, 50.4), activity=LIGHT).value
    man = energy_need(age_years=30, sex=M, body=Body(180, 80.7), activity=LIGHT).value
    assert woman == pytest.approx(2016, abs=5)
    assert man == pytest.approx(2881, abs=5)


@pytest.mark.parametrize(
    ("age", "weight_kg", "grams"),
    [(0, 9, 10.8), (2, 12, 12.6), (9, 29, 27.55), (15, 61, 51.85), (30, 70, 56), (39, 64, 51.2), (74, 61, 48.8)],
)
def test_protein_of_people_worked_by_hand(age: int, weight_kg: float, grams: float) -> None:
    """A man of 70 kg 56 g and a woman of 57 kg 46 g are the figures everybody quotes (IOM 2005)."""
    assert protein_need(age_years=age, weight_kg=weight_kg).value == pytest.approx(grams)


ages = st.integers(3, 100)
bodies = st.builds(Body, st.floats(90, 200), st.floats(12, 150))


@given(ages, bodies, st.sampled_from(Activity))
def test_not_said_lies_halfway(age: int, body: Body, activity: Activity) -> None:
    she, he, they = (energy_need(age_years=age, sex=sex, body=body, activity=activity).value for sex in (F, M, U))
    assert they == pytest.approx((she + he) / 2)


@given(ages, st.sampled_from([F, M]), bodies)
def test_more_moving_needs_more(age: int, sex: Sex, body: Body) -> None:
    needs = [energy_need(age_years=age, sex=sex, body=body, activity=each).value for each in Activity]
    assert needs == sorted(needs)
    assert needs[0] < needs[-1]


@given(ages, st.sampled_from([F, M]), bodies, st.sampled_from(Activity))
def test_the_working_gives_the_figure(age: int, sex: Sex, body: Body, activity: Activity) -> None:
    """What stands on screen as the sum really is the sum."""
    whole = Body(round(body.height_cm), round(body.weight_kg))
    need = energy_need(age_years=age, sex=sex, body=whole, activity=activity)
    sum_ = need.working.partition(": ")[2]
    for sign, plain in (("−", "-"), ("×", "*"), (" kg", ""), (" years", ""), (" m", "")):
        sum_ = sum_.replace(sign, plain)
    assert eval(sum_) == pytest.approx(need.value)


@pytest.mark.parametrize(
    ("age", "height_cm", "weight_kg", "field"),
    [(-1, 170, 70, "age_years"), (121, 170, 70, "age_years"), (30, 20, 70, "height_cm"), (30, 170, 0, "weight_kg")],
)
def test_nobody_is_like_that(age: int, height_cm: float, weight_kg: float, field: str) -> None:
    with pytest.raises(OutOfRange) as refusal:
        energy_need(age_years=age, sex=F, body=Body(height_cm, weight_kg), activity=LIGHT)
    assert refusal.value.field == field
