"""The API as a whole: its routers, its caller, its errors."""

from ninja import NinjaAPI

from server.aids.api import router as aids
from server.cards.api import router as cards
from server.docket.api import router as docket
from server.documents.api import router as documents
from server.errors import register
from server.founding.api import router as founding
from server.lessons.api import router as lessons
from server.long_work.api import router as work
from server.planning.api import router as planning
from server.progress.api import router as progress
from server.schools.access import SignedIn
from server.schools.api import router as schools
from server.takeout.api import router as takeout

__all__ = ["api"]

api = NinjaAPI(title="Fair Corner", version="1", auth=SignedIn(), docs_url=None)
register(api)
ROUTERS = (
    schools, founding, documents, docket, planning, cards, aids, lessons, progress, work, takeout,
)  # fmt: skip
for router in ROUTERS:
    api.add_router("", router)
