"""Changes to documents, each checked by the core before it is kept."""

from typing import Any

from django.db import transaction
from faircorner.documents.merging import merged
from faircorner.documents.reading import accepted, in_full
from faircorner.errors import InputError
from faircorner.said import Said

from server.documents.models import Document, Kind, Revision
from server.errors import Stale
from server.schools.models import Member, School

__all__ = ["create_document", "latest_revisions", "merge_draft", "put_away", "revise_document"]


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
) -> Revision:
    """A new document with its first revision. Raises InputError naming the field."""
    if (kind == Kind.SEAT) != (vehicle_id is not None):
        raise InputError("vehicle_id", Said("a seat needs its vehicle"))
    vehicle = None
    if vehicle_id is not None:
        vehicle = Document.objects.for_school(school).get(pk=vehicle_id, kind=Kind.VEHICLE)
    document = Document.objects.create(school=school, kind=kind, vehicle=vehicle)
    return document.revisions.create(number=1, body=_checked(kind, body), author=author)


@transaction.atomic
def revise_document(
    school: School, document_id: int, *, based_on: int, body: dict[str, Any], author: Member
) -> Revision:
    """A new revision. Raises Stale when a newer one exists than the edit began with."""
    document = Document.objects.for_school(school).select_for_update().get(pk=document_id)
    latest = document.revisions.latest("number")
    if based_on != latest.number:
        raise Stale(Said("newer revision", edited=based_on, newest=latest.number))
    return document.revisions.create(
        number=latest.number + 1, body=_checked(document.kind, body), author=author
    )


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


def latest_revisions(school: School) -> list[Revision]:
    """The newest revision of every document of the school, oldest document first."""
    return list(
        Revision.objects.filter(document__school=school)
        .select_related("document", "author")
        .order_by("document_id", "-number")
        .distinct("document_id")
    )
