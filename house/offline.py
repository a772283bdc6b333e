"""`./fair-corner offline`: days without a line, while browsers, server and database are killed.

Two devices, each a real browser with a profile of its own, drive and tape attempts of one learner
through the screens. Their line comes and goes; at moments drawn at random a browser is killed, or
what it talks to. Whatever a screen has said to be kept must be on the server in the end exactly
once: every attempt, and what was taped of it.
"""

import argparse
import random
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, field
from functools import partial
from pathlib import Path
from typing import Any

from playwright.sync_api import BrowserContext, Error, Page, Playwright, expect, sync_playwright

from house.browser import FLAGS, PROGRAM
from house.killing import PROGRAMS, killed
from house.kills import something_to_drive
from house.shell import Trouble, say
from house.trial import LEAD, Served, new_folder, patiently, serve

__all__ = ["Outcome", "day", "run"]

_PATIENCE_MS = 60_000
# At which moments of an attempt something is killed.
_MOMENTS = ("under way", "done", "at the tape", "taped")

# What is in the device's own database, once all that was begun before is in it.
_OF_THE_DEVICE = """async ([store, keys]) => {
  const opened = indexedDB.open("fair-corner");
  const db = await new Promise((done) => { opened.onsuccess = () => done(opened.result); });
  const all = db.transaction(store).objectStore(store)[keys ? "getAllKeys" : "getAll"]();
  const told = await new Promise((done) => { all.onsuccess = () => done(all.result); });
  db.close();
  return told;
}"""


@dataclass(frozen=True, kw_only=True)
class Outcome:
    """attempts : each kept exactly once; browsers, servers, databases : how many were killed"""

    attempts: int
    browsers: int
    servers: int
    databases: int


def run(arguments: list[str]) -> int:
    parser = argparse.ArgumentParser(prog="./fair-corner offline")
    parser.add_argument("--attempts", type=int, default=1000)
    parser.add_argument("--seed", type=int, default=random.randrange(10_000))  # noqa: S311
    given = parser.parse_args(arguments)
    say(f"{given.attempts} attempts, --seed {given.seed}")
    with new_folder() as folder, serve(folder / "here") as machine:
        machine.begin()
        done = day(machine, folder, attempts=given.attempts, seed=given.seed)
    print(
        f"{done.attempts} attempts of two devices, each there exactly once with its tape\n"
        f"killed: a browser {done.browsers} times, the server {done.servers}, "
        f"the database {done.databases}"
    )
    return 0


def day(machine: Served, folder: Path, *, attempts: int, seed: int) -> Outcome:
    """Raises Trouble where an attempt or its tape is lost or there twice."""
    rng = random.Random(seed)  # noqa: S311
    sheet, _ = something_to_drive(machine)
    _, made = machine.ask(f"/api/sheets/{sheet}")
    kills = _drawn(rng, attempts)
    sent: dict[str, int] = {}
    with sync_playwright() as playwright:
        devices = [_Device(playwright, machine, folder / name) for name in ("tablet", "phone")]
        for device in devices:
            device.begin(sheet, made["learner_id"])
        for number, kill in enumerate(kills):
            device = devices[number % 2]
            if rng.random() < 0.5:
                device.change_line(there=rng.random() < 0.4)
            # Each has a reading of its own, cm, from which it is known again.
            attempt = _Attempt(kill, rng.choice(_MOMENTS), 20 + number % 40)
            try:
                device.give(attempt, sent)
            except Error as error:
                raise Trouble(f"{attempt}: {device.shown()}") from error
            if (number + 1) % 100 == 0:
                say(f"{number + 1} attempts")
        for device in devices:
            device.send_all()
            device.close()
    _compare(machine, sheet, sent)
    count = kills.count
    return Outcome(
        attempts=len(sent), browsers=count("browser"), servers=count("server"),
        databases=count("database"),
    )  # fmt: skip


