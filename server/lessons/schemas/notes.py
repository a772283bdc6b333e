"""What is noted while an attempt is driven."""

from typing import Annotated, Literal

from faircorner.documents.judging import OnTheWay
from faircorner.learning import Sideways
from faircorner.standards import AtEnd, Observed, Phase
from pydantic import Field

from server.lessons.schemas.history import Help
from server.request_body import RequestBody

Timing = Literal["early", "on", "late"]
LookDone = Literal["done", "late", "missed", "prompted"]
Count = Annotated[int, Field(ge=0, le=99)]
Seconds = Annotated[float, Field(ge=0, le=36000, allow_inf_nan=False)]
Line = Annotated[str, Field(max_length=300)]


class ObservedIO(RequestBody):
    """Something that was observed on the way; step : the one in hand then, 0 the first stop.

    seconds : on the clock, which does not run before the start
    """

    what: Observed
    phase: Phase
    step: Annotated[int, Field(ge=0, le=41)]
    seconds: Seconds


class PredictedIO(RequestBody):
    """What a learner said would follow from acting at a call, and what would have.

    by_m : how much late the vehicle stood there; end : by how much late the end that was chosen is
    reached, null where it was not asked; tail : which way it was said to go, and `goes` it does
    """

    call: Annotated[int, Field(ge=1, le=40)]
    by_m: Annotated[float, Field(ge=-2, le=2, allow_inf_nan=False)]
    end_m: Annotated[float, Field(ge=-2, le=2, allow_inf_nan=False)] | None = None
    tail: Sideways | None = None
    goes: Sideways


class Notes(RequestBody):
    """What the instructor saw. Lists run by call and by look; null where nothing was noted.

    prompted : steps that had to be prompted; call_seconds, look_seconds : when each was noted
    watched : what was at hand to be observed; on_the_way : what was measured then, by its name;
    at_end : whether it was so at the end; what is absent was not noted
    help : how much of it the driver had, null not noted; from_memory : the method's steps from 0 on
    in the order that was told, empty where it was not asked; predicted : what was said to follow
    """

    seconds: Seconds
    forward_movements: Count = 0
    reverse_movements: Count = 1
    calls: Annotated[list[Timing | None], Field(max_length=40)] = []
    looks: Annotated[list[LookDone | None], Field(max_length=40)] = []
    kerb_touches: Count = 0
    kerb_mounts: Count = 0
    vehicle_touches: Count = 0
    prompted: Annotated[list[Annotated[int, Field(ge=0, le=41)]], Field(max_length=42)] = []
    observed: Annotated[list[ObservedIO], Field(max_length=200)] = []
    call_seconds: Annotated[list[Seconds | None], Field(max_length=40)] = []
    look_seconds: Annotated[list[Seconds | None], Field(max_length=40)] = []
    watched: Annotated[list[Observed], Field(max_length=100)] = []
    on_the_way: OnTheWay = {}
    at_end: dict[AtEnd, bool] = {}
    help: Help | None = None
    from_memory: Annotated[list[Annotated[int, Field(ge=0, le=41)]], Field(max_length=42)] = []
    predicted: Annotated[list[PredictedIO], Field(max_length=20)] = []
