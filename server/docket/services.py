"""What the five stubs of the docket stand for when not all of them are asked for."""

from typing import Any

from faircorner.cues import goal_of

from server.documents.models import Revision
from server.planning.models import CueSheet
from server.schools.access import Caller
from server.schools.models import Member, Role

__all__ = ["Missing", "changed_since", "learner_of", "resolved", "sits_in", "sitter_of"]


class Missing(Exception):
    """The school has nothing of a kind yet that the docket needs."""

    def __init__(self, kind: str) -> None:
        super().__init__(kind)
        self.kind = kind


def _chosen(revisions: list[Revision], kind: str, document: int | None) -> Revision:
    """The document asked for, or the first of its kind that is not put away."""
    for revision in revisions if document else _at_hand(revisions):
        if revision.document.kind == kind and document in (None, revision.document_id):
            return revision
    if document is None:
        raise Missing(kind)
    raise Revision.DoesNotExist


def learner_of(request: Caller, learner: int | None) -> Member:
    """The learner asked for, or the first whom the caller may see."""
    learners = Member.objects.filter(school=request.school, role=Role.LEARNER)
    coming = learners.filter(user__is_active=True)
    if request.member.role == Role.LEARNER:
        learners = coming = learners.filter(pk=request.member.pk)
    if learner is not None:
        return learners.get(pk=learner)
    found = coming.first() or learners.first()
    if found is None:
        raise Missing("learner")
    return found


def resolved(
    newest: list[Revision],
    asked: dict[str, int | None],
    last: CueSheet | None,
    learner: Member,
) -> dict[str, Revision]:
    """Newest revisions of what was asked for; else of the learner's last sheet; else the first.

    Of seats the learner's own one comes before the first.

    A method asked for without a ground brings one that it suits; any other method or standard
    that does not suit the ground gives way to the first that does.
    """
    wanted: dict[str, int | None] = {
        kind: document or (None if last is None else getattr(last, kind).document_id)
        for kind, document in asked.items()
    }
    seat = _chosen(newest, "seat", wanted["seat"] or _own_seat(newest, learner))
    method = _chosen(newest, "method", wanted["method"])
    ground = _chosen(newest, "ground", wanted["ground"])
    if not _suit(ground, method):
        if asked["method"] and not asked["ground"]:
            ground = next((g for g in _of(newest, "ground") if _suit(g, method)), ground)
        else:
            method = next((m for m in _of(newest, "method") if _suit(ground, m)), method)
    standard = _chosen(newest, "standard", wanted["standard"])
    if not _suit(ground, standard):
        standard = next((s for s in _of(newest, "standard") if _suit(ground, s)), standard)
    vehicle = _chosen(newest, "vehicle", seat.document.vehicle_id)
    return {"vehicle": vehicle, "seat": seat, "ground": ground, "method": method,
            "standard": standard}  # fmt: skip


def _own_seat(newest: list[Revision], learner: Member) -> int | None:
    """The learner's usual seat, the one measured last where there are several."""
    own = [r.document_id for r in _of(newest, "seat") if r.document.sitter_id == learner.pk]
    return max(own, default=None)


def sits_in(learner: Member, seat: Revision) -> bool:
    """Whether a seat is this learner's: theirs by name, or one that they have driven in."""
    sheets = CueSheet.objects.filter(learner=learner, seat__document=seat.document_id)
    return seat.document.sitter_id == learner.pk or sheets.exists()


def sitter_of(seat: Revision) -> str:
    """Whose usual seat it is; empty for nobody's."""
    sitter = seat.document.sitter
    return "" if sitter is None else sitter.name


def changed_since(sheet: CueSheet, revisions: dict[str, Revision]) -> list[dict[str, Any]]:
    """What the docket has in another revision than a sheet was made from."""
    pairs = [(kind, sheet.revisions[kind], now) for kind, now in revisions.items()]
    return [
        {
            "kind": kind,
            "name": now.name,
            "number": now.number,
            "sheet_name": was.name,
            "sheet_number": was.number,
            "another": now.document_id != was.document_id,
        }
        for kind, was, now in pairs
        if now.pk != was.pk
    ]


def _of(newest: list[Revision], kind: str) -> list[Revision]:
    return [r for r in _at_hand(newest) if r.document.kind == kind]


def _at_hand(newest: list[Revision]) -> list[Revision]:
    """What is not put away, seats of a vehicle that is among it; for what nobody asked by name."""
    away = {r.document_id for r in newest if r.document.away}
    return [r for r in newest if not {r.document_id, r.document.vehicle_id} & away]


def _suit(ground: Revision, other: Revision) -> bool:
    """Whether a method or standard is for the kind of goal that the ground has."""
    return bool(ground.body["goal"].get("kind", "kerbside") == goal_of(other.body["manoeuvre"]))