def _drawn(rng: random.Random, attempts: int) -> list[str]:
    """What is killed during which attempt: some of each kind, most of the time nothing."""
    each = max(2, attempts // 16)
    kills = ["browser"] * each + ["server"] * each + ["database"] * (each // 2)
    kills += [""] * (attempts - len(kills))
    rng.shuffle(kills)
    return kills


@dataclass(frozen=True)
class _Attempt:
    """kill : what, or nothing; moment : when; reading : of the front wheel, cm"""

    kill: str
    moment: str
    reading: int


@dataclass
class _Device:
    """A browser, killed and opened again, and the profile that is all that stays of it."""

    playwright: Playwright
    machine: Served
    profile: Path
    there: bool = True
    context: BrowserContext = field(init=False)
    page: Page = field(init=False)

    def begin(self, sheet: int, learner: int) -> None:
        """Signed in, and what is to be driven on the device."""
        self._open()
        name, password = LEAD
        self.page.goto(f"/drive?learner={learner}")
        self.page.get_by_label("Name").fill(name)
        self.page.get_by_label("Password").fill(password)
        self.page.get_by_role("button", name="Sign in").click()
        self._button("Start the clock").wait_for()
        wanted = {f'["sheet",{sheet}]', f'["attempts",{sheet}]', '["session"]', '["vocabulary"]'}
        try:
            patiently(lambda: wanted <= self._fetched())
        except Trouble as trouble:
            missing = wanted - self._fetched()
            raise Trouble(f"{missing} is not on the device: {self.shown()}") from trouble
        # A browser writes down who is signed in half a minute late, or when it ends.
        self.context.close()
        self._open()
        self.page.goto("/drive")

    def change_line(self, *, there: bool) -> None:
        self.there = there
        self.context.set_offline(not there)

    def give(self, attempt: _Attempt, sent: dict[str, int]) -> None:
        """Drive and tape it, whatever is killed meanwhile; noted in `sent` by its number."""
        self._to("Drive")
        self._button("Start the clock").click()
        pk = patiently(self._under_way)
        sent[pk] = attempt.reading
        self._maybe(attempt, "under way")
        if self._under_way() != pk:
            raise Trouble(f"what was noted of {pk} did not stay")
        self._button("Done").click()
        self._maybe(attempt, "done")
        if self._was_killed(attempt, "done"):
            # Before it was put on its way, it is under way still.
            if self._under_way() == pk:
                self._button("Done").click()
            else:
                self.page.goto(f"/tape?attempt={pk}")
        self._reading.wait_for()
        self._maybe(attempt, "at the tape")
        if self._was_killed(attempt, "at the tape"):
            self.page.goto(f"/tape?attempt={pk}")
        self._tape(attempt.reading)
        self._maybe(attempt, "taped")

    def send_all(self) -> None:
        self.change_line(there=True)
        patiently(lambda: self._kept("unsent") == [])

    def shown(self) -> str:
        """Where it is and what stands there."""
        told = self.page.locator("body").inner_text().replace("\n", " | ")
        return f"there {self.there}, {self.page.url}: {told[:1500]}"

    def close(self) -> None:
        self.context.close()

    def _tape(self, reading: int) -> None:
        self._reading.wait_for()
        for name in ("Front wheel to kerb", "Rear wheel to kerb"):
            typed = self.page.get_by_role("textbox", name=name)
            typed.fill(str(reading))
            typed.press("Enter")
        self._button("Keep the readings").click()
        expect(self.page.get_by_role("link", name="Drive again")).to_be_visible(
            timeout=_PATIENCE_MS
        )

    @staticmethod
    def _was_killed(attempt: _Attempt, moment: str) -> bool:
        return (attempt.kill, attempt.moment) == ("browser", moment)

    def _maybe(self, attempt: _Attempt, moment: str) -> None:
        if attempt.moment != moment:
            return
        if attempt.kill == "browser":
            self._kill()
        elif attempt.kill == "database":
            killed(self.machine.database())
        elif attempt.kill == "server":
            killed(self.machine.programs()[PROGRAMS[attempt.reading % len(PROGRAMS)]])

    def _open(self) -> None:
        self.context = self.playwright.chromium.launch_persistent_context(
            str(self.profile), executable_path=PROGRAM, args=FLAGS,
            base_url=self.machine.address, viewport={"width": 820, "height": 1180},
            offline=not self.there,
        )  # fmt: skip
        self.context.set_default_timeout(_PATIENCE_MS)
        self.page = self.context.pages[0]
        self.page.on("pageerror", self._complain)

    def _kill(self) -> None:
        """Its process and all that belongs to it, as by a battery that is empty."""
        for pid in _processes(f"--user-data-dir={self.profile}"):
            killed(pid)
        with suppress(Error):
            self.context.close()
        self._open()
        self.page.goto("/drive")

    @staticmethod
    def _complain(error: Error) -> None:
        raise Trouble(f"the page complains: {error}")

    def _to(self, station: str) -> None:
        rail = self.page.get_by_role("navigation")
        rail.get_by_role("link", name=station).click()

    def _button(self, name: str) -> Any:
        return self.page.get_by_role("button", name=name).first

    @property
    def _reading(self) -> Any:
        return self.page.get_by_role("textbox", name="Front wheel to kerb")

    def _under_way(self) -> str | None:
        """The number of the attempt that is being noted."""
        drafts = [one for one in self._kept("kept") if "/attempt/" in one["key"]]
        texts = [one["text"] for one in drafts if "/undo/" not in one["key"] and one["text"]]
        return texts[0].partition('"id":"')[2][:36] if texts else None

    def _fetched(self) -> set[str]:
        """Of whatever was fetched, what is on the device."""
        return {key[1] for key in self._kept("fetched", keys=True)}

    def _kept(self, store: str, *, keys: bool = False) -> list[Any]:
        told: list[Any] = self.page.evaluate(_OF_THE_DEVICE, [store, keys])
        return told


def _processes(told: str) -> Iterator[str]:
    """Those whose command says so."""
    for folder in Path("/proc").iterdir():
        with suppress(OSError):
            if folder.name.isdigit() and told in (folder / "cmdline").read_text("utf-8"):
                yield folder.name


def _compare(machine: Served, sheet: int, sent: dict[str, int]) -> None:
    found: list[dict[str, Any]] = []
    while True:
        path = f"/api/attempts?sheet={sheet}&limit=100&offset={len(found)}"
        told = patiently(partial(_answered, machine, path))
        found += told["items"]
        if not told["items"] or len(found) >= told["count"]:
            break
    twice = len(found) - len({one["id"] for one in found})
    lost = sent.keys() - {one["id"] for one in found}
    if twice or lost or len(found) != len(sent):
        raise Trouble(f"of {len(sent)} attempts {len(lost)} are lost and {twice} there twice")
    for one in found:
        taped = [round(100 * entry["readings"]["kerb_front_m"]) for entry in one["tapings"]]
        if taped != [sent[one["id"]]]:
            raise Trouble(f"{one['id']} was taped as {sent[one['id']]} cm, and has {taped}")


def _answered(machine: Served, path: str) -> dict[str, Any] | None:
    status, told = machine.ask(path)
    return told if status == 200 else None
