"""Bias and scatter: the statistics held against closed forms and against simulated truth."""

import numpy as np
import pytest
from faircorner.errors import InputError
from faircorner.shift import SimulatedLearner, advise, describe
from faircorner.shift.chances import put_off
from faircorner.shift.evidence import weigh
from faircorner.shift.finishes import FLOOR, LEVEL, least_count
from faircorner.shift.hypotheses import STEP, hold
from faircorner.shift.scatter import scatters
from faircorner.standards import Band, Finish
from hypothesis import given
from hypothesis import strategies as st
from scipy.stats import invwishart, ttest_1samp
from scipy.stats import t as student

RNG_SEED = 20260307
# Kerb, angle and gap ahead for each metre of lateness of three calls.
ANSWERS = np.array([[0.0, 0.5, -0.6], [0.0, -0.3, 0.02], [1.0, 0.4, 0.3]])
TARGET = np.array([0.25, 0.0, 1.5])
BANDS = (Band(measure="kerb_rear", low=0.1, high=0.45), Band(measure="kerb_front", low=0.1,
         high=0.45), Band(measure="angle", high=0.07))  # fmt: skip


def drawn(bias, scatter, attempts, seed=RNG_SEED):
    """Finishes of hands that are late by a bias and a scatter, through the same answers."""
    rng = np.random.default_rng(seed)
    late = bias + scatter * rng.normal(size=(attempts, 3))
    noise = np.array([0.01, 0.004, 0.015]) * rng.normal(size=(attempts, 3))
    return late @ ANSWERS.T + noise


def by_answers(target, bands):
    """Hands whose finish is told by the answers alone, and judged by these bands."""

    def driven(late, rest):
        off = target + late @ ANSWERS.T
        kerb, angle, ahead = off.T
        taped = {"kerb_front": kerb, "kerb_rear": kerb, "angle": angle, "ahead": ahead}
        finish = put_off(Finish(taped={**taped, "behind": 4 - ahead}), rest, 2.6, "ahead")
        return np.all([band.holds(finish) for band in bands], axis=0)

    return driven


def advice_for(off, seed=1):
    return advise(
        describe(off), ANSWERS, by_answers(TARGET, BANDS), rng=np.random.default_rng(seed)
    )


@given(st.integers(0, 10_000))
def test_bias_is_the_mean_and_margins_are_students(seed):
    off = np.random.default_rng(seed).normal(0.05, 1.0, size=(12, 3))
    found = describe(off)
    np.testing.assert_allclose(found.bias, off.mean(axis=0))
    for column in range(3):
        interval = ttest_1samp(off[:, column], 0.0).confidence_interval(1 - LEVEL)
        half = (interval.high - interval.low) / 2
        assert found.margin[column] == pytest.approx(half, rel=0.001)


def test_equal_readings_are_not_certainty():
    found = describe(np.zeros((8, 3)))
    assert (found.scatter > 0).all()
    assert not weigh(hold(found, ANSWERS)).enough


def ever_blamed(off):
    """Whether any call is blamed, by who looks after every attempt."""
    least = least_count(off.shape[1])
    return any(weigh(hold(describe(off[:n]), ANSWERS)).enough for n in range(least, len(off) + 1))


@pytest.mark.parametrize("scatter", [0.1, 0.2])
def test_looking_after_every_attempt_does_not_turn_chance_into_advice(scatter):
    """Of hands without any bias one in twenty may be blamed in thirty attempts, looked at each."""
    blamed = [ever_blamed(drawn(np.zeros(3), scatter, 30, seed)) for seed in range(80)]
    assert np.mean(blamed) <= 0.05


@pytest.mark.parametrize(("bias", "named"), [(0.1, 0.3), (0.2, 0.75), (-0.3, 0.9)])
def test_eight_attempts_name_the_call_that_comes_late(bias, named):
    right = []
    for seed in range(60):
        call = 1 + seed % 2
        late = np.where(np.arange(3) == call, bias, 0.0)
        found = weigh(hold(describe(drawn(late, 0.07, 8, seed)), ANSWERS))
        right.append(found.enough and int(found.odds.argmax()) == call)
    assert np.mean(right) >= named


