"""Readings that cannot be, or hardly: asked about one by one, as soon as each is read."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType

from faircorner.cues import Scene
from faircorner.errors import InputError
from faircorner.said import Length, Said
from faircorner.tape.readings import PLAUSIBLE, check_plausible, stood

__all__ = ["Doubt", "doubts"]

# Farther than so from what was planned it is likelier that a tape was read or typed wrongly, m.
_FAR = MappingProxyType({"kerb_front": 0.6, "kerb_rear": 0.6, "ahead": 2.0, "behind": 2.0})


@dataclass(frozen=True, slots=True, kw_only=True)
class Doubt:
    """What is doubtful about a reading; possible : whether it may be so all the same."""

    reading: str
    said: Said
    possible: bool


def doubts(scene: Scene, metres: Mapping[str, float | None]) -> tuple[Doubt, ...]:
    """What to ask about readings, m by name, of which some may be missing still.

    Raises InputError where nobody says where the vehicle was to stand.
    """
    planned = stood(scene).finish
    found = []
    for name in PLAUSIBLE:
        read = metres.get(name)
        if read is None:
            continue
        try:
            check_plausible({name: read})
        except InputError as wrong:
            found.append(Doubt(reading=name, said=wrong.said, possible=False))
            continue
        plan = float(planned.measure(name)[0])
        # Where there is nothing to be off from, nothing is far off.
        if abs(read - plan) > _FAR[name]:
            said = Said("reading far off", got=Length(read), planned=Length(plan))
            found.append(Doubt(reading=name, said=said, possible=True))
    return tuple(found)
