"""fair-corner/method@1: steps that each wait for something, in toward/away words."""

from math import radians
from typing import Annotated, Literal

from pydantic import Field

from faircorner.cues import Look, Method, Start, Step, Unknown, Until, Wheel
from faircorner.documents.model import Metres, Model, Name, inside

__all__ = ["MethodDocument"]

OwnPoint = Literal["rear bumper", "front bumper", "mirror", "rear wheel", "front wheel"]
Landmark = Literal[
    "tail ahead", "nose ahead", "nose behind", "near line", "far line", "mark", "stop",
    "corner start", "corner",
]  # fmt: skip


class FitMetres(Model):
    """A distance that belongs to the vehicle and is fitted between limits."""

    fit: Name
    low_m: Metres
    high_m: Metres
    prefer_m: Metres


class FitAngle(Model):
    """An angle that belongs to the vehicle and is fitted between limits."""

    fit: Name
    low_deg: float
    high_deg: float
    prefer_deg: float


class FitShare(Model):
    """A share of the lock that belongs to the vehicle and is fitted between limits."""

    fit: Name
    low: float
    high: float
    prefer: float


class Travelled(Model):
    kind: Literal["travelled"]
    metres: float


class Heading(Model):
    """Angle to the kerb, nose away positive, once the next step's wheel has settled."""

    kind: Literal["heading"]
    angle: Annotated[float, Field(description="degrees")] | FitAngle


class Parallel(Model):
    kind: Literal["parallel"]


class Abeam(Model):
    """`own` stands so many metres behind `landmark`."""

    kind: Literal["abeam"]
    own: OwnPoint
    landmark: Landmark
    metres: float | FitMetres


class GapWanted(Model):
    """The gap that the place asks for is left, between `own` and `landmark`."""

    kind: Literal["gap wanted"]
    own: OwnPoint
    landmark: Landmark | Literal["head", "mouth"]


class Kerb(Model):
    kind: Literal["kerb"]
    own: OwnPoint
    metres: float | FitMetres


class AtEdge(Model):
    """So many metres are left to an edge: from the tyres, or the body where it may not cross."""

    kind: Literal["edge"]
    edge: Literal["kerb", "far kerb"]
    metres: float | FitMetres


class Seen(Model):
    """The driver sees `thing` pass a mark of the vehicle, the kerb side's where there are two."""

    kind: Literal["seen"]
    mark: Name
    thing: Name


class WheelSet(Model):
    kind: Literal["wheel set"]


UntilModel = Annotated[
    Travelled | Heading | Parallel | Abeam | GapWanted | Kerb | AtEdge | Seen | WheelSet,
    Field(discriminator="kind"),
]


class WheelModel(Model):
    """How much: a share of the lock, or a set number of turns of the steering wheel instead."""

    way: Literal["toward", "away", "straight"]
    of_lock: float | FitShare = 1.0
    turns: float | None = None


class StepModel(Model):
    name: Name
    say: Annotated[str, Field(min_length=1, max_length=300)]
    gear: Literal["forward", "reverse"]
    wheel: WheelModel
    until: UntilModel
    looks: Annotated[list[Look], Field(max_length=8)] = []
    standing: bool = False


class StartModel(Model):
    own: OwnPoint
    landmark: Landmark
    metres: float | FitMetres
    gap_m: Metres | FitMetres


class MethodDocument(Model):
    """A named way to do a manoeuvre."""

    format: Literal["fair-corner/method@1"]
    name: Name
    manoeuvre: Literal[
        "reverse parallel", "bay forward", "bay reverse", "turn in the road",
        "reverse round a corner", "kerbside stop", "reverse along the kerb", "pull up opposite",
    ]  # fmt: skip
    why: Annotated[str, Field(max_length=2000)] = ""
    turns_per_metre: float = 2.0
    references: Annotated[
        bool, Field(description="false where outcomes are watched instead of cues")
    ] = True
    start: StartModel
    steps: Annotated[list[StepModel], Field(min_length=1, max_length=40)]

    def build(self) -> Method:
        return Method(
            name=self.name,
            manoeuvre=self.manoeuvre,
            turns_per_metre=self.turns_per_metre,
            references=self.references,
            start=Start(
                own=self.start.own,
                landmark=self.start.landmark,
                metres=self._start_metres(),
                gap=self._start_gap(),
            ),
            steps=tuple(self._step(i) for i in range(len(self.steps))),
        )

    def _start_metres(self) -> float | Unknown:
        with inside("start.metres"):
            return _metres(self.start.metres)

    def _start_gap(self) -> float | Unknown:
        with inside("start.gap_m"):
            return _metres(self.start.gap_m)

    def _step(self, index: int) -> Step:
        step = self.steps[index]
        with inside(f"steps[{index}].wheel"):
            wheel = Wheel(
                way=step.wheel.way, of_lock=_share(step.wheel.of_lock), turns=step.wheel.turns
            )
        with inside(f"steps[{index}].until"):
            until = _until(step.until)
        return Step(
            name=step.name,
            say=step.say,
            direction=1 if step.gear == "forward" else -1,
            wheel=wheel,
            until=until,
            looks=tuple(step.looks),
            standing=step.standing,
        )


def _metres(value: float | FitMetres) -> float | Unknown:
    if isinstance(value, FitMetres):
        return Unknown(name=value.fit, low=value.low_m, high=value.high_m, prefer=value.prefer_m)
    return value


def _share(value: float | FitShare) -> float | Unknown:
    if isinstance(value, FitShare):
        return Unknown(name=value.fit, low=value.low, high=value.high, prefer=value.prefer)
    return value


def _until(
    until: Travelled | Heading | Parallel | Abeam | GapWanted | Kerb | AtEdge | Seen | WheelSet,
) -> Until:
    match until:
        case Travelled():
            return Until(kind="travelled", value=until.metres)
        case Heading(angle=FitAngle() as fit):
            unknown = Unknown(
                name=fit.fit,
                low=radians(fit.low_deg),
                high=radians(fit.high_deg),
                prefer=radians(fit.prefer_deg),
            )
            return Until(kind="heading", value=unknown)
        case Heading(angle=float() as angle):
            return Until(kind="heading", value=radians(angle))
        case Abeam():
            return Until(
                kind="abeam",
                value=_metres(until.metres),
                own=until.own,
                landmark=until.landmark,
            )
        case GapWanted():
            return Until(kind="gap wanted", own=until.own, landmark=until.landmark)
        case Kerb():
            return Until(kind="kerb", value=_metres(until.metres), own=until.own)
        case AtEdge():
            return Until(kind="edge", value=_metres(until.metres), edge=until.edge)
        case Seen():
            return Until(kind="seen", own=until.mark, thing=until.thing)
        case WheelSet():
            return Until(kind="wheel set")
        case _:
            return Until(kind="parallel")
