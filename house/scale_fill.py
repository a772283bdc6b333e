"""A database as two hundred schools leave it: the demo's two, over and over.

Every row of the demo is copied by one INSERT ... SELECT a table, with keys moved on: by school,
and within a school by learner. Nothing is made up that the demo has not driven.
"""

from dataclasses import dataclass
from typing import Any

from django.contrib.auth.models import User
from django.core.management.color import no_style
from django.db import connection, transaction
from django.db.models import AutoField, Field, ForeignKey, Model, UUIDField

from server.documents.models import Document, Revision
from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet
from server.progress.models import Shift
from server.schools.models import Member, School

__all__ = ["MILLION", "Size", "fill"]

# Demo keys lie below the first; the copies of one school's learners below the second.
_LEARNER, _SCHOOL = 10_000, 1_000_000
# In the order that foreign keys ask for; whether a learner's copies have rows of their own.
_TABLES: tuple[tuple[type[Model], bool], ...] = (
    (School, False), (User, True), (Member, True), (Document, False), (Revision, False),
    (CueSheet, True), (Lesson, True), (Attempt, True), (Shift, True),
)  # fmt: skip
# What belongs to people of whom only learners are copied.
_PEOPLE = {User: "user_id", Member: "id"}


@dataclass(frozen=True)
class Size:
    """pairs : of schools; learners : times each school's; attempts : times each set's"""

    pairs: int
    learners: int
    attempts: int


@transaction.atomic
def fill(size: Size) -> None:
    """Beside the demo's two schools, which are there already."""
    with connection.cursor() as cursor:
        for model, copied in _TABLES:
            cursor.execute(_insert(model, size, copied=copied))
        for reset in connection.ops.sequence_reset_sql(no_style(), [m for m, _ in _TABLES]):
            cursor.execute(reset)


def _insert(model: type[Model], size: Size, *, copied: bool) -> str:
    table = model._meta.db_table
    columns = [field for field in model._meta.concrete_fields if not field.generated]
    names = ", ".join(f'"{field.column}"' for field in columns)
    values = ", ".join(_value(model, field) for field in columns)
    learners = size.learners if copied else 1
    times = size.attempts if model is Attempt else 1
    # Nothing of it comes from outside.
    copies = f"SELECT {values} FROM {table} AS one"  # noqa: S608
    for name, times_ in (("school", size.pairs), ("learner", learners), ("time", times)):
        copies += f", generate_series(1, {times_}) AS {name}"
    return f"INSERT INTO {table} ({names}) {copies} WHERE {_worth(model)}"


def _worth(model: type[Model]) -> str:
    """Whoever is no learner is there once a school."""
    if model not in _PEOPLE:
        return _demo(model, "one")
    return f"{_demo(model, 'one')} AND (learner = 1 OR {_is_learner(_PEOPLE[model], 'one.id')})"


def _demo(model: type[Model], row: str) -> str:
    """Of the demo itself, and not of a copy made before."""
    if model is Attempt:
        return f"{row}.cue_sheet_id < {_LEARNER}"
    return f"{row}.id < {_LEARNER}"


def _is_learner(column: str, key: str) -> str:
    return f"{key} IN (SELECT {column} FROM schools_member WHERE role = 'learner')"  # noqa: S608


def _value(model: type[Model], field: "Field[Any, Any]") -> str:
    own = f'one."{field.column}"'
    if isinstance(field, ForeignKey):
        return _moved(field.related_model, own)
    if isinstance(field, AutoField):
        return _moved(model, own)
    if isinstance(field, UUIDField):
        return f"md5(concat_ws(' ', {own}, school, learner, time))::uuid"
    if model is User and field.name == "username":
        return f"concat_ws('-', {own}, school, learner)"
    if model is School and field.name == "name":
        return f"concat_ws(' ', {own}, school)"
    if model is Member and field.name == "name":
        return f"CASE WHEN learner = 1 THEN {own} ELSE concat_ws(' ', {own}, learner) END"
    if model is Lesson and field.name in ("starts", "begun", "ended"):
        # Nobody's instructor has two at once.
        return f"{own} + (learner - 13) * interval '40 days'"
    if model is Lesson and field.name == "plan":
        # It names documents, and theirs are others.
        return "'[]'::jsonb"
    if model is Attempt and field.name == "started":
        return f"{own} - time * interval '3 minutes'"
    return own


def _moved(model: Any, key: str) -> str:
    """A key of the demo's as its copy has it."""
    of_school = f"{key} + school * {_SCHOOL}"
    of_learner = f"{of_school} + (learner - 1) * {_LEARNER}"
    if model in _PEOPLE:
        return (
            f"CASE WHEN {_is_learner(_PEOPLE[model], key)} THEN {of_learner} ELSE {of_school} END"
        )
    return of_learner if dict(_TABLES).get(model) else of_school


# Two hundred schools, and with the demo's attempts a good million.
MILLION = Size(pairs=100, learners=25, attempts=2)
