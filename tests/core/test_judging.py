"""Attempts held against standards: every kind of rule, what it costs, what would have helped."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.documents.judging import JudgeRequest, judged_document
from faircorner.documents.library import house_standard
from faircorner.documents.standard import StandardDocument
from faircorner.errors import InputError
from faircorner.standards import Band, Finish, Limit, LookNoted, Noted, Standard, judge
from faircorner.tape import Readings, locate

from tests.core.scenes import at

# Where the plan would have ended, when nobody taped along the kerb.
HERE = np.array([-5.0, 0.0, 0.0])
NOBODY = {"measure": "kerb_rear_m", "small": [0.1, 0.45]}


def standard_of(**rules):
    head = {"format": "fair-corner/standard@1", "name": "s", "authority": "a",
            "dated": "2026-01-01", "manoeuvre": "bay", "small_allowed": 1}  # fmt: skip
    return {**head, "limits": [NOBODY], **rules}


def judged(noted=None, finish=None, **rules):
    asked = {"standard": standard_of(**rules), "finish": finish or {}, "noted": noted}
    return judged_document(JudgeRequest.read(asked))


def found(kind, rule, noted):
    """What one rule of a kind comes to: value, grade, faults, unwatched."""
    finding = judged(noted, **{kind: [rule]})["findings"][-1]
    return tuple(finding[name] for name in ("value", "grade", "faults", "unwatched"))


def limit(measure, **more):
    return {"measure": measure, **more}


def look(became, kind="behind", **more):
    return {"look": kind, "became": became, **more}


def seen(*what, phase="execution"):
    return [{"what": one, "phase": phase} for one in what]


SMALL = {"grade": "small"}
BEHIND = {"look": "behind", "grade": "serious"}
WATCHED = ["pull-up"]
PULL_UPS = {"what": "pull-up", "grade": "small", "free": 1, "repeated": 4}


@pytest.mark.parametrize(
    ("kind", "rule", "noted", "expected"),
    [
        # Limits of what is counted, apart and together; each one too many where it says so.
        ("limits", limit("movements", small=[None, 2]), {"forward_movements": 1,
         "reverse_movements": 2}, (3, "small", 1, 0)),
        ("limits", limit("movements", small=[None, 1], each=True), {"forward_movements": 2,
         "reverse_movements": 2}, (4, "small", 3, 0)),
        ("limits", limit("movements", small=[None, 1], serious=[None, 3], each=True),
         {"forward_movements": 2, "reverse_movements": 2}, (4, "serious", 1, 0)),
        ("limits", limit("reverse_movements", small=[None, 2]), {"forward_movements": 9,
         "reverse_movements": 2}, (2, None, 0, 0)),
        ("limits", limit("corrections", small=[None, 0]), {"forward_movements": 2,
         "reverse_movements": 2, "planned_movements": 3}, (1, "small", 1, 0)),
        ("limits", limit("corrections", small=[None, 0]), {"reverse_movements": 2},
         (None, None, 0, 0)),
        ("limits", limit("seconds", small=[None, 90], serious=[None, 120]), {"seconds": 121},
         (121, "serious", 1, 0)),
        # On the way: by whoever took it; without, it was not watched.
        ("limits", limit("furthest_back_m", serious=[None, 12]),
         {"on_the_way": {"furthest_back_m": 12.5}}, (12.5, "serious", 1, 0)),
        ("limits", limit("swing_out_m", ends=[None, 1]), {"on_the_way": {"start_gap_m": 3}},
         (None, None, 0, 1)),
        ("limits", limit("kerb_nearest_m", small=[0.2, None]),
         {"on_the_way": {"kerb_nearest_m": 0.15}}, (0.15, "small", 1, 0)),
        ("limits", limit("leaving_movements", small=[None, 1]),
         {"on_the_way": {"leaving_movements": 2}}, (2, "small", 1, 0)),
        # Looks: of a phase, of a kind, each or none at all.
        ("limits", limit("looks_missed", small=[None, 0], phase="leaving"),
         {"looks": [look("missed"), look("done", phase="leaving")]}, (0, None, 0, 0)),
        ("limits", limit("looks_missed", small=[None, 0], phase="leaving"),
         {"looks": [look(None), look("missed", phase="leaving")]}, (1, "small", 1, 0)),
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed"), look("missed")]},
         (1, "serious", 1, 0)),
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed"), look("late")]},
         (0, None, 0, 0)),
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed"), look(None)]},
         (None, None, 0, 1)),
        # All round is behind, too: once done, it was not never; not noted, nobody knows.
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed"),
         look("done", "all round")]}, (0, None, 0, 0)),
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed"),
         look("missed", "all round")]}, (1, "serious", 1, 0)),
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed"),
         look(None, "all round")]}, (None, None, 0, 1)),
        ("looks", {**BEHIND, "when": "never"}, {"looks": [look("missed", "nose")]},
         (None, None, 0, 0)),
        ("looks", {**SMALL, "when": "missed"}, {"looks": [look("missed"), look("missed", "nose"),
         look(None)]}, (2, "small", 2, 1)),
        ("looks", {"look": "swing side", "when": "missed", "grade": "ends"},
         {"looks": [look("missed"), look("missed", "off side", swings=True)]}, (1, "ends", 1, 0)),
        ("looks", {"look": "swing side", "when": "missed", "grade": "ends"},
         {"looks": [look("missed"), look("late", "off side", swings=True)]}, (0, None, 0, 0)),
        ("looks", {**SMALL, "when": "prompted", "phase": "start"},
         {"looks": [look("prompted"), look("prompted", phase="start")]}, (1, "small", 1, 0)),
        # Observed: so many free, the same again and again fails, in one phase or any.
        ("observed", PULL_UPS, {"observed": seen("pull-up")}, (1, None, 0, 0)),
        ("observed", PULL_UPS, {"observed": seen(*["pull-up"] * 3)}, (3, "small", 2, 0)),
        ("observed", PULL_UPS, {"observed": seen(*["pull-up"] * 4)}, (4, "serious", 1, 0)),
        ("observed", PULL_UPS, {"watched": WATCHED}, (0, None, 0, 0)),
        ("observed", PULL_UPS, {"observed": seen("restart")}, (None, None, 0, 1)),
        ("observed", {"what": "too fast", "grade": "serious", "phase": "approach"},
         {"observed": seen("too fast"), "watched": ["too fast"]}, (0, None, 0, 0)),
        ("observed", {"what": "kerb mounted", "grade": "ends"}, {"kerb_mounts": 1},
         (1, "ends", 1, 0)),
        # True at the end, not so, and not noted.
        ("at_end", {"what": "brake set", "grade": "serious"}, {"at_end": {"brake set": True}},
         (0, None, 0, 0)),
        ("at_end", {"what": "brake set", "grade": "serious"}, {"at_end": {"brake set": False}},
         (1, "serious", 1, 0)),
        ("at_end", {"what": "left again", "grade": "small"}, {"at_end": {"gear set": True}},
         (None, None, 0, 1)),
    ],
)  # fmt: skip
def test_every_kind_of_rule(kind, rule, noted, expected):
    assert found(kind, rule, noted) == expected


def test_what_nobody_noted_is_never_counted_as_done():
    """Nor as missed: each rule of what is seen says instead that it was not watched."""
    rules = {
        "looks": [{"when": when, "grade": "ends"} for when in ("missed", "never")],
        "observed": [{"what": "dry steering", "grade": "ends"}],
        "at_end": [{"what": "gear set", "grade": "ends"}],
        "limits": [limit("swing_out_m", ends=[None, 0])],
    }
    verdict = judged({"looks": [look(None), look(None)]}, **rules)
    assert (verdict["outcome"], verdict["whole"]) == ("met", False)
    assert [f["unwatched"] for f in verdict["findings"]] == [1, 2, 2, 1, 1]
    # And without any notes at all nothing that is seen can be judged.
    assert {f["value"] for f in judged(None, **rules)["findings"]} == {None}


def test_a_line_says_what_would_have_changed_it_and_what_it_would_have_changed():
    rules = {
        "limits": [NOBODY, limit("movements", small=[None, 2], passed="go on forwards")],
        "observed": [{"what": "kerb mounted", "grade": "ends"}],
    }
    noted = {"reverse_movements": 4, "kerb_mounts": 1}
    verdict = judged(noted, {"kerb_rear_m": 0.53}, **rules)
    near, moved, mounted = verdict["findings"]
    assert verdict["outcome"] == "ended"
    assert (near["by"], moved["by"], mounted["by"]) == (-0.08, -2, -1)
    assert moved["passed"] == "go on forwards"
    assert (near["without"], mounted["without"]) == ("ended", "not met")
    wide = judged(noted, {"kerb_rear_m": 0.04}, limits=[NOBODY])["findings"][0]
    assert (wide["by"], wide["without"]) == (0.06, "met")


@pytest.mark.parametrize(
    ("allowed", "outcome"), [(9, "met with small faults"), (8, "not met"), (None, "not met")]
)
def test_points_stand_in_for_small_faults(allowed, outcome):
    """Two pull-ups too many at two points each, and five for where it ended."""
    verdict = judged(
        {"observed": seen(*["pull-up"] * 3)}, {"kerb_rear_m": 0.5},
        limits=[NOBODY | {"points": 5}], observed=[{**PULL_UPS, "points": 2}],
        points_allowed=allowed,
    )  # fmt: skip
    assert (verdict["points"], verdict["outcome"]) == (allowed and 9, outcome)
    serious = judged({"seconds": 9}, limits=[limit("seconds", serious=[None, 8])],
                     points_allowed=1000)  # fmt: skip
    assert (serious["points"], serious["outcome"]) == (0, "not met")


@pytest.mark.parametrize(
    ("rules", "field"),
    [
        ({"limits": [NOBODY, NOBODY]}, r"limits\[1\].measure"),
        ({"limits": [NOBODY | {"phase": "leaving"}]}, r"limits\[0\].phase"),
        ({"limits": [NOBODY | {"each": True}]}, r"limits\[0\].each"),
        ({"looks": [{"when": "late", "grade": "small"}] * 2}, r"looks\[1\].look"),
        ({"observed": [{**PULL_UPS, "repeated": 1}]}, r"observed\[0\].repeated"),
        ({"observed": [PULL_UPS, PULL_UPS]}, r"observed\[1\].what"),
        ({"at_end": [{"what": "engine off", "grade": "small"}]}, r"at_end\[0\].what"),
    ],
)
def test_a_rule_that_makes_no_sense_names_itself(rules, field):
    with pytest.raises(InputError, match=field):
        StandardDocument.read(standard_of(**rules)).build()


def test_the_worst_grade_decides_and_unmeasured_is_not_judged(linnet, quay):
    standard = house_standard().build()
    good = locate(at(linnet, quay, HERE), Readings(kerb_front=0.2, kerb_rear=0.2)).finish
    verdict = judge(standard, good)
    assert verdict.outcome == "met"
    assert {f.rule.measure for f in verdict.findings if f.value is None} == {"ahead", "behind"}
    near = locate(at(linnet, quay, HERE), Readings(kerb_front=0.04, kerb_rear=0.2)).finish
    assert judge(standard, near).outcome == "met with small faults"
    far = locate(at(linnet, quay, HERE), Readings(kerb_front=0.7, kerb_rear=0.7)).finish
    assert judge(standard, far).outcome == "not met"


def test_a_limit_holds_at_its_very_end_and_a_fault_too_many_fails():
    ends = Limit(measure="kerb_rear", small=(0.1, 0.4), serious=(0.0, None))
    assert [ends.grade(v) for v in (0.1, 0.4, 0.41, 0.0, -0.01)] == [
        None, None, "small", "small", "serious"]  # fmt: skip
    # What a tape says is exact to the millimetre; what is worked out from it, to rounding.
    near = (0.1 - 1e-7, 0.4 + 1e-7, 0.4 + 3e-4)
    assert [ends.grade(v) for v in near] == [None, None, "small"]
    band = Band(measure="kerb_rear", low=0.1, high=0.4)
    assert band.holds(Finish(taped={"kerb_rear": np.array(near)})).tolist() == [True, True, False]
    finish = Finish(taped={"kerb_rear": np.full(1, 0.5), "angle": np.full(1, -0.2)})
    angle = Limit(measure="angle", small=(None, 0.1))
    for allowed, outcome in ((2, "met with small faults"), (1, "not met")):
        standard = Standard(name="s", authority="a", dated="2026-01-01", limits=(ends, angle),
                            small_allowed=allowed)  # fmt: skip
        verdict = judge(standard, finish)
        assert (verdict.small, verdict.outcome) == (2, outcome)


def test_a_look_that_nobody_noted_is_wanting_where_looks_are_counted():
    noted = Noted(
        seconds=60, forward_movements=0, reverse_movements=1,
        looks=tuple(
            LookNoted(look="behind", phase="start", became=became)
            for became in ("done", None, "missed", None)
        ),
    )  # fmt: skip
    assert [one.became for one in noted.unwatched] == [None, None]
    finish = Finish(taped={"kerb_rear": np.full(1, 0.2)})
    for measure, value, grade, unwatched in (
        ("looks_missed", 1, "small", 2), ("looks_late", 0, None, 2), ("kerb_touches", 0, None, 0),
    ):  # fmt: skip
        limit = Limit(measure=measure, small=(None, 0))
        standard = Standard(name="s", authority="a", dated="2026-01-01", limits=(limit,))
        verdict = judge(standard, finish, noted)
        (found,) = verdict.findings
        assert (found.value, found.grade, found.unwatched) == (value, grade, unwatched)
        assert verdict.whole == (unwatched == 0)


def test_movements_left_are_those_before_a_serious_fault():
    counted = Limit(measure="reverse_movements", small=(None, 1), serious=(None, 3))
    standard = Standard(name="s", authority="a", dated="2026-01-01", limits=(counted,))
    assert standard.movements_left(forward=0, reverse=1)["reverse"] == 2
    assert standard.movements_left(forward=0, reverse=9)["reverse"] == 0
    both = replace(standard, limits=(Limit(measure="movements", small=(None, 3)),))
    assert both.movements_left(forward=1, reverse=1) == {"forward": 2, "reverse": 2, "together": 1}


def test_limits_widen_from_small_to_ends():
    with pytest.raises(InputError, match="serious"):
        Limit(measure="kerb_rear", small=(None, 0.5), serious=(None, 0.4))