def test_which_call_and_how_late_it_comes_is_told_with_its_sign():
    for call, bias in ((1, 0.25), (2, -0.3)):
        late = np.where(np.arange(3) == call, bias, 0.0)
        found = weigh(hold(describe(drawn(late, 0.04, 12)), ANSWERS))
        assert int(found.odds.argmax()) == call
        assert found.late[call] == pytest.approx(bias, abs=STEP)


def test_odds_are_those_of_the_formula_for_one_measure_and_one_call():
    """One measure and one step, integrated by hand: a t-like ratio (Gelman et al. 2013, 3.6)."""
    off = np.array([[0.10, 0.0], [0.14, 0.0], [0.06, 0.0], [0.12, 0.0]])
    found = weigh(hold(describe(off), np.array([[1.0], [0.0]])))
    scatters, weight, n = np.array([0.03, 0.05, 0.08, 0.12, 0.18, 0.27]), 2 + 4, 4
    before = (scatters**2 + FLOOR[0] ** 2) * (weight - 3)
    squares = ((off[:, 0] - off[:, 0].mean()) ** 2).sum()

    def likelihood(mean):
        rest = before + squares + n * (off[:, 0].mean() - mean) ** 2
        return (before ** (weight / 2) * rest ** (-(weight + n) / 2)).sum()

    lates = np.array([i * STEP for i in range(-12, 13) if i])
    usual = np.exp(-0.5 * (lates / 0.2) ** 2)
    ratio = np.array([likelihood(late) for late in lates]) / likelihood(0.0)
    assert found.of_any == pytest.approx((ratio * usual).sum() / usual.sum())


def test_a_larger_bias_is_never_less_sure():
    rng = np.random.default_rng(3)
    noise = rng.normal(0, 0.1, size=(12, 3))
    noise -= noise.mean(axis=0)
    odds = [
        weigh(hold(describe(noise + b * ANSWERS[:, 1]), ANSWERS)).of_any for b in (0, 0.1, 0.2, 0.4)
    ]
    assert odds == sorted(odds)


@pytest.mark.parametrize(
    "off",
    [
        pytest.param(np.empty((0, 3)), id="nobody"),
        pytest.param(np.zeros((1, 3)), id="one attempt"),
        pytest.param(np.zeros((5, 4)), id="four measures"),
        pytest.param(np.full((5, 3), np.nan), id="not measured"),
        pytest.param(np.zeros(5), id="no table"),
    ],
)
def test_a_set_that_cannot_be_described_says_so(off):
    with pytest.raises(InputError, match="finishes"):
        describe(off)


def test_below_the_least_count_nothing_is_advised():
    off = drawn(np.array([0.0, 0.5, 0.0]), 0.01, least_count(3))
    assert advice_for(off[:-1]).kind == "too few"
    assert advice_for(off).kind == "move cue"


def test_what_goes_together_by_few_attempts_is_half_believed():
    rng = np.random.default_rng(RNG_SEED)
    off = rng.normal(size=(9, 1)) * [0.3, 0.2, -0.4] + rng.normal(0, 0.1, size=(9, 3))
    found = describe(off).covariance
    plain = np.cov(off, rowvar=False)
    across = ~np.eye(3, dtype=bool)
    np.testing.assert_allclose(found[across], plain[across] * 9 / (9 + 3))
    assert (np.diag(found) >= np.diag(plain)).all()


def test_a_nose_toward_the_kerb_is_nearer_in_front():
    """3 degrees of lean over a wheelbase of 2.6 m: 7 cm nearer in front, 7 cm farther behind."""
    plain = {"kerb_front": 0.3, "kerb_rear": 0.3, "angle": 0.0, "ahead": 1.5, "behind": 0.9}
    finish = Finish(taped={name: np.array([value]) for name, value in plain.items()})
    rest = np.array([[0.02, np.radians(3), 0.25]])
    for along, gaps in (("ahead", (1.75, 0.65)), ("behind", (1.25, 1.15))):
        moved = {n: float(v[0]) for n, v in put_off(finish, rest, 2.6, along).taped.items()}
        assert moved["kerb_front"] == pytest.approx(0.32 - 0.068, abs=1e-3)
        assert moved["kerb_rear"] == pytest.approx(0.32 + 0.068, abs=1e-3)
        assert (moved["ahead"], moved["behind"]) == pytest.approx(gaps)


