"""Two schools that exist nowhere, and months of lessons that nobody drove.

The learners' hidden bias and scatter are below in the open, seeded, so that what the product
says about them can be held against the truth.
"""

from datetime import datetime, timedelta
from typing import Any, Literal
from uuid import UUID, uuid5

import numpy as np
from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone
from faircorner.cues import Rehearsal, make_plan, rehearse
from faircorner.documents.ground import ground_document
from faircorner.documents.library import methods
from faircorner.documents.samples import (
    HERON,
    LINNET,
    LINNET_AND_CARAVAN,
    PLOVER,
    SORREL,
    TRACTOR_AND_SEMI,
    Car,
    seat_document,
    vehicle_document,
)
from faircorner.ground import (
    Ground,
)
from faircorner.plane import frozen
from faircorner.shift import SimulatedLearner
from faircorner.standards import goal_of

from server.demo.learners import QUARRY_LEARNERS, SEATS, TIDEWELL_LEARNERS, Learner
from server.demo.places import quarry_places, standards, tidewell_places
from server.documents.models import Revision
from server.documents.services import create_document, give_seat
from server.lessons.appointments import add_lesson, change_lesson
from server.lessons.attempts import keep_attempt
from server.lessons.models import Lesson
from server.lessons.schemas.lessons import DOCKET
from server.lessons.taping import tape_again, tape_attempt
from server.planning.models import CueSheet
from server.planning.services import make_sheet, scene_of
from server.progress.services import take_advice
from server.schools.models import Member, Role, School

__all__ = ["load_demo"]

_SEED = 20260105
_LEARNT = "Stops on the cue before the wheel moves, and says each look out loud."
_COMES_NEXT = "The same place from memory, then on the other side."
_IDS = UUID("5f0c2e0e-6f5b-4b43-9c54-0a4f4b1d7c11")


def load_demo() -> None:
    """Load both schools unless any school is there already."""
    if School.objects.exists():
        return
    with transaction.atomic():
        _Loader(
            number=1,
            school=School.objects.create(
                name="Tidewell Motor School", place="Ostrel", keeps="left", units="metric",
                locale="en-GB", time_zone="Europe/London",
            ),
            password="tidewell-demo",  # noqa: S106  printed for everybody by the demo
            staff=[("maren", "Maren Holt", Role.LEAD), ("idris", "Idris Fenn", Role.INSTRUCTOR),
                   ("oda", "Oda Lark", Role.INSTRUCTOR)],
            cars=[LINNET, HERON, SORREL],
            drawing=[LINNET_AND_CARAVAN],
            places=tidewell_places(),
            standards=standards("Ostrel", "Ostrel Licensing Office (invented)"),
            learners=TIDEWELL_LEARNERS,
        ).load()  # fmt: skip
        _Loader(
            number=2,
            school=School.objects.create(
                name="Quarry Road Transport Training", place="Harrow Bend", keeps="right",
                units="imperial", locale="en-US", time_zone="America/Chicago",
                wheel="clock",
            ),
            password="quarry-demo",  # noqa: S106
            staff=[("teodor", "Teodor Brandt", Role.LEAD)],
            cars=[PLOVER],
            drawing=[TRACTOR_AND_SEMI],
            places=quarry_places(),
            standards=standards("Bend county", "Bend County Examiners (invented)"),
            learners=QUARRY_LEARNERS,
        ).load()  # fmt: skip


