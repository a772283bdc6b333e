"""The driver sees a thing or an edge pass one of the vehicle's own marks, or one in a mirror; or an
edge come parallel to one of the vehicle's own.
"""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, ClassVar, Literal, TypeAlias, get_args

import numpy as np

from faircorner.cues.events.base import Came, Event, Rising, Usual, Waiting, Watched
from faircorner.cues.places import OWN_EDGES, aside, far_ends, outline, tyres_of
from faircorner.errors import InputError
from faircorner.ground import Ground
from faircorner.model import Model, Name
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.sight import SightLine, sight_line

__all__ = ["HORIZON", "PARTS", "TYRES", "Part", "Seen", "SeenModel"]

Part: TypeAlias = Literal["tyres", "horizon"]
PARTS: tuple[Part, ...] = get_args(Part)
TYRES, HORIZON = PARTS
_WHEN: dict[str, str] = {TYRES: "when its tyres are seen", HORIZON: "when it leads to"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen(Event):
    """thing : what is seen to pass, a thing or an edge on the ground; mark : the vehicle's own,
    the kerb side's where it has two, or one of `OWN_EDGES` for an edge that comes parallel to it
    through : the mirror it is seen in, empty where none is
    part : what of the thing passes, empty where it is all of it: the feet of a parked vehicle's
    tyres, or where an edge leads to
    """

    kind: ClassVar[str] = "seen"
    thing: str
    mark: str
    through: str = ""
    part: str = ""

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        thing = {"thing": usual.thing, "through": None, "part": None}
        return {"kind": cls.kind, "mark": "B-pillar", **thing}

    def rising(self, waiting: Waiting) -> Rising:
        if waiting.seat is None:
            raise InputError("kind", Said("waits for what is seen"))
        if self.mark in OWN_EDGES:
            return self._parallel(waiting)
        line = sight_line(waiting.vehicle, waiting.seat, self.mark, self.through)
        if self.part == TYRES:
            return self._line(line, waiting, self._tyres(waiting))
        if self.part == HORIZON:
            return self._horizon(line, waiting)
        return self._passing(line, waiting)

    def _passing(self, line: SightLine, waiting: Waiting) -> Rising:
        ground = waiting.ground
        things = {name: corners for name, corners, _ in ground.sighted}
        kerbs = {line.name: line for line in ground.kerblines}
        lines = dict(ground.goal.aligned())
        if self.thing in things:
            return self._thing(line, waiting.pose, things[self.thing])
        if self.thing in kerbs:
            kerb, met = kerbs[self.thing], self._on_the_ground(line)
            return _crossed(lambda poses: kerb.gap(poses, met[None]), waiting.pose)
        if self.thing in lines:
            return self._line(line, waiting, lines[self.thing])
        raise self._not_there((*things, *kerbs, *lines))

    def _not_there(self, known: tuple[str, ...]) -> InputError:
        there = ", ".join(known) or "none"
        return InputError("thing", Said("is not to be seen", thing=self.thing, known=there))

    def _on_the_ground(self, line: SightLine) -> Floats:
        """An edge runs past a mark where the line of sight past that meets the ground."""
        met = line.ground
        if met is None:
            raise InputError("mark", Said("shows no ground", mark=self.mark))
        return met

    def _line(self, line: SightLine, waiting: Waiting, ends: Floats) -> Rising:
        """ends : (2, 2), m on the site, of a line that passes the mark"""
        (ax, ay), (bx, by) = ends
        met = self._on_the_ground(line)

        def beside(poses: Floats) -> Floats:
            x, y = np.moveaxis(to_site(poses, met[None])[..., 0, :], -1, 0)
            return np.asarray((bx - ax) * (y - ay) - (by - ay) * (x - ax))

        return _crossed(beside, waiting.pose)

    def _tyres(self, waiting: Waiting) -> Floats:
        parked = {o.name: o for o in waiting.ground.obstacles if o.kind == "vehicle"}
        if self.thing not in parked:
            raise self._not_there(tuple(parked))
        return tyres_of(parked[self.thing], waiting.pose[0])

    def _horizon(self, line: SightLine, waiting: Waiting) -> Rising:
        """Where an edge leads to is so far off that turning alone moves it."""
        straight = {k.name: k for k in waiting.ground.kerblines if k.radius is None}
        if self.thing not in straight:
            raise self._not_there(tuple(straight))
        begun, turning = waiting.pose, waiting.turning
        off = aside(line, begun, far_ends(straight[self.thing])[:1])
        # Turned half round the other end of the edge is there.
        still = np.mod(turning * off, np.pi)
        return lambda poses, turns: np.asarray(turning * (poses[..., 2] - begun[:, 2:]) - still)

    def _parallel(self, waiting: Waiting) -> Rising:
        headings = _headings(waiting.ground)
        if self.thing not in headings:
            raise self._not_there(tuple(headings))
        along = headings[self.thing] - OWN_EDGES[self.mark]
        return _crossed(lambda poses: np.sin(poses[..., 2] - along), waiting.pose)

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
        if self.mark in OWN_EDGES:
            return Said("when it runs parallel", thing=self.thing, mark=self.mark)
        if self.part:
            return Said(_WHEN[self.part], thing=self.thing, mark=self.mark)
        if self.through:
            return Said("when seen in", thing=self.thing, mark=self.mark, through=self.through)
        return Said("when seen", thing=self.thing, mark=self.mark)

    def watched(self) -> Watched:
        return Watched(thing=self.thing, mark=self.mark, through=self.through, part=self.part)

    def named(self) -> dict[str, str]:
        return {"own": self.mark, "thing": self.thing}


def _headings(ground: Ground) -> dict[str, float]:
    """Which way every straight edge and painted line runs, rad on the site."""
    kerbs = {k.name: float(k.frame[2]) for k in ground.kerblines if k.radius is None}
    ends = {name: points[-1] - points[0] for name, points in ground.goal.aligned()}
    return kerbs | {name: float(np.arctan2(y, x)) for name, (x, y) in ends.items()}


def _crossed(side: Callable[[Floats], Floats], begun: Floats) -> Rising:
    """Rises where what tells on which side of an edge something is changes its sign."""
    way = np.where(side(begun) > 0, -1.0, 1.0)[:, None]
    return lambda poses, turns: np.asarray(way * side(poses))


class SeenModel(Model):
    """The driver sees `thing`, or an edge of that name, pass a mark of the vehicle, the kerb side's
    where there are two, or come parallel to an edge of the own vehicle; through : in which mirror,
    by its name or as "near door mirror"; null where it is seen directly; part : of what is parked
    the feet of its tyres, or of an edge the far end it leads to; null where it is all of it
    """

    kind: Literal["seen"]
    mark: Name
    thing: Name
    through: Name | None = None
    part: Part | None = None

    def build(self) -> Seen:
        return Seen(
            thing=self.thing, mark=self.mark, through=self.through or "", part=self.part or ""
        )
