"""A free kerb to stop at, or to reverse along."""

from faircorner.ground.kind import Kind, Room
from faircorner.ground.kinds.roads import Road, lay_road
from faircorner.ground.kinds.stretch.document import StretchModel
from faircorner.ground.kinds.stretch.drawing import sketch
from faircorner.ground.kinds.stretch.goal import Stretch

__all__ = ["STRETCH", "Stretch", "StretchModel"]

_ROAD = Road({"goal_kerb": "kerb", "goal_short": "short", "goal_run": "run"})


STRETCH = Kind(
    goal=Stretch,
    model=StretchModel,
    where="along a free kerb",
    lay=lambda name: lay_road(name, Stretch()),
    measures=_ROAD.measures,
    adjust=_ROAD.adjust,
    landmarks=("mark", "stop"),
    gap_to="mark",
    things=("post",),
    rooms=lambda _place: (Room(what="start gap", measure=None, option="gap", only_more=False),),
    sketch=sketch,
)
