"""An attempt told by its figures, held against a standard: for trying a standard before it is kept.

`core judge FILE` answers it as well.
"""

from typing import TYPE_CHECKING, Annotated, Any, Literal, TypeAlias, get_args

from pydantic import Field

from faircorner.documents.finishes import read_finish
from faircorner.documents.standard import StandardDocument
from faircorner.documents.verdicts import verdict_document
from faircorner.model import Metres, Model, inside
from faircorner.standards import (
    MEASURES,
    ON_THE_WAY,
    AtEnd,
    Became,
    Look,
    LookNoted,
    MirrorLook,
    Noted,
    Observed,
    Phase,
    Seen,
    judge,
)

__all__ = ["JudgeRequest", "NotedModel", "OnTheWay", "judged_document", "read_on_the_way"]

if TYPE_CHECKING:
    TapedName: TypeAlias = str
    WayName: TypeAlias = str
else:
    TapedName = Literal[tuple(m.outward for m in MEASURES.values() if m.taped is not None)]
    WayName = Literal[tuple(m.outward for m in ON_THE_WAY)]
_ON_THE_WAY = {measure.outward: measure for measure in ON_THE_WAY}
# By the names of documents; what is absent was not measured.
OnTheWay: TypeAlias = dict[WayName, Metres]
Count = Annotated[int, Field(ge=0, le=99)]


def read_on_the_way(told: OnTheWay) -> dict[str, float]:
    """Figures taken on the way by the core's names, SI."""
    return {_ON_THE_WAY[name].name: v * _ON_THE_WAY[name].one for name, v in told.items()}


class LookNotedModel(Model):
    """swings : whether an end of the vehicle is about to swing there; became null: not noted."""

    look: Literal[(*get_args(Look), *get_args(MirrorLook))]  # type: ignore[valid-type]
    phase: Phase = "execution"
    swings: bool = False
    became: Became | None = None


class ObservedModel(Model):
    what: Observed
    phase: Phase = "execution"


class NotedModel(Model):
    """What was noted while it was driven; watched : what was at hand to be observed."""

    seconds: Annotated[float, Field(ge=0, le=36000)] = 0
    forward_movements: Count = 0
    reverse_movements: Count = 0
    planned_movements: Count | None = None
    kerb_touches: Count = 0
    kerb_mounts: Count = 0
    vehicle_touches: Count = 0
    looks: Annotated[list[LookNotedModel], Field(max_length=100)] = []
    observed: Annotated[list[ObservedModel], Field(max_length=200)] = []
    watched: Annotated[list[Observed], Field(max_length=100)] = []
    on_the_way: OnTheWay = {}
    at_end: dict[AtEnd, bool] = {}

    def build(self) -> Noted:
        counts = self.model_dump(
            exclude={"planned_movements", "looks", "observed", "watched", "on_the_way"}
        )
        return Noted(
            **counts,
            planned=self.planned_movements,
            looks=tuple(LookNoted(**look.model_dump()) for look in self.looks),
            observed=tuple(Seen(**seen.model_dump()) for seen in self.observed),
            watched=frozenset(self.watched),
            on_the_way=read_on_the_way(self.on_the_way),
        )


class JudgeRequest(Model):
    """finish : what was taped, by its measures' names; what is absent was not taped."""

    standard: StandardDocument
    finish: dict[TapedName, Annotated[float, Field(ge=-360, le=360)] | None] = {}
    noted: NotedModel | None = None


def judged_document(request: JudgeRequest) -> dict[str, Any]:
    """The verdict. Raises InputError naming the field."""
    with inside("standard"):
        standard = request.standard.build()
    noted = request.noted.build() if request.noted else None
    return verdict_document(judge(standard, read_finish(request.finish), noted))
