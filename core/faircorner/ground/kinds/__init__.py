"""The kinds of place: one folder each, registered here.

A new one is a folder, its line in `KINDS` and in `AnyGoalModel`, and its words.
"""

from typing import TYPE_CHECKING, Annotated, Any, Literal, TypeAlias

from pydantic import Discriminator, Tag

from faircorner.ground.kind import Kind
from faircorner.ground.kinds.bay import BAY, BayModel
from faircorner.ground.kinds.corner import CORNER, CornerModel
from faircorner.ground.kinds.kerbside import KERBSIDE, KerbsideModel
from faircorner.ground.kinds.stretch import STRETCH, StretchModel
from faircorner.ground.kinds.turnabout import TURNABOUT, TurnaboutModel
from faircorner.ground.place import Ground

__all__ = ["KINDS", "AnyGoalModel", "KindName", "Landmark", "kind_of"]

KINDS: dict[str, Kind] = {kind.name: kind for kind in (KERBSIDE, BAY, TURNABOUT, CORNER, STRETCH)}
if TYPE_CHECKING:
    KindName: TypeAlias = str
    Landmark: TypeAlias = str
else:
    KindName = Literal[tuple(KINDS)]
    Landmark = Literal[
        tuple(dict.fromkeys(name for kind in KINDS.values() for name in kind.landmarks))
    ]


def _tag(goal: Any) -> str:
    """A goal without a kind is along the kerb, as documents were before there were others."""
    kind = goal.get("kind", "kerbside") if isinstance(goal, dict) else goal.kind
    return str(kind)


AnyGoalModel: TypeAlias = Annotated[
    Annotated[KerbsideModel, Tag("kerbside")]
    | Annotated[BayModel, Tag("bay")]
    | Annotated[TurnaboutModel, Tag("turnabout")]
    | Annotated[CornerModel, Tag("corner")]
    | Annotated[StretchModel, Tag("stretch")],
    Discriminator(_tag),
]


def kind_of(ground: Ground) -> Kind:
    return KINDS[ground.goal.kind]
