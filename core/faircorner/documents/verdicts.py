"""A verdict with each rule beside what was found, in a document's units."""

from typing import Any

from faircorner.documents.figures import figure
from faircorner.standards import (
    EndRule,
    Finding,
    Limit,
    LookRule,
    ObservedRule,
    Range,
    Rule,
    Verdict,
)

__all__ = ["verdict_document"]


def verdict_document(verdict: Verdict) -> dict[str, Any]:
    """A verdict with each rule beside what was found, in the standard's own units.

    by : what would have to be added to the value for it to be without fault; without : what the
    verdict would then have been
    """
    standard = verdict.standard
    return {
        "outcome": verdict.outcome,
        "small": verdict.small,
        "small_allowed": standard.small_allowed,
        "serious": verdict.serious,
        "points": verdict.points,
        "points_allowed": standard.points_allowed,
        "whole": verdict.whole,
        "findings": [_finding(verdict, finding) for finding in verdict.findings],
    }


def _finding(verdict: Verdict, finding: Finding) -> dict[str, Any]:
    rule = finding.rule
    one = rule.of.one if isinstance(rule, Limit) else 1.0
    return {
        **_told(rule),
        "phase": rule.of.phase or rule.phase if isinstance(rule, Limit) else rule.phase,
        "value": None if finding.value is None else figure(finding.value / one),
        "grade": finding.grade,
        "faults": finding.faults,
        "points": finding.points if verdict.standard.points_allowed is not None else None,
        "unwatched": finding.unwatched,
        "by": figure(finding.by / one),
        "without": verdict.without(finding) if finding.grade else None,
    }


def _told(rule: Rule) -> dict[str, Any]:
    """Which rule it is, by its kind."""
    match rule:
        case Limit():
            return {
                "rule": "limit",
                "measure": rule.of.outward,
                "small": _bounds(rule.small, rule.of.one),
                "serious": _bounds(rule.serious, rule.of.one),
                "ends": _bounds(rule.ends, rule.of.one),
                "each": rule.each,
                "passed": rule.passed,
            }
        case LookRule():
            return {"rule": "look", "look": rule.look, "when": rule.when}
        case ObservedRule():
            return {
                "rule": "observed",
                "observed": rule.what,
                "free": rule.free,
                "repeated": rule.repeated,
            }
        case EndRule():
            return {"rule": "at end", "at_end": rule.what}


def _bounds(pair: Range | None, one: float) -> list[float | None] | None:
    return None if pair is None else [None if v is None else figure(v / one) for v in pair]
