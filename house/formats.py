"""The published formats, made from the code: JSON Schemas and the API's description."""

import json
import os
from pathlib import Path
from typing import Any

from house.shell import ROOT, say

__all__ = ["EXAMPLE", "published", "write"]

FOLDER = ROOT / "docs" / "formats"
# What `./fair-corner core plan` takes, whole.
EXAMPLE = FOLDER / "plan.example.json"


def _text(content: object) -> str:
    return json.dumps(content, indent=1, ensure_ascii=False) + "\n"


def published() -> dict[Path, str]:
    """The text of every file in docs/formats/."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings")
    import django  # noqa: PLC0415  settings must be named before Django is loaded

    django.setup()
    from faircorner.documents.driving import DriveRequest  # noqa: PLC0415
    from faircorner.documents.judging import JudgeRequest  # noqa: PLC0415
    from faircorner.documents.pictures import PictureRequest  # noqa: PLC0415
    from faircorner.documents.reading import FORMATS, json_schema  # noqa: PLC0415
    from faircorner.documents.requests import PlanRequest  # noqa: PLC0415
    from faircorner.documents.sights import SightRequest  # noqa: PLC0415

    from server.api import api  # noqa: PLC0415

    found = {FOLDER / f"{kind}.schema.json": _text(json_schema(kind)) for kind in FORMATS}
    asked = (
        ("drive", DriveRequest),
        ("plan", PlanRequest),
        ("sight", SightRequest),
        ("picture", PictureRequest),
        ("judge", JudgeRequest),
    )
    for name, model in asked:
        schema = {"$schema": "https://json-schema.org/draft/2020-12/schema"}
        found[FOLDER / f"{name}.schema.json"] = _text(schema | model.model_json_schema())
    found[FOLDER / "school.schema.json"] = _text(_school())
    found[EXAMPLE] = _text(_example())
    found[FOLDER / "openapi.json"] = _text(api.get_openapi_schema(path_prefix="/api/"))
    return found


def _example() -> dict[str, object]:
    """One of the demo's cars behind a parked vehicle, the kerb on the right."""
    from faircorner.documents.ground import ground_document  # noqa: PLC0415
    from faircorner.documents.samples import LINNET, seat_document, vehicle_document  # noqa: PLC0415
    from faircorner.ground import lay_kerb  # noqa: PLC0415

    return {
        "vehicle": vehicle_document(LINNET),
        "seat": seat_document(LINNET, "seat", back=0.0, height=1.2),
        "ground": ground_document(lay_kerb("quay", side="right", goal_ahead=2.0)),
        "method": "Straight-run reverse park",
        "options": {},
    }


def _school() -> dict[str, object]:
    """A line of each part of a school's file, by the part's name."""
    from pydantic import TypeAdapter  # noqa: PLC0415

    from server.takeout import records  # noqa: PLC0415

    parts: dict[str, Any] = {"school": records.SchoolHead, **records.PARTS}
    adapters: dict[str, TypeAdapter[Any]] = {
        name: TypeAdapter(model) for name, model in parts.items()
    }
    lines, shared = TypeAdapter.json_schemas(
        (name, "validation", adapter) for name, adapter in adapters.items()
    )
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "description": records.__doc__,
        "properties": {name: lines[name, "validation"] for name in parts},
        **shared,
    }


def write(_arguments: list[str]) -> int:
    FOLDER.mkdir(parents=True, exist_ok=True)
    for path, text in published().items():
        path.write_text(text, "utf-8")
    say(f"wrote {FOLDER.relative_to(ROOT)}")
    return 0
