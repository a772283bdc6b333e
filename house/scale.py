"""`./fair-corner scale`: a million attempts of two hundred schools, and how long answers then take.

In a database of its own, which stays to be measured again; --fresh fills it anew.
"""

import http.client
import json
import os
import random
import statistics
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass
from urllib.parse import urlsplit, urlunsplit

import psycopg

from house.demo import migrated
from house.environment import environment
from house.postgres import database
from house.serving import started
from house.shell import ROOT, Trouble, free_port, say

__all__ = ["run"]

_NAME, _PORT, _ENOUGH = "scale", 8800, 1_000_000
# So many answers of each kind, one at a time; and how many people ask at once, so many times each.
_ONE_BY_ONE, _AT_ONCE, _EACH = 200, 20, 10
# What is wanted of 95 in a hundred, ms.
_WANTED, _WANTED_AT_ONCE = 50.0, 250.0


@dataclass(frozen=True)
class _Person:
    """Somebody's session, and learners and sheets of their school."""

    session: str
    learners: list[int]
    sheets: list[int]


def _any(of: list[int]) -> int:
    return random.choice(of)  # noqa: S311


_KINDS: dict[str, Callable[[_Person], str]] = {
    "docket": lambda p: f"/api/docket?learner={_any(p.learners)}",
    "sheet": lambda p: f"/api/sheets/{_any(p.sheets)}",
    "attempts": lambda p: f"/api/attempts?sheet={_any(p.sheets)}",
    "sets": lambda p: f"/api/sets?sheet={_any(p.sheets)}",
    "diary": lambda p: "/api/lessons?when=coming&limit=50",
    "diary, of one learner": lambda p: f"/api/lessons?learner={_any(p.learners)}",
    "people": lambda p: "/api/people?limit=50",
    "standings": lambda p: "/api/standings?" + "&".join(f"learner={pk}" for pk in p.learners[:25]),
}


def run(arguments: list[str]) -> int:
    with database() as url:
        filled = _filled(url, fresh="--fresh" in arguments)
        with started(filled, free_port(_PORT)) as (address, _):
            people = _people(filled)
            alone = {kind: _one_by_one(address, people, kind) for kind in _KINDS}
            crowd = {kind: _at_once(address, people, kind) for kind in _KINDS}
    print(f"a million additions in Python take {_pace():.0f} ms just now")
    print(f"{'95 of 100 answers within':<32}{'one at a time':>16}{f'{_AT_ONCE} at once':>16}")
    for kind in _KINDS:
        one, many = _p95(alone[kind]), _p95(crowd[kind])
        over = "   over" if one > _WANTED or many > _WANTED_AT_ONCE else ""
        print(f"{kind:<32}{one:>13.0f} ms{many:>13.0f} ms{over}")
    return 0


def _filled(url: str, *, fresh: bool) -> str:
    """The address of the database with a million attempts, made where it is not there."""
    filled = urlunsplit(urlsplit(url)._replace(path=f"/{_NAME}"))
    with psycopg.connect(url, autocommit=True) as connection:
        if fresh:
            connection.execute(f"DROP DATABASE IF EXISTS {_NAME}")
        known = connection.execute("SELECT 1 FROM pg_database WHERE datname = %s", [_NAME])
        if known.fetchone() is None:
            connection.execute(f"CREATE DATABASE {_NAME}")
    migrated(filled)
    with psycopg.connect(filled, autocommit=True) as connection:
        (attempts,) = connection.execute("SELECT count(*) FROM lessons_attempt").fetchone() or (0,)
        if attempts < _ENOUGH:
            say("filling a database with a million attempts; that takes a minute or two")
            _inside(filled, "from server.demo.load import load_demo; load_demo()")
            _inside(filled, "from house.scale_fill import *; fill(MILLION)")
            connection.execute("VACUUM ANALYZE")
    return filled


def _people(url: str) -> list[_Person]:
    """Leads of as many schools as ask at once, each signed in."""
    told = _inside(url, f"from house.scale_people import *; print(signed_in({_AT_ONCE}))")
    return [_Person(**one) for one in json.loads(told)]


def _inside(url: str, what: str) -> str:
    """What is printed by a line within the application, on the database at an address."""
    done = subprocess.run(
        [sys.executable, "manage.py", "shell", "-v", "0", "-c", what], cwd=ROOT, text=True,
        env={**os.environ, **environment(url)}, stdout=subprocess.PIPE, check=True,
    )  # fmt: skip
    return done.stdout


@contextmanager
def _asking(address: str) -> Iterator[Callable[[_Person, str], float]]:
    """Asks over one connection, as a browser does; each answer's milliseconds."""
    connection = http.client.HTTPConnection(urlsplit(address).netloc, timeout=60)

    def ask(person: _Person, path: str) -> float:
        begun = time.perf_counter()
        connection.request("GET", path, headers={"Cookie": f"sessionid={person.session}"})
        answer = connection.getresponse()
        answer.read()
        if answer.status != 200:
            raise Trouble(f"{path} answered {answer.status}")
        return (time.perf_counter() - begun) * 1000

    yield ask
    connection.close()


def _one_by_one(address: str, people: list[_Person], kind: str) -> list[float]:
    with _asking(address) as ask:
        # What is kept has been worked out by then, as where attempts are looked at once driven.
        for person in people:
            for sheet in person.sheets:
                ask(person, f"/api/sets?sheet={sheet}" if kind == "sets" else _KINDS[kind](person))
        chosen = (people[i % len(people)] for i in range(_ONE_BY_ONE))
        return [ask(person, _KINDS[kind](person)) for person in chosen]


def _at_once(address: str, people: list[_Person], kind: str) -> list[float]:
    """Everybody asks again as soon as they have been answered."""

    def one(person: _Person) -> list[float]:
        with _asking(address) as ask:
            return [ask(person, _KINDS[kind](person)) for _ in range(_EACH)]

    with ThreadPoolExecutor(len(people)) as crowd:
        return [taken for each in crowd.map(one, people) for taken in each]


def _pace() -> float:
    """How quick the machine is while it measures, ms: one that is shared may be half as quick."""
    begun = time.perf_counter()
    total = 0
    for i in range(1_000_000):
        total += i
    return (time.perf_counter() - begun) * 1000


def _p95(taken: list[float]) -> float:
    return statistics.quantiles(taken, n=20)[-1]
