"""Databases of the tests: copies of templates that are made once for each state of the code.

A copy takes a tenth of a second; migrating an empty database takes several, loading the demo half
a minute.
"""

import fcntl
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from urllib.parse import urlsplit

import psycopg
from psycopg import sql

from house.digest import digest
from house.environment import environment
from house.shell import ROOT, RUN, run

__all__ = ["READY", "copied", "dropped", "template"]

# The environment names a database that is a copy already, to be used as it is.
READY = "FAIR_CORNER_TEST_DATABASE"
# What a template is made from: tables, and the demo's data, which the core computes.
_TABLES = ("server/settings.py", "server/upkeep.py", "requirements.lock",
           *sorted(str(p.relative_to(ROOT)) for p in ROOT.glob("server/*/migrations")))  # fmt: skip
_DEMO = ("core", "server", "requirements.lock")


def template(url: str, *, demo: bool = False) -> str:
    """The name of a database on the server of the address: migrated, with the demo if asked for."""
    with _one_at_a_time(), _connected(url) as connection:
        return _template(connection, url, demo=demo)


def copied(url: str, name: str, *, demo: bool = False) -> str:
    """The address of a new copy of a template; a database of that name is replaced."""
    with _one_at_a_time(), _connected(url) as connection:
        origin = _template(connection, url, demo=demo)
        _drop(connection, name)
        command = "CREATE DATABASE {} TEMPLATE {} STRATEGY file_copy"
        connection.execute(sql.SQL(command).format(sql.Identifier(name), sql.Identifier(origin)))
    return _renamed(url, name)


def dropped(url: str, name: str) -> None:
    """Drop a database, even while it is in use."""
    with _connected(url) as connection:
        _drop(connection, name)


def _template(connection: psycopg.Connection[tuple[str]], url: str, *, demo: bool) -> str:
    kind = "template_demo_" if demo else "template_tables_"
    # The demo's lessons are dated from the day on which it is loaded.
    day = f"{datetime.now(UTC):%Y%m%d}_" if demo else ""
    name = kind + day + digest(ROOT, _DEMO if demo else _TABLES)[:12]
    known = [row[0] for row in connection.execute("SELECT datname FROM pg_database")]
    if name in known:
        return name
    for old in known:
        if old.startswith(kind):
            _drop(connection, old)
    half_made = f"making_{name}"
    _drop(connection, half_made)
    connection.execute(sql.SQL("CREATE DATABASE {}").format(sql.Identifier(half_made)))
    for module in ("server.upkeep", *(["server.demo"] if demo else [])):
        run([sys.executable, "-m", module], env=environment(_renamed(url, half_made)))
    connection.execute(
        sql.SQL("ALTER DATABASE {} RENAME TO {}").format(
            sql.Identifier(half_made), sql.Identifier(name)
        )
    )
    return name


def _drop(connection: psycopg.Connection[tuple[str]], name: str) -> None:
    command = "DROP DATABASE IF EXISTS {} WITH (FORCE)"
    connection.execute(sql.SQL(command).format(sql.Identifier(name)))


def _connected(url: str) -> psycopg.Connection[tuple[str]]:
    """A connection beside all databases that are copied; its `with` closes it."""
    return psycopg.connect(_renamed(url, "postgres"), autocommit=True)


def _renamed(url: str, name: str) -> str:
    return urlsplit(url)._replace(path="/" + name).geturl()


@contextmanager
def _one_at_a_time() -> Iterator[None]:
    """Among all processes: a template in use cannot be copied, nor made twice."""
    RUN.mkdir(mode=0o755, parents=True, exist_ok=True)
    with (RUN / "templates.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        yield
