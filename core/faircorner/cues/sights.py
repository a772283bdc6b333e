"""What is seen at every stop of a plan: the cues there are, the chosen one, and its picture.

Apart from the plan, which has to be quick: this is asked for once the plan is there.
"""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.calls import seeing_at
from faircorner.cues.candidates import Candidate, candidates_of
from faircorner.cues.cue_kinds import Cue, sharpest
from faircorner.cues.driven import Driven, attempt
from faircorner.cues.felt import Felt, felt_after
from faircorner.cues.fit import FINE
from faircorner.cues.held import Held, held_along
from faircorner.cues.pictured import Pictured, camera_for, mirror_of, pictured
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import settings_for
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.picture import WIDTH, Glass, Part, Viewer, place_of
from faircorner.plane import Floats, mirrored
from faircorner.said import Said
from faircorner.sides import sided
from faircorner.wanted import still_wanted

__all__ = ["Film", "Sights", "Spot", "film", "sights"]

# A film has a picture every so many metres rolled, and no more than so many.
_EVERY, _FRAMES = 0.25, 60


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Spot:
    """A moment at which something is to be seen.

    call : its number; 0 is the first stop, and one more than there are calls the last
    pose : (3,), on the site
    candidates : the best cues that show, the chosen one first; none where nothing does
    others : what else shows there, to be pointed out
    cue : the chosen one, hidden where nothing shows; None where there is nothing to line up on
    picture : of the chosen one; None where there is none
    felt : what the tyres meet for whoever rolls on; None where nothing, or nobody rolls on
    """

    call: int
    pose: Floats
    candidates: tuple[Candidate, ...]
    others: tuple[Cue, ...]
    cue: Cue | None
    picture: Pictured | None
    felt: Felt | None

    def changes_over(self, then: "Spot") -> bool:
        """Whether the next stop is looked for in another mirror than this one."""
        now, next_ = self.cue, then.cue
        if not (now and next_ and self.picture and then.picture and now.shows and next_.shows):
            return False
        if not (now.sighting.told.of_glass and next_.sighting.told.of_glass):
            return False
        return now.sighting.through != next_.sighting.through

    def mirrored(self) -> "Spot":
        return replace(
            self,
            pose=mirrored(self.pose),
            candidates=tuple(one.mirrored() for one in self.candidates),
            others=tuple(one.mirrored() for one in self.others),
            cue=None if self.cue is None else self.cue.mirrored(),
            picture=None if self.picture is None else self.picture.mirrored(),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Sights:
    """held : every stretch that is rolled along an edge, and what holds it there"""

    spots: tuple[Spot, ...]
    held: tuple[Held, ...]

    def mirrored(self) -> "Sights":
        return Sights(
            spots=tuple(one.mirrored() for one in self.spots),
            held=tuple(one.mirrored() for one in self.held),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Frame:
    """s : m rolled; outside, hung, glass : as of a view and a mirror by itself, there"""

    s: float
    outside: tuple[Part, ...]
    hung: tuple[Part, ...]
    glass: Glass | None

    def mirrored(self) -> "Frame":
        return replace(
            self,
            outside=tuple(part.turned(WIDTH / 2) for part in self.outside),
            hung=tuple(part.turned(WIDTH / 2) for part in self.hung),
            glass=None if self.glass is None else self.glass.mirrored(),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Film:
    """The whole way as it is seen where one cue is: what of the picture of its spot moves."""

    frames: tuple[Frame, ...]

    def mirrored(self) -> "Film":
        return Film(frames=tuple(frame.mirrored() for frame in self.frames))


@sided
def film(scene: Scene, values: dict[str, float], call: int) -> Film:
    """The way of a plan through the glass in which the cue of a call, as `Spot` has it, stands.

    No frames where nothing shows. Raises InputError for a call that there is not.
    """
    ready, driven = _driven(scene, values)
    if not 0 <= call <= len(ready.method.steps):
        most = len(ready.method.steps) - 1
        raise InputError("call", Said("there is no such call", call=call, most=most))
    seeing = seeing_at(ready, driven, call)
    cue = None if seeing is None else sharpest(seeing, scene.options.picks.get(call, ""))
    if seeing is None or cue is None or not cue.shows:
        return Film(frames=())
    viewer = Viewer(ready.vehicle, seeing.seat, place_of(ready.ground))
    camera, mirror = camera_for(ready.vehicle, cue), mirror_of(ready.vehicle, cue)
    track = driven.track
    rolled = track.s[0]
    count = int(min(_FRAMES, np.ceil(rolled[-1] / _EVERY) + 1))
    at = np.unique(np.searchsorted(rolled, np.linspace(0.0, rolled[-1], max(count, 2))))
    frames = []
    for i in np.minimum(at, len(rolled) - 1):
        pose = track.poses[0, i]
        outside, hung = viewer.moving(pose, camera)
        glass = None if mirror is None else viewer.glass(pose, mirror)
        frames.append(Frame(s=float(rolled[i]), outside=outside, hung=hung, glass=glass))
    return Film(frames=tuple(frames))


def _driven(scene: Scene, values: dict[str, float]) -> tuple[Scene, Driven]:
    """The scene as it is driven, and the plan of these figures driven in it."""
    ready, given = prepare(scene)
    steps = len(ready.method.steps)
    figures = np.array([[values[u.name] for u in ready.method.unknowns]])
    settings = settings_for(figures, given, steps, np.zeros((1, steps)))
    return ready, attempt(ready, settings, sample=FINE)


@sided
def sights(scene: Scene, values: dict[str, float]) -> Sights:
    """Of the first stop, every call, the last stop and what is rolled along an edge; nothing where
    nobody's eye is known.

    values : every figure of the plan by name, SI
    """
    if scene.seat is None or not scene.method.references:
        return Sights(spots=(), held=())
    ready, driven = _driven(scene, values)
    viewer = Viewer(ready.vehicle, scene.seat, place_of(ready.ground))
    calls = range(len(ready.method.steps) + 1)
    return Sights(
        spots=tuple(_spot(ready, driven, viewer, call) for call in calls),
        held=held_along(ready, driven, viewer),
    )


def _spot(scene: Scene, driven: Driven, viewer: Viewer, call: int) -> Spot:
    still_wanted()
    seeing = seeing_at(scene, driven, call)
    assert seeing is not None  # noqa: S101  there is a seat, and cues are asked for
    cue = sharpest(seeing, scene.options.picks.get(call, ""))
    shown = cue is not None and cue.shows
    told, others = candidates_of(seeing, cue)
    return Spot(
        call=call,
        pose=seeing.pose,
        candidates=told,
        others=others,
        cue=cue,
        picture=pictured(viewer, seeing.pose, cue) if cue is not None and shown else None,
        felt=felt_after(scene, driven, call) if call else None,
    )
