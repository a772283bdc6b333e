"""An upright thing outside, seen through the glass past a mark of the vehicle."""

from functools import cache, lru_cache

import numpy as np

from faircorner.cues.cue_kinds.base import AGAIN, Cue, Found, Seeing, covered, hidden, uncovered
from faircorner.cues.events import Watched
from faircorner.cues.places import aside
from faircorner.plane import Floats, to_body
from faircorner.said import Said
from faircorner.sight import (
    LAMP,
    LEAN,
    Sharpness,
    Sighting,
    beyond_glass,
    image_height,
    image_moved,
    pane_hits,
    pane_of,
    scatter,
    sight_line,
    sight_of,
)
from faircorner.vehicle import Opening

__all__ = ["stays_in_pane", "thing_said", "things_seen"]


@lru_cache(maxsize=AGAIN)
def things_seen(seeing: Seeing) -> list[Found]:
    """Cues on the nearest edge of every thing that shows, or of every thing where none does.

    Where a thing is waited for it is that thing, at the edge that passes the mark.
    """
    watched = _waited_for(seeing)
    seen = [
        _seen(seeing, what, corners, height)
        for what, corners, height in seeing.ground.sighted
        if watched.thing in ("", what) and seeing.looks_for(what)
    ]
    return [found for found in seen if found.cue.shows] or seen


def _seen(seeing: Seeing, what: str, corners: Floats, height: float) -> Found:
    """The first edge that shows, else the first of all."""
    looked = (_at(seeing, corner, height) for corner in _in_order(seeing, corners))
    first = target, sighting, by = next(looked)
    if sighting.through is None:
        target, sighting, by = next((one for one in looked if one[1].through), first)
    cue = Cue(
        what=what,
        sighting=sighting,
        sharpness=Sharpness(scatter=scatter(sighting, seeing.onward, target), lean=LEAN),
        target=target,
        height=height,
        said=thing_said(what, sighting.through, sighting.place, _waited_for(seeing).mark, by),
    )
    moved = image_moved(seeing.vehicle, sighting, seeing.onward, target)
    pane, level = pane_of(seeing.vehicle, sighting), image_height(seeing.pose, sighting, target)
    hidden_by_thing = np.append(target, min(LAMP, height))

    @cache
    def shown(by: float) -> bool:
        again = stays_in_pane(seeing, sighting, pane, target, level, by)
        return again and not covered(seeing, sighting.eye, by, hidden_by_thing)

    return Found(cue=cue, moved=moved, shown=shown)


def stays_in_pane(
    seeing: Seeing,
    sighting: Sighting,
    pane: Opening | None,
    target: Floats,
    level: float,
    by: float,
) -> bool:
    """Whether an image still stands in the same pane so many m rolled on, without turning round.

    target : (2,), m on the site; level : the height on it that is looked at, m
    """
    place = np.append(to_body(seeing.onward(by), target[None])[0], level)[None]
    return (
        pane is not None
        and np.array_equal(seeing.seat.eye_toward(place[0]), sighting.eye)
        and not np.isnan(pane_hits(pane, sighting.eye, place)[0, 0])
        and not bool(beyond_glass(seeing.vehicle, sighting.eye, place)[0])
    )


def _waited_for(seeing: Seeing) -> Watched:
    """The thing that is waited for directly, if one is: not an edge, nor what a mirror shows."""
    watched = seeing.watched
    things = {name for name, _, _ in seeing.ground.sighted}
    directly = not (watched.through or watched.part) and watched.thing in things
    return watched if directly else Watched()


def _in_order(seeing: Seeing, corners: Floats) -> Floats:
    """Nearest to the eye first; of what is waited for only the one at the mark."""
    pose, watched, seat = seeing.pose, _waited_for(seeing), seeing.seat
    if watched.thing:
        line = sight_line(seeing.vehicle, seat, watched.mark, "")
        return corners[[np.abs(aside(line, pose, corners)).argmin()]]
    eye = pose[:2] + np.array([np.cos(pose[2]), np.sin(pose[2])]) * seat.eye[0]
    return np.asarray(corners[np.linalg.norm(corners - eye, axis=1).argsort(kind="stable")])


def _at(seeing: Seeing, corner: Floats, height: float) -> tuple[Floats, Sighting, str]:
    past = _waited_for(seeing).mark.removeprefix("off ")
    sighting = sight_of(seeing.vehicle, seeing.seat, seeing.pose, corner, height, past)
    return corner, *uncovered(seeing, sighting, np.append(corner, min(LAMP, height)))


def thing_said(what: str, through: str | None, place: Said, passing: str, by: str = "") -> Said:
    """What the driver sees of it; through : None where the body, or what `by` names, hides it.

    passing : the vehicle's own mark that the thing is waited for at, empty where at none
    """
    if through is None:
        return hidden(place, by)
    if passing:
        return Said("thing passes", through=through, what=what, mark=passing)
    if place:
        return Said("thing stands", through=through, what=what, place=place)
    return Said("thing stands clear", through=through, what=what)
