"""What the product says of every demo docket, and of every method on both sides, kept as files.

`python -m tests.recorded` writes them anew: only where a figure was meant to change.
"""

import hashlib
import json
import os
import re
from dataclasses import replace
from functools import partial
from pathlib import Path
from typing import Any

import numpy as np
from faircorner.cues import (
    Scene,
    leave,
    make_least_sizes,
    make_plan,
    make_remedy,
    mend,
    play,
    rehearse,
    rescue,
)
from faircorner.documents.figures import pose_document
from faircorner.documents.finishes import finish_document
from faircorner.documents.ground import ground_document, suitability_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.plans import (
    least_size_document,
    leaving_document,
    mend_document,
    plan_document,
    played_document,
    remedy_document,
    rescue_document,
)
from faircorner.documents.samples import LINNET, seat_document, vehicle_document
from faircorner.documents.standard import StandardDocument
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.documents.verdicts import verdict_document
from faircorner.ground import lay_bay, measures, suitability, with_behind
from faircorner.shift import SimulatedLearner, advise, describe, driving
from faircorner.standards import LookNoted, Noted, goal_of, judge
from faircorner.tape import Readings, locate

from server.demo.learners import QUARRY_LEARNERS, SEATS, TIDEWELL_LEARNERS, Learner
from server.demo.places import quarry_places, standards, tidewell_places

__all__ = ["FOLDER", "differences", "docket", "machine", "recordings", "text_of"]

FOLDER = Path(__file__).parent
_SEED = 20261126
# Of a way driven as many places are kept as show where it goes.
_EVERY = 12
_SAME = 1e-9


def machine() -> str:
    """Where sums round alike: the processor, and how many threads add them up.

    Elsewhere they differ in the sixteenth figure, of which a search can make the sixth.
    """
    wanted = ("model name", "cpu family", "model", "stepping", "flags")
    lines = Path("/proc/cpuinfo").read_text("utf-8").split("\n\n")[0].splitlines()
    found = sorted(line for line in lines if line.partition(":")[0].strip() in wanted)
    blas = [os.environ.get(f"OPENBLAS_{name}", "") for name in ("CORETYPE", "NUM_THREADS")]
    return hashlib.sha256("\n".join(found + blas).encode()).hexdigest()[:16]


def _thinned(document: Any) -> Any:
    """The same with only some of the places of every path and outline."""
    if isinstance(document, dict):
        return {
            key: value[::_EVERY] if key in ("path", "path_m") else
            [part[::_EVERY] for part in value] if key == "swept_m" else _thinned(value)
            for key, value in document.items()
        }  # fmt: skip
    if isinstance(document, list):
        return [_thinned(one) for one in document]
    return document


def docket(learner: Learner, school: str) -> Scene:
    """What is asked of one of the demo's learners, in the school they are of."""
    car, back, height = SEATS[learner.seat]
    places, judged = {
        "tidewell": (tidewell_places, standards("Ostrel", "Ostrel Licensing Office (invented)")),
        "quarry": (quarry_places, standards("Bend county", "Bend County Examiners (invented)")),
    }[school]
    method = methods()[learner.method].build()
    standard = next(
        s for s in judged
        if goal_of(s["manoeuvre"]) == goal_of(method.manoeuvre) and s["name"].endswith(learner.test)
    )  # fmt: skip
    return Scene(
        vehicle=VehicleDocument.read(vehicle_document(car)).build(),
        seat=SeatDocument.read(seat_document(car, learner.seat, back=back, height=height)).build(),
        ground=next(g for g in places() if g.name.startswith(learner.place)),
        method=method,
        standard=StandardDocument.read(standard).build(),
    )


