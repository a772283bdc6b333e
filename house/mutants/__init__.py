"""Small deliberate mistakes, each of which one named test has to notice.

A mutant is a patch in tests/mutants/ whose first lines say what is wrong with it and which test
must fail. Each is tried in a copy of its own. noticed.json keeps, for each of them, a hash of what
decides whether it is noticed and the test that noticed it: with the same hash it is not tried
again, with another one that test goes first.
"""

from collections.abc import Mapping
from concurrent.futures import ThreadPoolExecutor

from house.mutants import browser_trials, fingerprints, python_trials, record
from house.mutants.patches import FOLDER, Mutant, read_mutants
from house.mutants.record import Outcome
from house.shell import ROOT, Trouble, say

__all__ = ["FOLDER", "LEAST", "Mutant", "all_noticed", "read_mutants"]

# With fewer mutants the tests see too little.
LEAST = 300


def all_noticed(env: Mapping[str, str], *, retry: bool) -> None:
    """Try the mutants that are not known to be noticed, all of them with `retry`.

    Raises Trouble naming each mutant that its test did not notice.
    """
    mutants = read_mutants()
    if len(mutants) < LEAST:
        raise Trouble(f"there are {len(mutants)} mutants; {LEAST} is the least")
    hashes = fingerprints.of(mutants)
    known = record.read()
    due = [m for m in mutants if retry or known.hash_of(m) != hashes[m.name]]
    say(f"{len(due)} of {len(mutants)} mutants to try; the others are known to be noticed")
    outcomes = _tried(due, known, env)
    for mutant, outcome in outcomes:
        known.add(mutant, hashes[mutant.name], outcome)
    known.keep_only(mutants)
    if record.write(known):
        say(f"{record.FILE.relative_to(ROOT)} has been written; commit it, and they are known")
    missed = [f"{m.name} ({m.what}): {o.missed}" for m, o in outcomes if o.missed]
    if missed:
        raise Trouble("no test noticed these mistakes:\n" + "\n".join(missed))


def _tried(
    mutants: list[Mutant], known: record.Record, env: Mapping[str, str]
) -> list[tuple[Mutant, Outcome]]:
    python = [(m, known.noticed_by(m)) for m in mutants if m.kind != "web"]
    browser = [m for m in mutants if m.kind == "web"]
    with ThreadPoolExecutor() as threads:
        of_browser = threads.submit(browser_trials.run, browser)
        return python_trials.run(python, env) + of_browser.result()
