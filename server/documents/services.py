"""Changes to documents, each checked by the core before it is kept."""

from typing import Any, NamedTuple

from django.db import transaction
from faircorner.documents.merging import merged
from faircorner.documents.reading import accepted, in_full, read_document
from faircorner.errors import InputError
from faircorner.said import Said

from server.documents.models import Document, Kind, Revision
from server.errors import Stale
from server.schools.models import Member, Role, School

__all__ = [
    "Newest",
    "create_document",
    "give_seat",
    "merge_draft",
    "newest_of",
    "put_away",
    "revise_document",
]


def _checked(kind: str, body: dict[str, Any]) -> dict[str, Any]:
    """The body as it will be kept, with every default written out."""
    return accepted(kind, body).model_dump(by_alias=True, mode="json")


@transaction.atomic
def create_document(
    school: School,
    *,
    kind: str,
    body: dict[str, Any],
    author: Member | None = None,
    vehicle_id: int | None = None,
    sitter_id: int | None = None,
) -> Revision:
    """A new document with its first revision. Raises InputError naming the field.

    sitter_id : of a seat, the learner whose usual one it is
    """
    if (kind == Kind.SEAT) != (vehicle_id is not None):
        raise InputError("vehicle_id", Said("a seat needs its vehicle"))
    vehicle = None
    if vehicle_id is not None:
        vehicle = Document.objects.for_school(school).get(pk=vehicle_id, kind=Kind.VEHICLE)
    checked = _checked(kind, body)
    _seat_suits(vehicle, checked)
    document = Document.objects.create(
        school=school, kind=kind, vehicle=vehicle, sitter=_sitter(school, kind, sitter_id)
    )
    return document.revisions.create(number=1, body=checked, author=author)


def _sitter(school: School, kind: str, sitter_id: int | None) -> Member | None:
    """The learner of this school whose seat it is. Raises InputError for what is no seat."""
    if sitter_id is None:
        return None
    if kind != Kind.SEAT:
        raise InputError("sitter_id", Said("only a seat has a sitter"))
    return Member.objects.get(school=school, role=Role.LEARNER, pk=sitter_id)


def give_seat(school: School, document_id: int, *, sitter_id: int | None) -> Document:
    """A seat becomes a learner's usual one, or nobody's."""
    document = Document.objects.for_school(school).get(pk=document_id)
    document.sitter = _sitter(school, document.kind, sitter_id)
    document.save(update_fields=["sitter"])
    return document


def _seat_suits(vehicle: Document | None, seat: dict[str, Any]) -> None:
    """Raises InputError for a seat with a mark of its own on a mirror the vehicle has not."""
    if vehicle is not None:
        body = vehicle.revisions.latest("number").body
        read_document("seat", seat).build().sits_in(read_document("vehicle", body).build())


def _dots_have_mirrors(vehicle: Document, body: dict[str, Any]) -> None:
    """Raises InputError for a vehicle without a mirror that a seat in it has a dot on."""
    there = {mirror["name"] for mirror in body["mirrors"]}
    for seat in vehicle.seats.with_latest():
        for dot in seat.latest.body.get("dots", []):
            if dot["mirror"] not in there:
                raise InputError(
                    "mirrors",
                    Said("a seat has a dot on it", mirror=dot["mirror"], seat=seat.latest.name),
                )


@transaction.atomic
def revise_document(
    school: School, document_id: int, *, based_on: int, body: dict[str, Any], author: Member
) -> Revision:
    """A new revision. Raises Stale when a newer one exists than the edit began with."""
    document = Document.objects.for_school(school).select_for_update().get(pk=document_id)
    latest = document.revisions.latest("number")
    if based_on != latest.number:
        raise Stale(Said("newer revision", edited=based_on, newest=latest.number))
    checked = _checked(document.kind, body)
    _seat_suits(document.vehicle, checked)
    if document.kind == Kind.VEHICLE:
        _dots_have_mirrors(document, checked)
    return document.revisions.create(number=latest.number + 1, body=checked, author=author)


def merge_draft(
    school: School, document_id: int, *, based_on: int, body: dict[str, Any]
) -> dict[str, Any]:
    """A draft begun from an older revision, on top of the newest one. Nothing is stored."""
    revisions = Revision.objects.filter(document__school=school, document_id=document_id)
    newest = revisions.latest("number")
    base = revisions.get(number=based_on)
    merge = merged(in_full(base.body), body, in_full(newest.body))
    return {
        "number": newest.number,
        "mine": merge.mine,
        "theirs": merge.theirs,
        "conflicts": [said.document() for said in merge.conflicts],
    }


def put_away(school: School, document_id: int, *, away: bool) -> Document:
    """Out of the way, or back; nothing that was made with it changes."""
    document = Document.objects.for_school(school).get(pk=document_id)
    document.away = away
    document.save(update_fields=["away"])
    return document


class Newest(NamedTuple):
    """What of a document's newest revision tells whether it is chosen: not its whole body."""

    pk: int
    document_id: int
    kind: str
    away: bool
    vehicle_id: int | None
    sitter_id: int | None
    goal: str | None
    manoeuvre: str


def newest_of(school: School) -> list[Newest]:
    """The newest revision of every document of the school, oldest document first."""
    own = ("kind", "away", "vehicle_id", "sitter_id")
    told = ("body__goal__kind", "body__manoeuvre")
    rows = (
        Revision.objects.filter(document__school=school)
        .order_by("document_id", "-number")
        .distinct("document_id")
        .values_list("pk", "document_id", *(f"document__{name}" for name in own), *told)
    )
    return [Newest(*row) for row in rows]