def _of_learner(learner: Learner, school: str) -> dict[str, Any]:
    """The plan, every attempt's verdict, and the advice that the set gets."""
    scene = docket(learner, school)
    ground, standard = scene.ground, scene.standard
    plan = make_plan(scene)
    ended = replace(scene, standing=plan.track.final[0])
    rng = np.random.default_rng(_SEED)
    hands = SimulatedLearner(bias=learner.bias, scatter=learner.scatter)
    late = hands.lateness(learner.attempts, before=0, rng=rng)
    driven = rehearse(scene, plan, late)
    along = plan.ground.kerb_on_left().berth.along
    taped, verdicts = [], []
    for i in range(learner.attempts):
        names = ("kerb_front", "kerb_rear", along)
        true = {name: float(driven.finish.measure(name)[i]) for name in names}
        readings = {name: round(value, 2) for name, value in true.items() if not np.isnan(value)}
        found = locate(ended, Readings(**readings))
        missed = LookNoted(look="behind", phase="execution", became="missed")
        noted = Noted(
            seconds=60, forward_movements=0, reverse_movements=1,
            kerb_touches=int(driven.kerb_touched[i]), looks=(missed,) * (i % 3),
        )  # fmt: skip
        verdict = judge(standard, found.finish, noted)
        taped.append(
            [found.finish.kerb[0], found.finish.measure("angle")[0], found.finish.measure(along)[0]]
        )
        verdicts.append({
            "pose": pose_document(found.pose), "finish": finish_document(found.finish),
            "sigma": [None if np.isnan(s) else round(float(s), 6) for s in found.sigma],
            "verdict": verdict_document(verdict),
        })  # fmt: skip
    columns = 3 if not np.isnan(taped).any() else 2
    finish = plan.finish
    target = np.array([finish.kerb[0], finish.measure("angle")[0], finish.measure(along)[0]])[
        :columns
    ]
    off = np.array(taped)[:, :columns] - target
    finishes = describe(off)
    advice = advise(
        finishes, plan.sensitivity[:columns], driving(scene, plan.values, along),
        rng=np.random.default_rng(0),
    )  # fmt: skip
    return {
        "ground": ground_document(ground),
        "measures": measures(ground),
        "suitability": suitability_document(suitability(ground)),
        "plan": plan_document(plan, scene),
        "leaving": [leaving_document(w) for w in leave(ended)],
        "verdicts": verdicts,
        "advice": {
            "kind": advice.kind, "call": advice.call, "by": advice.by,
            "chance": advice.chance.share, "chance_after": advice.chance_after.share,
            "explained": round(advice.explained, 6),
            "scatter_share": advice.scatter_share.round(6).tolist(),
            "bias": finishes.bias.round(6).tolist(), "scatter": finishes.scatter.round(6).tolist(),
            "margin": finishes.margin.round(6).tolist(),
            "odds": round(min(advice.odds, 1e6), 4),
        },
    }  # fmt: skip


def _of_method(name: str, side: str) -> dict[str, Any]:
    """The library's method for one car where the demo has a place for it; its answers elsewhere."""
    method = methods()[name].build()
    goal = goal_of(method.manoeuvre)
    ground = next(
        g for g in tidewell_places() if type(g.goal).__name__.lower() == goal and g.side == "left"
    )
    vehicle = VehicleDocument.read(vehicle_document(LINNET)).build()
    seat = SeatDocument.read(seat_document(LINNET, "seat", back=0.0, height=1.2)).build()
    if side == "right":
        ground = ground.mirrored()
    scene = Scene(vehicle=vehicle, seat=seat, ground=ground, method=method,
                  standard=house_standard(goal).build())  # fmt: skip
    plan = make_plan(scene)
    found: dict[str, Any] = {"plan": plan_document(plan, scene)}
    if plan.feasible and plan.calls:
        late = {"call": 1, "by": 0.3}
        found["played"] = played_document(play(scene, plan.values, **late), vehicle)
        saved = rescue(scene, plan.values, **late, forward=2, reverse=2)
        found["rescue"] = rescue_document(saved, vehicle)
    if not plan.feasible:
        found["remedy"] = remedy_document(make_remedy(scene))
    return found


