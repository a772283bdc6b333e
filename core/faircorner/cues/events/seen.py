"""The driver sees a thing or an edge pass one of the vehicle's own marks, or one in a mirror."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, ClassVar, Literal

import numpy as np

from faircorner.cues.events.base import Came, Event, Rising, Usual, Waiting, Watched
from faircorner.cues.places import aside, outline
from faircorner.errors import InputError
from faircorner.model import Model, Name
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.sight import SightLine, sight_line

__all__ = ["Seen", "SeenModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen(Event):
    """thing : what is seen to pass, a thing or an edge on the ground; mark : the vehicle's own,
    the kerb side's where it has two; through : the mirror it is seen in, empty where none is
    """

    kind: ClassVar[str] = "seen"
    thing: str
    mark: str
    through: str = ""

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "mark": "B-pillar", "thing": usual.thing, "through": None}

    def rising(self, waiting: Waiting) -> Rising:
        if waiting.seat is None:
            raise InputError("kind", Said("waits for what is seen"))
        ground = waiting.ground
        things = {name: corners for name, corners, _ in ground.sighted}
        kerbs = {line.name: line for line in ground.kerblines}
        lines = dict(ground.goal.aligned())
        line = sight_line(waiting.vehicle, waiting.seat, self.mark, self.through)
        if self.thing in things:
            return self._thing(line, waiting.pose, things[self.thing])
        if self.thing in kerbs:
            kerb, met = kerbs[self.thing], self._on_the_ground(line)
            return _crossed(lambda poses: kerb.gap(poses, met[None]), waiting.pose)
        if self.thing in lines:
            (ax, ay), (bx, by) = lines[self.thing]
            met = self._on_the_ground(line)

            def beside(poses: Floats) -> Floats:
                x, y = np.moveaxis(to_site(poses, met[None])[..., 0, :], -1, 0)
                return np.asarray((bx - ax) * (y - ay) - (by - ay) * (x - ax))

            return _crossed(beside, waiting.pose)
        known = ", ".join((*things, *kerbs, *lines))
        raise InputError("thing", Said("is not to be seen", thing=self.thing, known=known))

    def _on_the_ground(self, line: SightLine) -> Floats:
        """An edge runs past a mark where the line of sight past that meets the ground."""
        met = line.ground
        if met is None:
            raise InputError("mark", Said("shows no ground", mark=self.mark))
        return met

    def _thing(self, line: SightLine, begun: Floats, corners: Floats) -> Rising:
        """Of a thing with several corners what passes is its outline, as far as it shows.

        Waited for from beside it the mark meets its nearer edge; from before it the edge that
        clears the mark, not a corner behind the thing itself.
        """

        def inside(poses: Floats) -> Floats:
            right, left = outline(line, poses, corners)
            return np.minimum(left, -right)

        if len(corners) == 1:
            side = np.sign(aside(line, begun, corners))

            def passed(poses: Floats, turns: Floats) -> Floats:
                off = aside(line, poses, corners)[..., 0]
                # Behind one's back the two line up the other way round, which nobody sees.
                return np.asarray(np.where(np.abs(off) < np.pi / 2, -side * off, -1.0))

            return passed

        way = np.where(inside(begun) > 0, -1.0, 1.0)[:, None]
        return lambda poses, turns: np.asarray(way * inside(poses))

    def said(self, came: Came) -> Said:
        if self.through:
            return Said("when seen in", thing=self.thing, mark=self.mark, through=self.through)
        return Said("when seen", thing=self.thing, mark=self.mark)

    def watched(self) -> Watched:
        return Watched(thing=self.thing, mark=self.mark, through=self.through)

    def named(self) -> dict[str, str]:
        return {"own": self.mark, "thing": self.thing}


def _crossed(side: Callable[[Floats], Floats], begun: Floats) -> Rising:
    """Rises where what tells on which side of an edge something is changes its sign."""
    way = np.where(side(begun) > 0, -1.0, 1.0)[:, None]
    return lambda poses, turns: np.asarray(way * side(poses))


class SeenModel(Model):
    """The driver sees `thing`, or an edge of that name, pass a mark of the vehicle, the kerb side's
    where there are two; through : in which mirror, by its name or as "near door mirror"; null
    where it is seen directly
    """

    kind: Literal["seen"]
    mark: Name
    thing: Name
    through: Name | None = None

    def build(self) -> Seen:
        return Seen(thing=self.thing, mark=self.mark, through=self.through or "")
