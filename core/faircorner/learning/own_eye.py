"""Where a driver says that the vehicle stands, against where the tape says: a skill of its own.

Derivation: docs/sums/tape.md.
"""

from collections.abc import Mapping

import numpy as np

from faircorner.cues import Scene
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.sides import sided
from faircorner.standards import MEASURES, Finish, Measure, finish_at
from faircorner.tape import TapedPose, check_gaps_exist, check_plausible
from faircorner.vehicle import Vehicle

__all__ = ["misjudged", "pose_as_stated"]

_BOTH_WHEELS = {"kerb_front", "kerb_rear"}
_READ = ("kerb_front", "kerb_rear", "angle", "ahead", "behind")


@sided
def pose_as_stated(scene: Scene, said: Mapping[str, float]) -> TapedPose:
    """Pose and finish from a learner's statement, m by the reading's name; sigma is NaN.

    A statement is an opinion, so it is not checked for contradictions. What was not stated stays
    as in `scene.standing`; two gaps that contradict each other are each missed by half. The finish
    holds only what was stated, and the angle if both wheels were.
    Raises InputError for an empty statement, a figure outside its plausible range, a gap to
    nothing, and a scene without `standing`.
    """
    if not said:
        raise InputError("readings", Said("say one of them"))
    check_plausible(said)
    place = scene.suited().ground
    if scene.standing is None:
        raise InputError("standing", Said("where it was to stand"))
    check_gaps_exist(place.berth, said)
    local = place.berth.local(scene.standing)
    if said.keys() >= _BOTH_WHEELS:
        local[2] = _angle(scene.vehicle, said)
    here = finish_at(place.berth.on_site(local)[None], scene.vehicle, place)
    missed = {name: float(here.measure(name)[0]) - value for name, value in said.items()}
    local[1] += _mean([missed[name] for name in sorted(_BOTH_WHEELS) if name in said])
    # Moved toward the edge, it may come nearer to an end that runs slantwise.
    here = finish_at(place.berth.on_site(local)[None], scene.vehicle, place)
    ways = {"ahead": 1.0, "behind": -1.0}
    local[0] += _mean(
        [way * (float(here.measure(n)[0]) - said[n]) for n, way in ways.items() if n in said]
    )
    return TapedPose(
        pose=place.berth.on_site(local),
        sigma=np.full(3, np.nan),
        finish=_stated_finish(scene.vehicle, said),
    )


def _stated_finish(vehicle: Vehicle, said: Mapping[str, float]) -> Finish:
    """The stated figures as a finish, one row; NaN for what was not stated."""
    told = {name: np.array([said.get(name, np.nan)]) for name in _READ}
    if said.keys() >= _BOTH_WHEELS:
        told["angle"] = np.array([_angle(vehicle, said)])
    return Finish(taped=told)


def _mean(values: list[float]) -> float:
    """Mean, 0 for an empty list."""
    return float(np.mean(values)) if values else 0.0


def _angle(vehicle: Vehicle, said: Mapping[str, float]) -> float:
    """Angle to the edge from both wheels, rad, nose toward it positive; clipped to ±90°."""
    along, outward = vehicle.hubs(side=1)[1] - vehicle.hubs(side=1)[0]
    apart = np.hypot(along, outward)
    turned = np.arcsin(np.clip((said["kerb_rear"] - said["kerb_front"]) / apart, -1.0, 1.0))
    return float(turned - np.arctan2(outward, along))


def misjudged(said: Finish, taped: Finish) -> dict[str, float]:
    """What was said more than was taped, by measure, SI; left out what either does not know.

    The distance to the edge is that of all wheels said together, as "kerb_rear" and "kerb_front"
    alone would tell the angle twice.
    """
    off = {
        measure.name: float((said.measure(measure.name) - taped.measure(measure.name))[0])
        for measure in _own()
    }
    wheels = [said.measure(name) - taped.measure(name) for name in sorted(_BOTH_WHEELS)]
    known = [float(one[0]) for one in wheels if not np.isnan(one[0])]
    off = {"kerb": float(np.mean(known)) if known else np.nan, **off}
    return {name: value for name, value in off.items() if not np.isnan(value)}


def _own() -> list[Measure]:
    return [m for m in MEASURES.values() if m.taped is not None and not m.beside]
