"""Two schools that exist nowhere, and months of lessons that nobody drove.

The learners' hidden bias and scatter are below in the open, seeded, so that what the product
says about them can be held against the truth.
"""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Any, Literal
from uuid import UUID, uuid5

import numpy as np
from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone
from faircorner.cues import Rehearsal, goal_of, make_plan, rehearse
from faircorner.documents import read_options
from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.requests import OptionsModel
from faircorner.ground import Bay, Check, Ground, adjust, lay_bay, lay_kerb
from faircorner.shift import SimulatedLearner

from server.demo.vehicles import (
    HERON,
    LINNET,
    PLOVER,
    SORREL,
    Car,
    seat_document,
    vehicle_document,
)
from server.documents.models import Revision
from server.documents.services import create_document
from server.lessons.models import Lesson
from server.lessons.services import keep_attempt, tape_attempt
from server.planning.models import CueSheet
from server.planning.services import make_sheet, scene_of
from server.progress.services import take_advice
from server.schools.models import Member, Role, School

__all__ = ["load_demo"]

_SEED = 20260105
_IDS = UUID("5f0c2e0e-6f5b-4b43-9c54-0a4f4b1d7c11")


@dataclass(frozen=True, slots=True, kw_only=True)
class Learner:
    """A simulated learner: what they drive where, and the truth about their hands."""

    name: str
    note: str
    seat: str
    place: str
    bias: tuple[float, ...]
    scatter: tuple[float, ...]
    attempts: int
    school: str = "Straight-run reverse park"
    takes_advice: bool = False
    username: str = ""


_STEADY = (0.10, 0.05, 0.06, 0.04)
TIDEWELL_LEARNERS = (
    Learner(name="Ines Varga", note="Second month; likes to know why", username="ines",
            seat="Ines, seat 4", place="Quay Street", bias=(0.0, 0.0, 0.26, 0.0),
            scatter=_STEADY, attempts=14),
    Learner(name="Bea Orrin", note="Test in five weeks", seat="Bea, seat 6 raised",
            place="Quay Street", bias=(0.0, 0.22, 0.0, 0.0), scatter=(0.09, 0.05, 0.06, 0.05),
            attempts=12, takes_advice=True),
    Learner(name="Tomas Reyl", note="Drove a tractor as a boy", seat="Tomas, seat 1",
            place="Mill Lane", bias=(0.02, 0.0, 0.01, 0.0), scatter=(0.10, 0.17, 0.15, 0.10),
            attempts=18),
    Learner(name="Callum Dray", note="Starting out", seat="Callum, seat 5",
            place="Weir Road", bias=(0.0, 0.0, 0.0, 0.14), scatter=(0.16, 0.06, 0.07, 0.05),
            attempts=16),
    Learner(name="Nia Solberg", note="Ready to book", seat="Nia, seat 3",
            place="Quay Street", bias=(0.02, -0.01, 0.0, 0.0), scatter=(0.07, 0.03, 0.04, 0.03),
            attempts=20),
    Learner(name="Piet Hask", note="Comes twice a week", seat="Piet, seat 7",
            place="Station Approach", bias=(-0.20, 0.0, 0.0, 0.0), scatter=_STEADY, attempts=16),
    Learner(name="Yara Quill", note="First lesson this week", seat="Yara, seat 2",
            place="Quay Street", bias=(0.05, 0.05, 0.0, 0.0), scatter=(0.2, 0.1, 0.1, 0.08),
            attempts=3),
    Learner(name="Odile Marn", note="Parks at work from spring", seat="Odile, seat 4",
            place="Harbour car park", bias=(0.17, 0.0), scatter=(0.07, 0.03), attempts=14,
            school="Full-lock reverse bay"),
)  # fmt: skip
QUARRY_LEARNERS = (
    Learner(name="Rosa Denning", note="Day course", seat="Rosa, seat 3", place="Gravel Lane",
            bias=(0.0, -0.16, 0.0, 0.0), scatter=_STEADY, attempts=14),
    Learner(name="Emil Stroud", note="Evening course", seat="Emil, seat 5", place="Gravel Lane",
            bias=(0.0, 0.0, 0.0, 0.0), scatter=(0.12, 0.06, 0.07, 0.05), attempts=14),
    Learner(name="Gerd Walsh", note="Evening course", seat="Gerd, seat 4", place="Kiln yard",
            bias=(0.0, 0.0), scatter=(0.08, 0.04), attempts=12, school="Full-lock forward bay"),
)  # fmt: skip

# Which car each seat is in, how far back it is set (m) and how high the eye is (m).
SEATS: dict[str, tuple[Car, float, float]] = {
    "Ines, seat 4": (LINNET, 0.00, 1.20),
    "Bea, seat 6 raised": (LINNET, -0.05, 1.24),
    "Nia, seat 3": (LINNET, 0.04, 1.21),
    "Yara, seat 2": (LINNET, -0.08, 1.17),
    "Tomas, seat 1": (HERON, 0.08, 1.25),
    "Piet, seat 7": (HERON, 0.02, 1.20),
    "Callum, seat 5": (SORREL, 0.05, 1.23),
    "Rosa, seat 3": (PLOVER, 0.0, 1.19),
    "Emil, seat 5": (PLOVER, 0.06, 1.24),
    "Odile, seat 4": (LINNET, 0.01, 1.19),
    "Gerd, seat 4": (PLOVER, 0.02, 1.22),
}


