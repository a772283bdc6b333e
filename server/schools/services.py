"""Changes to who is in a school."""

import uuid

from django.contrib.auth.models import User
from django.db import transaction

from server.schools.models import Member, Role, School

__all__ = ["add_learner"]


@transaction.atomic
def add_learner(school: School, *, name: str, note: str = "") -> Member:
    """A learner of the school, with an account that nobody can sign in to yet."""
    user = User.objects.create_user(username=f"learner-{uuid.uuid4().hex[:12]}")
    return Member.objects.create(
        school=school, user=user, name=name.strip(), role=Role.LEARNER, note=note.strip()
    )
