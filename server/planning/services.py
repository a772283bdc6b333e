"""Computing cue sheets: loads revisions, calls the core once, stores."""

import hashlib
import json
from dataclasses import replace
from functools import lru_cache
from math import radians
from typing import Any

import numpy as np
import orjson
from django.core.cache import cache
from django.db import transaction
from django.utils import timezone
from faircorner.cues import (
    Heard,
    Scene,
    film,
    leave,
    make_least_sizes,
    make_plan,
    make_remedy,
    play,
    rescue,
    sights,
)
from faircorner.documents.changes import changes, setting_changes
from faircorner.documents.figures import pose_document
from faircorner.documents.kept_plans import plan_upgraded
from faircorner.documents.plans import (
    PLAN_FORMAT,
    least_size_document,
    leaving_document,
    plan_document,
    played_document,
    remedy_document,
    rescue_document,
)
from faircorner.documents.reading import read_document
from faircorner.documents.requests import OptionsModel, angle_names, read_options
from faircorner.documents.spots import film_document, spots_document
from faircorner.errors import InputError
from faircorner.learning import predict
from faircorner.said import Said

from server.documents.models import Document, Kind, Revision
from server.long_work.models import Work
from server.long_work.services import ask
from server.planning.models import CueSheet
from server.schools.access import Caller
from server.schools.models import Member, Role, School

__all__ = [
    "ask_for",
    "compute_film",
    "compute_least_sizes",
    "compute_leaving",
    "compute_plan",
    "compute_play",
    "compute_remedy",
    "compute_rescue",
    "compute_sights",
    "current",
    "figures_of",
    "final_pose",
    "make_sheet",
    "picks_of",
    "revisions_for",
    "revisions_of",
    "scene_of",
    "sheet_changes",
    "take_up",
]

KINDS = tuple(Kind.values)


def revisions_of(school: School, ids: dict[str, int]) -> dict[str, Revision]:
    """The revisions a docket names, each of its own kind and of this school.

    Raises Revision.DoesNotExist for any other, InputError for a seat of another vehicle.
    """
    there = Revision.objects.select_related("document", "author").filter(
        pk__in=ids.values(), document__school=school
    )
    found = {r.document.kind: r for r in there if ids[r.document.kind] == r.pk}
    if found.keys() != ids.keys():
        raise Revision.DoesNotExist
    if found["seat"].document.vehicle_id != found["vehicle"].document_id:
        raise InputError("seat", Said("belongs to another vehicle"))
    return found


def revisions_for(request: Caller, ids: dict[str, int]) -> dict[str, Revision]:
    """The revisions that a docket names, for the caller: no other learner's seat.

    Raises DoesNotExist for any other, InputError for a seat of another vehicle.
    """
    found = revisions_of(request.school, ids)
    if Document.objects.closed_to(request).filter(pk=found["seat"].document_id).exists():
        raise Document.DoesNotExist
    return found


def scene_of(
    revisions: dict[str, Revision],
    options: dict[str, Any],
    method_body: dict[str, Any] | None = None,
) -> Scene:
    """The core's objects of a docket; method_body stands in for the method's own while edited."""
    built: dict[str, Any] = {
        kind: _built(kind, json.dumps(revision.body)) for kind, revision in revisions.items()
    }
    if method_body is not None:
        built["method"] = read_document("method", method_body).build()
    built["vehicle"] = built["seat"].sits_in(built["vehicle"])
    return Scene(**built, options=read_options(_options(options), built["method"]))


@lru_cache(maxsize=256)
def _built(kind: str, body: str) -> Any:
    """What a document tells, kept: a slider asks for the same again and again."""
    return read_document(kind, json.loads(body)).build()


def _options(options: dict[str, Any]) -> OptionsModel:
    return OptionsModel.read(options)


def _key(kind: str, revisions: dict[str, Revision], options: dict[str, Any]) -> str:
    """By what the documents say, not by their ids: what was computed once is never computed again
    for another revision, learner or school with the same figures.
    """
    bodies = [revisions[k].body for k in KINDS]
    text = orjson.dumps([kind, bodies, options], option=orjson.OPT_SORT_KEYS)
    return hashlib.sha256(text).hexdigest()


def compute_plan(
    revisions: dict[str, Revision],
    options: dict[str, Any],
    method_body: dict[str, Any] | None = None,
) -> dict[str, Any]:
    """The cue sheet of a docket as a document; asked again it comes from the cache."""
    key = _key("plan", revisions, {**options, "method_body": method_body})
    found: dict[str, Any] | None = cache.get(key)
    if found is None:
        scene = scene_of(revisions, options, method_body)
        found = plan_document(make_plan(scene), scene)
        cache.set(key, found)
    return found


