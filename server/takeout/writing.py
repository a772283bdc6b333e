"""A school, or what it has of one learner, written to one file: a zip of JSON lines."""

import json
from collections.abc import Iterable, Iterator
from datetime import UTC, datetime
from typing import IO, Any
from zipfile import ZIP_DEFLATED, ZipFile, ZipInfo

from django.db.models import Prefetch, Q, QuerySet

from server.documents.models import Document, Kind, Revision
from server.lessons.models import Attempt, Lesson
from server.lessons.schemas.lessons import DOCKET
from server.mock_tests.models import MockTest
from server.planning.models import CueSheet
from server.progress.models import Shift
from server.schools.models import Member, School

__all__ = ["write_file"]

# The same school makes the same file, whenever it is taken out.
_DAY = (2000, 1, 1, 0, 0, 0)
_CHUNK = 200
Line = dict[str, Any]


def write_file(school: School, out: IO[bytes], *, lead: Member, learner: Member | None) -> None:
    """Write all of a school, or only what it has of one learner, as `records` describes it.

    lead : who takes it out, and comes in with it
    """
    rows = _Rows(school, learner)
    with ZipFile(out, "w") as archive:
        _write(archive, "school.json", [rows.head(lead)])
        for name, lines in rows.parts():
            _write(archive, f"{name}.jsonl", lines)


def _write(archive: ZipFile, name: str, lines: Iterable[Line]) -> None:
    entry = ZipInfo(name, _DAY)
    entry.compress_type = ZIP_DEFLATED
    with archive.open(entry, "w") as file:
        for line in lines:
            file.write(json.dumps(line, ensure_ascii=False, sort_keys=True).encode() + b"\n")


