"""What may be observed at any moment of an attempt, and in which phase of it."""

from typing import Literal, TypeAlias, get_args

__all__ = ["COUNTED", "OBSERVED", "PHASES", "Observed", "Phase"]

Phase: TypeAlias = Literal["approach", "start", "execution", "finish", "leaving"]
Observed: TypeAlias = Literal[
    "gave way",
    "should have given way",
    "somebody passed",
    "signal missing",
    "signal misleading",
    "too fast",
    "stalled",
    "dry steering",
    "mirror not dipped",
    "mirror not restored",
    "kerb touched",
    "kerb mounted",
    "cone touched",
    "cone felled",
    "vehicle touched",
    "helped by word",
    "helped by hand or pedal",
    "got out to look",
    "pull-up",
    "restart",
]

PHASES: tuple[Phase, ...] = get_args(Phase)
OBSERVED: tuple[Observed, ...] = get_args(Observed)
# What is observed and counted as well, and how notes call its count.
COUNTED: dict[Observed, str] = {
    "kerb touched": "kerb_touches",
    "kerb mounted": "kerb_mounts",
    "vehicle touched": "vehicle_touches",
}
