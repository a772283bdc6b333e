"""The manoeuvres, and the kind of goal at which each ends."""

__all__ = ["JUDGED_MANOEUVRES", "MANOEUVRES", "goal_of"]

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
