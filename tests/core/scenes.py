"""Scenes put together from what a test has at hand."""

from faircorner.cues import Options, Scene
from faircorner.documents.library import house_standard, methods
from faircorner.ground import Bay
from faircorner.standards import Standard, goal_of

__all__ = ["UNLIMITED", "at", "scene"]

# Wherever it ends, it keeps to this.
UNLIMITED = Standard(name="none", authority="nobody", dated="2026-01-01", limits=())


def scene(vehicle, seat, ground, method, standard=None, options=None):
    """Judged by the house's limits for what the method ends at, unless others are given."""
    return Scene(
        vehicle=vehicle,
        seat=seat,
        ground=ground,
        method=method,
        standard=standard or house_standard(goal_of(method.manoeuvre)).build(),
        options=options or Options(),
    )


def _ends_at(ground):
    """A method of the library that ends at such a place, a bay stood in as the place says."""
    goal = type(ground.goal).__name__.lower()
    for document in methods().values():
        if goal_of(document.manoeuvre) == goal:
            nosed = "in" if document.manoeuvre == "bay forward" else "out"
            if not isinstance(ground.goal, Bay) or ground.goal.nose == nosed:
                return document.build()
    raise LookupError(goal)


def at(vehicle, ground, pose, standard=None, method=None):
    """A vehicle that stands at a pose (3,) on the site, by whatever method it came there."""
    made = scene(vehicle, None, ground, method or _ends_at(ground), standard)
    return Scene(
        vehicle=vehicle, seat=None, ground=ground, method=made.method, standard=made.standard,
        standing=pose,
    )  # fmt: skip