def test_a_chance_from_few_attempts_is_students_for_the_next_one():
    """Where no call shows in the finish: one band on the angle, about a mean held to be right."""
    off = np.random.default_rng(8).normal(0.02, 0.02, size=(7, 3))
    found, half = describe(off), 0.04
    stated = [
        advise(found, np.zeros((3, 3)), lambda _, rest: np.abs(rest[:, 1]) <= half,
               rng=np.random.default_rng(seed)).chance.share
        for seed in range(60)
    ]  # fmt: skip
    # Tape and eye are held to leave FLOOR, as if of three attempts more.
    squares = 3 * FLOOR[1] ** 2 + (off[:, 1] ** 2).sum()
    edge = half / np.sqrt(squares / (7 + 5))
    assert np.mean(stated) == pytest.approx(2 * student.cdf(edge, 7 + 5) - 1, abs=0.008)


@pytest.mark.parametrize("call", [1, 2])
@pytest.mark.parametrize("bias", [-0.3, 0.3])
def test_the_call_to_blame_is_found_and_moved_back(call, bias):
    lateness = np.zeros(3)
    lateness[call] = bias
    advice = advice_for(drawn(lateness, np.array([0.05, 0.04, 0.04]), 12))
    assert (advice.kind, advice.call) == ("move cue", call + 1)
    assert advice.by == pytest.approx(-bias, abs=0.06)
    assert advice.by * 20 == pytest.approx(round(advice.by * 20)), "whole steps of 5 cm"
    assert advice.chance_after.share > advice.chance.share
    assert 0.5 <= advice.explained <= 1


def test_no_chance_is_certain_and_few_attempts_leave_more_open():
    few, many = (advice_for(drawn(np.zeros(3), 0.005, n)).chance for n in (7, 28))
    assert few.share == many.share == 0.99
    assert few.low < many.low < 0.99 == many.high
    wild = advice_for(drawn(np.zeros(3), 0.6, 7)).chance
    assert 0 < wild.low < wild.share < wild.high < 0.99


def test_how_unsteady_each_call_is_is_found_from_the_finishes():
    true = np.array([0.05, 0.12, 0.08])
    found = scatters(describe(drawn(np.zeros(3), true, 4000)).covariance, ANSWERS)
    np.testing.assert_allclose(found, true, atol=0.015)
    # One that no finish shows is held to be as unsteady as the rest, not to be steady.
    blind = np.where(np.arange(3) == 0, 0.0, ANSWERS)
    hidden = scatters(describe(drawn(np.zeros(3), true, 4000)).covariance, blind)
    assert hidden[0] == pytest.approx(np.sqrt((hidden[1:] ** 2).mean()))


def test_steady_hands_on_a_right_cue_move_on():
    advice = advice_for(drawn(np.zeros(3), np.full(3, 0.03), 14))
    assert (advice.kind, advice.call, advice.by) == ("move on", None, 0.0)
    assert advice.chance_after == advice.chance


def test_a_call_that_does_no_harm_is_named_and_let_be():
    wide = (Band(measure="angle", high=0.5),)
    off = drawn(np.array([0, 0.3, 0]), np.full(3, 0.04), 12)
    hands = by_answers(TARGET, wide)
    found = advise(describe(off), ANSWERS, hands, rng=np.random.default_rng(1))
    assert (found.kind, found.by, found.let_be) == ("move on", 0.0, (2, pytest.approx(0.3)))


def test_wild_hands_practise_the_step_that_ruins_most():
    advice = advice_for(drawn(np.zeros(3), np.array([0.02, 0.02, 0.4]), 14))
    assert (advice.kind, advice.call) == ("practise", 3)
    assert advice.scatter_share.sum() == pytest.approx(1.0)
    assert advice.scatter_share.argmax() == 2


# Off the kerb and too close ahead, as no one call of ANSWERS leaves it.
ELSEWHERE = np.array([0.25, 0.0, 1.2])


