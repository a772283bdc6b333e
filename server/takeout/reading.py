"""A school that comes in from a file it was taken out to: all of it, or nothing."""

import json
import uuid
import zlib
from collections.abc import Iterable, Iterator
from typing import IO, Any
from zipfile import BadZipFile, ZipFile

from django.contrib.auth.models import User
from django.db import transaction
from faircorner.documents.reading import read_document
from faircorner.errors import InputError
from faircorner.model import inside
from faircorner.said import Said
from pydantic import ValidationError

from server.documents.models import Document, Kind, Revision
from server.founding.services import new_school
from server.lessons.appointments import lesson_at
from server.lessons.models import Attempt, Correction, Lesson
from server.lessons.schemas.lessons import DOCKET
from server.mock_tests.models import MockTest
from server.planning.models import CueSheet
from server.planning.schemas.plans import PlanOut
from server.planning.services import current
from server.progress.models import Shift
from server.schools.models import Member, School
from server.schools.services import set_password, take_name
from server.takeout.records import PARTS, SchoolHead

__all__ = ["read_school"]

# What a file may unfold to: a school of many years has a few hundred megabytes.
_MOST_BYTES, _MOST_LINE = 2_000_000_000, 8_000_000
_CHUNK = 500


@transaction.atomic
def read_school(file: IO[bytes], *, username: str, password: str) -> Member:
    """A school as it was when its file was taken out; whoever took it out comes in as its lead.

    Raises InputError naming the field, or the line of the file.
    """
    try:
        with ZipFile(file) as archive:
            return _read(archive, username, password)
    except (BadZipFile, zlib.error, EOFError):
        raise InputError("file", Said("no school file")) from None


