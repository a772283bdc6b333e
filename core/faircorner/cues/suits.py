"""Which methods suit which places: a park along the kerb needs a kerb, a bay a bay."""

from dataclasses import replace

from faircorner.cues.method import Method
from faircorner.errors import InputError
from faircorner.ground import KINDS, Ground
from faircorner.said import Said

__all__ = ["JUDGED_MANOEUVRES", "MANOEUVRES", "goal_of", "suited"]

# Each manoeuvre and the kind of goal at which it ends. The first of each goal is also the name that
# standards have for all that end there: a bay is judged alike, driven in forwards or in reverse.
MANOEUVRES: dict[str, str] = {
    "reverse parallel": "kerbside",
    "bay": "bay",
    "bay forward": "bay",
    "bay reverse": "bay",
    "turn in the road": "turnabout",
    "reverse round a corner": "corner",
    "kerbside stop": "stretch",
    "reverse along the kerb": "stretch",
    "pull up opposite": "stretch",
}
JUDGED_MANOEUVRES: tuple[str, ...] = tuple(
    {goal: name for name, goal in reversed(MANOEUVRES.items())}.values()
)[::-1]


def goal_of(manoeuvre: str) -> str:
    """The kind of goal at which a manoeuvre, or a standard for it, ends: as in ground documents.

    Raises KeyError for a manoeuvre that no document can name.
    """
    return MANOEUVRES[manoeuvre]


def suited(ground: Ground, method: Method) -> Ground:
    """The place as this method ends there: a bay stood in nose in or out, a run back or none.

    Raises InputError where the method ends at another kind of goal.
    """
    wanted = goal_of(method.manoeuvre)
    if ground.goal.kind != wanted:
        where = KINDS[wanted].where
        raise InputError("ground", Said("method ends elsewhere", name=method.name, where=where))
    return replace(ground, goal=ground.goal.ending(method.manoeuvre))
