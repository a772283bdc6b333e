"""An attempt held against a standard."""

from collections.abc import Mapping
from dataclasses import dataclass
from math import isnan, nan
from typing import Literal, TypeAlias

from faircorner.standards import MEASURES, Finish, Grade, Limit, Standard

__all__ = ["MET", "Finding", "Result", "Verdict", "judge"]

Result: TypeAlias = Literal["met", "met with small faults", "not met", "ended"]
# Which of them meet the standard.
MET: frozenset[Result] = frozenset({"met", "met with small faults"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Finding:
    """One measure beside its limit; value None when it was not measured and so not judged.

    unwatched : how many looks its count knows nothing of
    """

    limit: Limit
    value: float | None
    grade: Grade | None
    unwatched: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Verdict:
    outcome: Result
    small: int
    serious: int
    findings: tuple[Finding, ...]

    @property
    def whole(self) -> bool:
        """Whether all that the standard counts was watched."""
        return not any(finding.unwatched for finding in self.findings)


def judge(
    standard: Standard, finish: Finish, counts: Mapping[str, float], *, unwatched: int = 0
) -> Verdict:
    """The verdict on one attempt (the first of the finish's batch).

    counts : by the names of `counted`; what is absent was not noted and is not judged
    unwatched : how many looks nobody noted; they are neither faults nor in order
    An end of the test outweighs serious faults, these outweigh small ones; small faults fail
    only beyond the number allowed.
    """
    findings = tuple(_finding(limit, finish, counts, unwatched) for limit in standard.limits)
    grades = [finding.grade for finding in findings]
    small, serious = grades.count("small"), grades.count("serious")
    outcome: Result
    if "ends" in grades:
        outcome = "ended"
    elif serious or small > standard.small_allowed:
        outcome = "not met"
    else:
        outcome = "met with small faults" if small else "met"
    return Verdict(outcome=outcome, small=small, serious=serious, findings=findings)


def _finding(limit: Limit, finish: Finish, counts: Mapping[str, float], unwatched: int) -> Finding:
    measure = MEASURES[limit.measure]
    if measure.taped is not None:
        value = float(finish.measure(measure.name)[0])
        value = abs(value) if measure.both_ways else value
    else:
        value = float(counts.get(measure.name, nan))
    if isnan(value):
        return Finding(limit=limit, value=None, grade=None)
    return Finding(
        limit=limit,
        value=value,
        grade=limit.grade(value),
        unwatched=unwatched if measure.of_looks else 0,
    )
