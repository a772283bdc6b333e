"""The start command's own parts: a real cluster made, broken, mended and stopped."""

import os
import shutil
import socket
import stat
import subprocess
import sys

import psycopg
import pytest

from house import postgres, shell
from house.shell import ROOT, Trouble, free_port, run, secret


@pytest.fixture
def elsewhere(tmp_path, monkeypatch):
    """A folder of its own for everything the start command makes."""
    for module in (postgres, shell):
        monkeypatch.setattr(module, "RUN", tmp_path)
    monkeypatch.delenv("DATABASE_URL", raising=False)
    yield tmp_path
    shutil.rmtree(postgres._folder(), ignore_errors=True)


def answers(url):
    with psycopg.connect(url) as connection:
        return connection.execute("SELECT 41 + 1").fetchone() == (42,)


def test_a_cluster_is_made_mended_and_keeps_its_data(elsewhere, capsys):
    folder = postgres._folder()
    folder.mkdir(parents=True)
    (folder / "half").write_text("made")
    with postgres.database() as url:
        assert "clearing away a half-made" in capsys.readouterr().err
        assert answers(url)
        with psycopg.connect(url) as connection:
            connection.execute("CREATE TABLE kept (word text)")
        # A second user finds it running, and does not stop it on leaving.
        with postgres.database() as again:
            assert again == url
        assert answers(url)
    with pytest.raises(psycopg.OperationalError):
        psycopg.connect(url)
    # A server that was killed leaves its pid behind, which may now be somebody else's.
    (folder / "postmaster.pid").write_text(f"{os.getpid()}\n{folder}\n0\n1\n\n127.0.0.1\n")
    with postgres.database() as url:
        assert "gone" in capsys.readouterr().err
        with psycopg.connect(url) as connection:
            assert connection.execute("SELECT count(*) FROM kept").fetchone() == (0,)


def test_a_port_that_another_server_takes_meanwhile_is_left_to_it(elsewhere, monkeypatch):
    with socket.socket() as other:
        other.bind(("127.0.0.1", 0))
        other.listen()
        taken = other.getsockname()[1]
        # It was free when it was looked for.
        found = iter([taken])
        monkeypatch.setattr(postgres, "free_port", lambda port: next(found, 0) or free_port(port))
        with postgres.database() as url:
            assert f":{taken}/" not in url
            assert answers(url)


def test_another_server_is_used_and_never_cleared(elsewhere, monkeypatch):
    monkeypatch.setenv("DATABASE_URL", "postgresql://somewhere/else")
    with postgres.database() as url:
        assert url == "postgresql://somewhere/else"
    with pytest.raises(Trouble, match="clear it yourself"), postgres.database(fresh=True):
        pass
    assert not (elsewhere / "postgres").exists()


def test_a_busy_port_is_passed_over():
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        assert free_port(port) != port


def test_a_secret_is_made_once_and_for_this_user_alone(elsewhere):
    first = secret("key")
    assert len(first) > 40
    assert secret("key") == first
    assert stat.S_IMODE((elsewhere / "key").stat().st_mode) == 0o600


def test_a_program_that_fails_is_shown_with_what_it_said():
    run([sys.executable, "-c", "print('fine')"])
    with pytest.raises(Trouble, match="no such luck"):
        run([sys.executable, "-c", "raise SystemExit('no such luck')"])


@pytest.mark.parametrize(
    ("arguments", "said"),
    [
        pytest.param([], "demo", id="nothing asked"),
        pytest.param(["dance"], "demo", id="unknown command"),
        pytest.param(["core", "fly", "x.json"], "drive", id="unknown computation"),
        pytest.param(["core", "plan", "no-such-file.json"], "cannot be read", id="no file"),
    ],
)
def test_a_wrong_command_is_told_what_there_is(arguments, said):
    done = subprocess.run(
        [sys.executable, "-m", "house", *arguments], cwd=ROOT, capture_output=True, text=True,
        env={**os.environ, "PYTHONPATH": f"{ROOT / 'core'}:{ROOT}"}, check=False,
    )  # fmt: skip
    assert done.returncode == 2
    assert said in done.stderr + done.stdout
    assert "Traceback" not in done.stderr


def test_a_backup_brings_everything_back_or_nothing(elsewhere, tmp_path):
    file = tmp_path / "everything.backup"

    def words(url):
        with psycopg.connect(url) as connection:
            return [word for (word,) in connection.execute("SELECT word FROM kept ORDER BY word")]

    with postgres.database() as url:
        with psycopg.connect(url) as connection:
            connection.execute("CREATE TABLE kept (word text)")
            connection.execute("INSERT INTO kept VALUES ('first'), ('second')")
        postgres.backup(url, file)
        with pytest.raises(Trouble, match="there already"):
            postgres.backup(url, file)
        with psycopg.connect(url) as connection:
            connection.execute("DELETE FROM kept WHERE word = 'first'")
            connection.execute("INSERT INTO kept VALUES ('third')")
        torn = tmp_path / "torn.backup"
        torn.write_bytes(file.read_bytes()[:-20])
        with pytest.raises(Trouble):
            postgres.restore(url, torn)
        assert words(url) == ["second", "third"]
        postgres.restore(url, file)
        assert words(url) == ["first", "second"]