def compute_sights(
    revisions: dict[str, Revision],
    options: dict[str, Any],
    method_body: dict[str, Any] | None = None,
) -> dict[str, Any]:
    """What is seen at every stop of the plan of a docket; asked again it comes from the cache."""
    key = _key("sights", revisions, {**options, "method_body": method_body})
    found: dict[str, Any] | None = cache.get(key)
    if found is None:
        plan = compute_plan(revisions, options, method_body)
        scene = scene_of(revisions, options, method_body)
        values = figures_of(plan, scene)
        found = spots_document(sights(scene, values))
        cache.set(key, found)
    return found


def compute_film(
    revisions: dict[str, Revision],
    options: dict[str, Any],
    method_body: dict[str, Any] | None,
    *,
    call: int,
) -> list[dict[str, Any]]:
    """The way of the plan as it is seen where the cue of a call stands; cached likewise."""
    key = _key(f"film {call}", revisions, {**options, "method_body": method_body})
    found: list[dict[str, Any]] | None = cache.get(key)
    if found is None:
        plan = compute_plan(revisions, options, method_body)
        scene = scene_of(revisions, options, method_body)
        found = film_document(film(scene, figures_of(plan, scene), call))
        cache.set(key, found)
    return found


def picks_of(school: School, revisions: dict[str, Revision]) -> dict[str, str]:
    """The cues that were chosen when this method was last kept for this vehicle and seat."""
    documents = {revisions[kind].document_id: kind for kind in ("vehicle", "seat", "method")}
    same: dict[str, list[int]] = {f"{kind}__in": [] for kind in documents.values()}
    known = Revision.objects.filter(document__in=documents).order_by()
    for revision, document in known.values_list("pk", "document_id"):
        same[f"{documents[document]}__in"].append(revision)
    last = CueSheet.objects.for_school(school).filter(**same).only("options").first()
    return {} if last is None else dict(last.options.get("picks", {}))


def compute_remedy(
    revisions: dict[str, Revision], options: dict[str, Any], heard: Heard
) -> dict[str, Any] | None:
    """The least change that would make an unfeasible plan work. Long: for a worker."""
    return remedy_document(make_remedy(scene_of(revisions, options), heard))


def compute_least_sizes(
    revisions: dict[str, Revision], options: dict[str, Any], heard: Heard
) -> list[dict[str, Any]]:
    """How tight a place the method can use, and what is met in a tighter one. Long likewise."""
    scene = scene_of(revisions, options)
    return [least_size_document(size, scene) for size in make_least_sizes(scene, heard)]


def ask_for(
    member: Member, name: str, revisions: dict[str, Revision], options: dict[str, Any]
) -> Work:
    """Have long work on a docket done, or hear how far it is."""
    # What cannot be read is refused at once, not in a worker's own time.
    scene_of(revisions, options)
    asked = {"revisions": {kind: revisions[kind].pk for kind in KINDS}, "options": options}
    return ask(member, name, asked, version=PLAN_FORMAT)


def final_pose(plan: dict[str, Any]) -> np.ndarray:
    """Where a plan's document says that it ends, (3,) in m and rad."""
    final = plan["final"]
    return np.array([final["x_m"], final["y_m"], radians(final["heading_deg"])])


def figures_of(plan: dict[str, Any], scene: Scene) -> dict[str, float]:
    """The figures of a plan's document by name, SI."""
    # They come as a document tells them; reading them as pinned gives them back in SI.
    return read_options(_options({"pinned": plan["figures"]}), scene.method).pinned


def compute_play(
    revisions: dict[str, Revision], options: dict[str, Any], *, call: int, by_m: float
) -> dict[str, Any]:
    """The plan driven with one call early or late."""
    scene = scene_of(revisions, options)
    values = figures_of(compute_plan(revisions, options), scene)
    return played_document(play(scene, values, call=call, by=by_m), scene.vehicle)


def compute_prediction(
    sheet: CueSheet, *, call: int, by_m: float, others_m: list[float]
) -> dict[str, Any]:
    """A vehicle at a call, and where acting there and at other moments would end."""
    scene = scene_of(sheet.revisions, sheet.options)
    found = predict(scene, figures_of(sheet.plan, scene), call=call, by=by_m, others=others_m)
    here, *ends = (pose_document(pose) for pose in (found.here, *found.ends))
    moments = [by_m, *others_m]
    return {
        "here": here,
        "ends": [{"by_m": by, "pose": end} for by, end in zip(moments, ends, strict=True)],
        "tail": found.tail,
    }


