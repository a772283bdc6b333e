"""Every demo docket and method says today what it said when it was recorded."""

import json

import pytest

from tests.recorded import FOLDER, differences, machine, recordings, text_of

RECORDINGS = recordings()


def test_every_recording_has_its_file_and_every_file_its_recording():
    assert {path.stem for path in FOLDER.glob("*.json")} == set(RECORDINGS)


@pytest.mark.parametrize("name", RECORDINGS)
def test_what_was_said_is_said_again(name):
    before = json.loads((FOLDER / f"{name}.json").read_text("utf-8"))
    now = json.loads(text_of(RECORDINGS[name]()))
    # On another processor a figure may be rounded the other way in its last place.
    tolerance = 1e-9 if before["machine"] == machine() else 5e-4
    assert differences(before["said"], now["said"], tolerance) == []
