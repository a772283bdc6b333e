"""An edge that is held at a mark while the vehicle rolls along it, and what drift looks like.

The same sums tell how sharp it is as tell it of a call, with the vehicle moved sideways instead of
on: how far off one is when the eye can tell. docs/sums/sight.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.cue_kinds import Cue, Found, Seeing, candidates
from faircorner.cues.driven import Driven
from faircorner.cues.events import Watched
from faircorner.cues.pictured import Pictured, pictured
from faircorner.cues.scene import Scene
from faircorner.ground import Kerbline
from faircorner.picture import Viewer
from faircorner.plane import Floats, mirrored
from faircorner.said import Length, Said
from faircorner.sight import CRAWL, REACTION

__all__ = ["Held", "held_along"]

# A stretch is held along an edge no farther off and so evenly, over at least so much, m.
_BESIDE, _EVEN, _LONG = 2.5, 0.04, 1.5
# Driving off the line by so much is told, m; and it must be seen before, m.
_DRIFT, _SEEN_BY = 0.10, 0.20
# What is held stands still to so much, m on a pane and on a mirror's glass.
_STILL, _STILL_GLASS = 0.05, 0.008


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Held:
    """A stretch along an edge and the cue that holds it.

    step : that rolls it; begin, end : m rolled; cue : as it stands in the middle of the stretch
    pose : (3,), there; picture : of it; off : m off the line that are seen by it
    out, back : m by which its image moves past the mark, drifted out by 10 cm, and in
    """

    step: int
    begin: float
    end: float
    cue: Cue
    pose: Floats
    picture: Pictured
    off: float
    out: float
    back: float

    @property
    def said(self) -> tuple[Said, ...]:
        """What to hold, and what to do when it moves."""
        return (
            Said("hold it", seen=self.cue.said, off=Length(self.off)),
            Said("drifted out", by=Length(_DRIFT), place=self._place(self.out), what=self.cue.what),
            Said("drifted in", by=Length(_DRIFT), place=self._place(self.back)),
        )

    def _place(self, moved: float) -> Said:
        """Where it runs once it has moved; on a hand's breadth of glass only which way it went."""
        seen = self.cue.sighting
        mark, offset = seen.feature or "", seen.offset + moved
        if not seen.told.of_glass:
            return seen.told.place(mark, offset)
        if offset * seen.offset < 0:
            return Said("on the mark's other side", feature=mark)
        farther = abs(offset) > abs(seen.offset)
        return Said("farther from" if farther else "nearer to", feature=mark)

    def mirrored(self) -> "Held":
        way = -1.0 if self.cue.sighting.told.flips else 1.0
        return replace(
            self, cue=self.cue.mirrored(), pose=mirrored(self.pose),
            picture=self.picture.mirrored(), out=way * self.out, back=way * self.back,
        )  # fmt: skip


def held_along(scene: Scene, driven: Driven, viewer: Viewer) -> tuple[Held, ...]:
    """Every stretch that is rolled along an edge, with the sharpest cue that stands still there."""
    found = (_held(scene, driven, viewer, *stretch) for stretch in _stretches(scene, driven))
    return tuple(one for one in found if one is not None)


def _stretches(scene: Scene, driven: Driven) -> Iterator[tuple[int, Kerbline, int, int]]:
    """Of every step the longest part at an even distance from an edge: step, edge, first, last."""
    rolled, poses = driven.track.s[0], driven.track.poses[0]
    ends = np.concatenate(([0.0], driven.followed.ends[0]))
    near = np.array([[0.0, scene.vehicle.width / 2]])
    for step in range(len(scene.method.steps)):
        at = np.flatnonzero((rolled >= ends[step]) & (rolled <= ends[step + 1]))
        for edge in scene.ground.kerblines:
            if edge.across or len(at) < 2:
                continue
            gap = edge.gap(poses[at], near)
            part = _evenly(gap, rolled[at])
            if part is not None:
                yield step, edge, int(at[part[0]]), int(at[part[1]])
                break


def _evenly(gap: Floats, rolled: Floats) -> tuple[int, int] | None:
    """The last long run along which a gap stays as it is at its end; None where there is none."""
    steady = np.abs(gap - gap[-1]) < _EVEN
    off = np.flatnonzero(~steady)
    first = 0 if len(off) == 0 else int(off[-1]) + 1
    long = first < len(gap) and rolled[-1] - rolled[first] >= _LONG
    return (first, len(gap) - 1) if long and 0 < gap[-1] < _BESIDE else None


def _held(
    scene: Scene, driven: Driven, viewer: Viewer, step: int, edge: Kerbline, first: int, last: int
) -> Held | None:
    poses, rolled = driven.track.poses[0], driven.track.s[0]
    # Where it has just come onto its line nothing stands still yet.
    first += (last - first) // 3
    pose = poses[(first + last) // 2]
    middle = _across(scene, pose, edge)
    beside = [_across(scene, poses[i], edge) for i in (first, last)]
    there = [{one.cue.key: one.cue for one in candidates(seeing)} for seeing in beside]
    for found in candidates(middle):
        cue, off = found.cue, _off(found.cue)
        if cue.what == edge.name and found.moved is not None and off <= _SEEN_BY and all(
            _stands(cue, cues.get(cue.key)) for cues in there
        ):  # fmt: skip
            return Held(
                step=step, begin=float(rolled[first]), end=float(rolled[last]), cue=cue, pose=pose,
                picture=pictured(viewer, pose, cue), off=off,
                out=_drifted(found, _DRIFT), back=_drifted(found, -_DRIFT),
            )  # fmt: skip
    return None


def _across(scene: Scene, pose: Floats, edge: Kerbline) -> Seeing:
    """The driver at a place along the way, moving away from the working side instead of on."""
    away = np.array([np.sin(pose[2]), -np.cos(pose[2]), 0.0])
    assert scene.seat is not None  # noqa: S101  asked for only where somebody sits
    return Seeing(
        vehicle=scene.vehicle, ground=scene.ground, seat=scene.seat, watched=Watched(),
        onward=lambda by: np.asarray(pose + by * away), only=edge.name,
    )  # fmt: skip


def _off(cue: Cue) -> float:
    """m off the line that the eye can tell; nobody has to react in time."""
    return float(np.sqrt(max(cue.sharpness.scatter**2 - (REACTION * CRAWL) ** 2, 0.0)))


def _stands(cue: Cue, there: Cue | None) -> bool:
    """Whether it stands at the same place of the same mark there."""
    still = _STILL_GLASS if cue.sighting.told.of_glass else _STILL
    return there is not None and abs(there.sighting.offset - cue.sighting.offset) < still


def _drifted(found: Found, by: float) -> float:
    """m by which its image moves once the vehicle has drifted so many m away from the edge."""
    assert found.moved is not None  # noqa: S101  only such are held
    return found.moved(np.zeros(3))(by)
