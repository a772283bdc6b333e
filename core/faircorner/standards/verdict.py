"""An attempt held against a standard."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, TypeAlias

from faircorner.standards.finish import Finish
from faircorner.standards.noted import Noted
from faircorner.standards.rules import Finding
from faircorner.standards.standard import Standard

__all__ = ["MET", "Result", "Verdict", "judge"]

Result: TypeAlias = Literal["met", "met with small faults", "not met", "ended"]
# Which of them meet the standard.
MET: frozenset[Result] = frozenset({"met", "met with small faults"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Verdict:
    """What an attempt comes to by a standard, each of its rules beside what was found."""

    standard: Standard
    findings: tuple[Finding, ...]

    @property
    def outcome(self) -> Result:
        return _outcome(self.standard, self.findings)

    @property
    def small(self) -> int:
        return _faults(self.findings, "small")

    @property
    def serious(self) -> int:
        return _faults(self.findings, "serious")

    @property
    def points(self) -> int | None:
        """What it costs, where the standard counts points."""
        return None if self.standard.points_allowed is None else _points(self.findings)

    @property
    def whole(self) -> bool:
        """Whether all that the standard counts was watched."""
        return not any(finding.unwatched for finding in self.findings)

    def without(self, finding: Finding) -> Result:
        """What it would have come to, had this one been in order."""
        return _outcome(self.standard, [one for one in self.findings if one is not finding])


def judge(standard: Standard, finish: Finish, noted: Noted | None = None) -> Verdict:
    """The verdict on one attempt (the first of the finish's batch).

    noted : None where nobody noted anything: what is counted or seen is not judged then
    An end of the test outweighs serious faults, these outweigh small ones; small faults fail only
    beyond the number allowed, or beyond the points where the standard counts those.
    """
    findings = tuple(rule.judged(finish, noted) for rule in standard.rules)
    return Verdict(standard=standard, findings=findings)


def _outcome(standard: Standard, findings: Sequence[Finding]) -> Result:
    if any(finding.grade == "ends" for finding in findings):
        return "ended"
    small = _faults(findings, "small")
    allowed, spent = standard.small_allowed, small
    if standard.points_allowed is not None:
        allowed, spent = standard.points_allowed, _points(findings)
    if _faults(findings, "serious") or spent > allowed:
        return "not met"
    return "met with small faults" if small else "met"


def _faults(findings: Sequence[Finding], grade: Literal["small", "serious"]) -> int:
    return sum(finding.faults for finding in findings if finding.grade == grade)


def _points(findings: Sequence[Finding]) -> int:
    return sum(finding.points for finding in findings)