# What somebody noted at one of the places; the others are still to be looked at.
QUAY_CHECK = Check(
    legal=True, junction=42.0, crossing=60.0, bus_stop=75.0, driveway=11.0, bend=90.0, crest=120.0,
    sight=80.0, traffic="some", light="clear", neighbour="straight", slope=0.0,
)  # fmt: skip


def _tidewell_places() -> list[Ground]:
    mill = lay_kerb("Mill Lane, between two", gap=7.4, length=4.5, goal_ahead=1.3)
    return [
        replace(lay_kerb("Quay Street", goal_ahead=2.0), check=QUAY_CHECK),
        adjust(mill, "behind_off_kerb", 0.3),
        lay_kerb("Weir Road, one-way, kerb right", side="right", off_kerb=0.25, goal_ahead=1.8),
        lay_kerb("Station Approach", road_width=6.9, off_kerb=0.1, length=4.0, goal_ahead=2.2),
        lay_bay("Harbour car park, square bay", bay=Bay(width=2.6), aisle=7.0),
        lay_bay("Fish Hall, leaning bay", bay=Bay(angle=np.radians(60), head="wall", gap=0.5)),
    ]


def _quarry_places() -> list[Ground]:
    return [
        lay_kerb("Gravel Lane", side="right", length=4.7, road_width=8.5, goal_ahead=2.0),
        lay_kerb("Foundry Street, kerb left", length=4.4, road_width=8.0, goal_ahead=2.0),
        lay_bay(
            "Kiln yard, leaning bay",
            side="right",
            aisle=7.2,
            bay=Bay(angle=np.radians(60), width=2.7, depth=5.4, head="wheel stop", gap=0.15),
        ),
    ]


def _standard(
    name: str, authority: str, goal: Literal["kerbside", "bay"] = "kerbside"
) -> dict[str, Any]:
    """The house limits under an invented authority, with the counts a test would add."""
    body = house_standard(goal).model_dump(by_alias=True, mode="json")
    counts = [
        {"measure": "forward_movements", "small": [None, 1], "serious": [None, 2]},
        {"measure": "looks_missed", "small": [None, 0], "serious": [None, 2]},
        {"measure": "prompts", "small": [None, 1]},
        {"measure": "kerb_touches", "small": [None, 0], "serious": [None, 1]},
        {"measure": "kerb_mounts", "ends": [None, 0]},
        {"measure": "vehicle_touches", "ends": [None, 0]},
        {"measure": "seconds", "small": [None, 180]},
    ]
    if goal == "bay":
        counts = [count for count in counts if count["measure"] != "kerb_mounts"]
    for count in counts:
        body["limits"].append({"small": None, "serious": None, "ends": None, **count})
    return {**body, "name": name, "authority": authority}


def load_demo() -> None:
    """Load both schools unless any school is there already."""
    if School.objects.exists():
        return
    with transaction.atomic():
        _Loader(
            school=School.objects.create(
                name="Tidewell Motor School", place="Ostrel", keeps="left", units="metric"
            ),
            password="tidewell-demo",  # noqa: S106  printed for everybody by the demo
            staff=[("maren", "Maren Holt", Role.LEAD), ("idris", "Idris Fenn", Role.INSTRUCTOR),
                   ("oda", "Oda Lark", Role.INSTRUCTOR)],
            cars=[LINNET, HERON, SORREL],
            places=_tidewell_places(),
            standards=[
                _standard("Ostrel car test", "Ostrel Licensing Office (invented)"),
                _standard("Ostrel bay test", "Ostrel Licensing Office (invented)", "bay"),
            ],
            learners=TIDEWELL_LEARNERS,
        ).load()  # fmt: skip
        _Loader(
            school=School.objects.create(
                name="Quarry Road Transport Training", place="Harrow Bend", keeps="right",
                units="imperial",
            ),
            password="quarry-demo",  # noqa: S106
            staff=[("teodor", "Teodor Brandt", Role.LEAD)],
            cars=[PLOVER],
            places=_quarry_places(),
            standards=[
                _standard("Bend county car test", "Bend County Examiners (invented)"),
                _standard("Bend county bay test", "Bend County Examiners (invented)", "bay"),
            ],
            learners=QUARRY_LEARNERS,
        ).load()  # fmt: skip


