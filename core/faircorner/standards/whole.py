"""A test of several exercises: faults added over the whole, with one result."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from faircorner.standards.draw import DrawRule
from faircorner.standards.observed import Observed
from faircorner.standards.rules import ObservedRule
from faircorner.standards.verdict import Result, Verdict

__all__ = ["Whole", "judge_whole"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Whole:
    """What a test comes to: faults over all of it, and what failed by being repeated.

    whole : whether all was watched in every exercise
    """

    outcome: Result
    small: int
    serious: int
    points: int
    repeated: tuple[Observed, ...]
    whole: bool


def judge_whole(rule: DrawRule, verdicts: Sequence[Verdict]) -> Whole:
    """The result of a test from the verdicts of its exercises.

    An end of one ends all; a serious fault of one fails all; small faults and points are added up
    and held against what is allowed over the whole, and what fails when repeated is counted over
    the whole, too.
    """
    small = sum(verdict.small for verdict in verdicts)
    points = sum(verdict.points or 0 for verdict in verdicts)
    repeated = _repeated(verdicts)
    serious = sum(verdict.serious for verdict in verdicts)
    too_many = rule.small_allowed is not None and small > rule.small_allowed
    too_dear = rule.points_allowed is not None and points > rule.points_allowed
    outcome: Result
    if any(verdict.outcome == "ended" for verdict in verdicts):
        outcome = "ended"
    elif serious or repeated or too_many or too_dear or _failed(verdicts):
        outcome = "not met"
    else:
        outcome = "met with small faults" if small else "met"
    return Whole(
        outcome=outcome, small=small, serious=serious, points=points, repeated=repeated,
        whole=all(verdict.whole for verdict in verdicts),
    )  # fmt: skip


def _failed(verdicts: Sequence[Verdict]) -> bool:
    return any(verdict.outcome == "not met" for verdict in verdicts)


def _repeated(verdicts: Sequence[Verdict]) -> tuple[Observed, ...]:
    """What was seen as often over the whole as fails, however often it was in each exercise."""
    seen: Counter[Observed] = Counter()
    fails: dict[Observed, int] = {}
    for finding in (finding for verdict in verdicts for finding in verdict.findings):
        rule = finding.rule
        if isinstance(rule, ObservedRule) and rule.repeated is not None:
            seen[rule.what] += int(finding.value or 0)
            fails[rule.what] = min(rule.repeated, fails.get(rule.what, rule.repeated))
    return tuple(what for what, times in seen.items() if times >= fails[what])