def _read(archive: ZipFile, username: str, password: str) -> Member:
    names = ["school.json", *(f"{part}.jsonl" for part in PARTS)]
    # Files of old have no mock tests.
    found = sorted({*archive.namelist(), "mock_tests.jsonl"})
    if found != sorted(names) or len(archive.namelist()) != len(set(archive.namelist())):
        raise InputError("file", Said("no school file"))
    if sum(entry.file_size for entry in archive.infolist()) > _MOST_BYTES:
        raise InputError("file", Said("too large", most=_MOST_BYTES // 1_000_000))
    return _School(archive).read(username, password)


class _School:
    """What has come in so far, by the file's own numbers."""

    def __init__(self, archive: ZipFile) -> None:
        self.archive = archive
        self.school = School()
        self.people: dict[int, Member] = {}
        self.documents: dict[int, Document] = {}
        self.revisions: dict[tuple[int, int], Revision] = {}
        self.lessons: dict[int, Lesson] = {}
        self.sheets: dict[int, CueSheet] = {}
        # Kept once everybody is there who may have written them.
        self.states: list[tuple[Member, list[Any]]] = []

    def read(self, username: str, password: str) -> Member:
        raw, head = self._head()
        if head.learner is not None:
            raise InputError("file", Said("one learner's file"))
        about = ("name", "place", "keeps", "units", "locale", "time_zone")
        self.school = new_school({name: raw[name] for name in about})
        if head.pad is not None:
            self.school.pad = head.pad
        self.school.wheel = head.wheel
        self.school.save(update_fields=["pad", "wheel"])
        for part, model in PARTS.items():
            keep = getattr(self, f"_{part}")
            for where, text in self._lines(part):
                with inside(where):
                    keep(*self._understood(text, model))
        for member, states in self.states:
            self._keep_states(member, Member, states, _known_of)
        lead = self._person("lead", head.lead)
        take_name(lead.user, username)
        set_password(lead.user, password)
        return lead

    def _head(self) -> tuple[dict[str, Any], SchoolHead]:
        with inside("school, line 1"), self.archive.open("school.json") as file:
            return self._understood(file.read(_MOST_LINE), SchoolHead)

    def _lines(self, part: str) -> Iterator[tuple[str, bytes]]:
        """Each line, and where it stands; files of old have no mock tests."""
        if part == "mock_tests" and f"{part}.jsonl" not in self.archive.namelist():
            return
        with self.archive.open(f"{part}.jsonl") as file:
            number = 0
            while text := file.readline(_MOST_LINE):
                number += 1
                yield f"{part}, line {number}", text

    def _understood(self, text: bytes, model: type[Any]) -> tuple[dict[str, Any], Any]:
        """A line as it was written, and as it is understood."""
        if len(text) == _MOST_LINE:
            raise InputError("", Said("too large", most=_MOST_LINE // 1_000_000))
        try:
            raw = json.loads(text)
        except ValueError:
            raise InputError("", Said("no JSON")) from None
        return raw, model.read(raw)

    def _people(self, _raw: dict[str, Any], line: Any) -> None:
        user = User(username=f"person-{uuid.uuid4().hex[:12]}", is_active=line.active)
        user.set_unusable_password()
        user.save()
        (member,) = Member.objects.bulk_create([Member(
            school=self.school, user=user, **_known_of(line)
        )])  # fmt: skip
        self._new(self.people, line.person, member, "person")
        self.states.append((member, line.states))

    def _keep_states(self, row: Any, model: Any, states: list[Any], told: Any) -> None:
        history = model.history.model
        own = {"school_id": self.school.pk, "id": row.pk}
        if model is Member:
            own["user_id"] = row.user_id
        history.objects.bulk_create(
            [
                history(
                    **own, **told(was), history_date=was.at, history_type=was.kind,
                    history_user_id=was.by and self._person("by", was.by).user_id,
                )
                for was in states
            ]
        )  # fmt: skip

    def _documents(self, raw: dict[str, Any], line: Any) -> None:
        vehicle = None
        if line.vehicle is not None:
            vehicle = self._known(self.documents, line.vehicle, "vehicle")
        if (line.kind == Kind.SEAT) != (vehicle is not None and vehicle.kind == Kind.VEHICLE):
            raise InputError("vehicle", Said("a seat needs its vehicle"))
        document = Document.objects.create(
            school=self.school, kind=line.kind, vehicle=vehicle, away=line.away,
            sitter=None if line.sitter is None else self._person("sitter", line.sitter),
        )  # fmt: skip
        self._new(self.documents, line.document, document, "document")
        for given, kept in zip(line.revisions, raw["revisions"], strict=True):
            with inside(f"revisions[{given.number - 1}].body"):
                read_document(line.kind, kept["body"])
            author = None if given.author is None else self._person("author", given.author)
            revision = Revision.objects.create(
                document=document, number=given.number, body=kept["body"], author=author,
                created=given.created,
            )  # fmt: skip
            key = (line.document, given.number)
            self._new(self.revisions, key, revision, "revisions")

    def _lessons(self, _raw: dict[str, Any], line: Any) -> None:
        (lesson,) = Lesson.objects.bulk_create(
            [Lesson(school=self.school, **self._appointment(line))]
        )
        self._keep_states(lesson, Lesson, line.states, self._appointment)
        if line.lesson is not None:
            self._new(self.lessons, line.lesson, lesson, "lesson")

    def _appointment(self, line: Any) -> dict[str, Any]:
        known = (
            "starts", "minutes", "place", "about", "notes", "cancelled", "cancelled_because",
            "begun", "ended", "learnt", "comes_next", "version",
        )  # fmt: skip
        return {
            "learner_id": self._person("learner", line.learner).pk,
            "instructor_id": self._person("instructor", line.instructor).pk,
            **_of(line, known),
            "recap": [said.model_dump() for said in line.recap],
            "plan": [self._exercise(planned) for planned in line.plan],
        }

    def _exercise(self, planned: Any) -> dict[str, Any]:
        docket = None
        if planned.documents is not None:
            named = zip(DOCKET, planned.documents, strict=True)
            docket = {kind: self._planned_with(kind, number).pk for kind, number in named}
        return {"what": planned.what, "minutes": planned.minutes, "docket": docket}

    def _planned_with(self, kind: str, number: int) -> Document:
        document: Document = self._known(self.documents, number, "plan")
        if document.kind != kind:
            raise InputError("plan", Said("is not in the file"))
        return document

    def _sheets(self, raw: dict[str, Any], line: Any) -> None:
        revisions = {k: self._known(self.revisions, getattr(line, k), k) for k in Kind.values}
        for kind, revision in revisions.items():
            if revision.document.kind != kind:
                raise InputError(kind, Said("is not in the file"))
        sheet = CueSheet.objects.create(
            school=self.school, learner=self._person("learner", line.learner), **revisions,
            options=raw["options"], plan=raw["plan"], created=line.created, used=line.used,
        )  # fmt: skip
        self._new(self.sheets, line.sheet, sheet, "sheet")
        self._check_plan(sheet, raw["plan"])

    def _check_plan(self, sheet: CueSheet, plan: dict[str, Any]) -> None:
        """Refuse what no plan ever was; what was kept stays as it was kept."""
        try:
            PlanOut.model_validate(current(sheet).plan, context={"request": None})
        except (ValidationError, LookupError, TypeError, ValueError):
            raise InputError("plan", Said("is no plan")) from None
        CueSheet.objects.filter(pk=sheet.pk).update(plan=plan)

    def _attempts(self, raw: dict[str, Any], line: Any) -> None:
        if Attempt.objects.filter(pk=line.id).exists():
            raise InputError("id", Said("attempt here already"))
        sheet = self._known(self.sheets, line.sheet, "sheet")
        attempt = Attempt.objects.create(
            id=line.id, school=self.school, started=line.started, void=line.void,
            cue_sheet=sheet, lesson=self._lesson_of(line, sheet),
            instructor=self._person("instructor", line.instructor),
            notes=raw["notes"], readings=raw["readings"], tape=raw["tape"],
            stated=raw.get("stated"), help=[raw, *raw["corrections"]][-1]["notes"].get("help"),
        )  # fmt: skip
        for given, kept in zip(line.corrections, raw["corrections"], strict=True):
            Correction.objects.create(
                school=self.school, attempt=attempt, made=given.made, notes=kept["notes"],
                author=self._person("corrections.author", given.author),
            )  # fmt: skip
        self._tapings(raw, line, attempt)

    def _tapings(self, raw: dict[str, Any], line: Any, attempt: Attempt) -> None:
        """All that was taped; files of old told only what held, and whose notes they were."""
        if "tapings" not in raw and line.readings is not None and line.tape is not None:
            attempt.tapings.create(
                school=self.school, author=attempt.instructor, made=line.started,
                readings=raw["readings"], finish=raw["tape"]["finish"],
            )  # fmt: skip
        for given, kept in zip(line.tapings, raw.get("tapings", []), strict=True):
            attempt.tapings.create(
                school=self.school, author=self._person("tapings.author", given.author),
                made=given.made,
                **{n: kept[n] for n in ("readings", "finish", "why", "beside")},
            )  # fmt: skip

    def _lesson_of(self, line: Any, sheet: CueSheet) -> Lesson | None:
        """The lesson that an attempt was driven in; files of old told none."""
        if "lesson" not in line.model_fields_set:
            return lesson_at(self.school, sheet.learner_id, line.started)
        if line.lesson is None:
            return None
        lesson: Lesson = self._known(self.lessons, line.lesson, "lesson")
        if lesson.learner_id != sheet.learner_id:
            raise InputError("lesson", Said("is not in the file"))
        return lesson

    def _shifts(self, raw: dict[str, Any], line: Any) -> None:
        Shift.objects.create(
            school=self.school, before=self._known(self.sheets, line.before, "before"),
            after=self._known(self.sheets, line.after, "after"), call=line.call,
            by_m=line.by_m, evidence=raw["evidence"], taken=line.taken,
            taken_by=self._person("taken_by", line.taken_by),
        )  # fmt: skip

    def _mock_tests(self, _raw: dict[str, Any], line: Any) -> None:
        def sheet(number: int, field: str) -> int:
            key: int = self._known(self.sheets, number, field).pk
            return key

        MockTest.objects.create(
            school=self.school, learner=self._person("learner", line.learner),
            instructor=self._person("instructor", line.instructor), started=line.started,
            standard=self._known(self.revisions, line.standard, "standard"),
            exercises=[
                {"sheet": sheet(one.sheet, "exercises.sheet"), "cancelled": one.cancelled}
                for one in line.exercises
            ],
            pool=[sheet(number, "pool") for number in line.pool],
            given_up=line.given_up, given_up_because=line.given_up_because,
        )  # fmt: skip

    def _person(self, field: str, number: int | None) -> Member:
        person: Member = self._known(self.people, number, field)
        return person

    def _known(self, there: dict[Any, Any], number: Any, field: str) -> Any:
        if number not in there:
            raise InputError(field, Said("is not in the file"))
        return there[number]

    def _new(self, there: dict[Any, Any], number: Any, row: Any, field: str) -> None:
        if number in there:
            raise InputError(field, Said("is in the file twice"))
        there[number] = row


def _known_of(line: Any) -> dict[str, Any]:
    """What is known of a person, now or then."""
    return _of(line, ("name", "role", "note", "email"))


def _of(line: Any, names: Iterable[str]) -> dict[str, Any]:
    return {name: getattr(line, name) for name in names}