def _of_rooms() -> dict[str, Any]:
    """How little room would do, advice for too little of it, and mends, on both sides."""
    vehicle = VehicleDocument.read(vehicle_document(LINNET)).build()
    seat = SeatDocument.read(seat_document(LINNET, "seat", back=0.0, height=1.2)).build()
    park = methods()["Straight-run reverse park"].build()
    standard = house_standard().build()
    tight = Scene(vehicle=vehicle, seat=seat, ground=with_behind(tidewell_places()[0], 5.6),
                  method=park, standard=standard)  # fmt: skip
    found: dict[str, Any] = {"remedy": remedy_document(make_remedy(tight))}
    for name in ("Full-lock reverse bay", "Three-movement turn"):
        method = methods()[name].build()
        goal = goal_of(method.manoeuvre)
        ground = next(g for g in quarry_places() if type(g.goal).__name__.lower() == goal)
        scene = replace(tight, ground=ground, method=method, standard=house_standard(goal).build())
        sizes = make_least_sizes(scene)
        found[f"least room, {name}"] = [least_size_document(s, scene) for s in sizes]
    into = methods()["Full-lock reverse bay"].build()
    for name, place, method, pose in (
        ("kerb", with_behind(tidewell_places()[0], 8.0), park, [-5.5, -1.6, 0.05]),
        ("bay", lay_bay("bay"), into, [0.35, 4.2, -1.57]),
    ):
        here = replace(tight, ground=place, method=method, standing=np.array(pose))
        found[f"mend, {name}"] = mend_document(mend(here, forward=2, reverse=2), vehicle)
        there = replace(here, ground=place.mirrored(), standing=here.standing * [1, -1, -1])
        # The same vehicle on the other side: it is its place that is mirrored.
        found[f"mend, {name}, right"] = mend_document(mend(there, forward=2, reverse=2), vehicle)
    return found


def recordings() -> dict[str, Any]:
    """Each file's name and a function that works its content out."""
    found: dict[str, Any] = {"rooms": _of_rooms}
    for school, learners in (("tidewell", TIDEWELL_LEARNERS), ("quarry", QUARRY_LEARNERS)):
        for learner in learners:
            first = learner.name.split(maxsplit=1)[0].lower()
            found[f"{school}-{first}"] = partial(_of_learner, learner, school)
    for name in methods():
        for side in ("left", "right"):
            slug = "".join(c if c.isalnum() else "-" for c in name.lower())
            found[f"method-{slug}-{side}"] = partial(_of_method, name, side)
    return found


# What is told of the first of several that are as great as each other, drawn by lot, or kept by a
# place in twelve of a way: on another machine it may be another.
_BY_A_HAIR = re.compile(
    r"looks\[\d+\]\.(at_s_m|x_m|y_m)$|(clearance\[\d+\]|overhang)\.s_m$|_breaks$|\.chance(_after)?$"
    r"|\.(path|path_m|swept_m)$"
    # A chance may stand on either side of what advice turns at.
    r"|\.advice\.(kind|call|by|explained)$"
)


def differences(before: Any, now: Any, *, exact: bool, path: str = "") -> list[str]:
    """Where two documents say different things.

    exact : on the machine that recorded the first, figures agree to 1e-9. On another only what is
    no figure is held against it, less what is told by a hair: where a search ends in a flat hollow
    may differ by centimetres.
    """
    if not exact and _BY_A_HAIR.search(path):
        return []
    if isinstance(before, dict) and isinstance(now, dict):
        return [
            line
            for key in sorted(before.keys() | now.keys())
            for line in (
                differences(before[key], now[key], exact=exact, path=f"{path}.{key}")
                if key in before and key in now
                else [f"{path}.{key} is only in one of them"]
            )
        ]
    if isinstance(before, list) and isinstance(now, list):
        if len(before) != len(now):
            return [f"{path} had {len(before)} entries, has {len(now)}"]
        return [
            line
            for i, (a, b) in enumerate(zip(before, now, strict=True))
            for line in differences(a, b, exact=exact, path=f"{path}[{i}]")
        ]
    numbers = (int, float)
    if isinstance(before, numbers) and isinstance(now, numbers) and not isinstance(before, bool):
        near = not exact or abs(before - now) <= _SAME
        return [] if near else [f"{path} was {before}, is {now}"]
    return [] if before == now else [f"{path} was {before!r}, is {now!r}"]


def text_of(content: Any) -> str:
    """As it is kept; read back it is what a test compares with."""
    return json.dumps({"machine": machine(), "said": _thinned(content)}, separators=(",", ":"))
