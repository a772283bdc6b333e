from ninja import Router, Status

from server.long_work.models import Work
from server.long_work.services import give_up
from server.schools.access import Caller

router = Router(tags=["long work"])


@router.delete("/long-work/{work_id}", response={204: None}, operation_id="work_give_up")
def work_give_up(request: Caller, work_id: int) -> object:
    """Wait for it no longer; it stops unless somebody else waits for it."""
    give_up(request.member, Work.objects.for_school(request.school).get(pk=work_id))
    return Status(204, None)