class _Loader:
    """Fills one school, in the order a school would."""

    def __init__(
        self, *, number: int, school: School, password: str, staff: list[tuple[str, str, Role]],
        cars: list[Car], drawing: list[dict[str, Any]], places: list[Ground],
        standards: list[dict[str, Any]], learners: tuple[Learner, ...],
    ) -> None:  # fmt: skip
        self.school, self.password = school, password
        self.staff, self.cars, self.drawing, self.places = staff, cars, drawing, places
        self.standards, self.learners = standards, learners
        # By a number of its own: the key hangs on what the database has seen before.
        self.rng = np.random.default_rng(_SEED + number)
        self.now = (
            timezone.now()
            .astimezone(school.zone)
            .replace(hour=9, minute=0, second=0, microsecond=0)
        )

    def load(self) -> None:
        self.instructors = [self._member(*person) for person in self.staff]
        lead = self.instructors[0]
        vehicles = {car.name: self._document("vehicle", vehicle_document(car)) for car in self.cars}
        for body in self.drawing:
            self._document("vehicle", body)
        self.seats = {}
        for name, (car, back, height) in SEATS.items():
            if car in self.cars:
                body = seat_document(car, name, back=back, height=height)
                vehicle = vehicles[car.name]
                seat = self._document("seat", body, vehicle_id=vehicle.document_id)
                self.seats[name] = (vehicle, seat)
        self.grounds = [self._document("ground", ground_document(g)) for g in self.places]
        self.methods = {
            name: self._document("method", m.model_dump(by_alias=True, mode="json"))
            for name, m in methods().items()
        }
        self.judged = [self._document("standard", body) for body in self.standards]
        for index, learner in enumerate(self.learners):
            self._drive(lead, learner, index)

    def _member(self, username: str, name: str, role: Role, note: str = "") -> Member:
        first = name.split(maxsplit=1)[0].lower()
        user = User.objects.create_user(username or f"{first}-{self.school.pk}")
        if username:
            user.set_password(self.password)
            user.save()
        return Member.objects.create(school=self.school, user=user, name=name, role=role, note=note)

    def _document(self, kind: str, body: dict[str, Any], vehicle_id: int | None = None) -> Revision:
        return create_document(
            self.school, kind=kind, body=body, author=self.instructors[0], vehicle_id=vehicle_id
        )

    def _drive(self, lead: Member, learner: Learner, index: int) -> None:
        person = self._member(learner.username, learner.name, Role.LEARNER, learner.note)
        vehicle, seat = self.seats[learner.seat]
        give_seat(self.school, seat.document_id, sitter_id=person.pk)

        def sheet_of(place: str, way: str, test: str = "") -> CueSheet:
            ground = next(g for g in self.grounds if g.name.startswith(place))
            method = self.methods[way]
            revisions = {"vehicle": vehicle, "seat": seat, "ground": ground, "method": method,
                         "standard": self._judged_by(method, test)}  # fmt: skip
            return make_sheet(self.school, learner_id=person.pk, revisions=revisions, options={})

        for place, way in learner.also:
            sheet_of(place, way)
        # Kept last, it is the one that their docket goes on with.
        sheet = sheet_of(learner.place, learner.method, learner.test)
        hands = SimulatedLearner(bias=frozen(learner.bias), scatter=frozen(learner.scatter))
        teacher = self.instructors[1 + index % max(1, len(self.instructors) - 1)] if len(
            self.instructors
        ) > 1 else lead  # fmt: skip
        # Of those who come on the same days each has an hour of their own.
        first = self.now - timedelta(days=21 - index, hours=-(index // 3))
        self._attempts(sheet, hands, learner.attempts, teacher, first, before=0)
        self._book(sheet, teacher, self.now + timedelta(days=1 + index % 4, hours=index))
        if index == 0:
            # One is under way, so that there is something to open.
            self._book(sheet, teacher, timezone.now().replace(minute=0, second=0, microsecond=0),
                       exercises=(("Moving off and stopping", 10),))  # fmt: skip
        if learner.takes_advice:
            moved = take_advice(self.school, teacher, sheet.pk).after
            self._attempts(moved, hands, learner.attempts, teacher, first + timedelta(days=9),
                           before=learner.attempts)  # fmt: skip

    def _judged_by(self, method: Revision, test: str) -> Revision:
        """The standard of that name, or the first for what the method ends at."""
        goal = goal_of(method.body["manoeuvre"])
        return next(
            found
            for found in self.judged
            if goal_of(found.body["manoeuvre"]) == goal and found.body["name"].endswith(test)
        )

    def _book(
        self, sheet: CueSheet, teacher: Member, starts: datetime,
        exercises: tuple[tuple[str, int], ...] = (), came_to: dict[str, Any] | None = None,
    ) -> Lesson:  # fmt: skip
        """A lesson with the sheet's docket, after other exercises."""
        docket = {kind: sheet.revisions[kind].document_id for kind in DOCKET}
        what = sheet.method.name
        plan = [{"what": other, "minutes": minutes, "docket": None} for other, minutes in exercises]
        lesson = add_lesson(
            self.school, teacher, learner=sheet.learner_id, instructor=teacher.pk, starts=starts,
            minutes=60, about=what, place="", notes="",
            plan=[*plan, {"what": what, "minutes": 45, "docket": docket}],
        )  # fmt: skip
        return change_lesson(lesson, based_on=1, **came_to) if came_to else lesson

    def _give(self, sheet: CueSheet, teacher: Member, starts: datetime, last: bool) -> None:
        """A lesson of the past; the last one was ended with what its learner should read."""
        what, steps = sheet.method.name, sheet.method.body["steps"]
        recap = [
            {"what": what, "step": step["say"], "recalled": "helped" if i % 3 == 1 else "alone"}
            for i, step in enumerate(steps)
        ]
        said = {"recap": recap, "learnt": _LEARNT, "comes_next": _COMES_NEXT}
        ended = starts + timedelta(minutes=60)
        self._book(
            sheet, teacher, starts,
            came_to={"begun": starts, "ended": ended, **(said if last else {})},
        )  # fmt: skip

    def _attempts(
        self, sheet: CueSheet, hands: SimulatedLearner, count: int, teacher: Member,
        first: datetime, *, before: int,
    ) -> None:  # fmt: skip
        """Drive, note and tape; four or five goes a lesson, a lesson every third day."""
        scene = scene_of(sheet.revisions, sheet.options)
        plan = make_plan(scene)
        along = plan.ground.kerb_on_left().berth.along
        shifts = scene.options.shifts
        shift = np.array([shifts.get(i + 1, 0.0) for i in range(len(plan.calls))])
        late = hands.lateness(count, before=before, rng=self.rng)
        driven = rehearse(scene, plan, late + shift)
        for i in range(count):
            started = first + timedelta(days=3 * (i // 5), minutes=9 * (i % 5))
            if i % 5 == 0:
                self._give(sheet, teacher, started - timedelta(minutes=15), i + 5 >= count)
            attempt = keep_attempt(
                self.school, teacher,
                attempt_id=uuid5(_IDS, f"{sheet.pk}/{i}"), sheet=sheet.pk, started=started,
                notes=self._notes(sheet, driven, late[i], i),
            )  # fmt: skip
            readings = self._readings(driven, i, along)
            tape_attempt(attempt, teacher, readings)
            if i % 6 == 3 and teacher != self.instructors[0]:
                tape_again(attempt, self.instructors[0], _taped_again(readings))
            attempt.tapings.update(made=started + timedelta(minutes=3))

    def _notes(
        self, sheet: CueSheet, driven: Rehearsal, late: np.ndarray, i: int
    ) -> dict[str, Any]:
        """What an instructor would have jotted down; timing is judged by eye, to about 10 cm."""
        seen = late + self.rng.normal(scale=0.05, size=len(late))
        looks = self.rng.choice(
            ["done", "late", "missed", "prompted"], p=[0.82, 0.08, 0.04, 0.06],
            size=len(sheet.plan["looks"]),
        )  # fmt: skip
        return {
            "seconds": round(float(self.rng.uniform(48, 110)), 0),
            "forward_movements": _movements(sheet, "forward"),
            "reverse_movements": _movements(sheet, "reverse"),
            "calls": ["late" if s > 0.12 else "early" if s < -0.12 else "on" for s in seen],
            "looks": [str(look) for look in looks],
            "kerb_touches": int(driven.kerb_touched[i]),
            "kerb_mounts": 0,
            "vehicle_touches": int(driven.body_touched[i]),
            **_watched(sheet, i),
        }

    def _readings(
        self, driven: Rehearsal, i: int, along: Literal["ahead", "behind"]
    ) -> dict[str, float | None]:
        finish = driven.finish
        # Along the kerb the gap ahead is taped; in a bay the one to its head.
        readings: dict[str, float | None] = {"ahead_m": None, "behind_m": None}
        for name in ("kerb_front", "kerb_rear", along):
            true = float(finish.measure(name)[i])
            if not np.isnan(true):
                readings[f"{name}_m"] = round(true + float(self.rng.normal(scale=0.005)), 2)
        return readings


def _taped_again(readings: dict[str, float | None]) -> dict[str, float | None]:
    """The same finish by another person's tape, held a little otherwise."""
    rng = np.random.default_rng(int(1000 * abs(readings["kerb_rear_m"] or 0.0)))
    return {
        name: None if m is None else round(m + float(rng.normal(0.006, 0.009)), 2)
        for name, m in readings.items()
    }


def _watched(sheet: CueSheet, attempt: int) -> dict[str, Any]:
    """What the sheet's standard asks to be watched, and what there was of it."""
    body = sheet.standard.body
    rng = np.random.default_rng(attempt)
    asked = [rule["what"] for rule in body["observed"]]
    lines = rng.poisson(0.8) if "line touched" in asked else 0
    way = [limit["measure"] for limit in body["limits"] if limit["measure"] == "start_gap_m"]
    return {
        "watched": asked,
        "observed": [
            {"what": "line touched", "phase": "execution", "step": 1, "seconds": 20 + 6 * nth}
            for nth in range(lines)
        ],
        "at_end": {rule["what"]: bool(rng.random() < 0.95) for rule in body["at_end"]},
        "on_the_way": {name: round(float(rng.normal(0.9, 0.25)), 2) for name in way},
    }


def _movements(sheet: CueSheet, gear: str) -> int:
    """How many stretches in one gear a sheet's plan has."""
    gears = [leg["gear"] for leg in sheet.plan["legs"]]
    changed = [g for g, before in zip(gears, ["", *gears], strict=False) if g != before]
    return changed.count(gear)
