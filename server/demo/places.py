"""Invented places to practise, and the standards they are judged by."""

from dataclasses import replace
from typing import Any

import numpy as np
from faircorner.documents.library import house_standard
from faircorner.ground import (
    Bay,
    Check,
    Corner,
    Ground,
    Stretch,
    Turnabout,
    adjust,
    lay_bay,
    lay_kerb,
    lay_road,
)

__all__ = ["quarry_places", "standards", "tidewell_places"]

# What somebody noted at one of the places; the others are still to be looked at.
QUAY_CHECK = Check(
    legal=True, junction=42.0, crossing=60.0, bus_stop=75.0, driveway=11.0, bend=90.0, crest=120.0,
    sight=80.0, traffic="some", light="clear", neighbour="straight", slope=0.0,
)  # fmt: skip


def tidewell_places() -> list[Ground]:
    mill = lay_kerb("Mill Lane, between two", gap=7.4, length=4.5, goal_ahead=1.3)
    return [
        replace(lay_kerb("Quay Street", goal_ahead=2.0), check=QUAY_CHECK),
        adjust(mill, "behind_off_kerb", 0.3),
        lay_kerb("Weir Road, one-way, kerb right", side="right", off_kerb=0.25, goal_ahead=1.8),
        lay_kerb("Station Approach", road_width=6.9, off_kerb=0.1, length=4.0, goal_ahead=2.2),
        lay_bay("Harbour car park, square bay", bay=Bay(width=2.6), aisle=7.0),
        lay_bay("Fish Hall, leaning bay", bay=Bay(angle=np.radians(60), head="wall", head_gap=0.5)),
        lay_bay(
            "Tern Yard, against the clock",
            before=None,
            beyond=None,
            aisle=9.0,
            bay=Bay(width=2.7, depth=5.4, lines="sensor", guide=1.6, head_gap=0.4),
        ),
        lay_road("Larch Close, to turn in", Turnabout(), road_width=7.2),
        lay_road("Priory Road, corner", Corner(), road_width=6.8),
        lay_road("Long Wharf, free kerb", Stretch(), road_width=7.4),
        lay_road("Long Wharf, opposite side", Stretch(), side="right", road_width=7.4),
    ]


def quarry_places() -> list[Ground]:
    return [
        lay_kerb("Gravel Lane", side="right", length=4.7, road_width=8.5, goal_ahead=2.0),
        lay_kerb("Foundry Street, kerb left", length=4.4, road_width=8.0, goal_ahead=2.0),
        lay_bay(
            "Kiln yard, leaning bay",
            side="right",
            aisle=7.2,
            bay=Bay(angle=np.radians(60), width=2.7, depth=5.4, head="wheel stop", head_gap=0.15),
        ),
        lay_road("Sawmill Road, to turn in", Turnabout(), side="right", road_width=8.4),
        lay_road("Brick Row, corner", Corner(radius=7.0), side="right", road_width=8.0),
        lay_road("Depot Road, free kerb", Stretch(), side="right", road_width=8.0),
        lay_road("Depot Road, opposite side", Stretch(), road_width=8.0),
    ]


# What a test of each kind of place is called.
_TESTS: dict[str, str] = {
    "kerbside": "car test",
    "bay": "bay test",
    "turnabout": "turning test",
    "corner": "corner test",
    "stretch": "kerb test",
}


def standards(county: str, authority: str) -> list[dict[str, Any]]:
    tests = [_standard(f"{county} {name}", authority, goal) for goal, name in _TESTS.items()]
    # A whole test is drawn from all that can be driven, by the first of them.
    tests[0]["mock"] = {
        "number": 2, "in_reverse": 1, "small_allowed": 3,
        "of": ["reverse parallel", "bay forward", "bay reverse", "turn in the road",
               "reverse round a corner", "kerbside stop"],
    }  # fmt: skip
    return [*tests, _against_the_clock(f"{county} yard test", authority)]


def _against_the_clock(name: str, authority: str) -> dict[str, Any]:
    """A bay test by points: a time limit, what is free, what is watched for, how it has to end."""
    body = _standard(name, authority, "bay")
    clock = {"seconds": {"small": [None, 90], "ends": [None, 150]},
             "kerb_touches": {"small": [None, 0], "serious": [None, 2]}}  # fmt: skip
    for limit in body["limits"]:
        limit.update(clock.get(limit["measure"], {}))
        limit["points"] = 2 if limit["measure"].endswith(("_m", "_deg")) else 1
    body["limits"] += [
        {"measure": "start_gap_m", "small": [0.4, 1.6], "passed": "begin again"},
        {"measure": "corrections", "small": [None, 1], "serious": [None, 3], "each": True},
    ]
    return {
        **body,
        "source": "Yard handbook (invented), part 3: the bay against the clock",
        "points_allowed": 8,
        "looks": [{"look": "behind", "when": "never", "grade": "serious"}],
        "observed": [
            {"what": "line touched", "grade": "small", "free": 1, "repeated": 4},
            {"what": "got out to look", "grade": "small", "free": 1},
            {"what": "dry steering", "grade": "small"},
            {"what": "declared too soon", "grade": "serious"},
            {"what": "helped by hand or pedal", "grade": "ends"},
            {"what": "lost control", "grade": "ends"},
        ],
        "at_end": [
            {"what": "gear set", "grade": "small", "points": 2},
            {"what": "brake set", "grade": "serious"},
        ],
    }


def _standard(name: str, authority: str, goal: str) -> dict[str, Any]:
    """The house limits under an invented authority, with the counts a test would add."""
    body = house_standard(goal).model_dump(by_alias=True, mode="json")
    counts = [
        # Turning round in a road takes as many as its width asks for.
        {"measure": "forward_movements", "small": [None, 1], "serious": [None, 2]}
        if goal != "turnabout"
        else {"measure": "reverse_movements", "small": [None, 2], "serious": [None, 3]},
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
