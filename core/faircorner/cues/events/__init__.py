"""What a step may wait for: one module each, with its figure, its sums and its document.

A new one is a module here, its model in `EventModel`, and its words.
"""

from typing import Annotated, TypeAlias

from pydantic import Field

from faircorner.cues.events.abeam import Abeam, AbeamModel, against
from faircorner.cues.events.base import Came, Event, Moment, Rising, Usual, Waiting, Watched
from faircorner.cues.events.edge import AtEdge, AtEdgeModel, EdgeName
from faircorner.cues.events.felt import STOPPING, Felt, FeltModel
from faircorner.cues.events.gap_wanted import GapWanted, GapWantedModel
from faircorner.cues.events.heading import Heading, HeadingModel
from faircorner.cues.events.kerb import Kerb, KerbModel
from faircorner.cues.events.parallel import Parallel, ParallelModel
from faircorner.cues.events.seen import HORIZON, PARTS, TYRES, Part, Seen, SeenModel
from faircorner.cues.events.travelled import Travelled, TravelledModel
from faircorner.cues.events.wheel_set import WheelSet, WheelSetModel

__all__ = [
    "EVENTS",
    "HORIZON",
    "PARTS",
    "STOPPING",
    "TYRES",
    "Abeam",
    "AtEdge",
    "Came",
    "EdgeName",
    "Event",
    "EventModel",
    "Felt",
    "GapWanted",
    "Heading",
    "Kerb",
    "Moment",
    "Parallel",
    "Part",
    "Rising",
    "Seen",
    "Travelled",
    "Usual",
    "Waiting",
    "Watched",
    "WheelSet",
    "against",
]

EVENTS: tuple[type[Event], ...] = (
    Parallel, Heading, Abeam, Kerb, AtEdge, GapWanted, Travelled, Seen, Felt, WheelSet,
)  # fmt: skip
EventModel: TypeAlias = Annotated[
    TravelledModel
    | HeadingModel
    | ParallelModel
    | AbeamModel
    | GapWantedModel
    | KerbModel
    | AtEdgeModel
    | SeenModel
    | FeltModel
    | WheelSetModel,
    Field(discriminator="kind"),
]