def compute_rescue(
    revisions: dict[str, Revision], options: dict[str, Any], *, call: int, by_m: float
) -> dict[str, Any] | None:
    """How to save an attempt with one call early or late, within the movements allowed."""
    scene = scene_of(revisions, options)
    found = rescue(
        scene, figures_of(compute_plan(revisions, options), scene), call=call, by=by_m,
        **scene.standard.movements_left(forward=0, reverse=0),
    )  # fmt: skip
    return rescue_document(found, scene.vehicle)


def compute_leaving(
    revisions: dict[str, Revision], options: dict[str, Any]
) -> list[dict[str, Any]]:
    """The ways out of where the plan ends; asked again they come from the cache."""
    key = _key("leaving", revisions, options)
    found: list[dict[str, Any]] | None = cache.get(key)
    if found is None:
        pose = final_pose(compute_plan(revisions, options))
        scene = replace(scene_of(revisions, options), standing=pose)
        found = [leaving_document(way) for way in leave(scene)]
        cache.set(key, found)
    return found


@transaction.atomic
def make_sheet(
    school: School, *, learner_id: int, revisions: dict[str, Revision], options: dict[str, Any]
) -> CueSheet:
    """Keep a cue sheet for a learner; the same docket and settings give the same sheet.

    Raises InputError when the plan cannot be driven.
    """
    learner = Member.objects.get(school=school, pk=learner_id, role=Role.LEARNER)
    clean = _options(options).model_dump(exclude_defaults=True)
    plan = compute_plan(revisions, clean)
    if not plan["feasible"]:
        why = Said.of(plan["reason"]["said"])
        raise InputError("options", Said("cannot be driven", why=why))
    sheet, made = CueSheet.objects.get_or_create(
        school=school, learner=learner, **revisions, options=clean, defaults={"plan": plan}
    )
    if not made:
        take_up(sheet)
    return sheet


def sheet_changes(before: CueSheet | None, sheet: CueSheet) -> list[Said]:
    """What is another on a sheet than on the one before it; on the first, what is set at all."""
    pairs = [] if before is None else [(kind, before.revisions[kind]) for kind in KINDS]
    told: list[Said] = []
    for kind, was in pairs:
        now = sheet.revisions[kind]
        if was.document_id != now.document_id:
            kinds = Said(f"kind {kind}")
            told.append(Said("another document", kind=kinds, now=now.name, was=was.name))
        elif was.pk != now.pk:
            told += _revised(kind, was, now)
    method = read_document("method", sheet.method.body).build()
    settings = before.options if before else {}
    return [*told, *setting_changes(settings, sheet.options, angle_names(method))]


def _revised(kind: str, was: Revision, now: Revision) -> list[Said]:
    head = Said(
        "another revision", kind=Said(f"kind {kind}"), name=now.name, now=now.number, was=was.number
    )
    return [head, *changes(was.body, now.body)]


def take_up(sheet: CueSheet) -> None:
    """From now on this is the sheet that its docket goes on with."""
    sheet.used = timezone.now()
    sheet.save(update_fields=["used"])


def current(sheet: CueSheet) -> CueSheet:
    """The sheet with its plan in today's format, kept so.

    What was computed stays as it was: only what an older format did not tell is worked out, from
    the revisions and settings that the sheet was made from and that never change.
    """
    if sheet.plan.get("format") != PLAN_FORMAT:
        now = compute_plan(sheet.revisions, sheet.options)
        kept = plan_upgraded(sheet.plan, scene_of(sheet.revisions, sheet.options))
        sheet.plan = {**_completed(kept, now), "format": PLAN_FORMAT}
        sheet.save(update_fields=["plan"])
    return sheet


def _completed(kept: Any, now: Any) -> Any:
    """What was kept, and beside it whatever only today's has."""
    if isinstance(kept, dict) and isinstance(now, dict):
        both = {key: _completed(kept[key], now[key]) for key in kept.keys() & now.keys()}
        return {**now, **kept, **both}
    if isinstance(kept, list) and isinstance(now, list) and len(kept) == len(now):
        return [_completed(a, b) for a, b in zip(kept, now, strict=True)]
    return kept
