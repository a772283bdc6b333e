"""Sets of finishes and the advice they carry: loads, calls the core, stores what was taken."""

from math import radians
from typing import Any, Literal

import numpy as np
from django.conf import settings
from django.contrib.postgres.aggregates import StringAgg
from django.db import transaction
from django.db.models import OuterRef, Subquery, TextField, Value
from django.db.models.functions import MD5, Cast, Coalesce, Concat
from faircorner.cues import suited
from faircorner.documents.figures import pose_document
from faircorner.documents.reading import read_document
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.shift import Chance, advise, because, describe, driving, headline
from faircorner.shift.finishes import BY_EYE, LEVEL, MEASURED, least_count, mean_pose
from faircorner.standards import MET

from server.lessons.models import Attempt
from server.planning.models import CueSheet, with_revisions
from server.planning.services import current, figures_of, make_sheet, scene_of, sheet_changes
from server.progress.models import KeptSet, Shift
from server.schools.models import Member, School

__all__ = ["set_of", "sets_of", "take_advice"]

# The core's columns in a document's names and units.
_OUTWARD = {
    "kerb": ("kerb_m", 1.0),
    "angle": ("angle_deg", radians(1.0)),
    "ahead": ("ahead_m", 1.0),
    "behind": ("behind_m", 1.0),
}


def _along(sheet: CueSheet) -> Literal["ahead", "behind"]:
    """Which gap tells the place along the berth: to the vehicle ahead, or to a bay's head."""
    ground = read_document("ground", sheet.ground.body).build()
    method = read_document("method", sheet.method.body).build()
    return suited(ground, method).kerb_on_left().berth.along


def _measured(finish: dict[str, Any], along: Literal["ahead", "behind"]) -> list[float]:
    """A finish document as the core's columns, NaN for what was not taped."""
    gap = finish[f"{along}_m"]
    return [
        (finish["kerb_front_m"] + finish["kerb_rear_m"]) / 2,
        radians(finish["angle_deg"]),
        float("nan") if gap is None else gap,
    ]


def sets_of(sheets: list[int], begin: int, most: int) -> list[dict[str, Any]]:
    """So many of the sets of sheets that belong together, which are named oldest first; each with
    what changed before it.

    What a set comes to is kept, and worked out anew once its attempts are others.
    """
    # With the one before the first, which its changes are told from.
    first = max(begin - 1, 0)
    told = CueSheet.objects.filter(pk__in=sheets[first : begin + most]).order_by("created", "id")
    found = with_revisions(
        told.defer("plan").annotate(
            rests_on=_rests_on(), kept_on=_kept("rests_on"), kept=_kept("body")
        )
    )
    befores = [None, *found]
    return [
        {
            **_known(sheet),
            "changes": [said.document() for said in sheet_changes(before, sheet)],
        }
        for before, sheet in list(zip(befores, found, strict=False))[begin - first :]
    ]


def _rests_on() -> Subquery:
    """All of a set's attempts that tell what it comes to, in a few letters."""
    told = Concat(
        Cast("pk", TextField()), Cast("void", TextField()), Cast("started", TextField()),
        Cast(Coalesce(MD5(Cast("tape", TextField())), Value("")), TextField()),
    )  # fmt: skip
    attempts = Attempt.objects.filter(cue_sheet=OuterRef("pk")).order_by().values("cue_sheet")
    every = MD5(StringAgg(told, delimiter=" ", order_by=("started", "pk")))
    return Subquery(attempts.annotate(every=every).values("every"))


def _kept(name: str) -> Subquery:
    return Subquery(KeptSet.objects.filter(sheet=OuterRef("pk")).values(name))


def _known(sheet: Any) -> dict[str, Any]:
    """Of a sheet with what it rests on and what was kept of it; from now on kept."""
    rests_on = f"{settings.CORE} {sheet.rests_on or 'nothing'}"
    if sheet.kept_on == rests_on:
        return dict(sheet.kept)
    body = set_of(sheet, list(sheet.attempts.all()))
    KeptSet.objects.update_or_create(sheet=sheet, defaults={"rests_on": rests_on, "body": body})
    return body


