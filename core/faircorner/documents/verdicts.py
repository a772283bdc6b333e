"""A verdict with each limit beside its figure."""

from typing import Any

from faircorner.documents.figures import figure
from faircorner.standards import MEASURES, Range
from faircorner.tape import Verdict

__all__ = ["verdict_document"]


def verdict_document(verdict: Verdict) -> dict[str, Any]:
    """A verdict with each limit beside its figure, in the standard's own units."""

    def bounds(pair: Range | None, unit: float) -> Any:
        return None if pair is None else [None if v is None else figure(v / unit) for v in pair]

    findings = []
    for finding in verdict.findings:
        measure = MEASURES[finding.limit.measure]
        unit = measure.one
        findings.append(
            {
                "measure": measure.outward,
                "value": None if finding.value is None else figure(finding.value / unit),
                "grade": finding.grade,
                "unwatched": finding.unwatched,
                "small": bounds(finding.limit.small, unit),
                "serious": bounds(finding.limit.serious, unit),
                "ends": bounds(finding.limit.ends, unit),
            }
        )
    return {
        "outcome": verdict.outcome,
        "small": verdict.small,
        "serious": verdict.serious,
        "whole": verdict.whole,
        "findings": findings,
    }
