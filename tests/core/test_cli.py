"""The computation from the shell, as somebody else's program would call it."""

import io
import json
import shutil
import subprocess
import sys
from pathlib import Path

import pytest
from faircorner.cli import main

CORE = Path(__file__).parents[2] / "core" / "faircorner"
EXAMPLE = Path(__file__).parents[2] / "docs" / "formats" / "plan.example.json"


@pytest.fixture
def core(monkeypatch, capsys):
    def answered(command, text):
        monkeypatch.setattr(sys, "stdin", io.TextIOWrapper(io.BytesIO(text.encode())))
        status = main([command, "-"])
        return status, *capsys.readouterr()

    return answered


@pytest.fixture
def request_document():
    return json.loads(EXAMPLE.read_text("utf-8"))


def test_from_the_shell_it_reads_standard_input_and_leaves_by_its_status():
    for text, status in (("{}", 2), (None, 0)):
        done = subprocess.run(
            [sys.executable, "-m", "faircorner.cli", "plan", "-"],
            input=EXAMPLE.read_text("utf-8") if text is None else text,
            capture_output=True, text=True, check=False,
        )  # fmt: skip
        assert done.returncode == status, done.stderr
        assert bool(done.stdout) == (status == 0)
        assert done.stderr.count("\n") == (status == 2)


def test_driving_a_plans_legs_gives_its_path(core, request_document):
    status, out, _ = core("plan", json.dumps(request_document))
    plan = json.loads(out)
    assert (status, plan["feasible"]) == (0, True)
    drive = {key: request_document[key] for key in ("vehicle",)}
    drive |= {"start": plan["start"], "legs": plan["legs"]}
    status, out, _ = core("drive", json.dumps(drive))
    final = json.loads(out)["final"]
    assert status == 0
    for name in ("x_m", "y_m", "heading_deg"):
        assert final[name] == pytest.approx(plan["final"][name], abs=1e-4)


def test_a_bad_document_is_one_line_that_names_the_field(core, request_document):
    wrong = {**request_document["vehicle"], "wheelbase_m": "long"}
    status, out, said = core("plan", json.dumps({**request_document, "vehicle": wrong}))
    assert (status, out) == (2, "")
    assert said.count("\n") == 1
    assert said.startswith("vehicle.wheelbase_m:")


@pytest.mark.parametrize("text", ["", "{", '{"a": NaN}', "[]", "[" * 100_000])
def test_what_is_no_document_is_refused(core, text):
    status, _, said = core("drive", text)
    assert status == 2
    assert said.count("\n") == 1


def test_without_a_folder_to_keep_compiled_loops_in_it_says_so_and_works(tmp_path):
    """As on a read-only install without a home: where caches would go, files stand in the way."""
    copy = tmp_path / "faircorner"
    shutil.copytree(CORE, copy, ignore=shutil.ignore_patterns("__pycache__"))
    for folder in (copy, copy / "vehicle"):
        (folder / "__pycache__").touch()
    work = "from faircorner.plane import to_site; print(to_site([1, 0, 0], [[2, 0]]).tolist())"
    done = subprocess.run(
        [sys.executable, "-c", work], cwd=tmp_path, capture_output=True, text=True, check=False,
        env={"PYTHONPATH": str(tmp_path), "HOME": "/dev/null", "PYTHONDONTWRITEBYTECODE": "1"},
    )  # fmt: skip
    assert done.stdout == "[[3.0, 0.0]]\n"
    assert done.stderr.count("NUMBA_CACHE_DIR") == 1


@pytest.mark.parametrize(("command", "needed"), [("drive", "driving"), ("judge", "judging")])
def test_short_commands_import_only_what_they_need(command, needed):
    """Not imported: methods, statistics, optimisers, Numba, Django. Each takes a while."""
    done = subprocess.run(
        [sys.executable, "-X", "importtime", "-m", "faircorner.cli", command, "-"],
        input="{}", capture_output=True, text=True, check=False,
    )  # fmt: skip
    loaded = {line.rpartition("|")[2].strip() for line in done.stderr.splitlines()}
    assert f"faircorner.documents.{needed}" in loaded
    away = {"scipy.stats", "scipy.optimize", "numba", "django", "faircorner.cues"}
    assert not away & loaded