def set_of(sheet: CueSheet, attempts: list[Attempt]) -> dict[str, Any]:
    """Everything the Shift station shows of one sheet's attempts."""
    sheet = current(sheet)
    along = _along(sheet)
    taped = [(a, a.tape) for a in attempts if a.tape is not None]
    finishes = [_measured(tape["finish"], along) for a, tape in taped if not a.void]
    table = np.array(finishes).reshape(-1, 3)
    # The gap along counts only when every attempt of the set has it: half a set misleads.
    width = 3 if len(table) and not np.isnan(table[:, 2]).any() else 2
    verdicts = [tape["verdict"] for a, tape in taped if not a.void]
    weights = [BY_EYE if a.by_eye else 1.0 for a, _ in taped if not a.void]
    met = [verdict for verdict in verdicts if verdict["outcome"] in MET]
    found: dict[str, Any] = {
        "sheet_id": sheet.pk,
        # Written here: as it is kept, a time would lose what is less than a millisecond.
        "created": sheet.created.isoformat(),
        "shifts_m": sheet.options.get("shifts_m", {}),
        "marks": [_mark(a, tape) for a, tape in taped],
        "met": len(met),
        "met_whole": sum(verdict["whole"] for verdict in met),
        "counted": len(table),
        "by_eye": sum(a.by_eye for a, _ in taped if not a.void),
        "mean": _mean([tape["pose"] for a, tape in taped if not a.void], weights),
        "measures": [],
        "advice": None,
    }
    if len(table) >= 2:
        found |= _judged(sheet, table[:, :width], weights, along)
    return found


def _chance(chance: Chance) -> dict[str, float]:
    return {name: round(getattr(chance, name), 3) for name in ("share", "low", "high")}


def _mean(poses: list[dict[str, float]], weights: list[float]) -> dict[str, float] | None:
    if not poses:
        return None
    found = mean_pose([(p["x_m"], p["y_m"], radians(p["heading_deg"])) for p in poses], weights)
    return pose_document(found)


def _mark(attempt: Attempt, tape: dict[str, Any]) -> dict[str, Any]:
    return {
        "attempt": attempt.pk,
        "started": attempt.started.isoformat(),
        "pose": tape["pose"],
        "along_known": tape["along_known"],
        "by_eye": attempt.by_eye,
        "finish": tape["finish"],
        "outcome": tape["verdict"]["outcome"],
        "met": tape["verdict"]["outcome"] in MET,
        "counted": not attempt.void,
    }


def _judged(
    sheet: CueSheet, table: np.ndarray, weights: list[float], along: Literal["ahead", "behind"]
) -> dict[str, Any]:
    width = table.shape[1]
    target = np.array(_measured(sheet.plan["finish"], along)[:width])
    finishes = describe(table - target, weights)
    sensitivity = np.array(sheet.plan["sensitivity"], dtype=np.float64)[:width]
    scene = scene_of(sheet.revisions, sheet.options)
    advice = advise(
        finishes,
        sensitivity,
        driving(scene, figures_of(sheet.plan, scene), along),
        # The same finishes are told the same, whichever sheet they are of.
        rng=np.random.default_rng(0),
    )
    measures = []
    for i, name in enumerate(MEASURED[:width]):
        outward, unit = _OUTWARD[along if name == "along" else name]
        values = (target[i], finishes.bias[i], finishes.margin[i], finishes.scatter[i])
        plan, bias, margin, scatter = (round(float(v) / unit, 4) for v in values)
        measures.append(
            {"measure": outward, "plan": plan, "bias": bias, "margin": margin, "scatter": scatter}
        )
    return {
        "measures": measures,
        "advice": {
            "kind": advice.kind,
            "said": headline(advice, finishes).document(),
            "because": because(advice, finishes).document(),
            "call": advice.call,
            "by_m": round(advice.by, 3),
            "chance": _chance(advice.chance),
            "chance_after": _chance(advice.chance_after),
            "explained": round(advice.explained, 3),
            "scatter_share": [round(float(v), 3) for v in advice.scatter_share],
            # More than a thousand are told as such.
            "odds": round(min(advice.odds, 1e6), 2),
            "level": LEVEL,
            "needed": least_count(width),
        },
    }


@transaction.atomic
def take_advice(school: School, member: Member, sheet_id: int) -> Shift:
    """Move the cue as advised: a new sheet whose cue is told earlier or later, a new set.

    Raises InputError when the set does not advise moving a cue.
    """
    sheet = CueSheet.objects.for_school(school).select_for_update().get(pk=sheet_id)
    described = set_of(sheet, list(sheet.attempts.all()))
    advice = described["advice"]
    if advice is None or advice["kind"] != "move cue":
        raise InputError("sheet", Said("no cue to move"))
    number = str(advice["call"])
    shifts = dict(sheet.options.get("shifts_m", {}))
    shifts[number] = round(shifts.get(number, 0.0) + advice["by_m"], 3)
    # Asked twice, as after a lost answer, it is taken once.
    taken = sheet.shifts_from.filter(call=advice["call"], by_m=advice["by_m"]).first()
    if taken is not None:
        return taken
    after = make_sheet(
        school,
        learner_id=sheet.learner_id,
        revisions=sheet.revisions,
        options={**sheet.options, "shifts_m": shifts},
    )
    return Shift.objects.create(
        school=school,
        before=sheet,
        after=after,
        call=advice["call"],
        by_m=advice["by_m"],
        evidence={"advice": advice, "measures": described["measures"]},
        taken_by=member,
    )
