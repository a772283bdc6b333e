"""What a run checks besides tests: none is lost, and a mutant is tried when it has to be."""

import subprocess

import pytest

from house import test_counts
from house.mutants import fingerprints
from house.mutants.patches import read_mutants
from house.mutants.record import Outcome, Record
from house.shell import ROOT, Trouble


@pytest.fixture
def repository(tmp_path):
    """A repository of one file with two tests, and how to commit another text of it."""

    def git(*arguments):
        who = ["-c", "user.name=Nobody", "-c", "user.email=nobody@example.org"]
        command = ["/usr/bin/env", "git", *who, *arguments]
        subprocess.run(command, cwd=tmp_path, check=True, capture_output=True)

    def commit(path, text):
        (tmp_path / path).parent.mkdir(parents=True, exist_ok=True)
        (tmp_path / path).write_text(text, "utf-8")
        git("add", "-A")
        git("commit", "-m", "any")

    git("init")
    commit("tests/test_one.py", "def test_a(): ...\ndef test_b(): ...\n")
    return tmp_path, commit, git


def test_a_test_that_went_in_an_earlier_commit_is_still_missed(repository):
    folder, commit, _ = repository
    assert test_counts.losses(folder) == {}
    commit("tests/test_one.py", "def test_a(): ...\n")
    commit("tests/test_two.py", "def test_c(): ...\n")
    assert test_counts.losses(folder) == {"tests/test_one.py": (2, 1)}
    commit("tests/test_one.py", "def test_a(): ...\ndef test_d(): ...\n")
    assert test_counts.losses(folder) == {}


def test_a_renamed_file_keeps_its_count_and_an_empty_one_is_refused(repository):
    folder, commit, git = repository
    git("mv", "tests/test_one.py", "tests/test_other.py")
    git("commit", "-m", "renamed")
    assert test_counts.losses(folder) == {}
    commit("tests/test_other.py", "# nothing\n")
    with pytest.raises(Trouble, match="no test in it"):
        test_counts.losses(folder)


def hashed(monkeypatch, mutant):
    """Every file that a mutant's hash is made from."""
    asked = set()
    monkeypatch.setattr(fingerprints, "_hash_of_file", lambda path: asked.add(path) or "")
    fingerprints.of([mutant])
    return asked


@pytest.mark.parametrize(
    ("name", "rests_on"),
    [
        ("front-tyre-turned-back", {"core/faircorner/vehicle/steering.py"}),
        ("seat-of-another-learner", {"server/settings.py", "docs/rights.md", "tests/conftest.py"}),
        ("void-counts-again", {"web/src/device/pending.ts", "web/src/mock/underWay.ts"}),
    ],
)  # fmt: skip
def test_a_mutant_is_tried_again_when_something_that_it_rests_on_changes(
    monkeypatch, name, rests_on
):
    mutant = next(one for one in read_mutants() if one.name == name)
    files = hashed(monkeypatch, mutant)
    locks = {"web/package-lock.json"} if mutant.kind == "web" else {
        "requirements.lock", "requirements-test.lock"}  # fmt: skip
    own = {str(mutant.patch.relative_to(ROOT)), str(mutant.test_file), *map(str, mutant.changed)}
    assert files >= own | locks | rests_on
    assert "tests/README.md" not in files
    assert not {f for f in files if f.startswith("tests/mutants/")} - own


def test_what_was_not_noticed_is_not_known():
    mutant = read_mutants()[0]
    known = Record({mutant.name: {"hash": "before", "by": f"{mutant.test_file}::test_x"}})
    assert known.noticed_by(mutant) == f"{mutant.test_file}::test_x"
    known.add(mutant, "now", Outcome(missed="no test failed"))
    assert (known.hash_of(mutant), known.noticed_by(mutant)) == ("", "")
