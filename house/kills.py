"""`./fair-corner kills`: attempts are kept while whatever they go through is killed at random.

Each round kills, in an order of its own, every process that serves and the database, one of the
application's children and one of the database's, and everything at once. Meanwhile instructors keep
attempts, asking again with the same number until they are answered, as a phone does, and now and
then once more after that. In the end each attempt must be there exactly once, as it was sent.
"""

import argparse
import random
import threading
import time
import uuid
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from typing import Any

from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard
from faircorner.documents.samples import LINNET, seat_document, vehicle_document
from faircorner.ground import lay_kerb

from house.killing import PROGRAMS, children, everything, killed, until_another
from house.shell import Trouble, say
from house.trial import Served, new_folder, patiently, serve

__all__ = ["Outcome", "run", "something_to_drive", "tried"]

_CLERKS = 4
# Between two attempts of one clerk, and before the next kill, s: at most.
_PAUSE, _CALM = 0.4, 2.0
# One in so many is sent again although it was answered.
_AGAIN = 4


@dataclass(frozen=True, kw_only=True)
class Outcome:
    """What was kept under which kills.

    kept, asked : attempts, and how often somebody asked for one to be kept
    kills : how many
    longest : until it was all well again, s
    """

    kept: int
    asked: int
    kills: int
    longest: float


def run(arguments: list[str]) -> int:
    parser = argparse.ArgumentParser(prog="./fair-corner kills")
    parser.add_argument("--rounds", type=int, default=8)
    parser.add_argument("--seed", type=int, default=random.randrange(10_000))  # noqa: S311
    given = parser.parse_args(arguments)
    say(f"{given.rounds} rounds of kills, --seed {given.seed}")
    with new_folder() as folder, serve(folder / "here") as machine:
        machine.begin()
        done = tried(machine, rounds=given.rounds, seed=given.seed, long_work=True)
    print(
        f"{done.kept} attempts, each there exactly once, asked for {done.asked} times\n"
        f"{done.kills} kills; well again after {done.longest:.1f} s at the longest"
    )
    return 0


def tried(machine: Served, *, rounds: int, seed: int, long_work: bool = False) -> Outcome:
    """Raises Trouble where an attempt is lost or there twice, or where it does not come back.

    long_work : whether long work, too, must be done in the end, which takes up to two minutes
    """
    rng = random.Random(seed)  # noqa: S311
    sheet, asked_for = something_to_drive(machine)
    over = threading.Event()
    clerks = [
        _Clerk(machine, sheet, random.Random(rng.random()), over)  # noqa: S311
        for _ in range(_CLERKS)
    ]
    with ThreadPoolExecutor(_CLERKS) as pool:
        writing = [pool.submit(clerk.write) for clerk in clerks]
        try:
            if long_work:
                machine.ask("/api/plan/remedy", asked_for)
            took = [took for _ in range(rounds) for took in _round(machine, rng)]
        finally:
            over.set()
        for one in writing:
            one.result()
    if long_work:
        patiently(lambda: machine.ask("/api/plan/remedy", asked_for)[1]["state"] == "done")
    sent = {pk: notes for clerk in clerks for pk, notes in clerk.sent.items()}
    _compared(sent, machine, sheet)
    asked = sum(clerk.asked for clerk in clerks)
    return Outcome(kept=len(sent), asked=asked, kills=len(took), longest=max(took))


def something_to_drive(machine: Served) -> tuple[int, dict[str, Any]]:
    """A sheet of a learner's, and what its plan is worked out from."""

    def made(path: str, body: object) -> Any:
        status, told = machine.ask(path, body)
        if status != 201:
            raise Trouble(f"{path} answered {status}: {told}")
        return told

    def newest(kind: str, name: str) -> Any:
        _, told = machine.ask(f"/api/documents?kind={kind}&limit=100")
        return next(one["latest"]["id"] for one in told["items"] if one["latest"]["name"] == name)

    learner = made("/api/people", {"name": "Kit Killen", "role": "learner"})["id"]
    car = made("/api/documents", {"kind": "vehicle", "body": vehicle_document(LINNET)})
    seat = {"kind": "seat", "vehicle_id": car["document_id"],
            "body": seat_document(LINNET, "seat", back=0.0, height=1.2)}  # fmt: skip
    place = {"kind": "ground", "body": ground_document(lay_kerb("quay", goal_ahead=2.0))}
    revisions = {
        "vehicle": car["id"], "seat": made("/api/documents", seat)["id"],
        "ground": made("/api/documents", place)["id"],
        "method": newest("method", "Straight-run reverse park"),
        "standard": newest("standard", house_standard().name),
    }  # fmt: skip
    return made("/api/sheets", {"learner": learner, **revisions})["id"], revisions


class _Clerk:
    """An instructor's device: keeps one attempt after the other until it is over."""

    def __init__(
        self, machine: Served, sheet: int, rng: random.Random, over: threading.Event
    ) -> None:
        self.machine, self.sheet, self.rng, self.over = machine, sheet, rng, over
        self.session = machine.colleague()
        self.sent: dict[str, int] = {}
        self.asked = 0

    def write(self) -> None:
        while not self.over.is_set():
            self._keep()
            self.over.wait(self.rng.random() * _PAUSE)

    def _keep(self) -> None:
        pk, seconds = str(uuid.UUID(int=self.rng.getrandbits(128), version=4)), 20 + len(self.sent)
        body = {"id": pk, "sheet": self.sheet, "started": "2026-05-05T10:00:00Z",
                "notes": {"seconds": seconds, "calls": ["on"], "looks": ["done"]}}  # fmt: skip
        # What has no answer may have been kept all the same.
        self.sent[pk] = seconds
        for _ in range(1 if self.rng.randrange(_AGAIN) else 2):
            patiently(lambda: self._answered(body))

    def _answered(self, body: object) -> bool:
        self.asked += 1
        # Begun again while the one before still ends, it may have taken another port.
        self.session.address = self.machine.address
        status, told = self.session.ask("/api/attempts", body)
        if 400 <= status < 500:
            raise Trouble(f"an attempt was turned away with {status}: {told}")
        return status == 201


def _round(machine: Served, rng: random.Random) -> list[float]:
    """Every kind of kill once; how long each took until all was well again, s."""
    kinds: list[Callable[[], object]] = [
        *(lambda name=name: until_another(lambda: machine.programs()[name]) for name in PROGRAMS),
        lambda: killed(rng.choice(children(lambda: machine.programs()["the application"]))),
        lambda: killed(rng.choice(children(machine.database))),
        lambda: until_another(machine.database),
        lambda: everything(machine),
    ]
    rng.shuffle(kinds)
    took = []
    for kill in kinds:
        time.sleep(rng.random() * _CALM)
        begun = time.monotonic()
        kill()
        patiently(machine.healthy)
        took.append(time.monotonic() - begun)
    return took


def _compared(sent: dict[str, int], machine: Served, sheet: int) -> None:
    found: list[tuple[str, int]] = []
    while True:
        status, told = machine.ask(f"/api/attempts?sheet={sheet}&limit=100&offset={len(found)}")
        if status != 200:
            raise Trouble(f"the attempts could not be listed, {status}: {told}")
        found += [(one["id"], one["notes"]["seconds"]) for one in told["items"]]
        if not told["items"] or len(found) >= told["count"]:
            break
    if sorted(found) != sorted(sent.items()):
        lost, more = sent.keys() - dict(found).keys(), len(found) - len(dict(found))
        raise Trouble(f"of {len(sent)} attempts {len(lost)} are lost and {more} there twice")
