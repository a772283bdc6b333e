"""What may be observed at any moment of an attempt, in which phase of it, and what ends it well."""

from typing import Literal, TypeAlias, get_args

__all__ = [
    "AT_END",
    "COUNTED",
    "OBSERVED",
    "PASSED",
    "PHASES",
    "AtEnd",
    "Observed",
    "Passed",
    "Phase",
]

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
    "line touched",
    "cone touched",
    "cone felled",
    "vehicle touched",
    "left the area",
    "lost control",
    "helped by word",
    "helped by hand or pedal",
    "refused",
    "unlawful",
    "got out to look",
    "pull-up",
    "restart",
    "declared too soon",
]
# What must be true once the driver says that it is done.
AtEnd: TypeAlias = Literal[
    "gear set",
    "brake set",
    "wheels straight",
    "wheels turned for the hill",
    "signal off",
    "left again",
]
# What a limit that was passed means for the rest of the attempt.
Passed: TypeAlias = Literal["stop", "go on forwards", "begin again"]

PHASES: tuple[Phase, ...] = get_args(Phase)
OBSERVED: tuple[Observed, ...] = get_args(Observed)
AT_END: tuple[AtEnd, ...] = get_args(AtEnd)
PASSED: tuple[Passed, ...] = get_args(Passed)
# What is observed and counted as well, and how notes call its count.
COUNTED: dict[Observed, str] = {
    "kerb touched": "kerb_touches",
    "kerb mounted": "kerb_mounts",
    "vehicle touched": "vehicle_touches",
}
