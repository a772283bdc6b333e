"""How well the people of a school tape alike, by finishes that two of them taped."""

from collections import defaultdict
from typing import Any

from faircorner.documents.figures import figure
from faircorner.documents.finishes import read_finish
from faircorner.tape import TAPE_SIGMA, Agreement, agreement, one_reading

from server.lessons.judging import Judge, judge_of
from server.lessons.models import Attempt, Taping
from server.schools.models import Member, School

__all__ = ["agreements", "compared"]

# What is taped alike, and is summed up together.
_ALIKE = {"wheel": ("kerb_front_m", "kerb_rear_m"), "gap": ("ahead_m", "behind_m")}
# How many of the newest are summed up: how people taped years ago says little of today.
_NEWEST = 500


def compared(attempt: Attempt, judge: Judge | None = None) -> list[dict[str, Any]]:
    """Each second tape beside the one that holds: by reading, what it reads more, and whether the
    verdict would be the same. Ask for many with `tapings__author` prefetched, and their judge.
    """
    first, others = _told_apart(attempt)
    if first is None or not others:
        return []
    judge = judge or judge_of([attempt])
    holds = judge(attempt, read_finish(first.finish)).outcome
    return [
        {
            "by": one.author.name,
            "at": one.made,
            "than": first.author.name,
            "readings": one.readings,
            "more": _more(one, first),
            "outcome": (outcome := judge(attempt, read_finish(one.finish)).outcome),
            "same_outcome": outcome == holds,
        }
        for one in others
    ]


def _told_apart(attempt: Attempt) -> tuple[Taping | None, list[Taping]]:
    """The entry that holds, and the newest of each other person's beside it."""
    first: Taping | None = None
    beside: dict[int, Taping] = {}
    for one in attempt.tapings.all():
        if one.beside:
            beside[one.author_id] = one
        else:
            first = one
    return first, list(beside.values())


def _more(one: Taping, other: Taping) -> dict[str, float]:
    """What one reads more than another, m, by the names of what both taped."""
    both = {
        name: (one.readings.get(name), other.readings.get(name))
        for names in _ALIKE.values() for name in names
    }  # fmt: skip
    return {
        name: round(mine - theirs, 4)
        for name, (mine, theirs) in both.items()
        if mine is not None and theirs is not None
    }


def agreements(school: School) -> dict[str, Any]:
    """Two people at a time, and what one reading is unsure by; of the newest taped twice."""
    twice = Attempt.objects.for_school(school).filter(tapings__beside=True, void=False).distinct()
    newest = list(
        twice.order_by("-started", "-id")
        .select_related("cue_sheet")
        .defer("cue_sheet__plan")
        .prefetch_related("tapings__author", "corrections", "cue_sheet__standard")[:_NEWEST]
    )
    judge = judge_of(newest)
    told: dict[tuple[Member, Member, str], list[float]] = defaultdict(list)
    attempts = same = 0
    for attempt in newest:
        first, others = _told_apart(attempt)
        if first is None or first.readings.get("by_eye"):
            continue
        for other in others:
            for (one, two, what), more in _by_pair(first, other):
                told[one, two, what].append(more)
        attempts += 1
        same += all(one["same_outcome"] for one in compared(attempt, judge))
    found = {key: agreement(differences) for key, differences in told.items()}
    return {
        "attempts": attempts,
        "same_outcome": same,
        "assumed_m": TAPE_SIGMA,
        "one_reading_m": {what: _one_reading(what, found) for what in _ALIKE},
        "pairs": [
            _pair(key, found[key])
            for key in sorted(found, key=lambda k: (k[0].name, k[1].name, k[2]))
        ],
    }


def _by_pair(first: Taping, other: Taping) -> list[tuple[tuple[Member, Member, str], float]]:
    """What the second of two people reads more, whichever of them taped first."""
    one, two = sorted((first, other), key=lambda taping: taping.author_id)
    more = _more(two, one)
    return [
        ((one.author, two.author, what), more[name])
        for what, names in _ALIKE.items() for name in names if name in more
    ]  # fmt: skip


def _one_reading(what: str, found: dict[tuple[Member, Member, str], Agreement]) -> float | None:
    unsure = one_reading([one for key, one in found.items() if key[2] == what])
    return None if unsure is None else figure(unsure)


def _pair(key: tuple[Member, Member, str], found: Agreement) -> dict[str, Any]:
    one, two, what = key
    more = found.reads_more

    def told(value: float | None) -> float | None:
        return None if value is None else figure(value)

    return {
        "one": one.name, "other": two.name, "what": what, "count": more.count,
        "more_m": figure(more.bias), "low_m": told(more.low), "high_m": told(more.high),
        "between_m": told(found.between), "biased": more.biased,
    }  # fmt: skip
