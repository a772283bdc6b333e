"""Who asks while answers are timed: leads of schools, signed in, as JSON."""

import json

from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY
from django.contrib.sessions.backends.db import SessionStore

from server.planning.models import CueSheet
from server.schools.models import Member, Role

__all__ = ["signed_in"]

# So many of each school's sheets are asked for.
_SHEETS = 5


def signed_in(most: int) -> str:
    # Spread over all schools, which lie in the order of their copies.
    leads = list(Member.objects.filter(role=Role.LEAD).select_related("user").order_by("school_id"))
    found = []
    for lead in leads[:: max(len(leads) // most, 1)][:most]:
        session = SessionStore()
        session[SESSION_KEY] = str(lead.user.pk)
        session[BACKEND_SESSION_KEY] = "server.schools.backend.MemberSessions"
        session[HASH_SESSION_KEY] = lead.user.get_session_auth_hash()
        session.create()
        sheets = CueSheet.objects.for_school(lead.school)
        learners = sheets.order_by().values_list("learner", flat=True).distinct()
        found.append(
            {
                "session": session.session_key,
                "learners": sorted(learners),
                "sheets": sorted(sheets.order_by().values_list("pk", flat=True))[-_SHEETS:],
            }
        )
    return json.dumps(found)
