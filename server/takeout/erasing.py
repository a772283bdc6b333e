"""A learner who asks to be forgotten: everything the school has of them goes, for good."""

from django.db import connection, transaction
from django.db.models import Q
from faircorner.errors import InputError
from faircorner.said import Said

from server.documents.models import Document, Kind
from server.lessons.models import Attempt, Lesson
from server.mock_tests.models import MockTest
from server.planning.models import CueSheet
from server.progress.models import Shift
from server.schools.models import Member, Role

__all__ = ["erase_learner"]


@transaction.atomic
def erase_learner(member: Member, *, name: str) -> None:
    """Delete a learner with their lessons, sheets, attempts, and the seats that only they sat in.

    name : theirs, typed by whoever asks, so that nobody is erased by a slip
    Raises InputError naming the field.
    """
    if member.role != Role.LEARNER:
        raise InputError("person_id", Said("only learners are erased"))
    if name.strip() != member.name:
        raise InputError("name", Said("not their name", name=member.name))
    sheets = CueSheet.objects.filter(learner=member)
    seats = _seats_of_nobody_else(member)
    Shift.objects.filter(before__in=sheets).delete()
    MockTest.objects.filter(learner=member).delete()
    Attempt.objects.filter(cue_sheet__in=sheets).delete()
    sheets.delete()
    Lesson.objects.filter(learner=member).delete()
    _erase_documents(seats)
    key = member.pk
    member.user.delete()
    # Last, for deleting a row is one more state of its history.
    Lesson.history.filter(learner_id=key).delete()
    Member.history.filter(id=key).delete()


def _seats_of_nobody_else(member: Member) -> list[int]:
    """Their seats and those of their sheets, if on nobody else's: they carry eyes and a name."""
    seats = Document.objects.filter(school=member.school, kind=Kind.SEAT)
    theirs = seats.filter(Q(revisions__seat_sheets__learner=member) | Q(sitter=member))
    others = CueSheet.objects.exclude(learner=member).values("seat__document")
    return list(theirs.exclude(pk__in=others).distinct().values_list("pk", flat=True))


def _erase_documents(keys: list[int]) -> None:
    """Revisions never change; here alone they may go, until the end of the transaction."""
    with connection.cursor() as cursor:
        cursor.execute("SET LOCAL fair_corner.erasing = 'on'")
        cursor.execute("DELETE FROM documents_revision WHERE document_id = ANY(%s)", [keys])
        cursor.execute("SET LOCAL fair_corner.erasing = 'off'")
    Document.objects.filter(pk__in=keys).delete()
