"""What was noted and taped, held against a standard: the one kept with it, or one being tried."""

from collections import Counter
from collections.abc import Callable, Iterable
from itertools import groupby
from typing import Any, TypeAlias

from django.db.models.fields.json import KeyTransform
from faircorner.cues.looks import SWINGS
from faircorner.documents.finishes import read_finish
from faircorner.documents.judging import read_on_the_way
from faircorner.documents.reading import read_document
from faircorner.documents.verdicts import verdict_document
from faircorner.standards import (
    MET,
    Finish,
    LookNoted,
    Noted,
    Phase,
    Seen,
    Standard,
    Verdict,
    judge,
)

from server.documents.models import Document
from server.lessons.models import Attempt
from server.planning.models import CueSheet
from server.schools.models import School

__all__ = ["LATER", "MOST_TRIED", "Judge", "judge_of", "judged", "trial", "verdict_on"]

# What of a sheet's plan is judged by: its "looks", "calls" and "legs".
Plan: TypeAlias = dict[str, Any]
Judge: TypeAlias = Callable[[Attempt, Finish], Verdict]

# What notes of old did not have.
LATER: dict[str, Any] = {
    "prompted": [], "observed": [], "call_seconds": [], "look_seconds": [], "watched": [],
    "on_the_way": {}, "at_end": {}, "help": None, "from_memory": [], "predicted": [],
}  # fmt: skip
# How many of the newest attempts a standard is tried on, and how many of them are told one by one.
MOST_TRIED = 1000
_MOST_TOLD = 50


def judged(attempt: Attempt) -> Verdict:
    """The verdict on an attempt that was taped, by its own sheet's standard."""
    sheet = attempt.cue_sheet
    return _tried(read_document("standard", sheet.standard.body).build(), attempt, sheet.plan)


def judge_of(attempts: Iterable[Attempt]) -> Judge:
    """The verdict on any of them with another finish than was taped.

    What is judged by is fetched and read once, however many attempts it is for.
    """
    plans = _plans({attempt.cue_sheet_id for attempt in attempts})
    standards: dict[int, Standard] = {}

    def by(attempt: Attempt, finish: Finish) -> Verdict:
        kept = attempt.cue_sheet.standard
        if kept.pk not in standards:
            standards[kept.pk] = read_document("standard", kept.body).build()
        noted = _noted(attempt.notes_now, plans[attempt.cue_sheet_id])
        return judge(standards[kept.pk], finish, noted)

    return by


def verdict_on(sheet: CueSheet, notes: dict[str, Any], finish: Finish) -> dict[str, Any]:
    """The verdict by the sheet's own standard, as a document, with the looks nobody noted."""
    standard = read_document("standard", sheet.standard.body).build()
    noted = _noted(notes, sheet.plan)
    looks = zip(sheet.plan["looks"], noted.looks, strict=True)
    return {
        **verdict_document(judge(standard, finish, noted)),
        "unwatched": [
            {"step": look["step"], "look": look["look"]}
            for look, told in looks
            if told.became is None
        ],
    }


def trial(school: School, document_id: int, body: dict[str, Any]) -> dict[str, Any]:
    """What a standard being changed would have said of what was judged by it; keeps nothing.

    Of the newest attempts that were taped and count. Raises InputError naming the field.
    """
    document = Document.objects.for_school(school).get(pk=document_id, kind="standard")
    standard = read_document("standard", body).build()
    taped = Attempt.objects.for_school(school).filter(
        cue_sheet__standard__document=document, void=False, tape__isnull=False
    )
    newest = list(
        taped.order_by("-started", "-id")
        .select_related("cue_sheet__learner")
        .defer("cue_sheet__plan")
        .prefetch_related("corrections")[:MOST_TRIED]
    )
    plans = _plans({attempt.cue_sheet_id for attempt in newest})
    tried = [(one, _tried(standard, one, plans[one.cue_sheet_id])) for one in newest]
    otherwise = [(one, now) for one, now in tried if one.outcome != now.outcome]
    return {
        "attempts": len(newest),
        "older": taped.count() - len(newest),
        "before": Counter(one.outcome for one in newest),
        "after": Counter(now.outcome for _, now in tried),
        "met_before": sum(one.outcome in MET for one in newest),
        "met_after": sum(now.outcome in MET for _, now in tried),
        "otherwise": len(otherwise),
        "told": [
            {
                "id": one.pk,
                "sheet_id": one.cue_sheet_id,
                "learner_id": one.cue_sheet.learner_id,
                "learner": one.cue_sheet.learner.name,
                "started": one.started,
                "before": one.outcome,
                "after": now.outcome,
            }
            for one, now in otherwise[:_MOST_TOLD]
        ],
    }


def _tried(standard: Standard, attempt: Attempt, plan: Plan) -> Verdict:
    kept = attempt.tape or {"finish": {}}
    return judge(standard, read_finish(kept["finish"]), _noted(attempt.notes_now, plan))


def _plans(sheets: set[int]) -> dict[int, Plan]:
    """What is judged by of each sheet's plan; the rest of a plan is a hundred times as long."""
    parts = ("looks", "calls", "legs")
    picked = CueSheet.objects.filter(pk__in=sheets).annotate(
        **{f"its_{part}": KeyTransform(part, "plan") for part in parts}
    )
    return {
        row["pk"]: {part: row[f"its_{part}"] for part in parts}
        for row in picked.values("pk", *(f"its_{part}" for part in parts))
    }


def _noted(kept: dict[str, Any], plan: Plan) -> Noted:
    """Notes as the core has them: a look of the sheet that they leave out was not noted."""
    notes = LATER | kept
    became = [*notes["looks"], *[None] * (len(plan["looks"]) - len(notes["looks"]))]
    looks = [
        LookNoted(
            look=look["look"], phase=_phase(look["step"], plan), became=said,
            # Sheets of old do not say what a look is for.
            swings=str(look.get("why")) in SWINGS,
        )
        for look, said in zip(plan["looks"], became, strict=True)
    ]  # fmt: skip
    return Noted(
        **{name: notes[name] for name in ("seconds", *_COUNTS)},
        planned=_planned(plan),
        looks=tuple(looks),
        observed=tuple(Seen(what=one["what"], phase=one["phase"]) for one in notes["observed"]),
        watched=frozenset(notes["watched"]),
        on_the_way=read_on_the_way(notes["on_the_way"]),
        at_end=notes["at_end"],
    )


_COUNTS = (
    "forward_movements", "reverse_movements", "kerb_touches", "kerb_mounts", "vehicle_touches"
)  # fmt: skip


def _phase(step: int, plan: Plan) -> Phase:
    """Of what phase a look is: before the first stop's call, on the way, or before leaving."""
    if step == 0:
        return "start"
    return "execution" if step <= len(plan["calls"]) else "leaving"


def _planned(plan: Plan) -> int:
    """How many movements the sheet itself has: stretches in one gear."""
    return sum(1 for _ in groupby(plan["legs"], key=lambda leg: leg["gear"]))
