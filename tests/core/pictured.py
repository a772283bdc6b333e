"""Dockets whose pictures are tried: a kerb, bays, a corner and a turn, keeping left and right."""

from functools import cache

import numpy as np
from faircorner.cues import make_plan
from faircorner.cues.calls import seeing_at
from faircorner.cues.driven import attempt
from faircorner.cues.fit import FINE
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import settings_for
from faircorner.documents.library import house_standard, methods
from faircorner.documents.samples import LINNET, PLOVER, seat_document, vehicle_document
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.ground import Bay, Corner, Turnabout, lay_bay, lay_kerb, lay_road
from faircorner.sides import turned_in

from tests.core.scenes import scene

__all__ = ["DOCKETS", "docket_named", "seeings", "seeings_of"]

_PLACES = {
    "kerb": ("Straight-run reverse park", lambda: lay_kerb("kerb")),
    "bay": ("Full-lock reverse bay", lambda: lay_bay("bay", bay=Bay(), aisle=7.0)),
    "corner": ("Close corner reverse", lambda: lay_road("corner", Corner(radius=5.0))),
    "turn": ("Three-movement turn", lambda: lay_road("turn", Turnabout())),
}
DOCKETS = tuple(f"{name} {side}" for name in _PLACES for side in ("left", "right"))


@cache
def docket_named(name):
    place, side = name.split()
    method, lay = _PLACES[place]
    car = LINNET if side == "left" else PLOVER
    vehicle = VehicleDocument.read(vehicle_document(car)).build()
    seat = SeatDocument.read(seat_document(car, "one", back=0.0, height=1.2)).build()
    ground = lay() if side == "left" else lay().mirrored()
    made = methods()[method]
    standard = house_standard({"kerb": "kerbside", "turn": "turnabout"}.get(place, place)).build()
    return scene(vehicle, seat, ground, made.build(), standard)


def seeings(name):
    """The driver at every stop of a docket, the working side on the left."""
    return seeings_of(turned_in(docket_named(name).side, docket_named(name)))


def seeings_of(scene):
    values, (ready, given) = make_plan(scene).values, prepare(scene)
    steps = len(ready.method.steps)
    figures = np.array([[values[u.name] for u in ready.method.unknowns]])
    driven = attempt(ready, settings_for(figures, given, steps, np.zeros((1, steps))), sample=FINE)
    return [seeing_at(ready, driven, call) for call in range(steps + 1)]
