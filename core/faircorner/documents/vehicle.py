"""fair-corner/vehicle@2 and fair-corner/seat@1."""

from dataclasses import replace
from math import radians
from typing import Annotated, Literal, TypeAlias

import numpy as np
from pydantic import Field, model_validator

from faircorner.documents.upgrades import upgraded
from faircorner.documents.usual import BodyShape, VehicleClass
from faircorner.errors import InputError
from faircorner.model import Metres, Model, Name, Point2, Point3, inside
from faircorner.plane import Floats, frozen
from faircorner.said import Said
from faircorner.sight import TAPED, Seat
from faircorner.vehicle import (
    TYRE_WIDTH,
    Circle,
    Dot,
    Feature,
    FeatureRole,
    Mirror,
    MirrorUse,
    MovesWith,
    Opening,
    RearCamera,
    Steering,
    Trailer,
    Vehicle,
)

__all__ = ["EyeBy", "MirrorModel", "SeatDocument", "VehicleDocument"]

Assumed: TypeAlias = Literal[
    "marks", "glass", "mirrors", "roofline", "tyre width", "corners", "trailer"
]
# By three readings of the tape, by two, or from how tall the driver is.
EyeBy: TypeAlias = Literal["tape", "two readings", "body height"]
Length = Annotated[float, Field(gt=0, le=200)]


class CircleModel(Model):
    turns: float
    kerb_circle_m: Metres


class SteeringModel(Model):
    """Turns from straight to one lock, and kerb-to-kerb circles."""

    lock_turns: float
    kerb_circle_m: Metres
    circles: Annotated[list[CircleModel], Field(max_length=40)] = []


class FeatureModel(Model):
    """A place on the vehicle that a driver lines things up with.

    name : for people; role : which part it is, where the sums have to know
    assumed : whether nobody measured it; null where the vehicle's own list says it of all marks
    """

    name: Name
    role: FeatureRole | None = None
    x_m: Metres
    y_m: Metres
    z_m: Metres
    assumed: bool | None = None

    def build(self, *, assumed: bool = False) -> Feature:
        """assumed : whether all marks are"""
        return Feature(
            name=self.name, x=self.x_m, y=self.y_m, z=self.z_m, role=self.role,
            assumed=assumed if self.assumed is None else self.assumed,
        )  # fmt: skip


class OpeningModel(Model):
    """A pane. assumed : as of a mark"""

    name: Name
    polygon_m: Annotated[list[Point3], Field(min_length=3, max_length=24)]
    assumed: bool | None = None

    def build(self, *, assumed: bool) -> Opening:
        return Opening(
            name=self.name,
            corners=frozen(self.polygon_m),
            assumed=assumed if self.assumed is None else self.assumed,
        )


class PointModel(Model):
    x_m: Metres
    y_m: Metres
    z_m: Metres

    def build(self) -> Floats:
        return frozen([self.x_m, self.y_m, self.z_m])


class DirectionModel(Model):
    x: float
    y: float
    z: float


class MirrorModel(Model):
    """A mirror's glass; radius is null for a flat one.

    aim : unit vector out of the glass
    outline_m : across and up from its centre; across is to the right of who faces the glass
    set_for : what every driver sets it to show; null where its aim stays as it is
    on : the mirror that it is stuck to or is a part of, and turns with; null for none
    assumed : as of a mark
    """

    name: Name
    centre: PointModel
    aim: DirectionModel
    radius_m: float | None
    outline_m: Annotated[list[Point2], Field(min_length=3, max_length=40)]
    moves_with: MovesWith = "body"
    set_for: MirrorUse | None = None
    on: Name | None = None
    assumed: bool | None = None

    def build(self, *, assumed: bool) -> Mirror:
        return Mirror(
            name=self.name,
            centre=self.centre.build(),
            aim=frozen([self.aim.x, self.aim.y, self.aim.z]),
            radius=self.radius_m,
            outline=frozen(self.outline_m),
            moves_with=self.moves_with,
            set_for=self.set_for,
            on=self.on or "",
            assumed=assumed if self.assumed is None else self.assumed,
        )


class CameraModel(Model):
    """A rear camera, which looks straight back. down_deg : below level; assumed : as of a mark"""

    centre: PointModel
    down_deg: float
    across_deg: float
    assumed: bool | None = None

    def build(self) -> RearCamera:
        return RearCamera(
            centre=self.centre.build(),
            down=radians(self.down_deg),
            across=radians(self.across_deg),
            assumed=bool(self.assumed),
        )


class TrailerModel(Model):
    """What it tows; the hitch is measured from the rear axle, negative behind it."""

    hitch_ahead_of_axle_m: Metres
    kingpin_to_axle_m: Length
    length_m: Length
    width_m: Length
    front_of_kingpin_m: Metres
    max_articulation_deg: float

    def build(self) -> Trailer:
        return Trailer(
            hitch=self.hitch_ahead_of_axle_m,
            kingpin_to_axle=self.kingpin_to_axle_m,
            length=self.length_m,
            width=self.width_m,
            front_of_kingpin=self.front_of_kingpin_m,
            max_articulation=radians(self.max_articulation_deg),
        )


