"""What a cue sheet is asked for with."""

from collections.abc import Mapping
from math import radians
from typing import Annotated

from pydantic import Field

from faircorner.cues import (
    Method,
    Options,
)
from faircorner.documents.ground import GroundDocument
from faircorner.documents.method import MethodDocument
from faircorner.documents.standard import StandardDocument
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.errors import InputError
from faircorner.model import Metres, Model
from faircorner.said import Exact, Said

__all__ = ["OptionsModel", "PlanRequest", "angle_names", "method_named", "read_options"]


class OptionsModel(Model):
    """What may be set for one cue sheet; absent leaves it to the method, the place or the fit.

    pinned : fitted figures of the method by name, in metres or degrees
    shifts_m : by call number, how much later (negative earlier) its cue is told
    picks : by call number, which cue was chosen for it, as `sights` names it; 0 is the first stop
        and one more than there are calls the last
    dipped : whether the near-side door mirror is turned down to the rear tyre
    """

    gap_m: Metres | None = None
    kerb_m: Metres | None = None
    ahead_m: Metres | None = None
    turns_per_metre: float | None = None
    pinned: Annotated[dict[str, float], Field(max_length=20)] = {}
    shifts_m: Annotated[dict[str, float], Field(max_length=20)] = {}
    dipped: bool = False
    picks: Annotated[dict[str, Annotated[str, Field(max_length=400)]], Field(max_length=20)] = {}


class PlanRequest(Model):
    """Compute a cue sheet."""

    vehicle: VehicleDocument
    seat: SeatDocument
    ground: GroundDocument
    method: MethodDocument | str
    standard: StandardDocument | None = None
    options: OptionsModel = OptionsModel()


def angle_names(method: Method) -> set[str]:
    """Fitted figures of a method that are angles: told in degrees."""
    return {unknown.name for unknown in method.unknowns if unknown.quantity == "rad"}


def read_options(model: OptionsModel, method: Method) -> Options:
    """Options in SI; raises InputError for a shift that is not told by call number."""
    angles = angle_names(method)
    for field, numbers in (("shifts_m", model.shifts_m), ("picks", model.picks)):
        for number in numbers:
            if not number.isdecimal():
                raise InputError(f"options.{field}.{number}", Said("must be a call number"))
    for number, metres in model.shifts_m.items():
        if not -2 <= metres <= 2:
            raise InputError(
                f"options.shifts_m.{number}",
                Said("must be within", reach=Exact(2), got=Exact(metres)),
            )
    return Options(
        gap=model.gap_m,
        kerb=model.kerb_m,
        ahead=model.ahead_m,
        turns_per_metre=model.turns_per_metre,
        pinned={n: radians(v) if n in angles else v for n, v in model.pinned.items()},
        shifts={int(number): metres for number, metres in model.shifts_m.items()},
        dipped=model.dipped,
        picks={int(number): key for number, key in model.picks.items()},
    )


def method_named(request: PlanRequest, library: Mapping[str, MethodDocument]) -> MethodDocument:
    """The method of a request, looked up when it is given by name."""
    if isinstance(request.method, MethodDocument):
        return request.method
    if request.method not in library:
        raise InputError("", Said("is not one of", name=request.method, known=", ".join(library)))
    return library[request.method]
