"""An edge on the ground that runs through the picture at some height past a mark."""

from faircorner.cues.cue_kinds.base import Cue, Seeing, hidden
from faircorner.cues.places import edge_line
from faircorner.said import Said
from faircorner.sight import edge_sights

__all__ = ["edge_said", "edges_seen"]


def edges_seen(seeing: Seeing) -> list[Cue]:
    """The edge that is waited for past every mark; nothing where there is none, or a curved one."""
    name = seeing.watched.edge
    if not name:
        return []
    line = edge_line(seeing.ground, name)
    # A curve has no one height in the picture.
    if line.radius is not None:
        return []
    sights = edge_sights(seeing.vehicle, seeing.seat, seeing.poses, seeing.s, line.drawn(1.0))
    return [
        Cue(
            what=name,
            sighting=e.sighting,
            sharpness=e.sharpness,
            target=e.ground,
            height=0.0,
            said=edge_said(name, e.sighting.through, e.sighting.place),
        )
        for e in sights
    ]


def edge_said(what: str, through: str | None, place: Said) -> Said:
    """What the driver sees of it; through : None where the body hides it."""
    if through is None:
        return hidden(place)
    return Said("edge runs", through=through, what=what, place=place)
