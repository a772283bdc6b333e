from django.http import HttpResponse
from ninja import Query, Router, Status

from server.mock_tests.drawing import cancel, give_up, pool_of, reverses, start
from server.mock_tests.models import MockTest
from server.mock_tests.result import state_of
from server.mock_tests.schemas import CancelIn, GiveUpIn, MockIn, MockOut, PoolAsked, PoolSheet
from server.mock_tests.sheet import pdf_of
from server.printing import PDF, as_pdf
from server.schools.access import TEACH, Caller, may

router = Router(tags=["mock tests"])

# As many of the newest as anybody looks through.
_MOST = 50


def _test(request: Caller, test_id: int) -> MockTest:
    known = MockTest.objects.for_caller(request)
    return known.select_related("learner", "instructor", "standard", "school").get(pk=test_id)


@router.get("/mock-tests", response=list[MockOut], operation_id="mock_tests_list")
def mock_tests_list(request: Caller, learner: int) -> object:
    """A learner's mock tests, the newest first."""
    known = MockTest.objects.for_caller(request).filter(learner=learner)
    told = known.select_related("learner", "instructor", "standard", "school")[:_MOST]
    return [state_of(test) for test in told]


@router.get("/mock-tests/pool", response=list[PoolSheet], operation_id="mock_test_pool")
@may(*TEACH)
def mock_test_pool(request: Caller, asked: Query[PoolAsked]) -> object:
    """What a test of a learner's may be drawn from."""
    return [
        {
            "sheet_id": sheet.pk,
            "method": sheet.method.body["name"],
            "ground": sheet.ground.body["name"],
            "vehicle": sheet.vehicle.body["name"],
            "reverse": reverses(sheet),
        }
        for sheet in pool_of(request, learner=asked.learner, standard=asked.standard)
    ]


@router.post("/mock-tests", response={201: MockOut}, operation_id="mock_test_start")
@may(*TEACH)
def mock_test_start(request: Caller, body: MockIn) -> object:
    """Draw one."""
    return Status(201, state_of(start(request, **body.model_dump())))


@router.post("/mock-tests/{test_id}/cancel", response=MockOut, operation_id="mock_test_cancel")
@may(*TEACH)
def mock_test_cancel(request: Caller, test_id: int, body: CancelIn) -> object:
    """An exercise that cannot take place is replaced by another."""
    return state_of(cancel(_test(request, test_id), **body.model_dump()))


@router.post("/mock-tests/{test_id}/give-up", response=MockOut, operation_id="mock_test_give_up")
@may(*TEACH)
def mock_test_give_up(request: Caller, test_id: int, body: GiveUpIn) -> object:
    """It ends here, without a result."""
    return state_of(give_up(_test(request, test_id), because=body.because))


@router.get("/mock-tests/{test_id}/sheet", operation_id="mock_test_sheet", openapi_extra=PDF)
def mock_test_sheet(request: Caller, test_id: int) -> HttpResponse:
    """What it came to, for its learner to read."""
    return as_pdf(pdf_of(_test(request, test_id)), "mock-test.pdf")