def test_what_all_miss_by_and_no_call_explains_is_to_be_looked_for():
    off = drawn(np.zeros(3), np.full(3, 0.03), 6) + ELSEWHERE
    advice = advice_for(off)
    assert (advice.kind, advice.call, advice.by) == ("look for it", None, 0.0)
    # Where the limits allow for it, it does no harm.
    wide = by_answers(TARGET, (Band(measure="angle", high=0.5),))
    assert advise(describe(off), ANSWERS, wide, rng=np.random.default_rng(1)).kind == "move on"
    # And the chance is that of hands that are off so far, not of unsteady ones about the plan.
    assert advice.chance.share < 0.05


@pytest.mark.parametrize(
    ("off", "kind"), [(ELSEWHERE, "look for it"), (np.zeros(3), "move on")], ids=["biased", "right"]
)
def test_a_method_without_a_call_has_none_to_blame(off, kind):
    def all_the_same(late, rest):
        return by_answers(TARGET, BANDS)(np.zeros((len(rest), 3)), rest)

    hands = describe(drawn(np.zeros(3), 0.03, 6) + off)
    advice = advise(hands, ANSWERS[:, :0], all_the_same, rng=np.random.default_rng(1))
    assert (advice.kind, advice.call, advice.odds) == (kind, None, 0.0)


def test_unsteady_hands_are_hardly_ever_told_to_look_elsewhere():
    told = [
        advice_for(drawn(np.zeros(3), 0.15, n, seed)).kind == "look for it"
        for seed in range(12)
        for n in (6, 12, 24)
    ]
    assert sum(told) <= 1


def test_odds_of_a_bias_of_any_kind_are_those_of_a_free_mean():
    """Averaged over covariances drawn from what is left of the scatter: an inverse Wishart."""
    off = np.array([[0.012, 0.004], [0.03, -0.002], [0.021, 0.009], [0.004, 0.006]])
    found = weigh(hold(describe(off), np.zeros((2, 1))))
    n, mean = 4, off.mean(axis=0)
    squares = (off - mean).T @ (off - mean)
    # No call shows: tape and eye alone, held to weigh six attempts.
    law = invwishart(6 + n - 1, np.diag(FLOOR[:2] ** 2) * 3 + squares)
    drawn_from = law.rvs(40_000, random_state=1)
    far = np.einsum("p,kpq,q->k", mean, np.linalg.inv(drawn_from), mean)
    root = np.sqrt(np.linalg.det(drawn_from))

    def likely(wide):
        return (np.exp(-far / wide / 2) / wide / root).mean()

    assert found.one_way == pytest.approx(likely(1 / n + 1 / 0.1) / likely(1 / n), rel=0.03)


def test_the_same_finishes_always_get_the_same_advice():
    off = drawn(np.array([0, 0.2, 0]), np.full(3, 0.05), 12)
    first, second = advice_for(off), advice_for(off)
    assert (first.kind, first.call, first.by, first.chance) == (
        second.kind, second.call, second.by, second.chance)  # fmt: skip


def test_simulated_hands_have_the_bias_and_scatter_they_are_given():
    learner = SimulatedLearner(bias=[0.2, -0.1], scatter=[0.1, 0.05], learning=0.0)
    late = learner.lateness(4000, before=0, rng=np.random.default_rng(1))
    np.testing.assert_allclose(late.mean(axis=0), [0.2, -0.1], atol=0.01)
    np.testing.assert_allclose(late.std(axis=0), [0.1, 0.05], rtol=0.05)


def test_practice_steadies_the_hand_and_leaves_the_bias():
    learner = SimulatedLearner(bias=[0.2], scatter=[0.2], learning=0.3)
    rng = np.random.default_rng(2)
    new = np.concatenate([learner.lateness(1, before=0, rng=rng) for _ in range(800)])
    old = np.concatenate([learner.lateness(1, before=63, rng=rng) for _ in range(800)])
    assert old.std() == pytest.approx(new.std() * 0.7**6, rel=0.15)
    assert old.mean() == pytest.approx(0.2, abs=0.01)
