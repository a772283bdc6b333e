from math import radians
from typing import Literal

from django.db.models import Prefetch, Q
from django.db.models.functions import Lower
from faircorner.documents.around import around_document, more_mirrors_document
from faircorner.documents.eyes import eye_document, find_eye
from faircorner.documents.ground import (
    ground_document,
    sketch_document,
    suitability_document,
    thing_document,
)
from faircorner.documents.reading import read_document
from faircorner.documents.usual import UsualRequest, slips_of, usual_vehicle
from faircorner.documents.vehicle import VehicleDocument
from faircorner.documents.work import check_work
from faircorner.ground import (
    KINDS,
    Ground,
    adjust,
    change_bay,
    change_road,
    measures,
    put_down,
    sketch,
    suitability,
    take_away,
    things,
    with_behind,
)
from faircorner.model import inside
from faircorner.said import names
from faircorner.sides import turned_back
from faircorner.sight import Seat
from faircorner.vehicle import circle_of_arc
from faircorner.vocabulary import vocabulary
from ninja import Router, Status
from ninja.pagination import paginate

from server.documents.bodies import UnnamedVehicle
from server.documents.models import Document
from server.documents.schemas.grounds import (
    AddBehindIn,
    AdjustIn,
    BayIn,
    GroundIn,
    GroundOut,
    NewGroundIn,
    RoadIn,
    ThingIn,
    WithoutIn,
)
from server.documents.schemas.revisions import (
    AwayIO,
    CreateIn,
    DocumentOut,
    KindName,
    MergeIn,
    MergeOut,
    ReviseIn,
    RevisionOut,
    SitterIO,
)
from server.documents.schemas.seats import (
    ArcIn,
    AroundIn,
    AroundOut,
    CircleOut,
    EyeIn,
    EyeOut,
    MoreMirrorsOut,
    UsualOut,
)
from server.documents.schemas.words import VocabularyOut
from server.documents.services import (
    create_document,
    give_seat,
    merge_draft,
    put_away,
    revise_document,
)
from server.lists import Search
from server.schools.access import SHAPE, TEACH, Caller, may

router = Router(tags=["documents"], by_alias=True)


def _place(body: object) -> Ground:
    """A place that somebody draws and has not kept."""
    document = read_document("ground", body)
    check_work(document)
    return document.build()


def _ground(ground: Ground) -> dict[str, object]:
    return {
        "body": ground_document(ground),
        "measures": measures(ground),
        "sketch": sketch_document(sketch(ground)),
        "things": [thing_document(thing) for thing in things(ground)],
        "suitability": suitability_document(suitability(ground)),
    }


@router.get("/documents", response=list[DocumentOut], operation_id="documents_list")
@paginate
def documents_list(
    request: Caller,
    kind: KindName | None = None,
    search: Search = "",
    away: bool = False,
    sort: Literal["name", "-name", "vehicle", "changed", "oldest"] = "oldest",
) -> object:
    """Documents with their newest revisions; seats are found by their vehicle's name, too."""
    documents = Document.objects.for_caller(request).with_latest()
    out_of_the_way = Q(away=True) | Q(vehicle__away=True)
    documents = documents.filter(out_of_the_way if away else ~out_of_the_way)
    if kind is not None:
        documents = documents.filter(kind=kind)
    if kind == "vehicle":
        seats = Document.objects.for_caller(request).with_latest().order_by("id")
        documents = documents.prefetch_related(
            Prefetch("seats", queryset=seats, to_attr="its_seats")
        )
    for word in search.split():
        documents = documents.filter(Q(name__icontains=word) | Q(vehicle_name__icontains=word))
    return documents.order_by(*_SORTED[sort])


_SORTED = {
    "name": (Lower("name"), "id"),
    "-name": (Lower("name").desc(), "-id"),
    "vehicle": (Lower("vehicle_name"), "vehicle", Lower("name"), "id"),
    "changed": ("-changed", "-id"),
    "oldest": ("id",),
}


@router.post("/documents", response={201: RevisionOut}, operation_id="document_create")
@may(*SHAPE)
def document_create(request: Caller, body: CreateIn) -> object:
    return Status(201, create_document(request.school, author=request.member, **body.model_dump()))


@router.get(
    "/documents/{document_id}/revisions",
    response=list[RevisionOut],
    operation_id="document_revisions",
)
def document_revisions(request: Caller, document_id: int) -> object:
    document = Document.objects.for_caller(request).get(pk=document_id)
    return document.revisions.select_related("author").order_by("-number")


@router.post(
    "/documents/{document_id}/revisions",
    response={201: RevisionOut},
    operation_id="document_revise",
)
@may(*SHAPE)
def document_revise(request: Caller, document_id: int, body: ReviseIn) -> object:
    made = revise_document(request.school, document_id, author=request.member, **body.model_dump())
    return Status(201, made)


@router.put("/documents/{document_id}/away", response=AwayIO, operation_id="document_away")
@may(*SHAPE)
def document_away(request: Caller, document_id: int, body: AwayIO) -> object:
    """Out of the way, or back; nothing that was made with it changes."""
    return put_away(request.school, document_id, away=body.away)


@router.put("/documents/{document_id}/sitter", response=SitterIO, operation_id="document_sitter")
@may(*TEACH)
def document_sitter(request: Caller, document_id: int, body: SitterIO) -> object:
    """A seat becomes a learner's usual one, or nobody's."""
    return give_seat(request.school, document_id, sitter_id=body.sitter_id)


