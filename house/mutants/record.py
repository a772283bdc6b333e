"""noticed.json: which mutants were noticed, by which test, in which state of the code."""

import json
from collections.abc import Iterable
from dataclasses import dataclass

from house.mutants.patches import FOLDER, Mutant

__all__ = ["FILE", "Outcome", "Record", "read", "write"]

FILE = FOLDER / "noticed.json"


@dataclass(frozen=True, slots=True, kw_only=True)
class Outcome:
    """What came of a trial: the test that noticed the mutant, or what happened instead."""

    noticed_by: str = ""
    missed: str = ""


class Record:
    """The hash at which each mutant was last noticed, and the test that noticed it."""

    def __init__(self, entries: dict[str, dict[str, str]]) -> None:
        self.entries = entries

    def hash_of(self, mutant: Mutant) -> str:
        return self.entries.get(mutant.name, {}).get("hash", "")

    def noticed_by(self, mutant: Mutant) -> str:
        """The test to try first; empty where none is known or another file is named by now."""
        by = self.entries.get(mutant.name, {}).get("by", "")
        return by if by.startswith(str(mutant.test_file)) else ""

    def add(self, mutant: Mutant, hash_now: str, outcome: Outcome) -> None:
        if outcome.missed:
            self.entries.pop(mutant.name, None)
        else:
            self.entries[mutant.name] = {"hash": hash_now, "by": outcome.noticed_by}

    def keep_only(self, mutants: Iterable[Mutant]) -> None:
        names = {mutant.name for mutant in mutants}
        self.entries = {name: entry for name, entry in self.entries.items() if name in names}


def read() -> Record:
    return Record(json.loads(FILE.read_text("utf-8")) if FILE.exists() else {})


def write(known: Record) -> bool:
    """Whether the file had to be written."""
    text = json.dumps(known.entries, indent=1, sort_keys=True) + "\n"
    if FILE.exists() and FILE.read_text("utf-8") == text:
        return False
    FILE.write_text(text, "utf-8")
    return True
