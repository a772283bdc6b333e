"""How long a small request takes while others compute as much as they may."""

import statistics
import threading
import time
from concurrent.futures import ThreadPoolExecutor

from house.shell import Trouble
from house.trial import Session

__all__ = ["small_ms"]

# So many small ones, one after the other, about so far apart, s: as a person's screens ask.
_SMALL, _APART = 150, 0.05
# A person may have four computed at a time; two of them do, one of the four being long work.
_COMPUTING = ("maren", "idris")
_EACH = 3


def small_ms(address: str) -> tuple[float, float]:
    """95 of 100 answers to "who am I" within so long, ms: with nobody else there, and while plans
    of six connections and two pieces of long work are computed.
    """
    asks = _signed_in(address, "oda")
    quiet = _p95(asks)
    over = threading.Event()
    people = [_signed_in(address, name) for name in _COMPUTING]
    with ThreadPoolExecutor(len(people) * (_EACH + 1)) as others:
        computing = [
            *(others.submit(_plans, one, i, over) for one in people for i in range(_EACH)),
            *(others.submit(_long_work, one, over) for one in people),
        ]
        try:
            busy = _p95(asks)
        finally:
            over.set()
        for one in computing:
            one.result()
    return quiet, busy


def _signed_in(address: str, name: str) -> Session:
    session = Session(address)
    session.visit()
    session.ask("/api/session", {"username": name, "password": "tidewell-demo"})
    return session


def _p95(session: Session) -> float:
    taken = []
    for _ in range(_SMALL):
        begun = time.perf_counter()
        session.ask("/api/session")
        taken.append((time.perf_counter() - begun) * 1000)
        time.sleep(_APART)
    return statistics.quantiles(taken, n=20)[-1]


def _docket(session: Session) -> dict[str, int]:
    """What a plan is asked for by, of the first learner there is."""
    _, told = session.ask("/api/people?limit=500")
    learner = next(one["id"] for one in told["items"] if one["role"] == "learner")
    _, docket = session.ask(f"/api/docket?learner={learner}")
    kinds = ("vehicle", "seat", "ground", "method", "standard")
    return {kind: docket[kind]["id"] for kind in kinds}


def _plans(session: Session, i: int, over: threading.Event) -> None:
    """One plan after the other, none of them asked for before."""
    docket, turns = _docket(session), 2.0 + 0.001 * i
    while not over.is_set():
        turns += 0.004
        status, told = session.ask("/api/plan", {**docket, "options": {"turns_per_metre": turns}})
        if status != 200:
            raise Trouble(f"a plan was answered with {status}: {told}")


def _long_work(session: Session, over: threading.Event) -> None:
    """One piece after the other, followed as a screen does."""
    docket, turns = _docket(session), 1.5
    while not over.is_set():
        turns += 0.0101
        asked = {**docket, "options": {"turns_per_metre": turns}}
        while _goes_on(session, asked):
            if over.wait(0.5):
                return


def _goes_on(session: Session, asked: object) -> bool:
    status, told = session.ask("/api/plan/least", asked)
    if status != 200:
        raise Trouble(f"long work was answered with {status}: {told}")
    return bool(told["state"] != "done")
