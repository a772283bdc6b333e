"""What was noted of an attempt while it was driven, and at its end."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Literal, TypeAlias

from faircorner.standards.observed import COUNTED, AtEnd, Observed, Phase

__all__ = ["Became", "LookNoted", "Noted", "Seen"]

Became: TypeAlias = Literal["done", "late", "missed", "prompted"]


@dataclass(frozen=True, slots=True, kw_only=True)
class LookNoted:
    """A look of the cue sheet: which kind, in which phase, and what became of it; None: not noted.

    swings : whether an end of the vehicle is about to leave its lane on that side
    """

    look: str
    phase: Phase
    became: Became | None
    swings: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen:
    what: Observed
    phase: Phase


@dataclass(frozen=True, slots=True, kw_only=True)
class Noted:
    """Counts, seconds, looks, what was observed, what was measured on the way, what was so at last.

    planned : movements of the method itself, both gears; None where nobody knows
    watched : what was at hand to be observed: not having seen it means that it was not so. Of
        anything else it means nothing
    on_the_way : figures of `MEASURES` taken on the way, SI; at_end : what is absent was not noted
    """

    seconds: float
    forward_movements: int
    reverse_movements: int
    kerb_touches: int = 0
    kerb_mounts: int = 0
    vehicle_touches: int = 0
    planned: int | None = None
    looks: tuple[LookNoted, ...] = ()
    observed: tuple[Seen, ...] = ()
    watched: frozenset[Observed] = frozenset()
    on_the_way: Mapping[str, float] = field(default_factory=dict)
    at_end: Mapping[AtEnd, bool] = field(default_factory=dict)

    @property
    def unwatched(self) -> tuple[LookNoted, ...]:
        """Looks that nobody noted: neither done nor missed."""
        return tuple(look for look in self.looks if look.became is None)

    def within(self, phase: Phase | None) -> "Noted":
        """The same with the looks of one phase alone; all of it where phase is None."""
        if phase is None:
            return self
        return replace(self, looks=tuple(look for look in self.looks if look.phase == phase))

    def times(self, what: Observed, phase: Phase | None = None) -> int | None:
        """How often something was so, in one phase or in all; None: it was not watched for."""
        seen = sum(one.what == what and phase in (None, one.phase) for one in self.observed)
        if what in COUNTED and phase is None:
            # Counted without a moment, too, where notes are put right.
            return max(seen, int(getattr(self, COUNTED[what])))
        return seen if seen or what in self.watched else None
