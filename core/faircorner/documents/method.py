"""fair-corner/method@1: steps that each wait for something, in toward/away words."""

from typing import Annotated, Literal

from pydantic import Field

from faircorner.cues import Method, Start, Step, Unknown, Wheel
from faircorner.cues.events import EventModel
from faircorner.cues.fitted import FitMetres, FitShare, built
from faircorner.cues.places import OwnPoint
from faircorner.documents.standard import ManoeuvreName
from faircorner.ground import Landmark
from faircorner.model import Metres, Model, Name, inside
from faircorner.standards import Look

__all__ = ["MethodDocument"]


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
    until: EventModel
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
    manoeuvre: ManoeuvreName
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
            return built(self.start.metres)

    def _start_gap(self) -> float | Unknown:
        with inside("start.gap_m"):
            return built(self.start.gap_m)

    def _step(self, index: int) -> Step:
        step = self.steps[index]
        with inside(f"steps[{index}].wheel"):
            wheel = Wheel(
                way=step.wheel.way, of_lock=built(step.wheel.of_lock), turns=step.wheel.turns
            )
        with inside(f"steps[{index}].until"):
            until = step.until.build()
        return Step(
            name=step.name,
            say=step.say,
            direction=1 if step.gear == "forward" else -1,
            wheel=wheel,
            until=until,
            looks=tuple(step.looks),
            standing=step.standing,
        )
