"""What a lesson came to, on paper: for its learner to read again."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from django.template.loader import render_to_string
from faircorner.said import Part, Said
from weasyprint import HTML

from server.lessons.models import Lesson
from server.printing import hour, house_type, moment
from server.schools.models import School

__all__ = ["Done", "Summary", "pdf_of", "printed", "summary_of"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Done:
    """What was practised; attempts : when and what each came to; recap : steps, and how they came
    when they were asked for
    """

    what: str
    lines: tuple[str, ...] = ()
    attempts: tuple[tuple[str, str], ...] = ()
    recap: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Summary:
    """said : what was written down for the learner, each under its heading"""

    title: str
    learner: str
    of: tuple[str, ...]
    done: tuple[Done, ...]
    said: tuple[tuple[str, str], ...]
    foot: str


@dataclass(frozen=True, slots=True)
class _Teller:
    """Says things of one lesson in its school's words."""

    lesson: Any

    def say(self, code: str, **parts: Part | Said) -> str:
        school = self.lesson.school
        return Said(f"summary {code}", **parts).told(school.units, school.locale)

    def moment(self, at: datetime) -> str:
        return moment(at, self.lesson.school)

    def hour(self, at: datetime) -> str:
        return hour(at, self.lesson.school)


def summary_of(lesson: Any) -> Summary:
    """The summary of a lesson that was opened, in its school's words."""
    tell = _Teller(lesson)
    return Summary(
        title=tell.say("lesson", when=tell.moment(lesson.begun or lesson.starts)),
        learner=lesson.learner.name,
        of=tuple(_of(lesson, tell)),
        done=tuple(_done(lesson, tell)),
        said=tuple(_said(lesson, tell)),
        foot=Said("card cautions").told(lesson.school.units, lesson.school.locale),
    )


def pdf_of(lesson: Any) -> bytes:
    """The summary's PDF, on the paper of the school's country."""
    return printed(summary_of(lesson), lesson.school)


def printed(summary: Summary, school: School) -> bytes:
    size = "letter" if school.units == "imperial" else "A4"
    # What people typed stands there as text; nothing but the type is ever fetched.
    page = {"summary": summary, "size": size, "lang": school.locale}
    font, style = house_type()
    html = HTML(string=render_to_string("summary.html", page))
    written: bytes = html.write_pdf(stylesheets=style, font_config=font)
    return written


def _of(lesson: Lesson, tell: _Teller) -> Iterator[str]:
    yield tell.say("by", name=lesson.instructor.name)
    if lesson.begun and lesson.ended:
        yield tell.say("took", begun=tell.hour(lesson.begun), ended=tell.hour(lesson.ended))
    else:
        yield tell.say("minutes", count=lesson.minutes)
    if lesson.place:
        yield lesson.place
    if lesson.cancelled:
        yield tell.say("cancelled")


def _done(lesson: Any, tell: _Teller) -> Iterator[Done]:
    """The plan's exercises in order, then what was driven besides."""
    for number, exercise in enumerate(lesson.exercises):
        driven = [one for one in lesson.driven if one["exercise"] == number]
        figures = {name: exercise[name] for name in ("attempts", "taped", "met")}
        yield Done(
            what=exercise["what"],
            lines=(tell.say("figures", **figures),) if driven else (),
            attempts=tuple(_attempt(one, tell) for one in driven),
            recap=tuple(_recalled(lesson, exercise["what"], tell)),
        )
    besides = [one for one in lesson.driven if one["exercise"] is None]
    for method in dict.fromkeys(one["method"] for one in besides):
        attempts = (_attempt(one, tell) for one in besides if one["method"] == method)
        yield Done(what=method, attempts=tuple(attempts))
    planned = {exercise["what"] for exercise in lesson.exercises}
    for what in dict.fromkeys(one["what"] for one in lesson.recap if one["what"] not in planned):
        yield Done(what=what, recap=tuple(_recalled(lesson, what, tell)))


def _attempt(driven: dict[str, Any], tell: _Teller) -> tuple[str, str]:
    outcome = driven["outcome"]
    if driven["void"]:
        came_to = tell.say("spoilt")
    elif outcome is None:
        came_to = tell.say("not taped")
    else:
        # Looks that nobody noted may have been missed: met is then no more than this.
        unsure = driven["met"] and not driven["whole"]
        came_to = tell.say("as watched" if unsure else "judged", outcome=outcome)
    return tell.hour(driven["started"]), came_to


def _recalled(lesson: Lesson, what: str, tell: _Teller) -> Iterator[tuple[str, str]]:
    for one in lesson.recap:
        if one["what"] == what:
            yield one["step"], tell.say(one["recalled"])


def _said(lesson: Lesson, tell: _Teller) -> Iterator[tuple[str, str]]:
    for name in ("notes", "learnt", "comes_next"):
        if text := getattr(lesson, name):
            yield tell.say(name.replace("_", " ")), text
