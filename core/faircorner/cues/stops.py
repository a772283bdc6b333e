"""Where to stop before the first step, and where after the last, in words."""

from faircorner.cues.events import Came, Moment, against
from faircorner.cues.places import landmark_x, own_point
from faircorner.cues.scene import Scene
from faircorner.plane import Floats, to_site
from faircorner.said import Length, Said

__all__ = ["first_stop", "last_stop"]


def first_stop(scene: Scene, pose: Floats, gap: float) -> Said:
    """Where the vehicle is driven up to, beside what, and how far off it.

    scene : its working side on the left, the place as the method ends there
    pose : (3,), where the vehicle stands; gap : m at the start
    """
    start = scene.method.start
    own = to_site(pose, own_point(scene.vehicle, start.own)[None])[0, 0]
    behind = landmark_x(scene.ground, start.landmark) - float(own)
    return Said(
        "first stop",
        # One drives up forward, whichever way the manoeuvre goes from there.
        where=against(start.own, start.landmark, behind, direction=1),
        gap=Length(gap),
        what=scene.ground.flank_of,
    )


def last_stop(scene: Scene, moment: Moment, rolled: float) -> Said:
    """What the last step waits for; as for a call."""
    step = scene.method.steps[-1]
    heading = step.until.line(scene.ground) - float(moment.pose[2])
    return step.until.said(
        Came(
            metres=step.until.stood(moment),
            heading=heading,
            then=heading,
            rolled=rolled,
            direction=step.direction,
        )
    )