class VehicleDocument(Model):
    """A vehicle as measured. Lengths in metres, steering wheel in turns.

    shape : of its body; null where nobody said; height_m : of its roof, likewise
    roofline_m : its upper outline from the side, x and z, from the nose to the tail
    assumed : what of it nobody measured, and is as usual for its body
    """

    _today = model_validator(mode="before")(upgraded)

    format: Literal["fair-corner/vehicle@2"]
    name: Name
    kind: Annotated[VehicleClass, Field(alias="class")]
    shape: BodyShape | None = None
    length_m: Length
    width_m: Length
    mirror_width_m: Length
    wheelbase_m: Length
    front_overhang_m: Metres
    track_front_m: Length
    track_rear_m: Length
    tyre_width_m: Metres = TYRE_WIDTH
    corner_cut_m: Metres = 0.0
    steering: SteeringModel
    trailer: TrailerModel | None = None
    features: Annotated[list[FeatureModel], Field(max_length=100)] = []
    glass: Annotated[list[OpeningModel], Field(max_length=40)] = []
    mirrors: Annotated[list[MirrorModel], Field(max_length=20)] = []
    camera: CameraModel | None = None
    height_m: Length | None = None
    roofline_m: Annotated[list[Point2], Field(max_length=40)] = []
    assumed: Annotated[list[Assumed], Field(max_length=7)] = []

    def build(self) -> Vehicle:
        with inside("steering"):
            steering = Steering(
                lock_turns=self.steering.lock_turns,
                kerb_circle=self.steering.kerb_circle_m,
                wheelbase=self.wheelbase_m,
                track_front=self.track_front_m,
                circles=tuple(
                    Circle(turns=c.turns, kerb_circle=c.kerb_circle_m)
                    for c in self.steering.circles
                ),
            )
        return Vehicle(
            name=self.name,
            length=self.length_m,
            width=self.width_m,
            mirror_width=self.mirror_width_m,
            wheelbase=self.wheelbase_m,
            front_overhang=self.front_overhang_m,
            track_front=self.track_front_m,
            track_rear=self.track_rear_m,
            tyre_width=self.tyre_width_m,
            corner_cut=self.corner_cut_m,
            steering=steering,
            features=tuple(f.build(assumed="marks" in self.assumed) for f in self.features),
            glass=tuple(self._opening(i) for i in range(len(self.glass))),
            mirrors=tuple(self._mirror(i) for i in range(len(self.mirrors))),
            roofline=frozen(np.reshape(self.roofline_m, (-1, 2))),
            roofline_assumed="roofline" in self.assumed,
            trailer=self._trailer(),
            camera=self._camera(),
        )

    def _camera(self) -> RearCamera | None:
        if self.camera is None:
            return None
        with inside("camera"):
            return self.camera.build()

    def _trailer(self) -> Trailer | None:
        if self.trailer is None:
            return None
        with inside("trailer"):
            return self.trailer.build()

    def _mirror(self, index: int) -> Mirror:
        with inside(f"mirrors[{index}]"):
            on = self.mirrors[index].on
            if on and on not in {mirror.name for mirror in self.mirrors if not mirror.on}:
                raise InputError("on", Said("no such mirror", name=on))
            return self.mirrors[index].build(assumed="mirrors" in self.assumed)

    def _opening(self, index: int) -> Opening:
        with inside(f"glass[{index}]"):
            return self.glass[index].build(assumed="glass" in self.assumed)


class DotModel(Model):
    """A mark of one's own on a mirror's glass, across and up from its middle as its outline is."""

    name: Name
    mirror: Name
    across_m: Metres
    up_m: Metres


class OwnMarkModel(FeatureModel):
    """A mark of one's own; on : the pane it is stuck to, which it is moved onto; null for none"""

    on: Name | None = None

    def build(self, *, assumed: bool = False) -> Feature:
        return replace(super().build(assumed=assumed), on=self.on or "")


class SeatDocument(Model):
    """One person's eye in one vehicle, in the vehicle's frame.

    eye_by : how it was found: by three readings of the tape; by two, the third as is usual; or
        from how tall the person is and where the seat is set
    uncertain_m : how far off it may be along each axis
    marks : what this driver has put down on glass or dash; dots : and on mirrors
    """

    format: Literal["fair-corner/seat@1"]
    name: Name
    eye: PointModel
    eye_looking_back: PointModel | None = None
    eye_by: EyeBy = "tape"
    uncertain_m: PointModel = PointModel(x_m=TAPED, y_m=TAPED, z_m=TAPED)
    marks: Annotated[list[OwnMarkModel], Field(max_length=20)] = []
    dots: Annotated[list[DotModel], Field(max_length=20)] = []

    def build(self) -> Seat:
        back = self.eye_looking_back
        dots: dict[str, tuple[Dot, ...]] = {}
        for one in self.dots:
            dot = Dot(name=one.name, at=frozen([one.across_m, one.up_m]))
            dots[one.mirror] = (*dots.get(one.mirror, ()), dot)
        return Seat(
            name=self.name,
            eye=self.eye.build(),
            looking_back=None if back is None else back.build(),
            uncertain=self.uncertain_m.build(),
            marks=tuple(mark.build() for mark in self.marks),
            dots=dots,
        )