@router.post("/documents/{document_id}/merge", response=MergeOut, operation_id="document_merge")
@may(*SHAPE)
def document_merge(request: Caller, document_id: int, body: MergeIn) -> object:
    """A draft on top of what somebody else has saved since it was begun; nothing is kept."""
    return merge_draft(request.school, document_id, **body.model_dump())


@router.get("/vocabulary", response=VocabularyOut, operation_id="vocabulary_read")
def vocabulary_read(request: Caller) -> object:
    """What a method or standard may name."""
    return {**vocabulary(), "names": names(request.school.locale)}


@router.post("/vehicles/usual", response=UsualOut, operation_id="vehicle_usual")
def vehicle_usual(request: Caller, body: UsualRequest) -> object:
    """A vehicle to begin from: what was measured so far, the rest as is usual for its class.

    With the likely slip behind every measure that is unlike such a body.
    """
    usual = UnnamedVehicle.read(usual_vehicle(body)).model_dump(by_alias=True, mode="json")
    return {"body": usual, "slips": [slip.document() for slip in slips_of(body)]}


@router.post("/vehicles/circle", response=CircleOut, operation_id="vehicle_circle")
def vehicle_circle(request: Caller, body: ArcIn) -> object:
    """A circle from three chalk marks on part of it."""
    circle, uncertain = circle_of_arc(body.chord_m, body.rise_m)
    return {"kerb_circle_m": circle, "uncertain_m": uncertain}


@router.post("/seats/eye", response=EyeOut, operation_id="seat_eye")
def seat_eye(request: Caller, body: EyeIn) -> object:
    """Where an eye is, by two or three readings of the tape or by how tall the driver is."""
    with inside("vehicle"):
        vehicle = VehicleDocument.read(body.vehicle)
    return eye_document(find_eye(vehicle, body))


@router.post("/vehicles/around", response=AroundOut, operation_id="vehicle_around")
def vehicle_around(request: Caller, body: AroundIn) -> object:
    """What a driver sees of the ground round a vehicle: directly, in its mirrors, not at all."""
    document, seat = _seated(body)
    with inside("vehicle"):
        vehicle = document.build()
    with inside("seat"):
        vehicle = seat.sits_in(vehicle)
    return around_document(vehicle, seat)


@router.post("/vehicles/mirrors", response=MoreMirrorsOut, operation_id="vehicle_mirrors")
def vehicle_mirrors(request: Caller, body: AroundIn) -> object:
    """Mirrors that such a vehicle could have and this one has not, as they usually are."""
    document, seat = _seated(body)
    with inside("vehicle"):
        return more_mirrors_document(document, seat)


def _seated(body: AroundIn) -> tuple[VehicleDocument, Seat]:
    with inside("vehicle"):
        vehicle = read_document("vehicle", body.vehicle)
        check_work(vehicle)
    with inside("seat"):
        return vehicle, read_document("seat", body.seat).build()


@router.post("/grounds/measure", response=GroundOut, operation_id="ground_measure")
def ground_measure(request: Caller, body: GroundIn) -> object:
    return _ground(_place(body.body))


@router.post("/grounds/adjust", response=GroundOut, operation_id="ground_adjust")
def ground_adjust(request: Caller, body: AdjustIn) -> object:
    ground = _place(body.body)
    return _ground(adjust(ground, body.measure, body.metres))


@router.post("/grounds/behind", response=GroundOut, operation_id="ground_behind")
def ground_behind(request: Caller, body: AddBehindIn) -> object:
    """Park a vehicle behind at a gap, or take it away."""
    return _ground(with_behind(_place(body.body), body.gap_m))


@router.post("/grounds/bay", response=GroundOut, operation_id="ground_bay")
def ground_bay(request: Caller, body: BayIn) -> object:
    """Turn the bay, end it otherwise, mark it otherwise, or park in the bays beside it."""
    ground = _place(body.body)
    angle = None if body.angle_deg is None else radians(body.angle_deg)
    return _ground(
        change_bay(
            ground, angle=angle, head=body.head, before=body.before, beyond=body.beyond,
            lines=body.lines, guide=body.guide,
        )
    )  # fmt: skip


@router.post("/grounds/road", response=GroundOut, operation_id="ground_road")
def ground_road(request: Caller, body: RoadIn) -> object:
    """Let the body of what turns round reach over the kerbs, or not."""
    ground = _place(body.body)
    return _ground(change_road(ground, overhang=body.overhang))


@router.post("/grounds/thing", response=GroundOut, operation_id="ground_thing")
def ground_thing(request: Caller, body: ThingIn) -> object:
    """Put a cone, a wall, a vehicle… down, or move the one that is named."""
    ground = _place(body.body)
    turned = radians(body.turned_deg)
    return _ground(
        put_down(ground, body.kind, x=body.x_m, y=body.y_m, turned=turned, name=body.name)
    )


@router.post("/grounds/without", response=GroundOut, operation_id="ground_without")
def ground_without(request: Caller, body: WithoutIn) -> object:
    """Take away what was put down."""
    return _ground(take_away(_place(body.body), body.name))


@router.post("/grounds/new", response=GroundOut, operation_id="ground_new")
def ground_new(request: Caller, body: NewGroundIn) -> object:
    """A place to begin from; it is kept when it is sent to /documents."""
    return _ground(turned_back(body.side, KINDS[body.kind].lay(body.name)))


@router.post("/grounds/side", response=GroundOut, operation_id="ground_side")
def ground_side(request: Caller, body: GroundIn) -> object:
    """The same place with the kerb, or the bay, on the other side."""
    return _ground(_place(body.body).mirrored())
