"""The driver sees a thing pass one of the vehicle's own marks."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

import numpy as np

from faircorner.cues.events.base import Came, Event, Rising, Usual, Waiting, Watched
from faircorner.cues.places import aside, outline, own_mark
from faircorner.errors import InputError
from faircorner.model import Model, Name
from faircorner.plane import Floats
from faircorner.said import Said

__all__ = ["Seen", "SeenModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen(Event):
    """thing : what is seen to pass; mark : the vehicle's own, the kerb side's where it has two"""

    kind: ClassVar[str] = "seen"
    thing: str
    mark: str

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "mark": "B-pillar", "thing": usual.thing}

    def rising(self, waiting: Waiting) -> Rising:
        """Of a thing with several corners what passes is its outline, as far as it shows.

        Waited for from beside it the mark meets its nearer edge; from before it the edge that
        clears the mark, not a corner behind the thing itself.
        """
        if waiting.seat is None:
            raise InputError("kind", Said("waits for what is seen"))
        things = {name: corners for name, corners, _ in waiting.ground.sighted}
        if self.thing not in things:
            raise InputError(
                "thing", Said("is not to be seen", thing=self.thing, known=", ".join(things))
            )
        corners = things[self.thing]
        mark, who = own_mark(waiting.vehicle, self.mark), waiting.seat

        def inside(poses: Floats) -> Floats:
            right, left = outline(who, mark, poses, corners)
            return np.minimum(left, -right)

        if len(corners) == 1:
            side = np.sign(aside(who, mark, waiting.pose, corners))

            def passed(poses: Floats, turns: Floats) -> Floats:
                off = aside(who, mark, poses, corners)[..., 0]
                # Behind one's back the two line up the other way round, which nobody sees.
                return np.asarray(np.where(np.abs(off) < np.pi / 2, -side * off, -1.0))

            return passed

        begun = np.where(inside(waiting.pose) > 0, -1.0, 1.0)[:, None]
        return lambda poses, turns: np.asarray(begun * inside(poses))

    def said(self, came: Came) -> Said:
        return Said("when seen", thing=self.thing, mark=self.mark)

    def watched(self) -> Watched:
        return Watched(thing=self.thing, mark=self.mark)

    def named(self) -> dict[str, str]:
        return {"own": self.mark, "thing": self.thing}


class SeenModel(Model):
    """The driver sees `thing` pass a mark of the vehicle, the kerb side's where there are two."""

    kind: Literal["seen"]
    mark: Name
    thing: Name

    def build(self) -> Seen:
        return Seen(thing=self.thing, mark=self.mark)
