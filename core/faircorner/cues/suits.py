"""Which methods suit which places: a park along the kerb needs a kerb, a bay a bay."""

from dataclasses import replace

from faircorner.cues.method import Method
from faircorner.errors import InputError
from faircorner.ground import KINDS, Ground
from faircorner.said import Said
from faircorner.standards import goal_of

__all__ = ["suited"]


def suited(ground: Ground, method: Method) -> Ground:
    """The place as this method ends there: a bay stood in nose in or out, a run back or none.

    Raises InputError where the method ends at another kind of goal.
    """
    wanted = goal_of(method.manoeuvre)
    if ground.goal.kind != wanted:
        where = KINDS[wanted].where
        raise InputError("ground", Said("method ends elsewhere", name=method.name, where=where))
    return replace(ground, goal=ground.goal.ending(method.manoeuvre))