class _Loader:
    """Fills one school, in the order a school would."""

    def __init__(
        self, *, school: School, password: str, staff: list[tuple[str, str, Role]],
        cars: list[Car], places: list[Ground], standards: list[dict[str, Any]],
        learners: tuple[Learner, ...],
    ) -> None:  # fmt: skip
        self.school, self.password = school, password
        self.staff, self.cars, self.places = staff, cars, places
        self.standards, self.learners = standards, learners
        self.rng = np.random.default_rng(_SEED + school.pk)
        self.now = timezone.now().replace(hour=9, minute=0, second=0, microsecond=0)

    def load(self) -> None:
        self.instructors = [self._member(*person) for person in self.staff]
        lead = self.instructors[0]
        vehicles = {car.name: self._document("vehicle", vehicle_document(car)) for car in self.cars}
        self.seats = {}
        for name, (car, back, height) in SEATS.items():
            if car in self.cars:
                body = seat_document(car, name, back=back, height=height)
                vehicle = vehicles[car.name]
                seat = self._document("seat", body, vehicle_id=vehicle.document_id)
                self.seats[name] = (vehicle, seat)
        self.grounds = [self._document("ground", ground_document(g)) for g in self.places]
        self.schools = {
            name: self._document("method", m.model_dump(by_alias=True, mode="json"))
            for name, m in methods().items()
        }
        self.judged = {
            goal_of(body["manoeuvre"]): self._document("standard", body) for body in self.standards
        }
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
        ground = next(g for g in self.grounds if g.name.startswith(learner.place))
        method = self.schools[learner.school]
        revisions = {"vehicle": vehicle, "seat": seat, "ground": ground, "method": method,
                     "standard": self.judged[goal_of(method.body["manoeuvre"])]}  # fmt: skip
        sheet = make_sheet(self.school, learner_id=person.pk, revisions=revisions, options={})
        hands = SimulatedLearner(bias=learner.bias, scatter=learner.scatter)
        teacher = self.instructors[1 + index % max(1, len(self.instructors) - 1)] if len(
            self.instructors
        ) > 1 else lead  # fmt: skip
        first = self.now - timedelta(days=21 - index)
        self._attempts(sheet, hands, learner.attempts, teacher, first, before=0)
        self._lesson(
            person, teacher, self.now + timedelta(days=1 + index % 4, hours=index), method.name
        )
        if learner.takes_advice:
            moved = take_advice(self.school, teacher, sheet.pk).after
            self._attempts(moved, hands, learner.attempts, teacher, first + timedelta(days=9),
                           before=learner.attempts)  # fmt: skip

    def _lesson(self, person: Member, teacher: Member, starts: datetime, about: str) -> None:
        Lesson.objects.create(
            school=self.school, learner=person, instructor=teacher, starts=starts,
            about=about,
        )  # fmt: skip

    def _attempts(
        self, sheet: CueSheet, hands: SimulatedLearner, count: int, teacher: Member,
        first: datetime, *, before: int,
    ) -> None:  # fmt: skip
        """Drive, note and tape; four or five goes a lesson, a lesson every third day."""
        revisions = {
            k: getattr(sheet, k) for k in ("vehicle", "seat", "ground", "method", "standard")
        }
        scene = scene_of(revisions)
        options = read_options(OptionsModel.read(sheet.options), scene.method)
        plan = make_plan(
            scene.vehicle, scene.seat, scene.ground, scene.method, scene.bands, options
        )
        along = plan.ground.kerb_on_left().berth.along
        shift = np.array([options.shifts.get(i + 1, 0.0) for i in range(len(plan.calls))])
        late = hands.lateness(count, before=before, rng=self.rng)
        driven = rehearse(scene.vehicle, scene.method, plan, scene.bands, late + shift)
        for i in range(count):
            started = first + timedelta(days=3 * (i // 5), minutes=9 * (i % 5))
            if i % 5 == 0:
                self._lesson(
                    sheet.learner, teacher, started - timedelta(minutes=15), sheet.method.name
                )
            attempt = keep_attempt(
                self.school, teacher,
                attempt_id=uuid5(_IDS, f"{sheet.pk}/{i}"), sheet=sheet.pk, started=started,
                notes=self._notes(sheet, driven, late[i], i),
            )  # fmt: skip
            tape_attempt(attempt, self._readings(driven, i, along))

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
            "forward_movements": int(sheet.plan["legs"][0]["gear"] == "forward"),
            "reverse_movements": int(sheet.plan["legs"][-1]["gear"] == "reverse"),
            "calls": ["late" if s > 0.12 else "early" if s < -0.12 else "on" for s in seen],
            "looks": [str(look) for look in looks],
            "kerb_touches": int(driven.kerb_touched[i]),
            "kerb_mounts": 0,
            "vehicle_touches": int(driven.body_touched[i]),
        }

    def _readings(
        self, driven: Rehearsal, i: int, along: Literal["ahead", "behind"]
    ) -> dict[str, float | None]:
        finish = driven.finish
        # Along the kerb the gap ahead is taped; in a bay the one to its head.
        readings: dict[str, float | None] = {"ahead_m": None, "behind_m": None}
        for name in ("kerb_front", "kerb_rear", along):
            true = float(finish.measure(name)[i])
            readings[f"{name}_m"] = round(true + float(self.rng.normal(scale=0.005)), 2)
        return readings
