"""`core plan`: a cue sheet, and the least change that would do where there is none."""

from typing import Any

from faircorner.cues import Scene, make_plan, make_remedy
from faircorner.documents.library import house_standard, methods
from faircorner.documents.plans import plan_document, remedy_document
from faircorner.documents.requests import PlanRequest, method_named, read_options
from faircorner.documents.work import check_work
from faircorner.model import inside
from faircorner.standards import goal_of

__all__ = ["answer", "scene_asked"]


def scene_asked(document: Any) -> Scene:
    """The scene that a request document is about; raises InputError naming the field."""
    request = PlanRequest.read(document)
    with inside("vehicle"):
        check_work(request.vehicle)
        vehicle = request.vehicle.build()
    with inside("seat"):
        seat = request.seat.build()
        vehicle = seat.sits_in(vehicle)
    with inside("ground"):
        check_work(request.ground)
        request.ground.check_drawn()
        ground = request.ground.build()
    with inside("method"):
        method = method_named(request, methods()).build()
    with inside("standard"):
        standard = (request.standard or house_standard(goal_of(method.manoeuvre))).build()
    options = read_options(request.options, method)
    return Scene(
        vehicle=vehicle, seat=seat, ground=ground, method=method, standard=standard, options=options
    )


def answer(document: Any) -> dict[str, Any]:
    scene = scene_asked(document)
    standard = scene.standard
    plan = make_plan(scene)
    remedy = None
    if not plan.feasible:
        remedy = make_remedy(scene)
    return {
        **plan_document(plan, scene),
        "not_as_wanted": [str(said) for said in plan.missed],
        "remedy": remedy_document(remedy),
        "judged_by": f"{standard.name}, {standard.authority}, {standard.dated}",
    }
