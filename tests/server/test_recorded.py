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
    same = before["machine"] == machine()
    assert differences(before["said"], now["said"], exact=same) == []
