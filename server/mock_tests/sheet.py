"""A mock test on paper: each exercise, what it came to, and the one result."""

from collections.abc import Iterator
from typing import Any

from faircorner.said import Part, Said

from server.lessons.summary import Done, Summary, printed
from server.mock_tests.models import MockTest
from server.mock_tests.result import state_of
from server.printing import moment
from server.schools.models import School

__all__ = ["pdf_of"]


def pdf_of(test: MockTest) -> bytes:
    state, school = state_of(test), test.school
    summary = Summary(
        title=_say(school, "test", when=moment(test.started, school)),
        learner=test.learner.name,
        of=(
            _say(school, "by", name=test.instructor.name),
            f"{state['standard']}, {state['authority']}, {state['dated']}",
        ),
        done=tuple(_exercises(state, school)),
        said=((_say(school, "result"), _result(state, school)),),
        foot=Said("card cautions").told(school.units, school.locale),
    )
    return printed(summary, school)


def _say(school: School, code: str, **parts: Part | Said) -> str:
    return Said(f"summary {code}", **parts).told(school.units, school.locale)


def _exercises(state: dict[str, Any], school: School) -> Iterator[Done]:
    for one in state["exercises"]:
        where = f"{one['ground']} · {one['vehicle']}"
        yield Done(what=one["method"], lines=(where, _came_to(one, school)))


def _came_to(one: dict[str, Any], school: School) -> str:
    if one["cancelled"]:
        return _say(school, "exercise cancelled", because=one["cancelled"])
    if one["outcome"] is None:
        return _say(school, "not driven" if one["attempt_id"] is None else "not taped")
    code = "faults" if one["points"] is None else "faults and points"
    return _say(
        school, code, outcome=one["outcome"], small=one["small"],
        serious=one["serious"], points=one["points"] or 0,
    )  # fmt: skip


def _result(state: dict[str, Any], school: School) -> str:
    if state["given_up"] is not None:
        return _say(school, "given up", because=state["given_up_because"])
    if state["outcome"] is None:
        return _say(school, "still to drive", left=state["left"])
    so_far = state["so_far"]
    told = _say(
        school, "whole", outcome=state["outcome"], small=so_far["small"],
        serious=so_far["serious"],
    )  # fmt: skip
    watched = "" if so_far["whole"] else " " + _say(school, "not all watched")
    return told + watched
