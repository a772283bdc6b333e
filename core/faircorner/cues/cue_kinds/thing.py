"""An upright thing outside, seen through the glass past a mark of the vehicle."""

import numpy as np

from faircorner.cues.cue_kinds.base import Cue, Seeing, hidden
from faircorner.cues.places import aside, own_mark
from faircorner.said import Said
from faircorner.sight import sharpness, sight_of

__all__ = ["thing_said", "things_seen"]


def things_seen(seeing: Seeing) -> list[Cue]:
    """Cues on the nearest edge of every thing that shows, or of every thing where none does.

    Where a thing is waited for it is that thing, at the edge that passes the mark.
    """
    pose, watched = seeing.poses[1], seeing.watched
    eye = pose[:2] + np.array([np.cos(pose[2]), np.sin(pose[2])]) * seeing.seat.eye[0]
    seen = []
    for what, corners, height in seeing.ground.sighted:
        if watched.thing and what != watched.thing:
            continue
        off = np.linalg.norm(corners - eye, axis=1)
        if watched.thing:
            mark = own_mark(seeing.vehicle, watched.mark)
            off = np.abs(aside(seeing.seat, mark, pose, corners))
        target = corners[int(off.argmin())]
        sighting = sight_of(seeing.vehicle, seeing.seat, pose, target, height)
        seen.append((what, target, height, sighting))
    return [
        Cue(
            what=what,
            sighting=sighting,
            sharpness=sharpness(
                seeing.vehicle, seeing.seat, seeing.poses, seeing.s, target, height
            ),
            target=target,
            height=height,
            said=thing_said(what, sighting.through, sighting.place, passing=watched.mark),
        )
        for what, target, height, sighting in [one for one in seen if one[3].through] or seen
    ]


def thing_said(what: str, through: str | None, place: Said, *, passing: str) -> Said:
    """What the driver sees of it; through : None where the body hides it.

    passing : the vehicle's own mark that the thing is waited for at, empty where at none
    """
    if through is None:
        return hidden(place)
    if passing:
        return Said("thing passes", through=through, what=what, mark=passing)
    if place:
        return Said("thing stands", through=through, what=what, place=place)
    return Said("thing stands clear", through=through, what=what)
