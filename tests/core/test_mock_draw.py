"""Mock tests: drawn by their rule, and faults added over the whole."""

from collections import Counter
from dataclasses import replace
from itertools import pairwise
from random import Random

import numpy as np
import pytest
from faircorner.documents.standard import StandardDocument
from faircorner.errors import InputError
from faircorner.standards import DrawRule, Finish, Noted, Seen, draw, judge, judge_whole, redraw

# Two of five are driven in reverse.
POOL = (False, True, False, False, True)
RULE = DrawRule(number=3, of=("any",), in_reverse=1)


def keeps(rule, reverses, drawn):
    backwards = sum(reverses[one] for one in drawn)
    twice = any(one == after for one, after in pairwise(drawn))
    return len(drawn) == rule.number and backwards >= rule.in_reverse and not twice


@pytest.mark.parametrize("in_reverse", [0, 1, 2, 3])
def test_ten_thousand_draws_keep_the_rule_each_order_as_likely_as_another(in_reverse):
    rule = replace(RULE, in_reverse=in_reverse)
    chance = Random(7)
    drawn = Counter(draw(rule, POOL, chance) for _ in range(10_000))
    assert all(keeps(rule, POOL, one) for one in drawn)
    every = [
        (a, b, c) for a in range(5) for b in range(5) for c in range(5)
        if keeps(rule, POOL, (a, b, c))
    ]  # fmt: skip
    assert set(drawn) == set(every)
    # Chi-squared over as many orders as there are: five deviations above its mean at the most.
    expected = 10_000 / len(every)
    off = sum((drawn[one] - expected) ** 2 / expected for one in every)
    assert off < len(every) + 5 * np.sqrt(2 * len(every))


@pytest.mark.parametrize(
    ("rule", "pool"),
    [
        (RULE, (True,)),
        (RULE, (False, False, False)),
        (replace(RULE, in_reverse=2, number=2), (True, False)),
        (RULE, ()),
    ],
)
def test_a_pool_that_cannot_keep_the_rule_is_refused(rule, pool):
    with pytest.raises(InputError, match="sheets"):
        draw(rule, pool, Random(1))


def test_what_takes_the_place_of_a_cancelled_exercise_keeps_the_rule():
    chance = Random(3)
    for _ in range(200):
        drawn = draw(RULE, POOL, chance)
        for place in range(3):
            other = redraw(RULE, POOL, drawn, place, chance)
            now = (*drawn[:place], other, *drawn[place + 1 :])
            assert other != drawn[place]
            assert keeps(RULE, POOL, now)
    with pytest.raises(InputError, match="sheets"):
        redraw(replace(RULE, number=2), (True, False), (0, 1), 0, chance)


@pytest.mark.parametrize(("number", "in_reverse"), [(0, 0), (11, 1), (2, 3), (2, -1)])
def test_a_rule_that_cannot_be_kept_is_none(number, in_reverse):
    with pytest.raises(InputError):
        DrawRule(number=number, of=("any",), in_reverse=in_reverse)


def verdict(kerb=0.3, pull_ups=0, seconds=10, points=None):
    standard = StandardDocument.read({
        "format": "fair-corner/standard@1", "name": "s", "authority": "a", "dated": "2026-01-01",
        "manoeuvre": "bay", "small_allowed": 2, "points_allowed": points,
        "limits": [
            {"measure": "kerb_rear_m", "small": [0.1, 0.45], "points": 3},
            {"measure": "seconds", "serious": [None, 60], "ends": [None, 90]},
        ],
        "observed": [{"what": "pull-up", "grade": "small", "free": 1, "repeated": 4}],
    }).build()  # fmt: skip
    noted = Noted(
        seconds=seconds, forward_movements=0, reverse_movements=1,
        observed=(Seen(what="pull-up", phase="execution"),) * pull_ups,
        watched=frozenset({"pull-up"}),
    )  # fmt: skip
    return judge(standard, Finish(taped={"kerb_rear": np.full(1, kerb)}), noted)


WHOLE = replace(RULE, small_allowed=2)


@pytest.mark.parametrize(
    ("rule", "verdicts", "outcome"),
    [
        (WHOLE, [verdict(), verdict()], "met"),
        (WHOLE, [verdict(0.5), verdict(0.5)], "met with small faults"),
        (WHOLE, [verdict(0.5), verdict(0.5), verdict(0.5)], "not met"),
        (replace(RULE, small_allowed=None), [verdict(0.5)] * 9, "met with small faults"),
        (WHOLE, [verdict(), verdict(seconds=70)], "not met"),
        (WHOLE, [verdict(seconds=95), verdict(seconds=70)], "ended"),
        (replace(WHOLE, points_allowed=6), [verdict(0.5, points=9)] * 2, "met with small faults"),
        (replace(WHOLE, points_allowed=5), [verdict(0.5, points=9)] * 2, "not met"),
        # One exercise with a small fault too many for itself fails all.
        (replace(RULE, small_allowed=None), [verdict(), verdict(0.5, pull_ups=3)], "not met"),
        # One pull-up is free each time; the fourth of the whole test fails.
        (WHOLE, [verdict(pull_ups=1)] * 3, "met"),
        (WHOLE, [verdict(pull_ups=1)] * 4, "not met"),
    ],
)
def test_faults_are_added_over_the_whole(rule, verdicts, outcome):
    assert judge_whole(rule, verdicts).outcome == outcome


def test_what_failed_by_being_repeated_is_named_and_what_was_not_watched_is_told():
    found = judge_whole(WHOLE, [verdict(pull_ups=2), verdict(pull_ups=2)])
    assert (found.repeated, found.small, found.whole) == (("pull-up",), 2, True)
    unwatched = judge(verdict().standard, Finish(taped={"kerb_rear": np.full(1, 0.3)}), None)
    assert not judge_whole(WHOLE, [verdict(), unwatched]).whole
