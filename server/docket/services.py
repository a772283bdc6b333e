"""What the five stubs of the docket stand for when not all of them are asked for."""

from typing import Any

from faircorner.standards import goal_of

from server.documents.models import Revision
from server.documents.services import Newest
from server.planning.models import CueSheet
from server.schools.access import Caller
from server.schools.models import Member, Role

__all__ = [
    "Missing",
    "changed_since",
    "learner_of",
    "resolved",
    "sits_in",
    "sitter_of",
]


class Missing(Exception):
    """The school has nothing of a kind yet that the docket needs."""

    def __init__(self, kind: str) -> None:
        super().__init__(kind)
        self.kind = kind


def _chosen(newest: list[Newest], kind: str, document: int | None) -> Newest:
    """The document asked for, or the first of its kind that is not put away."""
    for one in newest if document else _at_hand(newest):
        if one.kind == kind and document in (None, one.document_id):
            return one
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
    newest: list[Newest], asked: dict[str, int | None], last: dict[str, int], learner: Member
) -> dict[str, Revision]:
    """Newest revisions of what was asked for; else of the learner's last sheet; else the first.

    last : the documents of that sheet by kind; empty where there is none
    Of seats the learner's own one comes before the first.

    A method asked for without a ground brings one that it suits; any other method or standard
    that does not suit the ground gives way to the first that does.
    """
    wanted = {kind: document or last.get(kind) for kind, document in asked.items()}
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
    vehicle = _chosen(newest, "vehicle", seat.vehicle_id)
    return _whole(vehicle, seat, ground, method, standard)


def _whole(*chosen: Newest) -> dict[str, Revision]:
    known = Revision.objects.order_by().select_related("document__sitter", "author")
    found = known.in_bulk([one.pk for one in chosen])
    return {one.kind: found[one.pk] for one in chosen}


def _own_seat(newest: list[Newest], learner: Member) -> int | None:
    """The learner's usual seat, the one measured last where there are several."""
    own = [one.document_id for one in _of(newest, "seat") if one.sitter_id == learner.pk]
    return max(own, default=None)


def sits_in(learner: Member, seat: Revision) -> bool:
    """Whether a seat is this learner's own; driving in another's does not make it theirs."""
    return seat.document.sitter_id == learner.pk


def sitter_of(seat: Revision) -> str:
    """Whose usual seat it is; empty for nobody's."""
    sitter = seat.document.sitter
    return "" if sitter is None else sitter.name


def changed_since(sheet: CueSheet, revisions: dict[str, Revision]) -> list[dict[str, Any]]:
    """What the docket has in another revision than a sheet was made from."""
    before = {kind: getattr(sheet, f"{kind}_id") for kind in revisions}
    others = [kind for kind, now in revisions.items() if now.pk != before[kind]]
    found = Revision.objects.in_bulk([before[kind] for kind in others])
    pairs = [(kind, found[before[kind]], revisions[kind]) for kind in others]
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
    ]


def _of(newest: list[Newest], kind: str) -> list[Newest]:
    return [one for one in _at_hand(newest) if one.kind == kind]


def _at_hand(newest: list[Newest]) -> list[Newest]:
    """What is not put away, seats of a vehicle that is among it; for what nobody asked by name."""
    away = {one.document_id for one in newest if one.away}
    return [one for one in newest if not {one.document_id, one.vehicle_id} & away]


def _suit(ground: Newest, other: Newest) -> bool:
    """Whether a method or standard is for the kind of goal that the ground has."""
    return bool((ground.goal or "kerbside") == goal_of(other.manoeuvre))