class _Rows:
    """The rows that go out, and the numbers by which they name each other."""

    def __init__(self, school: School, learner: Member | None) -> None:
        self.school, self.learner = school, learner
        sheets = CueSheet.objects.for_school(school)
        lessons = Lesson.objects.for_school(school)
        attempts = Attempt.objects.for_school(school)
        shifts = Shift.objects.for_school(school)
        mocks = MockTest.objects.for_school(school)
        people = Member.objects.filter(school=school)
        documents = Document.objects.for_school(school)
        revisions = Revision.objects.filter(document__school=school)
        if learner is not None:
            sheets, lessons = sheets.filter(learner=learner), lessons.filter(learner=learner)
            attempts = attempts.filter(cue_sheet__learner=learner)
            shifts = shifts.filter(before__learner=learner)
            mocks = mocks.filter(learner=learner)
            revisions = revisions.filter(_driven_by(learner) | _sat_in_by(learner)).distinct()
            documents = documents.filter(revisions__in=revisions).distinct()
            people = people.filter(
                Q(pk=learner.pk) | Q(lessons_given__learner=learner)
                | Q(attempts_noted__cue_sheet__learner=learner) | Q(revision__in=revisions)
                | Q(corrections__attempt__cue_sheet__learner=learner)
                | Q(tapings__attempt__cue_sheet__learner=learner)
                | Q(shifts_taken__before__learner=learner)
                | Q(mock_tests_held__learner=learner)
                | Q(pk__in=Lesson.history.filter(learner=learner).values("instructor"))
            ).distinct()  # fmt: skip
        self.people = people.order_by("pk").select_related("user")
        self.documents = documents.order_by("pk").prefetch_related(
            Prefetch("revisions", queryset=revisions.order_by("number"))
        )
        self.sheets, self.lessons = sheets.order_by("pk"), lessons.order_by("pk")
        self.attempts = attempts.order_by("started", "pk").prefetch_related(
            "corrections", "tapings"
        )
        self.shifts, self.mocks = shifts.order_by("pk"), mocks.order_by("pk")
        self.person = _numbers(self.people)
        self.user = {member.user_id: number for member, number in _numbered(self.people)}
        self.document = _numbers(self.documents)
        self.sheet, self.lesson = _numbers(self.sheets), _numbers(self.lessons)
        named = revisions.values_list("pk", "document_id", "number")
        self.revised = {pk: [self.document[of], number] for pk, of, number in named}

    def head(self, lead: Member) -> Line:
        school = self.school
        return {
            "format": "fair-corner/school@1", "name": school.name, "place": school.place,
            "keeps": school.keeps, "units": school.units, "locale": school.locale,
            "time_zone": school.time_zone, "pad": school.pad, "wheel": school.wheel,
            "lead": self.person.get(lead.pk),
            "learner": self.learner and self.person[self.learner.pk],
        }  # fmt: skip

    def parts(self) -> Iterator[tuple[str, Iterable[Line]]]:
        yield "people", map(self._person, self.people.iterator(chunk_size=_CHUNK))
        yield "documents", map(self._document, self.documents.iterator(chunk_size=_CHUNK))
        yield "lessons", map(self._lesson, self.lessons.iterator(chunk_size=_CHUNK))
        yield "sheets", map(self._sheet, self.sheets.iterator(chunk_size=_CHUNK))
        yield "attempts", map(self._attempt, self.attempts.iterator(chunk_size=_CHUNK))
        yield "shifts", map(self._shift, self.shifts.iterator(chunk_size=_CHUNK))
        yield "mock_tests", map(self._mock_test, self.mocks.iterator(chunk_size=_CHUNK))

    def _person(self, member: Member) -> Line:
        known = ("name", "role", "note", "email")
        return {
            "person": self.person[member.pk], **_fields(member, known),
            "active": member.user.is_active,
            "states": [{**self._state(was), **_fields(was, known)} for was in _states(member)],
        }  # fmt: skip

    def _state(self, was: Any) -> Line:
        by = self.user.get(was.history_user_id)
        return {"at": _time(was.history_date), "by": by, "kind": was.history_type}

    def _document(self, document: Document) -> Line:
        revisions = [
            {
                "number": one.number, "body": one.body, "created": _time(one.created),
                "author": self.person.get(one.author_id),
            }
            for one in document.revisions.all()
        ]  # fmt: skip
        return {
            "document": self.document[document.pk], "kind": document.kind, "away": document.away,
            "vehicle": self.document.get(document.vehicle_id),
            "sitter": self.person.get(document.sitter_id), "revisions": revisions,
        }  # fmt: skip

    def _lesson(self, lesson: Lesson) -> Line:
        return {
            "lesson": self.lesson[lesson.pk], **self._appointment(lesson),
            # While it was somebody else's, it is no part of one learner's file.
            "states": [
                {**self._state(was), **self._appointment(was)}
                for was in _states(lesson) if was.learner_id in self.person
            ],
        }  # fmt: skip

    def _appointment(self, lesson: Any) -> Line:
        known = (
            "minutes", "place", "about", "notes", "cancelled", "cancelled_because", "recap",
            "learnt", "comes_next", "version",
        )  # fmt: skip
        return {
            "learner": self.person[lesson.learner_id],
            "instructor": self.person[lesson.instructor_id],
            "starts": _time(lesson.starts), **_fields(lesson, known),
            "begun": lesson.begun and _time(lesson.begun),
            "ended": lesson.ended and _time(lesson.ended),
            "plan": [self._exercise(one) for one in lesson.plan],
        }  # fmt: skip

    def _exercise(self, planned: dict[str, Any]) -> Line:
        docket = planned["docket"] or {}
        documents = [self.document.get(docket.get(kind)) for kind in DOCKET]
        return {
            "what": planned["what"], "minutes": planned["minutes"],
            "documents": documents if all(documents) else None,
        }  # fmt: skip

    def _sheet(self, sheet: CueSheet) -> Line:
        made_from = {k: self.revised[getattr(sheet, f"{k}_id")] for k in Kind.values}
        return {
            "sheet": self.sheet[sheet.pk], "learner": self.person[sheet.learner_id],
            **made_from, "options": sheet.options, "plan": sheet.plan,
            "created": _time(sheet.created), "used": _time(sheet.used),
        }  # fmt: skip

    def _attempt(self, attempt: Attempt) -> Line:
        corrections = [
            {"author": self.person[c.author_id], "made": _time(c.made), "notes": c.notes}
            for c in attempt.corrections.all()
        ]
        return {
            "id": str(attempt.pk), "sheet": self.sheet[attempt.cue_sheet_id],
            "lesson": self.lesson.get(attempt.lesson_id),
            "instructor": self.person[attempt.instructor_id], "started": _time(attempt.started),
            **_fields(attempt, ("notes", "readings", "tape", "stated", "void")),
            "corrections": corrections,
            "tapings": [
                {"author": self.person[t.author_id], "made": _time(t.made),
                 **_fields(t, ("readings", "finish", "why", "beside"))}
                for t in attempt.tapings.all()
            ],
        }  # fmt: skip

    def _shift(self, shift: Shift) -> Line:
        return {
            "before": self.sheet[shift.before_id], "after": self.sheet[shift.after_id],
            **_fields(shift, ("call", "by_m", "evidence")),
            "taken_by": self.person[shift.taken_by_id], "taken": _time(shift.taken),
        }  # fmt: skip

    def _mock_test(self, test: MockTest) -> Line:
        return {
            "learner": self.person[test.learner_id],
            "instructor": self.person[test.instructor_id],
            "standard": self.revised[test.standard_id], "started": _time(test.started),
            "exercises": [{**one, "sheet": self.sheet[one["sheet"]]} for one in test.exercises],
            "pool": [self.sheet[key] for key in test.pool],
            "given_up": test.given_up and _time(test.given_up),
            "given_up_because": test.given_up_because,
        }  # fmt: skip


def _sat_in_by(learner: Member) -> Q:
    """Of their usual seats, and of the vehicles these are in."""
    return Q(document__sitter=learner) | Q(document__seats__sitter=learner)


def _driven_by(learner: Member) -> Q:
    """Revisions that a learner's sheets were made from."""
    used = Q(mock_tests__learner=learner)
    for kind in Kind.values:
        used |= Q(**{f"{kind}_sheets__learner": learner})
    return Q(pk__in=Revision.objects.filter(used).values("pk"))


def _numbered(rows: QuerySet[Any]) -> Iterator[tuple[Any, int]]:
    return ((row, number) for number, row in enumerate(rows.prefetch_related(None), start=1))


def _numbers(rows: QuerySet[Any]) -> dict[int | None, int]:
    keys = rows.prefetch_related(None).values_list("pk", flat=True)
    return {key: number for number, key in enumerate(keys, start=1)}


def _states(row: Any) -> Iterable[Any]:
    states: Iterable[Any] = row.history.order_by("history_id")
    return states


def _fields(row: Any, names: tuple[str, ...]) -> Line:
    return {name: getattr(row, name) for name in names}


def _time(at: datetime) -> str:
    return at.astimezone(UTC).isoformat()
